namespace MorningRound.Core.Units;

/// <summary>A speed of club, ball or wind, kept in metres per second.</summary>
/// <remarks>1 mph is 0.44704 m/s exactly: International yard and pound agreement, 1959.</remarks>
public readonly record struct Speed
{
    private const double MetresPerSecondPerMph = 0.44704;

    private Speed(double metresPerSecond) => MetresPerSecond = metresPerSecond;

    /// <summary>The speed in metres per second.</summary>
    public double MetresPerSecond { get; }

    /// <summary>The speed in miles per hour.</summary>
    public double MilesPerHour => MetresPerSecond / MetresPerSecondPerMph;

    /// <summary>
    /// A speed in metres per second. Throws <see cref="ArgumentOutOfRangeException"/> unless the number is finite.
    /// </summary>
    public static Speed FromMetresPerSecond(double metresPerSecond) => new(Finite.Checked(metresPerSecond));

    /// <summary>
    /// A speed in miles per hour. Throws <see cref="ArgumentOutOfRangeException"/> unless the number is finite.
    /// </summary>
    public static Speed FromMilesPerHour(double milesPerHour) => new(Finite.Checked(milesPerHour) * MetresPerSecondPerMph);
}
