using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Plans;
using MorningRound.Core.Programmes;
using MorningRound.Server.Accounts;
using MorningRound.Server.Courses;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Places;
using MorningRound.Server.Plans;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.TestDays;

namespace MorningRound.Server.DataRights;

/// <summary>What can be deleted and had back.</summary>
public enum DeletedKind
{
    Plan,
    Programme,
    Drill,
    Place,
    Course,
    TestDay,
    Squad,
    Round,
}

/// <summary>Something that was deleted and can be restored.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Id">Its id, which it keeps.</param>
/// <param name="Name">What it is called.</param>
/// <param name="DeletedAt">When it was deleted.</param>
/// <param name="DeletedBy">Who deleted it; empty where that is not on record.</param>
/// <param name="Until">The last moment at which it can be restored.</param>
public sealed record DeletedThing(
    DeletedKind Kind,
    Guid Id,
    string Name,
    DateTimeOffset DeletedAt,
    string DeletedBy,
    DateTimeOffset Until
);

/// <summary>
/// What was deleted in the last days. An owner has all of it back, a coach what that coach wrote or deleted. People never come
/// here: deleting a person is final.
/// </summary>
public sealed class DeletedService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>More of one kind are not listed at once; the newest are.</summary>
    public const int MostOfAKind = 100;

    /// <summary>Of so many the text goes at once; the rest with the next time.</summary>
    private const int Batch = 200;

    /// <summary>What the caller can restore, the latest first.</summary>
    public async Task<IReadOnlyList<DeletedThing>> ListAsync(Caller caller, CancellationToken cancel)
    {
        List<Found> found =
        [
            .. await Mine(db.Plans.Where(p => p.Kind == PlanKind.Written), caller)
                .Select(p => new Found(DeletedKind.Plan, p.Id, p.Title, p.RemovedAt!.Value, p.RemovedBy))
                .ToListAsync(cancel),
            .. await Mine(db.Programmes, caller)
                .Select(p => new Found(DeletedKind.Programme, p.Id, p.Name, p.RemovedAt!.Value, p.RemovedBy))
                .ToListAsync(cancel),
            .. await Mine(db.Drills, caller)
                .Select(d => new Found(DeletedKind.Drill, d.Id, d.Name, d.RemovedAt!.Value, d.RemovedBy))
                .ToListAsync(cancel),
            .. (await Mine(db.Places, caller).ToListAsync(cancel)).Select(p => new Found(
                DeletedKind.Place,
                p.Id,
                p.Document.Name,
                p.RemovedAt!.Value,
                p.RemovedBy
            )),
            .. (await Mine(db.Courses, caller).ToListAsync(cancel)).Select(c => new Found(
                DeletedKind.Course,
                c.Id,
                c.Document.Name,
                c.RemovedAt!.Value,
                c.RemovedBy
            )),
            .. await Mine(db.TestDays, caller)
                .Select(t => new Found(DeletedKind.TestDay, t.Id, t.Name, t.RemovedAt!.Value, t.RemovedBy))
                .ToListAsync(cancel),
            .. await Mine(db.Squads, caller)
                .Select(s => new Found(DeletedKind.Squad, s.Id, s.Name, s.RemovedAt!.Value, s.RemovedBy))
                .ToListAsync(cancel),
            .. await RoundsAsync(caller, cancel),
        ];
        var deleters = found.Select(f => f.By).OfType<Guid>().Distinct().ToList();
        var names = await db
            .Users.Where(u => u.AcademyId == caller.AcademyId && deleters.Contains(u.Id))
            .ToDictionaryAsync(u => u.Id, u => u.Name, cancel);
        return
        [
            .. found
                .OrderByDescending(f => f.At)
                .ThenBy(f => f.Id)
                .Select(f => new DeletedThing(
                    f.Kind,
                    f.Id,
                    f.Name,
                    f.At,
                    f.By is { } by ? names.GetValueOrDefault(by, "") : "",
                    f.At.AddDays(IRestorableRow.KeptDays)
                )),
        ];
    }

    /// <summary>Puts something back where it was. Restoring twice is restoring once.</summary>
    /// <exception cref="ApiProblemException">
    /// 404 where there is no such thing, where its days are over and where it is not the caller's to restore.
    /// </exception>
    public Task RestoreAsync(Caller caller, DeletedKind kind, Guid id, CancellationToken cancel) =>
        kind switch
        {
            DeletedKind.Plan => RestoreAsync(db.Plans, "plan", caller, id, cancel),
            DeletedKind.Programme => RestoreAsync(
                db.Programmes,
                "programme",
                caller,
                id,
                cancel,
                most: ProgrammeService.MostProgrammes
            ),
            DeletedKind.Drill => RestoreAsync(db.Drills, "drill", caller, id, cancel),
            DeletedKind.Place => RestorePlaceAsync(caller, id, cancel),
            DeletedKind.Course => RestoreAsync(db.Courses, "course", caller, id, cancel),
            DeletedKind.Squad => RestoreAsync(db.Squads, "squad", caller, id, cancel, most: SquadService.MostSquads),
            DeletedKind.Round => RestoreAsync(db.Rounds, "round", caller, id, cancel),
            _ => RestoreAsync(db.TestDays, "test day", caller, id, cancel),
        };

    /// <summary>
    /// Deletes for good what can't be restored any more. What sessions still point at keeps its row, and loses its text.
    /// </summary>
    public async Task DeleteOldAsync(CancellationToken cancel)
    {
        var since = Since;
        var (uses, sessions, runs, tests) = (db.PlanUses, db.Assignments, db.ProgrammeRuns, db.TestDays);
        await db.Drills.Where(d => d.RemovedAt < since).ExecuteDeleteAsync(cancel);
        await db.Places.Where(p => p.RemovedAt < since).ExecuteDeleteAsync(cancel);
        await db.Courses.Where(c => c.RemovedAt < since).ExecuteDeleteAsync(cancel);
        await db.Rounds.Where(r => r.RemovedAt < since).ExecuteDeleteAsync(cancel);
        await db.Squads.Where(s => s.RemovedAt < since).ExecuteDeleteAsync(cancel);
        await db
            .TestDays.Where(t => t.RemovedAt < since && t.Name != "")
            .ExecuteUpdateAsync(t => t.SetProperty(r => r.Name, "").SetProperty(r => r.Version, r => r.Version + 1), cancel);
        await db
            .Programmes.Where(p => p.RemovedAt < since && !runs.Any(r => r.AcademyId == p.AcademyId && r.ProgrammeId == p.Id))
            .ExecuteDeleteAsync(cancel);
        await db
            .Plans.Where(p =>
                p.RemovedAt < since
                && !uses.Any(u => u.AcademyId == p.AcademyId && u.PlanId == p.Id)
                && !sessions.Any(a => a.AcademyId == p.AcademyId && a.PlanId == p.Id)
                && !tests.Any(t => t.AcademyId == p.AcademyId && t.Id == p.Id)
            )
            .ExecuteDeleteAsync(cancel);
        foreach (
            var plan in await db
                .Plans.Where(p => p.RemovedAt < since && p.Title != "")
                .OrderBy(p => p.RemovedAt)
                .Take(Batch)
                .ToListAsync(cancel)
        )
        {
            plan.Write(new SessionPlan { Title = "", Segments = [] }, plan.UpdatedAt);
            plan.Version++;
        }

        foreach (
            var programme in await db
                .Programmes.Where(p => p.RemovedAt < since && p.Name != "")
                .OrderBy(p => p.RemovedAt)
                .Take(Batch)
                .ToListAsync(cancel)
        )
        {
            programme.Write(
                new Programme
                {
                    Name = "",
                    Weeks = programme.Weeks,
                    Slots = [],
                }
            );
            programme.Version++;
        }

        await db.SaveChangesAsync(cancel);
    }

    /// <summary>What was deleted before can't be restored. In the first days of time there is nothing before.</summary>
    private DateTimeOffset Since
    {
        get
        {
            var (now, kept) = (clock.GetUtcNow(), TimeSpan.FromDays(IRestorableRow.KeptDays));
            return now - DateTimeOffset.MinValue < kept ? DateTimeOffset.MinValue : now - kept;
        }
    }

    /// <summary>A place comes back with its walks, but for those to places that were deleted since.</summary>
    private async Task RestorePlaceAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var live = await db
            .Places.Where(p => p.AcademyId == caller.AcademyId && p.RemovedAt == null)
            .Select(p => p.Id)
            .ToListAsync(cancel);
        await RestoreAsync(
            db.Places,
            "place",
            caller,
            id,
            cancel,
            row => row.Document = row.Document with { Walks = [.. row.Document.Walks.Where(w => live.Contains(w.Place))] }
        );
    }

    /// <summary>Rounds are called by whose they are and where they were played.</summary>
    private async Task<IEnumerable<Found>> RoundsAsync(Caller caller, CancellationToken cancel)
    {
        var students = db.Students;
        var rows = await Mine(db.Rounds, caller)
            .Select(r => new { Round = r, Student = students.First(s => s.AcademyId == r.AcademyId && s.Id == r.StudentId).Name })
            .ToListAsync(cancel);
        return rows.Select(r => new Found(
            DeletedKind.Round,
            r.Round.Id,
            $"{r.Student}, {r.Round.Day.ToString("d MMMM yyyy", CultureInfo.InvariantCulture)}, {r.Round.Document.Course}",
            r.Round.RemovedAt!.Value,
            r.Round.RemovedBy
        ));
    }

    private async Task RestoreAsync<TRow>(
        DbSet<TRow> rows,
        string what,
        Caller caller,
        Guid id,
        CancellationToken cancel,
        Action<TRow>? change = null,
        int? most = null
    )
        where TRow : class, IRestorableRow
    {
        do
        {
            // A round's id is its student's: where another student has it too, the one that was deleted is meant.
            var row =
                await rows.Where(r => r.AcademyId == caller.AcademyId && r.Id == id)
                    .OrderBy(r => r.RemovedAt == null)
                    .ThenByDescending(r => r.RemovedAt)
                    .FirstOrDefaultAsync(cancel)
                ?? throw ApiProblemException.NotFound(what);
            if (row.RemovedAt is null)
                return;
            var mayRestore =
                caller.Role == AcademyRole.Owner || row.WrittenBy == caller.AccountId || row.RemovedBy == caller.AccountId;
            if (!mayRestore || row.RemovedAt < Since)
                throw ApiProblemException.NotFound(what);
            if (
                most is not null
                && await rows.CountAsync(r => r.AcademyId == caller.AcademyId && r.RemovedAt == null, cancel) >= most
            )
                throw ApiProblemException.Invalid("id", $"At most {most} {what}s fit here. Delete another one first.");
            change?.Invoke(row);
            row.Restore();
            row.Version++;
        } while (!await db.SavedAsync(cancel));
    }

    private IQueryable<TRow> Mine<TRow>(IQueryable<TRow> rows, Caller caller)
        where TRow : class, IRestorableRow
    {
        var (since, seesAll) = (Since, caller.Role == AcademyRole.Owner);
        return rows.AsNoTracking()
            .Where(r => r.AcademyId == caller.AcademyId && r.RemovedAt >= since)
            .Where(r => seesAll || r.WrittenBy == caller.AccountId || r.RemovedBy == caller.AccountId)
            .OrderByDescending(r => r.RemovedAt)
            .ThenBy(r => r.Id)
            .Take(MostOfAKind);
    }

    private sealed record Found(DeletedKind Kind, Guid Id, string Name, DateTimeOffset At, Guid? By);
}
