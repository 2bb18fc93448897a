using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>What each way to score may be given, and what it answers to everything else: the path of the field.</summary>
public class ProtocolParameterTests
{
    private static readonly GridCell Cell = new()
    {
        Club = Club.SandWedge,
        Swing = SwingLength.Full,
        Carry = 80,
    };
    private static readonly WindowBound Bound = new() { What = "launch", Most = 17 };
    private static readonly ProximityStation Station = new() { Club = Club.SandWedge };
    private static readonly PuttZone Near = new()
    {
        Feet = 10,
        ShortInches = 0,
        PastInches = 24,
        SideInches = 12,
    };

    public static TheoryData<string, ScoringProtocol> Wrong =>
        new()
        {
            {
                "p.count",
                new Repetitions { Count = 0 }
            },
            {
                "p.count",
                new Repetitions { Count = 301 }
            },
            {
                "p.steps",
                new TimedSteps { Steps = [] }
            },
            { "p.cycles", TimedSteps.BoxBreathing with { Cycles = 0 } },
            {
                "p.steps[0].seconds",
                new TimedSteps { Steps = [new TimedStep { Label = "Hold" }] }
            },
            {
                "p.steps[0].seconds",
                new TimedSteps
                {
                    Steps =
                    [
                        new TimedStep
                        {
                            Label = "Hold",
                            Seconds = 5,
                            Times = 5,
                        },
                    ],
                }
            },
            {
                "p.steps[0].seconds",
                new TimedSteps { Steps = [new TimedStep { Label = "Hold", Seconds = 601 }] }
            },
            {
                "p.steps[1].label",
                new TimedSteps { Steps = [new TimedStep { Label = "Turn", Times = 5 }, new TimedStep { Label = " ", Times = 5 }] }
            },
            {
                "p.attempts",
                new MakeRate { Attempts = 0, Make = "In" }
            },
            {
                "p.make",
                new MakeRate { Attempts = 5, Make = "" }
            },
            {
                "p.length",
                new Streak { Length = 1 }
            },
            {
                "p.cap",
                new Streak { Length = 5, Cap = 4 }
            },
            {
                "p.distances",
                new Compass { Distances = [] }
            },
            {
                "p.distances",
                new Compass { Distances = [3, 2] }
            },
            {
                "p.distances",
                new Compass { Distances = [2, 2] }
            },
            {
                "p.points",
                new Compass { Points = 1 }
            },
            {
                "p.points",
                new Compass { Distances = [.. Enumerable.Range(1, 12)], Points = 12 }
            },
            {
                "p.unit",
                new Compass { Unit = LengthUnit.Yards }
            },
            {
                "p.step",
                new StepLadder { Step = 0 }
            },
            {
                "p.top",
                new StepLadder { Start = 20, Top = 10 }
            },
            {
                "p.climbs",
                new StepLadder { Climbs = 0 }
            },
            {
                "p.zones",
                new ZoneSets { Zones = [Near] }
            },
            {
                "p.zones",
                new ZoneSets { Zones = [Near, Near] }
            },
            {
                "p.zones[1].pastInches",
                new ZoneSets { Zones = [Near, Near with { Feet = 20, PastInches = 0 }] }
            },
            {
                "p.setsToClear",
                new ZoneSets { SetsToClear = 0 }
            },
            {
                "p.mostSets",
                new ZoneSets { SetsToClear = 3, MostSets = 2 }
            },
            {
                "p.stations",
                new UpAndDown { Stations = [new UpAndDownStation { Lie = "short grass" }] }
            },
            {
                "p.stations[1].lie",
                new UpAndDown { Stations = [new UpAndDownStation { Lie = "short grass" }, new UpAndDownStation { Lie = "" }] }
            },
            {
                "p.stations[0].par",
                new UpAndDown
                {
                    Stations = [new UpAndDownStation { Lie = "short grass", Par = 4 }, new UpAndDownStation { Lie = "rough" }],
                }
            },
            {
                "p.rounds",
                new UpAndDown
                {
                    Stations = [new UpAndDownStation { Lie = "short grass" }, new UpAndDownStation { Lie = "rough" }],
                    Rounds = 5,
                }
            },
            {
                "p.targets",
                new ApproachShots { Targets = [] }
            },
            {
                "p.targets[0].distance",
                new ApproachShots { Targets = [new ApproachTarget { Distance = 12 }] }
            },
            {
                "p.unit",
                new ApproachShots { Targets = [new ApproachTarget { Distance = 90 }], Unit = LengthUnit.Feet }
            },
            {
                "p.greenRadius",
                new ApproachShots { Targets = [new ApproachTarget { Distance = 90 }], GreenRadius = 60 }
            },
            {
                "p.stations",
                new ParGame { Stations = 3 }
            },
            {
                "p.laps",
                new ParGame { Laps = 0 }
            },
            {
                "p.length",
                new ParGame { Length = 1 }
            },
            {
                "p.cells",
                new CarryGrid { Cells = [] }
            },
            {
                "p.cells",
                new CarryGrid { Cells = [Cell, Cell] }
            },
            {
                "p.cells[0].carry",
                new CarryGrid { Cells = [Cell with { Carry = 2 }] }
            },
            {
                "p.ballsPerCell",
                new CarryGrid { Cells = [Cell], BallsPerCell = 4 }
            },
            {
                "p.tolerancePercent",
                new CarryGrid { Cells = [Cell], TolerancePercent = 0.5 }
            },
            {
                "p.unit",
                new CarryGrid { Cells = [Cell], Unit = LengthUnit.Feet }
            },
            {
                "p.balls",
                new BallRating { Rated = "Tension", Balls = 9 }
            },
            {
                "p.rated",
                new BallRating { Rated = "" }
            },
            {
                "p.quantities",
                new GuessAndCheck { Quantities = [] }
            },
            {
                "p.quantities",
                new GuessAndCheck { Quantities = [GuessedQuantity.Rise, GuessedQuantity.Rise] }
            },
            {
                "p.attempts",
                new GuessAndCheck { Quantities = [GuessedQuantity.Rise], Attempts = 2 }
            },
            {
                "p.clubs",
                new Window { Clubs = [] }
            },
            {
                "p.clubs[0].bounds",
                new Window { Clubs = [new ClubWindow { Club = Club.Driver, Bounds = [] }] }
            },
            {
                "p.clubs[0].bounds[0].least",
                new Window { Clubs = [new ClubWindow { Club = Club.Driver, Bounds = [Bound with { Most = null }] }] }
            },
            {
                "p.clubs[0].bounds[0].most",
                new Window { Clubs = [new ClubWindow { Club = Club.Driver, Bounds = [Bound with { Least = 20 }] }] }
            },
            {
                "p.clubs[0].bounds[0].what",
                new Window { Clubs = [new ClubWindow { Club = Club.Driver, Bounds = [Bound with { What = "" }] }] }
            },
            {
                "p.clubs",
                new CalledShots { Clubs = [] }
            },
            {
                "p.clubs",
                new CalledShots { Clubs = [Club.Iron7, Club.Iron7] }
            },
            {
                "p.shapes",
                new CalledShots { Clubs = [Club.Iron7], Shapes = [] }
            },
            {
                "p.heights",
                new CalledShots { Clubs = [Club.Iron7], Heights = [] }
            },
            {
                "p.targets[0]",
                new CalledShots { Clubs = [Club.Iron7], Targets = [""] }
            },
            {
                "p.calls",
                new CalledShots { Clubs = [Club.Iron7], Calls = 61 }
            },
            {
                "p.calls",
                new CalledShots
                {
                    Clubs = [Club.Iron7],
                    Calls = 20,
                    Pattern = GivenDrills.TwoAndTwo,
                }
            },
            {
                "p.pattern[0].balls",
                new CalledShots
                {
                    Clubs = [Club.Iron7],
                    Calls = 1,
                    Pattern = [new PatternStep(ShotShape.Fade, 0)],
                }
            },
            {
                "p.stations",
                new ProximityLevels { Stations = [] }
            },
            {
                "p.radiiFeet",
                new ProximityLevels { Stations = [Station], RadiiFeet = [6, 9] }
            },
            {
                "p.radiiFeet",
                new ProximityLevels { Stations = [Station], RadiiFeet = [] }
            },
            {
                "p.what",
                new MeasuredShots { What = "", Most = 1 }
            },
            {
                "p.least",
                new MeasuredShots { What = "path" }
            },
            {
                "p.most",
                new MeasuredShots
                {
                    What = "path",
                    Least = 2,
                    Most = 1,
                }
            },
            {
                "p.shots",
                new MeasuredShots
                {
                    What = "path",
                    Most = 1,
                    Shots = 2,
                }
            },
            {
                "p.aimDistance",
                new MeasuredShots
                {
                    What = "left or right",
                    Unit = "yd",
                    Most = 1,
                    AimDistance = 0,
                }
            },
            {
                "p.toPlay.holes",
                new PlayedHoles { ToPlay = new HolesToPlay { Holes = [] } }
            },
            {
                "p.scenarios",
                new RehearsedScenario { Scenarios = 0 }
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void A_wrong_parameter_is_named(string path, ScoringProtocol protocol) =>
        Assert.Contains(path, protocol.Check("p").Select(e => e.Path));

    [Fact]
    public void Every_way_to_score_has_something_wrong_in_the_list_above_and_a_sound_beginning()
    {
        var kinds = typeof(ScoringProtocol).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(ScoringProtocol))).ToHashSet();
        Assert.Equal(kinds, Wrong.Select(row => row.Data.Item2.GetType()).ToHashSet());
        // Holes are set on the bench, not on the shelf.
        Assert.Equal(kinds, [.. Protocols.All.Select(p => p.Beginning.GetType()), typeof(PlayedHoles)]);
        Assert.All(Protocols.All, p => Assert.Empty(p.Beginning.Check("p")));
        Assert.Equal(Protocols.All.Count, Protocols.All.Select(p => p.Kind).Distinct().Count());
        Assert.Equal("stepLadder", Protocols.KindOf(new StepLadder()));
    }

    [Fact]
    public void Calls_are_found_for_every_bag_that_may_be_asked_for()
    {
        // The corners of what the rules allow: few clubs and many shapes, one club and nothing else, everything at once.
        var clubs = Enum.GetValues<Club>().Take(14).ToList();
        foreach (
            var (bag, shapes, heights, targets) in new[]
            {
                (1, 3, 1, 0),
                (2, 2, 1, 1),
                (2, 3, 1, 0),
                (3, 2, 3, 8),
                (14, 3, 3, 8),
                (14, 1, 1, 0),
                (1, 1, 1, 0),
                (5, 3, 1, 2),
            }
        )
        {
            var shots = new CalledShots
            {
                Clubs = [.. clubs.Take(bag)],
                Shapes = [.. Enum.GetValues<ShotShape>().Take(shapes)],
                Heights = [.. Enum.GetValues<ShotHeight>().Take(heights)],
                Targets = [.. Enumerable.Range(1, targets).Select(t => $"flag {t}")],
                Calls = 60,
            };
            Assert.Empty(shots.Check("p"));
            for (ulong seed = 0; seed < 20; seed++)
                Assert.Equal(60, shots.List(seed).Count);
        }
    }

    [Fact]
    public void Numbers_that_are_shown_are_rounded_half_away_from_zero()
    {
        // By hand: 25 tenths of 10 are 0.25 → 0.3; −25 of 10 are −0.25 → −0.3; 1 of 3 is 0.33; nothing of nothing is no number.
        AttemptFlow Flow(FlowValue value, params FlowRegister[] registers) =>
            new()
            {
                Version = 1,
                Registers = registers,
                Start = "s",
                States =
                [
                    new FlowState
                    {
                        Name = "s",
                        Prompt = new FlowText("?"),
                        Question = new FlowQuestionTap("Tap"),
                        Transitions = [new FlowTransition()],
                    },
                ],
                Displays = [new FlowText("{0}", [value])],
            };
        string Shown(FlowValue value, params FlowRegister[] registers) => FlowWalk.Of(Flow(value, registers)).Displays.Single();
        var tenths = new FlowValue
        {
            Register = "a",
            DividedBy = "b",
            InTenths = true,
            Decimals = 1,
        };
        Assert.Equal("0.3", Shown(tenths, new FlowRegister("a", 25), new FlowRegister("b", 10)));
        Assert.Equal("−0.3", Shown(tenths, new FlowRegister("a", -25), new FlowRegister("b", 10)));
        Assert.Equal("0.0", Shown(tenths, new FlowRegister("a", -1), new FlowRegister("b", 10)));
        Assert.Equal(
            "0.33",
            Shown(tenths with { InTenths = false, Decimals = 2 }, new FlowRegister("a", 1), new FlowRegister("b", 3))
        );
        Assert.Equal("–", Shown(tenths, new FlowRegister("a", 1), new FlowRegister("b", 0)));
        Assert.Equal("−7", Shown(new FlowValue { Register = "a" }, new FlowRegister("a", -7)));
    }

    [Fact]
    public void A_flow_of_another_format_is_not_walked() =>
        Assert.Throws<NotSupportedException>(() => FlowWalk.Of(new Streak { Length = 3 }.Compile(1) with { Version = 4 }));

    [Fact]
    public void Results_of_one_protocol_are_ranked_by_their_parts_in_order()
    {
        var grid = GivenDrills.Grid(3);
        var fewer = grid.Score(GivenDrills.Inputs("=60 stock | =90 stock | =110 stock"), 1);
        var more = grid.Score(GivenDrills.Inputs("=60 stock | =80 stock | =90 stock | =110 stock"), 1);
        Assert.True(grid.Compare(fewer, more) > 0);
        Assert.True(grid.Compare(more, fewer) < 0);
        Assert.Equal(0, grid.Compare(more, more));
        Assert.Null(grid.Compare(grid.Score([], 1), more));
        Assert.Null(new Repetitions().Compare(new Repetitions().Score([], 1), new Repetitions().Score([], 1)));
    }
}
