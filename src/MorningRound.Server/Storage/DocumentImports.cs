using MorningRound.Server.Hosting;

namespace MorningRound.Server.Storage;

/// <summary>A row that holds one document, which a file can bring.</summary>
public interface IDocumentRow<T> : IVersionedRow
{
    T Document { get; set; }
}

/// <summary>The one way in which a file's documents are taken over: what is new is added, what differs is written anew.</summary>
internal static class DocumentImports
{
    /// <summary>Writes the documents beside the rows that are there. Null when somebody else was quicker: begin again.</summary>
    /// <param name="db">Where to.</param>
    /// <param name="rows">What is there, tracked, by id.</param>
    /// <param name="listed">What the file holds.</param>
    /// <param name="create">A new row; its version is set here.</param>
    /// <param name="cancel">Ends the writing.</param>
    public static async Task<ImportView?> ImportAsync<TRow, TDocument>(
        this MorningRoundDb db,
        IReadOnlyDictionary<Guid, TRow> rows,
        IReadOnlyCollection<(Guid Id, TDocument Document)> listed,
        Func<Guid, TDocument, TRow> create,
        CancellationToken cancel
    )
        where TRow : class, IDocumentRow<TDocument>
    {
        var (added, changed) = (0, 0);
        foreach (var (id, document) in listed)
        {
            if (!rows.TryGetValue(id, out var row))
            {
                row = create(id, document);
                row.Version = 1;
                db.Add(row);
                added++;
            }
            else if (row is IRestorableRow { RemovedAt: not null } removed)
            {
                removed.Restore();
                row.Document = document;
                row.Version++;
                added++;
            }
            else if (!StoredDocuments.Same(row.Document, document))
            {
                row.Document = document;
                row.Version++;
                changed++;
            }
        }

        return await db.SavedAsync(cancel) ? new ImportView(added, changed, listed.Count - added - changed) : null;
    }
}
