using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Places;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Plans;

/// <summary>What a plan is checked against and drafted from: the student's file, the grounds, pain, the load.</summary>
public sealed class PlanContextService(MorningRoundDb db, DomainClock clock, IPracticeHistory history)
{
    /// <summary>Everything that is known; without a student, the grounds alone.</summary>
    public async Task<PlanContext> OfAsync(Caller caller, Guid? studentId, DateOnly? day, CancellationToken cancel)
    {
        var on = OnDay(caller, day);
        if (studentId is not { } id)
            return new PlanContext { Day = on, Places = await PlacesAsync(caller, cancel) };
        var (file, level, hand) = await StudentAsync(caller, id, cancel);
        var (hurt, load, lastPractised) = await history.OfAsync(caller, id, file, on, cancel);
        return new PlanContext
        {
            Day = on,
            Student = file,
            Level = level,
            Hand = hand,
            Places = await PlacesAsync(caller, cancel),
            Hurt = hurt,
            Load = load,
            LastPractised = lastPractised,
        };
    }

    /// <summary>
    /// The whole squad by name, or those chosen of it, in five queries whatever their number. Load is looked at for each student
    /// when a week is published.
    /// </summary>
    /// <param name="caller">A coach of the academy.</param>
    /// <param name="day">The day the plan is for; today if not given.</param>
    /// <param name="chosen">Whom, by id; everybody if not given. An id that is nobody's is not found.</param>
    /// <param name="cancel">Ends the question.</param>
    public async Task<IReadOnlyList<(Guid Id, string Name, PlanContext Context)>> SquadAsync(
        Caller caller,
        DateOnly? day,
        IReadOnlyCollection<Guid>? chosen,
        CancellationToken cancel
    )
    {
        var on = OnDay(caller, day);
        var students = await db
            .Students.AsNoTracking()
            .Where(s => s.AcademyId == caller.AcademyId && (chosen == null || chosen.Contains(s.Id)))
            .OrderBy(s => s.Name)
            .ThenBy(s => s.Id)
            .ToListAsync(cancel);
        if (chosen is not null && students.Count < chosen.Distinct().Count())
            throw ApiProblemException.NotFound("student");
        var ids = students.ConvertAll(s => s.Id);
        var files = await db
            .StudentFiles.AsNoTracking()
            .Where(f => f.AcademyId == caller.AcademyId && ids.Contains(f.StudentId))
            .ToDictionaryAsync(f => f.StudentId, f => f.Document, cancel);
        var places = await PlacesAsync(caller, cancel);
        var practised = await history.OfSquadAsync(caller, ids, files, on, cancel);
        return
        [
            .. students.Select(s =>
                (
                    s.Id,
                    s.Name,
                    new PlanContext
                    {
                        Day = on,
                        Student = files.GetValueOrDefault(s.Id) ?? new StudentFile(),
                        Level = s.Level,
                        Hand = s.Hand,
                        Places = places,
                        Hurt = practised.Hurt.GetValueOrDefault(s.Id) ?? [],
                        LastPractised = practised.Last.TryGetValue(s.Id, out var last) ? last : null,
                    }
                )
            ),
        ];
    }

    /// <summary>The student and the grounds only: enough to fill in a drill and to make a session fit.</summary>
    public async Task<PlanContext> GroundsAsync(Caller caller, Guid studentId, DateOnly day, CancellationToken cancel)
    {
        var (file, level, hand) = await StudentAsync(caller, studentId, cancel);
        return new PlanContext
        {
            Day = day,
            Student = file,
            Level = level,
            Hand = hand,
            Places = await PlacesAsync(caller, cancel),
        };
    }

    private async Task<(StudentFile File, Level Level, Hand Hand)> StudentAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var known =
            await db
                .Students.AsNoTracking()
                .Where(s => s.AcademyId == caller.AcademyId && s.Id == id)
                .GroupJoin(
                    db.StudentFiles,
                    s => new { s.AcademyId, s.Id },
                    f => new { f.AcademyId, Id = f.StudentId },
                    (s, files) => new { s, files }
                )
                .SelectMany(
                    k => k.files.DefaultIfEmpty(),
                    (k, f) =>
                        new
                        {
                            k.s.Level,
                            k.s.Hand,
                            File = f,
                        }
                )
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("student");
        return (known.File?.Document ?? new StudentFile(), known.Level, known.Hand);
    }

    private DateOnly OnDay(Caller caller, DateOnly? day)
    {
        var today = clock.Today(caller.TimeZone);
        var errors = new FieldErrors().RequireNear(day, today, "day");
        return errors.Found.Count > 0 ? throw ApiProblemException.Invalid(errors.Found) : day ?? today;
    }

    private async Task<IReadOnlyList<ListedPlace>> PlacesAsync(Caller caller, CancellationToken cancel) =>
        [
            .. (
                await db
                    .Places.AsNoTracking()
                    .Where(p => p.AcademyId == caller.AcademyId)
                    .OrderBy(p => p.Id)
                    .Select(p => new { p.Id, p.Document })
                    .ToListAsync(cancel)
            ).Select(p => new ListedPlace { Id = p.Id, Place = p.Document }),
        ];
}
