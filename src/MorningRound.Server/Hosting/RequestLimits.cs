using Microsoft.AspNetCore.Http.Timeouts;

namespace MorningRound.Server.Hosting;

/// <summary>How much one call may send, and how long it may take.</summary>
internal static class RequestLimits
{
    /// <summary>The largest body any call needs: a week of entries is far below it.</summary>
    public const long LargestBody = 1_000_000;

    /// <summary>A browser gives up after twenty seconds; what goes on for longer goes on for nobody.</summary>
    public static readonly RequestTimeoutPolicy LongestCall = new()
    {
        Timeout = TimeSpan.FromSeconds(25),
        TimeoutStatusCode = StatusCodes.Status503ServiceUnavailable,
    };

    /// <summary>How long an archive may take to go out.</summary>
    public static readonly TimeSpan LongestDownload = TimeSpan.FromMinutes(10);
}
