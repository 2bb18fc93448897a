using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

public class FairwayLayoutTests
{
    private static readonly Length Drive = Length.FromYards(220);

    /// <summary>Arithmetic: 220 · (tan 6° + tan 2°) = 30.8.</summary>
    [Fact]
    public void Edges_at_six_degrees_left_and_two_right_are_30_8_yards_apart_at_220() =>
        Assert.Equal(30.8, FairwayLayout.WidthBetween(Angle.FromDegrees(-6), Angle.FromDegrees(2), Drive).Yards, 1);

    [Fact]
    public void A_fairway_lies_between_the_two_edges_that_come_nearest_to_its_width()
    {
        // 36 · 0.85 = 30.6; the pair at −6° and 2° is 30.8 wide.
        var laid = Lay([36], Targets(-6, 2, 12));
        Assert.Equal(["t-6"], laid[0].Left!.Targets);
        Assert.Equal(["t2"], laid[0].Right!.Targets);
        Assert.Equal(30.8, laid[0].Width);
        Assert.Equal(30.6, laid[0].Wanted);
    }

    [Fact]
    public void The_middle_between_two_neighbours_is_an_edge_too()
    {
        // From the middle of −10° and 6°, which is −2°, to 6°: 220 · (tan 2° + tan 6°) = 30.8.
        var laid = Lay([36], Targets(-10, 6));
        Assert.Equal(30.8, laid[0].Width);
        Assert.Contains(laid[0].Right!.Targets.Concat(laid[0].Left!.Targets), t => t == "t-10");
        Assert.Equal(3, laid[0].Left!.Targets.Count + laid[0].Right!.Targets.Count);
    }

    [Fact]
    public void The_same_two_edges_never_come_twice_running_where_there_are_others()
    {
        var laid = Lay([.. Enumerable.Repeat(36.0, 9)], Targets(-14, -6, 2, 12));
        Assert.All(laid.Zip(laid.Skip(1)), two => Assert.NotEqual(EdgesOf(two.First), EdgesOf(two.Second)));
        // Two targets have the pair itself and each with the middle; one direction alone has none.
        Assert.All(Lay([30, 30], Targets(3, 3)), l => Assert.Null(l.Left));
    }

    [Theory]
    [InlineData(TargetSide.Left)]
    [InlineData(TargetSide.Right)]
    public void At_least_every_third_fairway_lies_on_a_side_that_is_disliked(TargetSide side)
    {
        var laid = Lay([.. Enumerable.Repeat(30.0, 12)], Targets(-16, -7, 1, 8, 15), side);
        var isOn = laid.Select(l =>
                Math.Sign(l.Left!.BearingDegrees + l.Right!.BearingDegrees) == (side == TargetSide.Left ? -1 : 1)
            )
            .ToList();
        Assert.All(Enumerable.Range(0, isOn.Count - 2), i => Assert.Contains(true, isOn.Skip(i).Take(3)));
    }

    [Fact]
    public void With_fewer_than_two_targets_there_is_one_to_aim_at_and_a_width_in_words()
    {
        var laid = Lay([40], [GivenHoles.Target("the willow", 180, 3)]);
        Assert.Equal("the willow", laid[0].Centre);
        Assert.Equal(34, laid[0].Width);
        Assert.Equal("", Lay([40], [])[0].Centre);
    }

    [Fact]
    public void Words_name_the_edges_the_trouble_beyond_them_and_the_safe_side()
    {
        var laid = GivenHoles.TeeShots.LaidOut();
        var said = HoleWords.HowItLies(laid.Holes[0], laid).In();
        Assert.Matches(@"^Between .+ and .+: \d+ yd wide\. ", said);
        Assert.Contains("Trees left of", said, StringComparison.Ordinal);
        Assert.Contains("Out of bounds right of", said, StringComparison.Ordinal);
        Assert.EndsWith("The safe side is the left.", said, StringComparison.Ordinal);
    }

    private static IReadOnlyList<LaidFairway> Lay(
        double[] widths,
        IReadOnlyList<RangeTarget> targets,
        params TargetSide[] disliked
    ) =>
        FairwayLayout.Of(
            [.. widths.Select(w => new FairwayToLay(Length.FromYards(w)))],
            targets,
            Drive,
            LengthUnit.Yards,
            FairwayLayout.UsualFactor,
            disliked
        );

    private static IReadOnlyList<RangeTarget> Targets(params double[] bearings) =>
        [.. bearings.Select((b, i) => GivenHoles.Target($"t{b}{(bearings.Take(i).Contains(b) ? " again" : "")}", 150 + i, b))];

    private static (string, string) EdgesOf(LaidFairway laid) =>
        (string.Join('+', laid.Left!.Targets), string.Join('+', laid.Right!.Targets));
}
