using MorningRound.Core.Weeks;

namespace MorningRound.Core.Review;

/// <summary>Why a coach should stop behind a student, the most pressing first.</summary>
public enum LookReason
{
    /// <summary>Pain ended a session in the last fortnight.</summary>
    Pain,

    /// <summary>Nothing is published for this week.</summary>
    NothingSet,

    /// <summary>Must sessions were missed, this week or the last.</summary>
    Missed,

    /// <summary>The student wrote a note with a session of the last seven days.</summary>
    Note,

    /// <summary>Every session of this week is excused.</summary>
    Away,

    /// <summary>Nothing that asks for a look.</summary>
    OnTrack,
}

/// <summary>What the tee line knows about one student.</summary>
/// <param name="PainEndedSessionOn">The last day on which pain ended a session; none if never.</param>
/// <param name="WorstPart">Where that was, in words; none if never.</param>
/// <param name="ThisWeek">Published sessions of this week.</param>
/// <param name="LastWeek">Published sessions of the week before.</param>
/// <param name="LastNoteOn">The day of the last session with a note; none if never.</param>
public sealed record LookFacts(
    DateOnly? PainEndedSessionOn,
    string? WorstPart,
    IReadOnlyCollection<AssignedSession> ThisWeek,
    IReadOnlyCollection<AssignedSession> LastWeek,
    DateOnly? LastNoteOn);

/// <summary>Whether and why a student needs a look today. The order of the reasons is the order of the walk.</summary>
/// <param name="Reason">The most pressing reason.</param>
/// <param name="Words">The reason in a few words, for the bay.</param>
public sealed record Look(LookReason Reason, string Words)
{
    private const int PainDays = 14;
    private const int NoteDays = 7;

    /// <summary>The first reason that fits, most pressing first. The days are the product's own defaults.</summary>
    public static Look At(LookFacts facts, DateOnly today)
    {
        if (facts.PainEndedSessionOn is { } hurt && hurt.AddDays(PainDays) >= today)
            return new Look(LookReason.Pain, facts.WorstPart ?? "pain");
        if (facts.ThisWeek.Count == 0) return new Look(LookReason.NothingSet, "nothing set");

        var missed = facts.ThisWeek.Concat(facts.LastWeek)
            .Count(s => s.Requirement == Requirement.Must && s.StandingOn(today) == Standing.Missed);
        if (missed > 0) return new Look(LookReason.Missed, $"missed {missed}");
        if (facts.LastNoteOn is { } noted && noted.AddDays(NoteDays) >= today) return new Look(LookReason.Note, "note");
        return facts.ThisWeek.All(s => s.StandingOn(today) == Standing.Excused)
            ? new Look(LookReason.Away, "away")
            : new Look(LookReason.OnTrack, "on track");
    }
}
