using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Students;

namespace MorningRound.Server.Review;

/// <summary>The squad in the order in which it needs a look.</summary>
/// <param name="Today">The day it was looked at.</param>
/// <param name="Week">The week of that day.</param>
/// <param name="Rows">Whoever needs a look most, the first first; no more than were asked for.</param>
/// <param name="Students">How many students this walk passes.</param>
/// <param name="Counted">How many there are, and how many the caller looks after.</param>
public sealed record TeeLineView(
    DateOnly Today,
    string Week,
    IReadOnlyList<ReviewRow> Rows,
    int Students,
    CountedStudents Counted
);

/// <summary>One student of the squad.</summary>
/// <param name="Student">Who it is.</param>
/// <param name="Attention">Why to stop.</param>
/// <param name="OpenPain">Pain that still counts, the worst first, with what was practised since.</param>
/// <param name="ThisWeek">What was done of this week so far.</param>
/// <param name="Sessions">This week's published sessions.</param>
/// <param name="Last">The session practised last, in the last four weeks; null if there was none.</param>
public sealed record ReviewRow(
    StudentView Student,
    Attention Attention,
    IReadOnlyList<OpenPainView> OpenPain,
    Completed ThisWeek,
    IReadOnlyList<ReviewSession> Sessions,
    ReviewLastSession? Last
);

/// <summary>A session of this week, as the tee line draws it.</summary>
public sealed record ReviewSession(
    Guid AssignmentId,
    string Title,
    DateOnly? Day,
    SessionStatus Status,
    IReadOnlyList<StripSegment> Strip
);

/// <summary>The session practised last.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Title">Its title.</param>
/// <param name="PractisedOn">The day it was first practised.</param>
/// <param name="Fraction">How much of it was done, 0 to 1; null when nothing is left that counts.</param>
/// <param name="Strip">Its drawing.</param>
public sealed record ReviewLastSession(
    Guid AssignmentId,
    string Title,
    DateOnly PractisedOn,
    double? Fraction,
    IReadOnlyList<StripSegment> Strip
);
