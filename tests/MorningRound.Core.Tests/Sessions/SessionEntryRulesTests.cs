using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Sessions;

public class SessionEntryRulesTests
{
    private static readonly SessionPlan Short = Plan(Segment(1, Phase.Block, 20, 30));

    private static SessionRated Rated() => new() { Sequence = 4, At = Nine };

    private static PainReported Hurts(BodyPart part, BodySide? side, int level = 3) =>
        new()
        {
            Sequence = 4,
            At = Nine,
            Part = part,
            Side = side,
            Level = level,
            Sharp = false,
        };

    public static TheoryData<string, SessionEntry> WrongEntries =>
        new()
        {
            { "entries[0].segmentId", Entered(9) with { Sequence = 4 } },
            { "entries[0].segmentId", Counted(9, 1) with { Sequence = 4 } },
            { "entries[0].segmentId", Settled(9, SegmentOutcome.Done) with { Sequence = 4 } },
            { "entries[0].balls", Counted(1, 401) with { Sequence = 4 } },
            { "entries[0].sequence", Stopped() with { Sequence = 0 } },
            { "entries[0].undoes", Undone(0) with { Sequence = 4 } },
            { "entries[0].undoes", Undone(4) with { Sequence = 4 } },
            {
                "entries[0].percent",
                new SegmentSettled
                {
                    SegmentId = Id(1),
                    Outcome = SegmentOutcome.PartDone,
                    Percent = 100,
                    Sequence = 4,
                    At = Nine,
                }
            },
            {
                "entries[0].percent",
                new SegmentSettled
                {
                    SegmentId = Id(1),
                    Outcome = SegmentOutcome.Done,
                    Percent = 50,
                    Sequence = 4,
                    At = Nine,
                }
            },
            { "entries[0].where", Hurts(BodyPart.AnotherPart, null) with { Where = new string('x', 61) } },
            { "entries[0].side", Hurts(BodyPart.AnotherPart, BodySide.Lead) },
            {
                "entries[0].mends",
                new PainMended
                {
                    Sequence = 4,
                    At = Nine,
                    Mends = 4,
                    Level = 2,
                    Sharp = false,
                }
            },
            {
                "entries[0].level",
                new PainMended
                {
                    Sequence = 4,
                    At = Nine,
                    Mends = 1,
                    Level = 11,
                    Sharp = false,
                }
            },
            {
                "entries[0].level",
                new PainFollowedUp
                {
                    Sequence = 4,
                    At = Nine,
                    Part = BodyPart.Neck,
                    Level = 11,
                    NeedsClearing = false,
                }
            },
            { "entries[0].level", Hurts(BodyPart.Neck, null, 11) },
            { "entries[0].level", Hurts(BodyPart.Neck, null, 0) },
            { "entries[0].side", Hurts(BodyPart.Knee, null) },
            { "entries[0].side", Hurts(BodyPart.LowerBack, BodySide.Lead) },
            { "entries[0].focus", Rated() with { Focus = 0 } },
            { "entries[0].quality", Rated() with { Quality = 11 } },
            { "entries[0].confidence", Rated() with { Confidence = -1 } },
            { "entries[0].enjoyment", Rated() with { Enjoyment = 99 } },
            { "entries[0].effort", Rated() with { Effort = 11 } },
            { "entries[0].note", Rated() with { Note = new string('x', 2001) } },
            {
                "entries[0].undoes",
                new EntryUndone
                {
                    Sequence = 4,
                    At = Nine,
                    Undoes = 4,
                }
            },
        };

    [Theory]
    [MemberData(nameof(WrongEntries))]
    public void A_wrong_entry_is_named_by_its_field(string path, SessionEntry entry) =>
        Assert.Equal([path], SessionEntryRules.Check(entry, Short, "entries[0]").Select(e => e.Path));

    [Fact]
    public void Entries_as_a_phone_makes_them_are_taken() =>
        Assert.All(
            new[]
            {
                Entered(1),
                Counted(1, -1),
                Settled(1, SegmentOutcome.PartDone),
                Stopped(),
                Finished(),
                // However far off a phone's clock is, nothing is refused for it.
                Stopped() with
                {
                    At = DateTimeOffset.MinValue,
                },
                Stopped() with
                {
                    At = Nine.AddYears(70),
                },
                new UnwellReported
                {
                    Sequence = 4,
                    At = Nine,
                    Feeling = Unwell.Dizzy,
                },
                new PainFollowedUp
                {
                    Sequence = 4,
                    At = Nine,
                    Part = BodyPart.Neck,
                    Level = 0,
                    NeedsClearing = false,
                },
                Hurts(BodyPart.Shoulder, BodySide.Trail),
                Rated() with
                {
                    Effort = 0,
                    Focus = 10,
                    Note = "Windy",
                },
            },
            entry => Assert.Empty(SessionEntryRules.Check(entry with { Sequence = 4 }, Short, "entries[0]"))
        );
}
