namespace MorningRound.Core.Weeks;

/// <summary>
/// How much of a week was done: planned minutes done ÷ planned minutes, over the <em>must</em> sessions that are not excused.
/// Extras are counted beside it and never lower it.
/// </summary>
public sealed record WeekCompletion
{
    /// <summary>Planned minutes of the must sessions that count.</summary>
    public required int PlannedMinutes { get; init; }

    /// <summary>Planned minutes of what was done of those.</summary>
    public required double DoneMinutes { get; init; }

    /// <summary>Those of the minutes done that were only reported, without attempts or a clock that show them.</summary>
    public double ReportedMinutes { get; init; }

    /// <summary>Must sessions that count; one that was stopped is none of them, though what was done of it counts.</summary>
    public required int Sessions { get; init; }

    /// <summary>Must sessions that were done whole.</summary>
    public required int SessionsDone { get; init; }

    /// <summary>Extra sessions of which something was done.</summary>
    public required int ExtrasDone { get; init; }

    /// <summary>Planned minutes that were due by the day asked for: their day is over, for "any day" the week's Sunday.</summary>
    public required int DueMinutes { get; init; }

    /// <summary>Planned minutes of what was done of those.</summary>
    public required double DueDoneMinutes { get; init; }

    /// <summary>Must sessions due of which nothing was done.</summary>
    public required int Missed { get; init; }

    /// <summary>The share of the minutes due that keeps a week on track.</summary>
    private const double OnTrackFrom = 0.75;

    /// <summary>Whether no must session due was missed, and at least three quarters of the minutes due are done.</summary>
    public bool IsOnTrack => Missed == 0 && DueDoneMinutes >= OnTrackFrom * DueMinutes;

    /// <summary>0 to 1; null when nothing is left that counts.</summary>
    public double? Fraction => PlannedMinutes == 0 ? null : Math.Min(1, DoneMinutes / PlannedMinutes);

    /// <summary>Adds up the published sessions of one student's week. Order does not matter.</summary>
    /// <param name="sessions">The sessions.</param>
    /// <param name="today">The day by which something is due or not.</param>
    public static WeekCompletion Of(IReadOnlyCollection<AssignedSession> sessions, DateOnly today)
    {
        var counting = sessions
            .Where(s => s.Requirement == Requirement.Must && s.Excuse is null && s.Completion.PlannedMinutes > 0)
            .ToList();
        var due = counting.Where(s => s.Due < today).ToList();
        return new WeekCompletion
        {
            PlannedMinutes = counting.Sum(s => s.Completion.PlannedMinutes),
            DoneMinutes = counting.Sum(s => s.Completion.DoneMinutes),
            ReportedMinutes = counting.Sum(s => s.Completion.ReportedMinutes),
            DueMinutes = due.Sum(s => s.Completion.PlannedMinutes),
            DueDoneMinutes = due.Sum(s => s.Completion.DoneMinutes),
            Missed = due.Count(s => s.StatusOn(today) == SessionStatus.Missed),
            Sessions = counting.Count(s => !s.Completion.IsStopped),
            SessionsDone = counting.Count(s => s.Completion.IsWhole),
            ExtrasDone = sessions.Count(s => s.Requirement == Requirement.Extra && s.Completion.DoneMinutes > 0),
        };
    }
}
