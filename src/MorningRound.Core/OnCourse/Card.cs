using System.Text.Json.Serialization;

namespace MorningRound.Core.OnCourse;

/// <summary>So many of so many.</summary>
/// <param name="Count">How many did.</param>
/// <param name="Of">How many could have.</param>
public sealed record CountOf(int Count, int Of);

/// <summary>What played holes gave together.</summary>
public sealed record Card
{
    /// <summary>The holes that were begun, in order.</summary>
    public required IReadOnlyList<HoleCard> Holes { get; init; }

    /// <summary>The holes that are over.</summary>
    [JsonIgnore]
    public IEnumerable<HoleCard> Over => Holes.Where(h => h.IsOver);

    /// <summary>Their par.</summary>
    [JsonIgnore]
    public int Par => Over.Sum(h => h.Par);

    /// <summary>Their strokes.</summary>
    [JsonIgnore]
    public double Score => Over.Sum(h => h.Score ?? 0);

    /// <summary>Their putts; those of holes that were picked up as far as they were hit.</summary>
    [JsonIgnore]
    public double Putts => Over.Sum(h => h.Putts ?? 0);

    /// <summary>Penalty strokes.</summary>
    [JsonIgnore]
    public int Penalties => Over.Sum(h => h.Penalties);

    /// <summary>Fairways hit, on holes of par 4 and more.</summary>
    [JsonIgnore]
    public CountOf Fairways => Counted(Holes.Select(h => h.FairwayHit));

    /// <summary>Greens in regulation.</summary>
    [JsonIgnore]
    public CountOf Greens => Counted(Over.Select(h => h.GreenInRegulation));

    /// <summary>Missed greens that were saved.</summary>
    [JsonIgnore]
    public CountOf UpAndDowns => Counted(Over.Select(h => h.UpAndDown));

    /// <summary>Strokes gained by part, over the holes that are over and were not picked up.</summary>
    [JsonIgnore]
    public IReadOnlyList<PartGained> Gained => PartGained.Added(Over.SelectMany(h => h.Gained));

    /// <summary>
    /// The score that greens and putts give when no green was reached early and no missed green took more than one stroke to get
    /// on: par, less two putts a hole, plus a stroke for each green missed, plus the putts. A card below it is no card.
    /// </summary>
    /// <param name="par">The par of the holes.</param>
    /// <param name="holes">How many holes, at least one.</param>
    /// <param name="greens">Greens in regulation.</param>
    /// <param name="putts">Putts.</param>
    public static int LeastScore(int par, int holes, int greens, int putts) => par - (2 * holes) + (holes - greens) + putts;

    private static CountOf Counted(IEnumerable<bool?> answers)
    {
        var known = answers.OfType<bool>().ToList();
        return new CountOf(known.Count(a => a), known.Count);
    }
}
