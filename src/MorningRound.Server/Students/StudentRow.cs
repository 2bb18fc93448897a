using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;

namespace MorningRound.Server.Students;

public sealed class StudentRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Name { get; set; }

    public Hand Hand { get; set; }

    public Level Level { get; set; }

    /// <summary>A line for the coach's own eyes.</summary>
    public string CoachNote { get; set; } = "";

    public int Version { get; set; }
}

internal sealed class StudentMapping : IEntityTypeConfiguration<StudentRow>
{
    public void Configure(EntityTypeBuilder<StudentRow> builder)
    {
        builder.ToTable("students");
        builder.HasKey(s => new { s.AcademyId, s.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(s => s.AcademyId);
        builder.Property(s => s.Name).HasMaxLength(120);
        builder.Property(s => s.Version).IsConcurrencyToken();
    }
}
