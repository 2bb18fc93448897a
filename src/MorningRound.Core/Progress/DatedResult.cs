using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Progress;

/// <summary>A result at its place in a student's history, with what the student said of that session.</summary>
/// <param name="SessionId">The session it came from: every number can be opened down to it.</param>
/// <param name="DrillId">The drill, or the course.</param>
/// <param name="Area">The part of the game; null where it is all of it, as on holes.</param>
/// <param name="Key">Results with equal keys are comparable.</param>
/// <param name="Rung">The step of the drill's ladder, from 0.</param>
/// <param name="Day">The day.</param>
/// <param name="Result">The figures.</param>
/// <param name="Confidence">How confident the student was in that session, 1 to 10; null where nobody said.</param>
/// <param name="Quality">How good the student called it, 1 to 10; null where nobody said.</param>
/// <param name="Shortfall">How much was missing to what was asked, 0 to 1; null where nothing was asked.</param>
public sealed record DatedResult(
    Guid SessionId,
    Guid DrillId,
    Area? Area,
    string Key,
    int Rung,
    DateOnly Day,
    KeptResult Result,
    int? Confidence,
    int? Quality,
    double? Shortfall = null
)
{
    /// <summary>Which practice it belongs to.</summary>
    public PhaseGroup Group => Result.Phase.Group();
}
