using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Checks;

internal static class WarmUpRules
{
    private const int StretchMinutes = 5;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.NoWarmUp, FindingLevel.Caution, NoWarmUp),
        new(FindingId.LongFirst, FindingLevel.Caution, LongFirst),
        new(FindingId.WarmUpScored, FindingLevel.Advice, Scored),
        new(FindingId.WarmUpTechnical, FindingLevel.Advice, Technical),
    ];

    private static IEnumerable<RuleHit> NoWarmUp(PlanInput input)
    {
        if (input.Plan.Constraints.WarmedUpBefore)
            yield break;
        var first = input.Practice.FirstOrDefault(PlanInput.IsFullSwing);
        if (first is null || input.Practice.TakeWhile(s => s != first).Any(Warms))
            yield break;
        yield return new RuleHit(
            first.Id,
            CheckSentences.NoWarmUp.Of(),
            CheckSentences.PutStretchingIn.Of(StretchMinutes),
            () =>
            {
                var stretch = new PracticeSegment
                {
                    Id = NewIds.From(first.Id, input.Plan),
                    Title = "Stretch",
                    Minutes = StretchMinutes,
                    Phase = Phase.WarmUp,
                    Intent = Intent.Body,
                    Area = Area.Body,
                    Place = input.Practice[0].Place,
                    Exit = new AfterMinutes(),
                    Instruction = Stretches.InWords(StretchMinutes, input.Context.Hurt),
                };
                var lacking =
                    input.Minutes + input.WalkMinutes + StretchMinutes - (input.Plan.Constraints.Minutes ?? int.MaxValue);
                var shorter =
                    lacking > 0 ? PlanEdits.TakingFromLongest(input.Plan, Math.Min(StretchMinutes, lacking)) : input.Plan;
                return shorter with { Segments = [stretch, .. shorter.Segments] };
            }
        );
    }

    /// <summary>
    /// A wood, hybrid or driver before any ball with a wedge or any swing below full. Inside a segment its parts, else its clubs
    /// as they are listed, are the order.
    /// </summary>
    private static IEnumerable<RuleHit> LongFirst(PlanInput input)
    {
        if (input.Plan.Constraints.WarmedUpBefore)
            yield break;
        foreach (var segment in input.Practice.Where(s => s.Balls > 0 && s.Part() != GamePart.Putting))
        {
            foreach (var (clubs, swing) in InOrder(segment))
            {
                if (swing is SwingSize.Chip or SwingSize.Half or SwingSize.ThreeQuarter)
                    yield break;
                foreach (var club in clubs)
                {
                    if (club is >= Club.PitchingWedge and <= Club.LobWedge)
                        yield break;
                    if (club > Club.Hybrid)
                        continue;
                    var sorted = segment.Clubs.OrderByDescending(c => c).ToList();
                    yield return segment.Parts.Count == 0 && sorted.Count > 0 && sorted[0] >= Club.PitchingWedge
                        ? new RuleHit(
                            segment.Id,
                            CheckSentences.LongFirst.Of(club),
                            CheckSentences.ShortClubsFirst.Of(),
                            () => input.With(segment, s => s with { Clubs = sorted })
                        )
                        : new RuleHit(segment.Id, CheckSentences.LongFirst.Of(club));
                    yield break;
                }
            }
        }
    }

    private static IEnumerable<(IReadOnlyList<Club> Clubs, SwingSize? Swing)> InOrder(PracticeSegment segment) =>
        segment.Parts.Count == 0
            ? [(segment.Clubs, segment.EffectiveSwing)]
            : segment.Parts.Select(p => (p.Clubs.Count == 0 ? segment.Clubs : p.Clubs, p.Swing ?? segment.EffectiveSwing));

    /// <summary>Stretching, or swings smaller than full ones.</summary>
    private static bool Warms(PracticeSegment segment) =>
        segment.Intent == Intent.Body
        || segment.Phase == Phase.WarmUp
        || segment.EffectiveSwing is SwingSize.Chip or SwingSize.Half;

    private static IEnumerable<RuleHit> Scored(PlanInput input) =>
        from segment in input.Practice
        where
            segment.Phase == Phase.WarmUp
            && segment.Drill is { } planned
            && planned.Drill.Protocol is not (Repetitions or TimedSteps or MeasuredShots { AimDistance: not null })
        select new RuleHit(
            segment.Id,
            CheckSentences.WarmUpScored.Of(),
            CheckSentences.LeaveCountOut.Of(),
            () =>
                input.With(
                    segment,
                    s => s with { Drill = null, Instruction = s.Instruction.Length > 0 ? s.Instruction : s.Drill!.Drill.SetUp }
                )
        );

    private static IEnumerable<RuleHit> Technical(PlanInput input)
    {
        var last = input.Practice.LastOrDefault(s => s.Phase == Phase.WarmUp);
        return from segment in input.Practice
            where segment is { Phase: Phase.WarmUp, Intent: Intent.Technique, Bridge: false }
            select segment == last
                ? new RuleHit(
                    segment.Id,
                    CheckSentences.WarmUpTechnical.Of(),
                    CheckSentences.MakeBridge.Of(),
                    () => input.With(segment, s => s with { Bridge = true })
                )
                : new RuleHit(
                    segment.Id,
                    CheckSentences.WarmUpTechnical.Of(),
                    CheckSentences.TakeTechniqueOut.Of(),
                    () => input.With(segment, s => s with { Intent = Intent.Skill })
                );
    }
}
