using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>What a draft is about, and what decided it.</summary>
/// <param name="Area">The area.</param>
/// <param name="Why">What decided.</param>
/// <param name="IsSet">
/// Whether somebody asked for it or set it as the focus: then two thirds of the practice belong to it and its neighbours.
/// </param>
internal sealed record DraftArea(Area Area, Message Why, bool IsSet)
{
    /// <summary>Results of an area from which on they say something. The product's own number.</summary>
    private const int FewestResults = 3;

    /// <summary>From this shortfall on an area is said to lose. The product's own number.</summary>
    private const double LeastShortfall = 0.1;

    private static readonly (Area, Area)[] Pairs =
    [
        (Area.Putting, Area.Chip),
        (Area.Chip, Area.Pitch),
        (Area.Chip, Area.Bunker),
        (Area.Pitch, Area.Bunker),
        (Area.Pitch, Area.Wedge),
        (Area.Wedge, Area.Iron),
        (Area.Iron, Area.Wood),
        (Area.Wood, Area.Driver),
    ];

    /// <summary>Whether two areas lie next to each other in the game. Mind counts with whatever it serves.</summary>
    public static bool AreNeighbours(Area a, Area b) =>
        a == b || a == Area.Mind || b == Area.Mind || Pairs.Contains((a, b)) || Pairs.Contains((b, a));

    /// <summary>
    /// The first that the places allow and that spares what hurts: what was asked for, the coach's focus, where rounds lose
    /// most, where results do, what is believed weak, what was not done lately, what the first place is for. Whoever is coming
    /// back from something begins with the wedges, and with the long clubs only where a coach says so.
    /// </summary>
    public static DraftArea Of(DraftRequest request, PlanContext context)
    {
        if (request.Area is { } asked)
        {
            var there = InBag(asked, context);
            return new DraftArea(
                there,
                there == asked
                    ? DraftSentences.AskedFor.Of(Named(asked))
                    : DraftSentences.NotInBag.Of(asked == Area.Driver ? "driver" : "wood or hybrid", Named(there)),
                IsSet: true
            );
        }
        // The head and the body serve whatever else is practised: they are no area to choose, only one to ask for.
        bool IsPossible(Area area) =>
            area is not (Area.Mind or Area.Body)
            && IsThere(area, request)
            && !SwingLoads.Of(SwingOf(area)).Any(l => context.Hurt.Any(h => l.Touches(h.Part, h.Side) && h.Forbids(l.Weight)));

        var comesBack = DoseRules.IsComingBack(context);
        bool IsChosen(Area area) => IsPossible(area) && !(comesBack && area is (Area.Driver or Area.Wood));
        var focus = context.Student?.Coach.Focus;
        if (focus?.Area is { } set && (IsPossible(set) || (set is Area.Mind or Area.Body && IsThere(set, request))))
            return new DraftArea(
                set,
                focus.Skill.Length > 0
                    ? DraftSentences.FocusSkill.Of(Named(set), focus.Skill)
                    : DraftSentences.FocusArea.Of(Named(set)),
                IsSet: true
            );
        var inRounds = context
            .Lost?.Areas()
            .Select(l => ((Area Area, double Strokes)?)(l.Area, l.Strokes))
            .FirstOrDefault(l => IsChosen(l!.Value.Area));
        if (inRounds is { } round)
            return new DraftArea(
                round.Area,
                DraftSentences.RoundsLose.Of(Named(round.Area), round.Strokes, context.Lost!.Rounds),
                IsSet: false
            );
        var lost = context
            .Losses.Where(l => l.Results >= FewestResults && l.Shortfall >= LeastShortfall && IsChosen(l.Area))
            .OrderByDescending(l => l.Shortfall)
            .FirstOrDefault();
        if (lost is not null)
            return new DraftArea(
                lost.Area,
                DraftSentences.LosesMost.Of(Named(lost.Area), (int)Math.Round(100 * lost.Shortfall), lost.Results),
                IsSet: false
            );
        if (
            context.Student?.DebriefedBefore(context.Day) is { } last
            && last.DidNotHold.Cast<Area?>().FirstOrDefault(a => IsChosen(a!.Value)) is { } gave
        )
            return new DraftArea(gave, DraftSentences.DidNotHold.Of(Named(gave), last.Name), IsSet: false);
        var weak = context.Student?.Own.BelievedWeaknesses.Cast<Area?>().FirstOrDefault(a => IsChosen(a!.Value));
        if (weak is { } believed)
            return new DraftArea(believed, DraftSentences.BelievedWeak.Of(Named(believed)), IsSet: false);
        Area[] usual = [.. UsualOf(request.Places[0]).Where(IsChosen).OrderBy(a => comesBack && a == Area.Iron)];
        if (usual.Length == 0)
            usual = [.. request.Places.SelectMany(UsualOf).Where(IsChosen)];
        var fresh = usual.Cast<Area?>().FirstOrDefault(a => !context.RecentAreas.Contains(a!.Value));
        return fresh is { } other && context.RecentAreas.Count > 0
            ? new DraftArea(other, DraftSentences.NotLately.Of(Named(other)), IsSet: false)
            : new DraftArea(
                usual.Length > 0 ? usual[0] : UsualOf(request.Places[0])[0],
                DraftSentences.WhatThePlaceIsFor.Of(),
                IsSet: false
            );
    }

    /// <summary>
    /// Whether an area can be practised at all with what was answered: on a ground for it, and on a range with balls.
    /// </summary>
    public static bool IsThere(Area area, DraftRequest request) =>
        request.Places.Any(p =>
            SuitedPlaces(area).Contains(p)
            && (p != PlaceKind.Range || request.Balls >= LeastBalls || area is Area.Body or Area.Mind)
        );

    /// <summary>With fewer range balls there is nothing to practise on a range. The product's own number.</summary>
    public const int LeastBalls = 10;

    /// <summary>Whether the area is short game, in which long clubs have no place.</summary>
    public bool IsShortGame => Area is Area.Putting or Area.Chip or Area.Pitch or Area.Bunker;

    /// <summary>The kinds of ground an area is practised on, the usual one first.</summary>
    public static PlaceKind[] SuitedPlaces(Area area) =>
        area switch
        {
            Area.Putting => [PlaceKind.PuttingGreen, PlaceKind.Home, PlaceKind.Course],
            Area.Chip => [PlaceKind.ChippingGreen, PlaceKind.Home, PlaceKind.Course],
            Area.Pitch => [PlaceKind.ChippingGreen, PlaceKind.Range, PlaceKind.Course],
            Area.Bunker => [PlaceKind.Bunker],
            Area.Body or Area.Mind =>
            [
                PlaceKind.Home,
                PlaceKind.Range,
                PlaceKind.PuttingGreen,
                PlaceKind.ChippingGreen,
                PlaceKind.Course,
            ],
            _ => [PlaceKind.Range, PlaceKind.Home, PlaceKind.Course],
        };

    /// <summary>An area as it is called in a sentence.</summary>
    public static string Named(Area area) =>
        area switch
        {
            Area.Chip => "chipping",
            Area.Pitch => "pitching",
            Area.Bunker => "bunker play",
            Area.Wedge => "the wedges",
            Area.Iron => "the irons",
            Area.Wood => "woods and hybrids",
            Area.Driver => "the driver",
            Area.Body => "the body",
            Area.Mind => "the head",
            _ => "putting",
        };

    /// <summary>An area for which the bag has a club: without a driver the woods, without those the irons.</summary>
    private static Area InBag(Area area, PlanContext context)
    {
        var bag = context.Student?.Coach.Bag.Select(b => b.Club).ToList() ?? [];
        if (bag.Count == 0)
            return area;
        if (area == Area.Driver && !bag.Contains(Club.Driver))
            area = Area.Wood;
        return area == Area.Wood && !bag.Exists(c => c is > Club.Driver and <= Club.Hybrid) ? Area.Iron : area;
    }

    private static Area[] UsualOf(PlaceKind place) =>
        place switch
        {
            PlaceKind.PuttingGreen => [Area.Putting],
            PlaceKind.Home => [Area.Putting, Area.Iron, Area.Chip],
            PlaceKind.ChippingGreen => [Area.Chip, Area.Pitch],
            PlaceKind.Bunker => [Area.Bunker],
            PlaceKind.Course => [Area.Iron],
            _ => [Area.Iron, Area.Wedge, Area.Driver, Area.Wood],
        };

    /// <summary>The smallest swing an area can be practised with.</summary>
    private static SwingSize? SwingOf(Area area) =>
        area switch
        {
            Area.Body or Area.Mind => null,
            Area.Putting => SwingSize.Putt,
            Area.Chip => SwingSize.Chip,
            Area.Pitch or Area.Bunker => SwingSize.Half,
            _ => SwingSize.Full,
        };
}
