using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Statistics;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>Protocols and their inputs, as tests start from.</summary>
internal static class GivenDrills
{
    /// <summary>
    /// Every protocol, with parameters that reach all its branches. Kept small, so that whole drills are short to play.
    /// </summary>
    public static IReadOnlyList<(string Name, ScoringProtocol Protocol)> Every { get; } =
    [
        ("repetitions of a set number", new Repetitions { Count = 5 }),
        ("repetitions until the segment ends", new Repetitions()),
        ("box breathing", TimedSteps.BoxBreathing),
        (
            "stretches",
            new TimedSteps
            {
                Steps = [new TimedStep { Label = "Wrists", Times = 3 }, new TimedStep { Label = "Hold", Seconds = 10 }],
                Cycles = 2,
            }
        ),
        ("make rate", new MakeRate { Attempts = 6, Make = "In the fairway" }),
        ("one attempt", new MakeRate { Attempts = 1, Make = "Holed" }),
        ("streak kept without a cap", new Streak { Length = 3 }),
        ("streak with a cap", new Streak { Length = 3, Cap = 8 }),
        ("compass", new Compass { Distances = [2, 3, 5], Points = 3 }),
        (
            "step ladder",
            new StepLadder
            {
                Start = 10,
                Step = 3,
                Top = 19,
                Climbs = 3,
            }
        ),
        (
            "step ladder in metres",
            new StepLadder
            {
                Start = 3,
                Step = 1,
                Top = 4,
                Climbs = 1,
                Unit = LengthUnit.Metres,
            }
        ),
        ("zone sets", new ZoneSets { MostSets = 4 }),
        ("zone sets, one to clear", new ZoneSets { MostSets = 2, SetsToClear = 1 }),
        ("zone sets, three to clear", new ZoneSets { MostSets = 5, SetsToClear = 3 }),
        ("par game", new ParGame { Laps = 2 }),
        ("carry grid", Grid(3)),
        ("carry grid, one ball a cell", Grid(1)),
        ("ball rating", new BallRating { Rated = "Tension in the trail hand", Balls = 10 }),
        ("guess and check", new GuessAndCheck { Quantities = [GuessedQuantity.Length, GuessedQuantity.Slope], Attempts = 3 }),
        ("carry guessed", new GuessAndCheck { Quantities = [GuessedQuantity.Carry], Attempts = 4 }),
        ("window", TwoClubWindow),
        (
            "window of one number",
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
                                What = "launch",
                                Least = 14,
                                Most = 18.5,
                                Unit = "°",
                            },
                        ],
                    },
                ],
                ShotsPerClub = 4,
            }
        ),
        (
            "called shots",
            new CalledShots
            {
                Clubs = [Club.Iron7, Club.Hybrid, Club.Driver],
                Targets = ["the left flag", "the far board"],
                Calls = 5,
            }
        ),
        (
            "two fades, two draws",
            new CalledShots
            {
                Clubs = [Club.Iron9, Club.Iron7, Club.Iron5],
                Pattern = TwoAndTwo,
                Calls = 1,
            }
        ),
        (
            "proximity levels",
            new ProximityLevels
            {
                Stations =
                [
                    new ProximityStation { Club = Club.SandWedge, Lie = "rough" },
                    new ProximityStation { Club = Club.Iron9 },
                ],
                RadiiFeet = [9, 6],
            }
        ),
        (
            "proximity levels of one station",
            new ProximityLevels { Stations = [new ProximityStation { Club = Club.LobWedge }], RadiiFeet = [6, 3] }
        ),
        (
            "measured shots",
            new MeasuredShots
            {
                What = "club path",
                Unit = "°",
                Least = -2,
                Most = 2,
                Shots = 5,
                StartedAt = -7,
            }
        ),
        (
            "measured shots, an upper end only",
            new MeasuredShots
            {
                What = "launch",
                Unit = "°",
                Most = 16.95,
                Shots = 4,
            }
        ),
        (
            "aim check",
            new MeasuredShots
            {
                What = "left or right of the target",
                Unit = "yd",
                Least = -9,
                Most = 9,
                Shots = 5,
                AimDistance = 214,
                AimClubs = [new AimClub(Club.Driver, 231), new AimClub(Club.PitchingWedge, 117)],
            }
        ),
        (
            "up and down",
            new UpAndDown
            {
                Stations =
                [
                    new UpAndDownStation { Lie = "short grass, 7 paces" },
                    new UpAndDownStation { Lie = "rough, 11 paces", Par = 3 },
                ],
                Rounds = 2,
            }
        ),
        (
            "up and down, once round",
            new UpAndDown
            {
                Stations =
                [
                    new UpAndDownStation { Lie = "6 ft" },
                    new UpAndDownStation { Lie = "15 ft" },
                    new UpAndDownStation { Lie = "30 ft" },
                ],
            }
        ),
        (
            "approach shots",
            new ApproachShots
            {
                Targets = [new ApproachTarget { Distance = 74 }, new ApproachTarget { Name = "the oak", Distance = 128 }],
            }
        ),
        ("rehearsed scenario", new RehearsedScenario { Scenarios = 2 }),
        ("holes, quick ones on a range", GivenHoles.Quick),
        ("holes of a course, putts expected", GivenHoles.WithTrouble),
        ("holes where the bay measures", GivenHoles.Measured),
        ("tee shots alone", GivenHoles.TeeShots),
    ];

    public static PatternStep[] TwoAndTwo => [new(ShotShape.Fade, 2), new(ShotShape.Draw, 2)];

    public static Window TwoClubWindow =>
        new()
        {
            Clubs =
            [
                new ClubWindow
                {
                    Club = Club.Driver,
                    Bounds =
                    [
                        new WindowBound
                        {
                            What = "launch",
                            Most = 16.9,
                            Unit = "°",
                        },
                        new WindowBound
                        {
                            What = "start",
                            Least = 0,
                            Unit = "°",
                        },
                        new WindowBound
                        {
                            What = "finish beside the line",
                            Least = -45,
                            Most = 45,
                            Unit = "ft",
                        },
                    ],
                },
                new ClubWindow
                {
                    Club = Club.Iron7,
                    Bounds =
                    [
                        new WindowBound
                        {
                            What = "launch",
                            Least = 14,
                            Most = 20,
                            Unit = "°",
                        },
                        new WindowBound
                        {
                            What = "start",
                            Least = -2,
                            Most = 2,
                            Unit = "°",
                        },
                    ],
                },
            ],
            ShotsPerClub = 3,
        };

    public static CarryGrid Grid(int ballsPerCell) =>
        new()
        {
            Cells =
            [
                new GridCell
                {
                    Club = Club.SandWedge,
                    Swing = SwingLength.Nine,
                    Carry = 60,
                },
                new GridCell
                {
                    Club = Club.SandWedge,
                    Swing = SwingLength.Full,
                    Carry = 90,
                },
                new GridCell
                {
                    Club = Club.PitchingWedge,
                    Swing = SwingLength.Ten,
                    Carry = 110,
                },
            ],
            BallsPerCell = ballsPerCell,
        };

    /// <summary>Inputs in short: words are choices, whole and broken numbers are numbers, and a bar ends an attempt.</summary>
    public static IReadOnlyList<DrillInput> Inputs(string text)
    {
        var inputs = new List<DrillInput>();
        var attempt = 1;
        foreach (var word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (word == "|")
                attempt++;
            else
                inputs.Add(Input(word, attempt));
        }

        return inputs;
    }

    /// <summary>Attempts of one choice each: M is made, any other letter is missed.</summary>
    public static IReadOnlyList<DrillInput> Putts(string letters) =>
        [.. letters.Select((c, i) => new ChoiceMade { Attempt = i + 1, Value = c == 'M' ? "made" : "missed" })];

    /// <summary>Attempts of one number each.</summary>
    public static IReadOnlyList<DrillInput> Numbers(params double[] numbers) =>
        [.. numbers.Select((n, i) => new NumberGiven { Attempt = i + 1, Tenths = (int)Math.Round(n * 10) })];

    private static DrillInput Input(string word, int attempt) =>
        word switch
        {
            "tap" => new Tapped { Attempt = attempt },
            "timer" => new TimerRanOut { Attempt = attempt },
            "stop" => new DrillStopped { Attempt = attempt },
            "timeUp" => new TimeUp { Attempt = attempt },
            "words" => new TextWritten { Attempt = attempt, Text = "On the last green, calm" },
            ['=', .. var number] => new NumberGiven
            {
                Attempt = attempt,
                Tenths = (int)Math.Round(double.Parse(number, System.Globalization.CultureInfo.InvariantCulture) * 10),
            },
            _ => new ChoiceMade { Attempt = attempt, Value = word },
        };
}

/// <summary>Plays a flow as a student might: well or badly, to the end, stopped, or run out of time.</summary>
internal static class Play
{
    private const int MostInputs = 160;

    /// <summary>
    /// Inputs for a whole drill. Each game has a habit, such as always missing or always the last answer; the constancy, 0 to 1,
    /// is how often it is kept to.
    /// </summary>
    public static IReadOnlyList<DrillInput> Through(AttemptFlow flow, SplitMix64 random, double constancy, bool mayStop)
    {
        var walk = FlowWalk.Of(flow);
        var inputs = new List<DrillInput>();
        var habit = random.NextInt(5);
        while (walk.State is { } state && inputs.Count < MostInputs)
        {
            var attempt = walk.Attempts + 1;
            DrillInput input =
                mayStop && random.NextInt(25) == 0
                    ? random.NextInt(2) == 0
                        ? new DrillStopped { Attempt = attempt }
                        : new TimeUp { Attempt = attempt }
                    : Answer(walk, state, attempt, random, habit, constancy);
            inputs.Add(input);
            walk = walk.Take(input);
            Assert.Null(walk.MisfitAt);
        }

        return inputs;
    }

    private static DrillInput Answer(FlowWalk walk, FlowState state, int attempt, SplitMix64 random, int habit, double constancy)
    {
        int Chosen(int of) =>
            random.NextDouble() >= constancy
                ? random.NextInt(of)
                : habit switch
                {
                    0 => 0,
                    1 => of - 1,
                    2 => random.NextInt(6) == 0 ? random.NextInt(of) : 0,
                    _ => (state.Name.Sum(c => c) + habit) % of,
                };
        switch (state.Question)
        {
            case FlowQuestionChoice { OffersAt: not null } when random.NextInt(5) > 0 && walk.Offers is { Count: > 0 } offers:
                return new ChoiceMade { Attempt = attempt, Value = offers[random.NextInt(offers.Count)].Value };
            case FlowQuestionNumber { Proposed: not null } number:
                int[] nudges = [0, 0, -50, 50, -100, 100, -random.NextInt(40) * 10, random.NextInt(40) * 10];
                return new NumberGiven
                {
                    Attempt = attempt,
                    Tenths = Math.Clamp(
                        (walk.Proposed ?? 800) + nudges[random.NextInt(nudges.Length)],
                        number.Least,
                        number.Most
                    ),
                };
            case FlowQuestionChoice choice:
                return new ChoiceMade { Attempt = attempt, Value = choice.Options[Chosen(choice.Options.Count)].Value };
            case FlowQuestionNumber { Sides: not null } number when state.Transitions.All(t => t.When?[0] is not NumberIs):
                // Left or right of something, of which no bound is asked: somewhere around what the game's habit and the state
                // make of it.
                var around = (((state.Name.Sum(c => c) + habit) % 5) - 2) * 75;
                var spread = 1 + (int)((1 - constancy) * 300);
                return new NumberGiven
                {
                    Attempt = attempt,
                    Tenths = Math.Clamp(around + random.NextInt(spread) - (spread / 2), number.Least, number.Most),
                };
            case FlowQuestionNumber number:
                var sorts = Numbers(state, number);
                var sort = sorts[Chosen(sorts.Count)];
                return new NumberGiven { Attempt = attempt, Tenths = sort[random.NextInt(sort.Count)] };
            case FlowQuestionText:
                return new TextWritten { Attempt = attempt, Text = "Last hole, one shot ahead" };
            case FlowQuestionTap:
                return new Tapped { Attempt = attempt };
            default:
                return new TimerRanOut { Attempt = attempt };
        }
    }

    /// <summary>
    /// Numbers at, just inside and just outside every bound of a state, and a few others, sorted by the guard they meet.
    /// </summary>
    private static List<List<int>> Numbers(FlowState state, FlowQuestionNumber asked)
    {
        var guards = state.Transitions.SelectMany(t => t.When ?? []).OfType<NumberIs>().Distinct().ToList();
        return
        [
            .. guards
                .SelectMany(g => new[] { g.Least, g.Most, (g.Least + g.Most) / 2 })
                .Concat([asked.Least, 30, 70, 470, asked.Most])
                .SelectMany(n => new[] { n - asked.Step, n, n + asked.Step })
                .Select(n => n / asked.Step * asked.Step)
                .Where(n => n >= asked.Least && n <= asked.Most)
                .Distinct()
                .GroupBy(n => guards.FindIndex(g => n >= g.Least && n <= g.Most))
                .Select(sort => sort.ToList()),
        ];
    }
}
