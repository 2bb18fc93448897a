using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>One draft being made: what it goes through, from the answers to a plan that holds.</summary>
internal sealed partial class DraftInProgress
{
    private const int MinutesWithoutBreak = 60;
    private const int MinutesWithoutBreakWhenHot = 30;
    private const int PauseMinutes = 3;
    private const int LeastWarmUpBalls = 5;

    private readonly DraftRequest _request;
    private readonly PlanContext _context;
    private readonly IReadOnlyList<ShelvedDrill> _shelf;
    private readonly IReadOnlyDictionary<Guid, int> _usedBefore;
    private readonly Approach _approach;
    private readonly DraftArea _about;
    private readonly PlaceKind _main;
    private readonly Competition? _near;
    private readonly bool _needsCare;
    private readonly bool _comesBack;
    private readonly SplitMix64 _random;
    private readonly int _variant;
    private readonly List<Segment> _segments = [];
    private readonly Dictionary<Guid, Message> _reasons = [];
    private readonly List<(Phase? About, Message Message)> _compromises = [];
    private readonly HashSet<Guid> _used = [];
    private readonly HashSet<Phase> _asked = [];
    private string _blockSkill = "";
    private Area? _blockArea;
    private int _foreign;
    private int _room;
    private int _ballsLeft;
    private int _ids;

    public DraftInProgress(
        DraftRequest request,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf,
        IReadOnlyDictionary<Guid, int> usedBefore,
        int variant
    )
    {
        _request = request;
        _context = context;
        _shelf = shelf;
        _usedBefore = usedBefore;
        _variant = variant;
        _near = context.Student?.Own.Competitions.FirstOrDefault(c => context.Day >= c.GetsThere && context.Day <= c.LastDay);
        _approach =
            request.Approach
            ?? (
                context.Season == Season.CompetitionWeek
                    ? Approach.Sharpen
                    : context.Student?.Coach.Approach ?? Approach.ThreeParts
            );
        _ballsLeft = request.Balls;
        _random = new SplitMix64((ulong)(variant + 1) * 7919);
        _about = DraftArea.Of(request, context);
        _needsCare = DoseRules.Who(context) is not null;
        _comesBack = DoseRules.IsComingBack(context);
        var suited = DraftArea.SuitedPlaces(_about.Area);
        _main = request.Places.OrderBy(p => Array.IndexOf(suited, p) is >= 0 and var at ? at : 99).First();
        if (!suited.Contains(_main))
            _main = request.Places[0];
    }

    public Drafted Draft()
    {
        if (_near is { } competition)
            return IsPlayed(competition) ? BeforePlaying(competition) : OnArrival(competition);
        if (_request.Area is { } asked && !DraftArea.IsThere(asked, _request))
        {
            Compromise(
                null,
                DraftSentences.NotThereAtAll.Of(
                    Capital(DraftArea.Named(asked)),
                    $"{string.Join(" or ", _request.Places.Select(At))} with {_request.Balls} range balls"
                )
            );
            return Nothing();
        }

        var most = MostWithoutBreak();
        if (_about.Area != (_request.Area ?? _about.Area))
            Compromise(null, _about.Why);
        var pauses = (_request.Minutes - 1) / most;
        var left = _request.Minutes - (pauses * PauseMinutes);
        left -= WarmUp(left);
        _room = left;
        // Walks are known once the places are; they are taken off the parts afterwards.
        var over = 0;
        IReadOnlyList<Slot> slots = [.. Slots(left)];
        _asked.UnionWith(slots.Select(s => s.Phase));
        foreach (var slot in WithBothPlaces(slots))
            over = Fill(slot with { Minutes = slot.Minutes + over });
        if (over > 0)
            Spread(over);
        HoldArea();
        if (!Practised().Any())
            return Nothing();
        PutInOrder();
        FitToTime(pauses * PauseMinutes);
        PlacePauses(most);
        return Finished();
    }

    /// <summary>
    /// What was asked for, or set as the focus, has two thirds of the practice with its neighbours: what is too much of something
    /// else goes, even where nothing takes its place.
    /// </summary>
    private void HoldArea()
    {
        if (!IsAreaHeld)
            return;
        bool IsOwn(PracticeSegment s) => s.Drill is not { } planned || !IsForeign(planned.Drill);
        while (3 * Practised().Where(IsOwn).Sum(s => s.Minutes) < 2 * Practised().Sum(s => s.Minutes))
        {
            var other = Practised().Last(s => !IsOwn(s));
            _segments.Remove(other);
            if (_compromises.All(c => c.About is not null))
                Compromise(null, DraftSentences.TooLittleOf.Of(Capital(DraftArea.Named(_about.Area))));
        }
    }

    /// <summary>Care asks for a pause sooner, and so does heat.</summary>
    private int MostWithoutBreak() =>
        _request.Hot ? MinutesWithoutBreakWhenHot
        : _needsCare ? DoseRules.MinutesWithoutPause
        : MinutesWithoutBreak;

    private Drafted Finished()
    {
        var plan = new SessionPlan
        {
            Title = Title(),
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
            [.. plan.Segments.Select(s => new SegmentReason(s.Id, ReasonOf(s, plan).In()))],
            [.. _compromises.Select(c => c.Message.In()).Distinct()],
            []
        );
    }

    /// <summary>Why a segment is there; the second half of one that a pause has parted is there for the same reason.</summary>
    private Message ReasonOf(Segment segment, SessionPlan plan) =>
        _reasons.TryGetValue(segment.Id, out var why) ? why
        : segment is Pause ? DraftSentences.WaterBeforeLong.Of()
        : plan.Segments.FirstOrDefault(s => s.Title == segment.Title && _reasons.ContainsKey(s.Id)) is { } first
            ? _reasons[first.Id]
        : DraftSentences.PutIn.Of();

    /// <summary>Where no drill fits there is no plan: a warm-up alone, or minutes that nothing fills, help nobody.</summary>
    private Drafted Nothing()
    {
        if (_compromises.Count == 0)
            Compromise(null, DraftSentences.NothingFits.Of(Words(_request.Places), _request.Balls));
        var said = _compromises.Where(c => c.About != Phase.WarmUp).Select(c => c.Message).Distinct().ToList();
        // One reason for everything is said once.
        if (
            said.Count > 1
            && said.TrueForAll(m => m.Id == DraftSentences.NoPartFor.Id && m.Arguments[2].Equals(said[0].Arguments[2]))
        )
            said = [DraftSentences.Because.Of(said[0].Arguments[2])];
        return new Drafted(null, [], [.. said.Select(m => m.In())], []);
    }

    /// <summary>Puts a warm-up in for part of the minutes; returns how many it took.</summary>
    private int WarmUp(int minutes)
    {
        if (_request.WarmedUpBefore)
        {
            Compromise(Phase.WarmUp, DraftSentences.ComesWarmedUp.Of());
            return 0;
        }

        if (minutes < 10 || _main == PlaceKind.Home)
        {
            Compromise(Phase.WarmUp, (minutes < 10 ? DraftSentences.TooShortForWarmUp : DraftSentences.NoWarmUpAtHome).Of());
            return 0;
        }

        if (_main != PlaceKind.Range)
        {
            var loosening = Math.Clamp(minutes / 12, 2, 5);
            Add(StretchSegment(loosening), DraftSentences.BodyFirst.Of());
            return loosening;
        }

        var length = Math.Clamp(minutes / 6, WarmUps.Shortest, 14);
        var warmUp = WarmUps.Of(WarmUpFor(length));
        // A quarter of the bucket at most; swings without balls are no part of their own.
        var bucket = _request.Balls / 4;
        foreach (var part in warmUp.Parts.Where(p => p.Place == PlaceKind.Range || p.Balls == 0))
        {
            var segment = WarmUps.ToSegment(part, NextId()) with { Place = PlaceKind.Range };
            if (segment.Balls > 0)
            {
                var balls = Math.Min(segment.Balls, bucket);
                if (balls < LeastWarmUpBalls || (balls < segment.Balls && segment.Swing == SwingSize.Full))
                    continue;
                bucket -= balls;
                _ballsLeft -= balls;
                segment = segment.WithBalls(balls);
            }

            Add(
                segment,
                segment.Intent == Intent.Body ? DraftSentences.BodyFirst.Of()
                    : segment.Swing == SwingSize.Full ? warmUp.Reason
                    : DraftSentences.SmallSwingsFirst.Of()
            );
        }

        return _segments.Sum(s => s.Minutes);
    }

    private WarmUpRequest WarmUpFor(int minutes, WarmUpBefore before = WarmUpBefore.Block)
    {
        var request = WarmUpRequest.Of(_context, minutes, before, _request.WarmUp ?? WarmUpSchool.TwoAClub);
        // Full swings early in a long session are kept for later.
        return _request.Minutes > 90 ? request with { Without = [.. request.Without, Club.Driver] } : request;
    }

    private PracticeSegment StretchSegment(int minutes) =>
        WarmUps.ToSegment(
            new WarmUpPart
            {
                Title = "Stretch",
                Text = Stretches.InWords(minutes, _context.Hurt),
                Area = Area.Body,
                Place = _main,
                Minutes = minutes,
            },
            NextId()
        );

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
                (short)_variant,
                (byte)_about.Area,
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
    /// <param name="Phase">The phase.</param>
    /// <param name="Intent">The intent.</param>
    /// <param name="Minutes">How long it is.</param>
    /// <param name="Why">Why it is there.</param>
    /// <param name="Only">The only ground it is filled from; null for any of the visit's.</param>
    private sealed record Slot(Phase Phase, Intent Intent, int Minutes, Message Why, PlaceKind? Only = null)
    {
        /// <summary>Whether it was to be holes and nothing of them fits.</summary>
        public bool IsInstead { get; init; }
    }
}
