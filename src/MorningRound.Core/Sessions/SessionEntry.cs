using System.Text.Json.Serialization;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;

namespace MorningRound.Core.Sessions;

/// <summary>
/// One thing that happened in a session, as the phone noted it. A log only grows: entries are numbered from 1 without gaps,
/// and taking something back is an entry of its own.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(SessionOpened), "opened")]
[JsonDerivedType(typeof(SessionReadied), "readied")]
[JsonDerivedType(typeof(SessionTrimmed), "trimmed")]
[JsonDerivedType(typeof(SegmentEntered), "entered")]
[JsonDerivedType(typeof(ClockStopped), "stopped")]
[JsonDerivedType(typeof(BallsCounted), "counted")]
[JsonDerivedType(typeof(DrillAnswered), "answered")]
[JsonDerivedType(typeof(AttemptDropped), "attemptDropped")]
[JsonDerivedType(typeof(SegmentSettled), "settled")]
[JsonDerivedType(typeof(PainReported), "pain")]
[JsonDerivedType(typeof(PainMended), "painMended")]
[JsonDerivedType(typeof(PainFollowedUp), "painFollowedUp")]
[JsonDerivedType(typeof(UnwellReported), "unwell")]
[JsonDerivedType(typeof(StoppedByWeather), "weather")]
[JsonDerivedType(typeof(TagsMended), "tagsMended")]
[JsonDerivedType(typeof(SessionRated), "rated")]
[JsonDerivedType(typeof(LessonNoted), "lessonNoted")]
[JsonDerivedType(typeof(SessionFinished), "finished")]
[JsonDerivedType(typeof(EntryUndone), "undone")]
public abstract record SessionEntry
{
    /// <summary>The place in the log, from 1.</summary>
    public required int Sequence { get; init; }

    /// <summary>When it happened: the phone's clock plus <see cref="ClockOffset"/>.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>
    /// Seconds by which the server's clock was ahead of the phone's when the phone last heard of it; null where it never had. The
    /// phone's own time is <see cref="At"/> less this.
    /// </summary>
    public int? ClockOffset { get; init; }
}

/// <summary>How a log came to be.</summary>
public enum Recording
{
    /// <summary>By the student, while practising.</summary>
    Practice,

    /// <summary>By the coach, beside the student.</summary>
    Lesson,

    /// <summary>Typed in afterwards from a card; its times are those of the plan.</summary>
    Paper,

    /// <summary>By the coach, attempt by attempt, on a test day. It counts like the student's own.</summary>
    Test,
}

/// <summary>How this log is being kept. A log that does not say was kept while practising.</summary>
public sealed record SessionOpened : SessionEntry
{
    /// <summary>How the log is kept.</summary>
    public required Recording Recording { get; init; }
}

/// <summary>How the student came: what there is of time and balls, and how they feel. Whatever is missing was not said.</summary>
public sealed record SessionReadied : SessionEntry
{
    /// <summary>How nervous, 1 (calm) to 10.</summary>
    public int? Nerves { get; init; }

    /// <summary>Minutes the student has; null where nothing was said.</summary>
    public int? MinutesAtHand { get; init; }

    /// <summary>Range balls the student has; null where nothing was said.</summary>
    public int? BallsAtHand { get; init; }
}

/// <summary>The session was made to fit less time or fewer balls before it began. The plan itself stays as it was set.</summary>
public sealed record SessionTrimmed : SessionEntry
{
    /// <summary>What is left of each segment; a segment that is not named fell out.</summary>
    public required IReadOnlyList<TrimmedSegment> Kept { get; init; }
}

/// <summary>The clock runs for a segment from now on; it stops for any other.</summary>
public sealed record SegmentEntered : SessionEntry
{
    /// <summary>The segment.</summary>
    public required Guid SegmentId { get; init; }
}

/// <summary>The clock stands still until a segment is entered again.</summary>
public sealed record ClockStopped : SessionEntry;

/// <summary>Balls added to a segment's count, or taken off it.</summary>
public sealed record BallsCounted : SessionEntry
{
    /// <summary>The segment.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>−400 to 400. A count never goes below zero.</summary>
    public required int Balls { get; init; }
}

/// <summary>One input of a segment's drill, as the phone's walker took it.</summary>
public sealed record DrillAnswered : SessionEntry
{
    /// <summary>The segment of the drill.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>The format of the flow that was walked.</summary>
    public required int FlowVersion { get; init; }

    /// <summary>What was answered.</summary>
    public required DrillInput Input { get; init; }
}

/// <summary>The last attempt of a segment's drill never happened, with all its inputs.</summary>
public sealed record AttemptDropped : SessionEntry
{
    /// <summary>The segment of the drill.</summary>
    public required Guid SegmentId { get; init; }
}

/// <summary>The student closed a segment, and says how. Closing it again replaces what was said before.</summary>
public sealed record SegmentSettled : SessionEntry
{
    /// <summary>The segment.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>How it was left.</summary>
    public required SegmentOutcome Outcome { get; init; }

    /// <summary>
    /// How much of it was done, 1 to 99 percent, where it was done in part and the student can say; null otherwise.
    /// </summary>
    public int? Percent { get; init; }
}

/// <summary>How a segment was left.</summary>
public enum SegmentOutcome
{
    /// <summary>Done as planned, or its aim was met early, which is the same.</summary>
    Done,

    /// <summary>Left before its end: what was done of it counts.</summary>
    PartDone,

    /// <summary>Not done.</summary>
    Skipped,
}

/// <summary>
/// Pain, at any moment. Pain that ends the session closes it for every segment not yet settled; less drops the segments that
/// load the part.
/// </summary>
public sealed record PainReported : SessionEntry
{
    /// <summary>The part that hurts.</summary>
    public required BodyPart Part { get; init; }

    /// <summary>Lead or trail, for parts that come in pairs; null for the others.</summary>
    public BodySide? Side { get; init; }

    /// <summary>1 to 10.</summary>
    public required int Level { get; init; }

    /// <summary>Whether it is sharp.</summary>
    public required bool Sharp { get; init; }

    /// <summary>Where it hurts in the student's words, for a part that has no name of its own here; empty otherwise.</summary>
    public string Where { get; init; } = "";

    /// <summary>Where and how bad, as a coach reads it: "trail wrist or hand, 5 of 10, sharp".</summary>
    public string InWords() => $"{Place}, {Level} of 10{(Sharp ? ", sharp" : "")}";

    private string Place =>
        Part == BodyPart.AnotherPart && !string.IsNullOrWhiteSpace(Where) ? Where.Trim() : BodyParts.InWords(Part, Side);
}

/// <summary>What a student said of pain was not right. The first report stays in the log; this one counts.</summary>
public sealed record PainMended : SessionEntry
{
    /// <summary>The sequence number of the report.</summary>
    public required int Mends { get; init; }

    /// <summary>1 to 10, or 0 where nothing hurt and the report was a slip of the thumb.</summary>
    public required int Level { get; init; }

    /// <summary>Whether it is sharp.</summary>
    public required bool Sharp { get; init; }
}

/// <summary>How pain of an earlier session is when this one begins.</summary>
public sealed record PainFollowedUp : SessionEntry
{
    /// <summary>The part that was asked about.</summary>
    public required BodyPart Part { get; init; }

    /// <summary>Its side; null for a part without sides.</summary>
    public BodySide? Side { get; init; }

    /// <summary>0 where it is gone, otherwise as it was or better, up to 10. Worse pain is reported anew.</summary>
    public required int Level { get; init; }

    /// <summary>Whether only the file can end it: then what loads the part is left out whatever the student says.</summary>
    public required bool NeedsClearing { get; init; }

    /// <summary>Whether what loads the part falls out of this session.</summary>
    public bool LeavesOut() => NeedsClearing || Level > 0;
}

/// <summary>
/// The student feels unwell in a way that has no place in the body. It ends the session like pain that ends one.
/// </summary>
public sealed record UnwellReported : SessionEntry
{
    /// <summary>How the student feels.</summary>
    public required Unwell Feeling { get; init; }
}

/// <summary>How somebody feels who feels unwell.</summary>
public enum Unwell
{
    /// <summary>Dizzy.</summary>
    Dizzy,

    /// <summary>Overheated.</summary>
    Overheated,
}

/// <summary>The weather ended the session. What was not begun counts for nothing.</summary>
public sealed record StoppedByWeather : SessionEntry
{
    /// <summary>What it was.</summary>
    public required BadWeather Weather { get; init; }
}

/// <summary>Weather in which nobody practises on.</summary>
public enum BadWeather
{
    /// <summary>Thunder or lightning: everybody leaves.</summary>
    Thunder,

    /// <summary>Rain.</summary>
    Rain,

    /// <summary>Wind.</summary>
    Wind,
}

/// <summary>What was tapped about one attempt was not right, or was forgotten. Replaces the attempt's tags.</summary>
public sealed record TagsMended : SessionEntry
{
    /// <summary>The segment of the drill.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>The attempt, counted from 1.</summary>
    public required int Attempt { get; init; }

    /// <summary>The tags as they are to be; null takes them away.</summary>
    public required AttemptTags Tags { get; init; }
}

/// <summary>The student's own judgement of the session. Whatever is missing was not answered. Rating again replaces it.</summary>
public sealed record SessionRated : SessionEntry
{
    /// <summary>1 to 10.</summary>
    public int? Focus { get; init; }

    /// <summary>1 to 10.</summary>
    public int? Quality { get; init; }

    /// <summary>1 to 10.</summary>
    public int? Confidence { get; init; }

    /// <summary>1 to 10.</summary>
    public int? Enjoyment { get; init; }

    /// <summary>How hard it was, 0 to 10.</summary>
    public int? Effort { get; init; }

    /// <summary>Whether the purpose was met, in the student's judgement; null where nobody said.</summary>
    public bool? PurposeMet { get; init; }

    /// <summary>True when the student says that nothing hurt. Pain itself is reported as <see cref="PainReported"/>.</summary>
    public bool? NothingHurt { get; init; }

    /// <summary>The student's own words; empty where there are none.</summary>
    public string Note { get; init; } = "";
}

/// <summary>What coach and student agreed in a lesson. Only a coach notes it.</summary>
public sealed record LessonNoted : SessionEntry
{
    /// <summary>The one thing to look at from now on, in the words that were agreed; empty where none was.</summary>
    public string Checkpoint { get; init; } = "";

    /// <summary>What was noted while it ran, for the coach's own eyes and the student's; empty where nothing was.</summary>
    public string Notes { get; init; } = "";

    /// <summary>What to do until the next lesson; it becomes a draft segment of next week.</summary>
    public Homework? Homework { get; init; }
}

/// <summary>What homework starts as, before a coach changes it, and how much of it there can be.</summary>
/// <param name="Phase">Whether the shot repeats.</param>
/// <param name="Place">The kind of ground it is done on.</param>
/// <param name="Minutes">Its minutes.</param>
/// <param name="Balls">Its balls.</param>
/// <param name="MostMinutes">The most minutes that a segment can have.</param>
/// <param name="MostBalls">The most balls that a segment can have.</param>
public sealed record HomeworkBeginning(Phase Phase, PlaceKind Place, int Minutes, int Balls, int MostMinutes, int MostBalls)
{
    /// <summary>A quarter of an hour of repetition on the range. [own default]</summary>
    public static HomeworkBeginning Usual { get; } =
        new(Phase.Block, PlaceKind.Range, 15, 0, PlanRules.MostMinutesInSegment, PlanRules.MostBallsInSegment);
}

/// <summary>Something to practise until the next lesson.</summary>
public sealed record Homework
{
    /// <summary>The id its segment gets, so that sending it twice makes it once.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>What it is called.</summary>
    public required string Title { get; init; }

    /// <summary>What to do.</summary>
    public string Instruction { get; init; } = "";

    /// <summary>Whether the shot repeats.</summary>
    public required Phase Phase { get; init; }

    /// <summary>The kind of ground it is done on.</summary>
    public required PlaceKind Place { get; init; }

    /// <summary>Its minutes, 1 to 240.</summary>
    public required int Minutes { get; init; }

    /// <summary>Its balls, 0 to 400.</summary>
    public int Balls { get; init; }

    /// <summary>The segment it becomes: technique with the student's own feel, because nobody else is there to watch.</summary>
    public PracticeSegment ToSegment() =>
        new()
        {
            Id = SegmentId,
            Title = Title,
            Instruction = Instruction,
            Minutes = Minutes,
            Phase = Phase,
            Intent = Phase == Phase.Block ? Intent.Technique : Intent.Skill,
            Place = Place,
            Balls = Balls,
            Feedback = FeedbackSource.OwnFeel,
            Exit = Balls > 0 ? new AfterBalls() : new AfterMinutes(),
        };
}

/// <summary>The session is over.</summary>
public sealed record SessionFinished : SessionEntry;

/// <summary>An earlier entry never happened.</summary>
public sealed record EntryUndone : SessionEntry
{
    /// <summary>The sequence number of the entry that is taken back. Taking back an undo has no effect.</summary>
    public required int Undoes { get; init; }
}
