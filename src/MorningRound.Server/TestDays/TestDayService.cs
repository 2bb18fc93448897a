using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.TestDays;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Progress;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.TestDays;

/// <summary>Test days: a fixed plan that comes back for the same students, and everybody set beside themselves.</summary>
public sealed class TestDayService(
    MorningRoundDb db,
    DomainClock clock,
    ResultHistory history,
    NewDrafts drafts,
    PublishingService publishing
)
{
    /// <summary>More test days than any academy holds.</summary>
    public const int MostTestDays = 60;

    /// <summary>Of many days the first and the latest are shown.</summary>
    private const int LatestDays = 7;

    /// <summary>More drills than fit into a day.</summary>
    private const int MostTasks = 12;

    /// <summary>All test days, the one that is due first.</summary>
    public async Task<IReadOnlyList<TestDaySummary>> ListAsync(Caller caller, CancellationToken cancel)
    {
        var plans = db.Plans;
        var rows = await Live(caller)
            .AsNoTracking()
            .Join(plans, t => new { t.AcademyId, t.Id }, p => new { p.AcademyId, p.Id }, (t, p) => new { Test = t, p.Listing })
            .ToListAsync(cancel);
        var ids = rows.ConvertAll(r => r.Test.Id);
        var days = (
            await Sessions(caller)
                .Where(a => ids.Contains(a.PlanId!.Value))
                .GroupBy(a => a.PlanId!.Value)
                .Select(g => new { Id = g.Key, Last = g.Max(a => a.Day) })
                .ToListAsync(cancel)
        ).ToDictionary(d => d.Id, d => d.Last);
        var today = clock.Today(caller.TimeZone);
        return
        [
            .. rows.Select(r =>
                {
                    var last = days.GetValueOrDefault(r.Test.Id);
                    var next = r.Test.ToTestDay().NextAfter(last is { } day ? [day] : [], today);
                    return new TestDaySummary
                    {
                        Id = r.Test.Id,
                        Name = r.Test.Name,
                        EveryWeeks = r.Test.EveryWeeks,
                        Students = r.Test.Students.Length,
                        Strip = r.Listing.Strip,
                        LastSet = last,
                        Next = next,
                        IsDue = next <= today,
                    };
                })
                .OrderBy(t => t.Next)
                .ThenBy(t => t.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>One test day with everybody's results of its first and its latest days.</summary>
    public async Task<TestDayView> GetAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var row =
            await Live(caller).AsNoTracking().SingleOrDefaultAsync(t => t.Id == id, cancel)
            ?? throw ApiProblemException.NotFound("test day");
        var plan = await db
            .Plans.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && p.Id == id)
            .Select(p => new { p.Document, p.Listing })
            .SingleAsync(cancel);
        var all = await Sessions(caller)
            .Where(a => a.PlanId == id)
            .Select(a => a.Day!.Value)
            .Distinct()
            .OrderByDescending(d => d)
            .ToListAsync(cancel);
        IReadOnlyList<DateOnly> days = [.. all.Take(LatestDays).Concat(all.TakeLast(1)).Distinct()];
        var sessions = await Sessions(caller)
            .Where(a => a.PlanId == id && days.Contains(a.Day!.Value))
            .OrderByDescending(a => a.Day)
            .ThenBy(a => a.Id)
            .Select(a => new
            {
                a.Id,
                a.StudentId,
                Day = a.Day!.Value,
                a.IsFinished,
            })
            .ToListAsync(cancel);
        var ofSession = sessions.ToDictionary(s => s.Id, s => s.StudentId);
        var results = (await history.OfSessionsAsync(caller.AcademyId, [.. ofSession.Keys], cancel)).ToLookup(r =>
            ofSession[r.SessionId]
        );
        var tasks = TestTask.Of(plan.Document);
        var today = clock.Today(caller.TimeZone);
        var wanted = row.Students.Union(results.Select(r => r.Key)).ToList();
        var names = await db
            .Students.AsNoTracking()
            .Where(s => s.AcademyId == caller.AcademyId && wanted.Contains(s.Id))
            .OrderBy(s => s.Name)
            .ThenBy(s => s.Id)
            .Select(s => new { s.Id, s.Name })
            .ToListAsync(cancel);
        return new TestDayView
        {
            Id = id,
            Version = row.Version,
            Test = row.ToTestDay(),
            Minutes = plan.Listing.Minutes,
            Strip = plan.Listing.Strip,
            Tasks = tasks,
            Days = days,
            Next = row.ToTestDay().NextAfter(days, today),
            Students =
            [
                .. names.Select(n => new TestStudent(
                    n.Id,
                    n.Name,
                    row.Students.Contains(n.Id),
                    [
                        .. sessions
                            .Where(s => s.StudentId == n.Id)
                            .Select(s => new TestSession(
                                s.Id,
                                s.Day,
                                s.IsFinished && s.Day.Plus(SessionEntryRules.MendingDays) < today
                            )),
                    ],
                    [.. tasks.Select(task => TestLine.Of(task, results[n.Id]))]
                )),
            ],
        };
    }

    /// <summary>
    /// Makes or changes a test day. Its drills are those of the plan it is made from, as that reads at this moment, for good.
    /// </summary>
    public async Task<TestDayView> SaveAsync(
        Caller caller,
        Guid id,
        TestDayInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var test = new TestDay
        {
            Name = input.Name.Trim(),
            EveryWeeks = input.EveryWeeks,
            FirstDay = input.FirstDay,
            Students = input.Students,
        };
        var errors = test.Check(clock.Today(caller.TimeZone));
        if (id == Guid.Empty)
            errors = [.. errors, new FieldError("id", "An id is needed.")];
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        if (
            await db.Students.CountAsync(s => s.AcademyId == caller.AcademyId && test.Students.Contains(s.Id), cancel)
            < test.Students.Count
        )
            throw ApiProblemException.NotFound("student");
        PlanRow? plan = null;
        var guarded = Guarded(caller, id, cancel);
        await db.SaveAsync(
            expected,
            guarded with
            {
                Find = async () =>
                {
                    plan = await db.Plans.SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel);
                    return await guarded.Find();
                },
                Create = async () =>
                {
                    plan = await PlanForAsync(caller, id, input.PlanId, test.Name, cancel);
                    return new TestDayRow
                    {
                        AcademyId = caller.AcademyId,
                        Id = id,
                        Name = "",
                        Students = [],
                        WrittenBy = caller.AccountId,
                    };
                },
                IsSame = row =>
                    (row.Name, row.EveryWeeks, row.FirstDay) == (test.Name, test.EveryWeeks, test.FirstDay)
                    && row.Students.ToHashSet().SetEquals(test.Students),
                Change = row =>
                {
                    (row.Name, row.EveryWeeks, row.FirstDay) = (test.Name, test.EveryWeeks, test.FirstDay);
                    row.Students = [.. test.Students];
                    // The sessions bear its name; what is done in them stays.
                    if (plan is not null && plan.Title != test.Name)
                    {
                        plan.Write(plan.Document with { Title = test.Name }, clock.GetUtcNow());
                        plan.Version++;
                    }
                },
            },
            cancel
        );
        return await GetAsync(caller, id, cancel);
    }

    /// <summary>Takes a test day off the list. What was set and done stays.</summary>
    public Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel) =>
        db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, id, cancel), cancel);

    /// <summary>
    /// Sets it for everybody on a day, published at once; whoever something keeps is named, and has it as a draft. The same day
    /// twice is once.
    /// </summary>
    public async Task<SetTestResult> SetAsync(Caller caller, Guid id, DateOnly day, CancellationToken cancel)
    {
        var row =
            await Live(caller).AsNoTracking().SingleOrDefaultAsync(t => t.Id == id, cancel)
            ?? throw ApiProblemException.NotFound("test day");
        var today = clock.Today(caller.TimeZone);
        var errors = new FieldErrors()
            .RequireNear(day, today, "day")
            .Require(day >= today, "day", "Today or a day that comes, please.");
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        var plan = await db.Plans.AsNoTracking().SingleAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel);
        var week = IsoWeek.Of(day);
        var set = await drafts.AddAsync(
            caller,
            [
                .. row.Students.Select(student =>
                {
                    var draft = AssignmentColumns.NewAssignment(
                        caller.AcademyId,
                        SessionId(id, student, day),
                        student,
                        plan.Document
                    );
                    (draft.PlanId, draft.PlanVersion) = (plan.Id, plan.Version);
                    (draft.Monday, draft.Day, draft.Requirement) = (week.Monday, day, Requirement.Must);
                    draft.Notes = new SessionNotes { IsDayChosen = true };
                    return draft;
                }),
            ],
            cancel
        );
        var ids = set.ConvertAll(a => a.Id);
        var weeks = await publishing.PublishOnlyAsync(caller, week, row.Students, ids, cancel);
        // What was taken out of a published week stays out: the student was told.
        var takenOut = set.Where(a => a.TakenOutAt is not null).Select(a => a.StudentId).ToHashSet();
        var kept = weeks
            .Where(w => w.NotPublished.Count > 0 || takenOut.Contains(w.StudentId))
            .Select(w => new NotSet(
                w.StudentId,
                w.StudentName,
                takenOut.Contains(w.StudentId),
                takenOut.Contains(w.StudentId)
                    ? ["It was taken out of this week before. Choose another day."]
                    : [.. w.NotPublished.Select(n => n.InWords()).Distinct(StringComparer.Ordinal)]
            ))
            .ToList();
        return new SetTestResult(row.Students.Length - kept.Count, kept);
    }

    private IQueryable<TestDayRow> Live(Caller caller) =>
        db.TestDays.Where(t => t.AcademyId == caller.AcademyId && t.RemovedAt == null);

    /// <summary>Sessions that were set from plans, and stand on a day.</summary>
    private IQueryable<AssignmentRow> Sessions(Caller caller) =>
        db.Assignments.AsNoTracking().Where(a => a.AcademyId == caller.AcademyId && a.PlanId != null && a.Day != null);

    private GuardedRow<TestDayRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "test day",
            Find = () => db.TestDays.SingleOrDefaultAsync(t => t.AcademyId == caller.AcademyId && t.Id == id, cancel),
            View = async _ => await GetAsync(caller, id, cancel),
        };

    /// <summary>The copy of a plan that a new test day keeps. Refused where it scores nothing or cannot be published.</summary>
    private async Task<PlanRow> PlanForAsync(Caller caller, Guid id, Guid? planId, string name, CancellationToken cancel)
    {
        if (await Live(caller).CountAsync(cancel) >= MostTestDays)
            throw ApiProblemException.Invalid("id", $"At most {MostTestDays} test days fit here.");
        var source =
            await db
                .Plans.AsNoTracking()
                .Where(p => p.AcademyId == caller.AcademyId && p.Id == planId && p.RemovedAt == null)
                .Select(p => p.Document)
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.Invalid("planId", "Choose the plan that says what is done.");
        var tasks = TestTask.Of(source);
        var errors = new FieldErrors()
            .Require(tasks.Count > 0, "planId", "Nothing is scored in this plan: a test day needs drills with a score.")
            .RequireAtMost(tasks.Count, MostTasks, "planId");
        FieldError[] found = [.. errors.Found, .. PlanRules.ToPublish(source).Select(e => new FieldError("planId", e.Message))];
        if (found.Length > 0)
            throw ApiProblemException.Invalid(found);
        var plan = PlanRow.New(caller.AcademyId, id, source with { Title = name }, clock.GetUtcNow(), PlanKind.TestDay);
        plan.Version = 1;
        db.Plans.Add(plan);
        return plan;
    }

    private static Guid SessionId(Guid test, Guid student, DateOnly day) => DerivedId.Of($"test day {test} {student} {day:O}");
}
