using System.Text.Json;
using CsCheck;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Serialization;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

public class DrillTests
{
    public static Drill Gate =>
        new()
        {
            Name = "Gate",
            Purpose = "Start the ball on line",
            Area = Area.Putting,
            Skill = "start line",
            Criterion = "Through the gate without a touch",
            Phases = [Phase.Block],
            Intents = [Intent.Technique],
            Places = [PlaceKind.PuttingGreen, PlaceKind.Home],
            UsualMinutes = 10,
            UsualBalls = 20,
            SetUp = "Two tees in front of the ball.",
            Drawing = SetUpDrawing.Gate,
            GateMillimetres = 55,
            Protocol = new Streak { Length = 5 },
            Equipment = [new EquipmentNeed { Item = Equipment.Tees, Substitute = "two coins" }],
        };

    [Fact]
    public void A_gate_of_55_mm_leaves_6_point_2_on_each_side_of_the_smallest_ball() =>
        // Ball diameter at least 42.67 mm: Equipment Rules, R&A and USGA.
        Assert.Equal(6.2, Gate.RoomInGate());

    [Fact]
    public void What_is_wrong_with_a_drill_is_named_with_its_path()
    {
        var wrong = Gate with
        {
            Name = "",
            Places = [],
            GateMillimetres = 40,
            Protocol = new Streak { Length = 1 },
            Ladder =
            [
                new Rung
                {
                    Name = "Other",
                    Protocol = new MakeRate { Attempts = 5, Make = "In" },
                },
            ],
        };
        Assert.Equal(
            ["gateMillimetres", "ladder[0].protocol", "name", "places", "protocol.length"],
            DrillRules.Check(wrong).Select(e => e.Path).Order()
        );
        Assert.Empty(DrillRules.Check(Gate));
    }

    [Fact]
    public void A_ladder_holds_the_drills_own_step()
    {
        var suggested = Gate with { Ladder = (Gate with { }).SuggestedLadder() };
        Assert.Empty(DrillRules.Check(suggested));
        Assert.Equal([2, 3, 5, 7, 10, 15], suggested.Ladder.Select(r => ((Streak)r.Protocol).Length));
        Assert.Equal(2, suggested.OwnRung());
        Assert.Equal(7, ((Streak)suggested.ProtocolAt(3)).Length);
        Assert.Contains(DrillRules.Check(suggested with { Protocol = new Streak { Length = 6 } }), e => e.Path == "ladder");
    }

    [Fact]
    public void Only_like_is_compared_with_like()
    {
        var id = Given.Id(1);
        string Key(ScoringProtocol? protocol = null, int rung = 0, Modifiers? modifiers = null, Phase phase = Phase.Random) =>
            ComparabilityKey.Of(id, protocol ?? new Streak { Length = 5 }, rung, modifiers ?? Modifiers.None, phase);
        Assert.Equal(Key(), Key(phase: Phase.OnCourse));
        string[] others =
        [
            Key(new Streak { Length = 6 }),
            Key(new Streak { Length = 5, Cap = 9 }),
            Key(rung: 1),
            Key(modifiers: new Modifiers { Hands = HandsOnClub.LeadOnly }),
            Key(phase: Phase.Block),
            Key(phase: Phase.WarmUp),
            ComparabilityKey.Of(Given.Id(2), new Streak { Length = 5 }, 0, Modifiers.None, Phase.Random),
        ];
        Assert.Equal(others.Length, others.Append(Key()).Distinct().Count() - 1);
        Assert.Equal(
            "lead hand only, at 50 % effort",
            new Modifiers { Hands = HandsOnClub.LeadOnly, EffortPercent = 50 }.InWords()
        );
    }

    [Fact]
    public void The_shelf_is_searched_by_everything_a_coach_has_in_hand()
    {
        bool Finds(DrillSearch search) => search.Finds(Gate, "streak");
        Assert.True(
            Finds(
                new DrillSearch
                {
                    Text = "LINE gate",
                    Area = Area.Putting,
                    Intent = Intent.Technique,
                    Phase = Phase.Block,
                    Place = PlaceKind.Home,
                    Minutes = 10,
                    Protocol = "streak",
                }
            )
        );
        Assert.False(Finds(new DrillSearch { Text = "bunker" }));
        Assert.False(Finds(new DrillSearch { Minutes = 9 }));
        Assert.False(Finds(new DrillSearch { Place = PlaceKind.Range }));
        Assert.False(Finds(new DrillSearch { Protocol = "compass" }));
        Assert.True(Finds(new DrillSearch { AtHand = [] }));
        var strict = Gate with { Equipment = [new EquipmentNeed { Item = Equipment.LaunchMonitor }] };
        Assert.False(new DrillSearch { AtHand = [Equipment.Tees] }.Finds(strict, "streak"));
    }

    [Fact]
    public void Two_fades_two_draws_five_times_over_are_ten_of_each_and_never_three_alike()
    {
        // Common practice, no source.
        var calls = new CalledShots
        {
            Clubs = [Club.Iron7, Club.Iron9],
            Pattern = GivenDrills.TwoAndTwo,
            Calls = 5,
        }.List(3);
        Assert.Equal((10, 10), (calls.Count(c => c.Shape == ShotShape.Fade), calls.Count(c => c.Shape == ShotShape.Draw)));
        Assert.DoesNotContain(
            Enumerable.Range(0, 18),
            i => calls[i].Shape == calls[i + 1].Shape && calls[i].Shape == calls[i + 2].Shape
        );
    }

    [Fact]
    public void Drawn_calls_keep_every_rule_for_any_bag_and_seed() =>
        Gen.Select(Gen.Int[1, 7], Gen.Int[1, 3], Gen.Int[1, 3], Gen.Int[1, 3], Gen.Int[1, 40], Gen.ULong)
            .ForEachSeed(
                (clubs, shapes, heights, targets, count, seed) =>
                {
                    var bag = Enum.GetValues<Club>().Take(clubs).ToList();
                    var shape = Enum.GetValues<ShotShape>().Take(shapes).ToList();
                    var calls = ShotCalls.Draw(
                        bag,
                        shape,
                        [.. Enum.GetValues<ShotHeight>().Take(heights)],
                        _ => [.. Enumerable.Range(1, targets).Select(t => $"flag {t}")],
                        count,
                        seed
                    );
                    var all = clubs * shapes * heights * targets;
                    Assert.Equal(count, calls.Count);
                    if (clubs > 1)
                        Assert.All(calls.Zip(calls.Skip(1)), pair => Assert.NotEqual(pair.First.Club, pair.Second.Club));
                    Assert.True(Balanced(bag.Select(c => calls.Count(k => k.Club == c))), "a club comes up too often");
                    Assert.True(Balanced(shape.Select(s => calls.Count(k => k.Shape == s))), "a shape comes up too often");
                    Assert.All(calls.Chunk(all), chunk => Assert.Distinct(chunk));
                },
                seeds: 400
            );

    /// <summary>
    /// A range has three flags within reach of one club and one within reach of another; the clubs still come round in turn.
    /// </summary>
    [Fact]
    public void A_club_with_one_target_comes_round_as_often_as_one_with_three() =>
        Gen.Select(Gen.Int[1, 4].Array[2, 5], Gen.Int[1, 30], Gen.ULong)
            .Sample(
                (targets, count, seed) =>
                {
                    Club[] clubs = [.. Enum.GetValues<Club>().Take(targets.Length)];
                    var calls = ShotCalls.Draw(
                        clubs,
                        [ShotShape.Straight],
                        [ShotHeight.Normal],
                        club => [.. Enumerable.Range(0, targets[Array.IndexOf(clubs, club)]).Select(n => $"flag {n}")],
                        count,
                        seed
                    );
                    Assert.Equal(count, calls.Count);
                    Assert.DoesNotContain(calls.Zip(calls.Skip(1)), p => p.First.Club == p.Second.Club);
                    var each = clubs.Select(c => calls.Count(call => call.Club == c)).ToList();
                    Assert.InRange(each.Max() - each.Min(), 0, 1);
                    foreach (var (club, i) in clubs.Select((c, i) => (c, i)))
                        Assert.Equal(
                            Math.Min(targets[i], each[i]),
                            calls.Where(c => c.Club == club).Take(targets[i]).Select(c => c.Target).Distinct().Count()
                        );
                },
                iter: 300
            );

    [Fact]
    public void The_same_seed_calls_the_same_shots_and_another_seed_others()
    {
        var shots = new CalledShots { Clubs = [Club.Driver, Club.Iron7, Club.PitchingWedge], Calls = 12 };
        Assert.Equal(shots.List(1), shots.List(1));
        Assert.NotEqual(shots.List(1), shots.List(2));
        var variety = CallVariety.Of(shots.List(1));
        Assert.Equal(1, variety.Club);
        Assert.InRange(variety.Shape!.Value, 0.4, 1);
    }

    [Fact]
    public void Protocols_and_flows_come_back_from_json_as_they_went()
    {
        foreach (var (name, protocol) in GivenDrills.Every)
        {
            var text = JsonSerializer.Serialize(protocol, CoreJson.Options);
            Assert.True(protocol.IsSameAs(JsonSerializer.Deserialize<ScoringProtocol>(text, CoreJson.Options)!), name);
            var flow = JsonSerializer.Serialize(protocol.Compile(1), CoreJson.Options);
            Assert.Equal(
                flow,
                JsonSerializer.Serialize(JsonSerializer.Deserialize<AttemptFlow>(flow, CoreJson.Options), CoreJson.Options)
            );
        }
    }

    [Fact]
    public void A_protocol_is_written_as_its_parameters_and_nothing_else() =>
        Assert.Equal(
            """{"kind":"streak","length":5,"cap":null,"make":"Holed"}""",
            JsonSerializer.Serialize<ScoringProtocol>(new Streak { Length = 5 }, CoreJson.Options)
        );

    [Fact]
    public void Tags_of_an_attempt_keep_one_of_each_group()
    {
        DrillInput[] inputs =
        [
            new ChoiceMade
            {
                Attempt = 1,
                Value = "made",
                Tags = new AttemptTags { Contact = ContactTag.Thin, Cause = CauseTag.Hurried },
            },
            new ChoiceMade
            {
                Attempt = 1,
                Value = "made",
                Tags = new AttemptTags { Contact = ContactTag.Toe },
            },
            new ChoiceMade { Attempt = 2, Value = "made" },
        ];
        var tags = AttemptTags.ByAttempt(inputs);
        Assert.Equal(new AttemptTags { Contact = ContactTag.Toe, Cause = CauseTag.Hurried }, Assert.Single(tags).Value);
    }

    private static bool Balanced(IEnumerable<int> counts) => counts.Max() - counts.Min() <= 1;
}
