using MorningRound.Core.Competitions;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Competitions;

public class TaperTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    private static readonly Competition Cup = new()
    {
        Id = Id(1),
        Name = "Reed Cup",
        FirstDay = new DateOnly(2026, 5, 16),
        LastDay = new DateOnly(2026, 5, 17),
        ArrivalDay = new DateOnly(2026, 5, 15),
        GreenSpeedFeet = 10.5,
    };

    private static SessionOnDay On(int day, int minutes, bool isSlow = false, bool isWarmUp = false) =>
        new(Id(day), new DateOnly(2026, 5, day), $"Session {day}", minutes, isWarmUp, isSlow);

    [Fact]
    public void The_week_before_the_arrival_leads_to_the_last_day_of_play()
    {
        // Common practice, no source: volume falls, technique rests, on arrival the greens, on the day a warm-up.
        var days = TaperDay.Of(Cup, [], Today);
        Assert.Equal(new DateOnly(2026, 5, 8), days[0].Day);
        Assert.Equal(new DateOnly(2026, 5, 17), days[^1].Day);
        Assert.Equal(
            [
                .. Enumerable.Repeat(TaperKind.Practice, 5),
                TaperKind.Light,
                TaperKind.Light,
                TaperKind.Arrival,
                TaperKind.Play,
                TaperKind.Play,
            ],
            days.Select(d => d.Kind)
        );
        Assert.Equal([60, 60, 30], days.Where(d => d.Most is not null).Select(d => d.Most!.Value));
    }

    [Fact]
    public void What_is_too_much_on_a_day_is_named()
    {
        var days = TaperDay.Of(
            Cup,
            [On(12, 90, isSlow: true), On(13, 75, isSlow: true), On(15, 25), On(16, 20, isWarmUp: true), On(17, 40)],
            Today
        );
        Assert.Equal(
            [
                "“Session 13” takes 75 min: 60 is the most.",
                "“Session 13” asks for slow repetitions.",
                "“Session 17” is more than a warm-up.",
            ],
            days.SelectMany(d => d.TooMuchText)
        );
    }

    [Fact]
    public void Days_gone_by_are_not_shown_and_neither_is_a_competition_that_is_over()
    {
        Assert.Equal(new DateOnly(2026, 5, 14), TaperDay.Of(Cup, [], new DateOnly(2026, 5, 14))[0].Day);
        Assert.Empty(TaperDay.Of(Cup, [], new DateOnly(2026, 5, 18)));
    }

    [Fact]
    public void Without_a_day_of_arrival_the_first_day_is_one_of_play() =>
        Assert.Equal(
            [TaperKind.Light, TaperKind.Light, TaperKind.Play, TaperKind.Play],
            TaperDay.Of(Cup with { ArrivalDay = null }, [], new DateOnly(2026, 5, 14)).Select(d => d.Kind)
        );

    [Theory]
    [InlineData(6, "10 days to go.")]
    [InlineData(15, "It begins tomorrow.")]
    [InlineData(16, "Day 1 of 2.")]
    [InlineData(17, "Day 2 of 2.")]
    [InlineData(18, "It was over yesterday.")]
    [InlineData(20, "It was over 3 days ago.")]
    public void How_far_off_it_is(int day, string said) =>
        Assert.Equal(said, CompetitionStanding.InWords(Cup, new DateOnly(2026, 5, day)).In());

    [Theory]
    [InlineData(9.0, "leave putting for pace until you are there")]
    [InlineData(9.5, "pace from home is worth something there")]
    public void Greens_of_another_speed_are_left_for_there(double home, string said) =>
        // Common practice, schools differ: more than a foot apart is another green.
        Assert.Contains(said, CompetitionStanding.Greens(Cup, home)!.In(), StringComparison.Ordinal);

    [Fact]
    public void Greens_nobody_measured_are_to_be_found_out()
    {
        Assert.Contains(
            "find that out",
            CompetitionStanding.Greens(Cup with { GreenSpeedFeet = null }, 9)!.In(),
            StringComparison.Ordinal
        );
        Assert.Null(CompetitionStanding.Greens(Cup, null));
    }
}
