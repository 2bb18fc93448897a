using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>What many students practised lately: load, usual minutes, and pain that was told.</summary>
public sealed class SquadLoads(MorningRoundDb db)
{
    /// <summary>Four weeks before this one, and one more, which says that there is history.</summary>
    private const int DaysOfLoad = 42;

    private const int Weeks = 4;

    /// <summary>
    /// What each student practised up to the end of a week, and what pain they ever told of: one query. Those who never practised
    /// are missing.
    /// </summary>
    public async Task<IReadOnlyDictionary<Guid, PracticeLately>> OfAsync(
        Caller caller,
        IReadOnlyCollection<Guid> students,
        IsoWeek week,
        DateOnly today,
        CancellationToken cancel
    )
    {
        // Weeks that are not over are in no mean, so that a later week looks back from this one.
        var thisMonday = IsoWeek.Of(today).Monday;
        var finished = week.Monday < thisMonday ? week.Monday : thisMonday;
        var (oldest, newest) = (finished.Plus(-DaysOfLoad), week.Sunday);
        var all = db.SessionLogs.AsNoTracking().Where(l => l.AcademyId == caller.AcademyId && students.Contains(l.StudentId));
        // Two halves, each with an index of its own: as one condition the database would read every log.
        var rows = await all.Where(l => l.Day >= oldest && l.Day <= newest && l.Pain == null)
            .Concat(all.Where(l => l.Pain != null))
            .Select(l => new
            {
                l.StudentId,
                l.Day,
                l.Minutes,
                l.Effort,
                l.Pain,
            })
            .ToListAsync(cancel);
        return rows.GroupBy(r => r.StudentId)
            .ToDictionary(
                g => g.Key,
                g =>
                {
                    var before = g.Where(l => l.Day >= finished.Plus(-7 * Weeks) && l.Day < finished).ToList();
                    return new PracticeLately(
                        Load.Of([.. g.Select(l => new LoadedSession(l.Day, l.Minutes, l.Effort))], week.Monday, today),
                        before.Count == 0 ? null : before.Sum(l => l.Minutes) / Weeks,
                        UsualDays.Of(g.Select(l => l.Day), finished),
                        [.. g.Where(l => l.Pain is not null).Select(l => new PainOnDay(l.Day, l.Pain!))]
                    );
                }
            );
    }
}

/// <summary>What one student practised lately.</summary>
/// <param name="Load">The load of a week and of the four before it.</param>
/// <param name="UsualMinutes">Minutes a week, the mean of those four; null where nothing was practised.</param>
/// <param name="UsualDays">Days of practice in a week, of those four; null where too few of them had any.</param>
/// <param name="Pain">Pain that was told of, however long ago.</param>
public sealed record PracticeLately(Load Load, double? UsualMinutes, int? UsualDays, IReadOnlyList<PainOnDay> Pain);
