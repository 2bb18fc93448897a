using MorningRound.Core.Drills;
using MorningRound.Core.Places;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Check;

/// <summary>The parts of the game between which a session climbs separately.</summary>
internal enum GamePart
{
    Putting,
    ShortGame,
    LongGame,
}

/// <summary>A plan and what it is checked against, with what several rules ask for worked out once.</summary>
internal sealed class CheckedPlan(SessionPlan plan, PlanContext context)
{
    public SessionPlan Plan { get; } = plan;

    public PlanContext Context { get; } = context;

    public IReadOnlyList<PracticeSegment> Practice { get; } = [.. plan.Practice()];

    public int Minutes { get; } = plan.Segments.Sum(s => Math.Max(0, s.Minutes));

    public int MinutesAfterWarmUp { get; } = plan.Practice().Where(s => s.Phase != Phase.WarmUp).Sum(s => Math.Max(0, s.Minutes));

    public int BallsBought { get; } = plan.Practice().Where(s => s.Place.BallsAreBought()).Sum(s => Math.Max(0, s.Balls));

    /// <summary>Minutes of walking between places of different kinds; 0 where nobody noted how far it is.</summary>
    public int WalkMinutes { get; } = Walks(plan, context);

    public bool IsOnlyWarmUp => Practice.Count > 0 && Practice.All(s => s.Phase == Phase.WarmUp);

    public int IndexOf(Guid? segmentId)
    {
        if (segmentId is null) return -1;
        for (var i = 0; i < Plan.Segments.Count; i++) if (Plan.Segments[i].Id == segmentId) return i;
        return -1;
    }

    /// <summary>The plan with one segment changed.</summary>
    public SessionPlan With(PracticeSegment old, Func<PracticeSegment, PracticeSegment> change) =>
        Plan with { Segments = [.. Plan.Segments.Select(s => s.Id == old.Id && s is PracticeSegment practice ? change(practice) : s)] };

    public IEnumerable<Place> Grounds(PlaceKind kind) => Context.Places.Select(p => p.Place).Where(p => p.Kind == kind);

    public static GamePart? PartOf(PracticeSegment segment) => segment.AreaOrDrills switch
    {
        Area.Putting => GamePart.Putting,
        Area.Chip or Area.Pitch or Area.Bunker or Area.Wedge => GamePart.ShortGame,
        Area.Iron or Area.Wood or Area.Driver => GamePart.LongGame,
        _ => null,
    };

    /// <summary>Whether full swings are planned: it says so, or names clubs for them on a range and no smaller swing.</summary>
    public static bool IsFullSwing(PracticeSegment segment) =>
        segment.Intent is not (Intent.Body or Intent.Mind) && segment.Balls > 0
        && (segment.SwingOrDrills is { } swing ? swing == SwingSize.Full : segment.Place == PlaceKind.Range && PartOf(segment) == GamePart.LongGame && !segment.Bridge && segment.Phase != Phase.WarmUp);

    public bool HasEquipment(Equipment item, PlaceKind place) =>
        Context.Student is not { } student || student.Own.Equipment.Contains(item) || Grounds(place).Any(p => p.Equipment.Contains(item));

    private static int Walks(SessionPlan plan, PlanContext context)
    {
        var minutes = 0;
        PlaceKind? last = null;
        foreach (var segment in plan.Practice())
        {
            if (last is { } from && from != segment.Place) minutes += WalkBetween(from, segment.Place, context);
            last = segment.Place;
        }

        return minutes;
    }

    /// <summary>The shortest way noted between two kinds of places; 0 where none is noted.</summary>
    internal static int WalkBetween(PlaceKind from, PlaceKind to, PlanContext context)
    {
        int? shortest = null;
        foreach (var a in context.Places)
        {
            foreach (var walk in a.Place.Walks)
            {
                var b = context.Places.FirstOrDefault(p => p.Id == walk.Place)?.Place.Kind;
                if ((a.Place.Kind == from && b == to) || (a.Place.Kind == to && b == from)) shortest = Math.Min(shortest ?? int.MaxValue, walk.Minutes);
            }
        }

        return shortest ?? 0;
    }
}

/// <summary>Changes to a plan that several fixes share.</summary>
internal static class Mending
{
    /// <summary>
    /// All segments longer or shorter in proportion, so that they add up to so many minutes; each keeps at least one minute, and
    /// its pace. The minutes must be at least as many as the segments.
    /// </summary>
    public static SessionPlan ToMinutes(SessionPlan plan, int minutes) =>
        Scale(plan, minutes - plan.Segments.Count, s => s.Minutes - 1, (s, n) => Lasting(s, n + 1));

    /// <summary>
    /// A segment of another length at its pace: balls in proportion, and within the usual pace where they were; holes only as
    /// far as it takes to stay within two to five minutes each.
    /// </summary>
    public static Segment Lasting(Segment segment, int minutes)
    {
        if (segment is not PracticeSegment practice || practice.Minutes <= 0) return segment with { Minutes = minutes };
        var other = practice with { Minutes = minutes };
        if (practice.Holes is { } holes && PaceRules.FitsHoles(practice.Minutes, holes))
            other = other with { Holes = Math.Clamp(holes, PaceRules.LeastHoles(minutes), PaceRules.MostHoles(minutes)) };
        if (practice.Balls == 0) return other;
        var share = practice.Holes is > 0 and { } before && other.Holes is { } after ? (double)after / before : (double)minutes / practice.Minutes;
        var balls = (int)Math.Round(practice.Balls * share, MidpointRounding.AwayFromZero);
        if (PaceRules.Usual(practice) is { } usual && practice.Balls >= usual.Least * practice.Minutes - 1e-9 && practice.Balls <= usual.Most * practice.Minutes + 1e-9)
        {
            var least = (int)Math.Ceiling((usual.Least * minutes) - 1e-9);
            balls = Math.Clamp(balls, least, Math.Max(least, (int)Math.Floor((usual.Most * minutes) + 1e-9)));
        }

        return other with { Balls = Math.Max(1, balls) };
    }

    /// <summary>All balls bought in proportion, so that they add up to so many.</summary>
    public static SessionPlan ToBalls(SessionPlan plan, int balls) =>
        Scale(plan, balls, s => s is PracticeSegment p && p.Place.BallsAreBought() ? p.Balls : 0, (s, n) => s is PracticeSegment p && p.Place.BallsAreBought()
            ? p with { Balls = n, Exit = n == 0 && p.Exit is AfterBalls ? new AfterMinutes() : p.Exit }
            : s);

    /// <summary>Takes minutes off the longest segment of practice that can spare them, apart from one; the plan itself where none can.</summary>
    public static SessionPlan TakingFromLongest(SessionPlan plan, int minutes, Guid? apartFrom = null)
    {
        var longest = plan.Practice().Where(s => s.Id != apartFrom && s.Phase != Phase.WarmUp).MaxBy(s => s.Minutes) ?? plan.Practice().MaxBy(s => s.Minutes);
        if (longest is null || longest.Minutes <= minutes + 1) return plan;
        var left = longest.Minutes - minutes;
        return plan with { Segments = [.. plan.Segments.Select(s => s.Id == longest.Id ? Lasting(longest, left) : s)] };
    }

    /// <summary>The whole again in whole numbers: shares rounded down, what is left over given to those who lost most.</summary>
    private static SessionPlan Scale(SessionPlan plan, int to, Func<Segment, int> of, Func<Segment, int, Segment> with)
    {
        var from = plan.Segments.Sum(of);
        if (from == 0 || to < 0) return plan;
        var exact = plan.Segments.Select(s => (double)of(s) * to / from).ToList();
        var whole = exact.Select(e => (int)Math.Floor(e + 1e-9)).ToList();
        foreach (var i in Enumerable.Range(0, exact.Count).OrderByDescending(i => exact[i] - whole[i]).Take(to - whole.Sum())) whole[i]++;
        return plan with { Segments = [.. plan.Segments.Select((s, i) => with(s, whole[i]))] };
    }
}

/// <summary>Ids for segments that a fix or a draft adds.</summary>
internal static class NewIds
{
    /// <summary>An id that follows from another and that the plan does not have yet, so that the same change always gives the same plan.</summary>
    public static Guid From(Guid other, SessionPlan plan)
    {
        for (var which = 0; ; which++)
        {
            var id = From(other, which);
            if (plan.Segments.All(s => s.Id != id)) return id;
        }
    }

    /// <summary>The id of a number, following from another id.</summary>
    public static Guid From(Guid other, int which)
    {
        Span<byte> bytes = stackalloc byte[20];
        other.TryWriteBytes(bytes);
        BitConverter.TryWriteBytes(bytes[16..], which);
        return new Guid(System.Security.Cryptography.SHA256.HashData(bytes).AsSpan(0, 16));
    }
}
