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
