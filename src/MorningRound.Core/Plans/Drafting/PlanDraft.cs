using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>
/// Drafts a whole plan from a few answers and the shelf: a warm-up, then the parts the approach asks for, each filled with drills
/// that fit place, equipment, level and season, with pauses and walks between. The same answers give the same draft. Whatever
/// keeps it from being whole is named.
/// </summary>
public static class PlanDraft
{
    /// <summary>How many variants are tried in the search for different ones.</summary>
    private const int MostVariants = 40;

    /// <summary>
    /// The draft. Of the same answers, another number never gives the same plan again, as long as there is another. Throws <see
    /// cref="ArgumentException"/> for answers that <see cref="DraftRequest.Check"/> finds something wrong
    /// with.
    /// </summary>
    /// <param name="request">The answers.</param>
    /// <param name="context">Who and where it is for.</param>
    /// <param name="shelf">The drills there are.</param>
    public static Drafted Of(DraftRequest request, PlanContext context, IReadOnlyList<ShelvedDrill> shelf)
    {
        if (request.Check().Count > 0)
            throw new ArgumentException("The answers are not complete.", nameof(request));
        var distinct = new List<Drafted>();
        var seen = new HashSet<string>();
        for (var variant = 0; variant < MostVariants && distinct.Count < request.Variant + 2; variant++)
        {
            var drafted = new DraftInProgress(request with { Variant = variant }, context, shelf).Draft();
            if (seen.Add(Signature(drafted.Plan)))
                distinct.Add(drafted);
        }

        return distinct[Math.Min(request.Variant, distinct.Count - 1)] with
        {
            HasMoreVariants = distinct.Count > request.Variant + 1,
        };
    }

    /// <summary>What makes two drafts the same plan for whoever reads them.</summary>
    private static string Signature(SessionPlan plan) =>
        string.Join(
            '|',
            plan.Segments.Select(s =>
                s is PracticeSegment practice
                    ? $"{practice.Title} {practice.Phase} {practice.Minutes} {practice.Balls} {practice.Drill?.DrillId}"
                    : $"pause {s.Minutes}"
            )
        );
}
