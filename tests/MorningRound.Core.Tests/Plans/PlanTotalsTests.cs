using CsCheck;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Tests.Plans;

public class PlanTotalsTests
{
    [Fact]
    public void Half_an_hour_of_putting_split_evenly_is_fifteen_and_fifteen()
    {
        // Source: common practice, no source ("30 min of putting, even split: 15 min block, 15 min random").
        var totals = PlanTotals.Of(
            Given.Plan(
                Given.Segment(1, Phase.Block, 15, 60, Intent.Technique, PlaceKind.PuttingGreen),
                Given.Segment(2, Phase.Random, 15, 15, Intent.Skill, PlaceKind.PuttingGreen)
            )
        );

        Assert.Equal(30, totals.Minutes);
        Assert.Equal([50.0, 50.0], totals.Phases.Select(p => p.PercentAfterWarmUp!.Value));
        Assert.Equal(75, totals.Balls);
        Assert.Equal(0, totals.BallsBought);
    }

    [Fact]
    public void A_hundred_balls_in_an_hour_are_thirty_forty_and_thirty()
    {
        // Source: common practice, no source: 30 balls warm-up in 10 min, 40 block in 25, 30 random in 25.
        var totals = PlanTotals.Of(
            Given.Plan(
                Given.Segment(1, Phase.WarmUp, 10, 30),
                Given.Segment(2, Phase.Block, 25, 40, Intent.Technique),
                Given.Segment(3, Phase.Random, 25, 30)
            )
        );

        Assert.Equal(100, totals.Balls);
        Assert.Equal(100, totals.BallsBought);
        Assert.Equal(60, totals.Minutes);
        Assert.Equal(1.667, totals.BallsPerMinute!.Value, 3);
        Assert.Equal([3.0, 1.6, 1.2], totals.Paces.Select(p => p.BallsPerMinute!.Value));
        Assert.Equal([null, 50.0, 50.0], totals.Phases.Select(p => p.PercentAfterWarmUp));
        Assert.Equal([30, 40, 30], totals.Phases.Select(p => p.Balls));
        Assert.Equal(
            [(Intent.Technique, 50.0), (Intent.Skill, 50.0)],
            totals.Intents.Select(i => (i.Intent, i.PercentAfterWarmUp))
        );
    }

    [Fact]
    public void Slow_repetitions_have_the_pace_of_a_swing_change()
    {
        // Source: common practice, no source: 30–40 balls fill 90–120 minutes, 0.25–0.45 a minute.
        var pace = PlanTotals.PaceOf(Given.Segment(1, Phase.Block, 85, 30, Intent.Technique) with { SlowRepetitions = true });
        Assert.InRange(pace!.Value, 0.25, 0.45);
    }

    [Fact]
    public void Fourteen_drives_in_twenty_minutes_is_seven_tenths_of_a_ball_a_minute()
    {
        // Source: common practice, no source.
        Assert.Equal(0.70, PlanTotals.PaceOf(Given.Segment(1, Phase.Random, 20, 14))!.Value, 10);
    }

    [Theory]
    [InlineData(Intent.Body)]
    [InlineData(Intent.Mind)]
    public void Body_and_mind_have_no_pace_even_with_balls(Intent intent) =>
        Assert.Null(PlanTotals.PaceOf(Given.Segment(1, Phase.WarmUp, 5, 10, intent)));

    [Fact]
    public void A_pause_has_no_pace_and_no_share_but_takes_time()
    {
        var totals = PlanTotals.Of(
            Given.Plan(Given.Segment(1, Phase.Block, 20, 20), Given.Pause(2, 5), Given.Segment(3, Phase.Random, 20, 20))
        );

        Assert.Equal(45, totals.Minutes);
        Assert.Equal(40, totals.PracticeMinutes);
        Assert.Equal(5, totals.PauseMinutes);
        Assert.Equal([50.0, 50.0], totals.Phases.Select(p => p.Percent));
        Assert.Equal([1.0, null, 1.0], totals.Paces.Select(p => p.BallsPerMinute));
        Assert.Equal(1.0, totals.BallsPerMinute);
    }

    [Fact]
    public void A_plan_that_is_only_a_warm_up_has_no_balance()
    {
        var totals = PlanTotals.Of(Given.Plan(Given.Segment(1, Phase.WarmUp, 20, 20)));
        Assert.Null(Assert.Single(totals.Phases).PercentAfterWarmUp);
        Assert.Empty(totals.Intents);
    }

    [Fact]
    public void Only_range_balls_are_bought()
    {
        var totals = PlanTotals.Of(
            Given.Plan(
                Given.Segment(1, Phase.Block, 10, 30, place: PlaceKind.Range),
                Given.Segment(2, Phase.Block, 10, 40, place: PlaceKind.PuttingGreen),
                Given.Segment(3, Phase.Block, 10, 20, place: PlaceKind.ChippingGreen)
            )
        );
        Assert.Equal(90, totals.Balls);
        Assert.Equal(30, totals.BallsBought);
    }

    [Fact]
    public void Holes_add_up_over_the_on_course_segments() =>
        Assert.Equal(
            9,
            PlanTotals
                .Of(
                    Given.Plan(
                        Given.Segment(1, Phase.OnCourse, 15, 15) with
                        {
                            Holes = 4,
                        },
                        Given.Segment(2, Phase.OnCourse, 20, 20) with
                        {
                            Holes = 5,
                        }
                    )
                )
                .Holes
        );

    [Fact]
    public void An_empty_plan_adds_up_to_nothing()
    {
        var totals = PlanTotals.Of(Given.Plan());
        Assert.Equal(0, totals.Minutes);
        Assert.Null(totals.BallsPerMinute);
        Assert.Empty(totals.Phases);
    }

    [Fact]
    public void Shares_add_up_to_a_hundred_and_never_depend_on_the_order() =>
        GenPlan
            .Any.Where(p => p.Practice().Any())
            .ForEachSeed(plan =>
            {
                var totals = PlanTotals.Of(plan);
                Assert.Equal(100, totals.Phases.Sum(p => p.Percent), 6);
                Assert.Equal(totals.Minutes, plan.Segments.Sum(s => s.Minutes));
                if (totals.Intents.Count > 0)
                {
                    Assert.Equal(100, totals.Intents.Sum(i => i.PercentAfterWarmUp), 6);
                    Assert.Equal(100, totals.Phases.Sum(p => p.PercentAfterWarmUp ?? 0), 6);
                }

                var turned = PlanTotals.Of(plan with { Segments = [.. plan.Segments.Reverse()] });
                Assert.Equal(totals.Phases, turned.Phases);
                Assert.Equal(totals.Intents, turned.Intents);
            });
}
