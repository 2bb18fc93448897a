using System.Diagnostics;
using MorningRound.Server.Storage;
using Npgsql;

[assembly: AssemblyFixture(typeof(MorningRound.Server.Tests.TestDatabase))]

namespace MorningRound.Server.Tests;

/// <summary>A real PostgreSQL, started for this run and gone with it. Every class of tests gets a database of its own.</summary>
public sealed class TestDatabase : IAsyncLifetime
{
    private readonly Process _process = new()
    {
        StartInfo = new ProcessStartInfo(Path.Combine(Repository.Root, "scripts", "test-database"))
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
        },
    };

    private static string? s_connection;

    public async ValueTask InitializeAsync()
    {
        _process.Start();
        string? line;
        do line = await _process.StandardOutput.ReadLineAsync();
        while (line is not null && !line.StartsWith("Host=", StringComparison.Ordinal));
        s_connection = line ?? throw new InvalidOperationException("scripts/test-database gave no connection.");
    }

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearAllPools();
        _process.StandardInput.Close();
        await _process.WaitForExitAsync();
        _process.Dispose();
    }

    private static readonly Lazy<Task<string>> Schema = new(() => TemplateAsync(isDemo: false));
    private static readonly Lazy<Task<string>> Demo = new(() => TemplateAsync(isDemo: true));

    /// <summary>A new database without anything in it, as somebody finds it who starts for the first time.</summary>
    public static Task<string> NewAsync() => MakeAsync("template0");

    /// <summary>A new database with tables and nothing in them: a copy, because making tables takes a while.</summary>
    public static async Task<string> WithSchemaAsync() => await MakeAsync(await Schema.Value);

    /// <summary>
    /// A new database with the demo of Wednesday 6 May 2026 in it: a copy, because laying it out takes a while.
    /// </summary>
    public static async Task<string> WithDemoAsync() => await MakeAsync(await Demo.Value);

    private static async Task<string> TemplateAsync(bool isDemo)
    {
        var connection = await NewAsync();
        await using (var server = new TestServer(connection, isDemo))
            await server.NewBrowser().GetAsync("/health/ready");
        // A database can only be copied while nobody is connected to it.
        await using (var pool = new NpgsqlConnection(DatabaseConnection.From(connection)))
            NpgsqlConnection.ClearPool(pool);
        return new NpgsqlConnectionStringBuilder(connection).Database!;
    }

    private static async Task<string> MakeAsync(string template)
    {
        var name = $"t{Guid.NewGuid():N}";
        await using var connection = new NpgsqlConnection(s_connection);
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
#pragma warning disable CA2100 // The names were made here.
        command.CommandText = $"CREATE DATABASE {name} TEMPLATE {template}";
#pragma warning restore CA2100
        await command.ExecuteNonQueryAsync();
        return new NpgsqlConnectionStringBuilder(s_connection) { Database = name, MaxPoolSize = 20 }.ConnectionString;
    }
}

internal static class Repository
{
    public static string Root { get; } = Find();

    private static string Find()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "MorningRound.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
