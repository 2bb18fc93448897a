using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Units;
using MorningRound.Server.Accounts;
using MorningRound.Server.DataRights;
using MorningRound.Server.Hosting;
using MorningRound.Server.Review;
using MorningRound.Server.Sessions;
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
    /// <exception cref="StartRefusedException">The tables are those of a release that this one cannot go on from.</exception>
    public static async Task PrepareDatabaseAsync(this IServiceProvider services, CancellationToken cancel)
    {
        await using var turn = services.CreateAsyncScope();
        var waiting = turn.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var began = turn.ServiceProvider.GetRequiredService<TimeProvider>().GetUtcNow();
        // Another copy may be laying out for minutes; that is waited for.
        waiting.Database.SetCommandTimeout(TimeSpan.Zero);
        // The lock is a transaction's, not a connection's: a pooler may give every transaction another connection.
        await using var held = await waiting.Database.BeginTransactionAsync(cancel);
        await waiting.Database.ExecuteSqlAsync($"SELECT pg_advisory_xact_lock({LockNumber})", cancel);
        await using var scope = services.CreateAsyncScope();
        await PrepareAloneAsync(scope.ServiceProvider, began, cancel);
    }

    private static async Task PrepareAloneAsync(IServiceProvider provider, DateTimeOffset began, CancellationToken cancel)
    {
        var db = provider.GetRequiredService<MorningRoundDb>();
        // Changing large tables takes long, too.
        db.Database.SetCommandTimeout(TimeSpan.Zero);
        // Where there is nothing to do, finding that out the framework's way takes a tenth of the whole start.
        if (!await IsUpToDateAsync(db, cancel))
            await db.Database.MigrateAsync(cancel);
        // Asked at every start, because a start can be broken off between the two.
        if (await CompletionRecount.RecountAsync(db, cancel) > 0)
            await provider.GetRequiredService<StandingService>().RefreshAllAsync(cancel);
        var archive = provider.GetRequiredService<IConfiguration>()["MORNING_ROUND_ACADEMY_FILE"];
        if (await db.Academies.AnyAsync(cancel))
        {
            if (archive is { Length: > 0 })
                throw new StartRefusedException("There is an academy already: an archive comes into an empty database alone.");
            return;
        }

        if (archive is { Length: > 0 })
            await AnnounceAsync(
                await provider.GetRequiredService<AcademyArrival>().BringInAsync(archive, cancel),
                provider,
                cancel
            );
        else if (provider.GetService<IDemo>() is { } demo)
            await demo.LayOutAsync(cancel);
        else
            await LetInAsync(provider, db, began, cancel);
    }

    /// <summary>
    /// Whether the tables are those of this release. The first releases kept others; their data folder is recognised and left as
    /// it is.
    /// </summary>
    private static async Task<bool> IsUpToDateAsync(MorningRoundDb db, CancellationToken cancel)
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
        var applied = isNamedOtherwise ? [] : await db.Database.GetAppliedMigrationsAsync(cancel);
        if (isNamedOtherwise || applied.Any(m => !known.Contains(m)))
        {
            throw new StartRefusedException(
                "This data folder was made by an earlier or later release, whose tables this one cannot read. Nothing was "
                    + "changed. Start with another --data folder, or throw this one away with ./start --reset. Plans, drills "
                    + "and places can be carried over as files from the release that made it."
            );
        }

        return known.SetEquals(applied);
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
        await AnnounceAsync(link, provider, cancel);
    }

    /// <summary>
    /// Hands the link by which the first owner comes in to whoever started the server. It opens an academy, so it goes into a
    /// file of theirs, or to their terminal, and never into the log.
    /// </summary>
    private static async Task AnnounceAsync(InvitationLink link, IServiceProvider provider, CancellationToken cancel)
    {
        if (provider.GetRequiredService<IConfiguration>()["MORNING_ROUND_SETUP_FILE"] is { Length: > 0 } file)
            await File.WriteAllTextAsync(file, link.Path, cancel);
        else
            await Console.Error.WriteLineAsync($"The first owner comes in at {link.Path}");
    }
}
