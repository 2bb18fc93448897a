using System.Threading.Channels;
using Microsoft.AspNetCore.Identity;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>What a mail about an account carries.</summary>
public enum AccountMailKind
{
    Password,
    Confirmation,
}

/// <summary>A mail somebody asked for.</summary>
/// <param name="Kind">What it carries.</param>
/// <param name="Email">Where it goes, if anybody is known by that address.</param>
public sealed record AccountMail(AccountMailKind Kind, string Email);

/// <summary>
/// Writes and hands over mails that carry a link into an account, after the call that asked for one was answered: how long that
/// takes tells nobody whether the address is known. Their links stand nowhere but in the mail, so what is lost with a server that
/// stops is asked for once more.
/// </summary>
public sealed partial class AccountMails(
    IServiceScopeFactory scopes,
    MailSettings settings,
    TimeProvider realClock,
    ILogger<AccountMails> log
) : BackgroundService
{
    /// <summary>As many mails an address gets in a quarter of an hour.</summary>
    private const int MostToOneAddress = 3;

    private static readonly TimeSpan[] Waits = [TimeSpan.FromSeconds(10), TimeSpan.FromMinutes(1), TimeSpan.FromMinutes(5)];

    private readonly Channel<AccountMail> _asked = Channel.CreateBounded<AccountMail>(
        new BoundedChannelOptions(200) { FullMode = BoundedChannelFullMode.DropWrite, SingleReader = true }
    );

    /// <summary>Asks for a mail. Where no mail server is set up, none goes out.</summary>
    public void Ask(AccountMail mail) => _asked.Writer.TryWrite(mail);

    /// <summary>Hands over what was asked for so far.</summary>
    internal async Task DeliverAsync(CancellationToken cancel)
    {
        while (_asked.Reader.TryRead(out var mail))
            await DeliverAsync(mail, cancel);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (await _asked.Reader.WaitToReadAsync(stoppingToken))
            await DeliverAsync(stoppingToken);
    }

    private async Task DeliverAsync(AccountMail mail, CancellationToken cancel)
    {
        if (settings.Server is not { } server)
            return;
        for (var attempt = 0; ; attempt++)
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                var services = scope.ServiceProvider;
                var account = await services.GetRequiredService<UserManager<Account>>().FindByEmailAsync(mail.Email);
                if (account is not { State: AccountState.Active, Email: { } email } || !MayGet(mail.Kind, account))
                    return;
                var guard = services.GetRequiredService<SignInGuard>();
                if (attempt == 0 && !await guard.TakeAsync($"mail to {email}", MostToOneAddress, cancel))
                    return;
                var (subject, body) = await services.GetRequiredService<AccountLinks>().WriteAsync(mail.Kind, account);
                using var client = await server.ConnectAsync(cancel);
                await client.SendAsync(
                    server.Write(Guid.NewGuid(), realClock.GetUtcNow(), (account.Name, email), subject, body),
                    cancel
                );
                await client.DisconnectAsync(quit: true, cancel);
                return;
            }
            catch (Exception e) when (e is not OperationCanceledException || !cancel.IsCancellationRequested)
            {
                // What it said may name people; that it failed is enough here.
                NotHandedOver(e.GetType().Name);
                if (attempt == Waits.Length)
                    return;
                await Task.Delay(Waits[attempt], realClock, cancel);
            }
        }
    }

    /// <summary>A link into an account goes only to an address that is known to be its owner's.</summary>
    private static bool MayGet(AccountMailKind kind, Account account) =>
        kind == AccountMailKind.Confirmation ? !account.EmailConfirmed : account.EmailConfirmed;

    [LoggerMessage(Level = LogLevel.Warning, Message = "A mail about an account could not be handed over ({Why}).")]
    private partial void NotHandedOver(string why);
}
