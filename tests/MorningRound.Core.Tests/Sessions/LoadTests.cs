using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>
/// Load by hand. Sources: effort × minutes, Foster et al., J Strength Cond Res 15 (2001) 109; bounds of the ratio, Gabbett, Br J
/// Sports Med 50 (2016) 273.
/// </summary>
public sealed class LoadTests
{
    private static readonly DateOnly Monday = new(2026, 5, 4);

    private static LoadedSession Before(int weeks, double minutes, int? effort) =>
        new(Monday.AddDays((-7 * weeks) + 2), minutes, effort);

    [Fact]
    public void Sixty_minutes_at_effort_five_are_300_and_the_mean_is_of_four_weeks()
    {
        // By hand: 60 × 5 = 300 in each of four weeks; this week 60 × 5 + 30 × 5 = 450; 450 ÷ 300 = 1.5.
        var load = Load.Of(
            [.. Enumerable.Range(1, 4).Select(w => Before(w, 60, 5)), new(Monday, 60, 5), new(Monday.AddDays(3), 30, 5)],
            Monday,
            Monday.AddDays(2)
        );
        Assert.Equal((450, 300, 5, 1.5), (load.ThisWeek, load.MeanBefore, load.MeanEffort, load.Ratio));
        Assert.Equal(LoadBand.Busy, load.Band);
        Assert.Equal(1.7, load.RatioWith(12)!.Value, 9);
    }

    [Fact]
    public void A_week_without_practice_counts_as_none()
    {
        var load = Load.Of([Before(4, 60, 5), Before(2, 60, 5), new(Monday, 30, 5)], Monday, Monday.AddDays(2));
        Assert.Equal(150, load.MeanBefore);
        Assert.Equal(1, load.Ratio);
    }

    [Fact]
    public void With_under_four_weeks_of_history_nothing_is_said()
    {
        var load = Load.Of(
            [Before(3, 60, 5), Before(2, 60, 5), Before(1, 60, 5), new(Monday, 300, 9)],
            Monday,
            Monday.AddDays(2)
        );
        Assert.Equal((null, null, null), (load.MeanBefore, load.Ratio, load.Band));
        Assert.Null(load.RatioWith(60));
    }

    [Theory]
    // The window is whole: from the Monday four weeks before to the Sunday of this week.
    [InlineData(-28, 75)]
    [InlineData(-29, 0)]
    [InlineData(-1, 75)]
    public void The_four_weeks_begin_on_their_monday_and_end_on_the_sunday_before(int days, double mean)
    {
        // Effort 1 for no minutes long ago: there is a history, and it adds nothing.
        var load = Load.Of(
            [new(Monday.AddDays(-60), 0, 1), new(Monday.AddDays(days), 60, 5), new(Monday.AddDays(6), 10, 5)],
            Monday,
            Monday.AddDays(2)
        );
        Assert.Equal(mean, load.MeanBefore);
        Assert.Equal(50, load.ThisWeek);
    }

    [Theory]
    [InlineData(-22, true)]
    [InlineData(-21, false)]
    public void A_history_reaches_back_into_the_first_of_the_four_weeks(int days, bool isEnough) =>
        Assert.Equal(isEnough, Load.Of([new(Monday.AddDays(days), 60, 5)], Monday, Monday.AddDays(2)).MeanBefore is not null);

    [Fact]
    public void Unrated_sessions_count_with_the_mean_effort()
    {
        var load = Load.Of(
            [Before(4, 60, 4), Before(3, 60, 6), Before(2, 60, null), Before(1, 60, null)],
            Monday,
            Monday.AddDays(2)
        );
        Assert.Equal((240 + 360 + 300 + 300) / 4.0, load.MeanBefore);
    }

    [Fact]
    public void Weeks_without_any_effort_are_nothing_to_plan_against() =>
        Assert.Null(Load.Of([Before(4, 60, 0), Before(1, 60, 0), new(Monday, 30, 5)], Monday, Monday.AddDays(2)).ForPlanning());

    [Fact]
    public void Nothing_rated_says_nothing() =>
        Assert.Null(Load.Of([Before(4, 60, null), Before(1, 60, null)], Monday, Monday.AddDays(2)).Ratio);

    [Fact]
    public void Next_week_does_not_count_yet() =>
        Assert.Equal(0, Load.Of([Before(4, 60, 5), new(Monday.AddDays(7), 90, 9)], Monday, Monday.AddDays(2)).ThisWeek);

    [Theory]
    [InlineData(0.79, LoadBand.Light)]
    [InlineData(0.8, LoadBand.Usual)]
    [InlineData(1.3, LoadBand.Usual)]
    [InlineData(1.31, LoadBand.Busy)]
    [InlineData(1.5, LoadBand.Busy)]
    [InlineData(1.51, LoadBand.Caution)]
    public void The_bounds_are_those_published(double ratio, LoadBand standing) => Assert.Equal(standing, WeekLoad.BandOf(ratio));

    [Fact]
    public void Next_week_is_set_against_the_same_finished_weeks_as_this_one()
    {
        // By hand: four finished weeks of 65 min at effort 5 are 325 each. Wednesday: 22 min so far this week, 110. The same 97
        // minutes at effort 5 (485) are 1.83 on top of it, and 485 ÷ 325 = 1.49 next week; with the unfinished week as one of the
        // four the mean would have been (3 × 325 + 110) ÷ 4 = 271 and next week 1.79.
        LoadedSession[] sessions = [.. Enumerable.Range(1, 5).Select(w => Before(w, 65, 5)), new(Monday, 22, 5)];
        var wednesday = Monday.AddDays(2);
        Assert.Equal(595 / 325.0, Load.Of(sessions, Monday, wednesday).RatioWith(97)!.Value, 9);
        Assert.Equal(485 / 325.0, Load.Of(sessions, Monday.AddDays(7), wednesday).RatioWith(97)!.Value, 9);
        Assert.Equal(325, Load.Of(sessions, Monday.AddDays(14), wednesday).MeanBefore);
    }
}
