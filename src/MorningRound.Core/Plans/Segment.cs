using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans;

/// <summary>One stretch of a session plan: practice in one of the four phases, or a pause.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(PracticeSegment), "practice")]
[JsonDerivedType(typeof(Pause), "pause")]
public abstract record Segment
{
    /// <summary>Made by whoever writes the plan; unique inside it. Logs refer to segments by it.</summary>
    public required Guid Id { get; init; }

    /// <summary>A few words that stand under the segment in the strip.</summary>
    public required string Title { get; init; }

    /// <summary>Planned length in whole minutes, 1 to 240.</summary>
    public required int Minutes { get; init; }

    /// <summary>What to do, in the coach's words.</summary>
    public string Instruction { get; init; } = "";
}

/// <summary>A segment without a phase: water, shade, rest. Outside all shares and paces, and never part of completion.</summary>
public sealed record Pause : Segment;

/// <summary>
/// A part of a segment: "twenty with wedges, ten up the bag". Shown and checked, never scored by itself; the balls of all parts
/// add up to the segment's.
/// </summary>
public sealed record SegmentPart
{
    /// <summary>What it is, in a few words.</summary>
    public required string Label { get; init; }

    /// <summary>The clubs it is done with, each once; empty where that is left open.</summary>
    public IReadOnlyList<Club> Clubs { get; init; } = [];

    /// <summary>The size of its swings; null leaves it to the segment.</summary>
    public SwingSize? Swing { get; init; }

    /// <summary>Its share of the segment's balls.</summary>
    public int Balls { get; init; }
}

/// <summary>An equal share of a segment in which something is not to be looked at; nothing in it shows all.</summary>
public sealed record HideStage
{
    /// <summary>What is hidden, each once.</summary>
    public IReadOnlyList<Hidden> Hide { get; init; } = [];
}

/// <summary>What is hidden from some point of a segment on, until the next one.</summary>
/// <param name="From">The share of the segment that is done by then, from 0 and below 1.</param>
/// <param name="Hide">What is hidden; empty from where all is shown.</param>
public sealed record HiddenFrom(double From, IReadOnlyList<Hidden> Hide);

/// <summary>A stretch of practice.</summary>
public sealed record PracticeSegment : Segment
{
    /// <summary>Whether the shot repeats.</summary>
    public required Phase Phase { get; init; }

    /// <summary>What it is for.</summary>
    public required Intent Intent { get; init; }

    /// <summary>The part of the game; null leaves it to the drill.</summary>
    public Area? Area { get; init; }

    /// <summary>The kind of ground it is done on.</summary>
    public required PlaceKind Place { get; init; }

    /// <summary>Strokes planned, 0 to 400. They are bought only on a range. Zero for stretching, breathing, reading.</summary>
    public int Balls { get; init; }

    /// <summary>Holes to play, 1 to 18, in an on-course segment; otherwise none.</summary>
    public int? Holes { get; init; }

    /// <summary>
    /// Which holes are played, and how, in an on-course segment on a range; as many as <see cref="Holes"/> says. Null leaves them
    /// to the instruction.
    /// </summary>
    public HolesToPlay? Play { get; init; }

    /// <summary>The clubs it is done with, each once; empty where that is left open.</summary>
    public IReadOnlyList<Club> Clubs { get; init; } = [];

    /// <summary>What it is made of, in order; empty where it is of one piece.</summary>
    public IReadOnlyList<SegmentPart> Parts { get; init; } = [];

    /// <summary>The one thought to hold, in lead and trail words.</summary>
    public string Cue { get; init; } = "";

    /// <summary>Where the answer to every repetition comes from; null leaves it to the drill.</summary>
    public FeedbackSource? Feedback { get; init; }

    /// <summary>When the segment is over.</summary>
    public required ExitRule Exit { get; init; }

    /// <summary>The drill it is done with; null for a plain instruction.</summary>
    public PlannedDrill? Drill { get; init; }

    /// <summary>A swing change at its own slow pace: about one ball every two to four minutes.</summary>
    public bool SlowRepetitions { get; init; }

    /// <summary>The last part of a warm-up that leads over to the day's focus with slow part swings.</summary>
    public bool Bridge { get; init; }

    /// <summary>Every ball with the whole routine, as on the course.</summary>
    public bool FullRoutine { get; init; }

    /// <summary>What a technique segment is to change; "keep it going" is an accepted aim.</summary>
    public string Focus { get; init; } = "";

    /// <summary>The finer thing inside the area; empty leaves it to the drill.</summary>
    public string Skill { get; init; } = "";

    /// <summary>What counts as a success; empty leaves it to the drill.</summary>
    public string Criterion { get; init; } = "";

    /// <summary>The size of its swings; null leaves it to the drill.</summary>
    public SwingSize? Swing { get; init; }

    /// <summary>Aids lying there while it is done.</summary>
    public IReadOnlyList<Equipment> Aids { get; init; } = [];

    /// <summary>
    /// What is hidden while it is done, in stages of equal length: first the numbers, then nothing. Empty leaves it to the drill.
    /// </summary>
    public IReadOnlyList<HideStage> HideStages { get; init; } = [];

    /// <summary>How many balls in a row the same call may be hit, 2 to 5; null means that every ball changes.</summary>
    public int? DeclaredRun { get; init; }

    /// <summary>The calls of a random segment in their order; empty where nobody wrote them down.</summary>
    public IReadOnlyList<ShotCall> Calls { get; init; } = [];

    /// <summary>Width of the simulated fairway in yards; null where none is named.</summary>
    public double? FairwayYards { get; init; }

    /// <summary>Width of the real fairway it stands for, in yards.</summary>
    public double? RealFairwayYards { get; init; }

    /// <summary>1 goes last when a session has to be trimmed, 3 first.</summary>
    public int Priority { get; init; } = 2;

    /// <summary>What its results belong to: its drill, or the course whose holes it plays; empty for quick holes.</summary>
    [JsonIgnore]
    public Guid DrillOrCourseId => Drill?.DrillId ?? Play?.CourseId ?? Guid.Empty;

    /// <summary>What is practised in it by name: its drill, or holes; null where it is a plain instruction.</summary>
    [JsonIgnore]
    public string? DrillName => Drill?.Drill.Name ?? Play?.Name;

    /// <summary>The segment's own area, or its drill's; null where neither says.</summary>
    [JsonIgnore]
    public Area? EffectiveArea => Area ?? Drill?.Drill.Area;

    /// <summary>The segment's own skill, or its drill's; empty where neither says.</summary>
    [JsonIgnore]
    public string EffectiveSkill => Skill.Length > 0 ? Skill : Drill?.Drill.Skill ?? "";

    /// <summary>The segment's own criterion, or its drill's; empty where neither says.</summary>
    [JsonIgnore]
    public string EffectiveCriterion => Criterion.Length > 0 ? Criterion : Drill?.Drill.Criterion ?? "";

    /// <summary>The segment's own size of swing, or its drill's; null where neither says.</summary>
    [JsonIgnore]
    public SwingSize? EffectiveSwing => Swing ?? Drill?.Drill.Swing;

    /// <summary>The segment's own feedback, or its drill's; null where neither says.</summary>
    [JsonIgnore]
    public FeedbackSource? EffectiveFeedback => Feedback ?? Drill?.Drill.Feedback;

    /// <summary>
    /// What is hidden from where on: stage by stage, or all through what the drill hides. Empty where nothing ever is.
    /// </summary>
    public IReadOnlyList<HiddenFrom> Hiding() =>
        HideStages.Any(s => s.Hide.Count > 0)
            ? [.. HideStages.Select((stage, i) => new HiddenFrom((double)i / HideStages.Count, stage.Hide))]
        : HideStages.Count == 0 && Drill?.Drill.Hide is { Count: > 0 } all ? [new HiddenFrom(0, all)]
        : [];

    /// <summary>
    /// The segment with so many holes: of those it plays, the ones from the first that is named on, and from the beginning again
    /// where it plays fewer.
    /// </summary>
    /// <param name="holes">At least one.</param>
    /// <param name="from">How many it passes over.</param>
    public PracticeSegment WithHoles(int holes, int from = 0) =>
        this with
        {
            Holes = holes,
            Play = Play is { Holes: { Count: > 0 } all } play
                ? play with
                {
                    Holes = [.. Enumerable.Range(from, holes).Select(i => all[i % all.Count])],
                }
                : Play,
        };

    /// <summary>The segment playing holes, with the number, the balls and the minutes they usually take.</summary>
    public PracticeSegment Playing(HolesToPlay play) =>
        this with
        {
            Play = play,
            Holes = play.Holes.Count,
            Balls = play.UsualBalls,
            Minutes = Math.Max(1, play.UsualMinutes),
            Parts = [],
        };

    /// <summary>
    /// The segment with another number of balls: its parts in proportion, and over after its minutes where none are left.
    /// </summary>
    public PracticeSegment WithBalls(int balls)
    {
        var shares = WholeShares.Divide(balls, [.. Parts.Select(p => p.Balls)]);
        return this with
        {
            Balls = balls,
            Parts = balls == Balls ? Parts : [.. Parts.Select((part, i) => part with { Balls = shares[i] })],
            Exit = balls == 0 && Exit is AfterBalls ? new AfterMinutes() : Exit,
        };
    }

    /// <summary>
    /// How its drill is scored here, before the student's own numbers are filled in: with a number of attempts that fits the
    /// segment's balls, or its minutes where none are hit, as far as the drill leaves that to the segment. Holes that it plays
    /// are scored as such. Null without either.
    /// </summary>
    public ScoringProtocol? Protocol()
    {
        if (Play is { } play)
            return new PlayedHoles { ToPlay = play };
        if (Drill is not { Drill: var drill } planned)
            return null;
        var protocol = planned.Protocol();
        if (Balls > 0)
            return protocol.FittedTo(Balls);
        if (protocol.CountBy == CountBy.Cap)
            return protocol.FittedTo(ScoringProtocol.MostAttempts);
        return drill.UsualBalls == 0 && protocol.CountBy == CountBy.Segment && protocol.PlannedAttempts is { } usual
            ? protocol.FittedTo(Math.Max(1, (int)Math.Round((double)usual * Minutes / drill.UsualMinutes)))
            : protocol;
    }

    /// <summary>
    /// How much it loads a part of the body: its drill says so, or, without a drill, the size of its swings; null where it does
    /// not.
    /// </summary>
    public LoadWeight? LoadOn(BodyPart part, BodySide? side) =>
        BodyLoad.On(Drill?.Drill.Loads ?? SwingLoads.Of(this), part, side);
}
