using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Weeks;

/// <summary>How much was done of something planned.</summary>
/// <param name="PlannedMinutes">Planned minutes that count.</param>
/// <param name="DoneMinutes">Planned minutes of what was done.</param>
/// <param name="Fraction">0 to 1; none when nothing is left that counts.</param>
/// <param name="DueMinutes">Of a week: minutes that were due by today; none of a session.</param>
/// <param name="DueDoneMinutes">Of a week: what was done of those; none of a session.</param>
public sealed record Completed(int PlannedMinutes, double DoneMinutes, double? Fraction, int? DueMinutes = null, double? DueDoneMinutes = null)
{
    public static Completed Of(SessionCompletion session) => new(session.PlannedMinutes, session.DoneMinutes, session.Fraction);

    public static Completed Of(WeekCompletion week) => new(week.PlannedMinutes, week.DoneMinutes, week.Fraction, week.DueMinutes, week.DueDoneMinutes);
}

/// <summary>A student's week, with the names of the weeks around it.</summary>
public sealed record WeekView(
    string Week, string Previous, string Next, DateOnly Monday, DateOnly Today, Guid StudentId, string StudentName, Completed Completion, IReadOnlyList<SessionCard> Sessions,
    IReadOnlyList<OpenPainView> OpenPain, CheckpointView? Checkpoint);

/// <summary>The week after publishing, and what could not be published.</summary>
public sealed record PublishView(WeekView Week, IReadOnlyList<NotPublished> NotPublished);

/// <summary>One thing that keeps a draft from being published.</summary>
/// <param name="AssignmentId">The draft.</param>
/// <param name="Title">Its plan's title.</param>
/// <param name="Day">Its day; none for "any day".</param>
/// <param name="Segment">The title of the segment it is about; none for the plan as a whole.</param>
/// <param name="Path">The field, inside the plan.</param>
/// <param name="Why">What keeps it.</param>
public sealed record NotPublished(Guid AssignmentId, string Title, DateOnly? Day, string? Segment, string Path, string Why)
{
    /// <summary>Which segment of which session, and why: "Half an hour, “Gate”: …".</summary>
    public string InWords() => Segment is null ? $"{Title}: {Why}" : $"{Title}, “{Segment}”: {Why}";
}

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

    /// <summary>Pain that was reported in it, in words; empty where none was.</summary>
    public required IReadOnlyList<string> Pain { get; init; }

    /// <summary>Segments done by the student's word alone: ticked off in seconds, with nothing counted.</summary>
    public required int TickedSegments { get; init; }

    /// <summary>Segments done in part of which nobody knows how much.</summary>
    public required int HowMuchUnknown { get; init; }

    /// <summary>Whether it was a lesson, held by the coach.</summary>
    public required bool IsLesson { get; init; }

    /// <summary>Whether the coach had taken it out of the week by the time it arrived from a phone; it is kept as own practice.</summary>
    public required bool KeptAfterTakenOut { get; init; }

    /// <summary>Whether two devices kept it together.</summary>
    public required bool FromTwoDevices { get; init; }

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
            Pain = [.. row.Readings().SelectMany(r => r.Pain.Select(p => p.InWords()).Concat(r.Unwell is { } unwell ? [unwell.ToString().ToLowerInvariant()] : Array.Empty<string>())).Distinct()],
            TickedSegments = session.Completion.Segments.Count(s => s.Ticked),
            HowMuchUnknown = session.Completion.Segments.Count(s => s.HowMuchUnknown),
            IsLesson = row.Logs.Any(l => l.Reading.Recording == Recording.Lesson),
            KeptAfterTakenOut = row.TakenOutAt is not null,
            FromTwoDevices = row.Logs.Any(l => l.ContinuesLogId is not null),
        };
    }
}

internal static class AssignedSessions
{
    /// <summary>
    /// The core's view of a row; its logs must have been loaded. Practice that was kept although its session had been taken out of
    /// the week is own practice like any other.
    /// </summary>
    public static AssignedSession ToAssignedSession(this AssignmentRow row)
    {
        var logs = row.Readings();
        var completion = SessionCompletion.Of(row.Document, logs);
        return new AssignedSession
        {
            Week = IsoWeek.Of(row.Monday),
            Day = row.Day,
            Requirement = row.Requirement,
            Excuse = row.Excuse,
            HasLog = logs.Count > 0,
            IsFinished = logs.Any(l => l.FinishedAt is not null),
            IsTrimmed = logs.Any(l => l.Trim is not null),
            EndedByPain = logs.Any(l => l.EndedForCare) && completion.Segments.Any(s => s.Fraction is null),
            Completion = completion,
        };
    }

    /// <summary>What the logs of a row read, oldest first; those that two devices kept of one session read as one.</summary>
    public static IReadOnlyList<SessionLog> Readings(this AssignmentRow row) => [.. row.LogsOfOne().Select(logs => LogBranches.AsOne(row.Document, [.. logs.Select(l => l.Reading)]))];

    /// <summary>The logs of a row, oldest first, those that go on from one another together.</summary>
    public static IReadOnlyList<IReadOnlyList<SessionLogRow>> LogsOfOne(this AssignmentRow row)
    {
        var byId = row.Logs.ToDictionary(l => l.Id);
        return [.. row.Logs.OrderBy(l => l.Day).ThenBy(l => l.Id).GroupBy(l => Root(l).Id).Select(g => g.OrderBy(l => l.ContinuesSequence).ThenBy(l => l.Id).ToList())];

        SessionLogRow Root(SessionLogRow log)
        {
            while (log.ContinuesLogId is { } before && byId.TryGetValue(before, out var earlier)) log = earlier;
            return log;
        }
    }

    /// <summary>What was done of a week, over what is published of it.</summary>
    public static WeekCompletion ToWeekCompletion(this IEnumerable<AssignmentRow> rows, DateOnly today) =>
        WeekCompletion.Of([.. rows.Where(r => r.PublishedAt is not null).Select(ToAssignedSession)], today);
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
