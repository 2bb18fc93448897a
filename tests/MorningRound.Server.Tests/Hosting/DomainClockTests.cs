using MorningRound.Server.Hosting;

namespace MorningRound.Server.Tests.Hosting;

public class DomainClockTests
{
    [Fact]
    public void A_shifted_clock_starts_at_nine_and_goes_on_ticking()
    {
        var real = new SettableClock();
        var clock = DomainClock.StartingOn(new DateOnly(2026, 5, 6), real);
        Assert.Equal(9, clock.GetUtcNow().Hour);
        real.Forward(TimeSpan.FromHours(20));
        Assert.Equal(new DateOnly(2026, 5, 7), clock.Today("UTC"));
    }

    [Theory]
    // Nine in the morning in UTC is the same day from nine hours west to fourteen hours east; Honolulu is ten hours behind.
    [InlineData("Pacific/Honolulu", "2026-05-05")]
    [InlineData("America/Los_Angeles", "2026-05-06")]
    [InlineData("Europe/Lisbon", "2026-05-06")]
    [InlineData("Pacific/Kiritimati", "2026-05-06")]
    public void The_day_is_the_academys(string zone, string day) =>
        Assert.Equal(
            day,
            DomainClock.StartingOn(new DateOnly(2026, 5, 6), TimeProvider.System).Today(zone).ToString("yyyy-MM-dd")
        );
}
