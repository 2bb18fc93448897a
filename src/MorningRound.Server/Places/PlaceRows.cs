using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Places;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Places;

/// <summary>A ground of an academy.</summary>
public sealed class PlaceRow : IDocumentRow<Place>, IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required Place Document { get; set; }

    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }
}

internal sealed class PlaceMapping : IEntityTypeConfiguration<PlaceRow>
{
    internal static DocumentFormat<Place> Format { get; } = new("place") { IsReadAgain = true };

    public void Configure(EntityTypeBuilder<PlaceRow> builder)
    {
        builder.ToTable("places");
        builder.HasKey(p => new { p.AcademyId, p.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(p => p.AcademyId);
        builder.Property(p => p.Document).IsDocument(Format);
        builder.Property(p => p.Version).IsConcurrencyToken();
    }
}

internal static class PlaceSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<PlaceRow> Places => db.Set<PlaceRow>();
    }
}
