using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Calendars;

/// <summary>The secret address of somebody's calendar. Only a hash of it is kept.</summary>
public sealed class CalendarFeedRow
{
    public Guid AccountId { get; init; }

    public required string TokenHash { get; set; }

    public DateTimeOffset CreatedAt { get; set; }
}

internal sealed class CalendarMapping : IEntityTypeConfiguration<CalendarFeedRow>
{
    public void Configure(EntityTypeBuilder<CalendarFeedRow> builder)
    {
        builder.ToTable("calendar_feeds");
        builder.HasKey(f => f.AccountId);
        builder
            .HasOne<Account>()
            .WithOne()
            .HasForeignKey<CalendarFeedRow>(f => f.AccountId)
            .OnDelete(DeleteBehavior.Cascade)
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
        builder.Property(f => f.TokenHash).HasMaxLength(64);
        builder.HasIndex(f => f.TokenHash).IsUnique();
    }
}

internal static class CalendarSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<CalendarFeedRow> CalendarFeeds => db.Set<CalendarFeedRow>();
    }
}
