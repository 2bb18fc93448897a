using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Weeks;

/// <summary>A student's week, with the names of the weeks around it.</summary>
public sealed record WeekView(
    string Week,
    string Previous,
    string Next,
    DateOnly Monday,
    DateOnly Today,
    Guid StudentId,
    string StudentName,
    Completed Completion,
    IReadOnlyList<SessionCard> Sessions,
    IReadOnlyList<OpenPainView> OpenPain,
    CheckpointView? Checkpoint
);

/// <summary>The week after publishing, and what could not be published.</summary>
public sealed record PublishView(WeekView Week, IReadOnlyList<NotPublished> NotPublished);

/// <summary>One thing that keeps a draft from being published.</summary>
/// <param name="AssignmentId">The draft.</param>
/// <param name="Title">Its plan's title.</param>
/// <param name="Day">Its day; null for "any day".</param>
/// <param name="Segment">The title of the segment it is about; null for the plan as a whole.</param>
/// <param name="Path">The field, inside the plan.</param>
/// <param name="Why">What keeps it.</param>
public sealed record NotPublished(Guid AssignmentId, string Title, DateOnly? Day, string? Segment, string Path, string Why)
{
    /// <summary>Which segment of which session, and why: "Half an hour, “Gate”: …".</summary>
    public string InWords() => Segment is null ? $"{Title}: {Why}" : $"{Title}, “{Segment}”: {Why}";
}

/// <summary>Where a plan is to stand.</summary>
public sealed record AssignmentInput
{
    public required Guid StudentId { get; init; }

    public required Guid PlanId { get; init; }

    /// <summary>Such as 2026-W31.</summary>
    public required string Week { get; init; }

    /// <summary>None for "any day".</summary>
    public DateOnly? Day { get; init; }

    public Requirement Requirement { get; init; } = Requirement.Must;
}

/// <summary>None takes an excuse back.</summary>
public sealed record ExcuseInput(Excuse? Excuse);
