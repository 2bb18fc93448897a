using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;

namespace MorningRound.Core.Plans;

/// <summary>What a plan has to fit into. Whatever is missing is not judged.</summary>
public sealed record PlanConstraints
{
    /// <summary>Minutes there are for the whole visit.</summary>
    public int? Minutes { get; init; }

    /// <summary>Range balls there are.</summary>
    public int? Balls { get; init; }

    /// <summary>The school by which balance is judged; null leaves it to the student's file.</summary>
    public Approach? Approach { get; init; }

    /// <summary>A hot day asks for breaks twice as often.</summary>
    public bool Hot { get; init; }

    /// <summary>Where the wind comes from, 0 to 359 degrees, north is 0.</summary>
    public int? WindFromDegrees { get; init; }

    /// <summary>Whether the student comes warmed up, from a lesson or a round.</summary>
    public bool WarmedUpBefore { get; init; }
}

/// <summary>A finding that the coach decided to live with.</summary>
/// <param name="Finding">Which.</param>
/// <param name="SegmentId">At which segment; null for the plan as a whole.</param>
/// <param name="Reason">Why, in the coach's words.</param>
public sealed record OverruledFinding(FindingId Finding, Guid? SegmentId, string Reason);

/// <summary>
/// What a student does in one visit: a purpose with its own success test, and an ordered list of segments. Immutable; an
/// assignment keeps the plan as it was when it was set, so editing a plan never rewrites history.
/// </summary>
public sealed record SessionPlan
{
    /// <summary>What it is called.</summary>
    public required string Title { get; init; }

    /// <summary>Why this session is held. May be empty while the plan is being written, never when it is published.</summary>
    public string Purpose { get; init; } = "";

    /// <summary>How student and coach will know that the purpose was met.</summary>
    public string SuccessTest { get; init; } = "";

    /// <summary>What is done, in order.</summary>
    public required IReadOnlyList<Segment> Segments { get; init; }

    /// <summary>What the plan has to fit into.</summary>
    public PlanConstraints Constraints { get; init; } = new();

    /// <summary>Findings the coach has decided to live with, each with the reason.</summary>
    public IReadOnlyList<OverruledFinding> Overruled { get; init; } = [];

    /// <summary>The plan as it is set for a student, with nothing in it that only a coach who is still writing needs.</summary>
    public SessionPlan ForPublishing() =>
        this with
        {
            Segments =
            [
                .. Segments.Select(s =>
                    s is PracticeSegment { Drill: { } drill } practice ? practice with { Drill = drill.ForPublishing() } : s
                ),
            ],
        };

    /// <summary>The segments that are practice, in order, pauses left out.</summary>
    public IEnumerable<PracticeSegment> Practice() => Segments.OfType<PracticeSegment>();
}
