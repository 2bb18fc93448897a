using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Plans;

/// <summary>Where a plan comes from.</summary>
public enum PlanKind
{
    /// <summary>A coach wrote it.</summary>
    Written,

    /// <summary>It was made of what was agreed in lessons.</summary>
    Homework,

    /// <summary>It is what is done on a test day: nobody changes it any more.</summary>
    TestDay,
}

/// <summary>A plan of an academy.</summary>
public sealed class PlanRow : IRestorableRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required string Title { get; set; }

    public required SessionPlan Document { get; set; }

    /// <summary>What the list shows of it, so that nobody unpacks a plan to draw a line.</summary>
    public required PlanListing Listing { get; set; }

    /// <summary>What it is for, to search in.</summary>
    public required string Purpose { get; set; }

    /// <summary>The areas of the game it is about, to search by.</summary>
    public required string[] Areas { get; set; }

    /// <summary>Minutes of the visit, to order by.</summary>
    public int Minutes { get; set; }

    /// <summary>What the plan is: only what a coach wrote stands in the list of plans.</summary>
    public PlanKind Kind { get; init; }

    public DateTimeOffset UpdatedAt { get; set; }

    /// <summary>Set when the plan was taken off the list; what was assigned from it stays.</summary>
    public DateTimeOffset? RemovedAt { get; set; }

    public Guid? WrittenBy { get; set; }

    public Guid? RemovedBy { get; set; }

    public int Version { get; set; }

    /// <summary>A new plan; its version is 0 until it is saved.</summary>
    public static PlanRow New(Guid academyId, Guid id, SessionPlan plan, DateTimeOffset now, PlanKind kind = PlanKind.Written)
    {
        var row = new PlanRow
        {
            AcademyId = academyId,
            Id = id,
            Title = "",
            Purpose = "",
            Areas = [],
            Document = plan,
            Listing = PlanListing.Of(plan),
            Kind = kind,
        };
        row.Write(plan, now);
        return row;
    }

    /// <summary>Writes a text into the row, with everything that is worked out from it.</summary>
    public void Write(SessionPlan plan, DateTimeOffset now)
    {
        Title = plan.Title;
        Purpose = plan.Purpose;
        Areas = [.. plan.Practice().Select(s => s.EffectiveArea).OfType<Area>().Distinct().Order().Select(a => a.ToString())];
        Document = plan;
        Listing = PlanListing.Of(plan);
        Minutes = Listing.Minutes;
        UpdatedAt = now;
    }
}

/// <summary>A plan as the list shows it.</summary>
public sealed record PlanListing
{
    public required int Minutes { get; init; }

    public required int Balls { get; init; }

    public required int Holes { get; init; }

    public required IReadOnlyList<StripSegment> Strip { get; init; }

    public required bool CanPublish { get; init; }

    public static PlanListing Of(SessionPlan plan)
    {
        var totals = PlanTotals.Of(plan);
        return new PlanListing
        {
            Minutes = totals.Minutes,
            Balls = totals.Balls,
            Holes = totals.Holes,
            Strip = SessionStrip.Planned(plan).InList(),
            CanPublish = PlanRules.ToPublish(plan).Count == 0,
        };
    }
}

/// <summary>That a plan stands, or stood, in a student's weeks. Kept up by whoever puts plans into weeks.</summary>
public sealed class PlanUseRow
{
    public Guid AcademyId { get; init; }

    public Guid PlanId { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>The last day, or the Monday of the last week, it was set for.</summary>
    public DateOnly LastOn { get; set; }
}

internal sealed class PlanMapping : IEntityTypeConfiguration<PlanRow>, IEntityTypeConfiguration<PlanUseRow>
{
    internal static DocumentFormat<SessionPlan> Format { get; } = new("plan") { IsReadAgain = true };

    internal static DocumentFormat<PlanListing> ListingFormat { get; } = new("plan-listing") { IsReadAgain = true };

    public void Configure(EntityTypeBuilder<PlanRow> builder)
    {
        builder.ToTable("plans");
        builder.HasKey(p => new { p.AcademyId, p.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(p => p.AcademyId);
        builder.Property(p => p.Title).HasMaxLength(PlanRules.LongestTitle);
        builder.Property(p => p.Document).IsDocument(Format);
        builder.Property(p => p.Listing).IsDocument(ListingFormat);
        builder.Property(p => p.Version).IsConcurrencyToken();
        builder.Property(p => p.Purpose).HasMaxLength(PlanRules.LongestSentence);
        builder.HasIndex(p => new { p.AcademyId, p.UpdatedAt });
    }

    public void Configure(EntityTypeBuilder<PlanUseRow> builder)
    {
        builder.ToTable("plan_uses");
        builder.HasKey(u => new
        {
            u.AcademyId,
            u.PlanId,
            u.StudentId,
        });
        builder.HasOne<PlanRow>().WithMany().HasForeignKey(u => new { u.AcademyId, u.PlanId });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(u => new { u.AcademyId, u.StudentId });
    }
}

internal static class PlanSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<PlanRow> Plans => db.Set<PlanRow>();

        public DbSet<PlanUseRow> PlanUses => db.Set<PlanUseRow>();
    }
}
