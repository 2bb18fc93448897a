using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Progress;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>
/// Judges the drills of a week by their last comparable results: test again, raise, ease, swap or hold, whichever fits first;
/// rest technique before a competition; merge what stands twice; try something small for a focus that nothing works at.
/// </summary>
public static class WeekJudgement
{
    /// <summary>The last comparable results that are looked at. [own default]</summary>
    private const int LookedAt = 3;

    /// <summary>Fewer attempts in all of them judge nothing. [own default]</summary>
    private const int FewestAttempts = 10;

    /// <summary>How often the goal has to be met of the last three. [own default]</summary>
    private const int MetForRaise = 2;

    /// <summary>The confidence that lets two of three be enough. [own default]</summary>
    private const double ConfidentFrom = 6;

    /// <summary>So long a drill is held before it is asked whether it still does something. [own default]</summary>
    private const int DaysHeld = 28;

    /// <summary>Within so many days of a competition technique is not made harder any more. [own default]</summary>
    private const int GivesWayDays = 14;

    /// <summary>Within so many days of it technique rests. As the season's competition week. [own default]</summary>
    private const int RestsDays = 6;

    private const int TrialMinutes = 5;

    /// <summary>Longer than this is better in two pieces. [own default]</summary>
    private const int LongestPiece = 40;

    /// <summary>
    /// Everything suggested for the week after, in the order of the week; a drill that stands in it often is told once.
    /// </summary>
    /// <param name="week">The sessions of the week, their plans with ladders.</param>
    /// <param name="results">The student's results in any order.</param>
    /// <param name="context">The student, and a day of the week that is planned.</param>
    /// <param name="shelf">The drills there are.</param>
    public static IReadOnlyList<Suggestion> Of(
        IReadOnlyList<SessionToJudge> week,
        IReadOnlyCollection<DatedResult> results,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf
    )
    {
        var history = results
            .Where(r => r is { Result: { IsHollow: false, Value: not null }, Group: not PhaseGroup.WarmUp })
            .OrderBy(r => r.Day)
            .ThenBy(r => r.SessionId)
            .ToLookup(r => r.DrillId);
        var drills =
            from session in week
            from segment in session.Plan.Practice()
            where segment is { Phase: not Phase.WarmUp, Drill: not null }
            group (session, segment) by (
                segment.Drill!.DrillId,
                segment.Drill.Rung,
                Modifiers: segment.Drill.Modifiers.InWords(),
                Group: segment.Phase.Group(),
                Clubs: Clubs.GroupOf(segment.Clubs)
            );
        return
        [
            .. drills
                .Select(g =>
                    new JudgedDrill(
                        [.. g.Select(s => new AssignedSegment(s.session.AssignmentId, s.segment.Id))],
                        g.First().segment,
                        [
                            .. history[g.Key.DrillId]
                                .Where(r =>
                                    r.Rung == g.Key.Rung
                                    && r.Group == g.Key.Group
                                    && r.Result.Clubs == g.Key.Clubs
                                    && r.Result.Modifiers == g.Key.Modifiers
                                ),
                        ],
                        week,
                        context,
                        shelf
                    ).Judge()
                )
                .OfType<Suggestion>(),
            .. Merges(week),
            .. Trial(week, context, shelf),
        ];
    }

    /// <summary>How many days it is to the student's next competition; null where none is ahead.</summary>
    private static (int Days, Competition Competition)? Ahead(PlanContext context)
    {
        var next = (context.Student?.Own.Competitions ?? []).Where(c => c.LastDay >= context.Day).MinBy(c => c.FirstDay);
        return next is null ? null : (Math.Max(0, next.FirstDay.DayNumber - context.Day.DayNumber), next);
    }

    /// <summary>
    /// Whether comparable results, oldest first, were held for four weeks and the best of the last two is no better than the best
    /// of the first two.
    /// </summary>
    internal static bool StandsStill(IReadOnlyList<DatedResult> comparable, MeasureKind? measure = null)
    {
        if (comparable.Count < 4 || comparable[^1].Day.DayNumber - comparable[0].Day.DayNumber < DaysHeld)
            return false;
        var kind = measure ?? comparable[0].Result.Leading;
        if (comparable.Any(r => r.Result.Values.GetValueOrDefault(kind.Name) is null))
            return false;
        return kind.Better switch
        {
            Better.Higher => Best(comparable.TakeLast(2), kind) <= Best(comparable.Take(2), kind),
            Better.Lower => Best(comparable.TakeLast(2), kind) >= Best(comparable.Take(2), kind),
            _ => false,
        };
    }

    /// <summary>The same in words, with its numbers.</summary>
    internal static Message StandstillInWords(IReadOnlyList<DatedResult> comparable, MeasureKind? measure = null)
    {
        var kind = measure ?? comparable[0].Result.Leading;
        return ReviewSentences.NoBetter.Of(
            (comparable[^1].Day.DayNumber - comparable[0].Day.DayNumber) / 7,
            Written.Number(Best(comparable.TakeLast(2), kind), kind.Decimals),
            Written.Unit(kind.Unit),
            Written.Number(Best(comparable.Take(2), kind), kind.Decimals)
        );
    }

    private static double Best(IEnumerable<DatedResult> results, MeasureKind kind)
    {
        var values = results.Select(r => r.Result.Values[kind.Name]!.Value);
        return kind.Better == Better.Lower ? values.Min() : values.Max();
    }

    /// <summary>
    /// What is done twice in one session, in one kind of practice, on one ground; told once, however many sessions have it.
    /// </summary>
    private static IEnumerable<Suggestion> Merges(IReadOnlyList<SessionToJudge> week) =>
        from session in week
        from twin in session
            .Plan.Practice()
            .Where(s => s is { Drill: not null, Phase: not Phase.WarmUp })
            .GroupBy(s => (s.Drill!.DrillId, s.Drill.Rung, Group: s.Phase.Group(), s.Place))
        where twin.Count() == 2 && twin.Sum(s => s.Minutes) <= LongestPiece && !HasPauseBetween(session.Plan, [.. twin])
        group (Session: session, Twin: twin) by twin.Key into same
        let at = same.First()
        let first = at.Twin.First()
        select new Suggestion(
            $"merge-{at.Session.AssignmentId}-{first.Id}",
            new WeekChange
            {
                Kind = SuggestionKind.Merge,
                Segments = [.. same.SelectMany(s => s.Twin.Select(t => new AssignedSegment(s.Session.AssignmentId, t.Id)))],
                DrillId = first.Drill!.DrillId,
                OnRung = first.Drill.Rung,
                Group = first.Phase.Group(),
            },
            first.Drill.Drill.Name,
            "",
            [],
            ReviewSentences.Merge.Of(Quoted(first.Drill.Drill.Name), at.Session.Plan.Title, at.Twin.Sum(s => s.Minutes))
        );

    private static bool HasPauseBetween(SessionPlan plan, IReadOnlyList<PracticeSegment> twins) =>
        plan.Segments.SkipWhile(s => s.Id != twins[0].Id).TakeWhile(s => s.Id != twins[1].Id).Any(s => s is Pause);

    private static string Quoted(string name) => $"“{name}”";

    /// <summary>
    /// A small dose for a focus that nothing in the week works at, or else for what did not hold in the last competition.
    /// </summary>
    private static IEnumerable<Suggestion> Trial(
        IReadOnlyList<SessionToJudge> week,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf
    )
    {
        if (context.Student is not { } student || Ahead(context) is { Days: <= GivesWayDays })
            yield break;
        var focus = student.Coach.Focus;
        var debriefed = student.DebriefedBefore(context.Day);
        var wanted = new[] { focus.Area }.Concat((debriefed?.DidNotHold ?? []).Cast<Area?>()).OfType<Area>().Distinct();
        var worked = week.SelectMany(s => s.Plan.Practice())
            .Where(s => s.Phase != Phase.WarmUp)
            .Select(s => s.EffectiveArea)
            .ToHashSet();
        foreach (var area in wanted.Where(a => !worked.Contains(a)))
        {
            var skill = area == focus.Area ? focus.Skill : "";
            if (TrialOf(area, skill, week, context, shelf) is not { } found)
                continue;
            var (host, segment, drill, rung) = found;
            var aim = area == focus.Area ? focus.AimInWords() : "";
            yield return new Suggestion(
                $"trial-{drill.Id}",
                new WeekChange
                {
                    Kind = SuggestionKind.Trial,
                    Segments = [new AssignedSegment(host.AssignmentId, segment.Id)],
                    Rung = rung,
                    BringsDrillId = drill.Id,
                    Trial = new TrialText(
                        ReviewSentences.TrialQuestion.Of((aim.Length > 0 ? aim : drill.Drill.Purpose).TrimEnd('.')).In(),
                        ReviewSentences.TrialExpect.Of().In(),
                        ReviewSentences.TrialOverdoing.Of().In()
                    ),
                },
                drill.Drill.Name,
                drill.Drill.Name,
                [],
                area == focus.Area
                    ? ReviewSentences.Trial.Of(area, drill.Drill.Name, TrialMinutes, host.Plan.Title)
                    : ReviewSentences.TrialAfter.Of(
                        Beliefs.InSentence(area),
                        debriefed!.Name,
                        drill.Drill.Name,
                        TrialMinutes,
                        host.Plan.Title
                    )
            );
            yield break;
        }
    }

    /// <summary>
    /// A drill for an area that this student can do, and the session that gives it its minutes; null without one.
    /// </summary>
    private static (SessionToJudge Host, PracticeSegment Segment, ShelvedDrill Drill, int Rung)? TrialOf(
        Area area,
        string skill,
        IReadOnlyList<SessionToJudge> week,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf
    )
    {
        foreach (
            var drill in shelf
                .Where(d => d.Drill.Area == area && d.Drill.Suits(context.Level, context.Student!.Coach.Age))
                .OrderBy(d => string.Equals(d.Drill.Skill, skill, StringComparison.OrdinalIgnoreCase) ? 0 : 1)
                .ThenBy(d => d.Drill.Name, StringComparer.Ordinal)
        )
        {
            var host = week.FirstOrDefault(s => Host(s.Plan, drill.Drill) is not null);
            if (host is null || Host(host.Plan, drill.Drill) is not { } segment)
                continue;
            var rung = drill.Drill.BeginningRung(context.Level);
            if (PlanTailoring.Obstacle(PlanTailoring.WithDrill(segment, drill, rung), context) is null)
                return (host, segment, drill, rung);
        }

        return null;
    }

    /// <summary>
    /// The longest segment of a plan that can give a few minutes to a drill, on a ground where it can be done; null without one.
    /// </summary>
    internal static PracticeSegment? Host(SessionPlan plan, Drill drill) =>
        plan.Practice()
            .Where(s => s.Phase != Phase.WarmUp && s.Minutes >= 3 * TrialMinutes && drill.Places.Contains(s.Place))
            .MaxBy(s => s.Minutes);

    /// <summary>One drill of the week with what is comparable of its history.</summary>
    private sealed record JudgedDrill(
        IReadOnlyList<AssignedSegment> Segments,
        PracticeSegment Segment,
        IReadOnlyList<DatedResult> History,
        IReadOnlyList<SessionToJudge> Week,
        PlanContext Context,
        IReadOnlyList<ShelvedDrill> Shelf
    )
    {
        private PlannedDrill Planned => Segment.Drill!;

        private Drill Drill => Planned.Drill;

        /// <summary>The drill in quotes, with its kind of practice where the week has it in both.</summary>
        private string Named =>
            Week.SelectMany(s => s.Plan.Practice())
                .Where(s => s.Phase != Phase.WarmUp && s.Drill?.DrillId == Planned.DrillId)
                .Select(s => s.Phase.Group())
                .Distinct()
                .Count() > 1
                ? $"{Quoted(Drill.Name)} in {(Segment.Phase == Phase.Block ? "block" : "random")}"
                : Quoted(Drill.Name);

        private ScoringProtocol Protocol => Planned.Protocol();

        /// <summary>What is asked of it, or what is usual on its step.</summary>
        private DrillGoal? Goal => Planned.Goal ?? Drill.UsualGoal(Planned.Rung);

        /// <summary>The first of the rules that fits; null of a drill that is no better one way or the other.</summary>
        public Suggestion? Judge()
        {
            if (Segment.Intent == Intent.Technique && Ahead(Context) is { Days: <= RestsDays } near)
                return Say(
                    SuggestionKind.Retire,
                    [],
                    ReviewSentences.RestsBefore.Of(Named, Attention.Day(near.Competition.FirstDay), near.Competition.Name)
                );
            if (!Protocol.GoalMeasures.Any())
                return null;
            // A few attempts of many say nothing for or against what was asked.
            var enough = History.Where(r => !r.Result.NotEnoughAttempts).ToList();
            var comparable = enough.Count == 0 ? [] : enough.Where(r => r.Key == enough[^1].Key).ToList();
            var last = comparable.TakeLast(LookedAt).ToList();
            var attempts = last.Sum(r => r.Result.Attempts);
            if (attempts < FewestAttempts)
            {
                return Say(
                    SuggestionKind.Retest,
                    last,
                    last.Count == 0 ? ReviewSentences.RetestNothing.Of(Named)
                        : last.Count < LookedAt ? ReviewSentences.RetestFew.Of(Named, FewestAttempts, attempts)
                        : ReviewSentences.Retest.Of(Named, attempts, FewestAttempts)
                );
            }

            if (Goal is not { } goal)
                return Say(SuggestionKind.Hold, last, ReviewSentences.HoldWithoutGoal.Of(Named));
            return Raise(last, goal) ?? Ease(last, goal) ?? Swap(comparable) ?? Hold(last, goal);
        }

        private bool IsMet(DatedResult result, DrillGoal goal) =>
            Protocol.GoalMeasures.FirstOrDefault(m => m.Name == goal.Measure) is { } kind
            && result.Result.Values.GetValueOrDefault(goal.Measure) is { } value
            && (kind.Better == Better.Higher ? value >= goal.Limit : value <= goal.Limit);

        private Suggestion? Raise(IReadOnlyList<DatedResult> last, DrillGoal goal)
        {
            var met = last.Count(r => IsMet(r, goal));
            var ratings = last.Select(r => r.Confidence).OfType<int>().ToList();
            double? confidence = ratings.Count == 0 ? null : ratings.Average();
            if (met < MetForRaise || (confidence is null ? met < LookedAt : confidence < ConfidentFrom))
                return null;
            var evidence = confidence is { } told
                ? ReviewSentences.MetAndConfident.Of(Protocol.InWords(goal), met, last.Count, told)
                : ReviewSentences.MetWithoutRating.Of(Protocol.InWords(goal), met, last.Count);
            if (Segment.Intent == Intent.Technique && Ahead(Context) is { Days: <= GivesWayDays } near)
            {
                return Say(
                    SuggestionKind.Hold,
                    last,
                    ReviewSentences.NotBefore.Of(Named, evidence, Attention.Day(near.Competition.FirstDay), near.Competition.Name)
                );
            }

            if (Planned.Rung + 1 < Drill.Ladder.Count)
            {
                return Say(
                    SuggestionKind.Raise,
                    last,
                    ReviewSentences.Raise.Of(Named, evidence, Drill.Ladder[Planned.Rung + 1].Name),
                    Planned.Rung + 1
                );
            }

            return NearestHarder() is { } harder
                ? Bringing(
                    harder,
                    SuggestionKind.Raise,
                    last,
                    ReviewSentences.RaiseToOther.Of(Named, evidence, harder.Drill.Name)
                )
                : Say(SuggestionKind.Retire, last, ReviewSentences.NothingHarder.Of(Named, evidence));
        }

        private Suggestion? Ease(IReadOnlyList<DatedResult> last, DrillGoal goal)
        {
            if (Planned.IsKeptBecauseHard || Planned.Rung == 0 || last.Count < LookedAt || last.Any(r => IsMet(r, goal)))
                return null;
            if (Drill.UsualGoal(Planned.Rung - 1) is not { } below)
                return null;
            var easier = Drill.ProtocolAt(Planned.Rung - 1);
            if (easier.GoalMeasures.FirstOrDefault(m => m.Name == below.Measure) is not { } kind)
                return null;
            var worse = last.Count(r =>
                r.Result.Values.GetValueOrDefault(below.Measure) is { } value
                && (kind.Better == Better.Higher ? value < below.Limit : value > below.Limit)
            );
            return worse < MetForRaise
                ? null
                : Say(
                    SuggestionKind.Ease,
                    last,
                    ReviewSentences.Ease.Of(
                        Named,
                        Protocol.InWords(goal),
                        last.Count,
                        worse,
                        easier.InWords(below),
                        Drill.Ladder[Planned.Rung - 1].Name
                    ),
                    Planned.Rung - 1
                );
        }

        private Suggestion? Swap(IReadOnlyList<DatedResult> comparable)
        {
            if (!StandsStill(comparable, MeasureQuoted()))
                return null;
            var evidence = StandstillInWords(comparable, MeasureQuoted());
            return Nearest(_ => true) is { } other
                ? Bringing(other, SuggestionKind.Swap, comparable, ReviewSentences.Swap.Of(Named, evidence, other.Drill.Name))
                : Say(SuggestionKind.Hold, comparable, ReviewSentences.NothingToSwap.Of(Named, evidence));
        }

        private Suggestion Hold(IReadOnlyList<DatedResult> last, DrillGoal goal)
        {
            var met = last.Count(r => IsMet(r, goal));
            var asked = Protocol.InWords(goal);
            var ratings = last.Select(r => r.Confidence).OfType<int>().ToList();
            return Say(
                SuggestionKind.Hold,
                last,
                last.Count == 1 ? (met == 1 ? ReviewSentences.HoldFirstMet : ReviewSentences.HoldFirstNotMet).Of(Named, asked)
                    : met == 0 && Planned.IsKeptBecauseHard ? ReviewSentences.HoldBecauseHard.Of(Named, asked, met, last.Count)
                    : met == 0 && Planned.Rung == 0 ? ReviewSentences.HoldAtBottom.Of(Named, asked, last.Count)
                    : met == 0 ? ReviewSentences.HoldNotMet.Of(Named, asked, last.Count)
                    : met < MetForRaise ? ReviewSentences.Hold.Of(Named, asked, met, last.Count)
                    : ratings.Count == 0 ? ReviewSentences.HoldUnrated.Of(Named, asked, met, last.Count)
                    : ReviewSentences.HoldUnsure.Of(Named, asked, met, last.Count, ratings.Average(), ConfidentFrom)
            );
        }

        /// <summary>
        /// How likely what is usually asked of a drill is met by a player of the student's level; null where unknown.
        /// </summary>
        private double? Chance(Drill drill, int rung) =>
            drill.UsualGoal(rung) is { } goal ? drill.ProtocolAt(rung).ChanceOf(goal, Context.Level.UsualShare()) : null;

        /// <summary>
        /// The drill for the same thing that is harder by the least, as far as that can be reckoned; null without one.
        /// </summary>
        private ShelvedDrill? NearestHarder() =>
            Chance(Drill, Planned.Rung) is not { } now ? null : Nearest(d => Chance(d, d.BeginningRung(Context.Level)) < now);

        /// <summary>
        /// The nearest drill that this student can do in the segment's place, of the same skill first; null without one.
        /// </summary>
        private ShelvedDrill? Nearest(Func<Drill, bool> suits)
        {
            var inWeek = Week.SelectMany(s => s.Plan.Practice()).Select(s => s.Drill?.DrillId).OfType<Guid>().ToHashSet();
            return Shelf
                .Where(d =>
                    !inWeek.Contains(d.Id)
                    && d.Drill.Area == Segment.EffectiveArea
                    && d.Drill.Phases.Contains(Segment.Phase)
                    && d.Drill.Intents.Contains(Segment.Intent)
                    && d.Drill.Places.Contains(Segment.Place)
                    && d.Drill.Suits(Context.Level, Context.Student?.Coach.Age ?? AgeBand.Adult)
                    && suits(d.Drill)
                )
                .OrderBy(d => d.Drill.Skill == Segment.EffectiveSkill ? 0 : 1)
                .ThenByDescending(d => Chance(d.Drill, d.Drill.BeginningRung(Context.Level)) ?? -1)
                .ThenBy(d => Math.Abs(d.Drill.UsualMinutes - Segment.Minutes))
                .ThenBy(d => d.Drill.Name, StringComparer.Ordinal)
                .FirstOrDefault(d =>
                    PlanTailoring.Obstacle(PlanTailoring.WithDrill(Segment, d, d.Drill.BeginningRung(Context.Level)), Context)
                        is null
                );
        }

        private Suggestion Bringing(ShelvedDrill other, SuggestionKind kind, IReadOnlyList<DatedResult> evidence, Message said)
        {
            var suggestion = Say(kind, evidence, said, other.Drill.BeginningRung(Context.Level));
            return suggestion with { Change = suggestion.Change with { BringsDrillId = other.Id }, Brings = other.Drill.Name };
        }

        private Suggestion Say(SuggestionKind kind, IReadOnlyList<DatedResult> evidence, Message said, int? rung = null) =>
            new(
                $"drill-{Segments[0].AssignmentId}-{Segments[0].SegmentId}",
                new WeekChange
                {
                    Kind = kind,
                    Segments = Segments,
                    DrillId = Planned.DrillId,
                    OnRung = Planned.Rung,
                    Group = Segment.Phase.Group(),
                    Rung = rung,
                },
                Drill.Name,
                "",
                [.. evidence.Where(r => ValueOf(r) is not null).Select(r => CurveDot.Of(r, ValueOf(r)!.Value, DoubtOf(r), 0))],
                Debriefed(said)
            )
            {
                Measure = MeasureQuoted(),
            };

        /// <summary>What is quoted of a result: the measure that the goal is on, or without a goal the leading figure.</summary>
        private MeasureKind MeasureQuoted() =>
            Goal is { } goal && Protocol.GoalMeasures.FirstOrDefault(m => m.Name == goal.Measure) is { } asked
                ? asked
                : Protocol.MeasureKinds[0];

        private double? ValueOf(DatedResult result) => result.Result.Values.GetValueOrDefault(MeasureQuoted().Name);

        /// <summary>Only the leading figure has a doubt of its own.</summary>
        private Interval? DoubtOf(DatedResult result) =>
            MeasureQuoted().Name == result.Result.Leading.Name ? result.Result.Doubt : null;

        /// <summary>With what the last competition showed of its part of the game, where that was said.</summary>
        private Message Debriefed(Message said) =>
            Segment.EffectiveArea is not { } area || Context.Student?.DebriefedBefore(Context.Day) is not { } last ? said
            : last.DidNotHold.Contains(area) ? ReviewSentences.DidNotHold.Of(said, Beliefs.InSentence(area), last.Name)
            : last.Held.Contains(area) ? ReviewSentences.Held.Of(said, Beliefs.InSentence(area), last.Name)
            : said;
    }
}
