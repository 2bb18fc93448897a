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

    /// <summary>The plan as it is set for a student, with nothing in it that only a coach who is still writing needs.</summary>
    public SessionPlan AsSet() => this with
    {
        Segments = [.. Segments.Select(s => s is PracticeSegment { Drill: { } drill } practice ? practice with { Drill = drill.AsSet() } : s)],
    };

    /// <summary>The segments that are practice, in order, pauses left out.</summary>
    public IEnumerable<PracticeSegment> Practice() => Segments.OfType<PracticeSegment>();
}
