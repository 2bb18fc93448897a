using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Plans;
using MorningRound.Server.Accounts;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Weeks;

/// <summary>A session's text, and the version of the plan it is of; null for a text of its own.</summary>
public sealed record DraftText(SessionPlan Document, int? PlanVersion);

/// <summary>
/// What drafts read at this moment: a draft follows its plan until it is published, unless its text is its own.
/// </summary>
public sealed class DraftTexts(MorningRoundDb db)
{
    /// <summary>The text of each session by its id; what was published keeps the text it was published with. One query.</summary>
    public async Task<IReadOnlyDictionary<Guid, DraftText>> OfAsync(
        Caller caller,
        IReadOnlyCollection<AssignmentRow> rows,
        CancellationToken cancel
    )
    {
        var plans = await LatestAsync(caller, [.. rows.Where(FollowsPlan)], cancel);
        return rows.ToDictionary(
            row => row.Id,
            row =>
                (FollowsPlan(row) ? plans.GetValueOrDefault(row.PlanId!.Value) : null)
                ?? new DraftText(row.Document, row.PlanVersion)
        );
    }

    /// <summary>
    /// The latest text of the plans that sessions were set from, by plan; those that are gone are missing. One query.
    /// </summary>
    public async Task<IReadOnlyDictionary<Guid, DraftText>> LatestAsync(
        Caller caller,
        IReadOnlyCollection<AssignmentRow> rows,
        CancellationToken cancel
    )
    {
        var ids = rows.Select(d => d.PlanId).OfType<Guid>().Distinct().ToList();
        if (ids.Count == 0)
            return new Dictionary<Guid, DraftText>();
        return await db
            .Plans.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && ids.Contains(p.Id) && p.RemovedAt == null)
            .ToDictionaryAsync(p => p.Id, p => new DraftText(p.Document, p.Version), cancel);
    }

    private static bool FollowsPlan(AssignmentRow row) => row is { PublishedAt: null, HasOwnText: false, PlanId: not null };
}
