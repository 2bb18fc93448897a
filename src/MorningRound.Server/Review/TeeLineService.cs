using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Review;

/// <summary>The coach's walk: every student, in the order in which they need a look.</summary>
public sealed class TeeLineService(MorningRoundDb db, DomainClock clock, StudentService students)
{
    private const int WeeksOfHistory = 3;

    /// <summary>How many sessions of the week the stop at a bay has room for.</summary>
    private const int SessionsShown = 4;

    /// <summary>The most students that one answer tells of.</summary>
    public const int MostRows = 500;

    /// <summary>
    /// The walk in four queries, whatever the size of the squad. No plan is unpacked, and no log but those that say something of
    /// pain.
    /// </summary>
    /// <param name="caller">The coach.</param>
    /// <param name="rows">How many students to tell of, 1 to <see cref="MostRows"/>.</param>
    /// <param name="cancel">When nobody waits for the answer any more.</param>
    public async Task<TeeLineView> GetAsync(Caller caller, int rows, CancellationToken cancel)
    {
        if (rows is < 1 or > MostRows)
            throw ApiProblemException.Invalid("rows", $"Between 1 and {MostRows}, please.");
        var today = clock.Today(caller.TimeZone);
        var thisWeek = IsoWeek.Of(today);
        var (lastMonday, oldest) = (thisWeek.Plus(-1).Monday, thisWeek.Plus(-WeeksOfHistory).Monday);
        var squad = await students.ListAsync(caller, cancel);
        var assignments = (
            await db
                .Assignments.AsNoTracking()
                .Where(a =>
                    a.AcademyId == caller.AcademyId && a.PublishedAt != null && a.Monday >= oldest && a.Monday <= thisWeek.Monday
                )
                .Where(a => a.Monday >= lastMonday || a.HasLog)
                .Listed()
                .ToListAsync(cancel)
        ).ToLookup(a => a.StudentId);
        var logs = (
            await db
                .SessionLogs.AsNoTracking()
                .Where(l => l.AcademyId == caller.AcademyId)
                .Join(
                    db.Assignments,
                    l => new { l.AcademyId, Id = l.AssignmentId },
                    a => new { a.AcademyId, a.Id },
                    (l, a) =>
                        new
                        {
                            Log = l,
                            a.PublishedAt,
                            a.Monday,
                            a.TakenOutAt,
                        }
                )
                .Where(l => l.PublishedAt != null && l.Monday >= oldest && l.Monday <= thisWeek.Monday)
                .Select(l => new PractisedLog(l.Log.StudentId, l.Log.Day, l.Log.Minutes, l.Log.HasNote, l.TakenOutAt != null))
                .ToListAsync(cancel)
        ).ToLookup(l => l.StudentId);
        // Pain counts on however old it is, until the student's file ends it.
        var pains = (
            await (
                from log in db.SessionLogs.AsNoTracking()
                join assignment in db.Assignments
                    on new { log.AcademyId, Id = log.AssignmentId } equals new { assignment.AcademyId, assignment.Id }
                join file in db.StudentFiles
                    on new { log.AcademyId, log.StudentId } equals new { file.AcademyId, file.StudentId }
                    into files
                from file in files.DefaultIfEmpty()
                where log.AcademyId == caller.AcademyId && log.HasPain && assignment.PublishedAt != null
                select new
                {
                    log.StudentId,
                    log.Day,
                    log.Log,
                    File = file,
                }
            ).ToListAsync(cancel)
        ).ToLookup(l => l.StudentId);
        var reviewed = squad.Select(student =>
            RowOf(
                student,
                [.. assignments[student.Id]],
                [.. logs[student.Id]],
                [.. pains[student.Id].Select(p => new PainOnDay(p.Day, p.Log))],
                pains[student.Id].FirstOrDefault()?.File?.Document ?? new StudentFile(),
                thisWeek,
                today
            )
        );
        return new TeeLineView(
            today,
            thisWeek.ToString(),
            [.. reviewed.OrderBy(b => b.Attention.Reason).ThenBy(b => b.Student.Name, StringComparer.Ordinal).Take(rows)],
            squad.Count
        );
    }

    private static ReviewRow RowOf(
        StudentView student,
        IReadOnlyList<ListedAssignment> rows,
        IReadOnlyList<PractisedLog> logs,
        IReadOnlyList<PainOnDay> pains,
        StudentFile file,
        IsoWeek thisWeek,
        DateOnly today
    )
    {
        var current = rows.Where(r => r.Monday == thisWeek.Monday).Select(r => (Row: r, Session: r.ToAssignedSession())).ToList();
        var before = rows.Where(r => r.Monday == thisWeek.Plus(-1).Monday);
        var open = OpenPain.Of(pains, file);
        var unwell = pains.Where(p => p.Log.Unwell is not null).MaxBy(p => p.Day);
        var attention = Attention.At(
            new AttentionFacts(
                open,
                unwell?.Log.Unwell,
                unwell?.Day,
                [.. current.Select(c => c.Session)],
                [.. before.Select(r => r.ToAssignedSession())],
                logs.Where(l => l.HasNote).Max(l => (DateOnly?)l.Day),
                logs.Where(l => l.WasTakenOut).Max(l => (DateOnly?)l.Day)
            ),
            today
        );
        return new ReviewRow(
            student,
            attention,
            [
                .. open.Select(p =>
                    OpenPainView.Of(
                        p,
                        [],
                        logs.Count(l => l.Day > p.LastOn),
                        logs.Where(l => l.Day > p.LastOn).Sum(l => l.Minutes)
                    )
                ),
            ],
            Completed.Of(WeekCompletion.Of([.. current.Select(c => c.Session)], today)),
            [
                .. current
                    .OrderBy(c => c.Row.Day is null)
                    .ThenBy(c => c.Row.Day)
                    .ThenBy(c => c.Row.Id)
                    .Take(SessionsShown)
                    .Select(c => new ReviewSession(
                        c.Row.Id,
                        c.Row.Listing.Title,
                        c.Row.Day,
                        c.Session.StatusOn(today),
                        c.Row.Listing.Strip
                    )),
            ],
            rows.Where(r => r.HasLog)
                .OrderByDescending(r => r.PractisedOn)
                .ThenByDescending(r => r.Id)
                .Select(r => new ReviewLastSession(
                    r.Id,
                    r.Listing.Title,
                    r.PractisedOn!.Value,
                    r.ToAssignedSession().Completion.Fraction,
                    r.Listing.Strip
                ))
                .FirstOrDefault()
        );
    }

    /// <summary>A log of the last weeks, as far as the walk needs it.</summary>
    private sealed record PractisedLog(Guid StudentId, DateOnly Day, double Minutes, bool HasNote, bool WasTakenOut);
}
