using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks.Checking;

/// <summary>A session of a week that is checked.</summary>
/// <param name="Id">Its id, unique in the week.</param>
/// <param name="Plan">What is done in it.</param>
/// <param name="Day">Its day; null for "any day".</param>
/// <param name="Requirement">Whether it counts.</param>
/// <param name="Order">Its place in a stated order; null where there is none.</param>
/// <param name="IsOver">Whether it was practised, excused or missed: then it is not checked, and what it loaded is in the load
/// already.</param>
/// <param name="IsExcused">Whether it counts for nothing.</param>
public sealed record SessionToCheck(
    Guid Id,
    SessionPlan Plan,
    DateOnly? Day,
    Requirement Requirement = Requirement.Must,
    int? Order = null,
    bool IsOver = false,
    bool IsExcused = false
);

/// <summary>One student's week, published or not.</summary>
public sealed record WeekToCheck
{
    /// <summary>The week.</summary>
    public required IsoWeek Week { get; init; }

    /// <summary>The day on which it is looked at: an "any day" session is checked for the days that are left.</summary>
    public required DateOnly Today { get; init; }

    /// <summary>The student, the grounds, and what is known of both. Its load is that of this week so far.</summary>
    public required PlanContext Context { get; init; }

    /// <summary>The sessions of the week, each id once.</summary>
    public required IReadOnlyList<SessionToCheck> Sessions { get; init; }
}

/// <summary>What a week can be found to be.</summary>
public enum WeekFindingId
{
    /// <summary>More load than the weeks before make wise.</summary>
    Load,

    /// <summary>A drill on the same day again, or on the next.</summary>
    DrillRepeated,

    /// <summary>No minutes for what costs most, or for what the student believes is weak.</summary>
    AreaForgotten,

    /// <summary>Technique on a competition's day, or on the day of arrival.</summary>
    SwingWork,

    /// <summary>More minutes than the student has times for, in all or on a day.</summary>
    OverTimes,

    /// <summary>A session on a day on which the student cannot.</summary>
    Absence,

    /// <summary>No day without a session or a competition.</summary>
    NoRestDay,

    /// <summary>Two heavy days side by side.</summary>
    HeavyTogether,

    /// <summary>A session before one that comes first in the stated order.</summary>
    OutOfOrder,

    /// <summary>A long session just before a competition, or on the day of arrival.</summary>
    Taper,
}

/// <summary>One thing about a week as a whole.</summary>
/// <param name="Id">Which rule found it.</param>
/// <param name="Level">How much it weighs. No week is held back as a whole.</param>
/// <param name="Message">Why: which sentence, and of what.</param>
/// <param name="SessionId">The session it is about; null for the week.</param>
public sealed record WeekFinding(
    WeekFindingId Id,
    FindingLevel Level,
    [property: JsonIgnore] Message Message,
    Guid? SessionId = null
)
{
    /// <summary>Why, in one plain sentence.</summary>
    public string Why => Message.In();
}

/// <summary>What the plan check says of one session, for this student on its day.</summary>
/// <param name="Id">The session.</param>
/// <param name="Day">The day that was looked at; for "any day" the one on which it is mildest. Null where nothing was
/// checked.</param>
/// <param name="Findings">Everything found, the heaviest first. Those of the load stand with the week.</param>
public sealed record SessionFindings(Guid Id, DateOnly? Day, IReadOnlyList<Finding> Findings)
{
    /// <summary>Whether something keeps it from being published.</summary>
    public bool IsHeldBack => Findings.Any(f => f.Level == FindingLevel.Stop);
}

/// <summary>Minutes of a week in one part of the game, beside what is known of that part.</summary>
/// <param name="Area">The part.</param>
/// <param name="Minutes">Planned minutes after warming up, of all sessions of the week that count.</param>
/// <param name="Shortfall">The mean share that was missing to goals lately, 0 to 1; null where no result says anything.</param>
/// <param name="StrokesLost">
/// Strokes that real rounds lose by it in eighteen holes; null where they do not say, or nothing worth working on.
/// </param>
/// <param name="IsBelievedWeak">Whether the student believes it is weak.</param>
public sealed record AreaOfWeek(Area Area, int Minutes, double? Shortfall, double? StrokesLost, bool IsBelievedWeak);

/// <summary>A week looked over.</summary>
/// <param name="Sessions">Each session's findings, in the order of the week's list.</param>
/// <param name="Week">What is to be said of all of it, the heaviest first.</param>
/// <param name="Areas">
/// Minutes by part of the game: those with minutes, with losses in results or rounds, or believed weak.
/// </param>
/// <param name="Minutes">Planned minutes of the sessions that are not over.</param>
/// <param name="LoadRatio">
/// The week's load with them over the mean of the four weeks before; null with less history.
/// </param>
public sealed record CheckedWeek(
    IReadOnlyList<SessionFindings> Sessions,
    IReadOnlyList<WeekFinding> Week,
    IReadOnlyList<AreaOfWeek> Areas,
    int Minutes,
    double? LoadRatio
);
