using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Courses;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Courses;

/// <summary>The courses of an academy, which its coaches draw. Plans hold copies of their holes.</summary>
public sealed class CourseService(MorningRoundDb db, DomainClock clock)
{
    public async Task<IReadOnlyList<CourseView>> ListAsync(Caller caller, CancellationToken cancel) =>
        [
            .. (await Rows(caller).AsNoTracking().ToListAsync(cancel))
                .Select(ViewOf)
                .OrderBy(c => c.Course.Name, StringComparer.Ordinal)
                .ThenBy(c => c.Id),
        ];

    public async Task<CourseView> SaveAsync(Caller caller, Guid id, Course course, RowVersion expected, CancellationToken cancel)
    {
        var known = await Rows(caller).Select(c => c.Id).ToListAsync(cancel);
        // Checked as the only one of a file, so that saving and importing refuse the same things in the same words.
        FieldError[] errors =
        [
            .. CourseFile
                .Of([new ListedCourse { Id = id, Course = course }])
                .Check(known)
                .Select(e => e.Within("courses[0].course.", "courses[0].")),
        ];
        if (errors.Length > 0)
            throw ApiProblemException.Invalid(errors);

        return ViewOf(
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    Create = () => Task.FromResult(RowOf(caller, id, course)),
                    IsSame = row => StoredDocuments.Same(row.Document, course),
                    Change = row => row.Document = course,
                },
                cancel
            )
        );
    }

    /// <summary>Takes a course off the list. Plans keep the holes they were made with.</summary>
    public Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel) =>
        db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, id, cancel), cancel);

    public async Task<CourseFile> ExportAsync(Caller caller, CancellationToken cancel) =>
        CourseFile.Of([.. (await ListAsync(caller, cancel)).Select(c => new ListedCourse { Id = c.Id, Course = c.Course })]);

    /// <summary>Takes over all courses of a file, or none: one error anywhere imports nothing.</summary>
    public async Task<ImportView> ImportAsync(Caller caller, CourseFile file, CancellationToken cancel)
    {
        // One that was removed comes back with its file.
        var rows = await All(caller).ToDictionaryAsync(c => c.Id, cancel);
        var errors = file.Check(rows.Keys);
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        return await db.ImportAsync(
                rows,
                [.. file.Courses.Select(l => (l.Id, l.Course))],
                (id, course) => RowOf(caller, id, course),
                cancel
            ) ?? await ImportAsync(caller, file, cancel);
    }

    private static CourseRow RowOf(Caller caller, Guid id, Course course) =>
        new()
        {
            AcademyId = caller.AcademyId,
            Id = id,
            Document = course,
            WrittenBy = caller.AccountId,
        };

    private GuardedRow<CourseRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "course",
            Find = () => All(caller).SingleOrDefaultAsync(c => c.Id == id, cancel),
            View = row => Task.FromResult<object>(ViewOf(row)),
        };

    private IQueryable<CourseRow> Rows(Caller caller) => All(caller).Where(c => c.RemovedAt == null);

    private IQueryable<CourseRow> All(Caller caller) => db.Courses.Where(c => c.AcademyId == caller.AcademyId);

    private static CourseView ViewOf(CourseRow row) => new(row.Id, row.Version, row.Document);
}
