using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Hosting;
using MorningRound.Server.Progress;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Review;

/// <summary>Keeps where each student stands, so that neither the tee line nor the squad's goals read results.</summary>
public sealed class StandingService(MorningRoundDb db, ResultHistory history, DomainClock clock) : IStandings
{
    private const int Weeks = 4;

    /// <summary>Works every standing out anew, after the rules behind them have changed.</summary>
    public async Task RefreshAllAsync(CancellationToken cancel)
    {
        var students = await (
            from student in db.Students.AsNoTracking()
            join academy in db.Academies on student.AcademyId equals academy.Id
            select new
            {
                student.AcademyId,
                student.Id,
                academy.TimeZone,
            }
        ).ToListAsync(cancel);
        foreach (var one in students)
        {
            await RefreshAsync(one.AcademyId, one.Id, clock.Today(one.TimeZone), cancel);
            db.ChangeTracker.Clear();
        }
    }

    public async Task RefreshAsync(Guid academyId, Guid studentId, DateOnly today, CancellationToken cancel)
    {
        var week = IsoWeek.Of(today);
        // Load looks at four weeks before this one, and at one more, which says that there is history.
        var oldest = week.Plus(-Weeks - 1).Monday;
        var file = await db
            .StudentFiles.AsNoTracking()
            .Where(f => f.AcademyId == academyId && f.StudentId == studentId)
            .Select(f => f.Document)
            .SingleOrDefaultAsync(cancel);
        var results = await history.SinceAsync(
            academyId,
            studentId,
            week.Plus(1 - ProgressService.WeeksOfResults).Monday,
            cancel
        );
        var sessions = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == academyId && a.StudentId == studentId && a.PublishedAt != null)
            .Where(a => a.Monday >= oldest && a.Monday <= week.Monday)
            .Listed()
            .ToListAsync(cancel);
        var loads = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == academyId && l.StudentId == studentId && l.Day >= oldest.Plus(-7))
            .Select(l => new LoadedSession(l.Day, l.Minutes, l.Effort))
            .ToListAsync(cancel);
        var standing = Standing.Of(
            file?.Coach.Focus.Quantity,
            results,
            [
                .. Enumerable
                    .Range(0, Weeks + 1)
                    .Select(back => new WeekShare(
                        week.Plus(-back).Monday,
                        WeekCompletion
                            .Of(
                                [.. sessions.Where(s => s.Monday == week.Plus(-back).Monday).Select(s => s.ToAssignedSession())],
                                today
                            )
                            .Fraction
                    )),
            ],
            Load.Of(loads, week.Monday, today).Ratio,
            today
        );
        var document = ReviewMappings.StandingFormat.Write(standing);
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO student_standings (academy_id, student_id, document) VALUES ({academyId}, {studentId}, {document}::jsonb)
            ON CONFLICT (academy_id, student_id) DO UPDATE SET document = excluded.document
            """,
            cancel
        );
    }
}
