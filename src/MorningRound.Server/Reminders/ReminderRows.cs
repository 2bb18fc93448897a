using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Reminders;

/// <summary>What a mail is about.</summary>
public enum ReminderKind
{
    /// <summary>To a student: sessions of a week were published.</summary>
    WeekPublished,

    /// <summary>To a student: what stands on the next day.</summary>
    Tomorrow,

    /// <summary>To a student: it is Thursday, and nothing of the week was begun.</summary>
    Thursday,

    /// <summary>To a coach: somebody told of pain.</summary>
    Pain,

    /// <summary>To a coach: who has nothing set, and who missed something.</summary>
    Monday,
}

/// <summary>What has become of a mail.</summary>
public enum MailState
{
    /// <summary>Waits to be handed over.</summary>
    Waiting,

    /// <summary>Handed over to the mail server.</summary>
    Sent,

    /// <summary>Stands in the outbox only: no mail server is set up.</summary>
    Shown,
}

/// <summary>A mail to one person. Made once, handed over once.</summary>
public sealed class MailRow
{
    public Guid Id { get; init; }

    public Guid AcademyId { get; init; }

    public Guid AccountId { get; init; }

    public ReminderKind Kind { get; init; }

    /// <summary>What it is about, so that it is made once: unique for an account.</summary>
    public required string About { get; init; }

    public required string Subject { get; init; }

    public required string Body { get; init; }

    public DateTimeOffset MadeAt { get; init; }

    public MailState State { get; set; }

    /// <summary>Nobody else hands it over before this time.</summary>
    public DateTimeOffset ClaimedUntil { get; set; }

    public int Attempts { get; set; }

    public DateTimeOffset? SentAt { get; set; }
}

/// <summary>That somebody wants, or does not want, mails of a kind. Without a row the kind's own beginning counts.</summary>
public sealed class ReminderChoiceRow
{
    public Guid AccountId { get; init; }

    public ReminderKind Kind { get; init; }

    public bool IsOn { get; set; }
}

/// <summary>That an academy's mails of a day were made.</summary>
public sealed class ReminderRoundRow
{
    public Guid AcademyId { get; init; }

    public ReminderKind Kind { get; init; }

    public DateOnly Day { get; init; }
}

internal sealed class ReminderMappings
    : IEntityTypeConfiguration<MailRow>,
        IEntityTypeConfiguration<ReminderChoiceRow>,
        IEntityTypeConfiguration<ReminderRoundRow>
{
    public void Configure(EntityTypeBuilder<MailRow> builder)
    {
        builder.ToTable("mails");
        builder.HasOne<Academy>().WithMany().HasForeignKey(m => m.AcademyId);
        builder
            .HasOne<Account>()
            .WithMany()
            .HasForeignKey(m => m.AccountId)
            .OnDelete(DeleteBehavior.Cascade)
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
        builder.Property(m => m.About).HasMaxLength(120);
        builder.HasIndex(m => new { m.AccountId, m.About }).IsUnique();
        builder.HasIndex(m => new { m.AcademyId, m.MadeAt });
        builder.HasIndex(m => m.ClaimedUntil).HasFilter("state = 'Waiting'");
    }

    public void Configure(EntityTypeBuilder<ReminderChoiceRow> builder)
    {
        builder.ToTable("reminder_choices");
        builder.HasKey(c => new { c.AccountId, c.Kind });
        builder
            .HasOne<Account>()
            .WithMany()
            .HasForeignKey(c => c.AccountId)
            .OnDelete(DeleteBehavior.Cascade)
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
    }

    public void Configure(EntityTypeBuilder<ReminderRoundRow> builder)
    {
        builder.ToTable("reminder_rounds");
        builder.HasKey(r => new
        {
            r.AcademyId,
            r.Kind,
            r.Day,
        });
        builder.HasOne<Academy>().WithMany().HasForeignKey(r => r.AcademyId);
    }
}

internal static class ReminderSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<MailRow> Mails => db.Set<MailRow>();

        public DbSet<ReminderChoiceRow> ReminderChoices => db.Set<ReminderChoiceRow>();

        public DbSet<ReminderRoundRow> ReminderRounds => db.Set<ReminderRoundRow>();
    }
}
