using MorningRound.Core.Competitions;
using MorningRound.Core.Progress;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Given;
using static MorningRound.Core.Tests.Progress.GivenResults;

namespace MorningRound.Core.Tests.Competitions;

public class BeforeAndAfterTests
{
    private static readonly Competition Cup = new()
    {
        Id = Id(1),
        Name = "Reed Cup",
        FirstDay = First.AddDays(40),
        LastDay = First.AddDays(41),
    };

    private static RatedDay Rated(int day, int confidence) => new(First.AddDays(day), null, confidence);

    [Fact]
    public void Four_weeks_on_each_side_are_set_beside_each_other()
    {
        // Source: Newcombe, Stat Med 17 (1998) 873: 56/70 less 48/80 is clear. Day 11 is too early, day 70 too late.
        var around = BeforeAndAfter.Of(
            Cup,
            [Made(11, 0, 80), Made(12, 48, 80), Made(40, 1, 80), Made(42, 56, 70), Made(70, 0, 70)],
            []
        );
        var drill = Assert.Single(around.Drills);
        Assert.Equal((1, 1, BesideVerdict.Better), (drill.ResultsBefore, drill.ResultsAfter, drill.Beside.Verdict));
        Assert.Equal(0, around.OnOneSide);
    }

    [Fact]
    public void Drills_of_one_side_are_counted_and_not_compared()
    {
        var around = BeforeAndAfter.Of(Cup, [Made(30, 10, 20)], []);
        Assert.Empty(around.Drills);
        Assert.Equal(1, around.OnOneSide);
    }

    [Fact]
    public void Ratings_of_both_sides_are_set_beside_each_other()
    {
        var around = BeforeAndAfter.Of(
            Cup,
            [],
            [Rated(20, 3), Rated(25, 4), Rated(30, 3), Rated(35, 4), Rated(45, 8), Rated(50, 9), Rated(55, 8), Rated(60, 9)]
        );
        Assert.StartsWith("8.5 after, 3.5 before: higher by", around.Confidence.Text, StringComparison.Ordinal);
        Assert.StartsWith("Too few ratings", around.Quality.Text, StringComparison.Ordinal);
    }
}
