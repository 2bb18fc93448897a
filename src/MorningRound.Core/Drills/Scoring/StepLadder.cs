using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// Long putts that climb: one ball, a new hole each time. Holed or two putts, and the next step is longer; three or more, and
/// it starts again at the bottom. Ends when the top step is passed, after so many climbs, or by time. The length left for the
/// second putt is kept.
/// </summary>
public sealed record StepLadder : ScoringProtocol
{
    /// <summary>The lowest step, in whole units.</summary>
    public int Start { get; init; } = 10;

    /// <summary>How much longer each step is.</summary>
    public int Step { get; init; } = 3;

    /// <summary>No step is longer than this.</summary>
    public int Top { get; init; } = 40;

    /// <summary>A climb is a start from the bottom, an unfinished one included.</summary>
    public int Climbs { get; init; } = 5;

    /// <summary>Feet or metres.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Feet;

    /// <inheritdoc/>
    public override string Title => "Step ladder";

    /// <inheritdoc/>
    public override int? PlannedAttempts => null;

    /// <summary>The steps from the bottom to the top: with a start of 12 and a step of 4, 12, 16, 20 …</summary>
    public IReadOnlyList<int> Steps() => [.. Enumerable.Range(0, ((Top - Start) / Step) + 1).Select(i => Start + (i * Step))];

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds =>
        [
            new("furthest", "furthest step passed", Unit.Sign(), Better.Higher),
            new("climbs", "climbs", "", Better.Lower),
            new("left", "left for the second putt, on average", Unit.Sign(), Better.None, 1),
        ];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() => Start + Step <= Top - Step ? this with { Start = Start + Step } : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() => Start > Step ? this with { Start = Start - Step } : null;

    /// <summary>Whoever thinks in metres climbs in whole metres.</summary>
    public override ScoringProtocol For(PlayerNumbers player)
    {
        if (Unit != LengthUnit.Feet || player.Unit != LengthUnit.Metres)
            return this;
        int Metres(int feet, int least) => Math.Max(least, (int)Math.Round(feet * 0.3048, MidpointRounding.AwayFromZero));
        var start = Metres(Start, 2);
        return this with
        {
            Unit = LengthUnit.Metres,
            Start = start,
            Step = Metres(Step, 1),
            Top = Math.Max(start, Metres(Top, 2)),
        };
    }

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share)
    {
        if (goal.Measure != "furthest")
            return null;
        var steps = Steps().Count(step => step <= goal.Limit);
        return 1 - Math.Pow(1 - Math.Pow(share, steps), Climbs);
    }

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .RequireBetween(Start, 2, 60, $"{path}.start", Unit.Sign())
            .RequireBetween(Step, 1, 10, $"{path}.step", Unit.Sign())
            .RequireBetween(Top, Start, 100, $"{path}.top", Unit.Sign())
            .RequireBetween(Climbs, 1, 20, $"{path}.climbs", "climbs")
            .RequireUnit(Unit, $"{path}.unit", LengthUnit.Feet, LengthUnit.Metres);

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var steps = Steps();
        var flow = new FlowBuilder()
            .Registers("furthest", "climbs", "left", "lefts")
            .Display($"furthest {{0}} {Unit.Sign()}, climb {{1}} of {Climbs}", Flow.Value("furthest"), Flow.Value("climbs"))
            .Display($"left for the second putt: {{0}} {Unit.Sign()} on average", Flow.Mean("left", "lefts", 1));
        for (var i = 0; i < steps.Count; i++)
        {
            FlowEffect[] begins = i == 0 ? [Flow.Add("climbs")] : [];
            FlowEffect[] passes = [PassAt(steps[i])];
            FlowEffect[] keeps = [Flow.AddInput("left"), Flow.Add("lefts")];
            var up = i + 1 < steps.Count ? $"putt{i + 1}" : null;
            var left = NumberRange.Positive.Asked("Left for the second putt", Unit.Sign());
            flow.State(
                    $"putt{i}",
                    $"{steps[i]} {Unit.Sign()}, a new hole. How many putts?",
                    new FlowQuestionChoice([
                        new FlowOption("1", "Holed"),
                        new FlowOption("2", "Two putts"),
                        new FlowOption("3", "Three or more"),
                    ]),
                    Flow.Done(Flow.Choice("1"), [.. begins, .. passes], up),
                    Flow.Part(Flow.Choice("2"), begins, $"twoPutts{i}"),
                    Flow.Part(Flow.Choice("3"), begins, $"threePutts{i}")
                )
                .At(i, distance: steps[i])
                .State($"twoPutts{i}", "How far was the second putt?", left, Flow.Done(Flow.Always, [.. keeps, .. passes], up))
                .At(i, step: FlowStep.Measure, distance: steps[i])
                .State(
                    $"threePutts{i}",
                    "How far was the second putt?",
                    left,
                    Flow.DoneUntil(Flow.Always, "climbs", Climbs, keeps, "putt0")
                )
                .At(i, step: FlowStep.Measure, distance: steps[i]);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        var distance = Start;
        while (true)
        {
            var putts = new ScorerQuestionChoice("1", "2", "3");
            yield return putts;
            if (distance == Start)
                tally["climbs"]++;
            if (putts.Answer != "1")
            {
                var left = new ScorerQuestionNumber(NumberRange.Positive);
                yield return left;
                tally["left"] += left.Answer;
                tally["lefts"]++;
            }

            tally.EndAttempt();
            if (putts.Answer == "3")
            {
                if (tally["climbs"] == Climbs)
                    yield break;
                distance = Start;
                continue;
            }

            tally.Raise("furthest", distance);
            distance += Step;
            if (distance > Top)
                yield break;
        }
    }

    private protected override double? Value(string measure, Tally tally) =>
        measure == "left"
            ? tally["lefts"] == 0
                ? null
                : tally["left"] / 10.0 / tally["lefts"]
            : tally[measure];

    private protected override Message Say(Tally tally)
    {
        var (climbs, furthest, left) = (DrillSentences.Climbs.Of(tally["climbs"]), tally["furthest"], Value("left", tally));
        return (furthest, left) switch
        {
            (0, null) => DrillSentences.NoStep.Of(climbs),
            (0, { } mean) => DrillSentences.NoStepLeft.Of(climbs, mean, Unit.Sign()),
            (_, null) => DrillSentences.Furthest.Of(furthest, Unit.Sign(), climbs),
            (_, { } mean) => DrillSentences.FurthestLeft.Of(furthest, Unit.Sign(), climbs, mean),
        };
    }

    private static FlowEffect PassAt(int distance) =>
        new()
        {
            Register = "furthest",
            Do = FlowChange.Max,
            Kind = FlowOperand.Constant,
            Number = distance,
        };
}
