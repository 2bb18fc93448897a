using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A station: a club and how the ball lies.</summary>
public sealed record ProximityStation
{
    /// <summary>The club played from there.</summary>
    public required Club Club { get; init; }

    /// <summary>How the ball lies; empty where that does not matter.</summary>
    public string Lie { get; init; } = "";
}

/// <summary>
/// Stations of different club and lie around one hole, and a circle by its radius. All stations inside, and the circle gets
/// smaller; otherwise the same level again. Three failed tries at one level, or the last level, end it.
/// </summary>
public sealed record ProximityLevels : ScoringProtocol
{
    private const int MostTries = 3;

    /// <summary>The stations, in the order in which they are played.</summary>
    public required IReadOnlyList<ProximityStation> Stations { get; init; }

    /// <summary>The radius of each level's circle in whole feet, the widest first.</summary>
    public IReadOnlyList<int> RadiiFeet { get; init; } = [12, 9, 6, 4];

    /// <inheritdoc/>
    public override string Title => "Proximity levels";

    /// <inheritdoc/>
    public override int? PlannedAttempts => null;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("passed", "levels passed", "", Better.Higher), new("mean", "mean distance from the hole", "ft", Better.Lower, 1)];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() =>
        RadiiFeet[^1] > 2 ? this with { RadiiFeet = [.. RadiiFeet.Select(r => r - 1)] } : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() =>
        RadiiFeet[0] < 30 ? this with { RadiiFeet = [.. RadiiFeet.Select(r => r + 1)] } : null;

    /// <summary>A club that is not in the bag is replaced by the nearest one that is, the putter apart.</summary>
    public override ScoringProtocol For(PlayerNumbers player) =>
        this with
        {
            Stations =
            [
                .. Stations.Select(s =>
                    player.Has(s.Club)
                        ? s
                        : s with
                        {
                            Club = player
                                .Bag.Select(b => b.Club)
                                .Where(c => c != Club.Putter)
                                .OrderBy(c => Math.Abs((int)c - (int)s.Club))
                                .FirstOrDefault(s.Club),
                        }
                ),
            ],
        };

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share)
    {
        if (goal.Measure != "passed" || goal.Limit > RadiiFeet.Count)
            return null;
        var level = 1 - Math.Pow(1 - Math.Pow(share, Stations.Count), MostTries);
        return Math.Pow(level, Math.Ceiling(goal.Limit));
    }

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Stations.Count is >= 1 and <= 8, $"{path}.stations", "Between 1 and 8 stations, please.")
            .Require(
                RadiiFeet.Count is >= 1 and <= 8 && RadiiFeet.All(r => r is >= 1 and <= 60),
                $"{path}.radiiFeet",
                "Between 1 and 8 levels of 1 to 60 feet, please."
            )
            .Require(
                RadiiFeet.Zip(RadiiFeet.Skip(1)).All(p => p.First > p.Second),
                $"{path}.radiiFeet",
                "Each circle is smaller than the one before."
            );
        for (var i = 0; i < Stations.Count; i++)
            errors.AllowText(Stations[i].Lie, $"{path}.stations[{i}].lie", LongestLabel);
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("_in", "_failed", "passed", "balls", "sum")
            .Display($"{{0}} of {RadiiFeet.Count} levels passed", Flow.Value("passed"))
            .Display("{0} ft from the hole on average", Flow.Mean("sum", "balls", 1));
        for (var level = 0; level < RadiiFeet.Count; level++)
        {
            for (var station = 0; station < Stations.Count; station++)
            {
                var (radius, isLast) = (RadiiFeet[level], station == Stations.Count - 1);
                var inside = Flow.Number(NumberRange.Positive.Least, radius * 10);
                FlowEffect[] ball = [Flow.Add("balls"), Flow.AddInput("sum")];
                FlowEffect[] again = Stations.Count > 1 ? [Flow.Set("_in", 0)] : [];
                var next = level + 1 < RadiiFeet.Count ? State(level + 1, 0) : null;
                FlowEffect[] fresh = next is null ? [] : [.. again, Flow.Set("_failed", 0)];
                flow.State(
                        State(level, station),
                        $"Level {level + 1}, circle of {radius} ft: {Named(Stations[station])}",
                        NumberRange.Positive.Asked("From the hole", "ft"),
                        isLast
                            ?
                            [
                                .. Flow.Done(
                                    Stations.Count > 1 ? inside.And("_in", Stations.Count - 1) : inside,
                                    [.. ball, Flow.Add("passed"), .. fresh],
                                    next
                                ),
                                .. Flow.Done(Flow.Always.And("_failed", MostTries - 1), ball, null),
                                .. Flow.Done(Flow.Always, [.. ball, .. again, Flow.Add("_failed")], State(level, 0)),
                            ]
                            :
                            [
                                .. Flow.Done(inside, [.. ball, Flow.Add("_in")], State(level, station + 1)),
                                .. Flow.Done(Flow.Always, ball, State(level, station + 1)),
                            ]
                    )
                    .At(level, station);
            }
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        foreach (var radius in RadiiFeet)
        {
            var failed = 0;
            while (true)
            {
                var inside = 0;
                foreach (var _ in Stations)
                {
                    var distance = new ScorerQuestionNumber(NumberRange.Positive);
                    yield return distance;
                    tally["balls"]++;
                    tally["sum"] += distance.Answer;
                    tally.Keep("distance", distance.Answer);
                    if (distance.Answer <= radius * 10)
                        inside++;
                    tally.EndAttempt();
                }

                if (inside == Stations.Count)
                    break;
                if (++failed == MostTries)
                    yield break;
            }

            tally["passed"]++;
        }
    }

    private protected override double? Value(string measure, Tally tally) =>
        measure == "passed" ? tally["passed"] : Sample.Mean(tally.Kept("distance"));

    private protected override Message Say(Tally tally) =>
        DrillSentences.Levels.Of(tally["passed"], RadiiFeet.Count, Sample.Mean(tally.Kept("distance")) ?? 0);

    private static string Named(ProximityStation station) =>
        station.Lie.Length > 0 ? $"{station.Club.InWords()}, {station.Lie}" : station.Club.InWords();

    private static string State(int level, int station) => $"level{level}s{station}";
}
