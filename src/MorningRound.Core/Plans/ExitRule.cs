using System.Text.Json.Serialization;

namespace MorningRound.Core.Plans;

/// <summary>
/// When a segment is over: after its minutes, after its balls, or when something has been reached. Reached early is fully
/// done, not part done. The cap of an aim is the segment's own balls, or its minutes where it has none.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(AfterMinutes), "minutes")]
[JsonDerivedType(typeof(AfterBalls), "balls")]
[JsonDerivedType(typeof(UntilMet), "until")]
public abstract record ExitRule
{
    /// <summary>The rule in words for the student: "until three centred running, at most 15 balls".</summary>
    public string InWords(PracticeSegment segment) =>
        Template(segment.Balls > 0)
            .Replace("{minutes}", $"{segment.Minutes} min", StringComparison.Ordinal)
            .Replace("{balls}", segment.Balls == 1 ? "1 ball" : $"{segment.Balls} balls", StringComparison.Ordinal);

    /// <summary>
    /// The rule with <c>{minutes}</c> and <c>{balls}</c> for the numbers, for a segment that has balls or has none.
    /// </summary>
    public string Template(bool hasBalls) =>
        this switch
        {
            AfterBalls when hasBalls => "after {balls}",
            UntilMet until => $"until {until.Criterion.Trim()}, at most {(hasBalls ? "{balls}" : "{minutes}")}",
            _ => "after {minutes}",
        };
}

/// <summary>Over when the segment's minutes are up.</summary>
public sealed record AfterMinutes : ExitRule;

/// <summary>Over when the segment's balls have been hit. The segment must have balls.</summary>
public sealed record AfterBalls : ExitRule;

/// <summary>Over when a criterion is met, such as "contact is centred three times running".</summary>
public sealed record UntilMet : ExitRule
{
    /// <summary>What has to happen, as words that follow "until".</summary>
    public required string Criterion { get; init; }
}
