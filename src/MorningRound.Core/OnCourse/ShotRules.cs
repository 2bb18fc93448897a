using System.Text.Json.Serialization;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>A shot of a hole, as it was played.</summary>
/// <param name="With">What it was played with, as it is called in the list of numbers; empty where nobody said.</param>
/// <param name="From">How the ball lay.</param>
/// <param name="Left">How far the hole was.</param>
/// <param name="Finish">Where it finished.</param>
/// <param name="Then">How the next ball lies; null when it is in the hole.</param>
/// <param name="LeftThen">How far the hole is then, a putt in feet; null when it is in it.</param>
/// <param name="Penalty">Penalty strokes it cost.</param>
public sealed record PlayedShot(
    string With,
    Lie From,
    MarkedLength Left,
    Finish Finish,
    Lie? Then,
    MarkedLength? LeftThen,
    int Penalty
)
{
    /// <summary>
    /// The strokes it gained: what was expected before, less what is expected after, less one, less its penalty strokes.
    /// </summary>
    [JsonIgnore]
    public double Gained =>
        ExpectedStrokes.From(From, Left.ToLength())
        - (Then is { } lie && LeftThen is { } then ? ExpectedStrokes.From(lie, then.ToLength()) : 0)
        - 1
        - Penalty;
}

/// <summary>The rules by which one shot of a hole follows from the one before.</summary>
public static class ShotRules
{
    /// <summary>Nearer to the hole than this a ball off the green is not said to be, in the unit of the hole.</summary>
    public const int LeastLeft = 1;

    /// <summary>How many strokes above par a hole that is picked up counts, and at which it is. The product's own.</summary>
    public const int PickedUpOverPar = 5;

    /// <summary>
    /// What is left along the line after a ball that went so far: too far is the same distance back, and never nothing.
    /// </summary>
    /// <param name="left">What was left, in any unit.</param>
    /// <param name="went">How far it went along the line, in the same unit.</param>
    /// <param name="least">The least that is said, in the same unit.</param>
    public static int LeftAfter(int left, int went, int least) => Math.Max(Math.Abs(left - went), least);

    /// <summary>Whether a ball lies in what crosses a hole, its edges included.</summary>
    /// <param name="hole">The hole.</param>
    /// <param name="rest">What is left along the line, in tenths of the unit of the play; below zero past the hole.</param>
    public static bool IsInside(LaidHole hole, int rest) =>
        hole.Across is { } across && rest >= 10 * (hole.Length - across.To) && rest <= 10 * (hole.Length - across.From);

    /// <summary>What a picked up hole counts.</summary>
    public static int PickedUp(int par) => par + PickedUpOverPar;
}
