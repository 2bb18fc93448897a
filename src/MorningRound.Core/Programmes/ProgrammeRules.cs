using MorningRound.Core.Plans;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;

namespace MorningRound.Core.Programmes;

/// <summary>What a programme must satisfy to be kept.</summary>
public static class ProgrammeRules
{
    /// <summary>The most weeks of a programme.</summary>
    public static int MostWeeks => (int)FieldRanges.ProgrammeWeeks.Most;

    /// <summary>The most slots, and the most sessions of a week.</summary>
    public static int MostSlots => (int)FieldRanges.OrderInWeek.Most;

    /// <summary>The most changes of a slot.</summary>
    public const int MostChanges = 60;

    /// <summary>Everything wrong, each with its path; empty when the programme can be kept.</summary>
    public static IReadOnlyList<FieldError> Check(Programme programme)
    {
        var errors = new FieldErrors()
            .RequireText(programme.Name, "name", PlanRules.LongestTitle)
            .AllowText(programme.Purpose, "purpose", PlanRules.LongestSentence)
            .RequireIn(programme.Weeks, FieldRanges.ProgrammeWeeks, "weeks", "weeks")
            .RequireBetween(programme.Slots.Count, 1, MostSlots, "slots", "sessions a week")
            .RequireOnce(programme.LighterWeeks, "lighterWeeks")
            .Require(
                programme.LighterWeeks.All(w => w >= 1 && w <= programme.Weeks),
                "lighterWeeks",
                "A lighter week is one of the programme's."
            );
        for (var i = 0; i < programme.Slots.Count; i++)
            Check(programme, programme.Slots[i], $"slots[{i}]", errors);
        if (programme.Goal is { } goal)
        {
            errors
                .Require(goal.DrillId != Guid.Empty, "goal.drillId", "An id is needed.")
                .RequireText(goal.Measure, "goal.measure", PlanRules.LongestTitle)
                .RequireText(goal.What, "goal.what", PlanRules.LongestTitle)
                .AllowText(goal.Unit, "goal.unit", 10)
                .Require(goal.Least is not null || goal.Most is not null, "goal.least", "A band needs an end.")
                .Require(
                    (goal.Least ?? double.MinValue) <= (goal.Most ?? double.MaxValue),
                    "goal.most",
                    "The lower end comes first."
                )
                .Require(
                    new[] { goal.Start, goal.Least, goal.Most }.All(n => n is null || Math.Abs(n.Value) <= 1000),
                    "goal.start",
                    "Between −1000 and 1000, please."
                );
        }

        return errors.Found;
    }

    private static void Check(Programme programme, ProgrammeSlot slot, string path, FieldErrors errors)
    {
        errors
            .Require(
                slot.Id != Guid.Empty && programme.Slots.Count(s => s.Id == slot.Id) == 1,
                $"{path}.id",
                "Every slot needs an id of its own."
            )
            .Require(slot.PlanId != Guid.Empty, $"{path}.planId", "Choose a plan.")
            .Require(slot.Requirement != Requirement.Own, $"{path}.requirement", "Own practice is logged, not set.")
            .Require(
                slot.Order is not { } order || FieldRanges.OrderInWeek.Contains(order),
                $"{path}.order",
                $"Between 1 and {MostSlots}, please."
            )
            .RequireIn(slot.FromWeek, FieldRanges.ProgrammeWeeks, $"{path}.fromWeek", "weeks")
            .Require(
                slot.ToWeek is not { } to || (to >= slot.FromWeek && to <= MostWeeks),
                $"{path}.toWeek",
                "The last week cannot come before the first."
            )
            .RequireAtMost(slot.Changes.Count, MostChanges, $"{path}.changes");
        for (var i = 0; i < slot.Changes.Count; i++)
        {
            var (change, at) = (slot.Changes[i], $"{path}.changes[{i}]");
            errors
                .RequireIn(change.FromWeek, FieldRanges.ProgrammeWeeks, $"{at}.fromWeek", "weeks")
                .Require(change.Rung is null or (>= 0 and < 20), $"{at}.rung", "A step of the drill's ladder, please.")
                .Require(
                    change.Minutes is not { } minutes || FieldRanges.SegmentMinutes.Contains(minutes),
                    $"{at}.minutes",
                    "Between 1 and 240 minutes, please."
                )
                .Require(
                    change.SegmentId is not null || (change.Rung is null && change.Goal is null),
                    $"{at}.segmentId",
                    "A step or a goal belongs to a segment."
                )
                .Require(
                    change.Goal is not { } goal || Math.Abs(goal.Limit) <= 1000,
                    $"{at}.goal.limit",
                    "A goal lies between −1000 and 1000."
                )
                .Require(
                    change.Rung is not null || change.Goal is not null || change.Minutes is not null,
                    at,
                    "Say what changes: the step, the goal or the minutes."
                );
        }
    }
}
