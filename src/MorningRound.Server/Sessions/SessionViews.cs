using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>A session to practise from, and to look back on.</summary>
public sealed record SessionView
{
    public required SessionCard Card { get; init; }

    public required Guid StudentId { get; init; }

    public required string StudentName { get; init; }

    /// <summary>Which hand, so that lead and trail can be shown as left and right.</summary>
    public required Hand Hand { get; init; }

    public required SessionPlan Plan { get; init; }

    public required PlanTotals Totals { get; init; }

    /// <summary>When each segment of practice is over, in words.</summary>
    public required IReadOnlyList<ExitRuleInWords> ExitRules { get; init; }

    /// <summary>What was done of each segment of practice, over all logs.</summary>
    public required IReadOnlyList<SegmentCompletion> Segments { get; init; }

    public required IReadOnlyList<LogView> Logs { get; init; }

    public required IReadOnlyList<PainStep> PainScale { get; init; }

    public required string PainAdvice { get; init; }
}

public sealed record ExitRuleInWords(Guid SegmentId, string Words);

/// <summary>One log of a session.</summary>
public sealed record LogView(
    Guid Id, DateOnly Day, DateTimeOffset? StartedAt, DateTimeOffset? FinishedAt, double Minutes, int Balls, bool EndedByPain,
    IReadOnlyList<PainReported> Pain, SessionRated? Rating)
{
    public static LogView Of(SessionLogRow row) => new(
        row.Id, row.Day, row.Reading.StartedAt, row.Reading.FinishedAt, row.Reading.Spent.TotalMinutes, row.Reading.Balls,
        row.Reading.EndedByPain, row.Reading.Pain, row.Reading.Rating);
}

/// <summary>Entries to add to the end of a log.</summary>
public sealed record AppendInput
{
    public required Guid AssignmentId { get; init; }

    public required IReadOnlyList<SessionEntry> Entries { get; init; }
}

/// <summary>What the log holds now.</summary>
/// <param name="LastSequence">The number of its last entry; the next one is one higher.</param>
/// <param name="Log">What it adds up to.</param>
public sealed record AppendView(int LastSequence, LogView Log);
