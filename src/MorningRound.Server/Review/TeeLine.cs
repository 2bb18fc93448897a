using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Review;

/// <summary>The coach's walk: every student as a bay, in the order in which they need a look.</summary>
public sealed class TeeLine(MorningRoundDb db, DomainClock clock, StudentBook students)
{
    private const int WeeksOfHistory = 3;

    public async Task<TeeLineView> GetAsync(Caller caller, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        var thisWeek = IsoWeek.Of(today);
        var lastMonday = thisWeek.Plus(-1).Monday;
        var oldest = thisWeek.Plus(-WeeksOfHistory).Monday;
        var squad = await students.ListAsync(caller, cancel);
        var published = db.Assignments.AsNoTracking().Where(a => a.AcademyId == caller.AcademyId && a.PublishedAt != null);
        var rows = await published.Include(a => a.Logs).Where(a => a.Monday >= lastMonday && a.Monday <= thisWeek.Monday).ToListAsync(cancel);
        // Of the weeks before, the logs tell all there is to tell; a plan is only read where nothing newer was practised. Pain counts
        // on however old it is, until the student's file ends it.
        var logs = await (
            from log in db.SessionLogs.AsNoTracking()
            join assignment in published on new { log.AcademyId, Id = log.AssignmentId } equals new { assignment.AcademyId, assignment.Id }
            from file in db.StudentFiles.Where(f => log.HasPain && f.AcademyId == log.AcademyId && f.StudentId == log.StudentId).DefaultIfEmpty()
            where (assignment.Monday >= oldest && assignment.Monday < lastMonday) || log.HasPain
            select new { Log = log, assignment.Monday, File = file }).ToListAsync(cancel);
        var earlier = logs.Where(l => l.Monday >= oldest && l.Monday < lastMonday).Select(l => l.Log).ToList();
        var pains = logs.Where(l => l.Log.HasPain).ToLookup(l => l.Log.StudentId);
        var practisedSince = rows.Where(r => r.Logs.Count > 0).Select(r => r.StudentId).ToHashSet();
        var lastIds = earlier.Where(l => !practisedSince.Contains(l.StudentId)).GroupBy(l => l.StudentId).Select(g => g.MaxBy(l => l.Day)!.AssignmentId).ToList();
        if (lastIds.Count > 0) rows.AddRange(await published.Include(a => a.Logs).Where(a => lastIds.Contains(a.Id)).ToListAsync(cancel));
        var byStudent = rows.ToLookup(r => r.StudentId);
        var logsByStudent = earlier.ToLookup(l => l.StudentId);
        var bays = squad.Select(student => BayOf(student, [.. byStudent[student.Id]], logsByStudent[student.Id],
                [.. pains[student.Id].Select(l => new PainOnDay(l.Log.Day, l.Log.Reading))], pains[student.Id].FirstOrDefault()?.File?.Document ?? new StudentFile(), thisWeek, today))
            .OrderBy(b => b.Look.Reason).ThenBy(b => b.Student.Name, StringComparer.Ordinal);
        return new TeeLineView(today, thisWeek.ToString(), [.. bays]);
    }

    private static Bay BayOf(
        StudentView student, IReadOnlyList<AssignmentRow> rows, IEnumerable<SessionLogRow> earlier,
        IReadOnlyList<PainOnDay> pains, StudentFile file, IsoWeek thisWeek, DateOnly today)
    {
        var current = rows.Where(r => r.Monday == thisWeek.Monday).Select(r => (Row: r, Session: r.ToAssignedSession())).ToList();
        var before = rows.Where(r => r.Monday == thisWeek.Plus(-1).Monday).ToList();
        var logs = rows.SelectMany(r => r.Logs).Concat(earlier).OrderBy(l => l.Day).ToList();
        var open = OpenPain.Of(pains, file);
        var unwell = pains.Where(p => p.Log.Unwell is not null).MaxBy(p => p.Day);
        var last = rows.Where(r => r.Logs.Count > 0).MaxBy(r => r.Logs.Max(l => l.Day));
        var look = Look.At(
            new LookFacts(
                open,
                unwell?.Log.Unwell,
                unwell?.Day,
                [.. current.Select(c => c.Session)],
                [.. before.Select(r => r.ToAssignedSession())],
                logs.LastOrDefault(l => !string.IsNullOrWhiteSpace(l.Reading.Rating?.Note))?.Day,
                rows.Where(r => r.TakenOutAt is not null).SelectMany(r => r.Logs).MaxBy(l => l.Day)?.Day),
            today);
        return new Bay(
            student, look, [.. open.Select(p => OpenPainView.Of(p, [], [.. logs.Where(l => l.Day > p.LastOn).Select(l => l.Reading)]))],
            Completed.Of(WeekCompletion.Of([.. current.Select(c => c.Session)], today)),
            [.. current.Select(c => SessionCard.Of(c.Row, c.Session, today)).OrderBy(c => c.Day is null).ThenBy(c => c.Day)],
            last is null ? null : SessionCard.Of(last, today));
    }
}

/// <summary>The squad in the order in which it needs a look.</summary>
public sealed record TeeLineView(DateOnly Today, string Week, IReadOnlyList<Bay> Bays);

/// <summary>One student's bay.</summary>
/// <param name="Student">Who stands there.</param>
/// <param name="Look">Why to stop.</param>
/// <param name="OpenPain">Pain that still counts, the worst first, with what was practised since.</param>
/// <param name="ThisWeek">What was done of this week so far.</param>
/// <param name="Sessions">This week's published sessions.</param>
/// <param name="Last">The session practised last, in the last four weeks; none if there was none.</param>
public sealed record Bay(StudentView Student, Look Look, IReadOnlyList<OpenPainView> OpenPain, Completed ThisWeek, IReadOnlyList<SessionCard> Sessions, SessionCard? Last);

public static class ReviewEndpoints
{
    public static void MapReview(this IEndpointRouteBuilder api) =>
        api.MapGroup("/review").WithTags("Review").RequireAuthorization(Policies.Coach)
            .MapGet("/tee-line", (Caller caller, TeeLine line, CancellationToken cancel) => line.GetAsync(caller, cancel));
}
