using MorningRound.Core.Sessions;

namespace MorningRound.Core.Plans.Check;

internal static class CareRules
{
    private const int MinutesWithoutBreak = 60;
    private const int MinutesWithoutBreakWhenHot = 30;
    private const int BreakMinutes = 3;
    private const int LongSession = 90;
    private const int DriverNotBefore = 15;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.NoBreak, FindingLevel.Caution, NoBreak),
        new(FindingId.Fatigue, FindingLevel.Caution, Fatigue),
        new(FindingId.Hurt, FindingLevel.Stop, Hurt),
        new(FindingId.Minor, FindingLevel.Stop, Minor),
    ];

    private static IEnumerable<Found> NoBreak(CheckedPlan seen)
    {
        var most = seen.Plan.Frame.Hot ? MinutesWithoutBreakWhenHot : MinutesWithoutBreak;
        var running = 0;
        for (var i = 0; i < seen.Plan.Segments.Count; i++)
        {
            var segment = seen.Plan.Segments[i];
            if (segment is Pause)
            {
                running = 0;
                continue;
            }

            running += segment.Minutes;
            if (running <= most) continue;
            var at = i;
            yield return new Found(segment.Id, $"More than {most} minutes without a pause{(seen.Plan.Frame.Hot ? " on a hot day" : "")}: water, shade, rest.", "Put a pause in", () => WithPause(seen, at, running, most));
            yield break;
        }
    }

    /// <summary>
    /// A pause in front of the segment that runs past the limit; one that is too long by itself is parted, with the pause between.
    /// The time comes off the longest segment where there is none to spare.
    /// </summary>
    private static SessionPlan WithPause(CheckedPlan seen, int at, int running, int most)
    {
        var isFull = seen.Plan.Frame.Minutes is { } there && seen.Minutes + seen.WalkMinutes + BreakMinutes > there;
        var plan = isFull ? Mending.TakingFromLongest(seen.Plan, BreakMinutes) : seen.Plan;
        var before = running - seen.Plan.Segments[at].Minutes;
        List<Segment> segments = [.. plan.Segments];
        if (segments[at] is PracticeSegment practice && practice.Minutes > most)
        {
            var length = most - before >= BreakMinutes ? Math.Min(practice.Minutes / 2, most - before) : practice.Minutes / 2;
            var first = practice with { Minutes = length, Balls = practice.Balls * length / practice.Minutes, Holes = practice.Holes is { } all ? Math.Max(1, all * length / practice.Minutes) : null };
            var second = practice with
            {
                Id = NewIds.From(practice.Id, plan),
                Minutes = practice.Minutes - length,
                Balls = practice.Balls - first.Balls,
                Holes = practice.Holes is { } holes ? Math.Max(1, holes - first.Holes!.Value) : null,
            };
            segments.RemoveAt(at);
            segments.InsertRange(at, [first, Water(practice.Id, plan), second]);
            if (before + length > most) segments.Insert(at, Water(second.Id, plan));
        }
        else
        {
            segments.Insert(at, Water(segments[at].Id, plan));
        }

        return plan with { Segments = segments };
    }

    private static Pause Water(Guid near, SessionPlan plan) => new()
    {
        Id = NewIds.From(NewIds.From(near, -1), plan),
        Title = "Water",
        Minutes = BreakMinutes,
        Instruction = "Drink something, and step into the shade.",
    };

    private static IEnumerable<Found> Fatigue(CheckedPlan seen)
    {
        var begins = 0;
        if (seen.Minutes > LongSession)
        {
            foreach (var segment in seen.Plan.Segments)
            {
                if (begins >= DriverNotBefore) break;
                begins += segment.Minutes;
                if (segment is not PracticeSegment practice || !practice.Clubs.Contains(Club.Driver)) continue;
                var left = practice.Clubs.Where(c => c != Club.Driver).ToList();
                var why = $"Driver in the first {DriverNotBefore} minutes of a session over {LongSession}: keep the fast swings for later.";
                yield return left.Count > 0
                    ? new Found(practice.Id, why, "Leave the driver out here", () => seen.With(practice, s => s with { Clubs = left }))
                    : new Found(practice.Id, why);
            }
        }

        if (seen.Context.Load?.RatioWith(seen.Minutes) is { } ratio && ratio > Load.CautionAbove)
            yield return new Found(null, $"With it the week's load comes to {ratio:0.0} times the mean of the four weeks before; above {Load.CautionAbove:0.0} is a reason to look.");
    }

    private static IEnumerable<Found> Hurt(CheckedPlan seen) =>
        from segment in seen.Practice
        let hurting = seen.Context.Hurt.FirstOrDefault(h => segment.Loads(h.Part, h.Side))
        where hurting is not null
        select new Found(segment.Id, $"It loads the {BodyParts.InWords(hurting.Part, hurting.Side)}, which hurts and which no doctor or physiotherapist has cleared.");

    private static IEnumerable<Found> Minor(CheckedPlan seen)
    {
        if (seen.Context.Student is { MayBePublishedTo: false })
            yield return new Found(null, "The student is a minor, and no guardian's consent is on record.");
    }
}
