using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>What was practised, as plans are checked against it and drafted from it.</summary>
public sealed class PracticeHistoryService(MorningRoundDb db, PainService pain, DomainClock clock) : IPracticeHistory
{
    /// <summary>Four weeks before this one, and one more, which says that there is history.</summary>
    private const int DaysOfLoad = 42;

    /// <summary>Results of the last eight weeks say where they fall short.</summary>
    private const int DaysOfResults = 56;
    private const int MostSessions = 24;
    private const int MostKnown = 500;

    public async Task<(IReadOnlyList<HurtPart> Hurt, WeekLoad? Load, DateOnly? LastPractised)> OfAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var today = clock.Today(caller.TimeZone);
        // Weeks that are not over are in no mean, so that a later day looks back from this week.
        var oldest = (today < day ? today : day).Plus(-DaysOfLoad);
        var logs = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day >= oldest && l.Day <= day)
            .Select(l => new LoadedSession(l.Day, l.Minutes, l.Effort))
            .ToListAsync(cancel);
        return (
            OpenPain.HurtParts(file, await pain.OpenAsync(caller, studentId, file, cancel)),
            Load.Of(logs, IsoWeek.Of(day).Monday, today < day ? today : day).ForPlanning(),
            logs.Count > 0 ? logs.Max(l => l.Day) : await LastBeforeAsync(caller, studentId, oldest, cancel)
        );
    }

    /// <summary>Asked only of somebody who has not practised for weeks.</summary>
    private Task<DateOnly?> LastBeforeAsync(Caller caller, Guid studentId, DateOnly day, CancellationToken cancel) =>
        db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day < day)
            .MaxAsync(l => (DateOnly?)l.Day, cancel);

    public async Task<(
        IReadOnlyDictionary<Guid, IReadOnlyList<HurtPart>> Hurt,
        IReadOnlyDictionary<Guid, DateOnly> Last
    )> OfSquadAsync(
        Caller caller,
        IReadOnlyCollection<Guid> studentIds,
        IReadOnlyDictionary<Guid, StudentFile> files,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var reported = await pain.OfSquadAsync(caller, cancel);
        var hurt = files
            .Keys.Union(reported.Select(r => r.Key))
            .ToDictionary(
                id => id,
                id =>
                {
                    var file = files.GetValueOrDefault(id) ?? new StudentFile();
                    return OpenPain.HurtParts(file, OpenPain.Of(reported[id], file));
                }
            );
        // The last entry of an index for each of them, however much was practised before.
        var logs = db.SessionLogs;
        var last = await db
            .Students.AsNoTracking()
            .Where(s => s.AcademyId == caller.AcademyId && studentIds.Contains(s.Id))
            .Select(s => new
            {
                s.Id,
                Day = logs.Where(l => l.AcademyId == s.AcademyId && l.StudentId == s.Id && l.Day <= day)
                    .Max(l => (DateOnly?)l.Day),
            })
            .Where(s => s.Day != null)
            .ToDictionaryAsync(s => s.Id, s => s.Day!.Value, cancel);
        return (hurt, last);
    }

    public async Task<PracticeRecord> RecordAsync(Caller caller, Guid studentId, DateOnly day, CancellationToken cancel)
    {
        var oldest = day.Plus(-DaysOfResults);
        var logs = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day >= oldest)
            .OrderByDescending(l => l.Day)
            .ThenByDescending(l => l.Id)
            .Take(MostSessions)
            .Select(l => new { l.Id, l.AssignmentId })
            .ToListAsync(cancel);
        var assignments = logs.Select(l => l.AssignmentId).Distinct().ToList();
        var plans = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && assignments.Contains(a.Id))
            .ToDictionaryAsync(a => a.Id, a => a.Document, cancel);
        var known = await db
            .DrillResults.AsNoTracking()
            .Where(m => m.AcademyId == caller.AcademyId && m.StudentId == studentId)
            .Select(m => m.DrillId)
            .Distinct()
            .Order()
            .Take(MostKnown)
            .ToListAsync(cancel);
        var lately = assignments.Take(2).SelectMany(id => plans[id].Practice()).Where(s => s.Phase != Phase.WarmUp).ToList();
        return new PracticeRecord(
            [.. lately.Select(s => s.Drill?.DrillId).OfType<Guid>().Distinct()],
            [.. lately.Select(s => s.EffectiveArea).OfType<Area>().Distinct()],
            known,
            [.. (await LossesAsync(caller, [studentId], day, cancel))[studentId]]
        );
    }

    /// <summary>
    /// How far the results of the last weeks fall short of their goals, by student and area, the largest first: one query.
    /// </summary>
    public async Task<ILookup<Guid, AreaLoss>> LossesAsync(
        Caller caller,
        IReadOnlyCollection<Guid> students,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var oldest = day.Plus(-DaysOfResults);
        var rows = await db
            .DrillResults.AsNoTracking()
            .Where(m =>
                m.AcademyId == caller.AcademyId
                && students.Contains(m.StudentId)
                && m.Day >= oldest
                && m.Day <= day
                && m.Shortfall != null
                && m.Area != null
            )
            .GroupBy(m => new { m.StudentId, m.Area })
            .Select(g => new
            {
                g.Key.StudentId,
                g.Key.Area,
                Shortfall = g.Average(m => m.Shortfall!.Value),
                Results = g.Count(),
            })
            .ToListAsync(cancel);
        return rows.OrderByDescending(r => r.Shortfall)
            .ThenBy(r => r.Area)
            .ToLookup(r => r.StudentId, r => new AreaLoss(r.Area!.Value, r.Shortfall, r.Results));
    }
}
