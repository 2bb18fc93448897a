using System.Globalization;
using CsCheck;
using MorningRound.Core.Calendar;

namespace MorningRound.Core.Tests.Weeks;

public class IsoWeekTests
{
    [Theory]
    // Source: ISO 8601.
    [InlineData("2026-12-31", "2026-W53")]
    [InlineData("2027-01-01", "2026-W53")]
    [InlineData("2027-01-03", "2026-W53")]
    [InlineData("2027-01-04", "2027-W01")]
    public void The_turn_of_the_year_follows_the_standard(string day, string week) =>
        Assert.Equal(week, IsoWeek.Of(DateOnly.ParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture)).ToString());

    [Theory]
    [InlineData("2026-W54")]
    [InlineData("2027-W53")] // 2027 has 52 weeks
    [InlineData("2026-W00")]
    [InlineData("2026W10")]
    [InlineData("2026-W1")]
    [InlineData("2026-W+1")]
    [InlineData("0001-W01")]
    [InlineData("")]
    [InlineData(null)]
    public void What_is_no_week_is_not_read(string? text) => Assert.False(IsoWeek.TryParse(text, out _));

    [Fact]
    public void Every_day_lies_in_its_week_and_the_week_reads_back() =>
        Gen.Int[0, 40_000]
            .Select(n => new DateOnly(1950, 1, 1).AddDays(n))
            .ForEachSeed(day =>
            {
                var week = IsoWeek.Of(day);
                Assert.Equal(DayOfWeek.Monday, week.Monday.DayOfWeek);
                Assert.True(week.Contains(day));
                Assert.False(week.Plus(1).Contains(day));
                Assert.True(IsoWeek.TryParse(week.ToString(), out var read));
                Assert.Equal(week, read);
                Assert.True(week < week.Plus(1) && week.Plus(1).Plus(-1) >= week);
                Assert.Equal(week.Sunday.AddDays(1), week.Plus(1).Monday);
            });
}
