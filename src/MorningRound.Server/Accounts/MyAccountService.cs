using System.Buffers.Text;
using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using QRCoder;

namespace MorningRound.Server.Accounts;

/// <summary>What somebody does about their own account.</summary>
public sealed class MyAccountService(
    MorningRoundDb db,
    SignInManager<Account> signIn,
    SignInService signIns,
    SignInGuard guard,
    AccountLinks links,
    MailSettings mail,
    SecurityLog log,
    TimeProvider realClock,
    IHttpContextAccessor calls
)
{
    /// <summary>More devices than anybody signs in on before the oldest runs out.</summary>
    private const int MostSignIns = 50;

    private const int MostPasskeys = 10;

    private const int RecoveryCodeCount = 10;

    private const string Issuer = "Morning Round";

    // Where the framework keeps an app's key; set there directly, because an unfinished set-up must not end other sign-ins.
    private const string KeyStore = "[AspNetUserStore]";
    private const string KeyName = "AuthenticatorKey";

    private UserManager<Account> Accounts => signIn.UserManager;

    private HttpContext Call => calls.HttpContext!;

    public async Task<MyAccountView> GetAsync(Caller caller, CancellationToken cancel)
    {
        var account = await MineAsync(caller);
        var here = Here();
        var places = await db
            .SignIns.AsNoTracking()
            .Where(s => s.AccountId == caller.AccountId && s.EndedAt == null)
            .OrderByDescending(s => s.Id == here)
            .ThenByDescending(s => s.SeenAt)
            .Take(MostSignIns)
            .Select(s => new SignInPlace(s.Id, s.Device, s.Address, s.At, s.SeenAt, s.Id == here))
            .ToListAsync(cancel);
        var passkeys = await Accounts.GetPasskeysAsync(account);
        return new MyAccountView(
            account.Email ?? "",
            account.EmailConfirmed,
            mail.Server is not null,
            caller.IsCoach,
            account.TwoFactorEnabled,
            account.TwoFactorEnabled ? await Accounts.CountRecoveryCodesAsync(account) : 0,
            [
                .. passkeys
                    .OrderBy(p => p.CreatedAt)
                    .Select(p => new PasskeyView(Base64Url.EncodeToString(p.CredentialId), p.Name ?? "", p.CreatedAt)),
            ],
            places
        );
    }

    /// <summary>Another password. It ends every other sign-in of the account, and keeps this one.</summary>
    public async Task ChangePasswordAsync(Caller caller, PasswordChange change, CancellationToken cancel)
    {
        var account = await KnowingThePasswordAsync(caller, change.Current, cancel);
        PasswordRules.CheckLength(change.Password);
        var token = await Accounts.GeneratePasswordResetTokenAsync(account);
        PasswordRules.Check(await Accounts.ResetPasswordAsync(account, token, change.Password));
        await signIns.RenewAsync(account, cancel);
        await log.AddAsync(caller, SecurityEventKind.PasswordChanged, cancel, account.Id);
    }

    /// <summary>Sends a mail with a link that confirms the address.</summary>
    public async Task SendConfirmationAsync(Caller caller)
    {
        if (mail.Server is null)
            throw ApiProblemException.Invalid("email", "This server sends no mails.");
        links.SendConfirmation((await MineAsync(caller)).Email!);
    }

    /// <summary>Ends one sign-in. Doing it twice is doing it once.</summary>
    public async Task EndSignInAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var now = realClock.GetUtcNow();
        var ended = await db
            .SignIns.Where(s => s.Id == id && s.AccountId == caller.AccountId && s.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(s => s.EndedAt, now), cancel);
        if (ended > 0)
            await log.AddAsync(caller, SecurityEventKind.SignInsEnded, cancel, caller.AccountId);
    }

    /// <summary>Signs out everywhere, here too.</summary>
    public async Task SignOutEverywhereAsync(Caller caller, CancellationToken cancel)
    {
        await signIns.EndAllAsync(caller.AccountId, cancel);
        await log.AddAsync(caller, SecurityEventKind.SignInsEnded, cancel, caller.AccountId);
        await signIns.SignOutAsync();
    }

    /// <summary>A new key for an authenticator app. Nothing is switched on before a code of it was right.</summary>
    public async Task<AuthenticatorSetUp> BeginSecondStepAsync(Caller caller, PasswordAgain again, CancellationToken cancel)
    {
        EnsureMayHaveOne(caller);
        var account = await KnowingThePasswordAsync(caller, again.Current, cancel);
        EnsureHasNone(account);
        var key = Accounts.GenerateNewAuthenticatorKey();
        await Accounts.SetAuthenticationTokenAsync(account, KeyStore, KeyName, key);
        var uri =
            $"otpauth://totp/{Uri.EscapeDataString(Issuer)}:{Uri.EscapeDataString(account.Email!)}"
            + $"?secret={key}&issuer={Uri.EscapeDataString(Issuer)}&digits=6";
        using var code = QRCodeGenerator.GenerateQrCode(uri, QRCodeGenerator.ECCLevel.M);
        using var picture = new SvgQRCode(code);
        return new AuthenticatorSetUp(
            string.Join(' ', key.Chunk(4).Select(part => new string(part))),
            picture.GetGraphic(4, "#1e3b30", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute)
        );
    }

    /// <summary>Switches the second step on, with a code that shows the app has the key.</summary>
    public async Task<RecoveryCodes> FinishSecondStepAsync(Caller caller, SecondStep step, CancellationToken cancel)
    {
        EnsureMayHaveOne(caller);
        var account = await MineAsync(caller);
        EnsureHasNone(account);
        var counted = await guard.CountAsync(GuardedSecret.SecondStep, $"{account.Id}", account.Id, Call, cancel);
        var code = string.Concat(step.Code.Where(char.IsAsciiDigit));
        if (!await Accounts.VerifyTwoFactorTokenAsync(account, TokenOptions.DefaultAuthenticatorProvider, code))
            throw ApiProblemException.Invalid("code", "This code is not right. Is the phone's clock set by the network?");
        await guard.WasRightAsync(counted, cancel);
        await Accounts.SetTwoFactorEnabledAsync(account, true);
        var codes = await Accounts.GenerateNewTwoFactorRecoveryCodesAsync(account, RecoveryCodeCount);
        await signIns.RenewAsync(account, cancel);
        await log.AddAsync(caller, SecurityEventKind.SecondStepOn, cancel, account.Id);
        return new RecoveryCodes([.. codes!]);
    }

    /// <summary>Switches the second step off.</summary>
    public async Task EndSecondStepAsync(Caller caller, PasswordAgain again, CancellationToken cancel)
    {
        var account = await KnowingThePasswordAsync(caller, again.Current, cancel);
        await Accounts.SetTwoFactorEnabledAsync(account, false);
        await Accounts.RemoveAuthenticationTokenAsync(account, KeyStore, KeyName);
        await signIns.RenewAsync(account, cancel);
        await log.AddAsync(caller, SecurityEventKind.SecondStepOff, cancel, account.Id);
    }

    /// <summary>Other recovery codes; those made before stop working.</summary>
    public async Task<RecoveryCodes> NewRecoveryCodesAsync(Caller caller, PasswordAgain again, CancellationToken cancel)
    {
        var account = await KnowingThePasswordAsync(caller, again.Current, cancel);
        if (!account.TwoFactorEnabled)
            throw ApiProblemException.Conflict("There is no second step.", "code", "Switch it on first.");
        var codes = await Accounts.GenerateNewTwoFactorRecoveryCodesAsync(account, RecoveryCodeCount);
        await log.AddAsync(caller, SecurityEventKind.RecoveryCodesMade, cancel, account.Id);
        return new RecoveryCodes([.. codes!]);
    }

    /// <summary>What a browser needs to make a passkey.</summary>
    public async Task<PasskeyOptions> PasskeyOptionsAsync(Caller caller, PasswordAgain again, CancellationToken cancel)
    {
        var account = await KnowingThePasswordAsync(caller, again.Current, cancel);
        if ((await Accounts.GetPasskeysAsync(account)).Count >= MostPasskeys)
            throw ApiProblemException.Invalid("name", $"At most {MostPasskeys} passkeys; remove one that is not used any more.");
        return new PasskeyOptions(
            await signIn.MakePasskeyCreationOptionsAsync(
                new PasskeyUserEntity
                {
                    Id = account.Id.ToString(),
                    Name = account.Email!,
                    DisplayName = account.Name,
                }
            )
        );
    }

    /// <summary>Keeps a passkey that the browser has made.</summary>
    public async Task AddPasskeyAsync(Caller caller, NewPasskey passkey, CancellationToken cancel)
    {
        var errors = new FieldErrors().RequireText(passkey.Name, "name", 60);
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        var account = await MineAsync(caller);
        var attestation = await signIn.FinishMakingPasskeyAsync(passkey.Credential);
        if (attestation is not { Succeeded: true } || attestation.UserEntity.Id != account.Id.ToString())
            throw ApiProblemException.Invalid("credential", "The passkey could not be made. Begin once more.");
        attestation.Passkey.Name = passkey.Name.Trim();
        await Accounts.AddOrUpdatePasskeyAsync(account, attestation.Passkey);
        await log.AddAsync(caller, SecurityEventKind.PasskeyAdded, cancel, account.Id);
    }

    /// <summary>The passkey opens nothing any more. Doing it twice is doing it once.</summary>
    public async Task RemovePasskeyAsync(Caller caller, string id, CancellationToken cancel)
    {
        var account = await MineAsync(caller);
        var credential = Base64Url.IsValid(id) ? Base64Url.DecodeFromChars(id) : [];
        if (await Accounts.GetPasskeyAsync(account, credential) is null)
            return;
        await Accounts.RemovePasskeyAsync(account, credential);
        await log.AddAsync(caller, SecurityEventKind.PasskeyRemoved, cancel, account.Id);
    }

    private Guid Here() => Guid.TryParse(Call.User.FindFirstValue(SignInRegister.SignInClaim), out var id) ? id : Guid.Empty;

    private async Task<Account> MineAsync(Caller caller) =>
        await Accounts.FindByIdAsync(caller.AccountId.ToString()) ?? throw ApiProblemException.SignedOut("Please sign in again.");

    /// <summary>Whoever finds a phone that is signed in knows no password.</summary>
    private async Task<Account> KnowingThePasswordAsync(Caller caller, string password, CancellationToken cancel)
    {
        var account = await MineAsync(caller);
        var counted = await guard.CountAsync(GuardedSecret.Password, account.Email ?? $"{account.Id}", account.Id, Call, cancel);
        if (!await Accounts.CheckPasswordAsync(account, password))
            throw ApiProblemException.Invalid("current", "This is not your password.");
        await guard.WasRightAsync(counted, cancel);
        return account;
    }

    private static void EnsureMayHaveOne(Caller caller)
    {
        if (!caller.IsCoach)
            throw ApiProblemException.Forbidden("The second step is for coaches, who see other people's files.");
    }

    private static void EnsureHasNone(Account account)
    {
        if (account.TwoFactorEnabled)
            throw ApiProblemException.Conflict("The second step is on.", "code", "Switch it off first, for another phone.");
    }
}
