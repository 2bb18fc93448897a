using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>A plan after changes.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Said">What was changed, in words; empty where nothing was.</param>
public sealed record ChangedPlan(SessionPlan Plan, IReadOnlyList<Message> Said);

/// <summary>
/// Takes suggestions into the plans of the next week: last week with exactly what was accepted, and nothing else.
/// </summary>
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
    public static ChangedPlan With(SessionPlan plan, IEnumerable<WeekChange> changes, IReadOnlyDictionary<Guid, Drill> shelf)
    {
        var said = new List<Message>();
        foreach (var change in changes)
        {
            var ids = IdsIn(plan, change);
            if (ids.Count == 0)
                continue;
            var name = plan.Practice().First(s => ids.Contains(s.Id)) is var first ? first.Drill?.Drill.Name ?? first.Title : "";
            var (changed, message) = With(plan, change, ids, shelf, name);
            plan = changed;
            if (message is not null)
                said.Add(message);
        }

        return new ChangedPlan(plan, said);
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

    private static (SessionPlan Plan, Message? Said) With(
        SessionPlan plan,
        WeekChange change,
        HashSet<Guid> ids,
        IReadOnlyDictionary<Guid, Drill> shelf,
        string name
    )
    {
        var changed = change.Kind switch
        {
            SuggestionKind.Hold => plan,
            SuggestionKind.Retire => Without(plan, ids),
            SuggestionKind.Merge => Merged(plan, ids),
            SuggestionKind.Trial => Tried(plan, change, ids, shelf),
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
        return (changed, ReferenceEquals(changed, plan) ? null : InWords(change, name, shelf));
    }

    /// <summary>What a change does, in a few words: "“Gate” now on: Step 2."; null of one that changes nothing.</summary>
    /// <param name="change">The change.</param>
    /// <param name="drill">The drill it is about.</param>
    /// <param name="shelf">The drills there are, by id.</param>
    public static Message? InWords(WeekChange change, string drill, IReadOnlyDictionary<Guid, Drill> shelf)
    {
        var brought = change.BringsDrillId is { } id ? shelf.GetValueOrDefault(id)?.Name : null;
        var rung =
            change.DrillId is { } own && change.Rung is { } step
                ? shelf.GetValueOrDefault(own)?.Ladder.ElementAtOrDefault(step)?.Name
                : null;
        return change.Kind switch
        {
            SuggestionKind.Hold => null,
            SuggestionKind.Retire => ReviewSentences.ChangedRests.Of(drill),
            SuggestionKind.Merge => ReviewSentences.ChangedMerged.Of(drill),
            SuggestionKind.Trial => ReviewSentences.ChangedTrial.Of(brought ?? drill),
            SuggestionKind.Retest => ReviewSentences.ChangedRetest.Of(drill),
            _ when brought is not null => ReviewSentences.ChangedDrill.Of(brought, drill),
            _ when rung is not null => ReviewSentences.ChangedStep.Of(drill, rung),
            _ => null,
        };
    }

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

    /// <summary>
    /// Without some segments; the minutes go to the next segment of the same ground that stays, if there is one.
    /// </summary>
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
