using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>
/// Strokes that were played, as far as they are known: balls counted, else a drill's attempts. Breathing and reading have none,
/// and what nobody counted is unknown, which is not zero.
/// </summary>
/// <param name="Counted">Strokes that were counted, wherever they were played.</param>
/// <param name="RangeBalls">Those of them that were played with bought balls.</param>
/// <param name="SomeUnknown">Whether something with strokes was done and nobody counted them.</param>
public sealed record Strokes(int Counted, int RangeBalls, bool SomeUnknown)
{
    /// <summary>Adds up the logs of a plan; of several logs the fuller one counts for each segment.</summary>
    public static Strokes Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs)
    {
        var (counted, bought, someUnknown) = (0, 0, false);
        foreach (var segment in plan.Practice())
        {
            if (
                SessionCompletion.FullestLog(segment, plan, logs)?.Segments.FirstOrDefault(s => s.SegmentId == segment.Id)
                is not { } kept
            )
                continue;
            if (In(segment, kept) is { } strokes)
            {
                counted += strokes;
                if (segment.Place.BallsAreBought())
                    bought += kept.Result?.Card is { } played ? ShotsOf(played) : strokes;
            }
            else if (HasStrokes(segment) && kept.Outcome is SegmentOutcome.Done or SegmentOutcome.PartDone)
            {
                someUnknown = true;
            }
        }

        return new Strokes(counted, bought, someUnknown);
    }

    /// <summary>
    /// Strokes of one segment; null where nobody counted any. Of holes the shots and the putts that were holed out afterwards.
    /// </summary>
    public static int? In(PracticeSegment segment, SegmentLog kept) =>
        kept.Result?.Card is { Holes.Count: > 0 } played
            ? ShotsOf(played) + played.Holes.Where(h => !h.PuttsAreExpected).Sum(h => (int)(h.Putts ?? 0))
            : kept.Balls ?? (kept.DrillAttempts > 0 && HasStrokes(segment) ? kept.DrillAttempts : null);

    /// <summary>Only these are hit with the range's balls: putts are holed out elsewhere, with one's own.</summary>
    private static int ShotsOf(Card card) => card.Holes.Sum(h => h.Shots.Count);

    /// <summary>
    /// Whether an attempt of a segment's drill is a stroke: not in breathing, nor where no balls are planned, as in reading.
    /// </summary>
    public static bool HasStrokes(PracticeSegment segment) =>
        segment.Balls > 0 && segment.Intent is not (Intent.Body or Intent.Mind) && segment.Drill?.Protocol() is not TimedSteps;
}
