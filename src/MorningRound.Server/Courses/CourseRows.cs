using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Courses;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Courses;

/// <summary>A course that an academy plays.</summary>
public sealed class CourseRow : IDocumentRow<Course>, IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required Course Document { get; set; }

    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }
}

internal sealed class CourseMapping : IEntityTypeConfiguration<CourseRow>
{
    internal static DocumentFormat<Course> Format { get; } = new("course") { IsReadAgain = true };

    public void Configure(EntityTypeBuilder<CourseRow> builder)
    {
        builder.ToTable("courses");
        builder.HasKey(c => new { c.AcademyId, c.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(c => c.AcademyId);
        builder.Property(c => c.Document).IsDocument(Format);
        builder.Property(c => c.Version).IsConcurrencyToken();
    }
}

internal static class CourseSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<CourseRow> Courses => db.Set<CourseRow>();
    }
}
