using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Plans;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// Scenarios in the student's own words (the situation, how I want to be), box breathing, the walk-in with the routine, one putt:
/// made or not, and a rating of having behaved as intended.
/// </summary>
public sealed record RehearsedScenario : ScoringProtocol
{
    /// <summary>How many scenarios, one putt each.</summary>
    public int Scenarios { get; init; } = 3;

    /// <inheritdoc/>
    public override string Title => "Rehearsed scenario";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <inheritdoc/>
    public override int? PlannedAttempts => Scenarios;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("made", "holed", "", Better.Higher), new("behaved", "behaved as intended, on average", "", Better.Higher, 1)];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "made" ? Chances.AtLeast((int)Math.Ceiling(goal.Limit), Scenarios, share) : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors.RequireBetween(Scenarios, 1, 10, $"{path}.scenarios", "scenarios");

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed) =>
        new FlowBuilder()
            .Registers("made", "behaved", "putts")
            .Display($"{{0}} holed of {{1}}, {Scenarios} in all", Flow.Value("made"), Flow.Value("putts"))
            .Display("behaved as intended: {0} on average", Flow.Mean("behaved", "putts", 1))
            .State(
                "write",
                "The situation, and how you want to be in it",
                new FlowQuestionText(DrillInput.LongestText),
                Flow.Part(Flow.Always, [], "breathe")
            )
            .At(0, step: FlowStep.Write)
            .State(
                "breathe",
                "Breathe: in 4, hold 4, out 4, hold 4, three times",
                new FlowQuestionTimer(TimedSteps.BoxBreathing.Seconds()),
                Flow.Part(Flow.Always, [], "walkIn")
            )
            .At(0, step: FlowStep.Breathe)
            .State(
                "walkIn",
                "Walk in with your whole routine, and putt",
                new FlowQuestionTap("Putted"),
                Flow.Part(Flow.Always, [], "putt")
            )
            .At(0, step: FlowStep.WalkIn)
            .State(
                "putt",
                "Was it holed?",
                Flow.MadeOrMissed,
                Flow.Part(Flow.Choice("made"), [], "holed"),
                Flow.Part(Flow.Choice("missed"), [], "left")
            )
            .At(0, step: FlowStep.Putt)
            .State("holed", Behaved, NumberRange.Rating.Asked("As intended", ""), Rated([Flow.Add("made")]))
            .At(0, step: FlowStep.Judge)
            .State("left", Behaved, NumberRange.Rating.Asked("As intended", ""), Rated([]))
            .At(0, step: FlowStep.Judge)
            .Build();

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        for (var scenario = 0; scenario < Scenarios; scenario++)
        {
            yield return new ScorerQuestionText();
            yield return new ScorerQuestionTimer();
            yield return new ScorerQuestionTap();
            var putt = new ScorerQuestionChoice("made", "missed");
            yield return putt;
            var rating = new ScorerQuestionNumber(NumberRange.Rating);
            yield return rating;
            tally["putts"]++;
            tally["behaved"] += rating.Answer;
            if (putt.Answer == "made")
                tally["made"]++;
            tally.EndAttempt();
        }
    }

    private protected override (string Count, string Of)? Successes => ("made", "putts");

    private protected override double? Value(string measure, Tally tally) =>
        measure == "made" ? tally["made"] : tally["behaved"] / 10.0 / tally["putts"];

    private protected override Message Say(Tally tally) =>
        DrillSentences.Behaved.Of(tally["made"], tally["putts"], Value("behaved", tally)!.Value);

    private const string Behaved = "Did you behave as you wanted to? 1 not at all, 10 wholly";

    private IEnumerable<FlowTransition> Rated(FlowEffect[] counts) =>
        Flow.DoneUntil(Flow.Always, "putts", Scenarios - 1, [.. counts, Flow.AddInput("behaved"), Flow.Add("putts")], "write");
}
