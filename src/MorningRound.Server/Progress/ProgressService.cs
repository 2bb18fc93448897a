using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Progress;

/// <summary>A student's past weeks.</summary>
public sealed class ProgressService(MorningRoundDb db, DomainClock clock)
{
    private const int MostWeeks = 104;
    private const int RecentSessions = 8;

    /// <summary>The last weeks up to this one, oldest first, and the sessions that were practised last.</summary>
    public async Task<ProgressView> GetAsync(Caller caller, Guid studentId, int weeks, CancellationToken cancel)
    {
        if (weeks is < 1 or > MostWeeks)
            throw ApiProblemException.Invalid("weeks", $"Between 1 and {MostWeeks} weeks, please.");
        caller.EnsureCanAccess(studentId, "student");
        var today = clock.Today(caller.TimeZone);
        var last = IsoWeek.Of(today);
        var first = last.Plus(1 - weeks);
        var published = db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.PublishedAt != null)
            .Where(a => a.Monday >= first.Monday && a.Monday <= last.Monday);
        var student =
            await db
                .Students.Where(s => s.AcademyId == caller.AcademyId && s.Id == studentId)
                .Select(s => new
                {
                    s.Name,
                    Sessions = published
                        .Select(a => new
                        {
                            a.Monday,
                            a.Day,
                            a.Requirement,
                            a.Excuse,
                            a.HasLog,
                            a.IsFinished,
                            a.IsTrimmed,
                            a.EndedByPain,
                            a.PlannedMinutes,
                            a.DoneMinutes,
                            a.IsWhole,
                            a.Figures,
                        })
                        .ToList(),
                })
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("student");
        var byWeek = student.Sessions.ToLookup(
            s => s.Monday,
            s =>
                (
                    Figures: s.Figures,
                    Session: new AssignedSession
                    {
                        Week = IsoWeek.Of(s.Monday),
                        Day = s.Day,
                        Requirement = s.Requirement,
                        Excuse = s.Excuse,
                        HasLog = s.HasLog,
                        IsFinished = s.IsFinished,
                        IsTrimmed = s.IsTrimmed,
                        EndedByPain = s.EndedByPain,
                        Completion = new CompletionFigures
                        {
                            PlannedMinutes = s.PlannedMinutes,
                            DoneMinutes = s.DoneMinutes,
                            IsWhole = s.IsWhole,
                        },
                    }
                )
        );
        var figures = Enumerable
            .Range(0, weeks)
            .Select(first.Plus)
            .Select(week =>
                WeekFigureView.Of(
                    WeekFigure.Of(
                        week,
                        [.. byWeek[week.Monday].Select(s => s.Session)],
                        [.. byWeek[week.Monday].Select(s => s.Figures).OfType<SessionFigures>()],
                        today
                    )
                )
            );
        var recent = await published
            .Where(a => a.HasLog)
            .OrderByDescending(a => a.PractisedOn)
            .ThenByDescending(a => a.Id)
            .Take(RecentSessions)
            .Listed()
            .ToListAsync(cancel);
        return new ProgressView(studentId, student.Name, [.. figures], [.. recent.Select(r => SessionCard.Of(r, today))]);
    }
}
