using MorningRound.Core.Courses;
using MorningRound.Core.Golf;

namespace MorningRound.Core.OnCourse;

/// <summary>Where a shot finished, as the player says it. A ball on a line or an edge is on its bad side.</summary>
public enum Finish
{
    /// <summary>Between the edges of the fairway.</summary>
    Fairway,

    /// <summary>Left of the fairway.</summary>
    RoughLeft,

    /// <summary>Right of the fairway.</summary>
    RoughRight,

    /// <summary>In sand left of the fairway.</summary>
    SandLeft,

    /// <summary>In sand right of the fairway.</summary>
    SandRight,

    /// <summary>Among the trees on the left.</summary>
    TreesLeft,

    /// <summary>Among the trees on the right.</summary>
    TreesRight,

    /// <summary>In the water on the left.</summary>
    WaterLeft,

    /// <summary>In the water on the right.</summary>
    WaterRight,

    /// <summary>Out of bounds on the left.</summary>
    OutLeft,

    /// <summary>Out of bounds on the right.</summary>
    OutRight,

    /// <summary>In the water that lies across the hole.</summary>
    WaterAcross,

    /// <summary>In the sand that lies across the hole.</summary>
    SandAcross,

    /// <summary>On the green.</summary>
    Green,

    /// <summary>
    /// Short of the green, on short grass, told by how far it went. No longer asked: <see cref="LeftShort"/> is.
    /// </summary>
    ShortOfGreen,

    /// <summary>Left of the green.</summary>
    LeftOfGreen,

    /// <summary>Right of the green.</summary>
    RightOfGreen,

    /// <summary>Over the green.</summary>
    OverGreen,

    /// <summary>In a bunker at the green.</summary>
    GreenSand,

    /// <summary>In water at the green.</summary>
    GreenWater,

    /// <summary>In the hole.</summary>
    Holed,

    /// <summary>Where it cannot be played: a stroke, and a drop.</summary>
    Unplayable,

    /// <summary>Short of the green, on short grass, told by how far it is from the hole.</summary>
    LeftShort,
}

/// <summary>What is asked about a shot besides where it finished.</summary>
public enum AskedNumber
{
    /// <summary>How far it went along the line to the hole, in the unit of the hole.</summary>
    Went,

    /// <summary>How far the hole is now, in the unit of the hole.</summary>
    FromHole,

    /// <summary>How long the putt is, in feet.</summary>
    Putt,

    /// <summary>Nothing.</summary>
    Nothing,
}

/// <summary>What follows from where a shot finished.</summary>
/// <param name="Asked">What is asked besides.</param>
/// <param name="Lie">How the next ball lies; null where it is played from the same place, or the hole is over.</param>
/// <param name="Penalty">Strokes added.</param>
/// <param name="Side">The side it missed on; null where it did not.</param>
public readonly record struct FinishRule(AskedNumber Asked, Lie? Lie, int Penalty = 0, TargetSide? Side = null);

/// <summary>What is known of where shots finish.</summary>
public static class Finishes
{
    /// <summary>
    /// What follows. Water and an unplayable ball cost one stroke and a drop no nearer the hole; out of bounds costs one and the
    /// same shot again.
    /// </summary>
    /// <remarks>Source of the penalties: Rules of Golf, R&amp;A and USGA, rules 17, 18.2 and 19.</remarks>
    public static FinishRule Rule(this Finish finish) =>
        finish switch
        {
            Finish.Fairway or Finish.ShortOfGreen => new(AskedNumber.Went, Lie.Fairway),
            Finish.LeftShort => new(AskedNumber.FromHole, Lie.Fairway),
            Finish.RoughLeft => new(AskedNumber.Went, Lie.Rough, 0, TargetSide.Left),
            Finish.RoughRight => new(AskedNumber.Went, Lie.Rough, 0, TargetSide.Right),
            Finish.SandLeft => new(AskedNumber.Went, Lie.Sand, 0, TargetSide.Left),
            Finish.SandRight => new(AskedNumber.Went, Lie.Sand, 0, TargetSide.Right),
            Finish.SandAcross => new(AskedNumber.Went, Lie.Sand),
            Finish.TreesLeft => new(AskedNumber.Went, Lie.Recovery, 0, TargetSide.Left),
            Finish.TreesRight => new(AskedNumber.Went, Lie.Recovery, 0, TargetSide.Right),
            Finish.WaterLeft => new(AskedNumber.Went, Lie.Rough, 1, TargetSide.Left),
            Finish.WaterRight => new(AskedNumber.Went, Lie.Rough, 1, TargetSide.Right),
            Finish.WaterAcross or Finish.Unplayable => new(AskedNumber.Went, Lie.Rough, 1),
            Finish.OutLeft => new(AskedNumber.Nothing, null, 1, TargetSide.Left),
            Finish.OutRight => new(AskedNumber.Nothing, null, 1, TargetSide.Right),
            Finish.Green => new(AskedNumber.Putt, Lie.Green),
            Finish.LeftOfGreen => new(AskedNumber.FromHole, Lie.Rough, 0, TargetSide.Left),
            Finish.RightOfGreen => new(AskedNumber.FromHole, Lie.Rough, 0, TargetSide.Right),
            Finish.OverGreen => new(AskedNumber.FromHole, Lie.Rough),
            Finish.GreenSand => new(AskedNumber.FromHole, Lie.Sand),
            Finish.GreenWater => new(AskedNumber.FromHole, Lie.Rough, 1),
            _ => new(AskedNumber.Nothing, null),
        };

    /// <summary>Where a ball finishes that finds the trouble along a side of the fairway.</summary>
    public static Finish In(TroubleKind trouble, TargetSide side) =>
        (trouble, side) switch
        {
            (TroubleKind.Sand, TargetSide.Left) => Finish.SandLeft,
            (TroubleKind.Sand, _) => Finish.SandRight,
            (TroubleKind.Trees, TargetSide.Left) => Finish.TreesLeft,
            (TroubleKind.Trees, _) => Finish.TreesRight,
            (TroubleKind.Water, TargetSide.Left) => Finish.WaterLeft,
            (TroubleKind.Water, _) => Finish.WaterRight,
            (_, TargetSide.Left) => Finish.OutLeft,
            _ => Finish.OutRight,
        };

    /// <summary>As it stands on a button.</summary>
    public static string InWords(this Finish finish) =>
        finish switch
        {
            Finish.RoughLeft => "Rough, left",
            Finish.RoughRight => "Rough, right",
            Finish.SandLeft => "Sand, left",
            Finish.SandRight => "Sand, right",
            Finish.TreesLeft => "Trees, left",
            Finish.TreesRight => "Trees, right",
            Finish.WaterLeft => "Water, left",
            Finish.WaterRight => "Water, right",
            Finish.OutLeft => "Out, left",
            Finish.OutRight => "Out, right",
            Finish.WaterAcross => "Water across",
            Finish.SandAcross => "Sand across",
            Finish.ShortOfGreen or Finish.LeftShort => "Short of it",
            Finish.LeftOfGreen => "Left of it",
            Finish.RightOfGreen => "Right of it",
            Finish.OverGreen => "Over it",
            Finish.GreenSand => "Bunker",
            Finish.GreenWater => "Water at the green",
            _ => finish.ToString(),
        };
}
