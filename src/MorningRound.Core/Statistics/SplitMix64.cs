namespace MorningRound.Core.Statistics;

/// <summary>
/// The one generator behind everything that is drawn by random: the same seed gives the same sequence on every machine and
/// in every release, which the framework's own generator does not promise.
/// </summary>
/// <remarks>Source: Steele, Lea and Flood, "Fast splittable pseudorandom number generators", OOPSLA 2014.</remarks>
public sealed class SplitMix64(ulong seed)
{
    private ulong _state = seed;

    /// <summary>The next 64 bits.</summary>
    public ulong Next()
    {
        var z = _state += 0x9E3779B97F4A7C15;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }

    /// <summary>
    /// A whole number from 0 up to, but not including, <paramref name="bound"/>, each equally likely.
    /// Throws <see cref="ArgumentOutOfRangeException"/> when the bound is not above zero.
    /// </summary>
    public int NextInt(int bound)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(bound);
        // Values under the remainder would make the low numbers a little likelier; they are drawn again.
        var limit = ulong.MaxValue - (ulong.MaxValue % (ulong)bound);
        ulong drawn;
        do drawn = Next();
        while (drawn >= limit);
        return (int)(drawn % (ulong)bound);
    }

    /// <summary>A number from 0 up to, but not including, 1, in steps of 2⁻⁵³.</summary>
    public double NextDouble() => (Next() >> 11) * (1.0 / (1UL << 53));
}
