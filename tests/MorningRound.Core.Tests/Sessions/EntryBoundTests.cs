using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>
/// The last value of every bound of an entry is taken, the next is refused by its field. The product's own bounds.
/// </summary>
public sealed class EntryBoundTests
{
    private static readonly SessionPlan Short = Plan(Segment(1, Phase.Block, 20, 30));

    private static IEnumerable<string> Wrong(SessionEntry entry) =>
        SessionEntryRules.Check(entry, Short, "entries[0]").Select(e => e.Path["entries[0].".Length..]);

    private static void Takes(SessionEntry entry) => Assert.Empty(Wrong(entry));

    private static void Refuses(string field, SessionEntry entry) => Assert.Equal([field], Wrong(entry));

    [Fact]
    public void The_sequence()
    {
        Takes(Entered(1) with { Sequence = 1 });
        Takes(Entered(1) with { Sequence = 5_000 });
        Refuses("sequence", Entered(1) with { Sequence = 5_001 });
    }

    [Fact]
    public void What_there_is_to_hand_before_a_session()
    {
        var ready = new SessionReadied { Sequence = 1, At = Nine };
        Takes(ready);
        foreach (var nerves in new[] { 1, 10 })
            Takes(ready with { Nerves = nerves });
        foreach (var nerves in new[] { 0, 11 })
            Refuses("nerves", ready with { Nerves = nerves });
        Takes(ready with { MinutesAtHand = 1, BallsAtHand = 0 });
        Takes(ready with { MinutesAtHand = PlanRules.MostMinutesInPlan, BallsAtHand = 1_000 });
        Refuses("minutesAtHand", ready with { MinutesAtHand = 0 });
        Refuses("minutesAtHand", ready with { MinutesAtHand = PlanRules.MostMinutesInPlan + 1 });
        Refuses("ballsAtHand", ready with { BallsAtHand = -1 });
        Refuses("ballsAtHand", ready with { BallsAtHand = 1_001 });
    }

    [Fact]
    public void What_is_kept_of_a_trimmed_session()
    {
        var kept = new TrimmedSegment(Id(1), 1, 0, Attempts: 1);
        Takes(Trimmed());
        Takes(Trimmed(kept));
        Takes(Trimmed(kept with { Minutes = PlanRules.MostMinutesInSegment, Balls = PlanRules.MostBallsInSegment }));
        Takes(Trimmed(kept with { Attempts = null }));
        Takes(Trimmed(kept with { Attempts = ScoringProtocol.MostAttempts }));
        Refuses("kept[0].segmentId", Trimmed(kept with { SegmentId = Id(9) }, kept));
        Refuses("kept[1].segmentId", Trimmed(kept, kept with { SegmentId = Id(9) }));
        Refuses("kept[0].minutes", Trimmed(kept with { Minutes = 0 }));
        Refuses("kept[0].minutes", Trimmed(kept with { Minutes = PlanRules.MostMinutesInSegment + 1 }));
        Refuses("kept[0].balls", Trimmed(kept with { Balls = -1 }));
        Refuses("kept[0].balls", Trimmed(kept with { Balls = PlanRules.MostBallsInSegment + 1 }));
        Refuses("kept[0].attempts", Trimmed(kept with { Attempts = 0 }));
        Refuses("kept[0].attempts", Trimmed(kept with { Attempts = ScoringProtocol.MostAttempts + 1 }));
        Takes(Trimmed([.. Enumerable.Repeat(kept, PlanRules.MostSegments)]));
        // However many there are, no more are looked at than there may be.
        Refuses("kept", Trimmed([.. Enumerable.Repeat(kept, PlanRules.MostSegments), kept with { Minutes = 0 }]));

        static SessionTrimmed Trimmed(params TrimmedSegment[] kept) =>
            new()
            {
                Sequence = 1,
                At = Nine,
                Kept = kept,
            };
    }

    [Fact]
    public void Balls_percents_and_levels()
    {
        foreach (var balls in new[] { -PlanRules.MostBallsInSegment, PlanRules.MostBallsInSegment })
            Takes(Counted(1, balls) with { Sequence = 1 });
        Refuses("balls", Counted(1, -PlanRules.MostBallsInSegment - 1) with { Sequence = 1 });
        foreach (var percent in new[] { 1, 99 })
            Takes(Part(percent));
        foreach (var percent in new[] { 0, 100 })
            Refuses("percent", Part(percent));
        foreach (var level in new[] { 1, 10 })
            Takes(Pain(level) with { Sequence = 1 });
        foreach (var level in new[] { 0, 10 })
            Takes(Mended(level));
        Refuses("level", Mended(-1));
        Refuses("mends", Mended(2) with { Mends = 0 });
        Refuses("mends", Mended(2) with { Mends = 4 });
        Takes(Undone(3) with { Sequence = 4 });

        static SegmentSettled Part(int percent) =>
            new()
            {
                Sequence = 1,
                At = Nine,
                SegmentId = Id(1),
                Outcome = SegmentOutcome.PartDone,
                Percent = percent,
            };
        static PainMended Mended(int level) =>
            new()
            {
                Sequence = 4,
                At = Nine,
                Mends = 3,
                Level = level,
                Sharp = false,
            };
    }

    [Fact]
    public void Answers_and_tags_of_an_attempt()
    {
        foreach (var attempt in new[] { 1, 5_000 })
        {
            Takes(Answered(new TextWritten { Attempt = attempt, Text = new string('x', DrillInput.LongestText) }));
            Takes(Tagged(attempt));
        }

        foreach (var attempt in new[] { 0, 5_001 })
        {
            Refuses("input.attempt", Answered(new TextWritten { Attempt = attempt, Text = "" }));
            Refuses("attempt", Tagged(attempt));
        }

        Takes(Answered(new ChoiceMade { Attempt = 1, Value = new string('x', 40) }));
        Refuses("input.value", Answered(new ChoiceMade { Attempt = 1, Value = new string('x', 41) }));
        Refuses("input.text", Answered(new TextWritten { Attempt = 1, Text = new string('x', DrillInput.LongestText + 1) }));
        Refuses("segmentId", Tagged(1) with { SegmentId = Id(9) });

        static DrillAnswered Answered(DrillInput input) =>
            new()
            {
                Sequence = 1,
                At = Nine,
                SegmentId = Id(1),
                FlowVersion = 1,
                Input = input,
            };
        static TagsMended Tagged(int attempt) =>
            new()
            {
                Sequence = 1,
                At = Nine,
                SegmentId = Id(1),
                Attempt = attempt,
                Tags = new AttemptTags(),
            };
    }

    [Fact]
    public void Ratings_and_notes()
    {
        var rated = new SessionRated { Sequence = 1, At = Nine };
        foreach (var least in new[] { 1, 10 })
            Takes(rated with { Focus = least, Quality = least, Confidence = least, Enjoyment = least, Effort = least - 1 });
        Refuses("quality", rated with { Quality = 0 });
        Refuses("confidence", rated with { Confidence = 0 });
        Refuses("enjoyment", rated with { Enjoyment = 0 });
        Refuses("effort", rated with { Effort = -1 });
        Takes(rated with { Note = new string('x', 2_000) });
        var noted = new LessonNoted { Sequence = 1, At = Nine };
        Takes(noted with { Checkpoint = new string('x', PlanRules.LongestSentence), Notes = new string('x', 2_000) });
        Refuses("checkpoint", noted with { Checkpoint = new string('x', PlanRules.LongestSentence + 1) });
        Refuses("notes", noted with { Notes = new string('x', 2_001) });
    }

    [Fact]
    public void A_finished_session_is_mended_for_seven_days()
    {
        Assert.Empty(SessionEntryRules.CheckMending(Stopped() with { At = Nine.AddDays(7) }, Nine, "entries[0]"));
        Assert.Empty(SessionEntryRules.CheckMending(Stopped() with { At = Nine.AddYears(1) }, null, "entries[0]"));
        Assert.Equal(
            ["entries[0]"],
            SessionEntryRules
                .CheckMending(Stopped() with { At = Nine.AddDays(7).AddSeconds(1) }, Nine, "entries[0]")
                .Select(e => e.Path)
        );
    }

    [Fact]
    public void All_own_words_count_towards_the_text_of_a_log()
    {
        var homework = new Homework
        {
            SegmentId = Id(5),
            Title = "12345",
            Instruction = "123456",
            Phase = Phase.Block,
            Place = PlaceKind.Range,
            Minutes = 10,
        };
        Assert.Equal(
            3 + 4 + 5 + 6,
            SessionEntryRules.TextIn(
                new LessonNoted
                {
                    Sequence = 1,
                    At = Nine,
                    Checkpoint = "123",
                    Notes = "1234",
                    Homework = homework,
                }
            )
        );
        Assert.Equal(
            7,
            SessionEntryRules.TextIn(
                new LessonNoted
                {
                    Sequence = 1,
                    At = Nine,
                    Checkpoint = "123",
                    Notes = "1234",
                }
            )
        );
        Assert.Equal((Intent.Technique, typeof(AfterMinutes)), Kind(homework));
        Assert.Equal((Intent.Skill, typeof(AfterBalls)), Kind(homework with { Phase = Phase.Random, Balls = 1 }));

        static (Intent, Type) Kind(Homework homework)
        {
            var segment = homework.ToSegment();
            return (segment.Intent, segment.Exit.GetType());
        }
    }
}
