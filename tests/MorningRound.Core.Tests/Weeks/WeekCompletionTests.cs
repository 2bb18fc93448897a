using System.Globalization;
using CsCheck;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Weeks;

public class WeekCompletionTests
{
    [Fact]
    public void A_week_is_done_minutes_over_planned_minutes_not_the_mean_of_its_sessions()
    {
        // By hand: (60 + 15) ÷ (60 + 30) = 0.8333; the mean of 100 % and 50 % would be 75 %.
        var week = WeekCompletion.Of([Assigned(60, 60), Assigned(30, 15)], Week.Sunday);
        Assert.Equal(0.8333, week.Fraction!.Value, 4);
        Assert.Equal(1, week.SessionsDone);
        Assert.Equal(2, week.Sessions);
    }

    [Fact]
    public void An_extra_is_shown_and_never_lowers_the_week()
    {
        var without = WeekCompletion.Of([Assigned(60, 60)], Week.Sunday);
        var with = WeekCompletion.Of(
            [Assigned(60, 60), Assigned(45, null, Requirement.Extra), Assigned(30, 10, Requirement.Extra)],
            Week.Sunday
        );
        Assert.Equal(without.Fraction, with.Fraction);
        Assert.Equal(1, with.ExtrasDone);
    }

    [Fact]
    public void An_excused_session_counts_for_nothing() =>
        Assert.Equal(1, WeekCompletion.Of([Assigned(60, 60), Assigned(60, null, excuse: Excuse.Ill)], Week.Sunday).Fraction);

    [Fact]
    public void A_week_with_nothing_left_has_no_figure()
    {
        Assert.Null(WeekCompletion.Of([], Week.Sunday).Fraction);
        Assert.Null(WeekCompletion.Of([Assigned(60, null, excuse: Excuse.Away)], Week.Sunday).Fraction);
    }

    [Fact]
    public void A_week_lies_between_nothing_and_everything() =>
        Gen.Select(Gen.Int[1, 120], Gen.Double[0, 1], Gen.Bool)
            .Array[0, 8]
            .ForEachSeed(rows =>
            {
                var week = WeekCompletion.Of(
                    [.. rows.Select(r => Assigned(r.Item1, r.Item1 * r.Item2, r.Item3 ? Requirement.Must : Requirement.Extra))],
                    Week.Sunday
                );
                if (week.Fraction is { } fraction)
                    Assert.InRange(fraction, 0, 1 + 1e-9);
                else
                    Assert.DoesNotContain(rows, r => r.Item3);
            });

    [Theory]
    [InlineData("2026-05-05", null, "2026-05-05", SessionStatus.Open)]
    [InlineData("2026-05-05", null, "2026-05-06", SessionStatus.Missed)]
    [InlineData(null, null, "2026-05-10", SessionStatus.Open)] // any day: the week still has its Sunday
    [InlineData(null, null, "2026-05-11", SessionStatus.Missed)]
    [InlineData("2026-05-05", 60.0, "2026-05-06", SessionStatus.Done)]
    [InlineData("2026-05-05", 20.0, "2026-05-06", SessionStatus.PartDone)]
    [InlineData("2026-05-07", 0.0, "2026-05-06", SessionStatus.Missed)] // finished with everything skipped
    public void A_session_stands_where_its_day_and_its_log_put_it(
        string? day,
        double? done,
        string today,
        SessionStatus standing
    ) => Assert.Equal(standing, Assigned(60, done, day: day is null ? null : Day(day)).StatusOn(Day(today)));

    [Fact]
    public void A_session_begun_is_under_way_until_its_day_is_over()
    {
        var begun = Assigned(60, 20, day: Day("2026-05-05")) with { IsFinished = false };
        Assert.Equal(SessionStatus.UnderWay, begun.StatusOn(Day("2026-05-05")));
        Assert.Equal(SessionStatus.PartDone, begun.StatusOn(Day("2026-05-06")));
    }

    [Fact]
    public void Excused_stays_excused_whatever_was_done() =>
        Assert.Equal(SessionStatus.Excused, Assigned(60, 60, excuse: Excuse.Hurt).StatusOn(Day("2026-05-20")));

    [Fact]
    public void A_week_is_measured_by_what_was_due_and_any_day_is_due_on_sunday()
    {
        // By hand, on Thursday: Tuesday's 60 minutes and Wednesday's 40 are due, Thursday's 30 and "any day" are not.
        AssignedSession[] week =
        [
            Assigned(60, 60, day: Day("2026-05-05")),
            Assigned(40, 20, day: Day("2026-05-06")),
            Assigned(30, null, day: Day("2026-05-07")),
            Assigned(45, null),
        ];
        var thursday = WeekCompletion.Of(week, Day("2026-05-07"));
        Assert.Equal((100, 80, true), (thursday.DueMinutes, thursday.DueDoneMinutes, thursday.IsOnTrack));
        var friday = WeekCompletion.Of(week, Day("2026-05-08"));
        Assert.Equal((130, 80, false, 1), (friday.DueMinutes, friday.DueDoneMinutes, friday.IsOnTrack, friday.Missed));
        Assert.Equal(175, WeekCompletion.Of(week, Day("2026-05-11")).DueMinutes);
        Assert.True(WeekCompletion.Of(week, Day("2026-05-05")).IsOnTrack);
    }

    [Theory]
    // Three quarters of the minutes due keep a week on track: the product's own number.
    [InlineData(75, true)]
    [InlineData(74, false)]
    public void Three_quarters_of_what_is_due_keep_a_week_on_track(double done, bool isOnTrack) =>
        Assert.Equal(isOnTrack, WeekCompletion.Of([Assigned(100, done, day: Day("2026-05-05"))], Day("2026-05-06")).IsOnTrack);

    [Fact]
    public void A_session_that_pain_ended_is_ended_by_pain_and_not_done()
    {
        var ended = Assigned(60, 60, day: Day("2026-05-05"));
        ended = ended with { Completion = ended.Completion with { IsStopped = true } };
        Assert.Equal(SessionStatus.Stopped, ended.StatusOn(Day("2026-05-05")));
        Assert.Equal(SessionStatus.Excused, (ended with { Excuse = Excuse.Hurt }).StatusOn(Day("2026-05-05")));
    }

    private static DateOnly Day(string text) => DateOnly.ParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture);
}
