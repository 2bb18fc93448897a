using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>Minutes of one kind.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Minutes">The minutes.</param>
public sealed record MinutesOf<T>(T Kind, double Minutes);

/// <summary>How much of the practice after warm-ups was of one kind, beside what the student's approach asks for.</summary>
/// <param name="Name">What is divided, in words.</param>
/// <param name="Percent">What it was, 0 to 100.</param>
/// <param name="Least">The least the approach asks for, 0 to 100.</param>
/// <param name="Most">The most.</param>
/// <param name="Said">The same in words.</param>
public sealed record PractisedShare(string Name, double Percent, double Least, double Most, [property: JsonIgnore] Message Said)
{
    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>A share beside its band.</summary>
    internal static PractisedShare Of(ShareBand band, double percent) =>
        new(
            band.Share.InWords(),
            percent,
            band.Least,
            band.Most,
            (
                percent < band.Least ? ProgressSentences.ShareBelow
                : percent > band.Most ? ProgressSentences.ShareAbove
                : ProgressSentences.ShareWithin
            ).Of(band.Share.InWords(), percent, band.Least, band.Most)
        );
}

/// <summary>Where rounds lose strokes, beside the minutes that went into it.</summary>
/// <param name="Areas">The areas of practice that serve it.</param>
/// <param name="Strokes">Strokes lost in eighteen holes.</param>
/// <param name="Percent">How much of the minutes after warm-ups went into these areas, 0 to 100.</param>
/// <param name="Said">The same in words.</param>
public sealed record LostBesideMinutes(
    IReadOnlyList<Area> Areas,
    double Strokes,
    double Percent,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>The same in English.</summary>
    public string Text => Said.In();
}

/// <summary>What a span of practice went into: minutes by part of the game, by phase, by what they were for.</summary>
/// <param name="Areas">By area; what has none is left out.</param>
/// <param name="Phases">By phase, in their order.</param>
/// <param name="Intents">By intent, in their order.</param>
/// <param name="Shares">Beside the student's approach; empty where there is none, or nothing was practised.</param>
/// <param name="Lost">Beside what rounds lose, the most first; empty where rounds do not say.</param>
public sealed record PractisedMinutes(
    IReadOnlyList<MinutesOf<Area>> Areas,
    IReadOnlyList<MinutesOf<Phase>> Phases,
    IReadOnlyList<MinutesOf<Intent>> Intents,
    IReadOnlyList<PractisedShare> Shares,
    IReadOnlyList<LostBesideMinutes> Lost
)
{
    /// <summary>Adds up the sessions of a span.</summary>
    /// <param name="sessions">The sessions.</param>
    /// <param name="bands">The shares the student's approach asks for; empty without one.</param>
    /// <param name="rounds">Where rounds lose strokes; null where they do not say.</param>
    public static PractisedMinutes Of(IEnumerable<SessionFigures> sessions, IReadOnlyList<ShareBand> bands, LostStrokes? rounds)
    {
        var parts = sessions.SelectMany(s => s.Parts).ToList();
        var after = parts.Where(p => p.Phase != Phase.WarmUp).ToList();
        var whole = after.Sum(p => p.Minutes);
        double PercentOf(Func<PractisedPart, bool> counts) => 100 * after.Where(counts).Sum(p => p.Minutes) / whole;
        return new PractisedMinutes(
            Added(parts.Where(p => p.Area is not null), p => p.Area!.Value),
            Added(parts, p => p.Phase),
            Added(parts, p => p.Intent),
            whole <= 0 ? [] : [.. bands.Select(b => PractisedShare.Of(b, PercentOf(p => b.Share.Counts(p.Phase, p.Intent))))],
            whole <= 0
                ? []
                :
                [
                    .. (rounds?.Areas() ?? [])
                        .GroupBy(a => (a.Part, a.Strokes))
                        .Select(g =>
                        {
                            Area[] areas = [.. g.Select(a => a.Area)];
                            var percent = PercentOf(p => p.Area is { } area && areas.Contains(area));
                            return new LostBesideMinutes(
                                areas,
                                g.Key.Strokes,
                                percent,
                                ProgressSentences.LostBesideMinutes.Of(g.Key.Part, g.Key.Strokes, rounds!.Rounds, percent, areas)
                            );
                        }),
                ]
        );
    }

    private static List<MinutesOf<T>> Added<T>(IEnumerable<PractisedPart> parts, Func<PractisedPart, T> kind) =>
        [.. parts.GroupBy(kind).OrderBy(g => g.Key).Select(g => new MinutesOf<T>(g.Key, g.Sum(p => p.Minutes)))];
}
