using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Guardians;

/// <summary>
/// What a guardian sees of a child: the week as it was published, how much was done, what hurts, and the coach's word. Not what
/// the child wrote, and nothing of anybody else.
/// </summary>
public sealed class ChildWeekService(
    MorningRoundDb db,
    DomainClock clock,
    GuardianService guardians,
    PainService pain,
    WordService words
)
{
    private const int WeeksBefore = 4;

    public async Task<ChildWeekView> GetAsync(Caller caller, Guid studentId, IsoWeek week, CancellationToken cancel)
    {
        var name = await guardians.EnsureSeesAsync(caller, studentId, cancel);
        var today = clock.Today(caller.TimeZone);
        var (from, to) = (week.Plus(-WeeksBefore).Monday, week.Monday);
        var rows = (
            await db
                .Assignments.AsNoTracking()
                .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.PublishedAt != null)
                .Where(a => a.Monday >= from && a.Monday <= to)
                .Listed()
                .ToListAsync(cancel)
        ).ToLookup(r => r.Monday);
        var asChild = GuardianService.AsStudent(caller, studentId);
        var word = await words.GetAsync(asChild, studentId, week, cancel);
        return new ChildWeekView(
            studentId,
            name,
            week.ToString(),
            week.Plus(-1).ToString(),
            week.Plus(1).ToString(),
            week.Monday,
            today,
            [
                .. rows[week.Monday]
                    .Select(r => SessionCard.Of(r, today))
                    .OrderBy(c => c.Day is null)
                    .ThenBy(c => c.Day)
                    .ThenBy(c => c.AssignmentId)
                    .Select(c => new ChildSession(
                        c.Title,
                        c.Purpose,
                        c.Day,
                        c.Requirement,
                        c.Status,
                        c.Minutes,
                        c.Completion,
                        c.Strip
                    )),
            ],
            Completed.Of(Completion(rows[week.Monday], today)),
            [
                .. Enumerable
                    .Range(1, WeeksBefore)
                    .Select(back => week.Plus(-back).Monday)
                    .Select(monday => (monday, Completion(rows[monday], today)))
                    .Select(w => new PastWeek(w.monday, w.Item2.Fraction, w.Item2.Sessions, w.Item2.SessionsDone)),
            ],
            [.. (await pain.ViewAsync(asChild, studentId, cancel)).Select(p => new ChildPain(p.Text, p.Since, p.LastOn))],
            word.Word,
            word.SaidBy
        );
    }

    private static WeekCompletion Completion(IEnumerable<ListedAssignment> rows, DateOnly today) =>
        WeekCompletion.Of([.. rows.Select(r => r.ToAssignedSession())], today);
}
