using MorningRound.Core.Plans.Check;

namespace MorningRound.Core.Plans;

/// <summary>What is left of a segment after trimming.</summary>
/// <param name="SegmentId">The segment of the plan.</param>
/// <param name="Minutes">Minutes it keeps, at least one.</param>
/// <param name="Balls">Balls it keeps.</param>
/// <param name="Holes">Holes still to be played; none where it has none, and in records from before holes were trimmed.</param>
public sealed record TrimmedSegment(Guid SegmentId, int Minutes, int Balls, int? Holes = null);

/// <summary>When a segment is over, said for its own minutes and balls.</summary>
public sealed record ExitRuleInWords(Guid SegmentId, string Words)
{
    /// <summary>The exit rules of a plan's segments, pauses apart.</summary>
    public static IReadOnlyList<ExitRuleInWords> Of(SessionPlan plan) => [.. plan.Practice().Select(s => new ExitRuleInWords(s.Id, s.Exit.InWords(s)))];
}

/// <summary>A session made to fit less time or fewer balls.</summary>
/// <param name="Minutes">The minutes it fits.</param>
/// <param name="Balls">The range balls it fits; none where they were no matter.</param>
/// <param name="Kept">What is left, in the order of the plan.</param>
/// <param name="Dropped">What fell out whole.</param>
/// <param name="Reasons">What was done and why, in sentences.</param>
/// <param name="ExitRules">When what is left is over.</param>
public sealed record Trimmed(
    int Minutes, int? Balls, IReadOnlyList<TrimmedSegment> Kept, IReadOnlyList<Guid> Dropped, IReadOnlyList<string> Reasons, IReadOnlyList<ExitRuleInWords> ExitRules);

/// <summary>
/// A student comes with 30 minutes and 40 balls for a plan of an hour. A warm-up stays; segments fall out whole, the lowest
/// priority first, while the approach's shares hold; then the rest is shortened in proportion.
/// </summary>
public static class PlanTrim
{
    /// <summary>Minutes for which a trim is worked out beforehand, so that a phone without a signal has it.</summary>
    private static readonly int[] MinuteSteps = [10, 20, 30, 45, 60, 90];

    private static readonly int[] BallSteps = [0, 20, 40, 60, 80];

    /// <summary>The plan trimmed; nothing when it fits as it is, or when not even a minute of each segment would fit.</summary>
    /// <param name="plan">The plan as it was set.</param>
    /// <param name="minutes">Minutes there are.</param>
    /// <param name="balls">Range balls there are; none where they do not matter.</param>
    /// <param name="context">Who and where it is for.</param>
    public static Trimmed? Of(SessionPlan plan, int minutes, int? balls, PlanContext context)
    {
        var walks = new CheckedPlan(plan, context).WalkMinutes;
        var planned = plan.Segments.Sum(s => s.Minutes);
        var bought = Bought(plan);
        if (planned + walks <= minutes && (balls is null || bought <= balls)) return null;

        var reasons = new List<string>();
        var left = plan;
        while (left.Segments.Sum(s => s.Minutes) + walks > minutes && Droppable(left, minutes - walks, context) is { } out1)
        {
            left = left with { Segments = [.. left.Segments.Where(s => s.Id != out1.Id)] };
            walks = new CheckedPlan(left, context).WalkMinutes;
            reasons.Add($"“{out1.Title}” falls out: {(out1 is Pause ? "a short session needs no pause" : "it has the least priority, and the rest still divides as it should")}.");
        }

        var there = minutes - walks;
        if (there < left.Segments.Count) return null;
        if (left.Segments.Sum(s => s.Minutes) > there)
        {
            left = Mending.ToMinutes(left, there);
            reasons.Add($"{(left.Segments.Count == plan.Segments.Count ? "Everything" : "The rest")} is shortened in proportion, to {there} minutes.");
        }

        if (balls is { } bucket && Bought(left) > bucket)
        {
            left = Mending.ToBalls(left, bucket);
            reasons.Add($"Fewer balls everywhere, {bucket} in all.");
        }

        var kept = left.Segments.Select(s => s.Id).ToHashSet();
        return new Trimmed(
            minutes, balls, [.. left.Segments.Select(s => new TrimmedSegment(s.Id, s.Minutes, (s as PracticeSegment)?.Balls ?? 0, (s as PracticeSegment)?.Holes))],
            [.. plan.Segments.Where(s => !kept.Contains(s.Id)).Select(s => s.Id)], reasons, ExitRuleInWords.Of(left));
    }

    /// <summary>Trims for a few steps of minutes and balls below what the plan takes.</summary>
    public static IReadOnlyList<Trimmed> Steps(SessionPlan plan, PlanContext context)
    {
        var planned = plan.Segments.Sum(s => s.Minutes);
        var bought = Bought(plan);
        var minuteSteps = MinuteSteps.Where(m => m < planned).Append(planned + new CheckedPlan(plan, context).WalkMinutes);
        var ballSteps = BallSteps.Where(b => b < bought).Select(b => (int?)b).Append(null).ToList();
        return [.. from m in minuteSteps from b in ballSteps let trimmed = Of(plan, m, b, context) where trimmed is not null select trimmed];
    }

    /// <summary>
    /// What can fall out whole: never the first warm-up, the lowest priority first and among equals the last; only where that
    /// does not leave much less than there is time for, and raises no balance finding that was not there.
    /// </summary>
    private static Segment? Droppable(SessionPlan plan, int minutes, PlanContext context)
    {
        var total = plan.Segments.Sum(s => s.Minutes);
        var firstWarmUp = plan.Practice().FirstOrDefault(s => s.Phase == Phase.WarmUp);
        var before = Imbalance(plan, context);
        var pause = plan.Segments.OfType<Pause>().FirstOrDefault(p => minutes <= 60 && total - p.Minutes >= minutes * 9 / 10);
        if (pause is not null) return pause;
        // Where everything is of one priority nothing is the least; it is shortened instead.
        var highest = plan.Practice().Where(s => s.Phase != Phase.WarmUp).Select(s => s.Priority).DefaultIfEmpty(1).Min();
        return plan.Practice()
            .Where(s => s != firstWarmUp && (s.Priority > highest || s.Phase == Phase.WarmUp) && total - s.Minutes >= minutes * 9 / 10)
            .Select((s, i) => (Segment: s, Place: i))
            .OrderByDescending(s => s.Segment.Priority).ThenByDescending(s => s.Place)
            .Select(s => s.Segment)
            .FirstOrDefault(s => Imbalance(plan with { Segments = [.. plan.Segments.Where(o => o.Id != s.Id)] }, context) <= before
                && plan.Practice().Any(o => o.Id != s.Id && o.Phase != Phase.WarmUp));
    }

    private static int Imbalance(SessionPlan plan, PlanContext context) => PlanCheck.Look(plan, context).Count(f => f.Id == FindingId.Balance);

    private static int Bought(SessionPlan plan) => new CheckedPlan(plan, new PlanContext { Day = default }).BallsBought;
}
