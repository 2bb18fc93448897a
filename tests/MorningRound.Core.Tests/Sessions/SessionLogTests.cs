using CsCheck;
using MorningRound.Core.Sessions;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class SessionLogTests
{
    [Fact]
    public void The_clock_counts_only_while_it_runs()
    {
        var log = Log((0, Entered(1)), (4, Stopped()), (10, Entered(1)), (13, Settled(1, SegmentOutcome.Done)));
        Assert.Equal(TimeSpan.FromMinutes(7), Assert.Single(log.Segments).Spent);
        Assert.Null(log.Running);
    }

    [Fact]
    public void Entering_the_next_segment_stops_the_clock_of_the_last()
    {
        var log = Log((0, Entered(1)), (5, Entered(2)), (9, Finished()));
        Assert.Equal([TimeSpan.FromMinutes(5), TimeSpan.FromMinutes(4)], log.Segments.Select(s => s.Spent));
        Assert.Equal(Nine.AddMinutes(9), log.FinishedAt);
        Assert.Equal(TimeSpan.FromMinutes(9), log.Spent);
    }

    [Fact]
    public void A_running_clock_says_since_when()
    {
        var log = Log((0, Entered(1)), (5, Entered(2)));
        Assert.Equal(new RunningClock(Id(2), Nine.AddMinutes(5)), log.Running);
    }

    [Fact]
    public void A_count_never_goes_below_zero_and_no_count_is_not_zero()
    {
        var log = Log((0, Counted(1, 2)), (1, Counted(1, -5)), (2, Counted(1, 3)), (3, Entered(2)));
        Assert.Equal([3, null], log.Segments.Select(s => s.Balls));
        Assert.Equal(3, log.Balls);
    }

    [Fact]
    public void What_was_undone_never_happened()
    {
        var log = Log((0, Counted(1, 5)), (1, Counted(1, 5)), (2, Undone(2)), (3, Settled(1, SegmentOutcome.Skipped)), (4, Undone(4)));
        var segment = Assert.Single(log.Segments);
        Assert.Equal(5, segment.Balls);
        Assert.Null(segment.Outcome);
    }

    [Fact]
    public void The_last_word_on_a_segment_and_on_the_session_counts()
    {
        var log = Log(
            (0, Settled(1, SegmentOutcome.Skipped)),
            (1, Settled(1, SegmentOutcome.PartDone)),
            (2, new SessionRated { Focus = 3, Sequence = 0, At = Nine }),
            (3, new SessionRated { Focus = 8, Sequence = 0, At = Nine }));
        Assert.Equal(SegmentOutcome.PartDone, Assert.Single(log.Segments).Outcome);
        Assert.Equal(8, log.Rating!.Focus);
    }

    [Theory]
    // Common practice, no source: four or more of ten, or any sharp pain, ends the session.
    [InlineData(3, false, false)]
    [InlineData(4, false, true)]
    [InlineData(1, true, true)]
    [InlineData(10, true, true)]
    public void Pain_of_four_or_sharp_pain_ends_the_session(int level, bool sharp, bool ends) =>
        Assert.Equal(ends, Log((0, Entered(1)), (2, Pain(level, sharp))).EndedByPain);

    [Fact]
    public void The_pain_scale_says_itself_where_it_ends_a_session() =>
        Assert.Equal([4, 5, 6, 7, 8, 9, 10], PainRule.Scale.Where(s => s.EndsSession).Select(s => s.Level));

    [Fact]
    public void Pain_that_ends_the_session_stops_the_clock()
    {
        Assert.Null(Log((0, Entered(1)), (2, Pain(5))).Running);
        Assert.NotNull(Log((0, Entered(1)), (2, Pain(2))).Running);
    }

    [Fact]
    public void A_phone_left_running_overnight_counts_four_hours_at_most() =>
        Assert.Equal(SessionLog.LongestStretch, Log((0, Entered(1)), (600, Finished())).Spent);

    [Fact]
    public void A_clock_that_ran_backwards_adds_nothing() =>
        Assert.Equal(TimeSpan.Zero, Log((10, Entered(1)), (5, Stopped())).Spent);

    [Fact]
    public void An_empty_log_has_not_begun()
    {
        var log = SessionLog.From([]);
        Assert.Null(log.StartedAt);
        Assert.Empty(log.Segments);
    }

    [Fact]
    public void Entries_may_arrive_in_any_order() =>
        Gen.Shuffle(Enumerable.Range(1, 8).ToArray()).ForEachSeed(order =>
        {
            SessionEntry[] entries =
            [
                Entered(1), Counted(1, 4), Counted(1, -1), Settled(1, SegmentOutcome.Done),
                Entered(2), Counted(2, 9), Undone(6), Finished(),
            ];
            var numbered = order.Select(n => entries[n - 1] with { Sequence = n, At = Nine.AddMinutes(n) });
            var log = SessionLog.From(numbered);
            Assert.Equal([3, null], log.Segments.Select(s => s.Balls));
            Assert.Equal(TimeSpan.FromMinutes(3 + 3), log.Spent);
        });
}
