using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>What was practised, as plans are checked against it and drafted from it.</summary>
public sealed class PracticeHistoryService(MorningRoundDb db, PainService pain) : IPracticeHistory
{
    /// <summary>Four weeks before this one, and one more, which says that there is history.</summary>
    private const int DaysOfLoad = 42;

    public async Task<(IReadOnlyList<HurtPart> Hurt, WeekLoad? Load, DateOnly? LastPractised)> OfAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var oldest = day.Plus(-DaysOfLoad);
        var logs = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day >= oldest && l.Day <= day)
            .Select(l => new LoadedSession(l.Day, l.Minutes, l.Effort))
            .ToListAsync(cancel);
        return (
            OpenPain.HurtParts(file, await pain.OpenAsync(caller, studentId, file, cancel)),
            Load.Of(logs, IsoWeek.Of(day).Monday).ForPlanning(),
            logs.Count > 0 ? logs.Max(l => l.Day) : await LastBeforeAsync(caller, studentId, oldest, cancel)
        );
    }

    /// <summary>Asked only of somebody who has not practised for weeks.</summary>
    private Task<DateOnly?> LastBeforeAsync(Caller caller, Guid studentId, DateOnly day, CancellationToken cancel) =>
        db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day < day)
            .MaxAsync(l => (DateOnly?)l.Day, cancel);

    public async Task<IReadOnlyDictionary<Guid, IReadOnlyList<HurtPart>>> HurtOfSquadAsync(
        Caller caller,
        IReadOnlyDictionary<Guid, StudentFile> files,
        CancellationToken cancel
    )
    {
        var reported = await pain.OfSquadAsync(caller, cancel);
        return files
            .Keys.Union(reported.Select(r => r.Key))
            .ToDictionary(
                id => id,
                id =>
                {
                    var file = files.GetValueOrDefault(id) ?? new StudentFile();
                    return OpenPain.HurtParts(file, OpenPain.Of(reported[id], file));
                }
            );
    }

    public async Task<IReadOnlyList<Guid>> RecentDrillsAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var last = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId)
            .GroupBy(l => l.AssignmentId)
            .Select(g => new { Assignment = g.Key, Day = g.Max(l => l.Day) })
            .OrderByDescending(l => l.Day)
            .ThenByDescending(l => l.Assignment)
            .Take(2)
            .Select(l => l.Assignment)
            .ToListAsync(cancel);
        var plans = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && last.Contains(a.Id))
            .Select(a => a.Document)
            .ToListAsync(cancel);
        return [.. plans.SelectMany(p => p.Practice()).Where(s => s.Drill is not null).Select(s => s.Drill!.DrillId).Distinct()];
    }
}
