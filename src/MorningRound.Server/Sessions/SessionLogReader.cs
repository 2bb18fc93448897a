using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>The logs of a session, to write on with what belongs to some of its drills.</summary>
/// <param name="Logs">All of them.</param>
/// <param name="Drills">The session's drills as they were set; null where nobody asked for any, or there is no log yet.</param>
/// <param name="Results">What the drills that were asked for have given in each log.</param>
public sealed record WrittenLogs(
    List<SessionLogRow> Logs,
    IReadOnlyList<PublishedDrill>? Drills,
    IReadOnlyList<DrillResultRow> Results
);

/// <summary>Reads what logs of sessions hold.</summary>
public sealed class SessionLogReader(MorningRoundDb db)
{
    /// <summary>
    /// The logs of a session, to write on, in one question with what an answer in one of its drills needs: each question more is
    /// a tenth of what a tap costs.
    /// </summary>
    /// <param name="ofDrills">The segments of drills that are written of; with none, nothing of drills is read.</param>
    public async Task<WrittenLogs> ToWriteAsync(
        Caller caller,
        Guid assignmentId,
        IReadOnlyList<Guid> ofDrills,
        CancellationToken cancel
    )
    {
        var logs = db.SessionLogs.Where(l => l.AcademyId == caller.AcademyId && l.AssignmentId == assignmentId);
        if (ofDrills.Count == 0)
            return new WrittenLogs(await logs.ToListAsync(cancel), null, []);
        var (published, results) = (db.PublishedSessions, db.DrillResults);
        var found = await logs.Select(l => new
            {
                Log = l,
                Drills = published
                    .Where(p => p.AcademyId == l.AcademyId && p.AssignmentId == l.AssignmentId)
                    .Select(p => p.Drills)
                    .FirstOrDefault(),
                Results = results
                    .Where(r => r.AcademyId == l.AcademyId && r.LogId == l.Id && ofDrills.Contains(r.SegmentId))
                    .ToList(),
            })
            .ToListAsync(cancel);
        return new WrittenLogs(
            found.ConvertAll(f => f.Log),
            found.Count == 0 ? null : found[0].Drills ?? [],
            [.. found.SelectMany(f => f.Results)]
        );
    }

    /// <summary>A log's entries in their order, those of the log it goes on from before its own.</summary>
    public async Task<IReadOnlyList<SessionEntryRow>> RowsAsync(Caller caller, SessionLogRow log, CancellationToken cancel)
    {
        IReadOnlyList<SessionLogRow> needed = log.ContinuesLogId is null
            ? [log]
            :
            [
                log,
                .. await db
                    .SessionLogs.AsNoTracking()
                    .Where(l => l.AcademyId == caller.AcademyId && l.AssignmentId == log.AssignmentId && l.Id != log.Id)
                    .ToListAsync(cancel),
            ];
        return (await RowsAsync(caller, needed, cancel))[log.Id];
    }

    /// <summary>The same for all logs of a session, in one query.</summary>
    public async Task<IReadOnlyDictionary<Guid, IReadOnlyList<SessionEntryRow>>> RowsAsync(
        Caller caller,
        IReadOnlyCollection<SessionLogRow> logs,
        CancellationToken cancel
    )
    {
        var byId = logs.ToDictionary(l => l.Id);
        var own = (
            await db
                .SessionEntries.AsNoTracking()
                .Where(e => e.AcademyId == caller.AcademyId && byId.Keys.Contains(e.LogId))
                .OrderBy(e => e.Sequence)
                .ToListAsync(cancel)
        ).ToLookup(e => e.LogId);
        return logs.ToDictionary(l => l.Id, RowsOf);

        IReadOnlyList<SessionEntryRow> RowsOf(SessionLogRow log) =>
            log.ContinuesLogId is { } before
                ? [.. RowsOf(byId[before]).Take(log.ContinuesSequence), .. own[log.Id]]
                : [.. own[log.Id]];
    }

    /// <summary>The entries that are there under the numbers of others, by number.</summary>
    public async Task<IReadOnlyDictionary<int, SessionEntryRow>> UnderSameNumbersAsync(
        Caller caller,
        SessionLogRow log,
        IReadOnlyList<SessionLogRow> others,
        IReadOnlyList<SessionEntry> like,
        CancellationToken cancel
    )
    {
        if (log.ContinuesLogId is not null)
            return (await RowsAsync(caller, [log, .. others], cancel))[log.Id].ToDictionary(e => e.Sequence);
        var numbers = like.Select(e => e.Sequence).ToList();
        return await db
            .SessionEntries.AsNoTracking()
            .Where(e => e.AcademyId == caller.AcademyId && e.LogId == log.Id && numbers.Contains(e.Sequence))
            .ToDictionaryAsync(e => e.Sequence, cancel);
    }

    /// <summary>What a log holds of some drills, in its order.</summary>
    public async Task<IReadOnlyList<SessionEntry>> OfDrillsAsync(
        SessionLogRow log,
        IReadOnlyList<Guid> segments,
        CancellationToken cancel
    ) =>
        await db
            .SessionEntries.AsNoTracking()
            .Where(e =>
                e.AcademyId == log.AcademyId
                && e.LogId == log.Id
                && e.DrillSegmentId != null
                && segments.Contains(e.DrillSegmentId.Value)
            )
            .OrderBy(e => e.Sequence)
            .Select(e => e.Document)
            .ToListAsync(cancel);

    /// <summary>The drills of a session as they were set; empty where it has none.</summary>
    public async Task<IReadOnlyList<PublishedDrill>> DrillsAsync(Caller caller, Guid assignmentId, CancellationToken cancel) =>
        await db
            .PublishedSessions.AsNoTracking()
            .Where(d => d.AcademyId == caller.AcademyId && d.AssignmentId == assignmentId)
            .Select(d => d.Drills)
            .SingleOrDefaultAsync(cancel)
        ?? [];

    /// <summary>
    /// What was agreed to look at first, in the student's last lesson that agreed on something; null without one.
    /// </summary>
    public Task<CheckpointView?> CheckpointAsync(
        Caller caller,
        Guid studentId,
        CancellationToken cancel,
        Guid? exceptAssignment = null
    ) => Checkpoints(caller, studentId, exceptAssignment).FirstOrDefaultAsync(cancel);

    /// <summary>What was agreed to look at first in each lesson of a student that agreed on something, last one first.</summary>
    public IQueryable<CheckpointView> Checkpoints(Caller caller, Guid studentId, Guid? exceptAssignment = null) =>
        db
            .SessionLogs.AsNoTracking()
            .Where(l =>
                l.AcademyId == caller.AcademyId
                && l.StudentId == studentId
                && l.Checkpoint != null
                && l.AssignmentId != exceptAssignment
            )
            .OrderByDescending(l => l.Day)
            .ThenByDescending(l => l.Id)
            .Select(l => new CheckpointView(l.Day, l.Checkpoint!));
}
