using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Weeks;

/// <summary>Adds drafts to students' weeks, many at once.</summary>
public sealed class NewDrafts(MorningRoundDb db, DomainClock clock)
{
    /// <summary>
    /// Adds drafts, all of them or none, in the order given: three statements, however many. One that is there already stays
    /// as it is, and one that was taken out as a draft comes back.
    /// </summary>
    public async Task<List<AssignmentRow>> AddAsync(Caller caller, List<AssignmentRow> made, CancellationToken cancel)
    {
        var ids = made.ConvertAll(m => m.Id);
        while (true)
        {
            var there = await db
                .Assignments.IgnoreQueryFilters()
                .Where(a => a.AcademyId == caller.AcademyId && ids.Contains(a.Id))
                .ToDictionaryAsync(a => a.Id, cancel);
            foreach (var draft in made)
            {
                if (!there.TryGetValue(draft.Id, out var row))
                {
                    draft.Version = 1;
                    db.Add(draft);
                }
                else if (row.StudentId != draft.StudentId)
                {
                    throw ApiProblemException.Stale(Card(caller, row));
                }
                else if (row is { TakenOutAt: not null, PublishedAt: null })
                {
                    row.TakenOutAt = null;
                    row.Version++;
                }
            }

            if (!await db.SavedAsync(cancel))
                continue;
            await db.NotePlanUsesAsync(
                caller.AcademyId,
                [.. made.Select(m => m.PlanId).OfType<Guid>().Distinct()],
                [.. made.Select(m => m.StudentId).Distinct()],
                cancel
            );
            return made.ConvertAll(m => there.GetValueOrDefault(m.Id) ?? m);
        }
    }

    private SessionCard Card(Caller caller, AssignmentRow row) => SessionCard.Of(row, clock.Today(caller.TimeZone));
}
