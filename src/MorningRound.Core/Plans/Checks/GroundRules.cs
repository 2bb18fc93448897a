using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Checks;

internal static class GroundRules
{
    private const int GreenDays = 7;
    internal const double GreenFeet = 1;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.Place, FindingLevel.Stop, WrongPlace),
        new(FindingId.Equipment, FindingLevel.Stop, MissingEquipment),
        new(FindingId.WrongGreen, FindingLevel.Advice, WrongGreen),
        new(FindingId.NotThere, FindingLevel.Caution, NotThere),
        new(FindingId.ClubsAndArea, FindingLevel.Advice, ClubsAndArea),
    ];

    private static IEnumerable<RuleHit> WrongPlace(PlanInput input)
    {
        foreach (var segment in input.Practice)
        {
            if (segment.Drill is { } planned && !planned.Drill.Places.Contains(segment.Place))
            {
                var other = planned
                    .Drill.Places.Cast<PlaceKind?>()
                    .FirstOrDefault(p => p == PlaceKind.Home || input.Context.Places.Count == 0 || input.Grounds(p!.Value).Any());
                yield return other is { } place
                    ? new RuleHit(
                        segment.Id,
                        CheckSentences.WrongPlace.Of(planned.Drill.Name),
                        CheckSentences.DoItOn.Of(place),
                        () => input.With(segment, s => s with { Place = place })
                    )
                    : new RuleHit(segment.Id, CheckSentences.WrongPlace.Of(planned.Drill.Name));
                continue;
            }

            if (segment is { Drill: null, Balls: > 0, EffectiveArea: { } area } && !CanBePlayedOn(area, segment.Place))
            {
                yield return new RuleHit(segment.Id, CheckSentences.WrongGround.Of(area, segment.Place));
                continue;
            }

            var grounds = input.Grounds(segment.Place).ToList();
            if (grounds.Count == 0)
                continue;
            if (
                segment.Drill is { } stuck
                && grounds.All(g => g.Surface is RangeSurface.Mat or RangeSurface.IndoorBay)
                && stuck.Drill.Equipment.Any(e => e.Item == Equipment.AlignmentSticks && e.Substitute.Length == 0)
                && stuck.Drill.Drawing is SetUpDrawing.Gate or SetUpDrawing.Sticks
            )
            {
                yield return new RuleHit(segment.Id, CheckSentences.NeedsGround.Of(stuck.Drill.Name));
                continue;
            }

            var forbidden = segment.Clubs.Where(c => grounds.All(g => g.ForbiddenClubs.Contains(c))).ToList();
            if (forbidden.Count == 0)
                continue;
            var left = segment.Clubs.Except(forbidden).ToList();
            var why = CheckSentences.Forbidden.Of(string.Join(" and the ", forbidden.Select(c => c.InWords())));
            yield return left.Count > 0
                ? new RuleHit(
                    segment.Id,
                    why,
                    CheckSentences.LeaveOut.Of(),
                    () => input.With(segment, s => s with { Clubs = left })
                )
                : new RuleHit(segment.Id, why);
        }
    }

    /// <summary>
    /// Whether a ground is for an area: no sand splashed and no full swing made on a putting green, no long club beside a
    /// chipping green. The greenkeeper's rule; common practice, no source.
    /// </summary>
    private static bool CanBePlayedOn(Area area, PlaceKind place) =>
        place switch
        {
            PlaceKind.PuttingGreen => area
                is not (Area.Bunker or Area.Pitch or Area.Wedge or Area.Iron or Area.Wood or Area.Driver),
            PlaceKind.ChippingGreen => area is not (Area.Iron or Area.Wood or Area.Driver),
            _ => true,
        };

    /// <summary>A putting segment that is played with irons, or a long one with the putter, is about something else.</summary>
    private static IEnumerable<RuleHit> ClubsAndArea(PlanInput input) =>
        from segment in input.Practice
        where segment is { Balls: > 0, EffectiveArea: not null, Phase: not Phase.WarmUp }
        let strange = ClubsOf(segment)
            .Where(c => (c == Club.Putter) != (segment.EffectiveArea == Area.Putting))
            .Distinct()
            .ToList()
        where strange.Count > 0 && strange.Count == ClubsOf(segment).Distinct().Count()
        where segment.EffectiveArea is not (Area.Body or Area.Mind or Area.Chip)
        select new RuleHit(segment.Id, CheckSentences.ClubsAndArea.Of(segment.EffectiveArea!, strange));

    private static IEnumerable<RuleHit> MissingEquipment(PlanInput input) =>
        from segment in input.Practice
        where segment.Drill is not null
        let lacking = segment
            .Drill!.Drill.Equipment.Where(e => !e.IsMetBy(item => input.HasEquipment(item, segment.Place)))
            .ToList()
        where lacking.Count > 0
        select new RuleHit(
            segment.Id,
            CheckSentences.MissingEquipment.Of(segment.Drill!.Drill.Name, lacking.ConvertAll(e => e.Item))
        );

    private static IEnumerable<RuleHit> WrongGreen(PlanInput input)
    {
        if (input.Context.Student is not { } student)
            yield break;
        var day = input.Context.Day;
        var near = student.Own.Competitions.FirstOrDefault(c =>
            c.GreenSpeedFeet is not null && day <= c.LastDay && day >= c.FirstDay.Plus(-GreenDays)
        );
        if (
            near is null
            || input.Grounds(PlaceKind.PuttingGreen).Select(g => g.GreenSpeedFeet).FirstOrDefault(f => f is not null)
                is not { } here
        )
            yield break;
        if (Math.Abs(here - near.GreenSpeedFeet!.Value) <= GreenFeet)
            yield break;
        foreach (var segment in input.Practice.Where(s => s.Place == PlaceKind.PuttingGreen && IsPacePutting(s)))
            yield return new RuleHit(segment.Id, CheckSentences.WrongGreen.Of(here, near.Name, near.GreenSpeedFeet.Value));
    }

    /// <summary>
    /// Whether putts are made for pace: the skill says so, or, without a drill, the words of the segment do.
    /// </summary>
    internal static bool IsPacePutting(PracticeSegment segment) =>
        segment.Part() == GamePart.Putting
        && (
            segment.EffectiveSkill.Length > 0
                ? segment.EffectiveSkill == "pace"
                : PaceWords.Any(word =>
                    $"{segment.Title} {segment.Instruction}".Contains(word, StringComparison.OrdinalIgnoreCase)
                )
        );

    private static readonly string[] PaceWords = ["pace", "lag", "speed of the green"];

    /// <summary>
    /// What a segment names and nobody has: a club, an instrument, a target. What stops it already is not said twice.
    /// </summary>
    private static IEnumerable<RuleHit> NotThere(PlanInput input)
    {
        var bag = input.Context.Student?.Coach.Bag.Select(b => b.Club).ToHashSet() ?? [];
        foreach (var segment in input.Practice)
        {
            var missing = bag.Count == 0 ? [] : ClubsOf(segment).Where(c => !bag.Contains(c)).Distinct().ToList();
            if (missing.Count > 0)
            {
                yield return segment.Parts.Count == 0 && segment.Clubs.Any(bag.Contains)
                    ? new RuleHit(
                        segment.Id,
                        CheckSentences.ClubNotThere.Of(missing),
                        CheckSentences.LeaveOut.Of(),
                        () => input.With(segment, s => s with { Clubs = [.. s.Clubs.Where(bag.Contains)] })
                    )
                    : new RuleHit(segment.Id, CheckSentences.ClubNotThere.Of(missing));
                continue;
            }

            var isStopped =
                segment.Drill?.Drill.Equipment.Any(e => !e.IsMetBy(i => input.HasEquipment(i, segment.Place))) == true;
            if (!isStopped && Instrument(segment) is { } thing && !input.HasEquipment(thing, segment.Place))
            {
                yield return new RuleHit(
                    segment.Id,
                    CheckSentences.ThingNotThere.Of(thing),
                    CheckSentences.WatchTheBall.Of(),
                    () => input.With(segment, s => s with { Feedback = FeedbackSource.BallFlight })
                );
                continue;
            }

            var targets = input.Grounds(segment.Place).SelectMany(p => p.Targets).Select(t => t.Name).ToHashSet();
            if (
                targets.Count > 0
                && segment.Calls.FirstOrDefault(c => c.Target.Length > 0 && !targets.Contains(c.Target)) is { } call
            )
                yield return new RuleHit(segment.Id, CheckSentences.TargetNotThere.Of(call.Target));
        }
    }

    private static IEnumerable<Club> ClubsOf(PracticeSegment segment) =>
        segment.Clubs.Concat(segment.Parts.SelectMany(p => p.Clubs));

    /// <summary>The instrument that the segment itself takes its answers from; null where it needs none.</summary>
    private static Equipment? Instrument(PracticeSegment segment) =>
        segment.Feedback switch
        {
            FeedbackSource.LaunchNumbers => Equipment.LaunchMonitor,
            FeedbackSource.Mirror when segment.Drill?.Drill.Feedback != FeedbackSource.Mirror => Equipment.Mirror,
            _ => null,
        };
}
