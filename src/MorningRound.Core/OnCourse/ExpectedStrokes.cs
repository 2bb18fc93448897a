using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>How a ball lies.</summary>
public enum Lie
{
    /// <summary>On a tee.</summary>
    Tee,

    /// <summary>On short grass.</summary>
    Fairway,

    /// <summary>In rough.</summary>
    Rough,

    /// <summary>In sand.</summary>
    Sand,

    /// <summary>Among trees or the like: the next shot is no full one.</summary>
    Recovery,

    /// <summary>On the green.</summary>
    Green,
}

/// <summary>The strokes in which a professional holes out from somewhere, on average.</summary>
/// <remarks>
/// Source: Broadie, Every Shot Counts (2014), professional benchmark, recalled from memory. Linear between its points. Below
/// 20 yd it goes linearly to 2.00 at the hole; a tee below 100 yd counts as fairway and a recovery below 100 yd as at 100; above
/// 600 yd and above 90 ft the last slope goes on. What goes beyond the table is the product's own.
/// </remarks>
public static class ExpectedStrokes
{
    private const double AtTheHole = 2.00;
    private const int FirstYards = 20;
    private const int StepYards = 20;
    private const int FirstTeeYards = 100;

    private static readonly double[] Tee =
    [
        2.92,
        2.99,
        2.97,
        2.99,
        3.05,
        3.12,
        3.17,
        3.25,
        3.45,
        3.65,
        3.71,
        3.79,
        3.86,
        3.92,
        3.96,
        3.99,
        4.02,
        4.08,
        4.17,
        4.28,
        4.41,
        4.54,
        4.65,
        4.74,
        4.79,
        4.82,
    ];

    private static readonly double[] Fairway =
    [
        2.40,
        2.60,
        2.70,
        2.75,
        2.80,
        2.85,
        2.91,
        2.98,
        3.08,
        3.19,
        3.32,
        3.45,
        3.58,
        3.69,
        3.78,
        3.84,
        3.88,
        3.95,
        4.03,
        4.11,
        4.15,
        4.20,
        4.29,
        4.40,
        4.53,
        4.66,
        4.78,
        4.86,
        4.91,
        4.94,
    ];

    private static readonly double[] Rough =
    [
        2.59,
        2.78,
        2.91,
        2.96,
        3.02,
        3.08,
        3.15,
        3.23,
        3.31,
        3.42,
        3.53,
        3.64,
        3.74,
        3.83,
        3.90,
        3.95,
        4.02,
        4.11,
        4.21,
        4.30,
        4.34,
        4.39,
        4.48,
        4.59,
        4.72,
        4.85,
        4.97,
        5.05,
        5.10,
        5.13,
    ];

    private static readonly double[] Sand =
    [
        2.53,
        2.82,
        3.15,
        3.24,
        3.23,
        3.21,
        3.22,
        3.28,
        3.40,
        3.55,
        3.70,
        3.84,
        3.93,
        4.00,
        4.04,
        4.12,
        4.26,
        4.41,
        4.55,
        4.69,
        4.73,
        4.78,
        4.87,
        4.98,
        5.11,
        5.24,
        5.36,
        5.44,
        5.49,
        5.52,
    ];

    private static readonly double[] Recovery =
    [
        3.80,
        3.78,
        3.80,
        3.81,
        3.82,
        3.87,
        3.92,
        3.97,
        4.03,
        4.10,
        4.20,
        4.31,
        4.44,
        4.56,
        4.66,
        4.75,
        4.79,
        4.84,
        4.93,
        5.04,
        5.17,
        5.30,
        5.42,
        5.50,
        5.55,
        5.58,
    ];

    private static readonly (double Feet, double Strokes)[] Putts =
    [
        (1, 1.00),
        (2, 1.01),
        (3, 1.04),
        (4, 1.13),
        (5, 1.23),
        (6, 1.34),
        (7, 1.42),
        (8, 1.50),
        (9, 1.56),
        (10, 1.61),
        (15, 1.78),
        (20, 1.87),
        (30, 1.98),
        (40, 2.06),
        (50, 2.14),
        (60, 2.21),
        (90, 2.40),
    ];

    /// <summary>The expected strokes from a lie that far from the hole; on a green those of a putt that long.</summary>
    /// <param name="lie">How the ball lies.</param>
    /// <param name="left">How far the hole is; not below zero.</param>
    /// <exception cref="ArgumentOutOfRangeException">A distance below zero.</exception>
    public static double From(Lie lie, Length left)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(left.Metres, nameof(left));
        return lie switch
        {
            Lie.Green => OfPutt(left.Feet),
            Lie.Tee when left.Yards >= FirstTeeYards => Along(Tee, FirstTeeYards, left.Yards),
            Lie.Tee or Lie.Fairway => FromTheHole(Fairway, left.Yards),
            Lie.Rough => FromTheHole(Rough, left.Yards),
            Lie.Sand => FromTheHole(Sand, left.Yards),
            _ => Along(Recovery, FirstTeeYards, Math.Max(FirstTeeYards, left.Yards)),
        };
    }

    private static double FromTheHole(double[] table, double yards) =>
        yards < FirstYards ? AtTheHole + ((table[0] - AtTheHole) * yards / FirstYards) : Along(table, FirstYards, yards);

    private static double Along(double[] table, int first, double yards)
    {
        var at = (yards - first) / StepYards;
        var i = Math.Clamp((int)at, 0, table.Length - 2);
        return table[i] + ((table[i + 1] - table[i]) * (at - i));
    }

    private static double OfPutt(double feet)
    {
        if (feet <= Putts[0].Feet)
            return Putts[0].Strokes;
        var i = Array.FindIndex(Putts, 1, p => feet <= p.Feet);
        var (from, to) = i < 0 ? (Putts[^2], Putts[^1]) : (Putts[i - 1], Putts[i]);
        return from.Strokes + ((to.Strokes - from.Strokes) * (feet - from.Feet) / (to.Feet - from.Feet));
    }
}
