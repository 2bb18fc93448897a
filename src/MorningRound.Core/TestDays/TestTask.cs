using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;

namespace MorningRound.Core.TestDays;

/// <summary>One drill of a test day.</summary>
/// <param name="SegmentId">The segment of the plan it stands in.</param>
/// <param name="DrillId">The drill.</param>
/// <param name="Drill">Its name.</param>
/// <param name="Step">The name of its step; empty where it has one only.</param>
/// <param name="Rung">The step of its ladder, from 0.</param>
/// <param name="Group">In which kind of practice.</param>
/// <param name="Area">The part of the game.</param>
/// <param name="Figure">What is measured.</param>
public sealed record TestTask(
    Guid SegmentId,
    Guid DrillId,
    string Drill,
    string Step,
    int Rung,
    PhaseGroup Group,
    Area? Area,
    MeasureKind Figure
)
{
    /// <summary>
    /// The drills of a plan that are scored, warm-ups apart, in order; the same drill on the same step once. Empty where a plan
    /// scores nothing: then it is no test.
    /// </summary>
    public static IReadOnlyList<TestTask> Of(SessionPlan plan) =>
        [
            .. plan.Practice()
                .Where(s => s is { Phase: not Phase.WarmUp, Drill: not null } && s.Drill.Protocol().MeasureKinds.Count > 0)
                .Select(s => new TestTask(
                    s.Id,
                    s.Drill!.DrillId,
                    s.Drill.Drill.Name,
                    s.Drill.Drill.Ladder.Count > 1 && s.Drill.Rung < s.Drill.Drill.Ladder.Count
                        ? s.Drill.Drill.Ladder[s.Drill.Rung].Name
                        : "",
                    s.Drill.Rung,
                    s.Phase.Group(),
                    s.EffectiveArea,
                    s.Drill.Protocol().MeasureKinds[0]
                ))
                .DistinctBy(t => (t.DrillId, t.Rung, t.Group)),
        ];
}
