using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;

namespace MorningRound.Core.Plans.Checks;

/// <summary>How far the results of an area fall short of what was asked, as plain numbers.</summary>
/// <param name="Area">The area.</param>
/// <param name="Shortfall">The mean share, 0 to 1, that was missing to the goals: 0 where all were met.</param>
/// <param name="Results">From how many results.</param>
public sealed record AreaLoss(Area Area, double Shortfall, int Results)
{
    /// <summary>
    /// How much of a goal is missing, 0 to 1: nothing where it was met, otherwise the distance to it as a share of the goal,
    /// or of four where the goal is small, as a score to par is.
    /// </summary>
    /// <param name="goal">What was asked.</param>
    /// <param name="better">Which way is better.</param>
    /// <param name="value">What came out.</param>
    public static double Missing(double goal, Better better, double value) =>
        Math.Clamp((better == Better.Higher ? goal - value : value - goal) / Math.Max(4, Math.Abs(goal)), 0, 1);

    /// <summary>The losses of each area that has results, from how much was missing to each goal.</summary>
    public static IReadOnlyList<AreaLoss> From(IEnumerable<(Area Area, double Missing)> results) =>
        [
            .. results
                .GroupBy(r => r.Area)
                .Select(g => new AreaLoss(g.Key, g.Average(r => r.Missing), g.Count()))
                .OrderByDescending(l => l.Shortfall),
        ];
}
