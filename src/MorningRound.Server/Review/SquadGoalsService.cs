using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Review;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Review;

/// <summary>Where one student is on their own goal.</summary>
/// <param name="StudentId">The student.</param>
/// <param name="Name">The name.</param>
/// <param name="Goal">The goal and how it stands; null where the focus has no number.</param>
/// <param name="JudgedDrills">Drills with enough comparable results for a trend.</param>
/// <param name="BetterDrills">Those that get better.</param>
/// <param name="DoneShare">
/// How much of the last four whole weeks was done, 0 to 1; null where nothing counted in one of them.
/// </param>
public sealed record SquadGoal(
    Guid StudentId,
    string Name,
    GoalStanding? Goal,
    int JudgedDrills,
    int BetterDrills,
    double? DoneShare
);

/// <summary>Everybody on their own goal, by name: nobody is set beside anybody else.</summary>
/// <param name="Rows">The students.</param>
/// <param name="Counted">How many there are, and how many the caller looks after.</param>
public sealed record SquadGoalsView(IReadOnlyList<SquadGoal> Rows, CountedStudents Counted);

/// <summary>Who is where on their goal.</summary>
public sealed class SquadGoalsService(MorningRoundDb db, StudentService students, DomainClock clock)
{
    /// <summary>One query and a count, however many results there ever were.</summary>
    /// <param name="caller">A coach of the academy.</param>
    /// <param name="squad">One squad alone; null for all that the caller looks after.</param>
    /// <param name="everybody">Whether those of other coaches are shown too.</param>
    /// <param name="cancel">Ends the question.</param>
    public async Task<SquadGoalsView> GetAsync(Caller caller, Guid? squad, bool everybody, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        var (standings, members) = (db.Standings, db.LiveSquadMembers);
        var rows = await (
            from student in students.LookedAfter(caller, everybody || squad is not null)
            where
                squad == null
                || members.Any(m => m.AcademyId == caller.AcademyId && m.SquadId == squad && m.StudentId == student.Id)
            join standing in standings.AsNoTracking().Where(s => s.AcademyId == caller.AcademyId)
                on student.Id equals standing.StudentId
                into kept
            from standing in kept.DefaultIfEmpty()
            orderby student.Name, student.Id
            select new
            {
                student.Id,
                student.Name,
                Standing = standing,
            }
        )
            .Take(TeeLineService.MostRows)
            .ToListAsync(cancel);
        return new SquadGoalsView(
            [
                .. rows.Select(r => (r.Id, r.Name, Standing: r.Standing?.Document.On(today)))
                    .Select(r => new SquadGoal(
                        r.Id,
                        r.Name,
                        r.Standing?.Goal,
                        r.Standing?.JudgedDrills ?? 0,
                        r.Standing?.BetterDrills ?? 0,
                        r.Standing?.DoneShare
                    )),
            ],
            await students.CountAsync(caller, cancel)
        );
    }
}
