using CsCheck;

namespace MorningRound.Core.Tests;

/// <summary>
/// Tries a property on generated values, the same in every run: each value comes from a seed of its own, 0, 1, 2 and so on.
/// FIRST_SEED=5000 in the environment begins elsewhere, to look further than a run usually does.
/// </summary>
internal static class SeededProperties
{
    private const int Usually = 100;

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
                throw new InvalidOperationException($"It does not hold for seed {seed}: {value}", e);
            }
        }
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
