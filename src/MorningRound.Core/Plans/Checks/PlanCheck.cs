using MorningRound.Core.Golf;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Checks;

/// <summary>One rule: what it can find, how much that weighs, and how it looks for it.</summary>
internal sealed record PlanRule(FindingId Id, FindingLevel Level, Func<PlanInput, IEnumerable<RuleHit>> Find);

/// <summary>What a rule found, before it has an id and a level.</summary>
/// <param name="SegmentId">The segment; null for the plan as a whole.</param>
/// <param name="Why">Why, as one plain sentence.</param>
/// <param name="Fix">What mending would do, in a few words; null where nothing can be offered.</param>
/// <param name="Mend">The mended plan. It never leaves out a segment.</param>
internal sealed record RuleHit(Guid? SegmentId, Message Why, Message? Fix = null, Func<SessionPlan>? Mend = null)
{
    /// <summary>How much this one weighs, where that is not what the rule usually weighs.</summary>
    public FindingLevel? Level { get; init; }
}

/// <summary>
/// Looks a plan over and says what a coach would want to know. Pure and quick: it runs at every keystroke. A fix is only offered
/// where the mended plan is better and no finding heavier than the mended one comes of it, so that applying what is
/// offered always comes to an end.
/// </summary>
public static class PlanCheck
{
    private static readonly PlanRule[] Rules =
    [
        .. PurposeRules.All,
        .. BudgetRules.All,
        .. WarmUpRules.All,
        .. BalanceRules.All,
        .. TechniqueRules.All,
        .. PaceRules.All,
        .. RandomRules.All,
        .. GroundRules.All,
        .. CareRules.All,
        .. DoseRules.All,
    ];

    /// <summary>
    /// Every finding, the heaviest first, otherwise in the order of the plan. Empty for a plan with nothing to say about.
    /// </summary>
    public static IReadOnlyList<Finding> Run(SessionPlan plan, PlanContext context)
    {
        var found = FindAll(plan, context);
        var before = Weight.Of(found);
        return
        [
            .. found.Select(f =>
                f.Mend is { } mend && Weight.Of(FindAll(mend(), context)).IsBetterThan(before, f.Level)
                    ? f
                    : f with
                    {
                        FixMessage = null,
                        Mend = null,
                    }
            ),
        ];
    }

    /// <summary>
    /// Every finding for a plan that several students are to practise: what holds for anybody comes with its fix; what holds for
    /// some of them names them, and is left to the coach, because what helps one may not help another.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="anybody">What holds whoever practises it.</param>
    /// <param name="squad">The students, each with what is known of them.</param>
    public static IReadOnlyList<Finding> RunForSquad(
        SessionPlan plan,
        PlanContext anybody,
        IReadOnlyList<(string Name, PlanContext Context)> squad
    )
    {
        var common = Run(plan, anybody);
        var some = squad
            .SelectMany(student => FindAll(plan, student.Context).Select(found => (student.Name, Found: found)))
            .Where(f => !common.Any(c => c.Id == f.Found.Id && c.SegmentId == f.Found.SegmentId))
            .GroupBy(f => (f.Found.Id, f.Found.SegmentId, f.Found.Message))
            .Select(g =>
                g.First().Found with
                {
                    Message = CheckSentences.SomeOfSquad.Of(string.Join(", ", g.Select(f => f.Name)), g.Key.Message),
                    FixMessage = null,
                    Mend = null,
                }
            );
        return [.. common.Concat(some).OrderByDescending(f => f.Level)];
    }

    /// <summary>
    /// The plan with one finding's fix applied; the plan as it was when that finding is not there or has no fix. No segment is
    /// ever left out, and no finding of a higher level comes of it.
    /// </summary>
    public static SessionPlan Fix(SessionPlan plan, PlanContext context, FindingId id, Guid? segmentId) =>
        Run(plan, context).FirstOrDefault(f => f.Id == id && f.SegmentId == segmentId)?.Mend?.Invoke() ?? plan;

    /// <summary>Whether nothing stands in the way of publishing.</summary>
    public static bool CanPublish(IEnumerable<Finding> findings) => findings.All(f => f.Level != FindingLevel.Stop);

    /// <summary>How many findings one rule has.</summary>
    internal static int Count(PlanInput input, FindingId id) => Rules.Single(r => r.Id == id).Find(input).Count();

    /// <summary>All findings without asking whether a fix makes things better.</summary>
    internal static List<Finding> FindAll(SessionPlan plan, PlanContext context)
    {
        var input = new PlanInput(plan, context);
        var findings = new List<Finding>();
        foreach (var rule in Rules)
        {
            foreach (var found in rule.Find(input))
            {
                var level = found.Level ?? rule.Level;
                findings.Add(
                    new Finding
                    {
                        Id = rule.Id,
                        Level = level,
                        SegmentId = found.SegmentId,
                        Message = found.Why,
                        FixMessage = found.Fix,
                        Mend = found.Mend,
                        OverruledBecause =
                            level == FindingLevel.Stop
                                ? null
                                : plan
                                    .Overruled.FirstOrDefault(o => o.Finding == rule.Id && o.SegmentId == found.SegmentId)
                                    ?.Reason,
                    }
                );
            }
        }

        return [.. findings.OrderByDescending(f => f.Level).ThenBy(f => input.IndexOf(f.SegmentId)).ThenBy(f => f.Id)];
    }

    /// <summary>How many findings there are of each level.</summary>
    private readonly record struct Weight(int Stops, int Cautions, int Advice, int Notes)
    {
        public static Weight Of(List<Finding> findings) =>
            new(
                findings.Count(f => f.Level == FindingLevel.Stop),
                findings.Count(f => f.Level == FindingLevel.Caution),
                findings.Count(f => f.Level == FindingLevel.Advice),
                findings.Count(f => f.Level == FindingLevel.Note)
            );

        /// <summary>
        /// Lighter, one stop outweighing any number of cautions and so on down, and with nothing more above a level.
        /// </summary>
        public bool IsBetterThan(Weight other, FindingLevel level) =>
            (Stops, Cautions, Advice, Notes).CompareTo((other.Stops, other.Cautions, other.Advice, other.Notes)) < 0
            && (level >= FindingLevel.Stop || Stops <= other.Stops)
            && (level >= FindingLevel.Caution || Cautions <= other.Cautions)
            && (level >= FindingLevel.Advice || Advice <= other.Advice);
    }
}
