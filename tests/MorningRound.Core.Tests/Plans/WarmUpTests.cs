using CsCheck;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Drafting;

namespace MorningRound.Core.Tests.Plans;

/// <summary>Warm-ups of any length. All of it is common practice, no source.</summary>
public sealed class WarmUpTests
{
    private static readonly DateOnly Odd = new(2026, 5, 7);
    private static readonly DateOnly Even = new(2026, 5, 6);

    private static IReadOnlyList<WarmUpPart> Round(
        int minutes,
        DateOnly? day = null,
        Club[]? bag = null,
        Club[]? forbidden = null
    ) => WarmUps.Of(minutes, WarmUpBefore.Round, day ?? Even, bag ?? [], forbidden ?? []);

    [Fact]
    public void A_full_warm_up_is_fifteen_wedges_and_two_of_seven_clubs_before_the_settling_wedges()
    {
        var parts = Round(30);
        Assert.Equal(29, parts.TakeWhile(p => p.Title != "Soft wedges to settle").Sum(p => p.Balls));
        Assert.Equal(
            [Club.PitchingWedge, Club.Iron8, Club.Iron6, Club.Iron4, Club.Hybrid, Club.Wood3, Club.Driver],
            parts.Single(p => p.Title == "Two each up the bag").Clubs
        );
    }

    [Fact]
    public void Twenty_minutes_are_fifteen_easy_balls_in_about_four_minutes_an_aim_check_and_two_drivers()
    {
        var parts = Round(20);
        var easy = parts.Single(p => p.Title == "Fifteen easy ones");
        Assert.Equal(15, easy.Balls);
        Assert.InRange(easy.Minutes, 4, 5);
        Assert.Equal(5, parts.Single(p => p.Title == "Aim check").Balls);
        Assert.Equal([Club.Iron6], parts.Single(p => p.Title == "Aim check").Clubs);
        var longer = parts.Single(p => p.Title == "Two of each longer one");
        Assert.Contains(Club.Driver, longer.Clubs);
        Assert.Equal(2 * longer.Clubs.Count, longer.Balls);
    }

    [Fact]
    public void In_five_minutes_there_is_no_full_swing()
    {
        var parts = Round(5);
        Assert.DoesNotContain(parts, p => p.Swing == SwingSize.Full || p.Place == PlaceKind.Range);
        Assert.Equal((2, 2), (parts.Single(p => p.Area == Area.Putting).Minutes, parts.Single(p => p.Area == Area.Chip).Minutes));
    }

    [Fact]
    public void The_clubs_change_with_odd_and_even_days()
    {
        var clubs = WarmUps.Usable([], []);
        Assert.Equal([Club.Iron9, Club.Iron7, Club.Iron5, Club.Hybrid], WarmUps.Rotation(Odd, clubs));
        Assert.Equal([Club.Iron8, Club.Iron6, Club.Iron4, Club.Wood3], WarmUps.Rotation(Even, clubs));
    }

    [Fact]
    public void No_driver_where_the_place_forbids_it_and_nothing_the_bag_lacks()
    {
        Assert.DoesNotContain(Round(40, forbidden: [Club.Driver]), p => p.Clubs.Contains(Club.Driver));
        Club[] half = [Club.Iron9, Club.Iron7, Club.Hybrid, Club.SandWedge, Club.Putter];
        Assert.Subset(half.ToHashSet(), Round(40, Odd, half).SelectMany(p => p.Clubs).ToHashSet());
    }

    [Fact]
    public void Everything_is_said_in_lead_and_trail_words_so_that_it_holds_for_either_hand() =>
        Assert.All(
            Enumerable.Range(5, 60).SelectMany(m => Round(m)),
            p => Assert.DoesNotMatch(@"\b(left|right)\b(?! behind)", p.Text)
        );

    [Fact]
    public void Shorter_than_five_minutes_is_no_warm_up() => Assert.Throws<ArgumentOutOfRangeException>(() => Round(4));

    [Fact]
    public void Any_length_adds_up_at_a_pace_of_at_most_four_balls_a_minute_and_never_a_third_ball_up_the_bag() =>
        Gen.Select(Gen.Int[5, 90], Gen.Enum<WarmUpBefore>(), Gen.Int[0, 60], Gen.Enum<Club>().HashSet[0, 12], Gen.Bool)
            .ForEachSeed(
                (minutes, before, days, bag, noDriver) =>
                {
                    var parts = WarmUps.Of(minutes, before, Even.AddDays(days), bag, noDriver ? [Club.Driver] : []);
                    Assert.Equal(minutes, parts.Sum(p => p.Minutes));
                    Assert.All(
                        parts,
                        p =>
                            Assert.True(
                                p.Minutes >= 1 && p.Balls <= 4 * p.Minutes,
                                $"{p.Title}: {p.Balls} balls in {p.Minutes} min"
                            )
                    );
                    Assert.All(
                        parts.Where(p => p.Title.StartsWith("Two", StringComparison.Ordinal)),
                        p => Assert.Equal(2 * p.Clubs.Count, p.Balls)
                    );
                    Assert.Equal(Area.Body, parts[0].Area);
                    if (noDriver)
                        Assert.DoesNotContain(parts, p => p.Clubs.Contains(Club.Driver));
                },
                seeds: 3_000
            );
}
