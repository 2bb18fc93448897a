using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>Reads what logs of sessions hold.</summary>
public sealed class SessionLogReader(MorningRoundDb db)
{
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
    ) =>
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
            .Select(l => new CheckpointView(l.Day, l.Checkpoint!))
            .FirstOrDefaultAsync(cancel);
}
