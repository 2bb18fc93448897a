using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Counts repetitions, and nothing about how they went. For warm-up and technique.</summary>
public sealed record Repetitions : ScoringProtocol
{
    /// <summary>How many; null where the segment's exit rule decides.</summary>
    public int? Count { get; init; }

    /// <inheritdoc/>
    public override string Title => "Repetitions";

    /// <inheritdoc/>
    public override CountBy CountBy => Count is null ? CountBy.ExitRule : CountBy.Segment;

    /// <inheritdoc/>
    public override ScoringProtocol FittedTo(int attempts) =>
        Count is null ? this : this with { Count = Math.Clamp(attempts, 1, MostAttempts) };

    /// <inheritdoc/>
    public override int? PlannedAttempts => Count;

    /// <inheritdoc/>
    public override ScoringProtocol? WithCount(int attempts) => Count is null ? null : this with { Count = attempts };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } = [new("count", "repetitions", "", Better.None)];

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        if (Count is { } count)
            errors.RequireBetween(count, 1, MostAttempts, $"{path}.count", "repetitions");
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder().Registers("count");
        FlowEffect[] repeated = [Flow.Add("count")];
        return Count is { } count
            ? flow.Counted(count)
                .Display("{0} of {1}", Flow.Value("count"), Flow.Count)
                .State(
                    "repeat",
                    "One more",
                    new FlowQuestionTap("Did one"),
                    Flow.DoneWhenCounted(Flow.Always, repeated, "repeat")
                )
                .Build()
            : flow.Display("{0} done", Flow.Value("count"))
                .State("repeat", "One more", new FlowQuestionTap("Did one"), Flow.Done(Flow.Always, repeated, "repeat"))
                .Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        while (tally["count"] < (Count ?? int.MaxValue))
        {
            yield return new ScorerQuestionTap();
            tally["count"]++;
            tally.EndAttempt();
        }
    }

    private protected override double? Value(string measure, Tally tally) => tally["count"];

    private protected override Message Say(Tally tally) => DrillSentences.Rate.Of(DrillSentences.Repetitions.Of(tally["count"]));
}
