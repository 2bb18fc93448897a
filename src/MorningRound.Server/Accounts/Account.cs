using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace MorningRound.Server.Accounts;

/// <summary>What somebody may do inside their academy. An owner is a coach who may also invite coaches.</summary>
public enum AcademyRole
{
    Owner,
    Coach,
    Student,
}

/// <summary>Somebody who can sign in.</summary>
public sealed class Account : IdentityUser<Guid>
{
    public Guid AcademyId { get; set; }

    public AcademyRole Role { get; set; }

    public required string Name { get; set; }

    /// <summary>The student this account belongs to; none for coaches.</summary>
    public Guid? StudentId { get; set; }
}

/// <summary>A school of golf: the wall behind which everything of one academy lies.</summary>
public sealed class Academy
{
    public Guid Id { get; init; }

    public required string Name { get; set; }

    /// <summary>The IANA name of the zone that decides which day it is.</summary>
    public required string TimeZone { get; set; }

    /// <summary>The day the demo's history was laid out for; none in a real academy.</summary>
    public DateOnly? DemoDay { get; init; }
}

/// <summary>A one-time link that lets somebody make an account. Only a hash of the token is kept.</summary>
public sealed class Invitation
{
    public required string TokenHash { get; init; }

    /// <summary>None for the link that sets up the first academy of an empty database.</summary>
    public Guid? AcademyId { get; init; }

    public AcademyRole Role { get; init; }

    public Guid? StudentId { get; init; }

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

    public DateTimeOffset? EndedAt { get; set; }
}

internal sealed class AccountMappings :
    IEntityTypeConfiguration<Account>, IEntityTypeConfiguration<Academy>, IEntityTypeConfiguration<Invitation>, IEntityTypeConfiguration<SignIn>
{
    public void Configure(EntityTypeBuilder<SignIn> builder)
    {
        builder.ToTable("sign_ins");
        builder.HasOne<Account>().WithMany().HasForeignKey(s => s.AccountId);
    }

    public void Configure(EntityTypeBuilder<Account> builder)
    {
        builder.ToTable("accounts");
        builder.Property(a => a.Name).HasMaxLength(120);
        builder.HasOne<Academy>().WithMany().HasForeignKey(a => a.AcademyId);
        builder.HasIndex(a => new { a.AcademyId, a.StudentId }).IsUnique();
    }

    public void Configure(EntityTypeBuilder<Academy> builder)
    {
        builder.ToTable("academies");
        builder.Property(a => a.Name).HasMaxLength(120);
        builder.Property(a => a.TimeZone).HasMaxLength(64);
    }

    public void Configure(EntityTypeBuilder<Invitation> builder)
    {
        builder.ToTable("invitations");
        builder.HasKey(i => i.TokenHash);
        builder.Property(i => i.TokenHash).HasMaxLength(64);
    }
}
