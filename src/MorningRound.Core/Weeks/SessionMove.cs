using MorningRound.Core.Calendar;
using MorningRound.Core.Students;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Weeks;

/// <summary>Why a session cannot be held, as a student says it.</summary>
public enum CannotReason
{
    /// <summary>Ill.</summary>
    Ill,

    /// <summary>Hurt.</summary>
    Hurt,

    /// <summary>Away.</summary>
    Away,

    /// <summary>The weather.</summary>
    Weather,

    /// <summary>No time: it is noted, and excuses nothing.</summary>
    NoTime,
}

/// <summary>What a student may do with a session of their own week.</summary>
public static class SessionMove
{
    /// <summary>
    /// What keeps a student from moving a session to a day, at the path of the day; empty when nothing does. Inside its week,
    /// from today on, on a day they can, and where times are on record into one of them.
    /// </summary>
    /// <param name="session">The session as it stands.</param>
    /// <param name="day">The day it is to go to.</param>
    /// <param name="today">Today.</param>
    /// <param name="file">The student's file, with times and days away.</param>
    /// <param name="fits">Whether the session fits into a time.</param>
    public static IReadOnlyList<FieldError> Check(
        AssignedSession session,
        DateOnly day,
        DateOnly today,
        StudentFile file,
        Func<PracticeWindow, bool> fits
    ) =>
        new FieldErrors()
            .Require(CanStillBeChanged(session, today), "day", "This session is over, or was begun already.")
            .Require(session.Week.Contains(day), "day", "A day of the session’s own week, please.")
            .Require(day >= today, "day", "This day is over.")
            .Require(!file.Own.Absences.Any(a => a.Contains(day)), "day", "You said that you are away on this day.")
            .Require(
                file.Own.Windows.Count == 0 || file.Own.Windows.Any(w => w.Weekday == day.DayOfWeek && fits(w)),
                "day",
                "None of your times on this day is long enough for it, at the right ground."
            )
            .Found;

    /// <summary>
    /// Whether a student may still move it or say that they cannot: it was not begun, and its
    /// week is not over.
    /// </summary>
    public static bool CanStillBeChanged(AssignedSession session, DateOnly today) =>
        !session.HasLog && session.Requirement != Requirement.Own && today <= session.Week.Sunday;

    /// <summary>The excuse that a reason is; null for no time, which is not one.</summary>
    public static Excuse? AsExcuse(this CannotReason reason) =>
        reason switch
        {
            CannotReason.Ill => Excuse.Ill,
            CannotReason.Hurt => Excuse.Hurt,
            CannotReason.Away => Excuse.Away,
            CannotReason.Weather => Excuse.Weather,
            _ => null,
        };
}
