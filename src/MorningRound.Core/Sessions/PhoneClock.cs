using MorningRound.Core.Units;

namespace MorningRound.Core.Sessions;

/// <summary>
/// Puts the times of a phone's entries right. A phone's clock can be hours or years off, and it can be set in the middle of a
/// session; what was practised is kept all the same, in its order, and as near to its real time as can be told.
/// </summary>
public static class PhoneClock
{
    /// <summary>Clocks that differ by less are taken to agree.</summary>
    public static readonly TimeSpan Tolerance = TimeSpan.FromMinutes(5);

    /// <summary>
    /// By how many seconds an entry's time has to be moved; 0 where it can be believed.
    /// </summary>
    /// <param name="entry">The entry as the phone sent it.</param>
    /// <param name="sentAt">The phone's own time when it sent the entry; null where it did not say.</param>
    /// <param name="now">The server's time when it arrived.</param>
    /// <param name="earliest">
    /// Nothing can have happened before this: when the session was published, or the entry before it.
    /// </param>
    /// <returns>
    /// Seconds to add; the moved time lies between <paramref name="earliest"/> and <paramref name="now"/>, or at the latter.
    /// </returns>
    public static long Shift(SessionEntry entry, DateTimeOffset? sentAt, DateTimeOffset now, DateTimeOffset earliest)
    {
        if (earliest > now)
            earliest = now;
        var isPlausible = entry.At <= now + Tolerance && entry.At >= earliest - Tolerance;
        if (isPlausible && entry.ClockOffset is not null)
            return 0;
        // How far the clocks are apart now tells how far they were apart then, unless the phone's was set in between.
        var apart = sentAt is { } sent ? SecondsBetween(sent, now) : (long?)null;
        var known = entry.ClockOffset ?? 0;
        if (isPlausible && (apart is not { } seen || Math.Abs(seen - known) <= Tolerance.TotalSeconds))
            return 0;
        var right = apart is { } measured ? Moved(entry.At, measured - known) : entry.At;
        right =
            right > now ? now
            : right < earliest ? earliest
            : right;
        return SecondsBetween(entry.At, right);
    }

    /// <summary>The entry at its right time.</summary>
    public static SessionEntry PutRight(SessionEntry entry, long shiftSeconds) =>
        shiftSeconds == 0 ? entry : entry with { At = Moved(entry.At, shiftSeconds) };

    private static long SecondsBetween(DateTimeOffset from, DateTimeOffset to) => (long)Math.Round((to - from).TotalSeconds);

    /// <summary>Stops at the ends of the calendar instead of falling off.</summary>
    private static DateTimeOffset Moved(DateTimeOffset at, long seconds)
    {
        var room =
            seconds > 0 ? SecondsBetween(at, DateTimeOffset.MaxValue) - 1 : SecondsBetween(DateTimeOffset.MinValue, at) - 1;
        return at.AddSeconds(Math.Sign(seconds) * Math.Min(Math.Abs(seconds), Math.Max(0, room)));
    }
}
