namespace MorningRound.Server.Hosting;

/// <summary>How much one call may send.</summary>
internal static class RequestLimits
{
    /// <summary>The largest body any call needs: a week of entries is far below it.</summary>
    public const long LargestBody = 1_000_000;
}
