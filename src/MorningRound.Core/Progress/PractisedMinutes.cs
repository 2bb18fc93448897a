using MorningRound.Core.Golf;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Progress;

/// <summary>Minutes of one kind.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Minutes">The minutes.</param>
public sealed record MinutesOf<T>(T Kind, double Minutes);

/// <summary>What a span of practice went into: minutes by part of the game, by phase, by what they were for.</summary>
/// <param name="Areas">By area; what has none is left out.</param>
/// <param name="Phases">By phase, in their order.</param>
/// <param name="Intents">By intent, in their order.</param>
public sealed record PractisedMinutes(
    IReadOnlyList<MinutesOf<Area>> Areas,
    IReadOnlyList<MinutesOf<Phase>> Phases,
    IReadOnlyList<MinutesOf<Intent>> Intents
)
{
    /// <summary>Adds up the sessions of a span.</summary>
    public static PractisedMinutes Of(IEnumerable<SessionFigures> sessions)
    {
        var parts = sessions.SelectMany(s => s.Parts).ToList();
        return new PractisedMinutes(
            Added(parts.Where(p => p.Area is not null), p => p.Area!.Value),
            Added(parts, p => p.Phase),
            Added(parts, p => p.Intent)
        );
    }

    private static List<MinutesOf<T>> Added<T>(IEnumerable<PractisedPart> parts, Func<PractisedPart, T> kind) =>
        [.. parts.GroupBy(kind).OrderBy(g => g.Key).Select(g => new MinutesOf<T>(g.Key, g.Sum(p => p.Minutes)))];
}
