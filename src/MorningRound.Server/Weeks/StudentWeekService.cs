using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Students;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>Where a student moves a session to.</summary>
/// <param name="Day">A day of its week.</param>
public sealed record MoveInput(DateOnly Day);

/// <summary>Where a student can move a session to.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Days">The days of its week with a time for it, its own day apart.</param>
public sealed record MoveDays(Guid AssignmentId, IReadOnlyList<DateOnly> Days);

/// <summary>Why a student cannot hold a session.</summary>
/// <param name="Reason">None takes it back.</param>
public sealed record CannotInput(CannotReason? Reason);

/// <summary>What came of excusing sessions.</summary>
/// <param name="Sessions">How many were excused.</param>
public sealed record ExcusedView(int Sessions);

/// <summary>What students do with their own weeks: move a session, say that they cannot, see what changed.</summary>
public sealed class StudentWeekService(MorningRoundDb db, DomainClock clock, StudentFileService files, StudentService students)
{
    /// <summary>
    /// Moves a session of the student's own inside its week, into a time of theirs. It stays one session, and the coach sees that
    /// the student moved it.
    /// </summary>
    public async Task<SessionCard> MoveAsync(Caller caller, Guid id, DateOnly day, RowVersion expected, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        var file = await files.FileAsync(caller, caller.StudentId!.Value, cancel);
        return Card(
            caller,
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    SkipsUnchanged = true,
                    IsSame = row => row.Day == day,
                    Change = row =>
                    {
                        var errors = CheckMove(ListedAssignment.Of(row), day, today, file);
                        if (errors.Count > 0)
                            throw ApiProblemException.Invalid(errors);
                        row.NoteChange(IsoWeek.Of(row.Monday), day, row.Requirement, clock.GetUtcNow(), isByStudent: true);
                        row.Notes = row.Notes with { DayReason = "" };
                        row.Day = day;
                    },
                },
                cancel
            )
        );
    }

    /// <summary>
    /// Notes that the student cannot: ill, hurt, away and weather excuse the session, no time is known and excuses nothing.
    /// With no reason it is taken back.
    /// </summary>
    public async Task<SessionCard> CannotAsync(
        Caller caller,
        Guid id,
        CannotReason? reason,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var today = clock.Today(caller.TimeZone);
        return Card(
            caller,
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    SkipsUnchanged = true,
                    IsSame = row => row.Excuse == reason?.AsExcuse() && row.SaidNoTime == (reason == CannotReason.NoTime),
                    Change = row =>
                    {
                        if (!SessionMove.CanStillBeChanged(ListedAssignment.Of(row).ToAssignedSession(), today))
                            throw ApiProblemException.Invalid("reason", "This session is over, or was begun already.");
                        row.Excuse = reason?.AsExcuse();
                        row.SaidNoTime = reason == CannotReason.NoTime;
                    },
                },
                cancel
            )
        );
    }

    /// <summary>More sessions on days away are not excused at once.</summary>
    private const int MostOnDaysAway = 100;

    /// <summary>The published sessions to come that stand on days on which the student cannot, and are not excused.</summary>
    public async Task<IReadOnlyList<SessionCard>> OnDaysAwayAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        return [.. (await RowsOnDaysAwayAsync(caller, studentId, cancel)).Select(r => SessionCard.Of(r, today))];
    }

    /// <summary>Excuses them: away. Doing it twice is doing it once.</summary>
    public async Task<int> ExcuseDaysAwayAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        while (true)
        {
            var rows = await RowsOnDaysAwayAsync(caller, studentId, cancel);
            foreach (var row in rows)
            {
                row.Excuse = Excuse.Away;
                row.Version++;
            }

            if (await db.SavedAsync(cancel))
                return rows.Count;
        }
    }

    private async Task<List<AssignmentRow>> RowsOnDaysAwayAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        await students.EnsureExistsAsync(caller, studentId, cancel);
        var today = clock.Today(caller.TimeZone);
        var absences = (await files.FileAsync(caller, studentId, cancel)).Own.Absences.Where(a => a.LastDay >= today).ToList();
        if (absences.Count == 0)
            return [];
        var (first, last) = (absences.Min(a => a.FirstDay), absences.Max(a => a.LastDay));
        var rows = await db
            .Assignments.Where(a =>
                a.AcademyId == caller.AcademyId
                && a.StudentId == studentId
                && a.PublishedAt != null
                && a.Excuse == null
                && !a.HasLog
                && a.Day >= today
                && a.Day >= first
                && a.Day <= last
            )
            .OrderBy(a => a.Day)
            .ThenBy(a => a.Id)
            .Take(MostOnDaysAway)
            .ToListAsync(cancel);
        return rows.FindAll(r => absences.Exists(a => a.Contains(r.Day!.Value)));
    }

    /// <summary>
    /// The days that each session of a week can be moved to by its student; those that can go nowhere are left out.
    /// </summary>
    public static IReadOnlyList<MoveDays> DaysToMoveTo(
        IReadOnlyCollection<ListedAssignment> sessions,
        IsoWeek week,
        DateOnly today,
        StudentFile file
    ) =>
        [
            .. from session in sessions
            orderby session.Id
            let days = Enumerable
                .Range(0, 7)
                .Select(n => week.Monday.Plus(n))
                .Where(day => day != session.Day && CheckMove(session, day, today, file).Count == 0)
                .ToList()
            where days.Count > 0
            select new MoveDays(session.Id, days),
        ];

    private static IReadOnlyList<FieldError> CheckMove(ListedAssignment session, DateOnly day, DateOnly today, StudentFile file)
    {
        var facts = new SessionToPlace
        {
            Id = session.Id,
            Title = session.Listing.Title,
            Minutes = session.Listing.Minutes + session.Notes.WalkMinutes,
            Load = 0,
            Place = session.Listing.Place,
        };
        return SessionMove.Check(session.ToAssignedSession(), day, today, file, facts.FitsInto);
    }

    /// <summary>Notes that the student has seen what changed in a week. Doing it twice is doing it once.</summary>
    public Task LookedAsync(Caller caller, IsoWeek week, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        return db
            .Assignments.Where(a =>
                a.AcademyId == caller.AcademyId
                && a.StudentId == caller.StudentId
                && a.Monday == week.Monday
                && a.PublishedAt != null
                && (a.LookedAt == null || a.LookedAt < a.ChangedAt)
            )
            .ExecuteUpdateAsync(set => set.SetProperty(a => a.LookedAt, now), cancel);
    }

    private GuardedRow<AssignmentRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "session",
            Find = () => FindAsync(caller, id, cancel),
            View = row => Task.FromResult<object>(Card(caller, row)),
        };

    /// <summary>A published session of the caller's own; null for any other.</summary>
    private Task<AssignmentRow?> FindAsync(Caller caller, Guid id, CancellationToken cancel) =>
        db.Assignments.SingleOrDefaultAsync(
            a => a.AcademyId == caller.AcademyId && a.Id == id && a.StudentId == caller.StudentId && a.PublishedAt != null,
            cancel
        );

    private SessionCard Card(Caller caller, AssignmentRow row) => SessionCard.Of(row, clock.Today(caller.TimeZone));
}
