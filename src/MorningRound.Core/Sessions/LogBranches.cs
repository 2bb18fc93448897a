using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>Logs of one session that two devices kept from a shared start on, read as the one session that it was.</summary>
public static class LogBranches
{
    /// <summary>
    /// One log of several branches: for each segment the fuller branch counts, its shared start included; pain and notes of all
    /// of them stay.
    /// </summary>
    /// <param name="plan">The plan they are logs of.</param>
    /// <param name="branches">At least one; each reads its shared start too.</param>
    public static SessionLog AsOne(SessionPlan plan, IReadOnlyList<SessionLog> branches)
    {
        if (branches.Count == 1)
            return branches[0];
        var ids = branches.SelectMany(b => b.Segments).Select(s => s.SegmentId).Distinct();
        return branches[0] with
        {
            StartedAt = branches.Min(b => b.StartedAt),
            FinishedAt = branches.Max(b => b.FinishedAt),
            Running = null,
            Segments = [.. ids.Select(id => Fullest(plan, id, branches))],
            Pain = [.. branches.SelectMany(b => b.Pain).Distinct().OrderBy(p => p.At)],
            MendedPain = [.. branches.SelectMany(b => b.MendedPain).Distinct()],
            FollowUps = branches.Select(b => b.FollowUps).FirstOrDefault(f => f.Count > 0) ?? [],
            Unwell = branches.Select(b => b.Unwell).FirstOrDefault(u => u is not null),
            Weather = branches.Select(b => b.Weather).FirstOrDefault(w => w is not null),
            Rating = branches.Select(b => b.Rating).Where(r => r is not null).MaxBy(r => r!.At),
            RatedAfterwards = branches.Any(b => b.RatedAfterwards),
            Ready = branches.Select(b => b.Ready).FirstOrDefault(r => r is not null),
            Trim = branches.Select(b => b.Trim).FirstOrDefault(t => t is not null),
            Agreed = branches.Select(b => b.Agreed).LastOrDefault(a => a is not null),
            ClockLeftRunning = branches.Any(b => b.ClockLeftRunning),
        };
    }

    private static SegmentLog Fullest(SessionPlan plan, Guid segmentId, IReadOnlyList<SessionLog> branches)
    {
        var touched = branches.Where(b => b.Segments.Any(s => s.SegmentId == segmentId)).ToList();
        // A pause is nowhere fuller.
        var log = plan.Practice().FirstOrDefault(s => s.Id == segmentId) is { } segment
            ? SessionCompletion.FullestLog(segment, plan, touched)!
            : touched[0];
        return log.Segments.First(s => s.SegmentId == segmentId);
    }
}
