using System.Text.Json.Serialization;
using MorningRound.Core.Units;

namespace MorningRound.Core.Courses;

/// <summary>A hole that is set to be played in practice: one of a course, or one described in a few words.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(DrawnHole), "drawn")]
[JsonDerivedType(typeof(QuickHole), "quick")]
public abstract record HoleToPlay
{
    /// <summary>Where the hole is cut this time; null leaves it where it usually is.</summary>
    public Pin? Pin { get; init; }

    /// <summary>3 to 6.</summary>
    [JsonIgnore]
    public abstract int StrokesOfPar { get; }
}

/// <summary>A hole of a course, copied, so that drawing the course anew changes nothing that was set.</summary>
public sealed record DrawnHole : HoleToPlay
{
    /// <summary>Its number on the course, from 1.</summary>
    public required int Number { get; init; }

    /// <summary>The hole.</summary>
    public required Hole Hole { get; init; }

    /// <inheritdoc/>
    [JsonIgnore]
    public override int StrokesOfPar => Hole.Par;
}

/// <summary>
/// A hole in a few words: its par, which way it turns, and what the player usually has left to the green for the shot that should
/// find it. How long that makes it follows from the player's own clubs.
/// </summary>
public sealed record QuickHole : HoleToPlay
{
    /// <summary>3, 4 or 5.</summary>
    public required int Par { get; init; }

    /// <summary>Which way it turns.</summary>
    public Bend Bend { get; init; }

    /// <summary>What is usually left for the shot to the green; on a par 3, how long the hole is.</summary>
    public required MarkedLength UsuallyLeft { get; init; }

    /// <inheritdoc/>
    [JsonIgnore]
    public override int StrokesOfPar => Par;
}
