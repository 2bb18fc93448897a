using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Bounds on numbers, turned for a left-handed player and put into another unit of length.</summary>
internal static class Bounds
{
    /// <summary>Both bounds seen in a mirror: what was to the left is to the right.</summary>
    public static (double? Least, double? Most) Turned(double? least, double? most, bool isTurned) =>
        isTurned ? (-most, -least) : (least, most);

    /// <summary>
    /// What a number in a unit is multiplied by to be in yards or metres, as a player thinks; null where the unit is neither, or
    /// is already the one.
    /// </summary>
    public static double? FactorTo(LengthUnit wanted, string unit) =>
        unit == wanted.Sign() ? null
        : unit == LengthUnit.Yards.Sign() && wanted == LengthUnit.Metres ? 0.9144
        : unit == LengthUnit.Metres.Sign() && wanted == LengthUnit.Yards ? 1 / 0.9144
        : null;

    /// <summary>A bound in another unit, to a tenth.</summary>
    public static double? Times(double? bound, double factor) => bound is { } number ? Math.Round(number * factor, 1) : null;
}
