using CsCheck;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Units;

public class UnitsTests
{
    [Fact]
    public void Yards_feet_inches_and_miles_per_hour_are_what_the_agreement_says()
    {
        // Source: International yard and pound agreement, 1959 (exact by definition).
        Assert.Equal(0.9144, Length.FromYards(1).Metres, 12);
        Assert.Equal(0.3048, Length.FromFeet(1).Metres, 12);
        Assert.Equal(0.0254, Length.FromInches(1).Metres, 12);
        Assert.Equal(0.44704, Speed.FromMilesPerHour(1).MetresPerSecond, 12);
        Assert.Equal(3, Length.FromYards(1).Feet, 12);
        Assert.Equal(36, Length.FromYards(1).Inches, 12);
    }

    [Fact]
    public void The_hole_is_four_and_a_quarter_inches_wide()
    {
        // Source: Rules of Golf, R&A and USGA: 108 mm (4.25 in), rounded by the Rules themselves.
        Assert.Equal(108, Length.FromInches(4.25).Metres * 1000, 0);
    }

    [Fact]
    public void Fifteen_yards_right_at_185_is_the_same_angle_as_18_6_at_230()
    {
        // Source: arithmetic; the pair is common practice of the aim check, no source.
        var angle = Angle.OfOffset(Length.FromYards(15), Length.FromYards(185));
        Assert.Equal(4.6, angle.Degrees, 1);
        Assert.Equal(18.6, angle.OffsetAt(Length.FromYards(230)).Yards, 1);
    }

    [Fact]
    public void An_offset_needs_a_distance() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Angle.OfOffset(Length.FromYards(1), Length.Zero));

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    public void A_measure_that_is_not_finite_cannot_be_made(double number)
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => Length.FromYards(number));
        Assert.Throws<ArgumentOutOfRangeException>(() => Length.FromMetres(number));
        Assert.Throws<ArgumentOutOfRangeException>(() => Angle.FromDegrees(number));
        Assert.Throws<ArgumentOutOfRangeException>(() => Speed.FromMetresPerSecond(number));
    }

    [Fact]
    public void A_length_comes_back_in_the_unit_it_was_given_in() =>
        Gen.Double[-1e6, 1e6]
            .ForEachSeed(n =>
            {
                Assert.Equal(n, Length.FromYards(n).Yards, 6);
                Assert.Equal(n, Length.FromFeet(n).Feet, 6);
                Assert.Equal(n, Length.FromInches(n).Inches, 6);
                Assert.Equal(n, Speed.FromMilesPerHour(n).MilesPerHour, 6);
            });

    [Fact]
    public void Lengths_add_subtract_and_compare_whatever_their_unit()
    {
        Assert.Equal(2, (Length.FromYards(1) + Length.FromFeet(3)).Yards, 12);
        Assert.Equal(-6, (Length.FromYards(79) - Length.FromYards(85)).Yards, 9);
        Assert.True(Length.FromFeet(10) > Length.FromMetres(3));
        Assert.True(Length.FromMetres(3) <= Length.FromFeet(10));
    }
}
