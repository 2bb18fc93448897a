using System.Runtime.CompilerServices;

namespace MorningRound.Core.Units;

internal static class Finite
{
    /// <summary>The number itself; infinities and NaN are refused where they would enter, not where they would surface.</summary>
    public static double Checked(double number, [CallerArgumentExpression(nameof(number))] string? name = null) =>
        double.IsFinite(number)
            ? number
            : throw new ArgumentOutOfRangeException(name, number, "A measured number must be finite.");
}
