using MorningRound.Core.Plans.Editing;

namespace MorningRound.Core.Plans.Checks;

internal static class BudgetRules
{
    /// <summary>How much of the minutes may stay unplanned, in percent.</summary>
    private const double UnplannedPercent = 10;

    /// <summary>Below so many minutes a segment is hardly begun before it is over. The product's own number.</summary>
    private const int ShortestSlice = 4;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.OverTime, FindingLevel.Stop, OverTime),
        new(FindingId.OverBalls, FindingLevel.Stop, OverBalls),
        new(FindingId.UnderTime, FindingLevel.Note, UnderTime),
    ];

    private static IEnumerable<RuleHit> OverTime(PlanInput input)
    {
        if (input.Plan.Constraints.Minutes is not { } there || input.Minutes + input.WalkMinutes <= there)
            yield break;
        var why =
            input.WalkMinutes > 0
                ? CheckSentences.OverTimeWithWalks.Of(input.Minutes + input.WalkMinutes, input.WalkMinutes, there)
                : CheckSentences.OverTime.Of(input.Minutes, there);
        // A plan of slices is no mend: below that only the coach can say what falls out.
        var share = (double)(there - input.WalkMinutes) / input.Minutes;
        yield return input.Practice.Any(s => s.Minutes > ShortestSlice && s.Minutes * share < ShortestSlice)
            ? new RuleHit(null, why)
            : new RuleHit(
                null,
                why,
                CheckSentences.ShortenAll.Of(),
                () => PlanEdits.ToMinutes(input.Plan, Math.Max(input.Plan.Segments.Count, there - input.WalkMinutes))
            );
    }

    private static IEnumerable<RuleHit> OverBalls(PlanInput input)
    {
        if (input.Plan.Constraints.Balls is not { } there || input.BallsBought <= there)
            yield break;
        yield return new RuleHit(
            null,
            CheckSentences.OverBalls.Of(input.BallsBought, there),
            CheckSentences.FewerBalls.Of(),
            () => PlanEdits.ToBalls(input.Plan, there)
        );
    }

    private static IEnumerable<RuleHit> UnderTime(PlanInput input)
    {
        if (input.Plan.Constraints.Minutes is not { } there || input.Practice.Count == 0)
            yield break;
        var left = there - input.Minutes - input.WalkMinutes;
        if (left * 100.0 <= UnplannedPercent * there)
            yield break;
        yield return input.IsOnlyWarmUp
            ? new RuleHit(null, CheckSentences.UnderTime.Of(left, there))
            : new RuleHit(
                null,
                CheckSentences.UnderTime.Of(left, there),
                CheckSentences.LengthenAll.Of(),
                () => PlanEdits.Lengthened(input.Plan, left)
            );
    }
}
