using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>
/// Strokes gained by single shots. Source of the expected strokes: Broadie, Every Shot Counts (2014), from memory.
/// </summary>
public class ApproachShotsTests
{
    private static readonly ApproachShots From100 = new() { Targets = [new ApproachTarget { Distance = 100 }], Rounds = 3 };

    /// <summary>
    /// From 100 yd on the fairway 2.80 are expected. Five yards from the hole is a putt of 15 ft, 1.78; twenty yards a shot from
    /// the rough, 2.59; at the hole a tap, 1.00.
    /// </summary>
    [Theory]
    [InlineData(5, 0.02)]
    [InlineData(20, -0.79)]
    [InlineData(0, 0.80)]
    public void A_shot_gains_what_was_expected_before_less_what_is_after_and_itself(int from, double gained) =>
        Assert.Equal(gained, Played(from).Value("gained")!.Value, 9);

    [Fact]
    public void Shots_are_averaged_and_greens_counted()
    {
        var result = Played(5, 20, 0);
        Assert.Equal((0.02 - 0.79 + 0.80) / 3, result.Value("gained")!.Value, 9);
        Assert.Equal(200.0 / 3, result.Value("greens")!.Value, 9);
        Assert.Equal(25.0 / 3, result.Value("from")!.Value, 9);
        Assert.Equal("Gained 0.01 strokes a shot over 3 balls: 2 on the green, 8.3 yd from the target on average.", result.Text);
        Assert.Equal(ResultStatus.Complete, result.Status);
    }

    [Fact]
    public void What_is_lost_is_said_as_lost_and_nothing_is_nothing()
    {
        Assert.StartsWith("Lost 0.79 strokes a shot over 1 ball", Played(20).Text, StringComparison.Ordinal);
        Assert.Equal(ResultStatus.Nothing, Played().Status);
        Assert.Null(Played().Value("gained"));
    }

    [Fact]
    public void Targets_are_those_of_the_ground_where_one_stands_about_there()
    {
        var player = PlayerNumbers.Of(new StudentFile(), Hand.Right, Level.Improving) with
        {
            Targets =
            [
                new RangeTarget { Name = "the oak", Distance = new MarkedLength(108, LengthUnit.Yards) },
                new RangeTarget { Name = "the barn", Distance = new MarkedLength(200, LengthUnit.Yards) },
            ],
        };
        var both = new ApproachShots
        {
            Targets = [new ApproachTarget { Distance = 100 }, new ApproachTarget { Name = "far post", Distance = 150 }],
        };
        var own = (ApproachShots)both.For(player);
        Assert.Equal([("the oak", 108.0), ("far post", 150.0)], own.Targets.Select(t => (t.Name, t.Distance)));
    }

    private static ProtocolResult Played(params int[] from) =>
        From100.Score([.. from.Select((f, i) => new NumberGiven { Attempt = i + 1, Tenths = 10 * f })], seed: 1);
}
