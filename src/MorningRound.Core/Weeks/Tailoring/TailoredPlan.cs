using System.Text.Json.Serialization;
using MorningRound.Core.Plans;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks.Tailoring;

/// <summary>
/// Where a student stands on a drill's own ladder: the step of the latest result, and how often running its goal was met there.
/// </summary>
/// <param name="DrillId">The drill.</param>
/// <param name="Rung">The step, from 0.</param>
/// <param name="MetInARow">The latest comparable results that met their goal, one after another; 0 where the last one did
/// not.</param>
public sealed record LadderStanding(Guid DrillId, int Rung, int MetInARow)
{
    /// <summary>
    /// How many comparable results running must meet the goal before the next step is offered. The product's own number, until
    /// whole weeks are judged.
    /// </summary>
    public const int ForNextStep = 2;

    /// <summary>Whether the next step is due.</summary>
    public bool IsNextStepDue => MetInARow >= ForNextStep;
}

/// <summary>What was changed in a plan so that it is one student's own.</summary>
public enum PlanChangeKind
{
    /// <summary>Clubs that are not in the bag gave way to the nearest ones, or were left out.</summary>
    Clubs,

    /// <summary>Numbers come in the student's unit.</summary>
    Unit,

    /// <summary>A drill was exchanged.</summary>
    Drill,

    /// <summary>A drill should be exchanged, and nothing on the shelf fits.</summary>
    NothingFits,

    /// <summary>Another step of a drill's ladder.</summary>
    Rung,
}

/// <summary>One change, and why.</summary>
/// <param name="Kind">What was changed.</param>
/// <param name="Message">What and why: which sentence, and of what.</param>
/// <param name="SegmentId">The segment; null for the plan as a whole.</param>
public sealed record PlanChange(PlanChangeKind Kind, [property: JsonIgnore] Message Message, Guid? SegmentId = null)
{
    /// <summary>What and why, in one plain sentence.</summary>
    public string Why => Message.In();
}

/// <summary>A plan as it suits one student.</summary>
/// <param name="Plan">The plan; the one that was given where nothing had to be changed.</param>
/// <param name="Changes">Everything that was changed, in the order of the plan; empty where nothing was.</param>
public sealed record TailoredPlan(SessionPlan Plan, IReadOnlyList<PlanChange> Changes);
