using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Tests.Plans.Checks;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Plans.Drafting;

/// <summary>The wishes, and what a coach looks for.</summary>
public sealed partial class SignedDraftTests
{
    private static Case[] All =>
        [
            new(
                "The focus is the irons' start line: that is what most of it is about, and it says so",
                Student(with: Focus(Area.Iron, "start line", "Start it on the line")),
                Wish(60, 90, PlaceKind.Range),
                d =>
                    Practice(d).Any(s => s.EffectiveSkill == "start line" && s.Phase == Phase.Block)
                    && Practice(d).Any(s => s.EffectiveSkill == "start line" && s.Phase == Phase.Random)
                    && Says(d, "start line")
                    && d.Plan!.Purpose == "Start it on the line"
            ),
            new(
                "A focus with a number is the purpose only where something measures it",
                Student(with: Focus(Area.Iron, "start line", "Start direction within 2°", "start direction")),
                Wish(60, 90, PlaceKind.Range),
                d => !d.Plan!.Purpose.Contains('°', StringComparison.Ordinal)
            ),
            new(
                "With a launch monitor there, the number is measured and is the purpose",
                Student(
                    with: Focus(Area.Iron, "start line", "Start direction within 2°", "start direction"),
                    and: c =>
                        c with
                        {
                            Places =
                            [
                                .. c.Places.Select(p =>
                                    p.Place.Kind == PlaceKind.Range
                                        ? p with
                                        {
                                            Place = p.Place with { Equipment = [.. p.Place.Equipment, Equipment.LaunchMonitor] },
                                        }
                                        : p
                                ),
                            ],
                        }
                ),
                Wish(60, 90, PlaceKind.Range),
                d =>
                    d.Plan!.Purpose == "Start direction within 2°"
                    && Practice(d).Any(s => s.Drill?.Drill.Name == "Start direction by numbers")
            ),
            new(
                "The focus of one area is not written into another",
                Student(with: Focus(Area.Putting, "start line", "Face square within 1°")),
                Wish(60, 90, PlaceKind.Range) with
                {
                    Area = Area.Iron,
                },
                d => Practice(d).All(s => s.Focus != "Face square within 1°")
            ),
            new(
                "Results lose most with the wedges: it is for the wedges, and says how much",
                Student(and: c => c with { Losses = [new AreaLoss(Area.Wedge, 0.35, 8), new AreaLoss(Area.Iron, 0.1, 12)] }),
                Wish(60, 90, PlaceKind.Range),
                d => MostlyOf(d, Area.Wedge, Area.Pitch, Area.Iron) && Says(d, "35 % short of what was asked, over 8 results")
            ),
            new(
                "Rounds lose most by penalties: it is for the driver, before what drills say, and says how much",
                Student(and: c =>
                    c with
                    {
                        Lost = LostStrokes.Of([.. Enumerable.Repeat(GivenRounds.WithPenalties(5), 3)], Level.Improving),
                        Losses = [new AreaLoss(Area.Wedge, 0.35, 8)],
                    }
                ),
                Wish(60, 90, PlaceKind.Range),
                d => MostlyOf(d, Area.Driver, Area.Wood) && Says(d, "Rounds lose strokes with the driver: about 2.5 in 18 holes")
            ),
            new(
                "Two rounds say nothing yet",
                Student(and: c =>
                    c with
                    {
                        Lost = LostStrokes.Of([.. Enumerable.Repeat(GivenRounds.WithPenalties(5), 2)], Level.Improving),
                    }
                ),
                Wish(60, 90, PlaceKind.Range),
                d => !Says(d, "Rounds lose strokes")
            ),
            new(
                "Two results say nothing yet",
                Student(and: c => c with { Losses = [new AreaLoss(Area.Wedge, 0.9, 2)] }),
                Wish(60, 90, PlaceKind.Range),
                d => !Says(d, "Results lose most")
            ),
            new(
                "The coach's focus comes before results, and results before beliefs",
                Student(
                    with: f =>
                        Focus(Area.Iron, "low point", "Ball first")(f) with
                        {
                            Own = f.Own with { BelievedWeaknesses = [Area.Driver] },
                        },
                    and: c => c with { Losses = [new AreaLoss(Area.Wedge, 0.5, 8)] }
                ),
                Wish(60, 90, PlaceKind.Range),
                d => Says(d, "The coach's focus") || Says(d, "the coach's focus")
            ),
            new(
                "Believed weak counts where nothing else does",
                Student(with: f => f with { Own = f.Own with { BelievedWeaknesses = [Area.Driver] } }),
                Wish(60, 90, PlaceKind.Range),
                d => Practice(d).Any(s => s.Area == Area.Driver) && Says(d, "The student believes the driver to be weak.")
            ),
            new(
                "What did not hold in a competition comes before what is believed",
                Student(
                    with: f => f with { Own = f.Own with { BelievedWeaknesses = [Area.Driver] } },
                    and: c =>
                        c with
                        {
                            Student = c.Student! with
                            {
                                Own = c.Student.Own with
                                {
                                    Competitions =
                                    [
                                        new Competition
                                        {
                                            Id = Given.Id(900),
                                            Name = "Reed Cup",
                                            FirstDay = c.Day.AddDays(-6),
                                            LastDay = c.Day.AddDays(-5),
                                            DidNotHold = [Area.Wedge],
                                        },
                                    ],
                                },
                            },
                        }
                ),
                Wish(60, 90, PlaceKind.Range),
                d => Practice(d).Any(s => s.Area == Area.Wedge) && Says(d, "The wedges did not hold at Reed Cup.")
            ),
            new(
                "What was there twice lately gives way to what was not",
                Student(and: c => c with { RecentAreas = [Area.Iron] }),
                Wish(60, 90, PlaceKind.Range),
                d => Says(d, "There was nothing for the wedges lately.")
            ),
            new(
                "A sore wrist on the range: no plan, the reason, and the green instead",
                Student(and: Hurts(BodyPart.WristOrHand, BodySide.Trail)),
                Wish(60, 90, PlaceKind.Range),
                d =>
                    d.Plan is null
                    && d.Compromises.Any(c => c.Contains("trail wrist or hand", StringComparison.Ordinal))
                    && d.Offers.Any(o => o.Place == PlaceKind.PuttingGreen)
            ),
            new(
                "A sore wrist on the green putts, and stretches without the wrists",
                Student(and: Hurts(BodyPart.WristOrHand, BodySide.Trail)),
                Wish(45, 0, PlaceKind.PuttingGreen),
                d =>
                    Practice(d).All(s => s.LoadOn(BodyPart.WristOrHand, BodySide.Trail) is null)
                    && !d.Plan!.Practice().First().Instruction.Contains("wrists", StringComparison.OrdinalIgnoreCase)
            ),
            new(
                "A knee that is a little sore keeps the half swings and loses the full ones",
                Student(and: Hurts(BodyPart.Knee, BodySide.Lead, mild: true)),
                Wish(60, 90, PlaceKind.Range, PlaceKind.ChippingGreen),
                d => d.Plan!.Practice().All(s => s.LoadOn(BodyPart.Knee, BodySide.Lead) != LoadWeight.Heavy)
            ),
            new(
                "A short-game plan has no long club in it",
                Student(),
                Wish(75, 90, Everywhere) with
                {
                    Area = Area.Chip,
                },
                d => !HasClub(d, c => c <= Club.Iron6) && MostlyOf(d, Area.Chip, Area.Putting, Area.Pitch, Area.Bunker)
            ),
            new(
                "Bunker asked for: the bunker and what lies next to it",
                Student(),
                Wish(60, 0, PlaceKind.Bunker, PlaceKind.ChippingGreen) with
                {
                    Area = Area.Bunker,
                },
                d => MostlyOf(d, Area.Bunker, Area.Chip, Area.Pitch) && Practice(d).Any(s => s.Area == Area.Bunker)
            ),
            new(
                "A wedge plan has no driver and no wood",
                Student(),
                Wish(60, 80, PlaceKind.Range) with
                {
                    Area = Area.Wedge,
                },
                d =>
                    !HasClub(d, c => c <= Club.Wood7)
                    || d.Plan!.Practice().Where(s => s.Phase == Phase.WarmUp).Any(s => s.Clubs.Contains(Club.Driver))
            ),
            new(
                "An hour with a range and a green uses both",
                Student(),
                Wish(60, 80, PlaceKind.Range, PlaceKind.PuttingGreen),
                d => Practice(d).Any(s => s.Place == PlaceKind.Range) && Practice(d).Any(s => s.Place == PlaceKind.PuttingGreen)
            ),
            new(
                "No launch monitor there: none in the draft",
                Student(Level.Elite),
                Wish(90, 100, PlaceKind.Range),
                d =>
                    Practice(d)
                        .All(s =>
                            s.Feedback != FeedbackSource.LaunchNumbers
                            && s.Drill?.Drill.Equipment.Any(e => e is { Item: Equipment.LaunchMonitor, Substitute: "" }) != true
                        )
            ),
            new(
                "Only clubs of the bag are named",
                Student(bag: HalfBag),
                Wish(75, 90, Everywhere),
                d => !HasClub(d, c => !HalfBag.Contains(c))
            ),
            new(
                "A disliked club comes once, on purpose, and never in the warm-up",
                Student(with: f =>
                    f with
                    {
                        Own = f.Own with { DislikedClubs = [Club.Iron5], BelievedWeaknesses = [Area.Iron] },
                    }
                ),
                Wish(75, 90, PlaceKind.Range) with
                {
                    Area = Area.Iron,
                },
                d =>
                    d.Plan!.Practice().Where(s => s.Phase == Phase.WarmUp).All(s => !s.Clubs.Contains(Club.Iron5))
                    && Practice(d).Count(s => s.Clubs.Contains(Club.Iron5) && s.Drill?.Drill.Protocol is not CalledShots) <= 1
            ),
            new(
                "A beginner has at most three clubs in a part, and no shapes",
                Student(Level.New),
                Wish(45, 50, PlaceKind.Range),
                d =>
                    Practice(d).All(s => s.Clubs.Count <= 3)
                    && Practice(d).All(s => s.Protocol() is not Window)
                    && Practice(d).All(s => (s.Protocol() as CalledShots)?.Shapes.All(h => h == ShotShape.Straight) != false)
            ),
            new(
                "A beginner gets through about half of what is asked",
                Student(Level.New),
                Wish(45, 50, PlaceKind.Range),
                d =>
                    Practice(d)
                        .Where(s => s.Drill?.Goal is not null)
                        .All(s => s.Drill!.Protocol().ChanceOf(s.Drill.Goal!, 0.4) is > 0.3 and < 0.82)
            ),
            new(
                "Somebody new is told the dose, and it is kept",
                Student(Level.New),
                Wish(60, 100, PlaceKind.Range),
                d =>
                    Says(d, "it is for somebody new to the game")
                    && d.Plan!.Practice().Where(s => s.EffectiveSwing == SwingSize.Full).Sum(s => s.Balls) <= 40
            ),
            new(
                "Over sixty: a pause within forty minutes",
                Student(with: f => f with { Coach = f.Coach with { Age = AgeBand.SixtyAndOver } }),
                Wish(75, 80, PlaceKind.Range),
                d => LongestWithoutPause(d.Plan!) <= 40
            ),
            new(
                "Under twelve: no speed work and no buried lies",
                Student(with: f => f with { Coach = f.Coach with { Age = AgeBand.UnderTwelve } }),
                Wish(60, 60, Everywhere),
                d => Practice(d).All(s => s.Drill?.Drill.Name is not ("Swish it" or "Buried"))
            ),
            new(
                "Five days before: sharpened, and no slow repetitions",
                Student(with: f => Plays(5)(f with { Coach = f.Coach with { Approach = Approach.SlowBuild } })),
                Wish(75, 80, PlaceKind.Range, PlaceKind.PuttingGreen),
                d =>
                    d.Plan!.Constraints.Approach == Approach.Sharpen
                    && Practice(d).All(s => !s.SlowRepetitions)
                    && Practice(d).Any(s => s is { Area: Area.Putting, EffectiveSkill: "start line" })
            ),
            new(
                "Before a competition on other greens no pace is practised here",
                Student(
                    with: Plays(5, green: 11),
                    and: c =>
                        c with
                        {
                            Places =
                            [
                                .. c.Places.Select(p =>
                                    p.Place.Kind == PlaceKind.PuttingGreen
                                        ? p with
                                        {
                                            Place = p.Place with { GreenSpeedFeet = 8, GreenSpeedOn = GivenPlan.Day },
                                        }
                                        : p
                                ),
                            ],
                        }
                ),
                Wish(60, 0, PlaceKind.PuttingGreen),
                d => Practice(d).All(s => s.EffectiveSkill != "pace")
            ),
            new(
                "In its week nothing is begun that is new",
                Student(with: Plays(4)),
                Wish(45, 0, PlaceKind.PuttingGreen) with
                {
                    Known = [.. Given.Shelf.Drills.Where(s => WellKnown.Contains(s.Drill.Name)).Select(s => s.Id)],
                },
                d => Practice(d).All(s => WellKnown.Contains(s.Title))
            ),
            new(
                "On the day of arriving: the greens, at most three quarters of an hour",
                Student(with: Plays(2, arrivesIn: 0)),
                Wish(90, 60, PlaceKind.PuttingGreen, PlaceKind.ChippingGreen, PlaceKind.Range),
                d =>
                    d.Plan!.Title == "Arriving at Reed Cup"
                    && d.Plan.Segments.Sum(s => s.Minutes) <= 45
                    && Practice(d).All(s => s.EffectiveSwing != SwingSize.Full)
                    && Practice(d).Any(s => s.EffectiveSkill == "pace")
            ),
            new(
                "On a day of play: a warm-up and nothing else",
                Student(with: Plays(0)),
                Wish(60, 60, PlaceKind.Range, PlaceKind.PuttingGreen),
                d => !Practice(d).Any() && Says(d, "Reed Cup is played that day")
            ),
            new(
                "At home there is something to repeat, something that changes and something that counts",
                Student(),
                Wish(45, 0, PlaceKind.Home),
                d =>
                    Practice(d).Any(s => s.Phase == Phase.Block)
                    && Practice(d).Any(s => s.Phase == Phase.Random)
                    && Practice(d).Any(s => s.Intent == Intent.Performance)
            ),
            new(
                "The driver asked for on a green: no plan, and the range instead",
                Student(),
                Wish(45, 0, PlaceKind.PuttingGreen) with
                {
                    Area = Area.Driver,
                },
                d => d.Plan is null && Says(d, "The driver cannot be practised") && d.Offers.Count > 0
            ),
            new(
                "No balls on a range and nowhere else to go: no plan, and what would work",
                Student(),
                Wish(60, 0, PlaceKind.Range),
                d => d.Plan is null && d.Offers.Any(o => o.Place == PlaceKind.PuttingGreen)
            ),
            new(
                "Ten balls are not stretched over an hour",
                Student(),
                Wish(60, 14, PlaceKind.Range, PlaceKind.PuttingGreen),
                d =>
                    Practice(d).All(s => s.Place != PlaceKind.Range || s.Balls >= 5)
                    && d.Plan!.Practice().All(s => s.Balls > 0 || s.Swing is null)
            ),
            new(
                "No part of a bunker plan is three quarters of an hour of one drill",
                Student(),
                Wish(60, 0, PlaceKind.Bunker, PlaceKind.ChippingGreen) with
                {
                    Area = Area.Bunker,
                    Approach = Approach.SlowBuild,
                },
                d => Practice(d).All(s => s.Minutes <= 30)
            ),
            new(
                "The title names what is in it, and the success test is one that is counted",
                Student(),
                Wish(60, 90, PlaceKind.Range),
                d =>
                    Practice(d)
                        .Where(s => s.Drill?.Goal is not null)
                        .Any(s => d.Plan!.SuccessTest.StartsWith($"{s.Title}:", StringComparison.Ordinal))
                    && d.Plan!.Title.StartsWith("Irons", StringComparison.Ordinal)
            ),
            new(
                "A drill that counts has as many balls as it counts",
                Student(Level.SingleFigure),
                Wish(90, 120, Everywhere),
                d =>
                    Practice(d)
                        .Where(s => s.Drill?.Drill.UsualBalls > 0)
                        .All(s =>
                            s.Protocol()!.CountBy switch
                            {
                                CountBy.Segment => s.Protocol()!.PlannedAttempts is { } n && Math.Abs(n - s.Balls) <= 4,
                                CountBy.Drill => s.Protocol()!.OwnStrokes == s.Balls,
                                _ => true,
                            }
                        )
            ),
            new(
                "On the course there are games to play",
                Student(),
                Wish(120, 0, PlaceKind.Course) with
                {
                    Approach = Approach.PlayIt,
                },
                d => Practice(d).Any(s => s is { Place: PlaceKind.Course, Phase: Phase.OnCourse })
            ),
            new(
                "A driver is asked for and none is in the bag: woods and hybrids, and it says so",
                Student(bag: HalfBag),
                Wish(45, 50, PlaceKind.Range) with
                {
                    Area = Area.Driver,
                },
                d =>
                    d.Plan!.Title.StartsWith("Woods and hybrids", StringComparison.Ordinal)
                    && d.Compromises.Any(c => c.Contains("no driver in the bag", StringComparison.Ordinal))
                    && Practice(d).Any(s => s.Clubs.Contains(Club.Hybrid))
            ),
            new(
                "Two greens and an hour: both are used",
                Student(),
                Wish(60, 0, PlaceKind.ChippingGreen, PlaceKind.PuttingGreen),
                d => Practice(d).Select(s => s.Place).Distinct().Count() == 2
            ),
            new(
                "A swing change, a range and a green: the green has its minutes too",
                Student(with: f =>
                    Focus(Area.Iron, "low point", "at the ball or after it")(
                        f with
                        {
                            Coach = f.Coach with { Approach = Approach.SlowBuild },
                        }
                    )
                ),
                Wish(90, 70, PlaceKind.Range, PlaceKind.PuttingGreen),
                d =>
                    Practice(d).Any(s => s.Place == PlaceKind.PuttingGreen)
                    && d.Plan!.Purpose == "Low point: at the ball or after it"
                    && d.Reasons.All(r =>
                        !r.Why.StartsWith("The change", StringComparison.Ordinal)
                        || d.Plan.Practice().Single(s => s.Id == r.SegmentId).Area == Area.Iron
                    )
            ),
            new(
                "Two putts that count never take a quarter of an hour",
                Student(Level.New),
                Wish(90, 0, PlaceKind.PuttingGreen) with
                {
                    Approach = Approach.StepUp,
                },
                d => Practice(d).All(s => s.Drill?.Drill.Protocol is not RehearsedScenario || s.Minutes <= 5 * s.Balls)
            ),
            new(
                "What is not played as holes is not called holes",
                Student(),
                Wish(30, 0, PlaceKind.Home),
                d =>
                    d.Reasons.All(r =>
                        !r.Why.Contains("A third for playing", StringComparison.Ordinal)
                        || d.Plan!.Practice().Single(s => s.Id == r.SegmentId).Phase == Phase.OnCourse
                    )
            ),
            new(
                "What gives way under pressure loses most: it is still putts that are practised, not a calm head",
                Student(and: c => c with { Losses = [new AreaLoss(Area.Mind, 0.9, 12), new AreaLoss(Area.Putting, 0.3, 12)] }),
                Wish(60, 0, PlaceKind.PuttingGreen),
                d => d.Plan!.Title.StartsWith("Putting", StringComparison.Ordinal)
            ),
            new(
                "Cleared a few days ago and afraid of the driver: no driver yet, small swings first",
                Student(
                    Level.SingleFigure,
                    with: f =>
                        f with
                        {
                            Own = f.Own with { BelievedWeaknesses = [Area.Driver] },
                            Coach = f.Coach with
                            {
                                PainfulParts =
                                [
                                    new PainfulPart
                                    {
                                        Part = BodyPart.WristOrHand,
                                        Side = BodySide.Trail,
                                        Since = GivenPlan.Day.AddDays(-20),
                                        ClearedOn = GivenPlan.Day.AddDays(-4),
                                        ClearedBy = "A physiotherapist",
                                    },
                                ],
                            },
                        }
                ),
                Wish(60, 60, PlaceKind.Range),
                d =>
                    d.Plan!.Practice().All(s => !s.Clubs.Contains(Club.Driver))
                    && d.Plan!.Practice().Where(s => s.EffectiveSwing == SwingSize.Full).Sum(s => s.Balls) <= 25
            ),
            new(
                "Another one is another one, but the coach's focus stays in it",
                Student(with: Focus(Area.Iron, "start line", "Start it on the line")),
                Wish(60, 90, PlaceKind.Range) with
                {
                    Variant = 2,
                },
                d =>
                    Practice(d).Any(s => s.EffectiveSkill == "start line")
                    && d.Plan!.Purpose.StartsWith("Start", StringComparison.Ordinal)
            ),
            new(
                "Nobody without a change under way rehearses one",
                Student(Level.New),
                Wish(30, 0, PlaceKind.Home) with
                {
                    Area = Area.Iron,
                },
                d => Practice(d).All(s => s.EffectiveSkill != "the change")
            ),
        ];
}
