using MorningRound.Core.Competitions;
using MorningRound.Core.Students;

namespace MorningRound.Server.Competitions;

/// <summary>A student's competition: how far off it is, the days until then, the day of arrival, and what came of it.</summary>
public sealed record CompetitionView
{
    public required Guid StudentId { get; init; }

    public required string StudentName { get; init; }

    public required Competition Competition { get; init; }

    /// <summary>How far off it is, in words.</summary>
    public required string Standing { get; init; }

    /// <summary>The days until its first day; below zero once it has begun.</summary>
    public required int DaysTo { get; init; }

    /// <summary>Whether its last day has come: then it can be said what held.</summary>
    public required bool CanBeDebriefed { get; init; }

    /// <summary>What the speed of its greens means; null where nothing can be said, and when it is over.</summary>
    public required string? Greens { get; init; }

    /// <summary>The last week of days before it and its own; empty when it is over.</summary>
    public required IReadOnlyList<TaperDay> Days { get; init; }

    /// <summary>What is done on the day of getting there; null when it is over.</summary>
    public required ArrivalList? Arrival { get; init; }

    /// <summary>The four weeks after it beside the four before; null before it is over.</summary>
    public required BeforeAndAfter? Around { get; init; }
}

/// <summary>The list for the day of getting there.</summary>
/// <param name="Day">The day.</param>
/// <param name="IsSet">Whether it stands in the student's week as a session already.</param>
/// <param name="Title">What it is called; empty where nothing can be done.</param>
/// <param name="Purpose">What it is for; empty where nothing can be done.</param>
/// <param name="Steps">What is done, in order.</param>
/// <param name="Kept">What kept it from being whole, or why there is none.</param>
public sealed record ArrivalList(
    DateOnly Day,
    bool IsSet,
    string Title,
    string Purpose,
    IReadOnlyList<ArrivalStep> Steps,
    IReadOnlyList<string> Kept
);

/// <summary>One step of the list.</summary>
/// <param name="Minutes">How long.</param>
/// <param name="Title">What is done.</param>
/// <param name="Instruction">How.</param>
/// <param name="Why">Why it is on the list.</param>
public sealed record ArrivalStep(int Minutes, string Title, string Instruction, string Why);
