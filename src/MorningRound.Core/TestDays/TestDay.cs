using MorningRound.Core.Calendar;
using MorningRound.Core.Validation;

namespace MorningRound.Core.TestDays;

/// <summary>
/// A fixed set of drills that the same students do every so many weeks, so that they can be set beside themselves. What is done
/// stands in a plan that nobody changes any more.
/// </summary>
public sealed record TestDay
{
    /// <summary>The longest name, in characters.</summary>
    public const int LongestName = 120;

    /// <summary>The most students of one test day: a squad on a green.</summary>
    public const int MostStudents = 40;

    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>How many weeks there are from one to the next, 1 to 52.</summary>
    public required int EveryWeeks { get; init; }

    /// <summary>The day of the first.</summary>
    public required DateOnly FirstDay { get; init; }

    /// <summary>Who takes part, each once.</summary>
    public required IReadOnlyList<Guid> Students { get; init; }

    /// <summary>
    /// The day of the next one: the first day while none was set, then so many weeks after the last; a day that has gone by
    /// without is today, because it is due.
    /// </summary>
    /// <param name="set">The days that were set so far, in any order.</param>
    /// <param name="today">The day it is.</param>
    public DateOnly NextAfter(IReadOnlyCollection<DateOnly> set, DateOnly today)
    {
        var planned = set.Count == 0 ? FirstDay : set.Max().Plus(7 * EveryWeeks);
        return planned < today ? today : planned;
    }

    /// <summary>Everything wrong, each with its path; empty when it can be kept.</summary>
    /// <param name="today">The day it is.</param>
    public IReadOnlyList<FieldError> Check(DateOnly today) =>
        new FieldErrors()
            .RequireText(Name, "name", LongestName)
            .RequireIn(EveryWeeks, FieldRanges.WeeksBetweenTests, "everyWeeks", "weeks")
            .RequireNear(FirstDay, today, "firstDay")
            .Require(Students.Count > 0, "students", "Name at least one student.")
            .RequireAtMost(Students.Count, MostStudents, "students")
            .RequireOnce(Students, "students")
            .Found;
}

/// <summary>What a new test day starts as.</summary>
/// <param name="EveryWeeks">How many weeks there are from one to the next. [own default]</param>
public sealed record TestDayBeginning(int EveryWeeks)
{
    /// <summary>Long enough that practice can have changed something.</summary>
    public static TestDayBeginning Usual { get; } = new(6);
}
