using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace MorningRound.Server.Hosting;

/// <summary>A kind of call that takes so much work that how often somebody makes it is limited.</summary>
public enum Costly
{
    /// <summary>Looking a plan or a week over while it is written.</summary>
    Check,

    /// <summary>Making a plan, or placing a week.</summary>
    Draft,

    /// <summary>Taking a file in.</summary>
    Import,

    /// <summary>Entries of a log.</summary>
    Append,

    /// <summary>A session with all that was logged of it, which can hold forty drills.</summary>
    Session,

    /// <summary>Taking everything of somebody away.</summary>
    Archive,

    /// <summary>Coming in: what a password costs to compare is meant to be much.</summary>
    Door,
}

/// <summary>
/// What one sign-in can ask of a copy of the server, so that somebody's worst is not everybody's. Each copy counts for itself:
/// with two, twice as much passes. Guesses at passwords are counted elsewhere, in the database, for all copies together.
/// </summary>
internal static class CallLimits
{
    /// <summary>
    /// As many calls of one sign-in are worked on at once as there are processors: whoever asks one thing beside somebody who
    /// asks without end still gets half of one. A browser opens six connections, and more is never of use to it.
    /// </summary>
    private static readonly int AtOnce = Math.Clamp(Environment.ProcessorCount, 2, 6);

    private const int Waiting = 400;

    /// <summary>So many costly calls of one sign-in wait for the one that is worked on.</summary>
    private const int CostlyWaiting = 40;

    public static TBuilder Costs<TBuilder>(this TBuilder endpoint, Costly what)
        where TBuilder : IEndpointConventionBuilder => endpoint.WithMetadata(new Cost(what));

    /// <summary>How many calls of a kind are free at once, and how many more a second is good for.</summary>
    public static (int AtOnce, double ASecond) Of(Costly what) =>
        what switch
        {
            Costly.Check => (60, 10),
            Costly.Draft => (30, 2),
            Costly.Import => (30, 1),
            Costly.Append or Costly.Session => (120, 20),
            Costly.Archive => (10, 0.1),
            _ => (120, 2),
        };

    /// <summary>
    /// Stands before the limit for everybody together, so that what waits here for its own turn takes nobody's place there. Who
    /// calls is not known yet: the cookie tells one sign-in from another without asking the database.
    /// </summary>
    public static void UseCallLimits(this IApplicationBuilder app)
    {
        var options = new RateLimiterOptions
        {
            GlobalLimiter = PartitionedRateLimiter.CreateChained(
                PartitionedRateLimiter.Create<HttpContext, string>(OftenEnough),
                PartitionedRateLimiter.Create<HttpContext, string>(OneCostlyAtOnce),
                PartitionedRateLimiter.Create<HttpContext, string>(EachAtOnce)
            ),
            RejectionStatusCode = StatusCodes.Status429TooManyRequests,
            OnRejected = (rejected, _) =>
            {
                var wait = rejected.Lease.TryGetMetadata(MetadataName.RetryAfter, out var known)
                    ? known
                    : TimeSpan.FromSeconds(2);
                rejected.HttpContext.Response.Headers.RetryAfter = Math.Max(1, (int)Math.Ceiling(wait.TotalSeconds))
                    .ToString(CultureInfo.InvariantCulture);
                return ValueTask.CompletedTask;
            },
        };
        app.UseRateLimiter(options);
    }

    private static RateLimitPartition<string> EachAtOnce(HttpContext context) =>
        Caller(context) is { } caller
            ? RateLimitPartition.GetConcurrencyLimiter(caller, _ => Concurrency(AtOnce, Waiting))
            : RateLimitPartition.GetNoLimiter("");

    private static RateLimitPartition<string> OneCostlyAtOnce(HttpContext context) =>
        CostOf(context) is { } cost and not Costly.Door && Caller(context) is { } caller
            ? RateLimitPartition.GetConcurrencyLimiter(caller, _ => Concurrency(1, CostlyWaiting))
            : RateLimitPartition.GetNoLimiter("");

    private static RateLimitPartition<string> OftenEnough(HttpContext context)
    {
        if (CostOf(context) is not { } cost)
            return RateLimitPartition.GetNoLimiter("");
        var who = cost == Costly.Door ? ClientAddress.Of(context) : Caller(context) ?? ClientAddress.Of(context);
        var (atOnce, aSecond) = Of(cost);
        return RateLimitPartition.GetTokenBucketLimiter(
            $"{cost} {who}",
            _ => new TokenBucketRateLimiterOptions
            {
                TokenLimit = atOnce,
                TokensPerPeriod = Math.Max(1, (int)aSecond),
                ReplenishmentPeriod = TimeSpan.FromSeconds(Math.Max(1, 1 / aSecond)),
            }
        );
    }

    private static ConcurrencyLimiterOptions Concurrency(int atOnce, int waiting) =>
        new()
        {
            PermitLimit = atOnce,
            QueueLimit = waiting,
            QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
        };

    /// <summary>What a call to an endpoint costs; null where it is not limited.</summary>
    internal static Costly? CostOf(Endpoint? endpoint) => endpoint?.Metadata.GetMetadata<Cost>()?.What;

    private static Costly? CostOf(HttpContext context) => CostOf(context.GetEndpoint());

    private static string? Caller(HttpContext context) =>
        context.Request.Cookies[CookieNames.For(context, CookieNames.SignIn)] is { Length: > 0 } cookie
            ? Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(cookie)))
            : null;

    private sealed record Cost(Costly What);
}
