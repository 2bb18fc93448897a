using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Drills;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>What counts is what was done: attempts, then the clock, then what was said of it. The product's own rules.</summary>
public class HonestCompletionTests
{
    /// <summary>A stretch, a drill of 20 putts with a goal, repetitions, a segment without a drill: 59 min.</summary>
    private static readonly SessionPlan Hour = Plan(
        Segment(1, Phase.WarmUp, 10, 0, Intent.Body),
        Drilled(2, Phase.Random, 20, 20, new MakeRate { Attempts = 20, Make = "Holed" }) with
        { },
        Drilled(3, Phase.Block, 15, 30, new Repetitions()),
        Segment(4, Phase.Block, 14)
    );

    private static PracticeSegment Drilled(int id, Phase phase, int minutes, int balls, ScoringProtocol protocol) =>
        Segment(id, phase, minutes, balls) with
        {
            Drill = new PlannedDrill
            {
                DrillId = Id(90 + id),
                Drill = DrillTests.Gate with { Protocol = protocol, Ladder = [] },
                Goal = protocol is MakeRate ? new DrillGoal("share", 60) : null,
            },
        };

    private static readonly IReadOnlyList<PublishedDrill> Drills = PublishedDrill
        .Of(Hour, _ => new PlayerNumbers(), Id(7))
        .Drills;

    private static SessionLog Kept(Recording recording, params (double Minute, SessionEntry Entry)[] entries) =>
        SessionLog.From(
            entries
                .Prepend(
                    (
                        0,
                        new SessionOpened
                        {
                            Recording = recording,
                            Sequence = 0,
                            At = Nine,
                        }
                    )
                )
                .Select((e, i) => e.Item2 with { Sequence = i + 1, At = Nine.AddMinutes(e.Item1) }),
            Drills
        );

    private static SessionLog Kept(params (double Minute, SessionEntry Entry)[] entries) => Kept(Recording.Practice, entries);

    private static (double, SessionEntry)[] Putts(double minute, int made, int of) =>
        [
            .. Enumerable
                .Range(1, of)
                .Select(i =>
                    (
                        minute,
                        (SessionEntry)
                            new DrillAnswered
                            {
                                SegmentId = Id(2),
                                FlowVersion = Drills.First(d => d.SegmentId == Id(2)).Flow.Version,
                                Input = new ChoiceMade { Attempt = i, Value = i <= made ? "made" : "missed" },
                                Sequence = 0,
                                At = Nine,
                            }
                    )
                ),
        ];

    private static SessionEntry PartOf(int segment, int percent) =>
        new SegmentSettled
        {
            SegmentId = Id(segment),
            Outcome = SegmentOutcome.PartDone,
            Percent = percent,
            Sequence = 0,
            At = Nine,
        };

    private static SegmentCompletion Of(int segment, SessionLog log) =>
        SessionCompletion.Of(Hour, [log]).Segments.First(s => s.SegmentId == Id(segment));

    [Fact]
    public void Tapping_next_through_an_hour_in_thirteen_seconds_is_all_reported()
    {
        // An old phone: "done" four times within 13 s. By hand: 10 + 20 + 15 + 14 = 59 min, every one of them reported.
        var log = Kept(
            (0, Entered(1)),
            (0.05, Settled(1, SegmentOutcome.Done)),
            (0.1, Settled(2, SegmentOutcome.Done)),
            (0.15, Settled(3, SegmentOutcome.Done)),
            (0.216, Settled(4, SegmentOutcome.Done))
        );
        var done = SessionCompletion.Of(Hour, [log]);
        Assert.Equal((59, 59.0, 59.0), (done.PlannedMinutes, done.DoneMinutes, done.ReportedMinutes));
        Assert.All(done.Segments, s => Assert.True(s.IsReported));
        Assert.Equal(
            "59 of 59 min (59 min reported without scores)",
            CompletionWords.Done(done.DoneMinutes, done.PlannedMinutes, done.ReportedMinutes).In()
        );
        Assert.Null(Strokes.In(Hour.Practice().First(s => s.Id == Id(3)), log.Segments[2]));
    }

    [Fact]
    public void Unanswered_is_none()
    {
        // The new phone asks before it closes; who leaves instead has closed nothing.
        var done = SessionCompletion.Of(Hour, [Kept((0, Entered(2)), (0.1, FinishedNow()))]);
        Assert.Equal(0, done.DoneMinutes);
    }

    [Theory]
    // 20 minutes of 20 putts without a putt: half of it, said, is 10 min; all of it is 20.
    [InlineData(50, 10)]
    [InlineData(25, 5)]
    public void What_is_said_of_a_drill_without_attempts_is_reported(int percent, double minutes)
    {
        var done = SessionCompletion.Of(Hour, [Kept((0, Entered(2)), (19, PartOf(2, percent)))]);
        Assert.Equal((minutes, minutes), (done.DoneMinutes, done.ReportedMinutes));
    }

    [Theory]
    // 5 of 20 putts are a quarter of its 20 minutes, whatever was tapped afterwards.
    [InlineData(SegmentOutcome.Done)]
    [InlineData(SegmentOutcome.PartDone)]
    [InlineData(SegmentOutcome.Skipped)]
    public void Attempts_count_however_the_segment_was_closed(SegmentOutcome outcome)
    {
        var of = Of(2, Kept([(0, Entered(2)), .. Putts(3, 2, 5), (3, Settled(2, outcome))]));
        Assert.Equal((0.25, false), (of.Fraction!.Value, of.IsReported));
    }

    [Fact]
    public void A_drill_that_reached_its_own_end_is_done() =>
        Assert.Equal(1, Of(2, Kept([(0, Entered(2)), .. Putts(1, 11, 20)])).Fraction);

    [Theory]
    // 14 minutes: three quarters are 10.5, a quarter 3.5.
    [InlineData(10.5, 1, false)]
    [InlineData(10, 10 / 14.0, false)]
    [InlineData(3.5, 0.25, false)]
    [InlineData(3.4, 1, true)]
    public void Without_a_drill_the_clock_counts_and_below_a_quarter_the_word(double minutes, double share, bool isReported)
    {
        var of = Of(4, Kept((0, Entered(4)), (minutes, Settled(4, SegmentOutcome.Done))));
        Assert.Equal(share, of.Fraction!.Value, 9);
        Assert.Equal(isReported, of.IsReported);
    }

    [Fact]
    public void A_warm_up_and_repetitions_go_by_the_clock()
    {
        // 8 of 10 and 12 of 15 minutes: each from three quarters on, so all of it.
        var log = Kept(
            (0, Entered(1)),
            (8, Settled(1, SegmentOutcome.Done)),
            (8, Entered(3)),
            (20, Settled(3, SegmentOutcome.Done))
        );
        Assert.Equal((1.0, 1.0), (Of(1, log).Fraction!.Value, Of(3, log).Fraction!.Value));
    }

    [Fact]
    public void What_was_to_be_reached_and_was_reached_early_is_all_of_it()
    {
        var plan = Plan(Segment(1, Phase.Block, 20) with { Exit = new UntilMet { Criterion = "contact is centred" } });
        var log = Log((0, Entered(1)), (6, Settled(1, SegmentOutcome.Done)));
        var done = SessionCompletion.Of(plan, [log]).Segments[0];
        Assert.Equal((1.0, false), (done.Fraction!.Value, done.IsReported));
    }

    [Fact]
    public void A_card_has_no_clock_so_what_is_not_scored_on_it_is_reported()
    {
        var log = Kept(
            Recording.Paper,
            (0, Settled(1, SegmentOutcome.Done)),
            (10, Counted(2, 12)),
            (30, Settled(2, SegmentOutcome.Done)),
            (45, PartOf(3, 50)),
            (59, Settled(4, SegmentOutcome.Skipped))
        );
        // By hand: 10 reported + 20 × 12/20 counted + 15/2 reported + 0 = 29.5, of them 17.5 reported.
        var done = SessionCompletion.Of(Hour, [log]);
        Assert.Equal((29.5, 17.5), (done.DoneMinutes, done.ReportedMinutes));
    }

    [Fact]
    public void A_lesson_counts_as_its_coach_closes_it()
    {
        var log = Kept(Recording.Lesson, (0, Entered(2)), (1, Settled(2, SegmentOutcome.Done)));
        Assert.Equal((1.0, false), (Of(2, log).Fraction!.Value, Of(2, log).IsReported));
    }

    [Fact]
    public void A_session_stopped_for_pain_has_no_percentage_and_only_what_was_done_stays_in_the_week()
    {
        // 10 min of warm-up and 8 of 20 putts: 10 + 20 × 8/20 = 18 of 59.
        var log = Kept([
            (0, Entered(1)),
            (10, Settled(1, SegmentOutcome.Done)),
            (10, Entered(2)),
            .. Putts(14, 5, 8),
            (14, Pain(6)),
        ]);
        var done = SessionCompletion.Of(Hour, [log]);
        Assert.True(done.IsStopped);
        Assert.Null(done.Fraction);
        Assert.Equal((18, 18.0), (done.PlannedMinutes, done.DoneMinutes));
        Assert.Equal(
            "Stopped for pain after 18 of 59 min",
            CompletionWords.Stopped(done.StoppedFor!.Value, done.DoneMinutes, 59).In()
        );
        var today = new DateOnly(2026, 5, 4);
        var session = new AssignedSession
        {
            Week = Calendar.IsoWeek.Of(today),
            Requirement = Requirement.Must,
            Completion = done,
            HasLog = true,
            IsFinished = true,
        };
        Assert.Equal(SessionStatus.Stopped, session.StatusOn(today));
        var week = WeekCompletion.Of([session], today);
        Assert.Equal((18, 18.0, 0), (week.PlannedMinutes, week.DoneMinutes, week.Sessions));
    }

    [Theory]
    [InlineData(BadWeather.Thunder, "Stopped for thunder after 18 of 59 min")]
    [InlineData(BadWeather.Rain, "Stopped for rain after 18 of 59 min")]
    [InlineData(BadWeather.Wind, "Stopped for wind after 18 of 59 min")]
    public void A_session_stopped_by_the_weather_has_no_percentage_either(BadWeather weather, string text)
    {
        // As above: 10 + 20 × 8/20 = 18 of 59. The clock does not run on afterwards.
        var stopped = new StoppedByWeather
        {
            Weather = weather,
            Sequence = 0,
            At = Nine,
        };
        (double, SessionEntry)[] before =
        [
            (0, Entered(1)),
            (10, Settled(1, SegmentOutcome.Done)),
            (10, Entered(2)),
            .. Putts(14, 5, 8),
        ];
        var log = Kept([.. before, (14, stopped), (50, FinishedNow())]);
        var done = SessionCompletion.Of(Hour, [log]);
        Assert.True(done.IsStopped);
        Assert.Null(done.Fraction);
        Assert.Equal((18, 18.0, 14.0), (done.PlannedMinutes, done.DoneMinutes, log.Spent.TotalMinutes));
        Assert.Equal(text, CompletionWords.Stopped(done.StoppedFor!.Value, done.DoneMinutes, 59).In());

        // A slip of the thumb is taken back, and the session goes on.
        var undone = new EntryUndone
        {
            Undoes = before.Length + 2,
            Sequence = 0,
            At = Nine,
        };
        Assert.False(SessionCompletion.Of(Hour, [Kept([.. before, (14, stopped), (14, undone)])]).IsStopped);
        // A storm that passed after 26 minutes is no practice: the clock stood since it came.
        var stood = new ClockStopped { Sequence = 0, At = Nine };
        var after = Kept([.. before, (14, stopped), (40, undone), (14, stood)]);
        Assert.Equal((false, 14.0), (after.EndedForCare, after.Spent.TotalMinutes));
        // Pain is named first where both are said.
        Assert.Equal(StopReason.Pain, SessionCompletion.Of(Hour, [Kept([.. before, (14, Pain(6)), (14, stopped)])]).StoppedFor);
    }

    [Fact]
    public void Of_two_phones_attempts_beat_a_bare_report()
    {
        var reported = Kept((0, Entered(2)), (0.1, Settled(2, SegmentOutcome.Done)));
        var counted = Kept([(0, Entered(2)), .. Putts(4, 3, 6), (4, FinishedNow())]);
        var done = SessionCompletion.Of(Hour, [reported, counted]);
        // 6 of 20 attempts: 6 of its 20 minutes.
        Assert.Equal((6.0, 0.0), (done.DoneMinutes, done.ReportedMinutes));
        Assert.Equal(6, LogBranches.AsOne(Hour, [reported, counted]).Segments.First(s => s.SegmentId == Id(2)).DrillAttempts);
    }

    [Fact]
    public void Of_two_phones_without_attempts_the_longer_clock_counts()
    {
        // 5 and 7 of 14 minutes: 7.
        var shorter = Kept((0, Entered(4)), (5, Settled(4, SegmentOutcome.Done)));
        var longer = Kept((0, Entered(4)), (7, Settled(4, SegmentOutcome.Done)));
        Assert.Equal(7, SessionCompletion.Of(Hour, [shorter, longer]).DoneMinutes, 9);
    }

    [Theory]
    // Half of 20 attempts are 10: with 9 nothing is said, with 10 something is.
    [InlineData(9, 9, null, true)]
    [InlineData(10, 10, true, false)]
    [InlineData(4, 10, false, false)]
    public void A_goal_needs_half_of_the_attempts(int made, int of, bool? isMet, bool notEnough)
    {
        var log = Kept([(0, Entered(2)), .. Putts(4, made, of), (4, Settled(2, SegmentOutcome.Done))]);
        var segment = Hour.Practice().First(s => s.Id == Id(2));
        var drill = Drills.First(d => d.SegmentId == Id(2));
        var result = KeptResult.Of(segment, drill.Protocol, log.Segments.First(s => s.SegmentId == Id(2)), Recording.Practice)!;
        Assert.Equal((isMet, notEnough), (result.GoalMet, result.NotEnoughAttempts));
    }

    [Fact]
    public void A_part_without_an_attempt_is_nothing_until_somebody_says_how_much() =>
        Assert.Equal(0, Of(2, Kept((0, Entered(2)), (1, Settled(2, SegmentOutcome.PartDone)))).Fraction);

    private static SessionEntry FinishedNow() => new SessionFinished { Sequence = 0, At = Nine };
}
