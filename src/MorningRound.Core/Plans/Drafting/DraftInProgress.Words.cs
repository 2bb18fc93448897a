using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

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
        return last is null
            ? "It was done without hurry"
            : $"{last.Title}: {char.ToLowerInvariant(last.EffectiveCriterion[0])}{last.EffectiveCriterion[1..]}, more often "
                + "than not";
    }

    private Message Reason(ShelvedDrill shelved, Slot slot, PlaceKind place)
    {
        var why =
            _request.Pinned.Contains(shelved.Id) ? DraftSentences.Pinned.Of()
            : shelved.Drill.Area == _area
                ? (_request.Recent.Contains(shelved.Id) ? DraftSentences.ItsAreaAgain : DraftSentences.ItsArea).Of(
                    Name(_area).ToLowerInvariant()
                )
            : place == _main ? DraftSentences.FitsThePlace.Of()
            : DraftSentences.NearestThing.Of();
        return DraftSentences.Both.Of(slot.Why, why);
    }

    /// <summary>
    /// Notes what kept the draft from being whole, and the phase it concerns; null for the plan as a whole.
    /// </summary>
    private void Compromise(Phase? about, Message message) => _compromises.Add((about, message));

    private void NameWhatIsMissing(SessionPlan plan)
    {
        foreach (var phase in new[] { Phase.WarmUp, Phase.Random, Phase.OnCourse })
        {
            if (plan.Practice().Any(s => s.Phase == phase) || _compromises.Any(c => c.About == phase))
                continue;
            Compromise(
                phase,
                phase == Phase.WarmUp ? DraftSentences.NoRoomForWarmUp.Of()
                    : _approach is Approach.Sharpen or Approach.SlowBuild or Approach.PlayIt or Approach.EvenSplit
                        ? DraftSentences.ApproachAsksForNone.Of(
                            Said(phase),
                            Approaches.All.Single(s => s.Approach == _approach).Name
                        )
                    : DraftSentences.NoPart.Of(Said(phase), Words(_request.Places))
            );
        }

        var walks = new PlanInput(plan, _context).WalkMinutes;
        var unfilled = _request.Minutes - plan.Segments.Sum(s => s.Minutes) - walks;
        if (unfilled * 10 > _request.Minutes)
            Compromise(null, DraftSentences.Unfilled.Of(unfilled, Words(_request.Places)));
        foreach (var found in PlanCheck.Run(plan, _context).Where(f => f.Level > FindingLevel.Note && f.Id != FindingId.Minor))
            Compromise(null, DraftSentences.NotPutRight.Of(found.Message));
    }

    private static string Said(Phase phase) =>
        phase switch
        {
            Phase.WarmUp => "warm-up",
            Phase.OnCourse => "on-course",
            _ => phase.ToString().ToLowerInvariant(),
        };

    private static string Words(IEnumerable<PlaceKind> places) =>
        string.Join(
            " and ",
            places.Select(p =>
                p switch
                {
                    PlaceKind.PuttingGreen => "the putting green",
                    PlaceKind.ChippingGreen => "the chipping green",
                    PlaceKind.Home => "home",
                    _ => $"the {p.ToString().ToLowerInvariant()}",
                }
            )
        );

    private static string Name(Area area) =>
        area switch
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
