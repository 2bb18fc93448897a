using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Plans;

/// <summary>The plans of an academy.</summary>
public sealed class PlanService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>How many plans a page has.</summary>
    public const int PageLength = 50;

    private const int LongestSearch = 120;
    private const int LastPage = 1000;

    /// <summary>A page of the plans that are searched for, homework left out: two queries.</summary>
    public async Task<PlanPage> ListAsync(Caller caller, PlanSearch search, CancellationToken cancel)
    {
        var errors = new FieldErrors()
            .AllowText(search.Text, "text", LongestSearch)
            .RequireBetween(search.Page, 0, LastPage, "page", "as a page");
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        var rows = await Ordered(Found(caller, search), search.Order)
            .Select(p => new
            {
                p.Id,
                p.Version,
                p.Title,
                p.Purpose,
                p.Listing,
            })
            .Skip(search.Page * PageLength)
            .Take(PageLength + 1)
            .ToListAsync(cancel);
        var page = rows.Take(PageLength).ToList();
        var ids = page.ConvertAll(p => p.Id);
        var uses = (
            await db
                .PlanUses.AsNoTracking()
                .Where(u => u.AcademyId == caller.AcademyId && ids.Contains(u.PlanId))
                .Join(
                    db.Students,
                    u => new { u.AcademyId, Id = u.StudentId },
                    s => new { s.AcademyId, s.Id },
                    (u, s) =>
                        new
                        {
                            u.PlanId,
                            s.Name,
                            u.LastOn,
                        }
                )
                .ToListAsync(cancel)
        ).ToLookup(u => u.PlanId);
        return new PlanPage(
            [
                .. page.Select(p => new PlanSummary(
                    p.Id,
                    p.Version,
                    p.Title,
                    p.Purpose,
                    p.Listing.Minutes,
                    p.Listing.Balls,
                    p.Listing.Holes,
                    p.Listing.Strip,
                    p.Listing.CanPublish,
                    [
                        .. uses[p.Id]
                            .OrderByDescending(u => u.LastOn)
                            .ThenBy(u => u.Name, StringComparer.Ordinal)
                            .Select(u => u.Name),
                    ],
                    uses[p.Id].Max(u => (DateOnly?)u.LastOn)
                )),
            ],
            rows.Count > PageLength
        );
    }

    public async Task<PlanView> GetAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var row =
            await Live(caller).AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel)
            ?? throw ApiProblemException.NotFound("plan");
        return ViewOf(row);
    }

    /// <summary>Makes or changes a plan.</summary>
    public async Task<PlanView> SaveAsync(Caller caller, Guid id, SessionPlan plan, RowVersion expected, CancellationToken cancel)
    {
        var errors = PlanRules.ToKeep(plan);
        if (id == Guid.Empty)
            errors = [.. errors, new FieldError("id", "An id is needed.")];
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        return ViewOf(
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    Create = () =>
                    {
                        var row = PlanRow.New(caller.AcademyId, id, plan, clock.GetUtcNow());
                        row.WrittenBy = caller.AccountId;
                        return Task.FromResult(row);
                    },
                    IsSame = row => StoredDocuments.Same(row.Document, plan),
                    Change = row =>
                    {
                        EnsureNoTest(row);
                        row.Write(plan, clock.GetUtcNow());
                    },
                },
                cancel
            )
        );
    }

    /// <summary>Takes a plan off the list. What was assigned from it stays as it is.</summary>
    public Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel) =>
        db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, id, cancel), cancel);

    /// <summary>What is done on a test day stays as it is, or nobody could be set beside the first time.</summary>
    private static void EnsureNoTest(PlanRow row)
    {
        if (row.Kind == PlanKind.TestDay)
            throw ApiProblemException.Conflict(
                "This is what is done on a test day.",
                "id",
                "It stays as it is, so that one day can be set beside another. Make another plan, and a new test day from it."
            );
    }

    private GuardedRow<PlanRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "plan",
            Find = () => db.Plans.SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel),
            View = row => Task.FromResult<object>(ViewOf(row)),
        };

    /// <summary>Every word has to stand in the title, the purpose, or the name of a student it was set for.</summary>
    private IQueryable<PlanRow> Found(Caller caller, PlanSearch search)
    {
        var (uses, students) = (db.PlanUses, db.Students);
        var found = Live(caller).AsNoTracking().Where(p => p.Kind == PlanKind.Written);
        foreach (var word in search.Text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries))
        {
            var pattern = $"%{System.Text.RegularExpressions.Regex.Replace(word, @"[\\%_]", @"\$0")}%";
            found = found.Where(p =>
                EF.Functions.ILike(p.Title, pattern)
                || EF.Functions.ILike(p.Purpose, pattern)
                || uses.Any(u =>
                    u.AcademyId == p.AcademyId
                    && u.PlanId == p.Id
                    && students.Any(s => s.AcademyId == u.AcademyId && s.Id == u.StudentId && EF.Functions.ILike(s.Name, pattern))
                )
            );
        }

        if (search.Area?.ToString() is { } area)
            found = found.Where(p => p.Areas.Contains(area));
        return found;
    }

    private IQueryable<PlanRow> Ordered(IQueryable<PlanRow> plans, PlanOrder order)
    {
        var uses = db.PlanUses;
        var ordered = order switch
        {
            PlanOrder.Used => plans.OrderByDescending(p =>
                uses.Where(u => u.AcademyId == p.AcademyId && u.PlanId == p.Id).Max(u => (DateOnly?)u.LastOn) ?? DateOnly.MinValue
            ),
            PlanOrder.Minutes => plans.OrderBy(p => p.Minutes),
            PlanOrder.Title => plans.OrderBy(p => p.Title),
            _ => plans.OrderByDescending(p => p.UpdatedAt),
        };
        return ordered.ThenByDescending(p => p.Id);
    }

    private IQueryable<PlanRow> Live(Caller caller) =>
        db.Plans.Where(p => p.AcademyId == caller.AcademyId && p.RemovedAt == null);

    private static PlanView ViewOf(PlanRow row) =>
        new(row.Id, row.Version, row.UpdatedAt, row.Document, PlanAnalysis.Of(row.Document));
}
