using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Plans.Checks.GivenPlan;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>
/// Every number of a rule, on its one side and on its other. The product's own numbers, or common practice, no source.
/// </summary>
public sealed class RuleThresholdTests
{
    private static readonly PlanConstraints Unjudged = new();

    private static SessionPlan Of(params Segment[] segments) => Clean with { Constraints = Unjudged, Segments = segments };

    private static PracticeSegment Irons(
        int id,
        int minutes,
        int balls,
        Phase phase = Phase.Block,
        Intent intent = Intent.Skill
    ) => Segment(id, $"Irons {id}", phase, intent, Area.Iron, minutes, balls);

    private static bool Says(FindingId id, SessionPlan plan, PlanContext? context = null) =>
        PlanCheck.Run(plan, context ?? Context).Any(f => f.Id == id);

    private static PlanContext Before(Competition competition) =>
        Context with
        {
            Student = Adult with { Own = Adult.Own with { Competitions = [competition] } },
        };

    private static Competition Cup(int first, int last, int? arrival = null, double? green = null) =>
        new()
        {
            Id = IdOf(800),
            Name = "The island cup",
            FirstDay = Day.AddDays(first),
            LastDay = Day.AddDays(last),
            ArrivalDay = arrival is { } days ? Day.AddDays(days) : null,
            GreenSpeedFeet = green,
        };

    [Theory]
    [InlineData(Hand.Right, 135, null)]
    [InlineData(Hand.Right, 136, true)]
    [InlineData(Hand.Right, 224, true)]
    [InlineData(Hand.Right, 225, false)]
    [InlineData(Hand.Right, 314, false)]
    [InlineData(Hand.Right, 315, null)]
    [InlineData(Hand.Left, 45, null)]
    [InlineData(Hand.Left, 46, false)]
    [InlineData(Hand.Left, 135, false)]
    [InlineData(Hand.Left, 136, true)]
    [InlineData(Hand.Left, 225, null)]
    public void Wind_from_behind_and_off_the_lead_side_are_quarters_of_the_compass(Hand hand, int from, bool? isFromBehind)
    {
        var range = new ListedPlace
        {
            Id = IdOf(101),
            Place = new Place
            {
                Name = "Range",
                Kind = PlaceKind.Range,
                FacesDegrees = 0,
            },
        };
        var found = PlanCheck
            .Run(
                Clean with
                {
                    Constraints = Clean.Constraints with { WindFromDegrees = from },
                },
                Context with
                {
                    Places = [range],
                    Hand = hand,
                }
            )
            .Where(f => f.Id == FindingId.Wind)
            .Select(f => f.Why.Contains("from behind", StringComparison.Ordinal));
        bool[] expected = isFromBehind is { } behind ? [behind] : [];
        Assert.Equal(expected, found);
    }

    [Theory]
    [InlineData(20, 70, new[] { 20, 35, 3, 35 })]
    [InlineData(30, 70, new[] { 30, 30, 3, 40 })]
    [InlineData(57, 63, new[] { 57, 3, 3, 60 })]
    [InlineData(58, 70, new[] { 58, 3, 35, 3, 35 })]
    [InlineData(20, 60, new[] { 20, 3, 60 })]
    public void A_pause_parts_what_is_too_long_where_the_hour_is_full(int before, int length, int[] mended)
    {
        var longOne = Irons(11, length, length) with { Holes = 1 };
        var plan = PlanCheck.Fix(Of(Irons(10, before, 0), longOne), Context, FindingId.NoBreak, longOne.Id);
        Assert.Equal(mended, plan.Segments.Select(s => s.Minutes));
        Assert.Equal(length, plan.Practice().Sum(s => s.Balls));
        // One hole stays one hole, before the pause and after it.
        Assert.All(plan.Practice().Skip(1), s => Assert.Equal(1, s.Holes));
    }

    [Fact]
    public void Holes_and_balls_are_parted_like_the_minutes()
    {
        var round = Irons(11, 70, 63, Phase.OnCourse, Intent.Performance) with { Holes = 9 };
        var plan = PlanCheck.Fix(Of(Irons(10, 30, 0), round), Context, FindingId.NoBreak, round.Id);
        Assert.Equal([(3, 27), (6, 36)], plan.Practice().Skip(1).Select(s => (s.Holes!.Value, s.Balls)));
    }

    [Theory]
    [InlineData(false, 60, false)]
    [InlineData(false, 61, true)]
    [InlineData(true, 30, false)]
    [InlineData(true, 31, true)]
    public void An_hour_without_a_pause_is_enough_and_half_of_one_when_it_is_hot(bool isHot, int minutes, bool isTooLong)
    {
        var plan = Of(Irons(10, minutes, 0)) with { Constraints = new PlanConstraints { Hot = isHot } };
        Assert.Equal(isTooLong, Says(FindingId.NoBreak, plan));
        // A pause begins the count anew.
        var parted = plan with
        {
            Segments = [Irons(9, minutes - 1, 0), Water(12), Irons(10, minutes, 0)],
        };
        Assert.Equal(isTooLong, Says(FindingId.NoBreak, parted));

        static Pause Water(int id) =>
            new()
            {
                Id = IdOf(id),
                Title = "Water",
                Minutes = 3,
            };
    }

    [Theory]
    [InlineData(14, 77, true)]
    [InlineData(15, 77, false)]
    [InlineData(14, 76, false)]
    public void In_a_session_of_more_than_ninety_minutes_the_driver_waits_a_quarter_of_an_hour(
        int begins,
        int length,
        bool isSaid
    )
    {
        var driver = Irons(11, length, 20) with { Clubs = [Club.Driver, Club.Iron7] };
        var plan = Of(Irons(10, begins, 0), driver);
        Assert.Equal(isSaid, Says(FindingId.Fatigue, plan));
        if (isSaid)
            Assert.Equal(
                [Club.Iron7],
                PlanCheck.Fix(plan, Context, FindingId.Fatigue, driver.Id).Practice().Single(s => s.Id == driver.Id).Clubs
            );
    }

    [Theory]
    [InlineData(1_200, false)]
    [InlineData(1_201, true)]
    public void One_and_a_half_times_the_weeks_before_is_the_most(int thisWeek, bool isSaid) =>
        Assert.Equal(
            isSaid,
            Says(FindingId.Fatigue, Of(Irons(10, 60, 0)), Context with { Load = new WeekLoad(thisWeek, 1_000, 5) })
        );

    [Theory]
    [InlineData(60, 80, 54, 80, false, false, false)]
    [InlineData(60, 80, 53, 80, false, false, true)]
    [InlineData(60, 80, 60, 80, false, false, false)]
    [InlineData(60, 80, 61, 81, true, true, false)]
    public void Time_and_balls_may_be_used_up_and_a_tenth_of_the_time_left(
        int minutes,
        int balls,
        int planned,
        int hit,
        bool isOverTime,
        bool isOverBalls,
        bool isUnderTime
    )
    {
        var plan = Of(Irons(10, planned, hit)) with
        {
            Constraints = new PlanConstraints { Minutes = minutes, Balls = balls },
        };
        Assert.Equal(
            (isOverTime, isOverBalls, isUnderTime),
            (Says(FindingId.OverTime, plan), Says(FindingId.OverBalls, plan), Says(FindingId.UnderTime, plan))
        );
    }

    [Theory]
    [InlineData(7, 8, 10.1, true)]
    [InlineData(8, 9, 10.1, false)]
    [InlineData(-2, 0, 10.1, true)]
    [InlineData(-2, -1, 10.1, false)]
    [InlineData(7, 8, 10.0, false)]
    [InlineData(7, 8, 7.9, true)]
    public void A_green_is_wrong_for_pace_when_it_is_more_than_a_foot_off_in_the_week_before(
        int first,
        int last,
        double green,
        bool isSaid
    )
    {
        var putts = Segment(20, "Pace", Phase.Block, Intent.Skill, Area.Putting, 15, 20, PlaceKind.PuttingGreen) with
        {
            Skill = "pace",
        };
        var here = new ListedPlace
        {
            Id = IdOf(102),
            Place = new Place
            {
                Name = "Green",
                Kind = PlaceKind.PuttingGreen,
                GreenSpeedFeet = 9,
            },
        };
        Assert.Equal(
            isSaid,
            Says(FindingId.WrongGreen, Of(putts), Before(Cup(first, last, green: green)) with { Places = [here] })
        );
    }

    [Theory]
    [InlineData(2, 3, null, true)]
    [InlineData(3, 4, null, false)]
    [InlineData(4, 5, 2, true)]
    [InlineData(4, 5, 3, false)]
    [InlineData(-1, 0, null, true)]
    [InlineData(-2, -1, null, false)]
    public void A_swing_change_rests_from_two_days_before_arrival_to_the_last_day(int first, int last, int? arrival, bool isSaid)
    {
        var slow = Irons(10, 20, 5, Phase.Block, Intent.Technique) with { SlowRepetitions = true };
        Assert.Equal(isSaid, Says(FindingId.CompetitionNear, Of(slow), Before(Cup(first, last, arrival))));
    }

    [Theory]
    [InlineData(20, false)]
    [InlineData(21, true)]
    public void Twenty_balls_in_a_row_with_one_club_are_enough_outside_block(int balls, bool isSaid)
    {
        var one = Irons(10, 20, balls, Phase.Random) with { Clubs = [Club.Iron7] };
        Assert.Equal(isSaid, Says(FindingId.SameClubRun, Of(one)));
        Assert.False(Says(FindingId.SameClubRun, Of(one with { Phase = Phase.Block })));
        Assert.False(Says(FindingId.SameClubRun, Of(one with { Clubs = [Club.Iron7, Club.Iron8] })));
    }

    [Theory]
    [InlineData(Phase.Random, 2, null, true)]
    [InlineData(Phase.Random, 2, 2, false)]
    [InlineData(Phase.Random, 3, 2, true)]
    [InlineData(Phase.Block, 3, null, false)]
    public void A_call_comes_as_often_in_a_row_as_was_declared(Phase phase, int run, int? declared, bool isSaid)
    {
        var calls = Enumerable.Repeat(Call(Club.Iron7), run).Append(Call(Club.Iron9));
        var called = Irons(10, 10, run + 1, phase) with { Calls = [.. calls], DeclaredRun = declared };
        Assert.Equal(isSaid, Says(FindingId.RepeatedCall, Of(called)));

        static ShotCall Call(Club club) => new(club, ShotShape.Straight, ShotHeight.Normal, "");
    }

    [Theory]
    [InlineData(34, 40, false)]
    [InlineData(34.1, 40, true)]
    public void A_fairway_on_the_range_is_at_most_eighty_five_hundredths_of_the_real_one(double here, double real, bool isSaid)
    {
        var tee = Irons(10, 10, 5, Phase.OnCourse, Intent.Performance) with { FairwayYards = here, RealFairwayYards = real };
        Assert.Equal(isSaid, Says(FindingId.SimTooWide, Of(tee)));
    }

    [Theory]
    [InlineData(2, 3, false, false)]
    [InlineData(3, 5, true, false)]
    [InlineData(3, 6, false, false)]
    [InlineData(3, 15, false, false)]
    [InlineData(3, 16, false, true)]
    public void A_hole_of_a_card_takes_two_to_five_minutes(int holes, int minutes, bool isFast, bool isSlow)
    {
        var card = Irons(10, minutes, 0, Phase.OnCourse, Intent.Performance) with { Holes = holes };
        Assert.Equal((isFast, isSlow), (Says(FindingId.PaceFast, Of(card)), Says(FindingId.PaceSlow, Of(card))));
    }

    [Theory]
    [InlineData(45, 55, false)]
    [InlineData(44, 56, true)]
    [InlineData(55, 45, false)]
    [InlineData(56, 44, true)]
    public void A_share_may_lie_on_its_bound(int block, int random, bool isSaid)
    {
        var plan = Of(Irons(10, block, 0), Irons(11, random, 0, Phase.Random)) with
        {
            Constraints = new PlanConstraints { Approach = Approach.EvenSplit },
        };
        Assert.Equal(isSaid, Says(FindingId.Balance, plan));
    }

    [Theory]
    // On its bound already, one share takes of what the others leave, and is not moved into the middle first.
    [InlineData(25, 60, 15, new[] { 30, 35, 35 })]
    [InlineData(40, 50, 10, new[] { 38, 31, 31 })]
    public void What_lies_outside_goes_into_the_middle_and_the_rest_takes_what_is_left(
        int technique,
        int skill,
        int performance,
        int[] mended
    )
    {
        var plan = Of(
            Irons(10, technique, 0, Phase.Block, Intent.Technique),
            Irons(11, skill, 0, Phase.Random),
            Irons(12, performance, 0, Phase.OnCourse, Intent.Performance)
        ) with
        {
            Constraints = new PlanConstraints { Approach = Approach.ThreeParts },
        };
        Assert.Equal(mended, PlanCheck.Fix(plan, Context, FindingId.Balance, null).Segments.Select(s => s.Minutes));
    }

    [Theory]
    [InlineData(44, false)]
    [InlineData(45, true)]
    public void From_three_quarters_of_an_hour_on_a_session_leaves_the_block(int minutes, bool isSaid)
    {
        Assert.Equal(isSaid, Says(FindingId.NoTransfer, Of(Irons(10, minutes, 0))));
        Assert.False(Says(FindingId.NoTransfer, Of(Irons(10, minutes, 0, Phase.WarmUp))));
        Assert.False(Says(FindingId.NoTransfer, Of(Irons(10, minutes, 0), Irons(11, 1, 0, Phase.Random))));
    }

    [Theory]
    [InlineData("low point", "Ball first", "Three of four", true)]
    [InlineData("low point", "Ball first", "Ball first", false)]
    [InlineData("low point", "Ball first", "", false)]
    [InlineData("", "Ball first", "Three of four", false)]
    public void One_skill_is_judged_by_one_criterion_where_both_are_named(string skill, string block, string random, bool isSaid)
    {
        var plan = Of(
            Irons(10, 10, 0) with
            {
                Skill = skill,
                Criterion = block,
            },
            Irons(11, 10, 0, Phase.Random) with
            {
                Skill = skill,
                Criterion = random,
            }
        );
        Assert.Equal(isSaid, Says(FindingId.SameCriterion, plan));
    }

    [Fact]
    public void Calls_that_alternate_never_come_twice_in_a_row()
    {
        var calls = new[] { Club.Iron7, Club.Iron9, Club.Iron7, Club.Iron9 }.Select(c => new ShotCall(
            c,
            ShotShape.Straight,
            ShotHeight.Normal,
            ""
        ));
        Assert.False(Says(FindingId.RepeatedCall, Of(Irons(10, 10, 4, Phase.Random) with { Calls = [.. calls] })));
    }

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    public void Only_where_balls_are_hit_is_a_full_swing(int balls, bool isSaid) =>
        Assert.Equal(isSaid, Says(FindingId.NoWarmUp, Of(Irons(10, 10, balls))));

    [Fact]
    public void A_session_that_is_all_driver_is_told_so_and_left_to_the_coach()
    {
        var driver = Irons(10, 91, 30) with { Clubs = [Club.Driver] };
        Assert.Null(Assert.Single(PlanCheck.Run(Of(driver), Context), f => f.Id == FindingId.Fatigue).Fix);
    }

    [Theory]
    [InlineData(RangeSurface.Mat, true)]
    [InlineData(RangeSurface.Grass, false)]
    public void Where_one_of_two_ranges_is_grass_sticks_can_stand(RangeSurface second, bool isSaid)
    {
        var drill = Planned(
            new Repetitions(),
            d => d with { Equipment = [new EquipmentNeed { Item = Equipment.AlignmentSticks }], Drawing = SetUpDrawing.Gate }
        );
        var plan = Of(Irons(10, 10, 10) with { Drill = drill });
        var sticks = Adult with { Own = Adult.Own with { Equipment = [Equipment.AlignmentSticks] } };
        var context = Context with { Student = sticks, Places = [On(1, RangeSurface.Mat), On(2, second)] };
        Assert.Equal(isSaid, Says(FindingId.Place, plan, context));

        static ListedPlace On(int id, RangeSurface surface) =>
            new()
            {
                Id = IdOf(100 + id),
                Place = new Place
                {
                    Name = $"Range {id}",
                    Kind = PlaceKind.Range,
                    Surface = surface,
                },
            };
    }

    [Fact]
    public void What_is_too_fast_is_mended_to_the_bound_itself_and_what_is_slow_is_left_at_its_balls()
    {
        var slow = Irons(10, 20, 1);
        Assert.Equal(1, BallsOf(FindingId.PaceSlow, slow));
        Assert.Equal(40, BallsOf(FindingId.PaceFast, slow with { Balls = 100 }));

        static int BallsOf(FindingId id, PracticeSegment segment) =>
            PlanCheck.Fix(Of(segment), Context, id, segment.Id).Practice().Single().Balls;
    }

    [Fact]
    public void What_holds_for_everybody_is_said_once_and_not_of_each()
    {
        // A purpose is missing, and the hour leaves no room for a pause: of everybody.
        var plan = Of(Irons(10, 61, 0)) with
        {
            Purpose = "",
        };
        var found = PlanCheck.RunForSquad(plan, Context, [("Somebody", Context), ("Somebody else", Context)]);
        Assert.Single(found, f => f.Id == FindingId.NoPurpose);
        Assert.Single(found, f => f.Id == FindingId.NoBreak);
    }

    [Theory]
    [InlineData(Phase.WarmUp, Area.Iron, false, false, 1, 80)]
    [InlineData(Phase.Block, Area.Iron, false, false, 10, 40)]
    [InlineData(Phase.Block, Area.Iron, true, false, 5, 9)]
    [InlineData(Phase.Random, Area.Iron, false, false, 14, 34)]
    [InlineData(Phase.Random, Area.Iron, false, true, 7, 15)]
    [InlineData(Phase.Block, Area.Putting, false, false, 16, 100)]
    [InlineData(Phase.Random, Area.Putting, false, false, 10, 40)]
    public void Twenty_minutes_have_room_for_so_many_balls(
        Phase phase,
        Area area,
        bool isSlow,
        bool hasRoutine,
        int least,
        int most
    )
    {
        Assert.Equal((false, false), Of(least));
        Assert.Equal((false, false), Of(most));
        Assert.Equal((least > 1, false), Of(least - 1));
        Assert.Equal((false, true), Of(most + 1));

        (bool IsSlow, bool IsFast) Of(int balls)
        {
            var segment = Irons(10, 20, balls, phase) with { Area = area, SlowRepetitions = isSlow, FullRoutine = hasRoutine };
            var found = PlanCheck.Run(RuleThresholdTests.Of(segment), Context).Where(f => f.SegmentId == segment.Id).ToList();
            return (found.Any(f => f.Id == FindingId.PaceSlow), found.Any(f => f.Id == FindingId.PaceFast));
        }
    }
}
