using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace MorningRound.Server.Storage;

/// <summary>What every capability does about writers that come at the same moment.</summary>
internal static class SaveConflicts
{
    /// <summary>A transaction of one's own, or none inside a larger one, which then decides.</summary>
    public static async Task<IDbContextTransaction?> BeginUnlessWithinAsync(this MorningRoundDb db, CancellationToken cancel) =>
        db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;

    /// <summary>
    /// Saves what was changed. False when somebody else was quicker, whether by changing a row or by making it: then nothing was
    /// written and nothing of it is remembered, and the caller looks again, to find its own work done, or a newer text.
    /// </summary>
    public static async Task<bool> SavedAsync(this MorningRoundDb db, CancellationToken cancel)
    {
        try
        {
            await db.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateException e)
            when (e is DbUpdateConcurrencyException
                || e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation }
            )
        {
            db.ChangeTracker.Clear();
            return false;
        }
    }
}
