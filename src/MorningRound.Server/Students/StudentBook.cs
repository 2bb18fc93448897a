using Microsoft.EntityFrameworkCore;
using MorningRound.Core;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>The students of an academy.</summary>
public sealed class StudentBook(MorningRoundDb db)
{
    public async Task<IReadOnlyList<StudentView>> ListAsync(Caller caller, CancellationToken cancel) =>
        await Views(db.Students.Where(s => s.AcademyId == caller.AcademyId)).OrderBy(s => s.Name).ToListAsync(cancel);

    /// <summary>One student. The coach's note is left out when students read their own.</summary>
    public async Task<StudentView> GetAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        caller.MustReach(id, "student");
        var student = await Views(db.Students.Where(s => s.AcademyId == caller.AcademyId && s.Id == id)).SingleOrDefaultAsync(cancel)
            ?? throw Refusal.NotFound("student");
        return caller.IsCoach ? student : student with { CoachNote = "" };
    }

    public async Task<StudentView> SaveAsync(Caller caller, Guid id, StudentInput input, RowVersion expected, CancellationToken cancel)
    {
        var errors = new FieldErrors()
            .Require(id != Guid.Empty, "id", "An id is needed.")
            .RequireText(input.Name, "name", 120)
            .AllowText(input.CoachNote, "coachNote", 400);
        if (errors.Found.Count > 0) throw Refusal.Invalid(errors.Found);

        var row = await db.Students.SingleOrDefaultAsync(s => s.AcademyId == caller.AcademyId && s.Id == id, cancel);
        if (row is null && !expected.IsNew) throw Refusal.NotFound("student");
        if (row is null) db.Students.Add(row = new StudentRow { AcademyId = caller.AcademyId, Id = id, Name = "" });
        else if (row.Version != expected.Number)
        {
            // A repeated call finds its own work done; anything else is an edit of an older text.
            return Same(row, input) ? await GetAsync(caller, id, cancel) : throw Refusal.Stale(await GetAsync(caller, id, cancel));
        }

        row.Name = input.Name.Trim();
        row.Hand = input.Hand;
        row.Level = input.Level;
        row.CoachNote = input.CoachNote.Trim();
        row.Version++;
        return await db.SavedAsync(cancel) ? await GetAsync(caller, id, cancel) : await SaveAsync(caller, id, input, expected, cancel);
    }

    public async Task MustExistAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == id, cancel)) throw Refusal.NotFound("student");
    }

    private static bool Same(StudentRow row, StudentInput input) =>
        (row.Name, row.Hand, row.Level, row.CoachNote) == (input.Name.Trim(), input.Hand, input.Level, input.CoachNote.Trim());

    private IQueryable<StudentView> Views(IQueryable<StudentRow> rows) =>
        rows.Select(s => new StudentView
        {
            Id = s.Id,
            Name = s.Name,
            Hand = s.Hand,
            Level = s.Level,
            CoachNote = s.CoachNote,
            Version = s.Version,
            HasAccount = db.Users.Any(a => a.AcademyId == s.AcademyId && a.StudentId == s.Id),
        });
}

public sealed record StudentView
{
    public required Guid Id { get; init; }

    public required string Name { get; init; }

    public required Hand Hand { get; init; }

    public required Level Level { get; init; }

    /// <summary>Empty when students read their own.</summary>
    public required string CoachNote { get; init; }

    public required int Version { get; init; }

    /// <summary>Whether the student has accepted an invitation.</summary>
    public required bool HasAccount { get; init; }
}

public sealed record StudentInput
{
    public required string Name { get; init; }

    public required Hand Hand { get; init; }

    public required Level Level { get; init; }

    public string CoachNote { get; init; } = "";
}
