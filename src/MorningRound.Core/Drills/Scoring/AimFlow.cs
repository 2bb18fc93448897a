using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// The aim check as a phone walks it, judged there without a signal by whole numbers alone. <see cref="AimCheck"/> judges the
/// same balls for the result and does not use it.
/// </summary>
/// <remarks>
/// With S the sum and Q the sum of squares of five offsets in tenths: five are steady where 1000·S² is above 3292·Q; their
/// scatter is within the limit where 5·Q − S², twenty times the variance, is at most twenty times the square of the limit; the
/// angle is looked up from |S|; another club's offset is |S| times its carry over five times the target's distance.
/// </remarks>
internal sealed class AimFlow(string what, MarkedLength target, IReadOnlyList<AimClub> clubs, Club? with)
{
    private const string Thousand = "_thousand";
    private const string Steady = "_steady";
    private const string Five = "_five";
    private const string Distances = "_distances";
    private const string Total = "_total";
    private const string Offset = "_offset";
    private static readonly string[] Sides = ["left", "right"];

    private string Unit => target.Unit.Sign();

    /// <summary>Twenty times the square of the largest deviation, in tenths.</summary>
    private int LargestSpread
    {
        get
        {
            var largest = 10 * target.Value * Math.Tan(Angle.FromDegrees(AimCheck.LargestScatterDegrees).Radians);
            return (int)(20 * largest * largest);
        }
    }

    /// <summary>From which sums on a tenth of a degree more is said, up to what is too far.</summary>
    private int[] Degrees =>
        [
            .. Enumerable
                .Range(1, (int)(AimCheck.TooFarDegrees * 10))
                .Select(tenths =>
                    (int)
                        Math.Ceiling(
                            10 * AimCheck.Balls * target.Value * Math.Tan(Angle.FromDegrees((tenths - 0.5) / 10).Radians)
                        )
                ),
        ];

    public AttemptFlow Compile()
    {
        var first = new FiveBalls("first", "_firstSquares", "shots");
        var second = new FiveBalls("second", "_secondSquares", "verified");
        var flow = new FlowBuilder()
            .Registers(first.Sum, first.Count, second.Sum, second.Count)
            .Register(Thousand, 1000)
            .Register(Steady, AimCheck.SteadyPerThousand)
            .Register(Five, AimCheck.Balls)
            .Register(Distances, AimCheck.Balls * Tenths(target.Value))
            .Display("{0} of {1} balls, then {2} to verify", Flow.Value(first.Count), Flow.Value(Five), Flow.Value(second.Count))
            .Registers(Offset, first.Squares, second.Squares, "_square", "_clear", "_bar", "_spread", Total);
        foreach (var of in new[] { first.Sum, second.Sum, Total })
            flow.Registers(Size(of), Side(of));
        flow.Registers(AngleOf(first.Sum), AngleOf(Total));
        foreach (var (i, club) in clubs.Index())
            flow.Register(Carry(i), Tenths(club.Carry)).Registers(With(first.Sum, i), With(Total, i));

        FlowText nothing = new(DrillSentences.NothingSteady.Of().In());
        FlowText tooFar = new(DrillSentences.AimTooFar.Of().In());
        Ask(flow, "ball", "Five balls", first, [.. Judged(first), .. Sized(first.Sum), .. Moving(first.Sum)], "judged");
        flow.State(
            "judged",
            "",
            new FlowQuestionNothing(),
            Flow.Say(NotSteady, nothing, [], null),
            Flow.Say(TooSpread, nothing, [], null),
            Flow.Say(IsTooFar(first.Sum), tooFar, [], null),
            Flow.Say(IsWorthSaying(first.Sum), Goes(first.Sum), [], "verify"),
            Flow.Say(Flow.Always, nothing, [], null)
        );
        Ask(
            flow,
            "verify",
            "Five to verify",
            second,
            [
                .. Judged(second),
                .. Sized(second.Sum),
                Flow.SetRegister(Total, first.Sum),
                Flow.AddRegister(Total, second.Sum),
                .. Sized(Total),
                .. Moving(Total),
            ],
            "verified"
        );
        FlowGuard[] goesElsewhere = IsWorthSaying(second.Sum);
        return flow.State(
                "verified",
                "",
                new FlowQuestionNothing(),
                Flow.Say(TooSpread, new(DrillSentences.AimScattered.Of().In()), [], null),
                Flow.Say(NotSteady, Holds(first.Sum), [], null),
                Flow.Say([.. goesElsewhere, .. IsTooFar(Total)], tooFar, [], null),
                Flow.Say([.. goesElsewhere, .. IsWorthSaying(Total)], More(second.Sum, Total), [], null),
                Flow.Say(goesElsewhere, TakenBack(second.Sum), [], null),
                Flow.Say(Flow.Always, Holds(first.Sum), [], null)
            )
            .Build();
    }

    /// <summary>The names of what is counted of five balls.</summary>
    private sealed record FiveBalls(string Sum, string Squares, string Count);

    /// <summary>Asks for five balls one after another.</summary>
    private void Ask(FlowBuilder flow, string state, string asked, FiveBalls five, IEnumerable<FlowEffect> atTheLast, string then)
    {
        FlowEffect[] kept =
        [
            Flow.SetInput(Offset),
            Flow.Product(five.Squares, Offset, Offset, FlowChange.Add),
            Flow.AddInput(five.Sum),
            Flow.Add(five.Count),
        ];
        flow.State(
            state,
            new FlowText(with is { } club ? $"{asked} at {target} with the {club.InWords()}" : $"{asked} at {target}"),
            AimCheck.Offsets.Asked(what, Unit, new("left", "right")),
            Flow.Done(Flow.Always.And(five.Count, AimCheck.Balls - 1), [.. kept, .. atTheLast], then),
            Flow.Done(Flow.Always, kept, state)
        );
    }

    /// <summary>What says whether five are steady, and how far they are apart.</summary>
    private static FlowEffect[] Judged(FiveBalls five) =>
        [
            Flow.Product("_square", five.Sum, five.Sum),
            Flow.Product("_clear", "_square", Thousand),
            Flow.Product("_bar", five.Squares, Steady),
            Flow.Product("_spread", five.Squares, Five),
            Flow.AddRegister("_spread", "_square").Negative(),
        ];

    /// <summary>The size and the side of a sum.</summary>
    private static FlowEffect[] Sized(string sum) =>
        [Flow.SetRegister(Size(sum), sum), Flow.Max(Size(sum), sum).Negative(), Flow.Lookup(Side(sum), sum, [1])];

    /// <summary>The angle of a sum, and as much with other clubs.</summary>
    private IEnumerable<FlowEffect> Moving(string sum) =>
        [
            Flow.Lookup(AngleOf(sum), Size(sum), Degrees),
            .. clubs.Select((_, i) => Flow.Product(With(sum, i), Size(sum), Carry(i))),
        ];

    private static FlowGuard[] NotSteady => [new RegisterReaches("_bar", "_clear")];

    private FlowGuard[] TooSpread => [new RegisterIs("_spread", LargestSpread + 1)];

    private static FlowGuard[] IsTooFar(string sum) => [new RegisterIs(AngleOf(sum), (int)(AimCheck.TooFarDegrees * 10))];

    private static FlowGuard[] IsWorthSaying(string sum) =>
        [new RegisterIs(Size(sum), AimCheck.Balls * AimCheck.LeastOffsetTenths)];

    private FlowText Goes(string sum) =>
        Text([Whole(sum), Word(sum, Sides), .. Moved(sum)], DrillSentences.AimGoes.Of("{0}", Unit, "{1}", target, ToMove(2)));

    private FlowText Holds(string sum) => Text(Moved(sum), DrillSentences.AimHolds.Of(ToMove(0), target));

    private FlowText More(string left, string total) =>
        Text([Whole(left), Word(left, Sides), .. Moved(total)], DrillSentences.AimMore.Of("{0}", Unit, "{1}", ToMove(2), target));

    private FlowText TakenBack(string left) =>
        Text([Whole(left), Word(left, Sides)], DrillSentences.AimTakenBack.Of("{0}", Unit, "{1}"));

    /// <summary>The sentence with a place for each value, in the same words as the result has it.</summary>
    private static FlowText Text(IReadOnlyList<FlowValue> values, Message message) => new(message.In(), values);

    /// <summary>The values of <see cref="ToMove"/>, in its order.</summary>
    private IReadOnlyList<FlowValue> Moved(string sum) =>
        [
            Whole(sum),
            Word(sum, Sides.Reverse()),
            .. clubs.Select((_, i) => Flow.Mean(With(sum, i), Distances, 0)),
            Flow.Value(AngleOf(sum)) with
            {
                InTenths = true,
                Decimals = 1,
            },
        ];

    private Message ToMove(int from) =>
        DrillSentences.AimBy.Of(
            $"{{{from}}}",
            Unit,
            $"{{{from + 1}}}",
            new MessageList(
                ", ",
                [
                    .. clubs.Select((c, i) => DrillSentences.AimWith.Of($"{{{from + 2 + i}}}", Unit, c.Club)),
                    DrillSentences.AimDegrees.Of($"{{{from + 2 + clubs.Count}}}"),
                ]
            )
        );

    private static FlowValue Whole(string sum) => Flow.Mean(Size(sum), Five, 0);

    private static FlowValue Word(string sum, IEnumerable<string> words) => Flow.Value(Side(sum)) with { Words = [.. words] };

    private static int Tenths(double number) => (int)Math.Round(number * 10);

    private static string Size(string sum) => $"_{sum.TrimStart('_')}Size";

    private static string Side(string sum) => $"_{sum.TrimStart('_')}Side";

    private static string AngleOf(string sum) => $"_{sum.TrimStart('_')}Angle";

    private static string Carry(int club) => $"_carry{club}";

    private static string With(string sum, int club) => $"_{sum.TrimStart('_')}With{club}";
}
