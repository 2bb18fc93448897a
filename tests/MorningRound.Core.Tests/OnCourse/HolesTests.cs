using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Statistics;
using MorningRound.Core.Tests.Drills;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

public class HolesTests
{
    private static readonly (int Par, int Yards)[] NineOf =
    [
        (4, 400),
        (3, 160),
        (5, 500),
        (4, 380),
        (4, 420),
        (3, 140),
        (4, 360),
        (5, 520),
        (4, 400),
    ];

    private static ScoringProtocol Nine { get; } =
        GivenHoles.Of(
            new HolesToPlay
            {
                Holes =
                [
                    .. NineOf.Select(
                        (h, i) =>
                            GivenHoles.Drawn(
                                i + 1,
                                new Hole
                                {
                                    Par = h.Par,
                                    Lengths = [h.Yards],
                                    FairwayWidth = h.Par > 3 ? 30 : null,
                                }
                            )
                    ),
                ],
            }
        );

    /// <summary>
    /// Worked by hand, shot by shot, from the table of expected strokes (Broadie 2014, from memory). The distances are points of
    /// the table, so that every step can be added up on paper:
    /// 1, par 4, 400: tee 3.99, fairway 160 2.98 (+0.01), green 20 ft 1.87 (+0.11), two putts (−0.13). 4.
    /// 2, par 3, 160: tee 2.99, rough 20 2.59 (−0.60), holed (+1.59). 2.
    /// 3, par 5, 500: tee 4.41, trees 280 4.10 (−0.69), fairway 200 3.19 (−0.09), short 20 2.40 (−0.21), green 5 ft 1.23
    /// (+0.17), one putt (+0.23). 5. 4, par 4, 380: tee 3.96, water, drop in rough 200 3.42 (−1.46), green 30 ft 1.98 (+0.44),
    /// two putts (−0.02). 5. 5, par 4, 420: tee 4.02, out (−2), fairway 180 3.08 (−0.06), green 40 ft 2.06 (+0.02), two putts
    /// (+0.06). 6. 6, par 3, 140: tee 2.97, green 10 ft 1.61 (+0.36), one putt (+0.61). 2. 7, par 4, 360: tee 3.92, fairway 140
    /// 2.91 (+0.01), sand 20 2.53 (−0.62), green 6 ft 1.34 (+0.19), one putt (+0.34). 4. 8, par 5, 520: tee 4.54, fairway 280
    /// 3.69 (−0.15), fairway 80 2.75 (−0.06), green 15 ft 1.78 (−0.03), two putts (−0.22). 5. 9, par 4, 400: rough, picked up.
    /// 9, and left out of strokes gained.
    /// </summary>
    private const string AsPlayed =
        "driver fairway =240 | iron6 green =20 | "
        + "iron6 rightOfGreen =20 | sandWedge holed | "
        + "driver treesLeft =220 | iron8 fairway =80 | hybrid leftShort =20 | sandWedge green =5 | "
        + "driver waterRight =180 | hybrid green =30 | "
        + "driver outLeft | driver fairway =240 | hybrid green =40 | "
        + "iron8 green =10 | "
        + "driver fairway =220 | iron8 greenSand =20 | sandWedge green =6 | "
        + "driver fairway =240 | hybrid fairway =200 | sandWedge green =15 | "
        + "driver roughRight =200 | pickUp |"
        // Birdie putts first (1, 6, 8), then for par (3, 4, 7), then for bogey (5).
        + " 2 | 1 | 2 | 1 | 2 | 1 | 2";

    private static ProtocolResult Played { get; } = Nine.Score(GivenDrills.Inputs(AsPlayed), 1);

    private static Card Card => Played.Card!;

    [Fact]
    public void Nine_holes_worked_by_hand_give_exactly_that_card()
    {
        Assert.Equal(ResultStatus.Complete, Played.Status);
        Assert.Equal([4, 2, 5, 5, 6, 2, 4, 5, 9], Card.Holes.Select(h => h.Score!.Value));
        Assert.Equal(36, Card.Par);
        Assert.Equal(42, Card.Score);
        Assert.Equal(11, Card.Putts);
        Assert.Equal(2, Card.Penalties);
        Assert.Equal(new CountOf(3, 7), Card.Fairways);
        Assert.Equal(new CountOf(3, 9), Card.Greens);
        Assert.Equal(new CountOf(3, 6), Card.UpAndDowns);
        Assert.Equal("6 over par over 9 holes.", Played.Text);
        Assert.Equal(6, Played.Value("toPar"));
        Assert.Equal(100.0 * 3 / 9, Played.Value("greens"));
    }

    [Fact]
    public void Its_strokes_gained_are_those_worked_by_hand_and_add_up()
    {
        double Of(StrokesPart part) => Card.Gained.Single(g => g.Part == part).Strokes;
        Assert.Equal(-4.34, Of(StrokesPart.OffTheTee), 9);
        Assert.Equal(-0.68, Of(StrokesPart.Approach), 9);
        Assert.Equal(1.95, Of(StrokesPart.AroundTheGreen), 9);
        Assert.Equal(0.87, Of(StrokesPart.Putting), 9);
        Assert.Equal(-2.20, Played.Value("gained")!.Value, 9);
        Assert.Empty(Card.Holes[8].Gained);
    }

    [Fact]
    public void Putts_wait_until_the_last_hole_sorted_into_birdie_par_and_bogey_putts()
    {
        var inputs = GivenDrills.Inputs(AsPlayed);
        var firstPutt = inputs.Index().First(i => i.Item is ChoiceMade { Value: "2" }).Index;
        var walk = FlowWalk.Of(Nine.Compile(1), inputs.Take(firstPutt));
        List<string> asked = [];
        foreach (var putt in inputs.Skip(firstPutt))
        {
            asked.Add(walk.Prompt);
            walk = walk.Take(putt);
        }

        Assert.Equal(
            [
                "Hole 1, for birdie or better: 20 ft. Putts until it was in?",
                "Hole 6, for birdie or better: 10 ft. Putts until it was in?",
                "Hole 8, for birdie or better: 15 ft. Putts until it was in?",
                "Hole 3, for par: 5 ft. Putts until it was in?",
                "Hole 4, for par: 30 ft. Putts until it was in?",
                "Hole 7, for par: 6 ft. Putts until it was in?",
                "Hole 5, for bogey: 40 ft. Putts until it was in?",
            ],
            asked
        );
        Assert.True(walk.IsComplete);
    }

    /// <summary>Broadie's identity: what all shots of a hole gain is what was expected from the tee less the score.</summary>
    [Fact]
    public void In_generated_rounds_the_parts_add_up_to_the_whole_and_the_strokes_to_the_score()
    {
        var holes = 0;
        for (ulong seed = 1; seed <= 40; seed++)
        {
            foreach (var protocol in new[] { Nine, GivenHoles.WithTrouble, GivenHoles.Measured })
            {
                var inputs = Drills.Play.Through(protocol.Compile(1), new SplitMix64(seed), 0, mayStop: false);
                foreach (var hole in protocol.Score(inputs, 1).Card!.Over)
                {
                    if (hole.IsPickedUp)
                    {
                        Assert.Equal(hole.Par + 5, hole.Score);
                        continue;
                    }

                    holes++;
                    Assert.Equal(hole.Shots.Count + hole.Penalties + hole.Putts!.Value, hole.Score!.Value, 9);
                    var lie = hole.Shots[0].From;
                    var expected = ExpectedStrokes.From(lie, hole.Length.ToLength());
                    // Expected putts are rounded to hundredths.
                    Assert.Equal(expected - hole.Score.Value, hole.Gained.Sum(g => g.Strokes), 1.0 / 100);
                    Assert.True(hole.GreenInRegulation == (hole.Shots.Count + hole.Penalties <= hole.Par - 2));
                }
            }
        }

        Assert.True(holes > 200, $"{holes} holes");
    }

    /// <summary>Common practice, no source: par 72, 13 greens, 32 putts, none early: 73.</summary>
    [Fact]
    public void A_card_below_what_greens_and_putts_give_makes_no_sense() => Assert.Equal(73, Card.LeastScore(72, 18, 13, 32));

    [Fact]
    public void Expected_putts_stand_on_the_card_with_a_decimal_and_their_sign()
    {
        var result = GivenHoles.WithTrouble.Score(
            GivenDrills.Inputs(
                "driver fairway =228 | iron8 green =20 | driver fairway =220 | hybrid fairway =75 | iron6 green =10 |"
            ),
            1
        );
        // 2 + 1.87 + 3 + 1.61: from the table of putts, Broadie 2014, from memory.
        Assert.Equal(8.48, result.Card!.Score, 9);
        Assert.Equal("≈ 8.5 strokes over 2 holes, par 9: putts as usual from there.", result.Text);
        Assert.All(result.Card.Holes.Take(3), h => Assert.True(h.PuttsAreExpected));
    }

    [Fact]
    public void Holes_compare_with_the_same_holes_tee_factor_and_way_of_putting_wherever_the_pins_are()
    {
        var holes = ((PlayedHoles)Nine).ToPlay;
        string Key(HolesToPlay set) =>
            Core.Drills.ComparabilityKey.Of(
                Guid.Empty,
                GivenHoles.Of(set),
                0,
                Core.Drills.Modifiers.None,
                Core.Golf.Phase.OnCourse
            );
        var key = Key(holes);
        Assert.Equal(key, Key(holes with { Holes = [.. holes.Holes.Select(h => h with { Pin = new Pin(PinSide.Left) })] }));
        Assert.NotEqual(key, Key(holes with { Factor = 1 }));
        Assert.NotEqual(key, Key(holes with { Putts = PuttsBy.Expected }));
        Assert.NotEqual(key, Key(holes with { Holes = [.. holes.Holes.Take(8)] }));
        Assert.NotEqual(key, Key(holes with { Tee = "forward" }));
    }

    [Fact]
    public void Eighteen_holes_fit_into_150_kB()
    {
        var eighteen = new HolesToPlay
        {
            Holes =
            [
                .. Enumerable
                    .Range(0, 18)
                    .Select(i =>
                        GivenHoles.Drawn(
                            i + 1,
                            (i % 2 == 0 ? GivenHoles.Wooded : GivenHoles.OverWater) with
                            {
                                Green = new Green
                                {
                                    Width = 18 + i,
                                    Depth = 30 - i,
                                    Left = (TroubleKind)(i % 2 * 2),
                                    Front = i % 5 == 0 ? TroubleKind.Sand : null,
                                },
                                FairwayWidth = 24 + i,
                            }
                        )
                    ),
            ],
        };
        var flow = GivenHoles.Of(eighteen, FullBag).Compile(1);
        var bytes = System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(flow, Core.Serialization.CoreJson.Options).Length;
        Assert.InRange(bytes, 1, 150_000);
    }

    /// <summary>Thirteen clubs and nine wedge numbers: as many as anybody carries.</summary>
    internal static Core.Students.PlayerNumbers FullBag { get; } =
        GivenHoles.Player with
        {
            Bag =
            [
                .. new[]
                {
                    Core.Golf.Club.Driver,
                    Core.Golf.Club.Wood3,
                    Core.Golf.Club.Wood5,
                    Core.Golf.Club.Hybrid,
                    Core.Golf.Club.Iron4,
                    Core.Golf.Club.Iron5,
                    Core.Golf.Club.Iron6,
                    Core.Golf.Club.Iron7,
                    Core.Golf.Club.Iron8,
                    Core.Golf.Club.Iron9,
                    Core.Golf.Club.PitchingWedge,
                    Core.Golf.Club.GapWedge,
                    Core.Golf.Club.SandWedge,
                }.Select((c, i) => GivenHoles.Carries(c, 243 - (12.5 * i))),
            ],
            WedgeGrid =
            [
                .. from club in new[] { Core.Golf.Club.PitchingWedge, Core.Golf.Club.GapWedge, Core.Golf.Club.SandWedge }
                from swing in Enum.GetValues<Core.Golf.SwingLength>()
                select GivenHoles.Number(club, swing, 40 + (8 * (int)swing) + (16 * (14 - (int)club))),
            ],
        };
}
