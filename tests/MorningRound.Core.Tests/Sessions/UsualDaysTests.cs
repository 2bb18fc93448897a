using MorningRound.Core.Sessions;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>How many days of a week somebody practises on, counted by hand.</summary>
public sealed class UsualDaysTests
{
    private static readonly DateOnly Monday = new(2026, 4, 6);

    [Fact]
    public void The_median_of_the_last_four_finished_weeks_counts() =>
        // 2, 3, 3 and 5 days: 3 stands on both sides of the middle.
        Assert.Equal(3, UsualDays.Of(Weeks(2, 5, 3, 3), Monday));

    [Fact]
    public void Between_two_numbers_the_larger_counts() =>
        // 1, 2, 3, 4: half way between 2 and 3, counted up.
        Assert.Equal(3, UsualDays.Of(Weeks(1, 2, 3, 4), Monday));

    [Fact]
    public void Two_sessions_on_a_day_are_one_day_of_practice() =>
        Assert.Equal(2, UsualDays.Of([.. Weeks(2, 2, 2, 2), .. Weeks(2, 2, 2, 2)], Monday));

    [Fact]
    public void A_week_without_practice_does_not_count_and_two_weeks_are_no_custom()
    {
        Assert.Equal(4, UsualDays.Of(Weeks(4, 0, 4, 3), Monday));
        Assert.Null(UsualDays.Of(Weeks(4, 0, 4, 0), Monday));
        Assert.Null(UsualDays.Of([], Monday));
    }

    [Fact]
    public void This_week_and_weeks_long_past_do_not_count()
    {
        Assert.Null(UsualDays.Of(Weeks(5, 5, 5, 5), Monday.AddDays(-28)));
        Assert.Equal(1, UsualDays.Of([.. Weeks(7, 1, 1, 1, 1), Monday, Monday.AddDays(1)], Monday));
    }

    /// <summary>Days practised, from the Monday of each of some weeks; the last of them ends before the Monday.</summary>
    private static List<DateOnly> Weeks(params int[] days) =>
        [.. days.SelectMany((n, i) => Enumerable.Range(0, n).Select(day => Monday.AddDays((-7 * (days.Length - i)) + day)))];
}
