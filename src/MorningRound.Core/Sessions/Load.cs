using MorningRound.Core.Calendar;
using MorningRound.Core.Plans.Checks;

namespace MorningRound.Core.Sessions;

/// <summary>One session as load counts it.</summary>
/// <param name="Day">The day.</param>
/// <param name="Minutes">Minutes practised.</param>
/// <param name="Effort">0 to 10; null where it was not rated.</param>
public sealed record LoadedSession(DateOnly Day, double Minutes, int? Effort);

/// <summary>
/// Load: effort (0–10) × minutes, this week against the mean of the last four finished weeks. Nothing is said with fewer than
/// four weeks of history. Coaching is not medicine; this is a reason to look, not a finding about a body.
/// </summary>
/// <remarks>
/// Sources: effort × minutes, Foster et al., J Strength Cond Res 15 (2001) 109; the ratio's bounds, Gabbett, Br J Sports Med 50
/// (2016) 273.
/// </remarks>
public sealed record Load
{
    private const int Weeks = 4;

    /// <summary>Effort × minutes of the week so far.</summary>
    public required double ThisWeek { get; init; }

    /// <summary>The mean of the last four finished weeks before it; null with less history.</summary>
    public required double? MeanBefore { get; init; }

    /// <summary>The student's mean effort over those weeks and this one; null where nothing was rated.</summary>
    public required double? MeanEffort { get; init; }

    /// <summary>This week over the mean before; null with too little history, or without any load in it.</summary>
    public double? Ratio => MeanBefore is > 0 ? ThisWeek / MeanBefore : null;

    /// <summary>The band of that ratio; null without one.</summary>
    public LoadBand? Band => ForPlanning()?.Band;

    /// <summary>
    /// Adds up a student's sessions. A session without a rating counts with the student's mean effort. A week that is not over
    /// yet is in no mean: next week is set against the same four finished weeks as this one.
    /// </summary>
    /// <param name="sessions">Sessions in any order; those after the week do not count.</param>
    /// <param name="monday">The Monday of the week in question.</param>
    /// <param name="today">The day: weeks that end before it are finished.</param>
    public static Load Of(IReadOnlyCollection<LoadedSession> sessions, DateOnly monday, DateOnly today)
    {
        var thisMonday = IsoWeek.Of(today).Monday;
        var finished = monday < thisMonday ? monday : thisMonday;
        var oldest = finished.Plus(-7 * Weeks);
        // Added up in one order, so that the same sessions give the same sum to the last digit, however they were read.
        var counted = sessions
            .Where(s => s.Day >= oldest && s.Day < monday.Plus(7))
            .OrderBy(s => s.Day)
            .ThenBy(s => s.Minutes)
            .ThenBy(s => s.Effort)
            .ToList();
        var efforts = counted.Where(s => s.Effort is not null).Select(s => (double)s.Effort!.Value).ToList();
        var mean = efforts.Count == 0 ? (double?)null : efforts.Average();
        var hasHistory = sessions.Any(s => s.Day < oldest.Plus(7));
        double Sum(DateOnly from, DateOnly to) =>
            counted.Where(s => s.Day >= from && s.Day < to).Sum(s => s.Minutes * (s.Effort ?? mean ?? 0));
        return new Load
        {
            ThisWeek = Sum(monday, monday.Plus(7)),
            MeanBefore = hasHistory ? Sum(oldest, finished) / Weeks : null,
            MeanEffort = mean,
        };
    }

    /// <summary>
    /// The ratio after a number of further minutes at the student's mean effort; null with too little history.
    /// </summary>
    public double? RatioWith(double minutes) => ForPlanning()?.RatioWith(minutes);

    /// <summary>The numbers a plan is checked against; null with too little history, or where no effort was ever rated.</summary>
    public WeekLoad? ForPlanning() =>
        MeanBefore is > 0 and { } before && MeanEffort is { } effort ? new WeekLoad(ThisWeek, before, effort) : null;
}
