using CsCheck;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Check;
using MorningRound.Core.Tests.Plans.Check;
using static MorningRound.Core.Tests.Plans.Check.GivenPlan;

namespace MorningRound.Core.Tests.Plans;

/// <summary>Thirty minutes and forty balls for a plan of an hour; and the templates.</summary>
public sealed class TrimTests
{
    private static SessionPlan After(SessionPlan plan, Trimmed trimmed) => plan with
    {
        Segments =
        [
            .. plan.Segments.Where(s => trimmed.Kept.Any(k => k.SegmentId == s.Id)).Select(s =>
            {
                var kept = trimmed.Kept.Single(k => k.SegmentId == s.Id);
                return s is PracticeSegment p ? p with { Minutes = kept.Minutes, Balls = kept.Balls } : s with { Minutes = kept.Minutes };
            }),
        ],
    };

    [Fact]
    public void Half_the_time_keeps_the_three_parts_and_says_that_it_is_shorter()
    {
        // 55 minutes in 30: the three parts hold only together, so nothing but a second warm-up may fall out.
        var trimmed = PlanTrim.Of(Clean, 30, 40, Context)!;
        var after = After(Clean, trimmed);
        Assert.True(PlanTotals.Of(after).Minutes <= 30 && PlanTotals.Of(after).BallsBought <= 40);
        Assert.Contains(after.Practice(), s => s.Phase == Phase.WarmUp);
        Assert.DoesNotContain(PlanCheck.Run(after, Context), f => f.Id == FindingId.Balance);
        Assert.Contains("The rest is shortened in proportion, to 30 minutes.", trimmed.Reasons);
    }

    [Fact]
    public void The_least_priority_falls_out_whole_first()
    {
        var plan = Clean with { Frame = new PlanFrame(), Segments = [Stretch, HalfSwings, Technique, CalledIrons with { Priority = 3 }, Holes with { Priority = 1 }] };
        var trimmed = PlanTrim.Of(plan, 40, null, Context)!;
        Assert.Equal([CalledIrons.Id], trimmed.Dropped);
        Assert.StartsWith("“Called irons” falls out", Assert.Single(trimmed.Reasons));
    }

    [Fact]
    public void Where_everything_is_of_one_priority_all_of_it_is_shortened()
    {
        var trimmed = PlanTrim.Of(Clean with { Frame = new PlanFrame(), Segments = [Stretch, Technique, CalledIrons, Holes] }, 30, null, Context)!;
        Assert.Empty(trimmed.Dropped);
        Assert.Equal("Everything is shortened in proportion, to 30 minutes.", Assert.Single(trimmed.Reasons));
    }

    [Fact]
    public void What_is_left_is_over_by_its_own_minutes_and_holes()
    {
        var trimmed = PlanTrim.Of(Clean, 30, null, Context)!;
        var after = After(Clean, trimmed);
        Assert.Equal(after.Practice().Select(s => new ExitRuleInWords(s.Id, s.Exit.InWords(s))), trimmed.ExitRules);
        var holes = trimmed.Kept.Single(k => k.SegmentId == Holes.Id);
        Assert.Equal((9, 4), (holes.Minutes, holes.Holes));
        // Two minutes a hole is as hurried as it may get.
        var hurried = PlanTrim.Of(Clean, 18, null, Context)!.Kept.Single(k => k.SegmentId == Holes.Id);
        Assert.InRange(hurried.Holes!.Value, 1, 3);
        Assert.True(hurried.Minutes >= 2 * hurried.Holes);
    }

    [Fact]
    public void What_fits_is_left_alone() => Assert.Null(PlanTrim.Of(Clean, 55, 57, Context));

    [Fact]
    public void Only_too_few_balls_take_balls_and_no_time()
    {
        var trimmed = PlanTrim.Of(Clean, 60, 30, Context)!;
        Assert.Empty(trimmed.Dropped);
        Assert.Equal((55, 30), (trimmed.Kept.Sum(k => k.Minutes), trimmed.Kept.Sum(k => k.Balls)));
        Assert.Equal("Fewer balls everywhere, 30 in all.", Assert.Single(trimmed.Reasons));
    }

    [Fact]
    public void Any_trim_fits_keeps_a_warm_up_and_gives_a_reason() =>
        Gen.Select(GenPlan.Any, Gen.Int[1, 120], Gen.Int[0, 150]).ForEachSeed((plan, minutes, balls) =>
        {
            if (PlanTrim.Of(plan, minutes, balls, Context) is not { } trimmed) return;
            Assert.True(trimmed.Kept.Sum(k => k.Minutes) <= minutes);
            Assert.True(trimmed.Kept.Where(k => plan.Practice().Any(s => s.Id == k.SegmentId && s.Place == Core.Places.PlaceKind.Range)).Sum(k => k.Balls) <= balls);
            Assert.NotEmpty(trimmed.Reasons);
            Assert.Equal(plan.Segments.Select(s => s.Id).Order(), trimmed.Kept.Select(k => k.SegmentId).Concat(trimmed.Dropped).Order());
            if (plan.Practice().FirstOrDefault(s => s.Phase == Phase.WarmUp) is { } warmUp) Assert.DoesNotContain(warmUp.Id, trimmed.Dropped);
        }, seeds: 1_000);

    [Fact]
    public void Steps_are_worked_out_beforehand_for_less_time_and_fewer_balls()
    {
        var steps = PlanTrim.Steps(Clean, Context);
        Assert.Contains(steps, s => s is { Minutes: 30, Balls: 40 });
        Assert.Contains(steps, s => s is { Minutes: 30, Balls: null });
        Assert.Contains(steps, s => s is { Minutes: 55, Balls: 20 });
        Assert.InRange(steps.Count, 8, 30);
    }

    public static TheoryData<string> Templates => [.. PlanTemplates.On(Day).Select(t => t.Title)];

    [Theory]
    [MemberData(nameof(Templates))]
    public void A_template_can_be_published_as_it_is_and_raises_no_advice(string title)
    {
        var template = PlanTemplates.On(Day).Single(t => t.Title == title);
        Assert.Empty(PlanRules.ToPublish(template));
        Assert.DoesNotContain(PlanCheck.Run(template, new PlanContext { Day = Day }), f => f.Level >= FindingLevel.Advice);
    }

    [Fact]
    public void There_are_at_least_ten_templates_with_ids_that_stay()
    {
        Assert.True(PlanTemplates.On(Day).Count >= 10);
        Assert.Equal(PlanTemplates.On(Day).SelectMany(t => t.Segments).Select(s => s.Id), PlanTemplates.On(Day).SelectMany(t => t.Segments).Select(s => s.Id));
    }
}
