using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Checks;

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

    private static IEnumerable<PracticeSegment> Technique(PlanInput input) =>
        input.Practice.Where(s => s.Intent == Intent.Technique);

    private static IEnumerable<RuleHit> NoFocus(PlanInput input) =>
        from segment in Technique(input)
        where string.IsNullOrWhiteSpace(segment.Focus)
        let focus = FocusFor(segment, input)
        select new RuleHit(
            segment.Id,
            CheckSentences.NoFocus.Of(),
            CheckSentences.SetFocus.Of(focus),
            () => input.With(segment, s => s with { Focus = focus })
        );

    /// <summary>
    /// The student's focus where the segment is of its area; a number of one area says nothing in another. Where the file does
    /// not say which area it is, only a focus without numbers is taken.
    /// </summary>
    private static string FocusFor(PracticeSegment segment, PlanInput input)
    {
        var focus = input.Context.Student?.Coach.Focus ?? new FocusChain();
        var isOfIt = focus.Area is { } area ? segment.EffectiveArea == area : !focus.Goal.Any(char.IsDigit);
        return focus.Goal.Length > 0 && isOfIt ? focus.AimInWords() : KeepItGoing;
    }

    /// <summary>On a putt for pace the ball itself says how it was.</summary>
    private static IEnumerable<RuleHit> NoFeedback(PlanInput input) =>
        from segment in Technique(input)
        where segment.Balls > 0 && segment.EffectiveFeedback is null && !GroundRules.IsPacePutting(segment)
        select new RuleHit(
            segment.Id,
            CheckSentences.NoFeedback.Of(),
            CheckSentences.NameOwnFeel.Of(),
            () => input.With(segment, s => s with { Feedback = FeedbackSource.OwnFeel })
        );

    private static IEnumerable<RuleHit> ManyFocuses(PlanInput input)
    {
        var named = Technique(input).Where(s => !string.IsNullOrWhiteSpace(s.Focus) && !Same(s.Focus, KeepItGoing)).ToList();
        foreach (var (segment, i) in named.Select((s, i) => (s, i)))
        {
            var other = named.Take(i).FirstOrDefault(s => !Same(s.Focus, segment.Focus) && SameClubs(s, segment));
            if (other is null)
                continue;
            yield return new RuleHit(
                segment.Id,
                CheckSentences.ManyFocuses.Of(other.Title),
                CheckSentences.KeepTo.Of(other.Focus),
                () => input.With(segment, s => s with { Focus = other.Focus })
            );
        }
    }

    private static bool SameClubs(PracticeSegment a, PracticeSegment b) =>
        a.Clubs.Count > 0 && b.Clubs.Count > 0 ? a.Clubs.Intersect(b.Clubs).Any() : a.Part() == b.Part();

    private static bool Same(string a, string b) => string.Equals(a.Trim(), b.Trim(), StringComparison.OrdinalIgnoreCase);

    /// <summary>
    /// Into the face of the shot, or onto the chest, is what coaches prefer for technique; schools differ. A right-hander's chest
    /// looks to the right of the target line, a left-hander's to the left.
    /// </summary>
    private static IEnumerable<RuleHit> Wind(PlanInput input)
    {
        if (
            input.Plan.Constraints.WindFromDegrees is not { } from
            || input.Grounds(PlaceKind.Range).Select(p => p.FacesDegrees).FirstOrDefault(f => f is not null) is not { } faces
        )
            yield break;
        var angle = (((from - faces) % 360) + 360) % 360;
        if (input.Context.Hand == Hand.Left)
            angle = (360 - angle) % 360;
        var isWith = angle is > 135 and < 225;
        var isOnBack = angle is >= 225 and < 315;
        if (!isWith && !isOnBack)
            yield break;
        foreach (var segment in Technique(input).Where(s => s.Balls > 0 && s.Place == PlaceKind.Range))
            yield return new RuleHit(segment.Id, (isWith ? CheckSentences.WindFromBehind : CheckSentences.WindOnBack).Of());
    }

    private static IEnumerable<RuleHit> CompetitionNear(PlanInput input)
    {
        if (input.Context.Student is not { } student)
            yield break;
        var day = input.Context.Day;
        var near = student.Own.Competitions.FirstOrDefault(c => day >= c.GetsThere.Plus(-RestDays) && day <= c.LastDay);
        if (near is null)
            yield break;
        foreach (var segment in input.Practice.Where(s => s.SlowRepetitions))
        {
            yield return new RuleHit(
                segment.Id,
                CheckSentences.CompetitionNear.Of(near.Name),
                CheckSentences.UsualPace.Of(),
                () => input.With(segment, s => s with { SlowRepetitions = false })
            );
        }
    }
}
