using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Checking;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Plans;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>The week sheet: many students × the days of one week.</summary>
public sealed class WeekSheetService(
    MorningRoundDb db,
    DomainClock clock,
    StudentService students,
    SquadService squads,
    SquadLoads loads,
    PainService pain,
    SessionLogReader logs,
    PlanContextService contexts,
    PracticeHistoryService history,
    ProgrammeRunService programmes,
    DraftTexts texts,
    RoundService rounds
)
{
    /// <summary>The most rows of one answer.</summary>
    public const int MostRows = 200;

    /// <summary>The most students that are checked in one call.</summary>
    public const int MostChecked = 50;

    /// <summary>
    /// The sheet in six statements, whatever the number of students, the one that looks up the sign-in included; as many for
    /// one student, and one more where something hurts.
    /// </summary>
    /// <param name="caller">The coach.</param>
    /// <param name="week">The week.</param>
    /// <param name="whose">Whose weeks.</param>
    /// <param name="cancel">When nobody waits for the answer any more.</param>
    public async Task<WeekSheetView> GetAsync(Caller caller, IsoWeek week, WhoseWeeks whose, CancellationToken cancel)
    {
        // One student's week offers no squads to choose from.
        var all = whose.Student is null ? await squads.ListAsync(caller, cancel) : [];
        var shown = await StudentsAsync(caller, week, whose, all, cancel);
        var ids = shown.Select(s => s.Student.Id).ToList();
        var plans = db.Plans;
        var sessions = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && ids.Contains(a.StudentId) && a.Monday == week.Monday)
            .Listed()
            .Select(a => new SheetSession(
                a,
                plans
                    .Where(p => p.AcademyId == caller.AcademyId && p.Id == a.PlanId && p.RemovedAt == null)
                    .Select(p => (int?)p.Version)
                    .FirstOrDefault()
            ))
            .ToListAsync(cancel);
        var standings = await programmes.StandingsAsync(caller, ids, week, cancel);
        var lately = await loads.OfAsync(caller, ids, week, clock.Today(caller.TimeZone), cancel);
        var byStudent = sessions.ToLookup(s => s.Listed.StudentId);
        var today = clock.Today(caller.TimeZone);
        // An empty squad says nothing of how many there are.
        var counted = shown.Count > 0 ? shown[0].Counted : await students.CountAsync(caller, cancel);
        return new WeekSheetView(
            week.ToString(),
            week.Plus(-1).ToString(),
            week.Plus(1).ToString(),
            week.Monday,
            today,
            all,
            [
                .. shown
                    .Select(s =>
                        RowOf(
                            s,
                            [.. byStudent[s.Student.Id]],
                            lately.GetValueOrDefault(s.Student.Id),
                            [.. standings[s.Student.Id]],
                            week,
                            today
                        )
                    )
                    .OrderBy(r => r.Sessions.Any(s => s.Requirement != Requirement.Own))
                    .ThenBy(r => r.Name, StringComparer.Ordinal)
                    .ThenBy(r => r.StudentId),
            ],
            counted,
            whose.Student is null
                ? null
                : await OneAsync(
                    caller,
                    shown.Count > 0 ? shown[0] : throw ApiProblemException.NotFound("student"),
                    sessions,
                    lately.GetValueOrDefault(ids[0]),
                    today,
                    cancel
                )
        );
    }

    /// <summary>What stands beside one student's week.</summary>
    private async Task<SheetOfOne> OneAsync(
        Caller caller,
        SheetStudent one,
        IEnumerable<SheetSession> sessions,
        PracticeLately? lately,
        DateOnly today,
        CancellationToken cancel
    ) =>
        new(
            one.Student,
            Completed.Of(
                WeekCompletion.Of(
                    [.. sessions.Where(s => s.Listed.PublishedAt is not null).Select(s => s.Listed.ToAssignedSession())],
                    today
                )
            ),
            await pain.ViewAsync(caller, one.Student.Id, OpenPain.Of(lately?.Pain ?? [], one.File ?? new StudentFile()), cancel),
            await logs.CheckpointAsync(caller, one.Student.Id, cancel)
        );

    /// <summary>What the check says of students' weeks.</summary>
    public async Task<IReadOnlyList<CheckedStudentWeek>> CheckAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        CancellationToken cancel
    )
    {
        if (students.Count > MostChecked)
            throw ApiProblemException.Invalid("students", $"At most {MostChecked} students in one call, please.");
        var squad = await contexts.SquadAsync(caller, week.Monday, students, cancel);
        var lately = await loads.OfAsync(caller, students, week, clock.Today(caller.TimeZone), cancel);
        var losses = await history.LossesAsync(caller, students, week.Sunday, cancel);
        var lost = await rounds.LostAsync(caller, squad.ToDictionary(one => one.Id, one => one.Context.Level), cancel);
        var rows = await db
            .Assignments.AsNoTracking()
            .Where(a =>
                a.AcademyId == caller.AcademyId
                && students.Contains(a.StudentId)
                && a.Monday == week.Monday
                && a.Requirement != Requirement.Own
            )
            .OrderBy(a => a.Id)
            .ToListAsync(cancel);
        var read = await texts.OfAsync(caller, rows, cancel);
        var today = clock.Today(caller.TimeZone);
        return
        [
            .. squad.Select(one =>
                CheckedOf(
                    one.Id,
                    new WeekToCheck
                    {
                        Week = week,
                        Today = today,
                        Context = one.Context with
                        {
                            Load = lately.GetValueOrDefault(one.Id)?.Load.ForPlanning(),
                            Losses = [.. losses[one.Id]],
                            Lost = lost[one.Id],
                        },
                        Sessions =
                        [
                            .. rows.Where(r => r.StudentId == one.Id)
                                .Select(r => new SessionToCheck(
                                    r.Id,
                                    read[r.Id].Document,
                                    r.Day,
                                    r.Requirement,
                                    r.Order,
                                    IsOver(r, today),
                                    r.Excuse is not null
                                )),
                        ],
                    }
                )
            ),
        ];
    }

    private static CheckedStudentWeek CheckedOf(Guid studentId, WeekToCheck week)
    {
        var found = WeekCheck.Run(week);
        var titles = week
            .Sessions.SelectMany(s => s.Plan.Segments.Select(segment => (s.Id, segment)))
            .ToDictionary(s => (s.Id, s.segment.Id), s => s.segment.Title);
        return new CheckedStudentWeek(
            studentId,
            [
                .. found
                    .Sessions.Where(s => s.Day is not null)
                    .Select(s => new CheckedSession(
                        s.Id,
                        s.Day,
                        [
                            .. s
                                .Findings.Where(f => f.Level > FindingLevel.Note && f.OverruledBecause is null)
                                .Select(f => new SheetFinding(
                                    f.Level,
                                    f.SegmentId is { } segment ? titles.GetValueOrDefault((s.Id, segment)) : null,
                                    f.Why
                                )),
                        ]
                    )),
            ],
            found.Week,
            found.Areas
        );
    }

    private static bool IsOver(AssignmentRow row, DateOnly today) =>
        row.HasLog || row.Excuse is not null || (row.Day ?? IsoWeek.Of(row.Monday).Sunday) < today;

    /// <summary>The students with their files and whether anything stood in the week before: one query.</summary>
    private async Task<IReadOnlyList<SheetStudent>> StudentsAsync(
        Caller caller,
        IsoWeek week,
        WhoseWeeks whose,
        IReadOnlyList<SquadView> squadsOfAll,
        CancellationToken cancel
    )
    {
        var (files, assignments, before) = (db.StudentFiles, db.Assignments, week.Monday.Plus(-7));
        var members = whose.Squad is { } squad
            ? (squadsOfAll.FirstOrDefault(s => s.Id == squad) ?? throw ApiProblemException.NotFound("squad")).Members
            : null;
        var everybody = students.Squad(caller);
        var isUnsaid = whose is { Squad: null, Student: null, Everybody: false };
        return await (
            from student in students.LookedAfter(caller, orEverybody: !isUnsaid)
            where members == null || members.Contains(student.Id)
            where whose.Student == null || student.Id == whose.Student
            join file in files.AsNoTracking().Where(f => f.AcademyId == caller.AcademyId)
                on student.Id equals file.StudentId
                into found
            from file in found.DefaultIfEmpty()
            orderby student.Name, student.Id
            select new SheetStudent(
                student,
                file == null ? null : file.Document,
                assignments.Any(a =>
                    a.AcademyId == caller.AcademyId
                    && a.StudentId == student.Id
                    && a.Monday == before
                    && a.Requirement != Requirement.Own
                ),
                new CountedStudents(everybody.Count(), everybody.Count(s => s.CoachId == caller.AccountId))
            )
        )
            .Take(MostRows)
            .ToListAsync(cancel);
    }

    private static SheetRow RowOf(
        SheetStudent student,
        IReadOnlyList<SheetSession> both,
        PracticeLately? lately,
        IReadOnlyList<ProgrammeStanding> programmes,
        IsoWeek week,
        DateOnly today
    )
    {
        var file = student.File ?? new StudentFile();
        var sessions = both.Select(b => b.Listed).ToList();
        var set = sessions.Where(s => s is { Requirement: not Requirement.Own, Excuse: null }).ToList();
        var open = set.Where(s => !s.HasLog && (s.Day ?? week.Sunday) >= today).Sum(s => s.Listing.Minutes);
        var ratio = lately?.Load.RatioWith(open);
        return new SheetRow
        {
            StudentId = student.Student.Id,
            Name = student.Student.Name,
            Level = student.Student.Level,
            MayBePublishedTo = file.MayBePublishedTo,
            Hurt =
            [
                .. OpenPain.HurtParts(file, OpenPain.Of(lately?.Pain ?? [], file)).Select(h => BodyParts.InWords(h.Part, h.Side)),
            ],
            Times = file.Own.Windows,
            Away =
            [
                .. Enumerable.Range(0, 7).Select(n => week.Monday.Plus(n)).Where(d => file.Own.Absences.Any(a => a.Contains(d))),
            ],
            Full = FullDays.Of(
                week,
                file.Own.Windows,
                file.Own.Absences,
                file.Own.Competitions,
                [.. sessions.Select(s => s.Day).OfType<DateOnly>()]
            ),
            Competitions =
            [
                .. file
                    .Own.Competitions.Where(c => c.GetsThere <= week.Sunday && c.LastDay >= week.Monday)
                    .Select(c => new SheetCompetition(c.Name, c.FirstDay, c.LastDay, c.ArrivalDay)),
            ],
            Sessions =
            [
                .. sessions
                    .Select(s => SessionCard.Of(s, today))
                    .OrderBy(c => c.Day is null)
                    .ThenBy(c => c.Day)
                    .ThenBy(c => c.Order ?? int.MaxValue)
                    .ThenBy(c => c.Requirement)
                    .ThenBy(c => c.AssignmentId),
            ],
            PlanChanged = [.. both.Where(b => b.IsPlanChanged).Select(b => b.Listed.Id)],
            Programmes = programmes,
            Minutes = set.Sum(s => s.Listing.Minutes),
            UsualMinutes = lately?.UsualMinutes,
            LoadRatio = ratio,
            Load = ratio is { } known ? WeekLoad.BandOf(known) : null,
            HadLastWeek = student.HadLastWeek,
        };
    }

    /// <summary>A session, and the version its plan has now; null where the plan is gone.</summary>
    private sealed record SheetSession(ListedAssignment Listed, int? PlanNow)
    {
        /// <summary>Whether it has a text of its own and its plan was changed since.</summary>
        public bool IsPlanChanged => Listed is { HasOwnText: true, HasLog: false } && PlanNow > Listed.PlanVersion;
    }

    private sealed record SheetStudent(StudentView Student, StudentFile? File, bool HadLastWeek, CountedStudents Counted);
}
