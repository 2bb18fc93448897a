using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>Five offsets at every edge of the aim check's judgement, which playing at random would never meet.</summary>
internal static class AimGames
{
    private static readonly int[] Straight = [150, 152, 148, 151, 149];

    /// <summary>
    /// Games of an aim check at its edges, as the first five and as the five that verify; none of another drill.
    /// </summary>
    public static IEnumerable<IReadOnlyList<DrillInput>> AtEveryEdge(ScoringProtocol protocol) =>
        (protocol as MeasuredShots)?.AimTarget() is { } target
            ? AtEveryEdge(target)
                .SelectMany(five =>
                    new[]
                    {
                        AimCheck.Of(five, [], target, []).IsToVerify ? [.. five, .. five.Select(o => 2 - o)] : five,
                        [.. Straight, .. five],
                        [.. Straight, .. five.Select(o => -o)],
                    }
                )
                .Select(Inputs)
            : [];

    /// <summary>Five offsets on either side of every edge, in tenths.</summary>
    public static IEnumerable<int[]> AtEveryEdge(MarkedLength target)
    {
        // Worth saying: a mean of half a unit.
        int[] sums = [24, 25, 26, .. SumsAt(target, 14.95), .. SumsAt(target, 0.95), .. SumsAt(target, 4.55)];
        foreach (var sum in sums)
            yield return Alike(sum);
        foreach (var (sum, squares) in Steady())
            yield return WithSums(sum, squares);
        foreach (var spread in Spreads(target))
            yield return spread;
    }

    public static IReadOnlyList<DrillInput> Inputs(IReadOnlyList<int> offsets) =>
        [.. offsets.Select((tenths, i) => new NumberGiven { Attempt = i + 1, Tenths = tenths })];

    /// <summary>The sums of five just below and just above an angle.</summary>
    private static int[] SumsAt(MarkedLength target, double degrees)
    {
        var at = (int)Math.Ceiling(50 * target.Value * Math.Tan(Angle.FromDegrees(degrees).Radians));
        return [at - 1, at];
    }

    /// <summary>Five offsets as nearly alike as a sum lets them be.</summary>
    private static int[] Alike(int sum) => [.. Enumerable.Range(0, 5).Select(i => (sum + i) / 5)];

    /// <summary>
    /// The sums and sums of squares next to the edge of being steady, on either side of it. A sum and a sum of squares of the
    /// same whole numbers are both even or both odd.
    /// </summary>
    private static IEnumerable<(int Sum, int Squares)> Steady()
    {
        var near = Enumerable
            .Range(700, 124)
            .SelectMany(sum =>
                Enumerable.Range(1000 * sum * sum / 3292 - 1, 4).Where(q => q % 2 == sum % 2).Select(q => (Sum: sum, Squares: q))
            )
            .Select(n => (n.Sum, n.Squares, Above: (1000L * n.Sum * n.Sum) - (3292L * n.Squares)))
            .ToList();
        var (steady, not) = (near.Where(n => n.Above > 0).MinBy(n => n.Above), near.Where(n => n.Above <= 0).MaxBy(n => n.Above));
        return [(steady.Sum, steady.Squares), (not.Sum, not.Squares)];
    }

    /// <summary>Five whole numbers of a sum and a sum of squares, found by trying.</summary>
    private static int[] WithSums(int sum, int squares)
    {
        for (var a = -200; a <= 400; a++)
        for (var b = a; b <= 400; b++)
        for (var c = b; c <= 400; c += 3)
        {
            // What is left for two: d + e and d² + e², of which the difference is whole when its square is one.
            var (two, twoSquares) = (sum - a - b - c, squares - (a * a) - (b * b) - (c * c));
            var difference = (2 * twoSquares) - (two * two);
            if (difference < 0)
                continue;
            var root = (int)Math.Round(Math.Sqrt(difference));
            if (root * root == difference && (two + root) % 2 == 0)
                return [a, b, c, (two - root) / 2, (two + root) / 2];
        }

        throw new InvalidOperationException($"No five numbers have the sum {sum} and the squares {squares}.");
    }

    /// <summary>Steady fives whose scatter is as near to its limit as can be, on either side of it.</summary>
    private static IEnumerable<int[]> Spreads(MarkedLength target)
    {
        var largest = 10 * target.Value * Math.Tan(Angle.FromDegrees(AimCheck.LargestScatterDegrees).Radians);
        var limit = (int)(20 * largest * largest);
        for (var spread = limit; ; spread--)
        {
            if (WithSpread(spread) is { } within)
            {
                yield return within;
                break;
            }
        }

        for (var spread = limit + 1; ; spread++)
        {
            if (WithSpread(spread) is { } beyond)
            {
                yield return beyond;
                break;
            }
        }
    }

    /// <summary>
    /// Five with five times their squares less the square of their sum; null where no sum around 90 units gives it.
    /// </summary>
    private static int[]? WithSpread(int spread) =>
        Enumerable
            .Range(900, 10)
            .Select(sum => (Sum: sum, Five: spread + (sum * sum)))
            .Where(n => n.Five % 5 == 0 && n.Five / 5 % 2 == n.Sum % 2)
            .Select(n => WithSums(n.Sum, n.Five / 5))
            .FirstOrDefault();
}
