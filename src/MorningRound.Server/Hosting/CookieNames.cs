using Microsoft.AspNetCore.Authentication.Cookies;

namespace MorningRound.Server.Hosting;

/// <summary>
/// Names of cookies. Over HTTPS a browser takes a name with this prefix only from this very host, for all of it and for HTTPS
/// alone, so that no neighbour can plant one; on loopback there is no HTTPS, and the name is plain.
/// </summary>
internal static class CookieNames
{
    /// <summary>The cookie of whoever is signed in.</summary>
    public const string SignIn = "morning-round";

    private const string Prefix = "__Host-";

    public static string For(HttpContext context, string plain) => context.Request.IsHttps ? Prefix + plain : plain;
}

/// <summary>Reads and writes cookies under the name that fits how the application is reached.</summary>
internal sealed class HostCookies : ICookieManager
{
    private readonly ChunkingCookieManager _cookies = new();

    public string? GetRequestCookie(HttpContext context, string key) =>
        _cookies.GetRequestCookie(context, CookieNames.For(context, key));

    public void AppendResponseCookie(HttpContext context, string key, string? value, CookieOptions options) =>
        _cookies.AppendResponseCookie(context, CookieNames.For(context, key), value, options);

    public void DeleteCookie(HttpContext context, string key, CookieOptions options) =>
        _cookies.DeleteCookie(context, CookieNames.For(context, key), options);
}
