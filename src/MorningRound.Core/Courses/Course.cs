using MorningRound.Core.Golf;
using MorningRound.Core.Units;

namespace MorningRound.Core.Courses;

/// <summary>Which way a hole turns, as seen from its tee.</summary>
public enum Bend
{
    /// <summary>It does not.</summary>
    Straight,

    /// <summary>To the left.</summary>
    Left,

    /// <summary>To the right.</summary>
    Right,
}

/// <summary>What spoils a hole beside the short grass.</summary>
public enum TroubleKind
{
    /// <summary>Sand.</summary>
    Sand,

    /// <summary>Trees, from which the next shot is no full one.</summary>
    Trees,

    /// <summary>Water: a stroke, and a drop where the ball went in.</summary>
    Water,

    /// <summary>Out of bounds: a stroke, and again from where it was played.</summary>
    OutOfBounds,
}

/// <summary>Where on a green the hole is cut, from its left to its right edge.</summary>
public enum PinSide
{
    /// <summary>In the middle.</summary>
    Middle,

    /// <summary>On the left.</summary>
    Left,

    /// <summary>On the right.</summary>
    Right,
}

/// <summary>Where on a green the hole is cut, from its front to its back edge.</summary>
public enum PinDepth
{
    /// <summary>In the middle.</summary>
    Middle,

    /// <summary>At the front.</summary>
    Front,

    /// <summary>At the back.</summary>
    Back,
}

/// <summary>Where the hole is cut.</summary>
/// <param name="Side">From left to right.</param>
/// <param name="Depth">From front to back.</param>
public sealed record Pin(PinSide Side = PinSide.Middle, PinDepth Depth = PinDepth.Middle)
{
    /// <summary>In the middle of the green.</summary>
    public static Pin InTheMiddle { get; } = new();
}

/// <summary>Trouble that lies across a hole and has to be carried or left short.</summary>
public sealed record Crossing
{
    /// <summary>Water or sand.</summary>
    public required TroubleKind Kind { get; init; }

    /// <summary>Where it begins, from the course's first tee along the hole, in the unit of the course.</summary>
    public required double From { get; init; }

    /// <summary>What has to be carried to be over it, from the course's first tee, in the unit of the course.</summary>
    public required double To { get; init; }
}

/// <summary>A green, and what lies beside it.</summary>
public sealed record Green
{
    /// <summary>From its left to its right edge, in the unit of the course.</summary>
    public double Width { get; init; } = 25;

    /// <summary>From its front to its back edge, in the unit of the course.</summary>
    public double Depth { get; init; } = 25;

    /// <summary>What lies to its left; null where nothing does.</summary>
    public TroubleKind? Left { get; init; }

    /// <summary>What lies to its right; null where nothing does.</summary>
    public TroubleKind? Right { get; init; }

    /// <summary>What lies in front of it; null where nothing does.</summary>
    public TroubleKind? Front { get; init; }

    /// <summary>What lies behind it; null where nothing does.</summary>
    public TroubleKind? Back { get; init; }
}

/// <summary>A hole as a course has it.</summary>
public sealed record Hole
{
    /// <summary>3 to 6.</summary>
    public required int Par { get; init; }

    /// <summary>One length for each tee of the course, in its order and its unit.</summary>
    public required IReadOnlyList<double> Lengths { get; init; }

    /// <summary>Width of the fairway where tee shots land, in the unit of the course; null on a par 3.</summary>
    public double? FairwayWidth { get; init; }

    /// <summary>Which way it turns.</summary>
    public Bend Bend { get; init; }

    /// <summary>What lies along its left; null where it is only rough.</summary>
    public TroubleKind? Left { get; init; }

    /// <summary>What lies along its right; null where it is only rough.</summary>
    public TroubleKind? Right { get; init; }

    /// <summary>What lies across it; null where nothing does.</summary>
    public Crossing? Across { get; init; }

    /// <summary>The side on which a miss costs least; null where neither is better.</summary>
    public TargetSide? SafeSide { get; init; }

    /// <summary>Its green.</summary>
    public Green Green { get; init; } = new();

    /// <summary>Where the hole is usually cut.</summary>
    public Pin Pin { get; init; } = Pin.InTheMiddle;

    /// <summary>
    /// By how much longer than its length it plays, in per cent, because it climbs; negative where it falls. 0 where the coach
    /// has said nothing, since a slope is never guessed.
    /// </summary>
    public int PlaysLongerPercent { get; init; }

    /// <summary>What lies along a side.</summary>
    public TroubleKind? Along(TargetSide side) => side == TargetSide.Left ? Left : Right;
}

/// <summary>A course: its tees and its holes.</summary>
public sealed record Course
{
    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>The unit its lengths are in: yards or metres.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Yards;

    /// <summary>What its tees are called, the longest first.</summary>
    public required IReadOnlyList<string> Tees { get; init; }

    /// <summary>Its holes, in the order in which they are played.</summary>
    public required IReadOnlyList<Hole> Holes { get; init; }
}
