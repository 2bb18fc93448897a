using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Guardians;

/// <summary>That somebody answers for a minor.</summary>
public sealed class GuardianshipRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>The guardian's account.</summary>
    public Guid AccountId { get; init; }

    public DateTimeOffset ConsentedAt { get; set; }

    /// <summary>When they took it back; null while it holds.</summary>
    public DateTimeOffset? WithdrawnAt { get; set; }
}

internal sealed class GuardianshipMapping : IEntityTypeConfiguration<GuardianshipRow>
{
    public void Configure(EntityTypeBuilder<GuardianshipRow> builder)
    {
        builder.ToTable("guardianships");
        builder.HasKey(g => new
        {
            g.AcademyId,
            g.StudentId,
            g.AccountId,
        });
        builder.HasIndex(g => g.AccountId);
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(g => new { g.AcademyId, g.StudentId });
        builder.HasOne<Account>().WithMany().HasForeignKey(g => g.AccountId);
    }
}

internal static class GuardianSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<GuardianshipRow> Guardianships => db.Set<GuardianshipRow>();
    }
}
