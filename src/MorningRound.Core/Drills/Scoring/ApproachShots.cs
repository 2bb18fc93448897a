using MorningRound.Core.Drills.Flows;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A target to play to: where it stands, and what it is.</summary>
public sealed record ApproachTarget
{
    /// <summary>What it is called: "the willow". Empty where any flag at the distance does.</summary>
    public string Name { get; init; } = "";

    /// <summary>How far it is, 20 to 300, in the unit of the protocol.</summary>
    public required double Distance { get; init; }
}

/// <summary>
/// Single approaches: a target, a distance, and how far from it the ball finished. The target stands for a hole: up to
/// <see cref="GreenRadius"/> from it the rest is a putt, further away a shot from the rough. The result is what a shot gains
/// against a professional's from the fairway.
/// </summary>
public sealed record ApproachShots : ScoringProtocol
{
    /// <summary>
    /// Another target is taken for one that a drill names when it is no further off than this. The product's own.
    /// </summary>
    private const double FurtherOff = 0.15;

    private static readonly NumberRange FromTarget = new(0, 1_000, 10);

    /// <summary>The targets, in the order in which they are played.</summary>
    public required IReadOnlyList<ApproachTarget> Targets { get; init; }

    /// <summary>The unit of the distances: yards or metres.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Yards;

    /// <summary>
    /// Up to so far from a target the ball lies on its green, 3 to 30, in the unit. The default is the product's own.
    /// </summary>
    public int GreenRadius { get; init; } = 11;

    /// <summary>How often they are gone through.</summary>
    public int Rounds { get; init; } = 2;

    /// <inheritdoc/>
    public override string Title => "Approach shots";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <inheritdoc/>
    public override int? PlannedAttempts => Targets.Count * Rounds;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds =>
        [
            new("gained", "strokes gained a shot", "", Better.Higher, 2),
            new("from", "from the target", Unit.Sign(), Better.Lower, 1),
            new("greens", "greens hit", "%", Better.Higher),
        ];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "greens" ? Chances.AtLeastPercent(goal.Limit, Targets.Count * Rounds, share) : null;

    /// <summary>
    /// In the player's unit, and each target the nearest that stands on the ground, where one stands about there.
    /// </summary>
    public override ScoringProtocol For(PlayerNumbers player) =>
        this with
        {
            Unit = player.Unit,
            Targets =
            [
                .. Targets.Select(target =>
                {
                    var wanted = new MarkedLength(target.Distance, Unit).In(player.Unit).Value;
                    var there = player
                        .Targets.Select(t => new ApproachTarget
                        {
                            Name = t.Name,
                            Distance = Math.Round(t.Distance.In(player.Unit).Value),
                        })
                        .MinBy(t => Math.Abs(t.Distance - wanted));
                    return there is not null && Math.Abs(there.Distance - wanted) <= FurtherOff * wanted
                        ? there
                        : target with
                        {
                            Distance = Math.Round(wanted),
                        };
                }),
            ],
        };

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Targets.Count is >= 1 and <= 9, $"{path}.targets", "Between 1 and 9 targets, please.")
            .RequireUnit(Unit, $"{path}.unit", LengthUnit.Yards, LengthUnit.Metres)
            .RequireBetween(GreenRadius, 3, 30, $"{path}.greenRadius", "as the green's radius")
            .RequireBetween(Rounds, 1, 20, $"{path}.rounds", "times through");
        foreach (var (i, target) in Targets.Index())
            errors
                .AllowText(target.Name, $"{path}.targets[{i}].name", LongestLabel)
                .Require(target.Distance is >= 20 and <= 300, $"{path}.targets[{i}].distance", "Between 20 and 300, please.");
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("shots", "gained", "greens")
            .Registers("_per", "_from", "_after")
            .Display(
                $"{{0}} of {PlannedAttempts}, {{1}} on the green, gained {{2}} a shot",
                Flow.Value("shots"),
                Flow.Value("greens"),
                Flow.Value("gained") with
                {
                    DividedBy = "_per",
                    Decimals = 2,
                }
            );
        for (var i = 0; i < Targets.Count; i++)
        {
            var target = Targets[i];
            int? last = i == Targets.Count - 1 ? PlannedAttempts - 1 : null;
            FlowEffect[] counted =
            [
                Flow.SetInput("_from"),
                Flow.Found("_after", "_from", Tenths, After()),
                Flow.Add("gained", Before(target) - 100),
                Flow.AddRegister("gained", "_after").Negative(),
                Flow.Add("_per", 100),
                Flow.Add("shots"),
            ];
            var next = $"target{(i + 1) % Targets.Count}";
            flow.State(
                    $"target{i}",
                    $"{Named(target)}. How far from it did the ball finish?",
                    FromTarget.Asked("From the target", Unit.Sign()),
                    [
                        .. Flow.DoneUntil(
                            Flow.Number(0, 10 * GreenRadius),
                            "shots",
                            last,
                            [.. counted, Flow.Add("greens")],
                            next
                        ),
                        .. Flow.DoneUntil(Flow.Always, "shots", last, counted, next),
                    ]
                )
                .At(i);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        for (var shot = 0; shot < Targets.Count * Rounds; shot++)
        {
            var from = new ScorerQuestionNumber(FromTarget);
            yield return from;
            var finished = from.Answer / 10;
            tally["gained"] += Before(Targets[shot % Targets.Count]) - 100 - Hundredths(finished);
            if (finished <= GreenRadius)
                tally["greens"]++;
            tally.Keep("from", from.Answer);
            tally["shots"]++;
            tally.EndAttempt();
        }
    }

    private protected override (string Count, string Of)? Successes => ("greens", "shots");

    private protected override double? Value(string measure, Tally tally) =>
        tally["shots"] is var shots and > 0
            ? measure switch
            {
                "gained" => tally["gained"] / 100.0 / shots,
                "greens" => 100.0 * tally["greens"] / shots,
                _ => Statistics.Sample.Mean(tally.Kept("from"))!.Value,
            }
            : null;

    private protected override Message Say(Tally tally)
    {
        if (tally["shots"] is not (var shots and > 0))
            return DrillSentences.NoShot.Of();
        var gained = tally["gained"] / 100.0 / shots;
        return DrillSentences.ApproachesGained.Of(
            gained < 0 ? DrillSentences.Lost.Of() : DrillSentences.Gained.Of(),
            Math.Abs(gained),
            DrillSentences.Balls.Of(shots),
            tally["greens"],
            Statistics.Sample.Mean(tally.Kept("from"))!.Value,
            Unit.Sign()
        );
    }

    private string Named(ApproachTarget target)
    {
        var distance = string.Create(Written.Culture, $"{target.Distance:0} {Unit.Sign()}");
        return target.Name.Length > 0
            ? $"{char.ToUpperInvariant(target.Name[0])}{target.Name[1..]}, {distance}"
            : $"A target at {distance}";
    }

    /// <summary>Where whole yards or metres begin, in tenths; the first place is at the target itself.</summary>
    private static int[] Tenths { get; } = [.. Enumerable.Range(1, 100).Select(n => 10 * n)];

    private int[] After() => [.. Enumerable.Range(0, 101).Select(Hundredths)];

    private int Before(ApproachTarget target) => Rounded(ExpectedStrokes.From(Lie.Fairway, LengthOf(target.Distance)));

    /// <summary>Hundredths of the strokes that are usual from so far off; at the target itself it is a tap.</summary>
    private int Hundredths(int from) =>
        from == 0 ? 100 : Rounded(ExpectedStrokes.From(from <= GreenRadius ? Lie.Green : Lie.Rough, LengthOf(from)));

    private static int Rounded(double strokes) => (int)Math.Round(100 * strokes, MidpointRounding.AwayFromZero);

    private Length LengthOf(double number) => new MarkedLength(number, Unit).ToLength();
}
