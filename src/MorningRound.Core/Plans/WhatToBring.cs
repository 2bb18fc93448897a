using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans;

/// <summary>What a student brings to a session, or buys there.</summary>
/// <param name="Clubs">The clubs that are named, the longest first; empty where none are, or where all are brought.</param>
/// <param name="Equipment">What its drills and segments need, each once; what the place has is not left out.</param>
/// <param name="BallsToBuy">Range balls; 0 where none are hit on a range.</param>
/// <param name="Water">Whether to bring something to drink: it lasts long, or has a pause.</param>
/// <param name="WholeBag">Whether all clubs are brought: holes offer whatever the shot asks for.</param>
public sealed record WhatToBring(
    IReadOnlyList<Club> Clubs,
    IReadOnlyList<Equipment> Equipment,
    int BallsToBuy,
    bool Water,
    bool WholeBag = false
)
{
    /// <summary>From so many minutes on one drinks in between. The product's own number.</summary>
    private const int ThirstyFrom = 45;

    /// <summary>What a plan asks for.</summary>
    public static WhatToBring Of(SessionPlan plan)
    {
        var practice = plan.Practice().ToList();
        var playsHoles = practice.Any(s => s.Play is not null);
        return new WhatToBring(
            playsHoles ? [] : [.. practice.SelectMany(s => s.Clubs.Concat(s.Parts.SelectMany(p => p.Clubs))).Distinct().Order()],
            [.. practice.SelectMany(s => (s.Drill?.Drill.Equipment.Select(e => e.Item) ?? []).Concat(s.Aids)).Distinct().Order()],
            practice.Where(s => s.Place.BallsAreBought()).Sum(s => s.Balls),
            plan.Segments.Sum(s => s.Minutes) >= ThirstyFrom || plan.Segments.OfType<Pause>().Any(),
            playsHoles
        );
    }

    /// <summary>Where most of a plan is done, by minutes; null for one without practice.</summary>
    public static PlaceKind? MainPlace(SessionPlan plan) =>
        plan.Practice()
            .GroupBy(s => s.Place)
            .OrderByDescending(g => g.Sum(s => s.Minutes))
            .Select(g => (PlaceKind?)g.Key)
            .FirstOrDefault();
}
