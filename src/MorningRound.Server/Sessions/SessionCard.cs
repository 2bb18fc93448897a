using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;

namespace MorningRound.Server.Sessions;

/// <summary>How much was done of something planned.</summary>
/// <param name="PlannedMinutes">Planned minutes that count.</param>
/// <param name="DoneMinutes">Planned minutes of what was done.</param>
/// <param name="Fraction">0 to 1; null when nothing is left that counts, and of a session that was stopped.</param>
/// <param name="Text">"59 of 59 min (46 min reported without scores)", "Stopped for pain after 20 of 60 min".</param>
/// <param name="DueMinutes">Of a week: minutes that were due by today; null of a session.</param>
/// <param name="DueDoneMinutes">Of a week: what was done of those; null of a session.</param>
public sealed record Completed(
    int PlannedMinutes,
    double DoneMinutes,
    double? Fraction,
    string Text,
    int? DueMinutes = null,
    double? DueDoneMinutes = null
)
{
    public static Completed Of(CompletionFigures session, SessionListing listing) =>
        new(
            session.PlannedMinutes,
            session.DoneMinutes,
            session.Fraction,
            (
                session.IsStopped
                    ? CompletionWords.Stopped(
                        listing.StoppedFor ?? StopReason.Pain,
                        session.DoneMinutes,
                        listing.Strip.Where(s => s.Phase is not null).Sum(s => s.Minutes)
                    )
                    : CompletionWords.Done(session.DoneMinutes, session.PlannedMinutes, session.ReportedMinutes)
            ).In()
        );

    public static Completed Of(WeekCompletion week) =>
        new(
            week.PlannedMinutes,
            week.DoneMinutes,
            week.Fraction,
            CompletionWords.Done(week.DoneMinutes, week.PlannedMinutes, week.ReportedMinutes).In(),
            week.DueMinutes,
            week.DueDoneMinutes
        );
}

/// <summary>A session of a week at a glance.</summary>
public sealed record SessionCard : IVersioned
{
    public required Guid AssignmentId { get; init; }

    /// <summary>The plan it was set from; null for practice that nobody set.</summary>
    public required Guid? PlanId { get; init; }

    public required int Version { get; init; }

    public required string Title { get; init; }

    public required string Purpose { get; init; }

    public required string Week { get; init; }

    /// <summary>None for "any day".</summary>
    public required DateOnly? Day { get; init; }

    public required Requirement Requirement { get; init; }

    /// <summary>Its place in a stated order of the week; null where there is none.</summary>
    public required int? Order { get; init; }

    public required bool IsPublished { get; init; }

    /// <summary>Whether its text is this student's own, and no more that of its plan.</summary>
    public required bool HasOwnText { get; init; }

    /// <summary>Whether the student said that there is no time for it, which excuses nothing.</summary>
    public required bool SaidNoTime { get; init; }

    /// <summary>Where it comes from, why it is on its day, what changed; null where there is nothing to say.</summary>
    public required SessionNotes? Notes { get; init; }

    /// <summary>What changed since the student last looked, oldest first.</summary>
    public required IReadOnlyList<SessionChange> Unseen { get; init; }

    /// <summary>Whether something changed since it was published.</summary>
    public required bool ChangedAfterPublishing { get; init; }

    public required SessionStatus Status { get; init; }

    public required Excuse? Excuse { get; init; }

    /// <summary>What the student brings; null for sessions set before that was kept.</summary>
    public required WhatToBring? Bring { get; init; }

    /// <summary>How long the visit lasts, pauses included.</summary>
    public required int Minutes { get; init; }

    public required int Balls { get; init; }

    public required Completed Completion { get; init; }

    public required IReadOnlyList<StripSegment> Strip { get; init; }

    /// <summary>The day it was first practised; null before that.</summary>
    public required DateOnly? PractisedOn { get; init; }

    /// <summary>Whether it needs a range; what is done at home or on a putting green does not.</summary>
    public required bool NeedsRange { get; init; }

    /// <summary>Whether anything was practised of it.</summary>
    public required bool HasLog { get; init; }

    /// <summary>Pain that was reported in it, in words; empty where none was.</summary>
    public required IReadOnlyList<string> Pain { get; init; }

    /// <summary>Segments done in part of which nobody knows how much.</summary>
    public required int HowMuchUnknown { get; init; }

    /// <summary>Whether it was a lesson, held by the coach.</summary>
    public required bool IsLesson { get; init; }

    /// <summary>
    /// Whether the coach had taken it out of the week by the time it arrived from a phone; it is kept as own practice.
    /// </summary>
    public required bool KeptAfterTakenOut { get; init; }

    /// <summary>
    /// What its coach had changed in it while it was practised as it stood before, a sentence each; empty where nothing was.
    /// </summary>
    public required IReadOnlyList<string> ChangedMeanwhile { get; init; }

    /// <summary>Whether two devices kept it together.</summary>
    public required bool FromTwoDevices { get; init; }

    public static SessionCard Of(AssignmentRow row, DateOnly today) => Of(ListedAssignment.Of(row), today);

    public static SessionCard Of(ListedAssignment row, DateOnly today)
    {
        var session = row.ToAssignedSession();
        return new SessionCard
        {
            AssignmentId = row.Id,
            PlanId = row.PlanId,
            Version = row.Version,
            Title = row.Listing.Title,
            Purpose = row.Listing.Purpose,
            Week = session.Week.ToString(),
            Day = row.Day,
            Requirement = row.Requirement,
            Order = row.Order,
            IsPublished = row.PublishedAt is not null,
            HasOwnText = row.HasOwnText,
            SaidNoTime = row.SaidNoTime,
            Notes = row.Notes.IsNothing ? null : row.Notes with { Changes = [] },
            Unseen = row.Notes.Since(row.LookedAt ?? row.SentAt),
            ChangedAfterPublishing = row.ChangedAt is not null,
            Status = session.StatusOn(today),
            Excuse = row.Excuse,
            Bring = row.Listing.Bring,
            Minutes = row.Listing.Minutes,
            Balls = row.Listing.Balls,
            Completion = Completed.Of(session.Completion, row.Listing),
            Strip = row.Listing.Strip,
            PractisedOn = row.PractisedOn,
            NeedsRange = row.Listing.Bring?.BallsToBuy > 0 || row.Listing.Place is null or PlaceKind.Range,
            HasLog = row.HasLog,
            Pain = row.Listing.Pain,
            HowMuchUnknown = row.Listing.HowMuchUnknown,
            IsLesson = row.Listing.IsLesson,
            KeptAfterTakenOut = row.TakenOutAt is not null,
            ChangedMeanwhile = row.Notes.ChangedMeanwhile,
            FromTwoDevices = row.Listing.FromTwoDevices,
        };
    }
}
