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
    public void What_only_one_branch_says_is_said_and_of_two_the_first_or_the_last_counts()
    {
        var plan = Plan(Segment(1, Phase.Block, 20, balls: 20), Given.Pause(4, 5));
        var first = Log([(0, Ready(3)), (1, Entered(1)), (5, Agreed("the first"))]);
        var second = Log([
            (0, Ready(7)),
            (1, FollowedUp),
            (2, Entered(1)),
            (3, Entered(4)),
            (4, Settled(4, SegmentOutcome.Done)),
            (5, Agreed("the last")),
        ]);
        var one = LogBranches.AsOne(plan, [first, second]);
        Assert.Equal((3, "the last"), (one.Ready!.Nerves, one.Agreed!.Checkpoint));
        Assert.Equal(2, Assert.Single(one.FollowUps).Level);
        // The pause was taken on the second device alone.
        Assert.Equal([Id(1), Id(4)], one.Segments.Select(s => s.SegmentId));

        static SessionEntry Ready(int nerves) =>
            new SessionReadied
            {
                Sequence = 0,
                At = Nine,
                Nerves = nerves,
            };
        static SessionEntry Agreed(string checkpoint) =>
            new LessonNoted
            {
                Sequence = 0,
                At = Nine,
                Checkpoint = checkpoint,
            };
    }

    private static readonly SessionEntry FollowedUp = new PainFollowedUp
    {
        Sequence = 0,
        At = Nine,
        Part = BodyPart.Neck,
        Level = 2,
        NeedsClearing = false,
    };

    [Fact]
    public void One_log_is_itself()
    {
        var log = Log(Shared);
        Assert.Same(log, LogBranches.AsOne(Hour, [log]));
    }
}
