using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// A number of makes in a row. A miss takes the count back to zero; it ends when the length is reached, or at a cap of attempts.
/// </summary>
public sealed record Streak : ScoringProtocol
{
    private static readonly int[] Lengths = [2, 3, 5, 7, 10, 15, 20, 30, 50];

    /// <summary>The run asked for. It may go down on purpose in a lighter week.</summary>
    public required int Length { get; init; }

    /// <summary>
    /// Attempts after which it ends all the same: twenty in a row take 165 attempts at 85 %, and 4,174 at 70 %. Null leaves it to
    /// the segment's balls; in a segment there is always one.
    /// </summary>
    public int? Cap { get; init; }

    /// <summary>What a make is.</summary>
    public string Make { get; init; } = "Holed";

    /// <inheritdoc/>
    public override string Title => "Streak";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Cap;

    /// <summary>The cap is no more than the attempts there are, and never less than the length asked.</summary>
    public override ScoringProtocol FittedTo(int attempts) =>
        this with
        {
            Cap = Math.Max(Length, Math.Min(Cap ?? MostAttempts, attempts)),
        };

    /// <inheritdoc/>
    public override int? PlannedAttempts => null;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("best", "best run", "", Better.Higher), new("attempts", "attempts used", "", Better.Lower)];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() =>
        Lengths.FirstOrDefault(l => l > Length) is var next and > 0 ? this with { Length = next, Cap = CapFor(next) } : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() =>
        Lengths.LastOrDefault(l => l < Length) is var next and > 0 ? this with { Length = next } : null;

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "best" && Cap is { } cap && goal.Limit <= Length
            ? Chances.Run((int)Math.Ceiling(goal.Limit), cap, share)
            : null;

    /// <summary>
    /// The attempts that a run takes on average without a cap: (1 − pⁿ) ÷ ((1 − p) pⁿ), so 165 for 20 at 85 %. A fact of
    /// probability; see Feller, An Introduction to Probability Theory and Its Applications, volume 1, XIII.7.
    /// </summary>
    /// <param name="length">The run asked for, at least one.</param>
    /// <param name="share">The share of attempts that succeed, above 0 and below 1.</param>
    public static double ExpectedAttempts(int length, double share)
    {
        var all = Math.Pow(share, length);
        return (1 - all) / ((1 - share) * all);
    }

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors.RequireBetween(Length, 2, 100, $"{path}.length", "in a row").RequireText(Make, $"{path}.make", LongestLabel);
        if (Cap is { } cap)
            errors.RequireBetween(cap, Length, MostAttempts, $"{path}.cap", "attempts");
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        FlowEffect[] made = [Flow.Add("attempts"), Flow.Add("run"), Flow.Max("best", "run")];
        return new FlowBuilder()
            .Registers("run", "best", "attempts")
            .Display($"run {{0}} of {Length}, best {{1}}", Flow.Value("run"), Flow.Value("best"))
            .Display(Cap is { } cap ? $"{{0}} of at most {cap}" : "{0} attempts", Flow.Value("attempts"))
            .State(
                "attempt",
                Make,
                Flow.MadeOrMissed,
                Flow.Done(Flow.Choice("made").And("run", Length - 1), made, null),
                Flow.DoneUntil(Flow.Choice("made"), "attempts", Cap - 1, made, "attempt"),
                Flow.DoneUntil(Flow.Choice("missed"), "attempts", Cap - 1, [Flow.Add("attempts"), Flow.Set("run", 0)], "attempt")
            )
            .Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        while (tally["run"] < Length && tally["attempts"] < (Cap ?? int.MaxValue))
        {
            var ask = new ScorerQuestionChoice("made", "missed");
            yield return ask;
            tally["attempts"]++;
            tally["run"] = ask.Answer == "made" ? tally["run"] + 1 : 0;
            tally.Raise("best", tally["run"]);
            tally.EndAttempt();
        }
    }

    private protected override double? Value(string measure, Tally tally) => tally[measure];

    private protected override Message Say(Tally tally)
    {
        var attempts = DrillSentences.Attempts.Of(tally["attempts"]);
        return tally["best"] >= Length
            ? DrillSentences.StreakDone.Of(Length, attempts)
            : DrillSentences.BestRun.Of(tally["best"], Length, attempts);
    }

    private int? CapFor(int length) => Cap is null ? null : Math.Max(Cap.Value, length);
}
