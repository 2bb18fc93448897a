namespace MorningRound.Core.Plans.Check;

internal static class BudgetRules
{
    /// <summary>How much of the minutes may stay unplanned, in percent.</summary>
    private const double UnplannedPercent = 10;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.OverTime, FindingLevel.Stop, OverTime),
        new(FindingId.OverBalls, FindingLevel.Stop, OverBalls),
        new(FindingId.UnderTime, FindingLevel.Note, UnderTime),
    ];

    private static IEnumerable<Found> OverTime(CheckedPlan seen)
    {
        if (seen.Plan.Frame.Minutes is not { } there || seen.Minutes + seen.WalkMinutes <= there) yield break;
        var walks = seen.WalkMinutes > 0 ? $", {seen.WalkMinutes} of them walking" : "";
        var target = there - seen.WalkMinutes;
        yield return new Found(null, $"It takes {seen.Minutes + seen.WalkMinutes} minutes{walks}; there are {there}.",
            "Shorten every segment in proportion", () => Mending.ToMinutes(seen.Plan, Math.Max(seen.Plan.Segments.Count, target)));
    }

    private static IEnumerable<Found> OverBalls(CheckedPlan seen)
    {
        if (seen.Plan.Frame.Balls is not { } there || seen.BallsBought <= there) yield break;
        yield return new Found(null, $"It takes {seen.BallsBought} range balls; there are {there}.",
            "Fewer balls everywhere, in proportion", () => Mending.ToBalls(seen.Plan, there));
    }

    private static IEnumerable<Found> UnderTime(CheckedPlan seen)
    {
        if (seen.Plan.Frame.Minutes is not { } there || seen.Practice.Count == 0) yield break;
        var left = there - seen.Minutes - seen.WalkMinutes;
        if (left * 100.0 <= UnplannedPercent * there) yield break;
        yield return new Found(null, $"{left} of {there} minutes are not planned.",
            "Lengthen every segment in proportion", () => Mending.ToMinutes(seen.Plan, there - seen.WalkMinutes));
    }
}
