using CsCheck;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Plans.Drafting;

/// <summary>What holds of every draft, over students, places, minutes and balls.</summary>
public sealed class DraftPropertyTests
{
    private static readonly BodyPart[] Sore = [BodyPart.WristOrHand, BodyPart.Knee, BodyPart.LowerBack, BodyPart.Shoulder];

    private static readonly Gen<(DraftRequest, PlanContext)> Anything = Gen.Select(
        Gen.Select(Gen.Int[10, 150], Gen.Int[0, 150], Gen.Enum<PlaceKind>().HashSet[1, 4], Gen.Int[-1, 9], Gen.Int[-1, 5]),
        Gen.Select(Gen.Enum<Level>(), Gen.Enum<AgeBand>(), Gen.Enum<Club>().HashSet[4, 13], Gen.Int[-1, 9], Gen.Int[0, 60]),
        Gen.Select(Gen.Int[-1, 3], Gen.Bool, Gen.Enum<Club>().HashSet[0, 2], Gen.Enum<Equipment>().HashSet[0, 6], Gen.Int[0, 4]),
        (a, b, c) =>
            (
                new DraftRequest
                {
                    Minutes = a.Item1,
                    Balls = a.Item2,
                    Places = [.. a.Item3],
                    Area = a.Item4 >= 0 ? (Area)a.Item4 : null,
                    Approach = a.Item5 >= 0 ? (Approach)a.Item5 : null,
                    Variant = c.Item5,
                },
                DraftTests.Island with
                {
                    Level = b.Item1,
                    Hurt = c.Item1 >= 0 ? [new HurtPart(Sore[c.Item1], null, c.Item2)] : [],
                    Student = new StudentFile
                    {
                        Own = new StudentSection
                        {
                            Equipment = [.. c.Item4],
                            DislikedClubs = [.. c.Item3],
                            Competitions =
                                b.Item5 < 8
                                    ?
                                    [
                                        new Competition
                                        {
                                            Id = Given.Id(1),
                                            Name = "Reed Cup",
                                            FirstDay = DraftTests.Island.Day.AddDays(b.Item5),
                                            LastDay = DraftTests.Island.Day.AddDays(b.Item5 + 1),
                                            ArrivalDay = DraftTests.Island.Day.AddDays(b.Item5 - 1),
                                        },
                                    ]
                                    : [],
                        },
                        Coach = new CoachSection
                        {
                            Age = b.Item2,
                            Bag =
                            [
                                .. b
                                    .Item3.Append(Club.Putter)
                                    .Distinct()
                                    .Select(club => new BagClub
                                    {
                                        Club = club,
                                        Carry =
                                            club == Club.Putter
                                                ? null
                                                : new MarkedLength(150 + (9 * (Club.Iron7 - club)), LengthUnit.Yards),
                                    }),
                            ],
                            Focus =
                                b.Item4 >= 0
                                    ? new FocusChain
                                    {
                                        Area = (Area)b.Item4,
                                        Skill = "start line",
                                        Goal = "Within 2°",
                                    }
                                    : new(),
                        },
                    },
                }
            )
    );

    [Fact]
    public void Every_draft_is_one_that_this_student_can_do_there() =>
        Anything.ForEachSeed(
            (request, context) =>
            {
                var drafted = PlanDraft.Of(request, context, Given.Shelf.Drills);
                if (drafted.Plan is not { } plan)
                {
                    Assert.NotEmpty(drafted.Compromises);
                    return;
                }

                var (practice, after) = (plan.Practice().ToList(), plan.Practice().Where(s => s.Phase != Phase.WarmUp).ToList());
                var bag = context.Student!.Coach.Bag.Select(b => b.Club).ToHashSet();
                var warmUpClub = after.Count == 0 || practice.Any(s => s.Phase == Phase.WarmUp && s.Balls > 0);
                Assert.All(after, s => Assert.Empty(s.Clubs.Except(bag)));
                Assert.All(
                    practice.Where(s => s.Phase == Phase.WarmUp && s.Swing == SwingSize.Full),
                    s => Assert.Empty(s.Clubs.Intersect(context.Student.Own.DislikedClubs))
                );
                Assert.All(practice, s => Assert.True(s.Balls > 0 || s.EffectiveSwing is null || s.Drill is not null, s.Title));
                foreach (var hurt in context.Hurt)
                    Assert.All(
                        practice,
                        s => Assert.False(s.LoadOn(hurt.Part, hurt.Side) is { } load && hurt.Forbids(load), s.Title)
                    );
                Assert.All(
                    after.Where(s => s.Drill is not null),
                    s =>
                    {
                        Assert.True(s.Drill!.Drill.Suits(context.Level, context.Student.Coach.Age), s.Title);
                        if (s.Balls > 0 && s.Protocol() is { } protocol && protocol.CountBy == CountBy.Drill)
                            Assert.Equal(protocol.OwnStrokes, s.Balls);
                        Assert.True(s.Drill.Goal is null || s.Drill.Goal == s.Drill.Drill.UsualGoal(s.Drill.Rung), s.Title);
                    }
                );
                if (context.Level == Level.New)
                    Assert.All(
                        after.Where(s => s.Drill?.Drill.Protocol is not CalledShots),
                        s => Assert.InRange(s.Clubs.Count, 0, 3)
                    );
                var area = request.Area ?? context.Student.Coach.Focus.Area;
                if (
                    area is Area.Putting or Area.Chip or Area.Pitch or Area.Bunker
                    && plan.Title.Contains(',', StringComparison.Ordinal)
                )
                    if (request.Area is not null)
                        Assert.DoesNotContain(after, s => s.Area is Area.Wood or Area.Driver);
                if (
                    request.Area is { } asked
                    && asked is not (Area.Mind or Area.Body)
                    && plan.Constraints.Approach is not (Approach.Sharpen or Approach.PlayIt)
                    && context.Student.Own.Competitions.Count == 0
                )
                {
                    var own = after.Where(s =>
                        s.Area == asked || s.Area == Area.Mind || s.Holes is not null || AreNeighbours(s.Area!.Value, asked)
                    );
                    Assert.True(3 * own.Sum(s => s.Minutes) >= 2 * after.Sum(s => s.Minutes) - 6, plan.Title);
                }

                Assert.True(
                    plan.SuccessTest.Length > 0
                        && plan.Purpose.Length > 0
                        && !plan.Purpose.Contains('°', StringComparison.Ordinal)
                );
                Assert.True(
                    warmUpClub
                        || practice.All(s => s.EffectiveSwing != SwingSize.Full || s.Place != PlaceKind.Range)
                        || plan.Constraints.WarmedUpBefore
                        || request.Minutes < 14
                        || request.Balls < 40,
                    plan.Title
                );
            },
            seeds: Samples.Of(300)
        );

    private static bool AreNeighbours(Area a, Area b)
    {
        (Area, Area)[] pairs =
        [
            (Area.Putting, Area.Chip),
            (Area.Chip, Area.Pitch),
            (Area.Chip, Area.Bunker),
            (Area.Pitch, Area.Bunker),
            (Area.Pitch, Area.Wedge),
            (Area.Wedge, Area.Iron),
            (Area.Iron, Area.Wood),
            (Area.Wood, Area.Driver),
        ];
        return pairs.Contains((a, b)) || pairs.Contains((b, a));
    }

    [Fact]
    public void Another_draft_differs_in_two_drills_while_the_shelf_allows() =>
        Anything.ForEachSeed(
            (request, context) =>
            {
                HashSet<Guid> DrillsOf(int variant) =>
                    PlanDraft
                        .Of(request with { Variant = variant }, context, Given.Shelf.Drills)
                        .Plan?.Practice()
                        .Select(s => s.Drill?.DrillId)
                        .OfType<Guid>()
                        .ToHashSet()
                    ?? [];
                var first = PlanDraft.Of(request with { Variant = 0 }, context, Given.Shelf.Drills);
                if (first.Plan is null || !first.HasMoreVariants)
                    return;
                Assert.True(DrillsOf(0).Except(DrillsOf(1)).Any(), first.Plan.Title);
            },
            seeds: Samples.Of(60)
        );
}
