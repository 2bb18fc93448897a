using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Checks;

internal static class PurposeRules
{
    public static IEnumerable<PlanRule> All { get; } =
    [new(FindingId.NoPurpose, FindingLevel.Stop, NoPurpose), new(FindingId.NoSuccessTest, FindingLevel.Note, NoSuccessTest)];

    private static IEnumerable<RuleHit> NoPurpose(PlanInput input)
    {
        if (!string.IsNullOrWhiteSpace(input.Plan.Purpose))
            yield break;
        var goal = input.Context.Student?.Coach.Focus.AimInWords() ?? "";
        yield return goal.Length == 0
            ? new RuleHit(null, CheckSentences.NoPurpose.Of())
            : new RuleHit(
                null,
                CheckSentences.NoPurpose.Of(),
                CheckSentences.TakeFocus.Of(goal),
                () => input.Plan with { Purpose = goal }
            );
    }

    private static IEnumerable<RuleHit> NoSuccessTest(PlanInput input)
    {
        if (string.IsNullOrWhiteSpace(input.Plan.Purpose) || !string.IsNullOrWhiteSpace(input.Plan.SuccessTest))
            yield break;
        var why = CheckSentences.NoSuccessTest.Of();
        var asked = input
            .Practice.Where(s => s.Drill?.Goal is not null)
            .Select(s => (s.Drill!.Drill.Name, Goal: s.Drill.Protocol().InWords(s.Drill.Goal!)))
            .LastOrDefault(g => g.Goal.Length > 0);
        yield return asked.Goal is null
            ? new RuleHit(null, why)
            : new RuleHit(
                null,
                why,
                CheckSentences.TakeGoal.Of(asked.Name),
                () => input.Plan with { SuccessTest = $"{asked.Name}: {asked.Goal}" }
            );
    }
}
