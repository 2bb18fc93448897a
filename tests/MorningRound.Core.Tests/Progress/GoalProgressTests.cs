using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Progress.GivenResults;

namespace MorningRound.Core.Tests.Progress;

public class GoalProgressTests
{
    private static readonly FocusQuantity Path = new()
    {
        What = "club path",
        Unit = "°",
        Start = 6,
        Least = -2,
        Most = 2,
    };

    private static readonly FocusQuantity Gate = new()
    {
        What = "share made",
        Unit = "%",
        DrillId = Given.Id(1),
        Measure = "share",
        Rung = 0,
        Least = 70,
    };

    private static DateOnly Day(int day) => First.AddDays(day);

    [Fact]
    public void Nothing_measured_is_said_as_such()
    {
        var goal = GoalProgress.Of(Path, [], Day(0));
        Assert.Equal(GoalState.NotMeasured, goal.State);
        Assert.Equal("Nothing has been measured for this goal yet.", goal.Text);
        Assert.Equal(6, goal.Start!.Value);
    }

    [Fact]
    public void The_last_three_results_are_read_as_one()
    {
        // By hand: 12 + 14 + 16 of 60 is 70 %; the interval is Wilson's.
        var goal = GoalProgress.Of(Gate, [Made(0, 2, 20), Made(7, 12, 20), Made(14, 14, 20), Made(21, 16, 20)], Day(22));
        Assert.Equal(70, goal.Now!.Value, 9);
        Assert.Equal(60, goal.Now.Count);
        var (low, high) = Rate.Wilson(42, 60);
        Assert.Equal(new Interval(100 * low, 100 * high), goal.Now.Doubt);
        Assert.Equal(GoalState.PerhapsMet, goal.State);
        Assert.Equal("Now 70 %, somewhere from 57 to 80: in the band, though it may still lie outside.", goal.Text);
    }

    [Fact]
    public void A_goal_is_met_when_all_of_its_doubt_lies_in_the_band() =>
        Assert.Equal(GoalState.Met, GoalProgress.Of(Gate, [Made(0, 19, 20), Made(7, 20, 20), Made(14, 19, 20)], Day(22)).State);

    [Fact]
    public void Means_of_balls_are_pooled_with_their_spread()
    {
        // Reference: the same 30 numbers in one sample, by MathNet.Numerics.
        double[][] sessions =
        [
            [4, 5, 6, 5, 4, 6, 5, 5, 4, 6],
            [3, 4, 5, 4, 3, 5, 4, 4, 3, 5],
            [2, 3, 4, 3, 2, 4, 3, 3, 2, 4],
        ];
        var results = sessions.Select((s, i) => Measured(7 * i, s.Length, s.Average(), Sample.Deviation(s)!.Value));
        var now = GoalProgress.Of(Path, results, Day(20)).Now!;
        var all = sessions.SelectMany(s => s).ToArray();
        Assert.Equal(4, now.Value, 9);
        var half =
            MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, 29, 0.975)
            * MathNet.Numerics.Statistics.Statistics.StandardDeviation(all)
            / Math.Sqrt(30);
        Assert.Equal(4 - half, now.Doubt!.Value.Low, 6);
    }

    [Fact]
    public void A_few_attempts_judge_no_goal() =>
        Assert.Equal(
            "Now 80 %, somewhere from 38 to 96: only 5 attempts in all, too few to judge it by.",
            GoalProgress.Of(Gate, [Made(0, 4, 5)], Day(1)).Text
        );

    [Fact]
    public void What_does_not_compare_feeds_no_goal()
    {
        DatedResult[] results =
        [
            Made(0, 20, 20),
            Made(7, 10, 20, rung: 1, key: "b"),
            Made(8, 10, 20, drill: 2, key: "c"),
            Made(9, 10, 20, phase: Phase.WarmUp, key: "w"),
            Made(10, 10, 20, recording: Recording.Lesson),
        ];
        Assert.Equal(100, GoalProgress.Of(Gate, results, Day(22)).Now!.Value);
        // Before the day it began.
        Assert.Null(GoalProgress.Of(Gate with { StartedOn = Day(1) }, [Made(0, 20, 20)], Day(22)).Now);
        // In the other kind of practice.
        Assert.Null(GoalProgress.Of(Gate with { Group = PracticeGroup.RandomOrOnCourse }, [Made(0, 20, 20)], Day(22)).Now);
        // Left to the newest result: random, because that came last.
        var newest = GoalProgress.Of(Gate, [Made(0, 20, 20), Made(9, 5, 20, phase: Phase.Random, key: "r")], Day(22));
        Assert.Equal(25, newest.Now!.Value);
    }

    [Fact]
    public void The_way_left_is_foretold_at_the_students_own_pace()
    {
        var climbing = Enumerable.Range(0, 8).Select(i => Made(14 * i, 10 + (i / 2), 20)).ToList();
        var goal = GoalProgress.Of(Gate with { Least = 90, By = Day(300) }, climbing, Day(100));
        Assert.NotNull(goal.Forecast);
        Assert.True(goal.Forecast.Soonest <= goal.Forecast.Weeks && goal.Forecast.Weeks <= (goal.Forecast.Latest ?? 999));
        Assert.StartsWith("As it goes, the band is reached in about ", goal.ForecastText, StringComparison.Ordinal);
        // Arithmetic: the last three are 12, 13 and 13 of 20, so 63.3 %; 26.7 points are left.
        Assert.Equal((90 - (38 / 0.6)) / goal.Trend!.AWeek!.Value, goal.Forecast.Weeks, 9);
    }

    [Fact]
    public void From_an_unclear_trend_nothing_is_foretold()
    {
        int[] made = [10, 13, 9, 13, 11, 12, 9, 13];
        var goal = GoalProgress.Of(Gate, made.Select((m, i) => Made(7 * i, m, 20)), Day(60));
        Assert.Null(goal.Forecast);
        Assert.StartsWith("When it is there cannot be said: No clear change yet", goal.ForecastText, StringComparison.Ordinal);
    }

    [Fact]
    public void What_moves_away_is_said_to() =>
        Assert.Equal(
            "As it goes, it moves away from the band.",
            GoalProgress.Of(Gate, Enumerable.Range(0, 8).Select(i => Made(7 * i, 13 - i, 20)), Day(60)).ForecastText
        );

    [Fact]
    public void A_day_that_is_past_is_said() =>
        Assert.EndsWith(
            "Past due date.",
            GoalProgress.Of(Gate with { By = Day(10) }, [Made(0, 8, 20)], Day(11)).Text,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_start_and_a_present_value_with_intervals_are_compared_before_any_trend()
    {
        // Began −4.1° (−4.8 to −3.4) from 12 balls, now −1.2° (−1.8 to −0.6) from 12. By hand: standard errors 0.7 and 0.6 over
        // t(11) = 2.201: 0.318 and 0.273; together 0.419, Satterthwaite 21.5 degrees, t(21) = 2.080: 2.9 ± 0.87.
        var start = Path with
        {
            Start = -4.1,
            StartLow = -4.8,
            StartHigh = -3.4,
            StartCount = 12,
            Least = -1,
            Most = 1,
        };
        var deviation = 0.6 / StudentT.Quantile(0.975, 11) * Math.Sqrt(12);
        var goal = GoalProgress.Of(start, [Measured(0, 12, -1.2, deviation)], Day(1));
        Assert.True(goal.ChangedClearly);
        Assert.Equal("Clear change towards the goal since the start: +2.9° (likely +2.0 to +3.8).", goal.ChangeText);
        // "Too few results" below it would contradict that.
        Assert.Null(goal.TrendText);
        Assert.DoesNotContain("clear change yet", goal.ForecastText ?? "", StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void Shares_are_compared_as_Newcombe_does()
    {
        // 48 of 80 at the start, 56 of 70 now: 0.0524 to 0.3339, Newcombe, Stat Med 17 (1998) 873.
        var (low, high) = Rate.Wilson(48, 80);
        var goal = GoalProgress.Of(
            Gate with
            {
                Start = 60,
                StartLow = 100 * low,
                StartHigh = 100 * high,
                StartCount = 80,
            },
            [Made(0, 28, 35), Made(7, 28, 35)],
            Day(8)
        );
        Assert.Equal("Clear change towards the goal since the start: +20 points (likely +5 to +33).", goal.ChangeText);
    }

    [Fact]
    public void Without_a_clear_difference_it_says_so_with_its_doubt()
    {
        var goal = GoalProgress.Of(
            Gate with
            {
                Start = 60,
                StartLow = 40,
                StartHigh = 78,
                StartCount = 25,
            },
            [Made(0, 13, 20)],
            Day(1)
        );
        Assert.False(goal.ChangedClearly);
        Assert.StartsWith("No clear change since the start yet (−", goal.ChangeText, StringComparison.Ordinal);
    }
}

public class RepetitionForecastTests
{
    private static readonly IsoWeek Now = IsoWeek.Of(new DateOnly(2026, 5, 5));

    private static IReadOnlyList<WeekRepetitions> Steady(int weeks, int aWeek) =>
        [.. Enumerable.Range(1, weeks).Select(back => new WeekRepetitions(Now.Plus(-back), aWeek, 0))];

    [Theory]
    // Common practice, no source: 3,000–5,000 repetitions at 35 a session and three sessions a week take 29–48 weeks.
    [InlineData(3000, 29)]
    [InlineData(5000, 48)]
    public void A_swing_change_takes_as_long_as_it_takes(int asked, int weeks)
    {
        // As if the first week were the whole history: what is left is all but four weeks of it.
        var forecast = RepetitionForecast.Of(asked + (4 * 105), Steady(4, 105), Now);
        Assert.Equal(weeks, forecast.WeeksLeft);
        Assert.Equal(105, forecast.AWeek);
    }

    [Fact]
    public void Weeks_that_differ_give_a_range_and_weeks_without_any_count()
    {
        int[] counts = [120, 0, 90, 60, 110, 0, 80, 100];
        var forecast = RepetitionForecast.Of(
            3000,
            [.. counts.Select((n, i) => new WeekRepetitions(Now.Plus(-1 - i), n / 2, n - (n / 2))).Where(w => w.Slow > 0)],
            Now
        );
        Assert.Equal(560, forecast.Slow + forecast.Ordinary);
        Assert.Equal(70, forecast.AWeek);
        Assert.Equal(35, forecast.WeeksLeft);
        Assert.True(forecast.Soonest < 35 && forecast.Latest > 35);
    }

    [Fact]
    public void Too_early_stopped_done_and_none_are_told_apart()
    {
        Assert.Equal("None of the 3000 repetitions asked are counted yet.", RepetitionForecast.Of(3000, [], Now).Text);
        Assert.EndsWith(
            "can be said after 3 weeks.",
            RepetitionForecast.Of(3000, Steady(2, 50), Now).Text,
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            "None in the last 8 weeks, so that no end can be foreseen.",
            RepetitionForecast.Of(3000, [new WeekRepetitions(Now.Plus(-20), 50, 10)], Now).Text,
            StringComparison.Ordinal
        );
        Assert.Equal(
            "120 repetitions with a ball are counted, 120 slow and 0 ordinary: the 100 asked are done.",
            RepetitionForecast.Of(100, Steady(2, 60), Now).Text
        );
    }
}
