using CsCheck;

namespace MorningRound.Core.Tests;

/// <summary>
/// Tries a property on generated values, the same in every run: each value comes from a seed of its own, 0, 1, 2 and so on.
/// FIRST_SEED=5000 in the environment begins elsewhere, to look further than a run usually does.
/// </summary>
internal static class SeededProperties
{
    private const int Usually = 100;

    /// <summary>How many other values are tried when a smaller one is looked for.</summary>
    private const int Shrinks = 2_000;

    private static readonly uint First = uint.TryParse(Environment.GetEnvironmentVariable("FIRST_SEED"), out var first)
        ? first
        : 0;

    public static void ForEachSeed<T>(this Gen<T> gen, Action<T> property, int seeds = Usually)
    {
        for (var seed = First; seed < First + seeds; seed++)
        {
            var value = gen.Generate(new PCG(seed, seed), null, out _);
            try
            {
                property(value);
            }
            catch (Exception e)
            {
                var (smallest, why) = Smallest(gen, property, seed, e);
                throw new InvalidOperationException($"It does not hold for seed {seed}; smallest found: {smallest}", why);
            }
        }
    }

    /// <summary>
    /// The smallest value found for which the property does not hold either. The library leaves a value unfinished as soon as it
    /// is larger than the smallest so far, so that many can be tried.
    /// </summary>
    private static (T Value, Exception Why) Smallest<T>(Gen<T> gen, Action<T> property, uint seed, Exception why)
    {
        var value = gen.Generate(new PCG(seed, seed), null, out var size);
        for (var other = 1_000_000u; other < 1_000_000u + Shrinks; other++)
        {
            var candidate = gen.Generate(new PCG(other, other), size, out var candidateSize);
            if (!Size.IsLessThan(candidateSize, size))
                continue;
            try
            {
                property(candidate);
            }
            catch (Exception e)
            {
                (value, size, why) = (candidate, candidateSize, e);
            }
        }

        return (value, why);
    }

    public static void ForEachSeed<T1, T2>(this Gen<(T1, T2)> gen, Action<T1, T2> property, int seeds = Usually) =>
        gen.ForEachSeed(v => property(v.Item1, v.Item2), seeds);

    public static void ForEachSeed<T1, T2, T3>(this Gen<(T1, T2, T3)> gen, Action<T1, T2, T3> property, int seeds = Usually) =>
        gen.ForEachSeed(v => property(v.Item1, v.Item2, v.Item3), seeds);

    public static void ForEachSeed<T1, T2, T3, T4, T5>(
        this Gen<(T1, T2, T3, T4, T5)> gen,
        Action<T1, T2, T3, T4, T5> property,
        int seeds = Usually
    ) => gen.ForEachSeed(v => property(v.Item1, v.Item2, v.Item3, v.Item4, v.Item5), seeds);

    public static void ForEachSeed<T1, T2, T3, T4, T5, T6>(
        this Gen<(T1, T2, T3, T4, T5, T6)> gen,
        Action<T1, T2, T3, T4, T5, T6> property,
        int seeds = Usually
    ) => gen.ForEachSeed(v => property(v.Item1, v.Item2, v.Item3, v.Item4, v.Item5, v.Item6), seeds);
}
