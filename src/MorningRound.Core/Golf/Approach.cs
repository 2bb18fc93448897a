namespace MorningRound.Core.Golf;

/// <summary>The schools of dividing a session that a coach can pick for a student.</summary>
public enum Approach
{
    EvenSplit,
    ThreeParts,
    StepUp,
    SlowBuild,
    PlayIt,
    Sharpen,
}
