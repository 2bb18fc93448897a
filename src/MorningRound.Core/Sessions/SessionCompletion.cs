using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>How much of one planned segment was done.</summary>
/// <param name="SegmentId">The segment.</param>
/// <param name="Fraction">0 to 1; none where it was dropped because of pain and counts for nothing.</param>
/// <param name="Outcome">How it was left; none where nobody touched it or it was left open.</param>
/// <param name="Balls">Balls counted in the log that counts; none when nothing was counted.</param>
/// <param name="Seconds">Seconds the clock ran in the log that counts.</param>
public sealed record SegmentCompletion(Guid SegmentId, double? Fraction, SegmentOutcome? Outcome, int? Balls, int Seconds);

/// <summary>
/// How much of a session was done: planned minutes of the segments done ÷ planned minutes of the published plan. Pauses, and
/// segments dropped because of pain, are in neither.
/// </summary>
public sealed record SessionCompletion
{
    /// <summary>One entry for each segment of practice, in the order of the plan.</summary>
    public required IReadOnlyList<SegmentCompletion> Segments { get; init; }

    /// <summary>Planned minutes that count.</summary>
    public required int PlannedMinutes { get; init; }

    /// <summary>Planned minutes of what was done: half a 20-minute segment is 10.</summary>
    public required double DoneMinutes { get; init; }

    /// <summary>0 to 1; none when nothing is left that counts.</summary>
    public double? Fraction => PlannedMinutes == 0 ? null : DoneMinutes / PlannedMinutes;

    /// <summary>Whether every segment that counts was done whole.</summary>
    public bool IsWhole => PlannedMinutes > 0 && Segments.All(s => s.Fraction is null or >= 1);

    /// <summary>
    /// Judges a plan by the logs kept of it. Of two logs, the fuller one counts for each segment; without a log nothing was
    /// done.
    /// </summary>
    public static SessionCompletion Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs)
    {
        var counted = plan.Practice()
            .Select(segment => (segment, completion: Fullest(segment, plan, logs)))
            .ToList();
        var counting = counted.Where(c => c.completion.Fraction is not null).ToList();
        return new SessionCompletion
        {
            Segments = [.. counted.Select(c => c.completion)],
            PlannedMinutes = counting.Sum(c => c.segment.Minutes),
            DoneMinutes = counting.Sum(c => c.segment.Minutes * c.completion.Fraction!.Value),
        };
    }

    private static SegmentCompletion Fullest(PracticeSegment segment, SessionPlan plan, IReadOnlyCollection<SessionLog> logs)
    {
        var perLog = logs.Select(log => In(segment, plan, log)).ToList();
        if (perLog.Count == 0) return new SegmentCompletion(segment.Id, 0, null, null, 0);

        // A log that did something of it beats one in which it was dropped for pain, which beats one that never touched it.
        return perLog.MaxBy(c => c.Fraction switch { > 0 => 1 + c.Fraction.Value, null => 1, _ => 0 })!;
    }

    private static SegmentCompletion In(PracticeSegment segment, SessionPlan plan, SessionLog log)
    {
        var kept = log.Segments.FirstOrDefault(s => s.SegmentId == segment.Id) ?? new SegmentLog { SegmentId = segment.Id };
        var fallsOut = log.EndedByPain || log.Pain.Any(p => PainRule.SegmentsLoading(plan, p.Part, p.Side).Contains(segment.Id));
        var dropped = fallsOut && kept.Outcome is null;
        return new SegmentCompletion(
            segment.Id, dropped ? null : FractionOf(segment, kept) * LeftAfterTrim(segment, kept, log), kept.Outcome, kept.Balls, (int)Math.Round(kept.Spent.TotalSeconds));
    }

    /// <summary>A segment that was shortened before it began and then done counts for what was left of it: the number stays honest.</summary>
    private static double LeftAfterTrim(PracticeSegment planned, SegmentLog kept, SessionLog log)
    {
        if (log.Trim is not { } trim || (kept.Outcome != SegmentOutcome.Done && kept.DrillReading != DrillReading.Complete)) return 1;
        return Math.Min(1, (trim.Kept.FirstOrDefault(k => k.SegmentId == planned.Id)?.Minutes ?? planned.Minutes) / (double)planned.Minutes);
    }

    /// <summary>
    /// Done is whole and skipped is nothing, and a drill that came to its own end is done. Otherwise attempts ÷ the protocol's
    /// number, else balls counted ÷ balls planned, else the clock's minutes; never above 1.
    /// </summary>
    private static double FractionOf(PracticeSegment planned, SegmentLog kept) => kept.Outcome switch
    {
        SegmentOutcome.Done => 1,
        SegmentOutcome.Skipped => 0,
        _ when kept.DrillReading == DrillReading.Complete => 1,
        _ when kept.DrillAttempts > 0 && planned.Drill?.Protocol().PlannedAttempts is { } asked =>
            Math.Min(1, (double)kept.DrillAttempts / asked),
        _ when planned.Balls > 0 && kept.Balls is { } balls => Math.Min(1, (double)balls / planned.Balls),
        _ => Math.Min(1, kept.Spent.TotalMinutes / planned.Minutes),
    };
}
