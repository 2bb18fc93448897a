using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.DataRights;

/// <summary>A table that holds rows of students, and which of them are one student's.</summary>
/// <param name="Type">What a row is.</param>
/// <param name="Name">The table.</param>
/// <param name="Where">
/// Which rows, as SQL over <c>{0}</c>, the academy, and <c>{1}</c>, the student.
/// </param>
internal sealed record StudentTable(Type Type, string Name, string Where)
{
    // Names of the model's own tables and columns: nothing in here was typed by anybody.
    public string Count => $"SELECT '{Name}' AS name, count(*)::int AS rows FROM {Name} WHERE {Where}";

    public string Delete => $"DELETE FROM {Name} WHERE {Where}";
}

/// <summary>
/// Every table whose rows belong to a student, read from the model's own foreign keys, so that a table that is added later is not
/// forgotten: those that point at rows of others come before them.
/// </summary>
internal static class StudentTables
{
    public static IReadOnlyList<StudentTable> Of(MorningRoundDb db)
    {
        var found = new Dictionary<IEntityType, StudentTable>();
        var order = new List<IEntityType>();
        Visit(db.Model.FindEntityType(typeof(StudentRow))!, "academy_id = {0} AND id = {1}");
        return [.. order.Select(type => found[type])];

        // Depth first: whatever points at a table is put into the order before it.
        void Visit(IEntityType type, string where)
        {
            if (!found.TryAdd(type, new StudentTable(type.ClrType, type.GetTableName()!, where)))
                return;
            // What a row holds as a part of itself goes with the row.
            foreach (var key in type.GetReferencingForeignKeys().Where(k => !k.IsOwnership))
                Visit(key.DeclaringEntityType, ConditionOf(key, found[type]));
            order.Add(type);
        }
    }

    private static string ConditionOf(IForeignKey key, StudentTable principal)
    {
        var own = key.DeclaringEntityType;
        if (own.FindProperty("StudentId") is { } student && own.FindProperty("AcademyId") is not null)
            return $"academy_id = {{0}} AND {student.GetColumnName()} = {{1}}";
        var columns = string.Join(", ", key.Properties.Select(p => p.GetColumnName()));
        var theirs = string.Join(", ", key.PrincipalKey.Properties.Select(p => p.GetColumnName()));
        return $"({columns}) IN (SELECT {theirs} FROM {principal.Name} WHERE {principal.Where})";
    }
}
