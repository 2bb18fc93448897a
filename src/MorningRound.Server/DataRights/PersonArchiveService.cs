using System.IO.Compression;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using MorningRound.Server.Accounts;
using MorningRound.Server.Exports;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.DataRights;

/// <summary>
/// Everything that is kept of one person, out as a ZIP of JSON and CSV. What a student takes away alone leaves out what coaches
/// keep for their own eyes; what an owner hands over does not.
/// </summary>
public sealed class PersonArchiveService(
    MorningRoundDb db,
    ExportService exports,
    SecurityLog log,
    IOptions<JsonOptions> json,
    TimeProvider realClock
)
{
    /// <summary>What is kept of whoever asks.</summary>
    public async Task<Archive> MineAsync(Caller caller, CancellationToken cancel)
    {
        var name = await db.Users.Where(u => u.Id == caller.AccountId).Select(u => u.Name).SingleAsync(cancel);
        return await Of(caller, name, caller.StudentId, caller.AccountId, isWhole: false, cancel);
    }

    /// <summary>What is kept of a student, for an owner.</summary>
    public async Task<Archive> StudentsAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var name = await exports.NameAsync(caller, studentId, cancel) ?? throw ApiProblemException.NotFound("student");
        var account = await db
            .Users.Where(u => u.AcademyId == caller.AcademyId && u.StudentId == studentId)
            .Select(u => (Guid?)u.Id)
            .SingleOrDefaultAsync(cancel);
        await log.AddAsync(caller, SecurityEventKind.TakenOut, cancel, studentId: studentId);
        return await Of(caller, name, studentId, account, isWhole: true, cancel);
    }

    /// <summary>What is kept of a coach or guardian, for an owner.</summary>
    public async Task<Archive> AccountsAsync(Caller caller, Guid accountId, CancellationToken cancel)
    {
        var name =
            await db
                .Users.Where(u => u.AcademyId == caller.AcademyId && u.Id == accountId && u.StudentId == null)
                .Select(u => u.Name)
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("account");
        await log.AddAsync(caller, SecurityEventKind.TakenOut, cancel, accountId);
        return await Of(caller, name, null, accountId, isWhole: true, cancel);
    }

    private Task<Archive> Of(
        Caller caller,
        string name,
        Guid? studentId,
        Guid? accountId,
        bool isWhole,
        CancellationToken cancel
    ) =>
        Archive.MakeAsync(
            $"morning-round-{realClock.GetUtcNow():yyyy-MM-dd}-everything.zip",
            async archive =>
            {
                await using (var about = await Archive.NewFileAsync(archive, "read-me.txt", cancel))
                    await about.WriteAsync(About(name, studentId is not null, isWhole).AsMemory(), cancel);
                if (studentId is { } student)
                {
                    await WriteStudentAsync(archive, caller, student, cancel);
                    if (isWhole)
                        await WriteRowsAsync(archive, "rows", HangingRows.OfStudents(db), caller, student, cancel);
                }

                if (accountId is { } account)
                    await WriteRowsAsync(archive, "account", OwnRows.OfAccount(db), caller, account, cancel);
                await WriteRowsAsync(
                    archive,
                    "account",
                    [isWhole ? Log : OwnLog],
                    caller,
                    (studentId ?? accountId)!.Value,
                    cancel,
                    accountId
                );
            },
            cancel
        );

    /// <summary>What the security log says of a person.</summary>
    private static readonly TableRows Log = new(
        typeof(SecurityEvent),
        "security_events",
        "academy_id = {0} AND (student_id = ANY({1}) OR account_id = ANY({1}) OR actor_id = ANY({1}))"
    );

    /// <summary>What they did themselves, and tries at their door: from where somebody else acted is that person's own.</summary>
    private static readonly TableRows OwnLog = Log with
    {
        Where = "academy_id = {0} AND (actor_id = ANY({1}) OR actor_id IS NULL AND account_id = ANY({1}))",
    };

    private async Task WriteStudentAsync(ZipArchive archive, Caller caller, Guid studentId, CancellationToken cancel)
    {
        await using (var everything = await Archive.NewFileAsync(archive, "everything.json", cancel))
        {
            var student = await exports.StudentAsync(caller, studentId, cancel);
            await everything.WriteAsync(JsonSerializer.Serialize(student, json.Value.SerializerOptions).AsMemory(), cancel);
        }

        foreach (var table in Enum.GetValues<ExportTable>())
        {
            await using var file = await Archive.NewFileAsync(
                archive,
                $"tables/{table.ToString().ToLowerInvariant()}.csv",
                cancel
            );
            await exports.WriteAsync(caller, table, ExportSpan.Always(studentId), file.BaseStream, cancel);
        }
    }

    private async Task WriteRowsAsync(
        ZipArchive archive,
        string folder,
        IReadOnlyList<TableRows> tables,
        Caller caller,
        Guid id,
        CancellationToken cancel,
        Guid? orId = null
    )
    {
        Guid[] ids = orId is { } other ? [id, other] : [id];
        foreach (var table in tables.OrderBy(t => t.Name, StringComparer.Ordinal))
        {
            await using var file = await Archive.NewFileAsync(archive, $"{folder}/{table.Name}.json", cancel);
            var before = "[";
            await foreach (var row in db.AsJson(table, caller.AcademyId, ids).WithCancellation(cancel))
            {
                await file.WriteLineAsync(before.AsMemory(), cancel);
                await file.WriteAsync(row.AsMemory(), cancel);
                before = ",";
            }

            await file.WriteLineAsync((before == "[" ? "[]" : "\n]").AsMemory(), cancel);
        }
    }

    private static string About(string name, bool isStudent, bool isWhole)
    {
        const string Student = """
            everything.json   the file, sessions and what was noted in them, results, rounds and words
            tables/*.csv      the same for a spreadsheet; the program's data dictionary says what columns mean

            """;
        const string Rows = """
            rows/*.json       every row of every table that belongs to the student, as it is kept

            """;
        var lines = isStudent ? Student + (isWhole ? Rows : "") : "";
        return $"""
            What Morning Round keeps of {name}.

            {lines}account/*.json    the account, where it is signed in, what the security log says

            Not in here: the password, which nobody can read, and the secret of a second step. Where others
            wrote of this person is shown to an owner, on the page on which a student is deleted.

            """;
    }
}
