using System.Globalization;
using System.Text.RegularExpressions;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Weeks;

/// <summary>A draft as it would be published, and what keeps it.</summary>
internal sealed partial record SessionToPublish(
    AssignmentRow Draft,
    SessionPlan Document,
    int? PlanVersion,
    PlanContext Context,
    IReadOnlyList<PublishedDrill> Drills,
    IReadOnlyList<NotPublished> Kept
)
{
    /// <summary>Walks between the grounds of the session.</summary>
    public int WalkMinutes =>
        SessionToPlace.Of(Draft.Id, Document, Context, Draft.Requirement, Draft.Order).Minutes - PlanTotals.Of(Document).Minutes;

    public static SessionToPublish Of(AssignmentRow draft, DraftText text, PlanContext student, IsoWeek week)
    {
        var document = text.Document;
        var context = student with { Day = draft.Day ?? week.Monday };
        var (compiled, missing) = PublishedDrill.Of(document, context.PlayerIn, draft.Id);
        FieldError[] errors =
        [
            .. PlanRules.ToPublish(document),
            // What the plan itself lacks was said above, with its field.
            .. PlanCheck
                .Run(document, context)
                .Where(f => f.Level == FindingLevel.Stop && f.Id is not FindingId.NoPurpose)
                .DistinctBy(f => (f.SegmentId, f.Message))
                .Select(f => new FieldError(f.Id == FindingId.Minor ? "studentId" : PathOf(document, f.SegmentId), f.Why)),
            .. missing,
        ];
        return new SessionToPublish(
            draft,
            document,
            text.PlanVersion,
            context,
            compiled,
            [
                .. errors.Select(e => new NotPublished(
                    draft.Id,
                    document.Title,
                    draft.Day,
                    SegmentAt(document, e.Path)?.Title,
                    e.Path,
                    e.Message
                )),
            ]
        );
    }

    public PublishedSessionRow ToRow(Guid academyId) =>
        new()
        {
            AcademyId = academyId,
            AssignmentId = Draft.Id,
            Drills = Drills,
            Trim = PlanTrim.Of(Draft.Document, Context),
        };

    /// <summary>Writes into the row what counts from publishing on.</summary>
    public void Publish(DateTimeOffset now)
    {
        Draft.Document = Document.ForPublishing();
        Draft.PlanVersion = PlanVersion;
        Draft.PublishedAt = now;
        Draft.Notes = Draft.Notes with { WalkMinutes = WalkMinutes };
        Draft.Summarize([]);
        Draft.Version++;
    }

    private static string PathOf(SessionPlan plan, Guid? segmentId) =>
        segmentId is { } id ? $"segments[{plan.Segments.ToList().FindIndex(s => s.Id == id)}]" : "segments";

    private static Segment? SegmentAt(SessionPlan plan, string path) =>
        SegmentPath().Match(path) is { Success: true } at
        && int.Parse(at.Groups[1].Value, CultureInfo.InvariantCulture) is var index
        && index < plan.Segments.Count
            ? plan.Segments[index]
            : null;

    [GeneratedRegex(@"^segments\[(\d+)\]")]
    private static partial Regex SegmentPath();
}
