using MorningRound.Core.Drills;
using MorningRound.Core.Plans.Check;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>
/// Drafts a whole plan from a few answers and the shelf: a warm-up, then the parts the approach asks for, each filled with drills
/// that fit place, equipment, level and season, with pauses and walks between. The same answers give the same draft. Whatever
/// keeps it from being whole is named.
/// </summary>
public static class PlanDraft
{
    /// <summary>
    /// The draft. Throws <see cref="ArgumentException"/> for answers that <see cref="DraftRequest.Check"/> finds something wrong
    /// with.
    /// </summary>
    /// <param name="request">The answers.</param>
    /// <param name="context">Who and where it is for.</param>
    /// <param name="shelf">The drills there are.</param>
    public static Drafted Of(DraftRequest request, PlanContext context, IReadOnlyList<ShelvedDrill> shelf)
    {
        if (request.Check().Count > 0) throw new ArgumentException("The answers are not complete.", nameof(request));
        return new DraftInProgress(request, context, shelf).Draft();
    }
}
