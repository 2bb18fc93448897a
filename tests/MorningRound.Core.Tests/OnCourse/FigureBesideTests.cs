using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

public class FigureBesideTests
{
    /// <summary>Two par fours: one hit and putted twice, one missed and not saved.</summary>
    private static readonly Card Two = new() { Holes = [Hole(1, Finish.Fairway, 2, 2), Hole(2, Finish.RoughLeft, 3, 2)] };

    [Fact]
    public void A_card_stands_beside_real_rounds_for_as_many_holes()
    {
        // 18 over par in 18 holes, 36 putts, a third of the greens: for two holes two over and four putts.
        Round[] rounds = [.. Enumerable.Repeat(Eighteen(90, greens: 6, putts: 36), 3)];
        var beside = FigureBeside.Of(Two, null, rounds).ToDictionary(f => f.Figure);
        Assert.Equal((1.0, 2.0), (beside[CardFigure.ToPar].Now, beside[CardFigure.ToPar].InRounds!.Value));
        Assert.Equal((4.0, 4.0), (beside[CardFigure.Putts].Now, beside[CardFigure.Putts].InRounds!.Value));
        Assert.Equal(50, beside[CardFigure.Greens].Now);
        Assert.Equal(100.0 / 3, beside[CardFigure.Greens].InRounds!.Value, 9);
        Assert.False(beside.ContainsKey(CardFigure.Fairways), "nobody noted fairways");
        Assert.All(beside.Values, f => Assert.Null(f.LastTime));
    }

    [Fact]
    public void Two_rounds_say_nothing_and_nothing_beside_is_nothing_shown() =>
        Assert.Empty(FigureBeside.Of(Two, null, [Eighteen(90, 6, 36), Eighteen(88, 7, 34)]));

    [Fact]
    public void The_same_holes_last_time_stand_beside_as_they_were()
    {
        var last = new Dictionary<CardFigure, double> { [CardFigure.ToPar] = 3, [CardFigure.Putts] = 5 };
        Assert.Equal(
            [(CardFigure.ToPar, 1.0, 3.0), (CardFigure.Putts, 4.0, 5.0)],
            FigureBeside.Of(Two, last, []).Select(f => (f.Figure, f.Now, f.LastTime!.Value))
        );
    }

    [Fact]
    public void A_card_without_a_hole_that_is_over_has_nothing_to_show() =>
        Assert.Empty(FigureBeside.Of(new Card { Holes = [] }, null, [.. Enumerable.Repeat(Eighteen(90, 6, 36), 3)]));

    private static HoleCard Hole(int number, Finish tee, int toGreen, int putts) =>
        new()
        {
            Number = number,
            Par = 4,
            Length = new MarkedLength(340, LengthUnit.Yards),
            Shots =
            [
                .. Enumerable
                    .Range(1, toGreen)
                    .Select(shot => new PlayedShot(
                        "i7",
                        shot == 1 ? Lie.Tee : Lie.Fairway,
                        new MarkedLength(340 - (100 * (shot - 1)), LengthUnit.Yards),
                        shot == toGreen ? Finish.Green : tee,
                        shot == toGreen ? Lie.Green : Lie.Fairway,
                        new MarkedLength(shot == toGreen ? 20 : 100, shot == toGreen ? LengthUnit.Feet : LengthUnit.Yards),
                        0
                    )),
            ],
            FirstPutt = new MarkedLength(20, LengthUnit.Feet),
            Putts = putts,
        };

    private static Round Eighteen(int score, int greens, int putts) =>
        new()
        {
            Day = new DateOnly(2026, 5, 3),
            Course = "Osier Island",
            HolesPlayed = 18,
            Noted = new RoundTotals
            {
                Par = 72,
                Score = score,
                Greens = greens,
                Putts = putts,
            },
        };
}
