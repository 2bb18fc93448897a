using System.Text.Json.Serialization;

namespace MorningRound.Core.Drills.Flows;

/// <summary>
/// One input of a drill as the phone recorded it. Inputs are the record; counts and results can be made from them again at any
/// time. Every input says which attempt it belongs to, so that an attempt can be taken back whole.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(ChoiceMade), "choice")]
[JsonDerivedType(typeof(NumberGiven), "number")]
[JsonDerivedType(typeof(TextWritten), "text")]
[JsonDerivedType(typeof(Tapped), "tap")]
[JsonDerivedType(typeof(TimerRanOut), "timer")]
[JsonDerivedType(typeof(DrillStopped), "stop")]
[JsonDerivedType(typeof(TimeUp), "timeUp")]
public abstract record DrillInput
{
    public const int LongestText = 400;

    /// <summary>The attempt, counted from 1.</summary>
    public required int Attempt { get; init; }

    /// <summary>What the student noticed about the attempt; none where nothing was tapped.</summary>
    public AttemptTags? Tags { get; init; }

    /// <summary>Leaves out the last attempt, with all its inputs; an attempt that was only begun counts as the last.</summary>
    public static IReadOnlyList<DrillInput> WithoutLastAttempt(IReadOnlyList<DrillInput> inputs)
    {
        if (inputs.Count == 0) return inputs;
        var last = inputs[^1].Attempt;
        return [.. inputs.Take(inputs.Count - inputs.Reverse().TakeWhile(i => i.Attempt == last).Count())];
    }

    /// <summary>The inputs with other tags on one attempt: on its last input, and off all others of it.</summary>
    public static IReadOnlyList<DrillInput> WithTags(IReadOnlyList<DrillInput> inputs, int attempt, AttemptTags tags)
    {
        var last = inputs.LastOrDefault(i => i.Attempt == attempt);
        return [.. inputs.Select(i => i.Attempt != attempt ? i : i with { Tags = ReferenceEquals(i, last) ? tags : null })];
    }
}

public sealed record ChoiceMade : DrillInput
{
    public required string Value { get; init; }
}

/// <summary>A number in tenths of the unit on the screen.</summary>
public sealed record NumberGiven : DrillInput
{
    public required int Tenths { get; init; }
}

public sealed record TextWritten : DrillInput
{
    public required string Text { get; init; }
}

public sealed record Tapped : DrillInput;

public sealed record TimerRanOut : DrillInput;

/// <summary>The student stopped the drill; what was complete by then counts.</summary>
public sealed record DrillStopped : DrillInput;

/// <summary>The segment's time was over; what was complete by then counts.</summary>
public sealed record TimeUp : DrillInput;

public enum ContactTag
{
    Heavy,
    Thin,
    Heel,
    Toe,
    Low,
    High,
}

public enum LineTag
{
    Pull,
    Push,
    Curve,
}

public enum CauseTag
{
    Hurried,
    Decision,
    Read,
    Pace,
}

public enum RoutineTag
{
    Done,
    Partly,
    NotDone,
}

/// <summary>At most one tag of each group, over any drill.</summary>
public sealed record AttemptTags
{
    public ContactTag? Contact { get; init; }

    public LineTag? Line { get; init; }

    public CauseTag? Cause { get; init; }

    public RoutineTag? Routine { get; init; }

    /// <summary>The tags of each attempt that has any; of two in one group, the later counts.</summary>
    public static IReadOnlyDictionary<int, AttemptTags> ByAttempt(IEnumerable<DrillInput> inputs) =>
        inputs.Where(i => i.Tags is not null)
            .GroupBy(i => i.Attempt)
            .ToDictionary(g => g.Key, g => g.Select(i => i.Tags!).Aggregate((a, b) => new AttemptTags
            {
                Contact = b.Contact ?? a.Contact,
                Line = b.Line ?? a.Line,
                Cause = b.Cause ?? a.Cause,
                Routine = b.Routine ?? a.Routine,
            }));
}
