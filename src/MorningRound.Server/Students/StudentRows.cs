using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>A student of an academy.</summary>
public sealed class StudentRow : IVersionedRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Name { get; set; }

    public Hand Hand { get; set; }

    public Level Level { get; set; }

    /// <summary>The account of the coach who looks after the student.</summary>
    public Guid CoachId { get; set; }

    /// <summary>A line for the coach's own eyes.</summary>
    public string CoachNote { get; set; } = "";

    public int Version { get; set; }
}

internal sealed class StudentMapping : IEntityTypeConfiguration<StudentRow>
{
    public void Configure(EntityTypeBuilder<StudentRow> builder)
    {
        builder.ToTable("students");
        builder.HasKey(s => new { s.AcademyId, s.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(s => s.AcademyId);
        builder.HasOne<Account>().WithMany().HasForeignKey(s => s.CoachId);
        builder.Property(s => s.Name).HasMaxLength(120);
        builder.Property(s => s.Version).IsConcurrencyToken();
        // Whoever signs in or is invited as a student is one of this academy.
        builder.HasMany<Account>().WithOne().HasForeignKey(a => new { a.AcademyId, a.StudentId });
        builder.HasMany<Invitation>().WithOne().HasForeignKey(i => new { i.AcademyId, i.StudentId });
    }
}

/// <summary>What is known of a student beyond name, hand and level.</summary>
public sealed class StudentFileRow : IVersionedRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public required StudentFile Document { get; set; }

    public int Version { get; set; }
}

/// <summary>Who changed which parts of a student's file, and when.</summary>
public sealed class StudentChangeRow
{
    public Guid Id { get; init; }

    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public Guid AccountId { get; init; }

    public DateTimeOffset At { get; init; }

    /// <summary>The fields that changed, as paths into the file.</summary>
    public required string[] Fields { get; init; }
}

internal sealed class StudentFileMappings : IEntityTypeConfiguration<StudentFileRow>, IEntityTypeConfiguration<StudentChangeRow>
{
    internal static DocumentFormat<StudentFile> Format { get; } = new("student-file");

    public void Configure(EntityTypeBuilder<StudentFileRow> builder)
    {
        builder.ToTable("student_files");
        builder.HasKey(f => new { f.AcademyId, f.StudentId });
        builder.HasOne<StudentRow>().WithOne().HasForeignKey<StudentFileRow>(f => new { f.AcademyId, f.StudentId });
        builder.Property(f => f.Document).IsDocument(Format);
        builder.Property(f => f.Version).IsConcurrencyToken();
    }

    public void Configure(EntityTypeBuilder<StudentChangeRow> builder)
    {
        builder.ToTable("student_changes");
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(c => new { c.AcademyId, c.StudentId });
        builder.HasOne<Account>().WithMany().HasForeignKey(c => c.AccountId);
        builder.HasIndex(c => new
        {
            c.AcademyId,
            c.StudentId,
            c.At,
        });
    }
}

internal static class StudentSets
{
    /// <summary>
    /// Of an academy's students those that a coach looks after; everybody where the coach looks after nobody: whoever only
    /// watches, and whoever came today, is everybody's coach.
    /// </summary>
    public static IQueryable<StudentRow> LookedAfterBy(this IQueryable<StudentRow> all, Guid coach) =>
        all.Where(s => s.CoachId == coach || !all.Any(other => other.CoachId == coach));

    extension(MorningRoundDb db)
    {
        public DbSet<StudentRow> Students => db.Set<StudentRow>();

        public DbSet<StudentFileRow> StudentFiles => db.Set<StudentFileRow>();

        public DbSet<StudentChangeRow> StudentChanges => db.Set<StudentChangeRow>();
    }

    /// <summary>A student's name and file; an empty file where nothing was written yet. One query.</summary>
    public static async Task<(string Name, StudentFile File)> NamedFileAsync(
        this MorningRoundDb db,
        Caller caller,
        Guid studentId,
        CancellationToken cancel
    )
    {
        caller.EnsureCanAccess(studentId, "student");
        var files = db.StudentFiles;
        var found =
            await db
                .Students.AsNoTracking()
                .Where(s => s.AcademyId == caller.AcademyId && s.Id == studentId)
                .Select(s => new
                {
                    s.Name,
                    File = files
                        .Where(f => f.AcademyId == s.AcademyId && f.StudentId == s.Id)
                        .Select(f => f.Document)
                        .FirstOrDefault(),
                })
                .SingleOrDefaultAsync(cancel)
            ?? throw ApiProblemException.NotFound("student");
        return (found.Name, found.File ?? new StudentFile());
    }
}
