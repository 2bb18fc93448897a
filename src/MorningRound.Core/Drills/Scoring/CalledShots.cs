using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>The targets that suit one club.</summary>
/// <param name="Club">The club.</param>
/// <param name="Targets">In words that follow "at".</param>
public sealed record ClubTargets(Club Club, IReadOnlyList<string> Targets)
{
    /// <summary>
    /// How far from a club's carry a target may lie to be aimed at with it, as a share of the carry. The product's own number.
    /// </summary>
    private const double Reach = 0.12;

    private const int Most = 3;

    /// <summary>
    /// The targets of a ground that a club reaches, the nearest to its carry first; none where its carry is not known.
    /// </summary>
    public static ClubTargets Of(Club club, PlayerNumbers player) =>
        new(
            club,
            player.CarryOf(club) is not { } carry
                ? []
                :
                [
                    .. player
                        .Targets.Select(t => (t.Name, Off: Math.Abs((t.Distance.ToLength() - carry).Yards)))
                        .Where(t => t.Off <= Reach * carry.Yards)
                        .OrderBy(t => t.Off)
                        .Take(Most)
                        .Select(t => t.Name),
                ]
        );
}

/// <summary>
/// A list of called shots. Whether the target was hit and whether the called shape was achieved are two answers.
/// </summary>
public sealed record CalledShots : ScoringProtocol
{
    /// <summary>The clubs that are called, at least one.</summary>
    public required IReadOnlyList<Club> Clubs { get; init; }

    /// <summary>The shapes that are called, at least one.</summary>
    public IReadOnlyList<ShotShape> Shapes { get; init; } = [ShotShape.Straight, ShotShape.Draw, ShotShape.Fade];

    /// <summary>The heights that are called, at least one.</summary>
    public IReadOnlyList<ShotHeight> Heights { get; init; } = [ShotHeight.Normal];

    /// <summary>Where to, in words that follow "at": "the left flag". May be empty.</summary>
    public IReadOnlyList<string> Targets { get; init; } = [];

    /// <summary>How many calls; with a pattern, how many times it is gone through.</summary>
    public int Calls { get; init; } = 14;

    /// <summary>A declared pattern, such as two fades and two draws; empty for a drawn list.</summary>
    public IReadOnlyList<PatternStep> Pattern { get; init; } = [];

    /// <summary>
    /// Where each club is aimed, filled in from the ground: only targets the club can reach. Empty leaves it to <see
    /// cref="Targets"/>.
    /// </summary>
    public IReadOnlyList<ClubTargets> Aims { get; init; } = [];

    /// <summary>
    /// How many of them are played, where a trimmed session has fewer. Says how much is done, and is no parameter.
    /// </summary>
    internal int? First { get; init; }

    /// <inheritdoc/>
    public override string Title => "Called shots";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Segment;

    /// <summary>With a pattern, as many times over as there is room for.</summary>
    public override ScoringProtocol FittedTo(int attempts) =>
        this with
        {
            Calls = Math.Clamp(Pattern.Count == 0 ? attempts : attempts / Pattern.Sum(p => p.Balls), 1, 60),
        };

    /// <inheritdoc/>
    public override int? PlannedAttempts => First ?? (Pattern.Count == 0 ? Calls : Calls * Pattern.Sum(p => p.Balls));

    /// <inheritdoc/>
    public override ScoringProtocol WithCount(int attempts) => this with { First = attempts };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("hitShare", "targets hit", "%", Better.Higher), new("shapeShare", "called shape achieved", "%", Better.Higher)];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        Chances.AtLeastPercent(goal.Limit, PlannedAttempts ?? 0, share);

    /// <summary>
    /// The calls in order. The same parameters and seed give the same list. Any beginning of a drawn list is as even as the
    /// whole, since clubs and shapes come round in turn.
    /// </summary>
    public IReadOnlyList<ShotCall> List(ulong seed)
    {
        var all =
            Pattern.Count == 0
                ? ShotCalls.Draw(Clubs, Shapes, Heights, TargetsFor, Calls, seed)
                : ShotCalls.FromPattern(Pattern, Clubs, Heights, TargetsFor, Calls, seed);
        return First is { } first ? [.. all.Take(first)] : all;
    }

    private IReadOnlyList<string> TargetsFor(Club club) =>
        Aims.FirstOrDefault(a => a.Club == club)?.Targets is { Count: > 0 } own ? own
        : Targets.Count > 0 ? Targets
        : [""];

    /// <summary>
    /// With the clubs of the bag, each at targets of the ground that it reaches. Somebody new to the game is called straight
    /// shots of the usual height only.
    /// </summary>
    public override ScoringProtocol For(PlayerNumbers player)
    {
        IReadOnlyList<Club> clubs = [.. Clubs.Where(player.Has)];
        var isNew = player.Level == Level.New;
        return this with
        {
            Clubs = clubs,
            Shapes = isNew ? [ShotShape.Straight] : Shapes,
            Heights = isNew ? [ShotHeight.Normal] : Heights,
            Pattern = isNew ? [] : Pattern,
            Calls = isNew && Pattern.Count > 0 ? Math.Min(60, Calls * Pattern.Sum(p => p.Balls)) : Calls,
            Aims =
                Targets.Count > 0 || player.Targets.Count == 0
                    ? []
                    : [.. clubs.Select(c => ClubTargets.Of(c, player)).Where(a => a.Targets.Count > 0)],
        };
    }

    /// <inheritdoc/>
    public override string? WhatIsMissing() => Clubs.Count == 0 ? "None of its clubs is in the bag." : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Clubs.Count is >= 1 and <= 14, $"{path}.clubs", "Between 1 and 14 clubs, please.")
            .RequireOnce(Clubs, $"{path}.clubs")
            .Require(Shapes.Count >= 1, $"{path}.shapes", "At least one shape, please.")
            .RequireOnce(Shapes, $"{path}.shapes")
            .Require(Heights.Count >= 1, $"{path}.heights", "At least one height, please.")
            .RequireOnce(Heights, $"{path}.heights")
            .RequireAtMost(Targets.Count, 8, $"{path}.targets")
            .RequireOnce(Targets, $"{path}.targets")
            .RequireAtMost(Aims.Count, 14, $"{path}.aims")
            .RequireBetween(Calls, 1, 60, $"{path}.calls", "calls")
            .RequireAtMost(Pattern.Count, 6, $"{path}.pattern")
            .Require(PlannedAttempts <= 60, $"{path}.calls", "At most 60 balls, please.");
        for (var i = 0; i < Targets.Count; i++)
            errors.RequireText(Targets[i], $"{path}.targets[{i}]", 40);
        for (var i = 0; i < Pattern.Count; i++)
            errors.RequireBetween(Pattern[i].Balls, 1, 10, $"{path}.pattern[{i}].balls", "balls");
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var calls = List(seed);
        var flow = new FlowBuilder()
            .Registers("hits", "shaped", "calls")
            .Counted(calls.Count)
            .Display(
                "{0} targets and {1} shapes of {2}, {3} calls in all",
                Flow.Value("hits"),
                Flow.Value("shaped"),
                Flow.Value("calls"),
                Flow.Count
            );
        for (var i = 0; i < calls.Count; i++)
        {
            var next = i + 1 < calls.Count ? $"c{i + 1}" : null;
            flow.State(
                    $"c{i}",
                    $"{calls[i].InWords()}. Target hit?",
                    Flow.YesOrNo,
                    Flow.Part(Flow.Choice("yes"), [], $"h{i}"),
                    Flow.Part(Flow.Choice("no"), [], $"o{i}")
                )
                .At(i);
            Shape($"h{i}", Flow.Add("hits"), Flow.Add("calls"));
            Shape($"o{i}", Flow.Add("calls"));

            void Shape(string state, params FlowEffect[] counts) =>
                flow.State(
                        state,
                        $"Was it the {calls[i].Shape.ToString().ToLowerInvariant()} called?",
                        Flow.YesOrNo,
                        Called(Flow.Choice("yes"), [.. counts, Flow.Add("shaped")]),
                        Called(Flow.Choice("no"), counts)
                    )
                    .At(i);

            IEnumerable<FlowTransition> Called(FlowGuard[] when, FlowEffect[] then) =>
                next is null ? Flow.Done(when, then, null) : Flow.DoneWhenCounted(when, then, next);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        foreach (var call in List(seed))
        {
            var hit = new ScorerQuestionChoice("yes", "no");
            yield return hit;
            var shaped = new ScorerQuestionChoice("yes", "no");
            yield return shaped;
            if (hit.Answer == "yes")
                tally["hits"]++;
            if (shaped.Answer == "yes")
                tally["shaped"]++;
            tally["calls"]++;
            foreach (var of in new[] { call.Club.InWords(), call.Shape.ToString(), call.Target }.Where(of => of.Length > 0))
            {
                tally[$"calls {of}"]++;
                tally[$"hits {of}"] += hit.Answer == "yes" ? 1 : 0;
                tally[$"shaped {of}"] += shaped.Answer == "yes" ? 1 : 0;
            }

            tally.EndAttempt();
        }
    }

    private protected override (string Count, string Of)? Successes => ("hits", "calls");

    private protected override double? Value(string measure, Tally tally) =>
        tally["calls"] == 0 ? null : 100.0 * tally[measure == "hitShare" ? "hits" : "shaped"] / tally["calls"];

    private protected override Message Say(Tally tally) =>
        DrillSentences.TargetAndShape.Of(
            Rate.InWords(tally["hits"], tally["calls"]),
            Rate.InWords(tally["shaped"], tally["calls"])
        );
}
