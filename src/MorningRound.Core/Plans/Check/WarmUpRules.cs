using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;

namespace MorningRound.Core.Plans.Check;

internal static class WarmUpRules
{
    private const int StretchMinutes = 5;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.NoWarmUp, FindingLevel.Caution, NoWarmUp),
        new(FindingId.WarmUpScored, FindingLevel.Advice, Scored),
        new(FindingId.WarmUpTechnical, FindingLevel.Advice, Technical),
    ];

    private static IEnumerable<Found> NoWarmUp(CheckedPlan seen)
    {
        if (seen.Plan.Frame.WarmedUpBefore) yield break;
        var first = seen.Practice.FirstOrDefault(CheckedPlan.IsFullSwing);
        if (first is null || seen.Practice.TakeWhile(s => s != first).Any(Warms)) yield break;
        yield return new Found(first.Id, "Full swings come before any stretching or short swings.", $"Put {StretchMinutes} minutes of stretching in front", () =>
        {
            var stretch = new PracticeSegment
            {
                Id = NewIds.From(first.Id, seen.Plan),
                Title = "Stretch",
                Minutes = StretchMinutes,
                Phase = Phase.WarmUp,
                Intent = Intent.Body,
                Area = Area.Body,
                Place = seen.Practice[0].Place,
                Exit = new AfterMinutes(),
                Instruction = "Wrists 3 in and 3 out, arm circles small and big, side bends 5 a side, turns with a club across the chest.",
            };
            var shorter = seen.Plan.Frame.Minutes is { } there && seen.Minutes + seen.WalkMinutes + StretchMinutes > there ? Mending.TakingFromLongest(seen.Plan, StretchMinutes) : seen.Plan;
            return shorter with { Segments = [stretch, .. shorter.Segments] };
        });
    }

    /// <summary>Stretching, or swings smaller than full ones.</summary>
    private static bool Warms(PracticeSegment segment) => segment.Intent == Intent.Body || segment.Phase == Phase.WarmUp || segment.SwingOrDrills is SwingSize.Chip or SwingSize.Half;

    private static IEnumerable<Found> Scored(CheckedPlan seen) =>
        from segment in seen.Practice
        where segment.Phase == Phase.WarmUp && segment.Drill is { } planned
            && planned.Drill.Protocol is not (Repetitions or TimedSteps or MeasuredShots { AimDistance: not null })
        select new Found(segment.Id, "A warm-up keeps no score; bad shots in it mean nothing.", "Leave the drill's count out",
            () => seen.With(segment, s => s with { Drill = null, Instruction = s.Instruction.Length > 0 ? s.Instruction : s.Drill!.Drill.SetUp }));

    private static IEnumerable<Found> Technical(CheckedPlan seen)
    {
        var last = seen.Practice.LastOrDefault(s => s.Phase == Phase.WarmUp);
        return from segment in seen.Practice
               where segment is { Phase: Phase.WarmUp, Intent: Intent.Technique, Bridge: false }
               select segment == last
                   ? new Found(segment.Id, "In a warm-up ball flight is noticed, not repaired; only its bridge works on the focus.", "Make it the bridge to the day's focus", () => seen.With(segment, s => s with { Bridge = true }))
                   : new Found(segment.Id, "In a warm-up ball flight is noticed, not repaired; only its bridge works on the focus.", "Take the technique out of it", () => seen.With(segment, s => s with { Intent = Intent.Skill }));
    }
}
