using CsCheck;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Placing;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Weeks;

/// <summary>
/// Where sessions go. The rules and their order are the product's own; that a best placement is one is checked by trying all.
/// </summary>
public class PlacingTests
{
    private static readonly DateOnly Monday = Week.Monday;

    [Fact]
    public void Without_anything_in_the_way_sessions_go_on_the_first_days_in_their_order()
    {
        var placed = Place(Sessions(One(1), One(2), One(3)));
        Assert.Equal([0, 1, 2], placed.Select(DayNumber));
        Assert.Equal("Monday: the first day that is left.", placed[0].Why);
        Assert.Equal("Tuesday. Not Monday: another session comes first there.", placed[1].Why);
    }

    [Fact]
    public void A_time_that_is_too_short_or_at_another_ground_holds_nothing()
    {
        var week = Sessions(One(1, minutes: 60)) with
        {
            Times =
            [
                Time(DayOfWeek.Monday, 45),
                Time(DayOfWeek.Tuesday, 90, PlaceKind.PuttingGreen),
                Time(DayOfWeek.Thursday, 60),
            ],
        };
        var placed = Assert.Single(Place(week));
        Assert.Equal(3, DayNumber(placed));
        Assert.Equal([PlacingRule.Times], placed.KeptBy);
        Assert.Equal("Thursday. Not Monday: no time of 60 min at the right ground.", placed.Why);
    }

    [Fact]
    public void Putting_can_be_done_beside_the_range_and_what_is_done_at_home_anywhere()
    {
        var putting = One(1) with { Place = PlaceKind.PuttingGreen };
        Assert.True(putting.FitsInto(Time(DayOfWeek.Monday, 60)));
        Assert.False(putting.FitsInto(Time(DayOfWeek.Monday, 60, PlaceKind.Home)));
        Assert.True((One(1) with { Place = PlaceKind.Home }).FitsInto(Time(DayOfWeek.Monday, 60)));
        Assert.False((One(1) with { Place = PlaceKind.Range }).FitsInto(Time(DayOfWeek.Monday, 60, PlaceKind.Course)));
    }

    [Fact]
    public void What_fits_nowhere_says_so_and_stays_on_any_day()
    {
        var week = Sessions(One(1, minutes: 120)) with { Times = [Time(DayOfWeek.Monday, 60)] };
        var placed = Assert.Single(Place(week));
        Assert.Null(placed.Day);
        Assert.Equal("Stays on any day. Not Monday: no time of 120 min at the right ground.", placed.Why);
    }

    [Fact]
    public void Days_they_cannot_and_competition_days_are_left_free()
    {
        var week = Sessions(One(1)) with
        {
            Absences = [new Absence { FirstDay = Monday, LastDay = Monday.AddDays(1) }],
            Competitions = [Played(Monday.AddDays(2), Monday.AddDays(3))],
        };
        var placed = Assert.Single(Place(week));
        Assert.Equal(4, DayNumber(placed));
        Assert.Equal([PlacingRule.Absence], placed.KeptBy);
        Assert.Equal("Friday. Not Monday: away that day.", placed.Why);
    }

    [Fact]
    public void A_competition_day_still_allows_a_warm_up()
    {
        var week = Sessions(One(1, minutes: 20) with { IsOnlyWarmUp = true }) with
        {
            Competitions = [Played(Monday, Monday.AddDays(6))],
        };
        Assert.Equal(0, DayNumber(Assert.Single(Place(week))));
    }

    [Fact]
    public void Two_heavy_days_do_not_stand_side_by_side_not_even_over_a_Sunday()
    {
        // 90 min × 6 = 540, above 450.
        var week = Sessions(One(1, load: 540), One(2, load: 540)) with
        {
            Standing = [new StandingSession(One(9, load: 540), Monday.AddDays(-1))],
        };
        var placed = Place(week);
        Assert.Equal([1, 3], placed.Select(DayNumber));
        Assert.Equal([PlacingRule.HeavyApart], placed[0].KeptBy);
        Assert.Equal("Tuesday. Not Monday: two heavy days would stand side by side.", placed[0].Why);
    }

    [Fact]
    public void A_drill_comes_again_after_a_day_without_it()
    {
        var placed = Place(Sessions(One(1) with { Drills = [Id(50)] }, One(2) with { Drills = [Id(50)] }));
        Assert.Equal([0, 2], placed.Select(DayNumber));
        Assert.Equal("Wednesday. Not Tuesday: a drill would come again too soon.", placed[1].Why);
    }

    [Fact]
    public void Seven_sessions_need_every_day_six_leave_one_of_rest()
    {
        Assert.Equal([0, 1, 2, 3, 4, 5, 6], Place(Sessions([.. Enumerable.Range(1, 7).Select(n => One(n))])).Select(DayNumber));
        var six = Sessions([.. Enumerable.Range(1, 6).Select(n => One(n))]) with
        {
            Standing = [new StandingSession(One(9), Monday.AddDays(6))],
            Times = [.. Enum.GetValues<DayOfWeek>().SelectMany(d => new[] { Time(d, 60), Time(d, 60, from: 18) })],
        };
        var days = Place(six).Select(DayNumber).ToList();
        Assert.Equal([0, 0, 1, 1, 2, 2], days);
    }

    [Fact]
    public void The_stated_order_holds_also_for_what_stands_already()
    {
        var week = Sessions(One(1) with { Order = 3 }, One(2) with { Order = 1 }) with
        {
            Standing = [new StandingSession(One(9) with { Order = 2 }, Monday.AddDays(3))],
        };
        Assert.Equal([4, 0], Place(week).Select(DayNumber));
    }

    [Fact]
    public void Where_not_everything_fits_what_must_be_done_has_the_time()
    {
        var week = Sessions(One(1) with { Requirement = Requirement.Extra }, One(2)) with
        {
            Times = [Time(DayOfWeek.Wednesday, 60)],
        };
        var placed = Place(week);
        Assert.Equal([-1, 2], placed.Select(DayNumber));
        Assert.Equal([PlacingRule.MustFirst], placed[0].KeptBy);
        Assert.Equal("Stays on any day. Not Wednesday: what must be done goes first.", placed[0].Why);
    }

    [Fact]
    public void A_time_that_several_want_goes_to_the_longest_and_not_to_what_can_be_done_at_home()
    {
        var week = Sessions(One(1, minutes: 20) with { Place = PlaceKind.Home }, One(2, minutes: 90), One(3, minutes: 60)) with
        {
            Times = [Time(DayOfWeek.Friday, 120)],
        };
        Assert.Equal([-1, 4, -1], Place(week).Select(DayNumber));
    }

    [Fact]
    public void Before_a_competition_sessions_are_short()
    {
        // Played from Friday, there on Thursday: Tuesday and Wednesday are for an hour at most, Thursday for half of one.
        var week = Sessions(One(1, minutes: 90)) with
        {
            From = Monday.AddDays(1),
            Competitions = [Played(Monday.AddDays(4), Monday.AddDays(5)) with { ArrivalDay = Monday.AddDays(3) }],
        };
        var placed = Assert.Single(Place(week));
        Assert.Equal(6, DayNumber(placed));
        Assert.Equal([PlacingRule.Taper], placed.KeptBy);
        Assert.Equal(1, DayNumber(Assert.Single(Place(week with { Sessions = [One(1, minutes: 45)] }))));
    }

    [Fact]
    public void Of_two_times_on_a_day_the_session_that_comes_first_has_the_earlier()
    {
        var week = Sessions(One(1) with { Order = 2 }, One(2) with { Order = 1 }) with
        {
            Times = [Time(DayOfWeek.Tuesday, 60), Time(DayOfWeek.Tuesday, 60, from: 18)],
        };
        var placed = Place(week);
        Assert.Equal([1, 1], placed.Select(DayNumber));
        Assert.Equal([18, 9], placed.Select(p => p.Time!.From.Hour));
    }

    [Fact]
    public void Of_a_week_that_is_over_nothing_can_be_placed() =>
        Assert.Equal("The week is over.", Assert.Single(Place(Sessions(One(1)) with { From = Week.Sunday.AddDays(1) })).Why);

    [Fact]
    public void No_more_days_than_are_usual_get_practice()
    {
        // Six sessions, three days usual; without times on record a day holds one.
        var week = Sessions([.. Enumerable.Range(1, 6).Select(n => One(n))]) with
        {
            UsualDays = 3,
        };
        var placed = Place(week);
        Assert.Equal([0, 1, 2], placed.Select(DayNumber).Where(d => d >= 0));
        Assert.All(placed.Skip(3), p => Assert.Equal([PlacingRule.UsualDays], p.KeptBy));
        Assert.Equal("Stays on any day. Not Thursday: usually practises 3 days a week.", placed[5].Why);
        Assert.Contains("usually practises 1 day a week", Place(week with { UsualDays = 1 })[^1].Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Two_times_of_one_day_hold_two_sessions_of_a_usual_day()
    {
        // Two days are usual, and each has two times: four sessions fit, the second day's after the first's.
        var week = Sessions([.. Enumerable.Range(1, 4).Select(n => One(n))]) with
        {
            UsualDays = 2,
            Times =
            [
                .. new[] { DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday }.SelectMany(d =>
                    new[] { Time(d, 60, from: 9), Time(d, 60, from: 17) }
                ),
            ],
        };
        Assert.Equal([0, 0, 2, 2], Place(week).Select(DayNumber));
        // What stands on Friday is one of the two days.
        var standing = week with
        {
            Standing = [new StandingSession(One(9), Monday.AddDays(4))],
        };
        Assert.Equal([0, 0, 4, -1], Place(standing).Select(DayNumber));
    }

    [Fact]
    public void Thirty_one_sessions_are_placed_and_none_is_lost()
    {
        var week = Sessions([.. Enumerable.Range(1, 31).Select(n => One(n))]) with
        {
            Times = [.. Enum.GetValues<DayOfWeek>().SelectMany(d => Enumerable.Range(8, 4).Select(h => Time(d, 60, from: h)))],
        };
        var placed = Place(week);
        Assert.Equal(31, placed.Count);
        // 28 times a week.
        Assert.Equal(28, placed.Count(p => p.Day is not null));
        Assert.All(placed.Where(p => p.Day is null), p => Assert.StartsWith("Stays on any day.", p.Why));
    }

    [Fact]
    public void The_placement_is_as_good_as_the_best_of_all() => Weeks(1, 5).ForEachSeed(IsBest, seeds: 200);

    [Fact]
    public void So_it_is_for_seven_sessions() => Weeks(7, 7).ForEachSeed(IsBest, seeds: 5);

    [Fact]
    public void With_exactly_the_rules_named_taken_away_some_best_placement_has_it_on_the_better_day() =>
        Weeks(1, 4)
            .ForEachSeed(
                week =>
                {
                    var placed = Place(week);
                    for (var i = 0; i < placed.Count; i++)
                    {
                        if (placed[i].BetterDay is not { } better)
                            continue;
                        Assert.True(IsThere(week, i, better, placed[i].KeptBy));
                        foreach (var rule in placed[i].KeptBy)
                            Assert.False(IsThere(week, i, better, [.. placed[i].KeptBy.Where(r => r != rule)]));
                    }
                },
                seeds: 200
            );

    private static bool IsThere(WeekToPlace week, int session, DateOnly day, IReadOnlyList<PlacingRule> without)
    {
        var every = new EveryPlacement(week, without);
        var (best, with) = every.Lowest(session, every.DayOf(day));
        return with is not null && EveryPlacement.Compare(best, with) == 0;
    }

    private static void IsBest(WeekToPlace week)
    {
        var every = new EveryPlacement(week);
        var placed = Place(week).Select(p => every.DayOf(p.Day)).ToArray();
        Assert.True(every.IsAllowed(placed));
        Assert.Equal(every.Lowest().Best, every.CostOf(placed));
    }

    /// <summary>Weeks in which everything can be in the way.</summary>
    private static Gen<WeekToPlace> Weeks(int least, int most)
    {
        var session = Gen.Select(
            Gen.Int[1, 6].Select(n => n * 20),
            Gen.Bool,
            Gen.Int[0, 3],
            Gen.Int[0, 3],
            Gen.OneOf([
                .. new[] { PlaceKind.Range, PlaceKind.Range, PlaceKind.PuttingGreen, PlaceKind.Course, PlaceKind.Home }.Select(
                    Gen.Const
                ),
            ]),
            (minutes, isExtra, drill, order, place) =>
                One(0, minutes) with
                {
                    Load = minutes * 6,
                    Requirement = isExtra ? Requirement.Extra : Requirement.Must,
                    Drills = drill == 0 ? [] : [Id(drill)],
                    Order = order == 0 ? null : order,
                    Place = place,
                    IsOnlyWarmUp = minutes == 20,
                }
        );
        var time = Gen.Select(
            Gen.Int[0, 6],
            Gen.Int[8, 18],
            Gen.Int[2, 7].Select(n => n * 20),
            Gen.OneOf([
                .. new[] { PlaceKind.Range, PlaceKind.Range, PlaceKind.PuttingGreen, PlaceKind.Course }.Select(Gen.Const),
            ]),
            (day, from, minutes, place) => Time((DayOfWeek)day, minutes, place, from)
        );
        var standing = Gen.Select(session, Gen.Int[-2, 8], (s, day) => new StandingSession(s, Monday.AddDays(day)));
        var absence = Gen.Int[0, 6].Select(d => new Absence { FirstDay = Monday.AddDays(d), LastDay = Monday.AddDays(d) });
        var competition = Gen.Select(
            Gen.Int[1, 9],
            Gen.Bool,
            (d, arrives) =>
                Played(Monday.AddDays(d), Monday.AddDays(d + 1)) with
                {
                    ArrivalDay = arrives ? Monday.AddDays(d - 1) : null,
                }
        );
        return Gen.Select(
            session.Array[least, most],
            time.Array[0, 6],
            standing.Array[0, 2],
            absence.Array[0, 2],
            competition.Array[0, 1],
            Gen.Int[0, 3],
            Gen.Int[0, 7],
            (sessions, times, stands, absences, competitions, from, usual) =>
                new WeekToPlace
                {
                    Week = Week,
                    From = Monday.AddDays(Math.Max(0, from - 1)),
                    UsualDays = usual == 0 ? null : usual,
                    Times = times,
                    Standing = stands,
                    Absences = absences,
                    Competitions = competitions,
                    Sessions = [.. sessions.Select((s, i) => s with { Id = Id(i + 1) })],
                }
        );
    }

    private static IReadOnlyList<PlacedSession> Place(WeekToPlace week) => WeekPlacing.Of(week);

    private static int DayNumber(PlacedSession placed) => placed.Day is { } day ? day.DayNumber - Monday.DayNumber : -1;

    private static WeekToPlace Sessions(params SessionToPlace[] sessions) =>
        new()
        {
            Week = Week,
            From = Monday,
            Sessions = sessions,
        };

    private static SessionToPlace One(int id, int minutes = 60, double load = 200) =>
        new()
        {
            Id = Id(id),
            Title = $"Session {id}",
            Minutes = minutes,
            Load = load,
            Place = PlaceKind.Range,
        };

    private static PracticeWindow Time(DayOfWeek day, int minutes, PlaceKind place = PlaceKind.Range, int from = 9) =>
        new()
        {
            Weekday = day,
            From = new TimeOnly(from, 0),
            Minutes = minutes,
            Place = place,
        };

    private static Competition Played(DateOnly first, DateOnly last) =>
        new()
        {
            Id = Id(90),
            Name = "The island cup",
            FirstDay = first,
            LastDay = last,
        };
}
