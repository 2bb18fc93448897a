using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Tests.Plans.Checks;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Checking;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Weeks;

/// <summary>
/// What is said of a week. For each thing there is a week that says only that, and a smallest change that clears it. The rules
/// are those of the trade, common practice, no source; the load's bounds are Gabbett, Br J Sports Med 50 (2016) 273.
/// </summary>
public class WeekCheckTests
{
    private static readonly DateOnly Monday = Week.Monday;

    private static readonly SessionPlan Putting = GivenPlan.Clean with
    {
        Title = "Putting",
        Constraints = new PlanConstraints(),
        Segments =
        [
            GivenPlan.Segment(20, "From six feet", Phase.Random, Intent.Skill, Area.Putting, 20, 30, PlaceKind.PuttingGreen) with
            {
                Criterion = "Holed",
            },
        ],
    };

    [Fact]
    public void A_week_with_nothing_to_say_about_says_nothing()
    {
        var checkedWeek = Check([On(0), On(2), On(4)]);
        Assert.Empty(checkedWeek.Week);
        Assert.All(checkedWeek.Sessions, s => Assert.DoesNotContain(s.Findings, f => f.Level > FindingLevel.Note));
        Assert.Equal(165, checkedWeek.Minutes);
        Assert.Null(checkedWeek.LoadRatio);
    }

    [Fact]
    public void Every_session_is_checked_on_its_real_day()
    {
        // Played on Thursday: only the session of that day is on a competition day.
        var week = Check(
            [On(1), On(3, GivenPlan.Clean with { Title = "On the day" })],
            With(own => own with { Competitions = [Cup(3)] })
        );
        Assert.DoesNotContain(week.Sessions[0].Findings, f => f.Id == FindingId.CompetitionDay);
        Assert.Contains(week.Sessions[1].Findings, f => f.Id == FindingId.CompetitionDay);
    }

    [Fact]
    public void Any_day_is_judged_by_the_mildest_day_that_is_left_and_names_it()
    {
        var context = With(own => own with { Competitions = [Cup(2)] });
        var week = Check([On(null)], context, today: Monday.AddDays(2));
        var session = Assert.Single(week.Sessions);
        Assert.Equal(Monday.AddDays(3), session.Day);
        Assert.DoesNotContain(session.Findings, f => f.Id == FindingId.CompetitionDay);
    }

    [Fact]
    public void A_stop_holds_back_its_own_session_only()
    {
        var hurts = GivenPlan.Context with { Hurt = [new HurtPart(BodyPart.LowerBack, null, false)] };
        var week = Check([On(0), On(2, Stretching)], hurts);
        Assert.Equal([true, false], week.Sessions.Select(s => s.IsHeldBack));
        Assert.Contains(week.Sessions[0].Findings, f => f.Id == FindingId.Hurt && f.SegmentId == GivenPlan.Technique.Id);
    }

    [Theory]
    [InlineData(610, FindingLevel.Caution, "With all of it the week's load comes to 1.6 times")]
    [InlineData(410, FindingLevel.Note, "A busy week: 1.4 times")]
    public void The_load_is_said_once_for_all_of_the_week(double soFar, FindingLevel level, string why)
    {
        // 165 minutes at an effort of 6 are 990; with what was done, over a usual week of 1,000.
        var context = GivenPlan.Context with
        {
            Load = new WeekLoad(soFar, 1000, 6),
        };
        var week = Check([On(0), On(2), On(4)], context);
        var finding = Assert.Single(week.Week);
        Assert.Equal((WeekFindingId.Load, level), (finding.Id, finding.Level));
        Assert.StartsWith(why, finding.Why, StringComparison.Ordinal);
        Assert.Empty(Check([On(0)], context with { Load = context.Load with { ThisWeek = 100 } }).Week);
    }

    [Fact]
    public void A_drill_on_the_next_day_is_named_with_both_days()
    {
        var drilled = WithDrill(GivenPlan.Clean);
        var finding = Assert.Single(Check([On(0, drilled), On(1, drilled)]).Week);
        Assert.Equal("“A drill” comes on Monday and again on Tuesday.", finding.Why);
        Assert.Equal(Id(2), finding.SessionId);
        Assert.Empty(Check([On(0, drilled), On(2, drilled)]).Week);
    }

    [Fact]
    public void What_costs_most_and_what_is_believed_weak_wants_minutes()
    {
        var context = With(own => own with { BelievedWeaknesses = [Area.Bunker] }) with
        {
            Losses = [new AreaLoss(Area.Putting, 0.4, 5)],
        };
        var week = Check([On(0)], context);
        Assert.Equal(
            [
                "Nothing for putting, where results fall shortest: 40 % is missing to the goals.",
                "Nothing for bunker, which the student believes is weak.",
            ],
            week.Week.Select(f => f.Why)
        );
        Assert.Equal([(Area.Putting, 0), (Area.Bunker, 0), (Area.Iron, 45)], InOrder(week.Areas));
        Assert.Equal(
            ["Nothing for bunker, which the student believes is weak."],
            Check([On(0), On(1, Putting)], context).Week.Select(f => f.Why)
        );
        // What was done this week counts, what was excused does not.
        Assert.Equal(
            ["Nothing for bunker, which the student believes is weak."],
            Check([On(0), On(1, Putting) with { IsOver = true }], context).Week.Select(f => f.Why)
        );
        Assert.Equal(2, Check([On(0), On(1, Putting) with { IsOver = true, IsExcused = true }], context).Week.Count);
        // Two results say nothing yet.
        Assert.Empty(Check([On(0)], GivenPlan.Context with { Losses = [new AreaLoss(Area.Putting, 0.4, 2)] }).Week);
    }

    [Fact]
    public void What_rounds_lose_wants_minutes_in_any_area_that_serves_it()
    {
        // Penalties are the driver's or the woods': 2.5 of them are usual for an improving player, five cost 2.5 strokes.
        var context = GivenPlan.Context with
        {
            Lost = LostStrokes.Of([.. Enumerable.Repeat(GivenRounds.WithPenalties(5), 3)], Level.Improving),
        };
        var week = Check([On(0)], context);
        Assert.Equal(
            ["Nothing for driver, where rounds lose most: about 2.5 strokes in 18 holes."],
            week.Week.Select(f => f.Why)
        );
        Assert.Equal(2.5, week.Areas.Single(a => a.Area == Area.Driver).StrokesLost!.Value, 9);
        var woods = Putting with { Segments = [.. Putting.Practice().Select(s => s with { Area = Area.Wood })] };
        Assert.Empty(Check([On(0), On(1, woods)], context).Week);
    }

    [Fact]
    public void No_technique_on_the_day_of_arrival()
    {
        var context = With(own => own with { Competitions = [Cup(5) with { ArrivalDay = Monday.AddDays(4) }] });
        var finding = Check([On(4)], context).Week[0];
        Assert.Equal("“Low point” changes the swing on Friday, and The island cup is near: leave it as it is.", finding.Why);
        Assert.Empty(Check([On(4, Putting)], context).Week);
    }

    [Fact]
    public void Close_before_a_competition_sessions_are_short()
    {
        // Played on Saturday, there on Friday: an hour on Wednesday and Thursday, half of one on Friday.
        var context = With(own => own with { Competitions = [Cup(5) with { ArrivalDay = Monday.AddDays(4) }] });
        var longer = Putting with { Segments = [.. Putting.Practice().Select(s => s with { Minutes = 65, Balls = 60 })] };
        var finding = Assert.Single(Check([On(3, longer)], context).Week);
        Assert.Equal("“Putting” takes 65 min on Thursday, close before The island cup: at most 60 there.", finding.Why);
        Assert.Empty(Check([On(1, longer), On(4, Putting)], context).Week);
    }

    [Fact]
    public void More_minutes_than_there_are_times_for()
    {
        var context = With(own => own with { Windows = [Time(DayOfWeek.Monday, 60), Time(DayOfWeek.Wednesday, 45)] });
        Assert.Equal(
            [
                "“An hour” takes 55 min, and no time on Wednesday holds that at the right ground.",
                "110 min are set, and the times that are left hold 105.",
            ],
            Check([On(0), On(2)], context).Week.Select(f => f.Why)
        );
        Assert.Empty(Check([On(0)], context).Week);
        // A day away is no time, and an extra asks for none.
        var away = With(own =>
            context.Student!.Own with
            {
                Absences = [new Absence { FirstDay = Monday.AddDays(2), LastDay = Monday.AddDays(2) }],
            }
        );
        Assert.Single(Check([On(0), On(null)], away).Week);
        Assert.Empty(Check([On(0), On(null) with { Requirement = Requirement.Extra }], away).Week);
    }

    [Fact]
    public void A_session_on_a_day_they_cannot()
    {
        var context = With(own => own with { Absences = [new Absence { FirstDay = Monday, LastDay = Monday }] });
        var finding = Assert.Single(Check([On(0)], context).Week);
        Assert.Equal(
            ("“An hour” is on Monday, a day on which the student cannot.", FindingLevel.Caution),
            (finding.Why, finding.Level)
        );
        Assert.Empty(Check([On(1)], context).Week);
    }

    [Fact]
    public void A_week_wants_a_day_of_rest()
    {
        var seven = Enumerable.Range(0, 7).Select(n => On(n, Stretching)).ToArray();
        Assert.Equal("No day of rest.", Assert.Single(Check(seven).Week).Why);
        Assert.Empty(Check(seven[1..]).Week);
    }

    [Fact]
    public void Two_heavy_days_are_named()
    {
        // 80 minutes at the effort of 6 that stands for an unknown one: 480 a day.
        var heavy = GivenPlan.Clean with
        {
            Constraints = new PlanConstraints(),
            Segments = [.. GivenPlan.Clean.Segments.Select(s => s == GivenPlan.Holes ? s with { Minutes = 35 } : s)],
        };
        var finding = Assert.Single(Check([On(1, heavy), On(2, heavy)]).Week);
        Assert.Equal("Two heavy days side by side: Tuesday and Wednesday.", finding.Why);
        Assert.Empty(Check([On(1, heavy), On(3, heavy)]).Week);
    }

    [Fact]
    public void The_stated_order_is_kept_an_eye_on()
    {
        var second = On(0, GivenPlan.Clean with { Title = "Second" }) with { Order = 2 };
        var first = On(2, GivenPlan.Clean with { Title = "First" }) with { Order = 1 };
        Assert.Equal("“Second” comes before “First”, which stands first.", Assert.Single(Check([second, first]).Week).Why);
        Assert.Empty(Check([second with { Day = Monday.AddDays(4) }, first]).Week);
    }

    [Fact]
    public void What_is_over_is_not_judged_any_more()
    {
        var context = With(own => own with { Absences = [new Absence { FirstDay = Monday, LastDay = Monday }] });
        var week = Check([On(0) with { IsOver = true }], context);
        Assert.Empty(week.Week);
        Assert.Empty(Assert.Single(week.Sessions).Findings);
        Assert.Equal(0, week.Minutes);
    }

    private static SessionPlan Stretching { get; } =
        GivenPlan.Clean with
        {
            Title = "Stretching",
            Constraints = new PlanConstraints(),
            Segments = [GivenPlan.Stretch],
        };

    private static SessionPlan WithDrill(SessionPlan plan) =>
        plan with
        {
            Segments =
            [
                .. plan.Segments.Select(s =>
                    s == GivenPlan.CalledIrons
                        ? GivenPlan.CalledIrons with
                        {
                            Drill = GivenPlan.Planned(new Core.Drills.Scoring.MakeRate { Attempts = 15, Make = "On the green" }),
                        }
                        : s
                ),
            ],
        };

    private static IEnumerable<(Area, int)> InOrder(IEnumerable<AreaOfWeek> areas) => areas.Select(a => (a.Area, a.Minutes));

    private static SessionToCheck On(int? day, SessionPlan? plan = null) =>
        new(Id(1), plan ?? GivenPlan.Clean, day is { } n ? Monday.AddDays(n) : null);

    private static CheckedWeek Check(SessionToCheck[] sessions, PlanContext? context = null, DateOnly? today = null) =>
        WeekCheck.Run(
            new WeekToCheck
            {
                Week = Week,
                Today = today ?? Monday,
                Context = context ?? GivenPlan.Context,
                Sessions = [.. sessions.Select((s, i) => s with { Id = Id(i + 1) })],
            }
        );

    private static PlanContext With(Func<StudentSection, StudentSection> change) =>
        GivenPlan.Context with
        {
            Student = GivenPlan.Adult with { Own = change(GivenPlan.Adult.Own) },
        };

    private static Competition Cup(int day) =>
        new()
        {
            Id = Id(90),
            Name = "The island cup",
            FirstDay = Monday.AddDays(day),
            LastDay = Monday.AddDays(day),
        };

    private static PracticeWindow Time(DayOfWeek day, int minutes) =>
        new()
        {
            Weekday = day,
            From = new TimeOnly(17, 0),
            Minutes = minutes,
            Place = PlaceKind.Range,
        };
}
