using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// Remembers who is signed in where. A cookie alone would be good until it expires, whoever copied it; asking at every call costs
/// one small query and ends a sign-in at once: by signing out, a new password, another role, or the end of the account.
/// </summary>
internal static class SignInRegister
{
    public const string SignInClaim = "sign_in";

    /// <summary>How exactly it is noted when a sign-in was last used: more would be a write at every call.</summary>
    private static readonly TimeSpan SeenWithin = TimeSpan.FromHours(1);

    /// <summary>Asked at every call, so it is made ready once.</summary>
    private static readonly Func<MorningRoundDb, Guid, string?, CancellationToken, Task<LiveSignIn?>> Live = EF.CompileAsyncQuery(
        (MorningRoundDb db, Guid id, string? stamp, CancellationToken cancel) =>
            (
                from signIn in db.Set<SignIn>()
                where signIn.Id == id && signIn.EndedAt == null
                join account in db.Users on signIn.AccountId equals account.Id
                where account.SecurityStamp == stamp && account.State == AccountState.Active
                join academy in db.Academies on account.AcademyId equals academy.Id
                select new LiveSignIn(signIn.SeenAt, academy.TimeZone)
            ).SingleOrDefault()
    );

    private sealed record LiveSignIn(DateTimeOffset SeenAt, string TimeZone);

    public static async Task BeginAsync(CookieSigningInContext context)
    {
        var services = context.HttpContext.RequestServices;
        var db = services.GetRequiredService<MorningRoundDb>();
        var identity = (ClaimsIdentity)context.Principal!.Identity!;
        // A renewed cookie is still the same sign-in.
        if (identity.HasClaim(c => c.Type == SignInClaim))
            return;
        var now = services.GetRequiredService<TimeProvider>().GetUtcNow();
        var signIn = new SignIn
        {
            Id = Guid.CreateVersion7(),
            AccountId = Guid.Parse(identity.FindFirst(ClaimTypes.NameIdentifier)!.Value),
            At = now,
            SeenAt = now,
            Device = DeviceName.Of(context.HttpContext.Request.Headers.UserAgent.ToString()),
            Address = ClientAddress.Of(context.HttpContext),
        };
        db.SignIns.Add(signIn);
        await db.SaveChangesAsync(context.HttpContext.RequestAborted);
        identity.AddClaim(new Claim(SignInClaim, signIn.Id.ToString()));
        services.GetRequiredService<KnownDevices>().Remember(context.HttpContext, signIn.AccountId);
    }

    public static async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var (http, services) = (context.HttpContext, context.HttpContext.RequestServices);
        var options = services.GetRequiredService<IOptions<IdentityOptions>>().Value;
        // Another password, role or state is another stamp.
        var stamp = context.Principal!.FindFirstValue(options.ClaimsIdentity.SecurityStampClaimType);
        var db = services.GetRequiredService<MorningRoundDb>();
        var found = Guid.TryParse(context.Principal!.FindFirstValue(SignInClaim), out var id)
            ? await Live(db, id, stamp, http.RequestAborted)
            : null;
        if (found is null)
        {
            context.RejectPrincipal();
            await http.SignOutAsync(IdentityConstants.ApplicationScheme);
            return;
        }

        // Which day it is follows the academy at once, whatever its zone was when somebody signed in.
        var identity = (ClaimsIdentity)context.Principal!.Identity!;
        identity.TryRemoveClaim(identity.FindFirst(Caller.TimeZoneClaim));
        identity.AddClaim(new Claim(Caller.TimeZoneClaim, found.TimeZone));

        var now = services.GetRequiredService<TimeProvider>().GetUtcNow();
        if (found.SeenAt <= now - SeenWithin)
        {
            await db
                .SignIns.Where(s => s.Id == id && s.SeenAt == found.SeenAt)
                .ExecuteUpdateAsync(set => set.SetProperty(s => s.SeenAt, now), http.RequestAborted);
        }
    }

    public static async Task EndAsync(CookieSigningOutContext context)
    {
        if (!Guid.TryParse(context.HttpContext.User.FindFirstValue(SignInClaim), out var id))
            return;
        var services = context.HttpContext.RequestServices;
        var now = services.GetRequiredService<TimeProvider>().GetUtcNow();
        await services
            .GetRequiredService<MorningRoundDb>()
            .SignIns.Where(s => s.Id == id && s.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(s => s.EndedAt, now), context.HttpContext.RequestAborted);
    }
}
