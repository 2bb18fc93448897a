using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Students;

/// <summary>
/// What a drill leaves to whoever does it, and to where: bounds by hand and unit, clubs by the bag, targets by the ground.
/// </summary>
public sealed record PlayerNumbers
{
    /// <summary>The carries of the wedges; empty where none were measured.</summary>
    public IReadOnlyList<WedgeNumber> WedgeGrid { get; init; } = [];

    /// <summary>The clubs; empty where the bag is not on record, which rules nothing out.</summary>
    public IReadOnlyList<BagClub> Bag { get; init; } = [];

    /// <summary>The side the player stands on.</summary>
    public Hand Hand { get; init; } = Hand.Right;

    /// <summary>How far the player has come.</summary>
    public Level Level { get; init; } = Level.Improving;

    /// <summary>The unit the player thinks in.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Yards;

    /// <summary>The targets of the ground; empty where none are on record.</summary>
    public IReadOnlyList<RangeTarget> Targets { get; init; } = [];

    /// <summary>What balls are hit from on the ground; null where it is no range, or nobody said.</summary>
    public RangeSurface? Surface { get; init; }

    /// <summary>
    /// By how much further than measured the clubs carry on the ground, in per cent; 0 where the coach said nothing.
    /// </summary>
    public int CarriesFurtherPercent { get; init; }

    /// <summary>The side the player mostly misses on; null where nobody said.</summary>
    public TargetSide? UsualMiss { get; init; }

    /// <summary>The sides on which the player dislikes a target.</summary>
    public IReadOnlyList<TargetSide> DislikedSides { get; init; } = [];

    /// <summary>What a file says of a player.</summary>
    public static PlayerNumbers Of(StudentFile file, Hand hand, Level level) =>
        new()
        {
            WedgeGrid = file.Coach.WedgeGrid,
            Bag = file.Coach.Bag,
            Hand = hand,
            Level = level,
            Unit = file.Own.Units,
            UsualMiss = file.Coach.UsualMiss,
            DislikedSides = file.Own.DislikedSides,
        };

    /// <summary>Whether a club can be used: it is in the bag, or the bag is not on record.</summary>
    public bool Has(Club club) => Bag.Count == 0 || Bag.Any(b => b.Club == club);

    /// <summary>How far a club carries; null where nobody measured.</summary>
    public Length? CarryOf(Club club) => Bag.FirstOrDefault(b => b.Club == club)?.Carry?.ToLength();
}
