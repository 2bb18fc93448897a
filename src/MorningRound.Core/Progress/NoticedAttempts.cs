using System.Text.Json.Serialization;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>What was noticed about attempts over a span, added up: tags, the routine, and where balls missed.</summary>
/// <param name="Tags">How often each tag was tapped, by group, the most frequent first.</param>
/// <param name="Attempts">The attempts that could have carried one.</param>
/// <param name="WithRoutine">Successes with the whole routine; null where none was tapped.</param>
/// <param name="WithoutRoutine">Successes without it; null where none was tapped. Half a routine is in neither.</param>
/// <param name="Misses">Where balls missed.</param>
/// <param name="Widths">How wide what was measured sideways is spread.</param>
/// <param name="Said">What follows, each with its doubt; empty where nothing was noticed.</param>
public sealed record NoticedAttempts(
    IReadOnlyList<KeptTag> Tags,
    int Attempts,
    CountOf? WithRoutine,
    CountOf? WithoutRoutine,
    MissCounts Misses,
    IReadOnlyList<KeptQuantity> Widths,
    [property: JsonIgnore] IReadOnlyList<Message> Said
)
{
    /// <summary>Fewer misses make no pattern. [own default]</summary>
    public const int FewestMisses = 10;

    /// <summary>What follows, in English.</summary>
    public IReadOnlyList<string> Texts => [.. Said.Select(s => s.In())];

    /// <summary>Adds up the results of a span; lessons count too, for what a ball did is what it did.</summary>
    /// <param name="results">The results.</param>
    /// <param name="hand">The player's hand: a pull goes left for a right-handed one.</param>
    public static NoticedAttempts Of(IReadOnlyCollection<DatedResult> results, Hand hand)
    {
        var kept = results.Select(r => r.Result).ToList();
        var tags = kept.SelectMany(r => r.Tags)
            .GroupBy(t => (t.Group, t.Tag))
            .Select(g => new KeptTag(g.Key.Group, g.Key.Tag, g.Sum(t => t.Attempts), Added([.. g.Select(t => t.Successes)])))
            .OrderBy(t => t.Group)
            .ThenByDescending(t => t.Attempts)
            .ThenBy(t => t.Tag, StringComparer.Ordinal)
            .ToList();
        int Tagged(LineTag tag) =>
            tags.FirstOrDefault(t => string.Equals(t.Tag, tag.ToString(), StringComparison.OrdinalIgnoreCase))?.Attempts ?? 0;
        var (pulled, pushed) = (Tagged(LineTag.Pull), Tagged(LineTag.Push));
        var misses = kept.Select(r => r.Misses ?? MissCounts.None)
            .Aggregate(
                hand == Hand.Right ? new MissCounts(pulled, pushed, 0, 0) : new MissCounts(pushed, pulled, 0, 0),
                (sum, one) => sum + one
            );
        var widths = kept.SelectMany(r => r.Quantities)
            .Where(q => IsSideways(q.Name) && q.Count > 1)
            .GroupBy(q => q.Name, StringComparer.OrdinalIgnoreCase)
            .Select(g => Together(g.Key, [.. g]))
            .ToList();
        var (with, without) = (Routine(tags, "done"), Routine(tags, "not done"));
        return new NoticedAttempts(
            tags,
            kept.Where(r => r.Tags.Count > 0).Sum(r => r.Attempts),
            with,
            without,
            misses,
            widths,
            [
                .. Sides(misses),
                .. widths
                    .Where(w => w.Count >= FewestMisses && w.Deviation is not null)
                    .Select(w => ProgressSentences.MissWidth.Of(Capital(w.Name), w.Deviation!.Value, "", w.Count)),
                .. OfRoutine(with, without),
            ]
        );
    }

    private static bool IsSideways(string name) =>
        name.Contains("beside", StringComparison.OrdinalIgnoreCase)
        || name.Contains("offline", StringComparison.OrdinalIgnoreCase)
        || name.Contains("start direction", StringComparison.OrdinalIgnoreCase);

    private static KeptQuantity Together(string name, IReadOnlyList<KeptQuantity> parts)
    {
        var count = parts.Sum(p => p.Count);
        var mean = parts.Sum(p => p.Count * p.Mean) / count;
        var squares = parts.Sum(p => ((p.Count - 1) * Math.Pow(p.Deviation ?? 0, 2)) + (p.Count * Math.Pow(p.Mean - mean, 2)));
        return new KeptQuantity(name, count, mean, Math.Sqrt(squares / (count - 1)));
    }

    private static CountOf? Added(IReadOnlyList<CountOf?> counts)
    {
        var known = counts.OfType<CountOf>().ToList();
        return known.Count == 0 ? null : new CountOf(known.Sum(c => c.Count), known.Sum(c => c.Of));
    }

    private static CountOf? Routine(IReadOnlyList<KeptTag> tags, string tag) =>
        tags.FirstOrDefault(t => t.Group == TagGroup.Routine && t.Tag == tag)?.Successes;

    private static IEnumerable<Message> Sides(MissCounts misses)
    {
        foreach (
            var (one, oneName, other, otherName) in new[]
            {
                (misses.Left, "left", misses.Right, "right"),
                (misses.TooShort, "short", misses.TooLong, "long"),
            }
        )
        {
            var all = one + other;
            if (all == 0)
                continue;
            if (all < FewestMisses)
            {
                yield return ProgressSentences.MissFew.Of(all);
                continue;
            }

            var (count, name) = one >= other ? (one, oneName) : (other, otherName);
            var (low, high) = Rate.Wilson(count, all);
            yield return (low > 0.5 ? ProgressSentences.MissOneSide : ProgressSentences.MissNoSide).Of(
                count,
                all,
                name,
                Written.Number(100 * low, 0),
                Written.Number(100 * high, 0)
            );
        }
    }

    private static IEnumerable<Message> OfRoutine(CountOf? with, CountOf? without)
    {
        if (with is not { Of: > 0 } || without is not { Of: > 0 })
            yield break;
        var (low, high) = Rate.Difference((with.Count, with.Of), (without.Count, without.Of));
        var (sentence, from, to) =
            low > 0 ? (ProgressSentences.RoutineHelps, low, high)
            : high < 0 ? (ProgressSentences.RoutineHurts, -high, -low)
            : (ProgressSentences.RoutineOpen, low, high);
        yield return sentence.Of(
            with.Count,
            with.Of,
            without.Count,
            without.Of,
            Written.Number(100 * from, 0),
            Written.Number(100 * to, 0)
        );
    }

    private static string Capital(string name) => name.Length == 0 ? name : $"{char.ToUpperInvariant(name[0])}{name[1..]}";
}
