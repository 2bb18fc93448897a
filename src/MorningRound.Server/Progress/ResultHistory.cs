using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Progress;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Progress;

/// <summary>
/// A student's results of a window, each with what the student said of its session. Never all that there ever were.
/// </summary>
public sealed class ResultHistory(MorningRoundDb db)
{
    /// <summary>More than three sessions a week leave in the weeks that are looked at.</summary>
    private const int MostResults = 300;

    /// <summary>Forty students with twelve drills on eight days.</summary>
    private const int MostOfSessions = 3840;

    /// <summary>The results since a day, newest first; beyond a bound the older ones are left out.</summary>
    public Task<List<DatedResult>> SinceAsync(Guid academyId, Guid studentId, DateOnly since, CancellationToken cancel) =>
        ReadAsync(Rows(academyId, studentId).Where(r => r.Day >= since), MostResults, cancel);

    /// <summary>The results from one day to another, newest first, bounded likewise.</summary>
    public Task<List<DatedResult>> BetweenAsync(
        Guid academyId,
        Guid studentId,
        DateOnly from,
        DateOnly to,
        CancellationToken cancel
    ) => ReadAsync(Rows(academyId, studentId).Where(r => r.Day >= from && r.Day <= to), MostResults, cancel);

    /// <summary>The results of sessions, whoever's they are.</summary>
    public Task<List<DatedResult>> OfSessionsAsync(
        Guid academyId,
        IReadOnlyCollection<Guid> sessions,
        CancellationToken cancel
    ) =>
        ReadAsync(
            db.DrillResults.AsNoTracking().Where(r => r.AcademyId == academyId && sessions.Contains(r.AssignmentId)),
            MostOfSessions,
            cancel
        );

    /// <summary>The results of one drill since a day, newest first, so many at most.</summary>
    public Task<List<DatedResult>> OfDrillAsync(
        Guid academyId,
        Guid studentId,
        Guid drillId,
        DateOnly since,
        int most,
        CancellationToken cancel
    ) => ReadAsync(Rows(academyId, studentId).Where(r => r.DrillId == drillId && r.Day >= since), most, cancel);

    private IQueryable<DrillResultRow> Rows(Guid academyId, Guid studentId) =>
        db.DrillResults.AsNoTracking().Where(r => r.AcademyId == academyId && r.StudentId == studentId);

    private Task<List<DatedResult>> ReadAsync(IQueryable<DrillResultRow> rows, int most, CancellationToken cancel)
    {
        var logs = db.SessionLogs;
        return (
            from result in rows.OrderByDescending(r => r.Day).ThenByDescending(r => r.LogId).ThenBy(r => r.SegmentId).Take(most)
            join log in logs on new { result.AcademyId, Id = result.LogId } equals new { log.AcademyId, log.Id }
            select new DatedResult(
                result.AssignmentId,
                result.DrillId,
                result.Area,
                result.ComparabilityKey,
                result.Rung,
                result.Day,
                result.Document,
                log.Confidence,
                log.Quality,
                result.Shortfall
            )
        ).ToListAsync(cancel);
    }
}
