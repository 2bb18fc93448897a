using System.Globalization;
using System.Text.Json;
using CsCheck;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Serialization;
using MorningRound.Core.Statistics;
using MorningRound.Core.Tests.Drills;
using MorningRound.Core.Tests.Plans.Checks;
using static MorningRound.Core.Tests.Plans.Checks.GivenPlan;

namespace MorningRound.Core.Tests.Plans;

/// <summary>Thirty minutes and forty balls for a plan of an hour; and the templates.</summary>
public sealed class TrimTests
{
    private static SessionPlan After(SessionPlan plan, Trimmed trimmed) =>
        plan with
        {
            Segments =
            [
                .. plan
                    .Segments.Where(s => trimmed.Kept.Any(k => k.SegmentId == s.Id))
                    .Select(s =>
                    {
                        var kept = trimmed.Kept.Single(k => k.SegmentId == s.Id);
                        return s is PracticeSegment p
                            ? p with
                            {
                                Minutes = kept.Minutes,
                                Balls = kept.Balls,
                                Holes = kept.Holes,
                            }
                            : s with
                            {
                                Minutes = kept.Minutes,
                            };
                    }),
            ],
        };

    private static readonly HashSet<Guid> Nothing = [];

    private static Trimmed? At(SessionPlan plan, int minutes, int? balls, params HashSet<Guid> leftOut) =>
        PlanTrim.Of(plan, Context).At(minutes, balls, leftOut);

    [Fact]
    public void Half_the_time_keeps_the_three_parts_and_says_that_it_is_shorter()
    {
        // 55 minutes in 30: the three parts hold only together, and nobody goes from stretching to full swings, so nothing may
        // fall out.
        var trimmed = At(Clean, 30, 40)!;
        var after = After(Clean, trimmed);
        Assert.Equal(30, PlanTotals.Of(after).Minutes);
        Assert.True(PlanTotals.Of(after).BallsBought <= 40);
        Assert.Contains(after.Practice(), s => s.Phase == Phase.WarmUp);
        Assert.DoesNotContain(PlanCheck.Run(after, Context), f => f.Id == FindingId.Balance);
        Assert.Equal("Everything is shortened in proportion, to 30 minutes.", trimmed.Reasons[0]);
    }

    [Fact]
    public void The_least_priority_falls_out_whole_first()
    {
        var plan = Clean with
        {
            Constraints = new PlanConstraints(),
            Segments = [Stretch, HalfSwings, Technique, CalledIrons with { Priority = 3 }, Holes with { Priority = 1 }],
        };
        var trimmed = At(plan, 40, null)!;
        Assert.Equal([CalledIrons.Id], trimmed.Dropped);
        Assert.StartsWith("“Called irons” falls out", Assert.Single(trimmed.Reasons));
    }

    [Theory]
    // What is left when “Called irons” falls out are 40 of 55 minutes: at least nine tenths of 45 in whole minutes, not of 46.
    [InlineData(45, true)]
    [InlineData(46, false)]
    public void Nothing_falls_out_where_that_leaves_less_than_nine_tenths_of_the_time(int minutes, bool fallsOut)
    {
        var plan = Clean with
        {
            Constraints = new PlanConstraints(),
            Segments = [Stretch, HalfSwings, Technique, CalledIrons with { Priority = 3 }, Holes with { Priority = 1 }],
        };
        Assert.Equal(fallsOut, At(plan, minutes, null)!.Dropped.Contains(CalledIrons.Id));
    }

    [Fact]
    public void Where_everything_is_of_one_priority_all_of_it_is_shortened()
    {
        var trimmed = At(
            Clean with
            {
                Constraints = new PlanConstraints(),
                Segments = [Stretch, Technique, CalledIrons, Holes],
            },
            30,
            null
        )!;
        Assert.Empty(trimmed.Dropped);
        Assert.Equal("Everything is shortened in proportion, to 30 minutes.", Assert.Single(trimmed.Reasons));
    }

    [Theory]
    // Exact to the minute and to the ball: 7 minutes is 7, 55 balls are 55, 3 are 3.
    [InlineData(7, null)]
    [InlineData(31, null)]
    [InlineData(55, 56)]
    [InlineData(55, 3)]
    [InlineData(42, 19)]
    public void What_the_student_has_is_used_to_the_minute_and_to_the_ball(int minutes, int? balls)
    {
        var trimmed = At(Clean, minutes, balls)!;
        Assert.Equal(minutes, trimmed.Kept.Sum(k => k.Minutes));
        if (balls is { } bucket)
            Assert.Equal(bucket, trimmed.Kept.Sum(k => k.Balls));
    }

    [Fact]
    public void Stretching_stays_whole_as_long_as_half_of_the_time_is_left_for_the_rest()
    {
        Assert.Equal(5, At(Clean, 14, null)!.Kept.Single(k => k.SegmentId == Stretch.Id).Minutes);
        Assert.True(At(Clean, 7, null)!.Kept.Single(k => k.SegmentId == Stretch.Id).Minutes < 5);
    }

    [Fact]
    public void Nothing_is_begun_for_less_than_two_minutes()
    {
        // Five minutes of five segments were five one-minute parts; now what cannot have two falls out, and is named.
        var trimmed = At(Clean, 5, null)!;
        Assert.Equal(5, trimmed.Kept.Sum(k => k.Minutes));
        Assert.All(trimmed.Kept, k => Assert.True(k.Minutes >= 2));
        Assert.Equal(Clean.Segments.Count, trimmed.Kept.Count + trimmed.Dropped.Count);
        Assert.Equal(trimmed.Dropped.Count, trimmed.Reasons.Count(r => r.Contains("falls out", StringComparison.Ordinal)));
    }

    [Fact]
    public void One_minute_is_too_little_for_anything() => Assert.Null(At(Clean, 1, null));

    [Fact]
    public void Without_a_ball_what_takes_bought_ones_falls_out()
    {
        var trimmed = At(Clean, 10, 0)!;
        var bought = Clean.Practice().Where(s => s.Balls > 0 && s.Place == PlaceKind.Range).Select(s => s.Id).ToList();
        Assert.NotEmpty(trimmed.Kept);
        Assert.DoesNotContain(trimmed.Kept, k => bought.Contains(k.SegmentId));
        Assert.Equal("Segments with range balls are left out.", trimmed.Reasons[0]);
    }

    [Fact]
    public void Holes_and_the_drills_own_count_are_shortened_with_the_minutes()
    {
        // By hand: 15 minutes in 6 are two fifths; of 4 holes 1.6, of 20 balls 8, and a ball is an attempt.
        var counted = Technique with
        {
            Drill = new PlannedDrill { DrillId = IdOf(70), Drill = Counting(10) },
        };
        var trim = PlanTrim.Of(Clean with { Constraints = new PlanConstraints(), Segments = [counted, Holes] }, Context);
        var trimmed = trim.At(12, null, Nothing)!;
        Assert.Equal(new TrimmedSegment(counted.Id, 6, 8, null, 8), trimmed.Kept[0]);
        Assert.Equal(2, trimmed.Kept[1].Holes);
        Assert.Equal("after {minutes}", trim.Segments[1].ExitRule);
    }

    [Fact]
    public void What_fits_is_left_alone() => Assert.Null(At(Clean, 55, 57));

    [Fact]
    public void Only_too_few_balls_take_balls_and_no_time()
    {
        var trimmed = At(Clean, 60, 30)!;
        Assert.Empty(trimmed.Dropped);
        Assert.Equal((55, 30), (trimmed.Kept.Sum(k => k.Minutes), trimmed.Kept.Sum(k => k.Balls)));
        Assert.Equal("Fewer balls everywhere, 30 in all.", Assert.Single(trimmed.Reasons));
    }

    [Fact]
    public void What_is_left_out_because_it_hurts_frees_its_minutes_for_the_rest()
    {
        // The minutes of all but the technique: with it they cost the called irons, without it they are enough.
        var plan = Clean with
        {
            Constraints = new PlanConstraints(),
            Segments = [Stretch, HalfSwings, Technique, CalledIrons with { Priority = 3 }, Holes with { Priority = 1 }],
        };
        var whole = plan.Segments.Sum(s => s.Minutes) - Technique.Minutes;
        Assert.Contains(CalledIrons.Id, At(plan, whole, null)!.Dropped);
        Assert.Null(At(plan, whole, null, Technique.Id));
        var trimmed = At(plan, whole - 2, null, Technique.Id)!;
        Assert.Empty(trimmed.Dropped);
        Assert.Equal(whole - 2, trimmed.Kept.Sum(k => k.Minutes));
        Assert.DoesNotContain(Technique.Id, trimmed.Kept.Select(k => k.SegmentId).Concat(trimmed.Dropped));
    }

    [Fact]
    public void Nobody_goes_from_stretching_to_full_swings_only_a_warm_up_beyond_that_falls_out()
    {
        // Common practice, no source: the body first, then small shots, then longer ones.
        var upTheBag = HalfSwings with
        {
            Id = IdOf(72),
            Title = "Up the bag",
            Swing = SwingSize.Full,
        };
        var trimmed = At(
            Clean with
            {
                Constraints = new PlanConstraints(),
                Segments = [Stretch, HalfSwings, upTheBag, Technique, CalledIrons, Holes],
            },
            30,
            null
        )!;
        Assert.Equal([upTheBag.Id], trimmed.Dropped);
        Assert.Equal("“Up the bag” falls out: the warm-up before it is enough for a shorter session.", trimmed.Reasons[0]);
    }

    [Fact]
    public void A_bucket_is_shared_among_what_does_not_hurt()
    {
        var trimmed = At(Clean, 55, 20, Technique.Id)!;
        Assert.Equal(20, trimmed.Kept.Sum(k => k.Balls));
        Assert.Null(At(Clean, 55, null, [.. Clean.Segments.Select(s => s.Id)]));
    }

    [Fact]
    public void Leaving_out_what_hurts_never_costs_more_than_it_frees() =>
        Gen.Select(GenPlan.Any, Gen.Int[1, 120], Gen.Int[0, 150], Gen.Int[0, 63])
            .ForEachSeed(
                given =>
                {
                    var (plan, minutes, balls, bits) = given;
                    var leftOut = plan.Segments.Where((_, i) => (bits >> i & 1) == 1).Select(s => s.Id).ToHashSet();
                    if (At(plan, minutes, balls, leftOut) is not { } trimmed)
                        return;
                    Assert.True(trimmed.Kept.Sum(k => k.Minutes) <= minutes);
                    Assert.True(
                        trimmed
                            .Kept.Where(k => plan.Practice().Any(s => s.Id == k.SegmentId && s.Place == PlaceKind.Range))
                            .Sum(k => k.Balls) <= balls
                    );
                    Assert.Equal(
                        plan.Segments.Select(s => s.Id).Except(leftOut).Order(),
                        trimmed.Kept.Select(k => k.SegmentId).Concat(trimmed.Dropped).Order()
                    );
                    Assert.Equal(
                        trimmed.Kept.All(k => k.Minutes == plan.Segments.Single(s => s.Id == k.SegmentId).Minutes),
                        !trimmed.Reasons.Any(r => r.Contains("in proportion", StringComparison.Ordinal))
                    );
                    if (At(plan, minutes, balls) is { } without)
                        Assert.Subset(without.Dropped.ToHashSet(), trimmed.Dropped.ToHashSet());
                },
                seeds: 150
            );

    [Fact]
    public void Any_trim_fits_keeps_a_warm_up_and_gives_a_reason() =>
        Gen.Select(GenPlan.Any, Gen.Int[1, 120], Gen.Int[0, 150])
            .ForEachSeed(
                (plan, minutes, balls) =>
                {
                    if (At(plan, minutes, balls) is not { } trimmed)
                        return;
                    Assert.True(trimmed.Kept.Sum(k => k.Minutes) <= minutes);
                    Assert.True(
                        trimmed
                            .Kept.Where(k => plan.Practice().Any(s => s.Id == k.SegmentId && s.Place == PlaceKind.Range))
                            .Sum(k => k.Balls) <= balls
                    );
                    Assert.All(trimmed.Kept, k => Assert.True(k.Minutes >= 1));
                    Assert.NotEmpty(trimmed.Reasons);
                    Assert.Equal(
                        plan.Segments.Select(s => s.Id).Order(),
                        trimmed.Kept.Select(k => k.SegmentId).Concat(trimmed.Dropped).Order()
                    );
                    foreach (
                        var first in new[]
                        {
                            plan.Practice().FirstOrDefault(s => s.Phase == Phase.WarmUp),
                            plan.Practice().FirstOrDefault(s => s is { Phase: Phase.WarmUp, Balls: > 0 }),
                        }
                    )
                        if (first is not null)
                            Assert.DoesNotContain(first.Id, trimmed.Dropped);
                },
                seeds: 150
            );

    public static TheoryData<string> Countable =>
        [
            .. GivenDrills
                .Every.Where(e => e.Protocol.PlannedAttempts is { } n && e.Protocol.WithCount(n) is not null)
                .Select(e => e.Name),
        ];

    [Theory]
    [MemberData(nameof(Countable))]
    public void A_shortened_drill_ends_at_its_own_number_for_the_phone_and_for_the_score(string name)
    {
        var protocol = GivenDrills.Every.Single(e => e.Name == name).Protocol;
        for (var attempts = protocol.AttemptsEach; attempts <= protocol.PlannedAttempts; attempts += protocol.AttemptsEach)
        {
            var flow = protocol.Compile(9).WithCount(attempts);
            var inputs = Play.Through(flow, new SplitMix64(3), constancy: 0.5, mayStop: false).ToList();
            var walk = FlowWalk.Of(flow, inputs);
            Assert.Equal((true, attempts), (walk.IsComplete, walk.Attempts));
            var result = protocol.WithCount(attempts)!.Score(inputs, 9);
            Assert.Equal((ResultStatus.Complete, attempts), (result.Status, result.Attempts));
            Assert.Contains(
                walk.Displays,
                d => d.Contains(attempts.ToString(CultureInfo.InvariantCulture), StringComparison.Ordinal)
            );
        }
    }

    /// <summary>
    /// Plans, and for every pair of minutes and balls what is left of each, as one number per minute: the phone's own tests hold
    /// it to them.
    /// </summary>
    [Fact]
    public void The_shared_trims_are_what_the_core_makes_of_them()
    {
        var counted = Technique with
        {
            Drill = new PlannedDrill { DrillId = IdOf(70), Drill = Counting(13) },
        };
        SessionPlan[] plans =
        [
            Clean,
            Clean with
            {
                Segments =
                [
                    Stretch,
                    HalfSwings,
                    counted,
                    new Pause
                    {
                        Id = IdOf(71),
                        Title = "Water",
                        Minutes = 4,
                    },
                    CalledIrons with
                    {
                        Priority = 3,
                        Exit = new AfterBalls(),
                    },
                    Holes with
                    {
                        Priority = 1,
                    },
                ],
            },
            .. PlanTemplates.On(Day).Where(t => t.Segments.Sum(s => s.Minutes) <= 75).Take(3),
        ];
        var shared = plans.Select(plan =>
        {
            var trim = PlanTrim.Of(plan, Context);
            HashSet<Guid> hurts = [plan.Segments[plan.Segments.Count / 2].Id];
            return JsonSerializer.Serialize(
                new
                {
                    trim,
                    sums = Sums(trim, Nothing),
                    leftOut = hurts,
                    sumsWithout = Sums(trim, hurts),
                },
                CoreJson.Options
            );
        });
        Repository.AssertIs("tests/fixtures/trims.json", "[" + string.Join(",\n", shared) + "]\n");
    }

    private static IEnumerable<uint> Sums(PlanTrim trim, HashSet<Guid> leftOut) =>
        Enumerable.Range(1, trim.Minutes).Select(m => Sum(trim, m, leftOut));

    /// <summary>All trims of a number of minutes in one: FNV-1a over their numbers, as text.</summary>
    private static uint Sum(PlanTrim trim, int minutes, HashSet<Guid> leftOut)
    {
        var hash = 2166136261u;
        foreach (var balls in Enumerable.Range(0, trim.Balls + 1).Select(b => (int?)b).Append(null))
        {
            var trimmed = trim.At(minutes, balls, leftOut);
            var text = trimmed is null
                ? "whole"
                : string.Join(' ', trimmed.Kept.Select(k => $"{k.Minutes},{k.Balls},{k.Holes},{k.Attempts}"))
                    + "|"
                    + string.Join('|', trimmed.Reasons);
            foreach (var c in text)
                hash = unchecked((hash ^ c) * 16777619u);
        }

        return hash;
    }

    private static Drill Counting(int attempts) =>
        new()
        {
            Name = "Counted",
            Purpose = "Strike it",
            Area = Area.Iron,
            Skill = "low point",
            Criterion = "Ball first",
            Phases = [Phase.Block],
            Intents = [Intent.Technique],
            Places = [PlaceKind.Range],
            UsualMinutes = 15,
            UsualBalls = 20,
            SetUp = "A line on the ground.",
            Protocol = new MakeRate { Attempts = attempts, Make = "Ball first" },
        };

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
        Assert.Equal(
            PlanTemplates.On(Day).SelectMany(t => t.Segments).Select(s => s.Id),
            PlanTemplates.On(Day).SelectMany(t => t.Segments).Select(s => s.Id)
        );
    }
}
