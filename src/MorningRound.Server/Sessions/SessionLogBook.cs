using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using MorningRound.Core;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>Takes what phones noted into the logs of sessions: in order, each entry once, whatever became of the session meanwhile.</summary>
public sealed class SessionLogBook(MorningRoundDb db, DomainClock clock, HomeworkBook homework)
{
    private const int MostEntriesAtOnce = 500;

    /// <summary>How many entries that came under taken numbers are kept aside for one log. A phone that lost its count sends a handful.</summary>
    private const int MostKeptAside = 500;

    /// <summary>A phone can be a day ahead of the academy, and a session can be published while it is already practised.</summary>
    private static readonly TimeSpan BeforePublishing = TimeSpan.FromDays(1);

    /// <summary>What is typed in from a card can be about a year old.</summary>
    private static readonly TimeSpan OldestPaper = TimeSpan.FromDays(400);

    /// <summary>
    /// Adds entries to the end of a log, making it with the first. Entries already there are passed over, so sending twice
    /// changes nothing. Another entry under a number already taken is refused and kept aside; a gap is refused.
    /// </summary>
    public async Task<AppendView> AppendAsync(Caller caller, Guid logId, AppendInput input, CancellationToken cancel)
    {
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        // Locked, so that two calls for one log take turns, and nobody takes the session out of the week in between.
        var assignment = await db.LockAssignmentAsync(caller.AcademyId, input.AssignmentId, cancel);
        if (assignment?.PublishedAt is null) throw Refusal.NotFound("session");
        caller.MustReach(assignment.StudentId, "session");
        Check(caller, logId, input, assignment.Document);

        var log = await ClaimAsync(caller, logId, assignment, input.Continues, cancel);
        var rows = await RowsAsync(caller, log, cancel);
        await RefuseUnlessNextAsync(caller, log, rows, input.Entries, transaction, cancel);
        var added = Dated(log, assignment, rows, [.. input.Entries.Where(e => e.Sequence > rows.Count).OrderBy(e => e.Sequence)], input.SentAt);
        if (added.Count > 0)
        {
            if (assignment.TakenOutAt is not null) assignment.Requirement = Requirement.Own;
            db.SessionEntries.AddRange(added);
            await ReadAnewAsync(caller, log, assignment, [.. rows, .. added], input.Entries, cancel);
        }

        if (!await db.SavedAsync(cancel))
        {
            // Homework was added to at the same moment, say: begin again with what is there now.
            if (transaction is not null) await transaction.RollbackAsync(cancel);
            return await AppendAsync(caller, logId, input, cancel);
        }

        if (transaction is not null) await transaction.CommitAsync(cancel);
        var hasBranches = log.ContinuesLogId is not null
            || await db.SessionLogs.AnyAsync(l => l.AcademyId == caller.AcademyId && l.AssignmentId == assignment.Id && l.ContinuesLogId == logId, cancel);
        return new AppendView(log.LastSequence, LogView.Of(log, assignment.Document), assignment.TakenOutAt is not null, hasBranches);
    }

    /// <summary>A log's entries in their order, those of the log it goes on from before its own.</summary>
    public async Task<IReadOnlyList<SessionEntryRow>> RowsAsync(Caller caller, SessionLogRow log, CancellationToken cancel)
    {
        IReadOnlyList<SessionLogRow> needed = log.ContinuesLogId is null
            ? [log]
            : [log, .. await db.SessionLogs.AsNoTracking().Where(l => l.AcademyId == caller.AcademyId && l.AssignmentId == log.AssignmentId && l.Id != log.Id).ToListAsync(cancel)];
        return (await RowsAsync(caller, needed, cancel))[log.Id];
    }

    /// <summary>The same for all logs of a session, in one query.</summary>
    public async Task<IReadOnlyDictionary<Guid, IReadOnlyList<SessionEntryRow>>> RowsAsync(
        Caller caller, IReadOnlyCollection<SessionLogRow> logs, CancellationToken cancel)
    {
        var byId = logs.ToDictionary(l => l.Id);
        var own = (await db.SessionEntries.AsNoTracking()
            .Where(e => e.AcademyId == caller.AcademyId && byId.Keys.Contains(e.LogId))
            .OrderBy(e => e.Sequence)
            .ToListAsync(cancel)).ToLookup(e => e.LogId);
        return logs.ToDictionary(l => l.Id, RowsOf);

        IReadOnlyList<SessionEntryRow> RowsOf(SessionLogRow log) =>
            log.ContinuesLogId is { } before ? [.. RowsOf(byId[before]).Take(log.ContinuesSequence), .. own[log.Id]] : [.. own[log.Id]];
    }

    private static void Check(Caller caller, Guid logId, AppendInput input, SessionPlan plan)
    {
        if (input.AccountId != caller.AccountId)
            throw Refusal.Forbidden("accountId", "Somebody else is signed in now. These entries stay on the device until their owner signs in again.");
        if (!caller.IsCoach && input.Entries.Any(e => e is LessonNoted or SessionOpened { Recording: Recording.Lesson }))
            throw Refusal.Forbidden("entries", "Only a coach keeps the log of a lesson.");
        var errors = new FieldErrors()
            .Require(logId != Guid.Empty, "logId", "An id is needed.")
            .Require(input.Entries.Count is > 0 and <= MostEntriesAtOnce, "entries", $"Send 1 to {MostEntriesAtOnce} entries at a time.")
            .Require(input.Entries.Select(e => e.Sequence).Distinct().Count() == input.Entries.Count, "entries", "Every entry needs a number of its own.");
        FieldError[] found =
        [
            .. errors.Found,
            .. input.Entries.Take(MostEntriesAtOnce).SelectMany((e, i) => SessionEntryRules.Check(e, plan, $"entries[{i}]")),
        ];
        if (found.Length > 0) throw Refusal.Invalid(found);
    }

    /// <summary>Finds the log, or makes it. Of a log that goes on from another, that one must be there as far as it is named.</summary>
    private async Task<SessionLogRow> ClaimAsync(Caller caller, Guid logId, AssignmentRow assignment, LogBranch? branch, CancellationToken cancel)
    {
        var log = await db.SessionLogs.SingleOrDefaultAsync(l => l.AcademyId == caller.AcademyId && l.Id == logId, cancel);
        if (log is not null) return Owned(log) ? log : throw Refusal.NotFound("log");
        if (branch is not null)
        {
            var before = await db.SessionLogs.AsNoTracking().SingleOrDefaultAsync(l => l.AcademyId == caller.AcademyId && l.Id == branch.LogId, cancel);
            if (before is null || !Owned(before)) throw Refusal.NotFound("log");
            if (branch.Sequence < 0 || branch.Sequence > before.LastSequence)
                throw Refusal.Invalid("continues.sequence", $"That log ends at {before.LastSequence}.");
        }

        log = new SessionLogRow
        {
            AcademyId = caller.AcademyId,
            Id = logId,
            StudentId = assignment.StudentId,
            AssignmentId = assignment.Id,
            AccountId = caller.AccountId,
            ContinuesLogId = branch?.LogId,
            ContinuesSequence = branch?.Sequence ?? 0,
            LastSequence = branch?.Sequence ?? 0,
            Day = clock.Today(caller.TimeZone),
            Reading = SessionLog.From([]),
        };
        db.SessionLogs.Add(log);
        return log;

        bool Owned(SessionLogRow row) => row.AssignmentId == assignment.Id && (row.AccountId is null || row.AccountId == caller.AccountId);
    }

    private async Task RefuseUnlessNextAsync(
        Caller caller, SessionLogRow log, IReadOnlyList<SessionEntryRow> rows, IReadOnlyList<SessionEntry> sent, IDbContextTransaction? transaction, CancellationToken cancel)
    {
        var differing = sent.Where(e => e.Sequence <= rows.Count && !StoredDocuments.Same(e, rows[e.Sequence - 1].Document)).OrderBy(e => e.Sequence).ToList();
        if (differing.Count > 0)
        {
            await KeepAsideAsync(caller, log.Id, differing, cancel);
            if (transaction is not null) await transaction.CommitAsync(cancel);
            throw Refusal.Conflict(
                "This log was continued somewhere else.", $"entries[{sent.ToList().IndexOf(differing[0])}].sequence",
                "Another entry already has this number. What you sent was put aside and nothing was overwritten.",
                new LogEnd(rows.Count, differing[0].Sequence - 1));
        }

        var next = rows.Count + 1;
        if (sent.Where(e => e.Sequence > rows.Count).OrderBy(e => e.Sequence).Where((entry, i) => entry.Sequence != next + i).Any())
        {
            throw Refusal.Conflict("Entries are missing before these.", "entries",
                $"The log ends at {rows.Count}; the next number is {next}.", new LogEnd(rows.Count, rows.Count));
        }
    }

    /// <summary>Puts the times of new entries right, in their order.</summary>
    private List<SessionEntryRow> Dated(
        SessionLogRow log, AssignmentRow assignment, IReadOnlyList<SessionEntryRow> kept, IReadOnlyList<SessionEntry> added, DateTimeOffset? sentAt)
    {
        var now = clock.GetUtcNow();
        var isPaper = kept.Select(r => r.Document).Concat(added).OfType<SessionOpened>().Any(o => o.Recording == Recording.Paper);
        var earliest = isPaper ? now - OldestPaper : assignment.PublishedAt!.Value - BeforePublishing;
        if (!isPaper && kept.Count > 0 && kept[^1].PutRight().At > earliest) earliest = kept[^1].PutRight().At;
        var rows = new List<SessionEntryRow>();
        foreach (var entry in added)
        {
            var shift = PhoneClock.Shift(entry, isPaper ? null : sentAt, now, earliest);
            var row = new SessionEntryRow { AcademyId = log.AcademyId, LogId = log.Id, Sequence = entry.Sequence, ClockShift = shift, Document = entry };
            if (shift != 0) log.ClockWasOff = true;
            if (!isPaper && row.PutRight().At > earliest) earliest = row.PutRight().At;
            rows.Add(row);
        }

        return rows;
    }

    /// <summary>What the log adds up to with its new entries.</summary>
    private async Task ReadAnewAsync(
        Caller caller, SessionLogRow log, AssignmentRow assignment, IReadOnlyList<SessionEntryRow> rows, IReadOnlyList<SessionEntry> sent, CancellationToken cancel)
    {
        var errors = rows.Skip(log.LastSequence)
            .SelectMany(r => SessionEntryRules.CheckMending(r.PutRight(), log.FinishedAt, $"entries[{sent.ToList().FindIndex(e => e.Sequence == r.Sequence)}]"))
            .ToList();
        if (rows.Sum(r => SessionEntryRules.TextIn(r.Document)) > SessionEntryRules.MostTextInLog)
            errors.Add(new FieldError("entries", $"The notes of one session together hold at most {SessionEntryRules.MostTextInLog:N0} characters."));
        if (rows.Count(r => r.Document is LessonNoted) > SessionEntryRules.MostLessonNotes)
            errors.Add(new FieldError("entries", $"What was agreed in a lesson is noted at most {SessionEntryRules.MostLessonNotes} times."));
        if (errors.Count > 0) throw Refusal.Invalid(errors);

        var drills = await DrillsAsync(caller, assignment.Id, cancel);
        var added = rows.Skip(log.LastSequence).Select(r => r.Document).ToList();
        log.Reading = SessionLog.From(rows.Select(r => r.PutRight()), drills);
        log.Day = DomainClock.DayOf(log.Reading.StartedAt!.Value, caller.TimeZone);
        log.FinishedAt = log.Reading.FinishedAt;
        log.HasPain = log.Reading.Pain.Count + log.Reading.FollowUps.Count > 0 || log.Reading.Unwell is not null;
        log.Checkpoint = string.IsNullOrWhiteSpace(log.Reading.Agreed?.Checkpoint) ? null : log.Reading.Agreed.Checkpoint;
        log.LastSequence = rows.Count;
        if (added.Any(e => e is DrillAnswered or AttemptDropped or EntryUndone or TagsMended) || log.ContinuesLogId is not null)
            await KeepResultsAsync(caller, log, assignment, drills, cancel);
        foreach (var noted in added.OfType<LessonNoted>().Where(n => n.Homework is not null))
            await homework.AddAsync(caller, assignment.StudentId, log.Day, noted, cancel);
    }

    /// <summary>What was agreed to look at first, in the student's last lesson that agreed on something; none without one.</summary>
    public Task<CheckpointView?> CheckpointAsync(Caller caller, Guid studentId, CancellationToken cancel, Guid? exceptAssignment = null) =>
        db.SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Checkpoint != null && l.AssignmentId != exceptAssignment)
            .OrderByDescending(l => l.Day).ThenByDescending(l => l.Id)
            .Select(l => new CheckpointView(l.Day, l.Checkpoint!))
            .FirstOrDefaultAsync(cancel);

    /// <summary>The drills of a session as they were set; empty where it has none.</summary>
    public async Task<IReadOnlyList<SetDrill>> DrillsAsync(Caller caller, Guid assignmentId, CancellationToken cancel) =>
        await db.SetDrills.AsNoTracking().Where(d => d.AcademyId == caller.AcademyId && d.AssignmentId == assignmentId)
            .Select(d => d.Document).SingleOrDefaultAsync(cancel) ?? [];

    /// <summary>
    /// Keeps what the log's drills give now; a drill whose attempts were all taken back leaves nothing. Of logs that two devices kept
    /// of one session, only the fuller one leaves a result of a segment.
    /// </summary>
    private async Task KeepResultsAsync(Caller caller, SessionLogRow log, AssignmentRow assignment, IReadOnlyList<SetDrill> drills, CancellationToken cancel)
    {
        var others = await db.SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == log.AcademyId && l.AssignmentId == assignment.Id && l.Id != log.Id).ToListAsync(cancel);
        var readings = new List<(SessionLogRow Row, SessionLog Reading)> { (log, log.Reading) };
        if (log.ContinuesLogId is not null || others.Any(l => l.ContinuesLogId is not null))
        {
            var rows = await RowsAsync(caller, [log, .. others], cancel);
            readings.AddRange(others.Select(other => (other, SessionLog.From(rows[other.Id].Select(r => r.PutRight()), drills))));
        }

        var ids = readings.Select(r => r.Row.Id).ToList();
        var before = await db.DrillResults.Where(r => r.AcademyId == log.AcademyId && ids.Contains(r.LogId)).ToDictionaryAsync(r => (r.LogId, r.SegmentId), cancel);
        foreach (var drill in drills)
        {
            var planned = assignment.Document.Practice().First(s => s.Id == drill.SegmentId);
            var fullest = SessionCompletion.FullestLog(planned, assignment.Document, readings.Where(r => ResultOf(r.Reading) is not null).Select(r => r.Reading));
            if (fullest is null) continue;
            var row = readings.First(r => ReferenceEquals(r.Reading, fullest)).Row;
            Keep(row, drill, ResultOf(fullest)!);

            ProtocolResult? ResultOf(SessionLog reading) => reading.Segments.FirstOrDefault(s => s.SegmentId == drill.SegmentId)?.Result;
        }

        db.DrillResults.RemoveRange(before.Values);

        void Keep(SessionLogRow row, SetDrill drill, ProtocolResult result)
        {
            var document = result with { Samples = new Dictionary<string, IReadOnlyList<int>>() };
            if (before.Remove((row.Id, drill.SegmentId), out var kept))
            {
                kept.Document = document;
                kept.Day = row.Day;
                return;
            }

            db.DrillResults.Add(new DrillResultRow
            {
                AcademyId = row.AcademyId,
                LogId = row.Id,
                SegmentId = drill.SegmentId,
                StudentId = row.StudentId,
                ComparabilityKey = drill.ComparabilityKey,
                Day = row.Day,
                Document = document,
            });
        }
    }

    private async Task KeepAsideAsync(Caller caller, Guid logId, IReadOnlyList<SessionEntry> differing, CancellationToken cancel)
    {
        var before = await db.EntryConflicts.AsNoTracking()
            .Where(c => c.AcademyId == caller.AcademyId && c.LogId == logId)
            .Select(c => c.Document)
            .ToListAsync(cancel);
        var known = before.Select(StoredDocuments.Write).ToHashSet();
        db.EntryConflicts.AddRange(differing.Where(e => known.Add(StoredDocuments.Write(e))).Take(Math.Max(0, MostKeptAside - before.Count)).Select(e => new EntryConflictRow
        {
            Id = Guid.CreateVersion7(),
            AcademyId = caller.AcademyId,
            LogId = logId,
            Sequence = e.Sequence,
            ReceivedAt = clock.GetUtcNow(),
            Document = e,
        }));
        await db.SaveChangesAsync(cancel);
    }
}
