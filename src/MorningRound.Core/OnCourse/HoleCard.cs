using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>The four parts of the game in which strokes are gained and lost.</summary>
public enum StrokesPart
{
    /// <summary>Tee shots on holes of par 4 and more.</summary>
    OffTheTee,

    /// <summary>Shots from more than 50 yd that are none of those.</summary>
    Approach,

    /// <summary>Shots from 50 yd or less that are no putts.</summary>
    AroundTheGreen,

    /// <summary>Putts.</summary>
    Putting,
}

/// <summary>Strokes gained in one part of the game; below zero they were lost.</summary>
public sealed record PartGained(StrokesPart Part, double Strokes)
{
    /// <summary>Added up by part, in the order of the parts.</summary>
    public static IReadOnlyList<PartGained> Added(IEnumerable<PartGained> gained) =>
        [.. gained.GroupBy(g => g.Part).OrderBy(g => g.Key).Select(g => new PartGained(g.Key, g.Sum(p => p.Strokes)))];
}

/// <summary>A hole as it was played.</summary>
public sealed record HoleCard
{
    /// <summary>Up to here a shot that is no putt is one around the green. Source: Broadie, from memory.</summary>
    public static readonly Units.Length AroundTheGreen = Units.Length.FromYards(50);

    /// <summary>Its number, from 1.</summary>
    public required int Number { get; init; }

    /// <summary>Its par.</summary>
    public required int Par { get; init; }

    /// <summary>How long it was.</summary>
    public required MarkedLength Length { get; init; }

    /// <summary>The shots up to the green, or into the hole.</summary>
    public required IReadOnlyList<PlayedShot> Shots { get; init; }

    /// <summary>How long the first putt was, in feet; null where there was none.</summary>
    public MarkedLength? FirstPutt { get; init; }

    /// <summary>
    /// Putts; 0 where the ball was in the hole before, null while the putt waits. With <see cref="PuttsAreExpected"/> what is
    /// usual from there.
    /// </summary>
    public double? Putts { get; init; }

    /// <summary>Whether the putts were not hit and what is usual stands in their place.</summary>
    public bool PuttsAreExpected { get; init; }

    /// <summary>Whether the ball was picked up.</summary>
    public bool IsPickedUp { get; init; }

    /// <summary>Penalty strokes.</summary>
    [JsonIgnore]
    public int Penalties => Shots.Sum(s => s.Penalty);

    /// <summary>Whether the hole is over: the ball is in it, or was picked up.</summary>
    [JsonIgnore]
    public bool IsOver => IsPickedUp || Putts is not null;

    /// <summary>
    /// The strokes it took: to the green, penalties and putts; picked up <see cref="ShotRules.PickedUp"/>. Null while it is not
    /// over.
    /// </summary>
    [JsonIgnore]
    public double? Score =>
        IsPickedUp ? ShotRules.PickedUp(Par)
        : Putts is { } putts ? Shots.Count + Penalties + putts
        : null;

    /// <summary>Whether the tee shot found the fairway; null on a par 3 and while none was played.</summary>
    [JsonIgnore]
    public bool? FairwayHit =>
        Par == 3 || Shots.Count == 0 ? null : Shots[0].Finish is Finish.Fairway or Finish.Green or Finish.Holed;

    /// <summary>
    /// Whether the green was reached in par less two, penalties counted; in the hole by then counts. Null while it is open.
    /// </summary>
    [JsonIgnore]
    public bool? GreenInRegulation =>
        IsPickedUp ? false
        : IsOnGreen ? Shots.Count + Penalties <= Par - 2
        : Shots.Count + Penalties >= Par - 2 ? false
        : null;

    /// <summary>
    /// Whether a missed green was saved: the hole in par or better. Null where the green was hit, or while it is open.
    /// </summary>
    [JsonIgnore]
    public bool? UpAndDown => GreenInRegulation is false && Score is { } score ? score <= Par : null;

    /// <summary>Whether the ball is on the green, or in the hole.</summary>
    [JsonIgnore]
    public bool IsOnGreen => Shots.Count > 0 && Shots[^1].Then is null or Lie.Green;

    /// <summary>
    /// Strokes gained by part. Empty where the ball was picked up; without putting while a putt waits.
    /// </summary>
    [JsonIgnore]
    public IReadOnlyList<PartGained> Gained => IsPickedUp ? [] : PartGained.Added(Parts());

    private IEnumerable<PartGained> Parts()
    {
        foreach (var shot in Shots)
        {
            var part =
                shot.From == Lie.Tee && Par > 3 ? StrokesPart.OffTheTee
                : shot.Left.ToLength() <= AroundTheGreen ? StrokesPart.AroundTheGreen
                : StrokesPart.Approach;
            yield return new PartGained(part, shot.Gained);
        }

        if (FirstPutt is { } first && Putts is { } putts)
        {
            yield return new PartGained(
                StrokesPart.Putting,
                PuttsAreExpected ? 0 : ExpectedStrokes.From(Lie.Green, first.ToLength()) - putts
            );
        }
    }
}
