using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>What some drills of a session have given so far.</summary>
/// <param name="Segments">Which drills.</param>
/// <param name="Rows">Their results, with others perhaps.</param>
public sealed record KnownResults(IReadOnlyList<Guid> Segments, IReadOnlyList<DrillResultRow> Rows);

/// <summary>Keeps what the drills of a session gave, beside the log they follow from.</summary>
public sealed class DrillResultKeeper(MorningRoundDb db, SessionLogReader reader)
{
    /// <summary>
    /// Keeps what the log's drills give now; a drill whose attempts were all taken back leaves nothing. Of logs that two devices
    /// kept of one session, only the fuller one leaves a result of a segment. Only what changed is written.
    /// </summary>
    /// <param name="only">The drills that can have changed; null for all of them, whose results are looked up.</param>
    public async Task KeepAsync(
        Caller caller,
        SessionLogRow log,
        IReadOnlyList<SessionLogRow> others,
        AssignmentRow assignment,
        IReadOnlyList<PublishedDrill> drills,
        KnownResults? only,
        bool hasBranches,
        CancellationToken cancel
    )
    {
        var read = new List<(SessionLogRow Row, SessionLog Log)> { (log, log.Log) };
        if (hasBranches)
        {
            var entries = await reader.RowsAsync(caller, [log, .. others], cancel);
            read.AddRange(others.Select(other => (other, SessionLog.From(entries[other.Id].Select(r => r.PutRight()), drills))));
        }

        var ids = read.Select(r => r.Row.Id).ToList();
        var rows = only is null
            ? await db.DrillResults.Where(m => m.AcademyId == log.AcademyId && ids.Contains(m.LogId)).ToListAsync(cancel)
            : only.Rows.Where(m => ids.Contains(m.LogId) && only.Segments.Contains(m.SegmentId));
        var before = rows.ToDictionary(m => (m.LogId, m.SegmentId));
        foreach (var drill in drills.Where(d => only?.Segments.Contains(d.SegmentId) != false))
        {
            var planned = assignment.Document.Practice().First(s => s.Id == drill.SegmentId);
            var fullest = SessionCompletion.FullestLog(
                planned,
                assignment.Document,
                read.Where(r => SegmentOf(r.Log)?.Result is not null).Select(r => r.Log)
            );
            if (
                fullest is null
                || KeptResult.Of(planned, drill.Protocol, SegmentOf(fullest)!, fullest.Recording) is not { } result
            )
                continue;
            var row = read.First(r => ReferenceEquals(r.Log, fullest)).Row;
            if (!before.Remove((row.Id, drill.SegmentId), out var kept))
            {
                db.DrillResults.Add(
                    kept = new DrillResultRow
                    {
                        AcademyId = row.AcademyId,
                        LogId = row.Id,
                        SegmentId = drill.SegmentId,
                        StudentId = row.StudentId,
                        AssignmentId = row.AssignmentId,
                        DrillId = planned.DrillOrCourseId,
                        ComparabilityKey = drill.ComparabilityKeyFor(planned, fullest.Trim?.Kept),
                        Rung = planned.Drill?.Rung ?? 0,
                        Area = planned.EffectiveArea,
                        Document = result,
                    }
                );
            }

            (kept.Day, kept.Document, kept.Shortfall) = (row.Day, result, ShortfallOf(drill.Protocol, result));

            SegmentLog? SegmentOf(SessionLog of) => of.Segments.FirstOrDefault(s => s.SegmentId == drill.SegmentId);
        }

        db.DrillResults.RemoveRange(before.Values);
    }

    private static double? ShortfallOf(ScoringProtocol protocol, KeptResult result) =>
        !result.NotEnoughAttempts
        && result.Goal is { } goal
        && result.Values.GetValueOrDefault(goal.Measure) is { } value
        && protocol.GoalMeasures.FirstOrDefault(m => m.Name == goal.Measure) is { } kind
            ? AreaLoss.Missing(goal.Limit, kind.Better, value)
            : null;
}
