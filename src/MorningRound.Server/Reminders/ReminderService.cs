using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Reminders;

/// <summary>What somebody gets by mail.</summary>
/// <param name="Email">Where it goes; null for an account without an address.</param>
/// <param name="HasMailServer">Whether mails go out, or stand in the outbox only.</param>
/// <param name="Choices">Each kind that there is for them.</param>
public sealed record RemindersView(string? Email, bool HasMailServer, IReadOnlyList<ReminderChoice> Choices);

/// <summary>Whether somebody gets mails of a kind.</summary>
public sealed record ReminderChoice(ReminderKind Kind, bool IsOn);

/// <summary>Whether somebody wants mails of a kind.</summary>
public sealed record ReminderInput(bool IsOn);

/// <summary>A mail in the outbox.</summary>
public sealed record OutboxMail(
    Guid Id,
    string To,
    ReminderKind Kind,
    string Subject,
    string Body,
    DateTimeOffset MadeAt,
    MailState State,
    DateTimeOffset? SentAt,
    int Attempts
);

/// <summary>Which mails somebody wants, and the outbox of an academy.</summary>
public sealed class ReminderService(MorningRoundDb db, MailSettings settings) : IAccountEnding
{
    /// <summary>The most mails of the outbox that are shown.</summary>
    public const int MostShown = 60;

    public async Task<RemindersView> GetAsync(Caller caller, CancellationToken cancel)
    {
        var email = await db.Users.Where(u => u.Id == caller.AccountId).Select(u => u.Email).SingleAsync(cancel);
        var chosen = await db
            .ReminderChoices.AsNoTracking()
            .Where(c => c.AccountId == caller.AccountId)
            .ToDictionaryAsync(c => c.Kind, c => c.IsOn, cancel);
        return new RemindersView(
            email,
            settings.Server is not null,
            [
                .. ReminderMaking
                    .KindsFor(caller.Role)
                    .Select(k => new ReminderChoice(k, chosen.GetValueOrDefault(k, ReminderMaking.BeginsOn(k)))),
            ]
        );
    }

    /// <summary>Notes whether somebody wants mails of a kind. Doing it twice is doing it once.</summary>
    public async Task<RemindersView> ChooseAsync(Caller caller, ReminderKind kind, bool isOn, CancellationToken cancel)
    {
        if (!ReminderMaking.KindsFor(caller.Role).Contains(kind))
            throw ApiProblemException.Invalid("kind", "There is no such mail for you.");
        while (true)
        {
            var row = await db.ReminderChoices.SingleOrDefaultAsync(
                c => c.AccountId == caller.AccountId && c.Kind == kind,
                cancel
            );
            if (row is null)
                db.Add(row = new ReminderChoiceRow { AccountId = caller.AccountId, Kind = kind });
            row.IsOn = isOn;
            if (await db.SavedAsync(cancel))
                return await GetAsync(caller, cancel);
        }
    }

    public async Task EndAsync(Guid accountId, CancellationToken cancel)
    {
        await db.ReminderChoices.Where(c => c.AccountId == accountId).ExecuteDeleteAsync(cancel);
        await db.Mails.Where(m => m.AccountId == accountId && m.State == MailState.Waiting).ExecuteDeleteAsync(cancel);
    }

    /// <summary>The academy's mails, the latest first.</summary>
    public async Task<IReadOnlyList<OutboxMail>> OutboxAsync(Caller caller, CancellationToken cancel) =>
        await db
            .Mails.AsNoTracking()
            .Where(m => m.AcademyId == caller.AcademyId)
            .OrderByDescending(m => m.MadeAt)
            .ThenByDescending(m => m.Id)
            .Take(MostShown)
            .Join(
                db.Users,
                m => m.AccountId,
                u => u.Id,
                (m, u) => new OutboxMail(m.Id, u.Name, m.Kind, m.Subject, m.Body, m.MadeAt, m.State, m.SentAt, m.Attempts)
            )
            .ToListAsync(cancel);
}
