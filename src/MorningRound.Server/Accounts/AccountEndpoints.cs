using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

public static class AccountEndpoints
{
    /// <summary>More coaches than any academy has.</summary>
    private const int MostCoaches = 200;

    public static void MapAccounts(this IEndpointRouteBuilder api)
    {
        var accounts = api.MapGroup("/accounts").WithTags("Accounts");
        accounts.MapGet("/session", SessionAsync).AllowAnonymous();
        accounts.MapPost("/sign-in", SignInAsync).AllowAnonymous();
        accounts.MapPost("/sign-out", SignOutAsync);
        accounts.MapPost("/demo-sign-in", DemoSignInAsync).AllowAnonymous();
        accounts
            .MapPost(
                "/coach-invitations",
                (Caller caller, InvitationService service, CancellationToken cancel) =>
                    service.InviteAsync(caller.AcademyId, AcademyRole.Coach, null, cancel)
            )
            .RequireAuthorization(Policies.Owner);
        accounts
            .MapGet(
                "/coaches",
                async (Caller caller, MorningRoundDb db, CancellationToken cancel) =>
                    await db
                        .Users.Where(u => u.AcademyId == caller.AcademyId && u.Role != AcademyRole.Student)
                        .OrderBy(u => u.Name)
                        .ThenBy(u => u.Id)
                        .Select(u => new CoachView(u.Id, u.Name))
                        .Take(MostCoaches)
                        .ToListAsync(cancel)
            )
            .RequireAuthorization(Policies.Coach);
        accounts
            .MapGet(
                "/invitations/{token}",
                (string token, InvitationService service, CancellationToken cancel) => service.ShowAsync(token, cancel)
            )
            .AllowAnonymous();
        accounts.MapPost("/invitations/{token}/accept", AcceptAsync).AllowAnonymous();
    }

    private static async Task<SignInView> SessionAsync(
        HttpContext context,
        SignInManager<Account> signIn,
        MorningRoundDb db,
        [FromServices] IDemo? demo,
        DomainClock clock,
        CancellationToken cancel
    )
    {
        var account = signIn.IsSignedIn(context.User) ? await signIn.UserManager.GetUserAsync(context.User) : null;
        return await ViewAsync(account, db, demo, clock, cancel);
    }

    private static async Task<SignInView> ViewAsync(
        Account? account,
        MorningRoundDb db,
        IDemo? demo,
        DomainClock clock,
        CancellationToken cancel
    )
    {
        var demoView = demo is null ? null : await demo.ViewAsync(cancel);
        if (account is null)
            return new SignInView(null, demoView, clock.GetUtcNow());
        var academy = await db.Academies.AsNoTracking().SingleAsync(a => a.Id == account.AcademyId, cancel);
        var person = new PersonView(
            account.Id,
            account.Name,
            account.Role,
            account.StudentId,
            academy.Name,
            academy.TimeZone,
            clock.Today(academy.TimeZone),
            IsoWeek.Of(clock.Today(academy.TimeZone)).ToString()
        );
        return new SignInView(person, academy.DemoDay is null ? null : demoView, clock.GetUtcNow());
    }

    private static async Task<SignInView> SignInAsync(
        Credentials credentials,
        SignInManager<Account> signIn,
        MorningRoundDb db,
        [FromServices] IDemo? demo,
        DomainClock clock,
        CancellationToken cancel
    )
    {
        var account = await signIn.UserManager.FindByEmailAsync(credentials.Email);
        var wrong = ApiProblemException.SignedOut("E-mail address or password is not right.");
        if (account?.PasswordHash is null)
            throw wrong;
        var result = await signIn.PasswordSignInAsync(account, credentials.Password, isPersistent: true, lockoutOnFailure: true);
        if (result.IsLockedOut)
            throw ApiProblemException.Locked("Too many tries. Please wait a quarter of an hour, then try again.");
        return result.Succeeded ? await ViewAsync(account, db, demo, clock, cancel) : throw wrong;
    }

    private static async Task<NoContent> SignOutAsync(SignInManager<Account> signIn)
    {
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static async Task<SignInView> DemoSignInAsync(
        DemoSignIn request,
        SignInManager<Account> signIn,
        MorningRoundDb db,
        [FromServices] IDemo? demo,
        DomainClock clock,
        CancellationToken cancel
    )
    {
        var account =
            (demo is null ? null : await demo.AccountAsync(request.As, cancel))
            ?? throw ApiProblemException.NotFound("demo here");
        await signIn.SignInAsync(account, isPersistent: true);
        return await ViewAsync(account, db, demo, clock, cancel);
    }

    private static async Task<SignInView> AcceptAsync(
        string token,
        Acceptance acceptance,
        InvitationService service,
        SignInManager<Account> signIn,
        MorningRoundDb db,
        [FromServices] IDemo? demo,
        DomainClock clock,
        CancellationToken cancel
    )
    {
        var account = await service.AcceptAsync(token, acceptance, cancel);
        await signIn.SignInAsync(account, isPersistent: true);
        return await ViewAsync(account, db, demo, clock, cancel);
    }
}
