using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Plans.Checks.GivenPlan;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>
/// Sessions as coaches hold them, entered as full plans: none of them may raise advice or worse. All of them are common practice,
/// no published source; minutes that practice leaves open are our own.
/// </summary>
public sealed class WorkedSessionTests
{
    private static PracticeSegment Putting(
        int id,
        string title,
        Phase phase,
        Intent intent,
        int minutes,
        int balls,
        string skill
    ) =>
        Segment(id, title, phase, intent, Area.Putting, minutes, balls, PlaceKind.PuttingGreen) with
        {
            Skill = skill,
            Criterion = "Counted the same",
        };

    private static PracticeSegment Technical(PracticeSegment segment) =>
        segment with
        {
            Focus = "Keep it going",
            Feedback = FeedbackSource.Contact,
        };

    private static Pause Water(int minutes) =>
        new()
        {
            Id = IdOf(77),
            Title = "Water",
            Minutes = minutes,
        };

    private static SessionPlan Plan(string title, int minutes, int? balls, Approach approach, params Segment[] segments) =>
        new()
        {
            Title = title,
            Purpose = "As practice has it",
            SuccessTest = "It was done",
            Constraints = new PlanConstraints
            {
                Minutes = minutes,
                Balls = balls,
                Approach = approach,
            },
            Segments = segments,
        };

    /// <summary>
    /// Fifteen minutes on one putt of known line, fifteen of pace, eight of reading, eighteen holes with one ball.
    /// </summary>
    public static SessionPlan HourOfPutting =>
        Plan(
            "An hour of putting",
            60,
            null,
            Approach.EvenSplit,
            Technical(Putting(1, "One putt of known line, 5 to 6 ft", Phase.Block, Intent.Technique, 15, 45, "start line")),
            Putting(2, "Pace", Phase.Block, Intent.Skill, 15, 40, "pace"),
            Putting(3, "Status without balls", Phase.Random, Intent.Skill, 8, 0, "reading"),
            Putting(4, "Eighteen holes, one ball", Phase.OnCourse, Intent.Performance, 22, 36, "scoring") with
            {
                Holes = 18,
            }
        );

    /// <summary>Half an hour of putting: half block, half random.</summary>
    public static SessionPlan HalfHourOfPutting =>
        Plan(
            "Half an hour of putting",
            30,
            null,
            Approach.EvenSplit,
            Putting(1, "Three feet", Phase.Block, Intent.Skill, 15, 40, "short putts"),
            Putting(2, "Around the green", Phase.Random, Intent.Skill, 15, 15, "short putts")
        );

    /// <summary>
    /// A hundred balls in an hour: thirty to warm up, forty of technique, thirty called tee shots with two clubs.
    /// </summary>
    public static SessionPlan HundredBalls =>
        Plan(
            "A hundred balls",
            60,
            100,
            Approach.EvenSplit,
            Segment(1, "Twenty wedges, ten up the bag", Phase.WarmUp, Intent.Skill, Area.Wedge, 10, 30) with
            {
                Clubs = [Club.SandWedge, Club.Iron8, Club.Driver],
            },
            Technical(Segment(2, "Technique", Phase.Block, Intent.Technique, Area.Iron, 25, 40) with { Clubs = [Club.Iron8] }),
            Segment(3, "Called tee shots", Phase.Random, Intent.Skill, Area.Wood, 25, 30) with
            {
                Clubs = [Club.Driver, Club.Wood3],
                Criterion = "In the fairway named",
            }
        );

    /// <summary>
    /// Five of stretching, ten of half swings as the bridge, fifteen each of technique, aim with five balls a club, and quick
    /// holes.
    /// </summary>
    public static SessionPlan ThreeParts =>
        Plan(
            "Three parts",
            60,
            80,
            Approach.ThreeParts,
            Stretch,
            Technical(
                Segment(2, "Set-up and half swings", Phase.WarmUp, Intent.Technique, Area.Iron, 10, 15) with
                {
                    Bridge = true,
                    Swing = SwingSize.Half,
                }
            ),
            Technical(Segment(3, "Technique", Phase.Block, Intent.Technique, Area.Iron, 15, 20) with { Clubs = [Club.Iron7] }),
            Segment(4, "Aim, five balls a club", Phase.Random, Intent.Skill, Area.Iron, 15, 20) with
            {
                Clubs = [Club.PitchingWedge, Club.Iron8, Club.Iron6, Club.Hybrid],
                DeclaredRun = 5,
                Criterion = "Aimed where it was meant",
            },
            Segment(5, "Quick holes", Phase.OnCourse, Intent.Performance, Area.Iron, 15, 14) with
            {
                Holes = 4,
                Clubs = [Club.Driver, Club.Iron7],
            }
        );

    /// <summary>
    /// Two hours: eight balls to warm up, thirty slow repetitions in 85 minutes with a pause of five in the middle, then a hole
    /// or two.
    /// </summary>
    public static SessionPlan SlowBuild =>
        Plan(
            "Slow build",
            120,
            60,
            Approach.SlowBuild,
            Segment(1, "Stretch and eight balls", Phase.WarmUp, Intent.Skill, Area.Iron, 10, 8) with
            {
                Swing = SwingSize.Half,
            },
            Technical(
                Segment(2, "Slow repetitions", Phase.Block, Intent.Technique, Area.Iron, 45, 16) with
                {
                    SlowRepetitions = true,
                    Clubs = [Club.Iron7],
                }
            ),
            Water(5),
            Technical(
                Segment(3, "Slow repetitions", Phase.Block, Intent.Technique, Area.Iron, 40, 14) with
                {
                    SlowRepetitions = true,
                    Clubs = [Club.Iron7],
                }
            ),
            Segment(4, "One or two quick holes", Phase.OnCourse, Intent.Performance, Area.Iron, 20, 8) with
            {
                Holes = 2,
                Clubs = [Club.Driver, Club.Iron7],
            }
        );

    /// <summary>
    /// Nine quick holes in an hour: ten of stretching and wedges, 36 of holes, seven of putting out, the rest walking.
    /// </summary>
    public static SessionPlan NineHoles =>
        Plan(
            "Nine quick holes",
            60,
            60,
            Approach.PlayIt,
            Segment(1, "Stretch and wedges", Phase.WarmUp, Intent.Skill, Area.Wedge, 10, 12) with
            {
                Swing = SwingSize.Half,
            },
            Segment(2, "Nine holes", Phase.OnCourse, Intent.Performance, Area.Driver, 36, 30) with
            {
                Holes = 9,
                Clubs = [Club.Driver, Club.Iron7, Club.PitchingWedge],
            },
            Putting(3, "Putting out", Phase.OnCourse, Intent.Performance, 7, 18, "scoring")
        );

    /// <summary>
    /// 75 minutes two days before: ten balls, nine cells of the grid, technique checked and left, start line at four feet.
    /// </summary>
    public static SessionPlan Sharpen =>
        Plan(
            "Two days before",
            75,
            70,
            Approach.Sharpen,
            Stretch,
            Segment(2, "Ten balls", Phase.WarmUp, Intent.Skill, Area.Wedge, 8, 10) with
            {
                Swing = SwingSize.Half,
            },
            Segment(3, "Wedge grid of nine cells", Phase.Random, Intent.Skill, Area.Wedge, 25, 27) with
            {
                Clubs = [Club.PitchingWedge, Club.GapWedge, Club.SandWedge],
                DeclaredRun = 3,
                Criterion = "Within four per cent of the number",
            },
            Technical(
                Segment(4, "Technique, checked and left", Phase.Block, Intent.Technique, Area.Iron, 15, 12) with
                {
                    Clubs = [Club.Iron6],
                }
            ),
            Water(4),
            Putting(5, "Start line at four feet", Phase.Block, Intent.Skill, 15, 40, "start line")
        );

    private static readonly PlanContext BeforeTheCup = Context with
    {
        Places =
        [
            new ListedPlace
            {
                Id = IdOf(101),
                Place = new Place
                {
                    Name = "Range",
                    Kind = PlaceKind.Range,
                    Walks = [new WalkTo(IdOf(102), 3)],
                },
            },
            new ListedPlace
            {
                Id = IdOf(102),
                Place = new Place
                {
                    Name = "Green",
                    Kind = PlaceKind.PuttingGreen,
                    GreenSpeedFeet = 8,
                    GreenSpeedOn = Day,
                },
            },
        ],
        Student = Adult with
        {
            Own = Adult.Own with
            {
                Competitions =
                [
                    new Competition
                    {
                        Id = IdOf(800),
                        Name = "The cup",
                        FirstDay = Day.AddDays(2),
                        LastDay = Day.AddDays(3),
                        GreenSpeedFeet = 10,
                    },
                ],
            },
        },
    };

    public static TheoryData<string> Titles => [.. Sessions.Select(s => s.Plan.Title)];

    private static readonly (SessionPlan Plan, PlanContext Context)[] Sessions =
    [
        (HourOfPutting, Context),
        (HalfHourOfPutting, Context),
        (HundredBalls, Context),
        (ThreeParts, Context),
        (SlowBuild, Context),
        (NineHoles, BeforeTheCup with { Student = Adult }),
        (Sharpen, BeforeTheCup),
    ];

    [Theory]
    [MemberData(nameof(Titles))]
    public void A_worked_session_passes_without_advice_or_worse(string title)
    {
        var (plan, context) = Sessions.Single(s => s.Plan.Title == title);
        Assert.DoesNotContain(PlanCheck.Run(plan, context), f => f.Level >= FindingLevel.Advice);
    }

    [Fact]
    public void Slow_repetitions_or_pace_on_another_green_two_days_before_do_not_pass()
    {
        var slow = Sharpen with
        {
            Segments =
            [
                .. Sharpen.Segments.Select(s =>
                    s is PracticeSegment { Intent: Intent.Technique } p ? p with { SlowRepetitions = true, Balls = 6 } : s
                ),
            ],
        };
        Assert.Contains(PlanCheck.Run(slow, BeforeTheCup), f => f.Id == FindingId.CompetitionNear);
        var pace = Sharpen with
        {
            Segments =
            [
                .. Sharpen.Segments.Select(s => s is PracticeSegment { Area: Area.Putting } p ? p with { Skill = "pace" } : s),
            ],
        };
        Assert.Contains(PlanCheck.Run(pace, BeforeTheCup), f => f.Id == FindingId.WrongGreen);
    }
}
