using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>A one-time link that lets somebody make an account. Only a hash of the token is kept.</summary>
public sealed class Invitation
{
    public required string TokenHash { get; init; }

    /// <summary>Names it where it is listed; nobody gets in by it.</summary>
    public Guid Id { get; init; }

    /// <summary>None for the link that sets up the first academy of an empty database.</summary>
    public Guid? AcademyId { get; init; }

    public AcademyRole Role { get; init; }

    public Guid? StudentId { get; init; }

    /// <summary>Who made it; null for the link that sets up an academy.</summary>
    public Guid? MadeBy { get; init; }

    public DateTimeOffset CreatedAt { get; init; }

    public DateTimeOffset ExpiresAt { get; init; }

    public DateTimeOffset? UsedAt { get; set; }
}

/// <summary>One time that somebody signed in on one device. It ends at sign-out, for every copy of its cookie.</summary>
public sealed class SignIn
{
    public Guid Id { get; init; }

    public Guid AccountId { get; init; }

    public DateTimeOffset At { get; init; }

    /// <summary>When it was last used, give or take an hour.</summary>
    public DateTimeOffset SeenAt { get; set; }

    /// <summary>What it was made on, as the browser told: "Firefox on Linux".</summary>
    public string Device { get; init; } = "";

    /// <summary>The network address it was made from.</summary>
    public string Address { get; init; } = "";

    public DateTimeOffset? EndedAt { get; set; }
}

/// <summary>How often something was tried of late, which tells whether it may be tried again.</summary>
public sealed class SignInTry
{
    /// <summary>A hash of what is counted, and from where.</summary>
    public required string Key { get; init; }

    public int Count { get; set; }

    public DateTimeOffset Since { get; set; }
}

internal sealed class SignInMappings
    : IEntityTypeConfiguration<Invitation>,
        IEntityTypeConfiguration<SignIn>,
        IEntityTypeConfiguration<SignInTry>
{
    public void Configure(EntityTypeBuilder<SignIn> builder)
    {
        builder.ToTable("sign_ins");
        builder.Property(s => s.Device).HasMaxLength(80);
        builder.Property(s => s.Address).HasMaxLength(64);
        builder
            .HasOne<Account>()
            .WithMany()
            .HasForeignKey(s => s.AccountId)
            .OnDelete(DeleteBehavior.Cascade)
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
    }

    public void Configure(EntityTypeBuilder<SignInTry> builder)
    {
        builder.ToTable("sign_in_tries");
        builder.HasKey(t => t.Key);
        builder.Property(t => t.Key).HasMaxLength(64);
        builder.HasIndex(t => t.Since);
    }

    public void Configure(EntityTypeBuilder<Invitation> builder)
    {
        builder.ToTable("invitations");
        builder.HasKey(i => i.TokenHash);
        builder.Property(i => i.TokenHash).HasMaxLength(64);
        builder.HasIndex(i => new { i.AcademyId, i.Id }).IsUnique();
        builder.HasOne<Academy>().WithMany().HasForeignKey(i => i.AcademyId);
    }
}

internal static class AccountSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<Invitation> Invitations => db.Set<Invitation>();

        public DbSet<SignIn> SignIns => db.Set<SignIn>();

        public DbSet<SignInTry> SignInTries => db.Set<SignInTry>();

        public DbSet<SecurityEvent> SecurityEvents => db.Set<SecurityEvent>();
    }
}
