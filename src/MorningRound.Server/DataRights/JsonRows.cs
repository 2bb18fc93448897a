using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Storage;

namespace MorningRound.Server.DataRights;

/// <summary>Rows of the database as JSON, as the database itself writes them.</summary>
internal static class JsonRows
{
    /// <summary>Rows of a table, one by one, without the columns by which somebody could come in.</summary>
    public static IAsyncEnumerable<string> AsJson(this MorningRoundDb db, TableRows rows, params object[] values)
    {
        var secrets = string.Join(", ", OwnRows.Secrets.Select(s => $"'{s}'"));
        var sql = $"SELECT (to_jsonb({rows.Name}) - ARRAY[{secrets}])::text AS \"Value\" FROM {rows.Name} WHERE {rows.Where}";
        return db.Database.SqlQueryRaw<string>(sql, values).AsAsyncEnumerable();
    }
}
