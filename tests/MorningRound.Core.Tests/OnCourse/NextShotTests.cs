using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

/// <summary>What the last shot left, and what is offered and proposed for the next one.</summary>
public class NextShotTests
{
    private static readonly Hole Par4 = new()
    {
        Par = 4,
        Lengths = [368],
        FairwayWidth = 34,
    };

    private static FlowWalk After(Hole hole, string played) =>
        FlowWalk.Of(Holes(hole).Compile(1), Drills.GivenDrills.Inputs(played));

    private static ScoringProtocol Holes(params Hole[] holes) =>
        GivenHoles.Of(new HolesToPlay { Holes = [.. holes.Select((h, i) => GivenHoles.Drawn(i + 1, h))] });

    private static IReadOnlyList<ShotOffer> Offers(Hole hole, Lie lie, int left)
    {
        var laid = Holes(hole).LaidOut();
        return new ShotChoices(laid).For(laid.Holes[0], lie, left);
    }

    /// <summary>The product's own: a chip of 16 yd that stays short is a few yards away, not a full wedge.</summary>
    [Fact]
    public void A_chip_left_short_is_asked_for_what_is_left_and_proposes_a_few_yards()
    {
        var walk = After(Par4, "driver fairway =228 | iron8 fairway =124 | sandWedge leftShort");
        Assert.Equal("How far from the hole now?", walk.Prompt);
        Assert.Equal(50, walk.Proposed);
        // 368 - 228 - 124 leaves 16; the chip stays 4 short, and the next is played from there.
        walk = After(Par4, "driver fairway =228 | iron8 fairway =124 | sandWedge leftShort =4 |");
        Assert.Equal(40, walk.Registers["left"]);
    }

    /// <summary>From memory: 5 % off a wedge, 15 % off woods and hybrids. The 10 % off irons are the product's own.</summary>
    [Theory]
    [InlineData(Club.SandWedge, 100, 95)]
    [InlineData(Club.Iron6, 158, 142)]
    [InlineData(Club.Hybrid, 187, 159)]
    [InlineData(Club.Wood5, 200, 170)]
    public void Rough_costs_length(Club club, int carry, int fromRough) =>
        Assert.Equal(
            fromRough,
            new ShotNumber
            {
                Value = "",
                Club = club,
                Carry = carry,
            }.CarryFrom(Lie.Rough)
        );

    [Fact]
    public void From_rough_a_longer_club_is_offered_and_says_what_it_carries_there()
    {
        Assert.Equal("iron8", Offers(Par4, Lie.Fairway, 138)[0].With);
        // A 6 iron of 158 carries 142 from rough, an 8 iron of 136 only 122.
        var offer = Offers(Par4, Lie.Rough, 140)[0];
        Assert.Equal("iron6", offer.With);
        Assert.StartsWith("Carries about 142 from rough", offer.Say(140, LengthUnit.Yards).In(), StringComparison.Ordinal);
        Assert.Equal(1420, After(Par4, "driver roughLeft =228 | iron6 fairway").Proposed);
    }

    /// <summary>Common practice, no source: out of trees a middle iron is punched low.</summary>
    [Fact]
    public void Out_of_trees_a_middle_iron_is_punched_and_goes_half_as_far()
    {
        var offer = Assert.Single(Offers(GivenHoles.Wooded, Lie.Recovery, 140));
        Assert.Equal("iron6", offer.With);
        Assert.Equal("Punch it low at the widest opening: half its usual carry.", offer.Why.In());
        Assert.Equal(790, After(GivenHoles.Wooded, "driver treesLeft =228 | iron6 fairway").Proposed);
    }

    [Fact]
    public void Off_the_green_a_putter_can_be_chosen_and_is_offered_from_short_grass()
    {
        Assert.Contains(Offers(Par4, Lie.Fairway, 12), o => o.With == "putter");
        Assert.DoesNotContain(Offers(Par4, Lie.Fairway, 16), o => o.With == "putter");
        Assert.DoesNotContain(Offers(Par4, Lie.Rough, 12), o => o.With == "putter");
        var bunker = Par4 with { Green = new Green { Front = TroubleKind.Sand } };
        Assert.DoesNotContain(Offers(bunker, Lie.Fairway, 12), o => o.With == "putter");
        const string played = "driver fairway =228 | iron8 leftShort =10 | putter green =4 | 1";
        var result = Holes(Par4).Score(Drills.GivenDrills.Inputs(played), 1);
        // Tee shot, 8 iron, putter from the fringe, one putt.
        Assert.Equal(4, result.Card!.Score);
        Assert.Equal("putter", result.Card.Holes[0].Shots[2].With);
        // Nobody putts 140 yards.
        Assert.Equal(3, After(Par4, "driver fairway =228 | putter").MisfitAt);
    }

    [Fact]
    public void What_lies_across_is_spoken_of_when_it_is_in_play_from_the_ball()
    {
        var hole = Par4 with
        {
            Across = new Crossing
            {
                Kind = TroubleKind.Sand,
                From = 232,
                To = 250,
            },
        };
        // From 140 out, 228 from the tee, the sand begins 4 yd ahead and ends at 22: no 8 iron thinks of it.
        Assert.Equal("Your nearest number.", Offers(hole, Lie.Fairway, 140)[0].Why.In());
        // From the tee it is carried by 240, and nothing in the bag does: everything stays short of it.
        Assert.All(Offers(hole, Lie.Tee, 368), o => Assert.True(o.Carry * ShotChoices.ToSpare <= 232));
    }

    [Fact]
    public void No_fairway_lies_inside_what_lies_across()
    {
        var hole = Par4 with
        {
            Across = new Crossing
            {
                Kind = TroubleKind.Water,
                From = 210,
                To = 230,
            },
        };
        const string refused = "driver fairway =220";
        var walk = After(hole, refused);
        Assert.Equal("No fairway there: water lies from 210 to 230 yd. Where did it go?", walk.Prompt);
        Assert.Equal((0L, 0L), (walk.Registers["fairways"], walk.Registers["teeShots"]));
        var result = Holes(hole).Score(Drills.GivenDrills.Inputs("driver fairway =220 waterAcross =205 | pickUp |"), 1);
        Assert.Equal(1, result.Card!.Penalties);
        Assert.Equal(0, result.Card.Fairways.Count);
        // Both edges are inside; a yard before and behind there is fairway.
        Assert.Equal(0, After(hole, "driver fairway =210").Attempts);
        Assert.Equal(0, After(hole, "driver fairway =230").Attempts);
        Assert.Equal(1, After(hole, "driver fairway =209 |").Attempts);
        Assert.Equal(1, After(hole, "driver fairway =231 |").Attempts);
    }

    [Fact]
    public void Trimmed_holes_are_over_after_as_many_and_compare_with_as_many()
    {
        var holes = Holes(Par4, GivenHoles.Short, Par4);
        var segment = Segment(((PlayedHoles)holes).ToPlay);
        var drill = new PublishedDrill
        {
            SegmentId = segment.Id,
            Protocol = holes,
            Seed = 1,
            Flow = holes.Compile(1),
            ComparabilityKey = "as published",
        };
        TrimmedSegment[] kept = [new(segment.Id, 8, 6, Holes: 2)];
        const string two = "driver fairway =228 | iron8 green =20 | iron8 green =10 | 2 | 2";
        Assert.True(FlowWalk.Of(drill.Flow.WithCount(2), Drills.GivenDrills.Inputs(two)).IsComplete);
        Assert.Equal(ResultStatus.Complete, drill.ProtocolFor(kept).Score(Drills.GivenDrills.Inputs(two), 1).Status);
        Assert.NotEqual(ResultStatus.Complete, drill.ProtocolFor(null).Score(Drills.GivenDrills.Inputs(two), 1).Status);
        Assert.Equal("as published", drill.ComparabilityKeyFor(segment, null));
        Assert.NotEqual("as published", drill.ComparabilityKeyFor(segment, kept));
    }

    [Fact]
    public void Who_plays_holes_brings_the_whole_bag()
    {
        var plan = new SessionPlan
        {
            Title = "Holes",
            Segments = [Segment(((PlayedHoles)Holes(Par4)).ToPlay) with { Clubs = [Club.Iron7] }],
        };
        var bring = WhatToBring.Of(plan);
        Assert.True(bring.WholeBag);
        Assert.Empty(bring.Clubs);
    }

    private static PracticeSegment Segment(HolesToPlay play) =>
        new PracticeSegment
        {
            Id = Guid.NewGuid(),
            Title = "Holes",
            Phase = Phase.OnCourse,
            Intent = Intent.Performance,
            Place = PlaceKind.Range,
            Exit = new AfterMinutes(),
            Minutes = 12,
        }.Playing(play);
}
