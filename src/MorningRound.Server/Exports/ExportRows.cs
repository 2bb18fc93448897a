using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;

namespace MorningRound.Server.Exports;

/// <summary>The tables that go out as CSV; docs/data-dictionary.md says what each column means.</summary>
public enum ExportTable
{
    /// <summary>One line a student.</summary>
    Students,

    /// <summary>One line a published session.</summary>
    Sessions,

    /// <summary>One line a segment of a published session.</summary>
    Segments,

    /// <summary>One line a measure of a result.</summary>
    Results,

    /// <summary>One line a rated session.</summary>
    Ratings,

    /// <summary>One line a real round.</summary>
    Rounds,
}

/// <summary>A student.</summary>
public sealed record StudentLine(
    Guid StudentId,
    string Name,
    Level Level,
    Hand Hand,
    AgeBand AgeBand,
    Approach? Approach,
    string Focus
);

/// <summary>A published session.</summary>
public sealed record SessionLine(
    Guid SessionId,
    Guid StudentId,
    string Week,
    DateOnly? Day,
    string Title,
    Requirement Requirement,
    Excuse? Excuse,
    SessionStatus Status,
    int PlannedMinutes,
    double DoneMinutes,
    double ReportedMinutes,
    DateOnly? PractisedOn,
    double? MinutesPractised,
    int? Strokes,
    bool? SomeStrokesUnknown,
    int SlowRepetitions,
    int OrdinaryRepetitions,
    int? WorstPain,
    Recording? Recording
);

/// <summary>A segment of a published session.</summary>
public sealed record SegmentLine(
    Guid SessionId,
    Guid StudentId,
    Guid SegmentId,
    int Position,
    string Title,
    Phase Phase,
    Intent Intent,
    Area? Area,
    string Skill,
    PlaceKind Place,
    int Minutes,
    int Balls,
    Guid? DrillId,
    string Drill,
    int? Step,
    string GoalMeasure,
    double? GoalLimit
);

/// <summary>A measure of what a log gave of a drill.</summary>
public sealed record ResultLine(
    Guid SessionId,
    Guid StudentId,
    Guid SegmentId,
    DateOnly Day,
    Guid DrillId,
    string Drill,
    string Comparable,
    int Step,
    Phase Phase,
    Area? Area,
    string Skill,
    string Criterion,
    string Measure,
    double? Value,
    bool IsLeading,
    double? DoubtLow,
    double? DoubtHigh,
    int Attempts,
    int? Successes,
    int? SuccessesOf,
    string GoalMeasure,
    double? GoalLimit,
    bool? GoalMet,
    Recording Recording
);

/// <summary>How a student judged a session.</summary>
public sealed record RatingLine(
    Guid SessionId,
    Guid StudentId,
    DateOnly PractisedOn,
    int? Focus,
    int? Quality,
    int? Confidence,
    int? Enjoyment,
    int? Effort,
    bool? PurposeMet,
    string Note
);

/// <summary>A real round.</summary>
public sealed record RoundLine(
    Guid RoundId,
    Guid StudentId,
    DateOnly Day,
    string Course,
    int Holes,
    int Par,
    int Score,
    int? Fairways,
    int? FairwaysOf,
    int? Greens,
    int? UpAndDowns,
    int? UpAndDownsOf,
    int? Putts,
    int? Penalties
);
