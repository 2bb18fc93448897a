namespace MorningRound.Core.Units;

/// <summary>A direction or an offset of one, kept in degrees. Right of the line is positive, left is negative.</summary>
public readonly record struct Angle
{
    private Angle(double degrees) => Degrees = degrees;

    /// <summary>The angle in degrees.</summary>
    public double Degrees { get; }

    /// <summary>The angle in radians.</summary>
    public double Radians => Degrees * Math.PI / 180;

    /// <summary>
    /// An angle in degrees, not wrapped. Throws <see cref="ArgumentOutOfRangeException"/> unless the number is finite.
    /// </summary>
    public static Angle FromDegrees(double degrees) => new(Finite.Checked(degrees));

    /// <summary>
    /// The angle under which an offset is seen from the ball: 10 yd to the right at 140 yd is 4.1°.
    /// Throws <see cref="ArgumentOutOfRangeException"/> when the distance is not above zero.
    /// </summary>
    public static Angle OfOffset(Length offset, Length distance) =>
        distance > Length.Zero
            ? new Angle(Math.Atan2(offset.Metres, distance.Metres) * 180 / Math.PI)
            : throw new ArgumentOutOfRangeException(nameof(distance), distance, "The distance must be above zero.");

    /// <summary>How far off the line this angle is at a distance: 4.1° at 200 yd is 14.3 yd.</summary>
    public Length OffsetAt(Length distance) => distance * Math.Tan(Radians);
}
