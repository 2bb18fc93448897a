using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Which drill fits a part best, and the segment made of it.</summary>
internal sealed partial class DraftInProgress
{
    private const int LeastSegment = 4;
    private const int MostSegment = 30;
    private const int LongestWhole = 90;
    private const int ShortSession = 20;

    private void Fill(Slot slot)
    {
        var left = slot.Minutes;
        while (left > 0)
        {
            if (Best(slot) is not { } found)
            {
                ExtendOr(slot, left);
                return;
            }

            var (shelved, place) = found;
            var usual = Math.Clamp(shelved.Drill.UsualMinutes, LeastSegment, MostSegment);
            // A swing change and a card are one stretch, however long; anything else changes after half an hour at most.
            var isWhole = IsSlow(shelved.Drill, slot) || (slot.Phase == Phase.OnCourse && shelved.Drill.Protocol is Repetitions);
            var most = isWhole ? LongestWhole : MostSegment;
            var minutes =
                isWhole ? Math.Min(left, most)
                : left <= usual * 1.6 && left <= most ? left
                : Math.Min(most, left - usual < LeastSegment ? left : (int)(usual * 1.3));
            if (left - minutes is > 0 and < LeastSegment)
                minutes = left;
            Add(ToSegment(shelved, slot, place, minutes), Reason(shelved, slot, place));
            _used.Add(shelved.Id);
            left -= minutes;
        }
    }

    /// <summary>With no drill left, what is there of this part already gets longer; where there is nothing, it is said.</summary>
    private void ExtendOr(Slot slot, int left)
    {
        var index = _segments.FindLastIndex(s =>
            s is PracticeSegment p && p.Phase == slot.Phase && p.Intent == slot.Intent && p.Phase != Phase.WarmUp
        );
        if (index < 0)
            index = _segments.FindLastIndex(s => s is PracticeSegment { Phase: not Phase.WarmUp });
        if (index >= 0 && _segments[index] is PracticeSegment longer)
        {
            var minutes = Math.Min(longer.Minutes + left, LongestWhole);
            _segments[index] = Resized(longer, minutes);
        }

        if (_segments.OfType<PracticeSegment>().Any(s => s.Phase == slot.Phase && s.Intent == slot.Intent))
            return;
        var why =
            _context.Hurt.Count > 0
            && _shelf.Any(s => !_used.Contains(s.Id) && Places().Any(place => Fits(s.Drill, slot, place, isHurtForgotten: true)))
                ? DraftSentences.AllThatFitsHurts.Of(_context.Hurt)
                : DraftSentences.NothingFits.Of(Words(_request.Places), _request.Balls);
        var elsewhere = Enum.GetValues<PlaceKind>()
            .Except(_request.Places)
            .Where(place => _shelf.Any(s => !_used.Contains(s.Id) && Fits(s.Drill, slot, place)))
            .ToList();
        Compromise(
            slot.Phase,
            elsewhere.Count > 0
                ? DraftSentences.NoPartForButElsewhere.Of(Said(slot.Phase), slot.Intent, why, Words(elsewhere))
                : DraftSentences.NoPartFor.Of(Said(slot.Phase), slot.Intent, why)
        );
    }

    /// <summary>A short session stays in one place: walking would eat it up.</summary>
    private IReadOnlyList<PlaceKind> Places() => _request.Minutes < ShortSession ? [_main] : _request.Places;

    /// <summary>The drill that fits a part best, and where; null where nothing fits.</summary>
    private (ShelvedDrill Drill, PlaceKind Place)? Best(Slot slot)
    {
        (ShelvedDrill, PlaceKind)? best = null;
        var bestScore = double.MinValue;
        foreach (var shelved in _shelf.OrderBy(s => s.Id))
        {
            if (_used.Contains(shelved.Id))
                continue;
            foreach (var place in Places())
            {
                if (!Fits(shelved.Drill, slot, place))
                    continue;
                var score = Score(shelved, slot, place);
                if (score <= bestScore)
                    continue;
                (best, bestScore) = ((shelved, place), score);
            }
        }

        return best;
    }

    private bool Fits(Drill drill, Slot slot, PlaceKind place, bool isHurtForgotten = false)
    {
        if (!drill.Phases.Contains(slot.Phase) || !drill.Intents.Contains(slot.Intent) || !drill.Places.Contains(place))
            return false;
        if (drill.UsualBalls > 0 && place.BallsAreBought() && _request.Balls < 10)
            return false;
        if (_main != PlaceKind.Range && place == PlaceKind.Range && !_request.WarmedUpBefore && drill.Swing == SwingSize.Full)
            return false;
        if (drill.Equipment.Any(e => !e.IsMetBy(item => Has(item, place))))
            return false;
        if (!isHurtForgotten && _context.Hurt.Any(h => drill.LoadOn(h.Part, h.Side) is { } load && h.Forbids(load)))
            return false;
        if (ClubsFor(drill, slot, place).Count == 0 && drill.ClubGroup is ClubGroup.Driver)
            return false;
        if (IsSlow(drill, slot) && _context.Season == Season.CompetitionWeek)
            return false;
        if (drill.CountsTowardsSwingChange && drill.UsualBalls < 0.6 * drill.UsualMinutes && !IsSlow(drill, slot))
            return false;
        if (drill.Skill == "pace" && _context.Season == Season.CompetitionWeek)
            return false;
        if (
            drill.Drawing is SetUpDrawing.Sticks or SetUpDrawing.Gate
            && OnlyMats(place)
            && drill.Equipment.Any(e => e.Item == Equipment.AlignmentSticks && e.Substitute.Length == 0)
        )
            return false;
        return WhatLacks(drill, place) is null;
    }

    /// <summary>What the student's file lacks for it; null without a student, whose numbers come later.</summary>
    private string? WhatLacks(Drill drill, PlaceKind place) =>
        _context.Student is null ? null : drill.ProtocolAt(0).For(_context.PlayerAt(place)).WhatIsMissing();

    private bool OnlyMats(PlaceKind place)
    {
        var grounds = _context.Places.Where(p => p.Place.Kind == place).ToList();
        return grounds.Count > 0 && grounds.All(g => g.Place.Surface is RangeSurface.Mat or RangeSurface.IndoorBay);
    }

    private bool Has(Equipment item, PlaceKind place) =>
        _context.Student is not { } student
        || student.Own.Equipment.Contains(item)
        || _context.Places.Any(p => p.Place.Kind == place && p.Place.Equipment.Contains(item));

    private double Score(ShelvedDrill shelved, Slot slot, PlaceKind place)
    {
        var drill = shelved.Drill;
        var score = 0.0;
        if (_request.Pinned.Contains(shelved.Id))
            score += 1000;
        if (drill.Area == _area)
            score += 40;
        else if (Near(drill.Area, _area))
            score += 20;
        if (place == _main)
            score += 25;
        if (_request.Recent.Contains(shelved.Id))
            score -= 30;
        if (slot.Phase != Phase.Block && drill.Skill == _blockSkill && _blockSkill.Length > 0)
            score += 12;
        if (slot.Intent == Intent.Technique && AidFits(drill))
            score += 15;
        if (IsSlow(drill, slot))
            score += 60;
        if (
            _approach == Approach.Sharpen
            && slot.Intent == Intent.Skill
            && slot.Phase == Phase.Block
            && drill.Skill == "start line"
        )
            score += 90;
        if (_approach == Approach.Sharpen && slot.Phase == Phase.Random && drill.Area == Area.Wedge)
            score += 45;
        if (_context.Level == Level.New && drill.Protocol is Repetitions or MakeRate or Streak)
            score += 6;
        if (
            _context.Level >= Level.SingleFigure
            && drill.Protocol is CarryGrid or Window or CalledShots or ParGame or ProximityLevels
        )
            score += 6;
        // Others of equal worth take turns from draft to draft.
        return score + (8 * _random.NextDouble() * (_request.Variant == 0 ? 0.1 : 3));
    }

    /// <summary>
    /// The aid that fits the fault: eye line and mirror, path and rail, face and gate. Common practice, no source.
    /// </summary>
    private bool AidFits(Drill drill)
    {
        var fault = _context.Student?.Coach.Focus.Fault ?? "";
        bool Says(string word) => fault.Contains(word, StringComparison.OrdinalIgnoreCase);
        return (Says("eye") && drill.Equipment.Any(e => e.Item == Equipment.Mirror))
            || (Says("path") && drill.Equipment.Any(e => e.Item is Equipment.AlignmentSticks))
            || (Says("face") && drill.Drawing == SetUpDrawing.Gate)
            || (Says("low point") && drill.Skill == "low point");
    }

    private bool IsSlow(Drill drill, Slot slot) =>
        _approach == Approach.SlowBuild && slot.Intent == Intent.Technique && drill.CountsTowardsSwingChange;

    private PracticeSegment ToSegment(ShelvedDrill shelved, Slot slot, PlaceKind place, int minutes)
    {
        var drill = shelved.Drill;
        var isSlow = IsSlow(drill, slot) && drill.UsualBalls < 0.6 * drill.UsualMinutes;
        var rung = drill.BeginningRung(_context.Level);
        var isHoles = slot.Phase == Phase.OnCourse && drill.Protocol is Repetitions && place == PlaceKind.Range;
        var segment = new PracticeSegment
        {
            Id = NextId(),
            Title = drill.Name,
            Minutes = minutes,
            Phase = slot.Phase,
            Intent = slot.Intent,
            Area = drill.Area,
            Place = place,
            Clubs = ClubsFor(drill, slot, place),
            Cue = drill.Cues.Count > 0 ? drill.Cues[0] : "",
            Feedback = drill.Feedback ?? (slot.Intent == Intent.Technique ? FeedbackSource.OwnFeel : null),
            Focus = slot.Intent == Intent.Technique ? FocusWords() : "",
            SlowRepetitions = isSlow,
            FullRoutine = slot.Phase == Phase.OnCourse,
            Holes = isHoles ? HolesIn(minutes) : null,
            Exit = new AfterMinutes(),
            Balls = drill.UsualBalls == 0 ? 0 : 1,
            Priority =
                slot.Phase == Phase.Block ? 2
                : slot.Intent == Intent.Performance ? 1
                : 2,
            Drill = new PlannedDrill
            {
                DrillId = shelved.Id,
                Drill = drill,
                Rung = rung,
                Goal = drill.UsualGoal(rung),
            },
        };
        if (slot.Phase == Phase.Block)
        {
            (_blockSkill, _blockCriterion) = (drill.Skill, drill.Criterion);
        }
        else if (drill.Skill == _blockSkill && _blockCriterion != drill.Criterion)
        {
            segment = segment with { Criterion = _blockCriterion };
        }

        return segment with
        {
            Balls = BallsFor(segment),
        };
    }

    private IReadOnlyList<Club> ClubsFor(Drill drill, Slot slot, PlaceKind place)
    {
        var bag = _context.Student?.Coach.Bag.Select(b => b.Club).ToList() ?? [];
        var usable = WarmUps.Usable(bag, Forbidden(place));
        Club[] wanted = drill.ClubGroup switch
        {
            ClubGroup.None => [],
            ClubGroup.Putter => [Club.Putter],
            ClubGroup.Wedges => [Club.PitchingWedge, Club.GapWedge, Club.SandWedge, Club.LobWedge],
            ClubGroup.ShortIrons => [Club.Iron8, Club.Iron9],
            ClubGroup.MidIrons => [Club.Iron6, Club.Iron7],
            ClubGroup.LongIronsAndHybrids => [Club.Hybrid, Club.Iron4, Club.Iron5],
            ClubGroup.Woods => [Club.Wood3, Club.Wood5],
            ClubGroup.Driver => [Club.Driver, Club.Wood3],
            _ => drill.Area switch
            {
                Area.Putting => [Club.Putter],
                Area.Chip or Area.Pitch or Area.Bunker => [Club.SandWedge, Club.PitchingWedge],
                Area.Wedge => [Club.PitchingWedge, Club.SandWedge],
                Area.Body or Area.Mind => [],
                Area.Driver => [Club.Driver, Club.Iron7, Club.PitchingWedge],
                _ => slot.Phase == Phase.Block ? [Club.Iron7] : [Club.Iron7, Club.Iron9, Club.Hybrid],
            },
        };
        return [.. wanted.Where(usable.Contains)];
    }

    private IReadOnlyCollection<Club> Forbidden(PlaceKind place = PlaceKind.Range)
    {
        var grounds = _context.Places.Where(p => p.Place.Kind == place).ToList();
        return grounds.Count == 0
            ? []
            : [.. grounds[0].Place.ForbiddenClubs.Where(c => grounds.All(g => g.Place.ForbiddenClubs.Contains(c)))];
    }

    private string FocusWords() => _context.Student?.Coach.Focus.Goal is { Length: > 0 } goal ? goal : "Keep it going";

    private static PlaceKind[] SuitedPlaces(Area area) =>
        area switch
        {
            Area.Putting => [PlaceKind.PuttingGreen, PlaceKind.Home],
            Area.Chip => [PlaceKind.ChippingGreen, PlaceKind.Home],
            Area.Pitch => [PlaceKind.ChippingGreen, PlaceKind.Range],
            Area.Bunker => [PlaceKind.Bunker],
            Area.Body or Area.Mind => [PlaceKind.Home, PlaceKind.Range, PlaceKind.PuttingGreen, PlaceKind.ChippingGreen],
            _ => [PlaceKind.Range],
        };

    /// <summary>
    /// The area asked for; else a weakness the student believes in that the places allow; else what the first place is for.
    /// </summary>
    private static Area AreaFor(DraftRequest request, PlanContext context)
    {
        if (request.Area is { } asked)
            return asked;
        var weak = context
            .Student?.Own.BelievedWeaknesses.Cast<Area?>()
            .FirstOrDefault(a => SuitedPlaces(a!.Value).Contains(request.Places[0]));
        return weak
            ?? request.Places[0] switch
            {
                PlaceKind.PuttingGreen or PlaceKind.Home => Area.Putting,
                PlaceKind.ChippingGreen => Area.Chip,
                PlaceKind.Bunker => Area.Bunker,
                _ => Area.Iron,
            };
    }

    private static bool Near(Area a, Area b) => Group(a) == Group(b);

    private static int Group(Area area) =>
        area switch
        {
            Area.Putting => 0,
            Area.Chip or Area.Pitch or Area.Bunker or Area.Wedge => 1,
            Area.Iron or Area.Wood or Area.Driver => 2,
            _ => 3,
        };
}
