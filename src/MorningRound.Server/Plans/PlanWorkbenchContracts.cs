using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;

namespace MorningRound.Server.Plans;

/// <summary>A plan to be checked, for whom and for which day; without a student or the squad it is checked by itself.</summary>
public sealed record PlanCheckInput
{
    public required SessionPlan Plan { get; init; }

    public Guid? StudentId { get; init; }

    /// <summary>Whether the whole squad is to practise it.</summary>
    public bool IsForSquad { get; init; }

    public DateOnly? Day { get; init; }
}

/// <summary>A share that an approach asks for, in percent of the minutes after warm-up, and what the plan has.</summary>
public sealed record ShareView(string Text, double Least, double Most, double Percent);

public sealed record AreaMinutes(Area Area, int Minutes);

/// <summary>What the bench shows beside a plan while it is written.</summary>
public sealed record PlanCheckView
{
    public required PlanAnalysis Analysis { get; init; }

    /// <summary>Whether it was checked: not while a field of it, its title apart, keeps it from being saved.</summary>
    public required bool IsChecked { get; init; }

    /// <summary>The heaviest first; empty while it was not checked.</summary>
    public required IReadOnlyList<Finding> Findings { get; init; }

    /// <summary>The approach it is judged by; null where neither plan nor student names one.</summary>
    public required Approach? Approach { get; init; }

    /// <summary>The student's season on the day; null without a student.</summary>
    public required Season? Season { get; init; }

    public required IReadOnlyList<ShareView> Shares { get; init; }

    /// <summary>Minutes by area of the game.</summary>
    public required IReadOnlyList<AreaMinutes> Areas { get; init; }

    /// <summary>Below zero when there are too many; null where no minutes were said.</summary>
    public required int? MinutesLeft { get; init; }

    public required int? BallsLeft { get; init; }

    /// <summary>Who the squad is, in a line; null unless it was asked for.</summary>
    public required string? Squad { get; init; }
}

/// <summary>Holes to be laid out, for a student or, without one, on the ground alone.</summary>
public sealed record HolesInput
{
    public required HolesToPlay Play { get; init; }

    public Guid? StudentId { get; init; }
}

/// <summary>Holes as they would lie, before anything is published.</summary>
public sealed record HolesView
{
    /// <summary>Null where something is missing.</summary>
    public required LaidHoles? Laid { get; init; }

    /// <summary>How each lies, in words; empty where something is missing.</summary>
    public required IReadOnlyList<string> Lies { get; init; }

    /// <summary>Why they cannot be laid out, in words; null when they can.</summary>
    public required string? Missing { get; init; }

    /// <summary>What the segment is called with them.</summary>
    public required string Name { get; init; }

    /// <summary>The minutes they usually take at a bay.</summary>
    public required int UsualMinutes { get; init; }

    /// <summary>The balls they usually take.</summary>
    public required int UsualBalls { get; init; }
}

public sealed record PlanFixInput
{
    public required SessionPlan Plan { get; init; }

    public Guid? StudentId { get; init; }

    public DateOnly? Day { get; init; }

    public required FindingId Finding { get; init; }

    public Guid? SegmentId { get; init; }
}

public sealed record PlanDraftInput
{
    public required DraftRequest Request { get; init; }

    public Guid? StudentId { get; init; }

    /// <summary>Several students it is drafted for together; empty for the one, or for nobody in particular.</summary>
    public IReadOnlyList<Guid> StudentIds { get; init; } = [];

    public DateOnly? Day { get; init; }
}

public sealed record ShotCallsInput
{
    public required CalledShots Protocol { get; init; }

    public required ulong Seed { get; init; }
}

public sealed record ShotCallsView(IReadOnlyList<ShotCall> Calls, CallVariety Variety);

public sealed record TemplateView(SessionPlan Plan, PlanTotals Totals, IReadOnlyList<StripSegment> Strip);

/// <summary>Who a plan is for.</summary>
public sealed record PlanContextView
{
    public required Guid StudentId { get; init; }

    public required string Name { get; init; }

    public required Level Level { get; init; }

    public required Hand Hand { get; init; }

    public required Season Season { get; init; }

    public required Approach? Approach { get; init; }

    public required FocusChain Focus { get; init; }

    public required string? NextCompetition { get; init; }

    /// <summary>Below zero while it is under way.</summary>
    public required int? DaysToCompetition { get; init; }

    /// <summary>What the student carries.</summary>
    public required IReadOnlyList<Equipment> Equipment { get; init; }

    /// <summary>What hurts and nobody has cleared, in lead and trail words.</summary>
    public required IReadOnlyList<string> Hurt { get; init; }

    /// <summary>None with under four weeks of history.</summary>
    public required LoadBand? Load { get; init; }

    public required double? LoadRatio { get; init; }

    public required IReadOnlyList<PracticeWindow> Windows { get; init; }

    /// <summary>Clubs that belong among the calls because they are awkward.</summary>
    public required IReadOnlyList<Club> DislikedClubs { get; init; }

    /// <summary>Sides on which a target or trouble is disliked, and so belongs among the calls.</summary>
    public required IReadOnlyList<TargetSide> DislikedSides { get; init; }
}
