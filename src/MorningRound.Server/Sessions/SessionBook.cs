using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Places;
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
public sealed class SessionBook(MorningRoundDb db, DomainClock clock, StudentFileBook files, PlanContextBook contexts, SessionLogBook logs, PainBook pain)
{
    /// <summary>A session with its plan and everything that was logged of it.</summary>
    public async Task<SessionView> GetAsync(Caller caller, Guid assignmentId, CancellationToken cancel)
    {
        var row = await ReachAsync(caller, assignmentId, cancel);
        var hand = await db.Students
            .Where(s => s.AcademyId == caller.AcademyId && s.Id == row.StudentId)
            .Select(s => new { s.Name, s.Hand })
            .SingleAsync(cancel);
        var completion = row.ToAssignedSession().Completion;
        var drills = await logs.DrillsAsync(caller, assignmentId, cancel);
        var file = await files.FileAsync(caller, row.StudentId, cancel);
        var open = await pain.OpenAsync(caller, row.StudentId, file, cancel, exceptAssignment: assignmentId);
        var ofOne = row.LogsOfOne();
        var rows = await logs.RowsAsync(caller, [.. row.Logs], cancel);
        var read = ofOne.Select(one => (one[0].Id, Log: LogBranches.AsOne(
            row.Document, [.. one.Select(log => SessionLog.From(rows[log.Id].Select(r => r.PutRight()), drills))]))).ToList();
        return new SessionView
        {
            Card = SessionCard.Of(row, clock.Today(caller.TimeZone)),
            StudentId = row.StudentId,
            StudentName = hand.Name,
            Hand = hand.Hand,
            Plan = row.Document,
            Totals = PlanTotals.Of(row.Document),
            ExitRules = ExitRuleInWords.Of(row.Document),
            RangeBallSegments = [.. row.Document.Practice().Where(s => s.Place.BallsAreBought()).Select(s => s.Id)],
            AskAfterMinutes = (int)SessionLog.AskAfter.TotalMinutes,
            Segments = completion.Segments,
            Logs = [.. ofOne.Zip(read, (one, log) => LogView.Of(one, log.Log, row.Document))],
            Pain = PainForm.Asked,
            PainDrops = PainRule.Drops(row.Document),
            OpenPain = [.. open.Select(p => OpenPainView.Of(p, PainRule.SegmentsLoading(row.Document, p.Part, p.Side), []))],
            Checkpoint = await logs.CheckpointAsync(caller, row.StudentId, cancel, exceptAssignment: assignmentId),
            Drills = [.. drills.Select(d => SessionDrill.Of(d, row.Document))],
            Routine = file.Own.Routine,
            // What is over is not trimmed any more.
            Trim = row.Logs.Any(l => l.FinishedAt is not null) ? null : PlanTrim.Of(row.Document, await contexts.GroundsAsync(caller, file, clock.Today(caller.TimeZone), cancel)),
            Results = DrillResultView.Of(row.Document, drills, read, await EarlierAsync(caller, row, drills, cancel)),
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

    /// <summary>
    /// All entries of a student's own log, to go on from it on another device or after the phone forgot it; of one that itself went
    /// on from another, the shared start too.
    /// </summary>
    public async Task<IReadOnlyList<SessionEntry>> EntriesAsync(Caller caller, Guid logId, CancellationToken cancel)
    {
        var log = await db.SessionLogs.AsNoTracking().SingleOrDefaultAsync(l => l.AcademyId == caller.AcademyId && l.Id == logId, cancel)
            ?? throw Refusal.NotFound("log");
        caller.MustReach(log.StudentId, "log");
        return [.. (await logs.RowsAsync(caller, log, cancel)).Select(e => e.Document)];
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
}
