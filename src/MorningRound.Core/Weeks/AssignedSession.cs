using MorningRound.Core.Calendar;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Weeks;

/// <summary>Whether a session belongs to the week's work or comes on top of it.</summary>
public enum Requirement
{
    /// <summary>Part of the week.</summary>
    Must,

    /// <summary>On top, never counted against.</summary>
    Extra,

    /// <summary>Practice that nobody set: it is shown, and stands outside the week's figure.</summary>
    Own,
}

/// <summary>Why a session counts for nothing.</summary>
public enum Excuse
{
    /// <summary>Ill.</summary>
    Ill,

    /// <summary>Hurt.</summary>
    Hurt,

    /// <summary>Away.</summary>
    Away,

    /// <summary>The weather.</summary>
    Weather,
}

/// <summary>Where an assigned session stands.</summary>
public enum SessionStatus
{
    /// <summary>Still to come.</summary>
    Open,

    /// <summary>Begun and not finished.</summary>
    UnderWay,

    /// <summary>Every segment that counts was done.</summary>
    Done,

    /// <summary>Some of it was done.</summary>
    PartDone,

    /// <summary>Pain, feeling unwell or the weather ended it before its end. What was left counts for nothing.</summary>
    Stopped,

    /// <summary>It was trimmed beforehand, and what was left of it was done: not a failure.</summary>
    Trimmed,

    /// <summary>Its day, or for "any day" its week, has passed with nothing done.</summary>
    Missed,

    /// <summary>Counts for nothing.</summary>
    Excused,
}

/// <summary>One published session of a student's week, with all that its standing and the week's figure need.</summary>
public sealed record AssignedSession
{
    /// <summary>The week it is set for.</summary>
    public required IsoWeek Week { get; init; }

    /// <summary>The day it is set for; null for "any day".</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Whether it counts.</summary>
    public required Requirement Requirement { get; init; }

    /// <summary>Why it counts for nothing; null where it counts.</summary>
    public Excuse? Excuse { get; init; }

    /// <summary>What the logs of this session add up to.</summary>
    public required CompletionFigures Completion { get; init; }

    /// <summary>Whether any log exists.</summary>
    public required bool HasLog { get; init; }

    /// <summary>Whether any log was finished.</summary>
    public required bool IsFinished { get; init; }

    /// <summary>Whether a log of it was made to fit less time or fewer balls.</summary>
    public bool IsTrimmed { get; init; }

    /// <summary>The last day on which it is due.</summary>
    public DateOnly Due => Day ?? Week.Sunday;

    /// <summary>Where the session stands on a day. A session set for a day can still be done later; then it is done.</summary>
    public SessionStatus StatusOn(DateOnly today)
    {
        if (Excuse is null && Completion.IsStopped)
            return SessionStatus.Stopped;
        if (Excuse is not null || (HasLog && Completion.PlannedMinutes == 0))
            return SessionStatus.Excused;
        if (HasLog && !IsFinished && today <= Due)
            return SessionStatus.UnderWay;
        if (Completion.IsWhole)
            return SessionStatus.Done;
        if (Completion.DoneMinutes > 0)
            return IsTrimmed && IsFinished ? SessionStatus.Trimmed : SessionStatus.PartDone;
        return today > Due || IsFinished ? SessionStatus.Missed : SessionStatus.Open;
    }
}
