using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Exports;
using MorningRound.Server.Guardians;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.TestDays;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.DataRights;

/// <summary>
/// Deletes everything of a student: rows, own texts, the account and that of a guardian who has no other child here. What others
/// wrote stays with them and is listed. The security log keeps ids, which lead nowhere then.
/// </summary>
public sealed class ForgettingService(
    MorningRoundDb db,
    ExportService exports,
    SecurityLog log,
    IEnumerable<IAccountEnding> endings,
    DeletedService deleted
)
{
    private const int MostMentions = 100;

    /// <summary>What is kept of a student, and who else wrote of them.</summary>
    public async Task<Traces> TracesAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var name = await NameAsync(caller, studentId, cancel);
        var tables = HangingRows.OfStudents(db);
        var counts = await db
            .Database.SqlQueryRaw<CountedTable>(
                string.Join(" UNION ALL ", tables.Select(t => t.Count)),
                caller.AcademyId,
                new[] { studentId }
            )
            .ToDictionaryAsync(c => c.Name, c => c.Rows, cancel);
        var mentions = await MentionsAsync(caller, studentId, name, cancel);
        return new Traces(
            name,
            [
                .. tables
                    .GroupBy(t => KindOf(t.Type))
                    .Select(g => new TraceCount(g.Key, g.Sum(t => counts[t.Name])))
                    .Where(c => c.Count > 0)
                    .OrderBy(c => c.Kind),
            ],
            [.. mentions.Take(MostMentions)],
            mentions.Count > MostMentions
        );
    }

    /// <summary>Deletes everything of a student, once and for good.</summary>
    /// <exception cref="ApiProblemException">422 where the name typed is not the student's.</exception>
    public async Task ForgetAsync(Caller caller, Guid studentId, string typed, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        // What a phone sends meanwhile waits for this row, and then finds nobody.
        await db.Database.ExecuteSqlAsync(
            $"SELECT FROM students WHERE academy_id = {caller.AcademyId} AND id = {studentId} FOR UPDATE",
            cancel
        );
        var name = await NameAsync(caller, studentId, cancel);
        if (!string.Equals(typed.Trim(), name, StringComparison.Ordinal))
            throw ApiProblemException.Invalid("name", $"Type {name}, exactly, so that nobody else is deleted by mistake.");

        var accounts = await AccountsAsync(caller, studentId, cancel);
        foreach (var ending in endings)
        {
            foreach (var account in accounts)
                await ending.EndAsync(account, cancel);
        }

        await LetGoOfAsync(caller, studentId, accounts, cancel);
        await DeleteMentionsInDeletedAsync(caller, name, cancel);
        foreach (var table in HangingRows.OfStudents(db))
            await db.Database.ExecuteSqlRawAsync(table.Delete, [caller.AcademyId, new[] { studentId }], cancel);

        // Guardians' own; the student's account went with the student's rows.
        await db.Users.Where(u => accounts.Contains(u.Id)).ExecuteDeleteAsync(cancel);
        await log.AddAsync(caller, SecurityEventKind.StudentForgotten, cancel, studentId: studentId);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The student's account, and those of guardians who have no other child here.</summary>
    private async Task<List<Guid>> AccountsAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var guardianships = db.Guardianships;
        return await db
            .Users.Where(u => u.AcademyId == caller.AcademyId)
            .Where(u =>
                u.StudentId == studentId
                || (
                    u.Role == AcademyRole.Guardian
                    && guardianships.Any(g => g.AccountId == u.Id && g.StudentId == studentId)
                    && !guardianships.Any(g => g.AccountId == u.Id && g.StudentId != studentId)
                )
            )
            .Select(u => u.Id)
            .ToListAsync(cancel);
    }

    /// <summary>What points at the student or the accounts without being a row of theirs.</summary>
    private async Task LetGoOfAsync(Caller caller, Guid studentId, List<Guid> accounts, CancellationToken cancel)
    {
        await db.Database.ExecuteSqlAsync(
            $"""
            UPDATE test_days SET students = array_remove(students, {studentId}), version = version + 1
            WHERE academy_id = {caller.AcademyId} AND {studentId} = ANY(students)
            """,
            cancel
        );
        await db.Database.ExecuteSqlAsync($"DELETE FROM mails WHERE account_id = ANY({accounts})", cancel);
        await db.Database.ExecuteSqlAsync($"DELETE FROM sign_ins WHERE account_id = ANY({accounts})", cancel);
    }

    private async Task<string> NameAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        await exports.NameAsync(caller, studentId, cancel) ?? throw ApiProblemException.NotFound("student");

    /// <summary>Texts of others with the student's whole name or first name in them, as a word.</summary>
    private async Task<List<Mention>> MentionsAsync(Caller caller, Guid studentId, string name, CancellationToken cancel)
    {
        var word = AsAWord(name);
        var rows = await db
            .Database.SqlQuery<FoundText>(
                $"""
                SELECT kind, id, title FROM (
                    SELECT 'Plan' AS kind, id, title, document::text AS words FROM plans
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'Drill', id, name, document::text FROM drills
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'Programme', id, name, name || document::text FROM programmes
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'Squad', id, name, name FROM squads
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'TestDay', id, name, name FROM test_days
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'Place', id, document->>'name', document::text FROM places
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'Course', id, document->>'name', document::text FROM courses
                        WHERE academy_id = {caller.AcademyId} AND removed_at IS NULL
                    UNION ALL SELECT 'Student', s.id, s.name, s.coach_note || coalesce(f.document::text, '') FROM students s
                        LEFT JOIN student_files f ON f.academy_id = s.academy_id AND f.student_id = s.id
                        WHERE s.academy_id = {caller.AcademyId} AND s.id <> {studentId}
                    UNION ALL SELECT 'Week', s.id, s.name, w.question || ' ' || w.word || ' ' || w.answer FROM week_words w
                        JOIN students s ON s.academy_id = w.academy_id AND s.id = w.student_id
                        WHERE w.academy_id = {caller.AcademyId} AND w.student_id <> {studentId}
                ) AS texts
                WHERE words ~* {word}
                ORDER BY kind, title, id
                LIMIT {MostMentions + 1}
                """
            )
            .ToListAsync(cancel);
        return
        [
            .. rows.Select(r =>
            {
                var kind = Enum.Parse<MentionKind>(r.Kind);
                return new Mention(kind, r.Title ?? "", PathOf(kind, r.Id));
            }),
        ];
    }

    /// <summary>A name, or its first name, as a word of a text.</summary>
    private static string AsAWord(string name) =>
        $@"\m({Regex.Escape(name)}|{Regex.Escape(name.Split(' ', StringSplitOptions.RemoveEmptyEntries)[0])})\M";

    /// <summary>
    /// What was deleted lately and names the student can't be restored any more: its days are over, and with them its text.
    /// </summary>
    private async Task DeleteMentionsInDeletedAsync(Caller caller, string name, CancellationToken cancel)
    {
        var word = AsAWord(name);
        foreach (var overdue in Overdue)
            await db.Database.ExecuteSqlRawAsync(overdue, [caller.AcademyId, word], cancel);
        await deleted.DeleteOldAsync(cancel);
    }

    /// <summary>For each table of what can be restored: lets the days of those run out that have a word in them.</summary>
    private static readonly IReadOnlyList<string> Overdue =
    [
        .. new[]
        {
            ("plans", "title || ' ' || document::text"),
            ("programmes", "name || ' ' || document::text"),
            ("drills", "name || ' ' || document::text"),
            ("places", "document::text"),
            ("courses", "document::text"),
            ("rounds", "document::text"),
            ("squads", "name"),
            ("test_days", "name"),
        }.Select(t =>
            $"UPDATE {t.Item1} SET removed_at = '-infinity', version = version + 1 WHERE academy_id = {{0}} "
            + $"AND removed_at IS NOT NULL AND {t.Item2} ~* {{1}}"
        ),
    ];

    private static string PathOf(MentionKind kind, Guid id) =>
        kind switch
        {
            MentionKind.Plan => $"/plans/{id}",
            MentionKind.Drill => $"/drills/{id}",
            MentionKind.Programme => $"/programmes/{id}",
            MentionKind.Squad => "/week",
            MentionKind.TestDay => $"/test-days/{id}",
            MentionKind.Place => "/places",
            MentionKind.Course => "/courses",
            MentionKind.Student => $"/students/{id}/file",
            _ => $"/students/{id}",
        };

    private static TraceKind KindOf(Type row) =>
        row == typeof(Account) ? TraceKind.Account
        : row == typeof(StudentFileRow) ? TraceKind.File
        : row == typeof(AssignmentRow) ? TraceKind.Sessions
        : row == typeof(SessionLogRow) ? TraceKind.Logs
        : row == typeof(SessionEntryRow) ? TraceKind.Entries
        : row == typeof(DrillResultRow) ? TraceKind.Results
        : row == typeof(RoundRow) ? TraceKind.Rounds
        : row == typeof(WeekWordRow) ? TraceKind.Words
        : TraceKind.Other;

    private sealed record CountedTable(string Name, int Rows);

    private sealed record FoundText(string Kind, Guid Id, string? Title);
}
