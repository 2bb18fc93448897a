using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Progress;

/// <summary>A student's past weeks.</summary>
public sealed class ProgressBook(MorningRoundDb db, DomainClock clock, StudentBook students)
{
    /// <summary>The last weeks up to this one, oldest first, and the sessions of the last fortnight that left a log.</summary>
    public async Task<ProgressView> GetAsync(Caller caller, Guid studentId, int weeks, CancellationToken cancel)
    {
        if (weeks is < 1 or > 60) throw Refusal.Invalid("weeks", "Between 1 and 60 weeks, please.");
        var student = await students.GetAsync(caller, studentId, cancel);
        var today = clock.Today(caller.TimeZone);
        var last = IsoWeek.Of(today);
        var first = last.Plus(1 - weeks);
        var rows = await db.Assignments.AsNoTracking().Include(a => a.Logs)
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.PublishedAt != null)
            .Where(a => a.Monday >= first.Monday && a.Monday <= last.Monday)
            .ToListAsync(cancel);
        var byWeek = rows.ToLookup(r => r.Monday);
        var figures = Enumerable.Range(0, weeks).Select(first.Plus).Select(week => WeekFigureView.Of(WeekFigure.Of(
            week,
            [.. byWeek[week.Monday].Select(r => r.ToAssignedSession())],
            [.. byWeek[week.Monday].SelectMany(r => r.Readings())],
            [.. byWeek[week.Monday].Select(r => Strokes.Of(r.Document, r.Readings()))],
            today)));
        var recent = rows.Where(r => r.Logs.Count > 0).Select(r => SessionCard.Of(r, today))
            .OrderByDescending(c => c.PractisedOn).ThenByDescending(c => c.AssignmentId).Take(8);
        return new ProgressView(student.Id, student.Name, [.. figures], [.. recent]);
    }
}

/// <summary>A student's past weeks, oldest first, and what was practised lately, newest first.</summary>
public sealed record ProgressView(
    Guid StudentId, string StudentName, IReadOnlyList<WeekFigureView> Weeks, IReadOnlyList<SessionCard> Recent);

/// <summary>One week for the charts. Ratings are means; none where nobody answered.</summary>
public sealed record WeekFigureView(
    string Week, DateOnly Monday, Completed Completion, int Sessions, int SessionsDone, int ExtrasDone, MeanRatings Ratings,
    double MinutesPractised, Strokes Strokes, int? WorstPain)
{
    public static WeekFigureView Of(WeekFigure figure) => new(
        figure.Week.ToString(), figure.Week.Monday, Completed.Of(figure.Completion), figure.Completion.Sessions,
        figure.Completion.SessionsDone, figure.Completion.ExtrasDone, figure.Ratings, figure.MinutesPractised, figure.Strokes,
        figure.WorstPain);
}

public static class ProgressEndpoints
{
    public static void MapProgress(this IEndpointRouteBuilder api) =>
        api.MapGroup("/progress").WithTags("Progress").MapGet("/{studentId:guid}", (
                Guid studentId, Caller caller, ProgressBook book, CancellationToken cancel, int weeks = 12) =>
            book.GetAsync(caller, studentId, weeks, cancel));
}
