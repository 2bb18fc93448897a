using System.Threading.RateLimiting;

namespace MorningRound.Server.Hosting;

/// <summary>
/// Works on as many calls at once as the database can serve, lets a fair number wait, and sends the rest away with a word on when
/// to come back, instead of failing at random.
/// </summary>
internal static class Overload
{
    private const int AtOnce = 64;
    private const int Waiting = 400;

    public static void AddOverloadProtection(this IServiceCollection services) =>
        services.AddRateLimiter(options =>
        {
            options.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context =>
                context.Request.Path.StartsWithSegments("/api")
                    ? RateLimitPartition.GetConcurrencyLimiter(
                        "api",
                        _ => new ConcurrencyLimiterOptions
                        {
                            PermitLimit = AtOnce,
                            QueueLimit = Waiting,
                            QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
                        }
                    )
                    : RateLimitPartition.GetNoLimiter("")
            );
            options.RejectionStatusCode = StatusCodes.Status503ServiceUnavailable;
            options.OnRejected = (rejected, _) =>
            {
                rejected.HttpContext.Response.Headers.RetryAfter = DatabaseFailure.RetryAfterSeconds;
                return ValueTask.CompletedTask;
            };
        });
}
