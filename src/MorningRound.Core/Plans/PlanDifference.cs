using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans;

/// <summary>What differs between two texts of a plan, segment by segment.</summary>
public static class PlanDifference
{
    /// <summary>More differences than these are not told one by one. [own default]</summary>
    private const int Most = 8;

    /// <summary>What another text has otherwise, a sentence each; empty where both are the same.</summary>
    /// <param name="before">The text that is known.</param>
    /// <param name="after">The other one.</param>
    public static IReadOnlyList<Message> Of(SessionPlan before, SessionPlan after)
    {
        var old = before.Segments.ToDictionary(s => s.Id);
        var left = after.Segments.Select(s => s.Id).ToHashSet();
        List<Message> found =
        [
            .. before.Title == after.Title ? [] : new[] { PlanSentences.Retitled.Of(after.Title) },
            .. before.Segments.Where(s => !left.Contains(s.Id)).Select(s => PlanSentences.SegmentRemoved.Of(s.Title)),
            .. after
                .Segments.Select(s =>
                    old.TryGetValue(s.Id, out var was) ? Changed(was, s) : PlanSentences.SegmentAdded.Of(s.Title)
                )
                .OfType<Message>(),
        ];
        return found.Count <= Most ? found : [.. found.Take(Most - 1), PlanSentences.MoreChanged.Of(found.Count - Most + 1)];
    }

    private static Message? Changed(Segment was, Segment now) =>
        was.Minutes != now.Minutes ? PlanSentences.MinutesChanged.Of(now.Title, now.Minutes, was.Minutes)
        : was is PracticeSegment { Balls: var before } && now is PracticeSegment { Balls: var after } && before != after
            ? PlanSentences.BallsChanged.Of(now.Title, after, before)
        : Facts(was).SequenceEqual(Facts(now)) ? null
        : PlanSentences.SegmentChanged.Of(now.Title);

    /// <summary>What of a segment whoever practises it would notice.</summary>
    private static IEnumerable<object?> Facts(Segment segment)
    {
        object?[] always = [segment.Title, segment.Instruction];
        return segment is not PracticeSegment s
            ? always
            :
            [
                .. always,
                .. new object?[] { s.Phase, s.Intent, s.Place, s.Cue, s.Exit, s.Holes, s.Focus, s.Criterion, s.DeclaredRun },
                .. new object?[] { s.Drill?.DrillId, s.Drill?.Rung, s.Drill?.Goal },
                .. s.Clubs.Cast<object?>(),
                .. s.Aids.Cast<object?>(),
                .. s.Calls,
            ];
    }
}

/// <summary>What is said of texts of plans.</summary>
internal static class PlanSentences
{
    public static readonly Sentence Retitled = new("plan.retitled", "It is called “{0}” now.");
    public static readonly Sentence SegmentAdded = new("plan.segmentAdded", "Added: {0}.");
    public static readonly Sentence SegmentRemoved = new("plan.segmentRemoved", "Removed: {0}.");
    public static readonly Sentence SegmentChanged = new("plan.segmentChanged", "Changed: {0}.");
    public static readonly Sentence MinutesChanged = new("plan.minutesChanged", "{0}: {1} minutes, not {2}.");
    public static readonly Sentence BallsChanged = new("plan.ballsChanged", "{0}: {1} balls, not {2}.");
    public static readonly Sentence MoreChanged = new("plan.moreChanged", "And {0} more changes.");
}
