using MorningRound.Core.Drills.Scoring;

namespace MorningRound.Core.Plans.Trimming;

/// <summary>A drill as it is scored and compared in a session that was trimmed.</summary>
public static class TrimmedDrill
{
    /// <summary>
    /// How a drill is scored: a trimmed one was over at its own, smaller number, unless it was published before flows read
    /// theirs.
    /// </summary>
    /// <param name="drill">The drill as it was published.</param>
    /// <param name="kept">What trimming left of the session; null where it was not trimmed.</param>
    public static ScoringProtocol ProtocolFor(this PublishedDrill drill, IReadOnlyList<TrimmedSegment>? kept)
    {
        var left = drill.Flow.ReadsItsCount() ? kept?.FirstOrDefault(k => k.SegmentId == drill.SegmentId) : null;
        var count = left?.Attempts ?? (drill.Protocol is PlayedHoles ? left?.Holes : null);
        return (count is { } attempts ? drill.Protocol.WithCount(attempts) : null) ?? drill.Protocol;
    }

    /// <summary>What its results are compared by: fewer holes compare with as many.</summary>
    /// <param name="drill">The drill as it was published.</param>
    /// <param name="segment">The segment as it was published.</param>
    /// <param name="kept">What trimming left of the session; null where it was not trimmed.</param>
    public static string ComparabilityKeyFor(
        this PublishedDrill drill,
        PracticeSegment segment,
        IReadOnlyList<TrimmedSegment>? kept
    ) =>
        drill.Protocol is PlayedHoles && drill.ProtocolFor(kept) is var fewer && !ReferenceEquals(fewer, drill.Protocol)
            ? PublishedDrill.KeyOf(segment, fewer)
            : drill.ComparabilityKey;
}
