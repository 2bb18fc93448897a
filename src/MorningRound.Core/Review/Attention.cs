using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>Why a coach should stop behind a student, the most pressing first.</summary>
public enum AttentionReason
{
    /// <summary>Pain that somebody has to clear, or feeling unwell ended a session in the last fortnight.</summary>
    Pain,

    /// <summary>Less pain, of which the student has not said that it is gone.</summary>
    LightPain,

    /// <summary>Nothing is published for this week.</summary>
    NothingSet,

    /// <summary>Must sessions were missed, this week or the last.</summary>
    Missed,

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
/// <param name="Pain">Pain that still counts, the worst first.</param>
/// <param name="Unwell">How the student felt when feeling unwell last ended a session; null if there never was one.</param>
/// <param name="UnwellOn">The day of that; null if there never was one.</param>
/// <param name="ThisWeek">Published sessions of this week.</param>
/// <param name="LastWeek">Published sessions of the week before.</param>
/// <param name="LastNoteOn">The day of the last session with a note; null if there never was one.</param>
/// <param name="KeptAfterTakenOutOn">
/// The last day on which a session was practised that had been taken out of the week; null if there never was one.
/// </param>
public sealed record AttentionFacts(
    IReadOnlyList<OpenPain> Pain,
    Unwell? Unwell,
    DateOnly? UnwellOn,
    IReadOnlyCollection<AssignedSession> ThisWeek,
    IReadOnlyCollection<AssignedSession> LastWeek,
    DateOnly? LastNoteOn,
    DateOnly? KeptAfterTakenOutOn
);

/// <summary>Whether and why a student needs a look today. The order of the reasons is the order of the walk.</summary>
/// <param name="Reason">The most pressing reason.</param>
/// <param name="Message">The reason in a few words: which, and of what.</param>
public sealed record Attention(AttentionReason Reason, [property: JsonIgnore] Message Message)
{
    private const int UnwellDays = 14;

    /// <summary>Days for which a note, or a session practised after it was taken out, asks for a look.</summary>
    public const int NoteDays = 7;

    /// <summary>The reason in a few words, for the bay.</summary>
    public string Text => Message.In();

    /// <summary>The first reason that fits, most pressing first. The days are the product's own defaults.</summary>
    public static Attention At(AttentionFacts facts, DateOnly today)
    {
        if (facts.Pain.FirstOrDefault(p => p.NeedsClearing) is { } hurt)
            return new Attention(AttentionReason.Pain, ReviewSentences.Said.Of(hurt.InWords()));
        if (facts.UnwellOn is { } unwellOn && unwellOn.Plus(UnwellDays) >= today)
            return new Attention(
                AttentionReason.Pain,
                (facts.Unwell == Unwell.Dizzy ? ReviewSentences.Dizzy : ReviewSentences.Overheated).Of()
            );
        var set = facts.ThisWeek.Where(s => s.Requirement != Requirement.Own).ToList();
        if (facts.Pain.Count > 0)
            return new Attention(AttentionReason.LightPain, ReviewSentences.Said.Of(facts.Pain[0].InWords()));
        if (set.Count == 0)
            return new Attention(AttentionReason.NothingSet, ReviewSentences.NothingSet.Of());

        var missed = facts
            .ThisWeek.Concat(facts.LastWeek)
            .Count(s => s.Requirement == Requirement.Must && s.StatusOn(today) == SessionStatus.Missed);
        if (missed > 0)
            return new Attention(AttentionReason.Missed, ReviewSentences.Missed.Of(missed));
        var week = WeekCompletion.Of(set, today);
        if (!week.IsOnTrack)
            return new Attention(AttentionReason.Behind, ReviewSentences.Behind.Of(week.DueDoneMinutes, week.DueMinutes));
        if (facts.KeptAfterTakenOutOn is { } kept && kept.Plus(NoteDays) >= today)
            return new Attention(AttentionReason.TakenOut, ReviewSentences.TakenOut.Of());
        if (facts.LastNoteOn is { } noted && noted.Plus(NoteDays) >= today)
            return new Attention(AttentionReason.Note, ReviewSentences.Note.Of());
        return set.All(s => s.StatusOn(today) == SessionStatus.Excused)
            ? new Attention(AttentionReason.Away, ReviewSentences.Away.Of())
            : new Attention(AttentionReason.OnTrack, ReviewSentences.OnTrack.Of());
    }
}
