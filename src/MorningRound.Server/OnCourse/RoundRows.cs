using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.OnCourse;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.OnCourse;

/// <summary>A real round of a student. Its id is the student's: the same one may stand with another.</summary>
public sealed class RoundRow : IDocumentRow<Round>, IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public Guid Id { get; init; }

    /// <summary>The document's day, by which rounds are found.</summary>
    public DateOnly Day { get; private set; }

    public required Round Document
    {
        get;
        set
        {
            field = value;
            Day = value.Day;
        }
    }

    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }
}

internal sealed class RoundMapping : IEntityTypeConfiguration<RoundRow>
{
    internal static DocumentFormat<Round> Format { get; } = new("round");

    public void Configure(EntityTypeBuilder<RoundRow> builder)
    {
        builder.ToTable("rounds");
        builder.HasKey(r => new
        {
            r.AcademyId,
            r.StudentId,
            r.Id,
        });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(r => new { r.AcademyId, r.StudentId });
        builder.HasIndex(r => new
        {
            r.AcademyId,
            r.StudentId,
            r.Day,
        });
        builder.Property(r => r.Document).IsDocument(Format);
        builder.Property(r => r.Version).IsConcurrencyToken();
    }
}

internal static class RoundSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<RoundRow> Rounds => db.Set<RoundRow>();
    }
}
