namespace MorningRound.Core.Plans.Check;

internal static class PurposeRules
{
    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.NoPurpose, FindingLevel.Stop, NoPurpose),
        new(FindingId.NoSuccessTest, FindingLevel.Note, NoSuccessTest),
    ];

    private static IEnumerable<Found> NoPurpose(CheckedPlan seen)
    {
        if (!string.IsNullOrWhiteSpace(seen.Plan.Purpose)) yield break;
        var goal = seen.Context.Student?.Coach.Focus.Goal ?? "";
        yield return goal.Length == 0
            ? new Found(null, "The session has no purpose; time and balls alone mean little.")
            : new Found(null, "The session has no purpose; time and balls alone mean little.", $"Take the student's focus: {goal}", () => seen.Plan with { Purpose = goal });
    }

    private static IEnumerable<Found> NoSuccessTest(CheckedPlan seen)
    {
        if (string.IsNullOrWhiteSpace(seen.Plan.Purpose) || !string.IsNullOrWhiteSpace(seen.Plan.SuccessTest)) yield break;
        const string Why = "There is a purpose, but nothing that would tell whether it was met.";
        var asked = seen.Practice.Where(s => s.Drill?.Goal is not null).Select(s => (s.Drill!.Drill.Name, Goal: s.Drill.Protocol().InWords(s.Drill.Goal!))).LastOrDefault(g => g.Goal.Length > 0);
        yield return asked.Goal is null
            ? new Found(null, Why)
            : new Found(null, Why, $"Take the goal of “{asked.Name}”", () => seen.Plan with { SuccessTest = $"{asked.Name}: {asked.Goal}" });
    }
}
