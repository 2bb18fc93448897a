using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans.Checks;

/// <summary>A plan and what it is checked against, with what several rules ask for worked out once.</summary>
internal sealed class PlanInput(SessionPlan plan, PlanContext context)
{
    public SessionPlan Plan { get; } = plan;

    public PlanContext Context { get; } = context;

    public IReadOnlyList<PracticeSegment> Practice { get; } = [.. plan.Practice()];

    public int Minutes { get; } = plan.Segments.Sum(s => Math.Max(0, s.Minutes));

    public int MinutesAfterWarmUp { get; } = plan.Practice().Where(s => s.Phase != Phase.WarmUp).Sum(s => Math.Max(0, s.Minutes));

    public int BallsBought { get; } = plan.Practice().Where(s => s.Place.BallsAreBought()).Sum(s => Math.Max(0, s.Balls));

    /// <summary>Minutes of walking between places of different kinds; 0 where nobody noted how far it is.</summary>
    public int WalkMinutes { get; } = Walks(plan, context);

    /// <summary>Whether nothing is planned but warming up; of an empty plan too.</summary>
    public bool IsOnlyWarmUp => Practice.All(s => s.Phase == Phase.WarmUp);

    public int IndexOf(Guid? segmentId)
    {
        if (segmentId is null)
            return -1;
        for (var i = 0; i < Plan.Segments.Count; i++)
            if (Plan.Segments[i].Id == segmentId)
                return i;
        return -1;
    }

    /// <summary>The plan with one segment changed.</summary>
    public SessionPlan With(PracticeSegment old, Func<PracticeSegment, PracticeSegment> change) =>
        Plan with
        {
            Segments = [.. Plan.Segments.Select(s => s.Id == old.Id && s is PracticeSegment practice ? change(practice) : s)],
        };

    public IEnumerable<Place> Grounds(PlaceKind kind) => Context.Places.Select(p => p.Place).Where(p => p.Kind == kind);

    /// <summary>Whether full swings are planned: it says so, or names clubs for them on a range and no smaller swing.</summary>
    public static bool IsFullSwing(PracticeSegment segment) =>
        segment.Intent is not (Intent.Body or Intent.Mind)
        && segment.Balls > 0
        && (
            segment.EffectiveSwing is { } swing
                ? swing == SwingSize.Full
                : segment.Place == PlaceKind.Range
                    && segment.Part() == GamePart.LongGame
                    && !segment.Bridge
                    && segment.Phase != Phase.WarmUp
        );

    public bool HasEquipment(Equipment item, PlaceKind place) =>
        Context.Student is not { } student
        || student.Own.Equipment.Contains(item)
        || Grounds(place).Any(p => p.Equipment.Contains(item));

    private static int Walks(SessionPlan plan, PlanContext context)
    {
        var minutes = 0;
        PlaceKind? last = null;
        foreach (var segment in plan.Practice())
        {
            if (last is { } from && from != segment.Place)
                minutes += WalkBetween(from, segment.Place, context);
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
                if ((a.Place.Kind == from && b == to) || (a.Place.Kind == to && b == from))
                    shortest = Math.Min(shortest ?? int.MaxValue, walk.Minutes);
            }
        }

        return shortest ?? 0;
    }
}
