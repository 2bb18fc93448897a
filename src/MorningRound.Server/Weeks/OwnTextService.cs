using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>
/// Changes a session for its student only. It remembers the plan it came from, and that plan's later changes can be taken. A
/// draft is changed where it stands. What was published goes on as another session in the same place, because a phone may be
/// practising the old text without a signal: the old one leaves its trace, and nothing practised of it is lost.
/// </summary>
public sealed class OwnTextService(
    MorningRoundDb db,
    DomainClock clock,
    PlanContextService contexts,
    DraftTexts texts,
    LadderStandings ladders,
    ProgrammeWeeks programmes,
    StudentService students
)
{
    /// <summary>The text of a session, to be changed on the bench.</summary>
    public async Task<OwnTextView> GetAsync(Caller caller, Guid id, CancellationToken cancel) =>
        await ViewAsync(caller, await FindAsync(caller, id, cancel), cancel);

    /// <summary>
    /// The latest text of the plan a session came from, made its student's own where it must be. Changes nothing.
    /// </summary>
    public async Task<LatestTextView> LatestAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var row = await FindAsync(caller, id, cancel);
        var (latest, tailored) = await TailoredAsync(caller, row, cancel) ?? throw ApiProblemException.NotFound("plan");
        return new LatestTextView(tailored.Plan, latest.PlanVersion!.Value, [.. tailored.Changes.Select(c => c.Why)]);
    }

    /// <summary>
    /// Writes a session's text. The same text twice is written once. One that is published must still be one that can be.
    /// </summary>
    public async Task<OwnTextView> SaveAsync(
        Caller caller,
        Guid id,
        OwnTextInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var errors = PlanRules.ToKeep(input.Plan);
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        // Whoever begins to log it at this moment waits, or has begun.
        var row = await db.LockAssignmentAsync(caller.AcademyId, id, cancel);
        while (row is { TakenOutAt: not null, Notes.ReplacedBy: { } next })
            row = await db.LockAssignmentAsync(caller.AcademyId, next, cancel);
        if (row is null or { Requirement: Requirement.Own } or { TakenOutAt: not null })
            throw ApiProblemException.NotFound("session");
        var text = (await texts.OfAsync(caller, [row], cancel))[row.Id];
        if (SamePlan(text.Document, input.Plan) && (input.PlanVersion ?? text.PlanVersion) == text.PlanVersion)
            return await ViewAsync(caller, row, cancel);
        if (row.HasLog)
            throw ApiProblemException.Conflict(
                "This session has already been begun.",
                "id",
                "What was practised stays as it was set. Put another session in."
            );
        if (row.Version != expected.Number)
            throw ApiProblemException.Stale(await ViewAsync(caller, row, cancel));
        row.PlanVersion = text.PlanVersion;
        var written = row.PublishedAt is null ? row : await ReplaceAsync(caller, row, input.Plan, cancel);
        await WriteAsync(caller, written, input, cancel);
        await db.SaveChangesAsync(cancel);
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
        return await ViewAsync(caller, written, cancel);
    }

    private async Task WriteAsync(Caller caller, AssignmentRow row, OwnTextInput input, CancellationToken cancel)
    {
        row.Notes = row.Notes with { Offers = [] };
        row.HasOwnText = true;
        if (input.PlanVersion is { } version && version != row.PlanVersion)
        {
            if (await TailoredAsync(caller, row, cancel) is not var (latest, tailored) || latest.PlanVersion != version)
                throw ApiProblemException.Invalid("planVersion", "The plan was changed once more. Take its changes again.");
            row.PlanVersion = version;
            row.Notes = row.Notes with { Tailored = [.. tailored.Changes.Select(c => c.Why)] };
            // With the plan's very text a draft follows its plan again.
            row.HasOwnText = row.Notes.Programme is not null || !SamePlan(latest.Document, input.Plan);
        }

        if (row.PublishedAt is null)
        {
            row.Document = input.Plan;
            row.Version++;
        }

        row.Summarize([]);
    }

    /// <summary>A published session in the place of another one, which leaves its trace.</summary>
    private async Task<AssignmentRow> ReplaceAsync(Caller caller, AssignmentRow old, SessionPlan plan, CancellationToken cancel)
    {
        var squad = await contexts.SquadAsync(caller, old.Day ?? old.Monday, [old.StudentId], cancel);
        var now = clock.GetUtcNow();
        var created = AssignmentColumns.NewAssignment(caller.AcademyId, NextId(old), old.StudentId, plan);
        (created.PlanId, created.PlanVersion) = (old.PlanId, old.PlanVersion);
        (created.Monday, created.Day) = (old.Monday, old.Day);
        (created.Requirement, created.Order) = (old.Requirement, old.Order);
        (created.Excuse, created.SaidNoTime) = (old.Excuse, old.SaidNoTime);
        (created.SentAt, created.LookedAt) = (old.SentAt, old.LookedAt);
        (created.CarriedAt, created.MailedAt) = (old.CarriedAt, old.MailedAt);
        created.Notes = old.Notes with { BeganAs = old.Notes.BeganAs ?? old.Id, ReplacedBy = null };
        // Versions go on from one to the next, so that a text of any of them is known to be older.
        created.Version = old.Version;
        var session = SessionToPublish.Of(
            created,
            new DraftText(plan, old.PlanVersion),
            squad[0].Context,
            IsoWeek.Of(old.Monday)
        );
        if (session.Kept.Count > 0)
            throw ApiProblemException.Invalid([.. session.Kept.Select(k => new FieldError(k.Path, k.InWords()))]);
        session.Publish(old.PublishedAt!.Value);
        created.ChangedAt = now;
        created.Notes = created.Notes.With(new SessionChange(now, SessionChangeKind.Text, null, null, IsByStudent: false));
        db.Add(created);
        db.PublishedSessions.Add(session.ToRow(caller.AcademyId));
        old.TakenOutAt = now;
        old.Notes = old.Notes with { ReplacedBy = created.Id };
        old.Version++;
        return created;
    }

    /// <summary>
    /// The latest text of a session's plan, as the week of its programme has it, and made its student's own where it must be;
    /// null where the plan is gone.
    /// </summary>
    private async Task<(DraftText Latest, TailoredPlan Tailored)?> TailoredAsync(
        Caller caller,
        AssignmentRow row,
        CancellationToken cancel
    )
    {
        if (await LatestAsync(caller, row, cancel) is not { } plan)
            return null;
        var (text, settled) = row.Notes.Programme is { } of
            ? await programmes.TextAsync(caller, of, plan.Document, cancel)
            : (plan.Document, null);
        var day = row.Day ?? row.Monday;
        var squad = await contexts.SquadAsync(caller, day, [row.StudentId], cancel);
        var standings = await ladders.OfAsync(caller, [row.StudentId], LadderStandings.DrillsOf(text), day, cancel);
        var shelf = await db.ShelfAsync(caller.AcademyId, cancel);
        var tailored = PlanTailoring.For(text, squad[0].Context, shelf, [.. standings[row.StudentId]], settled);
        return (plan with { Document = text }, tailored);
    }

    /// <summary>The latest text of the plan a session came from; null where that is gone.</summary>
    private async Task<DraftText?> LatestAsync(Caller caller, AssignmentRow row, CancellationToken cancel) =>
        row.PlanId is { } planId ? (await texts.LatestAsync(caller, [row], cancel)).GetValueOrDefault(planId) : null;

    /// <summary>The session, or the one that stands in its place since it was changed.</summary>
    private async Task<AssignmentRow> FindAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var row = await OneAsync(id);
        while (row is { TakenOutAt: not null, Notes.ReplacedBy: { } next })
            row = await OneAsync(next);
        return row is null or { TakenOutAt: not null } or { Requirement: Requirement.Own }
            ? throw ApiProblemException.NotFound("session")
            : row;

        Task<AssignmentRow?> OneAsync(Guid which) =>
            db
                .Assignments.IgnoreQueryFilters()
                .AsNoTracking()
                .SingleOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == which, cancel);
    }

    private async Task<OwnTextView> ViewAsync(Caller caller, AssignmentRow row, CancellationToken cancel)
    {
        var text = (await texts.OfAsync(caller, [row], cancel))[row.Id];
        var plan = await LatestAsync(caller, row, cancel);
        // What was published goes without the steps of its drills; on the bench they are wanted.
        var document = row.PublishedAt is null
            ? text.Document
            : NextSteps.ForNextWeek(
                text.Document,
                (await db.ShelfAsync(caller.AcademyId, cancel)).ToDictionary(d => d.Id, d => d.Drill)
            );
        return new OwnTextView
        {
            AssignmentId = row.Id,
            Version = row.Version,
            StudentId = row.StudentId,
            StudentName = await students.NameAsync(caller.AcademyId, row.StudentId, cancel) ?? "",
            Week = IsoWeek.Of(row.Monday).ToString(),
            Day = row.Day,
            Plan = document,
            PlanVersion = text.PlanVersion,
            PlanId = plan is null ? null : row.PlanId,
            PlanTitle = plan?.Document.Title ?? "",
            IsPublished = row.PublishedAt is not null,
            HasLog = row.HasLog,
            HasOwnText = row.HasOwnText,
            IsPlanChanged = (row.HasOwnText || row.PublishedAt is not null) && plan?.PlanVersion > row.PlanVersion,
            Tailored = row.Notes.Tailored,
        };
    }

    private static bool SamePlan(SessionPlan one, SessionPlan other) =>
        StoredDocuments.Same(one.ForPublishing(), other.ForPublishing());

    /// <summary>Follows from what is replaced, so that a call that is repeated finds its own work done.</summary>
    private static Guid NextId(AssignmentRow old) => DerivedId.Of($"text {old.Id} {old.Version}");
}
