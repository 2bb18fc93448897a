using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A result beside the comparable ones before it, in words. A handful of times is told, never called a trend.</summary>
public static class LastTimes
{
    /// <summary>How many earlier times are looked at. [own default]</summary>
    public const int Most = 3;

    /// <summary>
    /// What the result is beside the last times: better than each, worse than each, or in between; for a share made, whether it
    /// differs by more than chance would. Null where nothing was attempted.
    /// </summary>
    /// <param name="protocol">The protocol all of them were scored by.</param>
    /// <param name="now">The result in question.</param>
    /// <param name="earlier">Comparable results before it, newest first; those without a result are passed over.</param>
    public static Message? Of(ScoringProtocol protocol, ProtocolResult now, IReadOnlyList<PastResult> earlier)
    {
        if (!now.IsScored)
            return null;
        var counted = earlier.Where(r => r.Values.Count > 0).Take(Most).ToList();
        if (counted.Count == 0)
            return DrillSentences.FirstTime.Of();

        var leading = protocol.MeasureKinds[0];
        var values = counted.Select(r => r.Value(leading.Name)).ToList();
        var numbers = string.Join(", ", values.Select(v => v is { } value ? Written.Number(value, leading.Decimals) : "–"));
        var told =
            values.Count == 1
                ? DrillSentences.LastTime.Of(leading.Label, numbers, Written.Unit(leading.Unit))
                : DrillSentences.LastTimes.Of(leading.Label, values.Count, numbers, Written.Unit(leading.Unit));
        return Verdict(protocol, now, counted) is { } verdict ? DrillSentences.ThenVerdict.Of(told, verdict) : told;
    }

    private static Message? Verdict(ScoringProtocol protocol, ProtocolResult now, IReadOnlyList<PastResult> earlier)
    {
        if (protocol is MakeRate)
            return Verdict(now, earlier);
        var compared = earlier.Select(before => protocol.Compare(now, before)).ToList();
        if (compared.Any(c => c is null))
            return null;
        var isOne = earlier.Count == 1;
        if (compared.All(c => c > 0))
            return (isOne ? DrillSentences.BetterThanThat : DrillSentences.BetterThanEach).Of();
        if (compared.All(c => c < 0))
            return (isOne ? DrillSentences.WorseThanThat : DrillSentences.WorseThanEach).Of();
        return (compared.All(c => c == 0) ? DrillSentences.Same : DrillSentences.InRange).Of();
    }

    /// <summary>
    /// A share made has its own doubt: the times before are put together and the difference is held against chance.
    /// </summary>
    private static Message Verdict(ProtocolResult now, IReadOnlyList<PastResult> earlier)
    {
        var (made, tried) = (now.Counts["made"], now.Counts["attempts"]);
        var (madeBefore, triedBefore) = (earlier.Sum(r => (int)(r.Value("made") ?? 0)), earlier.Sum(r => r.Attempts));
        var difference = Rate.Difference((made, tried), (madeBefore, triedBefore));
        var told =
            difference.Low > 0 ? DrillSentences.MoreThanChance
            : difference.High < 0 ? DrillSentences.FewerThanChance
            : DrillSentences.NoClearDifference;
        return told.Of(madeBefore, triedBefore);
    }
}
