using CsCheck;
using MorningRound.Core.Golf;
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
    }

    [Fact]
    public void What_was_undone_never_happened()
    {
        var log = Log(
            (0, Counted(1, 5)),
            (1, Counted(1, 5)),
            (2, Undone(2)),
            (3, Settled(1, SegmentOutcome.Skipped)),
            (4, Undone(4))
        );
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
            (
                2,
                new SessionRated
                {
                    Focus = 3,
                    Sequence = 0,
                    At = Nine,
                }
            ),
            (
                3,
                new SessionRated
                {
                    Focus = 8,
                    Sequence = 0,
                    At = Nine,
                }
            )
        );
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
    public void A_phone_left_running_overnight_counts_two_hours_at_most_and_says_so()
    {
        var log = Log((0, Entered(1)), (840, Finished()));
        Assert.Equal((TimeSpan.FromHours(2), true), (log.Spent, log.ClockLeftRunning));
        Assert.False(Log((0, Entered(1)), (119, Finished())).ClockLeftRunning);
    }

    [Fact]
    public void Three_hours_with_a_ball_now_and_then_count_whole()
    {
        var log = Log((0, Entered(1)), (60, Counted(1, 10)), (120, Counted(1, 10)), (180, Settled(1, SegmentOutcome.Done)));
        Assert.Equal((TimeSpan.FromHours(3), false), (log.Spent, log.ClockLeftRunning));
    }

    [Fact]
    public void A_clock_stopped_afterwards_counts_up_to_where_the_student_says() =>
        Assert.Equal(
            TimeSpan.FromMinutes(25),
            Log((0, Entered(1)), (20, Counted(1, 5)), (25, Stopped()), (840, Entered(1)), (840, Stopped())).Spent
        );

    [Fact]
    public void A_card_typed_in_may_hold_any_stretch()
    {
        var paper = new SessionOpened
        {
            Recording = Recording.Paper,
            Sequence = 0,
            At = Nine,
        };
        Assert.Equal(TimeSpan.FromMinutes(200), Log((0, paper), (0, Entered(1)), (200, Settled(1, SegmentOutcome.Done))).Spent);
    }

    [Fact]
    public void A_mistapped_pain_report_can_be_mended_and_both_are_kept()
    {
        var reported = (PainReported)Pain(8) with { Sequence = 2, At = Nine.AddMinutes(2) };
        var mended = Log((0, Entered(1)), (2, Pain(8)), (3, Finished()), (90, Mended(2, 2)));
        Assert.Equal((2, false), (Assert.Single(mended.Pain).Level, mended.EndedByPain));
        Assert.Equal(new MendedPain(reported, reported with { Level = 2 }), Assert.Single(mended.MendedPain));
        var slip = Log((0, Entered(1)), (2, Pain(8)), (3, Mended(2, 0)));
        Assert.Empty(slip.Pain);
        Assert.Equal(new MendedPain(reported, null), Assert.Single(slip.MendedPain));

        static SessionEntry Mended(int sequence, int level) =>
            new PainMended
            {
                Mends = sequence,
                Level = level,
                Sharp = false,
                Sequence = 0,
                At = Nine,
            };
    }

    [Fact]
    public void A_rating_given_after_the_end_replaces_the_first_and_is_marked()
    {
        SessionRated Rated(int focus) =>
            new()
            {
                Focus = focus,
                Sequence = 0,
                At = Nine,
            };
        var log = Log((0, Entered(1)), (5, Rated(3)), (6, Finished()), (600, Rated(8)));
        Assert.Equal((8, true, Nine.AddMinutes(6)), (log.Rating!.Focus, log.RatedAfterwards, log.FinishedAt!.Value));
        Assert.False(Log((0, Entered(1)), (5, Rated(3)), (6, Finished())).RatedAfterwards);
    }

    [Fact]
    public void Feeling_unwell_ends_a_session_and_is_no_pain()
    {
        var log = Log(
            (0, Entered(1)),
            (
                2,
                new UnwellReported
                {
                    Feeling = Unwell.Overheated,
                    Sequence = 0,
                    At = Nine,
                }
            )
        );
        Assert.Equal((Unwell.Overheated, true, false), (log.Unwell!.Value, log.EndedForCare, log.EndedByPain));
        Assert.Null(log.Running);
    }

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
        Gen.Shuffle(Enumerable.Range(1, 8).ToArray())
            .ForEachSeed(order =>
            {
                SessionEntry[] entries =
                [
                    Entered(1),
                    Counted(1, 4),
                    Counted(1, -1),
                    Settled(1, SegmentOutcome.Done),
                    Entered(2),
                    Counted(2, 9),
                    Undone(6),
                    Finished(),
                ];
                var numbered = order.Select(n => entries[n - 1] with { Sequence = n, At = Nine.AddMinutes(n) });
                var log = SessionLog.From(numbered);
                Assert.Equal([3, null], log.Segments.Select(s => s.Balls));
                Assert.Equal(TimeSpan.FromMinutes(3 + 3), log.Spent);
            });
}
