using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

public class ExpectedStrokesTests
{
    /// <summary>Source: Broadie, Every Shot Counts (2014), professional benchmark, from memory.</summary>
    [Theory]
    [InlineData(Lie.Tee, 100, 2.92)]
    [InlineData(Lie.Tee, 400, 3.99)]
    [InlineData(Lie.Tee, 600, 4.82)]
    [InlineData(Lie.Fairway, 20, 2.40)]
    [InlineData(Lie.Fairway, 160, 2.98)]
    [InlineData(Lie.Fairway, 600, 4.94)]
    [InlineData(Lie.Rough, 40, 2.78)]
    [InlineData(Lie.Rough, 340, 4.02)]
    [InlineData(Lie.Sand, 20, 2.53)]
    [InlineData(Lie.Sand, 120, 3.21)]
    [InlineData(Lie.Sand, 480, 4.98)]
    [InlineData(Lie.Recovery, 100, 3.80)]
    [InlineData(Lie.Recovery, 500, 5.17)]
    public void Follow_the_table(Lie lie, double yards, double strokes) =>
        Assert.Equal(strokes, ExpectedStrokes.From(lie, Length.FromYards(yards)), 9);

    /// <summary>Source: the same, putts in feet, from memory.</summary>
    [Theory]
    [InlineData(1, 1.00)]
    [InlineData(8, 1.50)]
    [InlineData(10, 1.61)]
    [InlineData(33, 2.004)]
    [InlineData(90, 2.40)]
    [InlineData(120, 2.59)]
    public void Of_putts_follow_the_table(double feet, double strokes) =>
        Assert.Equal(strokes, ExpectedStrokes.From(Lie.Green, Length.FromFeet(feet)), 9);

    [Fact]
    public void Between_two_points_and_beyond_the_last_they_go_on_in_a_line()
    {
        Assert.Equal(2.70 + (0.05 * 0.25), ExpectedStrokes.From(Lie.Fairway, Length.FromYards(65)), 9);
        Assert.Equal(4.82 + 0.03, ExpectedStrokes.From(Lie.Tee, Length.FromYards(620)), 9);
        Assert.Equal(2.20, ExpectedStrokes.From(Lie.Fairway, Length.FromYards(10)), 9);
        Assert.Equal(2.00, ExpectedStrokes.From(Lie.Sand, Length.Zero), 9);
        // A tee near the hole counts as short grass, trees near it as trees at 100.
        Assert.Equal(2.75, ExpectedStrokes.From(Lie.Tee, Length.FromYards(80)), 9);
        Assert.Equal(3.80, ExpectedStrokes.From(Lie.Recovery, Length.FromYards(15)), 9);
        Assert.Throws<ArgumentOutOfRangeException>(() => ExpectedStrokes.From(Lie.Rough, Length.FromYards(-1)));
    }

    [Fact]
    public void From_short_grass_to_sand_every_lie_costs_more_than_the_one_before() =>
        Assert.All(
            Enumerable.Range(11, 49).Select(i => Length.FromYards(10 * i)),
            left =>
                Assert.True(
                    ExpectedStrokes.From(Lie.Fairway, left) < ExpectedStrokes.From(Lie.Rough, left)
                        && ExpectedStrokes.From(Lie.Rough, left) < ExpectedStrokes.From(Lie.Sand, left) + 0.01
                        && ExpectedStrokes.From(Lie.Rough, left) < ExpectedStrokes.From(Lie.Recovery, left)
                )
        );
}
