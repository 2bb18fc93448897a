using CsCheck;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Tests.Statistics;

public class StatisticsTests
{
    [Theory]
    // Source: Newcombe, Statistics in Medicine 17 (1998) 857, table I, method 3.
    [InlineData(81, 263, 0.2553, 0.3662)]
    [InlineData(1, 29, 0.0061, 0.1718)]
    [InlineData(15, 148, 0.0624, 0.1605)]
    [InlineData(0, 20, 0.0000, 0.1611)]
    public void A_rates_interval_is_Wilsons(int successes, int trials, double low, double high)
    {
        var interval = Rate.Wilson(successes, trials);
        Assert.Equal(low, interval.Low, 4);
        Assert.Equal(high, interval.High, 4);
    }

    [Fact]
    public void Seven_of_ten_says_how_little_that_is() =>
        Assert.Equal("7 of 10: somewhere from 40 to 89 %", Rate.InWords(7, 10).In());

    [Fact]
    public void Quantiles_of_t_are_those_of_the_reference_library()
    {
        // Reference: MathNet.Numerics.
        foreach (var degrees in new[] { 1, 2, 3, 4, 5, 7, 10, 19, 29, 30, 59, 120, 299 })
        {
            foreach (var share in new[] { 0.6, 0.9, 0.95, 0.975, 0.99, 0.999 })
            {
                var reference = StudentTReference(share, degrees);
                Assert.Equal(1, StudentT.Quantile(share, degrees) / reference, 6);
                Assert.Equal(-StudentT.Quantile(share, degrees), StudentT.Quantile(1 - share, degrees), 6);
            }
        }
    }

    [Fact]
    public void Means_and_deviations_are_those_of_the_reference_library() =>
        Gen.Double[-500, 500]
            .Array[2, 60]
            .ForEachSeed(numbers =>
            {
                Assert.Equal(MathNet.Numerics.Statistics.Statistics.Mean(numbers), Sample.Mean(numbers)!.Value, 1e-9);
                Assert.Equal(
                    MathNet.Numerics.Statistics.Statistics.StandardDeviation(numbers),
                    Sample.Deviation(numbers)!.Value,
                    1e-9
                );
            });

    [Fact]
    public void Too_few_numbers_say_nothing()
    {
        Assert.Null(Sample.Mean([]));
        Assert.Null(Sample.Deviation([3]));
        Assert.Null(Sample.OfMean([3]));
        Assert.Throws<ArgumentOutOfRangeException>(() => Rate.Wilson(1, 0));
        Assert.Throws<ArgumentOutOfRangeException>(() => Rate.Wilson(4, 3));
    }

    private static double StudentTReference(double share, int degrees) =>
        MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, degrees, share);
}
