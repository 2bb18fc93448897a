using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Checks;

internal static class GroundRules
{
    private const int GreenDays = 7;
    private const double GreenFeet = 1;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.Place, FindingLevel.Stop, WrongPlace),
        new(FindingId.Equipment, FindingLevel.Stop, MissingEquipment),
        new(FindingId.WrongGreen, FindingLevel.Advice, WrongGreen),
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
        foreach (var segment in input.Practice.Where(s => s.Place == PlaceKind.PuttingGreen && s.EffectiveSkill == "pace"))
            yield return new RuleHit(segment.Id, CheckSentences.WrongGreen.Of(here, near.Name, near.GreenSpeedFeet.Value));
    }
}
