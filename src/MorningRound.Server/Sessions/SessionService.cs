using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>The sessions students practise, and the logs they leave.</summary>
public sealed class SessionService(
    MorningRoundDb db,
    DomainClock clock,
    SessionLogReader logs,
    PainService pain,
    RoundService rounds
)
{
    /// <summary>A session with its plan and everything that was logged of it.</summary>
    public async Task<SessionView> GetAsync(Caller caller, Guid assignmentId, CancellationToken cancel)
    {
        if (!caller.IsCoach)
            await db.NoteSentAsync(
                caller,
                a => a.Id == assignmentId && a.StudentId == caller.StudentId,
                clock.GetUtcNow(),
                cancel
            );
        var opened = await ReachAsync(caller, assignmentId, cancel);
        var (row, drills) = (opened.Assignment, opened.Published?.Drills ?? []);
        var file = opened.File ?? new StudentFile();
        var open = await pain.OpenAsync(caller, row.StudentId, file, cancel, exceptAssignment: assignmentId);
        var ofOne = opened.Logs.OfOneSession();
        var rows = await logs.RowsAsync(caller, opened.Logs, cancel);
        var read = ofOne
            .Select(one =>
                (
                    one[0].Id,
                    Log: LogBranches.AsOne(
                        row.Document,
                        [.. one.Select(log => SessionLog.From(rows[log.Id].Select(r => r.PutRight()), drills))]
                    )
                )
            )
            .ToList();
        var completion = SessionCompletion.Of(row.Document, [.. read.Select(r => r.Log)]);
        return new SessionView
        {
            Card = SessionCard.Of(row, clock.Today(caller.TimeZone)) with { Strip = SessionStrip.Done(row.Document, completion) },
            StudentId = row.StudentId,
            StudentName = opened.StudentName,
            Hand = opened.Hand,
            Plan = row.Document,
            Totals = PlanTotals.Of(row.Document),
            ExitRules = ExitRuleText.Of(row.Document),
            Hiding = SegmentHiding.Of(row.Document),
            RangeBallSegments = [.. row.Document.Practice().Where(s => s.Place.BallsAreBought()).Select(s => s.Id)],
            AskAfterMinutes = (int)SessionLog.AskAfter.TotalMinutes,
            Closing = ClosingQuestion.Of(row.Document),
            Segments = completion.Segments,
            Logs = [.. ofOne.Zip(read, (one, log) => LogView.Of(one, log.Log, row.Document))],
            Pain = PainForm.Asked,
            PainDrops = PainRule.Drops(row.Document),
            OpenPain =
            [
                .. open.Select(p =>
                    OpenPainView.Of(
                        p,
                        PainRule.SegmentsLoading(row.Document, new HurtPart(p.Part, p.Side, !p.NeedsClearing)),
                        0,
                        0
                    )
                ),
            ],
            Checkpoint = await logs.CheckpointAsync(caller, row.StudentId, cancel, exceptAssignment: assignmentId),
            Drills = [.. drills.Select(d => SessionDrill.Of(d, row.Document))],
            Routine = file.Own.Routine,
            // What is over is not trimmed any more.
            Trim = row.IsFinished ? null : opened.Published?.Trim,
            Results = DrillResultView.Of(
                row.Document,
                drills,
                read,
                await EarlierAsync(caller, row.StudentId, opened.Logs, drills, cancel),
                read.Any(r => r.Log.Segments.Any(s => s.Result?.Card is not null))
                    ? await rounds.LastAsync(caller, row.StudentId, cancel)
                    : []
            ),
        };
    }

    /// <summary>
    /// What was comparable with a session's drills before its own first log, newest first, by key: one query, whatever the number
    /// of drills, which looks up the latest figures of each key and no more.
    /// </summary>
    private async Task<ILookup<string, PastResult>> EarlierAsync(
        Caller caller,
        Guid studentId,
        IReadOnlyList<SessionLogRow> own,
        IReadOnlyList<PublishedDrill> drills,
        CancellationToken cancel
    )
    {
        if (own.Count == 0 || drills.Count == 0)
            return Array.Empty<PastResult>().ToLookup(_ => "");
        var keys = drills.Select(d => d.ComparabilityKey).Distinct().ToArray();
        var logIds = own.Select(l => l.Id).ToArray();
        var day = own.Min(l => l.Day);
        var rows = await db
            .DrillResults.FromSql(
                $"""
                SELECT r.* FROM unnest({keys}) AS wanted (key)
                CROSS JOIN LATERAL (
                    SELECT * FROM drill_results
                    WHERE academy_id = {caller.AcademyId} AND student_id = {studentId} AND comparability_key = wanted.key
                        AND day <= {day} AND NOT log_id = ANY ({logIds})
                    ORDER BY day DESC, log_id DESC, segment_id
                    LIMIT {LastTimes.Most}
                ) AS r
                """
            )
            .AsNoTracking()
            .ToListAsync(cancel);
        return rows.OrderByDescending(r => r.Day)
            .ThenByDescending(r => r.LogId)
            .ToLookup(r => r.ComparabilityKey, r => new PastResult(r.Document.Values, r.Document.Attempts));
    }

    /// <summary>
    /// All entries of a student's own log, to go on from it on another device or after the phone forgot it; of one that itself
    /// went on from another, the shared start too.
    /// </summary>
    public async Task<IReadOnlyList<SessionEntry>> EntriesAsync(Caller caller, Guid logId, CancellationToken cancel)
    {
        var log =
            await db
                .SessionLogs.AsNoTracking()
                .SingleOrDefaultAsync(l => l.AcademyId == caller.AcademyId && l.Id == logId, cancel)
            ?? throw ApiProblemException.NotFound("log");
        caller.EnsureCanAccess(log.StudentId, "log");
        return [.. (await logs.RowsAsync(caller, log, cancel)).Select(e => e.Document)];
    }

    /// <summary>
    /// A published session of this student, or for a coach any session of the academy that is published: two queries.
    /// </summary>
    private async Task<OpenedSession> ReachAsync(Caller caller, Guid assignmentId, CancellationToken cancel)
    {
        var (published, students, studentFiles) = (db.PublishedSessions, db.Students, db.StudentFiles);
        var found =
            await (
                from assignment in db.Assignments.AsNoTracking()
                where assignment.AcademyId == caller.AcademyId && assignment.Id == assignmentId && assignment.PublishedAt != null
                join student in students
                    on new { assignment.AcademyId, Id = assignment.StudentId } equals new { student.AcademyId, student.Id }
                from session in published
                    .Where(p => p.AcademyId == assignment.AcademyId && p.AssignmentId == assignment.Id)
                    .DefaultIfEmpty()
                from file in studentFiles
                    .Where(f => f.AcademyId == assignment.AcademyId && f.StudentId == assignment.StudentId)
                    .DefaultIfEmpty()
                select new
                {
                    assignment,
                    session,
                    student.Name,
                    student.Hand,
                    file,
                }
            ).SingleOrDefaultAsync(cancel) ?? throw ApiProblemException.NotFound("session");
        caller.EnsureCanAccess(found.assignment.StudentId, "session");
        var own = !found.assignment.HasLog
            ? []
            : await db
                .SessionLogs.AsNoTracking()
                .Where(l => l.AcademyId == caller.AcademyId && l.AssignmentId == assignmentId)
                .ToListAsync(cancel);
        return new OpenedSession(found.assignment, own, found.session, found.Name, found.Hand, found.file?.Document);
    }

    private sealed record OpenedSession(
        AssignmentRow Assignment,
        IReadOnlyList<SessionLogRow> Logs,
        PublishedSessionRow? Published,
        string StudentName,
        Hand Hand,
        StudentFile? File
    );
}
