namespace MorningRound.Core.Golf;

/// <summary>The side a player stands on. It decides which arm is the lead arm.</summary>
public enum Hand
{
    Right,
    Left,
}

/// <summary>How far a student has come, in the four steps that drafts and programmes use.</summary>
public enum Level
{
    New,
    Improving,
    SingleFigure,
    Elite,
}

/// <summary>How old a student is, as far as practice has to know.</summary>
public enum AgeBand
{
    UnderTwelve,
    TwelveToSeventeen,
    Adult,
    SixtyAndOver,
}
