using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Progress;

public class WeekFigureTests
{
    private static SessionRated Rated(int? focus, int? effort) =>
        new()
        {
            Focus = focus,
            Effort = effort,
            Sequence = 0,
            At = Nine,
        };

    [Fact]
    public void A_missing_answer_is_left_out_of_the_mean_and_zero_effort_is_an_answer()
    {
        // By hand: focus (7 + 8) ÷ 2, effort (0 + 6 + 3) ÷ 3.
        var means = MeanRatings.Of([Rated(7, 0), Rated(null, 6), Rated(8, 3)]);
        Assert.Equal(7.5, means.Focus);
        Assert.Equal(3, means.Effort);
        Assert.Null(means.Quality);
    }

    [Fact]
    public void A_week_adds_up_its_minutes_balls_and_worst_pain()
    {
        var first = Log((0, Entered(1)), (20, Counted(1, 30)), (25, Pain(2)), (30, Finished()));
        var second = Log((0, Entered(1)), (10, Counted(1, 5)), (12, Pain(3)), (15, Finished()));
        var plan = Plan(Segment(1, Phase.Block, 60, 40));
        var figure = WeekFigure.Of(
            Week,
            [Assigned(60, 45)],
            [
                SessionFigures.Of(plan, [first], new Strokes(30, 30, false)),
                SessionFigures.Of(plan, [second], new Strokes(5, 0, true)),
            ],
            Week.Sunday
        );
        Assert.Equal(45, figure.MinutesPractised, 10);
        Assert.Equal(new Strokes(35, 30, true), figure.Strokes);
        Assert.Equal(3, figure.WorstPain);
        Assert.Equal(0.75, figure.Completion.Fraction);
    }

    [Fact]
    public void A_week_without_practice_has_no_ratings_and_no_pain()
    {
        var figure = WeekFigure.Of(Week, [], [], Week.Sunday);
        Assert.Null(figure.WorstPain);
        Assert.Equal(new MeanRatings(null, null, null, null, null), figure.Ratings);
    }
}
