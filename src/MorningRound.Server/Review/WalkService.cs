using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Review;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Review;

/// <summary>What a coach does with a suggestion; no decision takes it back.</summary>
public sealed record DecisionInput
{
    /// <summary>The week that is planned, such as 2026-W31.</summary>
    public required string Week { get; init; }

    public required string SuggestionId { get; init; }

    public Decision? Decision { get; init; }

    /// <summary>What is taken, as it was read; needed unless it is left or taken back.</summary>
    public WeekChange? Change { get; init; }
}

/// <summary>The stops of the walk: one coach at each, and each student seen once.</summary>
public sealed class WalkService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>After so long without a sign of the coach who looks, another may.</summary>
    public static readonly TimeSpan Idle = TimeSpan.FromMinutes(10);

    private const int LongestTrialText = 400;
    private const int MostSegments = 100;

    /// <summary>
    /// Stops behind a student, for this coach alone. Whoever stops again stays; a coach who has been idle gives way.
    /// </summary>
    /// <exception cref="ApiProblemException">409 while another coach looks.</exception>
    public async Task StopAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        await EnsureStudentAsync(caller, studentId, cancel);
        var (monday, now) = (ThisWeek(caller).Monday, clock.GetUtcNow());
        var before = now - Idle;
        // One statement, so that of two coaches who stop at the same moment one does.
        var stopped = await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO review_stops (academy_id, student_id, monday, held_by, held_at, seen_score)
            VALUES ({caller.AcademyId}, {studentId}, {monday}, {caller.AccountId}, {now}, 0)
            ON CONFLICT (academy_id, student_id, monday) DO UPDATE SET held_by = excluded.held_by, held_at = excluded.held_at
            WHERE review_stops.held_by IS NULL OR review_stops.held_by = excluded.held_by OR review_stops.held_at < {before}
            """,
            cancel
        );
        if (stopped == 0)
            throw ApiProblemException.Conflict(
                $"{await HolderAsync(caller, studentId, monday, cancel)} is looking at this student.",
                "studentId",
                "Go on to the next; this one is free again when they go on, or after ten minutes."
            );
    }

    /// <summary>Goes on without having seen the student.</summary>
    public Task ReleaseAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var monday = ThisWeek(caller).Monday;
        return db
            .ReviewStops.Where(s =>
                s.AcademyId == caller.AcademyId && s.StudentId == studentId && s.Monday == monday && s.HeldBy == caller.AccountId
            )
            .ExecuteUpdateAsync(set => set.SetProperty(s => s.HeldBy, (Guid?)null), cancel);
    }

    /// <summary>
    /// Goes on; the student was seen. The score of that moment is kept: whoever presses more later comes up again.
    /// </summary>
    public async Task SeenAsync(Caller caller, Guid studentId, int score, CancellationToken cancel)
    {
        await EnsureStudentAsync(caller, studentId, cancel);
        var (monday, now) = (ThisWeek(caller).Monday, clock.GetUtcNow());
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO review_stops (academy_id, student_id, monday, seen_by, seen_at, seen_score)
            VALUES ({caller.AcademyId}, {studentId}, {monday}, {caller.AccountId}, {now}, {score})
            ON CONFLICT (academy_id, student_id, monday) DO UPDATE SET seen_by = excluded.seen_by, seen_at = excluded.seen_at,
                seen_score = excluded.seen_score,
                held_by = CASE WHEN review_stops.held_by = {caller.AccountId} THEN NULL ELSE review_stops.held_by END
            """,
            cancel
        );
    }

    /// <summary>Keeps what a coach does with a suggestion. The same again changes nothing; the last one counts.</summary>
    public async Task DecideAsync(Caller caller, Guid studentId, IsoWeek week, DecisionInput input, CancellationToken cancel)
    {
        await EnsureStudentAsync(caller, studentId, cancel);
        Check(input);
        if (input.Decision is not { } decision)
        {
            await db
                .SuggestionDecisions.Where(d =>
                    d.AcademyId == caller.AcademyId
                    && d.StudentId == studentId
                    && d.Monday == week.Monday
                    && d.SuggestionId == input.SuggestionId
                )
                .ExecuteDeleteAsync(cancel);
            return;
        }

        // A decision about a week that the student has already would change nothing.
        if (decision != Decision.Left && await IsPublishedAsync(caller, studentId, week, cancel))
            throw ApiProblemException.Conflict(
                "This week is published already.",
                "decision",
                "Edit its sessions in the week. The student is told of the change."
            );
        var change = decision == Decision.Left || input.Change is null ? null : ReviewMappings.ChangeFormat.Write(input.Change);
        var (name, now) = (decision.ToString(), clock.GetUtcNow());
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO suggestion_decisions
                (academy_id, student_id, monday, suggestion_id, decision, change, decided_by, decided_at)
            VALUES ({caller.AcademyId}, {studentId}, {week.Monday}, {input.SuggestionId}, {name}, {change}::jsonb,
                {caller.AccountId}, {now})
            ON CONFLICT (academy_id, student_id, monday, suggestion_id) DO UPDATE SET decision = excluded.decision,
                change = excluded.change, decided_by = excluded.decided_by, decided_at = excluded.decided_at
            """,
            cancel
        );
    }

    /// <summary>Whether a student's week has sessions, and all of them are published.</summary>
    private async Task<bool> IsPublishedAsync(Caller caller, Guid studentId, IsoWeek week, CancellationToken cancel)
    {
        var published = await db
            .Assignments.Where(a =>
                a.AcademyId == caller.AcademyId
                && a.StudentId == studentId
                && a.Monday == week.Monday
                && a.Requirement != Requirement.Own
            )
            .Select(a => a.PublishedAt != null)
            .Distinct()
            .ToListAsync(cancel);
        return published is [true];
    }

    private static void Check(DecisionInput input)
    {
        var errors = new FieldErrors()
            .RequireText(input.SuggestionId, "suggestionId", 120)
            .Require(
                input.Decision is null or Decision.Left || input.Change is not null,
                "change",
                "Say what is taken, or leave it."
            );
        if (input.Change is { } change)
        {
            errors
                .RequireAtMost(change.Segments.Count, MostSegments, "change.segments")
                .Require(change.Rung is null or (>= 0 and < 20), "change.rung", "A step of a ladder is counted from 0.")
                .Require(change.OnRung is >= 0 and < 20, "change.onRung", "A step of a ladder is counted from 0.");
            if (change.Trial is { } trial)
            {
                errors
                    .RequireText(trial.Question, "change.trial.question", LongestTrialText)
                    .RequireText(trial.Expect, "change.trial.expect", LongestTrialText)
                    .RequireText(trial.Overdoing, "change.trial.overdoing", LongestTrialText);
            }
        }

        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
    }

    private async Task<string> HolderAsync(Caller caller, Guid studentId, DateOnly monday, CancellationToken cancel)
    {
        var accounts = db.Users;
        return await db
                .ReviewStops.Where(s => s.AcademyId == caller.AcademyId && s.StudentId == studentId && s.Monday == monday)
                .Join(accounts, s => s.HeldBy, a => a.Id, (_, a) => a.Name)
                .SingleOrDefaultAsync(cancel)
            ?? "Another coach";
    }

    private async Task EnsureStudentAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel))
            throw ApiProblemException.NotFound("student");
    }

    private IsoWeek ThisWeek(Caller caller) => IsoWeek.Of(clock.Today(caller.TimeZone));
}
