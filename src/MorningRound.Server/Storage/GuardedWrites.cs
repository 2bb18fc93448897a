using MorningRound.Server.Hosting;

namespace MorningRound.Server.Storage;

/// <summary>A row whose version every write must name.</summary>
public interface IVersionedRow
{
    /// <summary>1 for a new row, one more with every write.</summary>
    int Version { get; set; }
}

/// <summary>A row that is hidden instead of deleted, because something else keeps a reference to it.</summary>
public interface IRemovableRow : IVersionedRow
{
    /// <summary>When it was taken away; null while it is there.</summary>
    DateTimeOffset? RemovedAt { get; set; }
}

/// <summary>
/// A removable row that can be had back for a while, by an owner, by whoever wrote it and by whoever removed it.
/// </summary>
public interface IRestorableRow : IRemovableRow
{
    /// <summary>So many days a removed row can be had back.</summary>
    const int KeptDays = 30;

    Guid AcademyId { get; }

    Guid Id { get; }

    /// <summary>The account that made it; null in what was made before that was kept, or by nobody.</summary>
    Guid? WrittenBy { get; set; }

    /// <summary>The account that removed it; null while it is there.</summary>
    Guid? RemovedBy { get; set; }

    /// <summary>Puts it back, as it was.</summary>
    void Restore() => (RemovedAt, RemovedBy) = (null, null);
}

/// <summary>One row that somebody writes, as far as the guarded write has to know.</summary>
internal sealed record GuardedRow<TRow>
    where TRow : class, IVersionedRow
{
    /// <summary>What it is, for "There is no such ...".</summary>
    public required string What { get; init; }

    /// <summary>Finds the row, removed ones included; null where there is none.</summary>
    public required Func<Task<TRow?>> Find { get; init; }

    /// <summary>What whoever wrote an older text is shown.</summary>
    public required Func<TRow, Task<object>> View { get; init; }

    /// <summary>A new row; its version is 0 until it is saved. Null where rows are only made elsewhere.</summary>
    public Func<Task<TRow>>? Create { get; init; }

    /// <summary>Whether the row already says what is to be written, as it does when a call is repeated.</summary>
    public Func<TRow, bool> IsSame { get; init; } = _ => false;

    /// <summary>Writes the new text into the row. May refuse.</summary>
    public Action<TRow> Change { get; init; } = _ => { };

    /// <summary>Whether a removed row comes back when it is made once more. Otherwise its id stays taken.</summary>
    public bool ComesBackWhenMadeAgain { get; init; }

    /// <summary>Whether a text that changes nothing is not written at all, whatever version it names.</summary>
    public bool SkipsUnchanged { get; init; }
}

/// <summary>
/// The one way in which a row is written: made once, changed and removed only by whoever has seen its latest version. A repeated
/// call finds its own work done, an older text is refused with the newer one, and of two writers at once one begins again.
/// </summary>
internal static class GuardedWrites
{
    /// <summary>Makes or changes a row.</summary>
    /// <exception cref="ApiProblemException">
    /// 404 where the row is not there or was removed, 412 where the version is an older one.
    /// </exception>
    public static async Task<TRow> SaveAsync<TRow>(
        this MorningRoundDb db,
        RowVersion expected,
        GuardedRow<TRow> guarded,
        CancellationToken cancel
    )
        where TRow : class, IVersionedRow
    {
        while (true)
        {
            var row = await guarded.Find();
            var isRemoved = row is IRemovableRow { RemovedAt: not null };
            if (isRemoved && guarded.ComesBackWhenMadeAgain && expected.IsNew)
                ((IRestorableRow)row!).Restore();
            else if (isRemoved || (row is null && (!expected.IsNew || guarded.Create is null)))
                throw ApiProblemException.NotFound(guarded.What);
            if (row is null)
            {
                db.Add(row = await guarded.Create!());
            }
            else if (!isRemoved)
            {
                var isStale = row.Version != expected.Number;
                if ((isStale || guarded.SkipsUnchanged) && guarded.IsSame(row))
                    return row;
                if (isStale)
                    throw ApiProblemException.Stale(await guarded.View(row));
            }

            guarded.Change(row);
            row.Version++;
            if (await db.SavedAsync(cancel))
                return row;
        }
    }

    /// <summary>Removes a row: a removable one is hidden, any other deleted. Removing twice is removing once.</summary>
    /// <exception cref="ApiProblemException">
    /// 404 where the row was never there, 412 where the version is an older one.
    /// </exception>
    public static async Task RemoveAsync<TRow>(
        this MorningRoundDb db,
        RowVersion expected,
        DateTimeOffset now,
        Guid by,
        GuardedRow<TRow> guarded,
        CancellationToken cancel
    )
        where TRow : class, IVersionedRow
    {
        while (true)
        {
            var row = await guarded.Find() ?? throw ApiProblemException.NotFound(guarded.What);
            if (row is IRemovableRow { RemovedAt: not null })
                return;
            if (row.Version != expected.Number)
                throw ApiProblemException.Stale(await guarded.View(row));
            guarded.Change(row);
            row.Version++;
            if (row is IRestorableRow restorable)
                restorable.RemovedBy = by;
            if (row is IRemovableRow removable)
                removable.RemovedAt = now;
            else
                db.Remove(row);
            if (await db.SavedAsync(cancel))
                return;
        }
    }
}
