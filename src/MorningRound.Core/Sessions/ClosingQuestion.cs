using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>An answer to how much of a segment was done, and how the segment is closed by it.</summary>
/// <param name="Label">What stands on its button.</param>
/// <param name="Outcome">How the segment is left.</param>
/// <param name="Percent">How much of it was done in percent, where it was a part; null otherwise.</param>
public sealed record ClosingAnswer(string Label, SegmentOutcome Outcome, int? Percent);

/// <summary>
/// What closing a segment asks once, where neither attempts nor the clock show that it was done. The answer is reported: it
/// counts towards completion and feeds no result.
/// </summary>
public sealed record ClosingQuestion
{
    /// <summary>Segments that are measured by attempts: closing them asks where there is no attempt.</summary>
    public required IReadOnlyList<Guid> ByAttempts { get; init; }

    /// <summary>Closing any other asks below this share of its minutes, 0 to 1.</summary>
    public required double AsksBelow { get; init; }

    /// <summary>The answers, from all of it to none.</summary>
    public required IReadOnlyList<ClosingAnswer> Answers { get; init; }

    private static readonly ClosingAnswer[] FromAllToNone =
    [
        new("All", SegmentOutcome.Done, null),
        new("¾", SegmentOutcome.PartDone, 75),
        new("½", SegmentOutcome.PartDone, 50),
        new("¼", SegmentOutcome.PartDone, 25),
        new("None", SegmentOutcome.Skipped, null),
    ];

    /// <summary>What closing the segments of a plan asks.</summary>
    public static ClosingQuestion Of(SessionPlan plan) =>
        new()
        {
            ByAttempts = [.. plan.Practice().Where(SessionCompletion.CountsAttempts).Select(s => s.Id)],
            AsksBelow = SessionCompletion.AsksBelow,
            Answers = FromAllToNone,
        };
}
