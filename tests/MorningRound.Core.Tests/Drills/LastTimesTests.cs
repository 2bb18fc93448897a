using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>A result beside the comparable ones before it.</summary>
public sealed class LastTimesTests
{
    private static readonly MakeRate Fairways = new() { Attempts = 20, Make = "On the fairway you named" };
    private static readonly Streak Holed = new() { Length = 10 };

    private static string Said(ScoringProtocol protocol, ProtocolResult now, IReadOnlyList<PastResult> earlier) =>
        LastTimes.Of(protocol, now, earlier)?.In() ?? "";

    [Fact]
    public void The_difference_of_two_rates_has_the_published_interval()
    {
        // Source: Newcombe, Statistics in Medicine 17 (1998) 873, method 10: 56 of 70 against 48 of 80.
        var (low, high) = Rate.Difference((56, 70), (48, 80));
        Assert.Equal(0.0524, low, 4);
        Assert.Equal(0.3339, high, 4);
    }

    [Theory]
    [InlineData(0, 10, 10, 10)]
    [InlineData(5, 10, 10, 10)]
    [InlineData(81, 263, 1, 29)]
    public void The_difference_turns_its_sign_with_the_rates(int a, int of, int b, int outOf)
    {
        var there = Rate.Difference((a, of), (b, outOf));
        var back = Rate.Difference((b, outOf), (a, of));
        Assert.Equal(there.Low, -back.High, 12);
        Assert.Equal(there.High, -back.Low, 12);
        Assert.InRange((double)a / of - (double)b / outOf, there.Low, there.High);
    }

    [Fact]
    public void The_first_time_has_nothing_to_be_compared_with() =>
        Assert.Equal("The first time with these numbers: nothing to compare it with yet.", Said(Fairways, Made(7, 10), []));

    [Fact]
    public void Nothing_attempted_is_not_compared() => Assert.Equal("", Said(Fairways, Fairways.Score([], 1), [Made(7, 10)]));

    [Fact]
    public void A_few_more_of_twenty_are_no_clear_difference() =>
        // 14 of 20 against 30 of 60: the interval of the difference runs from −0.05 to 0.40 (worked by hand from both Wilson
        // intervals).
        Assert.Equal(
            "Share made the last 3 times, newest first: 50, 45, 55 %. No clear difference from 30 of 60 before: so few balls "
                + "go up and down by themselves.",
            Said(Fairways, Made(14, 20), [Made(10, 20), Made(9, 20), Made(11, 20)])
        );

    [Fact]
    public void Eighteen_of_twenty_after_thirty_of_sixty_is_more_than_chance() =>
        Assert.EndsWith(
            "More than 30 of 60 before, by more than chance would.",
            Said(Fairways, Made(18, 20), [Made(10, 20), Made(9, 20), Made(11, 20)])
        );

    [Fact]
    public void Only_the_last_three_are_looked_at() =>
        Assert.StartsWith("Share made the last 3 times", Said(Fairways, Made(10, 20), [.. Enumerable.Repeat(Made(10, 20), 7)]));

    [Theory]
    [InlineData(6, 4, 5, "Better than each of them this time.")]
    [InlineData(3, 4, 5, "Not as good as each of them this time.")]
    [InlineData(5, 4, 6, "In the range of the times before.")]
    public void A_run_is_put_among_the_runs_before(int now, int first, int second, string verdict) =>
        Assert.EndsWith(verdict, Said(Holed, Run(now), [Run(first), Run(second)]));

    [Fact]
    public void The_same_run_with_the_same_attempts_is_the_same_again() =>
        Assert.Equal("Best run last time: 4. The same again.", Said(Holed, Run(4), [Run(4)]));

    [Fact]
    public void Where_no_direction_is_better_the_times_are_only_told()
    {
        var rating = new BallRating { Rated = "tension in the trail shoulder" };
        var result = rating.Score([.. Enumerable.Range(1, 3).Select(i => new NumberGiven { Attempt = i, Tenths = 60 })], 1);
        Assert.Matches("^[A-Z].* last time: .*\\.$", Said(rating, result, [result]));
        Assert.DoesNotContain("etter", Said(rating, result, [result]));
    }

    private static ProtocolResult Made(int made, int of) =>
        Fairways.Score([.. Choices(Enumerable.Range(0, of).Select(i => i < made))], 1);

    /// <summary>A run of so many, then a miss.</summary>
    private static ProtocolResult Run(int length) =>
        Holed.Score([.. Choices(Enumerable.Range(0, length + 1).Select(i => i < length))], 1);

    private static IEnumerable<DrillInput> Choices(IEnumerable<bool> made) =>
        made.Select((m, i) => new ChoiceMade { Attempt = i + 1, Value = m ? "made" : "missed" });
}
