using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Review;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.DataRights;

/// <summary>How long an academy keeps what.</summary>
/// <param name="PracticeYears">After so many years what was practised is deleted; null until somebody deletes it.</param>
/// <param name="SecurityLogDays">So many days the security log is kept.</param>
public sealed record Retention(int? PracticeYears, int SecurityLogDays);

/// <summary>How long an academy keeps what, and what that would mean now.</summary>
/// <param name="Kept">As it is set.</param>
/// <param name="Choices">What can be chosen for practice, the shortest first.</param>
public sealed record RetentionView(Retention Kept, IReadOnlyList<RetentionChoice> Choices);

/// <summary>A number of years, and what is older today.</summary>
/// <param name="Years">Years.</param>
/// <param name="Before">The Monday before which everything would go.</param>
/// <param name="Sessions">Sessions that would go.</param>
/// <param name="Rounds">Rounds that would go.</param>
public sealed record RetentionChoice(int Years, DateOnly Before, int Sessions, int Rounds);

/// <summary>
/// How long practice and the security log are kept, which an owner decides. What has become too old goes by itself: sessions with
/// their logs, entries and results, rounds, what was said about weeks, and what was decided in them. Files, plans, drills and
/// programmes stay.
/// </summary>
public sealed class RetentionService(
    MorningRoundDb db,
    SecurityLog log,
    DeletedService deleted,
    DomainClock clock,
    TimeProvider realClock
)
{
    /// <summary>What can be chosen. Less than a year would take away what a season is compared with.</summary>
    private static readonly int[] Years = [1, 2, 3, 5, 10];

    /// <summary>So many sessions go in one transaction: nobody waits long for the rows it locks.</summary>
    private const int Batch = 200;

    public async Task<RetentionView> GetAsync(Caller caller, CancellationToken cancel)
    {
        var kept = await db
            .Academies.Where(a => a.Id == caller.AcademyId)
            .Select(a => new Retention(a.PracticeYears, a.SecurityLogDays))
            .SingleAsync(cancel);
        var today = clock.Today(caller.TimeZone);
        var mondays = Years.ToDictionary(y => y, y => FirstKept(today, y));
        var longest = mondays[Years[0]];
        var sessions = await db
            .Assignments.Where(a => a.AcademyId == caller.AcademyId && a.Monday < longest)
            .GroupBy(a => a.Monday)
            .Select(g => new { g.Key, Count = g.Count() })
            .ToListAsync(cancel);
        var rounds = await db
            .Rounds.Where(r => r.AcademyId == caller.AcademyId && r.Day < longest)
            .GroupBy(r => r.Day)
            .Select(g => new { g.Key, Count = g.Count() })
            .ToListAsync(cancel);
        return new RetentionView(
            kept,
            [
                .. Years.Select(y => new RetentionChoice(
                    y,
                    mondays[y],
                    sessions.Where(s => s.Key < mondays[y]).Sum(s => s.Count),
                    rounds.Where(r => r.Key < mondays[y]).Sum(r => r.Count)
                )),
            ]
        );
    }

    /// <summary>Sets how long things are kept. What is too old by it goes within the hour.</summary>
    /// <exception cref="ApiProblemException">422 naming the field that will not do.</exception>
    public async Task SetAsync(Caller caller, Retention retention, CancellationToken cancel)
    {
        var errors = new FieldErrors();
        errors
            .Require(
                retention.PracticeYears is not { } years || Years.Contains(years),
                "practiceYears",
                $"One of {string.Join(", ", Years)} years, or until somebody deletes it."
            )
            .Require(
                FieldRanges.SecurityLogDays.Contains(retention.SecurityLogDays),
                "securityLogDays",
                $"From {FieldRanges.SecurityLogDays.Least:0} to {FieldRanges.SecurityLogDays.Most:0} days."
            );
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        await db
            .Academies.Where(a => a.Id == caller.AcademyId)
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(a => a.PracticeYears, retention.PracticeYears)
                        .SetProperty(a => a.SecurityLogDays, retention.SecurityLogDays),
                cancel
            );
        await log.AddAsync(caller, SecurityEventKind.RetentionChanged, cancel);
    }

    /// <summary>Deletes what is too old, in every academy. Doing it twice, or in two copies at once, is doing it once.</summary>
    public async Task DeleteOldAsync(CancellationToken cancel)
    {
        var now = realClock.GetUtcNow();
        foreach (var academy in await db.Academies.AsNoTracking().ToListAsync(cancel))
        {
            var logged = now - TimeSpan.FromDays(academy.SecurityLogDays);
            await db.SecurityEvents.Where(e => e.AcademyId == academy.Id && e.At < logged).ExecuteDeleteAsync(cancel);
            if (academy.PracticeYears is not { } years)
                continue;
            var first = FirstKept(clock.Today(academy.TimeZone), years);
            if (await DeletePracticeAsync(academy.Id, first, cancel))
                await log.AddAsync(academy.Id, SecurityEventKind.AgedOut, cancel);
        }

        await deleted.DeleteOldAsync(cancel);
        var usual = now - TimeSpan.FromDays(Academy.UsualSecurityLogDays);
        await db.SecurityEvents.Where(e => e.AcademyId == null && e.At < usual).ExecuteDeleteAsync(cancel);
    }

    /// <summary>The first day that is kept: a Monday, because weeks are kept whole.</summary>
    private static DateOnly FirstKept(DateOnly today, int years) =>
        today.Year <= years ? DateOnly.MinValue : IsoWeek.Of(today.AddYears(-years)).Monday;

    /// <returns>Whether there was anything to delete.</returns>
    private async Task<bool> DeletePracticeAsync(Guid academyId, DateOnly first, CancellationToken cancel)
    {
        var any = false;
        while (await DeleteSessionsAsync(academyId, first, cancel))
            any = true;
        var moment = new DateTimeOffset(first, TimeOnly.MinValue, TimeSpan.Zero);
        var rows =
            await db.Rounds.Where(r => r.AcademyId == academyId && r.Day < first).ExecuteDeleteAsync(cancel)
            + await db.WeekWords.Where(w => w.AcademyId == academyId && w.Monday < first).ExecuteDeleteAsync(cancel)
            + await db.ReviewStops.Where(s => s.AcademyId == academyId && s.Monday < first).ExecuteDeleteAsync(cancel)
            + await db.SuggestionDecisions.Where(d => d.AcademyId == academyId && d.Monday < first).ExecuteDeleteAsync(cancel)
            + await db.StudentChanges.Where(c => c.AcademyId == academyId && c.At < moment).ExecuteDeleteAsync(cancel);
        return any || rows > 0;
    }

    /// <returns>Whether there were any left to delete.</returns>
    private async Task<bool> DeleteSessionsAsync(Guid academyId, DateOnly first, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        // Whoever is quicker takes them; another copy goes on with others, and a phone that sends into one finds none.
        var ids = await db
            .Database.SqlQuery<Guid>(
                $"""
                SELECT id AS "Value" FROM assignments WHERE academy_id = {academyId} AND monday < {first}
                ORDER BY monday, id LIMIT {Batch} FOR UPDATE SKIP LOCKED
                """
            )
            .ToArrayAsync(cancel);
        if (ids.Length == 0)
            return false;
        foreach (var table in HangingRows.OfSessions(db))
            await db.Database.ExecuteSqlRawAsync(table.Delete, [academyId, ids], cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }
}

/// <summary>Looks every hour for what has become too old.</summary>
internal sealed class RetentionClock(IServiceScopeFactory scopes, TimeProvider time, ILogger<RetentionClock> log)
    : PeriodicWork("What is too old", TimeSpan.FromHours(1), scopes, time, log)
{
    protected override Task DoAsync(IServiceProvider services, CancellationToken cancel) =>
        services.GetRequiredService<RetentionService>().DeleteOldAsync(cancel);
}
