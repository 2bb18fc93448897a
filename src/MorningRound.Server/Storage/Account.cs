using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace MorningRound.Server.Storage;

/// <summary>What somebody may do inside their academy. An owner is a coach who also looks after its people.</summary>
public enum AcademyRole
{
    Owner,
    Coach,
    Student,

    /// <summary>Answers for a minor, and sees what is theirs to see of that child alone.</summary>
    Guardian,
}

/// <summary>Whether somebody may sign in. A change ends every sign-in of the account at its next call.</summary>
public enum AccountState
{
    Active,

    /// <summary>Kept as it is, and not let in until somebody lets them in again.</summary>
    Disabled,

    /// <summary>Gone for good: only the name stays, beside what they wrote.</summary>
    Removed,
}

/// <summary>Somebody who can sign in.</summary>
public sealed class Account : IdentityUser<Guid>
{
    public Guid AcademyId { get; set; }

    public AcademyRole Role { get; set; }

    public AccountState State { get; set; }

    public required string Name { get; set; }

    /// <summary>The student this account belongs to; null for coaches.</summary>
    public Guid? StudentId { get; set; }
}

/// <summary>A school of golf: the wall behind which everything of one academy lies.</summary>
public sealed class Academy
{
    public Guid Id { get; init; }

    public required string Name { get; set; }

    /// <summary>The IANA name of the zone that decides which day it is.</summary>
    public required string TimeZone { get; set; }

    /// <summary>After so many years what was practised is deleted; null until somebody deletes it.</summary>
    public int? PracticeYears { get; set; }

    /// <summary>So many days the security log is kept.</summary>
    public int SecurityLogDays { get; set; } = UsualSecurityLogDays;

    /// <summary>How long the security log is kept where nobody says otherwise, and where it is nobody's academy.</summary>
    public const int UsualSecurityLogDays = 365;

    /// <summary>The day the demo's history was laid out for; null in a real academy.</summary>
    public DateOnly? DemoDay { get; init; }
}

internal static class AccountQueries
{
    /// <summary>Of some accounts those that look after students: owners and coaches.</summary>
    public static IQueryable<Account> Staff(this IQueryable<Account> accounts) =>
        accounts.Where(a => a.Role == AcademyRole.Owner || a.Role == AcademyRole.Coach);
}

internal sealed class AccountMappings : IEntityTypeConfiguration<Account>, IEntityTypeConfiguration<Academy>
{
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
}
