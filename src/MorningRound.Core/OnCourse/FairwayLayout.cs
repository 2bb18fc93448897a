using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>One edge of a fairway on a range: a target, or the middle between two.</summary>
public sealed record FairwayEdge
{
    /// <summary>The names of the target, or of the two targets it lies between.</summary>
    public required IReadOnlyList<string> Targets { get; init; }

    /// <summary>Its direction from the bay, in degrees; right is positive.</summary>
    public required double BearingDegrees { get; init; }
}

/// <summary>
/// A fairway as it lies on a range: two edges, or, where the range has fewer than two targets in different directions, one to aim
/// at, or none.
/// </summary>
public sealed record LaidFairway
{
    /// <summary>The left edge; null where there are no two.</summary>
    public FairwayEdge? Left { get; init; }

    /// <summary>The right edge; null where there are no two.</summary>
    public FairwayEdge? Right { get; init; }

    /// <summary>What to aim at in the middle where there are no two edges; empty where the range has nothing.</summary>
    public string Centre { get; init; } = "";

    /// <summary>How wide it is where tee shots land, in the unit of the play.</summary>
    public required double Width { get; init; }

    /// <summary>How wide it should be: the real width by the factor.</summary>
    public required double Wanted { get; init; }
}

/// <summary>What is asked of a fairway before it is laid out.</summary>
/// <param name="RealWidth">How wide it is on the course; above zero.</param>
public readonly record struct FairwayToLay(Length RealWidth);

/// <summary>Lays fairways out on a range.</summary>
public static class FairwayLayout
{
    /// <summary>How much narrower than on the course a fairway is laid. The product's own default.</summary>
    public const double UsualFactor = 0.85;

    /// <summary>At least so often the fairway lies on a side the player dislikes. The product's own.</summary>
    public const int DislikedEvery = 3;

    /// <summary>
    /// How far apart two directions are at a distance: edges at −6° and 2° are 30.8 yd apart at 220 yd. Negative where the second
    /// lies left of the first.
    /// </summary>
    public static Length WidthBetween(Angle left, Angle right, Length distance) =>
        right.OffsetAt(distance) - left.OffsetAt(distance);

    /// <summary>
    /// Each fairway between the two edges (targets, or the middle between two neighbours) whose distance where tee shots land
    /// comes nearest to its real width times the factor. Never the same two edges twice running where there are others; at least
    /// every third one on a side the player dislikes, where there are edges on it. The same input gives the same layout.
    /// </summary>
    /// <param name="fairways">The fairways in the order in which they are played.</param>
    /// <param name="targets">The targets of the range; none where none are on record.</param>
    /// <param name="drive">How far the player's tee shots go; above zero.</param>
    /// <param name="unit">The unit of the widths that are answered.</param>
    /// <param name="factor">What real widths are multiplied by; above zero.</param>
    /// <param name="disliked">The sides the player dislikes.</param>
    public static IReadOnlyList<LaidFairway> Of(
        IReadOnlyList<FairwayToLay> fairways,
        IReadOnlyList<RangeTarget> targets,
        Length drive,
        LengthUnit unit,
        double factor,
        IReadOnlyCollection<TargetSide> disliked
    )
    {
        var pairs = PairsOf(targets, drive);
        var laid = new List<LaidFairway>();
        Pair? before = null;
        var sinceDisliked = 0;
        foreach (var fairway in fairways)
        {
            var wanted = fairway.RealWidth * factor;
            if (pairs.Count == 0)
            {
                laid.Add(Single(targets, wanted, unit));
                continue;
            }

            IReadOnlyList<Pair> open = [.. pairs.Where(p => p != before)];
            if (open.Count == 0)
                open = pairs;
            IReadOnlyList<Pair> onDisliked = [.. open.Where(p => disliked.Any(p.LiesOn))];
            if (sinceDisliked == DislikedEvery - 1 && onDisliked.Count > 0)
                open = onDisliked;
            var best = open.OrderBy(p => Math.Abs((p.Width - wanted).Metres))
                .ThenBy(p => p.Left.Targets.Count + p.Right.Targets.Count)
                .ThenBy(p => Math.Abs(p.Centre))
                .ThenBy(p => p.Left.BearingDegrees)
                .First();
            sinceDisliked = disliked.Any(best.LiesOn) ? 0 : sinceDisliked + 1;
            before = best;
            laid.Add(
                new LaidFairway
                {
                    Left = best.Left,
                    Right = best.Right,
                    Width = In(best.Width, unit),
                    Wanted = In(wanted, unit),
                }
            );
        }

        return laid;
    }

    private static LaidFairway Single(IReadOnlyList<RangeTarget> targets, Length wanted, LengthUnit unit) =>
        new()
        {
            Centre =
                targets
                    .OrderBy(t => Math.Abs(t.BearingDegrees))
                    .ThenByDescending(t => t.Distance.ToLength())
                    .FirstOrDefault()
                    ?.Name
                ?? "",
            Width = In(wanted, unit),
            Wanted = In(wanted, unit),
        };

    private sealed record Pair(FairwayEdge Left, FairwayEdge Right, Length Width)
    {
        public double Centre => (Left.BearingDegrees + Right.BearingDegrees) / 2;

        public bool LiesOn(TargetSide side) => side == TargetSide.Left ? Centre < 0 : Centre > 0;
    }

    private static List<Pair> PairsOf(IReadOnlyList<RangeTarget> targets, Length drive)
    {
        var byBearing = targets.OrderBy(t => t.BearingDegrees).ThenBy(t => t.Distance.ToLength()).ToList();
        var edges = byBearing
            .Select(t => new FairwayEdge { Targets = [t.Name], BearingDegrees = t.BearingDegrees })
            .Concat(
                byBearing
                    .Zip(byBearing.Skip(1))
                    .Where(two => two.First.BearingDegrees < two.Second.BearingDegrees)
                    .Select(two => new FairwayEdge
                    {
                        Targets = [two.First.Name, two.Second.Name],
                        BearingDegrees = (two.First.BearingDegrees + two.Second.BearingDegrees) / 2,
                    })
            )
            .ToList();
        return
        [
            .. from left in edges
            from right in edges
            where left.BearingDegrees < right.BearingDegrees
            select new Pair(
                left,
                right,
                WidthBetween(Angle.FromDegrees(left.BearingDegrees), Angle.FromDegrees(right.BearingDegrees), drive)
            ),
        ];
    }

    private static double In(Length length, LengthUnit unit) => Math.Round(length / unit.Times(1), 1);
}
