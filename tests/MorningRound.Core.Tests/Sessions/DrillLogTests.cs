using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Drills;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>Drills inside a session: what a log makes of their inputs, and what counts as done.</summary>
public class DrillLogTests
{
    private static PracticeSegment Segment(ScoringProtocol protocol, int balls = 20) => Given.Segment(1, Phase.Block, 20, balls) with
    {
        Drill = new PlannedDrill { DrillId = Given.Id(9), Drill = DrillTests.Gate with { Protocol = protocol } },
    };

    private static (SessionPlan Plan, IReadOnlyList<SetDrill> Drills) Set(ScoringProtocol protocol)
    {
        var plan = Given.Plan(Segment(protocol));
        var (drills, errors) = SetDrill.Of(plan, new StudentFile(), Given.Id(7));
        Assert.Empty(errors);
        return (plan, drills);
    }

    private static SessionLog Log(IReadOnlyList<SetDrill> drills, params IEnumerable<SessionEntry> entries) =>
        SessionLog.From(entries.Select((e, i) => e with { Sequence = i + 1, At = Given.Nine.AddMinutes(i / 10.0) }), drills);

    private static IEnumerable<SessionEntry> Answered(IEnumerable<DrillInput> inputs, int version = 1) =>
        inputs.Select(i => new DrillAnswered { SegmentId = Given.Id(1), FlowVersion = version, Input = i, Sequence = 0, At = Given.Nine });

    private static double? Fraction(SessionPlan plan, SessionLog log) => SessionCompletion.Of(plan, [log]).Segments[0].Fraction;

    [Theory]
    // Attempts ÷ the protocol's number: 10 of 20 is half. A streak has no number, so its balls or minutes count instead.
    [InlineData(10, 0.5)]
    [InlineData(19, 0.95)]
    [InlineData(20, 1)]
    public void A_drill_left_open_counts_by_its_attempts(int attempts, double fraction)
    {
        var (plan, drills) = Set(new MakeRate { Attempts = 20, Make = "In" });
        Assert.Equal(fraction, Fraction(plan, Log(drills, Answered(GivenDrills.Putts(new string('M', attempts)))))!.Value, 9);
    }

    [Fact]
    public void A_drill_that_came_to_its_own_end_is_done_however_early()
    {
        var (plan, drills) = Set(new Streak { Length = 3 });
        Assert.Equal(1, Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MMM")))));
        Assert.Equal(0, Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MM")))));
        Assert.Equal(0, Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MMM")).Append(Given.Settled(1, SegmentOutcome.Skipped)))));
    }

    [Fact]
    public void An_attempt_taken_back_and_an_input_undone_are_not_scored()
    {
        var (_, drills) = Set(new Streak { Length = 9 });
        var dropped = new AttemptDropped { SegmentId = Given.Id(1), Sequence = 0, At = Given.Nine };
        var log = Log(drills, [.. Answered(GivenDrills.Putts("MMx")), dropped, .. Answered([new ChoiceMade { Attempt = 3, Value = "made" }])]);
        Assert.Equal(3, log.Segments[0].Result!.Counts["best"]);
        var undone = Log(drills, [.. Answered(GivenDrills.Putts("MMx")), Given.Undone(3)]);
        Assert.Equal((2, 2), (undone.Segments[0].Result!.Attempts, undone.Segments[0].Inputs.Count));
    }

    [Fact]
    public void What_does_not_fit_is_kept_and_not_scored()
    {
        var (plan, drills) = Set(new Streak { Length = 3 });
        foreach (var log in new[]
                 {
                     Log(drills, Answered(GivenDrills.Putts("MMMM"))),
                     Log(drills, Answered(GivenDrills.Putts("MM"), version: 2)),
                     Log([], Answered(GivenDrills.Putts("MM"))),
                 })
        {
            Assert.Equal(DrillReading.DoesNotFit, log.Segments[0].Result!.Reading);
            Assert.NotEmpty(log.Segments[0].Inputs);
            Assert.All(log.Segments[0].Result!.Measures, m => Assert.Null(m.Value));
            Assert.Equal(0, Fraction(plan, log));
        }
    }

    [Fact]
    public void Publishing_again_draws_the_same_calls_and_another_students_others()
    {
        var calls = new CalledShots { Clubs = [Club.Iron7, Club.Hybrid, Club.Driver], Calls = 12 };
        var plan = Given.Plan(Segment(calls));
        string First(int assignment) => string.Join('|', SetDrill.Of(plan, new StudentFile(), Given.Id(assignment)).Drills[0].Flow.States.Select(s => s.Prompt.Text));
        Assert.Equal(First(1), First(1));
        Assert.NotEqual(First(1), First(2));
    }

    [Fact]
    public void A_planned_drill_names_what_is_wrong_with_it()
    {
        var planned = Segment(new Streak { Length = 3 }).Drill!;
        var wrong = Given.Plan(Segment(new Streak { Length = 3 }) with
        {
            Drill = planned with { Rung = 4, Goal = new DrillGoal("distance", 2), Modifiers = new Modifiers { EffortPercent = 0 }, Drill = planned.Drill with { Name = "" } },
        });
        Assert.Equal(
            ["segments[0].drill.drill.name", "segments[0].drill.goal.measure", "segments[0].drill.modifiers.effortPercent", "segments[0].drill.rung"],
            PlanRules.ToKeep(wrong).Select(e => e.Path).Order());
    }
}
