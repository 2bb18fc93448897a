using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Wording;
using static MorningRound.Core.Tests.Given;
using static MorningRound.Core.Tests.Progress.GivenResults;

namespace MorningRound.Core.Tests.Progress;

public class WhatStandsBesideTests
{
    [Fact]
    public void What_is_good_on_the_range_and_gone_when_the_shot_changes_is_told_with_its_interval()
    {
        // Source: Newcombe, Stat Med 17 (1998) 873: 56/70 less 48/80 lies from 0.0524 to 0.3339.
        var said = Assert.Single(
            CarryOver.Of([Made(0, 56, 70), Made(1, 48, 80, phase: Phase.Random, key: "r", criterion: "In the gate")])
        );
        Assert.Equal("56 of 70 in block, only 48 of 80 in random: 5 to 33 points are lost on the way.", said.Text);
        Assert.Equal(-0.3339, said.Difference.Low, 4);
        Assert.Equal(2, said.Sessions.Count);
    }

    [Theory]
    [InlineData(60, 100, 61, 100, "it carries over, as far as can be told")]
    [InlineData(6, 10, 5, 10, "too few to tell")]
    [InlineData(20, 80, 60, 80, "points better where the shot changes")]
    public void Carry_over_says_what_the_numbers_allow(int made, int of, int madeThere, int ofThere, string said) =>
        Assert.Contains(
            said,
            CarryOver.Of([Made(0, made, of), Made(1, madeThere, ofThere, phase: Phase.OnCourse, key: "r")])[0].Text,
            StringComparison.Ordinal
        );

    [Fact]
    public void Two_criteria_are_never_set_beside_each_other()
    {
        Assert.Empty(CarryOver.Of([Made(0, 56, 70), Made(1, 48, 80, phase: Phase.Random, criterion: "holed")]));
        Assert.Empty(CarryOver.Of([Made(0, 56, 70, criterion: ""), Made(1, 48, 80, phase: Phase.Random, criterion: "")]));
        Assert.Empty(CarryOver.Of([Made(0, 56, 70), Made(1, 48, 80, phase: Phase.WarmUp)]));
    }

    [Fact]
    public void Ratings_that_follow_the_results_are_said_to()
    {
        var honest = RatingHonesty.Of([.. Enumerable.Range(0, 10).Select(i => Made(i, i, 20, quality: 1 + i))]);
        // Arithmetic: the same order on both sides.
        Assert.Equal(1, honest.Correlation!.Value, 9);
        Assert.StartsWith(
            "Sessions that are rated better have better results, by 10 sessions",
            honest.Text,
            StringComparison.Ordinal
        );
        var upsideDown = RatingHonesty.Of([.. Enumerable.Range(0, 10).Select(i => Made(i, i, 20, quality: 10 - i))]);
        Assert.Contains("worse results", upsideDown.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Fewer_than_eight_sessions_say_nothing_of_honesty_and_neither_do_equal_ratings()
    {
        Assert.Equal(
            "7 sessions with a rating and a result so far; from 8 on it can be said how well they go together.",
            RatingHonesty.Of([.. Enumerable.Range(0, 7).Select(i => Made(i, i, 20, quality: 1 + i))]).Text
        );
        Assert.StartsWith(
            "All 9 sessions were rated alike",
            RatingHonesty.Of([.. Enumerable.Range(0, 9).Select(i => Made(i, i, 20, quality: 7))]).Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_rating_is_set_beside_the_eight_weeks_before()
    {
        var today = First.AddDays(83);
        var change = RatingChange.Of(
            [
                .. new[] { 7, 8, 8, 9, 8, 7 }.Select((r, i) => (today.AddDays(-i), r)),
                .. new[] { 5, 6, 5, 4, 6, 5 }.Select((r, i) => (today.AddDays(-28 - i), r)),
                (today.AddDays(-84), 1),
                (today.AddDays(1), 1),
            ],
            today
        );
        Assert.Equal(47 / 6.0, change.Now!.Value, 9);
        Assert.Equal(31 / 6.0, change.Before!.Value, 9);
        Assert.StartsWith("7.8 in these four weeks, 5.2 in the eight before: higher by ", change.Text, StringComparison.Ordinal);
        Assert.Equal("Too few ratings to set these four weeks beside the eight before.", RatingChange.Of([], today).Text);
    }

    [Fact]
    public void Loads_of_weeks_have_the_band_of_their_ratio()
    {
        // By hand: five weeks of 60 min at effort 5 (300 each), then a week of 180 min (900): three times the usual.
        var monday = Week.Monday;
        var sessions = Enumerable
            .Range(1, 5)
            .Select(back => new LoadedSession(monday.AddDays(-7 * back), 60, 5))
            .Append(new LoadedSession(monday, 180, 5))
            .ToList();
        var weeks = LoadOfWeek.Of(sessions, Week.Plus(-1), 2, monday);
        Assert.Equal((300, LoadBand.Usual), (weeks[0].Load, weeks[0].Band));
        Assert.Equal((900, 3.0, LoadBand.Caution), (weeks[1].Load, weeks[1].Ratio, weeks[1].Band));
    }

    [Fact]
    public void Belief_stands_beside_what_was_measured()
    {
        AreaLoss[] losses = [new(Area.Putting, 0.3, 8), new(Area.Iron, 0.05, 9), new(Area.Chip, 0.4, 2)];
        static IReadOnlyList<string> Said(IReadOnlyList<Message> messages) => [.. messages.Select(m => m.In())];
        Assert.Equal(
            ["Putting is believed weak, and what drills gave (30 % missing to the goals, 8 results) says so too."],
            Said(Beliefs.Beside([Area.Putting], losses, null))
        );
        Assert.Equal(
            ["The driver is believed weak; what drills gave (30 % missing to the goals, 8 results) points to putting instead."],
            Said(Beliefs.Beside([Area.Driver], losses, null))
        );
        Assert.Equal(
            ["Chipping is believed weak; nothing measured speaks for or against it yet."],
            Said(Beliefs.Beside([Area.Chip], [], null))
        );
        Assert.Equal(
            ["Putting is not believed weak, but what drills gave (30 % missing to the goals, 8 results) points to it."],
            Said(Beliefs.Beside([], losses, null))
        );
        Assert.Empty(Beliefs.Beside([], [], null));
    }

    [Fact]
    public void Tags_routine_and_misses_are_added_up_with_their_doubt()
    {
        KeptTag Routine(string tag, int made, int of) => new(TagGroup.Routine, tag, of, new CountOf(made, of));
        DatedResult With(int day, MissCounts misses, params KeptTag[] tags) =>
            Made(day, 10, 20) with
            {
                Result = Made(day, 10, 20).Result with { Tags = tags, Misses = misses },
            };
        var noticed = NoticedAttempts.Of(
            [
                With(0, new MissCounts(9, 1, 2, 0), Routine("done", 30, 40), new KeptTag(TagGroup.Contact, "heavy", 3, null)),
                With(1, new MissCounts(8, 2, 1, 1), Routine("not done", 15, 40), new KeptTag(TagGroup.Contact, "heavy", 2, null)),
            ],
            Hand.Right
        );
        Assert.Equal(5, noticed.Tags.First(t => t.Tag == "heavy").Attempts);
        Assert.Equal(40, noticed.Attempts);
        Assert.Contains("17 of 20 misses are left: 64 to 95 % of them.", noticed.Texts);
        Assert.Contains("4 misses noted so far: too few for a pattern.", noticed.Texts);
        // Source of the method: Newcombe, Stat Med 17 (1998) 873; 30/40 less 15/40.
        Assert.Contains("With the routine 30 of 40, without 15 of 40: 16 to 55 points more with it.", noticed.Texts);
        Assert.Empty(NoticedAttempts.Of([], Hand.Right).Texts);
    }
}

public class KeptResultTests
{
    private static readonly MakeRate Putts = new() { Attempts = 4, Make = "holed" };

    private static ChoiceMade Choice(int attempt, string value, AttemptTags? tags = null) =>
        new()
        {
            Attempt = attempt,
            Value = value,
            Tags = tags,
        };

    private static KeptResult? Kept(params DrillInput[] inputs) =>
        KeptResult.Of(
            Segment(1, Phase.Block, 10, 4) with
            {
                Skill = "start line",
                Clubs = [Club.Iron9, Club.Iron8],
            },
            Putts,
            new SegmentLog
            {
                SegmentId = Id(1),
                Inputs = inputs,
                Result = Putts.Score(inputs, 1),
            },
            Recording.Practice
        );

    [Fact]
    public void A_result_is_kept_with_its_doubt_its_tags_and_its_misses()
    {
        var kept = Kept(
            Choice(1, "made", new AttemptTags { Routine = RoutineTag.Done }),
            Choice(2, "missed", new AttemptTags { Line = LineTag.Pull, Routine = RoutineTag.Done }),
            Choice(3, "made", new AttemptTags { Contact = ContactTag.Heel }),
            Choice(4, "missed", new AttemptTags { Line = LineTag.Push })
        )!;
        Assert.Equal(50, kept.Value);
        Assert.Equal(new CountOf(2, 4), kept.Successes);
        Assert.NotNull(kept.Doubt);
        Assert.Equal(ClubGroup.ShortIrons, kept.Clubs);
        Assert.Equal(new KeptTag(TagGroup.Routine, "done", 2, new CountOf(1, 2)), kept.Tags[^1]);
        Assert.Null(kept.Misses);
        Assert.False(kept.IsHollow);
    }

    [Fact]
    public void A_pull_goes_the_other_way_for_a_left_handed_player()
    {
        var pull = Choice(1, "missed", new AttemptTags { Line = LineTag.Pull });
        var result = Made(0, 1, 2) with { Result = Kept(pull)! };
        Assert.Equal(new MissCounts(1, 0, 0, 0), NoticedAttempts.Of([result], Hand.Right).Misses);
        Assert.Equal(new MissCounts(0, 1, 0, 0), NoticedAttempts.Of([result], Hand.Left).Misses);
    }

    [Fact]
    public void Nothing_attempted_keeps_nothing() => Assert.Null(Kept());

    [Fact]
    public void What_was_measured_is_kept_as_mean_and_spread()
    {
        var path = new MeasuredShots
        {
            What = "club path",
            Unit = "°",
            Least = -2,
            Most = 2,
            Shots = 3,
        };
        DrillInput[] inputs = [Number(1, 10), Number(2, 30), Number(3, 50)];
        var kept = KeptResult.Of(
            Segment(1, Phase.Block, 10, 3),
            path,
            new SegmentLog
            {
                SegmentId = Id(1),
                Inputs = inputs,
                Result = path.Score(inputs, 1),
            },
            Recording.Lesson
        )!;
        // By hand: 1, 3 and 5.
        Assert.Equal(new KeptQuantity("club path", 3, 3, 2), Assert.Single(kept.Quantities));
        Assert.Equal(new CountOf(1, 3), kept.Successes);
        Assert.True(kept.IsHollow);
        static NumberGiven Number(int attempt, int tenths) => new() { Attempt = attempt, Tenths = tenths };
    }

    [Fact]
    public void Minutes_go_where_they_were_spent_and_slow_repetitions_are_counted_apart()
    {
        var plan = Plan(
            Segment(1, Phase.Block, 20, 30, Intent.Technique) with
            {
                Area = Area.Iron,
                SlowRepetitions = true,
            },
            Segment(2, Phase.Random, 10, 10) with
            {
                Area = Area.Putting,
            }
        );
        var log = Log((0, Entered(1)), (20, Counted(1, 15)), (20, Settled(1, SegmentOutcome.Done)), (21, Finished()));
        var figures = SessionFigures.Of(plan, [log]);
        Assert.Equal([new PractisedPart(Area.Iron, Phase.Block, Intent.Technique, 20)], figures.Parts);
        Assert.Equal((15, 0), SessionFigures.Repetitions(plan, [log]));
        var minutes = PractisedMinutes.Of([figures, figures], [], null);
        Assert.Equal([new MinutesOf<Area>(Area.Iron, 40)], minutes.Areas);
        Assert.Equal([new MinutesOf<Phase>(Phase.Block, 40)], minutes.Phases);
    }

    [Fact]
    public void Minutes_stand_beside_what_the_approach_asks_for_and_where_rounds_lose()
    {
        PractisedPart Part(Area area, Phase phase, Intent intent, double minutes) => new(area, phase, intent, minutes);
        var figures = new SessionFigures(100, new Strokes(0, 0, false), null, [])
        {
            Parts =
            [
                Part(Area.Body, Phase.WarmUp, Intent.Skill, 20),
                Part(Area.Iron, Phase.Block, Intent.Technique, 60),
                Part(Area.Driver, Phase.Random, Intent.Skill, 20),
            ],
        };
        var lost = LostStrokes.Of([.. Enumerable.Repeat(GivenRounds.WithPenalties(5), 3)], Level.Improving);
        var minutes = PractisedMinutes.Of(
            [figures],
            Approaches.Bands(Approach.EvenSplit, Season.OffSeason, Level.Improving),
            lost
        );
        // Arithmetic: warm-ups apart, 60 of 80 minutes in block. An even split asks for about half (common practice).
        Assert.Equal([("block", 75), ("random and on-course", 25)], minutes.Shares.Select(s => (s.Name, (int)s.Percent)));
        Assert.Equal((45, 55), (minutes.Shares[0].Least, minutes.Shares[0].Most));
        Assert.Equal("Block: 75 % of the minutes after warm-ups, 45 to 55 asked, more than that.", minutes.Shares[0].Text);
        var penalties = minutes.Lost.Single(l => l.Areas.Contains(Area.Driver));
        Assert.Equal(25, penalties.Percent, 9);
        Assert.EndsWith(
            "25 % of the minutes after warm-ups went into driver and wood.",
            penalties.Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Without_practice_approach_and_rounds_say_nothing() =>
        Assert.Empty(
            PractisedMinutes.Of([], Approaches.Bands(Approach.EvenSplit, Season.OffSeason, Level.Improving), null).Shares
        );
}
