using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;

namespace MorningRound.Core.Tests.OnCourse;

public class RoundTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    [Fact]
    public void Holes_add_up_to_what_a_round_came_to()
    {
        // 5 on a par 4 with the green missed, a saved par 3, a par 5 hit in three and putted twice: three times over.
        RoundHole[] three =
        [
            new()
            {
                Par = 4,
                Score = 5,
                FairwayHit = false,
                GreenHit = false,
                Putts = 2,
                Penalties = 1,
            },
            new()
            {
                Par = 3,
                Score = 3,
                GreenHit = false,
                Putts = 1,
            },
            new()
            {
                Par = 5,
                Score = 5,
                FairwayHit = true,
                GreenHit = true,
                Putts = 2,
            },
        ];
        var round = Given([.. three, .. three, .. three]);
        Assert.Empty(round.Check(Today));
        var totals = round.Totals();
        Assert.Equal((36, 39), (totals.Par, totals.Score));
        Assert.Equal(new CountOf(3, 6), totals.Fairways);
        Assert.Equal(3, totals.Greens);
        Assert.Equal(new CountOf(3, 6), totals.UpAndDowns);
        Assert.Equal((15, 6, 3), (totals.Putts, totals.PuttsOnGreensHit, totals.Penalties));
        Assert.True(round.MakesSense());
    }

    /// <summary>Common practice, no source: 13 greens and 32 putts on a par 72 cannot be 70; they are 73.</summary>
    [Theory]
    [InlineData(70, false)]
    [InlineData(72, false)]
    [InlineData(73, true)]
    public void Thirteen_greens_and_32_putts_make_sense_from_73_on(int score, bool makesSense) =>
        Assert.Equal(makesSense, Totals(score, greens: 13, putts: 32).MakesSense());

    [Fact]
    public void What_is_wrong_is_named()
    {
        var wrong = Given([
            new RoundHole
            {
                Par = 3,
                Score = 2,
                FairwayHit = true,
                Putts = 3,
            },
        ]) with
        {
            Day = Today.AddDays(1),
            Course = "",
        };
        Assert.Equal(
            ["course", "day", "holes", "holes[0].fairwayHit", "holes[0].putts"],
            wrong.Check(Today).Select(e => e.Path).Order(StringComparer.Ordinal)
        );
        Assert.Contains((Totals(80) with { Noted = null }).Check(Today), e => e.Path == "noted");
        Assert.Contains((Totals(80) with { Day = new DateOnly(1, 1, 1) }).Check(Today), e => e.Path == "day");
        Assert.Contains(Totals(17).Check(Today), e => e.Path == "noted.score");
    }

    [Fact]
    public void Fewer_than_three_rounds_say_nothing()
    {
        var lost = LostStrokes.Of([Totals(90), Totals(88)], Level.Improving);
        Assert.Empty(lost.Parts);
        Assert.Equal("Not enough rounds to say: 2 noted, 3 are needed.", lost.Said.In());
        Assert.Equal(
            "Greens, putts and penalties are noted in too few rounds to say where strokes are lost.",
            LostStrokes.Of([Totals(90), Totals(88), Totals(93)], Level.Improving).Said.In()
        );
    }

    [Fact]
    public void The_part_that_costs_most_is_named_with_its_evidence()
    {
        // Single figure: 9 greens are usual, 1.2 penalties; here 8 and 4.
        Round[] rounds = [.. Enumerable.Range(0, 3).Select(_ => Totals(84, greens: 8, penalties: 4))];
        var lost = LostStrokes.Of(rounds, Level.SingleFigure);
        Assert.Equal([LosingPart.Penalties, LosingPart.Greens], lost.Parts.Select(p => p.Part));
        Assert.Equal(2.8, lost.Parts[0].Strokes, 9);
        Assert.Equal(
            "Most is lost by penalty strokes: about 2.8 strokes in 18 holes over the last 3 rounds, 12 in 54 holes where "
                + "1.2 in 18 are usual at this level (from memory).",
            lost.Said.In()
        );
        Assert.Null(lost.Parts[0].Before);
        // Long clubs lose penalties, irons and wedges greens.
        Assert.Equal([Area.Driver, Area.Wood, Area.Iron, Area.Wedge], lost.Areas().Select(a => a.Area));
    }

    /// <summary>Par less two for the green, so that a score and its putts tell whether it was hit.</summary>
    [Theory]
    [InlineData(4, 4, 2, true)]
    [InlineData(4, 4, 1, false)]
    [InlineData(5, 6, 3, true)]
    [InlineData(3, 3, 2, true)]
    [InlineData(3, 3, 1, false)]
    public void A_green_that_nobody_noted_is_told_from_the_putts(int par, int score, int putts, bool isHit) =>
        Assert.Equal(
            isHit,
            new RoundHole
            {
                Par = par,
                Score = score,
                Putts = putts,
            }.GreenInRegulation
        );

    [Fact]
    public void A_green_that_the_putts_contradict_is_named()
    {
        var hole = new RoundHole
        {
            Par = 4,
            Score = 5,
            Putts = 2,
            GreenHit = true,
        };
        var wrong = Given([.. Enumerable.Repeat(hole, 9)]);
        Assert.Contains(wrong.Check(Today), e => e.Path == "holes[8].greenHit");
    }

    [Fact]
    public void Totals_that_cannot_be_are_named()
    {
        var wrong = Totals(84, greens: 19, putts: 90, penalties: -1);
        wrong = wrong with { Noted = wrong.Noted! with { Fairways = new CountOf(9, 8), PuttsOnGreensHit = 91 } };
        Assert.Equal(
            ["noted.fairways", "noted.greens", "noted.penalties", "noted.putts", "noted.puttsOnGreensHit"],
            wrong.Check(Today).Select(e => e.Path).Order(StringComparer.Ordinal)
        );
    }

    [Fact]
    public void The_last_rounds_stand_beside_the_students_own_before_them()
    {
        Round[] rounds =
        [
            .. Enumerable.Range(0, 4).Select(i => Totals(84, penalties: 1) with { Day = Today.AddDays(-i) }),
            .. Enumerable.Range(0, 4).Select(i => Totals(84, penalties: 3) with { Day = Today.AddDays(-30 - i) }),
        ];
        var part = Assert.Single(LostStrokes.Of(rounds, Level.SingleFigure).Parts);
        Assert.Equal((1, 3), (part.Now, part.Before));
    }

    private static Round Given(IReadOnlyList<RoundHole> holes) =>
        new()
        {
            Day = Today,
            Course = "Osier Island",
            HolesPlayed = 9,
            Holes = holes,
        };

    private static Round Totals(int score, int? greens = null, int? putts = null, int? penalties = null) =>
        new()
        {
            Day = Today,
            Course = "Osier Island",
            HolesPlayed = 18,
            Noted = new RoundTotals
            {
                Par = 72,
                Score = score,
                Greens = greens,
                Putts = putts,
                Penalties = penalties,
            },
        };
}
