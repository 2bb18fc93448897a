using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Bounds on one measured number: at least, at most, or both; a side to the left is negative.</summary>
public sealed record WindowBound
{
    /// <summary>What is measured: "launch", "finish beside the line".</summary>
    public required string What { get; init; }

    /// <summary>The unit; empty where it has none.</summary>
    public string Unit { get; init; } = "";

    /// <summary>The lower end; null where it has none.</summary>
    public double? Least { get; init; }

    /// <summary>The upper end; null where it has none.</summary>
    public double? Most { get; init; }

    /// <summary>
    /// Whether it is written for a right-handed player and turned round for a left-handed one: a start direction, a side.
    /// </summary>
    public bool TurnsWithHand { get; init; }
}

/// <summary>The window of one club.</summary>
public sealed record ClubWindow
{
    /// <summary>The club.</summary>
    public required Club Club { get; init; }

    /// <summary>The numbers that all have to lie inside.</summary>
    public required IReadOnlyList<WindowBound> Bounds { get; init; }
}

/// <summary>Bounds on measured numbers, per club. A hit satisfies all of them.</summary>
public sealed record Window : ScoringProtocol
{
    private const double Largest = 999;

    /// <summary>The clubs, each with its bounds, in the order in which they are played.</summary>
    public required IReadOnlyList<ClubWindow> Clubs { get; init; }

    /// <summary>Shots with each club.</summary>
    public int ShotsPerClub { get; init; } = 10;

    /// <inheritdoc/>
    public override string Title => "Window";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Segment;

    /// <inheritdoc/>
    public override ScoringProtocol FittedTo(int attempts) =>
        this with
        {
            ShotsPerClub = Math.Clamp(attempts / Math.Max(1, Clubs.Count), 1, 30),
        };

    /// <inheritdoc/>
    public override int? PlannedAttempts => Clubs.Count * ShotsPerClub;

    /// <inheritdoc/>
    public override int AttemptsEach => Clubs.Count;

    /// <inheritdoc/>
    public override ScoringProtocol WithCount(int attempts) => this with { ShotsPerClub = Math.Max(1, attempts / Clubs.Count) };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("share", "shots through the window", "%", Better.Higher), new("hits", "hits", "", Better.Higher)];

    /// <summary>With the clubs of the bag, turned for the hand, in the player's unit.</summary>
    public override ScoringProtocol For(PlayerNumbers player) =>
        this with
        {
            Clubs =
            [
                .. Clubs
                    .Where(c => player.Has(c.Club))
                    .Select(c => c with { Bounds = [.. c.Bounds.Select(b => For(b, player))] }),
            ],
        };

    private static WindowBound For(WindowBound bound, PlayerNumbers player)
    {
        var (least, most) = Scoring.Bounds.Turned(bound.Least, bound.Most, bound.TurnsWithHand && player.Hand == Hand.Left);
        var own = bound with { Least = least, Most = most };
        return Scoring.Bounds.FactorTo(player.Unit, bound.Unit) is not { } factor
            ? own
            : own with
            {
                Unit = player.Unit.Sign(),
                Least = Scoring.Bounds.Times(least, factor),
                Most = Scoring.Bounds.Times(most, factor),
            };
    }

    /// <inheritdoc/>
    public override string? WhatIsMissing() => Clubs.Count == 0 ? "None of its clubs is in the bag." : null;

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share)
    {
        var shots = Clubs.Count * ShotsPerClub;
        return goal.Measure == "hits"
            ? Chances.AtLeast((int)Math.Ceiling(goal.Limit), shots, share)
            : Chances.AtLeastPercent(goal.Limit, shots, share);
    }

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Clubs.Count is >= 1 and <= 6, $"{path}.clubs", "Between 1 and 6 clubs, please.")
            .Require(Clubs.Select(c => c.Club).Distinct().Count() == Clubs.Count, $"{path}.clubs", "Name each club once.")
            .RequireBetween(ShotsPerClub, 1, 30, $"{path}.shotsPerClub", "shots");
        for (var i = 0; i < Clubs.Count; i++)
        {
            var (bounds, at) = (Clubs[i].Bounds, $"{path}.clubs[{i}].bounds");
            errors.Require(bounds.Count is >= 1 and <= 4, at, "Between 1 and 4 numbers, please.");
            for (var j = 0; j < bounds.Count; j++)
            {
                errors
                    .RequireText(bounds[j].What, $"{at}[{j}].what", LongestLabel)
                    .AllowText(bounds[j].Unit, $"{at}[{j}].unit", 10)
                    .Require(
                        bounds[j].Least is not null || bounds[j].Most is not null,
                        $"{at}[{j}].least",
                        "A bound is needed on at least one side."
                    )
                    .Require(
                        (bounds[j].Least ?? -Largest) <= (bounds[j].Most ?? Largest)
                            && Math.Abs(bounds[j].Least ?? 0) <= Largest
                            && Math.Abs(bounds[j].Most ?? 0) <= Largest,
                        $"{at}[{j}].most",
                        $"Bounds lie between −{Largest} and {Largest}, the lower one first."
                    );
            }
        }
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers([
                "_inside",
                "hits",
                "shots",
                .. Clubs.SelectMany(c => c.Bounds.SelectMany((_, b) => new[] { Below(c.Club, b), Above(c.Club, b) })),
            ])
            .CountedInRounds(Clubs.Count * ShotsPerClub, Clubs.Count)
            .Register(AttemptFlow.AgainRegister, -ShotsPerClub)
            .Display("{0} of {1} through the window, {2} in all", Flow.Value("hits"), Flow.Value("shots"), Flow.Count);
        for (var c = 0; c < Clubs.Count; c++)
        {
            var (club, bounds) = (Clubs[c].Club, Clubs[c].Bounds);
            var next = c + 1 < Clubs.Count ? State(c + 1, 0) : null;
            for (var b = 0; b < bounds.Count; b++)
            {
                var (least, most) = Limits(bounds[b]);
                var isLast = b == bounds.Count - 1;
                var transitions = new List<FlowTransition>();
                void On(FlowGuard[] when, params FlowEffect[] then)
                {
                    if (!isLast)
                        transitions.AddRange(Flow.Part(when, then, State(c, b + 1)));
                    else
                        transitions.AddRange(EndShot(when, then, State(c, 0), next));
                }

                // The first number of a shot sets whether all were inside so far; the others take it back when they fail.
                FlowEffect[] fails = isLast ? [] : [Flow.Set("_inside", 0)];
                if (bounds[b].Least is not null)
                    On(Flow.Number(NumberRange.Signed.Least, least - 1), [.. fails, Flow.Add(Below(club, b))]);
                if (bounds[b].Most is not null)
                    On(Flow.Number(most + 1, NumberRange.Signed.Most), [.. fails, Flow.Add(Above(club, b))]);
                if (!isLast)
                {
                    On(Flow.Always, b == 0 ? [Flow.Set("_inside", 1)] : []);
                }
                else if (b == 0)
                {
                    On(Flow.Always, Flow.Add("hits"));
                }
                else
                {
                    On(Flow.Always.And("_inside", 1), Flow.Add("hits"));
                    On(Flow.Always);
                }

                flow.State(
                        State(c, b),
                        $"{club.InWords()}: {bounds[b].What}, {InWords(bounds[b])}",
                        NumberRange.Signed.Asked(bounds[b].What, bounds[b].Unit),
                        transitions
                    )
                    .At(c, b, FlowStep.Measure);
            }
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        foreach (var (club, bounds) in Clubs.Select(c => (c.Club, c.Bounds)))
        {
            for (var shot = 0; shot < ShotsPerClub; shot++)
            {
                var isInside = true;
                for (var b = 0; b < bounds.Count; b++)
                {
                    var number = new ScorerQuestionNumber(NumberRange.Signed);
                    yield return number;
                    tally.Keep($"{club.InWords()}, {bounds[b].What}", number.Answer);
                    var isBelow = bounds[b].Least is { } least && number.Answer < (decimal)least * 10;
                    var isAbove = bounds[b].Most is { } most && number.Answer > (decimal)most * 10;
                    if (isBelow)
                        tally[Below(club, b)]++;
                    if (isAbove)
                        tally[Above(club, b)]++;
                    isInside &= !isBelow && !isAbove;
                }

                tally["shots"]++;
                if (isInside)
                    tally["hits"]++;
                tally.EndAttempt();
            }
        }
    }

    private protected override (string Count, string Of)? Successes => ("hits", "shots");

    private protected override double? Value(string measure, Tally tally) =>
        measure == "hits" ? tally["hits"]
        : tally["shots"] == 0 ? null
        : 100.0 * tally["hits"] / tally["shots"];

    private protected override Message Say(Tally tally)
    {
        var failed = Clubs
            .SelectMany(c =>
                c.Bounds.SelectMany(
                    (bound, b) =>
                        new[]
                        {
                            (Said: WordsOf(bound).Below, c.Club, bound.What, Times: tally[Below(c.Club, b)]),
                            (Said: WordsOf(bound).Above, c.Club, bound.What, Times: tally[Above(c.Club, b)]),
                        }
                )
            )
            .Where(f => f.Times > 0)
            .OrderByDescending(f => f.Times)
            .Take(2)
            .Select(f => f.Said.Of(f.Club, f.What, f.Times))
            .ToList();
        var rate = Statistics.Rate.InWords(tally["hits"], tally["shots"]);
        return failed.Count == 0
            ? DrillSentences.Rate.Of(rate)
            : DrillSentences.RateAndMisses.Of(rate, new MessageList(", ", failed));
    }

    /// <summary>
    /// The last number of a shot: on to the club's next shot, and after its last one to the next club, which begins to count
    /// anew.
    /// </summary>
    private static IEnumerable<FlowTransition> EndShot(FlowGuard[] when, FlowEffect[] then, string again, string? next)
    {
        FlowEffect[] shot = [.. then, Flow.Add("shots")];
        return
        [
            .. Flow.Done(
                when.And(AttemptFlow.LeftRegister, -1),
                next is null ? shot : [.. shot, Flow.SetRegister(AttemptFlow.LeftRegister, AttemptFlow.AgainRegister)],
                next
            ),
            .. Flow.Done(when, [.. shot, Flow.Add(AttemptFlow.LeftRegister)], again),
        ];
    }

    /// <summary>
    /// How a number outside its bounds is said, by what it measures: a side is left or right, a length short or long, anything
    /// else low or high.
    /// </summary>
    private static (Sentence Below, Sentence Above) WordsOf(WindowBound bound)
    {
        bool Measures(params string[] words) => words.Any(w => bound.What.Contains(w, StringComparison.OrdinalIgnoreCase));
        return bound.TurnsWithHand || Measures("direction", "side", "beside", "curve", "face", "path")
                ? (DrillSentences.TooFarLeft, DrillSentences.TooFarRight)
            : Measures("carry", "distance", "total", "length", "roll") ? (DrillSentences.TooShort, DrillSentences.TooLong)
            : (DrillSentences.TooLow, DrillSentences.TooHigh);
    }

    /// <summary>Bounds in tenths, rounded inward.</summary>
    private static (int Least, int Most) Limits(WindowBound bound) =>
        ((int)Math.Ceiling((decimal)(bound.Least ?? -Largest) * 10), (int)Math.Floor((decimal)(bound.Most ?? Largest) * 10));

    private static string InWords(WindowBound bound) =>
        (bound.Least, bound.Most) switch
        {
            ({ } least, { } most) => $"{Written.Plain(least)} to {Written.Plain(most)}{Written.Unit(bound.Unit)}",
            ({ } least, null) => $"at least {Written.Plain(least)}{Written.Unit(bound.Unit)}",
            (_, { } most) => $"at most {Written.Plain(most)}{Written.Unit(bound.Unit)}",
            _ => "",
        };

    private static string State(int club, int bound) => $"club{club}b{bound}";

    private static string Below(Club club, int bound) => $"below{club}{bound}";

    private static string Above(Club club, int bound) => $"above{club}{bound}";
}
