namespace MorningRound.Core.Units;

/// <summary>The units in which lengths are painted on boards and read off devices.</summary>
public enum LengthUnit
{
    /// <summary>Yards.</summary>
    Yards,

    /// <summary>Metres.</summary>
    Metres,

    /// <summary>Feet.</summary>
    Feet,

    /// <summary>Inches.</summary>
    Inches,
}

/// <summary>A length in the unit of its marking, which is kept: a board that says 150 yd never becomes 137.2 m.</summary>
public sealed record MarkedLength(double Value, LengthUnit Unit)
{
    /// <summary>The length itself.</summary>
    public Length ToLength() => Unit.Times(Value);

    /// <summary>The same length in another unit; unchanged in its own, so that nothing is lost to rounding.</summary>
    public MarkedLength In(LengthUnit unit) => unit == Unit ? this : new MarkedLength(ToLength() / unit.Times(1), unit);

    /// <inheritdoc/>
    public override string ToString() =>
        $"{Value.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture)} {Unit.Sign()}";
}

/// <summary>What is known of the units of length.</summary>
public static class LengthUnits
{
    /// <summary>A number of this unit as a length: <c>Yards.Times(150)</c> is 150 yards.</summary>
    public static Length Times(this LengthUnit unit, double number) =>
        unit switch
        {
            LengthUnit.Yards => Length.FromYards(number),
            LengthUnit.Metres => Length.FromMetres(number),
            LengthUnit.Feet => Length.FromFeet(number),
            _ => Length.FromInches(number),
        };

    /// <summary>The unit's sign: yd, m, ft, in.</summary>
    public static string Sign(this LengthUnit unit) =>
        unit switch
        {
            LengthUnit.Yards => "yd",
            LengthUnit.Metres => "m",
            LengthUnit.Feet => "ft",
            _ => "in",
        };
}
