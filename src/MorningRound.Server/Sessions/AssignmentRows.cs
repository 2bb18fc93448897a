using System.Linq.Expressions;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>
/// A plan in one student's week. What lists and figures need of it stands in columns, so that they unpack no plan.
/// </summary>
public sealed class AssignmentRow : IVersionedRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>
    /// The plan it was set from; null for practice that nobody set. The text that counts is the copy in <see cref="Document"/>.
    /// </summary>
    public Guid? PlanId { get; set; }

    public DateOnly Monday { get; set; }

    /// <summary>None for "any day".</summary>
    public DateOnly? Day { get; set; }

    public Requirement Requirement { get; set; }

    /// <summary>Its place in a stated order of the week; null where there is none.</summary>
    public int? Order { get; set; }

    /// <summary>The version of the plan that its text was taken from; null for practice that nobody set.</summary>
    public int? PlanVersion { get; set; }

    /// <summary>
    /// Whether its text is this student's own: then it is published as it stands, and not as the plan reads by then.
    /// </summary>
    public bool HasOwnText { get; set; }

    /// <summary>The plan as it was when it was set, and from publishing on as it was published.</summary>
    public required SessionPlan Document { get; set; }

    /// <summary>None while it is a draft that only coaches see.</summary>
    public DateTimeOffset? PublishedAt { get; set; }

    /// <summary>Set when something changed after publishing, so that the student is told.</summary>
    public DateTimeOffset? ChangedAt { get; set; }

    /// <summary>
    /// When the coach took it out of the week after it had been published; null otherwise. It is gone for everybody, but leaves
    /// this trace: a phone may be practising it without a signal. What then arrives is kept as practice of the student's own.
    /// </summary>
    public DateTimeOffset? TakenOutAt { get; set; }

    public Excuse? Excuse { get; set; }

    /// <summary>Whether the student said that there is no time for it. That is known, and excuses nothing.</summary>
    public bool SaidNoTime { get; set; }

    /// <summary>When the student was first sent it; null before that.</summary>
    public DateTimeOffset? SentAt { get; set; }

    /// <summary>When a calendar first carried it to somebody; null before that.</summary>
    public DateTimeOffset? CarriedAt { get; set; }

    /// <summary>When its publishing was put into a mail to the student; null before that.</summary>
    public DateTimeOffset? MailedAt { get; set; }

    /// <summary>When the student last saw what had changed; null before that.</summary>
    public DateTimeOffset? LookedAt { get; set; }

    /// <summary>Where it comes from, why it is on its day, what changed.</summary>
    public SessionNotes Notes { get; set; } = SessionNotes.None;

    public int Version { get; set; }

    /// <summary>Planned minutes that count.</summary>
    public int PlannedMinutes { get; set; }

    /// <summary>Planned minutes of what was done.</summary>
    public double DoneMinutes { get; set; }

    /// <summary>Those of the minutes done that were only reported.</summary>
    public double ReportedMinutes { get; set; }

    /// <summary>By which rules the figures were worked out; 0 in rows of a release that did not say.</summary>
    public int CompletionRules { get; set; }

    /// <summary>Whether every segment that counts was done whole.</summary>
    public bool IsWhole { get; set; }

    public bool HasLog { get; set; }

    public bool IsFinished { get; set; }

    public bool IsTrimmed { get; set; }

    public bool IsStopped { get; set; }

    /// <summary>The day it was first practised; null before that.</summary>
    public DateOnly? PractisedOn { get; set; }

    /// <summary>Slow repetitions in it that count towards a swing change.</summary>
    public int SlowRepetitions { get; set; }

    /// <summary>Ordinary repetitions in it that do.</summary>
    public int OrdinaryRepetitions { get; set; }

    /// <summary>What a list shows of it.</summary>
    public required SessionListing Listing { get; set; }

    /// <summary>What the charts add up of it; null before it was practised.</summary>
    public SessionFigures? Figures { get; set; }

    public IList<SessionLogRow> Logs { get; } = [];
}

/// <summary>
/// What the phone needs of an assignment beside its plan, worked out for its student when it was published: its drills with their
/// flows, and how it is made to fit less time. Apart from the assignment, because only a session that is opened needs it.
/// </summary>
public sealed class PublishedSessionRow
{
    public Guid AcademyId { get; init; }

    public Guid AssignmentId { get; init; }

    public required IReadOnlyList<PublishedDrill> Drills { get; init; }

    public required PlanTrim Trim { get; init; }
}

internal sealed class AssignmentMapping : IEntityTypeConfiguration<AssignmentRow>, IEntityTypeConfiguration<PublishedSessionRow>
{
    /// <summary>Segments that were ticked off in seconds are reported ones since; what they come to is worked out anew.</summary>
    private static JsonNode WithoutTicks(JsonNode content)
    {
        content.AsObject().Remove("tickedSegments");
        return content;
    }

    internal static DocumentFormat<SessionListing> ListingFormat { get; } =
        new("session-listing", WithoutTicks) { IsReadAgain = true };

    internal static DocumentFormat<SessionFigures> FiguresFormat { get; } =
        new("session-figures", WithoutTicks) { IsReadAgain = true };

    internal static DocumentFormat<SessionNotes> NotesFormat { get; } = new("session-notes");

    internal static DocumentFormat<IReadOnlyList<PublishedDrill>> DrillsFormat { get; } =
        new("published-drills") { IsReadAgain = true };

    internal static DocumentFormat<PlanTrim> TrimFormat { get; } = new("plan-trim") { IsReadAgain = true };

    public void Configure(EntityTypeBuilder<PublishedSessionRow> builder)
    {
        builder.ToTable("published_sessions");
        builder.HasKey(d => new { d.AcademyId, d.AssignmentId });
        builder.HasOne<AssignmentRow>().WithOne().HasForeignKey<PublishedSessionRow>(d => new { d.AcademyId, d.AssignmentId });
        builder.Property(d => d.Drills).IsDocument(DrillsFormat);
        builder.Property(d => d.Trim).IsDocument(TrimFormat);
    }

    public void Configure(EntityTypeBuilder<AssignmentRow> builder)
    {
        builder.ToTable("assignments");
        builder.HasKey(a => new { a.AcademyId, a.Id });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(a => new { a.AcademyId, a.StudentId });
        builder.HasOne<PlanRow>().WithMany().HasForeignKey(a => new { a.AcademyId, a.PlanId });
        builder.Property(a => a.Document).IsDocument(PlanMapping.Format);
        builder.Property(a => a.Listing).IsDocument(ListingFormat);
        builder.Property(a => a.Figures!).IsDocument(FiguresFormat);
        builder.Property(a => a.Notes).IsDocument(NotesFormat);
        builder.Property(a => a.Version).IsConcurrencyToken();
        builder.HasQueryFilter(a => a.TakenOutAt == null || a.Requirement == Requirement.Own);
        builder.HasIndex(a => new
        {
            a.AcademyId,
            a.StudentId,
            a.Monday,
        });
        // Empty once everything has been worked out by today's rules, so that looking costs a start nothing.
        builder.HasIndex(a => a.CompletionRules).HasFilter($"completion_rules < {AssignmentColumns.CompletionRules}");
        builder.HasIndex(a => new { a.AcademyId, a.Monday });
        builder.HasIndex(a => new
        {
            a.AcademyId,
            a.PlanId,
            a.StudentId,
        });
    }
}

internal static class AssignmentSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<AssignmentRow> Assignments => db.Set<AssignmentRow>();

        public DbSet<PublishedSessionRow> PublishedSessions => db.Set<PublishedSessionRow>();
    }

    /// <summary>Assignments as lists need them: their plans are left where they are.</summary>
    public static IQueryable<ListedAssignment> Listed(this IQueryable<AssignmentRow> rows) => rows.Select(ListedAssignment.OfRow);

    /// <summary>
    /// An assignment, taken out of the week or not, locked until the transaction ends; null where there is none.
    /// </summary>
    public static Task<AssignmentRow?> LockAssignmentAsync(
        this MorningRoundDb db,
        Guid academyId,
        Guid id,
        CancellationToken cancel
    ) =>
        db
            .Assignments.FromSql($"SELECT * FROM assignments WHERE academy_id = {academyId} AND id = {id} FOR UPDATE")
            .IgnoreQueryFilters()
            .SingleOrDefaultAsync(cancel);

    /// <summary>
    /// Notes that published sessions are being sent to their student, before they are read: from then on publishing cannot be
    /// taken back.
    /// </summary>
    public static Task NoteSentAsync(
        this MorningRoundDb db,
        Caller caller,
        Expression<Func<AssignmentRow, bool>> which,
        DateTimeOffset now,
        CancellationToken cancel
    ) =>
        db
            .Assignments.Where(a => a.AcademyId == caller.AcademyId && a.PublishedAt != null && a.SentAt == null)
            .Where(which)
            .ExecuteUpdateAsync(set => set.SetProperty(a => a.SentAt, now), cancel);

    /// <summary>Notes for the list of plans that plans were put into students' weeks: one statement.</summary>
    public static Task<int> NotePlanUsesAsync(
        this MorningRoundDb db,
        Guid academyId,
        Guid[] planIds,
        Guid[] studentIds,
        CancellationToken cancel
    ) =>
        db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO plan_uses (academy_id, plan_id, student_id, last_on)
            SELECT academy_id, plan_id, student_id, max(coalesce(day, monday)) FROM assignments
            WHERE academy_id = {academyId} AND plan_id = ANY ({planIds}) AND student_id = ANY ({studentIds})
                AND taken_out_at IS NULL
            GROUP BY academy_id, plan_id, student_id
            ON CONFLICT (academy_id, plan_id, student_id) DO UPDATE SET last_on = excluded.last_on
            """,
            cancel
        );

    /// <summary>
    /// Notes for the list of plans that a plan was put into, moved in or taken out of a student's weeks: one statement or two.
    /// </summary>
    public static async Task NotePlanUseAsync(
        this MorningRoundDb db,
        Guid academyId,
        Guid? planId,
        Guid studentId,
        CancellationToken cancel
    )
    {
        if (planId is null)
            return;
        var noted = await db.NotePlanUsesAsync(academyId, [planId.Value], [studentId], cancel);
        if (noted == 0)
            await db
                .PlanUses.Where(u => u.AcademyId == academyId && u.PlanId == planId && u.StudentId == studentId)
                .ExecuteDeleteAsync(cancel);
    }
}
