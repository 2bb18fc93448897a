using MorningRound.Core.Places;

namespace MorningRound.Core.Plans.Check;

/// <summary>Balls per minute by what a segment says it is. The numbers are the product's own, where common practice gives no other.</summary>
internal static class PaceRules
{
    internal const double BlockLeast = 0.8;

    /// <summary>Above 100 range balls in 60 minutes a session is hurried. Common practice, no source.</summary>
    private const double SessionMost = 100.0 / 60;

    private const double LeastMinutesAHole = 2;
    private const double MostMinutesAHole = 5;

    /// <summary>From so many holes on they are a card; one or two are a hole rehearsed, with time to talk.</summary>
    private const int HolesOfACard = 3;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.PaceFast, FindingLevel.Advice, seen => Segments(seen, isFast: true).Concat(Session(seen)).Concat(Holes(seen, isFast: true))),
        new(FindingId.PaceSlow, FindingLevel.Advice, seen => Segments(seen, isFast: false).Concat(Holes(seen, isFast: false))),
    ];

    /// <summary>The usual pace of a segment in balls per minute; none for what has none.</summary>
    internal static (double Least, double Most, string Kind)? Usual(PracticeSegment segment)
    {
        if (segment.Intent is Intent.Body or Intent.Mind || segment.Balls <= 0) return null;
        if (segment.Phase == Phase.WarmUp) return (0, 4.0, "a warm-up");
        if (CheckedPlan.PartOf(segment) == GamePart.Putting)
        {
            if (segment.Phase == Phase.OnCourse || segment.SkillOrDrills == "reading") return null;
            return segment.Phase == Phase.Block ? (2, 5, "putting in block") : (0.5, 1.5, "random putting");
        }

        return segment.Phase switch
        {
            Phase.Block when segment.SlowRepetitions => (0.25, 0.45, "slow repetitions"),
            Phase.Block => (BlockLeast, 2.0, "block"),
            Phase.Random when segment.FullRoutine => (0.35, 0.75, "random with the full routine"),
            Phase.Random => (0.7, 1.7, "random"),
            _ => null,
        };
    }

    /// <summary>Whether so many holes fit into the minutes at two to five each.</summary>
    internal static bool FitsHoles(int minutes, int holes) => holes >= LeastHoles(minutes) && holes <= MostHoles(minutes);

    /// <summary>The fewest holes that are not slow for the minutes, at least one.</summary>
    internal static int LeastHoles(int minutes) => Math.Max(1, (int)Math.Ceiling(minutes / MostMinutesAHole));

    /// <summary>The most holes that are not hurried for the minutes, at least one.</summary>
    internal static int MostHoles(int minutes) => Math.Max(LeastHoles(minutes), (int)(minutes / LeastMinutesAHole));

    private static IEnumerable<Found> Segments(CheckedPlan seen, bool isFast)
    {
        foreach (var segment in seen.Practice)
        {
            if (Usual(segment) is not { } usual || PlanTotals.PaceOf(segment) is not { } pace) continue;
            if (isFast ? pace <= usual.Most + 1e-9 : pace >= usual.Least - 1e-9) continue;
            var balls = isFast ? (int)Math.Floor((usual.Most * segment.Minutes) + 1e-9) : (int)Math.Ceiling((usual.Least * segment.Minutes) - 1e-9);
            yield return new Found(segment.Id,
                $"{pace:0.0#} balls a minute is {(isFast ? "fast" : "slow")} for {usual.Kind}; usual is {(usual.Least > 0 ? $"{usual.Least:0.0#} to {usual.Most:0.0#}" : $"up to {usual.Most:0.0#}")}.",
                $"{balls} balls", () => seen.With(segment, s => s with { Balls = Math.Max(1, balls) }));
        }
    }

    private static IEnumerable<Found> Session(CheckedPlan seen)
    {
        if (seen.Minutes == 0 || seen.BallsBought <= SessionMost * seen.Minutes + 1e-9) yield break;
        var most = (int)(SessionMost * seen.Minutes);
        yield return new Found(null, $"{seen.BallsBought} range balls in {seen.Minutes} minutes; 100 in an hour is the upper end.",
            $"{most} balls in all", () => Mending.ToBalls(seen.Plan, most));
    }

    /// <summary>Minutes a hole over the on-course segments of the range together, putting out afterwards included.</summary>
    private static IEnumerable<Found> Holes(CheckedPlan seen, bool isFast)
    {
        var onCourse = seen.Practice.Where(s => s.Phase == Phase.OnCourse).ToList();
        var onRange = onCourse.Where(s => s is { Place: PlaceKind.Range, Holes: not null }).ToList();
        var holes = onRange.Sum(s => s.Holes ?? 0);
        if (holes < HolesOfACard) yield break;
        var each = (double)onCourse.Where(s => s.Place == PlaceKind.Range || CheckedPlan.PartOf(s) == GamePart.Putting).Sum(s => s.Minutes) / holes;
        if (isFast ? each >= LeastMinutesAHole : each <= MostMinutesAHole) yield break;
        yield return new Found(onRange[0].Id, $"{each:0.0} minutes a hole is {(isFast ? "hurried" : "slow")}; two to five are usual.");
    }
}
