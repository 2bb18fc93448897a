namespace MorningRound.Core.Golf;

/// <summary>The side a player stands on. It decides which arm is the lead arm.</summary>
public enum Hand
{
    /// <summary>Right-handed: the left arm leads.</summary>
    Right,

    /// <summary>Left-handed: the right arm leads.</summary>
    Left,
}

/// <summary>How far a student has come, in the four steps that drafts and programmes use.</summary>
public enum Level
{
    /// <summary>New to the game.</summary>
    New,

    /// <summary>On the way.</summary>
    Improving,

    /// <summary>A handicap of one figure.</summary>
    SingleFigure,

    /// <summary>Competing at the top.</summary>
    Elite,
}

/// <summary>What is usual at a level.</summary>
public static class Levels
{
    /// <summary>
    /// The share of attempts, 0 to 1, that usually succeed at the step a player of the level begins on: four in ten for somebody
    /// new, nine for the best. The product's own numbers.
    /// </summary>
    public static double UsualShare(this Level level) =>
        level switch
        {
            Level.New => 0.4,
            Level.Improving => 0.6,
            Level.SingleFigure => 0.8,
            _ => 0.9,
        };
}

/// <summary>How old a student is, as far as practice has to know.</summary>
public enum AgeBand
{
    /// <summary>Under 12.</summary>
    UnderTwelve,

    /// <summary>12 to 17.</summary>
    TwelveToSeventeen,

    /// <summary>18 to 59.</summary>
    Adult,

    /// <summary>60 and over.</summary>
    SixtyAndOver,
}
