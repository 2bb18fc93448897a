using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

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

internal sealed class InvitationMappings : IEntityTypeConfiguration<Invitation>, IEntityTypeConfiguration<SignIn>
{
    public void Configure(EntityTypeBuilder<SignIn> builder)
    {
        builder.ToTable("sign_ins");
        builder
            .HasOne<Account>()
            .WithMany()
            .HasForeignKey(s => s.AccountId)
            .OnDelete(DeleteBehavior.Cascade)
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
    }

    public void Configure(EntityTypeBuilder<Invitation> builder)
    {
        builder.ToTable("invitations");
        builder.HasKey(i => i.TokenHash);
        builder.Property(i => i.TokenHash).HasMaxLength(64);
        builder.HasOne<Academy>().WithMany().HasForeignKey(i => i.AcademyId);
    }
}

internal static class AccountSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<Invitation> Invitations => db.Set<Invitation>();

        public DbSet<SignIn> SignIns => db.Set<SignIn>();
    }
}
