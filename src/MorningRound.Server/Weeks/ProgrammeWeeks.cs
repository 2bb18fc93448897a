using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Programmes;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>Puts the sessions of programmes into students' weeks.</summary>
public sealed class ProgrammeWeeks(
    MorningRoundDb db,
    DomainClock clock,
    ProgrammeRunService runs,
    PlanContextService contexts,
    LadderStandings ladders,
    NewDrafts drafts
)
{
    /// <summary>
    /// Puts in, as drafts on any day, what this week of their programmes holds for students, each made the student's own where it
    /// must be. Ids follow from run, student, slot and week, so that doing it twice is doing it once. The same number of
    /// statements however many students.
    /// </summary>
    public async Task<IReadOnlyList<SetWeek>> FillAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        CancellationToken cancel
    )
    {
        if (
            await db.Students.CountAsync(s => s.AcademyId == caller.AcademyId && students.Contains(s.Id), cancel) < students.Count
        )
            throw ApiProblemException.NotFound("student");
        var standings = await runs.StandingsAsync(caller, students, week, cancel);
        var taking = students.Where(s => standings[s].Any(p => p.Week is not null)).ToList();
        if (taking.Count == 0)
            return [];
        var running = standings.SelectMany(s => s.Select(r => r.ProgrammeId)).Distinct().ToList();
        var programmes = await db
            .Programmes.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && running.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, p => p.Document, cancel);
        var planIds = programmes.Values.SelectMany(p => p.Slots.Select(s => s.PlanId)).Distinct().ToList();
        var rows = await db
            .Plans.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && planIds.Contains(p.Id) && p.RemovedAt == null)
            .Select(p => new { p.Id, Text = new DraftText(p.Document, p.Version) })
            .ToDictionaryAsync(p => p.Id, p => p.Text, cancel);
        var plans = rows.ToDictionary(p => p.Key, p => p.Value.Document);
        var squad = (await contexts.SquadAsync(caller, week.Monday, taking, cancel)).ToDictionary(s => s.Id, s => s.Context);
        var shelf = await db.ShelfAsync(caller.AcademyId, cancel);
        var drills = plans.Values.SelectMany(LadderStandings.DrillsOf).Distinct().ToList();
        var results = await ladders.OfAsync(caller, taking, drills, week.Monday, cancel);
        var made = await drafts.AddAsync(
            caller,
            [
                .. from student in taking
                from standing in standings[student]
                where standing.Week is not null
                let number = standing.Week!.Value
                let programme = programmes[standing.ProgrammeId]
                from session in programme.SessionsOf(number, plans)
                select DraftOf(
                    caller,
                    week,
                    student,
                    standing,
                    session,
                    rows[session.PlanId],
                    PlanTailoring.For(
                        session.Plan,
                        squad[student],
                        shelf,
                        [.. results[student]],
                        programme.Slots.Single(s => s.Id == session.SlotId).SettledBy(number)
                    )
                ),
            ],
            cancel
        );
        var today = clock.Today(caller.TimeZone);
        return
        [
            .. taking.Select(id => new SetWeek(
                id,
                [.. made.Where(m => m.StudentId == id).Select(m => SessionCard.Of(m, today))]
            )),
        ];
    }

    /// <summary>
    /// A plan's latest text as a week of a programme has it, with the segments whose step the programme has set; the plan itself
    /// where the programme does not have it any more.
    /// </summary>
    public async Task<(SessionPlan Text, IReadOnlySet<Guid> Settled)> TextAsync(
        Caller caller,
        OfProgramme of,
        SessionPlan plan,
        CancellationToken cancel
    )
    {
        var row = await db
            .Programmes.AsNoTracking()
            .SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == of.ProgrammeId, cancel);
        var slot = row?.Document.Slots.FirstOrDefault(s => s.Id == of.SlotId);
        var session = slot is null
            ? null
            : row!
                .Document.SessionsOf(of.Week, new Dictionary<Guid, SessionPlan> { [slot.PlanId] = plan })
                .FirstOrDefault(s => s.SlotId == of.SlotId);
        return session is null ? (plan, new HashSet<Guid>()) : (session.Plan, slot!.SettledBy(of.Week));
    }

    private static AssignmentRow DraftOf(
        Caller caller,
        IsoWeek week,
        Guid student,
        ProgrammeStanding standing,
        ProgrammeSession session,
        DraftText plan,
        TailoredPlan tailored
    )
    {
        var row = AssignmentColumns.NewAssignment(
            caller.AcademyId,
            SessionId(standing.RunId, student, session.SlotId, week),
            student,
            tailored.Plan
        );
        (row.PlanId, row.PlanVersion) = (session.PlanId, plan.PlanVersion);
        (row.Monday, row.Requirement, row.Order) = (week.Monday, session.Requirement, session.Order);
        row.HasOwnText = !StoredDocuments.Same(tailored.Plan, plan.Document);
        row.Notes = new SessionNotes
        {
            Tailored = [.. tailored.Changes.Select(c => c.Why)],
            Programme = new OfProgramme(
                standing.RunId,
                standing.ProgrammeId,
                session.SlotId,
                standing.Name,
                standing.Week!.Value,
                standing.Weeks
            ),
        };
        return row;
    }

    private static Guid SessionId(Guid run, Guid student, Guid slot, IsoWeek week) =>
        DerivedId.Of($"programme {run} {student} {slot} {week}");
}
