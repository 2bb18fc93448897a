using MorningRound.Core.Students;

namespace MorningRound.Core.Weeks.Placing;

/// <summary>When the sessions of a day begin, as far as the student's times say so.</summary>
public static class TimesOfDay
{
    /// <summary>
    /// The time of the student's that each session takes, a time for one session only, the earliest that fits first; sessions for
    /// which there is none are missing.
    /// </summary>
    /// <param name="day">The day.</param>
    /// <param name="sessions">The sessions of the day, in their order.</param>
    /// <param name="times">The student's times.</param>
    public static IReadOnlyDictionary<Guid, PracticeWindow> Of(
        DateOnly day,
        IEnumerable<SessionToPlace> sessions,
        IEnumerable<PracticeWindow> times
    )
    {
        var left = times.Where(t => t.Weekday == day.DayOfWeek).OrderBy(t => t.From).ThenBy(t => t.Minutes).ToList();
        var taken = new Dictionary<Guid, PracticeWindow>();
        foreach (var session in sessions)
        {
            if (left.Find(session.FitsInto) is not { } time)
                continue;
            taken.Add(session.Id, time);
            left.Remove(time);
        }

        return taken;
    }
}
