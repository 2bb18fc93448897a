using System.Data;
using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Serialization;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.DataRights;

/// <summary>What stands in <c>academy.json</c> of an archive: what it is, and how much belongs in it.</summary>
/// <param name="Format">Always <see cref="AcademyArchiveService.Format"/>.</param>
/// <param name="Schema">The tables it was made from: the last step by which they were made.</param>
/// <param name="AcademyId">Whose it is.</param>
/// <param name="Name">What the academy is called.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="Rows">How many rows each table has.</param>
internal sealed record AcademyManifest(
    string Format,
    string Schema,
    Guid AcademyId,
    string Name,
    DateTimeOffset MadeAt,
    IReadOnlyDictionary<string, long> Rows
);

/// <summary>
/// A whole academy out as one archive: a ZIP with a file of JSON lines for each table, all of one moment. Passwords, second
/// steps, sign-ins and links stay behind: whoever holds the archive cannot come in by it.
/// </summary>
public sealed class AcademyArchiveService(MorningRoundDb db, SecurityLog log, TimeProvider realClock)
{
    internal const string Format = "morning-round-academy-1";

    internal const string ManifestName = "academy.json";

    /// <summary>Seconds a table of a large academy may take.</summary>
    private const int LongestWait = 120;

    public async Task<Archive> MakeAsync(Caller caller, CancellationToken cancel)
    {
        var name = await db.Academies.Where(a => a.Id == caller.AcademyId).Select(a => a.Name).SingleAsync(cancel);
        await log.AddAsync(caller, SecurityEventKind.AcademyTakenOut, cancel);
        var now = realClock.GetUtcNow();
        return await Archive.MakeAsync(
            $"morning-round-{now:yyyy-MM-dd}-academy.zip",
            archive => WriteAsync(archive, caller.AcademyId, name, now, cancel),
            cancel
        );
    }

    private async Task WriteAsync(ZipArchive archive, Guid academyId, string name, DateTimeOffset now, CancellationToken cancel)
    {
        db.Database.SetCommandTimeout(LongestWait);
        // Every table as it was at the same moment, whatever is practised meanwhile.
        await using var moment = await db.Database.BeginTransactionAsync(IsolationLevel.RepeatableRead, cancel);
        var rows = new SortedDictionary<string, long>(StringComparer.Ordinal);
        foreach (var table in OwnRows.OfAcademy(db))
        {
            await using var file = await Archive.NewFileAsync(archive, $"rows/{table.Name}.jsonl", cancel);
            var count = 0L;
            await foreach (var row in db.AsJson(table, academyId).WithCancellation(cancel))
            {
                await file.WriteLineAsync(row.AsMemory(), cancel);
                count++;
            }

            rows.Add(table.Name, count);
        }

        var manifest = new AcademyManifest(Format, db.Database.GetMigrations().Last(), academyId, name, now, rows);
        await using var about = await Archive.NewFileAsync(archive, ManifestName, cancel);
        await about.WriteAsync(JsonSerializer.Serialize(manifest, CoreJson.Options).AsMemory(), cancel);
    }
}
