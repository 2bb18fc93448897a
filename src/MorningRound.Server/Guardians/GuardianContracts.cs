using MorningRound.Core.Weeks;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Guardians;

/// <summary>A guardian of a student, as a coach sees them.</summary>
/// <param name="SeenAt">When they were last there; null where they never were.</param>
public sealed record GuardianView(
    Guid AccountId,
    string Name,
    string Email,
    DateTimeOffset ConsentedAt,
    DateTimeOffset? WithdrawnAt,
    DateTimeOffset? SeenAt
);

/// <summary>A child of a guardian.</summary>
/// <param name="StudentId">The child.</param>
/// <param name="Name">The child's name; empty once consent was taken back.</param>
/// <param name="ConsentedAt">When the guardian consented.</param>
/// <param name="WithdrawnAt">When they took it back; null while it holds.</param>
/// <param name="IsGrownUp">Whether the child is no minor any more, so that nobody sees for them.</param>
public sealed record ChildView(
    Guid StudentId,
    string Name,
    DateTimeOffset ConsentedAt,
    DateTimeOffset? WithdrawnAt,
    bool IsGrownUp
);

/// <summary>A week of a child, as the guardian sees it: what is set, what was done, what hurts, and the coach's word.</summary>
/// <param name="Before">How much was done of the weeks before, the latest first; null where nothing counted.</param>
/// <param name="Word">What the coach said of the week; empty where nothing was.</param>
/// <param name="SaidBy">Who said it.</param>
public sealed record ChildWeekView(
    Guid StudentId,
    string Name,
    string Week,
    string Previous,
    string Next,
    DateOnly Monday,
    DateOnly Today,
    IReadOnlyList<ChildSession> Sessions,
    Completed Completion,
    IReadOnlyList<PastWeek> Before,
    IReadOnlyList<ChildPain> Pain,
    string Word,
    string SaidBy
);

/// <summary>A session of a child's week.</summary>
/// <param name="Minutes">How long the visit lasts.</param>
/// <param name="Completion">How much of it was done.</param>
/// <param name="Strip">Its picture.</param>
public sealed record ChildSession(
    string Title,
    string Purpose,
    DateOnly? Day,
    Requirement Requirement,
    SessionStatus Status,
    int Minutes,
    Completed Completion,
    IReadOnlyList<StripSegment> Strip
);

/// <summary>How much of a week was done.</summary>
public sealed record PastWeek(DateOnly Monday, double? Fraction, int Sessions, int SessionsDone);

/// <summary>Pain that was said and still counts.</summary>
public sealed record ChildPain(string Text, DateOnly Since, DateOnly LastOn);
