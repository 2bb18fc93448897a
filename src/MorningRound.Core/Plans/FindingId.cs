using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans;

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
