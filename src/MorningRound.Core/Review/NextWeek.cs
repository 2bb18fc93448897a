using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Weeks.Tailoring;

namespace MorningRound.Core.Review;

/// <summary>Takes suggestions into the plans of the next week: last week with exactly what was accepted, and nothing else.</summary>
public static class NextWeek
{
    private const int TrialMinutes = 5;
    private const int TrialBalls = 8;

    /// <summary>The fewest attempts a drill is tested again with.</summary>
    private const int RetestAttempts = 10;

    /// <summary>
    /// A plan with the changes that concern it made; made twice they are made once. One that does not fit it changes nothing.
    /// </summary>
    /// <param name="plan">The plan, with ladders: a copy of a session that was judged, or any other of the same student.</param>
    /// <param name="changes">The changes that were taken.</param>
    /// <param name="shelf">The drills there are, by id.</param>
    public static SessionPlan With(SessionPlan plan, IEnumerable<WeekChange> changes, IReadOnlyDictionary<Guid, Drill> shelf)
    {
        foreach (var change in changes)
        {
            var ids = IdsIn(plan, change);
            if (ids.Count > 0)
                plan = With(plan, change, ids, shelf);
        }

        return plan;
    }

    /// <summary>
    /// The segments a change is about: a copy keeps their ids; elsewhere the same drill on the same step, in the same kind of
    /// practice, is meant.
    /// </summary>
    private static HashSet<Guid> IdsIn(SessionPlan plan, WeekChange change)
    {
        var named = change.Segments.Select(s => s.SegmentId).ToHashSet();
        var ids = plan.Practice().Select(s => s.Id).Where(named.Contains).ToHashSet();
        return ids.Count > 0
            ? ids
            :
            [
                .. plan.Practice()
                    .Where(s =>
                        s.Drill is { } planned
                        && planned.DrillId == change.DrillId
                        && planned.Rung == change.OnRung
                        && s.Phase.Group() == change.Group
                    )
                    .Select(s => s.Id),
            ];
    }

    private static SessionPlan With(
        SessionPlan plan,
        WeekChange change,
        HashSet<Guid> ids,
        IReadOnlyDictionary<Guid, Drill> shelf
    ) =>
        change.Kind switch
        {
            SuggestionKind.Retire => Without(plan, ids),
            SuggestionKind.Merge => Merged(plan, ids),
            SuggestionKind.Trial => Tried(plan, change, ids, shelf),
            SuggestionKind.Hold => plan,
            _ => plan with
            {
                Segments =
                [
                    .. plan.Segments.Select(s =>
                        s is PracticeSegment { Drill: not null } practice && ids.Contains(s.Id)
                            ? Changed(practice, change, shelf)
                            : s
                    ),
                ],
            },
        };

    private static PracticeSegment Changed(PracticeSegment segment, WeekChange change, IReadOnlyDictionary<Guid, Drill> shelf)
    {
        if (change.BringsDrillId is { } id)
            return shelf.TryGetValue(id, out var other)
                ? PlanTailoring.WithDrill(segment, new ShelvedDrill { Id = id, Drill = other }, change.Rung ?? 0)
                : segment;
        var planned = segment.Drill!;
        if (change.Kind == SuggestionKind.Retest)
        {
            return planned.Protocol().CountBy == CountBy.Segment && segment.Balls is > 0 and < RetestAttempts
                ? segment.WithBalls(RetestAttempts)
                : segment;
        }

        return change.Rung is { } rung && rung < planned.Drill.Ladder.Count
            ? segment with
            {
                Drill = planned with { Rung = rung, Goal = planned.Drill.UsualGoal(rung) },
            }
            : segment;
    }

    /// <summary>Without some segments; the minutes go to the next segment of the same ground that stays, if there is one.</summary>
    private static SessionPlan Without(SessionPlan plan, HashSet<Guid> ids)
    {
        var segments = plan.Segments.ToList();
        foreach (var gone in plan.Practice().Where(s => ids.Contains(s.Id)).ToList())
        {
            var at = segments.FindIndex(s => s.Id == gone.Id);
            segments.RemoveAt(at);
            var heir = segments.FindIndex(s =>
                s is PracticeSegment { Phase: not Phase.WarmUp } practice && practice.Place == gone.Place
            );
            if (heir >= 0)
            {
                segments[heir] = segments[heir] with
                {
                    Minutes = Math.Min(PlanRules.MostMinutesInSegment, segments[heir].Minutes + gone.Minutes),
                };
            }
        }

        // A session of which nothing but the warm-up would be left stays as it is.
        return segments.OfType<PracticeSegment>().Any(s => s.Phase != Phase.WarmUp) ? plan with { Segments = segments } : plan;
    }

    private static SessionPlan Merged(SessionPlan plan, HashSet<Guid> ids)
    {
        var twins = plan.Practice().Where(s => ids.Contains(s.Id)).ToList();
        if (twins.Count < 2)
            return plan;
        var whole = (twins[0] with { Minutes = Math.Min(PlanRules.MostMinutesInSegment, twins.Sum(t => t.Minutes)) }).WithBalls(
            twins[0].Drill!.Protocol().OwnStrokes ?? Math.Min(PlanRules.MostBallsInSegment, twins.Sum(t => t.Balls))
        );
        return plan with
        {
            Segments =
            [
                .. plan.Segments.Where(s => s.Id == whole.Id || !ids.Contains(s.Id)).Select(s => s.Id == whole.Id ? whole : s),
            ],
        };
    }

    /// <summary>With a small dose of a drill behind the segment that gives it the minutes.</summary>
    private static SessionPlan Tried(
        SessionPlan plan,
        WeekChange change,
        HashSet<Guid> ids,
        IReadOnlyDictionary<Guid, Drill> shelf
    )
    {
        if (
            plan.Practice().FirstOrDefault(s => ids.Contains(s.Id)) is not { Minutes: > TrialMinutes } host
            || change is not { BringsDrillId: { } id, Trial: { } text }
            || !shelf.TryGetValue(id, out var drill)
            || plan.Segments.Any(s => s.Id == DoseId(host.Id))
        )
            return plan;
        var dose = PlanTailoring.WithDrill(
            host with
            {
                Id = DoseId(host.Id),
                Minutes = TrialMinutes,
                Balls = TrialBalls,
                SlowRepetitions = false,
                Bridge = false,
                FullRoutine = false,
                DeclaredRun = null,
                FairwayYards = null,
                RealFairwayYards = null,
                Focus = "",
                Phase = drill.Phases[0],
                Intent = drill.Intents[0],
            },
            new ShelvedDrill { Id = id, Drill = drill },
            change.Rung ?? 0
        ) with
        {
            Instruction = text.InWords(),
        };
        return plan with
        {
            Segments =
            [
                .. plan.Segments.SelectMany(s =>
                    s.Id == host.Id ? new Segment[] { host with { Minutes = host.Minutes - TrialMinutes }, dose } : [s]
                ),
            ],
        };
    }

    private static Guid DoseId(Guid host) => NewIds.From(host, TrialMinutes);
}
