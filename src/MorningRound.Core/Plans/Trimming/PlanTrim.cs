using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Trimming;

/// <summary>What is left of a segment after trimming.</summary>
/// <param name="SegmentId">The segment of the plan.</param>
/// <param name="Minutes">Minutes it keeps, at least one.</param>
/// <param name="Balls">Balls it keeps.</param>
/// <param name="Holes">Holes still to be played; null where it has none, and in records from before holes were trimmed.</param>
/// <param name="Attempts">Attempts its drill is shortened to; null where it has no number of its own to shorten.</param>
public sealed record TrimmedSegment(Guid SegmentId, int Minutes, int Balls, int? Holes = null, int? Attempts = null);

/// <summary>When a segment is over, in words.</summary>
public sealed record ExitRuleText(Guid SegmentId, string Text)
{
    /// <summary>The exit rules of a plan's segments, pauses apart.</summary>
    public static IReadOnlyList<ExitRuleText> Of(SessionPlan plan) =>
        [.. plan.Practice().Select(s => new ExitRuleText(s.Id, s.Exit.InWords(s)))];
}

/// <summary>A session made to fit less time or fewer balls.</summary>
/// <param name="Kept">What is left, in the order of the plan.</param>
/// <param name="Dropped">What fell out whole.</param>
/// <param name="Reasons">What was done and why, in sentences.</param>
public sealed record Trimmed(IReadOnlyList<TrimmedSegment> Kept, IReadOnlyList<Guid> Dropped, IReadOnlyList<string> Reasons);

/// <summary>What a segment is, as far as shortening it needs to know.</summary>
public sealed record TrimShare
{
    /// <summary>The segment.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>Whether its minutes stay whole, as those of stretching before anything is swung do.</summary>
    public required bool StaysWhole { get; init; }

    /// <summary>Its minutes.</summary>
    public required int Minutes { get; init; }

    /// <summary>The fewest minutes that it is begun for.</summary>
    public int LeastMinutes { get; init; } = 1;

    /// <summary>Its balls.</summary>
    public required int Balls { get; init; }

    /// <summary>Whether its balls come out of the bucket.</summary>
    public required bool BallsAreBought { get; init; }

    /// <summary>Its holes; null where it has none.</summary>
    public required int? Holes { get; init; }

    /// <summary>The number of attempts of its drill, where that can be shortened.</summary>
    public required int? Attempts { get; init; }

    /// <summary>The attempts of a round of its drill: only whole rounds are left out. 1 where it does not go round.</summary>
    public required int AttemptsEach { get; init; }

    /// <summary>When it is over, with <c>{minutes}</c> and <c>{balls}</c> to fill in.</summary>
    public required string ExitRule { get; init; }

    /// <summary>When it is over with no ball left.</summary>
    public required string ExitRuleWithoutBalls { get; init; }
}

/// <summary>What falls out for some minutes at hand.</summary>
public sealed record TrimStep
{
    /// <summary>The fewest minutes at hand for which it holds; above, the step before it does.</summary>
    public required int From { get; init; }

    /// <summary>Minutes of walking that are left.</summary>
    public required int WalkMinutes { get; init; }

    /// <summary>The segments that are left, in the order of the plan.</summary>
    public required IReadOnlyList<Guid> Kept { get; init; }

    /// <summary>What falls out, in the order in which it does.</summary>
    public required IReadOnlyList<TrimDrop> Dropped { get; init; }
}

/// <summary>A segment that falls out, and why.</summary>
public sealed record TrimDrop(Guid SegmentId, string Reason);

/// <summary>
/// A session as it can be made to fit, worked out beforehand so that a phone without a signal needs nothing but whole-number
/// shares:
/// what falls out at which minutes, and what each segment is. <see cref="At"/> has a twin in the phone.
/// </summary>
/// <remarks>
/// The warm-up stays, its stretching and its first swings; segments fall out whole, the lowest priority first, while the
/// approach's shares hold; then the rest is shortened in proportion.
/// </remarks>
public sealed record PlanTrim
{
    /// <summary>Nothing is worth beginning for less. [own default]</summary>
    private const int LeastMinutes = 2;

    /// <summary>Minutes that the whole session takes, walks included.</summary>
    public required int Minutes { get; init; }

    /// <summary>Bought balls that the whole session takes.</summary>
    public required int Balls { get; init; }

    /// <summary>The segments, in the order of the plan.</summary>
    public required IReadOnlyList<TrimShare> Segments { get; init; }

    /// <summary>The steps, the one for the most minutes first.</summary>
    public required IReadOnlyList<TrimStep> Steps { get; init; }

    /// <summary>Works a plan's trims out.</summary>
    /// <param name="plan">The plan as it was set.</param>
    /// <param name="context">Who and where it is for.</param>
    public static PlanTrim Of(SessionPlan plan, PlanContext context)
    {
        var dropping = new Dropping(plan, context);
        var needed = dropping.MinutesOf(dropping.All) + dropping.WalkMinutes(dropping.All);
        var steps = new List<TrimStep>();
        for (var minutes = needed; minutes >= 1; minutes--)
        {
            var (left, dropped) = dropping.Down(minutes);
            IReadOnlyList<Guid> kept = dropping.IdsOf(left);
            // Not even the least for each: what is left of the last step is all there is.
            if (minutes - dropping.WalkMinutes(left) < dropping.LeastMinutesOf(left))
                break;
            if (steps.Count > 0 && steps[^1].Kept.SequenceEqual(kept))
                steps[^1] = steps[^1] with { From = minutes };
            else
                steps.Add(
                    new TrimStep
                    {
                        From = minutes,
                        WalkMinutes = dropping.WalkMinutes(left),
                        Kept = kept,
                        Dropped = dropped,
                    }
                );
        }

        return new PlanTrim
        {
            Minutes = needed,
            Balls = Bought(plan),
            Segments = [.. plan.Segments.Select(ShareOf)],
            Steps = steps,
        };
    }

    /// <summary>
    /// What is left for the minutes and balls at hand; null when all of it fits, when nothing is left, or when not even a
    /// minute of each segment would fit.
    /// </summary>
    /// <param name="minutes">Minutes there are.</param>
    /// <param name="balls">Bought balls there are; null where they do not matter.</param>
    /// <param name="leftOut">
    /// Segments that are left out anyhow, because they load what hurts. Their minutes are free for the others, so that less falls
    /// out than without them. Nothing is said of them here.
    /// </param>
    public Trimmed? At(int minutes, int? balls, IReadOnlySet<Guid> leftOut)
    {
        if (Steps.Count == 0)
            return null;
        // Without a single ball nothing that takes bought ones is left.
        var ballless =
            balls == 0 ? Segments.Where(s => s.BallsAreBought && s.Balls > 0 && !leftOut.Contains(s.SegmentId)).ToList() : [];
        if (ballless.Count > 0)
            leftOut = new HashSet<Guid>(leftOut.Concat(ballless.Select(s => s.SegmentId)));
        var all = Segments.Where(s => !leftOut.Contains(s.SegmentId)).ToList();
        var needed = all.Sum(s => s.Minutes) + Steps[0].WalkMinutes;
        if (
            all.Count == 0
            || (
                ballless.Count == 0
                && minutes >= needed
                && (balls is null || balls >= all.Where(s => s.BallsAreBought).Sum(s => s.Balls))
            )
        )
            return null;
        var there = Math.Min(minutes, needed);
        if (StepFor(there, leftOut) is not { } step)
            return null;
        var kept = all.Where(s => step.Kept.Contains(s.SegmentId)).ToList();
        var dropped = step.Dropped.Where(d => !leftOut.Contains(d.SegmentId)).ToList();
        if (kept.Count == 0 || there - step.WalkMinutes < kept.Sum(s => s.LeastMinutes))
            return null;
        var lengths = LengthsOf(kept, there - step.WalkMinutes);
        var counts = kept.Select(
                (s, i) =>
                    s.Balls == 0 || lengths[i] == s.Minutes ? s.Balls : WholeShares.InProportion(s.Balls, lengths[i], s.Minutes)
            )
            .ToList();
        var bought = kept.Select((s, i) => s.BallsAreBought ? counts[i] : 0).ToList();
        var isShortOfBalls = balls is { } bucket && bought.Sum() > bucket;
        if (isShortOfBalls)
        {
            var shares = WholeShares.Divide(balls!.Value, bought);
            for (var i = 0; i < kept.Count; i++)
                if (kept[i].BallsAreBought)
                    counts[i] = shares[i];
        }

        var isShorter = kept.Select((s, i) => lengths[i] < s.Minutes).Any(shorter => shorter);
        return new Trimmed(
            [
                .. kept.Select(
                    (s, i) =>
                        new TrimmedSegment(
                            s.SegmentId,
                            lengths[i],
                            counts[i],
                            s.Holes is { } holes ? WholeShares.InProportion(holes, lengths[i], s.Minutes) : null,
                            s.Attempts is { } attempts ? AttemptsOf(s, attempts, lengths[i], counts[i]) : null
                        )
                ),
            ],
            [.. ballless.Select(s => s.SegmentId), .. dropped.Select(d => d.SegmentId)],
            [
                .. ballless.Count > 0 ? [TrimSentences.NoBalls.Of().In()] : Array.Empty<string>(),
                .. dropped.Select(d => d.Reason),
                .. isShorter
                    ? [(dropped.Count == 0 ? TrimSentences.EverythingShorter : TrimSentences.RestShorter).Of(lengths.Sum()).In()]
                    : Array.Empty<string>(),
                .. isShortOfBalls ? [TrimSentences.FewerBalls.Of(balls!.Value).In()] : Array.Empty<string>(),
            ]
        );
    }

    /// <summary>
    /// What falls out. With segments left out anyhow it is the first step that fits without them, as long as it fills nine tenths
    /// of the time, and never one further than without them.
    /// </summary>
    private TrimStep? StepFor(int minutes, IReadOnlySet<Guid> leftOut)
    {
        if (leftOut.Count == 0)
            return Steps.FirstOrDefault(s => s.From <= minutes);
        var last = Steps.TakeWhile(s => s.From > minutes).Count();
        var chosen = Steps[0];
        foreach (var step in Steps.Take(last + 1))
        {
            if (MinutesOf(chosen) + chosen.WalkMinutes <= minutes)
                break;
            if (MinutesOf(step) >= (minutes - step.WalkMinutes) * 9 / 10)
                chosen = step;
        }

        return chosen;

        int MinutesOf(TrimStep step) =>
            Segments.Where(s => step.Kept.Contains(s.SegmentId) && !leftOut.Contains(s.SegmentId)).Sum(s => s.Minutes);
    }

    private static int AttemptsOf(TrimShare segment, int attempts, int minutes, int balls)
    {
        var rounds = attempts / segment.AttemptsEach;
        return segment.AttemptsEach
            * (
                segment.Balls > 0
                    ? WholeShares.InProportion(rounds, balls, segment.Balls)
                    : WholeShares.InProportion(rounds, minutes, segment.Minutes)
            );
    }

    /// <summary>
    /// Minutes of each segment: whole where they fit or have to stay, otherwise at least two and in proportion.
    /// </summary>
    private static List<int> LengthsOf(IReadOnlyList<TrimShare> kept, int there)
    {
        if (kept.Sum(s => s.Minutes) <= there)
            return [.. kept.Select(s => s.Minutes)];
        var whole = kept.Where(s => s.StaysWhole).Sum(s => s.Minutes);
        var others = kept.Where(s => !s.StaysWhole).Sum(s => s.LeastMinutes);
        // Stretching stays whole as long as half of the time is left for what comes after it.
        var keepsWhole = others > 0 && there - whole >= others && whole * 2 <= there;
        var shortened = kept.Where(s => !keepsWhole || !s.StaysWhole).ToList();
        var shares = WholeShares.Divide(
            there - (keepsWhole ? whole : 0) - shortened.Sum(s => s.LeastMinutes),
            [.. shortened.Select(s => s.Minutes - s.LeastMinutes)]
        );
        return [.. kept.Select(s => keepsWhole && s.StaysWhole ? s.Minutes : shares[shortened.IndexOf(s)] + s.LeastMinutes)];
    }

    private static TrimShare ShareOf(Segment segment)
    {
        var practice = segment as PracticeSegment;
        var protocol = practice?.Protocol();
        return new TrimShare
        {
            SegmentId = segment.Id,
            StaysWhole = practice is { Phase: Phase.WarmUp, Intent: Intent.Body },
            Minutes = segment.Minutes,
            LeastMinutes = Math.Min(LeastMinutes, segment.Minutes),
            Balls = practice?.Balls ?? 0,
            BallsAreBought = practice?.Place.BallsAreBought() == true,
            Holes = practice?.Holes,
            Attempts = protocol?.PlannedAttempts is { } attempts && protocol.WithCount(attempts) is not null ? attempts : null,
            AttemptsEach = protocol?.AttemptsEach ?? 1,
            ExitRule = practice?.Exit.Template(practice.Balls > 0) ?? "",
            ExitRuleWithoutBalls = practice?.Exit.Template(hasBalls: false) ?? "",
        };
    }

    private static int Bought(SessionPlan plan) =>
        plan.Practice().Where(s => s.Place.BallsAreBought()).Sum(s => Math.Max(0, s.Balls));

    /// <summary>
    /// What falls out whole. A choice of segments is a number with a bit for each, since it is asked for at every minute; what
    /// was worked out for one choice is remembered for the minutes below.
    /// </summary>
    private sealed class Dropping(SessionPlan plan, PlanContext context)
    {
        private readonly Dictionary<ulong, (int Walks, int Imbalance)> _known = [];
        private readonly IReadOnlyList<Segment> _segments = plan.Segments;

        public ulong All { get; } = (1UL << plan.Segments.Count) - 1;

        public int WalkMinutes(ulong left) => Of(left).Walks;

        public int MinutesOf(ulong left)
        {
            var sum = 0;
            for (var i = 0; i < _segments.Count; i++)
                if (Holds(left, i))
                    sum += _segments[i].Minutes;
            return sum;
        }

        public IReadOnlyList<Guid> IdsOf(ulong left) => [.. _segments.Where((_, i) => Holds(left, i)).Select(s => s.Id)];

        /// <summary>What is left for a number of minutes, and what falls out, each with its reason.</summary>
        public (ulong Left, IReadOnlyList<TrimDrop> Dropped) Down(int minutes)
        {
            var dropped = new List<TrimDrop>();
            var left = All;
            while (MinutesOf(left) + WalkMinutes(left) > minutes && Droppable(left, minutes - WalkMinutes(left)) is { } falls)
            {
                left = Without(left, falls);
                var segment = _segments[falls];
                dropped.Add(new TrimDrop(segment.Id, TrimSentences.FallsOut.Of(segment.Title, WhyOf(segment).Of()).In()));
            }

            // Where all have one priority they are shortened together, until there is too little for each.
            while (minutes - WalkMinutes(left) < LeastMinutesOf(left) && Last(left) is { } last)
            {
                left = Without(left, last);
                var segment = _segments[last];
                dropped.Add(new TrimDrop(segment.Id, TrimSentences.FallsOut.Of(segment.Title, TrimSentences.NoTime.Of()).In()));
            }

            return (left, dropped);
        }

        /// <summary>The least minutes with which what is left can be begun.</summary>
        public int LeastMinutesOf(ulong left) =>
            _segments.Where((_, i) => Holds(left, i)).Sum(s => Math.Min(LeastMinutes, s.Minutes));

        /// <summary>
        /// What falls out when there is too little for each: pauses, then the least of the practice, then all of the warm-up but
        /// its beginning. Something to practise stays as long as there is something.
        /// </summary>
        private int? Last(ulong left)
        {
            if (First(left, i => _segments[i] is Pause) is { } pause)
                return pause;
            var firstWarmUp = First(left, i => _segments[i] is PracticeSegment { Phase: Phase.WarmUp });
            var main = Enumerable
                .Range(0, _segments.Count)
                .Where(i => Holds(left, i) && _segments[i] is PracticeSegment { Phase: not Phase.WarmUp })
                .OrderByDescending(i => ((PracticeSegment)_segments[i]).Priority)
                .ThenByDescending(i => i)
                .ToList();
            if (main.Count > 1)
                return main[0];
            return First(left, i => i != firstWarmUp && _segments[i] is PracticeSegment { Phase: Phase.WarmUp });
        }

        private static Sentence WhyOf(Segment segment) =>
            segment switch
            {
                Pause => TrimSentences.NoPauseNeeded,
                PracticeSegment { Phase: Phase.WarmUp } => TrimSentences.WarmUpIsEnough,
                _ => TrimSentences.LeastPriority,
            };

        /// <summary>
        /// Never the first warm-up nor the first that swings, the lowest priority first and among equals the last; only where
        /// that does not leave much less than there is time for, and raises no balance finding that was not there.
        /// </summary>
        private int? Droppable(ulong left, int minutes)
        {
            var total = MinutesOf(left);
            bool LeavesEnough(int i) => total - _segments[i].Minutes >= minutes * 9 / 10;
            if (minutes <= 60 && First(left, i => _segments[i] is Pause && LeavesEnough(i)) is { } pause)
                return pause;
            int?[] warmUps =
            [
                First(left, i => _segments[i] is PracticeSegment { Phase: Phase.WarmUp }),
                First(left, i => _segments[i] is PracticeSegment { Phase: Phase.WarmUp, Balls: > 0 }),
            ];
            // Where everything is of one priority nothing is the least; it is shortened instead.
            var highest = Main(left).Select(s => s.Priority).DefaultIfEmpty(1).Min();
            return Enumerable
                .Range(0, _segments.Count)
                .Where(i =>
                    Holds(left, i)
                    && !warmUps.Contains(i)
                    && LeavesEnough(i)
                    && _segments[i] is PracticeSegment s
                    && (s.Priority > highest || s.Phase == Phase.WarmUp)
                )
                .OrderByDescending(i => ((PracticeSegment)_segments[i]).Priority)
                .ThenByDescending(i => i)
                .Where(i => Main(Without(left, i)).Any() && Of(Without(left, i)).Imbalance <= Of(left).Imbalance)
                .Select(i => (int?)i)
                .FirstOrDefault();
        }

        private IEnumerable<PracticeSegment> Main(ulong left) =>
            _segments.Where((_, i) => Holds(left, i)).OfType<PracticeSegment>().Where(s => s.Phase != Phase.WarmUp);

        private int? First(ulong left, Func<int, bool> which)
        {
            for (var i = 0; i < _segments.Count; i++)
                if (Holds(left, i) && which(i))
                    return i;
            return null;
        }

        private (int Walks, int Imbalance) Of(ulong left)
        {
            if (_known.TryGetValue(left, out var known))
                return known;
            var seen = new PlanInput(plan with { Segments = [.. _segments.Where((_, i) => Holds(left, i))] }, context);
            return _known[left] = (seen.WalkMinutes, PlanCheck.Count(seen, FindingId.Balance));
        }

        private static bool Holds(ulong left, int i) => (left >> i & 1) == 1;

        private static ulong Without(ulong left, int i) => left & ~(1UL << i);
    }
}
