using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;

namespace MorningRound.Server.Plans;

/// <summary>One segment of the session strip: all that its drawing needs, so that the browser decides nothing.</summary>
/// <param name="Title">What stands under it.</param>
/// <param name="Phase">Its phase; null for a pause.</param>
/// <param name="Minutes">Its width.</param>
/// <param name="BallsPerMinute">Its height; null for body, mind, pauses and where no balls are planned.</param>
/// <param name="Balls">Balls planned.</param>
/// <param name="Holes">Holes planned; null where none are played.</param>
/// <param name="Fraction">How much of it is filled, 0–1; null for a pause, in a plan, and where it was dropped for pain.</param>
/// <param name="Outcome">How it was left; null while it is open or only planned.</param>
public sealed record StripSegment(
    string Title,
    Phase? Phase,
    int Minutes,
    double? BallsPerMinute,
    int Balls,
    int? Holes,
    double? Fraction,
    SegmentOutcome? Outcome
)
{
    /// <summary>Whether what is filled was only reported: it is drawn hatched.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool IsReported { get; init; }

    /// <summary>The segment; null in a list, where nobody points at one.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Guid? Id { get; init; }
}

/// <summary>Draws plans and sessions as strips.</summary>
public static class SessionStrip
{
    /// <summary>The strip as a list shows it: without ids, and with no more digits than can be seen.</summary>
    public static IReadOnlyList<StripSegment> InList(this IReadOnlyList<StripSegment> strip) =>
        [
            .. strip.Select(s =>
                s with
                {
                    Id = null,
                    BallsPerMinute = s.BallsPerMinute is { } pace ? Math.Round(pace, 2) : null,
                    Fraction = s.Fraction is { } fraction ? Math.Round(fraction, 3) : null,
                }
            ),
        ];

    public static IReadOnlyList<StripSegment> Planned(SessionPlan plan) => Done(plan, null);

    /// <summary>The strip of a plan, filled by what was done of it.</summary>
    public static IReadOnlyList<StripSegment> Done(SessionPlan plan, SessionCompletion? completion)
    {
        var done = completion?.Segments.ToDictionary(s => s.SegmentId);
        return
        [
            .. plan.Segments.Select(segment =>
            {
                var practice = segment as PracticeSegment;
                var completed = done?.GetValueOrDefault(segment.Id);
                return new StripSegment(
                    segment.Title,
                    practice?.Phase,
                    segment.Minutes,
                    PlanTotals.PaceOf(segment),
                    practice?.Balls ?? 0,
                    practice?.Holes,
                    completed?.Fraction,
                    completed?.Outcome
                )
                {
                    Id = segment.Id,
                    IsReported = completed?.IsReported == true,
                };
            }),
        ];
    }
}
