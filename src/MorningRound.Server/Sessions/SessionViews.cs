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

    public required PainForm Pain { get; init; }

    /// <summary>Which segments fall out when a part hurts without ending the session.</summary>
    public required IReadOnlyList<PainDrop> PainDrops { get; init; }

    /// <summary>The drills as they were set, with the flows the phone walks.</summary>
    public required IReadOnlyList<SessionDrill> Drills { get; init; }

    /// <summary>The session made to fit less time or fewer balls, for a few steps of both.</summary>
    public required IReadOnlyList<Trimmed> Trims { get; init; }

    /// <summary>The student's own routine before a shot, step by step; empty where none was written down.</summary>
    public required IReadOnlyList<string> Routine { get; init; }

    /// <summary>What each log gave of each drill, in the order of the plan.</summary>
    public required IReadOnlyList<DrillResultView> Results { get; init; }
}

/// <summary>What is asked about pain, and what each answer leads to, so that the phone decides nothing itself.</summary>
/// <param name="Parts">Where it can hurt, and whether there is a lead and a trail one.</param>
/// <param name="Scale">The levels, and which of them end the session.</param>
/// <param name="SharpEndsSession">Whether sharp pain ends it at any level.</param>
/// <param name="Advice">What a student reads when pain ends the session.</param>
public sealed record PainForm(IReadOnlyList<PainPart> Parts, IReadOnlyList<PainStep> Scale, bool SharpEndsSession, string Advice)
{
    public static PainForm Asked { get; } = new(
        PainPart.All,
        PainRule.Scale, PainRule.EndsSession(level: 1, sharp: true), PainRule.Advice);
}

/// <summary>A part that can hurt, and whether there is a lead and a trail one.</summary>
public sealed record PainPart(BodyPart Part, bool IsPaired)
{
    public static IReadOnlyList<PainPart> All { get; } = [.. Enum.GetValues<BodyPart>().Select(part => new PainPart(part, part.IsPaired()))];
}

/// <summary>One log of a session. The account is the one that keeps it; nobody else goes on with it.</summary>
public sealed record LogView(
    Guid Id, DateOnly Day, DateTimeOffset? StartedAt, DateTimeOffset? FinishedAt, double Minutes, int Balls, bool EndedByPain,
    IReadOnlyList<PainReported> Pain, SessionReadied? Ready, SessionRated? Rating, Recording Recording, LessonNoted? Agreed, Guid? AccountId)
{
    public static LogView Of(SessionLogRow row) => new(
        row.Id, row.Day, row.Reading.StartedAt, row.Reading.FinishedAt, row.Reading.Spent.TotalMinutes, row.Reading.Balls,
        row.Reading.EndedByPain, row.Reading.Pain, row.Reading.Ready, row.Reading.Rating, row.Reading.Recording, row.Reading.Agreed, row.AccountId);
}

/// <summary>Entries to add to the end of a log.</summary>
public sealed record AppendInput
{
    public required Guid AssignmentId { get; init; }

    /// <summary>Whose entries these are. A phone that changed hands must never send them under another name.</summary>
    public required Guid AccountId { get; init; }

    public required IReadOnlyList<SessionEntry> Entries { get; init; }
}

/// <summary>What the log holds now.</summary>
/// <param name="LastSequence">The number of its last entry; the next one is one higher.</param>
/// <param name="Log">What it adds up to.</param>
public sealed record AppendView(int LastSequence, LogView Log);

/// <summary>Practice that nobody set, as it is to stand in a student's week.</summary>
public sealed record OwnPracticeInput
{
    public required Guid StudentId { get; init; }

    /// <summary>The day it is practised on.</summary>
    public required DateOnly Day { get; init; }

    public required SessionPlan Plan { get; init; }
}
