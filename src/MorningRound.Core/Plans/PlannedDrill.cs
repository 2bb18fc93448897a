using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Plans;

/// <summary>
/// A drill as it stands in a plan: a copy from the shelf, with the step of its ladder, what is laid over it and what is asked
/// of it. Changing the drill on the shelf changes nothing here.
/// </summary>
public sealed record PlannedDrill
{
    /// <summary>The drill's id on the shelf it was taken from.</summary>
    public required Guid DrillId { get; init; }

    /// <summary>The drill as it was when it was taken.</summary>
    public required Drill Drill { get; init; }

    /// <summary>The step of the drill's ladder, from 0; 0 where there is none.</summary>
    public int Rung { get; init; }

    /// <summary>What is laid over it.</summary>
    public Modifiers Modifiers { get; init; } = Modifiers.None;

    /// <summary>What is asked of it; null where nothing is.</summary>
    public DrillGoal? Goal { get; init; }

    /// <summary>Whether it is kept because it is hard: then results that fall short do not ease it.</summary>
    public bool IsKeptBecauseHard { get; init; }

    /// <summary>How it is scored at its rung, before the student's own numbers are filled in.</summary>
    public ScoringProtocol Protocol() => Drill.ProtocolAt(Rung);

    /// <summary>
    /// The drill as it is set: only its own step of the ladder is left, because the others can no longer be chosen.
    /// </summary>
    public PlannedDrill ForPublishing() => this with { Drill = Drill with { Protocol = Protocol(), Ladder = [] } };

    /// <summary>Everything wrong, added under the path.</summary>
    public IReadOnlyList<FieldError> Check(string path)
    {
        var errors = new FieldErrors()
            .Require(DrillId != Guid.Empty, $"{path}.drillId", "An id is needed.")
            .RequireBetween(Rung, 0, Math.Max(0, Drill.Ladder.Count - 1), $"{path}.rung", "steps")
            .Require(
                Goal is not { } goal || Protocol().GoalMeasures.Any(m => m.Name == goal.Measure),
                $"{path}.goal.measure",
                "No goal can be stated in this for this drill."
            )
            .Require(
                Goal is not { } asked || Math.Abs(asked.Limit) <= 1000,
                $"{path}.goal.limit",
                "A goal lies between −1000 and 1000."
            );
        Modifiers.Check(errors, $"{path}.modifiers");
        return [.. errors.Found, .. DrillRules.Check(Drill).Select(e => e with { Path = $"{path}.drill.{e.Path}" })];
    }
}
