using System.Diagnostics;
using Microsoft.AspNetCore.Diagnostics;

namespace MorningRound.Server.Hosting;

/// <summary>
/// One structured line a request: what was asked, how it ended, how long it took. Never who, and never what was said.
/// </summary>
internal static class RequestLog
{
    public static IApplicationBuilder UseRequestLog(this IApplicationBuilder app)
    {
        var log = app.ApplicationServices.GetRequiredService<ILoggerFactory>().CreateLogger("MorningRound.Requests");
        return app.Use(
            async (context, next) =>
            {
                // An error clears what was written before it, so the number is put on last.
                context.Response.OnStarting(() =>
                {
                    context.Response.Headers["X-Request-Id"] = context.TraceIdentifier;
                    return Task.CompletedTask;
                });
                var began = Stopwatch.GetTimestamp();
                try
                {
                    await next(context);
                }
                finally
                {
                    var route =
                        ((context.GetEndpoint() ?? context.Features.Get<IExceptionHandlerFeature>()?.Endpoint) as RouteEndpoint)
                            ?.RoutePattern
                            .RawText
                        ?? "-";
                    log.LogInformation(
                        "{Method} {Route} {Status} {Milliseconds} {RequestId}",
                        context.Request.Method,
                        route,
                        context.Response.StatusCode,
                        Math.Round(Stopwatch.GetElapsedTime(began).TotalMilliseconds, 1),
                        context.TraceIdentifier
                    );
                }
            }
        );
    }
}
