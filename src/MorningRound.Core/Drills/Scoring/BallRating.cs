using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Plans;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// After each ball an instant rating from 1 to 10 of one thing, the ball ignored. At 7 and above a step comes first: slow down,
/// breathe into it. At 4 and below the student says what was done to get there, because the cause is repeated, not the feeling.
/// No direction is better: the aim is to notice.
/// </summary>
public sealed record BallRating : ScoringProtocol
{
    /// <summary>The rating in tenths from which a step comes before the next ball.</summary>
    private const int SlowDownFrom = 70;

    /// <summary>The rating in tenths down to which the cause is asked.</summary>
    private const int CauseUpTo = 40;

    private static readonly FlowOption[] Causes =
    [
        new("slowed", "Slowed down"),
        new("selfTalk", "Talked to myself"),
        new("relaxed", "Relaxed it"),
        new("breathed", "Breathed"),
    ];

    /// <summary>Ten or more.</summary>
    public int Balls { get; init; } = 10;

    /// <summary>What is rated: "tension in the trail hand".</summary>
    public required string Rated { get; init; }

    /// <summary>What 1 stands for.</summary>
    public string LowMeans { get; init; } = "loose";

    /// <summary>What 10 stands for.</summary>
    public string HighMeans { get; init; } = "tight";

    /// <inheritdoc/>
    public override string Title => "Ball rating";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Segment;

    /// <inheritdoc/>
    public override ScoringProtocol FittedTo(int attempts) => this with { Balls = Math.Clamp(attempts, 10, 60) };

    /// <inheritdoc/>
    public override int? PlannedAttempts => Balls;

    /// <summary>Fewer than ten where a trimmed session has no more: it is still noticed what was noticed.</summary>
    public override ScoringProtocol WithCount(int attempts) => this with { Balls = attempts };

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [
        new("mean", "mean rating", "", Better.None, 2),
        new("firstThree", "mean of the first three", "", Better.None, 2),
        new("lastThree", "mean of the last three", "", Better.None, 2),
        new("lowest", "lowest", "", Better.None),
    ];

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .RequireBetween(Balls, 10, 60, $"{path}.balls", "balls")
            .RequireText(Rated, $"{path}.rated", LongestLabel)
            .RequireText(LowMeans, $"{path}.lowMeans", 40)
            .RequireText(HighMeans, $"{path}.highMeans", 40);

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        FlowEffect[] counts = [Flow.Add("balls"), Flow.AddInput("sum"), Flow.Add(AttemptFlow.LeftRegister)];
        return new FlowBuilder()
            .Registers(["balls", "sum", .. Causes.Select(c => c.Value)])
            .Counted(Balls)
            .Display("{0} of {1} balls, mean {2}", Flow.Value("balls"), Flow.Count, Flow.Mean("sum", "balls", 2))
            .State(
                "rate",
                $"{Rated}: 1 {LowMeans}, 10 {HighMeans}",
                NumberRange.Rating.Asked(Rated, ""),
                Flow.Part(Flow.Number(SlowDownFrom, NumberRange.Rating.Most), counts, "slow"),
                Flow.Part(Flow.Number(NumberRange.Rating.Least, CauseUpTo), counts, "cause"),
                Flow.DoneUntil(Flow.Always, AttemptFlow.LeftRegister, -1, counts, "rate")
            )
            .State(
                "slow",
                "Slow down, and breathe into it.",
                new FlowQuestionTap("Done"),
                Flow.DoneUntil(Flow.Always, AttemptFlow.LeftRegister, 0, [], "rate")
            )
            .State(
                "cause",
                "What did you do to get there?",
                new FlowQuestionChoice(Causes),
                [
                    .. Causes.Select(c =>
                        Flow.DoneUntil(Flow.Choice(c.Value), AttemptFlow.LeftRegister, 0, [Flow.Add(c.Value)], "rate")
                    ),
                ]
            )
            .Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        while (tally["balls"] < Balls)
        {
            var rating = new ScorerQuestionNumber(NumberRange.Rating);
            yield return rating;
            tally["balls"]++;
            tally["sum"] += rating.Answer;
            tally.Keep("rating", rating.Answer);
            if (rating.Answer >= SlowDownFrom)
                yield return new ScorerQuestionTap();
            if (rating.Answer <= CauseUpTo)
            {
                var cause = new ScorerQuestionChoice([.. Causes.Select(c => c.Value)]);
                yield return cause;
                tally[cause.Answer]++;
            }

            tally.EndAttempt();
        }
    }

    private protected override double? Value(string measure, Tally tally)
    {
        var ratings = tally.Kept("rating");
        return measure switch
        {
            "firstThree" => ratings.Count < 3 ? null : ratings.Take(3).Average(),
            "lastThree" => ratings.Count < 3 ? null : ratings.TakeLast(3).Average(),
            "lowest" => ratings.Min(),
            _ => ratings.Average(),
        };
    }

    private protected override Message Say(Tally tally)
    {
        var ratings = tally.Kept("rating");
        var (mean, balls, lowest) = (ratings.Average(), DrillSentences.Balls.Of(ratings.Count), Written.Plain(ratings.Min()));
        var causes = Causes
            .Where(c => tally[c.Value] > 0)
            .Select(c => DrillSentences.CauseTimes.Of(c.Label.ToLowerInvariant(), tally[c.Value]))
            .ToList();
        return causes.Count == 0
            ? DrillSentences.MeanRating.Of(mean, balls, lowest)
            : DrillSentences.MeanRatingAndCauses.Of(mean, balls, lowest, new MessageList(", ", causes));
    }
}
