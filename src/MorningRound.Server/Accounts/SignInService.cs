using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// The door: a password, a second step where the account has one, or a passkey. Whoever is not known is answered in the same
/// words, after the same work, as whoever has forgotten their password.
/// </summary>
public sealed class SignInService(
    MorningRoundDb db,
    SignInManager<Account> signIn,
    SignInGuard guard,
    SecurityLog log,
    AccountLinks links,
    IPasswordHasher<Account> hasher,
    DomainClock clock,
    TimeProvider realClock,
    IHttpContextAccessor calls,
    IEnumerable<IDemo> demos
)
{
    private const string Wrong = "E-mail address or password is not right.";

    private static readonly Account Nobody = new() { Name = "" };

    // A hash that no password fits, made once with the settings that every other is made with.
    private static string? _nobodysHash;

    private HttpContext Call => calls.HttpContext!;

    /// <summary>Signs in with a password, or asks for the second step.</summary>
    /// <exception cref="ApiProblemException">401 where it is not right, 423 after too many tries.</exception>
    public async Task<SignInView> WithPasswordAsync(Credentials credentials, CancellationToken cancel)
    {
        var account = await signIn.UserManager.FindByEmailAsync(credentials.Email);
        var counted = await CountAsync(GuardedSecret.Password, credentials.Email, account, cancel);
        if (account is not { PasswordHash: not null, State: AccountState.Active })
        {
            _nobodysHash ??= hasher.HashPassword(Nobody, SecretToken.New());
            hasher.VerifyHashedPassword(Nobody, _nobodysHash, credentials.Password);
            await log.AddAsync(account?.AcademyId, SecurityEventKind.SignInFailed, cancel, accountId: account?.Id);
            // That an account was closed is its coach's to tell.
            throw ApiProblemException.SignedOut(Wrong);
        }

        var result = await signIn.PasswordSignInAsync(account, credentials.Password, isPersistent: true, lockoutOnFailure: false);
        if (result is { Succeeded: false, RequiresTwoFactor: false })
        {
            await log.AddAsync(account.AcademyId, SecurityEventKind.SignInFailed, cancel, accountId: account.Id);
            throw ApiProblemException.SignedOut(Wrong);
        }

        await guard.WasRightAsync(counted, cancel);
        if (result.RequiresTwoFactor)
            return await ViewAsync(null, cancel) with { NeedsSecondStep = true };
        return await SignedInAsync(account, cancel);
    }

    /// <summary>The second step: a code of the app, or one of the codes kept for the day the phone is gone.</summary>
    public async Task<SignInView> SecondStepAsync(SecondStep step, CancellationToken cancel)
    {
        var account =
            await signIn.GetTwoFactorAuthenticationUserAsync()
            ?? throw ApiProblemException.SignedOut("Please begin with your e-mail address and password again.");
        var counted = await CountAsync(GuardedSecret.SecondStep, account.Id.ToString(), account, cancel);
        var code = string.Concat(step.Code.Where(char.IsLetterOrDigit));
        var result =
            code.Length == 6 && code.All(char.IsAsciiDigit)
                ? await signIn.TwoFactorAuthenticatorSignInAsync(code, isPersistent: true, rememberClient: false)
                : await signIn.TwoFactorRecoveryCodeSignInAsync(RecoveryCode(code));
        if (!result.Succeeded)
        {
            await log.AddAsync(account.AcademyId, SecurityEventKind.SecondStepFailed, cancel, accountId: account.Id);
            throw ApiProblemException.Invalid("code", "This code is not right. A new one comes every half minute.");
        }

        await guard.WasRightAsync(counted, cancel);
        return await SignedInAsync(account, cancel);
    }

    /// <summary>What a browser needs to ask for a passkey, as it wants it.</summary>
    public async Task<PasskeyOptions> PasskeyOptionsAsync() => new(await signIn.MakePasskeyRequestOptionsAsync(null));

    /// <summary>Signs in with a passkey, which is both steps in one.</summary>
    public async Task<SignInView> WithPasskeyAsync(PasskeyAnswer passkey, CancellationToken cancel)
    {
        var assertion = await signIn.FinishUsingPasskeyAsync(passkey.Credential);
        if (assertion is not { Succeeded: true, User.State: AccountState.Active })
        {
            var known = assertion?.User;
            await log.AddAsync(known?.AcademyId, SecurityEventKind.SignInFailed, cancel, accountId: known?.Id);
            throw ApiProblemException.SignedOut("This passkey is not known here. Sign in with your password.");
        }

        await signIn.UserManager.AddOrUpdatePasskeyAsync(assertion.User, assertion.Passkey);
        await signIn.SignInAsync(assertion.User, isPersistent: true);
        return await SignedInAsync(assertion.User, cancel);
    }

    /// <summary>
    /// Chooses a new password by a link and comes in with it. Every other sign-in of the account ends; a second step is still
    /// asked for.
    /// </summary>
    public async Task<SignInView> WithLinkAsync(PasswordReset reset, CancellationToken cancel)
    {
        var account = await links.ResetAsync(reset);
        await EndAllAsync(account.Id, cancel);
        await log.AddAsync(account.AcademyId, SecurityEventKind.PasswordReset, cancel, accountId: account.Id);
        var result = await signIn.PasswordSignInAsync(account, reset.Password, isPersistent: true, lockoutOnFailure: false);
        return result.RequiresTwoFactor
            ? await ViewAsync(null, cancel) with
            {
                NeedsSecondStep = true,
            }
            : await SignedInAsync(account, cancel);
    }

    /// <summary>Has a link sent to an address, if it is known. The answer is the same if it is not.</summary>
    public async Task ForgottenAsync(ForgottenPassword forgotten, CancellationToken cancel)
    {
        await CountAsync(GuardedSecret.Link, forgotten.Email, null, cancel);
        links.SendPasswordLink(forgotten.Email);
    }

    public async Task ConfirmEmailAsync(EmailConfirmation confirmation, CancellationToken cancel)
    {
        var account = await links.ConfirmAsync(confirmation);
        await log.AddAsync(account.AcademyId, SecurityEventKind.EmailConfirmed, cancel, accountId: account.Id);
    }

    /// <summary>Comes in as somebody of the demo.</summary>
    public async Task<SignInView> AsDemoAsync(DemoPerson person, CancellationToken cancel)
    {
        var account =
            (demos.FirstOrDefault() is { } demo ? await demo.AccountAsync(person, cancel) : null)
            ?? throw ApiProblemException.NotFound("demo here");
        await signIn.SignInAsync(account, isPersistent: true);
        return await ViewAsync(account, cancel);
    }

    /// <summary>Comes in with an account that was made this moment.</summary>
    public async Task<SignInView> NewAsync(Account account, CancellationToken cancel)
    {
        await signIn.SignInAsync(account, isPersistent: true);
        return await ViewAsync(account, cancel);
    }

    /// <summary>Ends every sign-in of an account but the one that is made anew on this device.</summary>
    public async Task RenewAsync(Account account, CancellationToken cancel)
    {
        await EndAllAsync(account.Id, cancel);
        await signIn.SignInAsync(account, isPersistent: true);
    }

    /// <summary>Ends every sign-in of an account.</summary>
    public Task EndAllAsync(Guid accountId, CancellationToken cancel)
    {
        var now = realClock.GetUtcNow();
        return db
            .SignIns.Where(s => s.AccountId == accountId && s.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(s => s.EndedAt, now), cancel);
    }

    /// <summary>Who is signed in with this call.</summary>
    public async Task<SignInView> CurrentAsync(CancellationToken cancel) =>
        await ViewAsync(signIn.IsSignedIn(Call.User) ? await signIn.UserManager.GetUserAsync(Call.User) : null, cancel);

    public Task SignOutAsync() => signIn.SignOutAsync();

    private async Task<CountedTry> CountAsync(GuardedSecret secret, string name, Account? account, CancellationToken cancel)
    {
        try
        {
            return await guard.CountAsync(secret, name, account?.Id, Call, cancel);
        }
        catch (ApiProblemException)
        {
            await log.AddAsync(account?.AcademyId, SecurityEventKind.SignInHeldUp, cancel, accountId: account?.Id);
            throw;
        }
    }

    private async Task<SignInView> SignedInAsync(Account account, CancellationToken cancel)
    {
        await log.AddAsync(account.AcademyId, SecurityEventKind.SignedIn, cancel, actorId: account.Id, accountId: account.Id);
        return await ViewAsync(account, cancel);
    }

    private async Task<SignInView> ViewAsync(Account? account, CancellationToken cancel)
    {
        var demoView = demos.FirstOrDefault() is { } demo ? await demo.ViewAsync(cancel) : null;
        if (account is null)
            return new SignInView(null, demoView, clock.GetUtcNow());
        var academy = await db.Academies.AsNoTracking().SingleAsync(a => a.Id == account.AcademyId, cancel);
        var today = clock.Today(academy.TimeZone);
        var person = new PersonView(
            account.Id,
            account.Name,
            account.Role,
            account.StudentId,
            academy.Name,
            academy.TimeZone,
            today,
            IsoWeek.Of(today).ToString()
        );
        return new SignInView(person, academy.DemoDay is null ? null : demoView, clock.GetUtcNow());
    }

    /// <summary>Codes are made as five letters, a dash and five more; nobody has to type the dash.</summary>
    private static string RecoveryCode(string typed) =>
        typed.Length == 10 ? $"{typed[..5]}-{typed[5..]}".ToUpperInvariant() : typed;
}
