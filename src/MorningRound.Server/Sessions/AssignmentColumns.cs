using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>Works out what stands in an assignment's columns.</summary>
internal static class AssignmentColumns
{
    /// <summary>
    /// The rules by which completion is worked out. Rows that an earlier release worked out by others are worked out anew once,
    /// when this one starts.
    /// </summary>
    public const int CompletionRules = 2;

    /// <summary>A new row with everything that is worked out from its plan.</summary>
    public static AssignmentRow NewAssignment(Guid academyId, Guid id, Guid studentId, SessionPlan plan)
    {
        var row = new AssignmentRow
        {
            AcademyId = academyId,
            Id = id,
            StudentId = studentId,
            Document = plan,
            Listing = SessionListing.Of(plan, SessionCompletion.Of(plan, []), [], fromTwoDevices: false),
        };
        row.Summarize([]);
        return row;
    }

    /// <summary>Writes the columns anew, after the text or a log of the session changed.</summary>
    /// <param name="row">The row.</param>
    /// <param name="logs">All its logs.</param>
    public static void Summarize(this AssignmentRow row, IReadOnlyCollection<SessionLogRow> logs)
    {
        var read = Merged(row.Document, logs);
        var completion = SessionCompletion.Of(row.Document, read);
        row.PlannedMinutes = completion.PlannedMinutes;
        row.DoneMinutes = completion.DoneMinutes;
        row.ReportedMinutes = completion.ReportedMinutes;
        row.IsWhole = completion.IsWhole;
        row.HasLog = read.Count > 0;
        row.IsFinished = read.Any(l => l.FinishedAt is not null);
        row.IsTrimmed = read.Any(l => l.Trim is not null);
        row.IsStopped = completion.IsStopped;
        row.CompletionRules = CompletionRules;
        row.PractisedOn = logs.Count == 0 ? null : logs.Min(l => l.Day);
        row.Listing = SessionListing.Of(row.Document, completion, read, logs.Any(l => l.ContinuesLogId is not null));
        (row.SlowRepetitions, row.OrdinaryRepetitions) = SessionFigures.Repetitions(row.Document, read);
        row.Figures = read.Count == 0 ? null : SessionFigures.Of(row.Document, read);
    }

    /// <summary>
    /// Notes what is about to change of a published session, so that the student is told. A draft is changed unseen.
    /// </summary>
    public static void NoteChange(
        this AssignmentRow row,
        IsoWeek week,
        DateOnly? day,
        Requirement requirement,
        DateTimeOffset now,
        bool isByStudent
    )
    {
        if (row.PublishedAt is null)
            return;
        row.ChangedAt = now;
        if (row.Monday != week.Monday || row.Day != day)
            row.Notes = row.Notes.With(new SessionChange(now, SessionChangeKind.Moved, row.Day, day, isByStudent));
        if (row.Requirement != requirement)
            row.Notes = row.Notes.With(new SessionChange(now, SessionChangeKind.Requirement, null, null, isByStudent));
    }

    /// <summary>What logs add up to, oldest first; those that two devices kept of one session read as one.</summary>
    public static IReadOnlyList<SessionLog> Merged(SessionPlan plan, IReadOnlyCollection<SessionLogRow> logs) =>
        [.. logs.OfOneSession().Select(one => LogBranches.AsOne(plan, [.. one.Select(l => l.Log)]))];

    /// <summary>Logs, oldest first, those that go on from one another together.</summary>
    public static IReadOnlyList<IReadOnlyList<SessionLogRow>> OfOneSession(this IReadOnlyCollection<SessionLogRow> logs)
    {
        var byId = logs.ToDictionary(l => l.Id);
        return
        [
            .. logs.OrderBy(l => l.Day)
                .ThenBy(l => l.Id)
                .GroupBy(l => Root(l).Id)
                .Select(g => g.OrderBy(l => l.ContinuesSequence).ThenBy(l => l.Id).ToList()),
        ];

        SessionLogRow Root(SessionLogRow log)
        {
            while (log.ContinuesLogId is { } before && byId.TryGetValue(before, out var earlier))
                log = earlier;
            return log;
        }
    }
}
