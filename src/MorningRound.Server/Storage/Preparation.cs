using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Demo;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Storage;

/// <summary>What has to be there before the first request: the tables, and on an empty database a way in.</summary>
internal static class Preparation
{
    /// <summary>Any number will do, as long as every copy of the server uses the same.</summary>
    private const long LockNumber = 0x4D6F726E;

    /// <summary>Brings the database up to date. Copies that start at once take turns.</summary>
    public static async Task PrepareAsync(this IServiceProvider services, CancellationToken cancel)
    {
        await using var scope = services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        await db.Database.OpenConnectionAsync(cancel);
        var began = scope.ServiceProvider.GetRequiredService<TimeProvider>().GetUtcNow();
        // Another copy may be laying out for minutes; that is waited for, however long.
        db.Database.SetCommandTimeout(TimeSpan.Zero);
        await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_lock({LockNumber})", cancel);
        try
        {
            await db.Database.MigrateAsync(cancel);
            var academies = await db.Academies.Select(a => a.Id).ToListAsync(cancel);
            foreach (var academy in academies) await scope.ServiceProvider.GetRequiredService<DrillBook>().StockAsync(academy, cancel);
            if (academies.Count > 0) return;
            if (scope.ServiceProvider.GetRequiredService<DemoSettings>().IsAllowed)
            {
                await new DemoHistory(db, scope.ServiceProvider.GetRequiredService<DomainClock>()).LayOutAsync(cancel);
            }
            else
            {
                // A copy that started at the same time was quicker, and has told its own owner the link.
                if (await db.Invitations.AnyAsync(i => i.AcademyId == null && i.UsedAt == null && i.CreatedAt >= began, cancel)) return;
                var invitations = scope.ServiceProvider.GetRequiredService<InvitationBook>();
                var link = await invitations.InviteAsync(null, AcademyRole.Owner, null, cancel);
                await AnnounceAsync(link, scope.ServiceProvider.GetRequiredService<IConfiguration>(), cancel);
            }
        }
        finally
        {
            await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_unlock({LockNumber})", CancellationToken.None);
            await db.Database.CloseConnectionAsync();
        }
    }

    /// <summary>
    /// Hands the set-up link to whoever started the server. It opens an academy, so it goes into a file of theirs, or to their
    /// terminal, and never into the log.
    /// </summary>
    private static async Task AnnounceAsync(InvitationLink link, IConfiguration configuration, CancellationToken cancel)
    {
        if (configuration["MORNING_ROUND_SETUP_FILE"] is { Length: > 0 } file) await File.WriteAllTextAsync(file, link.Path, cancel);
        else await Console.Error.WriteLineAsync($"Set up your academy at {link.Path}");
    }
}
