using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using MorningRound.Core.Canonical;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;

namespace MorningRound.Core.Drills;

/// <summary>Phases whose results may stand in one figure.</summary>
public enum PhaseGroup
{
    /// <summary>Warm-up, whose results are never compared with any other.</summary>
    WarmUp,

    /// <summary>Block.</summary>
    Block,

    /// <summary>Random and on-course together.</summary>
    RandomOrOnCourse,
}

/// <summary>
/// Two results are comparable when their keys are equal: same drill, same protocol with the same parameters (seed and goal
/// apart, and the number of attempts where the result is a share, a mean or a spread), same rung, same modifiers, same phase
/// group.
/// </summary>
public static class ComparabilityKey
{
    /// <summary>The group of a phase.</summary>
    public static PhaseGroup Group(this Phase phase) =>
        phase switch
        {
            Phase.WarmUp => PhaseGroup.WarmUp,
            Phase.Block => PhaseGroup.Block,
            _ => PhaseGroup.RandomOrOnCourse,
        };

    /// <summary>
    /// The key, as 32 hexadecimal digits. A drill's name may change without breaking its trend, its parameters may not.
    /// </summary>
    public static string Of(Guid drillId, ScoringProtocol protocol, int rung, Modifiers modifiers, Phase phase)
    {
        var text = CanonicalText.Of(new Parts(drillId, protocol.AsCompared(), rung, modifiers, phase.Group()));
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)).AsSpan(0, 16));
    }

    private sealed record Parts(Guid Drill, ScoringProtocol Protocol, int Rung, Modifiers Modifiers, PhaseGroup Group);
}
