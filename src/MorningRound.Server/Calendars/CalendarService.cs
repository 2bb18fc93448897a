using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Calendars;

/// <summary>Whether somebody has a calendar address.</summary>
/// <param name="CreatedAt">Since when; null without one.</param>
public sealed record CalendarFeedView(DateTimeOffset? CreatedAt);

/// <summary>A new calendar address. It is shown once.</summary>
/// <param name="Path">The path; who has it can read the calendar.</param>
public sealed record CalendarAddress(string Path);

/// <summary>Secret calendar addresses, and what stands behind them.</summary>
public sealed class CalendarService(MorningRoundDb db, DomainClock clock) : IAccountEnding
{
    private const int WeeksBack = 4;
    private const int WeeksAhead = 12;

    /// <summary>More than forty students have in these weeks.</summary>
    private const int MostSessions = 5_000;

    public async Task<CalendarFeedView> GetAsync(Caller caller, CancellationToken cancel) =>
        new(
            await db
                .CalendarFeeds.Where(f => f.AccountId == caller.AccountId)
                .Select(f => (DateTimeOffset?)f.CreatedAt)
                .SingleOrDefaultAsync(cancel)
        );

    /// <summary>Makes a new address. An older one stops working.</summary>
    public async Task<CalendarAddress> MakeAsync(Caller caller, CancellationToken cancel)
    {
        var token = SecretToken.New();
        while (true)
        {
            var row = await db.CalendarFeeds.SingleOrDefaultAsync(f => f.AccountId == caller.AccountId, cancel);
            if (row is null)
                db.Add(row = new CalendarFeedRow { AccountId = caller.AccountId, TokenHash = "" });
            (row.TokenHash, row.CreatedAt) = (SecretToken.Hash(token), clock.GetUtcNow());
            if (await db.SavedAsync(cancel))
                return new CalendarAddress($"/calendar/{token}.ics");
        }
    }

    /// <summary>The address stops working. Doing it twice is doing it once.</summary>
    public Task RevokeAsync(Caller caller, CancellationToken cancel) =>
        db.CalendarFeeds.Where(f => f.AccountId == caller.AccountId).ExecuteDeleteAsync(cancel);

    public Task EndAsync(Guid accountId, CancellationToken cancel) =>
        db.CalendarFeeds.Where(f => f.AccountId == accountId).ExecuteDeleteAsync(cancel);

    /// <summary>
    /// The calendar behind an address: what is published, of the last weeks and those ahead. What it carries cannot be taken back
    /// any more as if nobody had seen it.
    /// </summary>
    /// <exception cref="ApiProblemException">404 for an address that is not one, or not any more.</exception>
    public async Task<string> TextAsync(string token, string link, CancellationToken cancel)
    {
        var hash = SecretToken.Hash(token);
        var whose =
            await (
                from feed in db.CalendarFeeds
                where feed.TokenHash == hash
                join account in db.Users on feed.AccountId equals account.Id
                where account.State == AccountState.Active
                join academy in db.Academies on account.AcademyId equals academy.Id
                select new
                {
                    account.Id,
                    account.AcademyId,
                    account.Role,
                    account.StudentId,
                    academy.TimeZone,
                }
            ).SingleOrDefaultAsync(cancel) ?? throw ApiProblemException.NotFound("calendar");
        var week = IsoWeek.Of(clock.Today(whose.TimeZone));
        var (oldest, newest) = (week.Plus(-WeeksBack).Monday, week.Plus(WeeksAhead).Monday);
        var isCoach = whose.Role is AcademyRole.Owner or AcademyRole.Coach;
        var students = db.Students;
        var all = students.Where(s => s.AcademyId == whose.AcademyId);
        var shown = isCoach ? all.LookedAfterBy(whose.Id) : all.Where(s => s.Id == whose.StudentId);
        var published = db
            .Assignments.IgnoreQueryFilters()
            .Where(a =>
                a.AcademyId == whose.AcademyId
                && shown.Any(s => s.Id == a.StudentId)
                && a.Monday >= oldest
                && a.Monday <= newest
                && a.PublishedAt != null
                && a.Requirement != Requirement.Own
            );
        var now = clock.GetUtcNow();
        await published
            .Where(a => a.CarriedAt == null && a.TakenOutAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(a => a.CarriedAt, now), cancel);
        var sessions = await published
            .AsNoTracking()
            // What was never carried and is gone was never there; what another one stands in the place of goes on as that one.
            .Where(a => a.CarriedAt != null)
            .OrderByDescending(a => a.Monday)
            .ThenBy(a => a.Id)
            .Take(MostSessions)
            .Listed()
            .Select(a => new
            {
                Session = a,
                Student = students.Where(s => s.AcademyId == whose.AcademyId && s.Id == a.StudentId).Select(s => s.Name).First(),
            })
            .ToListAsync(cancel);
        var ids = sessions.Select(s => s.Session.StudentId).Distinct().ToList();
        var files = await db
            .StudentFiles.AsNoTracking()
            .Where(f => f.AcademyId == whose.AcademyId && ids.Contains(f.StudentId))
            .ToDictionaryAsync(f => f.StudentId, f => f.Document.Own.Windows, cancel);
        return CalendarText.Of(
            new CalendarOf(isCoach, whose.TimeZone, link),
            [
                .. sessions
                    .Where(s => s.Session.Notes.ReplacedBy is null)
                    .Select(s => new SessionInCalendar(
                        s.Session,
                        s.Student,
                        s.Session.TakenOutAt ?? s.Session.ChangedAt ?? s.Session.PublishedAt!.Value
                    )),
            ],
            files,
            clock.Today(whose.TimeZone)
        );
    }
}
