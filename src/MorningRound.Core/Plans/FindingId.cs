using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans;

/// <summary>Everything a plan can be found to be.</summary>
public enum FindingId
{
    /// <summary>No purpose.</summary>
    NoPurpose,

    /// <summary>Technique without saying on what.</summary>
    NoFocus,

    /// <summary>A purpose without anything that tells whether it was met.</summary>
    NoSuccessTest,

    /// <summary>More minutes than there are.</summary>
    OverTime,

    /// <summary>More range balls than there are.</summary>
    OverBalls,

    /// <summary>Minutes that are not planned.</summary>
    UnderTime,

    /// <summary>Full swings before any warm-up.</summary>
    NoWarmUp,

    /// <summary>A count in the warm-up.</summary>
    WarmUpScored,

    /// <summary>Technique in the warm-up.</summary>
    WarmUpTechnical,

    /// <summary>Block after random in the same part of the game.</summary>
    PhaseOrder,

    /// <summary>A share outside what the approach asks for.</summary>
    Balance,

    /// <summary>Technique without an answer to every ball.</summary>
    NoFeedback,

    /// <summary>A second focus for the same clubs.</summary>
    ManyFocuses,

    /// <summary>Faster than usual.</summary>
    PaceFast,

    /// <summary>Slower than usual.</summary>
    PaceSlow,

    /// <summary>Many balls in a row with one club, outside block.</summary>
    SameClubRun,

    /// <summary>The same call several times running, undeclared.</summary>
    RepeatedCall,

    /// <summary>Nothing that proves it when the shot changes.</summary>
    NoTransfer,

    /// <summary>A skill that is counted differently in block and after it.</summary>
    SameCriterion,

    /// <summary>A simulated fairway that is too wide.</summary>
    SimTooWide,

    /// <summary>Sticks or gates left out while holes are played.</summary>
    AidsOut,

    /// <summary>Too long without a pause.</summary>
    NoBreak,

    /// <summary>A drill or club that the place does not allow.</summary>
    Place,

    /// <summary>A thing that is not at hand.</summary>
    Equipment,

    /// <summary>Pace on a green of another speed than the competition's.</summary>
    WrongGreen,

    /// <summary>Wind that pulls the swing.</summary>
    Wind,

    /// <summary>Slow repetitions close to a competition.</summary>
    CompetitionNear,

    /// <summary>Fast swings too early, or a heavy week.</summary>
    Fatigue,

    /// <summary>A load on what hurts.</summary>
    Hurt,

    /// <summary>A minor without a guardian's consent.</summary>
    Minor,
}
