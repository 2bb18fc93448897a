using MorningRound.Core.Courses;
using MorningRound.Core.Golf;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.OnCourse;

/// <summary>
/// What a shot could sensibly be played with. For the hole: the nearest number that clears what lies in front and stays short of
/// what lies behind. From a tee, and where it may pay to lay up: what costs the fewest strokes, by how far the clubs go, how the
/// hole lies and how much shots of the player's level scatter.
/// </summary>
/// <remarks>
/// What it costs from where a ball comes to rest is <see cref="ExpectedStrokes"/>; how shots scatter is the product's own, by
/// level. Water or sand that lies across is carried with 5 % to spare or not at all. A leave between 25 yd and the longest number
/// of the wedge grid that no number covers costs a quarter of a stroke more.
/// </remarks>
public sealed class ShotChoices
{
    /// <summary>How much further than trouble that lies across a club has to carry.</summary>
    public const double ToSpare = 1.05;

    /// <summary>What a leave costs that no number of the wedge grid covers.</summary>
    public const double NoNumberCosts = 0.25;

    /// <summary>The most choices that are offered.</summary>
    public const int Most = 3;

    private const int ShortestLeaveYards = 25;

    /// <summary>From here on a shot may also be laid up. The product's own.</summary>
    private const int LayUpFromYards = 160;

    /// <summary>From there on what is left is judged to the nearest five: nobody says it more exactly.</summary>
    private const int JudgedTo = 5;

    /// <summary>Another number is offered for the hole where it is no further off than this share. The product's own.</summary>
    private const double NearEnough = 0.12;

    /// <summary>From rough and sand what is left is judged to the nearest so much at any distance. The product's own.</summary>
    private const int JudgedToOffShortGrass = 5;

    /// <summary>Trouble across is spoken of where a club carries it by less than this share of it. The product's own.</summary>
    private const double WellOver = 1.25;

    /// <summary>Nearer than this a shot is a chip, whatever the numbers say. The product's own.</summary>
    private const int ChipYards = 30;

    /// <summary>Up to here a putter is offered from short grass beside a green. The product's own.</summary>
    private const int PutterYards = 15;

    /// <summary>What is punched out of trees, the first that the bag has. The product's own.</summary>
    private static readonly Club[] ToPunchWith = [Club.Iron6, Club.Iron7, Club.Iron5, Club.Iron8, Club.Iron4, Club.Iron9];

    /// <summary>By how much a usual miss moves the scatter to its side, in deviations. The product's own.</summary>
    private const double UsualMissShift = 0.4;

    /// <summary>A choice that costs so much more than the best is none. The product's own.</summary>
    private const double FarWorse = 0.5;

    private const double NearTheGreenYards = 12;

    /// <summary>
    /// A ball that finds water beside the hole has crossed into it after about this share of its carry. The product's own.
    /// </summary>
    private const double DropAfter = 0.7;

    /// <summary>
    /// Nobody hits a tee shot with less than this share of the longest club that may be hit. The product's own.
    /// </summary>
    private const double ShortestFromTheTee = 0.6;

    /// <summary>Where a shot may be aimed beside the middle of the fairway, in deviations.</summary>
    private static readonly double[] Aims = [0, -0.4, 0.4, -0.8, 0.8];

    private readonly LaidHoles _laid;
    private readonly double _perYard;
    private readonly double _spreadTangent;
    private readonly double _depthShare;
    private readonly double _shift;

    /// <summary>Choices for a player on a ground.</summary>
    public ShotChoices(LaidHoles laid)
    {
        _laid = laid;
        _perYard = Length.FromYards(1) / laid.Unit.Times(1);
        (var degrees, _depthShare) = ScatterOf(laid.Level);
        _spreadTangent = Math.Tan(Angle.FromDegrees(degrees).Radians);
        _shift = laid.UsualMiss switch
        {
            TargetSide.Left => -UsualMissShift,
            TargetSide.Right => UsualMissShift,
            _ => 0,
        };
    }

    /// <summary>From here on, in whole units of the play, a shot may also be laid up, and the whole hole decides.</summary>
    public int MayLayUpFrom => (int)(LayUpFromYards * _perYard);

    /// <summary>
    /// What is left as it is judged from a lie: choices are the same for what is judged the same. From short grass it is exact
    /// where no shot is laid up.
    /// </summary>
    public int Judged(Lie lie, int left)
    {
        var to =
            left >= MayLayUpFrom ? JudgedTo
            : lie is Lie.Rough or Lie.Sand && left >= ChipUpTo ? JudgedToOffShortGrass
            : 1;
        return (int)Math.Round((double)left / to, MidpointRounding.AwayFromZero) * to;
    }

    /// <summary>From here on, in whole units of the play, a shot is more than a chip.</summary>
    public int ChipUpTo => ChipUpToIn(_laid.Unit);

    /// <summary>Likewise, in a unit.</summary>
    public static int ChipUpToIn(LengthUnit unit) => (int)(ChipYards * (Length.FromYards(1) / unit.Times(1)));

    /// <summary>
    /// The choices for a shot, the cheapest first and at most <see cref="Most"/>; none where no number is on record.
    /// </summary>
    /// <param name="hole">The hole.</param>
    /// <param name="lie">How the ball lies; not on the green.</param>
    /// <param name="left">How far the hole is, in whole units of the play; above zero.</param>
    public IReadOnlyList<ShotOffer> For(LaidHole hole, Lie lie, int left)
    {
        if (lie == Lie.Recovery)
            return OutOfTrouble();
        var mayLayUp = left >= MayLayUpFrom;
        var exact = left;
        left = Judged(lie, left);
        var known = _laid
            .Numbers.Where(n => n.Carry is not null && IsFor(n, lie))
            .Select(n => n with { Carry = n.CarryFrom(lie) })
            .OrderByDescending(n => n.Carry)
            .ToList();
        if (exact < ChipUpTo || known.Count > 0 && left < known[^1].Carry * 0.85)
            return AroundTheGreen(hole, lie, exact);
        if (known.Count == 0)
            return [];
        var going = lie == Lie.Tee && hole.Par > 3 ? [] : ForTheHole(hole, left, known);
        IReadOnlyList<Choice> leaving =
            going.Count > 0 && !mayLayUp
                ? []
                : [.. Leaving(hole, lie, left, known).OrderBy(c => c.Cost).ThenByDescending(c => c.Carry)];
        if (leaving.Count == 0 || going.Count > 0 && going[0].Cost <= leaving[0].Cost)
            return [.. going.Take(2).Select((c, i) => OfferedForTheHole(hole, lie, left, c, i, going))];
        var worst = leaving[0].Cost + FarWorse;
        return
        [
            .. leaving
                .TakeWhile(c => c.Cost <= worst)
                .Take(lie == Lie.Tee ? Most : Most - 1)
                .Select((c, i) => OfferedToLeave(hole, lie, left, c, i, leaving, going.Count > 0)),
            .. going.Take(1).Select(c => Offered(c, lie) with { Why = OnCourseSentences.CostsMore.Of() }),
        ];
    }

    /// <summary>
    /// How far off, in degrees to either side, and by what share of their length shots scatter. The product's own.
    /// </summary>
    private static (double Degrees, double Depth) ScatterOf(Level level) =>
        level switch
        {
            Level.New => (9, 0.12),
            Level.Improving => (6.5, 0.09),
            Level.SingleFigure => (4.5, 0.07),
            _ => (3.5, 0.055),
        };

    /// <summary>
    /// Whether something is played from a lie: a driver from a tee alone, no wood from rough, no more than a middle iron from
    /// sand. The product's own.
    /// </summary>
    private static bool IsFor(ShotNumber number, Lie lie) =>
        lie switch
        {
            Lie.Tee => true,
            Lie.Fairway => number.Club != Club.Driver,
            Lie.Rough => number.Club > Club.Wood7,
            _ => number.Club >= Club.Iron6,
        };

    /// <summary>A choice on its way to be offered.</summary>
    private sealed record Choice(ShotNumber Number, int Carry, bool IsForTheHole, double Cost)
    {
        /// <summary>The share of such shots that stay on the fairway.</summary>
        public double OnFairway { get; init; }

        /// <summary>How far from the middle of the fairway it is aimed, in deviations; right is positive.</summary>
        public double Aim { get; init; }
    }

    /// <summary>
    /// Numbers that go for the hole, the nearest first; those that end in what lies behind come last. None where the longest club
    /// is short of the green.
    /// </summary>
    private IReadOnlyList<Choice> ForTheHole(LaidHole hole, int left, IReadOnlyList<ShotNumber> known)
    {
        if (known[0].Carry < left - Math.Max(hole.FrontOfGreen, WedgeGrid.Tolerance * left))
            return [];
        var order = known
            .Where(n =>
                IsOverOrShort(hole, left, n.Carry!.Value)
                && (LiesInFront(hole) is null || n.Carry >= ToSpare * (left - hole.FrontOfGreen))
            )
            .OrderBy(n => hole.Green.Back is not null && n.Carry > left)
            .ThenBy(n => Math.Abs(n.Carry!.Value - left))
            .ThenByDescending(n => n.Carry)
            .ToList();
        return
        [
            .. order
                .Where((n, i) => i == 0 || Math.Abs(n.Carry!.Value - left) <= NearEnough * left)
                .Take(2)
                .Select(n => new Choice(n, n.Carry!.Value, true, 1 + AfterGoing(hole, left, n.Carry.Value))),
        ];
    }

    private static TroubleKind? LiesInFront(LaidHole hole) =>
        hole.Green.Front is TroubleKind.Water or TroubleKind.Sand ? hole.Green.Front : null;

    private IEnumerable<Choice> Leaving(LaidHole hole, Lie lie, int left, IReadOnlyList<ShotNumber> known)
    {
        var isFromTheTee = lie == Lie.Tee && hole.Par > 3;
        var furthest = left - (isFromTheTee ? 0 : hole.FrontOfGreen);
        var clubs = known.Where(n => n.Carry <= furthest && n.Swing is null && IsOverOrShort(hole, left, n.Carry.Value)).ToList();
        foreach (var number in clubs.Where(n => !isFromTheTee || n.Carry >= ShortestFromTheTee * clubs[0].Carry))
        {
            var carry = number.Carry!.Value;
            yield return (lie is Lie.Rough or Lie.Sand ? Aims.Take(1) : Aims)
                .Select(aim => Leave(hole, lie, left, number, carry, aim))
                .OrderBy(c => c.Cost)
                .ThenBy(c => Math.Abs(c.Aim))
                .First();
        }
    }

    private Choice Leave(LaidHole hole, Lie lie, int left, ShotNumber number, int carry, double aim)
    {
        var rest = Math.Max(ShotRules.LeastLeft, left - carry);
        var half = (hole.Fairway?.Width ?? hole.Green.Width) / 2;
        var deviation = carry * _spreadTangent;
        var missLeft = Normal.Below((-half / deviation) - _shift - aim);
        var missRight = 1 - Normal.Below((half / deviation) - _shift - aim);
        var onFairway = 1 - missLeft - missRight;
        var after =
            (onFairway * Expected(Lie.Fairway, rest))
            + (missLeft * AfterMiss(hole.Left, lie, left, carry))
            + (missRight * AfterMiss(hole.Right, lie, left, carry));
        return new Choice(number, carry, false, 1 + after + (LeavesNoNumber(rest) ? NoNumberCosts : 0))
        {
            OnFairway = onFairway,
            Aim = aim,
        };
    }

    /// <summary>Strokes still to come after a shot for the green.</summary>
    private double AfterGoing(LaidHole hole, int left, int carry)
    {
        var deviation = carry * _spreadTangent;
        var depth = carry * _depthShare;
        var half = hole.Green.Width / 2;
        var tooShort = Normal.Below((left - hole.FrontOfGreen - carry) / depth);
        var tooLong = 1 - Normal.Below((left + hole.BackOfGreen - carry) / depth);
        var deepEnough = Math.Max(0, 1 - tooShort - tooLong);
        var missLeft = Normal.Below((-half / deviation) - _shift) * deepEnough;
        var missRight = (1 - Normal.Below((half / deviation) - _shift)) * deepEnough;
        var putt = Math.Max(2 * _perYard, Math.Abs(left - carry) + (0.4 * deviation));
        return ((deepEnough - missLeft - missRight) * Expected(Lie.Green, putt))
            + (tooShort * BesideGreen(hole.Green.Front, Lie.Fairway))
            + (tooLong * BesideGreen(hole.Green.Back, Lie.Rough))
            + (missLeft * BesideGreen(hole.Green.Left, Lie.Rough))
            + (missRight * BesideGreen(hole.Green.Right, Lie.Rough));
    }

    private double BesideGreen(TroubleKind? trouble, Lie otherwise)
    {
        var near = NearTheGreenYards * _perYard;
        return trouble switch
        {
            TroubleKind.Sand => Expected(Lie.Sand, near),
            TroubleKind.Water => 1 + Expected(Lie.Rough, near),
            TroubleKind.OutOfBounds => 2 + Expected(Lie.Rough, near),
            TroubleKind.Trees => Expected(Lie.Recovery, near),
            _ => Expected(otherwise, near),
        };
    }

    private double AfterMiss(TroubleKind? trouble, Lie lie, int left, int carry)
    {
        var rest = Math.Max(ShotRules.LeastLeft, left - carry);
        return trouble switch
        {
            TroubleKind.Sand => Expected(Lie.Sand, rest),
            TroubleKind.Trees => Expected(Lie.Recovery, rest),
            TroubleKind.Water => 1 + Expected(Lie.Rough, left - (DropAfter * carry)),
            TroubleKind.OutOfBounds => 1 + Expected(lie, left),
            _ => Expected(Lie.Rough, rest),
        };
    }

    private double Expected(Lie lie, double units) => ExpectedStrokes.From(lie, _laid.Unit.Times(units));

    /// <summary>Whether a ball that carries so far stays short of what lies across, or is over it with 5 % to spare.</summary>
    private static bool IsOverOrShort(LaidHole hole, int left, int carry) =>
        Ahead(hole, left) is not { } across || carry >= ToSpare * across.To || ToSpare * carry <= across.From;

    /// <summary>What lies across, from the ball on; null where it is behind.</summary>
    private static LaidCrossing? Ahead(LaidHole hole, int left)
    {
        var from = hole.Length - left;
        return hole.Across is { } across && across.To > from
            ? new LaidCrossing(across.Kind, across.From - from, across.To - from)
            : null;
    }

    private bool LeavesNoNumber(int rest) =>
        _laid.WedgeNumbers.Count > 0
        && rest >= ShortestLeaveYards * _perYard
        && rest <= _laid.WedgeNumbers[^1]
        && !HasNumber(rest);

    private bool HasNumber(int rest) => _laid.WedgeNumbers.Any(n => Math.Abs(rest - n) <= n * WedgeGrid.Tolerance);

    private static ShotOffer Offered(Choice choice, Lie lie) =>
        new()
        {
            With = choice.Number.Value,
            Carry = choice.Carry,
            IsAbout = choice.Number.IsUnlike,
            IsFromRough = lie == Lie.Rough,
            IsForTheHole = choice.IsForTheHole,
            Why = OnCourseSentences.Nearest.Of(),
        };

    /// <summary>What lies across and is in play for a carry, from the ball on; null where the ball flies well over it.</summary>
    private static LaidCrossing? InPlay(LaidHole hole, int left, int carry) =>
        Ahead(hole, left) is { } across && carry < WellOver * across.To ? across : null;

    private static ShotOffer OfferedForTheHole(
        LaidHole hole,
        Lie lie,
        int left,
        Choice choice,
        int rank,
        IReadOnlyList<Choice> all
    )
    {
        var isNearest = all.All(c => Math.Abs(c.Carry - left) >= Math.Abs(choice.Carry - left));
        return Offered(choice, lie) with
        {
            Why =
                InPlay(hole, left, choice.Carry) is { } across ? OnCourseSentences.CarriesAcross.Of(across.Kind)
                : LiesInFront(hole) is { } front && rank == 0 ? OnCourseSentences.OverTheFront.Of(front)
                : hole.Green.Back is { } back && rank == 0 && !isNearest ? OnCourseSentences.ShortOfBack.Of(back)
                : isNearest ? OnCourseSentences.Nearest.Of()
                : OnCourseSentences.NextNearest.Of(),
        };
    }

    private ShotOffer OfferedToLeave(
        LaidHole hole,
        Lie lie,
        int left,
        Choice choice,
        int rank,
        IReadOnlyList<Choice> all,
        bool couldGo
    ) =>
        Offered(choice, lie) with
        {
            Aim =
                choice.Aim < 0 ? TargetSide.Left
                : choice.Aim > 0 ? TargetSide.Right
                : null,
            // Out of rough or sand nobody knows a share so well.
            OnFairwayOfTen = hole.Fairway is null || lie is Lie.Rough or Lie.Sand ? null : (int)Math.Round(10 * choice.OnFairway),
            Why =
                InPlay(hole, left, choice.Carry) is { } across
                    ? (choice.Carry < across.From ? OnCourseSentences.StaysShort : OnCourseSentences.CarriesAcross).Of(
                        across.Kind
                    )
                : lie == Lie.Tee && hole.Par > 3 ? WhyFromTheTee(hole, choice, rank, all)
                : LeavesNoNumber(left - choice.Carry) ? OnCourseSentences.LeavesNoNumber.Of()
                : rank == 0 && couldGo ? OnCourseSentences.NotWorthGoing.Of()
                : rank > 0 && !HasNumber(left - choice.Carry) ? OnCourseSentences.Also.Of()
                : HasNumber(left - choice.Carry) ? OnCourseSentences.LeavesGoodNumber.Of()
                : OnCourseSentences.LeavesLess.Of(),
        };

    private static Message WhyFromTheTee(LaidHole hole, Choice choice, int rank, IReadOnlyList<Choice> all)
    {
        if (rank > 0)
            return OnCourseSentences.Also.Of();
        if (all.All(c => c.Carry <= choice.Carry))
            return OnCourseSentences.LengthIsWorth.Of();
        var worse = new[] { (Kind: hole.Left, Side: TargetSide.Left), (Kind: hole.Right, Side: TargetSide.Right) }
            .Where(t => t.Kind is not null)
            .OrderByDescending(t => t.Kind)
            .FirstOrDefault();
        return worse.Kind is { } kind ? OnCourseSentences.TroubleCosts.Of(kind, worse.Side) : OnCourseSentences.NarrowCosts.Of();
    }

    /// <summary>From a lie that allows no full shot: a middle iron, punched low at the widest opening.</summary>
    private IReadOnlyList<ShotOffer> OutOfTrouble()
    {
        var irons = _laid.Numbers.Where(n => n.Swing is null && ToPunchWith.Contains(n.Club));
        return irons.MinBy(n => Array.IndexOf(ToPunchWith, n.Club)) is { } iron
            ? [new ShotOffer { With = iron.Value, Why = OnCourseSentences.Punch.Of() }]
            : [];
    }

    /// <summary>
    /// Chips and bunker shots: the wedges that are there, the more lofted first where something lies in between.
    /// </summary>
    private IReadOnlyList<ShotOffer> AroundTheGreen(LaidHole hole, Lie lie, int left)
    {
        var wedges = _laid.Numbers.Where(n => n is { Swing: null, Club: >= Club.Iron9 }).OrderBy(n => n.Club).ToList();
        if (wedges.Count == 0)
            return [];
        var lofted = wedges.LastOrDefault(n => n.Club == Club.SandWedge) ?? wedges[^1];
        if (lie == Lie.Sand)
            return [new ShotOffer { With = lofted.Value, Why = OnCourseSentences.Splash.Of() }];
        ShotOffer soft = new() { With = lofted.Value, Why = OnCourseSentences.LandsSoft.Of() };
        var low = wedges.FirstOrDefault(n => n.Club >= Club.PitchingWedge) ?? wedges[0];
        ShotOffer runs = new() { With = low.Value, Why = OnCourseSentences.RunsUp.Of() };
        if (low == lofted)
            return [soft, .. Putting()];
        return hole.Green.Front is not null ? [soft, runs] : [runs, soft, .. Putting()];

        IEnumerable<ShotOffer> Putting() =>
            lie == Lie.Fairway && hole.Green.Front is null && left <= PutterYards * _perYard
                ? [new ShotOffer { With = ShotNumbers.Putter, Why = OnCourseSentences.Putt.Of() }]
                : [];
    }
}
