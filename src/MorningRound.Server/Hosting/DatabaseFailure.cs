using System.Net.Sockets;
using Npgsql;

namespace MorningRound.Server.Hosting;

/// <summary>What to answer when the database is the one that cannot: is down, overloaded or full.</summary>
internal static class DatabaseFailure
{
    /// <summary>When a phone may try again. Phones add jitter of their own.</summary>
    public const string RetryAfterSeconds = "5";

    /// <summary>
    /// 503 where it may pass by itself, 507 where the disk is full; null where the database is not what failed.
    /// </summary>
    public static int? StatusOf(Exception exception)
    {
        for (var e = exception; e is not null; e = e.InnerException)
        {
            switch (e)
            {
                case PostgresException { SqlState: PostgresErrorCodes.DiskFull }:
                    return StatusCodes.Status507InsufficientStorage;
                case PostgresException
                {
                    SqlState: PostgresErrorCodes.TooManyConnections
                        or PostgresErrorCodes.AdminShutdown
                        or PostgresErrorCodes.CrashShutdown
                        or PostgresErrorCodes.CannotConnectNow
                }:
                    return StatusCodes.Status503ServiceUnavailable;
                case PostgresException:
                    return null;
                // Down, or no connection came free in time.
                case NpgsqlException or SocketException or TimeoutException:
                    return StatusCodes.Status503ServiceUnavailable;
            }
        }

        return null;
    }

    public static string InWords(int status) =>
        status == StatusCodes.Status507InsufficientStorage
            ? "The disk of the server is full. Nothing was saved, and nothing was lost; whoever runs it has to make room."
            : "The server is busy or starting. Nothing was lost; please try again in a moment.";
}
