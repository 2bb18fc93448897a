using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Checks;

/// <summary>What a plan is checked against. Whatever is not known is not judged.</summary>
public sealed record PlanContext
{
    /// <summary>The day it is for.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>The student's file; null for a plan that is for nobody in particular.</summary>
    public StudentFile? Student { get; init; }

    /// <summary>The student's level; improving where nobody is named.</summary>
    public Level Level { get; init; } = Level.Improving;

    /// <summary>The student's hand; right where nobody is named.</summary>
    public Hand Hand { get; init; } = Hand.Right;

    /// <summary>The grounds there are.</summary>
    public IReadOnlyList<ListedPlace> Places { get; init; } = [];

    /// <summary>What hurts and nobody has cleared, each part once.</summary>
    public IReadOnlyList<HurtPart> Hurt { get; init; } = [];

    /// <summary>What the student has done lately; null where it is not known.</summary>
    public WeekLoad? Load { get; init; }

    /// <summary>The day of the last practice that was logged; null where nothing ever was.</summary>
    public DateOnly? LastPractised { get; init; }

    /// <summary>How far results fall short of their goals, by area; empty where nothing is known.</summary>
    public IReadOnlyList<AreaLoss> Losses { get; init; } = [];

    /// <summary>Where real rounds lose strokes; null where nobody looked.</summary>
    public LostStrokes? Lost { get; init; }

    /// <summary>The areas of the last two sessions; empty where nothing is known.</summary>
    public IReadOnlyList<Area> RecentAreas { get; init; } = [];

    /// <summary>The student's season on the day; off season without a student.</summary>
    public Season Season => Student is { } file ? Seasons.On(Day, file) : Season.OffSeason;

    /// <summary>What a drill leaves to the student, on a kind of ground.</summary>
    public PlayerNumbers PlayerAt(PlaceKind place) =>
        PlayerNumbers.Of(Student ?? new StudentFile(), Hand, Level) with
        {
            Targets = [.. Places.Where(p => p.Place.Kind == place).SelectMany(p => p.Place.Targets)],
        };

    /// <summary>What a drill or holes leave to the student, where a segment is done.</summary>
    public PlayerNumbers PlayerIn(PracticeSegment segment) => segment.Play is { } play ? PlayerOn(play) : PlayerAt(segment.Place);

    /// <summary>What holes leave to the student, on the range they name, or on the first with targets.</summary>
    public PlayerNumbers PlayerOn(HolesToPlay play)
    {
        var ranges = Places
            .Where(p => p.Place.Kind == PlaceKind.Range)
            .OrderBy(p => p.Place.Name, StringComparer.Ordinal)
            .ToList();
        var ground =
            ranges.Find(p => p.Id == play.Ground) ?? ranges.Find(p => p.Place.Targets.Count > 0) ?? ranges.FirstOrDefault();
        return PlayerNumbers.Of(Student ?? new StudentFile(), Hand, Level) with
        {
            Targets = ground?.Place.Targets ?? [],
            Surface = ground?.Place.Surface,
            CarriesFurtherPercent = ground?.Place.CarriesFurtherPercent ?? 0,
        };
    }

    /// <summary>The approach by which a plan is judged: its own, or else the student's; null where neither says.</summary>
    public Approach? ApproachOf(SessionPlan plan) => plan.Constraints.Approach ?? Student?.Coach.Approach;
}
