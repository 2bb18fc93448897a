namespace MorningRound.Core.Statistics;

/// <summary>How far two judgements of the same things put them in the same order, from −1 to 1.</summary>
/// <param name="Value">Spearman's coefficient; numbers that are equal share their rank.</param>
/// <param name="Interval">Where it lies with 95 % confidence.</param>
/// <param name="Count">The pairs.</param>
/// <remarks>
/// Sources: Spearman 1904; the interval by Fisher's transformation with the variance 1.06 ÷ (n − 3) of Fieller, Hartley and
/// Pearson, Biometrika 44 (1957) 470.
/// </remarks>
public sealed record RankCorrelation(double Value, Interval Interval, int Count)
{
    private const double Z95 = 1.959963984540054;

    /// <summary>The fewest pairs that have an interval.</summary>
    public const int Fewest = 4;

    /// <summary>The correlation; null of fewer than four pairs, and where one side never changes.</summary>
    public static RankCorrelation? Of(IReadOnlyList<(double First, double Second)> pairs)
    {
        if (pairs.Count < Fewest)
            return null;
        var first = Ranks([.. pairs.Select(p => p.First)]);
        var second = Ranks([.. pairs.Select(p => p.Second)]);
        double mean = (pairs.Count + 1) / 2.0,
            both = 0,
            one = 0,
            other = 0;
        for (var i = 0; i < pairs.Count; i++)
        {
            both += (first[i] - mean) * (second[i] - mean);
            one += (first[i] - mean) * (first[i] - mean);
            other += (second[i] - mean) * (second[i] - mean);
        }

        if (one == 0 || other == 0)
            return null;
        var value = Math.Clamp(both / Math.Sqrt(one * other), -1, 1);
        // At ±1 the transformation has no end; the last place before it has.
        var z = Math.Atanh(Math.Clamp(value, -0.999999, 0.999999));
        var half = Z95 * Math.Sqrt(1.06 / (pairs.Count - 3));
        return new RankCorrelation(value, new Interval(Math.Tanh(z - half), Math.Tanh(z + half)), pairs.Count);
    }

    /// <summary>The ranks from 1, each the mean of the places that equal numbers share.</summary>
    public static IReadOnlyList<double> Ranks(IReadOnlyList<double> numbers) =>
        [.. numbers.Select(n => numbers.Count(m => m < n) + ((numbers.Count(m => m == n) + 1) / 2.0))];
}
