using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;

namespace MorningRound.Core.Plans;

/// <summary>What a segment starts as when it is to be done with a drill.</summary>
/// <param name="Phase">The first phase the drill suits.</param>
/// <param name="Intent">The first intent the drill suits.</param>
/// <param name="Minutes">The drill's usual minutes.</param>
/// <param name="Balls">The drill's usual balls.</param>
/// <param name="Holes">The holes it counts, 1 to 18; none where it counts no holes.</param>
/// <param name="Exit">After its balls where it has any, otherwise after its minutes.</param>
public sealed record SegmentBeginning(Phase Phase, Intent Intent, int Minutes, int Balls, int? Holes, ExitRule Exit)
{
    /// <summary>The beginning for a drill. What the drill leaves open starts as a block of skill.</summary>
    public static SegmentBeginning Of(Drill drill)
    {
        var phase = drill.Phases.Count > 0 ? drill.Phases[0] : Phase.Block;
        return new SegmentBeginning(
            phase,
            drill.Intents.Count > 0 ? drill.Intents[0] : Intent.Skill,
            drill.UsualMinutes,
            drill.UsualBalls,
            phase == Phase.OnCourse && drill.Protocol is Repetitions { Count: { } holes } ? holes : null,
            drill.UsualBalls > 0 ? new AfterBalls() : new AfterMinutes()
        );
    }
}
