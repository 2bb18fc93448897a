using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>
/// What coach and student say to each other about one week: a question of the student's, the coach's word, and one answer to it.
/// </summary>
public sealed class WeekWordRow : IVersionedRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public DateOnly Monday { get; init; }

    /// <summary>What the student asked; empty where nothing was.</summary>
    public string Question { get; set; } = "";

    public DateTimeOffset? AskedAt { get; set; }

    /// <summary>The day of that, by the academy's clock.</summary>
    public DateOnly? AskedOn { get; set; }

    /// <summary>The coach's word; empty before there is one.</summary>
    public string Word { get; set; } = "";

    public DateTimeOffset? SaidAt { get; set; }

    /// <summary>The coach who said it; null before that.</summary>
    public Guid? SaidBy { get; set; }

    /// <summary>The student's answer to it; empty before there is one.</summary>
    public string Answer { get; set; } = "";

    public DateTimeOffset? AnsweredAt { get; set; }

    public int Version { get; set; }
}

internal sealed class WeekWordMapping : IEntityTypeConfiguration<WeekWordRow>
{
    public void Configure(EntityTypeBuilder<WeekWordRow> builder)
    {
        builder.ToTable("week_words");
        builder.HasKey(w => new
        {
            w.AcademyId,
            w.StudentId,
            w.Monday,
        });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(w => new { w.AcademyId, w.StudentId });
        builder.HasOne<Account>().WithMany().HasForeignKey(w => w.SaidBy);
        builder.Property(w => w.Question).HasMaxLength(WordService.LongestWord);
        builder.Property(w => w.Word).HasMaxLength(WordService.LongestWord);
        builder.Property(w => w.Answer).HasMaxLength(WordService.LongestWord);
        builder.Property(w => w.Version).IsConcurrencyToken();
    }
}

internal static class WeekWordSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<WeekWordRow> WeekWords => db.Set<WeekWordRow>();
    }
}
