using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Editing;

namespace MorningRound.Core.Programmes;

/// <summary>Applies what changes in a slot from week to week.</summary>
internal static class SlotChanges
{
    /// <summary>The slot's plan as it is in a week: of several changes to one thing the latest counts.</summary>
    public static SessionPlan In(SessionPlan plan, ProgrammeSlot slot, int week, bool isLighter)
    {
        var due = slot.Changes.Where(c => c.FromWeek <= week).OrderBy(c => c.FromWeek).ToList();
        var changed = due.Where(c => c.SegmentId is not null).Aggregate(plan, OfSegment);
        if (due.LastOrDefault(c => c.SegmentId is null && c.Minutes is not null)?.Minutes is { } minutes)
            changed = Lasting(changed, minutes);
        if (isLighter)
            changed = Lasting(changed, (int)Math.Round(Programme.LighterShare * Minutes(changed)));
        // What was to spare still is, so that it is not found to be too short or too long.
        return plan.Constraints.Minutes is { } stated && Minutes(changed) != Minutes(plan)
            ? changed with
            {
                Constraints = plan.Constraints with { Minutes = Math.Max(1, stated + Minutes(changed) - Minutes(plan)) },
            }
            : changed;
    }

    private static SessionPlan OfSegment(SessionPlan plan, SlotChange change) =>
        plan with
        {
            Segments = [.. plan.Segments.Select(s => s.Id == change.SegmentId ? Changed(s, change) : s)],
        };

    private static Segment Changed(Segment segment, SlotChange change)
    {
        if (change.Minutes is { } minutes)
            segment = PlanEdits.Lasting(segment, minutes);
        if (segment is not PracticeSegment { Drill: { } planned } practice || (change.Rung is null && change.Goal is null))
            return segment;
        var rung = Math.Clamp(change.Rung ?? planned.Rung, 0, Math.Max(0, planned.Drill.Ladder.Count - 1));
        return practice with
        {
            Drill = planned with
            {
                Rung = rung,
                Goal = change.Goal ?? (rung == planned.Rung ? planned.Goal : planned.Drill.UsualGoal(rung)),
            },
        };
    }

    private static SessionPlan Lasting(SessionPlan plan, int minutes) =>
        PlanEdits.ToMinutes(plan, Math.Max(minutes, plan.Segments.Count));

    private static int Minutes(SessionPlan plan) => plan.Segments.Sum(s => s.Minutes);
}
