using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
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
