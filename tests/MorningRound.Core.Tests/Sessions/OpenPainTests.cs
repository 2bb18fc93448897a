using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class OpenPainTests
{
    private static readonly DateOnly Monday = new(2026, 5, 4);

    private static PainOnDay On(int day, params SessionEntry[] entries) =>
        new(Monday.AddDays(day), PainNotes.Of(Log([.. entries.Select((e, i) => ((double)i, e))]))!);

    private static PainReported Knee(int level, bool sharp = false) =>
        new()
        {
            Part = BodyPart.Knee,
            Side = BodySide.Lead,
            Level = level,
            Sharp = sharp,
            Sequence = 0,
            At = Nine,
        };

    private static PainFollowedUp Now(int level, bool needsClearing = false) =>
        new()
        {
            Part = BodyPart.Knee,
            Side = BodySide.Lead,
            Level = level,
            NeedsClearing = needsClearing,
            Sequence = 0,
            At = Nine,
        };

    private static StudentFile Cleared(int day) =>
        new()
        {
            Coach = new CoachSection
            {
                PainfulParts =
                [
                    new PainfulPart
                    {
                        Part = BodyPart.Knee,
                        Side = BodySide.Lead,
                        Since = Monday,
                        ClearedOn = Monday.AddDays(day),
                        ClearedBy = "A physiotherapist",
                    },
                ],
            },
        };

    [Fact]
    public void Light_pain_counts_on_until_the_student_says_it_is_gone()
    {
        var open = Assert.Single(OpenPain.Of([On(0, Knee(2)), On(2, Now(2)), On(30, Now(1))], new StudentFile()));
        Assert.Equal((1, false, Monday, Monday.AddDays(30)), (open.Level, open.NeedsClearing, open.Since, open.LastOn));
        Assert.Empty(OpenPain.Of([On(0, Knee(2)), On(2, Now(0))], new StudentFile()));
    }

    [Theory]
    [InlineData(4, false)]
    [InlineData(1, true)]
    public void From_four_or_sharp_only_the_file_ends_it(int level, bool sharp)
    {
        PainOnDay[] said = [On(0, Knee(level, sharp)), On(2, Now(0, needsClearing: true))];
        Assert.True(Assert.Single(OpenPain.Of(said, new StudentFile())).NeedsClearing);
        Assert.Empty(OpenPain.Of(said, Cleared(0)));
    }

    [Fact]
    public void What_hurts_again_after_it_was_cleared_is_open_again()
    {
        Assert.Single(OpenPain.Of([On(0, Knee(5)), On(3, Knee(2))], Cleared(1)));
        Assert.Empty(OpenPain.Of([On(0, Knee(5)), On(3, Knee(2))], Cleared(3)));
    }

    [Fact]
    public void The_order_in_which_logs_arrive_does_not_matter_and_the_worst_comes_first()
    {
        var neck = Knee(6) with { Part = BodyPart.Neck, Side = null };
        var open = OpenPain.Of([On(2, Now(0)), On(0, Knee(2)), On(1, neck), On(3, Knee(3))], new StudentFile());
        Assert.Equal(["neck, 6 of 10", "lead knee, 3 of 10"], open.Select(p => p.InWords()));
        Assert.Equal(Monday.AddDays(3), open[1].Since);
    }

    [Fact]
    public void Another_part_goes_by_the_students_own_words()
    {
        var rib = new PainReported
        {
            Part = BodyPart.AnotherPart,
            Where = "Rib",
            Level = 3,
            Sharp = false,
            Sequence = 0,
            At = Nine,
        };
        var open = OpenPain.Of(
            [On(0, rib), On(1, rib with { Where = "Toe", Level = 2 }), On(2, rib with { Where = " rib", Level = 1 })],
            new StudentFile()
        );
        Assert.Equal(["Toe, 2 of 10", "rib, 1 of 10"], open.Select(p => p.InWords()));
    }

    [Fact]
    public void What_falls_out_is_named_for_every_part_that_something_loads_and_for_no_other()
    {
        var full = Plan(Segment(1, Phase.Block, 20, balls: 20) with { Swing = SwingSize.Full });
        Assert.All(PainRule.Drops(full), d => Assert.Equal([Id(1)], d.SegmentIds));
        Assert.Contains(PainRule.Drops(full), d => d is { Part: BodyPart.LowerBack, Side: null });
        // Both sides of what comes in pairs, each once.
        Assert.Equal(PainRule.Drops(full).Count, PainRule.Drops(full).Select(d => (d.Part, d.Side)).Distinct().Count());
        Assert.Empty(PainRule.Drops(Plan(Pause(1, 5))));
    }

    [Fact]
    public void What_still_hurts_falls_out_of_a_session_and_counts_for_nothing()
    {
        var plan = Plan(Segment(1, Phase.Block, 20, balls: 20) with { Swing = SwingSize.Full }, Segment(2, Phase.Block, 10));
        SessionCompletion With(params SessionEntry[] entries) =>
            SessionCompletion.Of(plan, [Log([.. entries.Select((e, i) => ((double)i, e))])]);
        var back = new PainFollowedUp
        {
            Part = BodyPart.LowerBack,
            Level = 2,
            NeedsClearing = false,
            Sequence = 0,
            At = Nine,
        };
        Assert.Equal([null, 1], With(back, Settled(2, SegmentOutcome.Done)).Segments.Select(s => s.Fraction));
        Assert.Equal([0, 1], With(back with { Level = 0 }, Settled(2, SegmentOutcome.Done)).Segments.Select(s => s.Fraction));
        Assert.Equal(
            [null, 1],
            With(back with { Level = 0, NeedsClearing = true }, Settled(2, SegmentOutcome.Done)).Segments.Select(s => s.Fraction)
        );
    }
}
