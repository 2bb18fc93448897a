using MorningRound.Core.Wording;

namespace MorningRound.Core.Statistics;

/// <summary>Plain figures of a sample. Null where there are too few numbers to say anything.</summary>
public static class Sample
{
    /// <summary>The mean; null of no numbers.</summary>
    public static double? Mean(IReadOnlyCollection<double> numbers) => numbers.Count == 0 ? null : numbers.Average();

    /// <summary>The sample standard deviation (divided by n − 1); null of fewer than two numbers.</summary>
    public static double? Deviation(IReadOnlyCollection<double> numbers)
    {
        if (numbers.Count < 2)
            return null;
        var mean = numbers.Average();
        return Math.Sqrt(numbers.Sum(n => (n - mean) * (n - mean)) / (numbers.Count - 1));
    }

    /// <summary>The 95 % t interval of the mean; null of fewer than two numbers.</summary>
    public static Interval? OfMean(IReadOnlyCollection<double> numbers)
    {
        if (Deviation(numbers) is not { } deviation)
            return null;
        var mean = numbers.Average();
        var half = StudentT.Quantile(0.975, numbers.Count - 1) * deviation / Math.Sqrt(numbers.Count);
        return new Interval(mean - half, mean + half);
    }
}

/// <summary>From one number to another.</summary>
public readonly record struct Interval(double Low, double High)
{
    /// <summary>Whether a number lies in the interval, its ends included.</summary>
    public bool Contains(double number) => number >= Low && number <= High;
}

/// <summary>Rates and their doubt.</summary>
public static class Rate
{
    private const double Z95 = 1.959963984540054;

    /// <summary>
    /// The Wilson 95 % interval of a rate. Throws <see cref="ArgumentOutOfRangeException"/> unless 0 ≤ successes ≤ trials and
    /// there is a trial.
    /// </summary>
    /// <remarks>Source: Wilson 1927; Newcombe, Statistics in Medicine 17 (1998) 857, method 3.</remarks>
    public static Interval Wilson(int successes, int trials)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(trials);
        ArgumentOutOfRangeException.ThrowIfNegative(successes);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(successes, trials);
        double n = trials,
            p = successes / n,
            z2 = Z95 * Z95;
        var centre = (2 * n * p) + z2;
        var half = Z95 * Math.Sqrt(z2 + (4 * n * p * (1 - p)));
        return new Interval(Math.Max(0, (centre - half) / (2 * (n + z2))), Math.Min(1, (centre + half) / (2 * (n + z2))));
    }

    /// <summary>
    /// The 95 % interval of the first rate minus the second, by the hybrid of two Wilson intervals. Throws as
    /// <see cref="Wilson"/> does.
    /// </summary>
    /// <remarks>Source: Newcombe, Statistics in Medicine 17 (1998) 873, method 10.</remarks>
    public static Interval Difference((int Successes, int Trials) first, (int Successes, int Trials) second)
    {
        var (low1, high1) = Wilson(first.Successes, first.Trials);
        var (low2, high2) = Wilson(second.Successes, second.Trials);
        double p1 = (double)first.Successes / first.Trials,
            p2 = (double)second.Successes / second.Trials;
        return new Interval(
            p1 - p2 - Math.Sqrt(((p1 - low1) * (p1 - low1)) + ((high2 - p2) * (high2 - p2))),
            p1 - p2 + Math.Sqrt(((high1 - p1) * (high1 - p1)) + ((p2 - low2) * (p2 - low2)))
        );
    }

    /// <summary>A rate with its doubt: "7 of 10: somewhere from 40 to 89 %".</summary>
    public static Message InWords(int successes, int trials)
    {
        if (trials == 0)
            return RateSentences.Nothing.Of();
        var (low, high) = Wilson(successes, trials);
        return RateSentences.Share.Of(successes, trials, Math.Round(100 * low), Math.Round(100 * high));
    }
}
