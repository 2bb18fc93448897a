using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>
/// Drafts a whole plan from a few answers and the shelf: a warm-up, then the parts the approach asks for, each filled with drills
/// that fit student, place, equipment, level and season, with pauses and walks between. The same answers give the same draft.
/// Whatever keeps it from being whole is named.
/// </summary>
public static class PlanDraft
{
    /// <summary>How many tries there are to find a draft that differs enough.</summary>
    private const int MostTries = 12;

    /// <summary>Drills in which another draft differs, while the shelf allows.</summary>
    private const int LeastDifference = 2;

    /// <summary>
    /// The draft. Another number differs in at least two drills from all before it, as long as the shelf allows, and never gives
    /// the same plan again. Throws <see cref="ArgumentException"/> for answers that <see cref="DraftRequest.Check"/> finds
    /// something wrong with.
    /// </summary>
    /// <param name="request">The answers.</param>
    /// <param name="context">Who and where it is for.</param>
    /// <param name="shelf">The drills there are.</param>
    public static Drafted Of(DraftRequest request, PlanContext context, IReadOnlyList<ShelvedDrill> shelf)
    {
        if (request.Check().Count > 0)
            throw new ArgumentException("The answers are not complete.", nameof(request));
        // Drills are gone through often; what can never fit is left out once.
        var possible = shelf
            .Where(s =>
                request.Pinned.Contains(s.Id)
                || (
                    s.Drill.Places.Any(request.Places.Contains)
                    && s.Drill.Suits(context.Level, context.Student?.Coach.Age ?? AgeBand.Adult)
                )
            )
            .OrderBy(s => s.Id)
            .ToList();
        var distinct = new List<(Drafted Draft, HashSet<Guid> Drills)>();
        var used = new Dictionary<Guid, int>();
        while (distinct.Count < request.Variant + 2 && Next(request, context, possible, distinct, used) is { } next)
        {
            distinct.Add(next);
            foreach (var id in next.Drills)
                used[id] = used.GetValueOrDefault(id) + 1;
            if (next.Draft.Plan is null)
                break;
        }

        var chosen = distinct[Math.Min(request.Variant, distinct.Count - 1)].Draft;
        return chosen.Plan is null
            ? chosen with
            {
                Offers = OffersElsewhere(request, context, shelf),
            }
            : chosen with
            {
                HasMoreVariants = distinct.Count > request.Variant + 1,
            };
    }

    /// <summary>
    /// What several students can do together: the clubs and the things they all have, the level and the care of whoever needs
    /// most of it, everybody's pain.
    /// </summary>
    public static PlanContext Together(IReadOnlyList<PlanContext> students)
    {
        if (students.Count == 0)
            throw new ArgumentException("Nobody is named.", nameof(students));
        if (students.Count == 1)
            return students[0];
        var files = students.Select(s => s.Student ?? new Students.StudentFile()).ToList();
        var bags = files.Select(f => f.Coach.Bag).Where(b => b.Count > 0).ToList();
        return students[0] with
        {
            Level = students.Min(s => s.Level),
            Hurt = [.. students.SelectMany(s => s.Hurt).OrderBy(h => h.Mild).DistinctBy(h => (h.Part, h.Side))],
            Load = null,
            LastPractised = students.Select(s => s.LastPractised).Min(),
            Losses = [],
            Lost = null,
            RecentAreas = [],
            Student = files[0] with
            {
                Own = files[0].Own with
                {
                    Equipment = [.. files[0].Own.Equipment.Where(e => files.All(f => f.Own.Equipment.Contains(e)))],
                    BelievedWeaknesses =
                    [
                        .. files[0].Own.BelievedWeaknesses.Where(a => files.All(f => f.Own.BelievedWeaknesses.Contains(a))),
                    ],
                    DislikedClubs = [],
                    DislikedSides = [],
                    Competitions = [.. files.SelectMany(f => f.Own.Competitions)],
                },
                Coach = files[0].Coach with
                {
                    Age = files.Select(f => f.Coach.Age).OrderBy(Care).First(),
                    Focus = new Students.FocusChain(),
                    SetUpBasics = [],
                    Bag = bags.Count == 0 ? [] : [.. bags[0].Where(b => bags.All(other => other.Any(o => o.Club == b.Club)))],
                    WedgeGrid = [],
                    PainfulParts = [.. files.SelectMany(f => f.Coach.PainfulParts)],
                },
            },
        };

        static int Care(AgeBand age) =>
            age switch
            {
                AgeBand.UnderTwelve => 0,
                AgeBand.SixtyAndOver => 1,
                AgeBand.TwelveToSeventeen => 2,
                _ => 3,
            };
    }

    private static (Drafted Draft, HashSet<Guid> Drills)? Next(
        DraftRequest request,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf,
        List<(Drafted Draft, HashSet<Guid> Drills)> before,
        Dictionary<Guid, int> used
    )
    {
        (Drafted, HashSet<Guid>)? second = null;
        for (var attempt = 0; attempt < (before.Count == 0 ? 1 : MostTries); attempt++)
        {
            var drafted = new DraftInProgress(request, context, shelf, used, before.Count + (attempt * 31)).Draft();
            var drills = drafted.Plan?.Practice().Select(s => s.Drill?.DrillId).OfType<Guid>().ToHashSet() ?? [];
            var difference = before.Count == 0 ? LeastDifference : before.Min(b => b.Drills.Except(drills).Count());
            if (difference >= LeastDifference)
                return (drafted, drills);
            if (difference > 0 && second is null)
                second = (drafted, drills);
        }

        return second;
    }

    /// <summary>What was asked for stays, where it can be done there.</summary>
    private static Area? AreaAt(PlaceKind place, DraftRequest request) =>
        request.Area is { } asked && DraftArea.IsThere(asked, request with { Places = [place] }) ? asked : null;

    /// <summary>Other grounds on which something could be drafted, with the same time.</summary>
    private static IReadOnlyList<DraftOffer> OffersElsewhere(
        DraftRequest request,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf
    ) =>
        [
            .. from place in Enum.GetValues<PlaceKind>()
            where
                !request.Places.Contains(place)
                && (place == PlaceKind.Home || context.Places.Count == 0 || context.Places.Any(p => p.Place.Kind == place))
            let other = request with
            {
                Places = [place],
                Area = AreaAt(place, request),
                Variant = 0,
            }
            let drafted = new DraftInProgress(
                other,
                context,
                [
                    .. shelf
                        .Where(s => s.Drill.Suits(context.Level, context.Student?.Coach.Age ?? AgeBand.Adult))
                        .OrderBy(s => s.Id),
                ],
                new Dictionary<Guid, int>(),
                0
            ).Draft()
            where drafted.Plan is not null
            select new DraftOffer(place, DraftSentences.WouldWork.Of(DraftInProgress.At(place), drafted.Plan!.Title).In()),
        ];
}
