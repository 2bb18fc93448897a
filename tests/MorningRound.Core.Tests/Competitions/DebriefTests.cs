using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Competitions;

/// <summary>What is said after a competition is evidence afterwards: for a while, and nothing else is done with it.</summary>
public class DebriefTests
{
    private static readonly DateOnly Today = new(2026, 5, 20);

    private static Competition Cup(DateOnly lastDay) =>
        new()
        {
            Id = Id(1),
            Name = "Reed Cup",
            FirstDay = lastDay,
            LastDay = lastDay,
            Held = [Area.Putting],
            DidNotHold = [Area.Chip],
        };

    private static StudentFile File(params Competition[] competitions) =>
        new() { Own = new StudentSection { Competitions = competitions } };

    [Theory]
    [InlineData(1, true)]
    [InlineData(28, true)]
    [InlineData(29, false)]
    [InlineData(0, false)]
    [InlineData(-3, false)]
    public void It_speaks_for_four_weeks(int daysAgo, bool speaks) =>
        Assert.Equal(speaks, File(Cup(Today.AddDays(-daysAgo))).DebriefedBefore(Today) is not null);

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(28, true)]
    [InlineData(29, false)]
    public void It_is_asked_for_as_long_as_it_would_speak(int daysAgo, bool isAsked)
    {
        var silent = Cup(Today.AddDays(-daysAgo)) with { Held = [], DidNotHold = [] };
        Assert.Equal(isAsked, silent.WantsDebriefOn(Today));
        Assert.False((silent with { Debrief = "Windy." }).WantsDebriefOn(Today));
    }

    [Fact]
    public void The_last_one_of_which_something_was_said_counts()
    {
        var silent = Cup(Today.AddDays(-1)) with { Id = Id(2), Held = [], DidNotHold = [] };
        Assert.Equal(Id(1), File(Cup(Today.AddDays(-9)), silent).DebriefedBefore(Today)!.Id);
    }

    [Fact]
    public void It_stands_beside_what_is_believed() =>
        Assert.Equal(
            ["Chipping is believed weak, and what did not hold at Reed Cup says so too."],
            Beliefs.Beside([Area.Chip], [], null, Cup(Today.AddDays(-3))).Select(m => m.In())
        );

    [Fact]
    public void The_file_refuses_what_contradicts_itself_or_is_too_early()
    {
        var both = File(Cup(Today) with { DidNotHold = [Area.Putting] });
        Assert.Equal(["own.competitions[0].didNotHold"], StudentFileRules.Check(both, Today).Select(e => e.Path));
        var early = File(Cup(Today.AddDays(1)));
        Assert.Equal(["own.competitions[0].held"], StudentFileRules.Check(early, Today).Select(e => e.Path));
    }
}
