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

    /// <summary>The drills of the plan, compiled for this student when it was published; empty before that.</summary>
    public IReadOnlyList<SetDrill> Drills { get; set; } = [];

    /// <summary>None while it is a draft that only coaches see.</summary>
    public DateTimeOffset? PublishedAt { get; set; }

    /// <summary>Set when something changed after publishing, so that the student is told.</summary>
    public DateTimeOffset? ChangedAt { get; set; }

    public Excuse? Excuse { get; set; }

    public int Version { get; set; }

    public IList<SessionLogRow> Logs { get; } = [];
}

internal sealed class AssignmentMapping : IEntityTypeConfiguration<AssignmentRow>
{
    public void Configure(EntityTypeBuilder<AssignmentRow> builder)
    {
        builder.ToTable("assignments");
        builder.HasKey(a => new { a.AcademyId, a.Id });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(a => new { a.AcademyId, a.StudentId });
        builder.Property(a => a.Document).IsDocument();
        // Rows from before there were drills have none.
        builder.Property(a => a.Drills).IsDocument().HasDefaultValueSql("""'{"version":1,"content":[]}'""");
        builder.Property(a => a.Version).IsConcurrencyToken();
        builder.HasIndex(a => new { a.AcademyId, a.StudentId, a.Monday });
        builder.HasIndex(a => new { a.AcademyId, a.Monday });
    }
}
