using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A measured number per ball, with a band it should lie in.</summary>
public sealed record MeasuredShots : ScoringProtocol
{
    private const double Largest = 999;
    private const string Verified = "verified";
    private static readonly string Yards = LengthUnit.Yards.Sign();
    private static readonly string Metres = LengthUnit.Metres.Sign();

    /// <summary>What is measured: "club path".</summary>
    public required string What { get; init; }

    /// <summary>The unit of the number; empty where it has none.</summary>
    public string Unit { get; init; } = "";

    /// <summary>The band's lower end; null when there is only an upper one.</summary>
    public double? Least { get; init; }

    /// <summary>The upper end of the band; null where it has none.</summary>
    public double? Most { get; init; }

    /// <summary>How many, 1 to 300.</summary>
    public int Shots { get; init; } = 15;

    /// <summary>Where the number stood when the change began; null if not known.</summary>
    public double? StartedAt { get; init; }

    /// <summary>
    /// How far the target is, when what is measured is how far left or right of it the balls finish, in the same unit. The
    /// result is then the day's aim: see <see cref="AimCheck"/>. To a tenth; null for anything else that is measured.
    /// </summary>
    public double? AimDistance { get; init; }

    /// <summary>
    /// Other clubs for which an aim check says the aim too, two at most. They come from the student's bag and change no result.
    /// </summary>
    public IReadOnlyList<AimClub> AimClubs { get; init; } = [];

    /// <summary>The club that carries nearest to the target of an aim check; null where that is not known.</summary>
    public Club? AimWith { get; init; }

    /// <summary>
    /// Whether the band is written for a right-handed player and turned round for a left-handed one: a path, a start direction.
    /// </summary>
    public bool TurnsWithHand { get; init; }

    /// <summary>How far the target of an aim check is; null where something else is measured.</summary>
    public MarkedLength? AimTarget() =>
        AimDistance is { } distance
            ? new MarkedLength(Math.Round(distance, 1), Unit == Metres ? LengthUnit.Metres : LengthUnit.Yards)
            : null;

    /// <inheritdoc/>
    public override string Title => AimDistance is null ? "Measured shots" : "Aim check";

    /// <summary>An aim check keeps its balls.</summary>
    public override CountBy CountBy => AimDistance is null ? CountBy.Segment : CountBy.Drill;

    /// <inheritdoc/>
    public override ScoringProtocol FittedTo(int attempts) =>
        AimDistance is null ? this with { Shots = Math.Clamp(attempts, 3, 100) } : this;

    /// <inheritdoc/>
    public override int? PlannedAttempts => AimDistance is null ? Shots : AimCheck.Balls;

    /// <summary>
    /// Turned for the hand, in the player's unit, and an aim check at the ground's own target: the one nearest to how far a
    /// middle iron of the bag carries, or to the drill's own distance. Its aim is said for two more clubs of the bag: the
    /// longest, and one half as long.
    /// </summary>
    public override ScoringProtocol For(PlayerNumbers player)
    {
        var (least, most) = Bounds.Turned(Least, Most, TurnsWithHand && player.Hand == Hand.Left);
        var own = this with
        {
            Least = least,
            Most = most,
            StartedAt = TurnsWithHand && player.Hand == Hand.Left && StartedAt is { } start ? -start : StartedAt,
        };
        if (AimTarget() is not { } aim)
            return own.In(player.Unit);
        var wanted =
            new[] { Club.Iron7, Club.Iron6, Club.Iron8 }.Select(player.CarryOf).FirstOrDefault(c => c is not null)
            ?? aim.ToLength();
        var aimed =
            player.Targets.Count == 0
                ? own.In(player.Unit)
                : own.In(player.Targets.MinBy(t => Math.Abs((t.Distance.ToLength() - wanted).Yards))!.Distance);
        var target = aimed.AimTarget()!;
        return aimed with { AimClubs = [.. OtherClubs(player, target)], AimWith = NearestClub(player, target) };
    }

    /// <summary>The club that carries nearest to the target; null where no carry is on record.</summary>
    private static Club? NearestClub(PlayerNumbers player, MarkedLength target) =>
        player
            .Bag.Where(b => b.Carry is not null && b.Club != Club.Putter)
            .MinBy(b => Math.Abs((b.Carry!.ToLength() - target.ToLength()).Yards))
            ?.Club;

    /// <summary>The longest club of the bag and one half as long, apart from the one that the target is for.</summary>
    private static IEnumerable<AimClub> OtherClubs(PlayerNumbers player, MarkedLength target)
    {
        var measured = player
            .Bag.Where(b => b.Carry is not null && b.Club != Club.Putter)
            .Select(b => new AimClub(b.Club, Math.Round(b.Carry!.In(target.Unit).Value)))
            .OrderBy(c => Math.Abs(c.Carry - target.Value))
            .Skip(1)
            .ToList();
        if (measured.MaxBy(c => c.Carry) is not { } longest)
            yield break;
        yield return longest;
        if (measured.Where(c => c != longest).MinBy(c => Math.Abs(c.Carry - (longest.Carry / 2))) is { } shorter)
            yield return shorter;
    }

    private MeasuredShots In(MarkedLength target) => In(target.Unit) with { AimDistance = target.Value };

    private MeasuredShots In(LengthUnit unit) =>
        Bounds.FactorTo(unit, Unit) is not { } factor
            ? this
            : this with
            {
                Unit = unit.Sign(),
                Least = Bounds.Times(Least, factor),
                Most = Bounds.Times(Most, factor),
                StartedAt = Bounds.Times(StartedAt, factor),
                AimDistance = AimDistance is { } distance ? Math.Round(distance * factor) : null,
            };

    /// <inheritdoc/>
    internal override ScoringProtocol AsCompared() =>
        AimClubs.Count == 0 && AimWith is null ? base.AsCompared() : this with { AimClubs = [], AimWith = null };

    /// <summary>An aim check keeps its balls: fewer say nothing.</summary>
    public override ScoringProtocol? WithCount(int attempts) => AimDistance is null ? this with { Shots = attempts } : null;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds =>
        [
            new("share", "in the band", "%", Better.Higher),
            new("mean", $"mean {What}", Unit, Better.None, 1),
            new("deviation", $"spread of {What}", Unit, Better.None, 1),
        ];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "share" ? Chances.AtLeastPercent(goal.Limit, Shots, share) : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) =>
        errors
            .RequireText(What, $"{path}.what", LongestLabel)
            .AllowText(Unit, $"{path}.unit", 10)
            .RequireBetween(Shots, 3, 100, $"{path}.shots", "shots")
            .Require(Least is not null || Most is not null, $"{path}.least", "A band needs an end on at least one side.")
            .Require((Least ?? -Largest) <= (Most ?? Largest), $"{path}.most", "The lower end comes first.")
            .Require(AimDistance is null or (> 0 and <= 400), $"{path}.aimDistance", "A distance lies above 0 and up to 400.")
            .RequireAtMost(AimClubs.Count, 2, $"{path}.aimClubs")
            .Require(AimClubs.All(c => c.Carry is > 0 and <= 400), $"{path}.aimClubs", "A carry lies above 0 and up to 400.")
            .Require(
                AimDistance is null || Unit == Yards || Unit == Metres,
                $"{path}.unit",
                $"An aim check is measured in {Yards} or {Metres}."
            )
            .Require(
                new[] { Least, Most, StartedAt }.All(n => n is null || Math.Abs(n.Value) <= Largest),
                $"{path}.most",
                $"Numbers lie between −{Largest} and {Largest}."
            );

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        if (AimTarget() is { } target)
            return new AimFlow(What, target, AimClubs, AimWith).Compile();
        FlowEffect[] shot = [Flow.Add("shots"), Flow.AddInput("sum")];
        var inBand = Flow.Number(
            Least is { } least ? (int)Math.Ceiling((decimal)least * 10) : NumberRange.Signed.Least,
            Most is { } most ? (int)Math.Floor((decimal)most * 10) : NumberRange.Signed.Most
        );
        return new FlowBuilder()
            .Registers("inBand", "shots", "sum")
            .Counted(Shots)
            .Display("{0} in the band, {1} of {2} shots", Flow.Value("inBand"), Flow.Value("shots"), Flow.Count)
            .Display($"mean {{0}}{Written.Unit(Unit)}", Flow.Mean("sum", "shots", 1))
            .State(
                "shot",
                $"{What}, {Band()}",
                NumberRange.Signed.Asked(What, Unit),
                Flow.DoneWhenCounted(inBand, [.. shot, Flow.Add("inBand")], "shot"),
                Flow.DoneWhenCounted(Flow.Always, shot, "shot")
            )
            .Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally) =>
        AimTarget() is null ? PlayShots(tally) : PlayAim(tally);

    private IEnumerable<ScorerQuestion> PlayShots(Tally tally)
    {
        for (var shot = 0; shot < Shots; shot++)
        {
            var number = new ScorerQuestionNumber(NumberRange.Signed);
            yield return number;
            tally["shots"]++;
            tally["sum"] += number.Answer;
            Keep(tally, number.Answer);
            tally.EndAttempt();
        }
    }

    private IEnumerable<ScorerQuestion> PlayAim(Tally tally)
    {
        for (var ball = 0; ball < AimCheck.Balls; ball++)
        {
            var offset = new ScorerQuestionNumber(AimCheck.Offsets);
            yield return offset;
            tally["shots"]++;
            tally["first"] += offset.Answer;
            Keep(tally, offset.Answer);
            tally.EndAttempt();
        }

        if (!Aim(tally)!.IsToVerify)
            yield break;
        for (var ball = 0; ball < AimCheck.Balls; ball++)
        {
            var offset = new ScorerQuestionNumber(AimCheck.Offsets);
            yield return offset;
            tally[Verified]++;
            tally["second"] += offset.Answer;
            tally.Keep(ToVerify, offset.Answer);
            tally.EndAttempt();
        }
    }

    /// <summary>The name of the second five, which no quantity can have.</summary>
    private string ToVerify => $"{What}, to verify";

    private void Keep(Tally tally, int tenths)
    {
        tally.Keep(What, tenths);
        var isLow = Least is { } least && tenths < (decimal)least * 10;
        var isHigh = Most is { } most && tenths > (decimal)most * 10;
        if (!isLow && !isHigh)
            tally["inBand"]++;
    }

    /// <summary>What the balls so far say of the aim; null before the fifth.</summary>
    private AimCheck? Aim(Tally tally) =>
        tally["shots"] < AimCheck.Balls
            ? null
            : AimCheck.Of(
                tally.Tenths(What),
                tally[Verified] < AimCheck.Balls ? [] : tally.Tenths(ToVerify),
                AimTarget()!,
                AimClubs
            );

    private protected override (string Count, string Of)? Successes => AimDistance is null ? ("inBand", "shots") : null;

    private protected override double? Value(string measure, Tally tally) =>
        measure switch
        {
            "mean" => Sample.Mean(tally.Kept(What)),
            "deviation" => Sample.Deviation(tally.Kept(What)),
            _ => 100.0 * tally["inBand"] / tally["shots"],
        };

    private protected override Message Say(Tally tally)
    {
        if (AimDistance is not null)
            return Aim(tally)?.Said ?? DrillSentences.TooFewToAim.Of();

        var (mean, inBand) = (Sample.Mean(tally.Kept(What))!.Value, Rate.InWords(tally["inBand"], tally["shots"]));
        return StartedAt is { } start
            ? DrillSentences.MeanFromStart.Of(mean, Written.Unit(Unit), start, inBand)
            : DrillSentences.MeanInBand.Of(mean, Written.Unit(Unit), inBand);
    }

    private string Band() =>
        (Least, Most) switch
        {
            ({ } least, { } most) => $"{Written.Plain(least)} to {Written.Plain(most)}{Written.Unit(Unit)}",
            ({ } least, null) => $"at least {Written.Plain(least)}{Written.Unit(Unit)}",
            (_, { } most) => $"at most {Written.Plain(most)}{Written.Unit(Unit)}",
            _ => "",
        };
}
