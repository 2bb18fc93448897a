using MorningRound.Core.TestDays;
using MorningRound.Server.Plans;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.TestDays;

/// <summary>A test day as it is made or changed.</summary>
public sealed record TestDayInput
{
    public required string Name { get; init; }

    public required int EveryWeeks { get; init; }

    public required DateOnly FirstDay { get; init; }

    public required IReadOnlyList<Guid> Students { get; init; }

    /// <summary>The plan that it takes its drills from when it is made; later on it is not looked at.</summary>
    public Guid? PlanId { get; init; }
}

/// <summary>The day that is set.</summary>
/// <param name="Day">Today or later.</param>
public sealed record SetTestInput(DateOnly Day);

/// <summary>A test day as the list shows it.</summary>
public sealed record TestDaySummary
{
    public required Guid Id { get; init; }

    public required string Name { get; init; }

    public required int EveryWeeks { get; init; }

    public required int Students { get; init; }

    public required IReadOnlyList<StripSegment> Strip { get; init; }

    /// <summary>The day that was set last; null while none was.</summary>
    public required DateOnly? LastSet { get; init; }

    /// <summary>The day of the next one.</summary>
    public required DateOnly Next { get; init; }

    /// <summary>Whether that is today, or was to be earlier.</summary>
    public required bool IsDue { get; init; }
}

/// <summary>A test day with everybody's results.</summary>
public sealed record TestDayView
{
    public required Guid Id { get; init; }

    public required int Version { get; init; }

    public required TestDay Test { get; init; }

    /// <summary>Minutes of it all, warm-up included.</summary>
    public required int Minutes { get; init; }

    public required IReadOnlyList<StripSegment> Strip { get; init; }

    public required IReadOnlyList<TestTask> Tasks { get; init; }

    /// <summary>The days that were set, the last first; the oldest and the latest of them.</summary>
    public required IReadOnlyList<DateOnly> Days { get; init; }

    /// <summary>The day of the next one.</summary>
    public required DateOnly Next { get; init; }

    /// <summary>Everybody who takes part, and everybody who has a result, by name.</summary>
    public required IReadOnlyList<TestStudent> Students { get; init; }
}

/// <summary>One student on test days.</summary>
/// <param name="StudentId">The student.</param>
/// <param name="Name">The name.</param>
/// <param name="TakesPart">Whether the next one is set for the student too.</param>
/// <param name="Sessions">The student's sessions of the days shown, the last first.</param>
/// <param name="Lines">A line for every drill.</param>
public sealed record TestStudent(
    Guid StudentId,
    string Name,
    bool TakesPart,
    IReadOnlyList<TestSession> Sessions,
    IReadOnlyList<TestLine> Lines
);

/// <summary>A student's session of a test day.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Day">The day.</param>
/// <param name="IsClosed">Whether it was finished so long ago that nothing is put right in it any more.</param>
public sealed record TestSession(Guid AssignmentId, DateOnly Day, bool IsClosed);

/// <summary>What became of setting a day.</summary>
/// <param name="Set">How many students have it in their week, published.</param>
/// <param name="NotPublished">Whom something kept, and what.</param>
public sealed record SetTestResult(int Set, IReadOnlyList<NotSet> NotPublished);

/// <summary>A student whose session waits as a draft, or stays out of the week.</summary>
/// <param name="StudentId">The student.</param>
/// <param name="Name">The name.</param>
/// <param name="IsOut">Whether it is out of the week, and not even a draft.</param>
/// <param name="Why">What kept it, each once.</param>
public sealed record NotSet(Guid StudentId, string Name, bool IsOut, IReadOnlyList<string> Why);
