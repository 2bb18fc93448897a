using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Progress;

/// <summary>
/// Where a student goes: past weeks, the goal, results, ratings and loads. Of a long history only the window shown is read.
/// </summary>
public sealed class ProgressService(
    MorningRoundDb db,
    DomainClock clock,
    ResultHistory history,
    RoundService rounds,
    SessionLogReader logs
)
{
    private const int MostWeeks = 104;
    private const int RecentSessions = 8;

    /// <summary>The weeks whose results, tags and misses are added up, however many weeks of completion are shown.</summary>
    public const int WeeksOfResults = 12;

    private const int MostCurves = 12;
    private const int MostDots = 24;

    /// <summary>The most results of one drill that are shown at once, and that feed a goal.</summary>
    private const int MostOfDrill = 120;

    /// <summary>
    /// The last weeks up to this one, oldest first, and what they say: at most seven queries, the sign-in's included.
    /// </summary>
    public async Task<ProgressView> GetAsync(Caller caller, Guid studentId, int weeks, CancellationToken cancel)
    {
        if (weeks is < 1 or > MostWeeks)
            throw ApiProblemException.Invalid("weeks", $"Between 1 and {MostWeeks} weeks, please.");
        caller.EnsureCanAccess(studentId, "student");
        var today = clock.Today(caller.TimeZone);
        var last = IsoWeek.Of(today);
        var first = last.Plus(1 - weeks);
        var read = await ReadAsync(caller, studentId, first, last, cancel);
        var since = last.Plus(1 - WeeksOfResults).Monday;
        var results = await history.SinceAsync(caller.AcademyId, studentId, since, cancel);
        var (file, focus) = (read.File, read.File.Coach.Focus);
        var dots = read
            .Sessions.Where(s => s is { Figures: not null, PractisedOn: not null })
            .OrderBy(s => s.PractisedOn)
            .ThenBy(s => s.Id)
            .Select(s => SessionDot.Of(s.Id, s.PractisedOn!.Value, s.Figures!))
            .ToList();
        var shown = read.Sessions.Where(s => s.Session.Week.Monday >= first.Monday).ToList();
        var lost = LostStrokes.Of(await rounds.LastAsync(caller, studentId, cancel), read.Level);
        return new ProgressView
        {
            StudentId = studentId,
            StudentName = read.Name,
            Today = today,
            Weeks = Figures(shown, first, weeks, today),
            Recent = await RecentAsync(caller, studentId, first, last, today, cancel),
            Focus = string.Join(" → ", new[] { focus.Fault, focus.AimInWords() }.Where(t => t.Length > 0)),
            Goal = focus.Quantity is { } goal
                ? GoalProgress.Of(goal, await FeedingAsync(caller, studentId, goal, results, since, cancel), today)
                : null,
            Repetitions = await RepetitionsAsync(caller, studentId, focus, last, cancel),
            Curves = [.. ResultCurve.Of(results).Take(MostCurves).Select(c => c with { Dots = [.. c.Dots.TakeLast(MostDots)] })],
            CarryOver = CarryOver.Of(results),
            Honesty = RatingHonesty.Of(results),
            Beliefs =
            [
                .. Beliefs
                    .Beside(
                        file.Own.BelievedWeaknesses,
                        AreaLoss.From(
                            results
                                .Where(r => r is { Shortfall: not null, Area: not null })
                                .Select(r => (r.Area!.Value, r.Shortfall!.Value))
                        ),
                        lost.Parts.Count == 0 ? null : lost,
                        file.DebriefedBefore(today)
                    )
                    .Select(m => m.In()),
            ],
            Noticed = NoticedAttempts.Of(results, read.Hand),
            Sessions = [.. dots.Where(d => d.Day >= first.Monday)],
            Ratings = RatingBeside.Of(dots, today),
            Loads =
            [
                .. LoadOfWeek
                    .Of(
                        [
                            .. read
                                .Sessions.Where(s => s is { Figures: not null, PractisedOn: not null })
                                .Select(s => new LoadedSession(
                                    s.PractisedOn!.Value,
                                    s.Figures!.Minutes,
                                    s.Figures.LastRating?.Effort
                                )),
                        ],
                        first,
                        weeks,
                        today
                    )
                    .Select(LoadOfWeekView.Of),
            ],
            LoadBounds = new LoadBounds(WeekLoad.UsualFrom, WeekLoad.UsualTo, WeekLoad.CautionAbove),
            Minutes = PractisedMinutes.Of(
                shown.Select(s => s.Figures).OfType<SessionFigures>(),
                file.Coach.Approach is { } approach ? [.. Approaches.Bands(approach, Seasons.On(today, file), read.Level)] : [],
                lost.Parts.Count == 0 ? null : lost
            ),
            Competitions = CompetitionsOf(file, first.Monday, today),
            Checkpoint = read.Checkpoint,
        };
    }

    /// <summary>All results of one drill in one kind of practice, in the last two years: the large picture.</summary>
    public async Task<CurveView> CurveAsync(
        Caller caller,
        Guid studentId,
        Guid drillId,
        PhaseGroup group,
        CancellationToken cancel
    )
    {
        var (name, file) = await db.NamedFileAsync(caller, studentId, cancel);
        var since = IsoWeek.Of(clock.Today(caller.TimeZone)).Plus(-MostWeeks).Monday;
        var results = await history.OfDrillAsync(caller.AcademyId, studentId, drillId, since, MostOfDrill, cancel);
        return new CurveView(
            name,
            ResultCurve.Of(results.Where(r => r.Group == group)) is [var curve, ..] ? curve : null,
            CompetitionsOf(file, since, clock.Today(caller.TimeZone))
        );
    }

    /// <summary>
    /// The results that may feed a goal: of its drill since it began, or of the window where no drill is named.
    /// </summary>
    public async Task<IReadOnlyList<DatedResult>> FeedingAsync(
        Caller caller,
        Guid studentId,
        FocusQuantity goal,
        IReadOnlyList<DatedResult> window,
        DateOnly since,
        CancellationToken cancel
    ) =>
        goal is { DrillId: { } drill } && (goal.StartedOn is not { } began || began < since)
            ? await history.OfDrillAsync(
                caller.AcademyId,
                studentId,
                drill,
                goal.StartedOn ?? since.Plus(-7 * MostWeeks),
                MostOfDrill,
                cancel
            )
            : window;

    /// <summary>
    /// Where a student stands on a goal that is being written, by the last comparable results: what it can begin from. Null
    /// where nothing feeds it.
    /// </summary>
    public async Task<GoalPoint?> StartAsync(Caller caller, Guid studentId, FocusQuantity goal, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel))
            throw ApiProblemException.NotFound("student");
        var today = clock.Today(caller.TimeZone);
        var since = IsoWeek.Of(today).Plus(1 - WeeksOfResults).Monday;
        var results = await history.SinceAsync(caller.AcademyId, studentId, since, cancel);
        return GoalProgress.Of(goal with { StartedOn = null }, results, today).Now;
    }

    /// <summary>
    /// The student, the file, the last checkpoint, and the published sessions of the weeks with five more before them: one query.
    /// </summary>
    private async Task<PractisedWeeks> ReadAsync(
        Caller caller,
        Guid studentId,
        IsoWeek first,
        IsoWeek last,
        CancellationToken cancel
    )
    {
        var oldest = first.Plus(-LoadOfWeek.WeeksBefore).Monday;
        var files = db.StudentFiles;
        var checkpoints = logs.Checkpoints(caller, studentId);
        var published = Published(caller, studentId).Where(a => a.Monday >= oldest && a.Monday <= last.Monday);
        var student =
            await db
                .Students.Where(s => s.AcademyId == caller.AcademyId && s.Id == studentId)
                .Select(s => new
                {
                    s.Name,
                    s.Level,
                    s.Hand,
                    File = files
                        .Where(f => f.AcademyId == s.AcademyId && f.StudentId == s.Id)
                        .Select(f => f.Document)
                        .FirstOrDefault(),
                    Checkpoint = checkpoints.FirstOrDefault(),
                    Sessions = published
                        .Select(a => new
                        {
                            a.Id,
                            a.Monday,
                            a.Day,
                            a.Requirement,
                            a.Excuse,
                            a.HasLog,
                            a.IsFinished,
                            a.IsTrimmed,
                            a.IsStopped,
                            a.PlannedMinutes,
                            a.DoneMinutes,
                            a.ReportedMinutes,
                            a.IsWhole,
                            a.PractisedOn,
                            a.Figures,
                        })
                        .ToList(),
                })
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("student");
        return new PractisedWeeks(
            student.Name,
            student.Level,
            student.Hand,
            student.File ?? new StudentFile(),
            student.Checkpoint,
            [
                .. student.Sessions.Select(s => new PractisedSession(
                    s.Id,
                    s.PractisedOn,
                    s.Figures,
                    new AssignedSession
                    {
                        Week = IsoWeek.Of(s.Monday),
                        Day = s.Day,
                        Requirement = s.Requirement,
                        Excuse = s.Excuse,
                        HasLog = s.HasLog,
                        IsFinished = s.IsFinished,
                        IsTrimmed = s.IsTrimmed,
                        Completion = new CompletionFigures
                        {
                            PlannedMinutes = s.PlannedMinutes,
                            DoneMinutes = s.DoneMinutes,
                            ReportedMinutes = s.ReportedMinutes,
                            IsWhole = s.IsWhole,
                            IsStopped = s.IsStopped,
                        },
                    }
                )),
            ]
        );
    }

    private static List<WeekFigureView> Figures(
        IReadOnlyCollection<PractisedSession> sessions,
        IsoWeek first,
        int weeks,
        DateOnly today
    )
    {
        var byWeek = sessions.ToLookup(s => s.Session.Week);
        return
        [
            .. Enumerable
                .Range(0, weeks)
                .Select(first.Plus)
                .Select(week =>
                    WeekFigureView.Of(
                        WeekFigure.Of(
                            week,
                            [.. byWeek[week].Select(s => s.Session)],
                            [.. byWeek[week].Select(s => s.Figures).OfType<SessionFigures>()],
                            today
                        ),
                        byWeek[week].Count(s => s.Session.Excuse is not null)
                    )
                ),
        ];
    }

    private async Task<IReadOnlyList<SessionCard>> RecentAsync(
        Caller caller,
        Guid studentId,
        IsoWeek first,
        IsoWeek last,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var recent = await Published(caller, studentId)
            .Where(a => a.Monday >= first.Monday && a.Monday <= last.Monday && a.HasLog)
            .OrderByDescending(a => a.PractisedOn)
            .ThenByDescending(a => a.Id)
            .Take(RecentSessions)
            .Listed()
            .ToListAsync(cancel);
        return [.. recent.Select(r => SessionCard.Of(r, today))];
    }

    /// <summary>Repetitions since the change began, by week; asked only where any were asked for.</summary>
    private async Task<RepetitionForecast?> RepetitionsAsync(
        Caller caller,
        Guid studentId,
        FocusChain focus,
        IsoWeek thisWeek,
        CancellationToken cancel
    )
    {
        if (focus.RepetitionsAsked is not { } asked)
            return null;
        var since = focus.Quantity?.StartedOn is { } began ? IsoWeek.Of(began).Monday : thisWeek.Plus(-MostWeeks).Monday;
        var weeks = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.Monday >= since)
            .Where(a => a.SlowRepetitions + a.OrdinaryRepetitions > 0)
            .GroupBy(a => a.Monday)
            .Select(g => new
            {
                Monday = g.Key,
                Slow = g.Sum(a => a.SlowRepetitions),
                Ordinary = g.Sum(a => a.OrdinaryRepetitions),
            })
            .ToListAsync(cancel);
        return RepetitionForecast.Of(
            asked,
            [.. weeks.Select(w => new WeekRepetitions(IsoWeek.Of(w.Monday), w.Slow, w.Ordinary))],
            thisWeek
        );
    }

    private static IReadOnlyList<CompetitionDays> CompetitionsOf(StudentFile file, DateOnly since, DateOnly today) =>
        [
            .. file
                .Own.Competitions.Where(c => c.LastDay >= since)
                .OrderBy(c => c.FirstDay)
                .Select(c => new CompetitionDays(c.Id, c.Name, c.FirstDay, c.LastDay, c.WantsDebriefOn(today))),
        ];

    private IQueryable<AssignmentRow> Published(Caller caller, Guid studentId) =>
        db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.PublishedAt != null);

    private sealed record PractisedSession(Guid Id, DateOnly? PractisedOn, SessionFigures? Figures, AssignedSession Session);

    private sealed record PractisedWeeks(
        string Name,
        Level Level,
        Hand Hand,
        StudentFile File,
        CheckpointView? Checkpoint,
        IReadOnlyList<PractisedSession> Sessions
    );
}
