using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans.Check;

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

    private static IEnumerable<Found> WrongPlace(CheckedPlan seen)
    {
        foreach (var segment in seen.Practice)
        {
            if (segment.Drill is { } planned && !planned.Drill.Places.Contains(segment.Place))
            {
                var other = planned.Drill.Places.Cast<PlaceKind?>().FirstOrDefault(p => p == PlaceKind.Home || seen.Context.Places.Count == 0 || seen.Grounds(p!.Value).Any());
                yield return other is { } place
                    ? new Found(segment.Id, $"“{planned.Drill.Name}” cannot be done there.", $"Do it on the {Said(place)}", () => seen.With(segment, s => s with { Place = place }))
                    : new Found(segment.Id, $"“{planned.Drill.Name}” cannot be done there.");
                continue;
            }

            var grounds = seen.Grounds(segment.Place).ToList();
            if (grounds.Count == 0) continue;
            if (segment.Drill is { } stuck && grounds.All(g => g.Surface is RangeSurface.Mat or RangeSurface.IndoorBay)
                && stuck.Drill.Equipment.Any(e => e.Item == Equipment.AlignmentSticks && e.Substitute.Length == 0) && stuck.Drill.Drawing is SetUpDrawing.Gate or SetUpDrawing.Sticks)
            {
                yield return new Found(segment.Id, $"“{stuck.Drill.Name}” needs a stick in the ground, and there are only mats.");
                continue;
            }

            var forbidden = segment.Clubs.Where(c => grounds.All(g => g.ForbiddenClubs.Contains(c))).ToList();
            if (forbidden.Count == 0) continue;
            var left = segment.Clubs.Except(forbidden).ToList();
            var why = $"The {string.Join(" and the ", forbidden.Select(c => c.InWords()))} may not be hit there.";
            yield return left.Count > 0
                ? new Found(segment.Id, why, "Leave it out", () => seen.With(segment, s => s with { Clubs = left }))
                : new Found(segment.Id, why);
        }
    }

    private static string Said(PlaceKind place) => place switch
    {
        PlaceKind.PuttingGreen => "putting green",
        PlaceKind.ChippingGreen => "chipping green",
        _ => place.ToString().ToLowerInvariant(),
    };

    private static IEnumerable<Found> MissingEquipment(CheckedPlan seen) =>
        from segment in seen.Practice
        where segment.Drill is not null
        let lacking = segment.Drill!.Drill.Equipment.Where(e => e.Substitute.Length == 0 && !seen.HasEquipment(e.Item, segment.Place)).ToList()
        where lacking.Count > 0
        select new Found(segment.Id, $"“{segment.Drill!.Drill.Name}” needs {string.Join(" and ", lacking.Select(e => InWords(e.Item)))}, which neither the student nor the place has, and nothing does instead.");

    private static string InWords(Equipment item) =>
        string.Concat(item.ToString().Select((c, i) => char.IsUpper(c) && i > 0 ? $" {char.ToLowerInvariant(c)}" : char.ToLowerInvariant(c).ToString()));

    private static IEnumerable<Found> WrongGreen(CheckedPlan seen)
    {
        if (seen.Context.Student is not { } student) yield break;
        var day = seen.Context.Day;
        var near = student.Own.Competitions.FirstOrDefault(c => c.GreenSpeedFeet is not null && day <= c.LastDay && day >= c.FirstDay.Plus(-GreenDays));
        if (near is null || seen.Grounds(PlaceKind.PuttingGreen).Select(g => g.GreenSpeedFeet).FirstOrDefault(f => f is not null) is not { } here) yield break;
        if (Math.Abs(here - near.GreenSpeedFeet!.Value) <= GreenFeet) yield break;
        foreach (var segment in seen.Practice.Where(s => s.Place == PlaceKind.PuttingGreen && s.SkillOrDrills == "pace"))
            yield return new Found(segment.Id, $"Pace on a green of {here:0.#} ft, and {near.Name} putts at {near.GreenSpeedFeet:0.#}: leave pace for the course and do start line, or keep it as routine.");
    }
}
