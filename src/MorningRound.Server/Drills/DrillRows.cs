using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Drills;

/// <summary>A drill of the shelf.</summary>
public sealed class DrillRow : IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Name { get; set; }

    public Area Area { get; set; }

    public required Drill Document { get; set; }

    public DateTimeOffset UpdatedAt { get; set; }

    /// <summary>Set when the drill was taken off the shelf; plans and logs keep their own copies.</summary>
    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }
}

internal sealed class DrillMapping : IEntityTypeConfiguration<DrillRow>
{
    internal static DocumentFormat<Drill> Format { get; } = new("drill") { IsReadAgain = true };

    public void Configure(EntityTypeBuilder<DrillRow> builder)
    {
        builder.ToTable("drills");
        builder.HasKey(d => new { d.AcademyId, d.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(d => d.AcademyId);
        builder.Property(d => d.Name).HasMaxLength(DrillRules.LongestName);
        builder.Property(d => d.Document).IsDocument(Format);
        builder.Property(d => d.Version).IsConcurrencyToken();
        builder.HasIndex(d => new { d.AcademyId, d.Area });
    }
}

internal static class DrillSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<DrillRow> Drills => db.Set<DrillRow>();
    }

    /// <summary>All drills of an academy's shelf.</summary>
    public static async Task<IReadOnlyList<ShelvedDrill>> ShelfAsync(
        this MorningRoundDb db,
        Guid academyId,
        CancellationToken cancel
    ) =>
        [
            .. (
                await db
                    .Drills.AsNoTracking()
                    .Where(d => d.AcademyId == academyId && d.RemovedAt == null)
                    .Select(d => new { d.Id, d.Document })
                    .ToListAsync(cancel)
            ).Select(d => new ShelvedDrill { Id = d.Id, Drill = d.Document }),
        ];
}
