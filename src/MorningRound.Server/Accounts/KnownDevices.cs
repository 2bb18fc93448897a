using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Accounts;

/// <summary>
/// Remembers on a device which accounts have signed in there, in a cookie that only the server can write. It lets nobody in; it
/// tells whose own device a try to sign in comes from.
/// </summary>
public sealed class KnownDevices(IDataProtectionProvider protection, TimeProvider realClock)
{
    private const string Cookie = "morning-round-device";

    /// <summary>More people than share a phone or a clubhouse's computer and come back to it.</summary>
    private const int MostAccounts = 12;

    private static readonly TimeSpan Lasts = TimeSpan.FromDays(400);

    private readonly IDataProtector _protector = protection.CreateProtector("known device");

    /// <summary>The device an account has signed in on; null where it never did.</summary>
    public Guid? DeviceOf(HttpContext context, Guid accountId) =>
        Read(context) is { } known && known.Accounts.Contains(accountId) ? known.Device : null;

    /// <summary>Remembers that an account has signed in here.</summary>
    public void Remember(HttpContext context, Guid accountId)
    {
        var known = Read(context) ?? new Known(Guid.NewGuid(), []);
        Guid[] accounts = [accountId, .. known.Accounts.Where(a => a != accountId).Take(MostAccounts - 1)];
        context.Response.Cookies.Append(
            CookieNames.For(context, Cookie),
            _protector.Protect(string.Join(' ', accounts.Prepend(known.Device))),
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                Secure = context.Request.IsHttps,
                Path = "/",
                Expires = realClock.GetUtcNow() + Lasts,
            }
        );
    }

    private Known? Read(HttpContext context)
    {
        if (!context.Request.Cookies.TryGetValue(CookieNames.For(context, Cookie), out var text))
            return null;
        try
        {
            var ids = _protector.Unprotect(text).Split(' ').Select(Guid.Parse).ToList();
            return new Known(ids[0], [.. ids.Skip(1)]);
        }
        catch (CryptographicException)
        {
            // Made by nobody here, or under keys that are gone: then nothing is known.
            return null;
        }
    }

    private sealed record Known(Guid Device, IReadOnlyList<Guid> Accounts);
}
