using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.OnCourse;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>A plan nothing can be said against, and what it is checked against.</summary>
internal static class GivenPlan
{
    public static readonly DateOnly Day = new(2026, 5, 6);

    public static PracticeSegment Stretch { get; } = Segment(1, "Stretch", Phase.WarmUp, Intent.Body, Area.Body, 5, 0);

    public static PracticeSegment HalfSwings { get; } =
        Segment(2, "Half swings", Phase.WarmUp, Intent.Skill, Area.Iron, 5, 10) with
        {
            Swing = SwingSize.Half,
        };

    public static PracticeSegment Technique { get; } =
        Segment(3, "Low point", Phase.Block, Intent.Technique, Area.Iron, 15, 20) with
        {
            Focus = "Ball first, then ground",
            Feedback = FeedbackSource.Contact,
            Skill = "low point",
            Criterion = "The mark begins at the line",
            Clubs = [Club.Iron7],
        };

    public static PracticeSegment CalledIrons { get; } =
        Segment(4, "Called irons", Phase.Random, Intent.Skill, Area.Iron, 15, 15) with
        {
            Clubs = [Club.Iron6, Club.Iron8],
            Skill = "low point",
            Criterion = "The mark begins at the line",
        };

    public static PracticeSegment Holes { get; } =
        Segment(5, "Four quick holes", Phase.OnCourse, Intent.Performance, Area.Iron, 15, 12) with
        {
            Holes = 4,
            Clubs = [Club.Iron5, Club.PitchingWedge],
        };

    /// <summary>The segment with four quick holes of par 4, which usually take ten balls.</summary>
    public static PracticeSegment Playing(PracticeSegment segment) =>
        segment with
        {
            Play = new HolesToPlay { Holes = [.. Enumerable.Repeat(GivenHoles.QuickOf(4, 100), 4)] },
        };

    public static SessionPlan Clean { get; } =
        new()
        {
            Title = "An hour",
            Purpose = "Strike the ball first",
            SuccessTest = "Three of four holes without a fat shot",
            Constraints = new PlanConstraints
            {
                Minutes = 60,
                Balls = 80,
                Approach = Approach.ThreeParts,
            },
            Segments = [Stretch, HalfSwings, Technique, CalledIrons, Holes],
        };

    public static StudentFile Adult { get; } =
        new() { Own = new StudentSection { Equipment = [Equipment.Tees, Equipment.Towel] } };

    public static PlanContext Context { get; } =
        new()
        {
            Day = Day,
            Student = Adult,
            Places = [Ground(1, PlaceKind.Range), Ground(2, PlaceKind.PuttingGreen)],
        };

    public static ListedPlace Ground(int id, PlaceKind kind) =>
        new()
        {
            Id = IdOf(100 + id),
            Place = new Place { Name = $"Ground {id}", Kind = kind },
        };

    public static Guid IdOf(int n) => new(n, 0, 0x7000, 0x80, 0, 0, 0, 0, 0, 0, 0);

    public static PracticeSegment Segment(
        int id,
        string title,
        Phase phase,
        Intent intent,
        Area area,
        int minutes,
        int balls,
        PlaceKind place = PlaceKind.Range
    ) =>
        new()
        {
            Id = IdOf(id),
            Title = title,
            Phase = phase,
            Intent = intent,
            Area = area,
            Minutes = minutes,
            Balls = balls,
            Place = place,
            Exit = new AfterMinutes(),
        };

    public static PlannedDrill Planned(ScoringProtocol protocol, Func<Drill, Drill>? with = null)
    {
        var drill = new Drill
        {
            Name = "A drill",
            Purpose = "For tests",
            Area = Area.Iron,
            Skill = "contact",
            Criterion = "Centred",
            Phases = [Phase.WarmUp, Phase.Block, Phase.Random],
            Intents = [Intent.Skill],
            Places = [PlaceKind.Range],
            UsualMinutes = 10,
            SetUp = "As you like.",
            Protocol = protocol,
        };
        return new PlannedDrill { DrillId = IdOf(900), Drill = with is null ? drill : with(drill) };
    }

    /// <summary>The clean plan with one of its segments changed.</summary>
    public static SessionPlan With(PracticeSegment segment, Func<PracticeSegment, PracticeSegment> change) =>
        Clean with
        {
            Segments = [.. Clean.Segments.Select(s => s.Id == segment.Id ? change((PracticeSegment)s) : s)],
        };
}
