namespace MorningRound.Core.Units;

/// <summary>A distance on the ground or in the hand. Kept in metres; made and read in the unit it was given in.</summary>
/// <remarks>
/// A default value is zero. Negative lengths are allowed, because differences of distances are lengths too.
/// Conversions are exact by definition: International yard and pound agreement, 1959.
/// </remarks>
public readonly record struct Length : IComparable<Length>
{
    private const double MetresPerYard = 0.9144;
    private const double MetresPerFoot = 0.3048;
    private const double MetresPerInch = 0.0254;

    private Length(double metres) => Metres = metres;

    /// <summary>No distance at all.</summary>
    public static Length Zero => default;

    /// <summary>The length in metres.</summary>
    public double Metres { get; }

    /// <summary>The length in yards.</summary>
    public double Yards => Metres / MetresPerYard;

    /// <summary>The length in feet.</summary>
    public double Feet => Metres / MetresPerFoot;

    /// <summary>The length in inches.</summary>
    public double Inches => Metres / MetresPerInch;

    /// <summary>A length in metres. Throws <see cref="ArgumentOutOfRangeException"/> unless the number is finite.</summary>
    public static Length FromMetres(double metres) => new(Finite.Checked(metres));

    /// <summary>A length in yards of 0.9144 m. Throws unless the number is finite.</summary>
    public static Length FromYards(double yards) => new(Finite.Checked(yards) * MetresPerYard);

    /// <summary>A length in feet of 0.3048 m. Throws unless the number is finite.</summary>
    public static Length FromFeet(double feet) => new(Finite.Checked(feet) * MetresPerFoot);

    /// <summary>A length in inches of 25.4 mm. Throws unless the number is finite.</summary>
    public static Length FromInches(double inches) => new(Finite.Checked(inches) * MetresPerInch);

    /// <inheritdoc/>
    public int CompareTo(Length other) => Metres.CompareTo(other.Metres);

    /// <summary>The sum.</summary>
    public static Length operator +(Length a, Length b) => new(a.Metres + b.Metres);

    /// <summary>The difference.</summary>
    public static Length operator -(Length a, Length b) => new(a.Metres - b.Metres);

    /// <summary>The product.</summary>
    public static Length operator *(Length length, double factor) => new(length.Metres * Finite.Checked(factor));

    /// <summary>How many times the second goes into the first.</summary>
    public static double operator /(Length a, Length b) => a.Metres / b.Metres;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator <(Length a, Length b) => a.Metres < b.Metres;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator >(Length a, Length b) => a.Metres > b.Metres;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator <=(Length a, Length b) => a.Metres <= b.Metres;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator >=(Length a, Length b) => a.Metres >= b.Metres;
}
