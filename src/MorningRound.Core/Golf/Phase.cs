namespace MorningRound.Core.Golf;

/// <summary>Whether the shot repeats. The four phases a session climbs through, in their usual order.</summary>
public enum Phase
{
    WarmUp,
    Block,
    Random,
    OnCourse,
}

/// <summary>What a segment is for. Phase says whether the shot repeats; intent says why it is hit.</summary>
public enum Intent
{
    Body,
    Mind,
    Technique,
    Skill,
    Performance,
}

/// <summary>The part of the game a segment works on.</summary>
public enum Area
{
    Putting,
    Chip,
    Pitch,
    Bunker,
    Wedge,
    Iron,
    Wood,
    Driver,
    Body,
    Mind,
}

/// <summary>Where the answer to every repetition comes from. Own feel counts when it is named.</summary>
public enum FeedbackSource
{
    Mirror,
    Gate,
    Sticks,
    Video,
    LaunchNumbers,
    CoachEye,
    Contact,
    OwnFeel,
}
