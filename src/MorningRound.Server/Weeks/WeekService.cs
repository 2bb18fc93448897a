using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Checking;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>The weeks of an academy's students: what is set, what is published, what is excused.</summary>
public sealed class WeekService(
    MorningRoundDb db,
    DomainClock clock,
    StudentService students,
    StudentFileService files,
    PlanContextService contexts,
    PainService pain,
    SessionLogReader logs,
    ProgrammeRunService programmes
)
{
    /// <summary>The places there are in a stated order.</summary>
    public const int MostOrder = 20;

    /// <summary>One student's week. A student sees only what is published.</summary>
    public async Task<WeekView> GetAsync(Caller caller, Guid studentId, IsoWeek week, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        var student = await students.GetAsync(caller, studentId, cancel);
        if (!caller.IsCoach)
            await db.NoteSentAsync(caller, a => a.StudentId == studentId && a.Monday == week.Monday, clock.GetUtcNow(), cancel);
        var rows = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.Monday == week.Monday)
            .Where(a => caller.IsCoach || a.PublishedAt != null)
            .Listed()
            .ToListAsync(cancel);
        var today = clock.Today(caller.TimeZone);
        var cards = rows.Select(r => SessionCard.Of(r, today))
            .OrderBy(c => c.Day is null)
            .ThenBy(c => c.Day)
            .ThenBy(c => c.Requirement)
            .ThenBy(c => c.AssignmentId);
        return new WeekView(
            week.ToString(),
            week.Plus(-1).ToString(),
            week.Plus(1).ToString(),
            week.Monday,
            today,
            student.Id,
            student.Name,
            Completed.Of(
                WeekCompletion.Of([.. rows.Where(r => r.PublishedAt is not null).Select(r => r.ToAssignedSession())], today)
            ),
            [.. cards],
            await pain.ViewAsync(caller, studentId, cancel),
            await logs.CheckpointAsync(caller, studentId, cancel),
            // A coach can move everything; a student only into times of theirs.
            caller.IsCoach
                ? []
                : StudentWeekService.DaysToMoveTo(rows, week, today, await files.FileAsync(caller, studentId, cancel)),
            // A coach sees them on the week sheet.
            caller.IsCoach
                ? []
                : [.. (await programmes.StandingsAsync(caller, [studentId], week, cancel))[studentId]]
        );
    }

    /// <summary>
    /// Puts a plan into a week, or changes where it stands. The same call twice changes nothing. What was published keeps its
    /// text; moving it is marked for the student.
    /// </summary>
    public async Task<SessionCard> SaveAsync(
        Caller caller,
        Guid id,
        AssignmentInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var week = WeekText.Read(input.Week, "week", clock.Today(caller.TimeZone));
        if (id == Guid.Empty)
            throw ApiProblemException.Invalid("id", "An id is needed.");
        if (input.Requirement == Requirement.Own)
            throw ApiProblemException.Invalid("requirement", "Own practice is logged, not set.");
        if (input.Day is { } day && !week.Contains(day))
            throw ApiProblemException.Invalid("day", $"This day is not in {week}.");

        var row = await db.SaveAsync(
            expected,
            Guarded(caller, id, cancel) with
            {
                Create = async () =>
                {
                    await students.EnsureExistsAsync(caller, input.StudentId, cancel);
                    var plan = await PlanTextAsync(caller, input.PlanId, cancel) ?? throw ApiProblemException.NotFound("plan");
                    var created = AssignmentColumns.NewAssignment(caller.AcademyId, id, input.StudentId, plan.Document);
                    (created.PlanId, created.PlanVersion) = (input.PlanId, plan.Version);
                    return created;
                },
                IsSame = row => Same(row, input, week),
                Change = row =>
                {
                    if (row.StudentId != input.StudentId || row.PlanId != input.PlanId)
                    {
                        throw ApiProblemException.Invalid(
                            row.StudentId != input.StudentId ? "studentId" : "planId",
                            "A session stays with its student and its plan. Take it out and put another in."
                        );
                    }

                    Put(row, week, input.Day, input.Requirement, input.Order, isDayChosen: input.Day is not null);
                },
            },
            cancel
        );
        await db.NotePlanUseAsync(caller.AcademyId, row.PlanId, row.StudentId, cancel);
        return Card(caller, row);
    }

    /// <summary>
    /// Moves a session inside its week, or changes whether it counts. What was published is marked for the student.
    /// </summary>
    public async Task<SessionCard> MoveAsync(
        Caller caller,
        WeekChangeInput move,
        RowVersion expected,
        CancellationToken cancel
    ) =>
        Card(
            caller,
            await db.SaveAsync(
                expected,
                Guarded(caller, move.Id, cancel) with
                {
                    SkipsUnchanged = true,
                    IsSame = row =>
                        (row.Day, row.Requirement, row.Order, row.Notes.IsDayChosen)
                        == (move.Day, move.Requirement, move.Order, move.IsDayChosen && move.Day is not null),
                    Change = row =>
                    {
                        var week = IsoWeek.Of(row.Monday);
                        if (move.Day is { } day && !week.Contains(day))
                            throw ApiProblemException.Invalid("day", $"This day is not in {week}.");
                        if (row.Requirement == Requirement.Own || move.Requirement == Requirement.Own)
                            throw ApiProblemException.Invalid("requirement", "Own practice is logged, not set.");
                        Put(row, week, move.Day, move.Requirement, move.Order, move.IsDayChosen && move.Day is not null);
                    },
                },
                cancel
            )
        );

    private void Put(AssignmentRow row, IsoWeek week, DateOnly? day, Requirement requirement, int? order, bool isDayChosen)
    {
        if (order is < 1 or > MostOrder)
            throw ApiProblemException.Invalid("order", $"Between 1 and {MostOrder}, please.");
        row.NoteChange(week, day, requirement, clock.GetUtcNow(), isByStudent: false);
        row.Notes = row.Notes with { IsDayChosen = isDayChosen, DayReason = "" };
        row.Monday = week.Monday;
        row.Day = day;
        row.Requirement = requirement;
        row.Order = order;
    }

    /// <summary>What the plan check says of a plan on a day of a student's week: notes apart, the heaviest first.</summary>
    public async Task<IReadOnlyList<Finding>> FindingsAsync(
        Caller caller,
        Guid studentId,
        IsoWeek week,
        Guid planId,
        DateOnly? day,
        CancellationToken cancel
    )
    {
        if (day is { } given && !week.Contains(given))
            throw ApiProblemException.Invalid("day", $"This day is not in {week}.");
        var plan = await PlanTextAsync(caller, planId, cancel) ?? throw ApiProblemException.NotFound("plan");
        var context = await contexts.OfAsync(caller, studentId, day ?? week.Monday, cancel);
        // "Any day" is checked for the days that are left of the week, and judged by the mildest of them.
        var today = clock.Today(caller.TimeZone);
        return [.. WeekCheck.On(plan.Document, day, week, today, context).Findings.Where(f => f.Level > FindingLevel.Note)];
    }

    /// <summary>Excuses a session, or with none takes the excuse back.</summary>
    public async Task<SessionCard> ExcuseAsync(
        Caller caller,
        Guid id,
        Excuse? excuse,
        RowVersion expected,
        CancellationToken cancel
    ) =>
        Card(
            caller,
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    SkipsUnchanged = true,
                    IsSame = row => row.Excuse == excuse,
                    Change = row => row.Excuse = excuse,
                },
                cancel
            )
        );

    /// <summary>
    /// Takes a session out of the week, unless something was already done of it. A trace stays: to put it back as it was, and
    /// for a phone that is practising it without a signal.
    /// </summary>
    public async Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel)
    {
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        // Whoever begins to log it at this moment waits, or has begun.
        var row = await db.LockAssignmentAsync(caller.AcademyId, id, cancel);
        if (row is null or { TakenOutAt: not null, Requirement: not Requirement.Own })
            throw ApiProblemException.NotFound("session");
        if (row.HasLog)
            throw ApiProblemException.Conflict(
                "This session has already been begun.",
                "id",
                "Its log would be lost. Excuse it instead."
            );
        if (row.Version != expected.Number)
            throw ApiProblemException.Stale(Card(caller, row));
        row.TakenOutAt = clock.GetUtcNow();
        row.Version++;
        await db.SaveChangesAsync(cancel);
        await db.NotePlanUseAsync(caller.AcademyId, row.PlanId, row.StudentId, cancel);
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
    }

    /// <summary>Puts a session back that was taken out, as it was. Doing it twice is doing it once.</summary>
    public async Task<SessionCard> RestoreAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel)
    {
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        var row = await db.LockAssignmentAsync(caller.AcademyId, id, cancel);
        if (row is null or { Requirement: Requirement.Own } or { Notes.ReplacedBy: not null })
            throw ApiProblemException.NotFound("session");
        if (row.TakenOutAt is null)
            return Card(caller, row);
        if (row.Version != expected.Number)
            throw ApiProblemException.Stale(Card(caller, row));
        row.TakenOutAt = null;
        row.Version++;
        await db.SaveChangesAsync(cancel);
        await db.NotePlanUseAsync(caller.AcademyId, row.PlanId, row.StudentId, cancel);
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
        return Card(caller, row);
    }

    private GuardedRow<AssignmentRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "session",
            Find = async () =>
            {
                var row = await db
                    .Assignments.IgnoreQueryFilters()
                    .SingleOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == id, cancel);
                return row is { TakenOutAt: not null, Requirement: not Requirement.Own }
                    ? throw ApiProblemException.NotFound("session")
                    : row;
            },
            View = row => Task.FromResult<object>(Card(caller, row)),
        };

    private Task<PlanRow?> PlanTextAsync(Caller caller, Guid planId, CancellationToken cancel) =>
        db
            .Plans.AsNoTracking()
            .SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == planId && p.RemovedAt == null, cancel);

    private SessionCard Card(Caller caller, AssignmentRow row) => SessionCard.Of(row, clock.Today(caller.TimeZone));

    private static bool Same(AssignmentRow row, AssignmentInput input, IsoWeek week) =>
        (row.StudentId, row.PlanId, row.Monday, row.Day, row.Requirement, row.Order)
        == (input.StudentId, input.PlanId, week.Monday, input.Day, input.Requirement, input.Order);
}
