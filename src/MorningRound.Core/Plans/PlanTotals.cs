using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans;

/// <summary>Minutes, balls and their share for one phase.</summary>
/// <param name="Phase">The phase.</param>
/// <param name="Minutes">Planned minutes in it.</param>
/// <param name="Balls">Strokes planned in it.</param>
/// <param name="Percent">Its share of all practice minutes, 0–100, pauses left out.</param>
/// <param name="PercentAfterWarmUp">
/// Its share of the minutes left after warm-up, 0–100; null for the warm-up itself and in a plan that is only a warm-up.
/// </param>
public sealed record PhaseShare(Phase Phase, int Minutes, int Balls, double Percent, double? PercentAfterWarmUp);

/// <summary>An intent's minutes after warm-up, and their share of all minutes after warm-up, 0–100.</summary>
public sealed record IntentShare(Intent Intent, int MinutesAfterWarmUp, double PercentAfterWarmUp);

/// <summary>A segment's pace in balls per minute; null for body and mind, for pauses, and where no balls are planned.</summary>
public sealed record SegmentPace(Guid SegmentId, double? BallsPerMinute);

/// <summary>What a plan adds up to.</summary>
public sealed record PlanTotals
{
    /// <summary>All planned minutes, pauses included: how long the visit lasts.</summary>
    public required int Minutes { get; init; }

    /// <summary>Planned minutes of practice, pauses left out.</summary>
    public required int PracticeMinutes { get; init; }

    /// <summary>Planned minutes of pauses.</summary>
    public required int PauseMinutes { get; init; }

    /// <summary>Strokes planned, wherever they are played.</summary>
    public required int Balls { get; init; }

    /// <summary>Strokes planned on a range, where the balls are bought.</summary>
    public required int BallsBought { get; init; }

    /// <summary>Holes planned, over all on-course segments.</summary>
    public required int Holes { get; init; }

    /// <summary>Balls per minute of practice over the whole session; null without balls or without practice.</summary>
    public required double? BallsPerMinute { get; init; }

    /// <summary>One entry for each phase that has minutes, in the order of the phases.</summary>
    public required IReadOnlyList<PhaseShare> Phases { get; init; }

    /// <summary>One entry for each intent that has minutes after warm-up, in the order of the intents.</summary>
    public required IReadOnlyList<IntentShare> Intents { get; init; }

    /// <summary>One entry for each segment, in the order of the plan.</summary>
    public required IReadOnlyList<SegmentPace> Paces { get; init; }

    /// <summary>Adds a plan up. Minutes and balls that no plan may have (negative ones) count as zero.</summary>
    public static PlanTotals Of(SessionPlan plan)
    {
        var practice = plan.Practice().ToList();
        var practiceMinutes = practice.Sum(MinutesOf);
        var pauseMinutes = plan.Segments.OfType<Pause>().Sum(MinutesOf);
        var balls = practice.Sum(BallsOf);
        var afterWarmUp = practice.Where(s => s.Phase != Phase.WarmUp).ToList();
        var minutesAfterWarmUp = afterWarmUp.Sum(MinutesOf);

        return new PlanTotals
        {
            Minutes = practiceMinutes + pauseMinutes,
            PracticeMinutes = practiceMinutes,
            PauseMinutes = pauseMinutes,
            Balls = balls,
            BallsBought = practice.Where(s => s.Place.BallsAreBought()).Sum(BallsOf),
            Holes = practice.Sum(s => Math.Max(0, s.Holes ?? 0)),
            BallsPerMinute = balls > 0 && practiceMinutes > 0 ? (double)balls / practiceMinutes : null,
            Phases =
            [
                .. practice
                    .GroupBy(s => s.Phase)
                    .OrderBy(g => g.Key)
                    .Select(g => new PhaseShare(
                        g.Key,
                        g.Sum(MinutesOf),
                        g.Sum(BallsOf),
                        Percent(g.Sum(MinutesOf), practiceMinutes),
                        g.Key == Phase.WarmUp ? null : Percent(g.Sum(MinutesOf), minutesAfterWarmUp)
                    )),
            ],
            Intents =
            [
                .. afterWarmUp
                    .GroupBy(s => s.Intent)
                    .OrderBy(g => g.Key)
                    .Select(g => new IntentShare(g.Key, g.Sum(MinutesOf), Percent(g.Sum(MinutesOf), minutesAfterWarmUp))),
            ],
            Paces = [.. plan.Segments.Select(s => new SegmentPace(s.Id, PaceOf(s)))],
        };
    }

    /// <summary>
    /// A segment's pace in balls per minute. A segment of body or mind, or with no balls, has none, and neither has a pause.
    /// </summary>
    public static double? PaceOf(Segment segment) =>
        segment is PracticeSegment { Balls: > 0, Minutes: > 0, Intent: not (Intent.Body or Intent.Mind) } practice
            ? (double)practice.Balls / practice.Minutes
            : null;

    private static int MinutesOf(Segment segment) => Math.Max(0, segment.Minutes);

    private static int BallsOf(PracticeSegment segment) => Math.Max(0, segment.Balls);

    private static double Percent(int part, int whole) => whole == 0 ? 0 : 100.0 * part / whole;
}
