using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Plans;

/// <summary>Boxes of a printed sheet. Common practice, no source: one a ball, as long as somebody fills them in.</summary>
public class PaperBoxesTests
{
    private static PracticeSegment Segment(string drill, int balls)
    {
        var shelved = Given.Shelf.Drills.Single(d => d.Drill.Name == drill);
        return Given.Segment(1, Phase.Block, 15, balls) with
        {
            Drill = new PlannedDrill { DrillId = shelved.Id, Drill = shelved.Drill },
        };
    }

    private static int Boxes(PracticeSegment segment, int calls = 0)
    {
        var (published, _) = PublishedDrill.Of(Given.Plan(segment), _ => new PlayerNumbers(), Id(9));
        return PaperBoxes.Of(segment, published.SingleOrDefault(), calls);
    }

    [Fact]
    public void Calls_come_before_balls() => Assert.Equal(15, Boxes(Segment("Round the hole", 24), calls: 15));

    [Fact]
    public void More_than_forty_are_no_more_filled_in() => Assert.Equal(40, Boxes(Segment("Round the hole", 24), calls: 60));

    [Fact]
    public void Without_a_drill_there_are_none() => Assert.Equal(0, Boxes(Given.Segment(1, Phase.Block, 15, 30)));

    [Fact]
    public void What_is_only_counted_has_none() => Assert.Equal(0, Boxes(Segment("Loosen up", 0)));

    [Fact]
    public void A_drill_with_its_own_number_of_strokes_has_as_many()
    {
        var own = Given.Shelf.Drills.First(d => d.Drill.Protocol.OwnStrokes is not null && d.Drill.Ladder.Count == 0);
        Assert.Equal(Math.Min(40, own.Drill.Protocol.OwnStrokes!.Value), Boxes(Segment(own.Drill.Name, 12)));
    }
}
