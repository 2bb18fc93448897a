using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>A text of the conversation about a week.</summary>
/// <param name="Text">1 to 600 characters.</param>
public sealed record WordInput(string Text);

/// <summary>What was said about a week. What nobody said is empty.</summary>
public sealed record WeekWordView : IVersioned
{
    public required string Week { get; init; }

    /// <summary>0 before anything was said.</summary>
    public required int Version { get; init; }

    public required string Question { get; init; }

    public required DateTimeOffset? AskedAt { get; init; }

    public required string Word { get; init; }

    public required DateTimeOffset? SaidAt { get; init; }

    /// <summary>The coach who said it; empty before that.</summary>
    public required string SaidBy { get; init; }

    public required string Answer { get; init; }

    public required DateTimeOffset? AnsweredAt { get; init; }

    public static WeekWordView Of(WeekWordRow? row, IsoWeek week, string saidBy) =>
        new()
        {
            Week = week.ToString(),
            Version = row?.Version ?? 0,
            Question = row?.Question ?? "",
            AskedAt = row?.AskedAt,
            Word = row?.Word ?? "",
            SaidAt = row?.SaidAt,
            SaidBy = saidBy,
            Answer = row?.Answer ?? "",
            AnsweredAt = row?.AnsweredAt,
        };
}

/// <summary>
/// The coach's word to a student's week. A student asks in the middle of a week, the coach says a word, the student may answer it
/// once.
/// </summary>
public sealed class WordService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>Characters of a question, a word, an answer.</summary>
    public const int LongestWord = 600;

    /// <summary>What was said about a week.</summary>
    public async Task<WeekWordView> GetAsync(Caller caller, Guid studentId, IsoWeek week, CancellationToken cancel)
    {
        await EnsureStudentAsync(caller, studentId, cancel);
        return await ViewAsync(await RowOf(caller, studentId, week).SingleOrDefaultAsync(cancel), week, cancel);
    }

    /// <summary>A student asks something; until there is a word the question can be put otherwise.</summary>
    public Task<WeekWordView> AskAsync(Caller caller, IsoWeek week, string text, RowVersion expected, CancellationToken cancel) =>
        SaveAsync(
            caller,
            caller.StudentId!.Value,
            week,
            expected,
            text,
            row => row.Question == text,
            row =>
            {
                if (row.Word.Length > 0)
                    throw ApiProblemException.Conflict(
                        "Your coach has said a word about this week already.",
                        "text",
                        "Answer it instead, or ask in the week after."
                    );
                (row.Question, row.AskedAt, row.AskedOn) = (text, clock.GetUtcNow(), clock.Today(caller.TimeZone));
            },
            cancel
        );

    /// <summary>A coach says a word, or puts it otherwise before it was answered.</summary>
    public Task<WeekWordView> SayAsync(
        Caller caller,
        Guid studentId,
        IsoWeek week,
        string text,
        RowVersion expected,
        CancellationToken cancel
    ) =>
        SaveAsync(
            caller,
            studentId,
            week,
            expected,
            text,
            row => row.Word == text,
            row =>
            {
                if (row.Answer.Length > 0)
                    throw ApiProblemException.Conflict(
                        "The student has answered this word already.",
                        "text",
                        "It stays as it was answered. Say the next one with the week after."
                    );
                (row.Word, row.SaidAt, row.SaidBy) = (text, clock.GetUtcNow(), caller.AccountId);
            },
            cancel
        );

    /// <summary>A student answers the word, once.</summary>
    public Task<WeekWordView> AnswerAsync(
        Caller caller,
        IsoWeek week,
        string text,
        RowVersion expected,
        CancellationToken cancel
    ) =>
        SaveAsync(
            caller,
            caller.StudentId!.Value,
            week,
            expected,
            text,
            row => row.Answer == text,
            row =>
            {
                if (row.Word.Length == 0)
                    throw ApiProblemException.Invalid("text", "There is no word to answer yet.");
                if (row.Answer.Length > 0)
                    throw ApiProblemException.Conflict(
                        "This word was answered already.",
                        "text",
                        "An answer is given once. Ask in the week after."
                    );
                (row.Answer, row.AnsweredAt) = (text, clock.GetUtcNow());
            },
            cancel
        );

    private async Task<WeekWordView> SaveAsync(
        Caller caller,
        Guid studentId,
        IsoWeek week,
        RowVersion expected,
        string text,
        Func<WeekWordRow, bool> isSame,
        Action<WeekWordRow> change,
        CancellationToken cancel
    )
    {
        await EnsureStudentAsync(caller, studentId, cancel);
        var errors = new FieldErrors().RequireText(text, "text", LongestWord);
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        var saved = await db.SaveAsync(
            expected,
            new GuardedRow<WeekWordRow>
            {
                What = "week",
                Find = () => RowOf(caller, studentId, week).SingleOrDefaultAsync(cancel),
                View = async row => await ViewAsync(row, week, cancel),
                Create = () =>
                    Task.FromResult(
                        new WeekWordRow
                        {
                            AcademyId = caller.AcademyId,
                            StudentId = studentId,
                            Monday = week.Monday,
                        }
                    ),
                SkipsUnchanged = true,
                IsSame = isSame,
                Change = change,
            },
            cancel
        );
        return await ViewAsync(saved, week, cancel);
    }

    private async Task EnsureStudentAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel))
            throw ApiProblemException.NotFound("student");
    }

    private IQueryable<WeekWordRow> RowOf(Caller caller, Guid studentId, IsoWeek week) =>
        db.WeekWords.Where(w => w.AcademyId == caller.AcademyId && w.StudentId == studentId && w.Monday == week.Monday);

    private async Task<WeekWordView> ViewAsync(WeekWordRow? row, IsoWeek week, CancellationToken cancel) =>
        WeekWordView.Of(
            row,
            week,
            row?.SaidBy is { } coach
                ? await db.Users.Where(u => u.Id == coach).Select(u => u.Name).SingleOrDefaultAsync(cancel) ?? ""
                : ""
        );
}
