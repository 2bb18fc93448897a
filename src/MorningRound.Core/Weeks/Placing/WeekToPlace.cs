using MorningRound.Core.Calendar;
using MorningRound.Core.Students;

namespace MorningRound.Core.Weeks.Placing;

/// <summary>What can keep a session from a day. The first six never give way; the others do, the later ones first.</summary>
public enum PlacingRule
{
    /// <summary>A day on which the student cannot.</summary>
    Absence,

    /// <summary>
    /// No time of the student's on that day is long enough, at the right ground. Without times on record, every day has one.
    /// </summary>
    Times,

    /// <summary>A time holds one session.</summary>
    TimeTaken,

    /// <summary>On a competition day nothing but a warm-up.</summary>
    CompetitionDay,

    /// <summary>The stated order.</summary>
    Order,

    /// <summary>No more days of practice than the student usually has in a week.</summary>
    UsualDays,

    /// <summary>Where not everything fits, what must be done before what is extra; and of two days the earlier.</summary>
    MustFirst,

    /// <summary>One day of the week without a session or a competition.</summary>
    RestDay,

    /// <summary>Two heavy days not side by side.</summary>
    HeavyApart,

    /// <summary>A drill not on the same day again, and not on the next.</summary>
    DrillApart,

    /// <summary>
    /// The two days before a competition's arrival, or else before its first day, without long sessions, and the day of
    /// arrival with a short one at most.
    /// </summary>
    Taper,
}

/// <summary>One student's week and the sessions that are to be put on its days.</summary>
public sealed record WeekToPlace
{
    /// <summary>The week.</summary>
    public required IsoWeek Week { get; init; }

    /// <summary>The first day on which something can still be put: today, or the Monday of a week to come.</summary>
    public required DateOnly From { get; init; }

    /// <summary>The student's times; empty where none are on record, which leaves every day open for one session.</summary>
    public IReadOnlyList<PracticeWindow> Times { get; init; } = [];

    /// <summary>The days on which the student cannot.</summary>
    public IReadOnlyList<Absence> Absences { get; init; } = [];

    /// <summary>
    /// The student's competitions.
    /// </summary>
    public IReadOnlyList<Competition> Competitions { get; init; } = [];

    /// <summary>
    /// The days of practice the student usually has in a week, those that stand included; null where that is not known, which
    /// leaves every day open.
    /// </summary>
    public int? UsualDays { get; init; }

    /// <summary>
    /// What is to be placed, each id once. The earlier in the list, the earlier in the week where nothing else decides.
    /// </summary>
    public required IReadOnlyList<SessionToPlace> Sessions { get; init; }

    /// <summary>What stands, in this week and on the days just before and after it.</summary>
    public IReadOnlyList<StandingSession> Standing { get; init; } = [];
}

/// <summary>Where a session was put, and why there.</summary>
public sealed record PlacedSession
{
    /// <summary>The session.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its day; null where it fits nowhere and stays on "any day".</summary>
    public DateOnly? Day { get; init; }

    /// <summary>The student's time it takes; null without a day, and where no times are on record.</summary>
    public PracticeWindow? Time { get; init; }

    /// <summary>The best day it did not get; null where it has the first day that is left.</summary>
    public DateOnly? BetterDay { get; init; }

    /// <summary>
    /// What kept it from <see cref="BetterDay"/>: with exactly these rules taken away, and no fewer, some best placement has it
    /// there. Empty without such a day.
    /// </summary>
    public IReadOnlyList<PlacingRule> KeptBy { get; init; } = [];

    /// <summary>Why it is on its day, in a sentence.</summary>
    public required string Why { get; init; }
}
