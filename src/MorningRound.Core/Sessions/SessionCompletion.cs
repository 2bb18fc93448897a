using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>How much of one planned segment was done.</summary>
/// <param name="SegmentId">The segment.</param>
/// <param name="Fraction">0 to 1; null where it was dropped because of pain and counts for nothing.</param>
/// <param name="Outcome">How it was left; null where nobody touched it or it was left open.</param>
/// <param name="Balls">Balls counted in the log that counts; null when nothing was counted.</param>
/// <param name="Seconds">Seconds the clock ran in the log that counts.</param>
/// <param name="Ticked">
/// Done by the student's word alone: ticked off in less than a fifth of its minutes, with nothing counted.
/// </param>
/// <param name="HowMuchUnknown">Done in part, and nobody knows how much: it counts as half.</param>
public sealed record SegmentCompletion(
    Guid SegmentId,
    double? Fraction,
    SegmentOutcome? Outcome,
    int? Balls,
    int Seconds,
    bool Ticked = false,
    bool HowMuchUnknown = false
);

/// <summary>How much of a session was done, in figures: planned minutes of what was done ÷ planned minutes that count.</summary>
public record CompletionFigures
{
    /// <summary>Planned minutes that count.</summary>
    public required int PlannedMinutes { get; init; }

    /// <summary>Planned minutes of what was done: half a 20-minute segment is 10.</summary>
    public required double DoneMinutes { get; init; }

    /// <summary>Whether every segment that counts was done whole.</summary>
    public required bool IsWhole { get; init; }

    /// <summary>0 to 1; null when nothing is left that counts.</summary>
    public double? Fraction => PlannedMinutes == 0 ? null : DoneMinutes / PlannedMinutes;
}

/// <summary>
/// How much of a session was done: planned minutes of the segments done ÷ planned minutes of the published plan. Pauses, and
/// segments dropped because of pain, are in neither.
/// </summary>
public sealed record SessionCompletion : CompletionFigures
{
    /// <summary>One entry for each segment of practice, in the order of the plan.</summary>
    public required IReadOnlyList<SegmentCompletion> Segments { get; init; }

    /// <summary>
    /// Judges a plan by the logs kept of it. Of two logs, the fuller one counts for each segment; without a log nothing was
    /// done.
    /// </summary>
    public static SessionCompletion Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs)
    {
        var counted = plan.Practice().Select(segment => (segment, completion: Fullest(segment, plan, logs))).ToList();
        var counting = counted.Where(c => c.completion.Fraction is not null).ToList();
        return new SessionCompletion
        {
            Segments = [.. counted.Select(c => c.completion)],
            PlannedMinutes = counting.Sum(c => c.segment.Minutes),
            DoneMinutes = counting.Sum(c => c.segment.Minutes * c.completion.Fraction!.Value),
            IsWhole = counting.Sum(c => c.segment.Minutes) > 0 && counting.All(c => c.completion.Fraction >= 1),
        };
    }

    private static SegmentCompletion Fullest(PracticeSegment segment, SessionPlan plan, IReadOnlyCollection<SessionLog> logs) =>
        FullestLog(segment, plan, logs) is { } log ? In(segment, plan, log) : new SegmentCompletion(segment.Id, 0, null, null, 0);

    /// <summary>
    /// The log that counts for a segment: one that did something of it beats one in which it was dropped for pain, which beats
    /// one that never touched it; of those that did something, the one that did more. Null without logs.
    /// </summary>
    public static SessionLog? FullestLog(PracticeSegment segment, SessionPlan plan, IEnumerable<SessionLog> logs) =>
        logs.MaxBy(log =>
            In(segment, plan, log).Fraction switch
            {
                > 0 and var done => 1 + done,
                null => 1,
                _ => 0,
            }
        );

    private static SegmentCompletion In(PracticeSegment segment, SessionPlan plan, SessionLog log)
    {
        var kept = log.Segments.FirstOrDefault(s => s.SegmentId == segment.Id) ?? new SegmentLog { SegmentId = segment.Id };
        var fallsOut =
            log.EndedForCare
            || log.Pain.Any(p => PainRule.LeavesOut(segment, new HurtPart(p.Part, p.Side, Mild: true)))
            || log.FollowUps.Any(f =>
                f.LeavesOut() && PainRule.LeavesOut(segment, new HurtPart(f.Part, f.Side, Mild: !f.NeedsClearing))
            );
        var dropped = fallsOut && kept.Outcome is null;
        var counted = kept.Balls > 0 || kept.DrillAttempts > 0;
        return new SegmentCompletion(
            segment.Id,
            dropped ? null : FractionOf(segment, kept, log.Recording) * LeftAfterTrim(segment, kept, log),
            kept.Outcome,
            kept.Balls,
            (int)Math.Round(kept.Spent.TotalSeconds)
        )
        {
            Ticked =
                log.Recording != Recording.Paper
                && kept.Outcome == SegmentOutcome.Done
                && !counted
                && kept.Spent.TotalMinutes * 5 < segment.Minutes,
            HowMuchUnknown = IsPartUnknown(kept, log.Recording),
        };
    }

    /// <summary>Whether a part of unknown size was done: a card says "in part" and no number with it.</summary>
    private static bool IsPartUnknown(SegmentLog kept, Recording recording) =>
        recording == Recording.Paper
        && kept is { Outcome: SegmentOutcome.PartDone, Percent: null, DrillAttempts: 0, Balls: null };

    /// <summary>
    /// A segment that was shortened before it began and then done counts for what was left of it: the number stays honest.
    /// </summary>
    private static double LeftAfterTrim(PracticeSegment planned, SegmentLog kept, SessionLog log)
    {
        if (log.Trim is not { } trim || (kept.Outcome != SegmentOutcome.Done && kept.ResultStatus != ResultStatus.Complete))
            return 1;
        return Math.Min(
            1,
            (trim.Kept.FirstOrDefault(k => k.SegmentId == planned.Id)?.Minutes ?? planned.Minutes) / (double)planned.Minutes
        );
    }

    /// <summary>
    /// Done is whole and skipped is nothing, and a drill that came to its own end is done. Otherwise what the student said of a
    /// part, else attempts ÷ the protocol's number, else balls counted ÷ balls planned, else the clock's minutes; never above 1.
    /// A part of which a card says no more counts as half.
    /// </summary>
    private static double FractionOf(PracticeSegment planned, SegmentLog kept, Recording recording) =>
        kept.Outcome switch
        {
            SegmentOutcome.Done => 1,
            SegmentOutcome.Skipped => 0,
            _ when kept.ResultStatus == ResultStatus.Complete => 1,
            SegmentOutcome.PartDone when kept.Percent is { } percent => percent / 100.0,
            _ when IsPartUnknown(kept, recording) => 0.5,
            _ when kept.DrillAttempts > 0 && planned.Protocol()?.PlannedAttempts is { } asked => Math.Min(
                1,
                (double)kept.DrillAttempts / asked
            ),
            _ when planned.Balls > 0 && kept.Balls is { } balls => Math.Min(1, (double)balls / planned.Balls),
            _ => Math.Min(1, kept.Spent.TotalMinutes / planned.Minutes),
        };
}
