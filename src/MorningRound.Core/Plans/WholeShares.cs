using MorningRound.Core.Units;

namespace MorningRound.Core.Plans;

/// <summary>
/// Divides whole numbers by whole numbers, so that a phone comes to the same as the server. Its twin is in the phone.
/// </summary>
public static class WholeShares
{
    /// <summary>
    /// A total divided by weights in whole numbers: shares rounded down, what is left over given to those who lost most, the
    /// earlier first where they lost the same. Without any weight nobody gets anything.
    /// </summary>
    public static IReadOnlyList<int> Divide(int total, IReadOnlyList<int> weights)
    {
        var sum = weights.Sum(w => (long)w);
        if (sum == 0 || total <= 0)
            return [.. weights.Select(_ => 0)];
        var shares = weights.Select(w => (int)((long)w * total / sum)).ToArray();
        var lost = weights.Select(w => (long)w * total % sum).ToList();
        foreach (var i in Enumerable.Range(0, shares.Length).OrderByDescending(i => lost[i]).Take(total - shares.Sum()))
            shares[i]++;
        return shares;
    }

    /// <summary>A number scaled by part ÷ whole, halves rounded up, at least one.</summary>
    public static int InProportion(int number, int part, int whole) =>
        whole <= 0 ? number : (int)Math.Max(1, ((2L * number * part) + whole) / (2L * whole));
}
