using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// Holes, played with one ball: the next shot is what the last one left. Putts wait until the last hole and are then holed out,
/// or what is usual stands for them. Or their tee shots alone, in or out.
/// </summary>
public sealed record PlayedHoles : ScoringProtocol
{
    /// <summary>More putts than these are not counted.</summary>
    internal const int MostPutts = 5;

    internal const string PickUp = "pickUp";

    /// <summary>Which holes, and how they are played.</summary>
    public required HolesToPlay ToPlay { get; init; }

    /// <summary>The holes as they lie for the student; null until they are filled in.</summary>
    public LaidHoles? Laid { get; init; }

    /// <summary>
    /// Whether a bay measures what is left, filled in with the holes. Guessed and measured are not compared.
    /// </summary>
    public bool IsMeasured { get; init; }

    /// <summary>Why the holes cannot be laid out for the student; null when they can, and while nobody asked.</summary>
    public string? Missing { get; init; }

    /// <inheritdoc/>
    public override string Title => "Holes";

    private bool IsWhole => ToPlay.Way == WayToPlay.WholeHoles;

    private bool IsExpected => ToPlay.Putts == PuttsBy.Expected;

    /// <summary>The tee shots; with whole holes nobody knows before.</summary>
    public override int? PlannedAttempts => IsWhole ? null : ToPlay.Holes.Count;

    /// <summary>The first so many of the holes, as a trimmed session plays them.</summary>
    public override ScoringProtocol WithCount(int attempts) =>
        this with
        {
            ToPlay = ToPlay with { Holes = [.. ToPlay.Holes.Take(attempts)] },
            Laid = Laid is { } laid ? laid with { Holes = [.. laid.Holes.Take(attempts)] } : null,
        };

    /// <inheritdoc/>
    public override CountBy CountBy => IsWhole ? CountBy.ExitRule : CountBy.Drill;

    /// <inheritdoc/>
    public override int? OwnStrokes => ToPlay.UsualBalls;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds =>
        IsWhole
            ?
            [
                new("toPar", "strokes against par", "", Better.Lower, IsExpected ? 1 : 0),
                new("gained", "strokes gained", "", Better.Higher, 1),
                new("greens", "greens hit", "%", Better.Higher),
                new("fairways", "fairways hit", "%", Better.Higher),
                new("saves", "up and down", "%", Better.Higher),
                new("putts", "putts", "", Better.Lower, IsExpected ? 1 : 0),
                new("penalties", "penalty strokes", "", Better.Lower),
                new("over", "holes played out", "", Better.None),
            ]
            :
            [
                new("fairways", "fairways hit", "%", Better.Higher),
                new("missedLeft", "missed left", "", Better.None),
                new("missedRight", "missed right", "", Better.None),
            ];

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        IsWhole ? null : Chances.AtLeastPercent(goal.Limit, ToPlay.Holes.Count, share);

    /// <summary>Laid out on the ground, with the clubs of the bag.</summary>
    public override ScoringProtocol For(PlayerNumbers player) =>
        LaidHoles.WhatIsMissing(ToPlay, player) is { } missing
            ? this with
            {
                Missing = missing,
            }
            : this with
            {
                Laid = LaidHoles.Of(ToPlay, player),
                IsMeasured = player.Surface == Places.RangeSurface.IndoorBay,
                Missing = null,
            };

    /// <inheritdoc/>
    public override string? WhatIsMissing() => Missing ?? (Laid is null ? "the holes are not laid out for anybody yet." : null);

    /// <summary>
    /// The same holes from the same tee, with the same factor and the putts settled in the same way, wherever the pins are and
    /// however they lie on a range.
    /// </summary>
    internal override ScoringProtocol AsCompared() =>
        this with
        {
            Laid = null,
            ToPlay = ToPlay with
            {
                Ground = null,
                Holes =
                [
                    .. ToPlay.Holes.Select(h =>
                        h is DrawnHole drawn
                            ? drawn with
                            {
                                Pin = null,
                                Hole = drawn.Hole with { Pin = Pin.InTheMiddle },
                            }
                            : h with
                            {
                                Pin = null,
                            }
                    ),
                ],
            },
        };

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path) => errors.Include(ToPlay.Check($"{path}.toPlay"));

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed) => new HolesFlow(Laid!).Compile();

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        var laid = Laid!;
        var cards = new List<HoleCard>();
        tally.Card = new Card { Holes = cards };
        foreach (var (at, hole) in laid.Holes.Index())
        {
            tally["hole"] = at;
            foreach (var question in IsWhole ? PlayHole(laid, hole, cards, tally) : PlayTeeShot(laid, tally))
                yield return question;
        }

        foreach (var question in IsWhole && !IsExpected ? PuttOut(laid, cards, tally) : [])
            yield return question;
    }

    /// <summary>
    /// A card beside the last time the same holes were played, where as many were played out, and beside real rounds.
    /// </summary>
    /// <param name="card">The card.</param>
    /// <param name="lastTime">What the measures were the last time; null where there was none.</param>
    /// <param name="rounds">The student's last real rounds.</param>
    public static IReadOnlyList<FigureBeside> Beside(Card card, PastResult? lastTime, IReadOnlyCollection<Round> rounds)
    {
        double? Before(string measure) => lastTime?.Value(measure);
        (CardFigure Figure, string Measure)[] measured =
        [
            (CardFigure.ToPar, "toPar"),
            (CardFigure.Fairways, "fairways"),
            (CardFigure.Greens, "greens"),
            (CardFigure.UpAndDowns, "saves"),
            (CardFigure.Putts, "putts"),
            (CardFigure.Penalties, "penalties"),
        ];
        return FigureBeside.Of(
            card,
            Before("over") == card.Over.Count()
                ? measured.Where(m => Before(m.Measure) is not null).ToDictionary(m => m.Figure, m => Before(m.Measure)!.Value)
                : null,
            rounds
        );
    }

    private static ScorerQuestionChoice ChooseClub(LaidHoles laid, bool mayPutt = false) =>
        new([.. laid.Numbers.Select(n => n.Value), .. mayPutt ? [ShotNumbers.Putter] : Array.Empty<string>(), PickUp]);

    private static ScorerQuestionChoice SayWhere() => new([.. Enum.GetValues<Finish>().Select(HolesFlow.NameOf)]);

    private static Finish FinishOf(ScorerQuestionChoice where) =>
        Enum.GetValues<Finish>().Single(f => HolesFlow.NameOf(f) == where.Answer);

    private static IEnumerable<ScorerQuestion> PlayTeeShot(LaidHoles laid, Tally tally)
    {
        var club = ChooseClub(laid);
        yield return club;
        if (club.Answer != PickUp)
        {
            var where = SayWhere();
            yield return where;
            CountTeeShot(FinishOf(where), tally);
        }

        tally.EndAttempt();
    }

    private static void CountTeeShot(Finish finish, Tally tally)
    {
        tally["teeShots"]++;
        if (finish is Finish.Fairway or Finish.Green or Finish.Holed)
            tally["fairways"]++;
        if (finish.Rule().Side is { } side)
            tally[side == TargetSide.Left ? "missedLeft" : "missedRight"]++;
    }

    private IEnumerable<ScorerQuestion> PlayHole(LaidHoles laid, LaidHole hole, List<HoleCard> cards, Tally tally)
    {
        var shots = new List<PlayedShot>();
        var card = new HoleCard
        {
            Number = hole.Number,
            Par = hole.Par,
            Length = new MarkedLength(hole.Length, laid.Unit),
            Shots = shots,
        };
        var at = cards.Count;
        var (lie, left, strokes) = (Lie.Tee, 10 * hole.Length, 0);
        void Stand()
        {
            (tally["left"], tally["lie"], tally["shot"]) = (left, (int)lie, strokes);
        }
        void Over(HoleCard over)
        {
            cards[at] = over;
            tally["over"]++;
            tally["par"] += hole.Par;
        }

        Stand();
        while (true)
        {
            var club = ChooseClub(laid, mayPutt: lie != Lie.Tee && left < 10 * ShotChoices.ChipUpToIn(laid.Unit));
            yield return club;
            if (club.Answer == PickUp)
            {
                tally.EndAttempt();
                break;
            }

            if (shots.Count == 0)
                cards.Add(card);
            var isTeeShot = shots.Count == 0 && hole.Par > 3;
            var before = (Lie: lie, Left: left);
            Finish finish;
            var went = new ScorerQuestionNumber(HolesFlow.Went);
            // Inside what lies across there is no fairway: where the ball went is asked again.
            while (true)
            {
                var where = SayWhere();
                yield return where;
                finish = FinishOf(where);
                if (finish != Finish.Fairway)
                    break;
                yield return went;
                if (!ShotRules.IsInside(hole, left - went.Answer))
                    break;
                went = new ScorerQuestionNumber(HolesFlow.Went);
            }

            var rule = finish.Rule();
            if (isTeeShot)
                CountTeeShot(finish, tally);
            var feet = 0;
            switch (rule.Asked)
            {
                case AskedNumber.Went:
                    if (finish != Finish.Fairway)
                        yield return went;
                    left = ShotRules.LeftAfter(left, went.Answer, 10 * ShotRules.LeastLeft);
                    break;
                case AskedNumber.FromHole:
                    var from = new ScorerQuestionNumber(HolesFlow.FromHole);
                    yield return from;
                    left = from.Answer;
                    break;
                case AskedNumber.Putt:
                    var putt = new ScorerQuestionNumber(HolesFlow.PuttFeet);
                    yield return putt;
                    feet = putt.Answer;
                    break;
            }

            strokes += 1 + rule.Penalty;
            tally["penalties"] += rule.Penalty;
            lie = rule.Lie ?? lie;
            var isHoled = finish == Finish.Holed;
            shots.Add(
                new PlayedShot(
                    club.Answer,
                    before.Lie,
                    new MarkedLength(before.Left / 10.0, laid.Unit),
                    finish,
                    isHoled ? null : lie,
                    isHoled ? null
                        : finish == Finish.Green ? new MarkedLength(feet / 10.0, LengthUnit.Feet)
                        : new MarkedLength(left / 10.0, laid.Unit),
                    rule.Penalty
                )
            );
            Stand();
            tally.EndAttempt();
            if (isHoled || finish == Finish.Green)
            {
                tally["strokes"] += strokes;
                if (strokes <= hole.Par - 2)
                    tally["greens"]++;
                if (isHoled)
                {
                    Over(card with { Putts = 0 });
                }
                else if (IsExpected)
                {
                    var hundredths = HolesFlow.ExpectedHundredths(feet / 10);
                    tally["puttHundredths"] += hundredths;
                    Over(card with { FirstPutt = Feet(feet), Putts = hundredths / 100.0, PuttsAreExpected = true });
                }
                else
                {
                    cards[at] = card with { FirstPutt = Feet(feet) };
                    tally["waiting"]++;
                }

                yield break;
            }

            if (strokes >= ShotRules.PickedUp(hole.Par))
                break;
        }

        if (shots.Count == 0)
            cards.Add(card);
        tally["strokes"] += ShotRules.PickedUp(hole.Par);
        tally["pickedUp"]++;
        Over(card with { IsPickedUp = true });
    }

    private static MarkedLength Feet(int tenths) => new(tenths / 10.0, LengthUnit.Feet);

    /// <summary>The putts that wait, for birdie or better first, then for par, for bogey, and the rest.</summary>
    private static IEnumerable<ScorerQuestion> PuttOut(LaidHoles laid, List<HoleCard> cards, Tally tally)
    {
        var waiting = cards
            .Index()
            .Where(c => !c.Item.IsOver)
            .OrderBy(c => Math.Clamp(c.Item.Shots.Count + c.Item.Penalties + 1 - c.Item.Par, -1, 2))
            .ToList();
        foreach (var (at, card) in waiting)
        {
            tally["puttHole"] = at;
            var putts = new ScorerQuestionChoice([.. Enumerable.Range(1, MostPutts).Select(n => n.ToString(Written.Culture))]);
            yield return putts;
            var count = int.Parse(putts.Answer, Written.Culture);
            cards[at] = card with { Putts = count };
            tally["putts"] += count;
            tally["strokes"] += count;
            tally["par"] += laid.Holes[at].Par;
            tally["waiting"]--;
            tally["over"]++;
            tally.EndAttempt();
        }
    }

    private protected override double? Value(string measure, Tally tally)
    {
        var card = tally.Card!;
        return measure switch
        {
            "toPar" => card.Over.Any() ? card.Score - card.Par : null,
            "gained" => card.Over.Any(h => !h.IsPickedUp) ? card.Gained.Sum(g => g.Strokes) : null,
            "greens" => Share(card.Greens),
            "fairways" => Share(IsWhole ? card.Fairways : new CountOf(tally["fairways"], tally["teeShots"])),
            "saves" => Share(card.UpAndDowns),
            "putts" => card.Over.Any() ? card.Putts : null,
            "penalties" => card.Penalties,
            "over" => card.Over.Count(),
            _ => tally[measure],
        };
    }

    private static double? Share(CountOf count) => count.Of == 0 ? null : 100.0 * count.Count / count.Of;

    private protected override Message Say(Tally tally)
    {
        if (!IsWhole)
        {
            return OnCourseSentences.FairwaysFound.Of(
                Rate.InWords(tally["fairways"], tally["teeShots"]),
                tally["missedLeft"],
                tally["missedRight"]
            );
        }

        var card = tally.Card!;
        var over = card.Over.Count();
        if (over == 0)
            return OnCourseSentences.NoHoleOver.Of();
        var holes = over == 1 ? OnCourseSentences.OneHole.Of() : OnCourseSentences.ManyHoles.Of(over);
        if (IsExpected)
            return OnCourseSentences.HolesExpected.Of(card.Score, holes, card.Par);
        var toPar = (int)card.Score - card.Par;
        return toPar == 0 ? OnCourseSentences.HolesLevel.Of(holes)
            : toPar < 0 ? OnCourseSentences.HolesUnder.Of(-toPar, holes)
            : OnCourseSentences.HolesOver.Of(toPar, holes);
    }
}
