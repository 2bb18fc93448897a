using System.Text.Json;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Serialization;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Weeks;

namespace MorningRound.Core.Tests;

/// <summary>Short ways to say what a test starts from.</summary>
internal static class Given
{
    public static readonly DateTimeOffset Nine = new(2026, 5, 5, 9, 0, 0, TimeSpan.Zero);

    public static readonly IsoWeek Week = IsoWeek.Of(new DateOnly(2026, 5, 5));

    /// <summary>The drills an academy starts with.</summary>
    public static DrillFile Shelf { get; } =
        JsonSerializer.Deserialize<DrillFile>(
            File.ReadAllText(Repository.File("src/MorningRound.Server/Drills/starting-shelf.json")),
            CoreJson.Options
        )!;

    public static Guid Id(int number) => new(number, 0, 0, new byte[8]);

    public static PracticeSegment Segment(
        int id,
        Phase phase,
        int minutes,
        int balls = 0,
        Intent intent = Intent.Skill,
        PlaceKind place = PlaceKind.Range
    ) =>
        new()
        {
            Id = Id(id),
            Title = $"Segment {id}",
            Phase = phase,
            Intent = intent,
            Minutes = minutes,
            Balls = balls,
            Place = place,
            Exit = new AfterMinutes(),
        };

    /// <summary>A right-handed player in yards, with a bag and the targets of a range, both by distance.</summary>
    public static PlayerNumbers Player(Level level, (Club Club, double Yards)[] bag, (string Name, double Yards)[] targets) =>
        new()
        {
            Level = level,
            Bag = [.. bag.Select(b => new BagClub { Club = b.Club, Carry = new MarkedLength(b.Yards, LengthUnit.Yards) })],
            Targets =
            [
                .. targets.Select(t => new RangeTarget { Name = t.Name, Distance = new MarkedLength(t.Yards, LengthUnit.Yards) }),
            ],
        };

    public static Pause Pause(int id, int minutes) =>
        new()
        {
            Id = Id(id),
            Title = "Water",
            Minutes = minutes,
        };

    public static SessionPlan Plan(params Segment[] segments) =>
        new()
        {
            Title = "A plan",
            Purpose = "Start the ball on line",
            Segments = segments,
        };

    /// <summary>A log of entries, numbered from 1, each so many minutes after nine.</summary>
    public static SessionLog Log(params (double Minute, SessionEntry Entry)[] entries) =>
        SessionLog.From(entries.Select((e, i) => e.Entry with { Sequence = i + 1, At = Nine.AddMinutes(e.Minute) }));

    public static SessionEntry Entered(int segment) =>
        new SegmentEntered
        {
            SegmentId = Id(segment),
            Sequence = 0,
            At = Nine,
        };

    public static SessionEntry Stopped() => new ClockStopped { Sequence = 0, At = Nine };

    public static SessionEntry Counted(int segment, int balls) =>
        new BallsCounted
        {
            SegmentId = Id(segment),
            Balls = balls,
            Sequence = 0,
            At = Nine,
        };

    public static SessionEntry Settled(int segment, SegmentOutcome outcome) =>
        new SegmentSettled
        {
            SegmentId = Id(segment),
            Outcome = outcome,
            Sequence = 0,
            At = Nine,
        };

    public static SessionEntry Pain(int level, bool sharp = false) =>
        new PainReported
        {
            Part = BodyPart.LowerBack,
            Level = level,
            Sharp = sharp,
            Sequence = 0,
            At = Nine,
        };

    public static SessionEntry Finished() => new SessionFinished { Sequence = 0, At = Nine };

    public static SessionEntry Undone(int sequence) =>
        new EntryUndone
        {
            Undoes = sequence,
            Sequence = 0,
            At = Nine,
        };

    /// <summary>A session of the week of 5 May 2026 of which so many of its minutes were done.</summary>
    public static AssignedSession Assigned(
        int planned,
        double? done,
        Requirement requirement = Requirement.Must,
        Excuse? excuse = null,
        DateOnly? day = null
    ) =>
        new()
        {
            Week = Week,
            Day = day,
            Requirement = requirement,
            Excuse = excuse,
            HasLog = done is not null,
            IsFinished = done is not null,
            Completion = new SessionCompletion
            {
                Segments = [new SegmentCompletion(Id(1), (done ?? 0) / planned, null, null, 0)],
                PlannedMinutes = planned,
                DoneMinutes = done ?? 0,
                IsWhole = done >= planned,
            },
        };
}
