using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>One step: something done for some seconds, or a number of times.</summary>
public sealed record TimedStep
{
    /// <summary>What is done.</summary>
    public required string Label { get; init; }

    /// <summary>None for a counted step.</summary>
    public int? Seconds { get; init; }

    /// <summary>How often, for a counted step; null for a timed one.</summary>
    public int? Times { get; init; }
}

/// <summary>Steps in order, timed or counted, the whole once or several times: stretching, breathing.</summary>
public sealed record TimedSteps : ScoringProtocol
{
    private const int MostSteps = 24;

    /// <summary>The steps, in order.</summary>
    public required IReadOnlyList<TimedStep> Steps { get; init; }

    /// <summary>How often they are gone through.</summary>
    public int Cycles { get; init; } = 1;

    /// <summary>In 4, hold 4, out 4, hold 4, three times over: 48 seconds. Common practice, no source.</summary>
    public static TimedSteps BoxBreathing { get; } =
        new()
        {
            Steps =
            [
                new TimedStep { Label = "Breathe in", Seconds = 4 },
                new TimedStep { Label = "Hold", Seconds = 4 },
                new TimedStep { Label = "Breathe out", Seconds = 4 },
                new TimedStep { Label = "Hold", Seconds = 4 },
            ],
            Cycles = 3,
        };

    /// <summary>How long the timed steps take, over all cycles.</summary>
    public int Seconds() => Cycles * Steps.Sum(s => s.Seconds ?? 0);

    /// <inheritdoc/>
    public override string Title => "Timed or counted steps";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <summary>Steps are no strokes.</summary>
    public override int? OwnStrokes => null;

    /// <inheritdoc/>
    public override int? PlannedAttempts => Steps.Count * Cycles;

    /// <inheritdoc/>
    public override int AttemptsEach => Steps.Count;

    /// <summary>Fewer times over; steps that are gone through once stay whole.</summary>
    public override ScoringProtocol? WithCount(int attempts) =>
        Cycles == 1 ? null : this with { Cycles = Math.Max(1, attempts / Steps.Count) };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } = [new("steps", "steps done", "", Better.None)];

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Steps.Count is >= 1 and <= MostSteps, $"{path}.steps", $"Between 1 and {MostSteps} steps, please.")
            .RequireBetween(Cycles, 1, 20, $"{path}.cycles", "times over");
        for (var i = 0; i < Steps.Count; i++)
        {
            var (step, at) = (Steps[i], $"{path}.steps[{i}]");
            errors
                .RequireText(step.Label, $"{at}.label", LongestLabel)
                .Require(
                    step.Seconds is null != step.Times is null,
                    $"{at}.seconds",
                    "A step has seconds or a count, and not both."
                );
            if (step.Seconds is { } seconds)
                errors.RequireBetween(seconds, 1, 600, $"{at}.seconds", "seconds");
            if (step.Times is { } times)
                errors.RequireBetween(times, 1, 100, $"{at}.times", "times");
        }
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("steps")
            .CountedInRounds(Steps.Count * Cycles, Steps.Count)
            .Display("{0} of {1} steps", Flow.Value("steps"), Flow.Count);
        for (var i = 0; i < Steps.Count; i++)
        {
            var step = Steps[i];
            FlowQuestion ask = step.Seconds is { } seconds ? new FlowQuestionTimer(seconds) : new FlowQuestionTap("Did it");
            var prompt = step.Times is { } times ? $"{step.Label}, {times} times" : step.Label;
            // Only the last step of a cycle can be the last of all.
            flow.State(
                    $"step{i}",
                    prompt,
                    ask,
                    i == Steps.Count - 1
                        ? Flow.DoneWhenCounted(Flow.Always, [Flow.Add("steps")], "step0")
                        : Flow.Done(Flow.Always, [Flow.Add("steps")], $"step{i + 1}")
                )
                .At(i);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        for (var cycle = 0; cycle < Cycles; cycle++)
        {
            foreach (var step in Steps)
            {
                yield return step.Seconds is null ? new ScorerQuestionTap() : new ScorerQuestionTimer();
                tally["steps"]++;
                tally.EndAttempt();
            }
        }
    }

    private protected override double? Value(string measure, Tally tally) => tally["steps"];

    private protected override Message Say(Tally tally) => DrillSentences.Steps.Of(tally["steps"], PlannedAttempts ?? 0);
}
