using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks.Checking;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>The week of many students: a row each, with what stands in it and what its days are like.</summary>
/// <param name="Week">The week.</param>
/// <param name="Previous">The week before.</param>
/// <param name="Next">The week after.</param>
/// <param name="Monday">Its first day.</param>
/// <param name="Today">Today.</param>
/// <param name="Squads">All squads, to choose from.</param>
/// <param name="Rows">The students, those with nothing set first, otherwise by name.</param>
/// <param name="Counted">How many students there are, and how many the caller looks after.</param>
/// <param name="One">What stands beside the week of one student; null on a sheet of several.</param>
public sealed record WeekSheetView(
    string Week,
    string Previous,
    string Next,
    DateOnly Monday,
    DateOnly Today,
    IReadOnlyList<SquadView> Squads,
    IReadOnlyList<SheetRow> Rows,
    CountedStudents Counted,
    SheetOfOne? One
);

/// <summary>Whose weeks a sheet shows. With nothing said: those the caller looks after or, without any, everybody's.</summary>
/// <param name="Squad">Only this squad's.</param>
/// <param name="Student">Only this student's, with what stands beside a single week.</param>
/// <param name="Everybody">Everybody's of the academy.</param>
public sealed record WhoseWeeks(Guid? Squad, Guid? Student, bool Everybody);

/// <summary>What stands beside the week of one student.</summary>
/// <param name="Student">Who it is.</param>
/// <param name="Completion">What was done of what is published.</param>
/// <param name="OpenPain">Pain that still counts.</param>
/// <param name="Checkpoint">What was agreed to be looked at first; null where nothing was.</param>
public sealed record SheetOfOne(
    StudentView Student,
    Completed Completion,
    IReadOnlyList<OpenPainView> OpenPain,
    CheckpointView? Checkpoint
);

/// <summary>One student's row of the sheet.</summary>
public sealed record SheetRow
{
    public required Guid StudentId { get; init; }

    public required string Name { get; init; }

    public required Level Level { get; init; }

    /// <summary>A minor without a consenting guardian sees nothing that is published.</summary>
    public required bool MayBePublishedTo { get; init; }

    /// <summary>What hurts and was not cleared, in words.</summary>
    public required IReadOnlyList<string> Hurt { get; init; }

    /// <summary>The student's times; empty where none are on record.</summary>
    public required IReadOnlyList<PracticeWindow> Times { get; init; }

    /// <summary>The days of this week on which the student cannot.</summary>
    public required IReadOnlyList<DateOnly> Away { get; init; }

    /// <summary>The days of this week that have no room for one more session.</summary>
    public required IReadOnlyList<DateOnly> Full { get; init; }

    /// <summary>Competitions that touch this week, arrival included.</summary>
    public required IReadOnlyList<SheetCompetition> Competitions { get; init; }

    /// <summary>What stands in the week, drafts included.</summary>
    public required IReadOnlyList<SessionCard> Sessions { get; init; }

    /// <summary>Sessions whose plan was changed after they were made this student's own.</summary>
    public required IReadOnlyList<Guid> PlanChanged { get; init; }

    /// <summary>The programmes that run for the student, and where they stand.</summary>
    public required IReadOnlyList<ProgrammeStanding> Programmes { get; init; }

    /// <summary>Minutes set for the week.</summary>
    public required int Minutes { get; init; }

    /// <summary>Minutes practised in a week, the mean of the four before; null where nothing was.</summary>
    public required double? UsualMinutes { get; init; }

    /// <summary>
    /// The week's load with what is still to come over the mean of the four weeks before; null with less history.
    /// </summary>
    public required double? LoadRatio { get; init; }

    /// <summary>The band of that ratio; null without one.</summary>
    public required LoadBand? Load { get; init; }

    /// <summary>Whether anything stood in the week before, which can be copied.</summary>
    public required bool HadLastWeek { get; init; }
}

/// <summary>A competition as the sheet draws it.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="FirstDay">Its first day.</param>
/// <param name="LastDay">Its last day.</param>
/// <param name="ArrivalDay">The day of arrival; null when that is the first day.</param>
public sealed record SheetCompetition(string Name, DateOnly FirstDay, DateOnly LastDay, DateOnly? ArrivalDay);

/// <summary>What the check says of one student's week.</summary>
/// <param name="StudentId">Whose week.</param>
/// <param name="Sessions">Each session that is not over, with what is found in it above a note.</param>
/// <param name="Week">What is to be said of all of it.</param>
/// <param name="Areas">Minutes by part of the game, beside losses and beliefs.</param>
public sealed record CheckedStudentWeek(
    Guid StudentId,
    IReadOnlyList<CheckedSession> Sessions,
    IReadOnlyList<WeekFinding> Week,
    IReadOnlyList<AreaOfWeek> Areas
);

/// <summary>What the check says of one session.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Day">The day that was looked at; null where nothing was.</param>
/// <param name="Findings">What was found above a note, the heaviest first.</param>
public sealed record CheckedSession(Guid AssignmentId, DateOnly? Day, IReadOnlyList<SheetFinding> Findings);

/// <summary>A finding with the name of its segment.</summary>
/// <param name="Level">How much it weighs.</param>
/// <param name="Segment">The title of the segment; null for the plan as a whole.</param>
/// <param name="Why">Why, in one plain sentence.</param>
public sealed record SheetFinding(FindingLevel Level, string? Segment, string Why);
