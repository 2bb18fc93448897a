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
        var week = WeekCompletion.Of([Assigned(60, 60), Assigned(30, 15)]);
        Assert.Equal(0.8333, week.Fraction!.Value, 4);
        Assert.Equal(1, week.SessionsDone);
        Assert.Equal(2, week.Sessions);
    }

    [Fact]
    public void An_extra_is_shown_and_never_lowers_the_week()
    {
        var without = WeekCompletion.Of([Assigned(60, 60)]);
        var with = WeekCompletion.Of([Assigned(60, 60), Assigned(45, null, Requirement.Extra), Assigned(30, 10, Requirement.Extra)]);
        Assert.Equal(without.Fraction, with.Fraction);
        Assert.Equal(1, with.ExtrasDone);
    }

    [Fact]
    public void An_excused_session_counts_for_nothing() =>
        Assert.Equal(1, WeekCompletion.Of([Assigned(60, 60), Assigned(60, null, excuse: Excuse.Ill)]).Fraction);

    [Fact]
    public void A_week_with_nothing_left_has_no_figure()
    {
        Assert.Null(WeekCompletion.Of([]).Fraction);
        Assert.Null(WeekCompletion.Of([Assigned(60, null, excuse: Excuse.Away)]).Fraction);
    }

    [Fact]
    public void A_week_lies_between_nothing_and_everything() =>
        Gen.Select(Gen.Int[1, 120], Gen.Double[0, 1], Gen.Bool).Array[0, 8].ForEachSeed(rows =>
        {
            var week = WeekCompletion.Of([.. rows.Select(r => Assigned(r.Item1, r.Item1 * r.Item2, r.Item3 ? Requirement.Must : Requirement.Extra))]);
            if (week.Fraction is { } fraction) Assert.InRange(fraction, 0, 1 + 1e-9);
            else Assert.DoesNotContain(rows, r => r.Item3);
        });

    [Theory]
    [InlineData("2026-05-05", null, "2026-05-05", Standing.Open)]
    [InlineData("2026-05-05", null, "2026-05-06", Standing.Missed)]
    [InlineData(null, null, "2026-05-10", Standing.Open)] // any day: the week still has its Sunday
    [InlineData(null, null, "2026-05-11", Standing.Missed)]
    [InlineData("2026-05-05", 60.0, "2026-05-06", Standing.Done)]
    [InlineData("2026-05-05", 20.0, "2026-05-06", Standing.PartDone)]
    [InlineData("2026-05-07", 0.0, "2026-05-06", Standing.Missed)] // finished with everything skipped
    public void A_session_stands_where_its_day_and_its_log_put_it(string? day, double? done, string today, Standing standing) =>
        Assert.Equal(standing, Assigned(60, done, day: day is null ? null : Day(day)).StandingOn(Day(today)));

    [Fact]
    public void A_session_begun_is_under_way_until_its_day_is_over()
    {
        var begun = Assigned(60, 20, day: Day("2026-05-05")) with { IsFinished = false };
        Assert.Equal(Standing.UnderWay, begun.StandingOn(Day("2026-05-05")));
        Assert.Equal(Standing.PartDone, begun.StandingOn(Day("2026-05-06")));
    }

    [Fact]
    public void Excused_stays_excused_whatever_was_done() =>
        Assert.Equal(Standing.Excused, Assigned(60, 60, excuse: Excuse.Hurt).StandingOn(Day("2026-05-20")));

    private static DateOnly Day(string text) => DateOnly.ParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture);
}
