using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Weeks;

/// <summary>
/// A student's week, with the names of the weeks around it. Where they can move sessions to and where their programmes stand is
/// for the student; a coach has the week sheet.
/// </summary>
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
    CheckpointView? Checkpoint,
    IReadOnlyList<MoveDays> CanMove,
    IReadOnlyList<ProgrammeStanding> Programmes
);

/// <summary>What was published, or would be, of one student's week.</summary>
/// <param name="StudentId">Whose week.</param>
/// <param name="StudentName">The name.</param>
/// <param name="Published">The sessions that the student sees.</param>
/// <param name="NotPublished">What keeps the others, each thing once.</param>
public sealed record PublishedWeek(
    Guid StudentId,
    string StudentName,
    IReadOnlyList<PublishedOne> Published,
    IReadOnlyList<NotPublished> NotPublished
);

/// <summary>A session that is published, or would be.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Title">Its title.</param>
/// <param name="Day">Its day; null for "any day".</param>
/// <param name="Requirement">Whether it counts.</param>
/// <param name="Minutes">How long the visit lasts.</param>
public sealed record PublishedOne(Guid AssignmentId, string Title, DateOnly? Day, Requirement Requirement, int Minutes);

/// <summary>Whose week is published.</summary>
public sealed record PublishInput
{
    /// <summary>The students, each once.</summary>
    public required IReadOnlyList<Guid> Students { get; init; }

    /// <summary>Whether it is only asked what would be published.</summary>
    public bool IsPreview { get; init; }
}

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

    /// <summary>Its place in a stated order of the week, from 1; none where the order does not matter.</summary>
    public int? Order { get; init; }
}

/// <summary>None takes an excuse back.</summary>
public sealed record ExcuseInput(Excuse? Excuse);
