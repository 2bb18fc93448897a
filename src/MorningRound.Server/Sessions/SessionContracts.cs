using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;

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
    public required IReadOnlyList<ExitRuleText> ExitRules { get; init; }

    /// <summary>What is not to be looked at in each segment that hides something, and from where on.</summary>
    public required IReadOnlyList<SegmentHiding> Hiding { get; init; }

    /// <summary>The segments that are played with bought balls.</summary>
    public required IReadOnlyList<Guid> RangeBallSegments { get; init; }

    /// <summary>The minutes without a tap after which the phone asks how much of them was practice.</summary>
    public required int AskAfterMinutes { get; init; }

    /// <summary>What closing a segment asks, where neither attempts nor the clock show that it was done.</summary>
    public required ClosingQuestion Closing { get; init; }

    /// <summary>What was done of each segment of practice, over all logs.</summary>
    public required IReadOnlyList<SegmentCompletion> Segments { get; init; }

    public required IReadOnlyList<LogView> Logs { get; init; }

    public required PainForm Pain { get; init; }

    /// <summary>Which segments fall out when a part hurts without ending the session.</summary>
    public required IReadOnlyList<PainDrop> PainDrops { get; init; }

    /// <summary>Pain of earlier sessions that still counts: the next session asks how it is.</summary>
    public required IReadOnlyList<OpenPainView> OpenPain { get; init; }

    /// <summary>What was agreed in the last lesson; null without one.</summary>
    public required CheckpointView? Checkpoint { get; init; }

    /// <summary>The drills as they were set, with the flows the phone walks.</summary>
    public required IReadOnlyList<SessionDrill> Drills { get; init; }

    /// <summary>How the session is made to fit less time or fewer balls; none once it is over.</summary>
    public required PlanTrim? Trim { get; init; }

    /// <summary>The student's own routine before a shot, step by step; empty where none was written down.</summary>
    public required IReadOnlyList<string> Routine { get; init; }

    /// <summary>What each log gave of each drill, in the order of the plan.</summary>
    public required IReadOnlyList<DrillResultView> Results { get; init; }
}

/// <summary>A log of a session; logs that two devices kept of it together are one.</summary>
public sealed record LogView
{
    public required Guid Id { get; init; }

    /// <summary>The number of its last entry.</summary>
    public required int LastSequence { get; init; }

    public required DateOnly Day { get; init; }

    public required DateTimeOffset? StartedAt { get; init; }

    public required DateTimeOffset? FinishedAt { get; init; }

    public required double Minutes { get; init; }

    public required Strokes Strokes { get; init; }

    public required bool EndedByPain { get; init; }

    public required IReadOnlyList<PainReported> Pain { get; init; }

    /// <summary>Pain that was reported otherwise first.</summary>
    public required IReadOnlyList<MendedPain> MendedPain { get; init; }

    public required Unwell? Unwell { get; init; }

    public required BadWeather? Weather { get; init; }

    public required SessionReadied? Ready { get; init; }

    public required SessionRated? Rating { get; init; }

    /// <summary>Whether the rating was given or changed after the session was finished.</summary>
    public required bool RatedAfterwards { get; init; }

    public required Recording Recording { get; init; }

    public required LessonNoted? Agreed { get; init; }

    /// <summary>The account that keeps it; nobody else goes on with it.</summary>
    public required Guid? AccountId { get; init; }

    /// <summary>How many devices kept it.</summary>
    public required int Devices { get; init; }

    /// <summary>Whether times had to be put right, because the phone's clock was off.</summary>
    public required bool ClockWasOff { get; init; }

    /// <summary>Whether a clock ran on with nobody there; what was too long does not count.</summary>
    public required bool ClockLeftRunning { get; init; }

    /// <summary>The last day on which note, tags, ratings and pain can be mended; null while it is open.</summary>
    public required DateTimeOffset? MendableUntil { get; init; }

    public static LogView Of(SessionLogRow row, SessionPlan plan) => Of([row], row.Log, plan);

    /// <summary>The view of logs that are one; the first one began.</summary>
    public static LogView Of(IReadOnlyList<SessionLogRow> rows, SessionLog log, SessionPlan plan) =>
        new()
        {
            Id = rows[0].Id,
            LastSequence = rows[0].LastSequence,
            Day = rows[0].Day,
            StartedAt = log.StartedAt,
            FinishedAt = log.FinishedAt,
            Minutes = log.Spent.TotalMinutes,
            Strokes = Strokes.Of(plan, [log]),
            EndedByPain = log.EndedByPain,
            Pain = log.Pain,
            MendedPain = log.MendedPain,
            Unwell = log.Unwell,
            Weather = log.Weather,
            Ready = log.Ready,
            Rating = log.Rating,
            RatedAfterwards = log.RatedAfterwards,
            Recording = log.Recording,
            Agreed = log.Agreed,
            AccountId = rows[0].AccountId,
            Devices = rows.Count,
            ClockWasOff = rows.Any(r => r.ClockWasOff),
            ClockLeftRunning = log.ClockLeftRunning,
            MendableUntil = log.FinishedAt?.AddDays(SessionEntryRules.MendingDays),
        };
}

/// <summary>The one thing to look at first next time, and the day it was agreed.</summary>
public sealed record CheckpointView(DateOnly Day, string Text);

/// <summary>Entries to add to the end of a log.</summary>
public sealed record AppendInput
{
    public required Guid AssignmentId { get; init; }

    /// <summary>Whose entries these are. A phone that changed hands must never send them under another name.</summary>
    public required Guid AccountId { get; init; }

    public required IReadOnlyList<SessionEntry> Entries { get; init; }

    /// <summary>The log this one goes on from, which another device had begun; null for a log that began by itself.</summary>
    public LogBranch? Continues { get; init; }

    /// <summary>
    /// The phone's own time when it sent this, uncorrected: how far off its clock is shows by it. Null where it did not say.
    /// </summary>
    public DateTimeOffset? SentAt { get; init; }
}

/// <summary>Where one log leaves another.</summary>
/// <param name="LogId">The other log.</param>
/// <param name="Sequence">Its last entry that both share; the first entry of the new log has the next number.</param>
public sealed record LogBranch(Guid LogId, int Sequence);

/// <summary>How far a log goes, for a phone whose entries were refused.</summary>
/// <param name="LastSequence">The number of its last entry.</param>
/// <param name="AgreesUpTo">The last entry up to which it says what the phone says.</param>
public sealed record LogEnd(int LastSequence, int AgreesUpTo);

/// <summary>What the log holds now.</summary>
/// <param name="LastSequence">The number of its last entry; the next one is one higher.</param>
/// <param name="Log">What it adds up to.</param>
/// <param name="KeptAfterTakenOut">
/// Whether the session had been taken out of the week, so that this is kept as own practice.
/// </param>
/// <param name="ChangedMeanwhile">
/// What the coach changed while it was practised as it stood before, a sentence each; what was practised counts. Empty where
/// nothing was.
/// </param>
/// <param name="FromTwoDevices">Whether another device keeps a log of the same session too.</param>
public sealed record AppendView(
    int LastSequence,
    LogView Log,
    bool KeptAfterTakenOut,
    IReadOnlyList<string> ChangedMeanwhile,
    bool FromTwoDevices
);

/// <summary>Practice that nobody set, as it is to stand in a student's week.</summary>
public sealed record OwnPracticeInput
{
    public required Guid StudentId { get; init; }

    /// <summary>The day it is practised on.</summary>
    public required DateOnly Day { get; init; }

    public required SessionPlan Plan { get; init; }
}

/// <summary>What a segment hides, in the order in which it is practised.</summary>
public sealed record SegmentHiding(Guid SegmentId, IReadOnlyList<HiddenFrom> Stages)
{
    public static IReadOnlyList<SegmentHiding> Of(SessionPlan plan) =>
        [.. plan.Practice().Select(s => new SegmentHiding(s.Id, s.Hiding())).Where(h => h.Stages.Count > 0)];
}
