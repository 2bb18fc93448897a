using MorningRound.Core.Drills.Flows;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// Scenarios in the student's own words (the situation, how I want to be), box breathing, the walk-in with the routine, one putt:
/// made or not, and a rating of having behaved as intended.
/// </summary>
public sealed record RehearsedScenario : ScoringProtocol
{
    /// <summary>How many scenarios, one putt each.</summary>
    public int Scenarios { get; init; } = 3;

    public override string Title => "Rehearsed scenario";

    public override int? PlannedAttempts => Scenarios;

    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [
        new("made", "holed", "", Better.Higher),
        new("behaved", "behaved as intended, on average", "", Better.Higher, 1),
    ];

    protected override void Check(FieldErrors errors, string path) => errors.RequireBetween(Scenarios, 1, 10, $"{path}.scenarios", "scenarios");

    protected override AttemptFlow CompileWith(ulong seed) => new FlowBuilder().Registers("made", "behaved", "putts")
        .Display($"{{0}} holed of {{1}}, {Scenarios} in all", Flow.Value("made"), Flow.Value("putts"))
        .Display("behaved as intended: {0} on average", Flow.Mean("behaved", "putts", 1))
        .State("write", "The situation, and how you want to be in it", new AskText(DrillInput.LongestText), Flow.Part(Flow.Always, [], "breathe"))
        .State("breathe", "Breathe: in 4, hold 4, out 4, hold 4, three times", new RunTimer(TimedSteps.BoxBreathing.Seconds()), Flow.Part(Flow.Always, [], "walkIn"))
        .State("walkIn", "Walk in with your whole routine, and putt", new AskTap("Putted"), Flow.Part(Flow.Always, [], "putt"))
        .State("putt", "Was it holed?", Flow.MadeOrMissed,
            Flow.Part(Flow.Choice("made"), [], "holed"),
            Flow.Part(Flow.Choice("missed"), [], "left"))
        .State("holed", Behaved, NumberRange.Rating.Asked("As intended", ""), Rated([Flow.Add("made")]))
        .State("left", Behaved, NumberRange.Rating.Asked("As intended", ""), Rated([]))
        .Build();

    private protected override IEnumerable<Ask> Play(ulong seed, Tally tally)
    {
        for (var scenario = 0; scenario < Scenarios; scenario++)
        {
            yield return new AskedText();
            yield return new AskedTimer();
            yield return new AskedTap();
            var putt = new AskedChoice("made", "missed");
            yield return putt;
            var rating = new AskedNumber(NumberRange.Rating);
            yield return rating;
            tally["putts"]++;
            tally["behaved"] += rating.Answer;
            if (putt.Answer == "made") tally["made"]++;
            tally.EndAttempt();
        }
    }

    private protected override double? Value(string measure, Tally tally) =>
        measure == "made" ? tally["made"] : tally["behaved"] / 10.0 / tally["putts"];

    private protected override string InWords(Tally tally) =>
        $"{tally["made"]} of {tally["putts"]} holed; behaved as intended {Written.Number(Value("behaved", tally)!.Value, 1)} of 10 on average.";

    private const string Behaved = "Did you behave as you wanted to? 1 not at all, 10 wholly";

    private IEnumerable<FlowTransition> Rated(FlowEffect[] counts) =>
        Flow.DoneUntil(Flow.Always, "putts", Scenarios - 1, [.. counts, Flow.AddInput("behaved"), Flow.Add("putts")], "write");
}
