using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Golf;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>The students of an academy.</summary>
public sealed class StudentService(MorningRoundDb db, DomainClock clock) : IStudentNames, IAccountEnding
{
    public async Task<IReadOnlyList<StudentView>> ListAsync(Caller caller, CancellationToken cancel) =>
        await Squad(caller).OrderBy(s => s.Name).ThenBy(s => s.Id).ToListAsync(cancel);

    /// <summary>The students as a query, for whoever asks for more beside them.</summary>
    public IQueryable<StudentView> Squad(Caller caller) => Views(Rows(caller));

    /// <summary>The caller's own students or, where they have none or everybody is wanted, all of the academy.</summary>
    public IQueryable<StudentView> LookedAfter(Caller caller, bool orEverybody) =>
        orEverybody ? Squad(caller) : Views(Rows(caller).LookedAfterBy(caller.AccountId));

    /// <summary>How many there are, for whoever has no row at hand that tells it.</summary>
    public async Task<CountedStudents> CountAsync(Caller caller, CancellationToken cancel) =>
        await Squad(caller)
            .GroupBy(_ => 1)
            .Select(all => new CountedStudents(all.Count(), all.Count(s => s.CoachId == caller.AccountId)))
            .FirstOrDefaultAsync(cancel)
        ?? new CountedStudents(0, 0);

    /// <summary>One student. The coach's note is left out when students read their own.</summary>
    public async Task<StudentView> GetAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        caller.EnsureCanAccess(id, "student");
        var student =
            await Views(db.Students.Where(s => s.AcademyId == caller.AcademyId && s.Id == id)).SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("student");
        return caller.IsCoach ? student : student with { CoachNote = "" };
    }

    public async Task<StudentView> SaveAsync(
        Caller caller,
        Guid id,
        StudentInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var errors = new FieldErrors()
            .Require(id != Guid.Empty, "id", "An id is needed.")
            .RequireText(input.Name, "name", 120)
            .AllowText(input.CoachNote, "coachNote", 400);
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);

        await db.SaveAsync(
            expected,
            Guarded(caller, id, cancel) with
            {
                Create = () =>
                    Task.FromResult(
                        new StudentRow
                        {
                            AcademyId = caller.AcademyId,
                            Id = id,
                            Name = "",
                            // Whoever brings a student in looks after them.
                            CoachId = caller.AccountId,
                        }
                    ),
                IsSame = row => Same(row, input),
                Change = row =>
                {
                    row.Name = input.Name.Trim();
                    row.Hand = input.Hand;
                    row.Level = input.Level;
                    row.CoachNote = input.CoachNote.Trim();
                },
            },
            cancel
        );
        return await GetAsync(caller, id, cancel);
    }

    /// <summary>
    /// Hands a student to another coach. Weeks, drafts, programmes, file and notes are the student's and go along; whose sheet,
    /// walk, mails and calendar they stand in changes. It is noted among the changes of the file.
    /// </summary>
    public async Task<StudentView> HandOverAsync(
        Caller caller,
        Guid id,
        Guid coachId,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        await EnsureExistsAsync(caller, id, cancel);
        if (
            !await db
                .Users.Staff()
                .AnyAsync(u => u.AcademyId == caller.AcademyId && u.Id == coachId && u.State == AccountState.Active, cancel)
        )
            throw ApiProblemException.Invalid("coachId", "There is no such coach in this academy.");
        await db.SaveAsync(
            expected,
            Guarded(caller, id, cancel) with
            {
                SkipsUnchanged = true,
                IsSame = row => row.CoachId == coachId,
                Change = row => HandOver(caller, row, coachId),
            },
            cancel
        );
        return await GetAsync(caller, id, cancel);
    }

    /// <summary>Hands all students of a coach who leaves to another.</summary>
    public async Task HandOverAsync(Caller caller, Guid from, Guid to, CancellationToken cancel)
    {
        foreach (var row in await Rows(caller).Where(s => s.CoachId == from).ToListAsync(cancel))
        {
            HandOver(caller, row, to);
            row.Version++;
        }

        await db.SaveChangesAsync(cancel);
    }

    private void HandOver(Caller caller, StudentRow row, Guid coachId)
    {
        row.CoachId = coachId;
        db.StudentChanges.Add(
            new StudentChangeRow
            {
                Id = Guid.CreateVersion7(),
                AcademyId = caller.AcademyId,
                StudentId = row.Id,
                AccountId = caller.AccountId,
                At = clock.GetUtcNow(),
                Fields = ["coach"],
            }
        );
    }

    private GuardedRow<StudentRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "student",
            Find = () => db.Students.SingleOrDefaultAsync(s => s.AcademyId == caller.AcademyId && s.Id == id, cancel),
            View = async _ => await GetAsync(caller, id, cancel),
        };

    public async Task EnsureExistsAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == id, cancel))
            throw ApiProblemException.NotFound("student");
    }

    public Task<string?> NameAsync(Guid academyId, Guid studentId, CancellationToken cancel) =>
        db.Students.Where(s => s.AcademyId == academyId && s.Id == studentId).Select(s => s.Name).SingleOrDefaultAsync(cancel);

    public async Task<IReadOnlyDictionary<Guid, string>> NamesAsync(
        Guid academyId,
        IReadOnlyCollection<Guid> studentIds,
        CancellationToken cancel
    ) =>
        await db
            .Students.Where(s => s.AcademyId == academyId && studentIds.Contains(s.Id))
            .ToDictionaryAsync(s => s.Id, s => s.Name, cancel);

    private static bool Same(StudentRow row, StudentInput input) =>
        (row.Name, row.Hand, row.Level, row.CoachNote) == (input.Name.Trim(), input.Hand, input.Level, input.CoachNote.Trim());

    private IQueryable<StudentRow> Rows(Caller caller) => db.Students.Where(s => s.AcademyId == caller.AcademyId);

    private IQueryable<StudentView> Views(IQueryable<StudentRow> rows) =>
        rows.Select(s => new StudentView
        {
            Id = s.Id,
            Name = s.Name,
            Hand = s.Hand,
            Level = s.Level,
            CoachNote = s.CoachNote,
            CoachId = s.CoachId,
            Version = s.Version,
            HasAccount = db.Users.Any(a => a.AcademyId == s.AcademyId && a.StudentId == s.Id),
        });
}
