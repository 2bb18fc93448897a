using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// Stations around a hole, in turn for par and for birdie. A par putt missed is one over, made level; a birdie putt made is one
/// under, missed level.
/// </summary>
public sealed record ParGame : ScoringProtocol
{
    private static readonly int[] Levels = [4, 6, 10, 20];

    /// <summary>An even number, so that every lap asks the same.</summary>
    public int Stations { get; init; } = 4;

    /// <summary>How often the stations are gone round.</summary>
    public int Laps { get; init; } = 5;

    /// <summary>The length of every putt. 4, 6, 10 and 20 ft are the usual levels.</summary>
    public int Length { get; init; } = 4;

    /// <summary>Feet or metres.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Feet;

    /// <inheritdoc/>
    public override string Title => "Par game";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <inheritdoc/>
    public override int? PlannedAttempts => Stations * Laps;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("score", "score to par", "", Better.Lower), new("made", "putts holed", "", Better.None)];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() =>
        Levels.FirstOrDefault(l => l > Length) is var next and > 0 ? this with { Length = next } : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() =>
        Levels.LastOrDefault(l => l < Length) is var next and > 0 ? this with { Length = next } : null;

    /// <summary>Every putt holed is a stroke better than one that is not, for par as for birdie.</summary>
    public override double? ChanceOf(DrillGoal goal, double share)
    {
        var putts = Stations * Laps;
        return Chances.AtLeast((putts / 2) - (int)Math.Floor(goal.Limit), putts, share);
    }

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .RequireBetween(Stations, 2, 8, $"{path}.stations", "stations")
            .Require(Stations % 2 == 0, $"{path}.stations", "An even number of stations, so that par and birdie take turns.")
            .RequireBetween(Laps, 1, 10, $"{path}.laps", "laps")
            .RequireBetween(Length, 2, 40, $"{path}.length", Unit.Sign())
            .RequireUnit(Unit, $"{path}.unit", LengthUnit.Feet, LengthUnit.Metres);

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("score", "made", "attempts")
            .Display($"{{0}} to par after {{1}} of {PlannedAttempts}", Flow.Value("score"), Flow.Value("attempts"));
        for (var station = 0; station < Stations; station++)
        {
            var isForPar = IsForPar(station);
            int? last = station == Stations - 1 ? PlannedAttempts - 1 : null;
            var next = $"station{(station + 1) % Stations}";
            FlowEffect[] made = isForPar ? [] : [Flow.Add("score", -1)];
            FlowEffect[] missed = isForPar ? [Flow.Add("score")] : [];
            flow.State(
                $"station{station}",
                $"Station {station + 1}, {Length} {Unit.Sign()}, for {(isForPar ? "par" : "birdie")}",
                Flow.MadeOrMissed,
                Flow.DoneUntil(Flow.Choice("made"), "attempts", last, [Flow.Add("attempts"), Flow.Add("made"), .. made], next),
                Flow.DoneUntil(Flow.Choice("missed"), "attempts", last, [Flow.Add("attempts"), .. missed], next)
            );
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        for (var putt = 0; putt < Stations * Laps; putt++)
        {
            var ask = new ScorerQuestionChoice("made", "missed");
            yield return ask;
            var isMade = ask.Answer == "made";
            tally["attempts"]++;
            if (isMade)
                tally["made"]++;
            tally["score"] += (putt % 2 == 0, isMade) switch
            {
                (true, false) => 1,
                (false, true) => -1,
                _ => 0,
            };
            tally.EndAttempt();
        }
    }

    private protected override (string Count, string Of)? Successes => ("made", "attempts");

    private protected override double? Value(string measure, Tally tally) => tally[measure];

    private protected override Message Say(Tally tally)
    {
        var putts = DrillSentences.Putts.Of(tally["attempts"]);
        return tally["score"] switch
        {
            0 => DrillSentences.LevelPar.Of(putts),
            < 0 => DrillSentences.UnderPar.Of(-tally["score"], putts),
            _ => DrillSentences.OverPar.Of(tally["score"], putts),
        };
    }

    private static bool IsForPar(int station) => station % 2 == 0;
}
