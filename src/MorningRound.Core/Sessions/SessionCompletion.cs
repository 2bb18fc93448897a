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
/// <param name="IsReported">
/// Whether the share is the student's own word, because neither attempts nor the clock show it. It counts towards completion and
/// is always named; it feeds no result, no trend and no repetitions.
/// </param>
/// <param name="HowMuchUnknown">Done in part, and nobody knows how much: it counts as half.</param>
public sealed record SegmentCompletion(
    Guid SegmentId,
    double? Fraction,
    SegmentOutcome? Outcome,
    int? Balls,
    int Seconds,
    bool IsReported = false,
    bool HowMuchUnknown = false
);

/// <summary>How much of a session was done, in figures: planned minutes of what was done ÷ planned minutes that count.</summary>
public record CompletionFigures
{
    /// <summary>Planned minutes that count. Of a session that was stopped, only what was done of it.</summary>
    public required int PlannedMinutes { get; init; }

    /// <summary>Planned minutes of what was done: half a 20-minute segment is 10.</summary>
    public required double DoneMinutes { get; init; }

    /// <summary>Those of them that the student reported, without attempts or a clock that show them.</summary>
    public double ReportedMinutes { get; init; }

    /// <summary>Whether every segment that counts was done whole.</summary>
    public required bool IsWhole { get; init; }

    /// <summary>
    /// Whether pain, feeling unwell or the weather ended it while something was left to do. It has no percentage then.
    /// </summary>
    public bool IsStopped { get; init; }

    /// <summary>0 to 1; null when nothing is left that counts, and where the session was stopped.</summary>
    public double? Fraction => IsStopped || PlannedMinutes == 0 ? null : Math.Min(1, DoneMinutes / PlannedMinutes);
}

/// <summary>What ended a session before it was over.</summary>
public enum StopReason
{
    /// <summary>Pain.</summary>
    Pain,

    /// <summary>Feeling unwell.</summary>
    Unwell,

    /// <summary>Thunder.</summary>
    Thunder,

    /// <summary>Rain.</summary>
    Rain,

    /// <summary>Wind.</summary>
    Wind,
}

/// <summary>
/// How much of a session was done: planned minutes of the segments done ÷ planned minutes of the published plan. Pauses, and
/// segments dropped because of pain, are in neither. What counts is what was done, not what was tapped.
/// </summary>
public sealed record SessionCompletion : CompletionFigures
{
    /// <summary>From this share of its minutes on a segment that keeps no attempts is done. [own default]</summary>
    public const double DoneFrom = 0.75;

    /// <summary>Below this share of its minutes closing such a segment asks how much of it was done. [own default]</summary>
    public const double AsksBelow = 0.25;

    /// <summary>What stopped it; null where nothing did.</summary>
    public StopReason? StoppedFor { get; init; }

    /// <summary>One entry for each segment of practice, in the order of the plan.</summary>
    public required IReadOnlyList<SegmentCompletion> Segments { get; init; }

    /// <summary>
    /// Judges a plan by the logs kept of it. Of two logs, the one with more attempts counts for each segment, then the one whose
    /// clock ran longer; without a log nothing was done.
    /// </summary>
    public static SessionCompletion Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs)
    {
        var counted = plan.Practice()
            .Select(segment =>
                (segment, done: FullestLog(segment, plan, logs) is { } log ? In(segment, log) : Untouched(segment))
            )
            .ToList();
        var whole = counted.Sum(c => c.segment.Minutes);
        var done = counted.Sum(c => c.segment.Minutes * (c.done.Completion.Fraction ?? 0));
        var isStopped = logs.Any(l => l.EndedForCare) && done < whole - 1e-9;
        var planned = isStopped ? done : counted.Sum(c => c.done.CountedMinutes);
        var counting = counted.Where(c => c.done.Completion.Fraction is not null).ToList();
        return new SessionCompletion
        {
            Segments = [.. counted.Select(c => c.done.Completion)],
            PlannedMinutes = (int)Math.Round(planned, MidpointRounding.AwayFromZero),
            // Of a stopped session whole minutes, so that its share of a week is exactly what was done.
            DoneMinutes = isStopped ? Math.Round(done, MidpointRounding.AwayFromZero) : done,
            ReportedMinutes = counted
                .Where(c => c.done.Completion.IsReported)
                .Sum(c => c.segment.Minutes * c.done.Completion.Fraction!.Value),
            IsWhole =
                !isStopped && counting.Sum(c => c.segment.Minutes) > 0 && counting.All(c => c.done.Completion.Fraction >= 1),
            IsStopped = isStopped,
            StoppedFor = isStopped ? ReasonOf(logs) : null,
        };
    }

    /// <summary>What ended it: what is felt comes before the weather.</summary>
    private static StopReason ReasonOf(IReadOnlyCollection<SessionLog> logs) =>
        logs.Any(l => l.EndedByPain) ? StopReason.Pain
        : logs.Any(l => l.Unwell is not null) ? StopReason.Unwell
        : logs.Select(l => l.Weather).FirstOrDefault(w => w is not null) switch
        {
            BadWeather.Rain => StopReason.Rain,
            BadWeather.Wind => StopReason.Wind,
            _ => StopReason.Thunder,
        };

    /// <summary>Whether a segment is measured by attempts: it has a protocol that takes them, and is no warm-up.</summary>
    public static bool CountsAttempts(PracticeSegment segment) =>
        segment.Phase != Phase.WarmUp && segment.Protocol() is { } protocol and not Repetitions && AskedOf(segment, protocol) > 0;

    /// <summary>The attempts that a segment asks for: those of its drill, else its balls; 0 where neither says.</summary>
    public static int AttemptsAsked(PracticeSegment segment) =>
        segment.Protocol() is { } protocol ? AskedOf(segment, protocol) : segment.Balls;

    /// <summary>
    /// Whether a result says enough to set it against a goal: the drill reached its own end, or at least half of the attempts
    /// asked for were made. [own default]
    /// </summary>
    /// <param name="segment">The segment as it was planned.</param>
    /// <param name="status">How the drill's inputs read.</param>
    /// <param name="attempts">Attempts that were completed.</param>
    public static bool IsEnoughForGoal(PracticeSegment segment, ResultStatus status, int attempts) =>
        status == ResultStatus.Complete || 2 * attempts >= AttemptsAsked(segment);

    private static int AskedOf(PracticeSegment segment, ScoringProtocol protocol) => protocol.PlannedAttempts ?? segment.Balls;

    /// <summary>
    /// The log that counts for a segment: the one with more attempts; of equals one that shows or reports something, rather than
    /// one in which it was dropped for pain, rather than one that never touched it; then the one whose clock ran longer. Null
    /// without logs.
    /// </summary>
    public static SessionLog? FullestLog(PracticeSegment segment, SessionPlan plan, IEnumerable<SessionLog> logs) =>
        logs.MaxBy(log =>
        {
            var kept = KeptOf(segment, log);
            var attempts = Math.Max(kept.DrillAttempts, kept.Balls ?? 0);
            var (completion, _) = In(segment, log);
            var shows = completion.Fraction switch
            {
                > 0 => 2,
                null => 1,
                _ => 0,
            };
            return (attempts, shows, completion.IsReported ? 0 : 1, kept.Spent, completion.Fraction ?? 0);
        });

    private static SegmentLog KeptOf(PracticeSegment segment, SessionLog log) =>
        log.Segments.FirstOrDefault(s => s.SegmentId == segment.Id) ?? new SegmentLog { SegmentId = segment.Id };

    private static (SegmentCompletion Completion, double CountedMinutes) Untouched(PracticeSegment segment) =>
        (new SegmentCompletion(segment.Id, 0, null, null, 0), segment.Minutes);

    private static (SegmentCompletion Completion, double CountedMinutes) In(PracticeSegment segment, SessionLog log)
    {
        var kept = KeptOf(segment, log);
        var fallsOut =
            log.EndedForCare
            || log.Pain.Any(p => PainRule.LeavesOut(segment, new HurtPart(p.Part, p.Side, Mild: true)))
            || log.FollowUps.Any(f =>
                f.LeavesOut() && PainRule.LeavesOut(segment, new HurtPart(f.Part, f.Side, Mild: !f.NeedsClearing))
            );
        var isDropped = fallsOut && kept.Outcome is null;
        var (share, isReported) = ShareOf(segment, kept, log);
        var completion = new SegmentCompletion(
            segment.Id,
            isDropped && share == 0 ? null : share,
            kept.Outcome,
            kept.Balls,
            (int)Math.Round(kept.Spent.TotalSeconds),
            isReported,
            IsPartUnknown(kept, log.Recording)
        );
        // Of what fell out, only what was done before counts.
        return (completion, isDropped ? segment.Minutes * share : segment.Minutes);
    }

    /// <summary>Whether a part of unknown size was done: a card says "in part" and no number with it.</summary>
    private static bool IsPartUnknown(SegmentLog kept, Recording recording) =>
        recording == Recording.Paper
        && kept is { Outcome: SegmentOutcome.PartDone, Percent: null, DrillAttempts: 0, Balls: null };

    /// <summary>
    /// The share of a segment, the first that fits: a drill that reached its own end is done; a lesson counts as its coach closes
    /// it; attempts ÷ those asked for; the clock ÷ the planned minutes, which from three quarters on is all of it. Where neither
    /// shows anything, what the student says counts, as reported. A segment that was shortened beforehand counts for what was
    /// left of it, so that the number stays honest.
    /// </summary>
    private static (double Share, bool IsReported) ShareOf(PracticeSegment planned, SegmentLog kept, SessionLog log)
    {
        var left = LeftAfterTrim(planned, log);
        if (kept.ResultStatus == ResultStatus.Complete)
            return (left, false);
        double? said = kept.Outcome switch
        {
            SegmentOutcome.Done => 1,
            SegmentOutcome.Skipped => 0,
            SegmentOutcome.PartDone => kept.Percent / 100.0,
            _ => null,
        };
        var attempts = kept.DrillAttempts;
        var isPaper = log.Recording == Recording.Paper;
        // A card says how many there were without saying how each went.
        if (isPaper)
            attempts = Math.Max(attempts, kept.Balls ?? 0);
        var byAttempts =
            CountsAttempts(planned) && attempts > 0 ? Math.Min(1, (double)attempts / AttemptsAsked(planned)) : (double?)null;
        if (log.Recording == Recording.Lesson)
            return (said * left ?? byAttempts ?? ByClock(planned, kept, left), false);
        if (byAttempts is { } shown)
            return (shown, false);
        if (isPaper)
        {
            var noted = planned.Balls > 0 && kept.Balls is { } balls ? Math.Min(1, (double)balls / planned.Balls) : (double?)null;
            var told =
                said * left
                ?? noted
                ?? (
                    IsPartUnknown(kept, log.Recording) ? 0.5
                    : kept.Outcome is null ? 0
                    : ByClock(planned, kept, left)
                );
            return (told, told > 0);
        }

        if (kept.Outcome == SegmentOutcome.Skipped)
            return (0, false);
        if (CountsAttempts(planned))
            return said is > 0 ? (said.Value * left, true) : (0, false);
        var measured = ByClock(planned, kept, left);
        if (kept.Spent.TotalMinutes < AsksBelow * left * planned.Minutes)
            return said * left is { } word && word > measured ? (word, true) : (measured, false);
        // What was to be reached was reached early, which is all of it.
        return said == 1 && planned.Exit is UntilMet ? (left, false) : (measured, false);
    }

    /// <summary>By the clock, or by balls that were counted one by one where they show more.</summary>
    private static double ByClock(PracticeSegment planned, SegmentLog kept, double left)
    {
        var minutes = left * planned.Minutes;
        var clock = minutes == 0 ? 0 : kept.Spent.TotalMinutes / minutes;
        var balls = planned.Balls > 0 && kept.Balls is { } counted ? (double)counted / planned.Balls : 0;
        return Math.Max(clock >= DoneFrom ? left : clock * left, Math.Min(1, balls));
    }

    private static double LeftAfterTrim(PracticeSegment planned, SessionLog log) =>
        log.Trim?.Kept.FirstOrDefault(k => k.SegmentId == planned.Id) is { } kept
            ? Math.Min(1, kept.Minutes / (double)planned.Minutes)
            : 1;
}
