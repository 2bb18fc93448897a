using System.Reflection;
using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A way to score, for somebody who chooses one.</summary>
/// <param name="Kind">Its name in files.</param>
/// <param name="Title">Its name for people.</param>
/// <param name="About">What it is, in a sentence.</param>
/// <param name="Beginning">Sound parameters to begin from.</param>
public sealed record ProtocolChoice(string Kind, string Title, string About, ScoringProtocol Beginning);

/// <summary>All ways to score.</summary>
public static class Protocols
{
    private static readonly Dictionary<Type, string> Kinds = typeof(ScoringProtocol)
        .GetCustomAttributes<JsonDerivedTypeAttribute>()
        .ToDictionary(a => a.DerivedType, a => (string)a.TypeDiscriminator!);

    /// <summary>All of them, in the order in which they are offered.</summary>
    public static IReadOnlyList<ProtocolChoice> All { get; } =
    [
        Choice("Counts, and says nothing about how they went. For warm-up and technique.", new Repetitions { Count = 15 }),
        Choice("Steps with seconds or a count, once or several times over.", TimedSteps.BoxBreathing),
        Choice("So many attempts, each made or missed.", new MakeRate { Attempts = 16, Make = "Inside" }),
        Choice("So many in a row; a miss starts again.", new Streak { Length = 6, Cap = 36 }),
        Choice("One putt from each distance at each point around the hole.", new Compass { Distances = [3, 5, 8], Points = 5 }),
        Choice(
            "Long putts that grow longer until three putts lead back to the bottom.",
            new StepLadder
            {
                Start = 12,
                Step = 4,
                Top = 36,
                Climbs = 4,
            }
        ),
        Choice(
            "A ball from each distance into its own zone; all inside clear a set.",
            new ZoneSets
            {
                Zones =
                [
                    new PuttZone
                    {
                        Feet = 12,
                        ShortInches = 0,
                        PastInches = 30,
                        SideInches = 15,
                    },
                    new PuttZone
                    {
                        Feet = 24,
                        ShortInches = 8,
                        PastInches = 40,
                        SideInches = 18,
                    },
                ],
                SetsToClear = 3,
                MostSets = 9,
            }
        ),
        Choice(
            "Putts for par and for birdie in turn, scored to par.",
            new ParGame
            {
                Stations = 6,
                Laps = 3,
                Length = 5,
            }
        ),
        Choice(
            "A carry for each wedge and swing length.",
            new CarryGrid
            {
                Cells =
                [
                    .. new[] { Club.GapWedge, Club.SandWedge }.SelectMany(club =>
                        new[] { SwingLength.Ten, SwingLength.Full }.Select(swing => new GridCell { Club = club, Swing = swing })
                    ),
                ],
            }
        ),
        Choice(
            "A rating after every ball, the ball ignored.",
            new BallRating
            {
                Balls = 12,
                Rated = "Grip pressure",
                LowMeans = "barely holding it",
                HighMeans = "squeezing",
            }
        ),
        Choice("Guess first, then measure.", new GuessAndCheck { Quantities = [GuessedQuantity.Length] }),
        Choice(
            "Measured numbers that all have to lie inside their bounds.",
            new Window
            {
                Clubs =
                [
                    new ClubWindow
                    {
                        Club = Club.Iron7,
                        Bounds =
                        [
                            new WindowBound
                            {
                                What = "peak height",
                                Unit = "yd",
                                Least = 20,
                                Most = 32,
                            },
                        ],
                    },
                ],
            }
        ),
        Choice(
            "Called shots: target and shape are two answers.",
            new CalledShots { Clubs = [Club.PitchingWedge, Club.Iron8, Club.Iron6] }
        ),
        Choice(
            "Stations around a hole and a circle that shrinks.",
            new ProximityLevels
            {
                Stations = [new ProximityStation { Club = Club.PitchingWedge }, new ProximityStation { Club = Club.SandWedge }],
            }
        ),
        Choice(
            "A number per ball, held against a band.",
            new MeasuredShots
            {
                What = "face to path",
                Unit = "°",
                Least = -1.5,
                Most = 1.5,
            }
        ),
        Choice(
            "A ball at each of several lies around a green, played until it is in the hole.",
            new UpAndDown
            {
                Stations =
                [
                    new UpAndDownStation { Lie = "short grass, 8 paces" },
                    new UpAndDownStation { Lie = "rough, 12 paces", Par = 3 },
                ],
            }
        ),
        Choice(
            "Shots at targets, each with how far from it the ball finished: strokes gained.",
            new ApproachShots
            {
                Targets =
                [
                    new ApproachTarget { Distance = 90 },
                    new ApproachTarget { Distance = 130 },
                    new ApproachTarget { Distance = 110 },
                ],
            }
        ),
        Choice("Situations in the student's words, breathing, and one putt each.", new RehearsedScenario { Scenarios = 2 }),
    ];

    /// <summary>
    /// What a new row of a list of parameters starts as, by protocol and list, such as <c>zoneSets.zones</c>. It is there to be
    /// changed, and may be invalid until it is.
    /// </summary>
    public static IReadOnlyDictionary<string, object> NewRows { get; } =
        new Dictionary<string, object>
        {
            ["timedSteps.steps"] = new TimedStep { Label = "", Times = 5 },
            ["approachShots.targets"] = new ApproachTarget { Distance = 100 },
            ["zoneSets.zones"] = new PuttZone
            {
                Feet = 30,
                ShortInches = 8,
                PastInches = 45,
                SideInches = 20,
            },
            ["carryGrid.cells"] = new GridCell { Club = Club.SandWedge, Swing = SwingLength.Full },
            ["window.clubs"] = new ClubWindow
            {
                Club = Club.Iron7,
                Bounds =
                [
                    new WindowBound
                    {
                        What = "launch",
                        Unit = "°",
                        Most = 20,
                    },
                ],
            },
            ["window.clubs.bounds"] = new WindowBound { What = "", Most = 0 },
            ["calledShots.pattern"] = new PatternStep(ShotShape.Draw, 3),
            ["upAndDown.stations"] = new UpAndDownStation { Lie = "" },
            ["proximityLevels.stations"] = new ProximityStation { Club = Club.SandWedge },
        };

    /// <summary>The name of a protocol in files, such as <c>stepLadder</c>.</summary>
    public static string KindOf(ScoringProtocol protocol) => Kinds[protocol.GetType()];

    private static ProtocolChoice Choice(string about, ScoringProtocol beginning) =>
        new(Kinds[beginning.GetType()], beginning.Title, about, beginning);
}
