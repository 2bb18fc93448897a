using MorningRound.Core.Calendar;
using MorningRound.Core.Students;

namespace MorningRound.Core.Weeks.Placing;

/// <summary>The days of a week that have no room for one more session.</summary>
public static class FullDays
{
    /// <summary>
    /// Days on which the student cannot, on which a competition is played, without a time of the student's, or with each time
    /// taken. Without any times on record a day holds one session.
    /// </summary>
    /// <param name="week">The week.</param>
    /// <param name="times">The student's times; empty where none are on record.</param>
    /// <param name="absences">The days on which the student cannot.</param>
    /// <param name="competitions">The student's competitions.</param>
    /// <param name="taken">The day of each session that stands in the week.</param>
    public static IReadOnlyList<DateOnly> Of(
        IsoWeek week,
        IReadOnlyCollection<PracticeWindow> times,
        IReadOnlyCollection<Absence> absences,
        IReadOnlyCollection<Competition> competitions,
        IReadOnlyCollection<DateOnly> taken
    ) =>
        [
            .. Enumerable
                .Range(0, 7)
                .Select(n => week.Monday.Plus(n))
                .Where(day =>
                    absences.Any(a => a.Contains(day))
                    || competitions.Any(c => c.IsPlayedOn(day))
                    || taken.Count(d => d == day) >= (times.Count == 0 ? 1 : times.Count(t => t.Weekday == day.DayOfWeek))
                ),
        ];
}
