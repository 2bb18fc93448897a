using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>Why a coach should stop behind a student, the most pressing first.</summary>
public enum AttentionReason
{
    /// <summary>Pain that somebody has to clear.</summary>
    Pain,

    /// <summary>Feeling unwell ended a session in the last fortnight, or this week's load is far above the usual.</summary>
    Safety,

    /// <summary>Less pain, of which the student has not said that it is gone.</summary>
    LightPain,

    /// <summary>Nothing is published for this week, or, from its middle on, for the next.</summary>
    NothingSet,

    /// <summary>The student asked or answered something days ago, and nobody has answered.</summary>
    Unanswered,

    /// <summary>Must sessions were missed, this week or the last.</summary>
    Missed,

    /// <summary>The goal of the focus is met: something new is to be agreed.</summary>
    GoalMet,

    /// <summary>A drill was held for weeks and is no better.</summary>
    Plateau,

    /// <summary>Four weeks of honest work, and nothing rises.</summary>
    EffortWithoutResult,

    /// <summary>Nothing was missed, but less than three quarters of the minutes due by today were done.</summary>
    Behind,

    /// <summary>The student practised a session of the last seven days that had been taken out of the week.</summary>
    TakenOut,

    /// <summary>The student wrote a note with a session of the last seven days.</summary>
    Note,

    /// <summary>Every session of this week is excused.</summary>
    Away,

    /// <summary>Nothing that asks for a look.</summary>
    OnTrack,
}

/// <summary>What the tee line knows about one student.</summary>
public sealed record AttentionFacts
{
    /// <summary>Pain that still counts, the worst first.</summary>
    public IReadOnlyList<OpenPain> Pain { get; init; } = [];

    /// <summary>How the student felt when feeling unwell last ended a session; null if there never was one.</summary>
    public Unwell? Unwell { get; init; }

    /// <summary>The day of that; null if there never was one.</summary>
    public DateOnly? UnwellOn { get; init; }

    /// <summary>Published sessions of this week.</summary>
    public IReadOnlyCollection<AssignedSession> ThisWeek { get; init; } = [];

    /// <summary>Published sessions of the week before.</summary>
    public IReadOnlyCollection<AssignedSession> LastWeek { get; init; } = [];

    /// <summary>Whether anything is published for the week after.</summary>
    public bool IsNextWeekSet { get; init; }

    /// <summary>The day since which a question or an answer of the student's waits; null where none does.</summary>
    public DateOnly? WaitsSince { get; init; }

    /// <summary>The day of the last session with a note; null if there never was one.</summary>
    public DateOnly? LastNoteOn { get; init; }

    /// <summary>
    /// The last day on which a session was practised that had been taken out of the week; null if there never was one.
    /// </summary>
    public DateOnly? KeptAfterTakenOutOn { get; init; }

    /// <summary>What the last results add up to; null where there are none.</summary>
    public Standing? Standing { get; init; }
}

/// <summary>One reason to stop, with its evidence.</summary>
/// <param name="Reason">The reason.</param>
/// <param name="Points">What it adds to the score.</param>
/// <param name="Said">The reason in a few words, for the bay.</param>
/// <param name="Evidence">What it follows from, in a sentence; null where nothing asks for a look.</param>
public sealed record ReasonToStop(
    AttentionReason Reason,
    int Points,
    [property: JsonIgnore] Message Said,
    [property: JsonIgnore] Message? Evidence
)
{
    /// <summary>The reason in a few words.</summary>
    public string Text => Said.In();

    /// <summary>The evidence; empty where nothing asks for a look.</summary>
    public string EvidenceText => Evidence?.In() ?? "";
}

/// <summary>Whether and why a student needs a look today.</summary>
/// <param name="Reasons">Every reason, the most pressing first; never empty.</param>
public sealed record Attention(IReadOnlyList<ReasonToStop> Reasons)
{
    private const int UnwellDays = 14;

    /// <summary>A question or an answer is overdue after so many days. [own default]</summary>
    public const int OverdueDays = 2;

    /// <summary>Days for which a note, or a session practised after it was taken out, asks for a look.</summary>
    public const int NoteDays = 7;

    /// <summary>From this day of the week on the next week should be set. [own default]</summary>
    private const DayOfWeek NextWeekFrom = DayOfWeek.Thursday;

    /// <summary>The most pressing reason.</summary>
    public AttentionReason Reason => Reasons[0].Reason;

    /// <summary>The most pressing reason in a few words, for the bay.</summary>
    public string Text => Reasons[0].Text;

    /// <summary>
    /// The points of all reasons together. Each reason counts twice the one below it, so that no number of lesser reasons comes
    /// before a greater one, and of two students with the same reason the one with more beside it comes first.
    /// </summary>
    public int Score => Reasons.Sum(r => r.Points);

    /// <summary>Every reason that fits. The days are the product's own defaults.</summary>
    public static Attention At(AttentionFacts facts, DateOnly today)
    {
        var reasons = Fitting(facts, today).OrderBy(r => r.Reason).ToList();
        return new Attention(reasons.Count > 0 ? reasons : [Calm(facts, today)]);
    }

    private static int PointsOf(AttentionReason reason) =>
        reason >= AttentionReason.Away ? 0 : 1 << (AttentionReason.Note - reason);

    private static ReasonToStop Stop(AttentionReason reason, Message text, Message evidence) =>
        new(reason, PointsOf(reason), text, evidence);

    private static IEnumerable<ReasonToStop> Fitting(AttentionFacts facts, DateOnly today)
    {
        if (facts.Pain.Count > 0)
        {
            var worst = facts.Pain.FirstOrDefault(p => p.NeedsClearing) ?? facts.Pain[0];
            yield return Stop(
                worst.NeedsClearing ? AttentionReason.Pain : AttentionReason.LightPain,
                ReviewSentences.Said.Of(worst.InWords()),
                ReviewSentences.PainEvidence.Of(worst.InWords(), Day(worst.Since), Day(worst.LastOn))
            );
        }

        foreach (var safety in Safety(facts, today))
            yield return safety;
        foreach (var week in OfWeeks(facts, today))
            yield return week;
        if (facts.WaitsSince is { } since && since.Plus(OverdueDays) <= today)
        {
            yield return Stop(
                AttentionReason.Unanswered,
                ReviewSentences.Asked.Of(Day(since)),
                ReviewSentences.AskedEvidence.Of(Day(since))
            );
        }

        foreach (var result in OfResults(facts.Standing?.On(today), today))
            yield return result;
        if (facts.KeptAfterTakenOutOn is { } kept && kept.Plus(NoteDays) >= today)
        {
            yield return Stop(
                AttentionReason.TakenOut,
                ReviewSentences.TakenOut.Of(),
                ReviewSentences.TakenOutEvidence.Of(Day(kept))
            );
        }

        if (facts.LastNoteOn is { } noted && noted.Plus(NoteDays) >= today)
            yield return Stop(AttentionReason.Note, ReviewSentences.Note.Of(), ReviewSentences.NoteEvidence.Of(Day(noted)));
    }

    private static IEnumerable<ReasonToStop> Safety(AttentionFacts facts, DateOnly today)
    {
        if (facts.UnwellOn is { } unwellOn && unwellOn.Plus(UnwellDays) >= today)
        {
            var isDizzy = facts.Unwell == Unwell.Dizzy;
            yield return Stop(
                AttentionReason.Safety,
                (isDizzy ? ReviewSentences.Dizzy : ReviewSentences.Overheated).Of(),
                (isDizzy ? ReviewSentences.DizzyEvidence : ReviewSentences.OverheatedEvidence).Of(Day(unwellOn))
            );
        }
        else if (facts.Standing?.LoadIn(IsoWeek.Of(today)) is { } ratio && ratio > WeekLoad.CautionAbove)
        {
            yield return Stop(
                AttentionReason.Safety,
                ReviewSentences.LoadHigh.Of(ratio),
                ReviewSentences.LoadEvidence.Of(ratio, WeekLoad.CautionAbove)
            );
        }
    }

    private static IEnumerable<ReasonToStop> OfWeeks(AttentionFacts facts, DateOnly today)
    {
        var set = facts.ThisWeek.Where(s => s.Requirement != Requirement.Own).ToList();
        var isLate = today.DayOfWeek is DayOfWeek.Sunday || today.DayOfWeek >= NextWeekFrom;
        if (set.Count == 0)
        {
            yield return Stop(
                AttentionReason.NothingSet,
                ReviewSentences.NothingSet.Of(),
                ReviewSentences.NothingSetEvidence.Of()
            );
        }
        else if (isLate && !facts.IsNextWeekSet)
        {
            yield return Stop(
                AttentionReason.NothingSet,
                ReviewSentences.NothingNext.Of(),
                ReviewSentences.NothingNextEvidence.Of(Day(IsoWeek.Of(today).Plus(1).Monday))
            );
        }

        var missed = facts
            .ThisWeek.Concat(facts.LastWeek)
            .Count(s => s.Requirement == Requirement.Must && s.StatusOn(today) == SessionStatus.Missed);
        var week = WeekCompletion.Of(set, today);
        if (missed > 0)
        {
            yield return Stop(
                AttentionReason.Missed,
                ReviewSentences.Missed.Of(missed),
                missed == 1 ? ReviewSentences.MissedOneEvidence.Of() : ReviewSentences.MissedEvidence.Of(missed)
            );
        }
        else if (set.Count > 0 && !week.IsOnTrack)
        {
            yield return Stop(
                AttentionReason.Behind,
                ReviewSentences.Behind.Of(week.DueDoneMinutes, week.DueMinutes),
                ReviewSentences.BehindEvidence.Of(week.DueDoneMinutes, week.DueMinutes)
            );
        }
    }

    private static IEnumerable<ReasonToStop> OfResults(Standing? standing, DateOnly today)
    {
        if (standing is null)
            yield break;
        if (standing.Goal is { State: GoalState.Met or GoalState.PerhapsMet } goal && Standing.IsRecent(goal.MeasuredOn, today))
        {
            yield return Stop(
                AttentionReason.GoalMet,
                (
                    goal.State == GoalState.Met ? ReviewSentences.GoalMet
                    : goal.IsOverdueOn(today) ? ReviewSentences.GoalPastDue
                    : ReviewSentences.GoalPerhapsMet
                ).Of(),
                ReviewSentences.Said.Of(goal.Text)
            );
        }

        if (standing.Plateau is { } plateau)
        {
            yield return Stop(
                AttentionReason.Plateau,
                ReviewSentences.Plateau.Of(plateau.Drill),
                ReviewSentences.PlateauEvidence.Of(plateau.Drill, plateau.Text)
            );
        }

        if (standing.IsEffortWithoutResult)
        {
            yield return Stop(
                AttentionReason.EffortWithoutResult,
                ReviewSentences.NoResult.Of(),
                ReviewSentences.NoResultEvidence.Of(100 * standing.DoneShare!.Value, standing.JudgedDrills)
            );
        }
    }

    private static ReasonToStop Calm(AttentionFacts facts, DateOnly today)
    {
        var set = facts.ThisWeek.Where(s => s.Requirement != Requirement.Own);
        return set.All(s => s.StatusOn(today) == SessionStatus.Excused)
            ? new ReasonToStop(AttentionReason.Away, 0, ReviewSentences.Away.Of(), null)
            : new ReasonToStop(AttentionReason.OnTrack, 0, ReviewSentences.OnTrack.Of(), null);
    }

    /// <summary>A day as it stands in a sentence: "Fri 15 May".</summary>
    internal static string Day(DateOnly day) => day.ToString("ddd d MMMM", System.Globalization.CultureInfo.InvariantCulture);
}
