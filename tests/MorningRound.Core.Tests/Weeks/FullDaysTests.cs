using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks.Placing;

namespace MorningRound.Core.Tests.Weeks;

public class FullDaysTests
{
    // Monday 4 to Sunday 10 May 2026.
    private static readonly IsoWeek Week = IsoWeek.Of(new DateOnly(2026, 5, 4));

    private static DateOnly Day(int n) => new(2026, 5, n);

    private static IEnumerable<int> Full(
        IReadOnlyCollection<PracticeWindow> times,
        IReadOnlyCollection<Absence> absences,
        params DateOnly[] taken
    ) => FullDays.Of(Week, times, absences, [], taken).Select(d => d.Day);

    private static PracticeWindow Time(DayOfWeek weekday, int hour = 17) =>
        new()
        {
            Weekday = weekday,
            From = new TimeOnly(hour, 0),
            Minutes = 60,
            Place = PlaceKind.Range,
        };

    [Fact]
    public void Without_times_a_day_holds_one_session() => Assert.Equal([6], Full([], [], Day(6)));

    [Fact]
    public void With_times_a_day_holds_as_many_as_there_are() =>
        Assert.Equal(
            [4, 6, 7, 8, 9, 10],
            Full([Time(DayOfWeek.Tuesday), Time(DayOfWeek.Tuesday, 19), Time(DayOfWeek.Wednesday)], [], Day(5), Day(6))
        );

    [Fact]
    public void Days_away_have_no_room() => Assert.Equal([8, 9], Full([], [new Absence { FirstDay = Day(8), LastDay = Day(9) }]));
}
