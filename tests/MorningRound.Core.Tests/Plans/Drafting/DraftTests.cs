using CsCheck;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Serialization;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Plans.Checks;

namespace MorningRound.Core.Tests.Plans.Drafting;

/// <summary>Drafts from the shelf that ships, over everything a coach can answer.</summary>
public sealed class DraftTests
{
    private static readonly IReadOnlyList<ShelvedDrill> Shelf = Given.Shelf.Drills;

    internal static readonly PlanContext Island = GivenPlan.Context with
    {
        Places =
        [
            new ListedPlace
            {
                Id = GivenPlan.IdOf(101),
                Place = new Place
                {
                    Name = "Range",
                    Kind = PlaceKind.Range,
                    Walks = [new WalkTo(GivenPlan.IdOf(102), 3)],
                    Equipment = [Equipment.AlignmentSticks, Equipment.Tees, Equipment.FootSpray],
                },
            },
            new ListedPlace
            {
                Id = GivenPlan.IdOf(102),
                Place = new Place
                {
                    Name = "Green",
                    Kind = PlaceKind.PuttingGreen,
                    Equipment = [Equipment.Tees, Equipment.StringLine, Equipment.TapeMeasure],
                },
            },
            new ListedPlace
            {
                Id = GivenPlan.IdOf(103),
                Place = new Place
                {
                    Name = "Chips",
                    Kind = PlaceKind.ChippingGreen,
                    Equipment = [Equipment.Towel, Equipment.TapeMeasure],
                },
            },
            new ListedPlace
            {
                Id = GivenPlan.IdOf(104),
                Place = new Place { Name = "Sand", Kind = PlaceKind.Bunker },
            },
        ],
        Student = GivenPlan.Adult with
        {
            Own = GivenPlan.Adult.Own with { Equipment = [Equipment.Phone, Equipment.Mirror, Equipment.Tees] },
        },
    };

    private static DraftRequest Range(int minutes = 60, int balls = 100, Approach approach = Approach.ThreeParts) =>
        new()
        {
            Minutes = minutes,
            Balls = balls,
            Places = [PlaceKind.Range],
            Approach = approach,
        };

    internal static Drafted Draft(DraftRequest request, PlanContext? context = null) =>
        PlanDraft.Of(request, context ?? Island, Shelf);

    private static PlanContext In(Season season, Level level = Level.Improving) =>
        Island with
        {
            Level = level,
            Student = Island.Student! with { Coach = Island.Student.Coach with { Season = season } },
        };

    private static string Text(Drafted drafted) => System.Text.Json.JsonSerializer.Serialize(drafted, CoreJson.Options);

    private static double Share(SessionPlan plan, Intent intent)
    {
        var after = plan.Practice().Where(s => s.Phase != Phase.WarmUp).ToList();
        return 100.0 * after.Where(s => s.Intent == intent).Sum(s => s.Minutes) / after.Sum(s => s.Minutes);
    }

    [Fact]
    public void Another_draft_is_never_one_that_was_there_before()
    {
        var seen = new HashSet<string>();
        for (var another = 0; another < Samples.Of(80); another++)
        {
            var drafted = Draft(Range() with { Variant = another });
            var plan = string.Join(
                '|',
                drafted.Plan!.Segments.Select(s => $"{s.Title} {s.Minutes} {(s as PracticeSegment)?.Balls}")
            );
            Assert.True(seen.Add(plan), $"Draft {another + 1} was there before.");
            if (!drafted.HasMoreVariants)
                return;
        }
    }

    /// <summary>What must hold of every draft, whatever was answered.</summary>
    private static void Holds(DraftRequest request, PlanContext context)
    {
        var drafted = Draft(request, context);
        if (drafted.Plan is not { } plan)
        {
            Assert.NotEmpty(drafted.Compromises);
            return;
        }

        var found = PlanCheck.Run(plan, context);
        var walks = Walks(plan, context);
        Assert.True(
            plan.Segments.Sum(s => s.Minutes) + walks <= request.Minutes,
            $"over time: {request} {string.Join('+', plan.Segments.Select(x => x.Minutes))}"
        );
        Assert.True(plan.Practice().Where(s => s.Place == PlaceKind.Range).Sum(s => s.Balls) <= request.Balls, "over balls");
        Assert.DoesNotContain(found, f => f.Level == FindingLevel.Stop && f.Id is not (FindingId.Minor or FindingId.Hurt));
        Assert.Empty(PlanRules.ToPublish(plan with { Segments = plan.Practice().Any() ? plan.Segments : [GivenPlan.Stretch] }));
        var isFilled = (plan.Segments.Sum(s => s.Minutes) + walks) * 10 >= request.Minutes * 9;
        Assert.True(
            isFilled || drafted.Compromises.Count > 0,
            $"only {plan.Segments.Sum(s => s.Minutes)} of {request.Minutes} minutes, and no word why"
        );
        foreach (
            var (phase, said) in new[] { (Phase.WarmUp, "warm-up"), (Phase.Random, "random"), (Phase.OnCourse, "on-course") }
        )
            Assert.True(
                plan.Practice().Any(s => s.Phase == phase)
                    || drafted.Compromises.Any(c => c.Contains(said, StringComparison.Ordinal)),
                $"no {said} part, and no word why"
            );
        foreach (var heavy in found.Where(f => f.Level > FindingLevel.Note && f.Id is not (FindingId.Minor or FindingId.Hurt)))
            Assert.Contains(drafted.Compromises, c => c.Contains(heavy.Why, StringComparison.Ordinal));
        Assert.Equal(plan.Segments.Select(s => s.Id), drafted.Reasons.Select(r => r.SegmentId));
        Assert.All(drafted.Reasons, r => Assert.Matches("^[A-Z“0-9].*[.]$", r.Why));
        Assert.Equal(plan.Segments.Count, plan.Segments.Select(s => s.Id).Distinct().Count());
    }

    private static int Walks(SessionPlan plan, PlanContext context) =>
        plan.Practice()
            .Select(s => s.Place)
            .Aggregate(
                (Minutes: 0, Last: (PlaceKind?)null),
                (sum, place) =>
                    (
                        sum.Minutes
                            + (
                                sum.Last is { } last
                                && last != place
                                && (
                                    (last, place)
                                    is
                                        (PlaceKind.Range, PlaceKind.PuttingGreen)
                                        or
                                        (PlaceKind.PuttingGreen, PlaceKind.Range)
                                )
                                && context.Places.Count > 1
                                    ? 3
                                    : 0
                            ),
                        place
                    )
            )
            .Minutes;

    private static readonly Gen<(DraftRequest, PlanContext)> Anything = Gen.Select(
        Gen.Select(Gen.Int[5, 180], Gen.Int[0, 200], Gen.Enum<PlaceKind>().HashSet[1, 3], Gen.Enum<Approach>()),
        Gen.Select(Gen.Enum<Season>(), Gen.Enum<Level>(), Gen.Enum<Equipment>().HashSet[0, 6], Gen.Bool, Gen.Bool),
        Gen.Select(Gen.Int[0, 20], Gen.Enum<Area>(), Gen.Bool),
        (a, b, c) =>
            (
                new DraftRequest
                {
                    Minutes = a.Item1,
                    Balls = a.Item2,
                    Places = [.. a.Item3],
                    Approach = a.Item4,
                    Hot = b.Item4,
                    WarmedUpBefore = b.Item5,
                    Variant = c.Item1,
                    Area = c.Item3 ? c.Item2 : null,
                },
                Island with
                {
                    Level = b.Item2,
                    Student = Island.Student! with
                    {
                        Own = Island.Student.Own with { Equipment = [.. b.Item3] },
                        Coach = Island.Student.Coach with { Season = b.Item1 },
                    },
                }
            )
    );

    [Fact]
    public void Every_draft_keeps_to_time_and_balls_is_filled_and_says_what_is_missing() =>
        Anything.ForEachSeed((request, context) => Holds(request, context), seeds: Samples.Of(700));

    /// <summary>Every pair of answers at least once: each dimension stepped against each other.</summary>
    [Fact]
    public void Every_pair_of_answers_holds()
    {
        int[] minutes = [5, 9, 10, 30, 45, 60, 90, 180];
        int[] balls = [0, 30, 100, 200];
        PlaceKind[][] places =
        [
            [PlaceKind.Range],
            [PlaceKind.PuttingGreen],
            [PlaceKind.Home],
            [PlaceKind.ChippingGreen],
            [PlaceKind.Range, PlaceKind.PuttingGreen],
            [PlaceKind.Bunker],
            [PlaceKind.Course],
        ];
        var n = 0;
        foreach (var m in minutes)
        {
            foreach (var b in balls)
            {
                foreach (var p in places)
                {
                    foreach (var approach in Enum.GetValues<Approach>())
                    {
                        n++;
                        if (Samples.Holds(n))
                            Holds(
                                new DraftRequest
                                {
                                    Minutes = m,
                                    Balls = b,
                                    Places = p,
                                    Approach = approach,
                                    Variant = n % 3,
                                },
                                In((Season)(n % 4), (Level)(n / 4 % 4))
                            );
                    }
                }
            }
        }
    }

    [Theory]
    [InlineData(Approach.ThreeParts, 60, 100)]
    [InlineData(Approach.StepUp, 60, 100)]
    [InlineData(Approach.EvenSplit, 60, 100)]
    [InlineData(Approach.PlayIt, 60, 100)]
    [InlineData(Approach.SlowBuild, 120, 80)]
    [InlineData(Approach.Sharpen, 75, 100)]
    public void An_ordinary_hour_on_the_range_has_no_finding_above_note(Approach approach, int minutes, int balls) =>
        Assert.DoesNotContain(
            PlanCheck.Run(Draft(Range(minutes, balls, approach)).Plan!, Island),
            f => f.Level > FindingLevel.Note
        );

    [Theory]
    [InlineData(30)]
    [InlineData(60)]
    public void So_has_putting_half_and_half(int minutes)
    {
        var drafted = Draft(
            new DraftRequest
            {
                Minutes = minutes,
                Places = [PlaceKind.PuttingGreen],
                Approach = Approach.EvenSplit,
            }
        );
        Assert.DoesNotContain(PlanCheck.Run(drafted.Plan!, Island), f => f.Level > FindingLevel.Note);
    }

    [Fact]
    public void The_same_answers_give_the_same_draft_another_a_different_one_and_going_back_the_first_again()
    {
        var first = Text(Draft(Range()));
        Assert.Equal(first, Text(Draft(Range())));
        var others = Enumerable.Range(1, 4).Select(n => Text(Draft(Range() with { Variant = n }))).ToList();
        Assert.Contains(others, o => Drills(o) != Drills(first));
        Assert.Equal(first, Text(Draft(Range() with { Variant = 0 })));

        static string Drills(string text) =>
            string.Join("|", System.Text.RegularExpressions.Regex.Matches(text, "\"title\":\"[^\"]*\"").Select(m => m.Value));
    }

    [Fact]
    public void Out_of_season_there_is_more_technique_than_in_season() =>
        Assert.True(
            Share(Draft(Range(approach: Approach.StepUp), In(Season.OffSeason)).Plan!, Intent.Technique)
                > Share(Draft(Range(approach: Approach.StepUp), In(Season.InSeason)).Plan!, Intent.Technique) + 15
        );

    [Fact]
    public void A_new_golfer_has_more_technique_and_the_lowest_steps()
    {
        var (fresh, elite) = (
            Draft(Range(approach: Approach.StepUp), In(Season.PreSeason, Level.New)).Plan!,
            Draft(Range(approach: Approach.StepUp), In(Season.PreSeason, Level.Elite)).Plan!
        );
        Assert.True(Share(fresh, Intent.Technique) > Share(elite, Intent.Technique) + 5);
        Assert.All(fresh.Practice().Where(s => s.Drill is not null), s => Assert.Equal(0, s.Drill!.Rung));
        elite = Draft(
            new DraftRequest
            {
                Minutes = 60,
                Places = [PlaceKind.PuttingGreen],
                Approach = Approach.EvenSplit,
            },
            In(Season.PreSeason, Level.Elite)
        ).Plan!;
        Assert.Contains(elite.Practice(), s => s.Drill is { Rung: > 0 });
    }

    [Fact]
    public void Before_a_competition_nothing_is_changed_and_pace_is_left_to_the_course()
    {
        var plan = Draft(
            Range(75, 100, Approach.Sharpen) with
            {
                Places = [PlaceKind.Range, PlaceKind.PuttingGreen],
            },
            In(Season.CompetitionWeek)
        ).Plan!;
        Assert.DoesNotContain(plan.Practice(), s => s.SlowRepetitions || s.EffectiveSkill == "pace");
        Assert.Contains(plan.Practice(), s => s.EffectiveSkill == "start line");
    }

    [Fact]
    public void The_focus_of_the_file_is_the_focus_of_the_technique_and_its_aid_is_preferred()
    {
        var file = Island.Student! with
        {
            Coach = Island.Student.Coach with
            {
                Focus = new FocusChain { Fault = "Low point behind the ball", Goal = "Ball first, then ground" },
            },
        };
        var plan = Draft(Range(), Island with { Student = file }).Plan!;
        Assert.Equal("Ball first, then ground", plan.Purpose);
        var technique = plan.Practice().First(s => s.Intent == Intent.Technique);
        Assert.Equal(("Ball first, then ground", "low point"), (technique.Focus, technique.EffectiveSkill));
    }

    [Fact]
    public void What_was_there_lately_gives_way_and_what_is_pinned_stays()
    {
        var first = Draft(Range());
        var used = first.Plan!.Practice().Where(s => s.Drill is not null).Select(s => s.Drill!.DrillId).ToList();
        var next = Draft(Range() with { Recent = used })
            .Plan!.Practice()
            .Where(s => s.Drill is not null)
            .Select(s => s.Drill!.DrillId);
        Assert.True(next.Count(used.Contains) < used.Count);
        var pinned = Shelf.Single(s => s.Drill.Name == "Loose hands").Id;
        Assert.Contains(
            Draft(Range(approach: Approach.ThreeParts) with { Pinned = [pinned] }).Plan!.Practice(),
            s => s.Drill?.DrillId == pinned
        );
    }

    [Fact]
    public void What_loads_a_hurt_part_is_left_out_and_of_a_little_sore_one_what_loads_it_heavily()
    {
        var sore = Island with { Hurt = [new HurtPart(BodyPart.Elbow, BodySide.Lead, Mild: true)] };
        var drafted = Draft(Range() with { Places = [PlaceKind.ChippingGreen, PlaceKind.PuttingGreen] }, sore);
        Assert.All(drafted.Plan!.Practice(), s => Assert.NotEqual(LoadWeight.Heavy, s.LoadOn(BodyPart.Elbow, BodySide.Lead)));
        Assert.Contains(drafted.Plan!.Practice(), s => s.LoadOn(BodyPart.Elbow, BodySide.Lead) == LoadWeight.Light);
        var hurt = Island with { Hurt = [new HurtPart(BodyPart.Elbow, BodySide.Lead)] };
        drafted = Draft(Range() with { Places = [PlaceKind.ChippingGreen, PlaceKind.PuttingGreen] }, hurt);
        Assert.All(drafted.Plan!.Practice(), s => Assert.Null(s.LoadOn(BodyPart.Elbow, BodySide.Lead)));
    }

    [Fact]
    public void Nobody_is_told_of_pain_who_has_none()
    {
        foreach (var place in Enum.GetValues<PlaceKind>())
            Assert.DoesNotContain(
                Draft(Range(180) with { Places = [place] }).Compromises,
                c => c.Contains("hurts", StringComparison.Ordinal)
            );
        // One drill that does for block and random alike is used up by the first.
        var only = Shelf
            .Where(s => s.Drill.Places.Contains(PlaceKind.Range))
            .Take(1)
            .Select(s =>
                s with
                {
                    Drill = s.Drill with { Phases = [Phase.Block, Phase.Random], Intents = [Intent.Technique, Intent.Skill] },
                }
            )
            .ToList();
        Assert.DoesNotContain(
            PlanDraft.Of(Range(), Island, only).Compromises,
            c => c.Contains("hurts", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Where_nothing_spares_what_hurts_a_draft_says_so_and_where_there_would_be_something()
    {
        var hurt = Island with { Hurt = [new HurtPart(BodyPart.WristOrHand, BodySide.Trail)] };
        var onRange = Draft(Range(), hurt);
        Assert.Null(onRange.Plan);
        Assert.Contains(
            "Everything that fits loads the trail wrist or hand, which hurts and which nobody has cleared.",
            onRange.Compromises
        );
        Assert.Contains(onRange.Offers, o => o.Place == PlaceKind.PuttingGreen);
        var onGreen = Draft(Range() with { Places = [PlaceKind.PuttingGreen] }, hurt);
        Assert.DoesNotContain(PlanCheck.Run(onGreen.Plan!, hurt), f => f.Level > FindingLevel.Note);
    }

    [Fact]
    public void Without_balls_there_is_no_plan_for_the_range_but_what_would_work()
    {
        var drafted = Draft(Range(60, 0));
        Assert.Null(drafted.Plan);
        Assert.Contains(drafted.Compromises, c => c.Contains("ball", StringComparison.Ordinal));
        Assert.NotEmpty(drafted.Offers);
    }

    [Theory]
    [InlineData(4, 0, "minutes")]
    [InlineData(181, 0, "minutes")]
    [InlineData(60, 201, "balls")]
    public void Answers_nobody_can_draft_from_are_named(int minutes, int balls, string field)
    {
        var request = Range(minutes, balls);
        Assert.Equal(field, Assert.Single(request.Check()).Path);
        Assert.Throws<ArgumentException>(() => Draft(request));
    }
}
