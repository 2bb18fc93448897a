using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Which drill fits a part best.</summary>
internal sealed partial class DraftInProgress
{
    private const int LeastSegment = 4;
    private const int MostSegment = 30;
    private const int ShortSession = 20;

    /// <summary>In a shorter visit than this a drill may be only begun.</summary>
    private const int ShortVisit = 40;

    /// <summary>A swing change is one stretch, however long; after so many minutes it is parted.</summary>
    private const int MostSlow = 45;

    /// <summary>What lies about wherever golf is practised, for somebody whose own things are not known.</summary>
    private static readonly Equipment[] Common =
    [
        Equipment.Tees,
        Equipment.Coins,
        Equipment.Towel,
        Equipment.Headcover,
        Equipment.Phone,
        Equipment.Umbrella,
    ];

    /// <summary>Where a part finds no drill, the next best thing it can be.</summary>
    private static readonly Dictionary<(Phase, Intent), (Phase, Intent)[]> Instead = new()
    {
        [(Phase.OnCourse, Intent.Performance)] = [(Phase.Random, Intent.Performance), (Phase.Random, Intent.Skill)],
        [(Phase.Random, Intent.Skill)] = [(Phase.Random, Intent.Performance), (Phase.Block, Intent.Skill)],
        [(Phase.Block, Intent.Technique)] = [(Phase.Block, Intent.Skill)],
        [(Phase.Block, Intent.Skill)] = [(Phase.Block, Intent.Technique), (Phase.Random, Intent.Skill)],
    };

    /// <summary>Fills a part; returns the minutes that nothing was found for.</summary>
    private int Fill(Slot slot)
    {
        var left = slot.Minutes;
        while (left >= LeastSegment)
        {
            if (Best(slot, left) is not { } found)
                return Lengthen(slot, left);

            var (shelved, place, filled) = found;
            var (_, most) = Lengths(shelved.Drill, filled);
            var minutes =
                left <= most ? left
                : left - most < LeastSegment + 2 ? Math.Max(LeastSegment, left - LeastSegment - 2)
                : most;
            var segment = WithinBucket(ToSegment(shelved, filled, place, minutes));
            Add(segment, Reason(shelved, filled));
            if (segment.Place.BallsAreBought())
                _ballsLeft -= segment.Balls;
            if (!IsSlow(shelved.Drill, filled))
                _used.Add(shelved.Id);
            if (IsForeign(shelved.Drill))
                _foreign += segment.Minutes;
            left -= segment.Minutes;
        }

        return Lengthen(slot, left);
    }

    /// <summary>
    /// With no drill left, what is there of this part already gets longer, as far as it bears it. Where there is nothing of
    /// it, it is said. Returns the minutes that are left.
    /// </summary>
    private int Lengthen(Slot slot, int left)
    {
        for (var i = _segments.Count - 1; i >= 0 && left > 0; i--)
        {
            if (_segments[i] is not PracticeSegment { Drill: { } planned } segment || segment.Intent != slot.Intent)
                continue;
            left -= Grow(i, segment, Lengths(planned.Drill, slot).Most, left);
        }

        if (left == 0 || _segments.OfType<PracticeSegment>().Any(s => s.Phase == slot.Phase && s.Intent == slot.Intent))
            return left;
        if (slot.Minutes < LeastSegment)
        {
            Compromise(slot.Phase, DraftSentences.TooShortForPart.Of(Said(slot.Phase)));
            return left;
        }

        var why =
            _context.Hurt.Count > 0
            && _shelf.Any(s =>
                !_used.Contains(s.Id) && Places(slot).Any(p => Fits(s.Drill, slot, p, LongestWhole, isHurtForgotten: true))
            )
                ? DraftSentences.AllThatFitsHurts.Of(_context.Hurt)
                : DraftSentences.NothingFits.Of(Words(_request.Places), _request.Balls);
        Compromise(slot.Phase, DraftSentences.NoPartFor.Of(Said(slot.Phase), slot.Intent, why));
        return left;
    }

    /// <summary>A short session stays in one place: walking would eat it up.</summary>
    private IReadOnlyList<PlaceKind> Places(Slot slot) =>
        slot.Only is { } only ? [only]
        : _request.Minutes < ShortSession ? [_main]
        : _request.Places;

    /// <summary>The drill that fits a part best, where, and as what; null where nothing fits.</summary>
    private (ShelvedDrill Drill, PlaceKind Place, Slot Slot)? Best(Slot slot, int left)
    {
        foreach (
            var (phase, intent) in Instead.GetValueOrDefault((slot.Phase, slot.Intent), []).Prepend((slot.Phase, slot.Intent))
        )
        {
            var tried = slot with
            {
                Phase = phase,
                Intent = intent,
                IsInstead = slot.Phase == Phase.OnCourse && phase != Phase.OnCourse,
            };
            (ShelvedDrill, PlaceKind)? best = null;
            var bestScore = double.MinValue;
            // In a competition's week something new is begun only where there is nothing else for the part.
            var isNothingNew =
                _approach == Approach.Sharpen
                && _request.Known.Count > 0
                && _segments.OfType<PracticeSegment>().Any(s => s.Phase == tried.Phase && s.Intent == tried.Intent);
            foreach (var shelved in _shelf)
            {
                if (
                    (_used.Contains(shelved.Id) && !MayComeAgain(shelved, tried))
                    || (isNothingNew && !_request.Known.Contains(shelved.Id))
                )
                    continue;
                foreach (var place in Places(slot))
                {
                    if (!Fits(shelved.Drill, tried, place, left))
                        continue;
                    var score = Score(shelved, tried, place);
                    if (score <= bestScore)
                        continue;
                    (best, bestScore) = ((shelved, place), score);
                }
            }

            if (best is { } found)
                return (found.Item1, found.Item2, tried);
        }

        return null;
    }

    /// <summary>
    /// What the coach set as the focus may be done again once the shot changes: the same drill counted the same way is what tells
    /// what carries over.
    /// </summary>
    private bool MayComeAgain(ShelvedDrill shelved, Slot slot) =>
        slot.Phase == Phase.Random
        && shelved.Drill.Protocol is MakeRate or MeasuredShots
        && _context.Student?.Coach.Focus is { Skill.Length: > 0 } focus
        && focus.Area == shelved.Drill.Area
        && focus.Skill == shelved.Drill.Skill
        && _segments.OfType<PracticeSegment>().Where(s => s.Drill?.DrillId == shelved.Id).ToList() is [{ Phase: Phase.Block }];

    private bool Fits(Drill drill, Slot slot, PlaceKind place, int left, bool isHurtForgotten = false)
    {
        if (!drill.Phases.Contains(slot.Phase) || !drill.Intents.Contains(slot.Intent) || !drill.Places.Contains(place))
            return false;
        if (drill.Area == Area.Body && _about.Area != Area.Body)
            return false;
        // Without a change under way, or one that is asked for, there is nothing to rehearse.
        if (
            drill.Skill == TheChange
            && _approach != Approach.SlowBuild
            && _context.Student is { Coach.Focus: { Goal.Length: 0, Fault.Length: 0 } }
        )
            return false;
        if (Lengths(drill, slot).Least > left)
            return false;
        if (!isHurtForgotten && _context.Hurt.Any(h => drill.LoadOn(h.Part, h.Side) is { } load && h.Forbids(load)))
            return false;
        if (drill.UsualBalls > 0 && place.BallsAreBought() && _ballsLeft < LeastBalls(drill, slot))
            return false;
        if (drill.Equipment.Any(e => !e.IsMetBy(item => Has(item, place))))
            return false;
        if (IsOutOfPlace(drill))
            return false;
        if (IsForeign(drill) && IsAreaHeld && _foreign + Math.Min(left, drill.UsualMinutes) > _room / 3)
            return false;
        // Nothing warms up for it, or nothing more should be swung in full.
        if (drill.Swing == SwingSize.Full && drill.UsualBalls > 0)
        {
            if (_main != PlaceKind.Range && place == PlaceKind.Range && !_request.WarmedUpBefore)
                return false;
            if (_needsCare && FullSwings() + (drill.UsualBalls / 2) > MostFullSwings())
                return false;
        }

        if (IsSlow(drill, slot) && _context.Season == Season.CompetitionWeek)
            return false;
        if (
            drill.CountsTowardsSwingChange
            && drill.UsualBalls < 0.6 * drill.UsualMinutes
            && drill.UsualBalls > 0
            && !IsSlow(drill, slot)
        )
            return false;
        if (drill.Area == Area.Putting && drill.Skill == "pace" && place == PlaceKind.PuttingGreen && IsAnotherGreen())
            return false;
        var protocol = drill.ProtocolAt(drill.BeginningRung(_context.Level)).For(_context.PlayerAt(place));
        return (_context.Student is null || protocol.WhatIsMissing() is null)
            && (drill.ClubGroup == ClubGroup.None || ClubsFor(drill, protocol, slot, place).Count > 0);
    }

    /// <summary>No long clubs in a plan for the short game, and no woods in one for the wedges.</summary>
    private bool IsOutOfPlace(Drill drill) =>
        _about.IsShortGame
            ? drill.Area is Area.Iron or Area.Wood or Area.Driver
            : _about.Area == Area.Wedge && drill.Area is Area.Wood or Area.Driver && !IsHoles(drill);

    /// <summary>
    /// Whether a drill is neither of the area nor of a neighbour. Holes belong to every area whose clubs they use.
    /// </summary>
    private bool IsForeign(Drill drill) => !DraftArea.AreNeighbours(drill.Area, _about.Area) && !IsHoles(drill);

    private bool IsAreaHeld => _about.IsSet && _approach is not (Approach.Sharpen or Approach.PlayIt);

    private static bool IsHoles(Drill drill) => drill is { Protocol: Repetitions, Phases: [Phase.OnCourse] };

    private int FullSwings() => _segments.OfType<PracticeSegment>().Sum(DoseRules.FullSwings);

    private int MostFullSwings() => Math.Min(DoseRules.MostInSession, DoseRules.MostInHour * Math.Max(60, _request.Minutes) / 60);

    /// <summary>Whether the green here putts so differently from a competition's that pace is better left.</summary>
    private bool IsAnotherGreen()
    {
        // Whoever has arrived putts on the right green.
        if (_near is not null)
            return false;
        var day = _context.Day;
        var near = _context.Student?.Own.Competitions.FirstOrDefault(c =>
            c.GreenSpeedFeet is not null && day <= c.LastDay && day >= c.FirstDay.Plus(-7)
        );
        var here = _context
            .Places.Where(p => p.Place.Kind == PlaceKind.PuttingGreen)
            .Select(p => p.Place.GreenSpeedFeet)
            .FirstOrDefault(f => f is not null);
        return near is null
            ? _context.Season == Season.CompetitionWeek
            : here is { } speed && Math.Abs(speed - near.GreenSpeedFeet!.Value) > 1;
    }

    private bool Has(Equipment item, PlaceKind place) =>
        _context.Places.Any(p => p.Place.Kind == place && p.Place.Equipment.Contains(item))
        || (_context.Student is { } student ? student.Own.Equipment.Contains(item) : Common.Contains(item));

    private double Score(ShelvedDrill shelved, Slot slot, PlaceKind place)
    {
        var drill = shelved.Drill;
        var focus = _context.Student?.Coach.Focus;
        var score = 0.0;
        if (_request.Pinned.Contains(shelved.Id))
            score += 1000;
        if (drill.Area == _about.Area)
            score += 100;
        else if (IsHoles(drill) && !_about.IsShortGame)
            score += 80;
        else if (drill.Area == Area.Mind)
            score += slot.Intent == Intent.Performance ? 30 : -20;
        else if (!IsForeign(drill))
            score += 50;
        if (focus is not null && drill.Area == focus.Area)
        {
            if (focus.Skill.Length > 0 && drill.Skill == focus.Skill)
                score += 45;
            if (focus.Quantity is { } quantity && drill.Protocol is MeasuredShots measured && measured.What == quantity.What)
                score += 60;
        }

        if (_context.Student?.Coach.SetUpBasics.Count > 0 && drill.Skill == "set-up" && slot.Intent == Intent.Technique)
            score += 25;
        if (slot.Intent == Intent.Technique && AidFits(drill))
            score += 30;
        if (_context.Student?.Own.BelievedWeaknesses.Contains(drill.Area) == true)
            score += 8;
        if (place == _main || place == slot.Only)
            score += 25;
        if (_request.Recent.Contains(shelved.Id))
            score -= 45;
        // Another draft is another one, but it does not lose what the coach set.
        score -= (focus?.Skill.Length > 0 && drill.Skill == focus.Skill ? 25 : 70) * _usedBefore.GetValueOrDefault(shelved.Id);
        if (slot.Phase != Phase.Block && drill.Skill == _blockSkill && drill.Area == _blockArea)
            score += 25;
        if (IsSlow(drill, slot))
            score += 90;
        // The first phase and intent of a drill are what it is made for.
        if (drill.Phases[0] == slot.Phase)
            score += 6;
        if (drill.Intents[0] == slot.Intent)
            score += 6;
        if (_approach == Approach.Sharpen)
            score += SharpenScore(shelved, slot);
        if (_needsCare && drill.Swing == SwingSize.Full)
            score -= _comesBack ? 60 : 12;
        // Reading is no proof, and little for somebody who is new to it.
        if (drill is { UsualBalls: 0, Area: Area.Putting })
            score -=
                slot.IsInstead ? 60
                : _context.Level == Level.New ? 30
                : 0;
        // Others of equal worth take turns from draft to draft.
        return score + (8 * _random.NextDouble() * (_variant == 0 ? 0.1 : 2));
    }

    /// <summary>Wedge numbers and the start line of putts; nothing that is not known already.</summary>
    private double SharpenScore(ShelvedDrill shelved, Slot slot)
    {
        var drill = shelved.Drill;
        var score = _request.Known.Count > 0 ? (_request.Known.Contains(shelved.Id) ? 30.0 : -60) : 0;
        if (slot is { Intent: Intent.Skill, Phase: Phase.Block } && drill is { Area: Area.Putting, Skill: "start line" })
            score += 200;
        if (slot.Phase == Phase.Random && drill.Area == Area.Wedge)
            score += 60;
        return score;
    }

    /// <summary>
    /// The aid that fits the fault: eye line and mirror, path and what stands beside it, face and gate. Common practice, no
    /// source.
    /// </summary>
    private bool AidFits(Drill drill)
    {
        var fault = _context.Student?.Coach.Focus.Fault ?? "";
        bool Says(string word) => fault.Contains(word, StringComparison.OrdinalIgnoreCase);
        return (Says("eye") && drill.Equipment.Any(e => e.Item == Equipment.Mirror))
            || (Says("path") && drill.Skill == "path")
            || (Says("face") && (drill.Drawing == SetUpDrawing.Gate || drill.Skill == "start line"))
            || (Says("low point") && drill.Skill == "low point")
            || (Says("take-away") && drill.Skill == "take-away")
            || (Says("tension") && drill.Skill == "tension");
    }

    private bool IsSlow(Drill drill, Slot slot) =>
        _approach == Approach.SlowBuild
        && slot.Intent == Intent.Technique
        && drill is { CountsTowardsSwingChange: true, UsualBalls: > 0 }
        && drill.UsualBalls < 0.6 * drill.UsualMinutes;

    /// <summary>The minutes a drill bears: one with a number of its own takes what it takes, others bend further.</summary>
    private (int Least, int Most) Lengths(Drill drill, Slot slot)
    {
        if (IsSlow(drill, slot))
            return (LeastSegment * 2, MostSlow);
        if (IsHoles(drill))
            return (MinutesAHole + 1, LongestWhole);
        if (drill.Places is [PlaceKind.Course])
            return (Math.Min(20, drill.UsualMinutes / 2), LongestWhole * 2);
        var (usual, isOwn) = UsualMinutes(drill);
        return isOwn
            ? (Math.Max(LeastSegment, (int)Math.Round(usual * 0.8)), Math.Min(MostSegment, (int)(usual * Slowest(drill, slot))))
            : (
                Math.Max(LeastSegment, (int)Math.Round(usual * (IsBegunOnly(slot) ? 0.35 : 0.5))),
                Math.Min(MostSegment, (int)Math.Round(usual * 1.6))
            );
    }

    /// <summary>Whether a drill may be only begun: in a short visit, and to wake up before holes.</summary>
    private bool IsBegunOnly(Slot slot) =>
        _request.Minutes < ShortVisit || (_approach == Approach.PlayIt && slot.Phase == Phase.Random);

    /// <summary>
    /// By how much a drill with a number of its own may be stretched: a third, and never so far that its pace is unusual.
    /// </summary>
    private static double Slowest(Drill drill, Slot slot)
    {
        var pace = (double)drill.UsualBalls / drill.UsualMinutes;
        var least = slot.Phase switch
        {
            Phase.Block => drill.Area == Area.Putting ? UsualPace.PuttingBlockLeast : UsualPace.BlockLeast,
            Phase.Random => drill.Area == Area.Putting ? UsualPace.PuttingRandomLeast : UsualPace.RandomLeast,
            _ => 0,
        };
        return least == 0 || drill.Protocol is RehearsedScenario ? 1.3 : Math.Clamp(pace / least, 1, 1.3);
    }

    /// <summary>How long a drill takes on the step it begins on, and whether its own number of strokes says so.</summary>
    private (double Minutes, bool IsOwn) UsualMinutes(Drill drill)
    {
        var own = drill.ProtocolAt(drill.BeginningRung(_context.Level)).OwnStrokes;
        return own is { } strokes && drill.UsualBalls > 0
            ? (drill.UsualMinutes * (double)strokes / drill.UsualBalls, true)
            : (drill.UsualMinutes, false);
    }
}
