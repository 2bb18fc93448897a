using CsCheck;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>Applying what is offered, on plans of every sort.</summary>
public sealed class FixPropertyTests
{
    private const int MostSteps = 300;

    private static Gen<T> AnyOf<T>(params T[] values) => Gen.Int[0, values.Length - 1].Select(i => values[i]);

    private static readonly Gen<PlannedDrill?> Drills = AnyOf<PlannedDrill?>(
        null,
        null,
        GivenPlan.Planned(new Streak { Length = 5 }),
        GivenPlan.Planned(new Repetitions(), d => d with { Places = [PlaceKind.Home], Area = Area.Putting, Skill = "pace" }),
        GivenPlan.Planned(
            new MakeRate { Attempts = 10, Make = "x" },
            d => d with { Equipment = [new EquipmentNeed { Item = Equipment.LaunchMonitor }] }
        )
    );

    private static readonly Gen<PlanConstraints> Limits = Gen.Select(
        AnyOf<int?>(null, 20, 45, 60, 90, 180),
        AnyOf<int?>(null, 0, 30, 100),
        AnyOf<Approach?>([null, .. Enum.GetValues<Approach>().Cast<Approach?>()]),
        Gen.Bool,
        (minutes, balls, approach, hot) =>
            new PlanConstraints
            {
                Minutes = minutes,
                Balls = balls,
                Approach = approach,
                Hot = hot,
            }
    );

    private static readonly Gen<SessionPlan> Plan = Gen.Select(
        GenPlan.Any,
        Limits,
        Gen.Select(
            Drills,
            Gen.Enum<Area>(),
            AnyOf("", "Turn", "keep it going"),
            AnyOf<Club[]>([], [Club.Driver], [Club.Driver, Club.Iron7]),
            Gen.Bool
        ).Array[10],
        Gen.Bool,
        (plan, constraints, more, hasPurpose) =>
            plan with
            {
                Purpose = hasPurpose ? "x" : "",
                Constraints = constraints,
                Segments =
                [
                    .. plan.Segments.Select(
                        (s, i) =>
                            s is PracticeSegment p
                                ? p with
                                {
                                    Drill = more[i].Item1,
                                    Area = more[i].Item2,
                                    Focus = more[i].Item3,
                                    Clubs = more[i].Item4,
                                    SlowRepetitions = more[i].Item5 && p.Phase == Phase.Block,
                                }
                                : s
                    ),
                ],
            }
    );

    [Fact]
    public void Applying_what_is_offered_ends_deletes_nothing_and_never_adds_anything_heavier() =>
        Plan.ForEachSeed(
            start =>
            {
                var plan = start;
                for (var step = 0; step < MostSteps; step++)
                {
                    var found = PlanCheck.Run(plan, GivenPlan.Context);
                    if (found.FirstOrDefault(f => f.Fix is not null) is not { } offered)
                        return;
                    var mended = PlanCheck.Fix(plan, GivenPlan.Context, offered.Id, offered.SegmentId);
                    var after = PlanCheck.Run(mended, GivenPlan.Context);
                    Assert.Superset(plan.Segments.Select(s => s.Id).ToHashSet(), mended.Segments.Select(s => s.Id).ToHashSet());
                    Assert.Equal(mended.Segments.Count, mended.Segments.Select(s => s.Id).Distinct().Count());
                    for (var level = offered.Level + 1; level <= FindingLevel.Stop; level++)
                        Assert.True(
                            after.Count(f => f.Level == level) <= found.Count(f => f.Level == level),
                            $"{offered.Id} added a {level}"
                        );
                    Assert.All(mended.Segments, s => Assert.InRange(s.Minutes, 1, PlanRules.MostMinutesInSegment));
                    plan = mended;
                }

                Assert.Fail("What is offered does not come to an end.");
            },
            seeds: 200
        );

    [Fact]
    public void The_same_plan_is_found_the_same_and_checking_changes_nothing() =>
        Plan.ForEachSeed(
            plan =>
            {
                var first = PlanCheck.Run(plan, GivenPlan.Context);
                Assert.Equal(
                    first.Select(f => (f.Id, f.SegmentId, f.Why, f.Fix)),
                    PlanCheck.Run(plan, GivenPlan.Context).Select(f => (f.Id, f.SegmentId, f.Why, f.Fix))
                );
            },
            seeds: 100
        );

    [Fact]
    public void A_fix_nobody_offered_changes_nothing() =>
        Assert.Same(GivenPlan.Clean, PlanCheck.Fix(GivenPlan.Clean, GivenPlan.Context, FindingId.Balance, null));
}
