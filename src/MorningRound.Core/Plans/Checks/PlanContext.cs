using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Checks;

/// <summary>What a plan is checked against. Whatever is not known is not judged.</summary>
public sealed record PlanContext
{
    /// <summary>The day it is for.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>The student's file; none for a plan that is for nobody in particular.</summary>
    public StudentFile? Student { get; init; }

    public Level Level { get; init; } = Level.Improving;

    public Hand Hand { get; init; } = Hand.Right;

    /// <summary>The grounds there are.</summary>
    public IReadOnlyList<ListedPlace> Places { get; init; } = [];

    public IReadOnlyList<HurtPart> Hurt { get; init; } = [];

    /// <summary>What the student has done lately; none where it is not known.</summary>
    public WeekLoad? Load { get; init; }

    public Season Season => Student is { } file ? Seasons.On(Day, file) : Season.OffSeason;

    /// <summary>The approach by which a plan is judged: its own, or else the student's; none where neither says.</summary>
    public Approach? ApproachOf(SessionPlan plan) => plan.Constraints.Approach ?? Student?.Coach.Approach;
}
