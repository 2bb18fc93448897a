using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Review;

/// <summary>The coach's walk: every student, in the order in which they need a look.</summary>
public sealed class TeeLineService(MorningRoundDb db, DomainClock clock, StudentService students)
{
    private const int WeeksOfHistory = 3;

    /// <summary>How many sessions of the week the stop at a bay has room for.</summary>
    private const int SessionsShown = 4;

    /// <summary>The most students that one answer tells of.</summary>
    public const int MostRows = 500;

    /// <summary>
    /// The walk in four queries, whatever the size of the squad. The order needs figures alone; what a session looks like is read
    /// only for those who are told of.
    /// </summary>
    /// <param name="caller">The coach.</param>
    /// <param name="rows">How many students to tell of, 1 to <see cref="MostRows"/>.</param>
    /// <param name="everybody">
    /// Whether the whole academy is walked past; otherwise those the caller looks after, if there are any.
    /// </param>
    /// <param name="cancel">When nobody waits for the answer any more.</param>
    public async Task<TeeLineView> GetAsync(Caller caller, int rows, bool everybody, CancellationToken cancel)
    {
        if (rows is < 1 or > MostRows)
            throw ApiProblemException.Invalid("rows", $"Between 1 and {MostRows}, please.");
        var today = clock.Today(caller.TimeZone);
        var thisWeek = IsoWeek.Of(today);
        var (squad, counted) = await SquadAsync(caller, students.LookedAfter(caller, everybody), thisWeek, cancel);
        var walked = await BaysAsync(caller, squad, thisWeek, today, null, cancel);
        var bays = walked
            .OrderBy(b => b.IsSeen)
            .ThenByDescending(b => b.Attention.Score)
            .ThenBy(b => b.Student.Name, StringComparer.Ordinal)
            .Take(rows)
            .ToList();
        var drawn = await DrawnAsync(caller, bays, thisWeek, cancel);
        return new TeeLineView(
            today,
            thisWeek.ToString(),
            [.. bays.Select(b => RowOf(b, drawn, today))],
            squad.Count,
            walked.Count(b => b.IsSeen),
            counted
        );
    }

    /// <summary>Why to stop behind one student: three queries.</summary>
    public async Task<LookedAtStudent> OneAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        var thisWeek = IsoWeek.Of(today);
        var (squad, _) = await SquadAsync(caller, students.Squad(caller).Where(s => s.Id == studentId), thisWeek, cancel);
        if (squad.Count == 0)
            throw ApiProblemException.NotFound("student");
        var bay = (await BaysAsync(caller, squad, thisWeek, today, studentId, cancel))[0];
        return new LookedAtStudent(bay.Student, bay.Attention, bay.OpenPain, bay.IsSeen);
    }

    /// <summary>The students with why to stop behind each, in any order: two queries.</summary>
    private async Task<IReadOnlyList<Bay>> BaysAsync(
        Caller caller,
        IReadOnlyList<SquadStudent> squad,
        IsoWeek thisWeek,
        DateOnly today,
        Guid? only,
        CancellationToken cancel
    )
    {
        var sessions = (await SessionsAsync(caller, thisWeek, only, cancel)).ToLookup(s => s.StudentId);
        var logs = (await LogsAsync(caller, thisWeek, today, only, cancel)).ToLookup(l => l.StudentId);
        return [.. squad.Select(one => BayOf(one, [.. sessions[one.Student.Id]], [.. logs[one.Student.Id]], thisWeek, today))];
    }

    /// <summary>
    /// The squad, with the file of everybody who ever reported pain (it says what was cleared), where each stands, what waits for
    /// an answer, and the stop of this week: one query.
    /// </summary>
    private async Task<(IReadOnlyList<SquadStudent> Squad, CountedStudents Counted)> SquadAsync(
        Caller caller,
        IQueryable<StudentView> asked,
        IsoWeek thisWeek,
        CancellationToken cancel
    )
    {
        var (said, all, standings, words) = (LogsWithPain(caller), students.Squad(caller), db.Standings, db.WeekWords);
        var (stops, accounts) = (db.ReviewStops, db.Users);
        var (monday, oldest, held) = (
            thisWeek.Monday,
            thisWeek.Plus(-WeeksOfHistory).Monday,
            clock.GetUtcNow() - WalkService.Idle
        );
        var squad = await (
            from student in asked
            join file in db
                .StudentFiles.AsNoTracking()
                .Where(f => f.AcademyId == caller.AcademyId && said.Any(l => l.StudentId == f.StudentId))
                on student.Id equals file.StudentId
                into files
            from file in files.DefaultIfEmpty()
            join standing in standings.AsNoTracking().Where(s => s.AcademyId == caller.AcademyId)
                on student.Id equals standing.StudentId
                into kept
            from standing in kept.DefaultIfEmpty()
            join stop in stops.AsNoTracking().Where(s => s.AcademyId == caller.AcademyId && s.Monday == monday)
                on student.Id equals stop.StudentId
                into made
            from stop in made.DefaultIfEmpty()
            select new
            {
                Student = student,
                File = file,
                Standing = standing,
                Stop = stop,
                HeldBy = accounts
                    .Where(a => a.Id == stop.HeldBy && a.Id != caller.AccountId && stop.HeldAt >= held)
                    .Select(a => a.Name)
                    .FirstOrDefault(),
                WaitsSince = words
                    .Where(w =>
                        w.AcademyId == caller.AcademyId
                        && w.StudentId == student.Id
                        && w.Monday >= oldest
                        && w.AskedOn != null
                        && w.SaidAt == null
                    )
                    .Min(w => w.AskedOn),
                Counted = new CountedStudents(all.Count(), all.Count(s => s.CoachId == caller.AccountId)),
            }
        ).ToListAsync(cancel);
        return (
            [
                .. squad.Select(s => new SquadStudent(
                    s.Student,
                    s.File?.Document ?? new StudentFile(),
                    s.Standing?.Document,
                    s.Stop,
                    s.HeldBy,
                    s.WaitsSince
                )),
            ],
            squad.Count == 0 ? new CountedStudents(0, 0) : squad[0].Counted
        );
    }

    /// <summary>The sessions of this week and the last, and older ones that were practised since.</summary>
    private Task<List<ReviewedSession>> SessionsAsync(Caller caller, IsoWeek thisWeek, Guid? only, CancellationToken cancel)
    {
        var lastMonday = thisWeek.Plus(-1).Monday;
        return Published(caller, thisWeek.Plus(-WeeksOfHistory), thisWeek.Plus(1))
            .Where(a => only == null || a.StudentId == only)
            .Where(a => a.Monday >= lastMonday || a.PractisedOn >= lastMonday)
            .Select(a => new ReviewedSession(
                a.Id,
                a.StudentId,
                a.PractisedOn,
                a.TakenOutAt != null,
                new AssignedSession
                {
                    Week = IsoWeek.Of(a.Monday),
                    Day = a.Day,
                    Requirement = a.Requirement,
                    Excuse = a.Excuse,
                    HasLog = a.HasLog,
                    IsFinished = a.IsFinished,
                    IsTrimmed = a.IsTrimmed,
                    Completion = new CompletionFigures
                    {
                        PlannedMinutes = a.PlannedMinutes,
                        DoneMinutes = a.DoneMinutes,
                        ReportedMinutes = a.ReportedMinutes,
                        IsWhole = a.IsWhole,
                        IsStopped = a.IsStopped,
                    },
                }
            ))
            .ToListAsync(cancel);
    }

    /// <summary>
    /// Logs that say something: of pain, however old, for it counts on until the file ends it; a note of the last days; and what
    /// was practised lately by those who ever reported pain.
    /// </summary>
    private Task<List<ReviewedLog>> LogsAsync(
        Caller caller,
        IsoWeek thisWeek,
        DateOnly today,
        Guid? only,
        CancellationToken cancel
    )
    {
        var (noteFrom, oldest) = (today.Plus(-Attention.NoteDays), thisWeek.Plus(-WeeksOfHistory).Monday);
        var said = LogsWithPain(caller);
        var lately = db.SessionLogs.Where(l =>
            l.AcademyId == caller.AcademyId
            && l.Day >= oldest
            && l.Pain == null
            && ((l.HasNote && l.Day >= noteFrom) || said.Any(s => s.StudentId == l.StudentId))
        );
        // Two halves, each with an index of its own: as one condition the database would read every log.
        return said.Concat(lately)
            .Where(l => only == null || l.StudentId == only)
            .Select(l => new ReviewedLog(l.StudentId, l.Day, l.Minutes, l.HasNote, l.Pain))
            .ToListAsync(cancel);
    }

    /// <summary>
    /// What the sessions that are shown look like: this week's first ones, and the one practised last, which for those who have
    /// not practised for a week or two is looked for here.
    /// </summary>
    private async Task<IReadOnlyDictionary<Guid, DrawnSession>> DrawnAsync(
        Caller caller,
        IReadOnlyCollection<Bay> bays,
        IsoWeek thisWeek,
        CancellationToken cancel
    )
    {
        var known = bays.SelectMany(b => b.Shown.Select(s => s.Id).Concat(b.Last is null ? [] : [b.Last.Id])).Distinct().ToList();
        var searched = bays.Where(b => b.Last is null).Select(b => b.Student.Id).ToList();
        var found = await Published(caller, thisWeek.Plus(-WeeksOfHistory), thisWeek)
            .Where(a => known.Contains(a.Id) || (searched.Contains(a.StudentId) && a.HasLog))
            .Select(a => new DrawnSession(
                a.Id,
                a.StudentId,
                a.PractisedOn,
                a.PlannedMinutes,
                a.DoneMinutes,
                a.ReportedMinutes,
                a.IsWhole,
                a.IsStopped,
                a.Listing
            ))
            .ToListAsync(cancel);
        return found.ToDictionary(s => s.Id);
    }

    private IQueryable<SessionLogRow> LogsWithPain(Caller caller) =>
        db.SessionLogs.Where(l => l.AcademyId == caller.AcademyId && l.Pain != null);

    private IQueryable<AssignmentRow> Published(Caller caller, IsoWeek first, IsoWeek last)
    {
        var (oldest, newest) = (first.Monday, last.Monday);
        return db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.PublishedAt != null && a.Monday >= oldest && a.Monday <= newest);
    }

    private static Bay BayOf(
        SquadStudent one,
        IReadOnlyList<ReviewedSession> sessions,
        IReadOnlyList<ReviewedLog> logs,
        IsoWeek thisWeek,
        DateOnly today
    )
    {
        var current = sessions.Where(s => s.Session.Week == thisWeek).ToList();
        var open = OpenPain.Of(logs.Where(l => l.Pain is not null).Select(l => new PainOnDay(l.Day, l.Pain!)), one.File);
        var unwell = logs.Where(l => l.Pain?.Unwell is not null).MaxBy(l => l.Day);
        var attention = Attention.At(
            new AttentionFacts
            {
                Pain = open,
                Unwell = unwell?.Pain!.Unwell,
                UnwellOn = unwell?.Day,
                ThisWeek = [.. current.Select(s => s.Session)],
                LastWeek = [.. sessions.Where(s => s.Session.Week == thisWeek.Plus(-1)).Select(s => s.Session)],
                IsNextWeekSet = sessions.Any(s => s.Session.Week == thisWeek.Plus(1)),
                WaitsSince = one.WaitsSince,
                LastNoteOn = logs.Where(l => l.HasNote).Max(l => (DateOnly?)l.Day),
                KeptAfterTakenOutOn = sessions.Where(s => s.WasTakenOut).Max(s => s.PractisedOn),
                Standing = one.Standing,
            },
            today
        );
        return new Bay(
            one.Student,
            attention,
            [
                .. open.Select(p =>
                {
                    var since = logs.Where(l => l.Day > p.LastOn).ToList();
                    return OpenPainView.Of(p, [], since.Count, since.Sum(l => l.Minutes));
                }),
            ],
            Completed.Of(WeekCompletion.Of([.. current.Select(s => s.Session)], today)),
            [.. current.OrderBy(s => s.Session.Day is null).ThenBy(s => s.Session.Day).ThenBy(s => s.Id).Take(SessionsShown)],
            sessions
                .Where(s => s.PractisedOn >= thisWeek.Plus(-1).Monday)
                .OrderByDescending(s => s.PractisedOn)
                .ThenByDescending(s => s.Id)
                .FirstOrDefault(),
            one.Stop is { SeenAt: not null } stop && stop.SeenScore >= attention.Score,
            one.HeldBy
        );
    }

    private static ReviewRow RowOf(Bay bay, IReadOnlyDictionary<Guid, DrawnSession> drawn, DateOnly today)
    {
        var last = bay.Last is { } known
            ? drawn[known.Id]
            : drawn
                .Values.Where(s => s.StudentId == bay.Student.Id && s.PractisedOn is not null)
                .OrderByDescending(s => s.PractisedOn)
                .ThenByDescending(s => s.Id)
                .FirstOrDefault();
        return new ReviewRow(
            bay.Student,
            bay.Attention,
            bay.OpenPain,
            bay.ThisWeek,
            [
                .. bay.Shown.Select(s => new ReviewSession(
                    s.Id,
                    drawn[s.Id].Listing.Title,
                    s.Session.Day,
                    s.Session.StatusOn(today),
                    drawn[s.Id].Listing.Strip
                )),
            ],
            last is null
                ? null
                : new ReviewLastSession(
                    last.Id,
                    last.Listing.Title,
                    last.PractisedOn!.Value,
                    last.Completion.Fraction,
                    last.Completion.Text,
                    last.Listing.Strip
                ),
            bay.IsSeen,
            bay.HeldBy
        );
    }

    /// <summary>A session as far as the order needs it.</summary>
    private sealed record ReviewedSession(
        Guid Id,
        Guid StudentId,
        DateOnly? PractisedOn,
        bool WasTakenOut,
        AssignedSession Session
    );

    /// <summary>A log as far as the order needs it.</summary>
    private sealed record ReviewedLog(Guid StudentId, DateOnly Day, double Minutes, bool HasNote, PainNotes? Pain);

    /// <summary>What a session that is shown looks like.</summary>
    private sealed record DrawnSession(
        Guid Id,
        Guid StudentId,
        DateOnly? PractisedOn,
        int PlannedMinutes,
        double DoneMinutes,
        double ReportedMinutes,
        bool IsWhole,
        bool IsStopped,
        SessionListing Listing
    )
    {
        public Completed Completion =>
            Completed.Of(
                new CompletionFigures
                {
                    PlannedMinutes = PlannedMinutes,
                    DoneMinutes = DoneMinutes,
                    ReportedMinutes = ReportedMinutes,
                    IsWhole = IsWhole,
                    IsStopped = IsStopped,
                },
                Listing
            );
    }

    /// <summary>A student's place on the walk, with what is to be shown there.</summary>
    /// <param name="Student">Who it is.</param>
    /// <param name="Attention">Why to stop.</param>
    /// <param name="OpenPain">Pain that still counts.</param>
    /// <param name="ThisWeek">What was done of this week.</param>
    /// <param name="Shown">This week's sessions there is room for.</param>
    /// <param name="Last">The session practised last, this week or the last; null if there was none.</param>
    /// <param name="IsSeen">Whether the student was seen this week, and nothing presses more since.</param>
    /// <param name="HeldBy">The other coach who looks now; null where none does.</param>
    private sealed record Bay(
        StudentView Student,
        Attention Attention,
        IReadOnlyList<OpenPainView> OpenPain,
        Completed ThisWeek,
        IReadOnlyList<ReviewedSession> Shown,
        ReviewedSession? Last,
        bool IsSeen,
        string? HeldBy
    );

    /// <summary>A student as far as the walk knows them before it looks at sessions.</summary>
    private sealed record SquadStudent(
        StudentView Student,
        StudentFile File,
        Standing? Standing,
        ReviewStopRow? Stop,
        string? HeldBy,
        DateOnly? WaitsSince
    );
}
