using MorningRound.Core.Plans;

namespace MorningRound.Core.Programmes;

/// <summary>Says what is different in a session of a programme from one week to the next.</summary>
public static class ProgrammeWords
{
    /// <summary>What changed, a few words each; empty where nothing did.</summary>
    /// <param name="before">The session of the week before.</param>
    /// <param name="now">The session of this week, of the same plan.</param>
    public static IReadOnlyList<string> Changed(SessionPlan before, SessionPlan now)
    {
        var were = before.Segments.ToDictionary(s => s.Id);
        var said = new List<string>();
        foreach (var segment in now.Segments)
        {
            if (
                segment is not PracticeSegment { Drill: { } drill }
                || were.GetValueOrDefault(segment.Id) is not PracticeSegment { Drill: { } was }
            )
                continue;
            if (drill.Rung != was.Rung)
                said.Add(
                    $"“{drill.Drill.Name}” {(drill.Rung > was.Rung ? "up" : "down")} to “{drill.Drill.Ladder[drill.Rung].Name}”"
                );
            if (drill.Goal is { } goal && drill.Rung == was.Rung && goal != was.Goal)
                said.Add($"“{drill.Drill.Name}”: {drill.Protocol().InWords(goal)}");
        }

        var (longer, shorter) = (Minutes(now), Minutes(before));
        if (longer != shorter)
            said.Add($"{longer} min instead of {shorter}");
        return said;
    }

    private static int Minutes(SessionPlan plan) => plan.Segments.Sum(s => s.Minutes);
}
