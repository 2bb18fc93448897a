using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using MorningRound.Server.Accounts;
using MorningRound.Server.Calendars;
using MorningRound.Server.Guardians;
using MorningRound.Server.Storage;

namespace MorningRound.Server.DataRights;

/// <summary>Which rows are an account's own, and which are a whole academy's, read from the model.</summary>
internal static class OwnRows
{
    /// <summary>Columns by which somebody could come in: they go out to nobody.</summary>
    public static readonly string[] Secrets = ["password_hash", "security_stamp", "concurrency_stamp", "token_hash"];

    /// <summary>Tables of nothing but such secrets.</summary>
    private static readonly Type[] SecretTables = [typeof(IdentityUserToken<Guid>)];

    /// <summary>
    /// What a whole academy leaves behind when it moves: ways in, which would be open in two places, and what belongs to
    /// the server and not to an academy.
    /// </summary>
    public static readonly IReadOnlySet<Type> LeftBehind = new HashSet<Type>
    {
        typeof(SignIn),
        typeof(SignInTry),
        typeof(Invitation),
        typeof(CalendarFeedRow),
        typeof(IdentityUserToken<Guid>),
        typeof(IdentityUserPasskey<Guid>),
        typeof(IdentityUserClaim<Guid>),
        typeof(IdentityUserLogin<Guid>),
        typeof(Microsoft.AspNetCore.DataProtection.EntityFrameworkCore.DataProtectionKey),
    };

    /// <summary>What is kept of an account: not what it wrote of students, which is theirs.</summary>
    /// <returns>Tables with conditions over <c>{0}</c>, the academy, and <c>{1}</c>, the account's id in an array.</returns>
    public static IReadOnlyList<TableRows> OfAccount(MorningRoundDb db)
    {
        var account = db.Model.FindEntityType(typeof(Account))!;
        return
        [
            Rows(account, "academy_id = {0} AND id = ANY({1})"),
            .. account
                .GetReferencingForeignKeys()
                .Where(k => !SecretTables.Contains(k.DeclaringEntityType.ClrType))
                .Where(k =>
                    k.DeclaringEntityType.ClrType == typeof(GuardianshipRow)
                    || k.DeclaringEntityType.FindProperty("StudentId") is null
                        && k.Properties is [{ Name: "AccountId" or "UserId" }]
                )
                .Select(k => Rows(k.DeclaringEntityType, $"{k.Properties[0].GetColumnName()} = ANY({{1}})"))
                .OrderBy(t => t.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>Every table of an academy.</summary>
    /// <returns>Tables with conditions over <c>{0}</c>, the academy.</returns>
    public static IReadOnlyList<TableRows> OfAcademy(MorningRoundDb db) =>
        [
            .. Tables(db)
                .Where(t => !LeftBehind.Contains(t.ClrType))
                .Select(t =>
                    Rows(
                        t,
                        t.ClrType == typeof(Academy) ? "id = {0}"
                            : t.FindProperty("AcademyId") is not null ? "academy_id = {0}"
                            : "account_id IN (SELECT id FROM accounts WHERE academy_id = {0})"
                    )
                )
                .OrderBy(t => t.Name, StringComparer.Ordinal),
        ];

    /// <summary>Every entity that has a table of its own.</summary>
    public static IEnumerable<IEntityType> Tables(MorningRoundDb db) =>
        db.Model.GetEntityTypes().Where(t => !t.IsOwned() && t.GetTableName() is not null);

    private static TableRows Rows(IEntityType type, string where) => new(type.ClrType, type.GetTableName()!, where);
}
