using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// A question in the course of a drill, as the scorer puts it. A protocol is scored by playing it: its rules ask, the recorded
/// inputs answer. The flow a phone walks is not used, so each can be checked against the other.
/// </summary>
internal abstract class ScorerQuestion
{
    /// <summary>Takes the input as the answer; false when it is no answer to this question.</summary>
    public abstract bool Takes(DrillInput input);
}

internal sealed class ScorerQuestionChoice(params IReadOnlyCollection<string> options) : ScorerQuestion
{
    public string Answer { get; private set; } = "";

    public override bool Takes(DrillInput input)
    {
        if (input is not ChoiceMade made || !options.Contains(made.Value))
            return false;
        Answer = made.Value;
        return true;
    }
}

/// <summary>A number between two limits, in tenths.</summary>
internal sealed class ScorerQuestionNumber(NumberRange range) : ScorerQuestion
{
    public int Answer { get; private set; }

    public override bool Takes(DrillInput input)
    {
        if (input is not NumberGiven given || !range.Holds(given.Tenths))
            return false;
        Answer = given.Tenths;
        return true;
    }
}

internal sealed class ScorerQuestionText : ScorerQuestion
{
    public override bool Takes(DrillInput input) => input is TextWritten written && written.Text.Length <= DrillInput.LongestText;
}

internal sealed class ScorerQuestionTap : ScorerQuestion
{
    public override bool Takes(DrillInput input) => input is Tapped;
}

internal sealed class ScorerQuestionTimer : ScorerQuestion
{
    public override bool Takes(DrillInput input) => input is TimerRanOut;
}

/// <summary>The numbers that can be given, in tenths, as multiples of a step.</summary>
internal readonly record struct NumberRange(int Least, int Most, int Step = 1)
{
    /// <summary>Ratings from 1 to 10.</summary>
    public static readonly NumberRange Rating = new(10, 100, 10);

    /// <summary>Lengths and measured numbers that cannot be negative, up to 999.9.</summary>
    public static readonly NumberRange Positive = new(0, 9_999);

    /// <summary>Numbers with a side or a sign: left, below and closed are negative.</summary>
    public static readonly NumberRange Signed = new(-9_999, 9_999);

    public bool Holds(int tenths) => tenths >= Least && tenths <= Most && tenths % Step == 0;

    /// <summary>
    /// The question for such a number. A length of nothing, or of far more than anybody hits, is asked about again.
    /// </summary>
    public Flows.FlowQuestionNumber Asked(string label, string unit, Flows.FlowSides? sides = null) =>
        new(label, unit, Least, Most, Step)
        {
            Sides = sides,
            Usual =
                this == Positive ? new(1, 4_000)
                : this == Signed ? new(-2_500, 2_500)
                : null,
        };
}
