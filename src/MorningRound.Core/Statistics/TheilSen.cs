namespace MorningRound.Core.Statistics;

/// <summary>A number at a place on an axis.</summary>
public readonly record struct DataPoint(double X, double Y);

/// <summary>
/// The slope of a series that one wild number does not turn: the median of the slopes of all pairs, with a rank-based interval.
/// </summary>
/// <param name="Slope">What the number changes by along one step of the axis.</param>
/// <param name="Intercept">The number at zero: the median of what is left of each when the slope is taken off.</param>
/// <param name="Interval">
/// Where the slope lies with 95 % confidence; null where there are too few pairs for any statement.
/// </param>
/// <param name="Count">The points.</param>
/// <remarks>
/// Source: Sen, J Am Stat Assoc 63 (1968) 1379; points of one place on the axis make no pair, and numbers that are equal
/// narrow it, as there.
/// </remarks>
public sealed record TheilSen(double Slope, double Intercept, Interval? Interval, int Count)
{
    private const double Z95 = 1.959963984540054;

    /// <summary>
    /// The slope of a series; null where no two points differ in their place. Quadratic in the number of points.
    /// </summary>
    public static TheilSen? Of(IReadOnlyList<DataPoint> points)
    {
        var slopes = new List<double>(points.Count * (points.Count - 1) / 2);
        for (var i = 0; i < points.Count; i++)
        for (var j = i + 1; j < points.Count; j++)
            if (points[i].X != points[j].X)
                slopes.Add((points[j].Y - points[i].Y) / (points[j].X - points[i].X));
        if (slopes.Count == 0)
            return null;
        slopes.Sort();
        var slope = Sample.Median(slopes)!.Value;
        var ties = points.GroupBy(p => p.Y).Sum(g => Spread(g.Count()));
        var c = Z95 * Math.Sqrt((Spread(points.Count) - ties) / 18);
        var low = (int)Math.Floor((slopes.Count - c) / 2);
        return new TheilSen(
            slope,
            Sample.Median([.. points.Select(p => p.Y - (slope * p.X))])!.Value,
            low < 1 ? null : new Interval(slopes[low - 1], slopes[slopes.Count - low]),
            points.Count
        );
    }

    private static double Spread(double n) => n * (n - 1) * ((2 * n) + 5);

    /// <summary>
    /// About how many more points would settle whether there is a slope, if it stays what it looks like:
    /// n · (half-width ÷ |slope|)^⅔ − n, rounded up. Null where there is nothing to go by.
    /// </summary>
    public int? MoreToSettle()
    {
        if (Interval is not { } interval || Slope == 0)
            return null;
        var more = (Count * Math.Pow((interval.High - interval.Low) / 2 / Math.Abs(Slope), 2.0 / 3)) - Count;
        return more > int.MaxValue / 2 ? null : Math.Max(1, (int)Math.Ceiling(more));
    }
}
