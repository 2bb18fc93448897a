using System.IO.Compression;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using MorningRound.Core.Serialization;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.DataRights;

/// <summary>Puts an academy's archive into a database without any academy. All of it comes in, or nothing does.</summary>
public sealed class AcademyArrival(MorningRoundDb db, AccountLinks links)
{
    /// <summary>So many characters of rows go to the database at once.</summary>
    private const int Batch = 2_000_000;

    /// <summary>Brings an academy in.</summary>
    /// <param name="file">The archive.</param>
    /// <param name="cancel">Stops it; then nothing has come in.</param>
    /// <returns>A link by which the first owner chooses a password: none came along.</returns>
    /// <exception cref="StartRefusedException">The file is none of ours, is damaged, or was made by another release.</exception>
    public async Task<InvitationLink> BringInAsync(string file, CancellationToken cancel)
    {
        try
        {
            await using var archive = await ZipFile.OpenReadAsync(file, cancel);
            var manifest = await ManifestAsync(archive, cancel);
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            var keys = Keys();
            // Students name their coach and accounts their student: who comes first does not matter until all are there.
            await ForEachAsync(keys, "ALTER TABLE {0} ALTER CONSTRAINT {1} DEFERRABLE INITIALLY DEFERRED", cancel);
            foreach (var table in OwnRows.OfAcademy(db))
                await FillAsync(archive, table, manifest, cancel);
            await db.Database.ExecuteSqlAsync(
                $"UPDATE accounts SET security_stamp = gen_random_uuid()::text, two_factor_enabled = false",
                cancel
            );
            await db.Database.ExecuteSqlAsync($"SET CONSTRAINTS ALL IMMEDIATE", cancel);
            await ForEachAsync(keys, "ALTER TABLE {0} ALTER CONSTRAINT {1} NOT DEFERRABLE", cancel);
            var owner =
                await db
                    .Users.Where(u => u.Role == AcademyRole.Owner && u.State == AccountState.Active)
                    .OrderBy(u => u.Id)
                    .FirstOrDefaultAsync(cancel)
                ?? throw new InvalidDataException("It has no owner who could come in.");
            await transaction.CommitAsync(cancel);
            return await links.PasswordLinkAsync(owner);
        }
        catch (Exception e) when (e is InvalidDataException or EndOfStreamException or JsonException or Npgsql.PostgresException)
        {
            throw new StartRefusedException($"The archive is damaged or none of Morning Round's: {e.Message} Nothing came in.");
        }
    }

    private async Task<AcademyManifest> ManifestAsync(ZipArchive archive, CancellationToken cancel)
    {
        var entry =
            archive.GetEntry(AcademyArchiveService.ManifestName) ?? throw new InvalidDataException("It says nothing of itself.");
        await using var stream = await entry.OpenAsync(cancel);
        var manifest = await JsonSerializer.DeserializeAsync<AcademyManifest>(stream, CoreJson.Options, cancel);
        if (manifest?.Format != AcademyArchiveService.Format)
            throw new InvalidDataException("It is another kind of file.");
        if (manifest.Schema != db.Database.GetMigrations().Last())
            throw new StartRefusedException(
                $"The archive was made by another release ({manifest.Schema}), whose tables are others. Nothing came in."
            );
        return manifest;
    }

    private async Task FillAsync(ZipArchive archive, TableRows table, AcademyManifest manifest, CancellationToken cancel)
    {
        var entry = archive.GetEntry($"rows/{table.Name}.jsonl") ?? throw new InvalidDataException($"It has no {table.Name}.");
        await using var stream = await entry.OpenAsync(cancel);
        using var lines = new StreamReader(stream);
        var (count, waiting) = (0L, new StringBuilder());
        while (await lines.ReadLineAsync(cancel) is { } line)
        {
            count++;
            waiting.Append(waiting.Length == 0 ? '[' : ',').Append(line);
            if (waiting.Length > Batch)
                await InsertAsync();
        }

        if (waiting.Length > 0)
            await InsertAsync();
        if (count != manifest.Rows.GetValueOrDefault(table.Name))
            throw new InvalidDataException($"Rows of {table.Name} are missing.");

        async Task InsertAsync()
        {
            var sql = $"INSERT INTO {table.Name} SELECT * FROM jsonb_populate_recordset(NULL::{table.Name}, {{0}}::jsonb)";
            await db.Database.ExecuteSqlRawAsync(sql, [waiting.Append(']').ToString()], cancel);
            waiting.Clear();
        }
    }

    private List<(string Table, string Key)> Keys() =>
        [
            .. OwnRows
                .Tables(db)
                .SelectMany(t => t.GetForeignKeys())
                .Select(k => (k.DeclaringEntityType.GetTableName()!, k.GetConstraintName()!)),
        ];

    private async Task ForEachAsync(List<(string Table, string Key)> keys, string statement, CancellationToken cancel)
    {
        foreach (var (table, key) in keys)
        {
            var sql = string.Format(System.Globalization.CultureInfo.InvariantCulture, statement, table, key);
            await db.Database.ExecuteSqlRawAsync(sql, cancel);
        }
    }
}
