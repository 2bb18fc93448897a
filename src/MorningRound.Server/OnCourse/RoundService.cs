using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.OnCourse;

/// <summary>The real rounds of students, kept by themselves or by a coach, and where strokes are lost in them.</summary>
public sealed class RoundService(MorningRoundDb db, DomainClock clock) : ILostStrokes
{
    /// <summary>From so many of the latest rounds the courses are known that a new one may be played on.</summary>
    private const int RoundsForCourses = 40;

    /// <summary>The latest rounds, newest first.</summary>
    public async Task<RoundsView> ListAsync(Caller caller, Guid studentId, int rows, CancellationToken cancel)
    {
        if (rows is < 1 or > RoundFile.MostRounds)
            throw ApiProblemException.Invalid("rows", $"Between 1 and {RoundFile.MostRounds}, please.");
        caller.EnsureCanAccess(studentId, "student");
        var rounds = db.Rounds;
        var student =
            await db
                .Students.AsNoTracking()
                .Where(s => s.AcademyId == caller.AcademyId && s.Id == studentId)
                .Select(s => new
                {
                    s.Name,
                    s.Level,
                    Count = rounds.Count(r => r.AcademyId == s.AcademyId && r.StudentId == s.Id && r.RemovedAt == null),
                })
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("student");
        var latest = await Latest(Rows(caller, studentId))
            .AsNoTracking()
            .Take(Math.Max(rows, RoundsForCourses))
            .ToListAsync(cancel);
        return new RoundsView(
            student.Name,
            student.Count,
            [.. latest.Take(rows).Select(ViewOf)],
            LostStrokesView.Of(LostStrokes.Of([.. latest.Take(LostStrokes.LookedAt).Select(r => r.Document)], student.Level)),
            [
                .. latest
                    .Select(r => r.Document)
                    .GroupBy(r => r.Course, StringComparer.OrdinalIgnoreCase)
                    .Select(g => new PlayedCourse(
                        g.First().Course,
                        [.. g.Select(r => r.Holes).FirstOrDefault(h => h.Count > 0, []).Select(h => h.Par)]
                    )),
            ]
        );
    }

    public async Task<RoundView> SaveAsync(
        Caller caller,
        Guid studentId,
        Guid id,
        Round round,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var known = await KnownAsync(caller, studentId, cancel);
        // Checked as the only one of a file, so that saving and importing refuse the same things in the same words.
        ThrowIfWrong(
            RoundFile
                .Of([new ListedRound { Id = id, Round = round }])
                .Check(known, clock.Today(caller.TimeZone))
                .Select(e => e.Within("rounds[0].round.", "rounds[0]."))
        );
        return ViewOf(
            await db.SaveAsync(
                expected,
                Guarded(caller, studentId, id, cancel) with
                {
                    Create = () => Task.FromResult(RowOf(caller, studentId, id, round)),
                    IsSame = row => StoredDocuments.Same(row.Document, round),
                    Change = row => row.Document = round,
                },
                cancel
            )
        );
    }

    public Task RemoveAsync(Caller caller, Guid studentId, Guid id, RowVersion expected, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        return db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, studentId, id, cancel), cancel);
    }

    /// <summary>All rounds of a student, oldest first.</summary>
    public async Task<RoundFile> ExportAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        await EnsureExistsAsync(caller, studentId, cancel);
        var rows = await Rows(caller, studentId).AsNoTracking().OrderBy(r => r.Day).ThenBy(r => r.Id).ToListAsync(cancel);
        return RoundFile.Of([.. rows.Select(r => new ListedRound { Id = r.Id, Round = r.Document })]);
    }

    /// <summary>Takes over all rounds of a file, or none: one error anywhere imports nothing.</summary>
    public async Task<ImportView> ImportAsync(Caller caller, Guid studentId, RoundFile file, CancellationToken cancel)
    {
        var known = await KnownAsync(caller, studentId, cancel);
        ThrowIfWrong(file.Check(known, clock.Today(caller.TimeZone)));
        var ids = file.Rounds.Select(r => r.Id).ToList();
        // One that was removed comes back with its file.
        var rows = await All(caller, studentId).Where(r => ids.Contains(r.Id)).ToDictionaryAsync(r => r.Id, cancel);
        return await db.ImportAsync(
                rows,
                [.. file.Rounds.Select(l => (l.Id, l.Round))],
                (id, round) => RowOf(caller, studentId, id, round),
                cancel
            ) ?? await ImportAsync(caller, studentId, file, cancel);
    }

    /// <summary>Where the last rounds of students lose strokes, by student: one query, whatever their number.</summary>
    public async Task<IReadOnlyDictionary<Guid, LostStrokes>> LostAsync(
        Caller caller,
        IReadOnlyDictionary<Guid, Level> levels,
        CancellationToken cancel
    )
    {
        var ids = levels.Keys.ToArray();
        var latest = await db
            .Rounds.FromSql(
                $"""
                SELECT r.* FROM unnest({ids}) AS wanted (id)
                CROSS JOIN LATERAL (
                    SELECT * FROM rounds
                    WHERE academy_id = {caller.AcademyId} AND student_id = wanted.id AND removed_at IS NULL
                    ORDER BY day DESC, id DESC
                    LIMIT {LostStrokes.LookedAt}
                ) AS r
                """
            )
            .AsNoTracking()
            .ToListAsync(cancel);
        var byStudent = latest.ToLookup(r => r.StudentId, r => r.Document);
        return levels.ToDictionary(one => one.Key, one => LostStrokes.Of([.. byStudent[one.Key]], one.Value));
    }

    /// <inheritdoc/>
    public async Task<string> InWordsAsync(Caller caller, Guid studentId, Level level, CancellationToken cancel) =>
        (await LostAsync(caller, new Dictionary<Guid, Level> { [studentId] = level }, cancel))[studentId].Said.In();

    /// <summary>What the last rounds of a student came to, for what is compared with them.</summary>
    public async Task<IReadOnlyList<Round>> LastAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        await Latest(Rows(caller, studentId)).Take(LostStrokes.Most).Select(r => r.Document).ToListAsync(cancel);

    private async Task<IReadOnlyCollection<Guid>> KnownAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        await EnsureExistsAsync(caller, studentId, cancel);
        return await Rows(caller, studentId).Select(r => r.Id).ToListAsync(cancel);
    }

    private async Task EnsureExistsAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel))
            throw ApiProblemException.NotFound("student");
    }

    private static void ThrowIfWrong(IEnumerable<Core.Validation.FieldError> errors)
    {
        var found = errors.ToList();
        if (found.Count > 0)
            throw ApiProblemException.Invalid(found);
    }

    private static RoundRow RowOf(Caller caller, Guid studentId, Guid id, Round round) =>
        new()
        {
            AcademyId = caller.AcademyId,
            StudentId = studentId,
            Id = id,
            Document = round,
            WrittenBy = caller.AccountId,
        };

    private GuardedRow<RoundRow> Guarded(Caller caller, Guid studentId, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "round",
            Find = () => All(caller, studentId).SingleOrDefaultAsync(r => r.Id == id, cancel),
            // Who took back a round of their own writes it once more.
            ComesBackWhenMadeAgain = true,
            View = row => Task.FromResult<object>(ViewOf(row)),
        };

    private IQueryable<RoundRow> Rows(Caller caller, Guid studentId) => All(caller, studentId).Where(r => r.RemovedAt == null);

    private IQueryable<RoundRow> All(Caller caller, Guid studentId) =>
        db.Rounds.Where(r => r.AcademyId == caller.AcademyId && r.StudentId == studentId);

    private static IQueryable<RoundRow> Latest(IQueryable<RoundRow> rows) =>
        rows.OrderByDescending(r => r.Day).ThenByDescending(r => r.Id);

    private static RoundView ViewOf(RoundRow row) =>
        new(row.Id, row.Version, row.Document, row.Document.Totals(), row.Document.MakesSense());
}
