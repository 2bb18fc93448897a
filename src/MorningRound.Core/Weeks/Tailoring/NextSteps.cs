using MorningRound.Core.Drills;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Weeks.Tailoring;

/// <summary>The next step of a drill's ladder, offered because the goal was met often enough. The coach decides.</summary>
/// <param name="SegmentId">The segment.</param>
/// <param name="Rung">The step, from 0.</param>
/// <param name="Why">What and why, in one plain sentence.</param>
public sealed record NextStepOffer(Guid SegmentId, int Rung, string Why);

/// <summary>Takes a week on into the next: the same sessions, and where results say so the next step.</summary>
public static class NextSteps
{
    /// <summary>
    /// A plan that was published, as it can be worked on again: a drill that stands on the shelf as it was set has its ladder
    /// back.
    /// </summary>
    public static SessionPlan ForNextWeek(SessionPlan published, IReadOnlyDictionary<Guid, Drill> shelf) =>
        published with
        {
            Segments =
            [
                .. published.Segments.Select(s =>
                    s is PracticeSegment { Drill: { Drill.Ladder.Count: 0 } planned } practice
                    && shelf.TryGetValue(planned.DrillId, out var drill)
                    && planned.Rung < drill.Ladder.Count
                    && drill.ProtocolAt(planned.Rung).IsSameAs(planned.Drill.Protocol)
                        ? practice with
                        {
                            Drill = planned with { Drill = drill },
                        }
                        : s
                ),
            ],
        };

    /// <summary>
    /// The steps that the last results offer, in the order of the plan; empty where none is due. A drill at the top of its
    /// ladder, or set on another step than the results are of, has none.
    /// </summary>
    public static IReadOnlyList<NextStepOffer> Of(SessionPlan plan, IReadOnlyCollection<LadderStanding> standings) =>
        [
            .. from segment in plan.Practice()
            where segment.Drill is not null
            let planned = segment.Drill!
            let standing = standings.FirstOrDefault(s => s.DrillId == planned.DrillId && s.Rung == planned.Rung)
            where standing is { IsNextStepDue: true } && planned.Rung + 1 < planned.Drill.Ladder.Count
            select new NextStepOffer(
                segment.Id,
                planned.Rung + 1,
                WeekSentences
                    .NextStep.Of(planned.Drill.Name, planned.Drill.Ladder[planned.Rung + 1].Name, standing.MetInARow)
                    .In()
            ),
        ];

    /// <summary>
    /// The plan with steps taken, each with the goal that is usual there. A step the plan does not have changes nothing.
    /// </summary>
    public static SessionPlan Taken(SessionPlan plan, IReadOnlyCollection<NextStepOffer> offers) =>
        plan with
        {
            Segments =
            [
                .. plan.Segments.Select(s =>
                    s is PracticeSegment { Drill: { } planned } practice
                    && offers.FirstOrDefault(o => o.SegmentId == s.Id) is { } offer
                    && offer.Rung < planned.Drill.Ladder.Count
                        ? practice with
                        {
                            Drill = planned with { Rung = offer.Rung, Goal = planned.Drill.UsualGoal(offer.Rung) },
                        }
                        : s
                ),
            ],
        };
}
