using MorningRound.Core.Golf;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>What a session that was practised gives the charts.</summary>
/// <param name="Minutes">Minutes the clock ran.</param>
/// <param name="Strokes">Strokes as far as they were counted.</param>
/// <param name="WorstPain">The highest pain reported, 1 to 10; null where none was.</param>
/// <param name="Ratings">The ratings given, one a log.</param>
public sealed record SessionFigures(double Minutes, Strokes Strokes, int? WorstPain, IReadOnlyList<SessionRated> Ratings)
{
    /// <summary>The figures of a session.</summary>
    /// <param name="plan">Its plan.</param>
    /// <param name="logs">What its logs add up to.</param>
    public static SessionFigures Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs) => Of(logs, Strokes.Of(plan, logs));

    /// <summary>The figures of logs whose strokes have been counted.</summary>
    public static SessionFigures Of(IReadOnlyCollection<SessionLog> logs, Strokes strokes) =>
        new(
            logs.Sum(l => l.Spent.TotalMinutes),
            strokes,
            logs.SelectMany(l => l.Pain).Max(p => (int?)p.Level),
            [.. logs.Select(l => l.Rating).OfType<SessionRated>()]
        );
}
