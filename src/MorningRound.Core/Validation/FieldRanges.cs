namespace MorningRound.Core.Validation;

/// <summary>The least and the most that a number may be, both included, in the unit its field is typed in.</summary>
public readonly record struct FieldRange(double Least, double Most)
{
    /// <summary>Whether a number is allowed.</summary>
    public bool Contains(double number) => number >= Least && number <= Most;
}

/// <summary>
/// What a person may type into a number field. The rules refuse what is outside, and the screens say so while it is typed:
/// both read it here.
/// </summary>
public static class FieldRanges
{
    /// <summary>Minutes of a whole session.</summary>
    public static FieldRange SessionMinutes { get; } = new(5, 480);

    /// <summary>Balls of a whole session.</summary>
    public static FieldRange SessionBalls { get; } = new(0, 1000);

    /// <summary>Minutes of one segment.</summary>
    public static FieldRange SegmentMinutes { get; } = new(1, 240);

    /// <summary>Balls of one segment.</summary>
    public static FieldRange SegmentBalls { get; } = new(0, 400);

    /// <summary>Minutes that a student has today, of a session that was set.</summary>
    public static FieldRange MinutesAtHand { get; } = new(1, 480);

    /// <summary>Width of a fairway, in yards.</summary>
    public static FieldRange FairwayYards { get; } = new(1, 200);

    /// <summary>Share of the real width at which holes are laid out.</summary>
    public static FieldRange FairwayFactor { get; } = new(0.5, 1.2);

    /// <summary>Effort of a swing, in percent.</summary>
    public static FieldRange EffortPercent { get; } = new(10, 100);

    /// <summary>Distance of a target, in the unit of its marking.</summary>
    public static FieldRange TargetDistance { get; } = new(1, 400);

    /// <summary>Carry of a club or of a wedge swing, in yards.</summary>
    public static FieldRange CarryYards { get; } = new(1, 400);

    /// <summary>By how much a place carries further or a hole plays longer, in percent.</summary>
    public static FieldRange LongerPercent { get; } = new(-20, 20);

    /// <summary>Speed of a green, in feet.</summary>
    public static FieldRange GreenSpeedFeet { get; } = new(4, 16);

    /// <summary>Minutes of a walk between two places.</summary>
    public static FieldRange WalkMinutes { get; } = new(0, 60);

    /// <summary>Width or depth of a green, in the unit of its course.</summary>
    public static FieldRange GreenSize { get; } = new(5, 80);

    /// <summary>Repetitions asked of a swing change.</summary>
    public static FieldRange Repetitions { get; } = new(100, 20_000);

    /// <summary>Minutes of a time at which a student can practise.</summary>
    public static FieldRange AvailableMinutes { get; } = new(5, 480);

    /// <summary>Weeks of a programme.</summary>
    public static FieldRange ProgrammeWeeks { get; } = new(1, 26);

    /// <summary>Place of a session in the order of its week.</summary>
    public static FieldRange OrderInWeek { get; } = new(1, 14);

    /// <summary>Minutes for which a session can be drafted.</summary>
    public static FieldRange DraftMinutes { get; } = new(5, 180);

    /// <summary>Range balls for which a session can be drafted.</summary>
    public static FieldRange DraftBalls { get; } = new(0, 200);

    /// <summary>Attempts behind a starting value.</summary>
    public static FieldRange StartingAttempts { get; } = new(1, 10_000);

    /// <summary>Days for which a line of the security log is kept.</summary>
    public static FieldRange SecurityLogDays { get; } = new(30, 730);

    /// <summary>Weeks from one test day to the next.</summary>
    public static FieldRange WeeksBetweenTests { get; } = new(1, 52);
}
