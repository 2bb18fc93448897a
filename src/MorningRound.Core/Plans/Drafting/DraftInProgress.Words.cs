using MorningRound.Core.Drills;
using MorningRound.Core.Places;
using MorningRound.Core.Sessions;
using MorningRound.Core.Plans.Check;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>What a draft says: its purpose, why each segment is there, and what kept it from being whole.</summary>
internal sealed partial class DraftInProgress
{
    private string Purpose()
    {
        var goal = _context.Student?.Coach.Focus.Goal ?? "";
        var what = Name(_area).ToLowerInvariant();
        return _approach switch
        {
            Approach.Sharpen => $"Take {what} to the course as it is, and touch nothing",
            Approach.PlayIt => $"Play {what} with one ball and a card",
            _ when goal.Length > 0 => goal,
            _ => $"{Name(_area)}: first the same shot, then proof that it holds",
        };
    }

    /// <summary>The last scored part decides.</summary>
    private string SuccessTest()
    {
        var last = _segments.OfType<PracticeSegment>().LastOrDefault(s => s.Drill is not null && s.Phase != Phase.WarmUp);
        return last is null ? "It was done without hurry" : $"{last.Title}: {char.ToLowerInvariant(last.CriterionOrDrills[0])}{last.CriterionOrDrills[1..]}, more often than not";
    }

    private string Reason(ShelvedDrill shelved, Slot slot, PlaceKind place)
    {
        var why = _request.Pinned.Contains(shelved.Id) ? "Pinned."
            : shelved.Drill.Area == _area ? $"It is {Name(_area).ToLowerInvariant()}, {(_request.Recent.Contains(shelved.Id) ? "though it was there lately" : "and not from the last two sessions")}."
            : place == _main ? "It fits the place." : "The nearest thing there is.";
        return $"{slot.Why} {why}";
    }

    private void NameWhatIsMissing(SessionPlan plan)
    {
        foreach (var (phase, said) in new[] { (Phase.WarmUp, "warm-up"), (Phase.Random, "random"), (Phase.OnCourse, "on-course") })
        {
            if (plan.Practice().Any(s => s.Phase == phase) || _constraints.Any(c => c.Contains(said, StringComparison.Ordinal))) continue;
            _constraints.Add($"No {said} part: {(phase == Phase.WarmUp ? "there is no room for one." : _approach is Approach.Sharpen or Approach.SlowBuild or Approach.PlayIt or Approach.EvenSplit ? $"“{Approaches.All.Single(s => s.Approach == _approach).Name}” asks for none here." : $"no drill on the shelf fits {Where()}.")}");
        }

        var walks = new CheckedPlan(plan, _context).WalkMinutes;
        var unfilled = _request.Minutes - plan.Segments.Sum(s => s.Minutes) - walks;
        if (unfilled * 10 > _request.Minutes)
            _constraints.Add($"{unfilled} minutes could not be filled: the shelf has nothing more that fits {Where()}.");
        foreach (var found in PlanCheck.Run(plan, _context).Where(f => f.Level > FindingLevel.Note && f.Id != FindingId.Minor))
            _constraints.Add($"It could not be put right: {found.Why}");
    }

    private string Where() => Words(_request.Places);

    private static string Words(IEnumerable<PlaceKind> places) => string.Join(" and ", places.Select(p => p switch
    {
        PlaceKind.PuttingGreen => "the putting green",
        PlaceKind.ChippingGreen => "the chipping green",
        PlaceKind.Home => "home",
        _ => $"the {p.ToString().ToLowerInvariant()}",
    }));

    private string HurtInWords() => string.Join(" and ", _context.Hurt.Select(h => BodyParts.InWords(h.Part, h.Side)));

    private static string Name(Area area) => area switch
    {
        Area.Chip => "Chipping",
        Area.Pitch => "Pitching",
        Area.Wedge => "Wedges",
        Area.Iron => "Irons",
        Area.Wood => "Woods",
        Area.Body => "Body",
        Area.Mind => "A calm head",
        _ => area.ToString(),
    };
}
