using MorningRound.Core.Calendar;
using MorningRound.Core.Places;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Check;

internal static class TechniqueRules
{
    /// <summary>An aim that changes nothing on purpose.</summary>
    private const string KeepItGoing = "Keep it going";

    /// <summary>Days before arrival from which a swing change rests.</summary>
    private const int RestDays = 2;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.NoFocus, FindingLevel.Advice, NoFocus),
        new(FindingId.NoFeedback, FindingLevel.Caution, NoFeedback),
        new(FindingId.ManyFocuses, FindingLevel.Advice, ManyFocuses),
        new(FindingId.Wind, FindingLevel.Note, Wind),
        new(FindingId.CompetitionNear, FindingLevel.Advice, CompetitionNear),
    ];

    private static IEnumerable<PracticeSegment> Technique(CheckedPlan seen) => seen.Practice.Where(s => s.Intent == Intent.Technique);

    private static IEnumerable<Found> NoFocus(CheckedPlan seen)
    {
        var own = seen.Context.Student?.Coach.Focus.Goal ?? "";
        var focus = own.Length > 0 ? own : KeepItGoing;
        return from segment in Technique(seen)
               where string.IsNullOrWhiteSpace(segment.Focus)
               select new Found(segment.Id, "It works on technique and does not say on what.", $"Set the focus: {focus}", () => seen.With(segment, s => s with { Focus = focus }));
    }

    private static IEnumerable<Found> NoFeedback(CheckedPlan seen) =>
        from segment in Technique(seen)
        where segment.Balls > 0 && segment.FeedbackOrDrills is null
        select new Found(segment.Id, "Nothing tells the student after each ball whether it was there.", "Name the student's own feel", () => seen.With(segment, s => s with { Feedback = FeedbackSource.OwnFeel }));

    private static IEnumerable<Found> ManyFocuses(CheckedPlan seen)
    {
        var named = Technique(seen).Where(s => !string.IsNullOrWhiteSpace(s.Focus) && !Same(s.Focus, KeepItGoing)).ToList();
        foreach (var (segment, i) in named.Select((s, i) => (s, i)))
        {
            var other = named.Take(i).FirstOrDefault(s => !Same(s.Focus, segment.Focus) && SameClubs(s, segment));
            if (other is null) continue;
            yield return new Found(segment.Id, $"A second focus for the same clubs in one session; “{other.Title}” already has one.", $"Keep to: {other.Focus}",
                () => seen.With(segment, s => s with { Focus = other.Focus }));
        }
    }

    private static bool SameClubs(PracticeSegment a, PracticeSegment b) =>
        a.Clubs.Count > 0 && b.Clubs.Count > 0 ? a.Clubs.Intersect(b.Clubs).Any() : CheckedPlan.PartOf(a) == CheckedPlan.PartOf(b);

    private static bool Same(string a, string b) => string.Equals(a.Trim(), b.Trim(), StringComparison.OrdinalIgnoreCase);

    /// <summary>Into the wind, or off the trail side, is what coaches prefer for technique; schools differ.</summary>
    private static IEnumerable<Found> Wind(CheckedPlan seen)
    {
        if (seen.Plan.Frame.WindFromDegrees is not { } from || seen.Grounds(PlaceKind.Range).Select(p => p.FacesDegrees).FirstOrDefault(f => f is not null) is not { } faces) yield break;
        var angle = (((from - faces) % 360) + 360) % 360;
        if (seen.Context.Hand == Hand.Left) angle = (360 - angle) % 360;
        var isWith = angle is > 135 and < 225;
        var isOffLead = angle is >= 225 and < 315;
        if (!isWith && !isOffLead) yield break;
        foreach (var segment in Technique(seen).Where(s => s.Balls > 0 && s.Place == PlaceKind.Range))
            yield return new Found(segment.Id, $"The wind comes {(isWith ? "from behind" : "off the lead side")} and pulls the swing; technique is better into it or off the trail side.");
    }

    private static IEnumerable<Found> CompetitionNear(CheckedPlan seen)
    {
        if (seen.Context.Student is not { } student) yield break;
        var day = seen.Context.Day;
        var near = student.Own.Competitions.FirstOrDefault(c => day >= (c.ArrivalDay ?? c.FirstDay).Plus(-RestDays) && day <= c.LastDay);
        if (near is null) yield break;
        foreach (var segment in seen.Practice.Where(s => s.SlowRepetitions))
        {
            yield return new Found(segment.Id, $"Slow repetitions this close to {near.Name}: take the swing of the day there instead.", "Check it at the usual pace instead",
                () => seen.With(segment, s => s with { SlowRepetitions = false, Balls = Math.Max(s.Balls, (int)Math.Ceiling(s.Minutes * PaceRules.BlockLeast)) }));
        }
    }
}
