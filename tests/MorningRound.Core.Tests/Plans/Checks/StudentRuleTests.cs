using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using static MorningRound.Core.Tests.Plans.Checks.GivenPlan;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>What the check says depends on who practises: the body, the bag, the hand, the focus.</summary>
public sealed class StudentRuleTests
{
    private static readonly PlanConstraints Unjudged = new();

    private static PlanContext With(Func<StudentFile, StudentFile> change) => Context with { Student = change(Adult) };

    private static PracticeSegment FullSwings(int id, int minutes, int balls) =>
        Segment(id, $"Irons {id}", Phase.Block, Intent.Skill, Area.Iron, minutes, balls) with
        {
            Clubs = [Club.Iron7],
        };

    private static SessionPlan Of(params Segment[] segments) => Clean with { Constraints = Unjudged, Segments = segments };

    private static IEnumerable<string> Dose(SessionPlan plan, PlanContext context) =>
        PlanCheck.Run(plan, context).Where(f => f.Id == FindingId.Dose).Select(f => f.Why);

    /// <summary>
    /// The numbers are the product's own; that somebody young, older, new or coming back swings less is common practice.
    /// </summary>
    [Fact]
    public void A_smaller_dose_is_for_whoever_needs_one_and_says_for_whom()
    {
        var plan = Of(Stretch, HalfSwings, FullSwings(10, 25, 41));
        string[] Says(string who) => [$"41 full swings within an hour are many for {who}; 40 are enough."];
        var cleared = new PainfulPart
        {
            Part = BodyPart.Knee,
            Side = BodySide.Lead,
            Since = Day.AddDays(-60),
            ClearedOn = Day.AddDays(-27),
            ClearedBy = "A physiotherapist",
        };
        Assert.Empty(Dose(plan, Context));
        Assert.Empty(Dose(plan, Context with { Student = null, Level = Level.New }));
        Assert.Equal(Says("somebody new to the game"), Dose(plan, Context with { Level = Level.New }));
        Assert.Equal(
            Says("somebody under twelve"),
            Dose(plan, With(f => f with { Coach = f.Coach with { Age = AgeBand.UnderTwelve } }))
        );
        Assert.Equal(
            Says("somebody over sixty"),
            Dose(plan, With(f => f with { Coach = f.Coach with { Age = AgeBand.SixtyAndOver } }))
        );
        Assert.Equal(
            Says("somebody who is coming back"),
            Dose(plan, With(f => f with { Coach = f.Coach with { PainfulParts = [cleared] } }))
        );
        Assert.Empty(
            Dose(
                plan,
                With(f => f with { Coach = f.Coach with { PainfulParts = [cleared with { ClearedOn = Day.AddDays(-28) }] } })
            )
        );
        Assert.Equal(Says("somebody who is coming back"), Dose(plan, Context with { LastPractised = Day.AddDays(-28) }));
        Assert.Empty(Dose(plan, Context with { LastPractised = Day.AddDays(-27) }));
    }

    [Fact]
    public void Any_sixty_minutes_count_and_the_whole_session_and_the_longest_run_of_drivers()
    {
        var anew = Context with { Level = Level.New };
        var pause = new Pause
        {
            Id = IdOf(50),
            Title = "Water",
            Minutes = 3,
        };
        // 40 swings in 30 minutes and 20 in another 30, a long way apart: no hour holds more than 40, and 60 are enough.
        var putting = Segment(11, "Putts", Phase.Block, Intent.Skill, Area.Putting, 34, 34, PlaceKind.PuttingGreen);
        var spread = Of(Stretch, FullSwings(10, 30, 40), pause, putting, pause with { Id = IdOf(51) }, FullSwings(12, 30, 20));
        Assert.Empty(Dose(spread, anew));
        Assert.Equal(
            ["61 full swings in one session are many for somebody new to the game; 60 are enough."],
            Dose(spread with { Segments = [.. spread.Segments.SkipLast(1), FullSwings(12, 30, 21)] }, anew)
        );
        var drivers = FullSwings(10, 12, 11) with { Clubs = [Club.Driver] };
        Assert.Equal(
            ["11 drivers in a row are many for somebody new to the game; after 10 something else."],
            Dose(Of(Stretch, HalfSwings, drivers), anew)
        );
        Assert.Empty(Dose(Of(Stretch, HalfSwings, drivers with { Balls = 10 }), anew));
        Assert.Equal(
            ["41 minutes without a pause are long for somebody new to the game."],
            Dose(Of(Stretch, HalfSwings, FullSwings(10, 31, 30)), anew)
        );
        Assert.Empty(Dose(Of(Stretch, HalfSwings, FullSwings(10, 30, 30)), anew));
    }

    [Fact]
    public void Parts_say_what_comes_first_and_how_much_of_it_is_swung_in_full()
    {
        SegmentPart Part(string label, SwingSize swing, int balls, params Club[] clubs) =>
            new()
            {
                Label = label,
                Swing = swing,
                Balls = balls,
                Clubs = clubs,
            };
        var wedges = Part("wedges", SwingSize.Half, 20, Club.SandWedge);
        var upTheBag = Part("up the bag", SwingSize.Full, 10, Club.Iron8, Club.Driver);
        var warmUp = HalfSwings with { Balls = 30, Minutes = 15, Swing = null, Parts = [wedges, upTheBag] };
        Assert.DoesNotContain(PlanCheck.Run(Of(Stretch, warmUp), Context), f => f.Id == FindingId.LongFirst);
        var turned = warmUp with { Parts = [upTheBag with { Clubs = [Club.Driver] }, wedges] };
        Assert.Contains(PlanCheck.Run(Of(Stretch, turned), Context), f => f.Id == FindingId.LongFirst);
        Assert.DoesNotContain(
            PlanCheck.Run(Of(Stretch, turned) with { Constraints = new PlanConstraints { WarmedUpBefore = true } }, Context),
            f => f.Id == FindingId.LongFirst
        );
    }

    [Fact]
    public void A_focus_of_one_area_writes_no_number_into_another()
    {
        string? Offered(FocusChain focus, Area area) =>
            PlanCheck
                .Run(
                    GivenPlan.With(Technique, s => s with { Focus = "", Area = area }),
                    With(f => f with { Coach = f.Coach with { Focus = focus } })
                )
                .Single(f => f.Id == FindingId.NoFocus)
                .Fix;
        var path = new FocusChain { Goal = "path within 3°", Area = Area.Iron };
        Assert.Equal("Set the focus: path within 3°", Offered(path, Area.Iron));
        Assert.Equal("Set the focus: Keep it going", Offered(path, Area.Wedge));
        Assert.Equal("Set the focus: Keep it going", Offered(path with { Area = null }, Area.Iron));
        Assert.Equal("Set the focus: Ball first", Offered(new FocusChain { Goal = "Ball first" }, Area.Wedge));
    }

    [Fact]
    public void On_a_putt_for_pace_the_ball_is_the_answer_and_another_green_is_told_of_without_a_drill_too()
    {
        var putts = Segment(
            9,
            "Long putts for pace",
            Phase.Block,
            Intent.Technique,
            Area.Putting,
            15,
            20,
            PlaceKind.PuttingGreen
        ) with
        {
            Focus = "Keep it going",
        };
        var competition = new Competition
        {
            Id = IdOf(70),
            Name = "Reed Cup",
            FirstDay = Day.AddDays(5),
            LastDay = Day.AddDays(6),
            GreenSpeedFeet = 10,
        };
        var green = Ground(2, PlaceKind.PuttingGreen);
        var before = With(f => f with { Own = f.Own with { Competitions = [competition] } }) with
        {
            Places = [green with { Place = green.Place with { GreenSpeedFeet = 8, GreenSpeedOn = Day } }],
        };
        var ids = PlanCheck.Run(Of(putts), before).Select(f => f.Id).ToList();
        Assert.DoesNotContain(FindingId.NoFeedback, ids);
        Assert.Contains(FindingId.WrongGreen, ids);
        var lines = putts with { Title = "A straight line" };
        ids = [.. PlanCheck.Run(Of(lines), before).Select(f => f.Id)];
        Assert.Contains(FindingId.NoFeedback, ids);
        Assert.DoesNotContain(FindingId.WrongGreen, ids);
    }

    [Fact]
    public void A_half_written_plan_is_not_told_about_its_shares_and_an_empty_hour_does_not_grow_the_warm_up()
    {
        SessionPlan There(int minutes) =>
            Clean with
            {
                Constraints = new PlanConstraints { Minutes = minutes, Approach = Approach.ThreeParts },
                Segments = [Stretch, HalfSwings, Technique with { Minutes = 30, Balls = 30 }],
            };
        Assert.Contains(PlanCheck.Run(There(50), Context), f => f.Id == FindingId.Balance);
        Assert.DoesNotContain(PlanCheck.Run(There(51), Context), f => f.Id == FindingId.Balance);
        var plan = Clean with
        {
            Constraints = Clean.Constraints with { Minutes = 58 },
            Segments =
            [
                Stretch,
                HalfSwings,
                Technique with
                {
                    Minutes = 13,
                },
                CalledIrons with
                {
                    Minutes = 13,
                },
                Holes with
                {
                    Minutes = 13,
                },
            ],
        };
        var longer = PlanCheck.Fix(plan, Context, FindingId.UnderTime, null);
        Assert.Equal([5, 5, 16, 16, 16], longer.Segments.Select(s => s.Minutes));
        var warmUp = plan with { Segments = [Stretch, HalfSwings] };
        Assert.Null(PlanCheck.Run(warmUp, Context).Single(f => f.Id == FindingId.UnderTime).Fix);
    }

    [Fact]
    public void No_fix_makes_slices_of_a_plan()
    {
        SessionPlan There(int minutes) => Clean with { Constraints = Clean.Constraints with { Minutes = minutes } };
        Assert.NotNull(PlanCheck.Run(There(46), Context).Single(f => f.Id == FindingId.OverTime).Fix);
        Assert.Null(PlanCheck.Run(There(40), Context).Single(f => f.Id == FindingId.OverTime).Fix);
    }

    /// <summary>
    /// Common practice, no source: into the face of the shot or onto the chest, never from behind it or onto the back. The chest
    /// of a right-hander looks to the right of the target line.
    /// </summary>
    [Theory]
    [InlineData(Hand.Right, 270, "onto the player's back")]
    [InlineData(Hand.Left, 90, "onto the player's back")]
    [InlineData(Hand.Right, 180, "from behind the shot")]
    [InlineData(Hand.Left, 180, "from behind the shot")]
    public void Wind_is_told_as_a_player_feels_it(Hand hand, int from, string said)
    {
        var range = Ground(1, PlaceKind.Range);
        var found = PlanCheck.Run(
            Clean with
            {
                Constraints = Clean.Constraints with { WindFromDegrees = from },
            },
            Context with
            {
                Hand = hand,
                Places = [range with { Place = range.Place with { FacesDegrees = 0 } }],
            }
        );
        Assert.Contains(said, Assert.Single(found).Why, StringComparison.Ordinal);
    }

    [Fact]
    public void What_nobody_has_is_said_once()
    {
        var measured = GivenPlan.With(Technique, s => s with { Feedback = FeedbackSource.LaunchNumbers });
        var found = Assert.Single(PlanCheck.Run(measured, Context));
        Assert.Equal(
            (FindingId.NotThere, "Neither the student nor the place has a launch monitor.", "Watch the ball instead"),
            (found.Id, found.Why, found.Fix)
        );
        Assert.Empty(PlanCheck.Run(PlanCheck.Fix(measured, Context, found.Id, found.SegmentId), Context));
        var range = Ground(1, PlaceKind.Range);
        var marked = Context with
        {
            Places =
            [
                range with
                {
                    Place = range.Place with
                    {
                        Targets = [new RangeTarget { Name = "the barn", Distance = new MarkedLength(140, LengthUnit.Yards) }],
                    },
                },
            ],
        };
        var called = GivenPlan.With(
            CalledIrons,
            s => s with { Calls = [new ShotCall(Club.Iron6, ShotShape.Straight, ShotHeight.Normal, "the flag")] }
        );
        Assert.Equal("There is no “the flag” there.", Assert.Single(PlanCheck.Run(called, marked)).Why);
    }
}
