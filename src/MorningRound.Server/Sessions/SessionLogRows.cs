using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>
/// One log of an assignment. Its entries are the record; what the core makes of them is kept beside them, so that a squad can be
/// looked at without walking every entry.
/// </summary>
public sealed class SessionLogRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public Guid StudentId { get; init; }

    public Guid AssignmentId { get; init; }

    /// <summary>Who keeps it.</summary>
    public Guid AccountId { get; init; }

    /// <summary>The log another device had begun and this one goes on from; null where it began by itself.</summary>
    public Guid? ContinuesLogId { get; init; }

    /// <summary>
    /// The last entry of that log that counts for this one too; 0 where it began by itself. Its own entries are numbered from the
    /// next on.
    /// </summary>
    public int ContinuesSequence { get; init; }

    /// <summary>Whether a time of it had to be put right, because the phone's clock was off.</summary>
    public bool ClockWasOff { get; set; }

    /// <summary>The day it was begun, by the academy's clock.</summary>
    public DateOnly Day { get; set; }

    public DateTimeOffset? FinishedAt { get; set; }

    public int LastSequence { get; set; }

    /// <summary>The time of the last entry, put right; null before the first.</summary>
    public DateTimeOffset? LastAt { get; set; }

    /// <summary>Characters of the student's or coach's own words in it, which have a limit together.</summary>
    public int TextLength { get; set; }

    /// <summary>How often what was agreed in a lesson was noted.</summary>
    public int LessonNotes { get; set; }

    /// <summary>Minutes the clock ran.</summary>
    public double Minutes { get; set; }

    /// <summary>Effort as it was rated, 0 to 10; null where it was not.</summary>
    public int? Effort { get; set; }

    /// <summary>How good the student called it, 1 to 10; null where nobody said.</summary>
    public int? Quality { get; set; }

    /// <summary>How confident the student was, 1 to 10; null where nobody said.</summary>
    public int? Confidence { get; set; }

    /// <summary>Whether the student wrote a note with the rating.</summary>
    public bool HasNote { get; set; }

    /// <summary>What it says of pain and of feeling unwell; null where it says nothing.</summary>
    public PainNotes? Pain { get; set; }

    /// <summary>The one thing to look at first next time, where it was a lesson and one was agreed; null otherwise.</summary>
    public string? Checkpoint { get; set; }

    /// <summary>What the entries add up to.</summary>
    public required SessionLog Log { get; set; }

    /// <summary>Writes what the entries add up to, with the columns that follow from it.</summary>
    public void Write(SessionLog log)
    {
        Log = log;
        FinishedAt = log.FinishedAt;
        Minutes = log.Spent.TotalMinutes;
        (Effort, Quality, Confidence) = (log.Rating?.Effort, log.Rating?.Quality, log.Rating?.Confidence);
        HasNote = !string.IsNullOrWhiteSpace(log.Rating?.Note);
        Pain = PainNotes.Of(log);
        Checkpoint = string.IsNullOrWhiteSpace(log.Agreed?.Checkpoint) ? null : log.Agreed.Checkpoint;
    }
}

/// <summary>
/// What a log gave of one drill, in figures, so that comparable times are found, and months looked at, without reading a log.
/// </summary>
public sealed class DrillResultRow
{
    public Guid AcademyId { get; init; }

    public Guid LogId { get; init; }

    public Guid SegmentId { get; init; }

    public Guid StudentId { get; init; }

    public Guid AssignmentId { get; init; }

    public Guid DrillId { get; init; }

    /// <summary>Results with equal keys are comparable.</summary>
    public required string ComparabilityKey { get; init; }

    /// <summary>The day of the log.</summary>
    public DateOnly Day { get; set; }

    /// <summary>The step of the drill's ladder it was done on, from 0.</summary>
    public int Rung { get; init; }

    /// <summary>The part of the game; null where it is all of it, as on holes.</summary>
    public Area? Area { get; init; }

    /// <summary>
    /// How much was missing to what was asked, 0 to 1, 0 where it was met; null where nothing was asked or attempted, and while
    /// warming up.
    /// </summary>
    public double? Shortfall { get; set; }

    /// <summary>The figures.</summary>
    public required KeptResult Document { get; set; }
}

/// <summary>An entry of a log.</summary>
public sealed class SessionEntryRow
{
    public Guid AcademyId { get; init; }

    public Guid LogId { get; init; }

    public int Sequence { get; init; }

    /// <summary>Seconds its time was moved by to put it right. The document stays as the phone sent it.</summary>
    public long ClockShift { get; init; }

    /// <summary>The segment whose drill it is an input of; null for any other entry.</summary>
    public Guid? DrillSegmentId { get; init; }

    public required SessionEntry Document { get; init; }

    /// <summary>The entry at its right time.</summary>
    public SessionEntry PutRight() => PhoneClock.PutRight(Document, ClockShift);
}

/// <summary>
/// An entry that came under a number another entry already had. Kept for a person to look at, never read into a log.
/// </summary>
public sealed class EntryConflictRow
{
    public Guid Id { get; init; }

    public Guid AcademyId { get; init; }

    public Guid LogId { get; init; }

    public int Sequence { get; init; }

    public DateTimeOffset ReceivedAt { get; init; }

    public required SessionEntry Document { get; init; }
}

internal sealed class SessionLogMappings
    : IEntityTypeConfiguration<SessionLogRow>,
        IEntityTypeConfiguration<SessionEntryRow>,
        IEntityTypeConfiguration<EntryConflictRow>,
        IEntityTypeConfiguration<DrillResultRow>
{
    internal static DocumentFormat<SessionLog> Format { get; } = new("session-log");

    internal static DocumentFormat<PainNotes> PainFormat { get; } = new("pain-notes");

    internal static DocumentFormat<SessionEntry> EntryFormat { get; } = new("session-entry");

    internal static DocumentFormat<KeptResult> ResultFormat { get; } = new("kept-result");

    public void Configure(EntityTypeBuilder<DrillResultRow> builder)
    {
        builder.ToTable("drill_results");
        builder.HasKey(r => new
        {
            r.AcademyId,
            r.LogId,
            r.SegmentId,
        });
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(r => new { r.AcademyId, r.LogId });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(r => new { r.AcademyId, r.StudentId });
        builder.Property(r => r.ComparabilityKey).HasMaxLength(32);
        builder.Property(r => r.Document).IsDocument(ResultFormat);
        builder.HasIndex(r => new
        {
            r.AcademyId,
            r.StudentId,
            r.ComparabilityKey,
            r.Day,
        });
        builder.HasIndex(r => new
        {
            r.AcademyId,
            r.StudentId,
            r.Day,
        });
        builder.HasIndex(r => new
        {
            r.AcademyId,
            r.StudentId,
            r.DrillId,
            r.Day,
        });
    }

    public void Configure(EntityTypeBuilder<SessionLogRow> builder)
    {
        builder.ToTable("session_logs");
        builder.HasKey(l => new { l.AcademyId, l.Id });
        builder.HasOne<AssignmentRow>().WithMany(a => a.Logs).HasForeignKey(l => new { l.AcademyId, l.AssignmentId });
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(l => new { l.AcademyId, l.StudentId });
        builder.HasOne<Account>().WithMany().HasForeignKey(l => l.AccountId);
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(l => new { l.AcademyId, l.ContinuesLogId });
        builder.Property(l => l.Log).IsDocument(Format);
        builder.Property(l => l.Pain!).IsDocument(PainFormat);
        builder.Property(l => l.Checkpoint).HasMaxLength(PlanRules.LongestSentence);
        builder.HasIndex(l => new
        {
            l.AcademyId,
            l.StudentId,
            l.Day,
        });
        builder.HasIndex(l => new { l.AcademyId, l.Day });
        builder
            .HasIndex(l => new { l.AcademyId, l.StudentId }, "WithPain")
            .HasDatabaseName("ix_session_logs_with_pain")
            .HasFilter("pain IS NOT NULL");
        builder
            .HasIndex(
                l => new
                {
                    l.AcademyId,
                    l.StudentId,
                    l.Day,
                },
                "WithCheckpoint"
            )
            .HasDatabaseName("ix_session_logs_with_checkpoint")
            .HasFilter("checkpoint IS NOT NULL");
    }

    public void Configure(EntityTypeBuilder<SessionEntryRow> builder)
    {
        builder.ToTable("session_entries");
        builder.HasKey(e => new
        {
            e.AcademyId,
            e.LogId,
            e.Sequence,
        });
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(e => new { e.AcademyId, e.LogId });
        builder.Property(e => e.Document).IsDocument(EntryFormat);
        builder
            .HasIndex(e => new
            {
                e.AcademyId,
                e.LogId,
                e.DrillSegmentId,
            })
            .HasFilter("drill_segment_id IS NOT NULL");
    }

    public void Configure(EntityTypeBuilder<EntryConflictRow> builder)
    {
        builder.ToTable("session_entry_conflicts");
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(e => new { e.AcademyId, e.LogId });
        builder.Property(e => e.Document).IsDocument(EntryFormat);
    }
}

internal static class SessionLogSets
{
    extension(MorningRoundDb db)
    {
        public DbSet<SessionLogRow> SessionLogs => db.Set<SessionLogRow>();

        public DbSet<SessionEntryRow> SessionEntries => db.Set<SessionEntryRow>();

        public DbSet<EntryConflictRow> EntryConflicts => db.Set<EntryConflictRow>();

        public DbSet<DrillResultRow> DrillResults => db.Set<DrillResultRow>();
    }
}
