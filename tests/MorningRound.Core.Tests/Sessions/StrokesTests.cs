using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Tests.Drills;
using MorningRound.Core.Tests.OnCourse;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class StrokesTests
{
    private static SessionLog WithAttempts(int segment, int attempts) =>
        SessionLog.From([]) with
        {
            Segments =
            [
                new SegmentLog
                {
                    SegmentId = Id(segment),
                    DrillAttempts = attempts,
                    Outcome = SegmentOutcome.Done,
                },
            ],
        };

    [Fact]
    public void Attempts_of_a_drill_are_strokes_and_putts_are_no_range_balls()
    {
        var plan = Plan(
            Segment(1, Phase.Block, 20, balls: 30),
            Segment(2, Phase.Random, 20, balls: 30, place: PlaceKind.PuttingGreen)
        );
        Assert.Equal(new Strokes(30, 30, false), Strokes.Of(plan, [WithAttempts(1, 30)]));
        Assert.Equal(new Strokes(80, 0, false), Strokes.Of(plan, [WithAttempts(2, 80)]));
    }

    [Fact]
    public void Of_holes_the_shots_are_range_balls_and_the_putts_holed_out_afterwards_are_not()
    {
        // A par 3 of 148: on the green with the first, two putts.
        var holes = GivenHoles.Of(new HolesToPlay { Holes = [GivenHoles.QuickOf(3, 148)] });
        var result = holes.Score(GivenDrills.Inputs("iron6 green =20 | 2"), 1);
        Assert.Single(result.Card!.Over);
        var plan = Plan(Segment(1, Phase.OnCourse, 10, balls: 3));
        var log = WithAttempts(1, result.Attempts);
        log = log with { Segments = [log.Segments[0] with { Result = result }] };
        Assert.Equal(new Strokes(3, 1, false), Strokes.Of(plan, [log]));
    }

    [Fact]
    public void Breathing_and_reading_have_no_strokes()
    {
        var plan = Plan(Segment(1, Phase.WarmUp, 5, balls: 3, intent: Intent.Mind), Segment(2, Phase.Random, 10));
        Assert.Equal(new Strokes(0, 0, false), Strokes.Of(plan, [WithAttempts(1, 12), WithAttempts(2, 9)]));
    }

    [Fact]
    public void What_nobody_counted_is_unknown_and_not_zero()
    {
        var plan = Plan(Segment(1, Phase.Block, 20, balls: 30), Segment(2, Phase.Block, 20, balls: 30));
        Assert.Equal(
            new Strokes(12, 12, true),
            Strokes.Of(plan, [Log((0, Counted(1, 12)), (20, Settled(2, SegmentOutcome.Done)))])
        );
        Assert.Equal(new Strokes(0, 0, false), Strokes.Of(plan, []));
    }
}
