using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Weeks;

/// <summary>Puts drafts on their best days.</summary>
public sealed class WeekPlacingService(
    MorningRoundDb db,
    DomainClock clock,
    PlanContextService contexts,
    DraftTexts texts,
    SquadLoads loads
)
{
    /// <summary>
    /// Puts the drafts of students' weeks on their best days. What is published, and what a coach put on a day, stays there. Each
    /// student's week is written as a whole or not at all.
    /// </summary>
    public async Task<IReadOnlyList<PlacedWeek>> PlaceAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        CancellationToken cancel
    )
    {
        var weeks = new List<PlacedWeek>();
        var left = students.ToHashSet();
        while (left.Count > 0)
        {
            var squad = await contexts.SquadAsync(caller, week.Monday, left, cancel);
            var lately = await loads.OfAsync(caller, left, week, clock.Today(caller.TimeZone), cancel);
            var (before, after) = (week.Monday.Plus(-1), week.Sunday.Plus(1));
            var rows = await db
                .Assignments.Where(a =>
                    a.AcademyId == caller.AcademyId
                    && left.Contains(a.StudentId)
                    && (a.Monday == week.Monday || a.Day == before || a.Day == after)
                )
                .OrderBy(a => a.Id)
                .ToListAsync(cancel);
            var read = await texts.OfAsync(caller, rows, cancel);
            foreach (var one in squad)
            {
                var practised = lately.GetValueOrDefault(one.Id);
                var context = one.Context with { Load = practised?.Load.ForPlanning() };
                var own = rows.Where(r => r.StudentId == one.Id).ToList();
                var placed = Place(own, week, context, practised?.UsualDays, read, clock.Today(caller.TimeZone));
                if (!await db.SavedAsync(cancel))
                    break;
                weeks.Add(
                    new PlacedWeek(one.Id, [.. own.Where(r => r.Monday == week.Monday).Select(r => Card(caller, r))], placed)
                );
                left.Remove(one.Id);
            }
        }

        return weeks;
    }

    private static IReadOnlyList<PlacedSession> Place(
        List<AssignmentRow> own,
        IsoWeek week,
        PlanContext context,
        int? usualDays,
        IReadOnlyDictionary<Guid, DraftText> read,
        DateOnly today
    )
    {
        SessionToPlace FactsOf(AssignmentRow row) =>
            SessionToPlace.Of(row.Id, read[row.Id].Document, context, row.Requirement, row.Order);
        var free = own.Where(r => r is { PublishedAt: null, Notes.IsDayChosen: false } && r.Monday == week.Monday).ToList();
        var placed = WeekPlacing.Of(
            new WeekToPlace
            {
                Week = week,
                From = today > week.Monday ? today : week.Monday,
                Times = context.Student!.Own.Windows,
                Absences = context.Student.Own.Absences,
                Competitions = context.Student.Own.Competitions,
                UsualDays = usualDays,
                Sessions = [.. free.Select(FactsOf)],
                Standing =
                [
                    .. own.Where(r => r.Day is not null && r.Excuse is null && !free.Contains(r))
                        .Select(r => new StandingSession(FactsOf(r), r.Day!.Value)),
                ],
            }
        );
        foreach (var (row, to) in free.Zip(placed))
        {
            if (row.Day == to.Day && row.Notes.DayReason == to.Why)
                continue;
            row.Day = to.Day;
            row.Notes = row.Notes with { DayReason = to.Why };
            row.Version++;
        }

        return placed;
    }

    private SessionCard Card(Caller caller, AssignmentRow row) => SessionCard.Of(row, clock.Today(caller.TimeZone));
}
