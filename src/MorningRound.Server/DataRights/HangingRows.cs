using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.DataRights;

/// <summary>A table, and which of its rows are meant.</summary>
/// <param name="Type">What a row is.</param>
/// <param name="Name">The table.</param>
/// <param name="Where">
/// Which rows, as SQL over <c>{0}</c>, the academy, and where it is about some of its rows <c>{1}</c>, their ids.
/// </param>
internal sealed record TableRows(Type Type, string Name, string Where)
{
    // Names of the model's own tables and columns: nothing in here was typed by anybody.
    public string Count => $"SELECT '{Name}' AS name, count(*)::int AS rows FROM {Name} WHERE {Where}";

    public string Delete => $"DELETE FROM {Name} WHERE {Where}";
}

/// <summary>
/// Every table whose rows hang on others, read from the model's own foreign keys, so that a table that is added later is not
/// forgotten: those that point at rows of others come before them.
/// </summary>
internal static class HangingRows
{
    /// <summary>Everything of some students.</summary>
    public static IReadOnlyList<TableRows> OfStudents(MorningRoundDb db) => Of(db, typeof(StudentRow), "StudentId");

    /// <summary>Some published sessions or drafts with all that was noted in them.</summary>
    public static IReadOnlyList<TableRows> OfSessions(MorningRoundDb db) => Of(db, typeof(AssignmentRow), null);

    /// <param name="db">The database whose model is read.</param>
    /// <param name="root">What the ids are of.</param>
    /// <param name="named">The property by which rows further down name the root themselves; null where none does.</param>
    private static List<TableRows> Of(MorningRoundDb db, Type root, string? named)
    {
        var found = new Dictionary<IEntityType, TableRows>();
        var order = new List<IEntityType>();
        Visit(db.Model.FindEntityType(root)!, "academy_id = {0} AND id = ANY({1})");
        return [.. order.Select(type => found[type])];

        // Depth first: whatever points at a table is put into the order before it.
        void Visit(IEntityType type, string where)
        {
            if (!found.TryAdd(type, new TableRows(type.ClrType, type.GetTableName()!, where)))
                return;
            // What a row holds as a part of itself goes with the row.
            foreach (var key in type.GetReferencingForeignKeys().Where(k => !k.IsOwnership))
                Visit(key.DeclaringEntityType, ConditionOf(key, found[type], named));
            order.Add(type);
        }
    }

    private static string ConditionOf(IForeignKey key, TableRows principal, string? named)
    {
        var own = key.DeclaringEntityType;
        if (named is not null && own.FindProperty(named) is { } id && own.FindProperty("AcademyId") is not null)
            return $"academy_id = {{0}} AND {id.GetColumnName()} = ANY({{1}})";
        var columns = string.Join(", ", key.Properties.Select(p => p.GetColumnName()));
        var theirs = string.Join(", ", key.PrincipalKey.Properties.Select(p => p.GetColumnName()));
        return $"({columns}) IN (SELECT {theirs} FROM {principal.Name} WHERE {principal.Where})";
    }
}
