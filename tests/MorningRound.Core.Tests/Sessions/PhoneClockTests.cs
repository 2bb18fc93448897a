using CsCheck;
using MorningRound.Core.Sessions;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class PhoneClockTests
{
    private static readonly DateTimeOffset Now = Nine.AddHours(2);

    private static SessionEntry At(DateTimeOffset at, int? offset = null) =>
        new ClockStopped
        {
            Sequence = 1,
            At = at,
            ClockOffset = offset,
        };

    private static DateTimeOffset Right(SessionEntry entry, DateTimeOffset? sentAt, DateTimeOffset? earliest = null) =>
        PhoneClock.PutRight(entry, PhoneClock.Shift(entry, sentAt, Now, earliest ?? Nine.AddDays(-1))).At;

    [Fact]
    public void A_phone_that_knows_the_time_is_believed() =>
        Assert.Equal(Nine, Right(At(Nine, offset: 7200), sentAt: Now.AddHours(-2)));

    [Theory]
    [InlineData(3)] // three hours ahead
    [InlineData(-5)] // five hours behind
    [InlineData(24 * 365 * 40)] // forty years ahead
    [InlineData(-24 * 365 * 56)] // begun at 1970, as a phone without a battery does
    public void A_phone_that_never_heard_the_time_is_put_right_by_the_time_it_sends_at(int hoursAhead)
    {
        var off = TimeSpan.FromHours(hoursAhead);
        Assert.Equal(Nine, Right(At(Nine + off), sentAt: Now + off));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(-1)]
    [InlineData(0)]
    public void A_shift_of_a_second_is_a_second(long seconds) =>
        Assert.Equal(Nine.AddSeconds(seconds), PhoneClock.PutRight(At(Nine), seconds).At);

    [Fact]
    public void A_clock_that_was_set_after_the_entry_moves_nothing_that_was_right() =>
        // It was right then, by the server's word, and has been set three hours ahead since.
        Assert.Equal(Nine, Right(At(Nine, offset: 0), sentAt: Now.AddHours(3)));

    [Fact]
    public void A_time_still_to_come_or_before_anything_was_set_is_brought_back_to_where_it_can_lie()
    {
        Assert.Equal(Now, Right(At(Now.AddDays(3), offset: 0), sentAt: null));
        Assert.Equal(Nine.AddDays(-1), Right(At(Nine.AddDays(-30), offset: 0), sentAt: null));
        Assert.Equal(Now, Right(At(DateTimeOffset.MaxValue), sentAt: null), TimeSpan.FromSeconds(1));
        Assert.Equal(Nine.AddDays(-1), Right(At(DateTimeOffset.MinValue), sentAt: null));
    }

    [Fact]
    public void Whatever_a_clock_says_the_right_time_lies_between_what_came_before_and_now() =>
        Gen.Select(
                Gen.Long[DateTimeOffset.MinValue.Ticks, DateTimeOffset.MaxValue.Ticks],
                Gen.Long[DateTimeOffset.MinValue.Ticks, DateTimeOffset.MaxValue.Ticks],
                Gen.Int
            )
            .ForEachSeed(
                (at, sent, offset) =>
                {
                    foreach (
                        var entry in new[]
                        {
                            At(new DateTimeOffset(at, TimeSpan.Zero)),
                            At(new DateTimeOffset(at, TimeSpan.Zero), offset),
                        }
                    )
                    {
                        var right = Right(entry, new DateTimeOffset(sent, TimeSpan.Zero));
                        Assert.InRange(right, Nine.AddDays(-1) - PhoneClock.Tolerance, Now + PhoneClock.Tolerance);
                    }
                }
            );
}
