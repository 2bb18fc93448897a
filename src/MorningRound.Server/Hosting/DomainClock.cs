namespace MorningRound.Server.Hosting;

/// <summary>
/// The clock of the job: which day it is for plans, weeks and logs. It can be shifted to another day and keeps ticking from
/// there. Cookies, invitations and lockout use the real clock instead.
/// </summary>
public class DomainClock(TimeProvider real, TimeSpan shift) : TimeProvider
{
    public override DateTimeOffset GetUtcNow() => real.GetUtcNow() + shift;

    /// <summary>The day it is in a time zone.</summary>
    public DateOnly Today(string timeZone) => DayOf(GetUtcNow(), timeZone);

    /// <summary>The day an instant falls on in a time zone.</summary>
    public static DateOnly DayOf(DateTimeOffset instant, string timeZone) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(instant, TimeZoneInfo.FindSystemTimeZoneById(timeZone)).DateTime);

    /// <summary>
    /// A clock that starts at nine in the morning, UTC, of a given day. A fixed hour, so that the day is the same one in nearly
    /// every time zone and does not turn while somebody tries something out.
    /// </summary>
    public static DomainClock StartingOn(DateOnly day, TimeProvider real) =>
        new(real, new DateTimeOffset(day.ToDateTime(new TimeOnly(9, 0)), TimeSpan.Zero) - real.GetUtcNow());
}
