using System.Buffers.Text;
using System.Text;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// Links that stand in for a password once: handed over by a coach, or carried by a mail. They are the framework's own tokens,
/// which are good for one account as it is now: the first use, and any other change of the password, ends them.
/// </summary>
public sealed class AccountLinks(
    UserManager<Account> accounts,
    MailSettings mail,
    AccountMails mails,
    IOptions<DataProtectionTokenProviderOptions> tokens,
    TimeProvider realClock
)
{
    /// <summary>How long a link is good: a coach may hand it over at the next lesson.</summary>
    public static readonly TimeSpan Lifetime = TimeSpan.FromDays(3);

    /// <summary>The refusal of a link, whatever is wrong with it.</summary>
    public static ApiProblemException NoSuchLink() =>
        ApiProblemException.NotFound("link: it was used, has expired, or was never made. Ask for a new one");

    /// <summary>A link by which its holder chooses a new password for an account.</summary>
    public async Task<InvitationLink> PasswordLinkAsync(Account account) =>
        new(
            $"/reset/{account.Id}/{Encode(await accounts.GeneratePasswordResetTokenAsync(account))}",
            realClock.GetUtcNow() + tokens.Value.TokenLifespan
        );

    /// <summary>Has a mail carry such a link to an address, if anybody is known by it. The caller cannot tell.</summary>
    public void SendPasswordLink(string email) => mails.Ask(new AccountMail(AccountMailKind.Password, email));

    /// <summary>Has a mail carry a link to an address that shows the address is right.</summary>
    public void SendConfirmation(string email) => mails.Ask(new AccountMail(AccountMailKind.Confirmation, email));

    /// <summary>The words of a mail, with its link.</summary>
    internal async Task<(string Subject, string Body)> WriteAsync(AccountMailKind kind, Account account) =>
        kind == AccountMailKind.Password
            ? (
                "A new password for Morning Round",
                $"Hello {account.Name.Split(' ')[0]},\n\nsomebody asked for a new password for this address. If it was you, "
                    + $"choose one here; the link is good once, for three days:\n\n"
                    + $"{mail.Link}{(await PasswordLinkAsync(account)).Path}\n\n"
                    + "If it was not you, nothing has changed, and there is nothing to do."
            )
            : (
                "Is this your address?",
                $"Hello {account.Name.Split(' ')[0]},\n\nplease open this link once, so that a forgotten password can be "
                    + $"mended by mail:\n\n{mail.Link}/confirm/{account.Id}/"
                    + Encode(await accounts.GenerateEmailConfirmationTokenAsync(account))
            );

    /// <summary>Gives an account a new password by a link.</summary>
    /// <exception cref="ApiProblemException">404 for a link that is not good, 422 for a password that will not do.</exception>
    public async Task<Account> ResetAsync(PasswordReset reset)
    {
        PasswordRules.CheckLength(reset.Password);
        var account = await AccountAsync(reset.AccountId);
        PasswordRules.Check(await accounts.ResetPasswordAsync(account, Decode(reset.Token), reset.Password));
        return account;
    }

    /// <summary>Notes that an address is right. Doing it twice is doing it once.</summary>
    public async Task<Account> ConfirmAsync(EmailConfirmation confirmation)
    {
        var account = await AccountAsync(confirmation.AccountId);
        var result = await accounts.ConfirmEmailAsync(account, Decode(confirmation.Token));
        return result.Succeeded ? account : throw NoSuchLink();
    }

    private async Task<Account> AccountAsync(Guid id) =>
        await accounts.FindByIdAsync(id.ToString()) is { State: AccountState.Active } account ? account : throw NoSuchLink();

    private static string Encode(string token) => Base64Url.EncodeToString(Encoding.UTF8.GetBytes(token));

    private static string Decode(string token) =>
        Base64Url.IsValid(token) ? Encoding.UTF8.GetString(Base64Url.DecodeFromChars(token)) : throw NoSuchLink();
}
