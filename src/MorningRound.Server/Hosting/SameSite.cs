using MorningRound.Core.Units;

namespace MorningRound.Server.Hosting;

/// <summary>
/// Refuses writes that another site makes a browser send. Antiforgery tokens would go stale in a queue of logs waiting for a
/// signal, so the browser's own word on where a request comes from decides.
/// </summary>
internal static class SameSite
{
    public static IApplicationBuilder UseSameSiteWritesOnly(this IApplicationBuilder app) =>
        app.Use(
            async (context, next) =>
            {
                var request = context.Request;
                var safe =
                    HttpMethods.IsGet(request.Method)
                    || HttpMethods.IsHead(request.Method)
                    || HttpMethods.IsOptions(request.Method);
                if (!safe && !FromHere(request))
                    throw ApiProblemException.Forbidden("This came from another site.");
                await next(context);
            }
        );

    private static bool FromHere(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0)
            return site is "same-origin" or "none";
        var origin = request.Headers.Origin.ToString();
        // Neither header: not a browser, so nobody's cookies were borrowed.
        return origin.Length == 0
            || (
                Uri.TryCreate(origin, UriKind.Absolute, out var uri)
                && string.Equals(uri.Authority, request.Host.Value, StringComparison.OrdinalIgnoreCase)
            );
    }
}
