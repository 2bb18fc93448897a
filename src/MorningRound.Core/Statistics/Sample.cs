using System.Text.Json.Serialization;
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

    /// <summary>The number in the middle, or half way between the two in the middle; null of no numbers.</summary>
    public static double? Median(IReadOnlyCollection<double> numbers)
    {
        if (numbers.Count == 0)
            return null;
        var ordered = numbers.Order().ToList();
        var half = ordered.Count / 2;
        return ordered.Count % 2 == 1 ? ordered[half] : (ordered[half - 1] + ordered[half]) / 2;
    }

    /// <summary>The 95 % t interval of the mean; null of fewer than two numbers.</summary>
    public static Interval? OfMean(IReadOnlyCollection<double> numbers) =>
        Deviation(numbers) is { } deviation ? OfMean(numbers.Count, numbers.Average(), deviation) : null;

    /// <summary>The same from how many numbers there are, their mean and their sample standard deviation.</summary>
    /// <param name="count">At least two.</param>
    /// <param name="mean">Their mean.</param>
    /// <param name="deviation">Their deviation.</param>
    public static Interval OfMean(int count, double mean, double deviation)
    {
        var half = StudentT.Quantile(0.975, count - 1) * deviation / Math.Sqrt(count);
        return new Interval(mean - half, mean + half);
    }

    /// <summary>
    /// The 95 % interval of the first mean minus the second, whatever their spreads; null where a side has fewer than two
    /// numbers. Where no number differs from another of its side it is the difference itself.
    /// </summary>
    /// <remarks>Source: Welch, Biometrika 34 (1947) 28; the degrees of freedom rounded down.</remarks>
    public static Interval? OfDifference(IReadOnlyCollection<double> first, IReadOnlyCollection<double> second)
    {
        if (Deviation(first) is not { } one || Deviation(second) is not { } other)
            return null;
        var difference = first.Average() - second.Average();
        double a = one * one / first.Count,
            b = other * other / second.Count;
        if (a + b == 0)
            return new Interval(difference, difference);
        var degrees = (a + b) * (a + b) / ((a * a / (first.Count - 1)) + (b * b / (second.Count - 1)));
        var half = StudentT.Quantile(0.975, Math.Max(1, (int)degrees)) * Math.Sqrt(a + b);
        return new Interval(difference - half, difference + half);
    }
}

/// <summary>From one number to another.</summary>
public readonly record struct Interval([property: JsonRequired] double Low, [property: JsonRequired] double High)
{
    /// <summary>Whether a number lies in the interval, its ends included.</summary>
    public bool Contains(double number) => number >= Low && number <= High;

    /// <summary>The interval of the number so many times as large; the factor is not below zero.</summary>
    public Interval Times(double factor) => new(Low * factor, High * factor);

    /// <summary>
    /// Where the difference of two means lies with 95 % confidence, from their own 95 % t intervals and counts: Welch's interval.
    /// </summary>
    /// <remarks>Source: Welch, Biometrika 34 (1947) 28; degrees of freedom by Satterthwaite, rounded down.</remarks>
    /// <param name="first">The first mean, its interval, and the numbers behind it: at least two.</param>
    /// <param name="second">The second mean likewise; it is taken off the first.</param>
    public static Interval Welch(
        (double Value, Interval Doubt, int Count) first,
        (double Value, Interval Doubt, int Count) second
    )
    {
        double Error((double Value, Interval Doubt, int Count) of) =>
            (of.Doubt.High - of.Doubt.Low) / 2 / StudentT.Quantile(0.975, of.Count - 1);
        var (a, b) = (Math.Pow(Error(first), 2), Math.Pow(Error(second), 2));
        var difference = first.Value - second.Value;
        if (a + b == 0)
            return new Interval(difference, difference);
        var freedom = Math.Pow(a + b, 2) / ((a * a / (first.Count - 1)) + (b * b / (second.Count - 1)));
        var half = StudentT.Quantile(0.975, Math.Max(1, (int)freedom)) * Math.Sqrt(a + b);
        return new Interval(difference - half, difference + half);
    }

    /// <summary>
    /// The interval of the first figure minus the second, each with its own interval at the same confidence.
    /// </summary>
    /// <remarks>
    /// Source: Zou and Donner, Statistics in Medicine 27 (2008) 1693; of two Wilson intervals it is Newcombe's method 10.
    /// </remarks>
    public static Interval OfDifference((double Value, Interval Doubt) first, (double Value, Interval Doubt) second)
    {
        var difference = first.Value - second.Value;
        return new Interval(
            difference - Together(first.Value - first.Doubt.Low, second.Doubt.High - second.Value),
            difference + Together(first.Doubt.High - first.Value, second.Value - second.Doubt.Low)
        );
    }

    private static double Together(double one, double other) => Math.Sqrt((one * one) + (other * other));

    /// <summary>Whether zero lies outside: then a difference or a slope is clear.</summary>
    [JsonIgnore]
    public bool LeavesOutZero => Low > 0 || High < 0;
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
    public static Interval Difference((int Successes, int Trials) first, (int Successes, int Trials) second) =>
        Interval.OfDifference(Known(first), Known(second));

    private static (double Value, Interval Doubt) Known((int Successes, int Trials) rate) =>
        ((double)rate.Successes / rate.Trials, Wilson(rate.Successes, rate.Trials));

    /// <summary>A rate with its doubt: "7 of 10: somewhere from 40 to 89 %".</summary>
    public static Message InWords(int successes, int trials)
    {
        if (trials == 0)
            return RateSentences.Nothing.Of();
        var (low, high) = Wilson(successes, trials);
        return RateSentences.Share.Of(successes, trials, Math.Round(100 * low), Math.Round(100 * high));
    }
}
