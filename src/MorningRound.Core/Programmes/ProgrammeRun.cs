using MorningRound.Core.Calendar;

namespace MorningRound.Core.Programmes;

/// <summary>A programme that was started for a student, alone or with a squad.</summary>
public sealed record ProgrammeRun
{
    /// <summary>The week it was started in: of a squad the squad's, also for those who came later.</summary>
    public required IsoWeek Start { get; init; }

    /// <summary>The first week in which this student takes part: later than the start for somebody who came later.</summary>
    public required IsoWeek From { get; init; }

    /// <summary>The first week in which this student does not take part any more; null while it goes on.</summary>
    public IsoWeek? Until { get; init; }

    /// <summary>
    /// Weeks in which it waited for this student, from <see cref="From"/> on. What was due then comes a week later.
    /// </summary>
    public IReadOnlyList<IsoWeek> Waits { get; init; } = [];

    /// <summary>
    /// The week of the programme that a week of the calendar is for this student; null before it starts and after it ended,
    /// and in a week in which it waits.
    /// </summary>
    /// <param name="week">The week of the calendar.</param>
    /// <param name="weeks">How many weeks the programme takes.</param>
    public int? WeekIn(IsoWeek week, int weeks)
    {
        if (week < From || (Until is { } until && week >= until) || Waits.Contains(week))
            return null;
        var passed = (week.Monday.DayNumber - Start.Monday.DayNumber) / 7;
        var number = passed + 1 - Waits.Count(w => w < week && w >= From);
        return number >= 1 && number <= weeks ? number : null;
    }

    /// <summary>The last week of the calendar in which this student takes part.</summary>
    /// <param name="weeks">How many weeks the programme takes.</param>
    public IsoWeek LastWeek(int weeks)
    {
        var last = Start.Plus(weeks - 1 + Waits.Count(w => w >= From));
        return Until is { } until && until <= last ? until.Plus(-1) : last;
    }
}
