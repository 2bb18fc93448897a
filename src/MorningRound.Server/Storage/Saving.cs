using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using MorningRound.Server.Hosting;
using Npgsql;

namespace MorningRound.Server.Storage;

internal static class Saving
{
    /// <summary>A transaction of one's own, or none inside a larger one, which then decides.</summary>
    public static async Task<IDbContextTransaction?> BeginUnlessWithinAsync(this MorningRoundDb db, CancellationToken cancel) =>
        db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;

    /// <summary>
    /// Saves what was changed. When somebody else was quicker, whether by changing the row or by making it, nothing is
    /// written and the caller gets the newer text.
    /// </summary>
    public static async Task SaveOrRefuseAsync<T>(this MorningRoundDb db, Func<Task<T>> current, CancellationToken cancel)
        where T : notnull
    {
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException
            || e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            db.ChangeTracker.Clear();
            throw Refusal.Stale(await current());
        }
    }
}
