using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Checks;

internal static class BalanceRules
{
    /// <summary>From this length on a session has to leave the block.</summary>
    private const int TransferMinutes = 45;

    /// <summary>
    /// How much of the minutes has to be planned, in percent, before shares are judged. The product's own number.
    /// </summary>
    private const int FilledPercent = 80;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.PhaseOrder, FindingLevel.Advice, PhaseOrder),
        new(FindingId.Balance, FindingLevel.Advice, Balance),
        new(FindingId.NoTransfer, FindingLevel.Advice, NoTransfer),
        new(FindingId.SameCriterion, FindingLevel.Note, SameCriterion),
    ];

    private static IEnumerable<RuleHit> PhaseOrder(PlanInput input)
    {
        foreach (var part in input.Practice.Where(s => s.Part() is not null).GroupBy(s => s.Part()))
        {
            var first = part.FirstOrDefault(s => s.Phase is Phase.Random or Phase.OnCourse);
            if (first is null)
                continue;
            foreach (var late in part.SkipWhile(s => s != first).Where(s => s.Phase == Phase.Block))
            {
                yield return new RuleHit(
                    late.Id,
                    CheckSentences.PhaseOrder.Of(),
                    CheckSentences.MoveBefore.Of(first.Title),
                    () =>
                    {
                        var rest = input.Plan.Segments.Where(s => s.Id != late.Id).ToList();
                        rest.Insert(rest.FindIndex(s => s.Id == first.Id), late);
                        return input.Plan with { Segments = rest };
                    }
                );
            }
        }
    }

    private static IEnumerable<RuleHit> Balance(PlanInput input)
    {
        if (input.MinutesAfterWarmUp == 0 || input.Context.ApproachOf(input.Plan) is not { } approach)
            yield break;
        // While most of the plan is still to be written its shares say nothing.
        if (input.Plan.Constraints.Minutes is { } there && input.Minutes * 100 < FilledPercent * there)
            yield break;
        var bands = Approaches.Bands(approach, input.Context.Season, input.Context.Level);
        var name = Approaches.All.Single(s => s.Approach == approach).Name;
        foreach (var band in bands)
        {
            var minutes = MinutesOf(input, band.Share);
            var percent = 100.0 * minutes / input.MinutesAfterWarmUp;
            if (percent >= band.Least - 1e-9 && percent <= band.Most + 1e-9)
                continue;
            var isTooMuch = percent > band.Most;
            var bound = input.MinutesAfterWarmUp * (isTooMuch ? band.Most : band.Least) / 100;
            var by = (int)Math.Ceiling(Math.Abs(minutes - bound) - 1e-9);
            var asked =
                band.Most >= 100 ? CheckSentences.AtLeast.Of(band.Least)
                : band.Least <= 0 ? CheckSentences.AtMost.Of(band.Most)
                : CheckSentences.FromTo.Of(band.Least, band.Most);
            yield return new RuleHit(
                null,
                (isTooMuch ? CheckSentences.ShareTooMany : CheckSentences.ShareTooFew).Of(
                    band.Share.InWords(),
                    percent,
                    name,
                    asked,
                    by
                ),
                CheckSentences.DivideByApproach.Of(),
                () => Balanced(input, bands)
            );
        }
    }

    private static int MinutesOf(PlanInput input, ShareOf of) =>
        input.Practice.Where(s => s.Phase != Phase.WarmUp && of.Counts(s)).Sum(s => Math.Max(0, s.Minutes));

    /// <summary>
    /// Minutes after warm-up divided anew: every share moved into its band, each segment of it in proportion and at its own pace.
    /// </summary>
    private static SessionPlan Balanced(PlanInput input, IReadOnlyList<ShareBand> bands)
    {
        var groups = input
            .Practice.Where(s => s.Phase != Phase.WarmUp)
            .GroupBy(s => bands.FirstOrDefault(b => b.Share.Counts(s)))
            .ToList();
        var shares = groups.Select(g => 100.0 * g.Sum(s => s.Minutes) / input.MinutesAfterWarmUp).ToList();
        // Into the middle of the band where the share lies outside; what that takes or leaves is shared by the groups that have
        // room.
        var wanted = groups
            .Select(
                (g, i) =>
                    g.Key is { } band && (shares[i] < band.Least || shares[i] > band.Most)
                        ? (band.Least + Math.Min(band.Most, 100)) / 2
                        : shares[i]
            )
            .ToList();
        for (var round = 0; round < 20 && Math.Abs(wanted.Sum() - 100) > 0.01; round++)
        {
            var missing = 100 - wanted.Sum();
            var room = groups.Select((g, i) => Room(g.Key, wanted[i], missing > 0)).ToList();
            if (room.Sum() <= 0.01)
                break;
            for (var i = 0; i < wanted.Count; i++)
                wanted[i] += Math.Sign(missing) * Math.Min(room[i], Math.Abs(missing) * room[i] / room.Sum());
        }

        var minutes = new Dictionary<Guid, int>();
        foreach (var (group, i) in groups.Select((g, i) => (g, i)))
        {
            var had = group.Sum(s => s.Minutes);
            foreach (var segment in group)
                minutes[segment.Id] = Math.Max(
                    1,
                    (int)
                        Math.Round(
                            input.MinutesAfterWarmUp * wanted[i] / 100 * segment.Minutes / Math.Max(1, had),
                            MidpointRounding.AwayFromZero
                        )
                );
        }

        // Rounding may leave a minute over, or one too many; the longest segment carries it.
        var longest = minutes.MaxBy(m => m.Value).Key;
        minutes[longest] = Math.Max(1, minutes[longest] + input.MinutesAfterWarmUp - minutes.Values.Sum());
        // A drill with a number of its own is not drawn out to make a share right: two putts do not last a quarter of an hour.
        if (input.Practice.Any(s => minutes.TryGetValue(s.Id, out var now) && now > s.Minutes && now > LongestOf(s)))
            return input.Plan;
        return input.Plan with
        {
            Segments =
            [
                .. input.Plan.Segments.Select(s =>
                    s is PracticeSegment p && minutes.TryGetValue(p.Id, out var now) && now != p.Minutes
                        ? PlanEdits.Lasting(p, now)
                        : s
                ),
            ],
        };
    }

    /// <summary>As many minutes as a drill's own number of strokes bears: half as long again as it usually takes.</summary>
    private static double LongestOf(PracticeSegment segment) =>
        segment.Drill is { Drill: { UsualBalls: > 0 } drill } planned && planned.Protocol().OwnStrokes is { } own
            ? 1.5 * drill.UsualMinutes * own / drill.UsualBalls
            : double.MaxValue;

    private static double Room(ShareBand? band, double share, bool upwards) =>
        upwards ? Math.Max(0, Math.Min(100, band?.Most ?? 100) - share) : Math.Max(0, share - (band?.Least ?? 0));

    private static IEnumerable<RuleHit> NoTransfer(PlanInput input)
    {
        if (
            input.Minutes < TransferMinutes
            || input.IsOnlyWarmUp
            || input.Practice.Any(s => s.Phase is Phase.Random or Phase.OnCourse)
        )
            yield break;
        var why = CheckSentences.NoTransfer.Of();
        var last = input.Practice.LastOrDefault(s => s is { Phase: Phase.Block, Intent: Intent.Skill });
        yield return last is null
            ? new RuleHit(null, why)
            : new RuleHit(
                null,
                why,
                CheckSentences.MakeRandom.Of(last.Title),
                () => input.With(last, s => s with { Phase = Phase.Random })
            );
    }

    private static IEnumerable<RuleHit> SameCriterion(PlanInput input)
    {
        foreach (
            var skill in input
                .Practice.Where(s => s.EffectiveSkill.Length > 0 && s.EffectiveCriterion.Length > 0)
                .GroupBy(s => (s.EffectiveArea, s.EffectiveSkill))
        )
        {
            var block = skill.FirstOrDefault(s => s.Phase == Phase.Block);
            if (block is null)
                continue;
            foreach (
                var other in skill.Where(s =>
                    s.Phase is Phase.Random or Phase.OnCourse && s.EffectiveCriterion != block.EffectiveCriterion
                )
            )
            {
                yield return new RuleHit(
                    other.Id,
                    CheckSentences.SameCriterion.Of(skill.Key.EffectiveSkill),
                    CheckSentences.CountAsInBlock.Of(),
                    () => input.With(other, s => s with { Criterion = block.EffectiveCriterion })
                );
            }
        }
    }
}
