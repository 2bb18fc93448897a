using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Weeks;

/// <summary>Where a student moves a session to.</summary>
/// <param name="Day">A day of its week.</param>
public sealed record MoveInput(DateOnly Day);

/// <summary>Why a student cannot hold a session.</summary>
/// <param name="Reason">None takes it back.</param>
public sealed record CannotInput(CannotReason? Reason);

/// <summary>What students do with their own weeks: move a session, say that they cannot, see what changed.</summary>
public sealed class StudentWeekService(MorningRoundDb db, DomainClock clock, PlanContextService contexts)
{
    /// <summary>
    /// Moves a session of the student's own inside its week, into a time of theirs. It stays one session, and the coach sees that
    /// the student moved it.
    /// </summary>
    public async Task<SessionCard> MoveAsync(Caller caller, Guid id, DateOnly day, RowVersion expected, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        var session = await FindAsync(caller, id, cancel) ?? throw ApiProblemException.NotFound("session");
        var context = await contexts.GroundsAsync(caller, session.StudentId, day, cancel);
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
                        var facts = SessionToPlace.Of(row.Id, row.Document, context, row.Requirement, row.Order);
                        var errors = SessionMove.Check(
                            ListedAssignment.Of(row).ToAssignedSession(),
                            day,
                            today,
                            context.Student!,
                            facts.FitsInto
                        );
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
    /// Notes that the student cannot: ill, hurt, away and weather excuse the session, no time is known and excuses nothing. With no
    /// reason it is taken back.
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
