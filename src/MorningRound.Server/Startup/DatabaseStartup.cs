using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Units;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Startup;

/// <summary>What has to be there before the first request: the tables, and on an empty database a way in.</summary>
internal static class DatabaseStartup
{
    /// <summary>Any number will do, as long as every copy of the server uses the same.</summary>
    private const long LockNumber = 0x4D6F726E;

    /// <summary>
    /// Brings the database up to date, and puts a demo or a way in into an empty one. Copies that start at once take turns,
    /// however long it takes.
    /// </summary>
    /// <exception cref="InvalidOperationException">The tables are those of a release that this one cannot go on from.</exception>
    public static async Task PrepareDatabaseAsync(this IServiceProvider services, CancellationToken cancel)
    {
        await using var scope = services.CreateAsyncScope();
        var provider = scope.ServiceProvider;
        var db = provider.GetRequiredService<MorningRoundDb>();
        await db.Database.OpenConnectionAsync(cancel);
        var began = provider.GetRequiredService<TimeProvider>().GetUtcNow();
        // Another copy may be laying out for minutes; that is waited for.
        db.Database.SetCommandTimeout(TimeSpan.Zero);
        await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_lock({LockNumber})", cancel);
        try
        {
            await RefuseOlderTablesAsync(db, cancel);
            await db.Database.MigrateAsync(cancel);
            if (await db.Academies.AnyAsync(cancel))
                return;
            if (provider.GetService<IDemo>() is { } demo)
                await demo.LayOutAsync(cancel);
            else
                await LetInAsync(provider, db, began, cancel);
        }
        finally
        {
            await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_unlock({LockNumber})", CancellationToken.None);
            await db.Database.CloseConnectionAsync();
        }
    }

    /// <summary>The first releases kept other tables. Their data folder is recognised and left as it is.</summary>
    private static async Task RefuseOlderTablesAsync(MorningRoundDb db, CancellationToken cancel)
    {
        // They named columns in another way, those of the history too, so that it cannot even be asked what was applied.
        var isNamedOtherwise = await db
            .Database.SqlQuery<bool>(
                $"""
                SELECT EXISTS (
                    SELECT FROM information_schema.columns
                    WHERE table_schema = current_schema() AND table_name = '__EFMigrationsHistory' AND column_name = 'MigrationId'
                ) AS "Value"
                """
            )
            .SingleAsync(cancel);
        var known = db.Database.GetMigrations().ToHashSet();
        if (isNamedOtherwise || (await db.Database.GetAppliedMigrationsAsync(cancel)).Any(m => !known.Contains(m)))
        {
            throw new InvalidOperationException(
                "This data folder was made by an earlier or later release, whose tables this one cannot read. Nothing was "
                    + "changed. Start with another --data folder, or throw this one away with ./start --reset. Plans, drills "
                    + "and places can be carried over as files from the release that made it."
            );
        }
    }

    private static async Task LetInAsync(
        IServiceProvider provider,
        MorningRoundDb db,
        DateTimeOffset began,
        CancellationToken cancel
    )
    {
        // A copy that started at the same time was quicker, and has told its own owner the link.
        if (await db.Invitations.AnyAsync(i => i.AcademyId == null && i.UsedAt == null && i.CreatedAt >= began, cancel))
            return;
        var link = await provider.GetRequiredService<InvitationService>().InviteFirstAsync(cancel);
        await AnnounceAsync(link, provider.GetRequiredService<IConfiguration>(), cancel);
    }

    /// <summary>
    /// Hands the set-up link to whoever started the server. It opens an academy, so it goes into a file of theirs, or to their
    /// terminal, and never into the log.
    /// </summary>
    private static async Task AnnounceAsync(InvitationLink link, IConfiguration configuration, CancellationToken cancel)
    {
        if (configuration["MORNING_ROUND_SETUP_FILE"] is { Length: > 0 } file)
            await File.WriteAllTextAsync(file, link.Path, cancel);
        else
            await Console.Error.WriteLineAsync($"Set up your academy at {link.Path}");
    }
}
