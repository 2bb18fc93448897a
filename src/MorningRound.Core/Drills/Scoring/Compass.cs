using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>One putt from each of several distances at each of several points around the hole, near ones first.</summary>
public sealed record Compass : ScoringProtocol
{
    private const int Farthest = 15;

    /// <summary>Whole distances, near to far.</summary>
    public IReadOnlyList<int> Distances { get; init; } = [2, 3, 4, 5, 6, 7];

    /// <summary>Points around the hole, evenly spread; the first is the one below it.</summary>
    public int Points { get; init; } = 4;

    /// <summary>Feet or metres.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Feet;

    /// <inheritdoc/>
    public override string Title => "Compass";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <inheritdoc/>
    public override int? PlannedAttempts => Distances.Count * Points;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds =>
        [
            new("made", "holed", "", Better.Higher),
            .. Distances.Select(d => new MeasureKind(MadeAt(d), $"holed from {d} {Unit.Sign()}", "", Better.Higher)),
        ];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() =>
        Distances[^1] < Farthest ? this with { Distances = [.. Distances.Select(d => d + 1)] } : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() =>
        Distances[0] > 1 ? this with { Distances = [.. Distances.Select(d => d - 1)] } : null;

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        Chances.AtLeast((int)Math.Ceiling(goal.Limit), goal.Measure == "made" ? Distances.Count * Points : Points, share);

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .RequireDistances(Distances, 60, $"{path}.distances")
            .RequireBetween(Points, 2, 12, $"{path}.points", "points")
            .Require(Distances.Count * Points <= 120, $"{path}.points", "At most 120 putts, please.")
            .RequireUnit(Unit, $"{path}.unit", LengthUnit.Feet, LengthUnit.Metres);

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers(["made", "attempts", .. Distances.Select(MadeAt)])
            .Display($"{{0}} holed of {{1}}, {PlannedAttempts} in all", Flow.Value("made"), Flow.Value("attempts"));
        var putts = Distances.SelectMany(d => Enumerable.Range(0, Points).Select(point => (d, point))).ToList();
        for (var i = 0; i < putts.Count; i++)
        {
            var (distance, point) = putts[i];
            var next = i + 1 < putts.Count ? $"putt{i + 1}" : null;
            flow.State(
                    $"putt{i}",
                    $"{distance} {Unit.Sign()}, {Oclock(point)} o’clock",
                    Flow.MadeOrMissed,
                    Flow.Done(Flow.Choice("made"), [Flow.Add("made"), Flow.Add("attempts"), Flow.Add(MadeAt(distance))], next),
                    Flow.Done(Flow.Choice("missed"), [Flow.Add("attempts")], next)
                )
                .At(i, hour: Oclock(point), distance: distance);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        foreach (var distance in Distances)
        {
            for (var point = 0; point < Points; point++)
            {
                var ask = new ScorerQuestionChoice("made", "missed");
                yield return ask;
                tally["attempts"]++;
                if (ask.Answer == "made")
                {
                    tally["made"]++;
                    tally[MadeAt(distance)]++;
                }

                tally.EndAttempt();
            }
        }
    }

    private protected override (string Count, string Of)? Successes => ("made", "attempts");

    private protected override double? Value(string measure, Tally tally) => tally[measure];

    private protected override Message Say(Tally tally) =>
        DrillSentences.RateByDistance.Of(
            Statistics.Rate.InWords(tally["made"], tally["attempts"]),
            new MessageList(
                ", ",
                [
                    .. Distances
                        .Take((tally["attempts"] + Points - 1) / Points)
                        .Select(d => DrillSentences.HoledFrom.Of(d, Unit.Sign(), tally[MadeAt(d)])),
                ]
            )
        );

    private static string MadeAt(int distance) => $"made{distance}";

    private int Oclock(int point) =>
        (6 + (int)Math.Round(12.0 * point / Points, MidpointRounding.AwayFromZero)) % 12 is var hour and > 0 ? hour : 12;
}
