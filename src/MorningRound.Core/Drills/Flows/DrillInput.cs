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
    /// <summary>Characters of a text that a drill asks for.</summary>
    public const int LongestText = 400;

    /// <summary>The attempt, counted from 1.</summary>
    public required int Attempt { get; init; }

    /// <summary>What the student noticed about the attempt; null where nothing was tapped.</summary>
    public AttemptTags? Tags { get; init; }

    /// <summary>Leaves out the last attempt, with all its inputs; an attempt that was only begun counts as the last.</summary>
    public static IReadOnlyList<DrillInput> WithoutLastAttempt(IReadOnlyList<DrillInput> inputs)
    {
        if (inputs.Count == 0)
            return inputs;
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

/// <summary>One of the named answers was chosen.</summary>
public sealed record ChoiceMade : DrillInput
{
    /// <summary>The answer's value.</summary>
    public required string Value { get; init; }
}

/// <summary>A number in tenths of the unit on the screen.</summary>
public sealed record NumberGiven : DrillInput
{
    /// <summary>The number, in tenths.</summary>
    public required int Tenths { get; init; }
}

/// <summary>A text was written.</summary>
public sealed record TextWritten : DrillInput
{
    /// <summary>The text.</summary>
    public required string Text { get; init; }
}

/// <summary>Something was done and tapped off.</summary>
public sealed record Tapped : DrillInput;

/// <summary>The timer ran to its end.</summary>
public sealed record TimerRanOut : DrillInput;

/// <summary>The student stopped the drill; what was complete by then counts.</summary>
public sealed record DrillStopped : DrillInput;

/// <summary>The segment's time was over; what was complete by then counts.</summary>
public sealed record TimeUp : DrillInput;

/// <summary>How the ball was met.</summary>
public enum ContactTag
{
    /// <summary>The ground first.</summary>
    Heavy,

    /// <summary>Too high on the ball.</summary>
    Thin,

    /// <summary>Towards the heel of the face.</summary>
    Heel,

    /// <summary>Towards the toe of the face.</summary>
    Toe,

    /// <summary>Low on the face.</summary>
    Low,

    /// <summary>High on the face.</summary>
    High,
}

/// <summary>What the ball did sideways.</summary>
public enum LineTag
{
    /// <summary>It started left of the line, for a right-handed player.</summary>
    Pull,

    /// <summary>It started right of the line, for a right-handed player.</summary>
    Push,

    /// <summary>It curved more than was meant.</summary>
    Curve,
}

/// <summary>Why it missed, in the student's own judgement.</summary>
public enum CauseTag
{
    /// <summary>It was hurried.</summary>
    Hurried,

    /// <summary>The decision was wrong.</summary>
    Decision,

    /// <summary>The green was read wrongly.</summary>
    Read,

    /// <summary>The pace was wrong.</summary>
    Pace,
}

/// <summary>Whether the routine was kept.</summary>
public enum RoutineTag
{
    /// <summary>Wholly.</summary>
    Done,

    /// <summary>In part.</summary>
    Partly,

    /// <summary>Not at all.</summary>
    NotDone,
}

/// <summary>At most one tag of each group, over any drill.</summary>
public sealed record AttemptTags
{
    /// <summary>How the ball was met; null where nobody said.</summary>
    public ContactTag? Contact { get; init; }

    /// <summary>Where it started or how it curved; null where nobody said.</summary>
    public LineTag? Line { get; init; }

    /// <summary>Why it missed; null where nobody said.</summary>
    public CauseTag? Cause { get; init; }

    /// <summary>Whether the routine was kept; null where nobody said.</summary>
    public RoutineTag? Routine { get; init; }

    /// <summary>The tags of each attempt that has any; of two in one group, the later counts.</summary>
    public static IReadOnlyDictionary<int, AttemptTags> ByAttempt(IEnumerable<DrillInput> inputs) =>
        inputs
            .Where(i => i.Tags is not null)
            .GroupBy(i => i.Attempt)
            .ToDictionary(
                g => g.Key,
                g =>
                    g.Select(i => i.Tags!)
                        .Aggregate(
                            (a, b) =>
                                new AttemptTags
                                {
                                    Contact = b.Contact ?? a.Contact,
                                    Line = b.Line ?? a.Line,
                                    Cause = b.Cause ?? a.Cause,
                                    Routine = b.Routine ?? a.Routine,
                                }
                        )
            );
}
