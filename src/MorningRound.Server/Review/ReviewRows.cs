using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Review;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Review;

/// <summary>What a student's last results add up to, kept so that a squad can be looked at without reading results.</summary>
public sealed class StandingRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public required Standing Document { get; set; }
}

/// <summary>A stop of the walk in one week: who stands there now, and whether the student was seen.</summary>
public sealed class ReviewStopRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public DateOnly Monday { get; init; }

    /// <summary>The coach who is looking; null where nobody is.</summary>
    public Guid? HeldBy { get; set; }

    public DateTimeOffset? HeldAt { get; set; }

    public Guid? SeenBy { get; set; }

    public DateTimeOffset? SeenAt { get; set; }

    /// <summary>The score at that moment: whoever presses more by now is not seen any more.</summary>
    public int SeenScore { get; set; }
}

/// <summary>What a coach did with a suggestion.</summary>
public enum Decision
{
    /// <summary>Taken as it was suggested.</summary>
    Taken,

    /// <summary>Left: the drill stays as it is.</summary>
    Left,

    /// <summary>Something else was taken.</summary>
    Other,
}

/// <summary>A decision about one suggestion for a week.</summary>
public sealed class SuggestionDecisionRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>The week that is planned.</summary>
    public DateOnly Monday { get; init; }

    public required string SuggestionId { get; init; }

    public Decision Decision { get; set; }

    /// <summary>What was taken; null where it was left.</summary>
    public WeekChange? Change { get; set; }

    public Guid DecidedBy { get; set; }

    public DateTimeOffset DecidedAt { get; set; }
}

internal sealed class ReviewMappings
    : IEntityTypeConfiguration<StandingRow>,
        IEntityTypeConfiguration<ReviewStopRow>,
        IEntityTypeConfiguration<SuggestionDecisionRow>
{
    /// <summary>A share of four weeks that does not say of which is not known any more a week later.</summary>
    private static JsonNode WithoutUndatedShare(JsonNode content)
    {
        content.AsObject().Remove("doneShare");
        return content;
    }

    /// <summary>
    /// Counts of drills did not say when the drills were last practised: by the week in which they were counted at the latest.
    /// And a goal whose day was past when it was worked out said so in its text, which is said when it is read.
    /// </summary>
    private static JsonNode WithDatedTrends(JsonNode content)
    {
        const string Overdue = " Past due date.";
        var standing = content.AsObject();
        if (standing["goal"]?["text"]?.GetValue<string>() is { } text && text.EndsWith(Overdue, StringComparison.Ordinal))
            standing["goal"]!["text"] = text[..^Overdue.Length];
        var (judged, better) = (Count("judgedDrills"), Count("betterDrills"));
        standing["trends"] = new JsonArray([
            .. Enumerable
                .Range(0, judged)
                .Select(n => new JsonObject { ["lastOn"] = standing["monday"]!.DeepClone(), ["isBetter"] = n < better }),
        ]);
        return standing;

        int Count(string name) => standing.Remove(name, out var count) ? count!.GetValue<int>() : 0;
    }

    internal static DocumentFormat<Standing> StandingFormat { get; } =
        new("standing", WithoutUndatedShare, WithDatedTrends) { IsReadAgain = true };

    internal static DocumentFormat<WeekChange> ChangeFormat { get; } = new("week-change");

    public void Configure(EntityTypeBuilder<StandingRow> builder)
    {
        builder.ToTable("student_standings");
        builder.HasKey(s => new { s.AcademyId, s.StudentId });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(s => new { s.AcademyId, s.StudentId });
        builder.Property(s => s.Document).IsDocument(StandingFormat);
    }

    public void Configure(EntityTypeBuilder<ReviewStopRow> builder)
    {
        builder.ToTable("review_stops");
        builder.HasKey(s => new
        {
            s.AcademyId,
            s.StudentId,
            s.Monday,
        });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(s => new { s.AcademyId, s.StudentId });
        builder.HasOne<Account>().WithMany().HasForeignKey(s => s.HeldBy);
        builder.HasOne<Account>().WithMany().HasForeignKey(s => s.SeenBy);
    }

    public void Configure(EntityTypeBuilder<SuggestionDecisionRow> builder)
    {
        builder.ToTable("suggestion_decisions");
        builder.HasKey(d => new
        {
            d.AcademyId,
            d.StudentId,
            d.Monday,
            d.SuggestionId,
        });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(d => new { d.AcademyId, d.StudentId });
        builder.HasOne<Account>().WithMany().HasForeignKey(d => d.DecidedBy);
        builder.Property(d => d.SuggestionId).HasMaxLength(120);
        builder.Property(d => d.Change!).IsDocument(ChangeFormat);
    }
}

internal static class ReviewSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<StandingRow> Standings => db.Set<StandingRow>();

        public DbSet<ReviewStopRow> ReviewStops => db.Set<ReviewStopRow>();

        public DbSet<SuggestionDecisionRow> SuggestionDecisions => db.Set<SuggestionDecisionRow>();
    }
}
