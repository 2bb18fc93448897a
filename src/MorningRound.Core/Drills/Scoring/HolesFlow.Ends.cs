using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>How a hole ends, and the putts that wait until the last one.</summary>
internal sealed partial class HolesFlow
{
    private void AddHoleEnds(IReadOnlyList<int> fromTheTee)
    {
        FlowGuard[] inRegulation = [new RegisterReaches("_inRegulation", "shot")];
        FlowEffect[] counted = [Flow.AddRegister("strokes", "shot")];
        FlowEffect[] over = [Flow.Add("over"), Flow.AddRegister("par", "_par")];
        FlowEffect[] holed = [.. counted, .. over];
        FlowEffect[] waits = IsExpected
            ? [.. counted, .. over, Flow.AddRegister("puttHundredths", "_putt")]
            :
            [
                .. counted,
                Flow.Add("waiting"),
                Flow.SetRegister("_want", "shot"),
                Flow.AddRegister("_want", "_par").Negative(),
                Flow.Lookup("_want", "_want", [-1, 0, 1]),
                Flow.Add("_want"),
                Flow.SetRegister("_want", "_want") with
                {
                    RegisterAt = "hole",
                },
            ];
        _flow
            .State(
                "holed",
                "",
                new FlowQuestionNothing(),
                Flow.Part(inRegulation, [.. holed, Flow.Add("greens")], "next"),
                Flow.Part(Flow.Always, holed, "next")
            )
            .State(
                "onGreen",
                "",
                new FlowQuestionNothing(),
                Flow.Part(inRegulation, [.. waits, Flow.Add("greens")], "next"),
                Flow.Part(Flow.Always, waits, "next")
            )
            .State(
                "pickedUp",
                "",
                new FlowQuestionNothing(),
                Flow.Part(Flow.Always, [Flow.AddRegister("strokes", "_most"), Flow.Add("pickedUp"), .. over], "next")
            )
            .State(
                "next",
                "",
                new FlowQuestionNothing(),
                Flow.Part([new RegisterIs(AttemptFlow.LeftRegister, -1)], Shown(), IsExpected ? null : "waiting"),
                Flow.Part(
                    Flow.Always,
                    [
                        .. Shown(),
                        Flow.Add(AttemptFlow.LeftRegister),
                        Flow.Add("hole"),
                        Flow.Nth("left", "hole", [.. _laid.Holes.Select(h => 10 * h.Length)]),
                        Flow.Set("lie", (int)Lie.Tee),
                        Flow.Set("shot", 0),
                        Flow.Nth("_par", "hole", [.. _laid.Holes.Select(h => h.Par)]),
                        Flow.Nth("_isTeeShot", "hole", [.. _laid.Holes.Select(h => h.Par > 3 ? 1 : 0)]),
                        Flow.Nth("_most", "hole", [.. _laid.Holes.Select(h => ShotRules.PickedUp(h.Par))]),
                        Flow.Nth("_inRegulation", "hole", [.. _laid.Holes.Select(h => h.Par - 2)]),
                        Flow.Nth("_offers", "hole", fromTheTee),
                        .. OfItsKind("_nearKind", _nearKinds),
                        .. OfItsKind("_farKind", _farKinds),
                        .. NearestTarget(),
                    ],
                    Ask
                )
            );
    }

    /// <summary>The strokes so far with the putts that stand for those not hit, in hundredths.</summary>
    private FlowEffect[] Shown() =>
        IsExpected ? [Flow.Product("_shown", "strokes", "_hundred"), Flow.AddRegister("_shown", "puttHundredths")] : [];

    /// <summary>
    /// Looks through the holes four times: for birdies, pars, bogeys and the rest, and asks for the putts of each.
    /// </summary>
    private void AddPuttingOut()
    {
        _flow
            .State(
                "waiting",
                "",
                new FlowQuestionNothing(),
                Flow.Part([new RegisterIs("_kind", PuttsFor.Length)], [], null),
                Flow.Part([new RegisterIs("_next", Count)], [Flow.Add("_kind"), Flow.Set("_next", 0)], "waiting"),
                Flow.Part(
                    Flow.Always,
                    [Flow.SetRegister("_want", "_want") with { FromAt = "_next" }, Flow.Add("_want", -1)],
                    "look"
                )
            )
            .State(
                "look",
                "",
                new FlowQuestionNothing(),
                Flow.Part(
                    [new RegisterReaches("_want", "_kind"), new RegisterReaches("_kind", "_want")],
                    [
                        Flow.SetRegister("puttHole", "_next"),
                        Flow.SetRegister("_feet", "_feet") with
                        {
                            FromAt = "_next",
                        },
                        Flow.Nth("_par", "_next", [.. _laid.Holes.Select(h => h.Par)]),
                        Flow.Add("_next"),
                    ],
                    "putts"
                ),
                Flow.Part(Flow.Always, [Flow.Add("_next")], "waiting")
            )
            .State(
                "putts",
                new FlowText(
                    "Hole {0}, {1}: {2} ft. Putts until it was in?",
                    [
                        HoleNumber("puttHole"),
                        Flow.Value("_kind") with
                        {
                            Words = PuttsFor,
                        },
                        Flow.Value("_feet") with
                        {
                            InTenths = true,
                        },
                    ]
                ),
                new FlowQuestionChoice([
                    .. Enumerable.Range(1, PlayedHoles.MostPutts).Select(n => new FlowOption($"{n}", Putts(n))),
                ]),
                [
                    .. Enumerable
                        .Range(1, PlayedHoles.MostPutts)
                        .Select(n =>
                            Flow.Done(
                                Flow.Choice($"{n}"),
                                [
                                    Flow.Add("putts", n),
                                    Flow.Add("strokes", n),
                                    Flow.AddRegister("par", "_par"),
                                    Flow.Add("waiting", -1),
                                    Flow.Add("over"),
                                ],
                                "waiting"
                            )
                        ),
                ]
            )
            .At(0, step: FlowStep.Putt);

        static string Putts(int number) =>
            number == PlayedHoles.MostPutts ? $"{number} or more" : number.ToString(Written.Culture);
    }
}
