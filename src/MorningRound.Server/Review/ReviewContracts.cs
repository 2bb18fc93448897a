using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Review;

/// <summary>The squad in the order in which it needs a look.</summary>
/// <param name="Today">The day it was looked at.</param>
/// <param name="Week">The week of that day.</param>
/// <param name="Rows">Whoever needs a look most, the first first; no more than were asked for.</param>
/// <param name="Students">How many students this walk passes.</param>
/// <param name="Seen">How many of them were seen this week, with nothing pressing more since.</param>
/// <param name="Counted">How many there are, and how many the caller looks after.</param>
public sealed record TeeLineView(
    DateOnly Today,
    string Week,
    IReadOnlyList<ReviewRow> Rows,
    int Students,
    int Seen,
    CountedStudents Counted
);

/// <summary>One student of the squad.</summary>
/// <param name="Student">Who it is.</param>
/// <param name="Attention">Why to stop.</param>
/// <param name="OpenPain">Pain that still counts, the worst first, with what was practised since.</param>
/// <param name="ThisWeek">What was done of this week so far.</param>
/// <param name="Sessions">This week's published sessions.</param>
/// <param name="Last">The session practised last, in the last four weeks; null if there was none.</param>
/// <param name="IsSeen">Whether the student was seen this week, and nothing presses more since.</param>
/// <param name="HeldBy">The other coach who is looking now; null where none is.</param>
public sealed record ReviewRow(
    StudentView Student,
    Attention Attention,
    IReadOnlyList<OpenPainView> OpenPain,
    Completed ThisWeek,
    IReadOnlyList<ReviewSession> Sessions,
    ReviewLastSession? Last,
    bool IsSeen,
    string? HeldBy
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
/// <param name="Done">How much of it was done, in words.</param>
/// <param name="Strip">Its drawing.</param>
public sealed record ReviewLastSession(
    Guid AssignmentId,
    string Title,
    DateOnly PractisedOn,
    double? Fraction,
    string Done,
    IReadOnlyList<StripSegment> Strip
);

/// <summary>One student as a coach looks at them.</summary>
/// <param name="Student">Who it is.</param>
/// <param name="Attention">Why to stop.</param>
/// <param name="OpenPain">Pain that still counts.</param>
/// <param name="IsSeen">Whether the student was seen this week.</param>
public sealed record LookedAtStudent(StudentView Student, Attention Attention, IReadOnlyList<OpenPainView> OpenPain, bool IsSeen);

/// <summary>What a student said with one session.</summary>
public sealed record SaidInSession
{
    public required Guid AssignmentId { get; init; }

    public required string Title { get; init; }

    public required DateOnly Day { get; init; }

    /// <summary>The note in full; empty where there is none.</summary>
    public required string Note { get; init; }

    /// <summary>How nervous the student came, 1 to 10; null where nobody said.</summary>
    public required int? Nerves { get; init; }

    /// <summary>The ratings; null where nobody gave any.</summary>
    public required SessionRated? Rating { get; init; }
}

/// <summary>A suggestion with what the coach did with it.</summary>
/// <param name="Suggestion">The suggestion.</param>
/// <param name="Decision">What was decided; null while nothing was.</param>
/// <param name="Other">What was taken instead, in words; empty where it was not.</param>
public sealed record DecidedSuggestion(Suggestion Suggestion, Decision? Decision, string Other);

/// <summary>A session of the week that is planned, with the changes in.</summary>
/// <param name="AssignmentId">The draft, or while there is none the session it will be copied from.</param>
/// <param name="Title">Its title.</param>
/// <param name="Day">Its day; null for "any day".</param>
/// <param name="Minutes">How long it lasts.</param>
/// <param name="Strip">Its drawing, with the changes in.</param>
/// <param name="Changes">What is changed in it, in words.</param>
/// <param name="IsPublished">Whether the student has it already.</param>
public sealed record NextSession(
    Guid AssignmentId,
    string Title,
    DateOnly? Day,
    int Minutes,
    IReadOnlyList<StripSegment> Strip,
    IReadOnlyList<string> Changes,
    bool IsPublished
);

/// <summary>Everything at one stop of the walk.</summary>
public sealed record StopView
{
    public required LookedAtStudent Looked { get; init; }

    /// <summary>The week that is judged.</summary>
    public required string Judged { get; init; }

    /// <summary>The week that is planned: the first from this one on for which nothing is published, else the next.</summary>
    public required string Planned { get; init; }

    public required DateOnly PlannedMonday { get; init; }

    /// <summary>What happened in the week that is judged.</summary>
    public required IReadOnlyList<SessionCard> Sessions { get; init; }

    /// <summary>What was said in the last fortnight, newest first.</summary>
    public required IReadOnlyList<SaidInSession> Said { get; init; }

    /// <summary>The next competition and how far off it is, in words; empty where none is ahead.</summary>
    public required string Ahead { get; init; }

    /// <summary>The competition of which was said lately what held; null without one.</summary>
    public required Competition? Debriefed { get; init; }

    /// <summary>How the goal stands, in words; empty without one.</summary>
    public required string Goal { get; init; }

    public required IReadOnlyList<DecidedSuggestion> Suggestions { get; init; }

    /// <summary>What was said about the week that waits for an answer, or about the one that is judged.</summary>
    public required WeekWordView Word { get; init; }

    /// <summary>The planned week as it would be published.</summary>
    public required IReadOnlyList<NextSession> Next { get; init; }
}
