using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>Where students stand on the ladders of drills.</summary>
public sealed class LadderStandings(MorningRoundDb db)
{
    /// <summary>Older results say nothing of where somebody stands today.</summary>
    private const int Days = 182;

    /// <summary>More than two dozen students have of a week's drills in half a year.</summary>
    private const int MostRows = 20_000;

    /// <summary>The drills of a plan that have a ladder, each once.</summary>
    public static IReadOnlyList<Guid> DrillsOf(SessionPlan plan) =>
        [.. plan.Practice().Where(s => s.Drill is { Drill.Ladder.Count: > 1 }).Select(s => s.Drill!.DrillId).Distinct()];

    /// <summary>The standings of students on drills, by student; those without results are missing. One query.</summary>
    /// <param name="caller">A coach of the academy.</param>
    /// <param name="students">The students.</param>
    /// <param name="drills">The drills; asks nothing where there are none.</param>
    /// <param name="day">Results after this day are not looked at.</param>
    /// <param name="cancel">Ends the question.</param>
    public async Task<ILookup<Guid, LadderStanding>> OfAsync(
        Caller caller,
        IReadOnlyCollection<Guid> students,
        IReadOnlyCollection<Guid> drills,
        DateOnly day,
        CancellationToken cancel
    )
    {
        if (drills.Count == 0)
            return Array.Empty<(Guid, LadderStanding)>().ToLookup(_ => Guid.Empty, one => one.Item2);
        var oldest = day.Plus(-Days);
        var rows = await db
            .DrillResults.AsNoTracking()
            .Where(m =>
                m.AcademyId == caller.AcademyId
                && students.Contains(m.StudentId)
                && drills.Contains(m.DrillId)
                && m.Day >= oldest
                && m.Day <= day
            )
            .OrderByDescending(m => m.Day)
            .ThenByDescending(m => m.LogId)
            .Take(MostRows)
            .Select(m => new
            {
                m.StudentId,
                m.DrillId,
                m.ComparabilityKey,
                m.Rung,
                m.Shortfall,
            })
            .ToListAsync(cancel);
        return rows.GroupBy(r => (r.StudentId, r.DrillId))
            .Select(g =>
            {
                var results = g.Select(r => (r.ComparabilityKey, r.Rung, IsMet: r.Shortfall == 0)).ToList();
                var comparable = results.Where(r => r.ComparabilityKey == results[0].ComparabilityKey);
                var met = comparable.TakeWhile(r => r.IsMet).Count();
                return (g.Key.StudentId, Standing: new LadderStanding(g.Key.DrillId, results[0].Rung, met));
            })
            .ToLookup(s => s.StudentId, s => s.Standing);
    }
}
