using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;

namespace MorningRound.Server.Storage;

/// <summary>
/// The database. What people write is kept as versioned JSON documents, what is asked for is kept in columns. Ids are made by
/// clients and are only unique inside their academy, so the academy leads every key. Each capability maps its own rows and adds
/// its own sets to this type.
/// </summary>
public sealed class MorningRoundDb(DbContextOptions<MorningRoundDb> options)
    : IdentityUserContext<Account, Guid>(options),
        IDataProtectionKeyContext
{
    public DbSet<Academy> Academies => Set<Academy>();

    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();

    /// <summary>Which model the framework lays out for itself: from this version on passkeys have a table.</summary>
    internal static void ConfigureIdentity(IdentityOptions options) =>
        options.Stores.SchemaVersion = IdentitySchemaVersions.Version3;

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<IdentityUserClaim<Guid>>().ToTable("account_claims");
        builder.Entity<IdentityUserLogin<Guid>>().ToTable("account_logins");
        builder.Entity<IdentityUserToken<Guid>>().ToTable("account_tokens");
        builder.Entity<IdentityUserPasskey<Guid>>().ToTable("account_passkeys");
        builder.ApplyConfigurationsFromAssembly(typeof(MorningRoundDb).Assembly);
        // Nothing that somebody did goes because something else was deleted, unless a mapping says so itself.
        var ours = builder
            .Model.GetEntityTypes()
            .Where(t => t.ClrType.Namespace!.StartsWith(nameof(MorningRound), StringComparison.Ordinal));
        foreach (var key in ours.SelectMany(t => t.GetForeignKeys()).Where(k => k.FindAnnotation(GoesWithParent) is null))
            key.DeleteBehavior = DeleteBehavior.Restrict;
        NameLikeTheRest(builder.Model);
    }

    /// <summary>The framework's own part of the model is named before its tables are.</summary>
    private static void NameLikeTheRest(IMutableModel model)
    {
        // What lies in a column of its owner as JSON has no keys in the database.
        foreach (var type in model.GetEntityTypes().Where(t => !t.IsMappedToJson()))
        {
            foreach (var key in type.GetKeys())
                key.SetName(key.GetName()!.Replace("asp_net_users", "accounts", StringComparison.Ordinal));
            foreach (var key in type.GetForeignKeys())
                key.SetConstraintName(key.GetConstraintName()!.Replace("asp_net_users", "accounts", StringComparison.Ordinal));
        }

        foreach (var index in model.FindEntityType(typeof(Account))!.GetIndexes())
        {
            index.SetDatabaseName(
                index.GetDatabaseName() switch
                {
                    "EmailIndex" => "ix_accounts_normalized_email",
                    "UserNameIndex" => "ix_accounts_normalized_user_name",
                    var name => name,
                }
            );
        }
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        // Names of states stay readable in the database and survive a reordering of the code.
        configurationBuilder.Properties<Enum>().HaveConversion<string>().HaveMaxLength(24);
    }

    /// <summary>Marks a foreign key whose rows are deleted with the row they belong to.</summary>
    internal const string GoesWithParent = "MorningRound:GoesWithParent";

    /// <summary>How the database is spoken to: the same in the server and for the migration tool.</summary>
    internal static void Configure(DbContextOptionsBuilder options, string connection) =>
        options.UseNpgsql(connection).UseSnakeCaseNamingConvention();
}
