using System.Text.Json.Serialization;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Which way a measure is better.</summary>
public enum Better
{
    /// <summary>Neither: it is there to be noticed.</summary>
    None,

    /// <summary>A higher number is better.</summary>
    Higher,

    /// <summary>A lower number is better.</summary>
    Lower,
}

/// <summary>One figure of a result: what it is called, its unit, and which way is better.</summary>
/// <param name="Name">Stable, for goals and storage.</param>
/// <param name="Label">For people: "best run".</param>
/// <param name="Unit">Empty for a plain count; "%" for a share from 0 to 100.</param>
/// <param name="Better">Which way is better.</param>
/// <param name="Decimals">How many decimals it is shown with.</param>
public sealed record MeasureKind(string Name, string Label, string Unit, Better Better, int Decimals = 0)
{
    internal Measure With(double? value) => new(Name, Label, Unit, Better, Decimals, value);
}

/// <summary>A figure of a result; no value where nothing was attempted that could give one, which is not zero.</summary>
public sealed record Measure(string Name, string Label, string Unit, Better Better, int Decimals, double? Value);

/// <summary>What the coach asks of a drill this week: one measure, with a limit in the direction that is better.</summary>
public sealed record DrillGoal(string Measure, double Limit);

/// <summary>How the inputs of a drill read.</summary>
public enum ResultStatus
{
    /// <summary>Nothing attempted, which is not zero.</summary>
    Nothing,

    /// <summary>Begun and neither ended nor stopped.</summary>
    UnderWay,

    /// <summary>Stopped by the student or by time: what was complete counts.</summary>
    Stopped,

    /// <summary>Came to its own end.</summary>
    Complete,

    /// <summary>The inputs are not ones this drill could have asked for: kept as they are, never scored.</summary>
    DoesNotFit,
}

/// <summary>What a protocol makes of the attempts.</summary>
public sealed record ProtocolResult
{
    /// <summary>How the inputs read.</summary>
    public required ResultStatus Status { get; init; }

    /// <summary>Attempts completed.</summary>
    public required int Attempts { get; init; }

    /// <summary>Whole numbers counted, by name. A flow's registers of the same names must agree with them.</summary>
    public required IReadOnlyDictionary<string, int> Counts { get; init; }

    /// <summary>Numbers given, by name and in the order given, in tenths of the unit on the screen.</summary>
    public required IReadOnlyDictionary<string, IReadOnlyList<int>> Samples { get; init; }

    /// <summary>The result's parts, in the order in which they decide; those without a better direction come last.</summary>
    public required IReadOnlyList<Measure> Measures { get; init; }

    /// <summary>The result in one line, with its doubt where that matters.</summary>
    public required Message Said { get; init; }

    /// <summary>The card of holes that were played; null in every other drill.</summary>
    public Card? Card { get; init; }

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>The index of the first input that does not fit; null otherwise.</summary>
    public int? MisfitAt { get; init; }

    /// <summary>What stands for inputs that no drill was set for, or that were walked by a flow of another format.</summary>
    public static ProtocolResult NotScored { get; } = Unfitting([], 0);

    internal static ProtocolResult Unfitting(IReadOnlyList<MeasureKind> kinds, int at) =>
        new()
        {
            Status = ResultStatus.DoesNotFit,
            Attempts = 0,
            Counts = new Dictionary<string, int>(),
            Samples = new Dictionary<string, IReadOnlyList<int>>(),
            Measures = [.. kinds.Select(m => m.With(null))],
            Said = DrillSentences.DoesNotFit.Of(),
            MisfitAt = at,
        };

    /// <summary>Whether something was attempted and fits the drill.</summary>
    [JsonIgnore]
    public bool IsScored => Status is ResultStatus.Complete or ResultStatus.Stopped or ResultStatus.UnderWay;

    /// <summary>The value of a measure; null where the result has no such value.</summary>
    public double? Value(string measure) => Measures.FirstOrDefault(m => m.Name == measure)?.Value;
}
