using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Editing;

namespace MorningRound.Core.Plans.Checks;

/// <summary>
/// Balls per minute by what a segment says it is. The numbers are the product's own, where common practice gives no other.
/// </summary>
internal static class PaceRules
{
    /// <summary>Above 100 range balls in 60 minutes a session is hurried. Common practice, no source.</summary>
    private const double SessionMost = 100.0 / 60;

    /// <summary>The fewest holes that count as a card; one or two are a rehearsal, with time to talk.</summary>
    private const int HolesOfACard = 3;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(
            FindingId.PaceFast,
            FindingLevel.Advice,
            input => Segments(input, isFast: true).Concat(Session(input)).Concat(Holes(input, isFast: true))
        ),
        new(FindingId.PaceSlow, FindingLevel.Advice, input => Segments(input, isFast: false).Concat(Holes(input, isFast: false))),
    ];

    private static IEnumerable<RuleHit> Segments(PlanInput input, bool isFast)
    {
        foreach (var segment in input.Practice)
        {
            if (UsualPace.Of(segment) is not { } usual || PlanTotals.PaceOf(segment) is not { } pace)
                continue;
            if (isFast ? pace <= usual.Most + 1e-9 : pace >= usual.Least - 1e-9)
                continue;
            if (!isFast)
            {
                // More balls would be no better practice: slow is only said.
                yield return new RuleHit(segment.Id, CheckSentences.PaceSlow.Of(pace, usual.Kind, usual.Least, usual.Most))
                {
                    Level = segment is { Phase: Phase.Block, SlowRepetitions: false } ? FindingLevel.Note : null,
                };
                continue;
            }

            var balls = (int)Math.Floor((usual.Most * segment.Minutes) + 1e-9);
            yield return new RuleHit(
                segment.Id,
                usual.Least > 0
                    ? CheckSentences.PaceFast.Of(pace, usual.Kind, usual.Least, usual.Most)
                    : CheckSentences.PaceFastUpTo.Of(pace, usual.Kind, usual.Most),
                CheckSentences.Balls.Of(balls),
                () => input.With(segment, s => s.WithBalls(Math.Max(1, balls)))
            );
        }
    }

    private static IEnumerable<RuleHit> Session(PlanInput input)
    {
        if (input.Minutes == 0 || input.BallsBought <= SessionMost * input.Minutes + 1e-9)
            yield break;
        var most = (int)(SessionMost * input.Minutes);
        yield return new RuleHit(
            null,
            CheckSentences.SessionFast.Of(input.BallsBought, input.Minutes, most),
            CheckSentences.BallsInAll.Of(most),
            () => PlanEdits.ToBalls(input.Plan, most)
        );
    }

    /// <summary>Minutes a hole over the on-course segments of the range together, putting out afterwards included.</summary>
    private static IEnumerable<RuleHit> Holes(PlanInput input, bool isFast)
    {
        var onCourse = input.Practice.Where(s => s.Phase == Phase.OnCourse).ToList();
        // Tee shots alone are shots with a routine, and have their pace; a hole of them takes no walk from tee to green.
        var onRange = onCourse.Where(s => s is { Place: PlaceKind.Range, Holes: not null } && !UsualPace.IsTeeShots(s)).ToList();
        var holes = onRange.Sum(s => s.Holes ?? 0);
        if (holes < HolesOfACard)
            yield break;
        // A putting drill afterwards is not the putting out of these holes.
        bool IsPuttingOut(PracticeSegment s) => s.Part() == GamePart.Putting && (s.Drill is null || s.Holes is not null);
        var each =
            (double)
                onCourse
                    .Where(s => (s.Place == PlaceKind.Range && !UsualPace.IsTeeShots(s)) || IsPuttingOut(s))
                    .Sum(s => s.Minutes) / holes;
        if (isFast ? each >= UsualPace.LeastMinutesPerHole : each <= UsualPace.MostMinutesPerHole)
            yield break;
        yield return new RuleHit(onRange[0].Id, (isFast ? CheckSentences.HolesFast : CheckSentences.HolesSlow).Of(each));
    }
}
