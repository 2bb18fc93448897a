using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// Holes as a phone walks them: what is left is subtracted there, and what is offered is looked up in tables by hole and by
/// distance that were made here. <see cref="PlayedHoles"/> counts the same shots for the result and does not use it.
/// </summary>
internal sealed partial class HolesFlow
{
    /// <summary>How far a ball can have gone, in tenths.</summary>
    public static readonly NumberRange Went = new(0, 4_000, 10);

    /// <summary>How far from the hole a missed green can be, in tenths.</summary>
    public static readonly NumberRange FromHole = new(10, 4_000, 10);

    /// <summary>How long a putt can be, in tenths of a foot.</summary>
    public static readonly NumberRange PuttFeet = new(10, 1_500, 10);

    /// <summary>
    /// Up to here, in tenths, a club without a number may reach the green. The product's own.
    /// </summary>
    private const int UnknownReaches = 2_000;

    /// <summary>Stands for a carry that nobody measured: no number that can be given, so that none is proposed.</summary>
    private const int Unknown = -10;

    /// <summary>A club reaches a green that is so much further than it carries.</summary>
    private const double Reach = 1.1;

    private const string Tee = "tee";
    private const string Long = "long";
    private const string Club = "club";
    private const string Chip = "chip";
    private const string Ask = "ask";
    private const string Along = "along";

    /// <summary>The register that says on which hole, from 1, a fairway was refused; 0 where none was.</summary>
    private const string Refused = "_refused";

    private const string WhereDidItGo = "Where did it go?";

    private static readonly int[] Nudges = [-100, -50, 50, 100];

    private static readonly int[] SmallNudges = [-50, -10, 10, 50];

    private static readonly string[] Lies =
    [
        "on the tee",
        "on the fairway",
        "in rough",
        "in sand",
        "in the trees",
        "on the green",
    ];

    private static readonly string[] PuttsFor = ["for birdie or better", "for par", "for bogey", "for more than bogey"];

    private readonly LaidHoles _laid;
    private readonly ShotChoices _choices;
    private readonly OfferLists _clubs;
    private readonly FlowBuilder _flow = new();
    private readonly (IReadOnlyList<LaidHole> Kinds, IReadOnlyList<int> OfHoles) _nearKinds;
    private readonly (IReadOnlyList<LaidHole> Kinds, IReadOnlyList<int> OfHoles) _farKinds;

    public HolesFlow(LaidHoles laid)
    {
        _laid = laid;
        _choices = new ShotChoices(laid);
        _nearKinds = KindsOf(AsNear);
        _farKinds = KindsOf(AsFar);
        _clubs = new OfferLists(
            laid,
            [.. laid.Holes.Select(h => Offered(OnTheWay(h))), .. IsWhole ? laid.Holes.Select(h => Offered(AtTheGreen(h))) : []]
        );
    }

    private bool IsWhole => _laid.Way == WayToPlay.WholeHoles;

    private bool IsExpected => _laid.Putts == PuttsBy.Expected;

    private string Unit => _laid.Unit.Sign();

    private int Count => _laid.Holes.Count;

    /// <summary>A place where a ball comes to rest, as it is recorded.</summary>
    public static string NameOf(Finish finish)
    {
        var name = finish.ToString();
        return char.ToLowerInvariant(name[0]) + name[1..];
    }

    /// <summary>Hundredths of the strokes that are usual for a putt of whole feet.</summary>
    public static int ExpectedHundredths(int feet) =>
        (int)Math.Round(100 * ExpectedStrokes.From(Lie.Green, Length.FromFeet(feet)), MidpointRounding.AwayFromZero);

    public AttemptFlow Compile()
    {
        var first = _laid.Holes[0];
        var fromTheTee = _laid.Holes.Select(h => _clubs.Add(_choices.For(h, Lie.Tee, h.Length), h.Length)).ToList();
        _flow
            .Registers("hole", "teeShots", "fairways", "missedLeft", "missedRight")
            .Register("_offers", fromTheTee[0])
            .Registers("_wheres");
        _flow.Counted(Count);
        if (!IsWhole)
        {
            _flow.Display($"Hole {{0}}, par {{1}}, {{2}} {Unit}", HoleNumber(), Par, HoleLength);
            _flow.Display(
                "{0} of {1} on the fairway; missed left {2}, right {3}",
                Flow.Value("fairways"),
                Flow.Value("teeShots"),
                Flow.Value("missedLeft"),
                Flow.Value("missedRight")
            );
            AddTeeShots(fromTheTee);
            return _flow.Offers(_clubs.Lists, _clubs.Notes).Build();
        }

        _flow
            .Register("left", 10 * first.Length)
            .Display(
                $"Hole {{0}}, par {{1}}, shot {{2}}: {{3}} {Unit} left, {{4}}",
                HoleNumber(),
                Par,
                Flow.Value("shot") with
                {
                    Plus = 1,
                },
                Left,
                LieNow
            )
            .Registers("lie", "shot", "strokes", "penalties", "greens", "pickedUp", "over", "par")
            .Registers("_with", "_carry", "_reach", "_putt", "_beside", "_rest", "_abs", "_cost", "_penalty", "_lie")
            .Registers("_nearKind", "_farKind")
            .Register("_least", 10 * ShotRules.LeastLeft)
            .Register("_isTeeShot", first.Par > 3 ? 1 : 0)
            .Register("_par", first.Par)
            .Register("_most", ShotRules.PickedUp(first.Par))
            .Register("_inRegulation", first.Par - 2);
        if (_laid.Targets.Count > 0)
        {
            var nearest = Halfway.Count(h => 10 * first.Length >= h);
            var off = (10 * _laid.Targets[nearest].Distance) - (10 * first.Length);
            _flow.Register("_target", nearest).Register("_off", off).Register("_offSide", Math.Sign(off) + 1);
        }

        if (IsExpected)
        {
            _flow
                .Registers("puttHundredths")
                .Register("_hundred", 100)
                .Display(
                    "≈ {0} strokes, {1} of {2} holes out",
                    Flow.Value("_shown") with
                    {
                        DividedBy = "_hundred",
                        Decimals = 1,
                    },
                    Flow.Value("over"),
                    Flow.Count
                )
                .Registers("_shown");
        }
        else
        {
            _flow
                .Registers("putts", "waiting", "puttHole", "_want", "_feet", "_kind", "_next")
                .Registers([.. Enumerable.Range(0, Count).SelectMany(i => new[] { $"_want{i}", $"_feet{i}" })])
                .Display(
                    "{0} strokes, {1} of {2} holes out, {3} putts waiting",
                    Flow.Value("strokes"),
                    Flow.Value("over"),
                    Flow.Count,
                    Flow.Value("waiting")
                );
        }

        if (AnyAcross)
            _flow.Registers("_near", "_far", Refused);
        _flow.Register("_holes", Count);
        AddShots(fromTheTee);
        AddHoleEnds(fromTheTee);
        if (!IsExpected)
            AddPuttingOut();
        return _flow.Offers(_clubs.Lists, _clubs.Notes).Build(first.Par > 3 ? Tee : Club);
    }

    private FlowQuestionChoice ClubsAnd(params FlowOption[] others) =>
        new([
            .. _laid.Numbers.Select(n => new FlowOption(n.Value, Capital(n.InWords()))),
            .. others,
            new FlowOption(PlayedHoles.PickUp, IsWhole ? "Pick up, leave this hole" : "Leave this hole"),
        ])
        {
            OffersAt = "_offers",
        };

    private static FlowQuestionChoice Wheres =>
        new([.. Enum.GetValues<Finish>().Select(f => new FlowOption(NameOf(f), f.InWords()))]) { OffersAt = "_wheres" };

    private static IReadOnlyList<FlowOffer> Offered(IEnumerable<Finish> places) =>
        [.. places.Select(p => new FlowOffer(NameOf(p)))];

    /// <summary>Where a shot that does not reach the green can come to rest on a hole.</summary>
    private static IEnumerable<Finish> OnTheWay(LaidHole hole) =>
        [
            Finish.Fairway,
            Finish.RoughLeft,
            Finish.RoughRight,
            .. hole.Left is { } left ? [Finishes.In(left, TargetSide.Left)] : Array.Empty<Finish>(),
            .. hole.Right is { } right ? [Finishes.In(right, TargetSide.Right)] : Array.Empty<Finish>(),
            .. Across(hole),
        ];

    /// <summary>Where a shot that may reach the green can come to rest on a hole.</summary>
    private static IEnumerable<Finish> AtTheGreen(LaidHole hole)
    {
        var beside = new[] { hole.Green.Left, hole.Green.Right, hole.Green.Front, hole.Green.Back };
        return
        [
            Finish.Green,
            Finish.LeftShort,
            Finish.LeftOfGreen,
            Finish.RightOfGreen,
            Finish.OverGreen,
            .. beside.Contains(TroubleKind.Sand) ? [Finish.GreenSand] : Array.Empty<Finish>(),
            .. beside.Contains(TroubleKind.Water) ? [Finish.GreenWater] : Array.Empty<Finish>(),
            .. Across(hole),
            Finish.Holed,
        ];
    }

    private static IEnumerable<Finish> Across(LaidHole hole) =>
        hole.Across?.Kind switch
        {
            null => [],
            TroubleKind.Water => [Finish.WaterAcross],
            _ => [Finish.SandAcross],
        };

    private IReadOnlyList<string> Numbered => [.. _laid.Holes.Select(h => h.Number.ToString(Written.Culture))];

    private FlowValue HoleNumber(string register = "hole") => Flow.Value(register) with { Words = Numbered };

    private FlowValue Par => Flow.Value("hole") with { Words = [.. _laid.Holes.Select(h => h.Par.ToString(Written.Culture))] };

    private FlowValue HoleLength =>
        Flow.Value("hole") with
        {
            Words = [.. _laid.Holes.Select(h => h.Length.ToString(Written.Culture))],
        };

    private static FlowValue Left => Flow.Value("left") with { InTenths = true };

    /// <summary>Asks for the club of a tee shot on a hole with a fairway: how the hole lies.</summary>
    private FlowText FromTheTee =>
        new("{0}", [Flow.Value("hole") with { Words = [.. _laid.Holes.Select(h => HoleWords.HowItLies(h, _laid).In())] }]);

    private static FlowValue LieNow => Flow.Value("lie") with { Words = Lies };

    /// <summary>Asks for the club of a shot at the green: where to aim, and what stands about there.</summary>
    private FlowText AtTheHole
    {
        get
        {
            var aims = Flow.Value("hole") with { Words = [.. _laid.Holes.Select(h => GreenAim.Of(h, _laid.UsualMiss).Why.In())] };
            return _laid.Targets.Count == 0
                ? new FlowText("{0}", [aims])
                : new FlowText(
                    $"{{0}} Nearest target: {{1}}, {{2}} {Unit} {{3}}.",
                    [
                        aims,
                        Flow.Value("_target") with
                        {
                            Words = [.. _laid.Targets.Select(t => t.Name)],
                        },
                        Flow.Value("_off") with
                        {
                            InTenths = true,
                            WithoutSign = true,
                        },
                        Flow.Value("_offSide") with
                        {
                            Words = ["nearer than the hole", "off", "further than the hole"],
                        },
                    ]
                );
        }
    }

    private FlowEffect[] CountTeeShot(Finish finish)
    {
        FlowEffect Counted(string register) => IsWhole ? Flow.AddRegister(register, "_isTeeShot") : Flow.Add(register);
        return
        [
            Counted("teeShots"),
            .. finish is Finish.Fairway or Finish.Green or Finish.Holed ? [Counted("fairways")] : Array.Empty<FlowEffect>(),
            .. finish.Rule().Side is { } side
                ? [Counted(side == TargetSide.Left ? "missedLeft" : "missedRight")]
                : Array.Empty<FlowEffect>(),
            .. IsWhole ? [Flow.Set("_isTeeShot", 0)] : Array.Empty<FlowEffect>(),
        ];
    }

    private void AddTeeShots(IReadOnlyList<int> fromTheTee)
    {
        _flow
            .State(
                Tee,
                FromTheTee,
                ClubsAnd(),
                [
                    .. _laid.Numbers.Select(n => Flow.Part(Flow.Choice(n.Value), [], "where")),
                    Flow.Done(Flow.Choice(PlayedHoles.PickUp), [], "next"),
                ]
            )
            .At(0, step: FlowStep.Choose)
            .State(
                "where",
                WhereDidItGo,
                Wheres,
                [.. Enum.GetValues<Finish>().Select(f => Flow.Done(Flow.Choice(NameOf(f)), CountTeeShot(f), "next"))]
            )
            .At(0, step: FlowStep.Finish)
            .State(
                "next",
                "",
                new FlowQuestionNothing(),
                Flow.Part([new RegisterIs(AttemptFlow.LeftRegister, -1)], [], null),
                Flow.Part(
                    Flow.Always,
                    [
                        Flow.Add(AttemptFlow.LeftRegister),
                        Flow.Add("hole"),
                        Flow.Add("_wheres"),
                        Flow.Nth("_offers", "hole", fromTheTee),
                    ],
                    Tee
                )
            );
    }

    private void AddShots(IReadOnlyList<int> fromTheTee)
    {
        foreach (
            var (name, prompt) in new[]
            {
                (Tee, FromTheTee),
                (Long, new FlowText("Choose what to leave.")),
                (Club, AtTheHole),
                (Chip, new FlowText("Choose the spot it is to land on.")),
            }
        )
        {
            FlowOption[] putter = name == Chip ? [new FlowOption(ShotNumbers.Putter, Capital(Golf.Club.Putter.InWords()))] : [];
            _flow
                .State(
                    name,
                    prompt,
                    ClubsAnd(putter),
                    [
                        .. _laid.Numbers.Select((n, i) => Flow.Part(Flow.Choice(n.Value), [Flow.Set("_with", i)], "chosen")),
                        .. putter.Select(p =>
                            Flow.Part(Flow.Choice(p.Value), [Flow.Set("_with", _laid.Numbers.Count)], "chosen")
                        ),
                        Flow.Done(Flow.Choice(PlayedHoles.PickUp), [], "pickedUp"),
                    ]
                )
                .At(0, step: FlowStep.Choose);
        }

        _flow
            .State("chosen", "", new FlowQuestionNothing(), [.. Chosen()])
            .State(
                "reach",
                "",
                new FlowQuestionNothing(),
                Flow.Part([new RegisterReaches("_reach", "left")], [Flow.AddRegister("_wheres", "_holes")], "where"),
                Flow.Part(Flow.Always, [], "where")
            )
            .State("where", WhereTo, Wheres, [.. Enum.GetValues<Finish>().Select(Landing)])
            .At(0, step: FlowStep.Finish)
            .State(
                "went",
                "How far did it go?",
                Asked(Went, "Went", Unit, "_carry"),
                Flow.Done(
                    Flow.Always,
                    [
                        .. ShotIsCounted,
                        Flow.AddInput("left", negative: true),
                        Flow.SetRegister("_abs", "left"),
                        Flow.Max("left", "_abs").Negative(),
                        Flow.Max("left", "_least"),
                    ],
                    "after"
                )
            )
            .At(0, step: FlowStep.Measure)
            .State(
                Along,
                "How far did it go?",
                Asked(Went, "Went", Unit, "_carry"),
                Flow.Part(
                    Flow.Always,
                    [Flow.SetRegister("_rest", "left"), Flow.AddInput("_rest", negative: true), .. WhereItLiesAcross],
                    "landed"
                )
            )
            .At(0, step: FlowStep.Measure)
            .State("landed", "", new FlowQuestionNothing(), [.. Landed()])
            .State(
                "from",
                "How far from the hole now?",
                Asked(FromHole, "From the hole", Unit, "_beside") with
                {
                    Nudges = SmallNudges,
                },
                Flow.Done(Flow.Always, [.. ShotIsCounted, Flow.SetInput("left")], "after")
            )
            .At(0, step: FlowStep.Measure)
            .State(
                "putt",
                "How long is the putt?",
                Asked(PuttFeet, "Putt", LengthUnit.Feet.Sign(), "_putt"),
                Flow.Done(
                    Flow.Always,
                    IsExpected
                        ? [.. GreenIsHit, Flow.SetInput("_abs"), Flow.Found("_putt", "_abs", FeetTenths, Hundredths)]
                        : [.. GreenIsHit, Flow.SetInput("_feet") with { RegisterAt = "hole" }],
                    "onGreen"
                )
            )
            .At(0, step: FlowStep.Measure)
            .State(
                "after",
                "",
                new FlowQuestionNothing(),
                Flow.Part([new RegisterReaches("shot", "_most")], [], "pickedUp"),
                Flow.Part(Flow.Always, [.. NearestTarget()], "choose")
            )
            .State("choose", "", new FlowQuestionNothing(), [.. Choosing()])
            .State(
                Ask,
                "",
                new FlowQuestionNothing(),
                Flow.Part([new RegisterIs("lie", (int)Lie.Fairway), new RegisterIs("left", Longest)], [], Long),
                Flow.Part([new RegisterIs("lie", (int)Lie.Fairway), new RegisterIs("left", 10 * _choices.ChipUpTo)], [], Club),
                Flow.Part([new RegisterIs("lie", (int)Lie.Fairway)], [], Chip),
                Flow.Part([new RegisterIs("_par", 4)], [], Tee),
                Flow.Part(Flow.Always, [], Club)
            );
    }

    /// <summary>From here on, in tenths, nothing reaches the green.</summary>
    private int Longest => 1 + (_laid.Numbers.Max(n => n.Carry) is { } carry ? (int)(10 * carry * Reach) : UnknownReaches);

    private static FlowQuestionNumber Asked(NumberRange range, string label, string unit, string proposed) =>
        new(label, unit, range.Least, range.Most, range.Step) { Proposed = proposed, Nudges = Nudges };

    /// <summary>
    /// What a chosen club does from the lie, and where a green in its reach may be missed. A ball in trees is punched, one in
    /// rough flies less far.
    /// </summary>
    private IEnumerable<IEnumerable<FlowTransition>> Chosen()
    {
        foreach (var lie in new[] { Lie.Recovery, Lie.Sand, Lie.Rough, Lie.Tee })
        {
            var carries = _laid.Numbers.Select(n => n.CarryFrom(lie)).ToList();
            yield return Flow.Part(
                lie == Lie.Tee ? Flow.Always : [new RegisterIs("lie", (int)lie)],
                [
                    Flow.Nth("_carry", "_with", [.. carries.Select(c => c is { } carry ? 10 * carry : Unknown), Unknown]),
                    Flow.Nth(
                        "_reach",
                        "_with",
                        [.. carries.Select(c => c is { } carry ? (int)(10 * carry * Reach) : UnknownReaches), UnknownReaches]
                    ),
                    Flow.SetRegister("_wheres", "hole"),
                    Flow.Found("_putt", "left", PuttFrom, PuttFeetProposed),
                    Flow.Found("_beside", "left", BesideFrom, BesideProposed),
                    .. AnyAcross ? [Flow.Set(Refused, 0)] : Array.Empty<FlowEffect>(),
                ],
                "reach"
            );
        }
    }

    /// <summary>
    /// A ball on the fairway, once it is known how far it went. Inside what lies across there is none: where it went is asked
    /// again.
    /// </summary>
    private IEnumerable<IEnumerable<FlowTransition>> Landed()
    {
        if (AnyAcross)
            yield return Flow.Part(
                [new RegisterReaches("_rest", "_far"), new RegisterReaches("_near", "_rest")],
                [Flow.SetRegister(Refused, "hole"), Flow.Add(Refused)],
                "where"
            );
        yield return Flow.Done(
            Flow.Always,
            [
                .. CountTeeShot(Finish.Fairway),
                Flow.Add("shot"),
                Flow.Set("lie", (int)Lie.Fairway),
                Flow.SetRegister("left", "_rest"),
                Flow.Max("left", "_rest").Negative(),
                Flow.Max("left", "_least"),
            ],
            "after"
        );
    }

    private bool AnyAcross => _laid.Holes.Any(h => h.Across is not null);

    /// <summary>
    /// What of a hole is left where what lies across begins and ends, in tenths; of a hole without, nothing between.
    /// </summary>
    private FlowEffect[] WhereItLiesAcross =>
        AnyAcross
            ?
            [
                Flow.Nth("_near", "hole", [.. _laid.Holes.Select(h => h.Across is { } a ? 10 * (h.Length - a.From) : 0)]),
                Flow.Nth("_far", "hole", [.. _laid.Holes.Select(h => h.Across is { } a ? 10 * (h.Length - a.To) : 1)]),
            ]
            : [];

    /// <summary>Asks where the ball went, and why once more where the answer before was refused.</summary>
    private FlowText WhereTo =>
        AnyAcross
            ? new FlowText(
                "{0}",
                [
                    Flow.Value(Refused) with
                    {
                        Words = [WhereDidItGo, .. _laid.Holes.Select(h => HoleWords.NoFairwayIn(h, _laid)?.In() ?? WhereDidItGo)],
                    },
                ]
            )
            : new FlowText(WhereDidItGo);

    private IEnumerable<FlowTransition> Landing(Finish finish)
    {
        var rule = finish.Rule();
        var said = Flow.Choice(NameOf(finish));
        if (finish == Finish.Fairway)
            return Flow.Part(said, [], Along);
        if (finish == Finish.Holed)
            return Flow.Done(said, [.. CountTeeShot(finish), Flow.Add("shot")], "holed");
        FlowEffect[] then =
        [
            .. CountTeeShot(finish),
            Flow.Set("_cost", 1 + rule.Penalty),
            Flow.Set("_penalty", rule.Penalty),
            .. rule.Lie is { } lie ? [Flow.Set("_lie", (int)lie)] : Array.Empty<FlowEffect>(),
        ];
        return rule.Asked switch
        {
            AskedNumber.Went => Flow.Part(said, then, "went"),
            AskedNumber.FromHole => Flow.Part(said, then, "from"),
            AskedNumber.Putt => Flow.Part(said, then, "putt"),
            // The same shot is played again.
            _ => Flow.Done(said, [.. then, .. StrokesAreCounted], "after"),
        };
    }

    private static readonly FlowEffect[] StrokesAreCounted =
    [
        Flow.AddRegister("shot", "_cost"),
        Flow.AddRegister("penalties", "_penalty"),
    ];

    private static readonly FlowEffect[] GreenIsHit = [Flow.Add("shot"), Flow.Set("lie", (int)Lie.Green)];

    /// <summary>A shot counts once everything about it was said: until then what it was played from stands.</summary>
    private static readonly FlowEffect[] ShotIsCounted = [.. StrokesAreCounted, Flow.SetRegister("lie", "_lie")];

    /// <summary>Half the way from each target to the next, in tenths: from there on the next is nearer.</summary>
    private IReadOnlyList<int> Halfway =>
        [.. _laid.Targets.Zip(_laid.Targets.Skip(1)).Select(two => 5 * (two.First.Distance + two.Second.Distance))];

    private IEnumerable<FlowEffect> NearestTarget()
    {
        if (_laid.Targets.Count == 0)
            return [];
        return
        [
            Flow.Lookup("_target", "left", Halfway),
            Flow.Nth("_off", "_target", [.. _laid.Targets.Select(t => 10 * t.Distance)]),
            Flow.AddRegister("_off", "left").Negative(),
            Flow.Lookup("_offSide", "_off", [0, 1]),
        ];
    }

    /// <summary>From these distances on, in tenths, a longer first putt is proposed.</summary>
    private static readonly int[] PuttFrom = [200, 500, 800, 1_100, 1_400, 1_700, 2_000];

    /// <summary>
    /// The proposed first putt, in tenths of a foot: about as far off as shots of the length usually are. The product's own.
    /// </summary>
    private static readonly int[] PuttFeetProposed = [60, 100, 150, 180, 220, 260, 320, 400];

    /// <summary>From these distances on, in tenths, a missed green is proposed to be left further away.</summary>
    private static readonly int[] BesideFrom = [100, 200, 400];

    /// <summary>How far from the hole a missed green is proposed to be, in tenths. The product's own.</summary>
    private static readonly int[] BesideProposed = [30, 50, 80, 120];

    private static readonly int[] FeetTenths = [.. Enumerable.Range(2, 149).Select(f => 10 * f)];

    private static readonly int[] Hundredths = [.. Enumerable.Range(1, 150).Select(ExpectedHundredths)];

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
