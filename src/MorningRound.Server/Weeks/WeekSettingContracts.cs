using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Weeks;

/// <summary>A session that is new in a student's week.</summary>
/// <param name="Id">Its id, made by the client.</param>
/// <param name="StudentId">Whose it is.</param>
public sealed record NewSession(Guid Id, Guid StudentId);

/// <summary>A plan that is put into the weeks of several students.</summary>
public sealed record SetInput
{
    public required Guid PlanId { get; init; }

    /// <summary>None for "any day".</summary>
    public DateOnly? Day { get; init; }

    public Requirement Requirement { get; init; } = Requirement.Must;

    /// <summary>Its place in a stated order of the week, from 1; none where the order does not matter.</summary>
    public int? Order { get; init; }

    /// <summary>One for each student.</summary>
    public required IReadOnlyList<NewSession> Sessions { get; init; }

    /// <summary>Whether the plan is made each student's own where it must be: clubs, unit, drills, steps.</summary>
    public bool IsTailored { get; init; } = true;
}

/// <summary>The week that is copied, and for whom.</summary>
public sealed record CopyInput
{
    public required IReadOnlyList<Guid> Students { get; init; }

    /// <summary>Such as 2026-W31; the week before where it is not given.</summary>
    public string? From { get; init; }

    /// <summary>Whether weeks that have sessions of their own already are left as they are.</summary>
    public bool OnlyEmpty { get; init; }
}

/// <summary>Whose weeks are checked, or whose drafts are put on days.</summary>
public sealed record SheetInput
{
    public required IReadOnlyList<Guid> Students { get; init; }
}

/// <summary>What was put into one student's week.</summary>
/// <param name="StudentId">Whose week.</param>
/// <param name="Sessions">The sessions, new or already there from the same call before.</param>
public sealed record SetWeek(Guid StudentId, IReadOnlyList<SessionCard> Sessions);

/// <summary>Where the drafts of one student's week went.</summary>
/// <param name="StudentId">Whose week.</param>
/// <param name="Sessions">The sessions as they stand now.</param>
/// <param name="Placed">Where each went, and why.</param>
public sealed record PlacedWeek(Guid StudentId, IReadOnlyList<SessionCard> Sessions, IReadOnlyList<PlacedSession> Placed);

/// <summary>Which offered steps are taken, and which are left.</summary>
public sealed record StepsInput
{
    /// <summary>Segments whose step is taken.</summary>
    public IReadOnlyList<Guid> Take { get; init; } = [];

    /// <summary>Segments whose step is left as it is.</summary>
    public IReadOnlyList<Guid> Leave { get; init; } = [];
}
