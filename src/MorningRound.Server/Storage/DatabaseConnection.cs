using Npgsql;

namespace MorningRound.Server.Storage;

/// <summary>How the server connects, where the one who named the database left it open.</summary>
internal static class DatabaseConnection
{
    /// <summary>
    /// Well below what the database allows (100 as shipped), so that several copies and a person with a console fit beside each
    /// other, and enough to keep two cores busy.
    /// </summary>
    private const int Connections = 20;

    private const int PreparedStatements = 60;

    /// <summary>Seconds a statement may take, and wait for a lock: the slowest on a large academy takes one.</summary>
    private const int LongestStatement = 15;

    /// <summary>Seconds a call waits for a connection before it is told to come back.</summary>
    private const int LongestWait = 10;

    /// <summary>
    /// Adds what is not said: a small pool, no reset between uses (nothing here changes a session), prepared statements,
    /// and how long is waited.
    /// </summary>
    public static string From(string named)
    {
        var said = new NpgsqlConnectionStringBuilder(named);
        var connection = new NpgsqlConnectionStringBuilder(named);
        if (!said.ShouldSerialize("Maximum Pool Size"))
            connection.MaxPoolSize = Connections;
        if (!said.ShouldSerialize("No Reset On Close"))
            connection.NoResetOnClose = true;
        if (!said.ShouldSerialize("Max Auto Prepare"))
            connection.MaxAutoPrepare = PreparedStatements;
        if (!said.ShouldSerialize("Command Timeout"))
            connection.CommandTimeout = LongestStatement;
        if (!said.ShouldSerialize("Timeout"))
            connection.Timeout = LongestWait;
        return connection.ConnectionString;
    }
}
