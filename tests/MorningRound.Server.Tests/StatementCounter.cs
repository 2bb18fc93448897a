using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace MorningRound.Server.Tests;

/// <summary>Counts what a server asks of its database. Beginning and ending a transaction are no statements of its own.</summary>
public sealed class StatementCounter : DbCommandInterceptor
{
    private readonly List<string> _statements = [];

    /// <summary>What was asked since the last time this was read, in order.</summary>
    public IReadOnlyList<string> Take()
    {
        lock (_statements)
        {
            var taken = _statements.ToList();
            _statements.Clear();
            return taken;
        }
    }

    public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<DbDataReader> result,
        CancellationToken cancellationToken = default
    )
    {
        Note(command);
        return new(result);
    }

    public override ValueTask<InterceptionResult<int>> NonQueryExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    )
    {
        Note(command);
        return new(result);
    }

    public override ValueTask<InterceptionResult<object>> ScalarExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<object> result,
        CancellationToken cancellationToken = default
    )
    {
        Note(command);
        return new(result);
    }

    private void Note(DbCommand command)
    {
        lock (_statements)
            _statements.Add(command.CommandText);
    }
}
