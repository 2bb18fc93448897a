using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;

namespace MorningRound.Core.Plans;

/// <summary>How many attempts of a segment have a box of their own on a printed sheet.</summary>
public static class PaperBoxes
{
    /// <summary>The most boxes of a segment: more are no more filled in. The product's own number.</summary>
    public const int Most = 40;

    /// <summary>Where a drill says nothing and no balls are planned.</summary>
    private const int Usual = 10;

    /// <summary>
    /// The boxes of a segment: its calls, or the attempts its drill takes, or its balls, at most <see cref="Most"/>; 0 where
    /// it has no drill and calls nothing, and where attempts are only counted, which is one number.
    /// </summary>
    /// <param name="segment">The segment.</param>
    /// <param name="drill">Its drill as it was published; null where it has none.</param>
    /// <param name="calls">How many shots are called.</param>
    public static int Of(PracticeSegment segment, PublishedDrill? drill, int calls)
    {
        if (calls > 0)
            return Math.Min(calls, Most);
        if (drill is null || FlowWalk.Of(drill.Flow).State?.Question is FlowQuestionTap or FlowQuestionTimer)
            return 0;
        var attempts = drill.Protocol.OwnStrokes ?? (segment.Balls > 0 ? segment.Balls : Usual);
        return Math.Clamp(attempts, 1, Most);
    }
}
