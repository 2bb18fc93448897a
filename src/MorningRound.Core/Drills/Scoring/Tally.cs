using MorningRound.Core.OnCourse;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>What is counted while a drill is played.</summary>
internal sealed class Tally
{
    private readonly SortedDictionary<string, int> _counts = new(StringComparer.Ordinal);
    private readonly SortedDictionary<string, List<int>> _samples = new(StringComparer.Ordinal);

    public int Attempts { get; private set; }

    public IReadOnlyDictionary<string, int> Counts => _counts;

    public IReadOnlyDictionary<string, IReadOnlyList<int>> Samples =>
        _samples.ToDictionary(s => s.Key, s => (IReadOnlyList<int>)s.Value);

    /// <summary>The card of holes that are played; null in every other drill.</summary>
    public Card? Card { get; set; }

    public int this[string name]
    {
        get => _counts.GetValueOrDefault(name);
        set => _counts[name] = value;
    }

    public void EndAttempt() => Attempts++;

    public void Raise(string name, int to) => this[name] = Math.Max(this[name], to);

    /// <summary>Keeps a measured number, in tenths.</summary>
    public void Keep(string name, int tenths)
    {
        if (!_samples.TryGetValue(name, out var kept))
            _samples[name] = kept = [];
        kept.Add(tenths);
    }

    /// <summary>The numbers kept under a name, in the unit on the screen.</summary>
    public IReadOnlyList<double> Kept(string name) => [.. Tenths(name).Select(t => t / 10.0)];

    /// <summary>The same numbers in tenths.</summary>
    public IReadOnlyList<int> Tenths(string name) => _samples.TryGetValue(name, out var kept) ? kept : [];
}
