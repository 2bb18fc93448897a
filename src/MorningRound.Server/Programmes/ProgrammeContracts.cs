using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Programmes;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;

namespace MorningRound.Server.Programmes;

/// <summary>A programme in a list.</summary>
/// <param name="Id">The programme.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Purpose">What it is for; empty where nobody said.</param>
/// <param name="Weeks">How many weeks it takes.</param>
/// <param name="Slots">Sessions a week.</param>
/// <param name="Runs">For whom it runs, the latest start first.</param>
public sealed record ProgrammeSummary(
    Guid Id,
    string Name,
    string Purpose,
    int Weeks,
    int Slots,
    IReadOnlyList<ProgrammeRunView> Runs
);

/// <summary>A programme as it is read.</summary>
/// <param name="Id">The programme.</param>
/// <param name="Version">Its version, which goes back as <c>If-Match</c>.</param>
/// <param name="Programme">What it says.</param>
/// <param name="Runs">For whom it runs, the latest start first.</param>
public sealed record ProgrammeView(Guid Id, int Version, Programme Programme, IReadOnlyList<ProgrammeRunView> Runs) : IVersioned;

/// <summary>That a programme runs for somebody.</summary>
/// <param name="Id">The run.</param>
/// <param name="Version">Its version, which goes back as <c>If-Match</c>.</param>
/// <param name="StudentId">The student; null where it runs for a squad.</param>
/// <param name="SquadId">The squad; null where it runs for one student.</param>
/// <param name="Name">The name of student or squad.</param>
/// <param name="Start">Its first week.</param>
/// <param name="Until">The first week in which it does not run any more; null while it does.</param>
/// <param name="Week">The week of the programme that is this week, waits apart; null before its start and after its end.</param>
/// <param name="Weeks">How many weeks it takes.</param>
public sealed record ProgrammeRunView(
    Guid Id,
    int Version,
    Guid? StudentId,
    Guid? SquadId,
    string Name,
    string Start,
    string? Until,
    int? Week,
    int Weeks
) : IVersioned;

/// <summary>Starts a programme for one student or for a squad.</summary>
public sealed record ProgrammeRunInput
{
    public required Guid ProgrammeId { get; init; }

    /// <summary>Either a student …</summary>
    public Guid? StudentId { get; init; }

    /// <summary>… or a squad.</summary>
    public Guid? SquadId { get; init; }

    /// <summary>Its first week, such as 2026-W31.</summary>
    public required string Start { get; init; }

    /// <summary>The first week in which it does not run any more; none while it runs.</summary>
    public string? Until { get; init; }
}

/// <summary>Whether a run waits for a student in a week.</summary>
public sealed record ProgrammeWaitInput
{
    public required Guid StudentId { get; init; }

    /// <summary>Such as 2026-W31.</summary>
    public required string Week { get; init; }

    public required bool Waits { get; init; }
}

/// <summary>Where a student stands in a programme in a week.</summary>
public sealed record ProgrammeStanding
{
    public required Guid RunId { get; init; }

    public required Guid ProgrammeId { get; init; }

    public required string Name { get; init; }

    /// <summary>The week of the programme; null while it waits for the student.</summary>
    public required int? Week { get; init; }

    public required int Weeks { get; init; }

    /// <summary>What it is to change; null where nothing is measured.</summary>
    public required ProgrammeGoal? Goal { get; init; }

    /// <summary>Where it started: as stated, or the first result since; null where nothing is known.</summary>
    public required double? Start { get; init; }

    /// <summary>The latest result since it started; null where there is none.</summary>
    public required double? Latest { get; init; }

    /// <summary>The day of that result.</summary>
    public required DateOnly? LatestOn { get; init; }
}

/// <summary>A programme while it is written: its weeks as they would be, and what is wrong with it.</summary>
/// <param name="Weeks">Every week.</param>
/// <param name="Slots">The plans of its slots, with what can change in them.</param>
/// <param name="Errors">What keeps it from being saved.</param>
public sealed record ProgrammeDrawing(
    IReadOnlyList<DrawnWeek> Weeks,
    IReadOnlyList<DrawnSlot> Slots,
    IReadOnlyList<FieldError> Errors
);

/// <summary>One week of a programme.</summary>
/// <param name="Week">Its number, from 1.</param>
/// <param name="Minutes">Minutes of all its sessions.</param>
/// <param name="Sessions">Its sessions, in the order of the slots.</param>
public sealed record DrawnWeek(int Week, int Minutes, IReadOnlyList<DrawnSession> Sessions);

/// <summary>A session of a week of a programme.</summary>
/// <param name="SlotId">The slot.</param>
/// <param name="Minutes">How long the visit lasts.</param>
/// <param name="Requirement">Whether it counts.</param>
/// <param name="Strip">Its drawing.</param>
/// <param name="Changed">What is different in it from the week before, in words; empty where nothing is.</param>
public sealed record DrawnSession(
    Guid SlotId,
    int Minutes,
    Requirement Requirement,
    IReadOnlyList<StripSegment> Strip,
    IReadOnlyList<string> Changed
);

/// <summary>The plan of a slot.</summary>
/// <param name="SlotId">The slot.</param>
/// <param name="Title">The plan's title; empty where it is gone.</param>
/// <param name="Segments">What can change in it.</param>
public sealed record DrawnSlot(Guid SlotId, string Title, IReadOnlyList<ChangeableSegment> Segments);

/// <summary>A segment of a slot's plan.</summary>
/// <param name="Id">The segment.</param>
/// <param name="Title">Its title.</param>
/// <param name="Minutes">Its minutes.</param>
/// <param name="DrillId">Its drill; null where it has none.</param>
/// <param name="Steps">The steps of its drill; empty where there are none.</param>
/// <param name="Rung">The step it stands on, from 0.</param>
/// <param name="Goal">What is asked of its drill; null where nothing is.</param>
/// <param name="Measures">What can be asked of its drill, and measured by it.</param>
public sealed record ChangeableSegment(
    Guid Id,
    string Title,
    int Minutes,
    Guid? DrillId,
    IReadOnlyList<string> Steps,
    int Rung,
    DrillGoal? Goal,
    IReadOnlyList<MeasureKind> Measures
);
