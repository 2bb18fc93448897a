using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>
/// Whether a student's ratings and results go together: the rank correlation between how good a session was called and the mean
/// percentile of its results among the student's own comparable ones.
/// </summary>
/// <param name="Sessions">The sessions that have both.</param>
/// <param name="Correlation">The correlation; null where there is none to speak of.</param>
/// <param name="Said">The same in words.</param>
public sealed record RatingHonesty(int Sessions, RankCorrelation? Correlation, [property: JsonIgnore] Message Said)
{
    /// <summary>Fewer sessions say nothing.</summary>
    public const int Fewest = 8;

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>
    /// What the results of a span say of the ratings. A result without a comparable one beside it has no percentile, and one of a
    /// lesson does not count.
    /// </summary>
    public static RatingHonesty Of(IReadOnlyCollection<DatedResult> results)
    {
        var pairs = results
            .Where(r => r is { Result: { IsHollow: false, Value: not null, Leading.Better: not Better.None } })
            .Where(r => r.Group != PhaseGroup.WarmUp)
            .GroupBy(r => r.Key)
            .Where(g => g.Count() > 1)
            .SelectMany(Percentiles)
            .Where(p => p.Result.Quality is not null)
            .GroupBy(p => p.Result.SessionId)
            .Select(g => ((double)g.First().Result.Quality!.Value, g.Average(p => p.Percentile)))
            .ToList();
        if (pairs.Count < Fewest)
            return new RatingHonesty(pairs.Count, null, ProgressSentences.HonestyFew.Of(pairs.Count, Fewest));
        if (RankCorrelation.Of(pairs) is not { } found)
            return new RatingHonesty(pairs.Count, null, ProgressSentences.HonestyFlat.Of(pairs.Count));
        var sentence =
            found.Interval.Low > 0 ? ProgressSentences.HonestyTogether
            : found.Interval.High < 0 ? ProgressSentences.HonestyAgainst
            : ProgressSentences.HonestyOpen;
        return new RatingHonesty(
            pairs.Count,
            found,
            sentence.Of(
                pairs.Count,
                Written.Number(found.Value, 1),
                Written.Number(found.Interval.Low, 1),
                Written.Number(found.Interval.High, 1)
            )
        );
    }

    /// <summary>The share of the comparable results that each is better than, ties counted half.</summary>
    private static IEnumerable<(DatedResult Result, double Percentile)> Percentiles(IEnumerable<DatedResult> comparable)
    {
        var all = comparable.ToList();
        var ranks = RankCorrelation.Ranks([
            .. all.Select(r => r.Result.Leading.Better == Better.Higher ? r.Result.Value!.Value : -r.Result.Value!.Value),
        ]);
        return all.Select((r, i) => (r, (ranks[i] - 0.5) / all.Count));
    }
}
