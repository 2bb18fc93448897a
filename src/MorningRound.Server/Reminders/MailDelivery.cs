using MailKit.Net.Smtp;
using Microsoft.EntityFrameworkCore;
using MimeKit;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Reminders;

/// <summary>
/// Hands mails over to the mail server. A mail is claimed for a while by one copy of the server (rows are passed over that
/// another holds), handed over, and noted as sent. A crash in between can hand it over twice, under the same Message-ID, and
/// never loses it; a mail server that is down delays. Without a mail server, mails stand in the outbox.
/// </summary>
public sealed partial class MailDelivery(MorningRoundDb db, DomainClock clock, MailSettings settings, ILogger<MailDelivery> log)
{
    private const int MostAtOnce = 20;

    /// <summary>Longer than a mail server takes for one mail.</summary>
    private static readonly TimeSpan Claim = TimeSpan.FromMinutes(5);

    private static readonly TimeSpan LongestWait = TimeSpan.FromHours(1);

    /// <summary>Hands over what waits. How many were handed over.</summary>
    public async Task<int> DeliverAsync(CancellationToken cancel)
    {
        if (settings.Server is not { } server)
        {
            await db
                .Mails.Where(m => m.State == MailState.Waiting)
                .ExecuteUpdateAsync(set => set.SetProperty(m => m.State, MailState.Shown), cancel);
            return 0;
        }

        var sent = 0;
        while (await ClaimAsync(cancel) is { Count: > 0 } mails)
        {
            var ids = mails.ConvertAll(m => m.AccountId);
            var people = await db
                .Users.AsNoTracking()
                .Where(u => ids.Contains(u.Id))
                .ToDictionaryAsync(u => u.Id, u => (u.Name, Email: u.Email!), cancel);
            try
            {
                using var client = await server.ConnectAsync(cancel);
                foreach (var mail in mails)
                {
                    try
                    {
                        await client.SendAsync(
                            server.Write(mail.Id, mail.MadeAt, people[mail.AccountId], mail.Subject, mail.Body),
                            cancel
                        );
                    }
                    catch (Exception e) when (e is SmtpCommandException or ParseException)
                    {
                        // One address that is refused, or is none, holds nobody else's mail up.
                        NotHandedOver(e.GetType().Name);
                        await PutOffAsync([mail], cancel);
                        continue;
                    }

                    var now = clock.GetUtcNow();
                    await db
                        .Mails.Where(m => m.Id == mail.Id)
                        .ExecuteUpdateAsync(
                            set => set.SetProperty(m => m.State, MailState.Sent).SetProperty(m => m.SentAt, now),
                            cancel
                        );
                    sent++;
                }

                await client.DisconnectAsync(quit: true, cancel);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // What it said may name people; that it failed is enough here.
                NotHandedOver(e.GetType().Name);
                await PutOffAsync(mails, cancel);
                return sent;
            }
        }

        return sent;
    }

    /// <summary>Takes some of the mails that wait for a while, for this copy alone.</summary>
    private async Task<List<MailRow>> ClaimAsync(CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var until = now + Claim;
        return await db
            .Mails.FromSql(
                $"""
                UPDATE mails SET claimed_until = {until}, attempts = attempts + 1
                WHERE id IN (
                    SELECT id FROM mails WHERE state = 'Waiting' AND claimed_until <= {now}
                    ORDER BY made_at, id LIMIT {MostAtOnce} FOR UPDATE SKIP LOCKED
                )
                RETURNING *
                """
            )
            .AsNoTracking()
            .ToListAsync(cancel);
    }

    /// <summary>What was not handed over is tried again, each time later.</summary>
    private async Task PutOffAsync(IReadOnlyList<MailRow> mails, CancellationToken cancel)
    {
        foreach (var mail in mails)
        {
            var wait = TimeSpan.FromMinutes(Math.Min(LongestWait.TotalMinutes, Math.Pow(2, Math.Min(mail.Attempts, 10) - 1)));
            var next = clock.GetUtcNow() + wait;
            await db
                .Mails.Where(m => m.Id == mail.Id && m.State == MailState.Waiting)
                .ExecuteUpdateAsync(set => set.SetProperty(m => m.ClaimedUntil, next), cancel);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Mails could not be handed over ({Why}); they are tried again.")]
    private partial void NotHandedOver(string why);
}
