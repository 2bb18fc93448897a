namespace MorningRound.Core.Statistics;

/// <summary>The normal distribution.</summary>
public static class Normal
{
    /// <summary>The share of the standard normal distribution below a number; right to seven digits.</summary>
    /// <remarks>Source: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.2.17.</remarks>
    public static double Below(double z)
    {
        if (z < 0)
            return 1 - Below(-z);
        var t = 1 / (1 + (0.2316419 * z));
        var tail = t * (0.319381530 + (t * (-0.356563782 + (t * (1.781477937 + (t * (-1.821255978 + (t * 1.330274429))))))));
        return 1 - (Math.Exp(-z * z / 2) / Math.Sqrt(2 * Math.PI) * tail);
    }
}
