namespace MorningRound.Core.OnCourse;

/// <summary>A figure of a card that is put beside others.</summary>
public enum CardFigure
{
    /// <summary>Strokes over par.</summary>
    ToPar,

    /// <summary>Fairways hit, in per cent.</summary>
    Fairways,

    /// <summary>Greens in regulation, in per cent.</summary>
    Greens,

    /// <summary>Missed greens that were saved, in per cent.</summary>
    UpAndDowns,

    /// <summary>Putts.</summary>
    Putts,

    /// <summary>Penalty strokes.</summary>
    Penalties,
}

/// <summary>A figure of a card beside the same holes last time and beside real rounds.</summary>
/// <param name="Figure">Which.</param>
/// <param name="Now">On this card.</param>
/// <param name="LastTime">
/// The last time the same holes were played, as many of them; null where there was none.
/// </param>
/// <param name="InRounds">
/// In real rounds, for as many holes; null where fewer than <see cref="LostStrokes.Fewest"/> of them noted it.
/// </param>
public sealed record FigureBeside(CardFigure Figure, double Now, double? LastTime, double? InRounds)
{
    /// <summary>Every figure that the card has and that something stands beside.</summary>
    /// <param name="card">The card.</param>
    /// <param name="lastTime">The figures of the same holes last time; null where there was none.</param>
    /// <param name="rounds">The student's last real rounds.</param>
    public static IReadOnlyList<FigureBeside> Of(
        Card card,
        IReadOnlyDictionary<CardFigure, double>? lastTime,
        IReadOnlyCollection<Round> rounds
    )
    {
        var holes = card.Over.Count();
        if (holes == 0)
            return [];
        var played = rounds.Select(r => (r.HolesPlayed, Totals: r.Totals())).ToList();
        return
        [
            .. Enum.GetValues<CardFigure>()
                .Select(figure =>
                    OnCard(card, figure) is { } now
                        ? new FigureBeside(
                            figure,
                            now,
                            lastTime is not null && lastTime.TryGetValue(figure, out var before) ? before : null,
                            In(played, figure, holes)
                        )
                        : null
                )
                .OfType<FigureBeside>()
                .Where(f => f.LastTime is not null || f.InRounds is not null),
        ];
    }

    private static double? OnCard(Card card, CardFigure figure) =>
        figure switch
        {
            CardFigure.ToPar => card.Score - card.Par,
            CardFigure.Fairways => Percent(card.Fairways),
            CardFigure.Greens => Percent(card.Greens),
            CardFigure.UpAndDowns => Percent(card.UpAndDowns),
            CardFigure.Putts => card.Putts,
            _ => card.Penalties,
        };

    private static double? Percent(CountOf count) => count.Of == 0 ? null : 100.0 * count.Count / count.Of;

    private static double? In(IReadOnlyList<(int Holes, RoundTotals Totals)> rounds, CardFigure figure, int holes)
    {
        (double Sum, double Of)? One((int Holes, RoundTotals Totals) round) =>
            (figure, round.Totals) switch
            {
                (CardFigure.ToPar, var totals) => (holes * (totals.Score - totals.Par), round.Holes),
                (CardFigure.Fairways, { Fairways: { } fairways }) => (100.0 * fairways.Count, fairways.Of),
                (CardFigure.Greens, { Greens: { } greens }) => (100.0 * greens, round.Holes),
                (CardFigure.UpAndDowns, { UpAndDowns: { } saved }) => (100.0 * saved.Count, saved.Of),
                (CardFigure.Putts, { Putts: { } putts }) => (holes * putts, round.Holes),
                (CardFigure.Penalties, { Penalties: { } penalties }) => (holes * penalties, round.Holes),
                _ => null,
            };
        var noted = rounds.Select(One).OfType<(double Sum, double Of)>().ToList();
        var of = noted.Sum(n => n.Of);
        return noted.Count < LostStrokes.Fewest || of == 0 ? null : noted.Sum(n => n.Sum) / of;
    }
}
