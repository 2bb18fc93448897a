using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Places;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Storage;

/// <summary>
/// The database. What people write is kept as versioned JSON documents, what is asked for is kept in columns. Ids are made by
/// clients and are only unique inside their academy, so the academy leads every key.
/// </summary>
public sealed class MorningRoundDb(DbContextOptions<MorningRoundDb> options)
    : IdentityUserContext<Account, Guid>(options), IDataProtectionKeyContext
{
    public DbSet<Academy> Academies => Set<Academy>();

    public DbSet<Invitation> Invitations => Set<Invitation>();

    public DbSet<SignIn> SignIns => Set<SignIn>();

    public DbSet<StudentRow> Students => Set<StudentRow>();

    public DbSet<StudentFileRow> StudentFiles => Set<StudentFileRow>();

    public DbSet<StudentChangeRow> StudentChanges => Set<StudentChangeRow>();

    public DbSet<PlaceRow> Places => Set<PlaceRow>();

    public DbSet<DrillRow> Drills => Set<DrillRow>();

    public DbSet<PlanRow> Plans => Set<PlanRow>();

    public DbSet<AssignmentRow> Assignments => Set<AssignmentRow>();

    public DbSet<SetDrillsRow> SetDrills => Set<SetDrillsRow>();

    public DbSet<SessionLogRow> SessionLogs => Set<SessionLogRow>();

    public DbSet<SessionEntryRow> SessionEntries => Set<SessionEntryRow>();

    public DbSet<EntryConflictRow> EntryConflicts => Set<EntryConflictRow>();

    public DbSet<DrillResultRow> DrillResults => Set<DrillResultRow>();

    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.ApplyConfigurationsFromAssembly(typeof(MorningRoundDb).Assembly);
        // Nothing that somebody did goes because something else was deleted. Only sign-ins go with their account.
        var ours = builder.Model.GetEntityTypes().Where(t => t.ClrType.Namespace!.StartsWith(nameof(MorningRound), StringComparison.Ordinal) && t.ClrType != typeof(SignIn));
        foreach (var key in ours.SelectMany(t => t.GetForeignKeys())) key.DeleteBehavior = DeleteBehavior.Restrict;
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        // Names of states stay readable in the database and survive a reordering of the code.
        configurationBuilder.Properties<Enum>().HaveConversion<string>().HaveMaxLength(24);
    }
}
