using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>What a draft says: its title and purpose, why each segment is there, and what kept it from being whole.</summary>
internal sealed partial class DraftInProgress
{
    /// <summary>
    /// What the practice is about: what it began from where that is a third of it, or half of it is holes with those clubs; else
    /// what most of it is.
    /// </summary>
    private Area MainArea()
    {
        var practice = Practised().ToList();
        int MinutesOf(Func<PracticeSegment, bool> isOf) => practice.Where(isOf).Sum(s => s.Minutes);
        var all = MinutesOf(_ => true);
        if (
            3 * MinutesOf(s => s.Area == _about.Area) >= all
            || (!_about.IsShortGame && 2 * MinutesOf(s => s.Holes is not null || s.Area == _about.Area) >= all)
        )
            return _about.Area;
        return practice
                .Where(s => s.Area is not null and not Area.Mind)
                .GroupBy(s => s.Area!.Value)
                .OrderByDescending(g => g.Sum(s => s.Minutes))
                .FirstOrDefault()
                ?.Key
            ?? _about.Area;
    }

    private IEnumerable<PracticeSegment> Practised() => _segments.OfType<PracticeSegment>().Where(s => s.Phase != Phase.WarmUp);

    private string Title()
    {
        var skills = Practised()
            .Where(s => s.Area == MainArea())
            .GroupBy(s => s.EffectiveSkill)
            .OrderByDescending(g => g.Sum(s => s.Minutes))
            .Select(g => g.Key)
            .Where(s => s.Length > 0)
            .Take(2)
            .ToList();
        var name = Capital(TitleOf(MainArea()));
        return skills.Count == 0
            ? $"{name}, {_request.Minutes} min"
            : $"{name}: {string.Join(" and ", skills)}, {_request.Minutes} min";
    }

    /// <summary>
    /// In the words of the area. The coach's focus where the plan works on it; its number only where the plan measures it.
    /// </summary>
    private string Purpose()
    {
        var area = MainArea();
        if (_approach == Approach.Sharpen)
            return $"Take {DraftArea.Named(area)} along as {(IsPlural(area) ? "they are" : "it is")}, and touch nothing";
        var focus = _context.Student?.Coach.Focus;
        var practice = _segments.OfType<PracticeSegment>().ToList();
        // The focus is the purpose where the plan is about it and some part works on it; its number only where it is measured.
        if (
            focus?.Goal.Length > 0
            && (focus.Area is null || focus.Area == area)
            && practice.Any(s => s.Focus == focus.AimInWords())
        )
        {
            var isMeasured =
                focus.Quantity is { } quantity
                && practice.Any(s => s.Drill?.Drill.Protocol is MeasuredShots measured && measured.What == quantity.What);
            if (isMeasured || (focus.Quantity is null && !focus.Goal.Any(char.IsDigit)))
                return focus.AimInWords();
            if (focus.Skill.Length > 0)
                return $"{Capital(focus.Skill)}: first where it is seen, then where it counts";
        }

        return PurposeOf(area);
    }

    private string PurposeOf(Area area) =>
        _approach == Approach.PlayIt
            ? $"Play, with one ball and a card, and see what {DraftArea.Named(area)} "
                + $"{(IsPlural(area) ? "are" : "is")} worth today"
            : area switch
            {
                Area.Putting => "Start putts on the line and give them one pace",
                Area.Chip => "Land the chip where you look, and leave a putt you hole",
                Area.Pitch => "Repeat a pitch before you change it",
                Area.Bunker => "Out with the first, then close",
                Area.Wedge => "Know the number, and hit it with the first ball",
                Area.Iron => "Start the iron where you look, and keep it when the club changes",
                Area.Wood => "Meet the long clubs clean, and use them at something",
                Area.Driver => "Stand to the driver the same way, and find fairways that change",
                Area.Body => "Move better before anything is hit",
                _ => "Keep the routine when it matters",
            };

    /// <summary>
    /// One that the plan counts, of what it is about: the goal of the last part that has one, in the order of the climb, and
    /// rather of strokes than of reading. Holes where nothing of the area has a goal.
    /// </summary>
    private string SuccessTest()
    {
        var goals = Practised().Where(s => s.Drill?.Goal is not null).ToList();
        var focus = _context.Student?.Coach.Focus;
        var own = goals.FindAll(s => s.Area == MainArea());
        var holes = _segments.OfType<PracticeSegment>().LastOrDefault(s => s.Holes is not null);
        var asked =
            own.FindLast(s => s.EffectiveSkill == focus?.Skill)
            ?? own.FindLast(s => s.Balls > 0)
            ?? own.LastOrDefault()
            ?? (holes is null ? goals.LastOrDefault() : null);
        if (asked?.Drill is { Goal: { } goal } planned)
            return $"{asked.Title}: {planned.Protocol().InWords(goal)}";
        return holes?.Holes switch
        {
            null => "Every repetition was looked at before the next",
            1 => "The hole is finished with one ball",
            2 => "Both holes are finished with one ball",
            var all => $"All {all} holes are finished with one ball",
        };
    }

    private Message Reason(ShelvedDrill shelved, Slot slot)
    {
        var drill = shelved.Drill;
        var focus = _context.Student?.Coach.Focus;
        var why =
            _request.Pinned.Contains(shelved.Id) ? DraftSentences.Pinned.Of()
            : slot.Only is { } only ? DraftSentences.OtherPlace.Of(only)
            : focus?.Area == drill.Area && focus.Skill.Length > 0 && drill.Skill == focus.Skill
                ? DraftSentences.IsTheFocus.Of(focus.Skill)
            : slot.Phase != Phase.Block && drill.Skill == _blockSkill && drill.Area == _about.Area
                ? DraftSentences.SameSkillChanging.Of(drill.Skill)
            : slot.Intent == Intent.Technique && AidFits(drill)
                ? DraftSentences.FitsTheFault.Of(_context.Student!.Coach.Focus.Fault)
            : drill.Area == _about.Area ? (_isAreaSaid ? DraftSentences.ForTheSkill.Of(drill.Skill) : _about.Why)
            : IsHoles(drill) ? DraftSentences.HolesUseTheClubs.Of()
            : drill.Area == Area.Mind ? DraftSentences.ForTheHead.Of()
            : !IsForeign(drill) ? DraftSentences.NextTo.Of(DraftArea.Named(drill.Area), DraftArea.Named(_about.Area))
            : DraftSentences.ForAChange.Of(DraftArea.Named(drill.Area));
        _isAreaSaid |= drill.Area == _about.Area;
        if (_request.Recent.Contains(shelved.Id))
            why = DraftSentences.Both.Of(why, DraftSentences.AgainLately.Of());
        return slot.Only is null ? DraftSentences.Both.Of(SlotWhy(slot, drill), why) : why;
    }

    private bool _isAreaSaid;

    /// <summary>Why the part is there; what is only true of some drills is said of those.</summary>
    private Message SlotWhy(Slot slot, Drill drill)
    {
        if (slot.IsInstead)
            return DraftSentences.InsteadOfHoles.Of();
        if (slot.Phase == Phase.OnCourse && !IsHoles(drill) && drill.Protocol is not (ParGame or UpAndDown))
            return DraftSentences.OneThatCounts.Of();
        if (_approach == Approach.SlowBuild && slot.Phase == Phase.Block && drill.Area != _context.Student?.Coach.Focus.Area)
            return DraftSentences.TechniqueSlowly.Of();
        if (slot.Phase == Phase.Random && drill.UsualBalls == 0)
            return DraftSentences.ChangesEachTime.Of();
        if (_approach != Approach.Sharpen)
            return slot.Why;
        return (slot.Phase, slot.Intent, drill) switch
        {
            (Phase.Random, _, { Area: Area.Wedge }) => slot.Why,
            (Phase.Random, _, _) => DraftSentences.ChangesWithoutHurry.Of(),
            (_, Intent.Skill, { Skill: not "start line" }) => DraftSentences.SameShotToTrust.Of(),
            _ => slot.Why,
        };
    }

    /// <summary>
    /// Notes what kept the draft from being whole, and the phase it concerns; null for the plan as a whole.
    /// </summary>
    private void Compromise(Phase? about, Message message) => _compromises.Add((about, message));

    private void NameWhatIsMissing(SessionPlan plan)
    {
        foreach (var phase in new[] { Phase.WarmUp, Phase.Random, Phase.OnCourse })
        {
            if (plan.Practice().Any(s => s.Phase == phase) || _compromises.Any(c => c.About == phase))
                continue;
            Compromise(
                phase,
                phase == Phase.WarmUp ? DraftSentences.NoRoomForWarmUp.Of()
                    : !_asked.Contains(phase)
                        ? DraftSentences.ApproachAsksForNone.Of(
                            Said(phase),
                            Approaches.All.Single(s => s.Approach == _approach).Name
                        )
                    : DraftSentences.NoPart.Of(Said(phase), Words(_request.Places))
            );
        }

        if (DoseRules.Who(_context) is { } who && plan.Practice().Any(s => DoseRules.FullSwings(s) > 0))
            Compromise(null, DraftSentences.DoseSaid.Of(MostFullSwings(), who.Of(), DoseRules.MinutesWithoutPause));
        var walks = new PlanInput(plan, _context).WalkMinutes;
        var unfilled = _request.Minutes - plan.Segments.Sum(s => s.Minutes) - walks;
        if (unfilled * 10 > _request.Minutes)
            Compromise(
                null,
                _request.Places.Contains(PlaceKind.Range) && _ballsLeft < DraftArea.LeastBalls
                    ? DraftSentences.UnfilledWithoutBalls.Of(unfilled, _request.Balls)
                    : DraftSentences.Unfilled.Of(unfilled, Words(_request.Places))
            );
        foreach (var found in PlanCheck.Run(plan, _context).Where(f => f.Level > FindingLevel.Note && f.Id != FindingId.Minor))
            Compromise(null, DraftSentences.NotPutRight.Of(found.Message));
    }

    private static string Said(Phase phase) =>
        phase switch
        {
            Phase.WarmUp => "warm-up",
            Phase.OnCourse => "on-course",
            _ => phase.ToString().ToLowerInvariant(),
        };

    private static string Words(IEnumerable<PlaceKind> places) =>
        string.Join(
            " and ",
            places.Select(p =>
                p switch
                {
                    PlaceKind.PuttingGreen => "the putting green",
                    PlaceKind.ChippingGreen => "the chipping green",
                    PlaceKind.Home => "home",
                    _ => $"the {p.ToString().ToLowerInvariant()}",
                }
            )
        );

    /// <summary>A ground as one is on it: "on the range", "at home".</summary>
    internal static string At(PlaceKind place) => place == PlaceKind.Home ? "at home" : $"on {Words([place])}";

    private static string TitleOf(Area area) =>
        area switch
        {
            Area.Chip => "chipping",
            Area.Pitch => "pitching",
            Area.Bunker => "bunker",
            Area.Wedge => "wedges",
            Area.Iron => "irons",
            Area.Wood => "woods and hybrids",
            Area.Mind => "a calm head",
            _ => area.ToString().ToLowerInvariant(),
        };

    private static bool IsPlural(Area area) => area is Area.Wedge or Area.Iron or Area.Wood;

    private static string Capital(string text) => text.Length == 0 ? text : $"{char.ToUpperInvariant(text[0])}{text[1..]}";
}
