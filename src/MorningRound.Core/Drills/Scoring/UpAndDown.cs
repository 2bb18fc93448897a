using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A place to drop a ball: how it lies, and the strokes it should take to hole it from there.</summary>
public sealed record UpAndDownStation
{
    /// <summary>How it lies, and how far from the hole: "tight lie, 12 paces".</summary>
    public required string Lie { get; init; }

    /// <summary>2 or 3.</summary>
    public int Par { get; init; } = 2;
}

/// <summary>
/// Stations around a green, each played until the ball is in the hole. The result is the strokes against par, then how many
/// stations were saved: holed in par or better.
/// </summary>
public sealed record UpAndDown : ScoringProtocol
{
    /// <summary>More strokes than these are not counted: the ball is picked up.</summary>
    private const int MostStrokes = 6;

    /// <summary>The stations, in the order in which they are played.</summary>
    public required IReadOnlyList<UpAndDownStation> Stations { get; init; }

    /// <summary>How often they are gone round.</summary>
    public int Rounds { get; init; } = 1;

    /// <inheritdoc/>
    public override string Title => "Up and down";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <summary>Par, and a stroke more at every second station.</summary>
    public override int? OwnStrokes => Rounds * (Stations.Sum(s => s.Par) + ((Stations.Count + 1) / 2));

    /// <inheritdoc/>
    public override int? PlannedAttempts => Stations.Count * Rounds;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("toPar", "strokes against par", "", Better.Lower), new("saves", "saved", "", Better.Higher)];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "saves" ? Chances.AtLeast((int)Math.Ceiling(goal.Limit), Stations.Count * Rounds, share) : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Stations.Count is >= 2 and <= 9, $"{path}.stations", "Between 2 and 9 stations, please.")
            .RequireBetween(Rounds, 1, 4, $"{path}.rounds", "times round");
        for (var i = 0; i < Stations.Count; i++)
            errors
                .RequireText(Stations[i].Lie, $"{path}.stations[{i}].lie", LongestLabel)
                .RequireBetween(Stations[i].Par, 2, 3, $"{path}.stations[{i}].par", "as par");
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("toPar", "saves", "stations")
            .Display(
                $"{{0}} against par after {{1}} of {PlannedAttempts}, {{2}} saved",
                Flow.Value("toPar"),
                Flow.Value("stations"),
                Flow.Value("saves")
            );
        for (var i = 0; i < Stations.Count; i++)
        {
            var station = Stations[i];
            int? last = i == Stations.Count - 1 ? PlannedAttempts - 1 : null;
            var next = $"station{(i + 1) % Stations.Count}";
            flow.State(
                    $"station{i}",
                    $"{station.Lie}, par {station.Par}. Strokes until it was holed?",
                    new FlowQuestionChoice([.. Enumerable.Range(1, MostStrokes).Select(Option)]),
                    [
                        .. Enumerable
                            .Range(1, MostStrokes)
                            .Select(strokes =>
                                Flow.DoneUntil(
                                    Flow.Choice($"{strokes}"),
                                    "stations",
                                    last,
                                    [
                                        Flow.Add("stations"),
                                        Flow.Add("toPar", strokes - station.Par),
                                        .. strokes <= station.Par ? [Flow.Add("saves")] : Array.Empty<FlowEffect>(),
                                    ],
                                    next
                                )
                            ),
                    ]
                )
                .At(i);
        }

        return flow.Build();

        static FlowOption Option(int strokes) =>
            new($"{strokes}", strokes == MostStrokes ? "6, or picked up" : strokes.ToString(Written.Culture));
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        string[] answers = [.. Enumerable.Range(1, MostStrokes).Select(n => n.ToString(Written.Culture))];
        for (var round = 0; round < Rounds; round++)
        {
            foreach (var station in Stations)
            {
                var ask = new ScorerQuestionChoice(answers);
                yield return ask;
                var strokes = Array.IndexOf(answers, ask.Answer) + 1;
                tally["stations"]++;
                tally["toPar"] += strokes - station.Par;
                if (strokes <= station.Par)
                    tally["saves"]++;
                tally.EndAttempt();
            }
        }
    }

    private protected override (string Count, string Of)? Successes => ("saves", "stations");

    private protected override double? Value(string measure, Tally tally) => tally[measure];

    private protected override Message Say(Tally tally) =>
        (
            tally["toPar"] switch
            {
                0 => DrillSentences.SavedLevel,
                < 0 => DrillSentences.SavedUnder,
                _ => DrillSentences.SavedOver,
            }
        ).Of(tally["saves"], tally["stations"], Math.Abs(tally["toPar"]));
}
