using System.Text.Json.Serialization;

namespace MorningRound.Core.Plans.Check;

/// <summary>How much a finding weighs. Only a stop keeps a plan from being published.</summary>
public enum FindingLevel
{
    Note,
    Advice,
    Caution,
    Stop,
}

/// <summary>Everything a plan can be found to be.</summary>
public enum FindingId
{
    NoPurpose,
    NoFocus,
    NoSuccessTest,
    OverTime,
    OverBalls,
    UnderTime,
    NoWarmUp,
    WarmUpScored,
    WarmUpTechnical,
    PhaseOrder,
    Balance,
    NoFeedback,
    ManyFocuses,
    PaceFast,
    PaceSlow,
    SameClubRun,
    RepeatedCall,
    NoTransfer,
    SameCriterion,
    SimTooWide,
    AidsOut,
    NoBreak,
    Place,
    Equipment,
    WrongGreen,
    Wind,
    CompetitionNear,
    Fatigue,
    Hurt,
    Minor,
}

/// <summary>One thing about a plan that a coach would want to know.</summary>
public sealed record Finding
{
    public required FindingId Id { get; init; }

    public required FindingLevel Level { get; init; }

    /// <summary>The segment it is about; none for the plan as a whole.</summary>
    public Guid? SegmentId { get; init; }

    /// <summary>Why, in one plain sentence.</summary>
    public required string Why { get; init; }

    /// <summary>What applying the fix would do, in a few words; none where there is no fix that makes the plan better.</summary>
    public string? Fix { get; init; }

    /// <summary>Why the coach lives with it; none while it stands.</summary>
    public string? OverruledBecause { get; init; }

    [JsonIgnore]
    internal Func<SessionPlan>? Mend { get; init; }
}
