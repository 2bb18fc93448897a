using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Plans;
using MorningRound.Core.Weeks;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>A plan in one student's week.</summary>
public sealed class AssignmentRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>The plan it was set from. The text that counts is the copy in <see cref="Document"/>.</summary>
    public Guid PlanId { get; set; }

    public DateOnly Monday { get; set; }

    /// <summary>None for "any day".</summary>
    public DateOnly? Day { get; set; }

    public Requirement Requirement { get; set; }

    /// <summary>The plan as it was when it was set, and from publishing on as it was published.</summary>
    public required SessionPlan Document { get; set; }

    /// <summary>None while it is a draft that only coaches see.</summary>
    public DateTimeOffset? PublishedAt { get; set; }

    /// <summary>Set when something changed after publishing, so that the student is told.</summary>
    public DateTimeOffset? ChangedAt { get; set; }

    /// <summary>
    /// When the coach took it out of the week after it had been published; none otherwise. It is gone for everybody, but leaves
    /// this trace: a phone may be practising it without a signal. What then arrives is kept as practice of the student's own.
    /// </summary>
    public DateTimeOffset? TakenOutAt { get; set; }

    public Excuse? Excuse { get; set; }

    public int Version { get; set; }

    public IList<SessionLogRow> Logs { get; } = [];
}

/// <summary>
/// The drills of an assignment, compiled for its student when it was published. Apart from the assignment, because only a
/// session that is practised or looked at needs their flows; a squad at a glance does not.
/// </summary>
public sealed class SetDrillsRow
{
    public Guid AcademyId { get; init; }

    public Guid AssignmentId { get; init; }

    public required IReadOnlyList<SetDrill> Document { get; set; }
}

internal sealed class AssignmentMapping : IEntityTypeConfiguration<AssignmentRow>, IEntityTypeConfiguration<SetDrillsRow>
{
    public void Configure(EntityTypeBuilder<SetDrillsRow> builder)
    {
        builder.ToTable("assignment_drills");
        builder.HasKey(d => new { d.AcademyId, d.AssignmentId });
        builder.HasOne<AssignmentRow>().WithOne().HasForeignKey<SetDrillsRow>(d => new { d.AcademyId, d.AssignmentId });
        builder.Property(d => d.Document).IsDocument();
    }

    public void Configure(EntityTypeBuilder<AssignmentRow> builder)
    {
        builder.ToTable("assignments");
        builder.HasKey(a => new { a.AcademyId, a.Id });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(a => new { a.AcademyId, a.StudentId });
        builder.Property(a => a.Document).IsDocument();
        builder.Property(a => a.Version).IsConcurrencyToken();
        builder.HasQueryFilter(a => a.TakenOutAt == null || a.Requirement == Requirement.Own);
        builder.HasIndex(a => new { a.AcademyId, a.StudentId, a.Monday });
        builder.HasIndex(a => new { a.AcademyId, a.Monday });
    }
}
