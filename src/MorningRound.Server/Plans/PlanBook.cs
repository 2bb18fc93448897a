using Microsoft.EntityFrameworkCore;
using MorningRound.Core;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Plans;

/// <summary>The plans of an academy.</summary>
public sealed class PlanBook(MorningRoundDb db, DomainClock clock)
{
    public async Task<IReadOnlyList<PlanSummary>> ListAsync(Caller caller, CancellationToken cancel)
    {
        var rows = await Live(caller).AsNoTracking().OrderByDescending(p => p.UpdatedAt).ToListAsync(cancel);
        var uses = (await (
            from assignment in db.Assignments
            join student in db.Students on new { assignment.AcademyId, Id = assignment.StudentId } equals new { student.AcademyId, student.Id }
            where assignment.AcademyId == caller.AcademyId
            group assignment by new { assignment.PlanId, student.Name } into used
            select new { used.Key.PlanId, used.Key.Name, Last = used.Max(a => a.Day ?? a.Monday) }).ToListAsync(cancel)).ToLookup(u => u.PlanId);
        return
        [
            .. rows.Select(r => new PlanSummary(
                r.Id, r.Title, r.Document.Purpose, r.UpdatedAt, PlanTotals.Of(r.Document), Strip.Planned(r.Document),
                PlanRules.ToPublish(r.Document).Count == 0,
                [.. r.Document.Practice().Select(s => s.AreaOrDrills).OfType<Area>().Distinct().Order()],
                [.. uses[r.Id].OrderByDescending(u => u.Last).Select(u => u.Name)],
                uses[r.Id].Max(u => (DateOnly?)u.Last))),
        ];
    }

    public async Task<PlanView> GetAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var row = await Live(caller).AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw Refusal.NotFound("plan");
        return ViewOf(row);
    }

    /// <summary>
    /// Makes or changes a plan. A stale edit is refused with the newer text; the same text sent twice changes nothing.
    /// </summary>
    public async Task<PlanView> SaveAsync(Caller caller, Guid id, SessionPlan plan, RowVersion expected, CancellationToken cancel)
    {
        var errors = PlanRules.ToKeep(plan);
        if (id == Guid.Empty) errors = [.. errors, new FieldError("id", "An id is needed.")];
        if (errors.Count > 0) throw Refusal.Invalid(errors);

        var row = await db.Plans.SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel);
        if (row is { RemovedAt: not null } || (row is null && !expected.IsNew)) throw Refusal.NotFound("plan");
        if (row is null) db.Plans.Add(row = new PlanRow { AcademyId = caller.AcademyId, Id = id, Title = plan.Title, Document = plan });
        else if (row.Version != expected.Number) return StoredDocuments.Same(row.Document, plan) ? ViewOf(row) : throw Refusal.Stale(ViewOf(row));

        row.Title = plan.Title;
        row.Document = plan;
        row.UpdatedAt = clock.GetUtcNow();
        row.Version++;
        return await db.SavedAsync(cancel) ? ViewOf(row) : await SaveAsync(caller, id, plan, expected, cancel);
    }

    /// <summary>Takes a plan off the list. What was assigned from it stays as it is. Removing twice is removing once.</summary>
    public async Task RemoveAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var removed = await Live(caller).Where(p => p.Id == id)
            .ExecuteUpdateAsync(set => set.SetProperty(p => p.RemovedAt, now).SetProperty(p => p.Version, p => p.Version + 1), cancel);
        if (removed == 0 && !await db.Plans.AnyAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel))
            throw Refusal.NotFound("plan");
    }

    private IQueryable<PlanRow> Live(Caller caller) => db.Plans.Where(p => p.AcademyId == caller.AcademyId && p.RemovedAt == null);

    private static PlanView ViewOf(PlanRow row) =>
        new(row.Id, row.Version, row.UpdatedAt, row.Document, PlanReading.Of(row.Document));
}

/// <summary>A plan in a list.</summary>
/// <param name="Id">The plan.</param>
/// <param name="Title">Its title.</param>
/// <param name="Purpose">What it is for.</param>
/// <param name="UpdatedAt">When it was last changed.</param>
/// <param name="Totals">What it adds up to.</param>
/// <param name="Strip">Its strip.</param>
/// <param name="CanPublish">Whether nothing in it keeps it from being published.</param>
/// <param name="Areas">The areas of the game it is about.</param>
/// <param name="Students">Who it was set for, the latest first.</param>
/// <param name="UsedLast">The last day or week it was set for; none if never.</param>
public sealed record PlanSummary(
    Guid Id, string Title, string Purpose, DateTimeOffset UpdatedAt, PlanTotals Totals, IReadOnlyList<StripSegment> Strip, bool CanPublish,
    IReadOnlyList<Area> Areas, IReadOnlyList<string> Students, DateOnly? UsedLast);

/// <summary>A plan on the bench. The version goes back as <c>If-Match</c>.</summary>
public sealed record PlanView(Guid Id, int Version, DateTimeOffset UpdatedAt, SessionPlan Plan, PlanReading Reading);

/// <summary>What the bench shows beside a plan while it is written.</summary>
/// <param name="Totals">What it adds up to.</param>
/// <param name="Strip">Its drawing.</param>
/// <param name="ToKeep">What keeps it from being saved.</param>
/// <param name="ToPublish">What keeps it from being published.</param>
public sealed record PlanReading(
    PlanTotals Totals, IReadOnlyList<StripSegment> Strip, IReadOnlyList<FieldError> ToKeep, IReadOnlyList<FieldError> ToPublish)
{
    public static PlanReading Of(SessionPlan plan) =>
        new(PlanTotals.Of(plan), Plans.Strip.Planned(plan), PlanRules.ToKeep(plan), PlanRules.ToPublish(plan));
}
