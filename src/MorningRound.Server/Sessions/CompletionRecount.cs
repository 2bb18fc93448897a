using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>
/// Works out anew what was done of sessions that an earlier release worked out by other rules: once, when this one starts. The
/// logs are the record and stay as they are.
/// </summary>
internal static class CompletionRecount
{
    /// <summary>So many sessions are read at a time.</summary>
    private const int Batch = 200;

    /// <summary>Recounts what has to be.</summary>
    /// <returns>How many sessions were recounted.</returns>
    public static async Task<int> RecountAsync(MorningRoundDb db, CancellationToken cancel)
    {
        var recounted = 0;
        while (true)
        {
            var rows = await db
                .Assignments.IgnoreQueryFilters()
                .Where(a => a.CompletionRules < AssignmentColumns.CompletionRules)
                .OrderBy(a => a.AcademyId)
                .ThenBy(a => a.Id)
                .Take(Batch)
                .ToListAsync(cancel);
            if (rows.Count == 0)
                return recounted;
            var ids = rows.Select(a => a.Id).ToList();
            var logs = (await db.SessionLogs.Where(l => ids.Contains(l.AssignmentId)).ToListAsync(cancel)).ToLookup(l =>
                (l.AcademyId, l.AssignmentId)
            );
            var results = await db.DrillResults.Where(r => ids.Contains(r.AssignmentId)).ToListAsync(cancel);
            var byId = rows.ToDictionary(a => (a.AcademyId, a.Id));
            foreach (var row in rows)
                row.Summarize([.. logs[(row.AcademyId, row.Id)]]);
            foreach (var result in results)
            {
                if (byId.GetValueOrDefault((result.AcademyId, result.AssignmentId)) is { } assignment)
                    Recount(result, assignment.Document, logs[(result.AcademyId, result.AssignmentId)]);
            }

            await db.SaveChangesAsync(cancel);
            db.ChangeTracker.Clear();
            recounted += rows.Count;
        }
    }

    /// <summary>A goal that was judged by fewer than half of the attempts is judged no more.</summary>
    private static void Recount(DrillResultRow result, SessionPlan plan, IEnumerable<SessionLogRow> logs)
    {
        if (result.Document.Goal is null || plan.Practice().FirstOrDefault(s => s.Id == result.SegmentId) is not { } segment)
            return;
        var status = logs.FirstOrDefault(l => l.Id == result.LogId)
            ?.Log.Segments.FirstOrDefault(s => s.SegmentId == result.SegmentId)
            ?.ResultStatus;
        if (status is null || SessionCompletion.IsEnoughForGoal(segment, status.Value, result.Document.Attempts))
            return;
        result.Document = result.Document with { GoalMet = null, NotEnoughAttempts = true };
        result.Shortfall = null;
    }
}
