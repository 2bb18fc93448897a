using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>A named group of students. A student can be in several.</summary>
public sealed class SquadRow : IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Name { get; set; }

    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }

    public IList<SquadMemberRow> Members { get; } = [];
}

/// <summary>That a student is in a squad.</summary>
public sealed class SquadMemberRow
{
    public Guid AcademyId { get; init; }

    public Guid SquadId { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>The day from which on.</summary>
    public DateOnly JoinedOn { get; init; }
}

internal sealed class SquadMappings : IEntityTypeConfiguration<SquadRow>, IEntityTypeConfiguration<SquadMemberRow>
{
    public void Configure(EntityTypeBuilder<SquadRow> builder)
    {
        builder.ToTable("squads");
        builder.HasKey(s => new { s.AcademyId, s.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(s => s.AcademyId);
        builder.Property(s => s.Name).HasMaxLength(SquadService.LongestName);
        builder.Property(s => s.Version).IsConcurrencyToken();
    }

    public void Configure(EntityTypeBuilder<SquadMemberRow> builder)
    {
        builder.ToTable("squad_members");
        builder.HasKey(m => new
        {
            m.AcademyId,
            m.SquadId,
            m.StudentId,
        });
        builder
            .HasOne<SquadRow>()
            .WithMany(s => s.Members)
            .HasForeignKey(m => new { m.AcademyId, m.SquadId })
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(m => new { m.AcademyId, m.StudentId });
    }
}

internal static class SquadSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<SquadRow> Squads => db.Set<SquadRow>();

        public DbSet<SquadMemberRow> SquadMembers => db.Set<SquadMemberRow>();

        /// <summary>Who is in which squad, but for squads that were deleted.</summary>
        public IQueryable<SquadMemberRow> LiveSquadMembers =>
            from member in db.Set<SquadMemberRow>()
            join squad in db.Set<SquadRow>()
                on new { member.AcademyId, Id = member.SquadId } equals new { squad.AcademyId, squad.Id }
            where squad.RemovedAt == null
            select member;
    }
}
