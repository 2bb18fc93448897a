using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>The aim check: five balls, what they say in yards, and five more to verify it.</summary>
public class AimCheckTests
{
    private static readonly MarkedLength At185 = new(185, LengthUnit.Yards);

    /// <summary>Common practice, no source: 13, 16, 15, 17, 14 yd right at 185.</summary>
    private static readonly int[] Right = [130, 160, 150, 170, 140];

    private static AimCheck Check(IReadOnlyList<int> first, params int[] second) => AimCheck.Of(first, second, At185, []);

    [Fact]
    public void A_steady_offset_moves_the_aim_by_its_angle_and_says_so_in_yards_for_two_other_clubs()
    {
        var check = AimCheck.Of(Right, [], At185, [new(Club.Driver, 230), new(Club.Iron9, 130)]);
        Assert.Equal(4.6, Math.Round(check.Offset.Degrees, 1));
        Assert.Equal(-4.6, Math.Round(check.Correction!.Value.Degrees, 1));
        Assert.Equal(1.58, Math.Round(Math.Tan(check.Scatter.Radians) * 185, 2));
        Assert.True(check.IsToVerify);
        // 15 · 230 / 185 = 18.65 and 15 · 130 / 185 = 10.54: by hand.
        Assert.Equal(
            "Today it goes 15 yd right at 185 yd: aim 15 yd left (19 yd with the driver, 11 yd with the 9 iron, 4.6°). "
                + "Five more, only to verify.",
            check.Text
        );
        Assert.Equal(18.65, Math.Round(check.Offset.OffsetAt(Length.FromYards(230)).Yards, 2));
    }

    [Theory]
    // Wild: common practice, no source. Small and not clear of zero; clear of zero but scattered by more than four degrees;
    // steady, and nothing in whole yards: by definition.
    [InlineData(185, -200, 250, 50, -150, 200)]
    [InlineData(185, 10, -10, 5, 0, 10)]
    [InlineData(100, 100, 280, 120, 290, 150)]
    [InlineData(185, 4, 5, 4, 5, 4)]
    [InlineData(185, 0, 0, 0, 0, 0)]
    public void What_is_not_steady_is_left_alone(double distance, params int[] offsets)
    {
        var check = AimCheck.Of(offsets, [], new MarkedLength(distance, LengthUnit.Yards), []);
        Assert.Null(check.Correction);
        Assert.Equal("Nothing steady to correct. Aim where you always aim.", check.Text);
    }

    [Fact]
    public void The_second_five_confirm_add_to_or_take_back_what_the_first_said()
    {
        Assert.Equal("It holds. Today’s aim at 185 yd: 15 yd left (4.6°).", Check(Right, 20, -10, 15, -20, 5).Text);
        // Four yards more to the right, all alike: 15 + 4 is 19 yd, 5.9°, by hand.
        var more = Check(Right, 40, 45, 35, 40, 40);
        Assert.Equal("With that it goes 4 yd right. Today’s aim at 185 yd: 19 yd left (5.9°).", more.Text);
        Assert.Equal(-5.9, Math.Round(more.Correction!.Value.Degrees, 1));
        Assert.Equal(
            "With that it goes 6 yd left. Today’s aim at 185 yd: 9 yd left (2.8°).",
            Check(Right, -60, -65, -55, -60, -60).Text
        );
        var back = Check(Right, -150, -155, -145, -150, -150);
        Assert.StartsWith("With that it goes 15 yd left, and the two take each other back.", back.Text, StringComparison.Ordinal);
        Assert.Null(back.Correction);
        var scattered = Check(Right, -300, 200, 350, -100, 50);
        Assert.Equal("The second five are too far apart to say. Aim where you always aim.", scattered.Text);
        Assert.Null(scattered.Correction);
    }

    [Fact]
    public void Nobody_is_turned_towards_the_neighbours()
    {
        // 55 yd at 185 is 16.6°.
        var check = Check([550, 560, 540, 550, 550]);
        Assert.Equal("That is more than the aim. Leave it for today, and show your coach.", check.Text);
        Assert.Null(check.Correction);
    }

    [Theory]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(6)]
    public void It_takes_five_balls(int balls)
    {
        Assert.Throws<ArgumentException>(() => Check([.. Enumerable.Repeat(50, balls)]));
        Assert.Throws<ArgumentException>(() => Check(Right, [.. Enumerable.Repeat(50, balls)]));
    }

    [Fact]
    public void Being_steady_in_whole_numbers_is_the_95_percent_interval_leaving_out_zero()
    {
        // 5t² / (4 + t²) with t = 2.776 at four degrees of freedom: any table of Student's distribution.
        var t = StudentT.Quantile(0.975, 4);
        Assert.Equal(2.776, Math.Round(t, 3));
        Assert.InRange(5 * t * t / (4 + (t * t)), 3.291, 3.292);
        var random = new SplitMix64(11);
        for (var i = 0; i < 2_000; i++)
        {
            int[] five = [.. Enumerable.Range(0, 5).Select(_ => 60 + random.NextInt(240) - 120)];
            var isClear = !Sample.OfMean([.. five.Select(o => o / 10.0)])!.Value.Contains(0);
            var isSmall = AimCheck.Of(five, [], At185, []).Scatter.Degrees <= 4;
            var isSeen = Math.Abs(five.Sum()) >= 25;
            Assert.Equal(isClear && isSmall && isSeen, AimCheck.Of(five, [], At185, []).Correction is not null);
        }
    }

    [Theory]
    [InlineData(214, LengthUnit.Yards)]
    [InlineData(96, LengthUnit.Metres)]
    [InlineData(400, LengthUnit.Yards)]
    public void The_phone_says_at_every_edge_what_the_result_says(double distance, LengthUnit unit)
    {
        var drill = new MeasuredShots
        {
            What = "left or right",
            Unit = unit.Sign(),
            Least = -9,
            Most = 9,
            AimDistance = distance,
            AimClubs = [new AimClub(Club.Driver, 231), new AimClub(Club.PitchingWedge, 117)],
        };
        var flow = drill.Compile(1);
        Assert.All(
            AimGames.AtEveryEdge(drill),
            game =>
            {
                for (var taken = 1; taken <= game.Count; taken++)
                {
                    var (walk, scored) = (FlowWalk.Of(flow, game.Take(taken)), drill.Score([.. game.Take(taken)], 1));
                    Assert.Null(FlowAgreementTests.Difference(walk, scored));
                    Assert.All(walk.Registers.Values, n => Assert.InRange(Math.Abs(n), 0, (1L << 53) - 1));
                }
            }
        );
    }

    [Fact]
    public void Every_tenth_of_a_degree_is_looked_up_as_it_is_worked_out()
    {
        var drill = new MeasuredShots
        {
            What = "left or right",
            Unit = "yd",
            AimDistance = 163,
        };
        var flow = drill.Compile(1);
        for (var tenths = 5; tenths < 440; tenths++)
        {
            var game = AimGames.Inputs([.. Enumerable.Repeat(tenths, 5)]);
            Assert.Equal(drill.Score(game, 1).Text, FlowWalk.Of(flow, game).Said);
        }
    }

    [Fact]
    public void Only_what_an_old_phone_cannot_walk_is_written_in_the_newer_format()
    {
        var formats = GivenDrills.Every.Select(e => (e.Name, e.Protocol.Compile(1).Version)).ToList();
        Assert.Equal(["aim check"], formats.Where(f => f.Version == 2).Select(f => f.Name));
        Assert.All(
            formats.Where(f => f.Name != "aim check"),
            f =>
                Assert.Equal(
                    f.Name.StartsWith("holes", StringComparison.Ordinal)
                    || f.Name.StartsWith("tee", StringComparison.Ordinal)
                    || f.Name == "approach shots"
                        ? 3
                        : 1,
                    f.Version
                )
        );
    }

    [Fact]
    public void The_other_clubs_come_from_the_bag_and_change_no_comparison()
    {
        var drill = new MeasuredShots
        {
            What = "left or right",
            Unit = "yd",
            AimDistance = 140,
        };
        string Key(ScoringProtocol protocol) => ComparabilityKey.Of(Guid.Empty, protocol, 0, new Modifiers(), Phase.WarmUp);
        BagClub Carrying(Club club, double carry) => new() { Club = club, Carry = new MarkedLength(carry, LengthUnit.Yards) };
        var player = new PlayerNumbers
        {
            Bag =
            [
                Carrying(Club.Driver, 221),
                Carrying(Club.Iron5, 168),
                Carrying(Club.Iron7, 147),
                Carrying(Club.Iron9, 122),
                Carrying(Club.PitchingWedge, 108),
                new BagClub { Club = Club.SandWedge },
                new BagClub { Club = Club.Putter },
            ],
        };
        var own = Assert.IsType<MeasuredShots>(drill.For(player));
        Assert.Equal([new AimClub(Club.Driver, 221), new AimClub(Club.PitchingWedge, 108)], own.AimClubs);
        Assert.Empty(Assert.IsType<MeasuredShots>(drill.For(new PlayerNumbers())).AimClubs);
        Assert.Equal(Key(own with { AimClubs = [] }), Key(own));
        Assert.Equal(
            ["p.aimClubs"],
            (own with { Most = 9, AimClubs = [new AimClub(Club.Driver, 0)] }).Check("p").Select(e => e.Path)
        );
    }
}
