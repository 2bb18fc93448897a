using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Plans;

namespace MorningRound.Server.Weeks;

/// <summary>How much was done of something planned.</summary>
/// <param name="PlannedMinutes">Planned minutes that count.</param>
/// <param name="DoneMinutes">Planned minutes of what was done.</param>
/// <param name="Fraction">0 to 1; none when nothing is left that counts.</param>
public sealed record Completed(int PlannedMinutes, double DoneMinutes, double? Fraction)
{
    public static Completed Of(SessionCompletion session) => new(session.PlannedMinutes, session.DoneMinutes, session.Fraction);

    public static Completed Of(WeekCompletion week) => new(week.PlannedMinutes, week.DoneMinutes, week.Fraction);
}

/// <summary>A student's week, with the names of the weeks around it.</summary>
public sealed record WeekView(
    string Week, string Previous, string Next, DateOnly Monday, DateOnly Today, Guid StudentId, string StudentName, Completed Completion, IReadOnlyList<SessionCard> Sessions);

/// <summary>A session of a week at a glance.</summary>
public sealed record SessionCard
{
    public required Guid AssignmentId { get; init; }

    public required Guid PlanId { get; init; }

    public required int Version { get; init; }

    public required string Title { get; init; }

    public required string Purpose { get; init; }

    public required string Week { get; init; }

    /// <summary>None for "any day".</summary>
    public required DateOnly? Day { get; init; }

    public required Requirement Requirement { get; init; }

    public required bool IsPublished { get; init; }

    /// <summary>Whether something changed since it was published.</summary>
    public required bool ChangedAfterPublishing { get; init; }

    public required Standing Standing { get; init; }

    public required Excuse? Excuse { get; init; }

    /// <summary>How long the visit lasts, pauses included.</summary>
    public required int Minutes { get; init; }

    public required int Balls { get; init; }

    public required Completed Completion { get; init; }

    public required IReadOnlyList<StripSegment> Strip { get; init; }

    /// <summary>The day it was first practised; none before that.</summary>
    public required DateOnly? PractisedOn { get; init; }

    /// <summary>Whether anything was practised of it.</summary>
    public required bool HasLog { get; init; }

    public static SessionCard Of(AssignmentRow row, DateOnly today) => Of(row, row.ToAssignedSession(), today);

    /// <summary>The card of a row whose standing has been worked out already.</summary>
    public static SessionCard Of(AssignmentRow row, AssignedSession session, DateOnly today)
    {
        var totals = PlanTotals.Of(row.Document);
        return new SessionCard
        {
            AssignmentId = row.Id,
            PlanId = row.PlanId,
            Version = row.Version,
            Title = row.Document.Title,
            Purpose = row.Document.Purpose,
            Week = session.Week.ToString(),
            Day = row.Day,
            Requirement = row.Requirement,
            IsPublished = row.PublishedAt is not null,
            ChangedAfterPublishing = row.ChangedAt is not null,
            Standing = session.StandingOn(today),
            Excuse = row.Excuse,
            Minutes = totals.Minutes,
            Balls = totals.Balls,
            Completion = Completed.Of(session.Completion),
            Strip = Plans.Strip.Done(row.Document, session.Completion),
            PractisedOn = row.Logs.Count == 0 ? null : row.Logs.Min(l => l.Day),
            HasLog = row.Logs.Count > 0,
        };
    }
}

internal static class AssignedSessions
{
    /// <summary>The core's view of a row; its logs must have been loaded.</summary>
    public static AssignedSession ToAssignedSession(this AssignmentRow row) => new()
    {
        Week = IsoWeek.Of(row.Monday),
        Day = row.Day,
        Requirement = row.Requirement,
        Excuse = row.Excuse,
        HasLog = row.Logs.Count > 0,
        IsFinished = row.Logs.Any(l => l.FinishedAt is not null),
        IsTrimmed = row.Logs.Any(l => l.Reading.Trim is not null),
        Completion = SessionCompletion.Of(row.Document, [.. row.Logs.Select(l => l.Reading)]),
    };

    /// <summary>What was done of a week, over what is published of it.</summary>
    public static WeekCompletion ToWeekCompletion(this IEnumerable<AssignmentRow> rows) =>
        WeekCompletion.Of([.. rows.Where(r => r.PublishedAt is not null).Select(ToAssignedSession)]);
}

/// <summary>Where a plan is to stand.</summary>
public sealed record AssignmentInput
{
    public required Guid StudentId { get; init; }

    public required Guid PlanId { get; init; }

    /// <summary>Such as 2026-W31.</summary>
    public required string Week { get; init; }

    /// <summary>None for "any day".</summary>
    public DateOnly? Day { get; init; }

    public Requirement Requirement { get; init; } = Requirement.Must;
}

/// <summary>None takes an excuse back.</summary>
public sealed record ExcuseInput(Excuse? Excuse);
