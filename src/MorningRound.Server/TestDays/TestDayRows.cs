using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.TestDays;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;

namespace MorningRound.Server.TestDays;

/// <summary>A test day. What is done on it is the plan of the same id.</summary>
public sealed class TestDayRow : IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Name { get; set; }

    public int EveryWeeks { get; set; }

    public DateOnly FirstDay { get; set; }

    public required Guid[] Students { get; set; }

    /// <summary>Set when it was taken off the list; its sessions and results stay.</summary>
    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }

    public TestDay ToTestDay() =>
        new()
        {
            Name = Name,
            EveryWeeks = EveryWeeks,
            FirstDay = FirstDay,
            Students = Students,
        };
}

internal sealed class TestDayMapping : IEntityTypeConfiguration<TestDayRow>
{
    public void Configure(EntityTypeBuilder<TestDayRow> builder)
    {
        builder.ToTable("test_days");
        builder.HasKey(t => new { t.AcademyId, t.Id });
        builder.HasOne<PlanRow>().WithOne().HasForeignKey<TestDayRow>(t => new { t.AcademyId, t.Id });
        builder.Property(t => t.Name).HasMaxLength(TestDay.LongestName);
        builder.Property(t => t.Version).IsConcurrencyToken();
    }
}

internal static class TestDaySets
{
    extension(MorningRoundDb db)
    {
        public DbSet<TestDayRow> TestDays => db.Set<TestDayRow>();
    }
}
