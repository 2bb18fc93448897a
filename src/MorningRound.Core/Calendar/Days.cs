using MorningRound.Core.Validation;

namespace MorningRound.Core.Calendar;

/// <summary>Reckoning with days that cannot fall off the calendar, and the days that can be meant at all.</summary>
public static class Days
{
    /// <summary>How many years before and after today a day can lie that somebody writes down.</summary>
    public const int Years = 20;

    /// <summary>The day moved by a number of days; it stops at the ends of the calendar.</summary>
    public static DateOnly Plus(this DateOnly day, int days) =>
        DateOnly.FromDayNumber(
            (int)Math.Clamp((long)day.DayNumber + days, DateOnly.MinValue.DayNumber, DateOnly.MaxValue.DayNumber)
        );

    /// <summary>Whether a day lies within <see cref="Years"/> of today.</summary>
    public static bool IsNear(this DateOnly day, DateOnly today) => Math.Abs(day.DayNumber - today.DayNumber) <= Years * 366;

    /// <summary>A day that somebody can mean: within <see cref="Years"/> of today. None is fine.</summary>
    public static FieldErrors RequireNear(this FieldErrors errors, DateOnly? day, DateOnly today, string path) =>
        errors.Require(day is not { } given || given.IsNear(today), path, $"A day within {Years} years of today, please.");

    /// <summary>A day that has come: today or before, within <see cref="Years"/>. None is fine.</summary>
    public static FieldErrors RequirePast(this FieldErrors errors, DateOnly? day, DateOnly today, string path) =>
        errors.RequireNear(day, today, path).Require(day is not { } given || given <= today, path, "This day is still to come.");
}
