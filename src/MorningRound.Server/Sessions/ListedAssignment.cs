using System.Linq.Expressions;
using MorningRound.Core.Calendar;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>An assignment as far as lists and figures need it: everything but its plan.</summary>
public sealed record ListedAssignment
{
    public required Guid Id { get; init; }

    public required Guid StudentId { get; init; }

    public required Guid? PlanId { get; init; }

    public required DateOnly Monday { get; init; }

    public required DateOnly? Day { get; init; }

    public required Requirement Requirement { get; init; }

    public required int? Order { get; init; }

    public required bool HasOwnText { get; init; }

    public required int? PlanVersion { get; init; }

    public required bool SaidNoTime { get; init; }

    public required DateTimeOffset? SentAt { get; init; }

    public required DateTimeOffset? LookedAt { get; init; }

    public required SessionNotes Notes { get; init; }

    public required DateTimeOffset? PublishedAt { get; init; }

    public required DateTimeOffset? ChangedAt { get; init; }

    public required DateTimeOffset? TakenOutAt { get; init; }

    public required Excuse? Excuse { get; init; }

    public required int Version { get; init; }

    public required int PlannedMinutes { get; init; }

    public required double DoneMinutes { get; init; }

    public required double ReportedMinutes { get; init; }

    public required bool IsWhole { get; init; }

    public required bool HasLog { get; init; }

    public required bool IsFinished { get; init; }

    public required bool IsTrimmed { get; init; }

    public required bool IsStopped { get; init; }

    public required DateOnly? PractisedOn { get; init; }

    public required SessionListing Listing { get; init; }

    /// <summary>How one is read from its row, by the database as well as here.</summary>
    internal static Expression<Func<AssignmentRow, ListedAssignment>> OfRow { get; } =
        row => new ListedAssignment
        {
            Id = row.Id,
            StudentId = row.StudentId,
            PlanId = row.PlanId,
            Monday = row.Monday,
            Day = row.Day,
            Requirement = row.Requirement,
            Order = row.Order,
            HasOwnText = row.HasOwnText,
            PlanVersion = row.PlanVersion,
            SaidNoTime = row.SaidNoTime,
            SentAt = row.SentAt,
            LookedAt = row.LookedAt,
            Notes = row.Notes,
            PublishedAt = row.PublishedAt,
            ChangedAt = row.ChangedAt,
            TakenOutAt = row.TakenOutAt,
            Excuse = row.Excuse,
            Version = row.Version,
            PlannedMinutes = row.PlannedMinutes,
            DoneMinutes = row.DoneMinutes,
            ReportedMinutes = row.ReportedMinutes,
            IsWhole = row.IsWhole,
            HasLog = row.HasLog,
            IsFinished = row.IsFinished,
            IsTrimmed = row.IsTrimmed,
            IsStopped = row.IsStopped,
            PractisedOn = row.PractisedOn,
            Listing = row.Listing,
        };

    private static readonly Func<AssignmentRow, ListedAssignment> FromRow = OfRow.Compile();

    public static ListedAssignment Of(AssignmentRow row) => FromRow(row);

    /// <summary>The core's view of it.</summary>
    public AssignedSession ToAssignedSession() =>
        new()
        {
            Week = IsoWeek.Of(Monday),
            Day = Day,
            Requirement = Requirement,
            Excuse = Excuse,
            HasLog = HasLog,
            IsFinished = IsFinished,
            IsTrimmed = IsTrimmed,
            Completion = new CompletionFigures
            {
                PlannedMinutes = PlannedMinutes,
                DoneMinutes = DoneMinutes,
                ReportedMinutes = ReportedMinutes,
                IsWhole = IsWhole,
                IsStopped = IsStopped,
            },
        };
}
