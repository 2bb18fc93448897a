using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Golf;
using MorningRound.Core.Serialization;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>The students' files. A coach may change all of one, a student their own part of their own.</summary>
public sealed class StudentFileService(
    MorningRoundDb db,
    DomainClock clock,
    ILostStrokes rounds,
    IStandings standings,
    SecurityLog log
)
{
    private const int ChangesShown = 12;

    public async Task<StudentFileView> GetAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        var (students, files) = (db.Students, db.StudentFiles);
        var found =
            await (
                from student in students.AsNoTracking()
                where student.AcademyId == caller.AcademyId && student.Id == studentId
                join kept in files.AsNoTracking()
                    on new { student.AcademyId, student.Id } equals new { kept.AcademyId, Id = kept.StudentId }
                    into keptFiles
                from kept in keptFiles.DefaultIfEmpty()
                select new { student.Level, Row = kept }
            ).SingleOrDefaultAsync(cancel) ?? throw ApiProblemException.NotFound("student");
        var row = (StudentFileRow?)found.Row;
        var file = row?.Document ?? new StudentFile();
        await NoteReadingAsync(caller, studentId, file, cancel);
        var changes = await (
            from change in db.StudentChanges
            join account in db.Users on change.AccountId equals account.Id
            where change.AcademyId == caller.AcademyId && change.StudentId == studentId
            orderby change.At descending, change.Id descending
            select new StudentChangeView(change.At, account.Name, account.Role, change.Fields)
        )
            .Take(ChangesShown)
            .ToListAsync(cancel);
        return new StudentFileView
        {
            StudentId = studentId,
            Version = row?.Version ?? 0,
            File = file,
            Season = Seasons.On(clock.Today(caller.TimeZone), file),
            GridGaps = WedgeGrid.Gaps(file.Coach.WedgeGrid),
            BodyParts = PainPart.All,
            IsMinor = file.IsMinor,
            MayBePublishedTo = file.MayBePublishedTo,
            CanChangeAll = caller.IsCoach,
            LostStrokes = await rounds.InWordsAsync(caller, studentId, found.Level, cancel),
            Changes = changes,
        };
    }

    /// <summary>Notes for the owner that somebody reads what stands in a minor's file about pain and care.</summary>
    public async Task NoteReadingAsync(Caller caller, Guid studentId, StudentFile file, CancellationToken cancel)
    {
        if (caller.IsCoach && file is { IsMinor: true, Coach.PainfulParts.Count: > 0 })
            await log.AddOnceADayAsync(caller, SecurityEventKind.CareNotesSeen, studentId, cancel);
    }

    /// <summary>What drills fill in from a student.</summary>
    public async Task<PlayerNumbers> PlayerAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        var student =
            await db
                .Students.AsNoTracking()
                .SingleOrDefaultAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel)
            ?? throw ApiProblemException.NotFound("student");
        return PlayerNumbers.Of(await FileAsync(caller, studentId, cancel), student.Hand, student.Level);
    }

    /// <summary>The file for the job's own use; an empty one where nothing was written yet.</summary>
    public async Task<StudentFile> FileAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        await RowsOf(caller, studentId).Select(f => f.Document).SingleOrDefaultAsync(cancel) ?? new StudentFile();

    /// <summary>
    /// Changes a file. The first change is to version 0, which everybody's empty file has. What is compared is what is
    /// overwritten:
    /// one reading, and a write that holds only for that version. Of a student only the own part is ever written.
    /// </summary>
    public async Task<StudentFileView> SaveAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        caller.EnsureCanAccess(studentId, "student");
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel))
            throw ApiProblemException.NotFound("student");
        var errors = StudentFileRules.Check(file, clock.Today(caller.TimeZone));
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);

        await db.SaveAsync(
            expected.Number == 0 ? RowVersion.New : expected,
            new GuardedRow<StudentFileRow>
            {
                What = "student",
                Find = () => RowsOf(caller, studentId).SingleOrDefaultAsync(cancel),
                View = async _ => await GetAsync(caller, studentId, cancel),
                Create = () =>
                    Task.FromResult(
                        new StudentFileRow
                        {
                            AcademyId = caller.AcademyId,
                            StudentId = studentId,
                            Document = new StudentFile(),
                        }
                    ),
                SkipsUnchanged = true,
                IsSame = row => Changed(row.Document, file).Length == 0,
                Change = row =>
                {
                    var fields = Changed(row.Document, file);
                    if (
                        !caller.IsCoach
                        && fields.FirstOrDefault(f => f.StartsWith("coach.", StringComparison.Ordinal)) is { } notTheirs
                    )
                        throw ApiProblemException.Forbidden(notTheirs, "Your coach keeps this part of the file.");
                    row.Document = caller.IsCoach ? file : row.Document with { Own = file.Own };
                    Note(caller, studentId, fields);
                },
            },
            cancel
        );
        await standings.RefreshAsync(caller.AcademyId, studentId, clock.Today(caller.TimeZone), cancel);
        return await GetAsync(caller, studentId, cancel);
    }

    /// <summary>
    /// Changes who answers for a minor, as part of the caller's transaction. Whoever edits the file meanwhile finds a newer one.
    /// </summary>
    public async Task ChangeGuardianAsync(
        Caller caller,
        Guid studentId,
        Func<Guardian?, Guardian?> change,
        CancellationToken cancel
    )
    {
        var row = await db
            .StudentFiles.FromSql(
                $"""
                SELECT * FROM student_files
                WHERE academy_id = {caller.AcademyId} AND student_id = {studentId} FOR UPDATE
                """
            )
            .SingleAsync(cancel);
        row.Document = row.Document with { Coach = row.Document.Coach with { Guardian = change(row.Document.Coach.Guardian) } };
        row.Version++;
        Note(caller, studentId, ["coach.guardian"]);
        await db.SaveChangesAsync(cancel);
        await standings.RefreshAsync(caller.AcademyId, studentId, clock.Today(caller.TimeZone), cancel);
    }

    private void Note(Caller caller, Guid studentId, string[] fields) =>
        db.StudentChanges.Add(
            new StudentChangeRow
            {
                Id = Guid.CreateVersion7(),
                AcademyId = caller.AcademyId,
                StudentId = studentId,
                AccountId = caller.AccountId,
                At = clock.GetUtcNow(),
                Fields = fields,
            }
        );

    private IQueryable<StudentFileRow> RowsOf(Caller caller, Guid studentId) =>
        db.StudentFiles.Where(f => f.AcademyId == caller.AcademyId && f.StudentId == studentId);

    private static string[] Changed(StudentFile before, StudentFile after) =>
        [.. Differing("own", before.Own, after.Own), .. Differing("coach", before.Coach, after.Coach)];

    private static IEnumerable<string> Differing<T>(string path, T before, T after)
    {
        var (was, now) = (AsObject(before), AsObject(after));
        return was.Select(p => p.Key).Where(name => !JsonNode.DeepEquals(was[name], now[name])).Select(name => $"{path}.{name}");

        static JsonObject AsObject(T part) => JsonSerializer.SerializeToNode(part, CoreJson.Options)!.AsObject();
    }
}
