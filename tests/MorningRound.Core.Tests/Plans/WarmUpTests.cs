using CsCheck;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Students;

namespace MorningRound.Core.Tests.Plans;

/// <summary>Warm-ups of any length, for anybody. All of it is common practice, no source.</summary>
public sealed class WarmUpTests
{
    private static readonly DateOnly Day = new(2026, 5, 6);

    private static WarmUpRequest Round(int minutes, WarmUpSchool school = WarmUpSchool.TwoAClub) =>
        new()
        {
            Minutes = minutes,
            Before = WarmUpBefore.Round,
            Day = Day,
            School = school,
        };

    private static IReadOnlyList<WarmUpPart> Parts(WarmUpRequest request) => WarmUps.Of(request).Parts;

    [Fact]
    public void A_full_warm_up_is_fifteen_wedges_and_two_of_seven_clubs_before_the_settling_wedges()
    {
        var parts = Parts(Round(30));
        Assert.Equal(29, parts.TakeWhile(p => p.Title != "Soft wedges to settle").Sum(p => p.Balls));
        Assert.Equal(
            [Club.PitchingWedge, Club.Iron8, Club.Iron6, Club.Iron4, Club.Hybrid, Club.Wood3, Club.Driver],
            parts.Single(p => p.Title == "Two each up the bag").Clubs
        );
        Assert.Equal([Club.SandWedge], parts.Single(p => p.Title == "Easy wedges").Clubs);
    }

    [Fact]
    public void Twenty_minutes_of_fives_are_fifteen_easy_balls_an_aim_check_and_two_drivers()
    {
        var parts = Parts(Round(20, WarmUpSchool.FixedFives));
        var (easy, speed, aim) = (
            parts.Single(p => p.Area == Area.Wedge),
            parts.Single(p => p.Title == "Five for speed, two long ones"),
            parts.Single(p => p.IsAimCheck)
        );
        Assert.Equal(15, easy.Balls + speed.Balls - 2);
        Assert.InRange(easy.Minutes, 3, 5);
        Assert.Contains(Club.Driver, speed.Clubs);
        Assert.Equal((5, Club.Iron6), (aim.Balls, aim.Clubs.Single()));
    }

    [Fact]
    public void In_five_minutes_there_is_no_full_swing()
    {
        var parts = Parts(Round(5));
        Assert.DoesNotContain(parts, p => p.Swing == SwingSize.Full || p.Place == PlaceKind.Range);
        Assert.Equal((2, 2), (parts.Single(p => p.Area == Area.Putting).Minutes, parts.Single(p => p.Area == Area.Chip).Minutes));
    }

    [Fact]
    public void Every_second_iron_of_this_bag_comes_today_and_the_others_tomorrow()
    {
        Club[] bag =
        [
            Club.Driver,
            Club.Wood5,
            Club.Hybrid,
            Club.Iron5,
            Club.Iron7,
            Club.Iron8,
            Club.PitchingWedge,
            Club.GapWedge,
        ];
        var request = Round(30) with { Bag = bag };
        var (today, tomorrow) = (WarmUps.UpTheBag(request), WarmUps.UpTheBag(request with { Day = Day.AddDays(1) }));
        Club[] always = [Club.PitchingWedge, Club.Hybrid, Club.Wood5, Club.Driver];
        Assert.Equal(always, today.Intersect(tomorrow).OrderByDescending(c => c));
        Assert.Equal([Club.Iron8, Club.Iron7, Club.Iron5], today.Union(tomorrow).Except(always).OrderByDescending(c => c));
        // A month with an odd number of days does not bring the same irons twice running.
        Assert.NotEqual(
            WarmUps.UpTheBag(request with { Day = new DateOnly(2026, 5, 31) }),
            WarmUps.UpTheBag(request with { Day = new DateOnly(2026, 6, 1) })
        );
        Assert.Equal([Club.GapWedge], Parts(request).Single(p => p.Title == "Easy wedges").Clubs);
    }

    [Theory]
    [InlineData(Level.New, AgeBand.Adult)]
    [InlineData(Level.Improving, AgeBand.UnderTwelve)]
    [InlineData(Level.SingleFigure, AgeBand.TwelveToSeventeen)]
    public void A_beginner_and_a_junior_have_few_clubs_and_at_most_one_wood(Level level, AgeBand age)
    {
        foreach (var school in Enum.GetValues<WarmUpSchool>())
        {
            var warmUp = WarmUps.Of(Round(30, school) with { Level = level, Age = age });
            var clubs = warmUp.Parts.SelectMany(p => p.Clubs).Distinct().Where(c => c != Club.Putter).ToList();
            Assert.InRange(clubs.Count, 2, 4);
            Assert.InRange(clubs.Count(c => c <= Club.Hybrid), 0, 1);
            Assert.StartsWith("A few clubs and no hurry", warmUp.Why, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void Each_school_is_another_warm_up_and_says_why()
    {
        var all = Enum.GetValues<WarmUpSchool>().Select(s => WarmUps.Of(Round(25, s))).ToList();
        Assert.Distinct(all.Select(w => w.Why));
        Assert.Distinct(all.Select(w => string.Join("|", w.Parts.Select(p => p.Title))));
        Assert.Contains(
            all[(int)WarmUpSchool.UntilCentred].Parts,
            p => p.Swing == SwingSize.Full && p.Exit is UntilMet { Criterion: "contact is centred with each of them" }
        );
    }

    [Fact]
    public void What_hurts_is_left_out_of_the_stretches_and_of_the_swings()
    {
        var parts = Parts(Round(30) with { Hurt = [new HurtPart(BodyPart.WristOrHand, BodySide.Trail)] });
        Assert.DoesNotContain("wrists", parts[0].Text, StringComparison.OrdinalIgnoreCase);
        Assert.EndsWith("Nothing for the trail wrist or hand.", parts[0].Text, StringComparison.Ordinal);
        Assert.DoesNotContain(parts, p => p.Swing is SwingSize.Half or SwingSize.Full or SwingSize.Chip);
        Assert.Contains(parts, p => p.Area == Area.Putting);
        // A little sore: half swings may be made, full ones not.
        var mild = Parts(Round(30) with { Hurt = [new HurtPart(BodyPart.WristOrHand, BodySide.Trail, Mild: true)] });
        Assert.Contains(mild, p => p.Swing == SwingSize.Half);
        Assert.DoesNotContain(mild, p => p.Swing == SwingSize.Full);
    }

    [Theory]
    [InlineData(1, 2)]
    [InlineData(2, 4)]
    [InlineData(3, 6)]
    [InlineData(5, 10)]
    public void As_many_stretches_as_the_minutes_hold(int minutes, int stretches) =>
        Assert.Equal(stretches, Stretches.InWords(minutes, []).Split(';').Length);

    [Fact]
    public void No_driver_where_the_place_forbids_it_and_nothing_the_bag_lacks()
    {
        foreach (var school in Enum.GetValues<WarmUpSchool>())
        {
            Assert.DoesNotContain(
                Parts(Round(40, school) with { Without = [Club.Driver] }),
                p => p.Clubs.Contains(Club.Driver) || p.Text.Contains("driver", StringComparison.Ordinal)
            );
            Club[] half = [Club.Iron9, Club.Iron7, Club.Hybrid, Club.SandWedge, Club.Putter];
            Assert.Subset(half.ToHashSet(), Parts(Round(40, school) with { Bag = half }).SelectMany(p => p.Clubs).ToHashSet());
        }
    }

    [Fact]
    public void Everything_is_said_in_lead_and_trail_words_so_that_it_holds_for_either_hand() =>
        Assert.All(
            Enumerable.Range(5, 60).SelectMany(m => Enum.GetValues<WarmUpSchool>().SelectMany(s => Parts(Round(m, s)))),
            p => Assert.DoesNotMatch(@"\b(left|right)\b(?! behind)", p.Text)
        );

    [Fact]
    public void Shorter_than_five_minutes_is_no_warm_up() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => WarmUps.Of(Round(4)));

    [Fact]
    public void Any_length_adds_up_at_a_pace_of_at_most_four_balls_a_minute_and_never_a_third_ball_up_the_bag() =>
        Gen.Select(
                Gen.Select(Gen.Int[5, 90], Gen.Enum<WarmUpBefore>(), Gen.Int[0, 60], Gen.Enum<WarmUpSchool>()),
                Gen.Select(Gen.Enum<Club>().HashSet[0, 12], Gen.Bool, Gen.Enum<Level>(), Gen.Enum<AgeBand>())
            )
            .ForEachSeed(
                (a, b) =>
                {
                    var parts = Parts(
                        new WarmUpRequest
                        {
                            Minutes = a.Item1,
                            Before = a.Item2,
                            Day = Day.AddDays(a.Item3),
                            School = a.Item4,
                            Bag = b.Item1,
                            Without = b.Item2 ? [Club.Driver] : [],
                            Level = b.Item3,
                            Age = b.Item4,
                        }
                    );
                    Assert.Equal(a.Item1, parts.Sum(p => p.Minutes));
                    Assert.All(
                        parts,
                        p =>
                            Assert.True(
                                p.Minutes >= 1 && p.Balls <= 4 * p.Minutes,
                                $"{p.Title}: {p.Balls} balls in {p.Minutes} min"
                            )
                    );
                    Assert.All(parts.Where(p => p.Title == "Two each up the bag"), p => Assert.Equal(2 * p.Clubs.Count, p.Balls));
                    Assert.Equal(Area.Body, parts[0].Area);
                    if (b.Item2)
                        Assert.DoesNotContain(parts, p => p.Clubs.Contains(Club.Driver));
                },
                seeds: 3_000
            );

    [Fact]
    public void Whoever_comes_back_warms_up_for_practice_without_the_driver_and_for_a_round_with_it()
    {
        var day = new DateOnly(2026, 5, 6);
        var file = new StudentFile
        {
            Coach = new CoachSection
            {
                Bag =
                [
                    .. new[] { Club.Driver, Club.Hybrid, Club.Iron5, Club.Iron7, Club.Iron9, Club.SandWedge }.Select(
                        club => new BagClub { Club = club }
                    ),
                ],
                PainfulParts =
                [
                    new PainfulPart
                    {
                        Part = BodyPart.WristOrHand,
                        Side = BodySide.Trail,
                        Since = day.AddDays(-20),
                        ClearedOn = day.AddDays(-4),
                        ClearedBy = "A physiotherapist",
                    },
                ],
            },
        };
        bool HasDriver(DateOnly on, WarmUpBefore before) =>
            Enum.GetValues<WarmUpSchool>()
                .SelectMany(school =>
                    WarmUps.Of(WarmUpRequest.Of(new PlanContext { Day = on, Student = file }, 30, before, school)).Parts
                )
                .Any(p => p.Clubs.Contains(Club.Driver));
        Assert.False(HasDriver(day, WarmUpBefore.Block));
        Assert.True(HasDriver(day, WarmUpBefore.Round));
        Assert.True(HasDriver(day.AddDays(60), WarmUpBefore.Block));
    }
}
