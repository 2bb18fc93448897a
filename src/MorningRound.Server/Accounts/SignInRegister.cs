using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// Remembers who is signed in where. A cookie alone would be good until it expires, whoever copied it; asking at every call costs
/// one small query and ends a sign-in at once: by signing out, a new password, a lock, or the end of the account.
/// </summary>
internal static class SignInRegister
{
    private const string SignInClaim = "sign_in";

    public static async Task BeginAsync(CookieSigningInContext context)
    {
        var services = context.HttpContext.RequestServices;
        var db = services.GetRequiredService<MorningRoundDb>();
        var identity = (ClaimsIdentity)context.Principal!.Identity!;
        // A renewed cookie is still the same sign-in.
        if (identity.HasClaim(c => c.Type == SignInClaim))
            return;
        var signIn = new SignIn
        {
            Id = Guid.CreateVersion7(),
            AccountId = Guid.Parse(identity.FindFirst(ClaimTypes.NameIdentifier)!.Value),
            At = services.GetRequiredService<TimeProvider>().GetUtcNow(),
        };
        db.SignIns.Add(signIn);
        await db.SaveChangesAsync(context.HttpContext.RequestAborted);
        identity.AddClaim(new Claim(SignInClaim, signIn.Id.ToString()));
    }

    public static async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var services = context.HttpContext.RequestServices;
        var options = services.GetRequiredService<IOptions<IdentityOptions>>().Value;
        // Who types a wrong password six times must not throw the owner of the account out; only a lock set on purpose lasts
        // longer.
        var lockedUntil = services.GetRequiredService<TimeProvider>().GetUtcNow() + options.Lockout.DefaultLockoutTimeSpan;
        var stamp = context.Principal!.FindFirstValue(options.ClaimsIdentity.SecurityStampClaimType);
        var db = services.GetRequiredService<MorningRoundDb>();
        var stands =
            Guid.TryParse(context.Principal!.FindFirstValue(SignInClaim), out var id)
            && await db
                .SignIns.Where(s => s.Id == id && s.EndedAt == null)
                .Join(db.Users, s => s.AccountId, a => a.Id, (s, a) => a)
                .AnyAsync(
                    a => a.SecurityStamp == stamp && (a.LockoutEnd == null || a.LockoutEnd <= lockedUntil),
                    context.HttpContext.RequestAborted
                );
        if (stands)
            return;
        context.RejectPrincipal();
        await context.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
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
