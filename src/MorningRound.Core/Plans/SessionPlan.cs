namespace MorningRound.Core.Plans;

/// <summary>
/// What a student does in one visit: a purpose with its own success test, and an ordered list of segments. Immutable; an
/// assignment keeps the plan as it was when it was set, so editing a plan never rewrites history.
/// </summary>
public sealed record SessionPlan
{
    public required string Title { get; init; }

    /// <summary>Why this session is held. May be empty while the plan is being written, never when it is published.</summary>
    public string Purpose { get; init; } = "";

    /// <summary>How student and coach will know that the purpose was met.</summary>
    public string SuccessTest { get; init; } = "";

    public required IReadOnlyList<Segment> Segments { get; init; }

    /// <summary>The segments that are practice, in order, pauses left out.</summary>
    public IEnumerable<PracticeSegment> Practice() => Segments.OfType<PracticeSegment>();
}
