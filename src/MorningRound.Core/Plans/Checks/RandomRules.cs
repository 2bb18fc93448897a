using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;

namespace MorningRound.Core.Plans.Checks;

internal static class RandomRules
{
    /// <summary>Balls in a row with one club, outside block. The product's own number.</summary>
    private const int MostWithOneClub = 20;

    /// <summary>A simulated fairway against the real one. The product's own number.</summary>
    private const double SimulatedShare = FairwayLayout.UsualFactor;

    /// <summary>
    /// So many balls, or such a share of them, is no other number of balls for holes. The product's own numbers.
    /// </summary>
    private const int LeastHoleBalls = 3;

    private const double HoleBallsShare = 0.4;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.SameClubRun, FindingLevel.Advice, SameClubRun),
        new(FindingId.RepeatedCall, FindingLevel.Advice, RepeatedCall),
        new(FindingId.NoTarget, FindingLevel.Advice, NoTarget),
        new(FindingId.SimTooWide, FindingLevel.Note, input => SimTooWide(input).Concat(HolesTooWide(input))),
        new(FindingId.AidsOut, FindingLevel.Note, AidsOut),
        new(FindingId.HoleBalls, FindingLevel.Note, HoleBalls),
    ];

    private static IEnumerable<RuleHit> SameClubRun(PlanInput input)
    {
        foreach (var segment in input.Practice.Where(s => s.Phase != Phase.Block && s.Part() != GamePart.Putting))
        {
            var run =
                CallsOf(segment) is { Count: > 0 } calls ? LongestRun(calls, c => c.Club)
                : segment.Clubs.Count == 1 ? segment.Balls
                : 0;
            if (run <= MostWithOneClub)
                continue;
            var club = segment.Clubs.Count == 1 ? segment.Clubs[0] : (Club?)null;
            var other = club is { } only ? Neighbour(only, input) : null;
            yield return other is { } second && segment.Calls.Count == 0
                ? new RuleHit(
                    segment.Id,
                    CheckSentences.SameClubRun.Of(run),
                    CheckSentences.AddClub.Of(second),
                    () => input.With(segment, s => s with { Clubs = [.. s.Clubs, second] })
                )
                : new RuleHit(segment.Id, CheckSentences.SameClubRun.Of(run));
        }
    }

    /// <summary>
    /// The club next to one in the student's bag, longer or shorter; where the bag is not known, in the order of clubs.
    /// </summary>
    private static Club? Neighbour(Club club, PlanInput input)
    {
        var bag = input.Context.Student?.Coach.Bag.Select(b => b.Club).ToList() ?? [];
        var known = (bag.Count > 1 ? bag : [.. Enum.GetValues<Club>()]).Where(c => c != Club.Putter && c != club).ToList();
        return known.Count == 0 ? null : known.MinBy(c => Math.Abs((int)c - (int)club));
    }

    private static IEnumerable<RuleHit> RepeatedCall(PlanInput input)
    {
        foreach (var segment in input.Practice.Where(s => s.Phase == Phase.Random && s.Calls.Count > 1))
        {
            var run = LongestRun(segment.Calls, c => c);
            if (run <= (segment.DeclaredRun ?? 1))
                continue;
            yield return run <= 5
                ? new RuleHit(
                    segment.Id,
                    CheckSentences.RepeatedCall.Of(run),
                    CheckSentences.DeclareRun.Of(run),
                    () => input.With(segment, s => s with { DeclaredRun = run })
                )
                : new RuleHit(segment.Id, CheckSentences.RepeatedCall.Of(run));
        }
    }

    /// <summary>A drill always names what counts; a plain instruction has to.</summary>
    private static IEnumerable<RuleHit> NoTarget(PlanInput input) =>
        from segment in input.Practice
        where
            segment is { Phase: Phase.Random, Balls: > 0, Calls.Count: 0, FairwayYards: null }
            && segment.EffectiveSkill != "reading"
            && string.IsNullOrWhiteSpace(segment.EffectiveCriterion)
        select new RuleHit(segment.Id, CheckSentences.NoTarget.Of());

    private static IEnumerable<RuleHit> SimTooWide(PlanInput input) =>
        from segment in input.Practice
        where
            segment is { Phase: Phase.OnCourse, FairwayYards: not null, RealFairwayYards: not null }
            && segment.FairwayYards > (SimulatedShare * segment.RealFairwayYards) + 1e-9
        let narrower = Math.Round(SimulatedShare * segment.RealFairwayYards!.Value, 1)
        select new RuleHit(
            segment.Id,
            CheckSentences.SimTooWide.Of(segment.FairwayYards!.Value, segment.RealFairwayYards!.Value),
            CheckSentences.Yards.Of(narrower),
            () => input.With(segment, s => s with { FairwayYards = narrower })
        );

    private static IEnumerable<RuleHit> HolesTooWide(PlanInput input) =>
        from segment in input.Practice
        where segment.Play is { Factor: > SimulatedShare + 1e-9 }
        select new RuleHit(
            segment.Id,
            CheckSentences.HolesTooWide.Of(100 * segment.Play!.Factor),
            CheckSentences.Narrower.Of(100 * SimulatedShare),
            () => input.With(segment, s => s with { Play = s.Play! with { Factor = SimulatedShare } })
        );

    private static IEnumerable<RuleHit> HoleBalls(PlanInput input) =>
        from segment in input.Practice
        let usual = segment.Play?.UsualBalls ?? segment.Balls
        where Math.Abs(segment.Balls - usual) > Math.Max(LeastHoleBalls, HoleBallsShare * usual)
        select new RuleHit(
            segment.Id,
            CheckSentences.HoleBalls.Of(usual, segment.Balls),
            CheckSentences.Balls.Of(usual),
            () => input.With(segment, s => s.WithBalls(usual))
        );

    private static IEnumerable<RuleHit> AidsOut(PlanInput input) =>
        from segment in input.Practice
        where segment.Phase == Phase.OnCourse && segment.Aids.Any(IsStickOrGate)
        select new RuleHit(
            segment.Id,
            CheckSentences.AidsOut.Of(),
            CheckSentences.PutAway.Of(),
            () => input.With(segment, s => s with { Aids = [.. s.Aids.Where(a => !IsStickOrGate(a))] })
        );

    private static bool IsStickOrGate(Equipment aid) =>
        aid is Equipment.AlignmentSticks or Equipment.PuttingGate or Equipment.StringLine;

    private static IReadOnlyList<ShotCall> CallsOf(PracticeSegment segment) =>
        segment.Calls.Count > 0 ? segment.Calls
        : segment.Protocol() is CalledShots { Clubs.Count: > 0 } called ? called.List(0)
        : [];

    private static int LongestRun<T>(IReadOnlyList<ShotCall> calls, Func<ShotCall, T> of)
    {
        var (longest, run) = (1, 1);
        for (var i = 1; i < calls.Count; i++)
        {
            run = Equals(of(calls[i]), of(calls[i - 1])) ? run + 1 : 1;
            longest = Math.Max(longest, run);
        }

        return longest;
    }
}
