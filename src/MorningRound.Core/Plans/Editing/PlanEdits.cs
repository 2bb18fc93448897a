using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans.Editing;

/// <summary>Changes to a plan that several fixes share.</summary>
internal static class PlanEdits
{
    /// <summary>
    /// All segments longer or shorter in proportion, so that they add up to a number of minutes; each keeps at least one
    /// minute, and its pace. The minutes must be at least as many as the segments.
    /// </summary>
    public static SessionPlan ToMinutes(SessionPlan plan, int minutes) =>
        Scale(plan, minutes - plan.Segments.Count, s => s.Minutes - 1, (s, n) => Lasting(s, n + 1));

    /// <summary>
    /// What comes after the warm-up made longer by so many minutes, in proportion and at its pace: a warm-up does not grow
    /// because there is time.
    /// </summary>
    public static SessionPlan Lengthened(SessionPlan plan, int minutes)
    {
        bool Grows(Segment s) => s is PracticeSegment { Phase: not Phase.WarmUp };
        var now = plan.Segments.Where(Grows).Sum(s => s.Minutes);
        return now == 0
            ? plan
            : Scale(plan, now + minutes, s => Grows(s) ? s.Minutes : 0, (s, n) => Grows(s) ? Lasting(s, n) : s);
    }

    /// <summary>
    /// A segment of another length at its pace: balls in proportion, and within the usual pace where they were; holes only as
    /// far as it takes to stay within two to five minutes each.
    /// </summary>
    public static Segment Lasting(Segment segment, int minutes)
    {
        if (segment is not PracticeSegment practice || practice.Minutes <= 0)
            return segment with { Minutes = minutes };
        var other = practice with { Minutes = minutes };
        if (practice.Holes is { } holes && UsualPace.FitsHoles(practice.Minutes, holes))
            other = other.WithHoles(Math.Clamp(holes, UsualPace.LeastHoles(minutes), UsualPace.MostHoles(minutes)));
        // A drill with a number of strokes of its own keeps it, however long it has.
        if (practice.Balls == 0 || practice.Drill?.Protocol().OwnStrokes == practice.Balls)
            return other;
        var share =
            practice.Holes is > 0 and { } before && other.Holes is { } after
                ? (double)after / before
                : (double)minutes / practice.Minutes;
        var balls = (int)Math.Round(practice.Balls * share, MidpointRounding.AwayFromZero);
        if (
            UsualPace.Of(practice) is { } usual
            && practice.Balls >= usual.Least * practice.Minutes - 1e-9
            && practice.Balls <= usual.Most * practice.Minutes + 1e-9
        )
        {
            var least = (int)Math.Ceiling((usual.Least * minutes) - 1e-9);
            balls = Math.Clamp(balls, least, Math.Max(least, (int)Math.Floor((usual.Most * minutes) + 1e-9)));
        }

        return other.WithBalls(Math.Max(1, balls));
    }

    /// <summary>Scales all bought balls in proportion, so that they add up to a number.</summary>
    public static SessionPlan ToBalls(SessionPlan plan, int balls) =>
        Scale(
            plan,
            balls,
            s => s is PracticeSegment p && p.Place.BallsAreBought() ? p.Balls : 0,
            (s, n) => s is PracticeSegment p && p.Place.BallsAreBought() ? p.WithBalls(n) : s
        );

    /// <summary>
    /// Takes minutes off the longest segment of practice that can spare them, apart from one; the plan itself where none can.
    /// </summary>
    public static SessionPlan TakingFromLongest(SessionPlan plan, int minutes, Guid? apartFrom = null)
    {
        var longest =
            plan.Practice().Where(s => s.Id != apartFrom && s.Phase != Phase.WarmUp).MaxBy(s => s.Minutes)
            ?? plan.Practice().MaxBy(s => s.Minutes);
        if (longest is null || longest.Minutes <= minutes + 1)
            return plan;
        var left = longest.Minutes - minutes;
        return plan with { Segments = [.. plan.Segments.Select(s => s.Id == longest.Id ? Lasting(longest, left) : s)] };
    }

    /// <summary>The whole again in whole numbers: shares rounded down, what is left over given to those who lost most.</summary>
    private static SessionPlan Scale(SessionPlan plan, int to, Func<Segment, int> of, Func<Segment, int, Segment> with)
    {
        var from = plan.Segments.Sum(of);
        if (from == 0 || to < 0)
            return plan;
        var exact = plan.Segments.Select(s => (double)of(s) * to / from).ToList();
        var whole = exact.Select(e => (int)Math.Floor(e + 1e-9)).ToList();
        foreach (var i in Enumerable.Range(0, exact.Count).OrderByDescending(i => exact[i] - whole[i]).Take(to - whole.Sum()))
            whole[i]++;
        return plan with { Segments = [.. plan.Segments.Select((s, i) => with(s, whole[i]))] };
    }
}
