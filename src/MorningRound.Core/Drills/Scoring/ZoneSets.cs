using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Where the ball may finish for one distance, measured from the hole.</summary>
public sealed record PuttZone
{
    /// <summary>The length of the putt in whole feet.</summary>
    public required int Feet { get; init; }

    /// <summary>How many inches short of the hole still count; zero for "at the hole or past it".</summary>
    public required int ShortInches { get; init; }

    /// <summary>How far past the hole a ball may finish, in inches.</summary>
    public required int PastInches { get; init; }

    /// <summary>Inches to either side.</summary>
    public required int SideInches { get; init; }
}

/// <summary>
/// One ball from each distance into that distance's own zone. A miss does not stop the set, but all must finish inside for it
/// to count. Near to far until one set is cleared, then in an order drawn from the seed.
/// </summary>
public sealed record ZoneSets : ScoringProtocol
{
    private static readonly string[] Finishes = ["inside", "short", "past", "wide"];
    private static readonly string[] Slopes = ["up", "flat", "down"];

    private static readonly FlowQuestionChoice AskFinish = new([
        new FlowOption("inside", "Inside"),
        new FlowOption("short", "Short"),
        new FlowOption("past", "Past"),
        new FlowOption("wide", "Wide"),
    ]);

    private static readonly FlowQuestionChoice AskSlope = new([
        new FlowOption("up", "Uphill"),
        new FlowOption("flat", "Flat"),
        new FlowOption("down", "Downhill"),
    ]);

    /// <summary>
    /// From 10 ft: at the hole to 2 ft past. Longer: one grip length (10 in) short to 3 ft past. 1 ft to either side. Common
    /// practice; the numbers are the product's own.
    /// </summary>
    public IReadOnlyList<PuttZone> Zones { get; init; } =
    [
        new PuttZone
        {
            Feet = 10,
            ShortInches = 0,
            PastInches = 24,
            SideInches = 12,
        },
        new PuttZone
        {
            Feet = 20,
            ShortInches = 10,
            PastInches = 36,
            SideInches = 12,
        },
        new PuttZone
        {
            Feet = 30,
            ShortInches = 10,
            PastInches = 36,
            SideInches = 12,
        },
    ];

    /// <summary>How many sets have to be cleared.</summary>
    public int SetsToClear { get; init; } = 2;

    /// <summary>The most sets; it ends after them, cleared or not.</summary>
    public int MostSets { get; init; } = 10;

    /// <inheritdoc/>
    public override string Title => "Zone sets";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <summary>As many sets as may be used.</summary>
    public override int? OwnStrokes => MostSets * Zones.Count;

    /// <inheritdoc/>
    public override int? PlannedAttempts => null;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [
        new("cleared", "sets cleared", "", Better.Higher),
        new("used", "sets used", "", Better.Lower),
        new("insideShare", "balls inside", "%", Better.None),
    ];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() => Zones.All(z => z.PastInches > 12) ? Resized(-6) : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() => Zones.All(z => z.PastInches < 60) ? Resized(6) : null;

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "cleared" ? Chances.AtLeast((int)Math.Ceiling(goal.Limit), MostSets, Math.Pow(share, Zones.Count)) : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Zones.Count is >= 2 and <= 5, $"{path}.zones", "Between 2 and 5 distances, please.")
            .Require(
                Zones.Zip(Zones.Skip(1)).All(p => p.First.Feet < p.Second.Feet),
                $"{path}.zones",
                "Distances go from near to far, each once."
            )
            .RequireBetween(SetsToClear, 1, 5, $"{path}.setsToClear", "sets")
            .RequireBetween(MostSets, SetsToClear, 12, $"{path}.mostSets", "sets");
        for (var i = 0; i < Zones.Count; i++)
        {
            var (zone, at) = (Zones[i], $"{path}.zones[{i}]");
            errors
                .RequireBetween(zone.Feet, 3, 90, $"{at}.feet", "feet")
                .RequireBetween(zone.ShortInches, 0, 60, $"{at}.shortInches", "inches")
                .RequireBetween(zone.PastInches, 6, 96, $"{at}.pastInches", "inches")
                .RequireBetween(zone.SideInches, 3, 60, $"{at}.sideInches", "inches");
        }
    }

    /// <summary>
    /// The order of the distances in a set: near to far before one is cleared, afterwards as the seed draws it.
    /// </summary>
    public IReadOnlyList<PuttZone> Order(int set, bool hasCleared, ulong seed)
    {
        var order = Zones.ToArray();
        if (!hasCleared)
            return order;
        var random = new SplitMix64(seed + (ulong)set);
        for (var i = order.Length - 1; i > 0; i--)
        {
            var j = random.NextInt(i + 1);
            (order[i], order[j]) = (order[j], order[i]);
        }

        return order;
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("_in", "inside", "balls", "cleared", "used")
            .Display($"{{0}} of {SetsToClear} sets cleared, {{1}} of {MostSets} used", Flow.Value("cleared"), Flow.Value("used"));
        for (var set = 0; set < MostSets; set++)
        {
            // Before and after the first cleared set the same set is putted in another order, so each has states of its own.
            if (SetsToClear > 1 && set > 0)
                SetStates(flow, set, hasCleared: true, seed);
            SetStates(flow, set, hasCleared: false, seed);
        }

        var built = flow.Build();
        return built with { Start = Slope(0, false) };
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        while (tally["cleared"] < SetsToClear && tally["used"] < MostSets)
        {
            yield return new ScorerQuestionChoice(Slopes);
            var inside = 0;
            foreach (var zone in Order(tally["used"], tally["cleared"] > 0, seed))
            {
                var finish = new ScorerQuestionChoice(Finishes);
                yield return finish;
                tally["balls"]++;
                if (finish.Answer == "inside")
                    inside++;
                if (finish.Answer == "inside")
                    tally["inside"]++;
                else
                    tally[$"{finish.Answer}{zone.Feet}"]++;
                tally.EndAttempt();
            }

            tally["used"]++;
            if (inside == Zones.Count)
                tally["cleared"]++;
        }
    }

    private protected override (string Count, string Of)? Successes => ("inside", "balls");

    private protected override double? Value(string measure, Tally tally) =>
        measure switch
        {
            "insideShare" => tally["balls"] == 0 ? null : 100.0 * tally["inside"] / tally["balls"],
            _ => tally[measure],
        };

    private protected override Message Say(Tally tally) =>
        DrillSentences.SetsCleared.Of(
            DrillSentences.Sets.Of(tally["cleared"]),
            tally["used"],
            Statistics.Rate.InWords(tally["inside"], tally["balls"])
        );

    private void SetStates(FlowBuilder flow, int set, bool hasCleared, ulong seed)
    {
        var order = Order(set, hasCleared, seed);
        flow.State(
            Slope(set, hasCleared),
            $"Set {set + 1} of {MostSets}. The slope?",
            AskSlope,
            Flow.Part(Flow.Always, [Flow.Set("_in", 0)], Ball(set, hasCleared, 0))
        );
        for (var i = 0; i < order.Count; i++)
        {
            var isLast = i == order.Count - 1;
            var next = isLast ? After(set, hasCleared) : Ball(set, hasCleared, i + 1);
            FlowEffect[] counts = isLast ? [Flow.Add("balls"), Flow.Add("used")] : [Flow.Add("balls")];
            FlowEffect[] inside = [Flow.Add("_in"), Flow.Add("inside"), .. counts];
            var transitions = new List<FlowTransition>();
            if (isLast)
            {
                var cleared = Flow.Choice("inside").And("_in", order.Count - 1);
                FlowEffect[] clears = [Flow.Add("inside"), .. counts, Flow.Add("cleared")];
                transitions.AddRange(Flow.DoneUntil(cleared, "cleared", SetsToClear - 1, clears, After(set, hasCleared: true)!));
                if (set + 1 == MostSets || SetsToClear == 1)
                    transitions = [.. Flow.Done(cleared, clears, null)];
                inside = [Flow.Add("inside"), .. counts];
            }

            transitions.AddRange(Flow.Done(Flow.Choice("inside"), inside, next));
            transitions.AddRange(Flow.Done(Flow.Always, counts, next));
            flow.State(Ball(set, hasCleared, i), $"{order[i].Feet} ft: inside the zone?", AskFinish, transitions)
                .At(Zones.ToList().IndexOf(order[i]));
        }
    }

    private string? After(int set, bool hasCleared) => set + 1 < MostSets ? Slope(set + 1, hasCleared && SetsToClear > 1) : null;

    private static string Slope(int set, bool hasCleared) => $"{set}{(hasCleared ? "c" : "")}";

    private static string Ball(int set, bool hasCleared, int ball) => $"{Slope(set, hasCleared)}b{ball}";

    private ScoringProtocol Resized(int inches) =>
        this with
        {
            Zones = [.. Zones.Select(z => z with { PastInches = z.PastInches + inches })],
        };
}
