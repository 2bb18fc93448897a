using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>One draft being made: what it goes through, from the answers to a plan that holds.</summary>
internal sealed partial class DraftInProgress
{
    private const int MinutesWithoutBreak = 60;
    private const int MinutesWithoutBreakWhenHot = 30;
    private const int PauseMinutes = 3;

    private readonly DraftRequest _request;
    private readonly PlanContext _context;
    private readonly IReadOnlyList<ShelvedDrill> _shelf;
    private readonly Approach _approach;
    private readonly Area _area;
    private readonly PlaceKind _main;
    private readonly SplitMix64 _random;
    private readonly List<Segment> _segments = [];
    private readonly Dictionary<Guid, Message> _reasons = [];
    private readonly List<(Phase? About, Message Message)> _compromises = [];
    private readonly HashSet<Guid> _used = [];
    private string _blockSkill = "";
    private string _blockCriterion = "";
    private int _ids;

    public DraftInProgress(DraftRequest request, PlanContext context, IReadOnlyList<ShelvedDrill> shelf)
    {
        _request = request;
        _context = context;
        _shelf = shelf;
        _approach = request.Approach ?? context.Student?.Coach.Approach ?? Approach.ThreeParts;
        _random = new SplitMix64((ulong)(request.Variant + 1) * 7919);
        _main = request.Places[0];
        _area = AreaFor(request, context);
        if (
            !SuitedPlaces(_area).Contains(_main)
            && request.Places.FirstOrDefault(p => SuitedPlaces(_area).Contains(p), _main) is var suited
        )
            _main = suited;
    }

    public Drafted Draft()
    {
        var most = _request.Hot ? MinutesWithoutBreakWhenHot : MinutesWithoutBreak;
        var pauses = (_request.Minutes - 1) / most;
        var left = _request.Minutes - (pauses * PauseMinutes);
        left -= WarmUp(left);
        // Walks are known once the places are; they are taken off the parts afterwards.
        foreach (var slot in Slots(left))
            Fill(slot);
        PutInOrder();
        FitToTime(pauses * PauseMinutes);
        PlacePauses(most);
        var plan = new SessionPlan
        {
            Title = $"{Name(_area)}, {_request.Minutes} min",
            Purpose = Purpose(),
            SuccessTest = SuccessTest(),
            Constraints = new PlanConstraints
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
        return new Drafted(
            plan,
            [
                .. plan.Segments.Select(s => new SegmentReason(
                    s.Id,
                    _reasons
                        .GetValueOrDefault(s.Id, (s is Pause ? DraftSentences.WaterBeforeLong : DraftSentences.PutIn).Of())
                        .In()
                )),
            ],
            [.. _compromises.Select(c => c.Message.In())]
        );
    }

    /// <summary>Puts a warm-up in for part of the minutes; returns how many it took.</summary>
    private int WarmUp(int minutes)
    {
        if (_request.WarmedUpBefore)
        {
            Compromise(Phase.WarmUp, DraftSentences.ComesWarmedUp.Of());
            return 0;
        }

        var isLong = _main == PlaceKind.Range && minutes >= 10;
        if (!isLong)
        {
            if (minutes < 10 || _main == PlaceKind.Home)
            {
                Compromise(Phase.WarmUp, (minutes < 10 ? DraftSentences.TooShortForWarmUp : DraftSentences.NoWarmUpAtHome).Of());
                return 0;
            }

            var loosening = Math.Clamp(minutes / 12, 2, 5);
            Add(StretchSegment(loosening), DraftSentences.BodyFirst.Of());
            return loosening;
        }

        var bag = _context.Student?.Coach.Bag.Select(b => b.Club).ToList() ?? [];
        var length = Math.Clamp(minutes / 6, WarmUps.Shortest, 15);
        foreach (var part in WarmUps.Of(length, WarmUpBefore.Block, _context.Day, bag, Forbidden()))
        {
            var segment = WarmUps.ToSegment(part, NextId());
            // Without balls the swings are made all the same.
            if (_request.Balls < 20)
                segment = segment with { Balls = 0, Exit = new AfterMinutes() };
            // Full swings early in a long session are kept for later.
            if (_request.Minutes > 90)
                segment = segment with { Clubs = [.. segment.Clubs.Where(c => c != Club.Driver)] };
            if (_context.Hurt.Any(h => segment.LoadOn(h.Part, h.Side) is { } load && h.Forbids(load)))
            {
                length -= segment.Minutes;
                continue;
            }

            Add(segment, segment.Intent == Intent.Body ? DraftSentences.BodyFirst.Of() : DraftSentences.SmallSwingsFirst.Of());
        }

        return length;
    }

    private PracticeSegment StretchSegment(int minutes) =>
        WarmUps.ToSegment(new WarmUpPart("Stretch", WarmUps.Stretches, Area.Body, null, _main, minutes, 0, []), NextId());

    /// <summary>The parts an approach asks for, in the order of the climb.</summary>
    private IEnumerable<Slot> Slots(int minutes)
    {
        var season = _context.Season;
        var technique = Approaches.Bands(Approach.StepUp, season, _context.Level)[0];
        (Phase Phase, Intent Intent, double Share, Sentence Why)[] parts = _approach switch
        {
            Approach.EvenSplit =>
            [
                (Phase.Block, BlockIntent(season), 50, DraftSentences.HalfTheSame),
                (Phase.Random, Intent.Skill, minutes >= 30 ? 30 : 50, DraftSentences.HalfThatChanges),
                .. minutes >= 30
                    ? [(Phase.OnCourse, Intent.Performance, 20.0, DraftSentences.HolesToFinish)]
                    : Array.Empty<(Phase, Intent, double, Sentence)>(),
            ],
            Approach.ThreeParts =>
            [
                (Phase.Block, Intent.Technique, 100.0 / 3, DraftSentences.ThirdTechnique),
                (Phase.Random, Intent.Skill, 100.0 / 3, DraftSentences.ThirdSkill),
                (Phase.OnCourse, Intent.Performance, 100.0 / 3, DraftSentences.ThirdPlaying),
            ],
            Approach.StepUp => StepUp((technique.Least + technique.Most) / 2),
            Approach.SlowBuild =>
            [
                (Phase.Block, Intent.Technique, 82, DraftSentences.ChangeSlowly),
                (Phase.OnCourse, Intent.Performance, 18, DraftSentences.HoleOrTwo),
            ],
            Approach.PlayIt =>
            [
                (Phase.Random, Intent.Skill, 15, DraftSentences.WakeUp),
                (Phase.OnCourse, Intent.Performance, 85, DraftSentences.HolesAndCard),
            ],
            _ =>
            [
                (Phase.Random, Intent.Skill, 45, DraftSentences.NumbersToTake),
                (Phase.Block, Intent.Technique, 20, DraftSentences.TechniqueShort),
                (Phase.Block, Intent.Skill, 35, DraftSentences.StartLine),
            ],
        };
        var given = 0;
        for (var i = 0; i < parts.Length; i++)
        {
            var (phase, intent, share, why) = parts[i];
            var share100 = parts.Take(i + 1).Sum(p => p.Share);
            var until = (int)Math.Round(minutes * share100 / 100, MidpointRounding.AwayFromZero);
            if (until - given > 0)
                yield return new Slot(phase, intent, until - given, why.Of());
            given = until;
        }

        static (Phase, Intent, double, Sentence)[] StepUp(double technique) =>
            [
                (Phase.Block, Intent.Technique, technique, DraftSentences.AsMuchTechnique),
                (Phase.Random, Intent.Skill, (100 - technique) * 0.58, DraftSentences.SkillChanges),
                (Phase.OnCourse, Intent.Performance, (100 - technique) * 0.42, DraftSentences.ThenProof),
            ];
    }

    /// <summary>
    /// Before a competition, and for whoever has no change under way, block is for skill rather than technique.
    /// </summary>
    private static Intent BlockIntent(Season season) =>
        season is Season.CompetitionWeek or Season.InSeason ? Intent.Skill : Intent.Technique;

    private void Add(PracticeSegment segment, Message why)
    {
        _segments.Add(segment);
        _reasons[segment.Id] = why;
    }

    private Guid NextId() =>
        NewIds.From(
            new Guid(
                _request.Minutes,
                (short)_request.Balls,
                (short)_request.Variant,
                (byte)_area,
                (byte)_approach,
                (byte)_main,
                0,
                0,
                0,
                0,
                1
            ),
            _ids++
        );

    /// <summary>A stretch of the plan to be filled: what it is for, and how many minutes it has.</summary>
    private sealed record Slot(Phase Phase, Intent Intent, int Minutes, Message Why);
}
