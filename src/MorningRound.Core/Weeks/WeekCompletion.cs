namespace MorningRound.Core.Weeks;

/// <summary>
/// How much of a week was done: planned minutes done ÷ planned minutes, over the <em>must</em> sessions that are not excused.
/// Extras are counted beside it and never lower it.
/// </summary>
public sealed record WeekCompletion
{
    public required int PlannedMinutes { get; init; }

    public required double DoneMinutes { get; init; }

    /// <summary>Must sessions that count.</summary>
    public required int Sessions { get; init; }

    /// <summary>Must sessions that were done whole.</summary>
    public required int SessionsDone { get; init; }

    /// <summary>Extra sessions of which something was done.</summary>
    public required int ExtrasDone { get; init; }

    /// <summary>0 to 1; none when nothing is left that counts.</summary>
    public double? Fraction => PlannedMinutes == 0 ? null : DoneMinutes / PlannedMinutes;

    /// <summary>Adds up the published sessions of one student's week. Order does not matter.</summary>
    public static WeekCompletion Of(IReadOnlyCollection<AssignedSession> sessions)
    {
        var counting = sessions
            .Where(s => s.Requirement == Requirement.Must && s.Excuse is null && s.Completion.Fraction is not null)
            .ToList();
        return new WeekCompletion
        {
            PlannedMinutes = counting.Sum(s => s.Completion.PlannedMinutes),
            DoneMinutes = counting.Sum(s => s.Completion.DoneMinutes),
            Sessions = counting.Count,
            SessionsDone = counting.Count(s => s.Completion.IsWhole),
            ExtrasDone = sessions.Count(s => s.Requirement == Requirement.Extra && s.Completion.DoneMinutes > 0),
        };
    }
}
