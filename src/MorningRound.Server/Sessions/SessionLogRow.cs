using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>
/// One log of an assignment. Its entries are the record; the reading beside them is what the core makes of them, kept so that
/// a squad can be looked at without walking every entry.
/// </summary>
public sealed class SessionLogRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public Guid StudentId { get; init; }

    public Guid AssignmentId { get; init; }

    /// <summary>Who keeps it; none in logs from before that was noted.</summary>
    public Guid? AccountId { get; init; }

    /// <summary>The log another device had begun and this one goes on from; none where it began by itself.</summary>
    public Guid? ContinuesLogId { get; init; }

    /// <summary>The last entry of that log that counts for this one too; 0 where it began by itself. Its own entries are numbered from the next on.</summary>
    public int ContinuesSequence { get; init; }

    /// <summary>Whether a time of it had to be put right, because the phone's clock was off.</summary>
    public bool ClockWasOff { get; set; }

    /// <summary>The day it was begun, by the academy's clock.</summary>
    public DateOnly Day { get; set; }

    public DateTimeOffset? FinishedAt { get; set; }

    public int LastSequence { get; set; }

    /// <summary>Whether it says anything of pain or of feeling unwell.</summary>
    public bool HasPain { get; set; }

    /// <summary>The one thing to look at first next time, where it was a lesson and one was agreed; none otherwise.</summary>
    public string? Checkpoint { get; set; }

    public required SessionLog Reading { get; set; }
}

/// <summary>What a log gave of one drill, so that comparable times can be found without reading every log.</summary>
public sealed class DrillResultRow
{
    public Guid AcademyId { get; init; }

    public Guid LogId { get; init; }

    public Guid SegmentId { get; init; }

    public Guid StudentId { get; init; }

    /// <summary>Results with equal keys are comparable.</summary>
    public required string ComparabilityKey { get; set; }

    public DateOnly Day { get; set; }

    /// <summary>The result without the numbers it was made of; those are in the log's entries.</summary>
    public required ProtocolResult Document { get; set; }
}

public sealed class SessionEntryRow
{
    public Guid AcademyId { get; init; }

    public Guid LogId { get; init; }

    public int Sequence { get; init; }

    /// <summary>Seconds its time was moved by to put it right. The document stays as the phone sent it.</summary>
    public long ClockShift { get; init; }

    public required SessionEntry Document { get; init; }

    /// <summary>The entry at its right time.</summary>
    public SessionEntry PutRight() => PhoneClock.PutRight(Document, ClockShift);
}

/// <summary>An entry that came under a number another entry already had. Kept for a person to look at, never read into a log.</summary>
public sealed class EntryConflictRow
{
    public Guid Id { get; init; }

    public Guid AcademyId { get; init; }

    public Guid LogId { get; init; }

    public int Sequence { get; init; }

    public DateTimeOffset ReceivedAt { get; init; }

    public required SessionEntry Document { get; init; }
}

internal sealed class SessionLogMappings :
    IEntityTypeConfiguration<SessionLogRow>, IEntityTypeConfiguration<SessionEntryRow>, IEntityTypeConfiguration<EntryConflictRow>,
    IEntityTypeConfiguration<DrillResultRow>
{
    public void Configure(EntityTypeBuilder<DrillResultRow> builder)
    {
        builder.ToTable("drill_results");
        builder.HasKey(r => new { r.AcademyId, r.LogId, r.SegmentId });
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(r => new { r.AcademyId, r.LogId });
        builder.Property(r => r.ComparabilityKey).HasMaxLength(32);
        builder.Property(r => r.Document).IsDocument();
        builder.HasIndex(r => new { r.AcademyId, r.StudentId, r.ComparabilityKey, r.Day });
    }

    public void Configure(EntityTypeBuilder<SessionLogRow> builder)
    {
        builder.ToTable("session_logs");
        builder.HasKey(l => new { l.AcademyId, l.Id });
        builder.HasOne<AssignmentRow>().WithMany(a => a.Logs).HasForeignKey(l => new { l.AcademyId, l.AssignmentId });
        builder.Property(l => l.Reading).IsDocument();
        builder.Property(l => l.Checkpoint).HasMaxLength(PlanRules.LongestSentence);
        builder.HasIndex(l => new { l.AcademyId, l.StudentId, l.Day });
        builder.HasIndex(l => new { l.AcademyId, l.StudentId }, "IX_session_logs_with_pain").HasFilter("\"HasPain\"");
    }

    public void Configure(EntityTypeBuilder<SessionEntryRow> builder)
    {
        builder.ToTable("session_entries");
        builder.HasKey(e => new { e.AcademyId, e.LogId, e.Sequence });
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(e => new { e.AcademyId, e.LogId });
        builder.Property(e => e.Document).IsDocument();
    }

    public void Configure(EntityTypeBuilder<EntryConflictRow> builder)
    {
        builder.ToTable("session_entry_conflicts");
        builder.HasOne<SessionLogRow>().WithMany().HasForeignKey(e => new { e.AcademyId, e.LogId });
        builder.Property(e => e.Document).IsDocument();
    }
}
