using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>
/// Takes what phones noted into the logs of sessions: in order, each entry once, whatever became of the session meanwhile.
/// </summary>
public sealed class SessionLogService(
    MorningRoundDb db,
    DomainClock clock,
    SessionLogReader reader,
    DrillResultKeeper results,
    HomeworkService homework,
    IStandings standings
)
{
    private const int MostEntriesAtOnce = 500;

    /// <summary>
    /// How many entries that came under taken numbers are kept aside for one log. A phone that lost its count sends a handful.
    /// </summary>
    private const int MostKeptAside = 500;

    /// <summary>
    /// A phone can be a day ahead of the academy, and a session can be published while it is already practised.
    /// </summary>
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
        // What fails here takes the whole transaction back: a point to go back to within it would be two more round trips.
        db.Database.AutoSavepointsEnabled = transaction is null;
        // Locked, so that two calls for one log take turns, and nobody takes the session out of the week in between.
        var assignment = await db.LockAssignmentAsync(caller.AcademyId, input.AssignmentId, cancel);
        if (assignment?.PublishedAt is null)
            throw ApiProblemException.NotFound("session");
        caller.EnsureCanAccess(assignment.StudentId, "session");
        Check(caller, logId, input, assignment.Document);

        var written = await reader.ToWriteAsync(caller, assignment.Id, DrillsIn(input.Entries), cancel);
        var others = written.Logs.FindAll(l => l.Id != logId);
        var known = written.Logs.Find(l => l.Id == logId);
        var log = await ClaimAsync(caller, logId, known, assignment, input.Continues, cancel);
        await RefuseUnlessNextAsync(caller, log, others, input.Entries, transaction, cancel);
        var added = Dated(
            log,
            assignment,
            [.. input.Entries.Where(e => e.Sequence > log.LastSequence).OrderBy(e => e.Sequence)],
            input.SentAt
        );
        if (added.Count > 0)
        {
            if (assignment.TakenOutAt is not null && !await FulfilsReplacementAsync(caller, assignment, cancel))
                assignment.Requirement = Requirement.Own;
            RefuseTooMuch(log, added, input.Entries);
            await AddAsync(caller, log, others, written, assignment, added, cancel);
        }

        if (!await db.SavedAsync(cancel))
        {
            // Homework was added to at the same moment, say: begin again with what is there now.
            if (transaction is not null)
                await transaction.RollbackAsync(cancel);
            return await AppendAsync(caller, logId, input, cancel);
        }

        if (added.Count > 0 && log.FinishedAt is not null)
            await standings.RefreshAsync(caller.AcademyId, assignment.StudentId, clock.Today(caller.TimeZone), cancel);
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
        return new AppendView(
            log.LastSequence,
            LogView.Of(log, assignment.Document),
            assignment.TakenOutAt is not null,
            assignment.Notes.ChangedMeanwhile,
            log.ContinuesLogId is not null || others.Any(l => l.ContinuesLogId == logId)
        );
    }

    /// <summary>
    /// A session that was practised as it stood before its coach changed it counts in the place of the changed one, which gives
    /// way. Not where the changed one was begun as well, or is gone.
    /// </summary>
    /// <returns>Whether it does.</returns>
    private async Task<bool> FulfilsReplacementAsync(Caller caller, AssignmentRow practised, CancellationToken cancel)
    {
        var changed = practised;
        while (changed is { TakenOutAt: not null, Notes.ReplacedBy: { } next })
            changed = await db.LockAssignmentAsync(caller.AcademyId, next, cancel);
        if (changed is not { TakenOutAt: null, HasLog: false } || changed.StudentId != practised.StudentId)
            return false;
        (practised.Monday, practised.Day) = (changed.Monday, changed.Day);
        (practised.Requirement, practised.Order) = (changed.Requirement, changed.Order);
        (practised.Excuse, practised.SaidNoTime) = (changed.Excuse, changed.SaidNoTime);
        practised.TakenOutAt = null;
        practised.Version = changed.Version + 1;
        practised.Notes = practised.Notes with
        {
            ReplacedBy = null,
            Changes = changed.Notes.Changes,
            ChangedMeanwhile = [.. PlanDifference.Of(practised.Document, changed.Document).Select(d => d.In())],
        };
        practised.ChangedAt = changed.ChangedAt;
        changed.TakenOutAt = clock.GetUtcNow();
        changed.Notes = changed.Notes with { ReplacedBy = practised.Id };
        changed.Version++;
        return true;
    }

    private static IReadOnlyList<Guid> DrillsIn(IEnumerable<SessionEntry> entries) =>
        [.. entries.Select(SessionLog.DrillSegmentOf).OfType<Guid>().Distinct()];

    private static void Check(Caller caller, Guid logId, AppendInput input, SessionPlan plan)
    {
        if (input.AccountId != caller.AccountId)
            throw ApiProblemException.Forbidden(
                "accountId",
                "Somebody else is signed in now. These entries stay on the device until their owner signs in again."
            );
        if (
            !caller.IsCoach
            && input.Entries.Any(e => e is LessonNoted or SessionOpened { Recording: Recording.Lesson or Recording.Test })
        )
            throw ApiProblemException.Forbidden("entries", "Only a coach keeps the log of a lesson or of a test day.");
        var errors = new FieldErrors()
            .Require(logId != Guid.Empty, "logId", "An id is needed.")
            .Require(
                input.Entries.Count is > 0 and <= MostEntriesAtOnce,
                "entries",
                $"Send 1 to {MostEntriesAtOnce} entries at a time."
            )
            .Require(
                input.Entries.Select(e => e.Sequence).Distinct().Count() == input.Entries.Count,
                "entries",
                "Every entry needs a number of its own."
            );
        FieldError[] found =
        [
            .. errors.Found,
            .. input.Entries.Take(MostEntriesAtOnce).SelectMany((e, i) => SessionEntryRules.Check(e, plan, $"entries[{i}]")),
        ];
        if (found.Length > 0)
            throw ApiProblemException.Invalid(found);
    }

    /// <summary>
    /// The session's log of that id, or a new one. Of a log that goes on from another, that one must be there as far as it is
    /// named.
    /// </summary>
    private async Task<SessionLogRow> ClaimAsync(
        Caller caller,
        Guid logId,
        SessionLogRow? known,
        AssignmentRow assignment,
        LogBranch? branch,
        CancellationToken cancel
    )
    {
        if (known is not null)
            return Owned(known) ? known : throw ApiProblemException.NotFound("log");
        if (await db.SessionLogs.AnyAsync(l => l.AcademyId == caller.AcademyId && l.Id == logId, cancel))
            throw ApiProblemException.NotFound("log");
        if (branch is not null)
        {
            var before = await db
                .SessionLogs.AsNoTracking()
                .SingleOrDefaultAsync(l => l.AcademyId == caller.AcademyId && l.Id == branch.LogId, cancel);
            if (before is null || !Owned(before))
                throw ApiProblemException.NotFound("log");
            if (branch.Sequence < 0 || branch.Sequence > before.LastSequence)
                throw ApiProblemException.Invalid("continues.sequence", $"That log ends at {before.LastSequence}.");
        }

        var log = new SessionLogRow
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
            Log = SessionLog.From([]),
        };
        db.SessionLogs.Add(log);
        return log;

        bool Owned(SessionLogRow row) => row.AssignmentId == assignment.Id && row.AccountId == caller.AccountId;
    }

    /// <summary>
    /// Refuses entries that differ from what is there, and entries that leave a gap. Of the log only those in question are read.
    /// </summary>
    private async Task RefuseUnlessNextAsync(
        Caller caller,
        SessionLogRow log,
        IReadOnlyList<SessionLogRow> others,
        IReadOnlyList<SessionEntry> sent,
        IDbContextTransaction? transaction,
        CancellationToken cancel
    )
    {
        var again = sent.Where(e => e.Sequence <= log.LastSequence).OrderBy(e => e.Sequence).ToList();
        if (again.Count > 0)
        {
            var kept = await reader.UnderSameNumbersAsync(caller, log, others, again, cancel);
            var differing = again.Where(e => !StoredDocuments.Same(e, kept[e.Sequence].Document)).ToList();
            if (differing.Count > 0)
            {
                await KeepAsideAsync(caller, log.Id, differing, cancel);
                if (transaction is not null)
                    await transaction.CommitAsync(cancel);
                throw ApiProblemException.Conflict(
                    "This log was continued somewhere else.",
                    $"entries[{sent.ToList().IndexOf(differing[0])}].sequence",
                    "Another entry already has this number. What you sent was put aside and nothing was overwritten.",
                    new LogEnd(log.LastSequence, differing[0].Sequence - 1)
                );
            }
        }

        var next = log.LastSequence + 1;
        if (sent.Where(e => e.Sequence >= next).OrderBy(e => e.Sequence).Where((entry, i) => entry.Sequence != next + i).Any())
        {
            throw ApiProblemException.Conflict(
                "Entries are missing before these.",
                "entries",
                $"The log ends at {log.LastSequence}; the next number is {next}.",
                new LogEnd(log.LastSequence, log.LastSequence)
            );
        }
    }

    /// <summary>Puts the times of new entries right, in their order.</summary>
    private List<SessionEntryRow> Dated(
        SessionLogRow log,
        AssignmentRow assignment,
        IReadOnlyList<SessionEntry> added,
        DateTimeOffset? sentAt
    )
    {
        var now = clock.GetUtcNow();
        var isPaper =
            log.Log.Recording == Recording.Paper || added.OfType<SessionOpened>().Any(o => o.Recording == Recording.Paper);
        var earliest = isPaper ? now - OldestPaper : assignment.PublishedAt!.Value - BeforePublishing;
        if (!isPaper && log.LastAt > earliest)
            earliest = log.LastAt.Value;
        var rows = new List<SessionEntryRow>();
        foreach (var entry in added)
        {
            var shift = PhoneClock.Shift(entry, isPaper ? null : sentAt, now, earliest);
            var row = new SessionEntryRow
            {
                AcademyId = log.AcademyId,
                LogId = log.Id,
                Sequence = entry.Sequence,
                ClockShift = shift,
                DrillSegmentId = SessionLog.DrillSegmentOf(entry),
                Document = entry,
            };
            if (shift != 0)
                log.ClockWasOff = true;
            if (!isPaper && row.PutRight().At > earliest)
                earliest = row.PutRight().At;
            rows.Add(row);
        }

        return rows;
    }

    private static void RefuseTooMuch(SessionLogRow log, IReadOnlyList<SessionEntryRow> added, IReadOnlyList<SessionEntry> sent)
    {
        var errors = added
            .SelectMany(r =>
                SessionEntryRules.CheckMending(
                    r.PutRight(),
                    log.FinishedAt,
                    $"entries[{sent.ToList().FindIndex(e => e.Sequence == r.Sequence)}]"
                )
            )
            .ToList();
        log.TextLength += added.Sum(r => SessionEntryRules.TextIn(r.Document));
        log.LessonNotes += added.Count(r => r.Document is LessonNoted);
        if (log.TextLength > SessionEntryRules.MostTextInLog)
            errors.Add(
                new FieldError(
                    "entries",
                    $"The notes of one session together hold at most {SessionEntryRules.MostTextInLog:N0} characters."
                )
            );
        if (log.LessonNotes > SessionEntryRules.MostLessonNotes)
            errors.Add(
                new FieldError(
                    "entries",
                    $"What was agreed in a lesson is noted at most {SessionEntryRules.MostLessonNotes} times."
                )
            );
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
    }

    /// <summary>
    /// Adds entries, and what the log adds up to with them. What is tapped while practising needs the entries of its own drill;
    /// only what can change something earlier, and logs that two devices keep, are read as a whole.
    /// </summary>
    private async Task AddAsync(
        Caller caller,
        SessionLogRow log,
        IReadOnlyList<SessionLogRow> others,
        WrittenLogs written,
        AssignmentRow assignment,
        IReadOnlyList<SessionEntryRow> added,
        CancellationToken cancel
    )
    {
        db.SessionEntries.AddRange(added);
        var drillSegments = DrillsIn(added.Select(r => r.Document));
        var hasBranches = log.ContinuesLogId is not null || others.Any(l => l.ContinuesLogId is not null);
        var isWhole = hasBranches || log.LastSequence == 0 || !added.All(r => SessionLog.CanContinueWith(r.Document));
        var drills =
            written.Drills ?? (isWhole || drillSegments.Count > 0 ? await reader.DrillsAsync(caller, assignment.Id, cancel) : []);
        var entries = added.Select(r => r.PutRight()).ToList();
        if (isWhole)
        {
            var before = log.LastSequence == 0 ? [] : (await reader.RowsAsync(caller, [log, .. others], cancel))[log.Id];
            log.Write(SessionLog.From([.. before.Select(r => r.PutRight()), .. entries], drills));
        }
        else
        {
            log.Write(
                log.Log.Continue(
                    entries,
                    drills,
                    drillSegments.Count == 0 ? [] : await reader.OfDrillsAsync(log, drillSegments, cancel)
                )
            );
        }

        log.Day = DomainClock.DayOf(log.Log.StartedAt!.Value, caller.TimeZone);
        log.LastSequence = added[^1].Sequence;
        log.LastAt = log.LastAt is { } last && last > entries.Max(e => e.At) ? last : entries.Max(e => e.At);
        if (hasBranches || drillSegments.Count > 0 || added.Any(r => r.Document is EntryUndone))
            await results.KeepAsync(
                caller,
                log,
                others,
                assignment,
                drills,
                isWhole ? null : new KnownResults(drillSegments, written.Results),
                hasBranches,
                cancel
            );
        assignment.Summarize([log, .. others]);
        IReadOnlyList<LessonNoted> noted =
        [
            .. added.Select(r => r.Document).OfType<LessonNoted>().Where(n => n.Homework is not null),
        ];
        await homework.AddAsync(caller, assignment.StudentId, log.Day, noted, cancel);
    }

    private async Task KeepAsideAsync(Caller caller, Guid logId, IReadOnlyList<SessionEntry> differing, CancellationToken cancel)
    {
        var before = await db
            .EntryConflicts.AsNoTracking()
            .Where(c => c.AcademyId == caller.AcademyId && c.LogId == logId)
            .Select(c => c.Document)
            .ToListAsync(cancel);
        var known = before.Select(SessionLogMappings.EntryFormat.Write).ToHashSet();
        db.EntryConflicts.AddRange(
            differing
                .Where(e => known.Add(SessionLogMappings.EntryFormat.Write(e)))
                .Take(Math.Max(0, MostKeptAside - before.Count))
                .Select(e => new EntryConflictRow
                {
                    Id = Guid.CreateVersion7(),
                    AcademyId = caller.AcademyId,
                    LogId = logId,
                    Sequence = e.Sequence,
                    ReceivedAt = clock.GetUtcNow(),
                    Document = e,
                })
        );
        await db.SaveChangesAsync(cancel);
    }
}
