using MorningRound.Core.Golf;
using MorningRound.Core.Units;

namespace MorningRound.Core.Students;

/// <summary>Which balls a carry was measured with.</summary>
public enum BallKind
{
    /// <summary>A range ball.</summary>
    RangeBall,

    /// <summary>The player's own ball.</summary>
    OwnBall,
}

/// <summary>What a carry was hit from.</summary>
public enum HitFrom
{
    /// <summary>Grass.</summary>
    Grass,

    /// <summary>A mat.</summary>
    Mat,

    /// <summary>A bay indoors.</summary>
    Indoors,
}

/// <summary>
/// A club of the bag, with how far it carries where that is known. Carries are only compared under like conditions.
/// </summary>
public sealed record BagClub
{
    /// <summary>The club.</summary>
    public required Club Club { get; init; }

    /// <summary>How far it carries; null where nobody measured.</summary>
    public MarkedLength? Carry { get; init; }

    /// <summary>The day it was measured; null where nobody noted it.</summary>
    public DateOnly? MeasuredOn { get; init; }

    /// <summary>The ball it was measured with; null where nobody noted it.</summary>
    public BallKind? Ball { get; init; }

    /// <summary>What it was hit from; null where nobody noted it.</summary>
    public HitFrom? From { get; init; }
}

/// <summary>One number of the wedge grid: a club, a swing length, and the carry it gives.</summary>
public sealed record WedgeNumber
{
    /// <summary>The wedge.</summary>
    public required Club Club { get; init; }

    /// <summary>The length of the swing.</summary>
    public required SwingLength Swing { get; init; }

    /// <summary>How far it carries.</summary>
    public required MarkedLength Carry { get; init; }

    /// <summary>The day it was measured; null where nobody noted it.</summary>
    public DateOnly? MeasuredOn { get; init; }
}

/// <summary>A stretch of distances that no number of a wedge grid covers.</summary>
public sealed record GridGap(MarkedLength From, MarkedLength To);

/// <summary>A wedge grid: clubs × swing lengths, each with a carry.</summary>
public static class WedgeGrid
{
    /// <summary>How far from its number a carry still counts as that number. The product's own default.</summary>
    public const double Tolerance = 0.04;

    /// <summary>
    /// The distances between the shortest and the longest number that no number covers within the tolerance, near to far, in
    /// the unit of the first number. Empty without numbers.
    /// </summary>
    public static IReadOnlyList<GridGap> Gaps(IReadOnlyCollection<WedgeNumber> grid, double tolerance = Tolerance)
    {
        if (grid.Count == 0)
            return [];
        var unit = grid.First().Carry.Unit;
        var gaps = new List<GridGap>();
        double? covered = null;
        foreach (var carry in grid.Select(n => n.Carry.In(unit).Value).Order())
        {
            if (covered is { } to && carry * (1 - tolerance) > to)
                gaps.Add(new GridGap(new MarkedLength(to, unit), new MarkedLength(carry * (1 - tolerance), unit)));
            covered = Math.Max(covered ?? 0, carry * (1 + tolerance));
        }

        return gaps;
    }
}
