using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Progress;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>What can be done with a drill of this week in the next.</summary>
public enum SuggestionKind
{
    /// <summary>Too few attempts to judge: the same again, with enough of them.</summary>
    Retest,

    /// <summary>The next step, or the nearest harder drill.</summary>
    Raise,

    /// <summary>The step before.</summary>
    Ease,

    /// <summary>Whichever step a coach chooses: nobody suggests it.</summary>
    Step,

    /// <summary>Another drill for the same thing.</summary>
    Swap,

    /// <summary>The same again.</summary>
    Hold,

    /// <summary>Out of the week.</summary>
    Retire,

    /// <summary>Two segments into one.</summary>
    Merge,

    /// <summary>A small dose of something new, with a question.</summary>
    Trial,
}

/// <summary>A segment of an assigned session.</summary>
public sealed record AssignedSegment(Guid AssignmentId, Guid SegmentId);

/// <summary>A small dose of something: what is asked, what to expect, and what overdoing it looks like.</summary>
/// <param name="Question">What is to be found out.</param>
/// <param name="Expect">What to expect.</param>
/// <param name="Overdoing">What overdoing looks like.</param>
public sealed record TrialText(string Question, string Expect, string Overdoing)
{
    /// <summary>The instruction of the segment that tries it.</summary>
    public string InWords() => $"Trial. {Question} Expect: {Expect} Too much looks like this: {Overdoing}";
}

/// <summary>A change of next week, as it is suggested and as the coach takes it.</summary>
public sealed record WeekChange
{
    /// <summary>What is done.</summary>
    public required SuggestionKind Kind { get; init; }

    /// <summary>The segments of the week that was judged; of a trial the one that gives it its minutes.</summary>
    public required IReadOnlyList<AssignedSegment> Segments { get; init; }

    /// <summary>The drill it is about, so that it is found in sessions that are no copies; null of a trial.</summary>
    public Guid? DrillId { get; init; }

    /// <summary>The step that drill stood on, from 0.</summary>
    public int OnRung { get; init; }

    /// <summary>The kind of practice it stood in; null of a trial.</summary>
    public PhaseGroup? Group { get; init; }

    /// <summary>The step it goes to; null where it goes to none.</summary>
    public int? Rung { get; init; }

    /// <summary>The drill it brings; null where it brings none.</summary>
    public Guid? BringsDrillId { get; init; }

    /// <summary>What a trial says; null for any other.</summary>
    public TrialText? Trial { get; init; }

    /// <summary>Whether it changes anything.</summary>
    [JsonIgnore]
    public bool ChangesWeek => Kind is not SuggestionKind.Hold;
}

/// <summary>One suggestion for next week, with its evidence. The coach decides.</summary>
/// <param name="Id">What the suggestion is about, the same for the same week: a decision is kept under it.</param>
/// <param name="Change">What it would do.</param>
/// <param name="Drill">The drill it is about.</param>
/// <param name="Brings">The name of the drill it would bring; empty where it brings none.</param>
/// <param name="Evidence">The results it follows from, oldest first: each opens its session.</param>
/// <param name="Said">What and why, with the numbers it needs.</param>
public sealed record Suggestion(
    string Id,
    WeekChange Change,
    string Drill,
    string Brings,
    IReadOnlyList<CurveDot> Evidence,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>What the figures of the evidence measure; null where there is no evidence.</summary>
    public MeasureKind? Measure { get; init; }

    /// <summary>What is suggested.</summary>
    public SuggestionKind Kind => Change.Kind;

    /// <summary>What and why, in one plain sentence.</summary>
    public string Why => Said.In();
}

/// <summary>A session of the week that is judged.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Plan">Its plan, with ladders.</param>
public sealed record SessionToJudge(Guid AssignmentId, SessionPlan Plan);
