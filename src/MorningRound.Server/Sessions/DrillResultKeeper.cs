using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>Keeps what the drills of a session gave, beside the log they follow from.</summary>
public sealed class DrillResultKeeper(MorningRoundDb db, SessionLogReader reader)
{
    /// <summary>
    /// Keeps what the log's drills give now; a drill whose attempts were all taken back leaves nothing. Of logs that two devices
    /// kept of one session, only the fuller one leaves a result of a segment. Only what changed is written.
    /// </summary>
    public async Task KeepAsync(
        Caller caller,
        SessionLogRow log,
        IReadOnlyList<SessionLogRow> others,
        AssignmentRow assignment,
        IReadOnlyList<PublishedDrill> drills,
        IReadOnlyList<Guid>? onlySegments,
        bool hasBranches,
        CancellationToken cancel
    )
    {
        var read = new List<(SessionLogRow Row, SessionLog Log)> { (log, log.Log) };
        if (hasBranches)
        {
            var rows = await reader.RowsAsync(caller, [log, .. others], cancel);
            read.AddRange(others.Select(other => (other, SessionLog.From(rows[other.Id].Select(r => r.PutRight()), drills))));
        }

        var ids = read.Select(r => r.Row.Id).ToList();
        var before = await db
            .DrillResults.Where(m =>
                m.AcademyId == log.AcademyId
                && ids.Contains(m.LogId)
                && (onlySegments == null || onlySegments.Contains(m.SegmentId))
            )
            .ToDictionaryAsync(m => (m.LogId, m.SegmentId), cancel);
        foreach (var drill in drills.Where(d => onlySegments?.Contains(d.SegmentId) != false))
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
                        ComparabilityKey = drill.ComparabilityKey,
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
        result.Goal is { } goal
        && result.Values.GetValueOrDefault(goal.Measure) is { } value
        && protocol.GoalMeasures.FirstOrDefault(m => m.Name == goal.Measure) is { } kind
            ? AreaLoss.Missing(goal.Limit, kind.Better, value)
            : null;
}
