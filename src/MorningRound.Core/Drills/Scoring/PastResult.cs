namespace MorningRound.Core.Drills.Scoring;

/// <summary>An earlier result as it is kept in figures, to set a new one beside it.</summary>
/// <param name="Values">
/// The value of each measure, by the measure's name; no value where nothing gave one. Empty where nothing was scored.
/// </param>
/// <param name="Attempts">The attempts that were completed.</param>
public sealed record PastResult(IReadOnlyDictionary<string, double?> Values, int Attempts)
{
    /// <summary>The value of a measure; null where the result has no such value.</summary>
    public double? Value(string measure) => Values.GetValueOrDefault(measure);

    /// <summary>The figures of a result. One without attempts, or whose inputs did not fit, has none.</summary>
    public static PastResult Of(ProtocolResult result) =>
        new(result.IsScored ? result.Measures.ToDictionary(m => m.Name, m => m.Value) : [], result.Attempts);

    /// <summary>The same as <see cref="Of"/>.</summary>
    public static implicit operator PastResult(ProtocolResult result) => Of(result);
}
