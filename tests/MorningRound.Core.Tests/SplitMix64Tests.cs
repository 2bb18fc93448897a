using CsCheck;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Tests;

public class SplitMix64Tests
{
    [Fact]
    public void The_generator_gives_its_authors_sequence()
    {
        // Source: the reference implementation's first outputs for seed 1234567 (Vigna, splitmix64.c), from memory.
        var generator = new SplitMix64(1234567);
        Assert.Equal(
            [6457827717110365317UL, 3203168211198807973UL, 9817491932198370423UL, 4593380528125082431UL, 16408922859458223821UL],
            Enumerable.Range(0, 5).Select(_ => generator.Next())
        );
    }

    [Fact]
    public void Drawn_numbers_stay_inside_their_bounds() =>
        Gen.Select(Gen.ULong, Gen.Int[1, 1000])
            .ForEachSeed(
                (seed, bound) =>
                {
                    var generator = new SplitMix64(seed);
                    Assert.InRange(generator.NextInt(bound), 0, bound - 1);
                    Assert.InRange(generator.NextDouble(), 0, 1 - double.Epsilon);
                }
            );

    [Fact]
    public void Every_number_below_a_bound_is_about_equally_likely()
    {
        var generator = new SplitMix64(7);
        var counts = new int[6];
        for (var i = 0; i < 60_000; i++)
            counts[generator.NextInt(6)]++;
        // Six sides, 10,000 each, SD 91: five SDs either way.
        Assert.All(counts, count => Assert.InRange(count, 9_543, 10_457));
    }

    [Fact]
    public void A_bound_of_zero_is_refused() => Assert.Throws<ArgumentOutOfRangeException>(() => new SplitMix64(1).NextInt(0));
}
