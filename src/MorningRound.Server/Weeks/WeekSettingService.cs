using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>Sets weeks for many students at once: a plan put to a squad, last week copied, next steps taken.</summary>
public sealed class WeekSettingService(
    MorningRoundDb db,
    DomainClock clock,
    PlanContextService contexts,
    DraftTexts texts,
    LadderStandings ladders,
    NewDrafts drafts,
    ProgrammeWeeks programmes
)
{
    /// <summary>The most sessions one call puts in.</summary>
    public const int MostSessions = 200;

    /// <summary>
    /// Puts a plan into the weeks of several students, and makes it each one's own where it must be. The same call twice changes
    /// nothing.
    /// </summary>
    public async Task<IReadOnlyList<SetWeek>> SetAsync(Caller caller, IsoWeek week, SetInput input, CancellationToken cancel)
    {
        Check(input, week);
        var plan =
            await db
                .Plans.AsNoTracking()
                .SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == input.PlanId && p.RemovedAt == null, cancel)
            ?? throw ApiProblemException.NotFound("plan");
        var day = input.Day ?? week.Monday;
        var students = input.Sessions.Select(s => s.StudentId).ToList();
        var squad = (await contexts.SquadAsync(caller, day, students, cancel)).ToDictionary(s => s.Id, s => s.Context);
        IReadOnlyList<ShelvedDrill> shelf = input.IsTailored ? await db.ShelfAsync(caller.AcademyId, cancel) : [];
        var standings = await ladders.OfAsync(
            caller,
            students,
            input.IsTailored ? LadderStandings.DrillsOf(plan.Document) : [],
            day,
            cancel
        );
        var rows = await drafts.AddAsync(
            caller,
            [
                .. input.Sessions.Select(session =>
                {
                    var tailored = input.IsTailored
                        ? PlanTailoring.For(plan.Document, squad[session.StudentId], shelf, [.. standings[session.StudentId]])
                        : new TailoredPlan(plan.Document, []);
                    var created = AssignmentColumns.NewAssignment(caller.AcademyId, session.Id, session.StudentId, tailored.Plan);
                    (created.PlanId, created.PlanVersion) = (plan.Id, plan.Version);
                    (created.Monday, created.Day) = (week.Monday, input.Day);
                    (created.Requirement, created.Order) = (input.Requirement, input.Order);
                    created.HasOwnText = tailored.Changes.Count > 0;
                    created.Notes = new SessionNotes
                    {
                        Tailored = [.. tailored.Changes.Select(c => c.Why)],
                        IsDayChosen = input.Day is not null,
                    };
                    return created;
                }),
            ],
            cancel
        );
        return rows.ConvertAll(row => new SetWeek(row.StudentId, [Card(caller, row)]));
    }

    /// <summary>
    /// Copies what stood in an earlier week into this one as drafts, on the same days of the week: what was missed is marked, and
    /// steps that the last results offer come along. Ids follow from what is copied, so that copying twice is copying once. No
    /// day gets the same plan twice, and what a programme brings is not copied beside it.
    /// </summary>
    public async Task<IReadOnlyList<SetWeek>> CopyAsync(
        Caller caller,
        IsoWeek week,
        IsoWeek from,
        IReadOnlyCollection<Guid> students,
        bool onlyEmpty,
        CancellationToken cancel
    )
    {
        if (from == week)
            throw ApiProblemException.Invalid("from", "A week cannot be copied into itself.");
        await EnsureStudentsAsync(caller, students, cancel);
        var sources = await db
            .Assignments.AsNoTracking()
            .Where(a =>
                a.AcademyId == caller.AcademyId
                && students.Contains(a.StudentId)
                && a.Monday == from.Monday
                && a.Requirement != Requirement.Own
            )
            .OrderBy(a => a.Day == null)
            .ThenBy(a => a.Day)
            .ThenBy(a => a.Id)
            .ToListAsync(cancel);
        var there = await db
            .Assignments.AsNoTracking()
            .Where(a =>
                a.AcademyId == caller.AcademyId
                && students.Contains(a.StudentId)
                && a.Monday == week.Monday
                && a.Requirement != Requirement.Own
            )
            .Select(a => new
            {
                a.Id,
                a.StudentId,
                a.PlanId,
                a.Day,
                a.Notes,
            })
            .ToListAsync(cancel);
        var copies = sources.Select(s => CopyId(s.Id, week)).ToHashSet();
        var others = there.Where(t => !copies.Contains(t.Id)).ToList();
        if (onlyEmpty)
        {
            var filledBefore = others.Where(t => t.Notes.Programme is null).Select(t => t.StudentId).ToHashSet();
            students = [.. students.Where(s => !filledBefore.Contains(s))];
            sources.RemoveAll(s => filledBefore.Contains(s.StudentId));
        }

        // What a programme brought, it brings for this week itself, with what changes in it.
        var filled = await programmes.FillAsync(caller, week, students, cancel);
        var ofProgrammes = filled
            .SelectMany(w => w.Sessions.Select(s => (w.StudentId, s.PlanId)))
            .Concat(others.Where(t => t.Notes.Programme is not null).Select(t => (t.StudentId, t.PlanId)))
            .ToHashSet();
        // No day gets the same plan twice; without a day one may be set several times, and those that are there already count.
        var onTheirDay = others.Where(t => t.Day is not null).Select(t => (t.StudentId, t.PlanId, t.Day)).ToHashSet();
        var onAnyDay = others.Where(t => t.Day is null).CountBy(t => (t.StudentId, t.PlanId)).ToDictionary();
        sources.RemoveAll(s => s.Notes.Programme is not null || (s.PlanId is not null && IsThere(s)));
        var planTexts = await texts.LatestAsync(caller, sources, cancel);
        var shelf = (await db.ShelfAsync(caller.AcademyId, cancel)).ToDictionary(d => d.Id, d => d.Drill);
        var read = sources.ToDictionary(s => s.Id, s => TextOf(s, planTexts, shelf));
        var drills = read.Values.SelectMany(t => LadderStandings.DrillsOf(t.Document)).Distinct().ToList();
        var today = clock.Today(caller.TimeZone);
        var standings = await ladders.OfAsync(caller, students, drills, today, cancel);
        var copied = await drafts.AddAsync(
            caller,
            sources.ConvertAll(source =>
            {
                var text = read[source.Id];
                var created = AssignmentColumns.NewAssignment(
                    caller.AcademyId,
                    CopyId(source.Id, week),
                    source.StudentId,
                    text.Document
                );
                (created.PlanId, created.PlanVersion) = (source.PlanId, text.PlanVersion);
                (created.Monday, created.Day) = (week.Monday, DayIn(week, source));
                (created.Requirement, created.Order) = (source.Requirement, source.Order);
                created.HasOwnText = source.HasOwnText;
                created.Notes = new SessionNotes
                {
                    Tailored = source.Notes.Tailored,
                    Offers = NextSteps.Of(text.Document, [.. standings[source.StudentId]]),
                    WasMissed = ListedAssignment.Of(source).ToAssignedSession().StatusOn(today) == SessionStatus.Missed,
                };
                return created;
            }),
            cancel
        );
        return
        [
            .. students.Select(id => new SetWeek(
                id,
                [
                    .. filled.Where(w => w.StudentId == id).SelectMany(w => w.Sessions),
                    .. copied.Where(c => c.StudentId == id).Select(c => Card(caller, c)),
                ]
            )),
        ];

        bool IsThere(AssignmentRow source)
        {
            if (ofProgrammes.Contains((source.StudentId, source.PlanId)))
                return true;
            if (DayIn(week, source) is { } day)
                return !onTheirDay.Add((source.StudentId, source.PlanId, day));
            var key = (source.StudentId, source.PlanId);
            if (onAnyDay.GetValueOrDefault(key) == 0)
                return false;
            onAnyDay[key]--;
            return true;
        }
    }

    /// <summary>Takes or leaves steps that the last results offer for a draft.</summary>
    public async Task<SessionCard> StepAsync(
        Caller caller,
        Guid id,
        StepsInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        IReadOnlyDictionary<Guid, DraftText> read = new Dictionary<Guid, DraftText>();
        return Card(
            caller,
            await db.SaveAsync(
                expected,
                new GuardedRow<AssignmentRow>
                {
                    What = "session",
                    Find = async () =>
                    {
                        var found = await db.Assignments.SingleOrDefaultAsync(
                            a => a.AcademyId == caller.AcademyId && a.Id == id,
                            cancel
                        );
                        if (found is not null)
                            read = await texts.OfAsync(caller, [found], cancel);
                        return found;
                    },
                    View = row => Task.FromResult<object>(Card(caller, row)),
                    SkipsUnchanged = true,
                    IsSame = row =>
                        row.Notes.Offers.All(o => !input.Take.Contains(o.SegmentId) && !input.Leave.Contains(o.SegmentId)),
                    Change = row =>
                    {
                        if (row.PublishedAt is not null)
                            throw ApiProblemException.Conflict(
                                "This session is published already.",
                                "id",
                                "Change it on the bench; that is marked for the student."
                            );
                        var taken = row.Notes.Offers.Where(o => input.Take.Contains(o.SegmentId)).ToList();
                        if (taken.Count > 0)
                        {
                            (row.Document, row.PlanVersion) = (
                                NextSteps.Taken(read[row.Id].Document, taken),
                                read[row.Id].PlanVersion
                            );
                            row.HasOwnText = true;
                            row.Summarize([]);
                        }

                        row.Notes = row.Notes with
                        {
                            Offers =
                            [
                                .. row.Notes.Offers.Where(o =>
                                    !input.Take.Contains(o.SegmentId) && !input.Leave.Contains(o.SegmentId)
                                ),
                            ],
                            Tailored = [.. row.Notes.Tailored, .. taken.Select(o => o.Why)],
                        };
                    },
                },
                cancel
            )
        );
    }

    /// <summary>What a session of an earlier week reads when it is copied: its plan's latest text, or its own.</summary>
    internal static DraftText TextOf(
        AssignmentRow source,
        IReadOnlyDictionary<Guid, DraftText> plans,
        IReadOnlyDictionary<Guid, Drill> shelf
    ) =>
        source is { HasOwnText: false, PlanId: { } plan } && plans.TryGetValue(plan, out var latest)
            ? latest
            : new DraftText(NextSteps.ForNextWeek(source.Document, shelf), source.PlanVersion);

    private static DateOnly? DayIn(IsoWeek week, AssignmentRow source) =>
        source.Day is { } day ? week.Monday.Plus(day.DayNumber - source.Monday.DayNumber) : null;

    private static Guid CopyId(Guid source, IsoWeek week) => DerivedId.Of($"copy {source} {week}");

    private async Task EnsureStudentsAsync(Caller caller, IReadOnlyCollection<Guid> students, CancellationToken cancel)
    {
        if (
            await db.Students.CountAsync(s => s.AcademyId == caller.AcademyId && students.Contains(s.Id), cancel) < students.Count
        )
            throw ApiProblemException.NotFound("student");
    }

    private static void Check(SetInput input, IsoWeek week)
    {
        var errors = new FieldErrors()
            .Require(input.Requirement != Requirement.Own, "requirement", "Own practice is logged, not set.")
            .Require(input.Day is not { } day || week.Contains(day), "day", $"This day is not in {week}.")
            .Require(
                input.Order is null or (>= 1 and <= WeekService.MostOrder),
                "order",
                $"Between 1 and {WeekService.MostOrder}, please."
            )
            .Require(input.Sessions.Count > 0, "sessions", "Name at least one student.")
            .RequireAtMost(input.Sessions.Count, MostSessions, "sessions")
            .RequireOnce([.. input.Sessions.Select(s => s.StudentId)], "sessions")
            .Require(
                input.Sessions.All(s => s.Id != Guid.Empty)
                    && input.Sessions.DistinctBy(s => s.Id).Count() == input.Sessions.Count,
                "sessions",
                "Every session needs an id of its own."
            );
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
    }

    private SessionCard Card(Caller caller, AssignmentRow row) => SessionCard.Of(row, clock.Today(caller.TimeZone));
}
