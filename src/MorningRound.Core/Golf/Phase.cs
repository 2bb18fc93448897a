namespace MorningRound.Core.Golf;

/// <summary>Whether the shot repeats. The four phases a session climbs through, in their usual order.</summary>
public enum Phase
{
    /// <summary>Before anything counts.</summary>
    WarmUp,

    /// <summary>The same shot over and over.</summary>
    Block,

    /// <summary>Another shot every time.</summary>
    Random,

    /// <summary>Holes, played as on the course.</summary>
    OnCourse,
}

/// <summary>What a segment is for. Phase says whether the shot repeats; intent says why it is hit.</summary>
public enum Intent
{
    /// <summary>Loosening and warming the body.</summary>
    Body,

    /// <summary>Calm, attention, pictures.</summary>
    Mind,

    /// <summary>How the movement is made.</summary>
    Technique,

    /// <summary>Making the ball do what is wanted.</summary>
    Skill,

    /// <summary>Doing it once, when it counts.</summary>
    Performance,
}

/// <summary>The part of the game a segment works on.</summary>
public enum Area
{
    /// <summary>Putting.</summary>
    Putting,

    /// <summary>Chips around the green.</summary>
    Chip,

    /// <summary>Pitches.</summary>
    Pitch,

    /// <summary>Bunker shots.</summary>
    Bunker,

    /// <summary>Wedges from distance.</summary>
    Wedge,

    /// <summary>Irons.</summary>
    Iron,

    /// <summary>Fairway woods and hybrids.</summary>
    Wood,

    /// <summary>The driver.</summary>
    Driver,

    /// <summary>The body.</summary>
    Body,

    /// <summary>The mind.</summary>
    Mind,
}

/// <summary>Where the answer to every repetition comes from. Own feel counts when it is named.</summary>
public enum FeedbackSource
{
    /// <summary>A mirror.</summary>
    Mirror,

    /// <summary>A gate.</summary>
    Gate,

    /// <summary>Sticks.</summary>
    Sticks,

    /// <summary>Video.</summary>
    Video,

    /// <summary>The numbers of a launch monitor.</summary>
    LaunchNumbers,

    /// <summary>The coach.</summary>
    CoachEye,

    /// <summary>The contact with the ball.</summary>
    Contact,

    /// <summary>How the ball flies: where it starts, how it bends, how high.</summary>
    BallFlight,

    /// <summary>Where the ball comes down.</summary>
    Landing,

    /// <summary>How the ball rolls, and where it stops.</summary>
    Roll,

    /// <summary>The player's own feel, named.</summary>
    OwnFeel,
}
