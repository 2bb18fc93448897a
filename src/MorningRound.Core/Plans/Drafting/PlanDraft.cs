using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Check;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>
/// Drafts a whole plan from a few answers and the shelf: a warm-up, then the parts the approach asks for, each filled with drills
/// that fit place, equipment, level and season, with pauses and walks between. The same answers give the same draft. Whatever
/// keeps it from being whole is named.
/// </summary>
public static class PlanDraft
{
    private const int MinutesWithoutBreak = 60;
    private const int MinutesWithoutBreakWhenHot = 30;
    private const int PauseMinutes = 3;
    private const int LeastSegment = 4;
    private const int MostSegment = 30;
    private const int LongestWhole = 90;
    private const int ShortSession = 20;
    private const int MostFixes = 30;
    private const int MinutesAHole = 4;
    private const int BallsAHole = 3;

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
        return new Drafting(request, context, shelf).Draft();
    }

    /// <summary>A stretch of the plan to be filled: what it is for, and how many minutes it has.</summary>
    private sealed record Slot(Phase Phase, Intent Intent, int Minutes, string Why);

    private sealed class Drafting
    {
        private readonly DraftRequest _request;
        private readonly PlanContext _context;
        private readonly IReadOnlyList<ShelvedDrill> _shelf;
        private readonly Approach _approach;
        private readonly Area _area;
        private readonly PlaceKind _main;
        private readonly SplitMix64 _lot;
        private readonly List<Segment> _segments = [];
        private readonly Dictionary<Guid, string> _reasons = [];
        private readonly List<string> _constraints = [];
        private readonly HashSet<Guid> _used = [];
        private string _blockSkill = "";
        private string _blockCriterion = "";
        private int _ids;

        public Drafting(DraftRequest request, PlanContext context, IReadOnlyList<ShelvedDrill> shelf)
        {
            _request = request;
            _context = context;
            _shelf = shelf;
            _approach = request.Approach ?? context.Student?.Coach.Approach ?? Approach.ThreeParts;
            _lot = new SplitMix64((ulong)(request.Another + 1) * 7919);
            _main = request.Places[0];
            _area = AreaFor(request, context);
            if (!SuitedPlaces(_area).Contains(_main) && request.Places.FirstOrDefault(p => SuitedPlaces(_area).Contains(p), _main) is var suited) _main = suited;
        }

        public Drafted Draft()
        {
            var most = _request.Hot ? MinutesWithoutBreakWhenHot : MinutesWithoutBreak;
            var pauses = (_request.Minutes - 1) / most;
            var left = _request.Minutes - (pauses * PauseMinutes);
            left -= WarmUp(left);
            // Walks are known once the places are; they are taken off the parts afterwards.
            foreach (var slot in Slots(left)) Fill(slot);
            PutInOrder();
            FitToTime(pauses * PauseMinutes);
            PlacePauses(most);
            var plan = new SessionPlan
            {
                Title = $"{Name(_area)}, {_request.Minutes} min",
                Purpose = Purpose(),
                SuccessTest = SuccessTest(),
                Frame = new PlanFrame
                {
                    Minutes = _request.Minutes,
                    Balls = _request.Balls,
                    Approach = _approach,
                    Hot = _request.Hot,
                    WindFromDegrees = _request.WindFromDegrees,
                    WarmedUpBefore = _request.WarmedUpBefore,
                },
                Segments = [.. _segments],
            };
            plan = Mended(WithinBalls(plan));
            NameWhatIsMissing(plan);
            return new Drafted(plan, [.. plan.Segments.Select(s => new SegmentReason(s.Id, _reasons.GetValueOrDefault(s.Id, s is Pause ? "Water and shade before it gets long." : "Put in so that nothing stands against the plan.")))], _constraints);
        }

        /// <summary>Warms up for so many of the minutes, and says how many.</summary>
        private int WarmUp(int minutes)
        {
            if (_request.WarmedUpBefore)
            {
                _constraints.Add("No warm-up: the student comes warmed up.");
                return 0;
            }

            var isLong = _main == PlaceKind.Range && minutes >= 10;
            if (!isLong)
            {
                if (minutes < 10 || _main == PlaceKind.Home)
                {
                    _constraints.Add(minutes < 10 ? "No warm-up of its own: under ten minutes there are no full swings, and the first ones are easy." : "No warm-up of its own: nothing at home is swung in full.");
                    return 0;
                }

                var loosening = Math.Clamp(minutes / 12, 2, 5);
                Add(StretchSegment(loosening), "The body first.");
                return loosening;
            }

            var bag = _context.Student?.Coach.Bag.Select(b => b.Club).ToList() ?? [];
            var length = Math.Clamp(minutes / 6, WarmUps.Shortest, 15);
            foreach (var part in WarmUps.Of(length, WarmUpBefore.Block, _context.Day, bag, Forbidden()))
            {
                var segment = WarmUps.ToSegment(part, NextId());
                // Without balls the swings are made all the same.
                if (_request.Balls < 20) segment = segment with { Balls = 0, Exit = new AfterMinutes() };
                // Full swings early in a long session are kept for later.
                if (_request.Minutes > 90) segment = segment with { Clubs = [.. segment.Clubs.Where(c => c != Club.Driver)] };
                Add(segment, segment.Intent == Intent.Body ? "The body first." : "Small swings before bigger ones; nothing is counted.");
            }

            return length;
        }

        private PracticeSegment StretchSegment(int minutes) => WarmUps.ToSegment(new WarmUpPart("Stretch", WarmUps.Stretches, Area.Body, null, _main, minutes, 0, []), NextId());

        /// <summary>The parts an approach asks for, in the order of the climb.</summary>
        private IEnumerable<Slot> Slots(int minutes)
        {
            var season = _context.Season;
            var technique = Approaches.Bands(Approach.StepUp, season, _context.Level)[0];
            (Phase Phase, Intent Intent, double Share, string Why)[] parts = _approach switch
            {
                Approach.EvenSplit => [(Phase.Block, BlockIntent(season), 50, "Half of it the same shot over and over."), (Phase.Random, Intent.Skill, minutes >= 30 ? 30 : 50, "Half of it a shot that changes."), .. minutes >= 30 ? [(Phase.OnCourse, Intent.Performance, 20.0, "And holes to finish with.")] : Array.Empty<(Phase, Intent, double, string)>()],
                Approach.ThreeParts => [(Phase.Block, Intent.Technique, 100.0 / 3, "A third for technique."), (Phase.Random, Intent.Skill, 100.0 / 3, "A third for a test of skill."), (Phase.OnCourse, Intent.Performance, 100.0 / 3, "A third for playing.")],
                Approach.StepUp => StepUp((technique.Least + technique.Most) / 2),
                Approach.SlowBuild => [(Phase.Block, Intent.Technique, 82, "The change, slowly, ball by ball."), (Phase.OnCourse, Intent.Performance, 18, "A hole or two with the swing of today.")],
                Approach.PlayIt => [(Phase.Random, Intent.Skill, 15, "A shot that changes, to wake up."), (Phase.OnCourse, Intent.Performance, 85, "Holes, one ball, a card.")],
                _ => [(Phase.Random, Intent.Skill, 45, "Numbers to take along, checked and left."), (Phase.Block, Intent.Technique, 20, "Technique short: if it is there, leave it."), (Phase.Block, Intent.Skill, 35, "Start line, close to the hole.")],
            };
            var given = 0;
            for (var i = 0; i < parts.Length; i++)
            {
                var (phase, intent, share, why) = parts[i];
                var share100 = parts.Take(i + 1).Sum(p => p.Share);
                var until = (int)Math.Round(minutes * share100 / 100, MidpointRounding.AwayFromZero);
                if (until - given > 0) yield return new Slot(phase, intent, until - given, why);
                given = until;
            }

            static (Phase, Intent, double, string)[] StepUp(double technique) => [(Phase.Block, Intent.Technique, technique, "As much technique as the season bears."), (Phase.Random, Intent.Skill, (100 - technique) * 0.58, "Skill: the shot changes every ball."), (Phase.OnCourse, Intent.Performance, (100 - technique) * 0.42, "Then proof, with a card.")];
        }

        /// <summary>Before a competition, and for whoever has no change under way, block is for skill rather than technique.</summary>
        private static Intent BlockIntent(Season season) => season is Season.CompetitionWeek or Season.InSeason ? Intent.Skill : Intent.Technique;

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
                var minutes = isWhole ? Math.Min(left, most)
                    : left <= usual * 1.6 && left <= most ? left : Math.Min(most, left - usual < LeastSegment ? left : (int)(usual * 1.3));
                if (left - minutes is > 0 and < LeastSegment) minutes = left;
                Add(ToSegment(shelved, slot, place, minutes), Reason(shelved, slot, place));
                _used.Add(shelved.Id);
                left -= minutes;
            }
        }

        /// <summary>With no drill left, what is there of this part already gets longer; where there is nothing, it is said.</summary>
        private void ExtendOr(Slot slot, int left)
        {
            var index = _segments.FindLastIndex(s => s is PracticeSegment p && p.Phase == slot.Phase && p.Intent == slot.Intent && p.Phase != Phase.WarmUp);
            if (index < 0) index = _segments.FindLastIndex(s => s is PracticeSegment { Phase: not Phase.WarmUp });
            if (index >= 0 && _segments[index] is PracticeSegment longer)
            {
                var minutes = Math.Min(longer.Minutes + left, LongestWhole);
                _segments[index] = Resized(longer, minutes);
                left -= minutes - longer.Minutes;
            }

            var said = slot.Phase switch { Phase.OnCourse => "on-course", var p => p.ToString().ToLowerInvariant() };
            if (!_segments.OfType<PracticeSegment>().Any(s => s.Phase == slot.Phase && s.Intent == slot.Intent))
                _constraints.Add($"No {said} part for {slot.Intent.ToString().ToLowerInvariant()}: no drill on the shelf fits {Where()} with {_request.Balls} balls and what there is at hand.");
            if (left > 0) _constraints.Add($"{left} minutes could not be filled: the shelf has nothing more that fits {Where()}.");
        }

        /// <summary>A short session stays in one place: walking would eat it up.</summary>
        private IReadOnlyList<PlaceKind> Places() => _request.Minutes < ShortSession ? [_main] : _request.Places;

        /// <summary>The drill that fits a part best, and where; none where nothing fits.</summary>
        private (ShelvedDrill Drill, PlaceKind Place)? Best(Slot slot)
        {
            (ShelvedDrill, PlaceKind)? best = null;
            var bestScore = double.MinValue;
            foreach (var shelved in _shelf.OrderBy(s => s.Id))
            {
                if (_used.Contains(shelved.Id)) continue;
                foreach (var place in Places())
                {
                    if (!Fits(shelved.Drill, slot, place)) continue;
                    var score = Score(shelved, slot, place);
                    if (score <= bestScore) continue;
                    (best, bestScore) = ((shelved, place), score);
                }
            }

            return best;
        }

        private bool Fits(Drill drill, Slot slot, PlaceKind place)
        {
            if (!drill.Phases.Contains(slot.Phase) || !drill.Intents.Contains(slot.Intent) || !drill.Places.Contains(place)) return false;
            if (drill.UsualBalls > 0 && place.BallsAreBought() && _request.Balls < 10) return false;
            if (_main != PlaceKind.Range && place == PlaceKind.Range && !_request.WarmedUpBefore && drill.Swing == SwingSize.Full) return false;
            if (drill.Equipment.Any(e => e.Substitute.Length == 0 && !Has(e.Item, place))) return false;
            if (_context.Hurt.Any(h => drill.Loads.Any(l => l.Part == h.Part && (l.Side is null || h.Side is null || l.Side == h.Side)))) return false;
            if (ClubsFor(drill, slot, place).Count == 0 && drill.ClubGroup is ClubGroup.Driver) return false;
            if (IsSlow(drill, slot) && _context.Season == Season.CompetitionWeek) return false;
            if (drill.CountsTowardsSwingChange && drill.UsualBalls < 0.6 * drill.UsualMinutes && !IsSlow(drill, slot)) return false;
            if (drill.Skill == "pace" && _context.Season == Season.CompetitionWeek) return false;
            if (drill.Drawing is SetUpDrawing.Sticks or SetUpDrawing.Gate && OnlyMats(place) && drill.Equipment.Any(e => e.Item == Equipment.AlignmentSticks && e.Substitute.Length == 0)) return false;
            return WhatLacks(drill) is null;
        }

        /// <summary>What the student's file lacks for it; none without a student, whose numbers come later.</summary>
        private string? WhatLacks(Drill drill) => _context.Student is { } student ? drill.ProtocolAt(0).For(student).WhatIsMissing() : null;

        private bool OnlyMats(PlaceKind place)
        {
            var grounds = _context.Places.Where(p => p.Place.Kind == place).ToList();
            return grounds.Count > 0 && grounds.All(g => g.Place.Surface is RangeSurface.Mat or RangeSurface.IndoorBay);
        }

        private bool Has(Equipment item, PlaceKind place) =>
            _context.Student is not { } student || student.Own.Equipment.Contains(item) || _context.Places.Any(p => p.Place.Kind == place && p.Place.Equipment.Contains(item));

        private double Score(ShelvedDrill shelved, Slot slot, PlaceKind place)
        {
            var drill = shelved.Drill;
            var score = 0.0;
            if (_request.Pinned.Contains(shelved.Id)) score += 1000;
            if (drill.Area == _area) score += 40;
            else if (Near(drill.Area, _area)) score += 20;
            if (place == _main) score += 25;
            if (_request.Recent.Contains(shelved.Id)) score -= 30;
            if (slot.Phase != Phase.Block && drill.Skill == _blockSkill && _blockSkill.Length > 0) score += 12;
            if (slot.Intent == Intent.Technique && AidFits(drill)) score += 15;
            if (IsSlow(drill, slot)) score += 60;
            if (_approach == Approach.Sharpen && slot.Intent == Intent.Skill && slot.Phase == Phase.Block && drill.Skill == "start line") score += 90;
            if (_approach == Approach.Sharpen && slot.Phase == Phase.Random && drill.Area == Area.Wedge) score += 45;
            if (_context.Level == Level.New && drill.Protocol is Repetitions or MakeRate or Streak) score += 6;
            if (_context.Level >= Level.SingleFigure && drill.Protocol is CarryGrid or Window or CalledShots or ParGame or ProximityLevels) score += 6;
            // Others of equal worth take turns from draft to draft.
            return score + (8 * _lot.Unit() * (_request.Another == 0 ? 0.1 : 3));
        }

        /// <summary>The aid that fits the fault: eye line and mirror, path and rail, face and gate. Common practice, no source.</summary>
        private bool AidFits(Drill drill)
        {
            var fault = _context.Student?.Coach.Focus.Fault ?? "";
            bool Says(string word) => fault.Contains(word, StringComparison.OrdinalIgnoreCase);
            return (Says("eye") && drill.Equipment.Any(e => e.Item == Equipment.Mirror))
                || (Says("path") && drill.Equipment.Any(e => e.Item is Equipment.AlignmentSticks))
                || (Says("face") && drill.Drawing == SetUpDrawing.Gate)
                || (Says("low point") && drill.Skill == "low point");
        }

        private bool IsSlow(Drill drill, Slot slot) => _approach == Approach.SlowBuild && slot.Intent == Intent.Technique && drill.CountsTowardsSwingChange;

        private PracticeSegment ToSegment(ShelvedDrill shelved, Slot slot, PlaceKind place, int minutes)
        {
            var drill = shelved.Drill;
            var isSlow = IsSlow(drill, slot) && drill.UsualBalls < 0.6 * drill.UsualMinutes;
            var rung = RungFor(drill);
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
                Priority = slot.Phase == Phase.Block ? 2 : slot.Intent == Intent.Performance ? 1 : 2,
                Drill = new PlannedDrill { DrillId = shelved.Id, Drill = drill, Rung = rung },
            };
            if (slot.Phase == Phase.Block)
            {
                (_blockSkill, _blockCriterion) = (drill.Skill, drill.Criterion);
            }
            else if (drill.Skill == _blockSkill && _blockCriterion != drill.Criterion)
            {
                segment = segment with { Criterion = _blockCriterion };
            }

            return segment with { Balls = BallsFor(segment) };
        }

        private static int BallsFor(PracticeSegment segment)
        {
            if (segment.Drill is not { Drill: { UsualBalls: > 0 } drill }) return segment.Drill is null ? segment.Balls : 0;
            if (segment.Holes is { } holes) return BallsAHole * holes;
            var pace = (double)drill.UsualBalls / drill.UsualMinutes;
            if (PaceRules.Usual(segment) is { } usual) pace = Math.Clamp(pace, usual.Least + 0.05, usual.Most);
            return Math.Max(1, (int)Math.Round(pace * segment.Minutes, MidpointRounding.AwayFromZero));
        }

        /// <summary>A segment of other length, with the balls and holes that fit it.</summary>
        private static PracticeSegment Resized(PracticeSegment segment, int minutes)
        {
            var other = segment with { Minutes = minutes, Holes = segment.Holes is null ? null : HolesIn(minutes) };
            return other with { Balls = segment.Drill is null ? segment.Balls * minutes / segment.Minutes : BallsFor(other) };
        }

        private static int HolesIn(int minutes) => Math.Clamp(minutes / MinutesAHole, 1, PlanRules.MostHoles);

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
            return grounds.Count == 0 ? [] : [.. grounds[0].Place.ForbiddenClubs.Where(c => grounds.All(g => g.Place.ForbiddenClubs.Contains(c)))];
        }

        private int RungFor(Drill drill) => drill.Ladder.Count == 0 ? 0 : _context.Level switch
        {
            Level.New => 0,
            Level.Improving => drill.OwnRung() ?? 0,
            Level.SingleFigure => Math.Min(drill.Ladder.Count - 1, (drill.OwnRung() ?? 0) + 1),
            _ => drill.Ladder.Count - 1,
        };

        private string FocusWords() => _context.Student?.Coach.Focus.Goal is { Length: > 0 } goal ? goal : "Keep it going";

        /// <summary>Walks and rounding taken off, or given to, the longest part, so that it all fits.</summary>
        private void FitToTime(int pauses)
        {
            var walks = new CheckedPlan(new SessionPlan { Title = "", Segments = _segments }, _context).WalkMinutes;
            var over = _segments.Sum(s => s.Minutes) + walks + pauses - _request.Minutes;
            while (over > 0 && _segments.OfType<PracticeSegment>().Where(s => s.Minutes > 1).MaxBy(s => s.Minutes) is { } longest)
            {
                var less = Math.Min(over, Math.Max(1, longest.Minutes / 8));
                var at = _segments.IndexOf(longest);
                _segments[at] = Resized(longest, longest.Minutes - less);
                over -= less;
            }
        }

        private void PlacePauses(int most)
        {
            for (var i = 0; i < 12; i++)
            {
                var plan = new SessionPlan { Title = "", Segments = _segments, Frame = new PlanFrame { Hot = most == MinutesWithoutBreakWhenHot } };
                var mended = PlanCheck.Look(plan, _context).FirstOrDefault(f => f.Id == FindingId.NoBreak)?.Mend?.Invoke();
                if (mended is null) return;
                _segments.Clear();
                _segments.AddRange(mended.Segments);
            }
        }

        /// <summary>
        /// Range balls within the bucket: taken first where the pace allows fewer, warm-up and holes among them; only then, and
        /// said so, below the usual pace.
        /// </summary>
        private SessionPlan WithinBalls(SessionPlan plan)
        {
            var bought = plan.Practice().Where(s => s.Place.BallsAreBought()).Sum(s => s.Balls);
            var over = bought - _request.Balls;
            if (over <= 0) return plan;
            var slack = plan.Practice().Where(s => s.Place.BallsAreBought()).ToDictionary(s => s.Id, s => Math.Max(0, s.Balls - LeastBalls(s)));
            var all = slack.Values.Sum();
            if (all > 0)
            {
                var left = Math.Min(over, all);
                plan = plan with
                {
                    Segments =
                    [
                        .. plan.Segments.Select(s =>
                        {
                            if (s is not PracticeSegment p || !slack.TryGetValue(p.Id, out var room) || room == 0) return s;
                            var less = Math.Min(left, (int)Math.Ceiling((double)Math.Min(over, all) * room / all));
                            left -= less;
                            return p with { Balls = p.Balls - less, Exit = p.Balls - less == 0 && p.Exit is AfterBalls ? new AfterMinutes() : p.Exit };
                        }),
                    ],
                };
            }

            if (over <= all) return plan;
            _constraints.Add($"{_request.Balls} range balls are few for this: {bought - all} would be the least at a useful pace.");
            return Mending.ToBalls(plan, _request.Balls);
        }

        private static int LeastBalls(PracticeSegment segment) => segment switch
        {
            { Phase: Phase.WarmUp } => 0,
            { Holes: { } holes } => 2 * holes,
            _ when PaceRules.Usual(segment) is { } usual => (int)Math.Ceiling(usual.Least * segment.Minutes),
            _ => Math.Min(segment.Balls, 1),
        };

        /// <summary>Within each part of the game, block before what changes.</summary>
        private void PutInOrder()
        {
            for (var i = 0; i < _segments.Count; i++)
            {
                if (_segments[i] is not PracticeSegment { Phase: Phase.Block } block || CheckedPlan.PartOf(block) is not { } part) continue;
                var first = _segments.FindIndex(s => s is PracticeSegment { Phase: Phase.Random or Phase.OnCourse } p && CheckedPlan.PartOf(p) == part);
                if (first < 0 || first > i) continue;
                _segments.RemoveAt(i);
                _segments.Insert(first, block);
            }
        }

        /// <summary>What can still be put right is put right, the heaviest first.</summary>
        private SessionPlan Mended(SessionPlan plan)
        {
            for (var i = 0; i < MostFixes; i++)
            {
                var found = PlanCheck.Run(plan, _context);
                if (found.FirstOrDefault(f => f.Level > FindingLevel.Note && f.Fix is not null) is not { } offered) break;
                plan = PlanCheck.Fix(plan, _context, offered.Id, offered.SegmentId);
            }

            return plan;
        }

        private void NameWhatIsMissing(SessionPlan plan)
        {
            foreach (var (phase, said) in new[] { (Phase.WarmUp, "warm-up"), (Phase.Random, "random"), (Phase.OnCourse, "on-course") })
            {
                if (plan.Practice().Any(s => s.Phase == phase) || _constraints.Any(c => c.Contains(said, StringComparison.Ordinal))) continue;
                _constraints.Add($"No {said} part: {(phase == Phase.WarmUp ? "there is no room for one." : _approach is Approach.Sharpen or Approach.SlowBuild or Approach.PlayIt or Approach.EvenSplit ? $"“{Approaches.All.Single(s => s.Approach == _approach).Name}” asks for none here." : $"no drill on the shelf fits {Where()}.")}");
            }

            var walks = new CheckedPlan(plan, _context).WalkMinutes;
            var unfilled = _request.Minutes - plan.Segments.Sum(s => s.Minutes) - walks;
            if (unfilled * 10 > _request.Minutes && !_constraints.Any(c => c.Contains("could not be filled", StringComparison.Ordinal)))
                _constraints.Add($"{unfilled} minutes could not be filled: the shelf has nothing more that fits {Where()}.");
            foreach (var found in PlanCheck.Run(plan, _context).Where(f => f.Level > FindingLevel.Note && f.Id != FindingId.Minor))
                _constraints.Add($"It could not be put right: {found.Why}");
        }

        private string Purpose()
        {
            var goal = _context.Student?.Coach.Focus.Goal ?? "";
            var what = Name(_area).ToLowerInvariant();
            return _approach switch
            {
                Approach.Sharpen => $"Take {what} to the course as it is, and touch nothing",
                Approach.PlayIt => $"Play {what} with one ball and a card",
                _ when goal.Length > 0 => goal,
                _ => $"{Name(_area)}: first the same shot, then proof that it holds",
            };
        }

        /// <summary>The last scored part decides.</summary>
        private string SuccessTest()
        {
            var last = _segments.OfType<PracticeSegment>().LastOrDefault(s => s.Drill is not null && s.Phase != Phase.WarmUp);
            return last is null ? "It was done without hurry" : $"{last.Title}: {char.ToLowerInvariant(last.CriterionOrDrills[0])}{last.CriterionOrDrills[1..]}, more often than not";
        }

        private string Reason(ShelvedDrill shelved, Slot slot, PlaceKind place)
        {
            var why = _request.Pinned.Contains(shelved.Id) ? "Pinned."
                : shelved.Drill.Area == _area ? $"It is {Name(_area).ToLowerInvariant()}, {(_request.Recent.Contains(shelved.Id) ? "though it was there lately" : "and not from the last two sessions")}."
                : place == _main ? "It fits the place." : "The nearest thing there is.";
            return $"{slot.Why} {why}";
        }

        private string Where() => string.Join(" and ", _request.Places.Select(p => p switch { PlaceKind.PuttingGreen => "the putting green", PlaceKind.ChippingGreen => "the chipping green", PlaceKind.Home => "home", var o => $"the {o.ToString().ToLowerInvariant()}" }));

        private void Add(PracticeSegment segment, string why)
        {
            _segments.Add(segment);
            _reasons[segment.Id] = why;
        }

        private Guid NextId() => NewIds.From(new Guid(_request.Minutes, (short)_request.Balls, (short)_request.Another, (byte)_area, (byte)_approach, (byte)_main, 0, 0, 0, 0, 1), _ids++);

        private static string Name(Area area) => area switch
        {
            Area.Chip => "Chipping",
            Area.Pitch => "Pitching",
            Area.Wedge => "Wedges",
            Area.Iron => "Irons",
            Area.Wood => "Woods",
            Area.Body => "Body",
            Area.Mind => "A calm head",
            _ => area.ToString(),
        };

        private static bool Near(Area a, Area b) => Group(a) == Group(b);

        private static int Group(Area area) => area switch
        {
            Area.Putting => 0,
            Area.Chip or Area.Pitch or Area.Bunker or Area.Wedge => 1,
            Area.Iron or Area.Wood or Area.Driver => 2,
            _ => 3,
        };

        private static PlaceKind[] SuitedPlaces(Area area) => area switch
        {
            Area.Putting => [PlaceKind.PuttingGreen, PlaceKind.Home],
            Area.Chip => [PlaceKind.ChippingGreen, PlaceKind.Home],
            Area.Pitch => [PlaceKind.ChippingGreen, PlaceKind.Range],
            Area.Bunker => [PlaceKind.Bunker],
            Area.Body or Area.Mind => [PlaceKind.Home, PlaceKind.Range, PlaceKind.PuttingGreen, PlaceKind.ChippingGreen],
            _ => [PlaceKind.Range],
        };

        /// <summary>The area asked for; else a weakness the student believes in that the places allow; else what the first place is for.</summary>
        private static Area AreaFor(DraftRequest request, PlanContext context)
        {
            if (request.Area is { } asked) return asked;
            var weak = context.Student?.Own.BelievedWeaknesses.Cast<Area?>().FirstOrDefault(a => SuitedPlaces(a!.Value).Contains(request.Places[0]));
            return weak ?? request.Places[0] switch
            {
                PlaceKind.PuttingGreen or PlaceKind.Home => Area.Putting,
                PlaceKind.ChippingGreen => Area.Chip,
                PlaceKind.Bunker => Area.Bunker,
                _ => Area.Iron,
            };
        }
    }
}
