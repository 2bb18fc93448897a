using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Programmes;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Programmes;

/// <summary>A programme of an academy. What standings need of it stands in columns.</summary>
public sealed class ProgrammeRow : IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Name { get; set; }

    public int Weeks { get; set; }

    public required Programme Document { get; set; }

    /// <summary>The drill that measures its goal; null where nothing is measured.</summary>
    public Guid? GoalDrillId { get; set; }

    /// <summary>The measure of that drill; empty where nothing is measured.</summary>
    public required string GoalMeasure { get; set; }

    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }

    public void Write(Programme programme)
    {
        (Name, Weeks, Document) = (programme.Name, programme.Weeks, programme);
        (GoalDrillId, GoalMeasure) = (programme.Goal?.DrillId, programme.Goal?.Measure ?? "");
    }
}

/// <summary>That a programme was started in a week, for one student or for a squad.</summary>
public sealed class ProgrammeRunRow : IVersionedRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public Guid ProgrammeId { get; init; }

    /// <summary>For whom; null where it runs for a squad.</summary>
    public Guid? StudentId { get; init; }

    /// <summary>For which squad, whoever is in it; null where it runs for one student.</summary>
    public Guid? SquadId { get; init; }

    /// <summary>The Monday of its first week.</summary>
    public DateOnly Start { get; init; }

    /// <summary>The Monday from which on it does not run any more; null while it does.</summary>
    public DateOnly? Until { get; set; }

    public int Version { get; set; }

    public IList<ProgrammeWaitRow> Waits { get; } = [];
}

/// <summary>A week in which a run waits for one student.</summary>
public sealed class ProgrammeWaitRow
{
    public Guid AcademyId { get; init; }

    public Guid RunId { get; init; }

    public Guid StudentId { get; init; }

    public DateOnly Monday { get; init; }
}

internal sealed class ProgrammeMappings
    : IEntityTypeConfiguration<ProgrammeRow>,
        IEntityTypeConfiguration<ProgrammeRunRow>,
        IEntityTypeConfiguration<ProgrammeWaitRow>
{
    internal static DocumentFormat<Programme> Format { get; } = new("programme") { IsReadAgain = true };

    public void Configure(EntityTypeBuilder<ProgrammeRow> builder)
    {
        builder.ToTable("programmes");
        builder.HasKey(p => new { p.AcademyId, p.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(p => p.AcademyId);
        builder.Property(p => p.Name).HasMaxLength(PlanRules.LongestTitle);
        builder.Property(p => p.GoalMeasure).HasMaxLength(PlanRules.LongestTitle);
        builder.Property(p => p.Document).IsDocument(Format);
        builder.Property(p => p.Version).IsConcurrencyToken();
    }

    public void Configure(EntityTypeBuilder<ProgrammeRunRow> builder)
    {
        builder.ToTable("programme_runs");
        builder.HasKey(r => new { r.AcademyId, r.Id });
        builder.HasOne<ProgrammeRow>().WithMany().HasForeignKey(r => new { r.AcademyId, r.ProgrammeId });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(r => new { r.AcademyId, r.StudentId });
        // A squad that is gone for good takes its runs along; what was set and published stays.
        builder
            .HasOne<SquadRow>()
            .WithMany()
            .HasForeignKey(r => new { r.AcademyId, r.SquadId })
            .HasAnnotation(MorningRoundDb.GoesWithParent, true)
            .OnDelete(DeleteBehavior.Cascade);
        builder.Property(r => r.Version).IsConcurrencyToken();
        builder.HasIndex(r => new { r.AcademyId, r.StudentId });
        builder.HasIndex(r => new { r.AcademyId, r.SquadId });
    }

    public void Configure(EntityTypeBuilder<ProgrammeWaitRow> builder)
    {
        builder.ToTable("programme_waits");
        builder.HasKey(w => new
        {
            w.AcademyId,
            w.RunId,
            w.StudentId,
            w.Monday,
        });
        builder
            .HasOne<ProgrammeRunRow>()
            .WithMany(r => r.Waits)
            .HasForeignKey(w => new { w.AcademyId, w.RunId })
            .HasAnnotation(MorningRoundDb.GoesWithParent, true);
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(w => new { w.AcademyId, w.StudentId });
    }
}

internal static class ProgrammeSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<ProgrammeRow> Programmes => db.Set<ProgrammeRow>();

        public DbSet<ProgrammeRunRow> ProgrammeRuns => db.Set<ProgrammeRunRow>();

        public DbSet<ProgrammeWaitRow> ProgrammeWaits => db.Set<ProgrammeWaitRow>();
    }

    /// <summary>The run as one student takes part in it.</summary>
    /// <param name="row">The row.</param>
    /// <param name="joinedOn">The day the student came into the squad; null where it runs for the student alone.</param>
    /// <param name="waits">The Mondays on which it waited for the student.</param>
    public static ProgrammeRun For(this ProgrammeRunRow row, DateOnly? joinedOn, IReadOnlyList<DateOnly> waits)
    {
        var start = IsoWeek.Of(row.Start);
        var joined = joinedOn is { } day ? IsoWeek.Of(day) : start;
        return new ProgrammeRun
        {
            Start = start,
            From = joined > start ? joined : start,
            Until = row.Until is { } until ? IsoWeek.Of(until) : null,
            Waits = [.. waits.Select(IsoWeek.Of)],
        };
    }
}
