using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>What can be guessed and then measured.</summary>
public enum GuessedQuantity
{
    /// <summary>The length of a putt, in feet. Tolerance 10 % of the measured length.</summary>
    Length,

    /// <summary>How much it rises (or falls, negative), in inches. Tolerance 1 in.</summary>
    Rise,

    /// <summary>The slope across, in percent; to the left is negative. Tolerance 0.5 %.</summary>
    Slope,

    /// <summary>Where to aim, in inches beside the hole; left is negative. Tolerance 2 in.</summary>
    AimPoint,

    /// <summary>A carry, in yards. Tolerance 4 % of the measured carry.</summary>
    Carry,
}

/// <summary>One or several quantities a putt or shot, first guessed, then measured. A smaller spread is better.</summary>
public sealed record GuessAndCheck : ScoringProtocol
{
    /// <summary>The tolerances are the product's own defaults.</summary>
    private static readonly Dictionary<
        GuessedQuantity,
        (string Name, string Unit, double Percent, double Fixed, string Over, string Under)
    > Kinds = new()
    {
        [GuessedQuantity.Length] = ("length", "ft", 10, 0, "You over-read length", "You under-read length"),
        [GuessedQuantity.Rise] = ("rise", "in", 0, 1, "You over-read rise", "You under-read rise"),
        [GuessedQuantity.Slope] = ("slope", "%", 0, 0.5, "You over-read slope", "You under-read slope"),
        [GuessedQuantity.AimPoint] = (
            "aim spot, from the middle of the hole",
            "in",
            0,
            2,
            "You aim too far outside",
            "You aim too close to the hole"
        ),
        [GuessedQuantity.Carry] = ("carry", "yd", 4, 0, "You guess carries too long", "You guess carries too short"),
    };

    /// <summary>What is guessed, each once.</summary>
    public required IReadOnlyList<GuessedQuantity> Quantities { get; init; }

    /// <summary>How often, 3 to 60.</summary>
    public int Attempts { get; init; } = 10;

    /// <summary>The unit of a carry: yards or metres.</summary>
    public LengthUnit CarryUnit { get; init; } = LengthUnit.Yards;

    /// <summary>Carries in the player's own unit.</summary>
    public override ScoringProtocol For(PlayerNumbers player) =>
        Quantities.Contains(GuessedQuantity.Carry) ? this with { CarryUnit = player.Unit } : this;

    /// <inheritdoc/>
    public override string Title => "Guess and check";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Segment;

    /// <inheritdoc/>
    public override ScoringProtocol FittedTo(int attempts) => this with { Attempts = Math.Clamp(attempts, 3, 60) };

    /// <inheritdoc/>
    public override int? PlannedAttempts => Attempts;

    /// <inheritdoc/>
    public override ScoringProtocol WithCount(int attempts) => this with { Attempts = attempts };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds =>
        [
            .. Quantities.Select(q => new MeasureKind($"spread{q}", $"spread of {Kinds[q].Name}", UnitOf(q), Better.Lower, 1)),
            .. Quantities.Select(q => new MeasureKind($"within{q}", $"{Kinds[q].Name} within tolerance", "%", Better.Higher)),
            .. Quantities.Select(q => new MeasureKind(
                $"bias{q}",
                $"{Kinds[q].Name}, guess minus measured{(IsSigned(q) ? ", by size" : "")}",
                UnitOf(q),
                Better.None,
                1
            )),
            .. Quantities
                .Where(IsSigned)
                .Select(q => new MeasureKind(WrongSide(q), $"{Kinds[q].Name} on the wrong side", "", Better.None)),
        ];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure.StartsWith("within", StringComparison.Ordinal) ? Chances.AtLeastPercent(goal.Limit, Attempts, share) : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .Require(Quantities.Count is >= 1 and <= 4, $"{path}.quantities", "Between 1 and 4 quantities, please.")
            .RequireOnce(Quantities, $"{path}.quantities")
            .RequireUnit(CarryUnit, $"{path}.carryUnit", LengthUnit.Yards, LengthUnit.Metres)
            .RequireBetween(Attempts, 3, 60, $"{path}.attempts", "attempts");

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers([
                "attempts",
                .. Quantities.Select(Difference),
                .. Quantities.Select(Guessed),
                .. Quantities.Where(IsSigned).SelectMany(q => new[] { WrongSide(q), Side(q) }),
            ])
            .Counted(Attempts)
            .Display("{0} of {1}", Flow.Value("attempts"), Flow.Count);
        foreach (var q in Quantities)
            flow.Display(
                $"{Kinds[q].Name}, guess minus measured{(IsSigned(q) ? " by size" : "")}: {{0}} {UnitOf(q)} on average",
                Flow.Mean(Difference(q), "attempts", 1)
            );
        for (var i = 0; i < Quantities.Count; i++)
        {
            var (q, kind) = (Quantities[i], Kinds[Quantities[i]]);
            var next = i + 1 < Quantities.Count ? $"guess{i + 1}" : "measure0";
            // A guess counts in no mean before it was checked.
            flow.State(
                    $"guess{i}",
                    $"Your guess: {kind.Name}",
                    RangeOf(q).Asked("Guess", UnitOf(q), SidesOf(q)),
                    IsSigned(q)
                        ?
                        [
                            .. Flow.Part(
                                Flow.Number(1, RangeOf(q).Most),
                                [Flow.SetInput(Guessed(q)), Flow.Set(Side(q), 1)],
                                next
                            ),
                            .. Flow.Part(
                                Flow.Number(RangeOf(q).Least, -1),
                                [Flow.SetInput(Guessed(q), negative: true), Flow.Set(Side(q), -1)],
                                next
                            ),
                            .. Flow.Part(Flow.Always, [Flow.Set(Guessed(q), 0), Flow.Set(Side(q), 0)], next),
                        ]
                        : Flow.Part(Flow.Always, [Flow.SetInput(Guessed(q))], next)
                )
                .At(i, step: FlowStep.Guess);
        }

        var counted = Quantities.Select(q => Flow.AddRegister(Difference(q), Guessed(q)));
        // The guesses are taken first, all of them, so that measuring one cannot colour the next.
        for (var i = 0; i < Quantities.Count; i++)
        {
            var (q, kind) = (Quantities[i], Kinds[Quantities[i]]);
            var isLast = i + 1 == Quantities.Count;
            var next = isLast ? "guess0" : $"measure{i + 1}";
            IEnumerable<FlowTransition> Measured(FlowGuard[] when, params FlowEffect[] then) =>
                isLast
                    ? Flow.DoneWhenCounted(when, [.. then, .. counted, Flow.Add("attempts")], next)
                    : Flow.Part(when, then, next);
            FlowEffect[] above = [Flow.AddInput(Guessed(q), negative: true)];
            FlowEffect[] below = [Flow.AddInput(Guessed(q))];
            var (over, under) = (Flow.Number(1, RangeOf(q).Most), Flow.Number(RangeOf(q).Least, -1));
            flow.State(
                    $"measure{i}",
                    $"Measured: {kind.Name}",
                    RangeOf(q).Asked("Measured", UnitOf(q), SidesOf(q)),
                    IsSigned(q)
                        ?
                        [
                            .. Measured(over.And(Side(q), 0), above),
                            .. Measured(over, [.. above, Flow.Add(WrongSide(q))]),
                            .. Measured(under.And(Side(q), 1), [.. below, Flow.Add(WrongSide(q))]),
                            .. Measured(under, below),
                            .. Measured(Flow.Always),
                        ]
                        : Measured(Flow.Always, above)
                )
                .At(i, step: FlowStep.Measure);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        for (var attempt = 0; attempt < Attempts; attempt++)
        {
            var guesses = new List<int>();
            foreach (var q in Quantities)
            {
                var guess = new ScorerQuestionNumber(RangeOf(q));
                yield return guess;
                guesses.Add(guess.Answer);
            }

            var measured = new List<int>();
            foreach (var q in Quantities)
            {
                var number = new ScorerQuestionNumber(RangeOf(q));
                yield return number;
                measured.Add(number.Answer);
            }

            for (var i = 0; i < Quantities.Count; i++)
            {
                var q = Quantities[i];
                // Too far left and too far right are both too far: sizes are compared, and wrong sides counted apart.
                var difference = IsSigned(q) ? Math.Abs(guesses[i]) - Math.Abs(measured[i]) : guesses[i] - measured[i];
                tally[Difference(q)] += difference;
                tally.Keep(Difference(q), difference);
                if (IsSigned(q) && Math.Sign(guesses[i]) * Math.Sign(measured[i]) < 0)
                    tally[WrongSide(q)]++;
                if (IsWithin(Quantities[i], guesses[i], measured[i]))
                    tally[$"within{Quantities[i]}"]++;
            }

            tally["attempts"]++;
            tally.EndAttempt();
        }
    }

    private protected override double? Value(string measure, Tally tally)
    {
        var q = Quantities.First(quantity => measure.EndsWith(quantity.ToString(), StringComparison.Ordinal));
        var differences = tally.Kept(Difference(q));
        if (measure.StartsWith("spread", StringComparison.Ordinal))
            return Sample.Deviation(differences);
        if (measure.StartsWith("wrongSide", StringComparison.Ordinal))
            return differences.Count == 0 ? null : tally[measure];
        if (measure.StartsWith("bias", StringComparison.Ordinal))
            return Sample.Mean(differences);
        return differences.Count == 0 ? null : 100.0 * tally[measure] / differences.Count;
    }

    private protected override Message Say(Tally tally)
    {
        if (tally["attempts"] == 0)
            return DrillSentences.NoGuess.Of();
        return DrillSentences.Guesses.Of(
            new MessageList(
                " ",
                [
                    .. Quantities.Select(q =>
                    {
                        var kind = Kinds[q];
                        double[] differences = [.. tally.Kept(Difference(q)).Select(d => (double)d)];
                        var bias = Math.Round(differences.Average(), 1, MidpointRounding.AwayFromZero);
                        // A mean whose interval holds zero is no bias: the next ten guesses may lean the other way.
                        var isClear = bias != 0 && Sample.OfMean(differences) is { LeavesOutZero: true };
                        var (within, all) = (tally[$"within{q}"], tally["attempts"]);
                        var told = !isClear
                            ? DrillSentences.NoBias.Of(kind.Name, within, all)
                            : DrillSentences.Bias.Of(bias > 0 ? kind.Over : kind.Under, Math.Abs(bias), UnitOf(q), within, all);
                        return IsSigned(q) && tally[WrongSide(q)] is > 0 and var wrong
                            ? DrillSentences.AndWrongSide.Of(told, wrong)
                            : told;
                    }),
                ]
            )
        );
    }

    /// <summary>Whether a guess is close enough to what was measured; both in tenths.</summary>
    private static bool IsWithin(GuessedQuantity q, int guess, int measured)
    {
        var kind = Kinds[q];
        var allowed = ((decimal)kind.Percent * Math.Abs(measured) / 100) + ((decimal)kind.Fixed * 10);
        return Math.Abs(guess - measured) <= allowed;
    }

    private static NumberRange RangeOf(GuessedQuantity q) =>
        q is GuessedQuantity.Length or GuessedQuantity.Carry ? NumberRange.Positive : NumberRange.Signed;

    private static FlowSides? SidesOf(GuessedQuantity q) =>
        q switch
        {
            GuessedQuantity.Slope or GuessedQuantity.AimPoint => new("left", "right"),
            GuessedQuantity.Rise => new("down", "up"),
            _ => null,
        };

    private string UnitOf(GuessedQuantity q) => q == GuessedQuantity.Carry ? CarryUnit.Sign() : Kinds[q].Unit;

    private static bool IsSigned(GuessedQuantity q) => RangeOf(q) == NumberRange.Signed;

    private static string WrongSide(GuessedQuantity q) => $"wrongSide{q}";

    /// <summary>The side that was guessed: 1, −1, or 0 for neither.</summary>
    private static string Side(GuessedQuantity q) => $"_side{q}";

    private static string Difference(GuessedQuantity q) => $"difference{q}";

    /// <summary>The guess, and while it is measured what is left of it.</summary>
    private static string Guessed(GuessedQuantity q) => $"_guess{q}";
}
