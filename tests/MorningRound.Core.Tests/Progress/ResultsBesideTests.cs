using MorningRound.Core.Progress;
using MorningRound.Core.Statistics;
using static MorningRound.Core.Tests.Progress.GivenResults;

namespace MorningRound.Core.Tests.Progress;

public class ResultsBesideTests
{
    [Fact]
    public void Two_shares_are_set_beside_each_other_as_published()
    {
        // Source: Newcombe, Stat Med 17 (1998) 873, method 10: 56/70 less 48/80 lies from 0.0524 to 0.3339.
        var beside = ResultsBeside.Of([Made(0, 48, 80)], [Made(30, 56, 70)]);
        Assert.Equal(BesideVerdict.Better, beside.Verdict);
        Assert.Equal(5.24, beside.Difference!.Value.Low, 2);
        Assert.Equal(33.39, beside.Difference.Value.High, 2);
        Assert.Equal("From 60 % to 80 %: better, by somewhere from 5 to 33 points.", beside.Text);
        Assert.Equal(BesideVerdict.Worse, ResultsBeside.Of([Made(0, 56, 70)], [Made(30, 48, 80)]).Verdict);
    }

    [Fact]
    public void The_hybrid_of_two_intervals_is_the_square_root_of_the_sum_of_squares()
    {
        // Source: Zou and Donner, Stat Med 27 (2008) 1693, formula for a difference; the arithmetic by hand.
        var difference = Interval.OfDifference((10, new Interval(7, 14)), (4, new Interval(1, 8)));
        Assert.Equal(6 - 5, difference.Low, 12);
        Assert.Equal(6 + 5, difference.High, 12);
    }

    [Fact]
    public void Several_results_of_a_time_are_read_as_one()
    {
        var beside = ResultsBeside.Of([Made(0, 20, 40), Made(2, 28, 40)], [Made(30, 56, 70)]);
        Assert.Equal((60, 80), (beside.Before!.Value, beside.Before.Count));
    }

    [Fact]
    public void Few_attempts_show_no_clear_change_and_say_how_far_it_may_go_either_way()
    {
        var beside = ResultsBeside.Of([Made(0, 6, 10)], [Made(30, 7, 10)]);
        Assert.Equal(BesideVerdict.NotClear, beside.Verdict);
        // Newcombe's method 10 of 7/10 less 6/10, reckoned by hand: −0.2817 to 0.4457.
        Assert.Equal("From 60 % to 70 %: no clear change. It may be 28 points down, or 45 points up.", beside.Text);
    }

    [Fact]
    public void What_changed_in_between_is_not_set_beside_each_other()
    {
        var beside = ResultsBeside.Of([Made(0, 48, 80, key: "one")], [Made(30, 56, 70, key: "other")]);
        Assert.Equal((BesideVerdict.NotComparable, (Interval?)null), (beside.Verdict, beside.Difference));
    }

    [Fact]
    public void A_time_without_results_says_so()
    {
        Assert.Equal(BesideVerdict.OneSideOnly, ResultsBeside.Of([], [Made(30, 7, 10)]).Verdict);
        Assert.Equal(BesideVerdict.OneSideOnly, ResultsBeside.Of([], []).Verdict);
    }

    [Fact]
    public void Two_single_scores_tell_nothing_of_how_sure_they_are()
    {
        var beside = ResultsBeside.Of([Run(0, 12)], [Run(30, 15)]);
        Assert.Equal(BesideVerdict.NoDoubtKnown, beside.Verdict);
        Assert.Equal("From 12 to 15. How sure that is, two single figures cannot tell.", beside.Text);
    }
}
