using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A fixed number of attempts, each made or missed.</summary>
public sealed record MakeRate : ScoringProtocol
{
    /// <summary>How many, 1 to 300.</summary>
    public required int Attempts { get; init; }

    /// <summary>What a make is: "inside the fairway you named".</summary>
    public required string Make { get; init; }

    /// <inheritdoc/>
    public override string Title => "Make rate";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Segment;

    /// <inheritdoc/>
    public override ScoringProtocol FittedTo(int attempts) => this with { Attempts = Math.Clamp(attempts, 1, MostAttempts) };

    /// <inheritdoc/>
    public override int? PlannedAttempts => Attempts;

    /// <inheritdoc/>
    public override ScoringProtocol WithCount(int attempts) => this with { Attempts = attempts };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("share", "share made", "%", Better.Higher), new("made", "made", "", Better.Higher)];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "made"
            ? Chances.AtLeast((int)Math.Ceiling(goal.Limit), Attempts, share)
            : Chances.AtLeastPercent(goal.Limit, Attempts, share);

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .RequireBetween(Attempts, 1, MostAttempts, $"{path}.attempts", "attempts")
            .RequireText(Make, $"{path}.make", LongestLabel);

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed) =>
        new FlowBuilder()
            .Registers("made", "attempts")
            .Counted(Attempts)
            .Display("{0} made, {1} of {2} attempts", Flow.Value("made"), Flow.Value("attempts"), Flow.Count)
            .State(
                "attempt",
                Make,
                Flow.MadeOrMissed,
                Flow.DoneWhenCounted(Flow.Choice("made"), [Flow.Add("made"), Flow.Add("attempts")], "attempt"),
                Flow.DoneWhenCounted(Flow.Choice("missed"), [Flow.Add("attempts")], "attempt")
            )
            .Build();

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        for (var attempt = 0; attempt < Attempts; attempt++)
        {
            var ask = new ScorerQuestionChoice("made", "missed");
            yield return ask;
            tally["attempts"]++;
            if (ask.Answer == "made")
                tally["made"]++;
            tally.EndAttempt();
        }
    }

    private protected override (string Count, string Of)? Successes => ("made", "attempts");

    private protected override double? Value(string measure, Tally tally) =>
        measure == "made" ? tally["made"] : 100.0 * tally["made"] / tally["attempts"];

    private protected override Message Say(Tally tally) => DrillSentences.Rate.Of(Rate.InWords(tally["made"], tally["attempts"]));
}
