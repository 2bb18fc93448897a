using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Plans;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Plans;

public sealed class PlanRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Title { get; set; }

    public required SessionPlan Document { get; set; }

    public DateTimeOffset UpdatedAt { get; set; }

    /// <summary>Set when the plan was taken off the list; what was assigned from it stays.</summary>
    public DateTimeOffset? RemovedAt { get; set; }

    public int Version { get; set; }
}

internal sealed class PlanMapping : IEntityTypeConfiguration<PlanRow>
{
    public void Configure(EntityTypeBuilder<PlanRow> builder)
    {
        builder.ToTable("plans");
        builder.HasKey(p => new { p.AcademyId, p.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(p => p.AcademyId);
        builder.Property(p => p.Title).HasMaxLength(PlanRules.LongestTitle);
        builder.Property(p => p.Document).IsDocument();
        builder.Property(p => p.Version).IsConcurrencyToken();
        builder.HasIndex(p => new { p.AcademyId, p.UpdatedAt });
    }
}
