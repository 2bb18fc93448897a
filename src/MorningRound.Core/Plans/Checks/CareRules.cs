using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Editing;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Plans.Checks;

internal static class CareRules
{
    private const int MinutesWithoutBreak = 60;
    private const int MinutesWithoutBreakWhenHot = 30;
    private const int BreakMinutes = 3;

    /// <summary>So many minutes past the limit are a note. [own default]</summary>
    private const int MinutesOverOnlySaid = 5;
    private const int LongSession = 90;
    private const int DriverNotBefore = 15;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.NoBreak, FindingLevel.Caution, NoBreak),
        new(FindingId.Fatigue, FindingLevel.Caution, Fatigue),
        new(FindingId.Hurt, FindingLevel.Stop, Hurt),
        new(FindingId.Minor, FindingLevel.Stop, Minor),
        new(FindingId.CompetitionDay, FindingLevel.Caution, CompetitionDay),
    ];

    private static IEnumerable<RuleHit> NoBreak(PlanInput input)
    {
        var most = input.Plan.Constraints.Hot ? MinutesWithoutBreakWhenHot : MinutesWithoutBreak;
        var running = 0;
        for (var i = 0; i < input.Plan.Segments.Count; i++)
        {
            var segment = input.Plan.Segments[i];
            if (segment is Pause)
            {
                running = 0;
                continue;
            }

            running += segment.Minutes;
            if (running <= most)
                continue;
            var at = i;
            yield return new RuleHit(
                segment.Id,
                (input.Plan.Constraints.Hot ? CheckSentences.NoBreakWhenHot : CheckSentences.NoBreak).Of(most),
                CheckSentences.PutPauseIn.Of(),
                () => WithPause(input, at, running, most)
            )
            {
                // A few minutes over are only worth a word.
                Level = running <= most + MinutesOverOnlySaid ? FindingLevel.Note : null,
            };
            yield break;
        }
    }

    /// <summary>
    /// A pause in front of the segment that runs past the limit; one that is too long by itself is parted, with the pause
    /// between.
    /// The time comes off the longest segment where there is none to spare.
    /// </summary>
    internal static SessionPlan WithPause(PlanInput input, int at, int running, int most)
    {
        var lacking = input.Minutes + input.WalkMinutes + BreakMinutes - (input.Plan.Constraints.Minutes ?? int.MaxValue);
        var plan = lacking > 0 ? PlanEdits.TakingFromLongest(input.Plan, Math.Min(BreakMinutes, lacking)) : input.Plan;
        var before = running - input.Plan.Segments[at].Minutes;
        List<Segment> segments = [.. plan.Segments];
        if (segments[at] is PracticeSegment practice && practice.Minutes > most)
        {
            var length = most - before >= BreakMinutes ? Math.Min(practice.Minutes / 2, most - before) : practice.Minutes / 2;
            var first = practice.WithBalls(practice.Balls * length / practice.Minutes) with { Minutes = length };
            var second = practice.WithBalls(practice.Balls - first.Balls) with
            {
                Id = NewIds.From(practice.Id, plan),
                Minutes = practice.Minutes - length,
            };
            if (practice.Holes is { } holes)
            {
                var firstHoles = Math.Max(1, holes * length / practice.Minutes);
                first = first.WithHoles(firstHoles);
                second = second.WithHoles(Math.Max(1, holes - firstHoles), firstHoles);
            }

            segments.RemoveAt(at);
            segments.InsertRange(at, [first, Water(practice.Id, plan), second]);
            if (before + length > most)
                segments.Insert(at, Water(second.Id, plan));
        }
        else
        {
            segments.Insert(at, Water(segments[at].Id, plan));
        }

        return plan with
        {
            Segments = segments,
        };
    }

    private static Pause Water(Guid near, SessionPlan plan) =>
        new()
        {
            Id = NewIds.From(NewIds.From(near, -1), plan),
            Title = "Water",
            Minutes = BreakMinutes,
            Instruction = PauseBeginning.WordsFor(plan.Constraints.Hot),
        };

    private static IEnumerable<RuleHit> Fatigue(PlanInput input)
    {
        var begins = 0;
        if (input.Minutes > LongSession)
        {
            foreach (var segment in input.Plan.Segments)
            {
                if (begins >= DriverNotBefore)
                    break;
                begins += segment.Minutes;
                if (segment is not PracticeSegment practice || !practice.Clubs.Contains(Club.Driver))
                    continue;
                var left = practice.Clubs.Where(c => c != Club.Driver).ToList();
                var why = CheckSentences.FatigueDriver.Of(DriverNotBefore, LongSession);
                yield return left.Count > 0
                    ? new RuleHit(
                        practice.Id,
                        why,
                        CheckSentences.LeaveDriverOut.Of(),
                        () => input.With(practice, s => s with { Clubs = left })
                    )
                    : new RuleHit(practice.Id, why);
            }
        }

        if (input.Context.Load?.RatioWith(input.Minutes) is { } ratio && ratio > WeekLoad.CautionAbove)
            yield return new RuleHit(null, CheckSentences.FatigueLoad.Of(ratio, WeekLoad.CautionAbove));
    }

    private static IEnumerable<RuleHit> Hurt(PlanInput input) =>
        from segment in input.Practice
        let hurting = input
            .Context.Hurt.Where(h => !h.Mild)
            .Select(h => (Hurt: h, Load: segment.LoadOn(h.Part, h.Side)))
            .Where(h => h.Load is not null)
            .OrderBy(h => h.Load)
            .FirstOrDefault()
        where hurting.Load is not null
        select hurting.Load == LoadWeight.Heavy
            ? new RuleHit(segment.Id, CheckSentences.Hurt.Of(hurting.Hurt))
            : new RuleHit(segment.Id, CheckSentences.HurtALittle.Of(hurting.Hurt)) { Level = FindingLevel.Caution };

    private static IEnumerable<RuleHit> CompetitionDay(PlanInput input)
    {
        var day = input.Context.Day;
        if (!input.IsOnlyWarmUp && input.Context.Student?.Own.Competitions.FirstOrDefault(c => c.IsPlayedOn(day)) is { } played)
            yield return new RuleHit(null, CheckSentences.CompetitionDay.Of(played.Name));
    }

    private static IEnumerable<RuleHit> Minor(PlanInput input)
    {
        if (input.Context.Student is { MayBePublishedTo: false })
            yield return new RuleHit(null, CheckSentences.Minor.Of());
    }
}
