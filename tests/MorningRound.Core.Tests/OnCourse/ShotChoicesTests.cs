using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

public class ShotChoicesTests
{
    private static readonly Hole Open = new()
    {
        Par = 5,
        Lengths = [530],
        FairwayWidth = 40,
    };

    private static PlayerNumbers LongAndShort(params double[] wedges) =>
        GivenHoles.Player with
        {
            Level = Level.Elite,
            Bag =
            [
                GivenHoles.Carries(Club.Wood3, 240),
                GivenHoles.Carries(Club.Hybrid, 200),
                new BagClub { Club = Club.SandWedge },
            ],
            WedgeGrid = [.. wedges.Select((w, i) => GivenHoles.Number(Club.SandWedge, (SwingLength)(3 - i), w))],
        };

    private static IReadOnlyList<ShotOffer> Offers(Hole hole, PlayerNumbers player, Lie lie, int left)
    {
        var laid = GivenHoles.Of(new HolesToPlay { Holes = [GivenHoles.Drawn(1, hole)] }, player).LaidOut();
        return new ShotChoices(laid).For(laid.Holes[0], lie, left);
    }

    private static string First(Hole hole, PlayerNumbers player, Lie lie, int left) => Offers(hole, player, lie, left)[0].With;

    /// <summary>Common practice, no source: 295 left, carries 240 and 200, good numbers at 85 and 95: play the 200.</summary>
    [Fact]
    public void With_295_left_the_200_is_hit_to_leave_a_good_number()
    {
        var offers = Offers(Open, LongAndShort(95, 85), Lie.Fairway, 295);
        Assert.Equal("hybrid", offers[0].With);
        Assert.Equal(
            "Carries 200, leaves 95 yd, about 8 of 10 on the fairway. Your wedges have a number for that.",
            offers[0].Say(295, LengthUnit.Yards).In()
        );
        Assert.Contains(
            offers.Skip(1),
            o => o.With == "wood3" && o.Say(295, LengthUnit.Yards).In().Contains("leaves 55 yd", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Another_wedge_grid_changes_what_to_leave()
    {
        Assert.Equal("hybrid", First(Open, LongAndShort(95, 85), Lie.Fairway, 295));
        Assert.Equal("wood3", First(Open, LongAndShort(95, 55), Lie.Fairway, 295));
    }

    [Fact]
    public void Water_across_is_carried_with_five_per_cent_to_spare_or_not_at_all()
    {
        Hole Across(double from, double to) =>
            Open with
            {
                Across = new Crossing
                {
                    Kind = TroubleKind.Water,
                    From = from,
                    To = to,
                },
            };
        // From the tee of 530: 228 carries 217 with 5 % to spare (227.9), and not 218.
        Assert.Equal("driver", First(Across(190, 217), GivenHoles.Player, Lie.Tee, 530));
        var short218 = Offers(Across(200, 218), GivenHoles.Player, Lie.Tee, 530);
        Assert.DoesNotContain(short218, o => o.With == "driver");
        Assert.Contains("Stays short of the water across", short218[0].Why.In(), StringComparison.Ordinal);
    }

    [Fact]
    public void Water_in_front_of_the_green_takes_the_longer_club()
    {
        var par3 = new Hole { Par = 3, Lengths = [140] };
        Assert.Equal("iron8", First(par3, GivenHoles.Player, Lie.Tee, 140));
        var guarded = par3 with
        {
            Green = new Green { Front = TroubleKind.Water, Depth = 14 },
        };
        var offer = Offers(guarded, GivenHoles.Player, Lie.Tee, 140)[0];
        Assert.Equal("iron6", offer.With);
        Assert.Equal("Over the water in front with 5 % to spare.", offer.Why.In());
    }

    [Fact]
    public void The_side_of_the_trouble_changes_where_a_tee_shot_is_aimed()
    {
        Hole With(TroubleKind? left, TroubleKind? right) =>
            new()
            {
                Par = 4,
                Lengths = [330],
                FairwayWidth = 44,
                Left = left,
                Right = right,
            };
        ShotOffer Best(Hole hole) => Offers(hole, GivenHoles.Player, Lie.Tee, 330)[0];
        Assert.Equal(TargetSide.Right, Best(With(TroubleKind.OutOfBounds, null)).Aim);
        Assert.Equal(TargetSide.Left, Best(With(null, TroubleKind.OutOfBounds)).Aim);
        Assert.Null(Best(With(null, null)).Aim);
        Assert.EndsWith(
            "Aim at its left side.",
            Best(With(null, TroubleKind.Water)).Say(330, LengthUnit.Yards).In(),
            StringComparison.Ordinal
        );
        // Whoever mostly misses left aims right where nothing lies on either side.
        Assert.Equal(
            TargetSide.Right,
            Offers(With(null, null), GivenHoles.Player with { UsualMiss = TargetSide.Left }, Lie.Tee, 330)[0].Aim
        );
    }

    [Fact]
    public void The_level_changes_the_club_from_the_tee_between_water_and_a_boundary()
    {
        var hole = new Hole
        {
            Par = 4,
            Lengths = [350],
            FairwayWidth = 50,
            Left = TroubleKind.Water,
            Right = TroubleKind.OutOfBounds,
        };
        var elite = First(hole, GivenHoles.Player with { Level = Level.Elite }, Lie.Tee, 350);
        var starting = Offers(hole, GivenHoles.Player with { Level = Level.New }, Lie.Tee, 350)[0];
        Assert.Equal("driver", elite);
        Assert.NotEqual("driver", starting.With);
        Assert.Contains("would cost more than the length gains", starting.Why.In(), StringComparison.Ordinal);
    }

    /// <summary>Common practice, no source: pin and trouble left, miss left: aim middle.</summary>
    [Theory]
    [InlineData(PinSide.Left, TroubleKind.Water, TargetSide.Left, true)]
    [InlineData(PinSide.Left, TroubleKind.Water, TargetSide.Right, false)]
    [InlineData(PinSide.Right, TroubleKind.Water, TargetSide.Left, false)]
    [InlineData(PinSide.Left, null, TargetSide.Left, false)]
    public void The_middle_of_the_green_when_hole_trouble_and_own_miss_are_on_one_side(
        PinSide pin,
        TroubleKind? left,
        TargetSide miss,
        bool middle
    )
    {
        var laid = GivenHoles
            .Of(
                new HolesToPlay
                {
                    Holes =
                    [
                        GivenHoles.Drawn(
                            1,
                            new Hole
                            {
                                Par = 3,
                                Lengths = [150],
                                Green = new Green { Left = left },
                                Pin = new Pin(pin),
                            }
                        ),
                    ],
                }
            )
            .LaidOut();
        Assert.Equal(middle, GreenAim.Of(laid.Holes[0], miss).AtTheMiddle);
        if (left is not null && pin == PinSide.Left)
            Assert.Contains("not on record", GreenAim.Of(laid.Holes[0], null).Why.In(), StringComparison.Ordinal);
    }

    /// <summary>Common practice, no source: wanted 85, 145, 185 with targets at 79, 147, 179: −6, +2, −6.</summary>
    [Fact]
    public void The_nearest_target_is_named_with_its_difference()
    {
        var player = GivenHoles.Player with
        {
            Targets = [GivenHoles.Target("a", 79, -4), GivenHoles.Target("b", 147, 0), GivenHoles.Target("c", 179, 5)],
        };
        string Asked(double length) =>
            FlowWalk
                .Of(
                    GivenHoles
                        .Of(new HolesToPlay { Holes = [GivenHoles.Drawn(1, new Hole { Par = 3, Lengths = [length] })] }, player)
                        .Compile(1)
                )
                .Prompt;
        Assert.EndsWith("Nearest target: a, 6 yd nearer than the hole.", Asked(85), StringComparison.Ordinal);
        Assert.EndsWith("Nearest target: b, 2 yd further than the hole.", Asked(145), StringComparison.Ordinal);
        Assert.EndsWith("Nearest target: c, 6 yd nearer than the hole.", Asked(185), StringComparison.Ordinal);
    }

    [Fact]
    public void An_empty_bag_offers_nothing_guesses_nothing_and_still_plays()
    {
        var player = GivenHoles.Player with { Bag = [], WedgeGrid = [] };
        var holes = GivenHoles.Of(new HolesToPlay { Holes = [GivenHoles.Drawn(1, GivenHoles.Wooded)] }, player);
        var laid = holes.LaidOut();
        Assert.All(laid.Numbers, n => Assert.Null(n.Carry));
        Assert.Empty(new ShotChoices(laid).For(laid.Holes[0], Lie.Tee, 368));
        var walk = FlowWalk.Of(holes.Compile(1), Drills.GivenDrills.Inputs("driver fairway"));
        Assert.Null(walk.Proposed);
        Assert.Equal(FlowStep.Measure, walk.State!.At!.Step);

        // A quick hole is as long as the student's clubs make it, and says what is missing.
        var quick = GivenHoles.Of(new HolesToPlay { Holes = [GivenHoles.QuickOf(4, 90)] }, player);
        Assert.Contains("no carry is on record", quick.WhatIsMissing(), StringComparison.Ordinal);
        Assert.Null(GivenHoles.Of(new HolesToPlay { Holes = [GivenHoles.QuickOf(3, 90)] }, player).WhatIsMissing());
    }

    [Fact]
    public void A_hole_that_nothing_reaches_and_one_of_forty_yards_both_have_sensible_offers()
    {
        var endless = Open with { Par = 6, Lengths = [990] };
        var offers = Offers(endless, GivenHoles.Player, Lie.Fairway, 762);
        Assert.All(offers, o => Assert.False(o.IsForTheHole));
        Assert.Equal("hybrid", offers[0].With);
        var tiny = Offers(new Hole { Par = 3, Lengths = [40] }, GivenHoles.Player, Lie.Tee, 40);
        Assert.All(tiny, o => Assert.Contains(o.With, new[] { "sandWedge", "pitchingWedge", "sandWedge-nine" }));
        Assert.NotEmpty(tiny);
    }

    [Fact]
    public void Carries_measured_otherwise_are_marked_and_a_ground_changes_them_only_as_the_coach_said()
    {
        var player = GivenHoles.Player with
        {
            Surface = Core.Places.RangeSurface.Mat,
            CarriesFurtherPercent = 10,
            Bag =
            [
                GivenHoles.Carries(Club.Iron8, 136) with
                {
                    From = HitFrom.Mat,
                    Ball = BallKind.RangeBall,
                },
                GivenHoles.Carries(Club.Iron6, 150) with
                {
                    Ball = BallKind.OwnBall,
                },
                new BagClub { Club = Club.Iron4 },
            ],
            WedgeGrid = [],
        };
        var numbers = ShotNumbers.Of(player, LengthUnit.Yards);
        Assert.Equal([(165, true), (150, false), (null, false)], numbers.Select(n => (n.Carry, n.IsUnlike)));
        // An offer says so: the number stands, and is no more than about right here.
        Assert.StartsWith(
            "Carries about 165 (measured elsewhere)",
            Offers(Open, player, Lie.Fairway, 160)[0].Say(160, LengthUnit.Yards).In(),
            StringComparison.Ordinal
        );
        Assert.Equal(
            [150, 136, null],
            ShotNumbers.Of(player with { CarriesFurtherPercent = 0 }, LengthUnit.Yards).Select(n => n.Carry)
        );
    }
}
