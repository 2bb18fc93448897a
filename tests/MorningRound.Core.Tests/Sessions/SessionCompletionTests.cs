using CsCheck;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Serialization;
using MorningRound.Core.Sessions;
using MorningRound.Core.Tests.Plans;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class SessionCompletionTests
{
    private static readonly SessionPlan Hour = Plan(
        Segment(1, Phase.WarmUp, 10, 20),
        Segment(2, Phase.Block, 20, 30),
        Pause(3, 5),
        Segment(4, Phase.Random, 25)
    );

    [Fact]
    public void Half_the_balls_of_a_segment_are_half_its_minutes()
    {
        // By hand: 10 + 20 × 15/30 + 0 = 20 of 55 planned minutes, the pause apart.
        var done = SessionCompletion.Of(
            Hour,
            [
                Log(
                    (0, Settled(1, SegmentOutcome.Done)),
                    (10, Counted(2, 15)),
                    (20, Settled(2, SegmentOutcome.PartDone)),
                    (21, Settled(4, SegmentOutcome.Skipped))
                ),
            ]
        );
        Assert.Equal(55, done.PlannedMinutes);
        Assert.Equal(20, done.DoneMinutes, 10);
        Assert.Equal(20.0 / 55, done.Fraction!.Value, 10);
        Assert.False(done.IsWhole);
    }

    [Fact]
    public void Without_balls_the_clock_says_how_much_was_done()
    {
        var done = SessionCompletion.Of(Hour, [Log((0, Entered(4)), (10, Settled(4, SegmentOutcome.PartDone)))]);
        Assert.Equal(0.4, done.Segments[2].Fraction!.Value, 10);
    }

    [Fact]
    public void Balls_planned_but_never_counted_leave_it_to_the_clock()
    {
        var done = SessionCompletion.Of(Hour, [Log((0, Entered(2)), (5, Settled(2, SegmentOutcome.PartDone)))]);
        Assert.Equal(0.25, done.Segments[1].Fraction!.Value, 10);
    }

    [Fact]
    public void Closed_early_counts_for_what_was_done()
    {
        // 3 of 10 minutes, 6 of 20 balls: 0.3 either way.
        var done = SessionCompletion.Of(Hour, [Log((0, Entered(1)), (2, Counted(1, 6)), (3, Settled(1, SegmentOutcome.Done)))]);
        Assert.Equal(0.3, done.Segments[0].Fraction!.Value, 9);
    }

    [Fact]
    public void More_balls_than_planned_are_still_one_segment() =>
        Assert.Equal(1, SessionCompletion.Of(Hour, [Log((0, Counted(2, 90)))]).Segments[1].Fraction);

    [Fact]
    public void Of_two_logs_the_fuller_counts_for_each_segment()
    {
        var phone = Log((0, Settled(1, SegmentOutcome.Done)), (9, Counted(2, 10)));
        var paper = Log((0, Settled(1, SegmentOutcome.Skipped)), (9, Counted(2, 25)));
        var done = SessionCompletion.Of(Hour, [phone, paper]);
        Assert.Equal(1, done.Segments[0].Fraction);
        Assert.Equal(25, done.Segments[1].Balls);
        Assert.Equal(done.DoneMinutes, SessionCompletion.Of(Hour, [paper, phone]).DoneMinutes);
    }

    [Fact]
    public void What_was_dropped_for_pain_counts_for_nothing()
    {
        // By hand: 10 reported and 2 of 20 minutes by the clock; the rest stays out of the week, and there is no percentage.
        var done = SessionCompletion.Of(Hour, [Log((0, Settled(1, SegmentOutcome.Done)), (10, Entered(2)), (12, Pain(6)))]);
        Assert.Equal((12, 12.0), (done.PlannedMinutes, done.DoneMinutes));
        Assert.Null(done.Fraction);
        Assert.Equal([1.0, 0.1, null], done.Segments.Select(s => s.Fraction));
    }

    [Fact]
    public void A_session_that_pain_ended_before_it_began_has_no_figure() =>
        Assert.Null(SessionCompletion.Of(Hour, [Log((0, Pain(7)))]).Fraction);

    [Fact]
    public void Without_a_log_nothing_was_done()
    {
        var done = SessionCompletion.Of(Hour, []);
        Assert.Equal(0, done.Fraction);
        Assert.False(done.IsWhole);
    }

    [Fact]
    public void Completion_lies_between_nothing_and_everything_whatever_order_the_logs_come_in() =>
        Gen.Select(GenPlan.Any, GenEntries(10), GenEntries(10))
            .ForEachSeed(
                (plan, first, second) =>
                {
                    var one = SessionCompletion.Of(plan, [first]);
                    Assert.InRange(one.Fraction ?? 0, 0, 1 + 1e-9);
                    Assert.Equal(plan.Practice().Count(), one.Segments.Count);
                    Assert.Equal(
                        SessionCompletion.Of(plan, [first, second]).DoneMinutes,
                        SessionCompletion.Of(plan, [second, first]).DoneMinutes,
                        9
                    );
                }
            );

    private static Gen<SessionLog> GenEntries(int segments) =>
        Gen.OneOf(
                Gen.Int[1, segments].Select(Entered),
                Gen.Select(Gen.Int[1, segments], Gen.Int[-10, 30], Counted),
                Gen.Select(Gen.Int[1, segments], Gen.Enum<SegmentOutcome>(), Settled),
                Gen.Int[1, 5].Select(level => Pain(level)),
                Gen.Const(Stopped)
            )
            .Array[0, 25]
            .Select(entries => Log([.. entries.Select((e, i) => ((double)i * 2, e))]));

    [Fact]
    public void A_segment_shortened_beforehand_and_done_counts_for_what_was_left_of_it()
    {
        // By hand: 10 of 20 minutes of the first, all 10 of the second: 20 of 30.
        var plan = Given.Plan(Given.Segment(1, Phase.Block, 20), Given.Segment(2, Phase.Random, 10));
        var trimmed = new SessionTrimmed
        {
            Sequence = 0,
            At = Given.Nine,
            Kept = [new TrimmedSegment(Given.Id(1), 10, 0), new TrimmedSegment(Given.Id(2), 10, 0)],
        };
        var log = Given.Log((0, trimmed), (1, Given.Settled(1, SegmentOutcome.Done)), (2, Given.Settled(2, SegmentOutcome.Done)));
        Assert.Equal(20, SessionCompletion.Of(plan, [log]).DoneMinutes, 9);
        var stored = System.Text.Json.JsonSerializer.Deserialize<SessionLog>(
            System.Text.Json.JsonSerializer.Serialize(log, CoreJson.Options),
            CoreJson.Options
        )!;
        Assert.Equal(20, SessionCompletion.Of(plan, [stored]).DoneMinutes, 9);
    }
}
