using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class LogBranchesTests
{
    private static readonly SessionPlan Hour = Plan(
        Segment(1, Phase.Block, 20, balls: 20),
        Segment(2, Phase.Block, 20, balls: 20),
        Segment(3, Phase.Random, 20, balls: 20)
    );

    private static readonly (double, SessionEntry)[] Shared = [(0, Entered(1)), (5, Counted(1, 10)), (6, Pain(2))];

    [Fact]
    public void Of_each_segment_the_fuller_branch_counts_and_the_shared_start_once()
    {
        // By hand: segment 1 has 15 balls on the first phone and 10 on the second, segment 2 none and 20.
        var first = Log([.. Shared, (10, Counted(1, 5)), (12, Stopped())]);
        var second = Log([
            .. Shared,
            (7, Entered(2)),
            (17, Counted(2, 20)),
            (18, Settled(2, SegmentOutcome.Done)),
            (19, Finished()),
        ]);
        var one = LogBranches.AsOne(Hour, [first, second]);
        Assert.Equal([15, 20], one.Segments.Select(s => s.Balls));
        Assert.Equal(TimeSpan.FromMinutes(12 + 11), one.Spent);
        Assert.Equal(Nine.AddMinutes(19), one.FinishedAt);
        Assert.Single(one.Pain);
        var apart = SessionCompletion.Of(Hour, [first, second]);
        Assert.Equal(apart.DoneMinutes, SessionCompletion.Of(Hour, [one]).DoneMinutes, 9);
    }

    [Fact]
    public void One_log_is_itself()
    {
        var log = Log(Shared);
        Assert.Same(log, LogBranches.AsOne(Hour, [log]));
    }
}
