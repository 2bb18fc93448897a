namespace MorningRound.Core.Golf;

/// <summary>The schools of dividing a session that a coach can pick for a student.</summary>
public enum Approach
{
    /// <summary>Half block, half random.</summary>
    EvenSplit,

    /// <summary>A third each of technique, skill and performance.</summary>
    ThreeParts,

    /// <summary>From technique to performance, by season.</summary>
    StepUp,

    /// <summary>A swing change under way.</summary>
    SlowBuild,

    /// <summary>Playing with one ball and a card.</summary>
    PlayIt,

    /// <summary>The days before a competition.</summary>
    Sharpen,
}
