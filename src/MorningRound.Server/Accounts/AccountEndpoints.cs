using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Weeks;
using MorningRound.Server.Demo;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

public static class AccountEndpoints
{
    public static void MapAccounts(this IEndpointRouteBuilder api)
    {
        var accounts = api.MapGroup("/accounts").WithTags("Accounts");
        accounts.MapGet("/session", SessionAsync).AllowAnonymous();
        accounts.MapPost("/sign-in", SignInAsync).AllowAnonymous();
        accounts.MapPost("/sign-out", SignOutAsync);
        accounts.MapPost("/demo-sign-in", DemoSignInAsync).AllowAnonymous();
        accounts.MapPost("/coach-invitations", (Caller caller, InvitationBook book, CancellationToken cancel) =>
            book.InviteAsync(caller.AcademyId, AcademyRole.Coach, null, cancel)).RequireAuthorization(Policies.Owner);
        accounts.MapGet("/invitations/{token}", (string token, InvitationBook book, CancellationToken cancel) =>
            book.ShowAsync(token, cancel)).AllowAnonymous();
        accounts.MapPost("/invitations/{token}/accept", AcceptAsync).AllowAnonymous();
    }

    private static async Task<SignInView> SessionAsync(
        HttpContext context, SignInManager<Account> signIn, MorningRoundDb db, DemoAcademy demo, DomainClock clock, CancellationToken cancel)
    {
        var account = signIn.IsSignedIn(context.User) ? await signIn.UserManager.GetUserAsync(context.User) : null;
        return await ViewAsync(account, db, demo, clock, cancel);
    }

    private static async Task<SignInView> ViewAsync(
        Account? account, MorningRoundDb db, DemoAcademy demo, DomainClock clock, CancellationToken cancel)
    {
        var demoView = await demo.ViewAsync(cancel);
        if (account is null) return new SignInView(null, demoView, clock.GetUtcNow());
        var academy = await db.Academies.AsNoTracking().SingleAsync(a => a.Id == account.AcademyId, cancel);
        var person = new PersonView(
            account.Id, account.Name, account.Role, account.StudentId, academy.Name, academy.TimeZone, clock.Today(academy.TimeZone),
            IsoWeek.Of(clock.Today(academy.TimeZone)).ToString());
        return new SignInView(person, academy.DemoDay is null ? null : demoView, clock.GetUtcNow());
    }

    private static async Task<SignInView> SignInAsync(
        Credentials credentials, SignInManager<Account> signIn, MorningRoundDb db, DemoAcademy demo, DomainClock clock, CancellationToken cancel)
    {
        var account = await signIn.UserManager.FindByEmailAsync(credentials.Email);
        var wrong = Refusal.SignedOut("E-mail address or password is not right.");
        if (account?.PasswordHash is null) throw wrong;
        var result = await signIn.PasswordSignInAsync(account, credentials.Password, isPersistent: true, lockoutOnFailure: true);
        if (result.IsLockedOut) throw Refusal.Locked("Too many tries. Please wait a quarter of an hour, then try again.");
        return result.Succeeded ? await ViewAsync(account, db, demo, clock, cancel) : throw wrong;
    }

    private static async Task<NoContent> SignOutAsync(SignInManager<Account> signIn)
    {
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static async Task<SignInView> DemoSignInAsync(
        DemoSignIn request, SignInManager<Account> signIn, MorningRoundDb db, DemoAcademy demo, DomainClock clock, CancellationToken cancel)
    {
        var account = await demo.AccountAsync(request.As, cancel) ?? throw Refusal.NotFound("demo here");
        await signIn.SignInAsync(account, isPersistent: true);
        return await ViewAsync(account, db, demo, clock, cancel);
    }

    private static async Task<SignInView> AcceptAsync(
        string token, Acceptance acceptance, InvitationBook book, SignInManager<Account> signIn, MorningRoundDb db, DemoAcademy demo,
        DomainClock clock, CancellationToken cancel)
    {
        var account = await book.AcceptAsync(token, acceptance, cancel);
        await signIn.SignInAsync(account, isPersistent: true);
        return await ViewAsync(account, db, demo, clock, cancel);
    }
}

public sealed record Credentials(string Email, string Password);

public enum DemoPerson
{
    Coach,
    Student,
}

public sealed record DemoSignIn([property: JsonRequired] DemoPerson As);

/// <summary>Who is signed in, if anybody, and what the browser needs to know about time.</summary>
/// <param name="Person">None when nobody is signed in.</param>
/// <param name="Demo">None where there is no demo.</param>
/// <param name="Now">The time of the job, from which the browser takes "now".</param>
public sealed record SignInView(PersonView? Person, DemoView? Demo, DateTimeOffset Now);

public sealed record PersonView(
    Guid AccountId, string Name, AcademyRole Role, Guid? StudentId, string AcademyName, string TimeZone, DateOnly Today, string Week);

/// <summary>The demo and its age.</summary>
/// <param name="MadeFor">The day its history leads up to.</param>
/// <param name="IsStale">Whether that was a fortnight ago or more.</param>
public sealed record DemoView(DateOnly MadeFor, bool IsStale);
