using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Logging.Abstractions;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Courses;
using MorningRound.Server.Drills;
using MorningRound.Server.Guardians;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Places;
using MorningRound.Server.Plans;
using MorningRound.Server.Programmes;
using MorningRound.Server.Progress;
using MorningRound.Server.Reminders;
using MorningRound.Server.Review;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.TestDays;
using MorningRound.Server.Weeks;

namespace MorningRound.Demo;

/// <summary>
/// Lays out the demo academy: twelve weeks of plans set, published and practised that lead up to today. It goes through the
/// same books as the real thing, with a clock that it turns itself, and draws everything from one seed.
/// </summary>
internal sealed class DemoHistory
{
    private const string TimeZone = "UTC";
    private const ulong Seed = 20260504;

    /// <summary>When the academy began, in weeks before this one.</summary>
    private const int WeeksAgo = 13;

    private readonly MorningRoundDb _db;
    private readonly DateOnly _today;
    private readonly TurnedClock _clock;
    private readonly StudentService _students;
    private readonly StudentFileService _files;
    private readonly RoundService _rounds;
    private readonly PlaceService _places;
    private readonly CourseService _courses;
    private readonly DrillService _drills;
    private readonly PlanService _plans;
    private readonly WeekService _weeks;
    private readonly PublishingService _publishing;
    private readonly SquadService _squads;
    private readonly WeekSettingService _setting;
    private readonly WeekPlacingService _placing;
    private readonly ProgrammeService _programmes;
    private readonly ProgrammeRunService _runs;
    private readonly ProgrammeWeeks _filling;
    private readonly Dictionary<string, Guid> _studentIds = [];
    private readonly SessionLogService _logs;
    private readonly SessionLogReader _reader;
    private readonly StandingService _standings;
    private readonly OwnPracticeService _own;
    private readonly SplitMix64 _random = new(Seed);
    private readonly Dictionary<string, Guid> _planIds = [];
    private readonly DemoIds _ids = new();
    private readonly Guid _shortPutts;
    private readonly Guid _firstSummer;
    private int _repetitions;
    private readonly Caller _coach = new(Guid.CreateVersion7(), AcademyRole.Owner, null, TimeZone, Guid.CreateVersion7());

    public DemoHistory(MorningRoundDb db, DomainClock clock)
    {
        (_shortPutts, _firstSummer) = (_ids.Next(), _ids.Next());
        _db = db;
        _today = clock.Today(TimeZone);
        _clock = new TurnedClock(clock);
        _students = new StudentService(db, _clock);
        _rounds = new RoundService(db, _clock);
        _standings = new StandingService(db, new ResultHistory(db), _clock);
        var log = new SecurityLog(db, _clock, new HttpContextAccessor(), _students);
        _files = new StudentFileService(db, _clock, _rounds, new NoStandings(), log);
        _places = new PlaceService(db, _clock);
        _courses = new CourseService(db, _clock);
        _drills = new DrillService(db, _clock, _files);
        _plans = new PlanService(db, _clock);
        var pain = new PainService(db, _files);
        var contexts = new PlanContextService(db, _clock, new PracticeHistoryService(db, pain, _clock));
        _reader = new SessionLogReader(db);
        _logs = new SessionLogService(
            db,
            _clock,
            _reader,
            new DrillResultKeeper(db, _reader),
            new HomeworkService(db, _clock),
            new NoStandings()
        );
        _own = new OwnPracticeService(db, _clock, contexts);
        _runs = new ProgrammeRunService(db, _clock);
        _programmes = new ProgrammeService(db, _clock, _runs);
        _weeks = new WeekService(db, _clock, _students, _files, contexts, pain, _reader, _runs);
        var texts = new DraftTexts(db);
        _publishing = new PublishingService(db, _clock, contexts, texts);
        _squads = new SquadService(db, _clock);
        var (ladders, drafts) = (new LadderStandings(db), new NewDrafts(db, _clock));
        _filling = new ProgrammeWeeks(db, _clock, _runs, contexts, ladders, drafts);
        _setting = new WeekSettingService(db, _clock, contexts, texts, ladders, drafts, _filling);
        _placing = new WeekPlacingService(db, _clock, contexts, texts, new SquadLoads(db));
    }

    private IsoWeek ThisWeek => IsoWeek.Of(_today);

    /// <summary>Makes everything in one transaction: an interrupted start leaves nothing behind.</summary>
    public async Task LayOutAsync(CancellationToken cancel)
    {
        await using var transaction = await _db.Database.BeginTransactionAsync(cancel);
        _db.Academies.Add(
            new Academy
            {
                Id = _coach.AcademyId,
                Name = DemoSquad.AcademyName,
                TimeZone = TimeZone,
                DemoDay = _today,
            }
        );
        AddAccount(DemoSquad.Coach, AcademyRole.Owner, null, _coach.AccountId);
        await _db.SaveChangesAsync(cancel);
        _clock.Turn(ThisWeek.Plus(-WeeksAgo).Monday, 9);
        await _drills.SetUpAsync(_coach.AcademyId, cancel);
        await _places.ImportAsync(_coach, DemoPlaces.On(ThisWeek.Plus(-WeeksAgo).Monday), cancel);
        await _courses.ImportAsync(_coach, DemoCourse.File, cancel);
        foreach (var plan in DemoPlans.All)
        {
            _planIds[plan.Title] = _ids.Next();
            await _plans.SaveAsync(_coach, _planIds[plan.Title], plan, RowVersion.New, cancel);
        }

        await LayOutProgrammesAsync(cancel);
        foreach (var student in DemoSquad.Students)
            await LayOutAsync(student, cancel);
        await LayOutSquadsAsync(cancel);
        await LayOutMailsAsync(cancel);
        await LayOutWordsAsync(cancel);
        await LayOutTestDaysAsync(cancel);
        await LayOutGuardianAsync(cancel);
        await transaction.CommitAsync(cancel);
        _db.ChangeTracker.Clear();
    }

    private async Task LayOutAsync(DemoStudent student, CancellationToken cancel)
    {
        var id = _ids.Next();
        var input = new StudentInput
        {
            Name = student.Name,
            Hand = student.Hand,
            Level = student.Level,
            CoachNote = student.Note,
        };
        await _students.SaveAsync(_coach, id, input, RowVersion.New, cancel);
        _studentIds[student.Name] = id;
        if (student.Usual.Count > 0)
            AddAccount(student.Name, AcademyRole.Student, id, Guid.CreateVersion7());
        await _db.SaveChangesAsync(cancel);
        // The file is that of today: what has happened in it must not lie ahead of the clock.
        _clock.Turn(_today, 7);
        await _files.SaveAsync(_coach, id, DemoFiles.Of(student.Name, _today), new RowVersion(0), cancel);
        await _rounds.ImportAsync(_coach, id, DemoRounds.Of(student, id, ThisWeek), cancel);

        if (student.Name == DemoSquad.SignedInStudent)
            await StartAsync(_shortPutts, ThisWeek.Plus(-2), cancel, studentId: id);
        _repetitions = 0;
        for (var back = student.FirstWeek; back >= 0; back--)
        {
            await LayOutWeekAsync(student, id, back, cancel);
            if (student.OnTheirOwn.TryGetValue(back, out var own))
                await PractiseOnTheirOwnAsync(student, id, own, back, cancel);
        }

        if (student.Repetitions is { } asked && asked > _repetitions)
            await PractiseOnTheirOwnAsync(
                student,
                id,
                DemoPlans.Rehearsals(asked - _repetitions),
                1,
                cancel,
                asked - _repetitions
            );
        if (student.Name == DemoSquad.OnTrial)
            await HoldTrialLessonAsync(student, id, cancel);
        await _standings.RefreshAsync(_coach.AcademyId, id, _today, cancel);
    }

    /// <summary>The squads, and next week as it stands when a coach sits down to it: half begun.</summary>
    private async Task LayOutSquadsAsync(CancellationToken cancel)
    {
        _clock.Turn(_today, 8);
        foreach (var (name, members) in DemoSquad.Squads)
        {
            var input = new SquadInput { Name = name, Members = [.. members.Select(m => _studentIds[m])] };
            var id = _ids.Next();
            await _squads.SaveAsync(_coach, id, input, RowVersion.New, cancel);
            if (name == DemoSquad.Beginners)
                await StartAsync(_firstSummer, ThisWeek.Plus(1), cancel, squadId: id);
        }

        IReadOnlyList<Guid> begun = [.. DemoSquad.WithNextWeek.Select(name => _studentIds[name])];
        await _setting.CopyAsync(_coach, ThisWeek.Plus(1), ThisWeek, begun, onlyEmpty: false, cancel);
        await _placing.PlaceAsync(_coach, ThisWeek.Plus(1), begun, cancel);
    }

    /// <summary>The mails of this week so far: its publishing on Sunday evening, and Monday's list.</summary>
    private async Task LayOutMailsAsync(CancellationToken cancel)
    {
        var settings = new MailSettings(null, "");
        var making = new ReminderMaking(_db, _clock, settings);
        foreach (var (day, hour) in new[] { (ThisWeek.Monday.AddDays(-1), 19), (ThisWeek.Monday, 7) })
        {
            _clock.Turn(day, hour);
            await making.MakeAsync(cancel);
        }

        await new MailDelivery(_db, _clock, settings, NullLogger<MailDelivery>.Instance).DeliverAsync(cancel);
    }

    /// <summary>What coach and students said about their weeks, and one decision that waits to be published.</summary>
    private async Task LayOutWordsAsync(CancellationToken cancel)
    {
        var words = new WordService(_db, _clock);
        var otto = _studentIds[DemoSquad.SignedInStudent];
        var asOtto = _coach with { Role = AcademyRole.Student, StudentId = otto };
        _clock.Turn(ThisWeek.Monday.AddDays(-1), 19);
        await words.SayAsync(_coach, otto, ThisWeek.Plus(-1), DemoWords.Said, RowVersion.New, cancel);
        await words.AnswerAsync(asOtto, ThisWeek.Plus(-1), DemoWords.Answered, new RowVersion(1), cancel);
        _clock.Turn(ThisWeek.Monday, 20);
        await words.AskAsync(asOtto, ThisWeek, DemoWords.Asked, RowVersion.New, cancel);
        var (assignment, drilled) = (
            await _db
                .Assignments.AsNoTracking()
                .Where(a => a.StudentId == otto && a.Monday == ThisWeek.Monday && a.PublishedAt != null)
                .OrderBy(a => a.Day)
                .ToListAsync(cancel)
        )
            .SelectMany(a => a.Document.Practice().Select(s => (a.Id, Segment: s)))
            .First(p => p.Segment is { Phase: not Phase.WarmUp, Drill: not null });
        var decision = new DecisionInput
        {
            Week = ThisWeek.Plus(1).ToString(),
            SuggestionId = $"drill-{assignment}-{drilled.Id}",
            Decision = Decision.Other,
            Change = new WeekChange
            {
                Kind = SuggestionKind.Retest,
                Segments = [new AssignedSegment(assignment, drilled.Id)],
                DrillId = drilled.Drill!.DrillId,
                OnRung = drilled.Drill.Rung,
                Group = drilled.Phase.Group(),
            },
        };
        await new WalkService(_db, _clock).DecideAsync(_coach, otto, ThisWeek.Plus(1), decision, cancel);
    }

    /// <summary>A test day that was held twice, scored by the coach, and is due again on Saturday.</summary>
    private async Task LayOutTestDaysAsync(CancellationToken cancel)
    {
        var tests = new TestDayService(_db, _clock, new ResultHistory(_db), new NewDrafts(_db, _clock), _publishing);
        var random = new SplitMix64(Seed + 1);
        var id = _ids.Next();
        DateOnly Saturday(int back) => ThisWeek.Plus(-back).Monday.AddDays(5);
        _clock.Turn(Saturday(DemoSquad.TestWeeksAgo[0]).AddDays(-2), 18);
        var input = new TestDayInput
        {
            Name = DemoSquad.TestDay,
            PlanId = _planIds[DemoPlans.SmallSteps],
            EveryWeeks = DemoSquad.TestWeeksAgo[0] - DemoSquad.TestWeeksAgo[1],
            FirstDay = Saturday(DemoSquad.TestWeeksAgo[0]),
            Students = [.. DemoSquad.Tested.Select(name => _studentIds[name])],
        };
        await tests.SaveAsync(_coach, id, input, RowVersion.New, cancel);
        foreach (var back in DemoSquad.TestWeeksAgo)
        {
            var day = Saturday(back);
            _clock.Turn(day.AddDays(-2), 18);
            await tests.SetAsync(_coach, id, day, cancel);
            var sessions = await _db
                .Assignments.AsNoTracking()
                .Where(a => a.AcademyId == _coach.AcademyId && a.PlanId == id && a.Day == day)
                .ToListAsync(cancel);
            var began = new DateTimeOffset(day.ToDateTime(new TimeOnly(10, 0)), TimeSpan.Zero);
            foreach (var student in DemoSquad.Students.Where(s => DemoSquad.Tested.Contains(s.Name)))
            {
                if (sessions.FirstOrDefault(s => s.StudentId == _studentIds[student.Name]) is not { } session)
                    continue;
                var drills = await _reader.DrillsAsync(_coach, session.Id, cancel);
                var entries = new DemoSession(session.Document, drills, began, student, random, weeksAgo: back).Tested();
                _clock.Turn(entries[^1].At);
                await AppendAsync(_coach, session.Id, entries, cancel);
                _db.ChangeTracker.Clear();
            }
        }

        foreach (var name in DemoSquad.Tested)
            await _standings.RefreshAsync(_coach.AcademyId, _studentIds[name], _today, cancel);
    }

    private async Task LayOutProgrammesAsync(CancellationToken cancel)
    {
        await _programmes.SaveAsync(_coach, _shortPutts, DemoProgrammes.ShortPutts(_planIds), RowVersion.New, cancel);
        await _programmes.SaveAsync(_coach, _firstSummer, DemoProgrammes.FirstSummer(_planIds), RowVersion.New, cancel);
    }

    private Task StartAsync(
        Guid programme,
        IsoWeek start,
        CancellationToken cancel,
        Guid? studentId = null,
        Guid? squadId = null
    ) =>
        _runs.SaveAsync(
            _coach,
            _ids.Next(),
            new ProgrammeRunInput
            {
                ProgrammeId = programme,
                StudentId = studentId,
                SquadId = squadId,
                Start = start.ToString(),
            },
            RowVersion.New,
            cancel
        );

    private async Task LayOutWeekAsync(DemoStudent student, Guid id, int back, CancellationToken cancel)
    {
        var week = ThisWeek.Plus(-back);
        _clock.Turn(week.Monday.AddDays(-1), 18);
        var set = new List<(Guid Id, DateOnly Practised, SessionPlan Plan, bool IsAnyDay)>();
        var brought = (await _filling.FillAsync(_coach, week, [id], cancel))
            .SelectMany(w => w.Sessions)
            .ToDictionary(s => s.Title, s => s.AssignmentId);
        foreach (var usual in WithSomethingForToday(student, back))
        {
            var day = usual.Day is { } offset ? week.Monday.AddDays(offset) : (DateOnly?)null;
            var isBrought = brought.TryGetValue(usual.Plan, out var assignment);
            if (!isBrought)
            {
                assignment = _ids.Next();
                await _weeks.SaveAsync(
                    _coach,
                    assignment,
                    new AssignmentInput
                    {
                        StudentId = id,
                        PlanId = _planIds[usual.Plan],
                        Week = week.ToString(),
                        Day = day,
                        Requirement = usual.Requirement,
                    },
                    RowVersion.New,
                    cancel
                );
            }

            set.Add(
                (
                    assignment,
                    day ?? week.Monday.AddDays(_random.NextInt(7)),
                    DemoPlans.All.Single(p => p.Title == usual.Plan),
                    day is null
                )
            );
        }

        await _publishing.PublishAsync(_coach, week, [id], cancel);
        _db.ChangeTracker.Clear();
        var inOrder = set.OrderBy(s => s.Practised).ToList();
        var first = inOrder.Count > 0 ? inOrder[0].Id : Guid.Empty;
        foreach (var (assignment, practised, plan, isAnyDay) in inOrder)
        {
            var hurts = student.Pain?.Week == back;
            if (student.Excused.TryGetValue(back, out var excuse))
                await _weeks.ExcuseAsync(_coach, assignment, excuse, new RowVersion(2), cancel);
            else if (hurts && assignment != first)
                await _weeks.ExcuseAsync(_coach, assignment, Excuse.Hurt, new RowVersion(2), cancel);
            else if (hurts)
                await PractiseAsync(student, id, assignment, plan, practised, back, cancel);
            else if (practised < _today && !(isAnyDay && back == 0) && _random.NextDouble() < student.Diligence)
                await PractiseAsync(student, id, assignment, plan, practised, back, cancel);
            _db.ChangeTracker.Clear();
        }
    }

    /// <summary>Whoever signs in as the student finds something to practise today, whatever day of the week it is.</summary>
    private IEnumerable<UsualSession> WithSomethingForToday(DemoStudent student, int back)
    {
        var weekday = _today.DayNumber - ThisWeek.Monday.DayNumber;
        var usual = student.Otherwise.GetValueOrDefault(back, student.Usual);
        if (student.Name != DemoSquad.SignedInStudent || back > 0 || usual.Any(u => u.Day == weekday))
            return usual;
        return usual.Select((u, i) => i == 0 ? u with { Day = weekday } : u);
    }

    private async Task PractiseAsync(
        DemoStudent student,
        Guid id,
        Guid assignment,
        SessionPlan plan,
        DateOnly day,
        int back,
        CancellationToken cancel
    )
    {
        var began = new DateTimeOffset(
            day.ToDateTime(new TimeOnly(7 + _random.NextInt(10), 5 * _random.NextInt(12))),
            TimeSpan.Zero
        );
        var published = await _db
            .PublishedSessions.AsNoTracking()
            .SingleAsync(s => s.AcademyId == _coach.AcademyId && s.AssignmentId == assignment, cancel);
        var session = new DemoSession(plan, published.Drills, began, student, _random, weeksAgo: back)
        {
            Pain = student.Pain?.Week == back ? student.Pain : null,
            Trim = published.Trim,
        };
        var entries = session.Entries();
        _repetitions += session.Repetitions;
        _clock.Turn(entries[^1].At);
        await AppendAsync(_coach with { Role = AcademyRole.Student, StudentId = id }, assignment, entries, cancel);
    }

    /// <summary>Something on a Sunday evening that nobody set.</summary>
    private async Task PractiseOnTheirOwnAsync(
        DemoStudent student,
        Guid id,
        SessionPlan plan,
        int back,
        CancellationToken cancel,
        int? attempts = null
    )
    {
        var began = new DateTimeOffset(ThisWeek.Plus(-back).Monday.AddDays(6).ToDateTime(new TimeOnly(19, 10)), TimeSpan.Zero);
        _clock.Turn(began);
        var caller = _coach with { Role = AcademyRole.Student, StudentId = id };
        var assignment = _ids.Next();
        var input = new OwnPracticeInput
        {
            StudentId = id,
            Day = DateOnly.FromDateTime(began.Date),
            Plan = plan,
        };
        await _own.SaveAsync(caller, assignment, input, cancel);
        var drills = await _reader.DrillsAsync(_coach, assignment, cancel);
        var entries = new DemoSession(plan, drills, began, student, _random, weeksAgo: back) { MostAttempts = attempts }.Alone();
        _clock.Turn(entries[^1].At);
        await AppendAsync(caller, assignment, entries, cancel);
        _db.ChangeTracker.Clear();
    }

    /// <summary>A lesson that was held last week without a plan, with one thing agreed and something to do at home.</summary>
    private async Task HoldTrialLessonAsync(DemoStudent student, Guid id, CancellationToken cancel)
    {
        var day = ThisWeek.Plus(-1).Monday.AddDays(3);
        var began = new DateTimeOffset(day.ToDateTime(new TimeOnly(16, 0)), TimeSpan.Zero);
        _clock.Turn(began);
        var assignment = _ids.Next();
        var plan = DemoPlans.TrialLesson;
        await _own.SaveAsync(
            _coach,
            assignment,
            new OwnPracticeInput
            {
                StudentId = id,
                Day = day,
                Plan = plan,
            },
            cancel
        );
        var drills = await _reader.DrillsAsync(_coach, assignment, cancel);
        var entries = new DemoSession(plan, drills, began, student, _random, weeksAgo: 1).Lesson();
        _clock.Turn(entries[^1].At);
        await AppendAsync(_coach, assignment, entries, cancel);
        _db.ChangeTracker.Clear();
    }

    private Task AppendAsync(Caller caller, Guid assignment, IReadOnlyList<SessionEntry> entries, CancellationToken cancel) =>
        _logs.AppendAsync(
            caller,
            _ids.Next(),
            new AppendInput
            {
                AssignmentId = assignment,
                AccountId = caller.AccountId,
                Entries = entries,
            },
            cancel
        );

    /// <summary>The junior's mother, who consented when the file says so.</summary>
    private async Task LayOutGuardianAsync(CancellationToken cancel)
    {
        var (child, accountId) = (_studentIds[DemoSquad.Junior], _ids.Next());
        var file = await _files.FileAsync(_coach, child, cancel);
        AddAccount(file.Coach.Guardian!.Name, AcademyRole.Guardian, null, accountId);
        _db.Guardianships.Add(
            new GuardianshipRow
            {
                AcademyId = _coach.AcademyId,
                StudentId = child,
                AccountId = accountId,
                ConsentedAt = new DateTimeOffset(file.Coach.Guardian.ConsentedOn!.Value, new TimeOnly(18, 40), TimeSpan.Zero),
            }
        );
        await _db.SaveChangesAsync(cancel);
    }

    private void AddAccount(string name, AcademyRole role, Guid? studentId, Guid accountId)
    {
        // No password: these people can only come in by the demo's own buttons.
        var address = $"{name.ToLowerInvariant().Replace(' ', '.')}@osier-island.example";
        _db.Users.Add(
            new Account
            {
                Id = accountId,
                AcademyId = _coach.AcademyId,
                Role = role,
                StudentId = studentId,
                Name = name,
                Email = address,
                UserName = address,
                NormalizedEmail = address.ToUpperInvariant(),
                NormalizedUserName = address.ToUpperInvariant(),
                SecurityStamp = Guid.NewGuid().ToString(),
            }
        );
    }

    /// <summary>A clock that stands where the history has come to.</summary>
    private sealed class TurnedClock(TimeProvider real) : DomainClock(real, TimeSpan.Zero)
    {
        private DateTimeOffset _now = real.GetUtcNow();

        public void Turn(DateOnly day, int hour) =>
            _now = new DateTimeOffset(day.ToDateTime(new TimeOnly(hour, 0)), TimeSpan.Zero);

        public void Turn(DateTimeOffset now) => _now = now;

        public override DateTimeOffset GetUtcNow() => _now;
    }

    /// <summary>Where a student stands is worked out once, when all of their history is there.</summary>
    private sealed class NoStandings : IStandings
    {
        public Task RefreshAsync(Guid academyId, Guid studentId, DateOnly today, CancellationToken cancel) => Task.CompletedTask;
    }
}
