using CsCheck;
using MathNet.Numerics.Statistics;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Tests.Statistics;

public class TrendTests
{
    [Fact]
    public void The_slope_of_a_series_is_the_median_of_its_pairs()
    {
        // Source: Hollander and Wolfe, Nonparametric Statistical Methods, from memory; the median of 21 slopes.
        double[] x = [1, 2, 3, 4, 10, 12, 18],
            y = [9, 15, 19, 20, 45, 55, 78];
        var slope = TheilSen.Of([.. x.Zip(y, (a, b) => new DataPoint(a, b))])!;
        Assert.Equal(4.0, slope.Slope, 10);
        Assert.True(slope.Interval!.Value.Contains(4.0));
        Assert.True(slope.Interval.Value.LeavesOutZero);
    }

    [Fact]
    public void The_interval_of_a_slope_is_made_of_the_slopes_that_Sen_counts_off()
    {
        // Source: Sen 1968; arithmetic. Ten points in a row: 45 slopes, 1.96 · √125 = 21.91, so the 11th from either end.
        var points = Enumerable.Range(0, 10).Select(i => new DataPoint(i, (i * i) + (i % 3 * 4))).ToList();
        var slopes = (
            from i in Enumerable.Range(0, 10)
            from j in Enumerable.Range(i + 1, 9 - i)
            select (points[j].Y - points[i].Y) / (points[j].X - points[i].X)
        )
            .Order()
            .ToList();
        var trend = TheilSen.Of(points)!;
        Assert.Equal(slopes.Median(), trend.Slope, 10);
        Assert.Equal(new Interval(slopes[10], slopes[34]), trend.Interval);
    }

    [Fact]
    public void One_wild_number_does_not_turn_a_slope()
    {
        var straight = Enumerable.Range(0, 9).Select(i => new DataPoint(i, 2 * i)).ToList();
        straight[4] = new DataPoint(4, 900);
        Assert.Equal(2, TheilSen.Of(straight)!.Slope, 0.6);
    }

    [Fact]
    public void Too_few_points_have_no_interval_and_points_of_one_day_no_slope()
    {
        Assert.Null(TheilSen.Of([]));
        Assert.Null(TheilSen.Of([new DataPoint(1, 5), new DataPoint(1, 9)]));
        Assert.Null(TheilSen.Of([new DataPoint(1, 5), new DataPoint(2, 9)])!.Interval);
        Assert.Null(TheilSen.Of([new DataPoint(1, 5), new DataPoint(2, 9)])!.MoreToSettle());
    }

    [Fact]
    public void How_many_more_would_settle_it_follows_from_the_half_width()
    {
        // Arithmetic: 8 · (1.5 ÷ 0.5)^⅔ − 8 = 8 · 2.08 − 8 = 8.64.
        Assert.Equal(9, new TheilSen(0.5, 0, new Interval(-1, 2), 8).MoreToSettle());
        Assert.Null(new TheilSen(0, 0, new Interval(-1, 2), 8).MoreToSettle());
    }

    [Fact]
    public void A_known_slope_lies_in_its_interval_about_nineteen_times_of_twenty()
    {
        var (inside, random) = (0, new SplitMix64(14));
        for (var series = 0; series < 2000; series++)
        {
            var points = Enumerable.Range(0, 12).Select(i => new DataPoint(i, (0.7 * i) + Noise(random))).ToList();
            if (TheilSen.Of(points)!.Interval!.Value.Contains(0.7))
                inside++;
        }

        // The share that 95 % of such runs stay within: 1,900 ± 1.96 · √95, and a little wide by design.
        Assert.InRange(inside, 1881, 1970);
    }

    [Fact]
    public void Of_two_thousand_flat_series_of_numbers_that_never_tie_fewer_than_one_in_twenty_seem_to_rise_or_fall()
    {
        var (rising, falling, random) = (0, 0, new SplitMix64(15));
        for (var series = 0; series < 2000; series++)
        {
            var points = Enumerable.Range(0, 12).Select(i => new DataPoint(i, Noise(random))).ToList();
            var interval = TheilSen.Of(points)!.Interval!.Value;
            rising += interval.Low > 0 ? 1 : 0;
            falling += interval.High < 0 ? 1 : 0;
        }

        // 2.95 % together: a little under one in twenty, because the ranks that bound the interval are rounded outward.
        Assert.Equal((22, 37), (rising, falling));
    }

    [Fact]
    public void Rank_correlation_is_that_of_the_reference_library() =>
        Gen.Int[0, 9]
            .Array[4, 40]
            .Select(Gen.Int[0, 9].Array[40], (a, b) => (a, b))
            .ForEachSeed(pair =>
            {
                var (first, second) = (
                    pair.a.Select(n => (double)n).ToArray(),
                    pair.b.Take(pair.a.Length).Select(n => (double)n).ToArray()
                );
                var own = RankCorrelation.Of([.. first.Zip(second)]);
                if (own is null)
                {
                    Assert.True(first.Distinct().Count() == 1 || second.Distinct().Count() == 1);
                    return;
                }

                // Reference: MathNet.Numerics.
                Assert.Equal(Correlation.Spearman(first, second), own.Value, 1e-9);
                Assert.True(own.Interval.Low <= own.Value + 1e-6 && own.Value <= own.Interval.High + 1e-6);
            });

    [Fact]
    public void Few_pairs_and_a_side_that_never_changes_have_no_correlation()
    {
        Assert.Null(RankCorrelation.Of([(1, 2), (2, 3), (3, 4)]));
        Assert.Null(RankCorrelation.Of([(1, 2), (1, 3), (1, 4), (1, 5)]));
    }

    [Fact]
    public void Medians_are_those_of_the_reference_library() =>
        Gen.Double[-50, 50]
            .Array[1, 30]
            .ForEachSeed(numbers => Assert.Equal(numbers.Median(), Sample.Median(numbers)!.Value, 1e-9));

    [Fact]
    public void The_difference_of_two_means_is_Welchs()
    {
        // Arithmetic by hand: means 27.5 and 22.5, variances 2.5 and 10 of five each give s² ÷ n of 0.5 and 2; √2.5 = 1.5811,
        // degrees 6.25 ÷ (0.0625 + 1) = 5.88, rounded down to 5; t from MathNet.Numerics.
        var interval = Sample.OfDifference([25.5, 26.5, 27.5, 28.5, 29.5], [18.5, 20.5, 22.5, 24.5, 26.5])!.Value;
        var half = MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, 5, 0.975) * Math.Sqrt(2.5);
        Assert.Equal(5 - half, interval.Low, 6);
        Assert.Equal(5 + half, interval.High, 6);
        Assert.Null(Sample.OfDifference([1], [1, 2]));
        Assert.Equal(new Interval(1, 1), Sample.OfDifference([3, 3], [2, 2]));
    }

    /// <summary>Twelve even numbers added up, less six: close to a normal number with deviation 1.</summary>
    private static double Noise(SplitMix64 random) => Enumerable.Range(0, 12).Sum(_ => random.NextDouble()) - 6;
}
