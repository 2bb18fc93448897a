using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Check;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>The weeks of an academy's students: what is set, what is published, what is excused.</summary>
public sealed class WeekBook(MorningRoundDb db, DomainClock clock, StudentBook students, StudentFileBook files, PlanContextBook contexts, PainBook pain)
{
    /// <summary>One student's week. A student sees only what is published.</summary>
    public async Task<WeekView> GetAsync(Caller caller, Guid studentId, IsoWeek week, CancellationToken cancel)
    {
        caller.MustReach(studentId, "student");
        var student = await students.GetAsync(caller, studentId, cancel);
        var rows = await db.Assignments.AsNoTracking().Include(a => a.Logs)
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.Monday == week.Monday)
            .Where(a => caller.IsCoach || a.PublishedAt != null)
            .ToListAsync(cancel);
        var today = clock.Today(caller.TimeZone);
        var cards = rows.Select(r => SessionCard.Of(r, today))
            .OrderBy(c => c.Day is null).ThenBy(c => c.Day).ThenBy(c => c.Requirement).ThenBy(c => c.AssignmentId);
        return new WeekView(
            week.ToString(), week.Plus(-1).ToString(), week.Plus(1).ToString(), week.Monday, today, student.Id, student.Name, Completed.Of(rows.ToWeekCompletion(today)), [.. cards],
            await pain.ViewAsync(caller, studentId, await files.FileAsync(caller, studentId, cancel), cancel));
    }

    /// <summary>
    /// Puts a plan into a week, or changes where it stands. The same call twice changes nothing. What was published keeps its
    /// text; moving it is marked for the student.
    /// </summary>
    public async Task<SessionCard> SaveAsync(
        Caller caller, Guid id, AssignmentInput input, RowVersion expected, CancellationToken cancel)
    {
        var week = WeekText.Read(input.Week, "week", clock.Today(caller.TimeZone));
        if (id == Guid.Empty) throw Refusal.Invalid("id", "An id is needed.");
        if (input.Requirement == Requirement.Own) throw Refusal.Invalid("requirement", "Own practice is logged, not set.");
        if (input.Day is { } day && !week.Contains(day)) throw Refusal.Invalid("day", $"This day is not in {week}.");

        var row = await FindAsync(caller, id, cancel);
        if (row is null && !expected.IsNew) throw Refusal.NotFound("session");
        if (row is null)
        {
            await students.MustExistAsync(caller, input.StudentId, cancel);
            row = new AssignmentRow
            {
                AcademyId = caller.AcademyId,
                Id = id,
                StudentId = input.StudentId,
                Document = await PlanTextAsync(caller, input.PlanId, cancel) ?? throw Refusal.NotFound("plan"),
            };
            db.Assignments.Add(row);
        }
        else if (row.Version != expected.Number)
        {
            return Same(row, input, week) ? Card(caller, row) : throw Refusal.Stale(Card(caller, row));
        }
        else if (row.StudentId != input.StudentId || row.PlanId != input.PlanId)
        {
            throw Refusal.Invalid(row.StudentId != input.StudentId ? "studentId" : "planId",
                "A session stays with its student and its plan. Take it out and put another in.");
        }
        else if (row.PublishedAt is not null && !Same(row, input, week))
        {
            row.ChangedAt = clock.GetUtcNow();
        }

        row.PlanId = input.PlanId;
        row.Monday = week.Monday;
        row.Day = input.Day;
        row.Requirement = input.Requirement;
        row.Version++;
        return await db.SavedAsync(cancel) ? Card(caller, row) : await SaveAsync(caller, id, input, expected, cancel);
    }

    /// <summary>
    /// Publishes every draft of a student's week, all or none. The text that counts from then on is the plan's text of this
    /// moment.
    /// </summary>
    public async Task<WeekView> PublishAsync(Caller caller, Guid studentId, IsoWeek week, CancellationToken cancel)
    {
        await students.MustExistAsync(caller, studentId, cancel);
        var drafts = await db.Assignments
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.Monday == week.Monday && a.PublishedAt == null)
            .ToListAsync(cancel);
        var file = await files.FileAsync(caller, studentId, cancel);
        if (drafts.Count > 0 && !file.MayBePublishedTo)
            throw Refusal.Invalid("studentId", "Nothing can be published to a minor before a guardian has consented. Note it in the student's file.");
        var planIds = drafts.Select(d => d.PlanId).ToList();
        var plans = await db.Plans.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && planIds.Contains(p.Id) && p.RemovedAt == null)
            .ToDictionaryAsync(p => p.Id, p => p.Document, cancel);
        var errors = new List<FieldError>();
        var context = drafts.Count == 0 ? null : await contexts.OfAsync(caller, studentId, week.Monday, cancel);
        foreach (var draft in drafts)
        {
            draft.Document = plans.GetValueOrDefault(draft.PlanId) ?? draft.Document;
            errors.AddRange(PlanRules.ToPublish(draft.Document)
                .Select(e => new FieldError($"sessions[{draft.Id}].{e.Path}", $"{draft.Document.Title}: {e.Message}")));
            // What the plan itself lacks was said above, with its field.
            errors.AddRange(PlanCheck.Run(draft.Document, context! with { Day = draft.Day ?? week.Monday })
                .Where(f => f.Level == FindingLevel.Stop && f.Id is not (FindingId.NoPurpose or FindingId.Minor))
                .Select(f => new FieldError($"sessions[{draft.Id}].{Path(draft.Document, f.SegmentId)}", $"{draft.Document.Title}: {f.Why}")));
            var (compiled, missing) = SetDrill.Of(draft.Document, file, draft.Id);
            if (compiled.Count > 0) db.SetDrills.Add(new SetDrillsRow { AcademyId = caller.AcademyId, AssignmentId = draft.Id, Document = compiled });
            errors.AddRange(missing.Select(e => new FieldError($"sessions[{draft.Id}].{e.Path}", $"{draft.Document.Title}, {e.Message}")));
            draft.Document = draft.Document.AsSet();
            draft.PublishedAt = clock.GetUtcNow();
            draft.Version++;
        }

        if (errors.Count > 0) throw Refusal.Invalid(errors);
        if (!await db.SavedAsync(cancel)) return await PublishAsync(caller, studentId, week, cancel);
        return await GetAsync(caller, studentId, week, cancel);
    }

    /// <summary>Excuses a session, or with none takes the excuse back.</summary>
    public async Task<SessionCard> ExcuseAsync(Caller caller, Guid id, Excuse? excuse, RowVersion expected, CancellationToken cancel)
    {
        var row = await FindAsync(caller, id, cancel) ?? throw Refusal.NotFound("session");
        if (row.Excuse == excuse) return Card(caller, row);
        if (row.Version != expected.Number) throw Refusal.Stale(Card(caller, row));
        row.Excuse = excuse;
        row.Version++;
        return await db.SavedAsync(cancel) ? Card(caller, row) : await ExcuseAsync(caller, id, excuse, expected, cancel);
    }

    /// <summary>
    /// Takes a session out of the week, unless something was already done of it. Of one that was published a trace stays, for a
    /// phone that is practising it without a signal.
    /// </summary>
    public async Task RemoveAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        // Whoever begins to log it at this moment waits, or has begun.
        var row = await db.LockAssignmentAsync(caller.AcademyId, id, cancel);
        if (row is null or { TakenOutAt: not null, Requirement: not Requirement.Own }) throw Refusal.NotFound("session");
        if (await db.SessionLogs.AnyAsync(l => l.AcademyId == caller.AcademyId && l.AssignmentId == id, cancel))
            throw Refusal.Conflict("This session has already been begun.", "id", "Its log would be lost. Excuse it instead.");
        if (row.PublishedAt is null) db.Assignments.Remove(row);
        else row.TakenOutAt = clock.GetUtcNow();
        row.Version++;
        await db.SaveChangesAsync(cancel);
        if (transaction is not null) await transaction.CommitAsync(cancel);
    }

    private static string Path(SessionPlan plan, Guid? segmentId) =>
        segmentId is { } id ? $"segments[{plan.Segments.ToList().FindIndex(s => s.Id == id)}]" : "segments";

    private Task<AssignmentRow?> FindAsync(Caller caller, Guid id, CancellationToken cancel) =>
        db.Assignments.Include(a => a.Logs).SingleOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == id, cancel);

    private Task<SessionPlan?> PlanTextAsync(Caller caller, Guid planId, CancellationToken cancel) =>
        db.Plans.Where(p => p.AcademyId == caller.AcademyId && p.Id == planId && p.RemovedAt == null)
            .Select(p => p.Document)
            .SingleOrDefaultAsync(cancel);

    private SessionCard Card(Caller caller, AssignmentRow row) => SessionCard.Of(row, clock.Today(caller.TimeZone));

    private static bool Same(AssignmentRow row, AssignmentInput input, IsoWeek week) =>
        (row.StudentId, row.PlanId, row.Monday, row.Day, row.Requirement)
        == (input.StudentId, input.PlanId, week.Monday, input.Day, input.Requirement);
}

internal static class WeekText
{
    /// <summary>Reads a week that somebody can mean.</summary>
    public static IsoWeek Read(string text, string path, DateOnly today)
    {
        if (!IsoWeek.TryParse(text, out var week)) throw Refusal.Malformed(path, "A week is written like 2026-W31.");
        return week.Monday.IsNear(today) ? week : throw Refusal.Invalid(path, $"A week within {Days.Years} years of today, please.");
    }
}
