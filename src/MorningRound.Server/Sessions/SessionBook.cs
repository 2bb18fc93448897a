using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using MorningRound.Core;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>The sessions students practise, and the logs they leave.</summary>
public sealed class SessionBook(MorningRoundDb db, DomainClock clock, StudentFileBook files, HomeworkBook homework, PlanContextBook contexts)
{
    private const int MostEntriesAtOnce = 500;

    /// <summary>A session with its plan and everything that was logged of it.</summary>
    public async Task<SessionView> GetAsync(Caller caller, Guid assignmentId, CancellationToken cancel)
    {
        var row = await ReachAsync(caller, assignmentId, cancel);
        var hand = await db.Students
            .Where(s => s.AcademyId == caller.AcademyId && s.Id == row.StudentId)
            .Select(s => new { s.Name, s.Hand })
            .SingleAsync(cancel);
        var completion = row.ToAssignedSession().Completion;
        var drills = await DrillsAsync(caller, assignmentId, cancel);
        var logIds = row.Logs.Select(l => l.Id).ToList();
        var file = await files.FileAsync(caller, row.StudentId, cancel);
        var entries = (await db.SessionEntries.AsNoTracking()
            .Where(e => e.AcademyId == caller.AcademyId && logIds.Contains(e.LogId))
            .ToListAsync(cancel)).ToLookup(e => e.LogId, e => e.Document);
        return new SessionView
        {
            Card = SessionCard.Of(row, clock.Today(caller.TimeZone)),
            StudentId = row.StudentId,
            StudentName = hand.Name,
            Hand = hand.Hand,
            Plan = row.Document,
            Totals = PlanTotals.Of(row.Document),
            ExitRules = ExitRuleInWords.Of(row.Document),
            Segments = completion.Segments,
            Logs = [.. row.Logs.OrderBy(l => l.Day).ThenBy(l => l.Id).Select(LogView.Of)],
            Pain = PainForm.Asked,
            PainDrops = PainRule.Drops(row.Document),
            Drills = [.. drills.Select(d => SessionDrill.Of(d, row.Document))],
            Routine = file.Own.Routine,
            // What is over is not trimmed any more.
            Trims = row.Logs.Any(l => l.FinishedAt is not null) ? [] : PlanTrim.Steps(row.Document, await contexts.GroundsAsync(caller, file, clock.Today(caller.TimeZone), cancel)),
            Results = DrillResultView.Of(
                row.Document, drills, [.. row.Logs.OrderBy(l => l.Day).ThenBy(l => l.Id).Select(l => (l.Id, SessionLog.From(entries[l.Id], drills)))],
                await EarlierAsync(caller, row, drills, cancel)),
        };
    }

    /// <summary>
    /// What was comparable with a session's drills before its own first log, newest first, by key: one query, whatever the
    /// number of drills.
    /// </summary>
    private async Task<ILookup<string, ProtocolResult>> EarlierAsync(
        Caller caller, AssignmentRow row, IReadOnlyList<SetDrill> drills, CancellationToken cancel)
    {
        if (row.Logs.Count == 0 || drills.Count == 0) return Array.Empty<DrillResultRow>().ToLookup(r => "", r => r.Document);
        var keys = drills.Select(d => d.ComparabilityKey).Distinct().ToList();
        var logIds = row.Logs.Select(l => l.Id).ToList();
        var day = row.Logs.Min(l => l.Day);
        var before = db.DrillResults.AsNoTracking()
            .Where(r => r.AcademyId == caller.AcademyId && r.StudentId == row.StudentId && r.Day <= day && !logIds.Contains(r.LogId));
        var rows = await before.Where(r => keys.Contains(r.ComparabilityKey)).Select(r => r.ComparabilityKey).Distinct()
            .SelectMany(key => before.Where(r => r.ComparabilityKey == key)
                .OrderByDescending(r => r.Day).ThenByDescending(r => r.LogId).Take(LastTimes.Most))
            .ToListAsync(cancel);
        return rows.OrderByDescending(r => r.Day).ThenByDescending(r => r.LogId).ToLookup(r => r.ComparabilityKey, r => r.Document);
    }

    /// <summary>The drills of a session as they were set; empty where it has none.</summary>
    public async Task<IReadOnlyList<SetDrill>> DrillsAsync(Caller caller, Guid assignmentId, CancellationToken cancel) =>
        await db.SetDrills.AsNoTracking().Where(d => d.AcademyId == caller.AcademyId && d.AssignmentId == assignmentId)
            .Select(d => d.Document).SingleOrDefaultAsync(cancel) ?? [];

    /// <summary>All entries of a student's own log, to go on with it on another device or after the phone forgot it.</summary>
    public async Task<IReadOnlyList<SessionEntry>> EntriesAsync(Caller caller, Guid logId, CancellationToken cancel)
    {
        var log = await db.SessionLogs.AsNoTracking().SingleOrDefaultAsync(l => l.AcademyId == caller.AcademyId && l.Id == logId, cancel)
            ?? throw Refusal.NotFound("log");
        caller.MustReach(log.StudentId, "log");
        return await db.SessionEntries.AsNoTracking()
            .Where(e => e.AcademyId == caller.AcademyId && e.LogId == logId)
            .OrderBy(e => e.Sequence)
            .Select(e => e.Document)
            .ToListAsync(cancel);
    }

    /// <summary>
    /// Adds entries to the end of a log, making it with the first. Entries already there are passed over, so sending twice
    /// changes nothing. Another entry under a number already taken is refused and kept aside; a gap is refused.
    /// </summary>
    public async Task<AppendView> AppendAsync(Caller caller, Guid logId, AppendInput input, CancellationToken cancel)
    {
        var assignment = await ReachAsync(caller, input.AssignmentId, cancel);
        Check(caller, logId, input, assignment.Document);

        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        var log = await ClaimAsync(caller, logId, assignment, cancel);
        var kept = await db.SessionEntries.AsNoTracking()
            .Where(e => e.AcademyId == caller.AcademyId && e.LogId == logId)
            .OrderBy(e => e.Sequence)
            .Select(e => e.Document)
            .ToListAsync(cancel);

        var known = input.Entries.Where(e => e.Sequence <= kept.Count).ToList();
        var differing = known.Where(e => !StoredDocuments.Same(e, kept[e.Sequence - 1])).ToList();
        if (differing.Count > 0) await KeepAsideAndRefuseAsync(caller, logId, differing, input.Entries, transaction, cancel);

        var added = input.Entries.Where(e => e.Sequence > kept.Count).OrderBy(e => e.Sequence).ToList();
        if (added.Where((entry, i) => entry.Sequence != kept.Count + 1 + i).Any())
        {
            throw Refusal.Conflict("Entries are missing before these.", "entries",
                $"The log ends at {kept.Count}; the next number is {kept.Count + 1}.");
        }

        if (added.Count > 0)
        {
            db.SessionEntries.AddRange(added.Select(e => new SessionEntryRow
            {
                AcademyId = caller.AcademyId,
                LogId = logId,
                Sequence = e.Sequence,
                Document = e,
            }));
            var drills = await DrillsAsync(caller, assignment.Id, cancel);
            log.Reading = SessionLog.From([.. kept, .. added], drills);
            log.Day = DomainClock.DayOf(log.Reading.StartedAt!.Value, caller.TimeZone);
            log.FinishedAt = log.Reading.FinishedAt;
            log.LastSequence = kept.Count + added.Count;
            if (added.Any(e => e is DrillAnswered or AttemptDropped or EntryUndone)) await KeepResultsAsync(log, drills, cancel);
            foreach (var noted in added.OfType<LessonNoted>().Where(n => n.Homework is not null))
                await homework.AddAsync(caller, assignment.StudentId, log.Day, noted, cancel);
            await db.SaveChangesAsync(cancel);
        }

        if (transaction is not null) await transaction.CommitAsync(cancel);
        return new AppendView(log.LastSequence, LogView.Of(log));
    }

    /// <summary>A published session of this student, or for a coach any session of the academy that is published.</summary>
    private async Task<AssignmentRow> ReachAsync(Caller caller, Guid assignmentId, CancellationToken cancel)
    {
        var row = await db.Assignments.AsNoTracking().Include(a => a.Logs)
            .SingleOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == assignmentId && a.PublishedAt != null, cancel)
            ?? throw Refusal.NotFound("session");
        caller.MustReach(row.StudentId, "session");
        return row;
    }

    /// <summary>Keeps what the log's drills give now; a drill whose attempts were all taken back leaves nothing.</summary>
    private async Task KeepResultsAsync(SessionLogRow log, IReadOnlyList<SetDrill> drills, CancellationToken cancel)
    {
        var before = await db.DrillResults.Where(r => r.AcademyId == log.AcademyId && r.LogId == log.Id).ToDictionaryAsync(r => r.SegmentId, cancel);
        foreach (var segment in log.Reading.Segments)
        {
            var drill = drills.FirstOrDefault(d => d.SegmentId == segment.SegmentId);
            if (segment.Result is not { } result || drill is null) continue;
            var document = result with { Samples = new Dictionary<string, IReadOnlyList<int>>() };
            if (before.Remove(segment.SegmentId, out var row))
            {
                row.Document = document;
                row.Day = log.Day;
                continue;
            }

            db.DrillResults.Add(new DrillResultRow
            {
                AcademyId = log.AcademyId,
                LogId = log.Id,
                SegmentId = segment.SegmentId,
                StudentId = log.StudentId,
                ComparabilityKey = drill.ComparabilityKey,
                Day = log.Day,
                Document = document,
            });
        }

        db.DrillResults.RemoveRange(before.Values);
    }

    private void Check(Caller caller, Guid logId, AppendInput input, SessionPlan plan)
    {
        if (input.AccountId != caller.AccountId)
            throw Refusal.Forbidden("accountId", "Somebody else is signed in now. These entries stay on the device until their owner signs in again.");
        if (!caller.IsCoach && input.Entries.Any(e => e is LessonNoted or SessionOpened { Recording: Recording.Lesson }))
            throw Refusal.Forbidden("entries", "Only a coach keeps the log of a lesson.");
        var errors = new FieldErrors()
            .Require(logId != Guid.Empty, "logId", "An id is needed.")
            .Require(input.Entries.Count is > 0 and <= MostEntriesAtOnce, "entries", $"Send 1 to {MostEntriesAtOnce} entries at a time.")
            .Require(input.Entries.Select(e => e.Sequence).Distinct().Count() == input.Entries.Count, "entries", "Every entry needs a number of its own.");
        var now = clock.GetUtcNow();
        FieldError[] found =
        [
            .. errors.Found,
            .. input.Entries.Take(MostEntriesAtOnce).SelectMany((e, i) => SessionEntryRules.Check(e, plan, now, $"entries[{i}]")),
        ];
        if (found.Length > 0) throw Refusal.Invalid(found);
    }

    /// <summary>Makes the log if need be and locks it, so that two requests for one log take turns.</summary>
    private async Task<SessionLogRow> ClaimAsync(Caller caller, Guid logId, AssignmentRow assignment, CancellationToken cancel)
    {
        var empty = StoredDocuments.Write(SessionLog.From([]));
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO session_logs ("AcademyId", "Id", "StudentId", "AssignmentId", "AccountId", "Day", "LastSequence", "Reading")
            VALUES ({caller.AcademyId}, {logId}, {assignment.StudentId}, {assignment.Id}, {caller.AccountId}, {clock.Today(caller.TimeZone)}, 0, {empty}::jsonb)
            ON CONFLICT DO NOTHING
            """, cancel);
        var log = await db.SessionLogs
            .FromSql($"""SELECT * FROM session_logs WHERE "AcademyId" = {caller.AcademyId} AND "Id" = {logId} FOR UPDATE""")
            .SingleAsync(cancel);
        return log.AssignmentId == assignment.Id && (log.AccountId is null || log.AccountId == caller.AccountId) ? log : throw Refusal.NotFound("log");
    }

    private async Task KeepAsideAndRefuseAsync(
        Caller caller, Guid logId, IReadOnlyList<SessionEntry> differing, IReadOnlyList<SessionEntry> sent,
        IDbContextTransaction? transaction, CancellationToken cancel)
    {
        var before = await db.EntryConflicts.AsNoTracking()
            .Where(c => c.AcademyId == caller.AcademyId && c.LogId == logId)
            .Select(c => c.Document)
            .ToListAsync(cancel);
        db.EntryConflicts.AddRange(differing.Where(e => !before.Any(kept => StoredDocuments.Same(kept, e))).Select(e => new EntryConflictRow
        {
            Id = Guid.CreateVersion7(),
            AcademyId = caller.AcademyId,
            LogId = logId,
            Sequence = e.Sequence,
            ReceivedAt = clock.GetUtcNow(),
            Document = e,
        }));
        await db.SaveChangesAsync(cancel);
        if (transaction is not null) await transaction.CommitAsync(cancel);
        var index = sent.ToList().IndexOf(differing[0]);
        throw Refusal.Conflict(
            "This log was continued somewhere else.", $"entries[{index}].sequence",
            "Another entry already has this number. What you sent was put aside and nothing was overwritten.");
    }
}
