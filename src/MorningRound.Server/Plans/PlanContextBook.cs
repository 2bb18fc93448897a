using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Check;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Plans;

/// <summary>What a plan is checked against and drafted from: the student's file, the grounds, lately reported pain, the load.</summary>
public sealed class PlanContextBook(MorningRoundDb db, DomainClock clock, StudentFileBook files, PainBook pain)
{
    /// <summary>Four weeks before this one, and one more, which says that there is history.</summary>
    private const int DaysOfLoad = 42;

    /// <summary>Everything that is known; without a student, the grounds alone. Three queries at most.</summary>
    public async Task<PlanContext> OfAsync(Caller caller, Guid? studentId, DateOnly? day, CancellationToken cancel)
    {
        var on = OnDay(caller, day);
        if (studentId is not { } id) return new PlanContext { Day = on, Places = await PlacesAsync(caller, cancel) };
        var facts = await db.Students.AsNoTracking().Where(s => s.AcademyId == caller.AcademyId && s.Id == id)
            .Select(s => new { s.Level, s.Hand })
            .SingleOrDefaultAsync(cancel) ?? throw Refusal.NotFound("student");
        var file = await files.FileAsync(caller, id, cancel);
        var oldest = on.Plus(-DaysOfLoad);
        var logs = await db.SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == id && l.Day >= oldest && l.Day <= on)
            .Select(l => new { l.Day, l.Reading })
            .ToListAsync(cancel);
        return new PlanContext
        {
            Day = on,
            Student = file,
            Level = facts.Level,
            Hand = facts.Hand,
            Places = await PlacesAsync(caller, cancel),
            Hurt = PlanContext.HurtOf(file, await pain.OpenAsync(caller, id, file, cancel)),
            Load = Load.Of([.. logs.Select(l => new LoadedSession(l.Day, l.Reading.Spent.TotalMinutes, l.Reading.Rating?.Effort))], IsoWeek.Of(on).Monday),
        };
    }

    /// <summary>
    /// The whole squad by name, in four queries whatever its size. Load is looked at for each student when a week is published.
    /// </summary>
    public async Task<IReadOnlyList<(string Name, PlanContext Context)>> SquadAsync(Caller caller, DateOnly? day, CancellationToken cancel)
    {
        var on = OnDay(caller, day);
        var students = await db.Students.AsNoTracking().Where(s => s.AcademyId == caller.AcademyId).OrderBy(s => s.Name).ToListAsync(cancel);
        var kept = await db.StudentFiles.AsNoTracking().Where(f => f.AcademyId == caller.AcademyId).ToDictionaryAsync(f => f.StudentId, f => f.Document, cancel);
        var places = await PlacesAsync(caller, cancel);
        var pains = await pain.OfSquadAsync(caller, cancel);
        return
        [
            .. students.Select(s =>
            {
                var file = kept.GetValueOrDefault(s.Id) ?? new StudentFile();
                return (s.Name, new PlanContext { Day = on, Student = file, Level = s.Level, Hand = s.Hand, Places = places, Hurt = PlanContext.HurtOf(file, OpenPain.Of(pains[s.Id], file)) });
            }),
        ];
    }

    /// <summary>A student's file and the grounds only: enough to make a session fit.</summary>
    public async Task<PlanContext> GroundsAsync(Caller caller, StudentFile file, DateOnly day, CancellationToken cancel) =>
        new() { Day = day, Student = file, Places = await PlacesAsync(caller, cancel) };

    /// <summary>The drills of the student's last two sessions.</summary>
    public async Task<IReadOnlyList<Guid>> RecentDrillsAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var last = await db.SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId)
            .GroupBy(l => l.AssignmentId)
            .Select(g => new { Assignment = g.Key, Day = g.Max(l => l.Day) })
            .OrderByDescending(l => l.Day).ThenByDescending(l => l.Assignment)
            .Take(2)
            .Select(l => l.Assignment)
            .ToListAsync(cancel);
        var plans = await db.Assignments.AsNoTracking().Where(a => a.AcademyId == caller.AcademyId && last.Contains(a.Id)).Select(a => a.Document).ToListAsync(cancel);
        return [.. plans.SelectMany(p => p.Practice()).Where(s => s.Drill is not null).Select(s => s.Drill!.DrillId).Distinct()];
    }

    private DateOnly OnDay(Caller caller, DateOnly? day)
    {
        var today = clock.Today(caller.TimeZone);
        var errors = new FieldErrors().RequireNear(day, today, "day");
        return errors.Found.Count > 0 ? throw Refusal.Invalid(errors.Found) : day ?? today;
    }

    private async Task<IReadOnlyList<ListedPlace>> PlacesAsync(Caller caller, CancellationToken cancel) =>
    [
        .. (await db.Places.AsNoTracking().Where(p => p.AcademyId == caller.AcademyId).OrderBy(p => p.Id)
                .Select(p => new { p.Id, p.Document }).ToListAsync(cancel))
            .Select(p => new ListedPlace { Id = p.Id, Place = p.Document }),
    ];
}
