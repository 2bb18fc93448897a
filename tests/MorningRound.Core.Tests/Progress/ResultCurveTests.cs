using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using static MorningRound.Core.Tests.Progress.GivenResults;

namespace MorningRound.Core.Tests.Progress;

public class ResultCurveTests
{
    private static readonly MeasureKind Points = new("score", "score", "", Better.Higher, 1);

    [Fact]
    public void A_steady_climb_is_rising_with_its_doubt()
    {
        var curve = Assert.Single(ResultCurve.Of(Enumerable.Range(0, 8).Select(i => Made(7 * i, 8 + i, 20))));
        Assert.Equal(TrendVerdict.Rising, curve.Trend.Verdict);
        Assert.True(curve.Trend.IsBetter);
        Assert.Equal(5, curve.Trend.AWeek!.Value, 9);
        Assert.Equal(
            "Rising, which is better: about 5.0 points a week, somewhere from 5.0 to 5.0, by 8 comparable results.",
            curve.Trend.Text
        );
    }

    [Fact]
    public void Five_results_are_too_few_for_a_trend_however_clear() =>
        Assert.Equal(
            "5 comparable results so far: too few to say where it goes.",
            ResultCurve.Of(Enumerable.Range(0, 5).Select(i => Made(7 * i, 8 + i, 20)))[0].Trend.Text
        );

    [Fact]
    public void What_goes_up_and_down_has_no_clear_change_and_says_about_how_many_more_would_show_it()
    {
        int[] made = [10, 14, 9, 13, 12, 15, 10, 14];
        var trend = ResultCurve.Of(made.Select((m, i) => Made(7 * i, m, 20)))[0].Trend;
        Assert.Equal(TrendVerdict.NotClear, trend.Verdict);
        Assert.Null(trend.IsBetter);
        Assert.Contains("No clear change yet, by 8 comparable results", trend.Text, StringComparison.Ordinal);
        Assert.InRange(trend.MoreToSettle!.Value, 1, CurveTrend.NotSoon);
    }

    [Fact]
    public void Another_step_breaks_the_curve_and_only_what_is_comparable_with_the_newest_is_judged()
    {
        var results = Enumerable
            .Range(0, 6)
            .Select(i => Made(7 * i, 10 + i, 20))
            .Concat(Enumerable.Range(6, 3).Select(i => Made(7 * i, 8, 20, key: "b", rung: 1)));
        var curve = Assert.Single(ResultCurve.Of(results));
        Assert.Equal([0, 0, 0, 0, 0, 0, 1, 1, 1], curve.Dots.Select(d => d.Stretch));
        Assert.Equal(TrendVerdict.TooFew, curve.Trend.Verdict);
        Assert.Equal(3, curve.Trend.Results);
    }

    [Fact]
    public void Block_and_random_never_share_a_curve_and_a_warm_up_has_none()
    {
        var curves = ResultCurve.Of([
            Made(0, 5, 10),
            Made(1, 4, 10, phase: Phase.Random, key: "r"),
            Made(2, 4, 10, phase: Phase.WarmUp, key: "w"),
        ]);
        Assert.Equal([PhaseGroup.RandomOrOnCourse, PhaseGroup.Block], curves.Select(c => c.Group));
    }

    [Fact]
    public void A_lesson_is_drawn_hollow_and_moves_no_trend_and_paper_counts_fully()
    {
        var steady = Enumerable.Range(0, 6).Select(i => Made(7 * i, 10, 20)).ToList();
        var taught = steady.Append(Made(50, 20, 20, recording: Recording.Lesson)).ToList();
        Assert.Equal(6, ResultCurve.Of(taught)[0].Trend.Results);
        Assert.True(ResultCurve.Of(taught)[0].Dots[^1].IsHollow);
        var typed = ResultCurve.Of(steady.Append(Made(50, 20, 20, recording: Recording.Paper)))[0];
        Assert.Equal(7, typed.Trend.Results);
        Assert.True(typed.Dots[^1].IsPaper);
    }

    [Fact]
    public void Three_of_three_is_no_personal_best()
    {
        var best = ResultCurve.Of([Made(0, 3, 3), Made(1, 14, 20), Made(2, 17, 20), Made(3, 12, 20)])[0].Best!;
        Assert.Equal("Best: 85 % from 20 attempts, the best of 3 comparable results.", best.Text);
        Assert.Equal(First.AddDays(2), best.Day);
        Assert.Null(ResultCurve.Of([Made(0, 3, 3), Made(1, 2, 3), Made(2, 3, 3)])[0].Best);
    }

    [Fact]
    public void A_figure_that_is_better_low_has_its_best_low()
    {
        var dots = new[] { 4.0, -2, 1 }.Select((v, i) => Dot(i, v)).ToList();
        Assert.Equal(-2, PersonalBest.Of(dots, Points with { Better = Better.Lower })!.Value);
        Assert.Null(PersonalBest.Of(dots, Points with { Better = Better.None }));
    }

    [Fact]
    public void Of_two_thousand_flat_series_few_are_called_rising()
    {
        // Twelve results of 20 putts each, always holed with the same chance: whatever is said of them but "no clear change" is
        // wrong. Counts that are often equal make the interval wider still: 3 were called rising and 5 falling, 0.4 % together.
        var (random, rising, falling) = (new SplitMix64(2026), 0, 0);
        for (var series = 0; series < 2000; series++)
        {
            var results = Enumerable
                .Range(0, 12)
                .Select(i => Made(3 * i, Enumerable.Range(0, 20).Count(_ => random.NextDouble() < 0.6), 20));
            var verdict = ResultCurve.Of(results)[0].Trend.Verdict;
            rising += verdict == TrendVerdict.Rising ? 1 : 0;
            falling += verdict == TrendVerdict.Falling ? 1 : 0;
        }

        Assert.Equal((3, 5), (rising, falling));
    }

    private static CurveDot Dot(int day, double value) =>
        new(Guid.Empty, First.AddDays(day), value, null, 20, 0, IsHollow: false, IsPaper: false, null);
}
