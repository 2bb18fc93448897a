using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Programmes;

/// <summary>For whom programmes run, where each student stands in them, and when they wait.</summary>
public sealed class ProgrammeRunService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>The most runs of one programme that are shown.</summary>
    private const int MostRuns = 200;

    /// <summary>The most weeks in which a run waits for one student.</summary>
    private const int MostWaits = 52;

    /// <summary>The runs of programmes, the latest start first: one query.</summary>
    public async Task<ILookup<Guid, ProgrammeRunView>> OfAsync(
        Caller caller,
        IReadOnlyCollection<Guid> programmes,
        CancellationToken cancel
    )
    {
        var (students, squads, all) = (db.Students, db.Squads, db.Programmes);
        var rows = await (
            from run in db.ProgrammeRuns.AsNoTracking()
            where run.AcademyId == caller.AcademyId && programmes.Contains(run.ProgrammeId)
            where
                run.SquadId == null || squads.Any(s => s.AcademyId == run.AcademyId && s.Id == run.SquadId && s.RemovedAt == null)
            join programme in all on new { run.AcademyId, Id = run.ProgrammeId } equals new { programme.AcademyId, programme.Id }
            orderby run.Start descending, run.Id
            select new
            {
                Run = run,
                programme.Weeks,
                Name = run.StudentId != null
                    ? students.First(s => s.AcademyId == run.AcademyId && s.Id == run.StudentId).Name
                    : squads.First(s => s.AcademyId == run.AcademyId && s.Id == run.SquadId).Name,
                // Waits are one student's; of a squad the calendar says where it stands.
                Waits = run.StudentId == null ? null : run.Waits.Select(w => w.Monday).ToList(),
            }
        )
            .Take(MostRuns)
            .ToListAsync(cancel);
        var today = IsoWeek.Of(clock.Today(caller.TimeZone));
        return rows.ToLookup(
            r => r.Run.ProgrammeId,
            r => View(r.Run, r.Name, r.Weeks, r.Run.For(null, r.Waits ?? []).WeekIn(today, r.Weeks))
        );
    }

    /// <summary>
    /// Starts a programme for a student or a squad, or says from which week on it runs no more. What was published stays.
    /// </summary>
    public async Task<ProgrammeRunView> SaveAsync(
        Caller caller,
        Guid id,
        ProgrammeRunInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var today = clock.Today(caller.TimeZone);
        var start = WeekText.Read(input.Start, "start", today);
        IsoWeek? until = input.Until is { } text ? WeekText.Read(text, "until", today) : null;
        var errors = new FieldErrors()
            .Require(id != Guid.Empty, "id", "An id is needed.")
            .Require(
                input.StudentId is null != input.SquadId is null,
                "studentId",
                "A programme runs for one student or for one squad."
            )
            .Require(until is not { } end || end >= start, "until", "It cannot end before it begins.");
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        var programme =
            await db
                .Programmes.AsNoTracking()
                .SingleOrDefaultAsync(
                    p => p.AcademyId == caller.AcademyId && p.Id == input.ProgrammeId && p.RemovedAt == null,
                    cancel
                )
            ?? throw ApiProblemException.NotFound("programme");
        var name = await NameAsync(caller, input, cancel);
        var row = await db.SaveAsync(
            expected,
            new GuardedRow<ProgrammeRunRow>
            {
                What = "run",
                Find = () => FindAsync(caller, id, cancel),
                View = found => Task.FromResult<object>(View(found, name, programme.Weeks, null)),
                Create = () =>
                    Task.FromResult(
                        new ProgrammeRunRow
                        {
                            AcademyId = caller.AcademyId,
                            Id = id,
                            ProgrammeId = input.ProgrammeId,
                            StudentId = input.StudentId,
                            SquadId = input.SquadId,
                            Start = start.Monday,
                        }
                    ),
                IsSame = found =>
                    (found.ProgrammeId, found.StudentId, found.SquadId, found.Start, found.Until)
                    == (input.ProgrammeId, input.StudentId, input.SquadId, start.Monday, until?.Monday),
                Change = found =>
                {
                    if (
                        (found.ProgrammeId, found.StudentId, found.SquadId, found.Start)
                        != (input.ProgrammeId, input.StudentId, input.SquadId, start.Monday)
                    )
                        throw ApiProblemException.Invalid("start", "A run stays as it began. End it and start another.");
                    found.Until = until?.Monday;
                },
            },
            cancel
        );
        return View(row, name, programme.Weeks, row.For(null, []).WeekIn(IsoWeek.Of(today), programme.Weeks));
    }

    /// <summary>
    /// Lets a run wait a week for one student, or not any more. Doing it twice is doing it once; what comes after keeps its
    /// order.
    /// </summary>
    public async Task WaitAsync(Caller caller, Guid id, ProgrammeWaitInput input, CancellationToken cancel)
    {
        var week = WeekText.Read(input.Week, "week", clock.Today(caller.TimeZone));
        while (true)
        {
            var row = await FindAsync(caller, id, cancel) ?? throw ApiProblemException.NotFound("run");
            var takesPart =
                row.StudentId == input.StudentId
                || (
                    row.SquadId is { } squad
                    && await db.LiveSquadMembers.AnyAsync(
                        m => m.AcademyId == caller.AcademyId && m.SquadId == squad && m.StudentId == input.StudentId,
                        cancel
                    )
                );
            if (!takesPart)
                throw ApiProblemException.NotFound("student");
            var waits = await db
                .ProgrammeWaits.Where(w => w.AcademyId == caller.AcademyId && w.RunId == id && w.StudentId == input.StudentId)
                .ToListAsync(cancel);
            var there = waits.Find(w => w.Monday == week.Monday);
            if (there is not null == input.Waits)
                return;
            if (there is not null)
                db.Remove(there);
            else if (waits.Count >= MostWaits)
                throw ApiProblemException.Invalid("week", $"It waits {MostWaits} weeks already. End it and start another.");
            else
                db.Add(
                    new ProgrammeWaitRow
                    {
                        AcademyId = caller.AcademyId,
                        RunId = id,
                        StudentId = input.StudentId,
                        Monday = week.Monday,
                    }
                );
            if (await db.SavedAsync(cancel))
                return;
        }
    }

    /// <summary>
    /// Where students stand in programmes in a week, with the measures of their goals: one query. Who takes part in none is
    /// missing.
    /// </summary>
    public async Task<ILookup<Guid, ProgrammeStanding>> StandingsAsync(
        Caller caller,
        IReadOnlyCollection<Guid> students,
        IsoWeek week,
        CancellationToken cancel
    )
    {
        var (members, programmes, waits, results) = (
            db.LiveSquadMembers,
            db.Programmes,
            db.ProgrammeWaits,
            db.DrillResults.AsNoTracking()
        );
        var (monday, sunday) = (week.Monday, week.Sunday);
        var rows = await (
            from run in db.ProgrammeRuns.AsNoTracking()
            where run.AcademyId == caller.AcademyId && run.Start <= sunday && (run.Until == null || run.Until > monday)
            join programme in programmes
                on new { run.AcademyId, Id = run.ProgrammeId } equals new { programme.AcademyId, programme.Id }
            where programme.RemovedAt == null
            from member in members
                .Where(m => m.AcademyId == run.AcademyId && m.SquadId == run.SquadId)
                .Select(m => new { Id = (Guid?)m.StudentId, JoinedOn = (DateOnly?)m.JoinedOn })
                .DefaultIfEmpty()
            let student = run.StudentId ?? member!.Id
            where student != null && students.Contains(student.Value)
            orderby run.Start, run.Id
            select new
            {
                Run = run,
                Student = student.Value,
                member.JoinedOn,
                programme.Name,
                programme.Weeks,
                programme.Document,
                programme.GoalMeasure,
                Waits = waits
                    .Where(w => w.AcademyId == run.AcademyId && w.RunId == run.Id && w.StudentId == student)
                    .Select(w => w.Monday)
                    .ToList(),
                Results = results
                    .Where(m =>
                        m.AcademyId == run.AcademyId
                        && m.StudentId == student
                        && m.DrillId == programme.GoalDrillId
                        && m.Day >= run.Start
                        && m.Day <= sunday
                    )
                    .OrderBy(m => m.Day)
                    .ThenBy(m => m.LogId)
                    .ThenBy(m => m.SegmentId)
                    .Select(m => new { m.Document, m.Day })
                    .ToList(),
            }
        )
            // Hardly anybody waits more than once: results beside waits are no more rows than results.
            .AsSingleQuery()
            .ToListAsync(cancel);
        return rows.Select(r =>
            {
                var measured = r
                    .Results.Select(m => (m.Day, Value: m.Document.Values.GetValueOrDefault(r.GoalMeasure)))
                    .Where(m => m.Value is not null)
                    .ToList();
                var part = r.Run.For(r.JoinedOn, r.Waits);
                var number = part.WeekIn(week, r.Weeks);
                return (
                    r.Student,
                    // In a week in which it waits it is still shown, as long as it has not come to its end.
                    IsShown: number is not null || (part.Waits.Contains(week) && week <= part.LastWeek(r.Weeks)),
                    Standing: new ProgrammeStanding
                    {
                        RunId = r.Run.Id,
                        ProgrammeId = r.Run.ProgrammeId,
                        Name = r.Name,
                        Week = number,
                        Weeks = r.Weeks,
                        Goal = r.Document.Goal,
                        Start = r.Document.Goal?.Start ?? measured.FirstOrDefault().Value,
                        Latest = measured.LastOrDefault().Value,
                        LatestOn = measured.Count == 0 ? null : measured[^1].Day,
                    }
                );
            })
            .Where(r => r.IsShown)
            .ToLookup(r => r.Student, r => r.Standing);
    }

    private async Task<string> NameAsync(Caller caller, ProgrammeRunInput input, CancellationToken cancel) =>
        input.StudentId is { } student
            ? await db
                .Students.Where(s => s.AcademyId == caller.AcademyId && s.Id == student)
                .Select(s => s.Name)
                .SingleOrDefaultAsync(cancel)
                ?? throw ApiProblemException.NotFound("student")
            : await db
                .Squads.Where(s => s.AcademyId == caller.AcademyId && s.Id == input.SquadId && s.RemovedAt == null)
                .Select(s => s.Name)
                .SingleOrDefaultAsync(cancel)
                ?? throw ApiProblemException.NotFound("squad");

    private Task<ProgrammeRunRow?> FindAsync(Caller caller, Guid id, CancellationToken cancel) =>
        db.ProgrammeRuns.SingleOrDefaultAsync(r => r.AcademyId == caller.AcademyId && r.Id == id, cancel);

    private static ProgrammeRunView View(ProgrammeRunRow row, string name, int weeks, int? week) =>
        new(
            row.Id,
            row.Version,
            row.StudentId,
            row.SquadId,
            name,
            IsoWeek.Of(row.Start).ToString(),
            row.Until is { } until ? IsoWeek.Of(until).ToString() : null,
            week,
            weeks
        );
}
