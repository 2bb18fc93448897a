using MathNet.Numerics.Distributions;
using MorningRound.Core.Statistics;
using Normal = MorningRound.Core.Statistics.Normal;

namespace MorningRound.Core.Tests.Statistics;

public class NormalTests
{
    /// <summary>Held against MathNet.Numerics.</summary>
    [Fact]
    public void The_share_below_a_number_is_as_the_reference_library_gives() =>
        Assert.All(
            Enumerable.Range(-40, 81).Select(i => i / 10.0),
            z => Assert.Equal(MathNet.Numerics.Distributions.Normal.CDF(0, 1, z), Normal.Below(z), 2e-7)
        );
}
