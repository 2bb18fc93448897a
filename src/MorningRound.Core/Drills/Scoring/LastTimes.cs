using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A result beside the comparable ones before it, in words. A handful of times is told, never called a trend.</summary>
public static class LastTimes
{
    /// <summary>How many earlier times are looked at. [own default]</summary>
    public const int Most = 3;

    /// <summary>
    /// What the result is beside the last times: better than each, worse than each, or in between; for a share made, whether it
    /// differs by more than chance would. Empty where nothing was attempted.
    /// </summary>
    /// <param name="protocol">The protocol all of them were scored by.</param>
    /// <param name="now">The result in question.</param>
    /// <param name="earlier">Comparable results before it, newest first; those without a result are passed over.</param>
    public static string InWords(ScoringProtocol protocol, ProtocolResult now, IReadOnlyList<PastResult> earlier)
    {
        if (!now.IsScored)
            return "";
        var counted = earlier.Where(r => r.Values.Count > 0).Take(Most).ToList();
        if (counted.Count == 0)
            return "The first time with these numbers: nothing to compare it with yet.";

        var leading = protocol.MeasureKinds[0];
        var values = counted.Select(r => r.Value(leading.Name)).ToList();
        var times = values.Count == 1 ? "last time" : $"the last {values.Count} times, newest first";
        var numbers = string.Join(", ", values.Select(v => v is { } value ? Written.Number(value, leading.Decimals) : "–"));
        var told =
            $"{char.ToUpperInvariant(leading.Label[0])}{leading.Label[1..]} {times}: {numbers}{Written.Unit(leading.Unit)}.";
        return $"{told} {Verdict(protocol, now, counted)}".TrimEnd();
    }

    private static string Verdict(ScoringProtocol protocol, ProtocolResult now, IReadOnlyList<PastResult> earlier)
    {
        if (protocol is MakeRate)
            return Verdict(now, earlier);
        var compared = earlier.Select(before => protocol.Compare(now, before)).ToList();
        if (compared.Any(c => c is null))
            return "";
        var all = earlier.Count == 1 ? "that" : "each of them";
        if (compared.All(c => c > 0))
            return $"Better than {all} this time.";
        if (compared.All(c => c < 0))
            return $"Not as good as {all} this time.";
        return compared.All(c => c == 0) ? "The same again." : "In the range of the times before.";
    }

    /// <summary>
    /// A share made has its own doubt: the times before are put together and the difference is held against chance.
    /// </summary>
    private static string Verdict(ProtocolResult now, IReadOnlyList<PastResult> earlier)
    {
        var (made, tried) = (now.Counts["made"], now.Counts["attempts"]);
        var (madeBefore, triedBefore) = (earlier.Sum(r => (int)(r.Value("made") ?? 0)), earlier.Sum(r => r.Attempts));
        var difference = Rate.Difference((made, tried), (madeBefore, triedBefore));
        var before = $"{madeBefore} of {triedBefore} before";
        if (difference.Low > 0)
            return $"More than {before}, by more than chance would.";
        if (difference.High < 0)
            return $"Fewer than {before}, by more than chance would.";
        return $"No clear difference from {before}: so few balls go up and down by themselves.";
    }
}
