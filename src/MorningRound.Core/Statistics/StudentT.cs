namespace MorningRound.Core.Statistics;

/// <summary>Student's t distribution, for the doubt of a mean of few balls.</summary>
public static class StudentT
{
    /// <summary>
    /// The number below which a share of the distribution lies. Throws <see cref="ArgumentOutOfRangeException"/> unless the share
    /// lies between 0 and 1, both excluded, and there is at least one degree of freedom.
    /// </summary>
    public static double Quantile(double share, int degreesOfFreedom)
    {
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(share, 0);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(share, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(degreesOfFreedom, 1);
        if (share < 0.5)
            return -Quantile(1 - share, degreesOfFreedom);

        double low = 0,
            high = 1;
        while (Cumulative(high, degreesOfFreedom) < share)
            high *= 2;
        for (var halvings = 0; halvings < 200 && high - low > 1e-13 * high; halvings++)
        {
            var middle = (low + high) / 2;
            if (Cumulative(middle, degreesOfFreedom) < share)
                low = middle;
            else
                high = middle;
        }

        return (low + high) / 2;
    }

    /// <summary>
    /// The share of the distribution below a number that is not negative: closed sums for whole degrees of freedom.
    /// </summary>
    /// <remarks>Source: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.3 and 26.7.4.</remarks>
    private static double Cumulative(double t, int degreesOfFreedom)
    {
        var theta = Math.Atan(t / Math.Sqrt(degreesOfFreedom));
        var (sin, cos) = Math.SinCos(theta);
        var isOdd = degreesOfFreedom % 2 == 1;
        double term = isOdd ? cos : 1,
            sum = degreesOfFreedom == 1 ? 0 : term;
        for (var k = isOdd ? 3 : 2; k < degreesOfFreedom; k += 2)
        {
            term *= cos * cos * (k - 1) / k;
            sum += term;
        }

        var within = isOdd ? 2 / Math.PI * (theta + (sin * sum)) : sin * sum;
        return (1 + within) / 2;
    }
}
