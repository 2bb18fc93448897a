using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Sessions;

/// <summary>A number that was measured ball by ball, as a result keeps it.</summary>
/// <param name="Name">What was measured, in the words of the drill: "club path".</param>
/// <param name="Count">How often.</param>
/// <param name="Mean">The mean.</param>
/// <param name="Deviation">The sample standard deviation; null of one.</param>
public sealed record KeptQuantity(string Name, int Count, double Mean, double? Deviation);

/// <summary>The groups of tags an attempt can carry one of.</summary>
public enum TagGroup
{
    /// <summary>How the ball was met.</summary>
    Contact,

    /// <summary>Where it started or how it curved.</summary>
    Line,

    /// <summary>Why it missed.</summary>
    Cause,

    /// <summary>Whether the routine was kept.</summary>
    Routine,
}

/// <summary>How often one tag was tapped.</summary>
/// <param name="Group">Its group.</param>
/// <param name="Tag">The tag in words: "heavy", "not done".</param>
/// <param name="Attempts">The attempts that carry it.</param>
/// <param name="Successes">
/// How many of those that were tapped as made or missed were made; null where the drill asks otherwise.
/// </param>
public sealed record KeptTag(TagGroup Group, string Tag, int Attempts, CountOf? Successes);

/// <summary>Where attempts missed, counted.</summary>
/// <param name="Left">Left of the line or the target.</param>
/// <param name="Right">Right of it.</param>
/// <param name="TooShort">Short of it.</param>
/// <param name="TooLong">Past it.</param>
public sealed record MissCounts(int Left, int Right, int TooShort, int TooLong)
{
    /// <summary>All of them.</summary>
    [JsonIgnore]
    public int All => Left + Right + TooShort + TooLong;

    /// <summary>Two counts added up.</summary>
    public static MissCounts operator +(MissCounts a, MissCounts b) =>
        new(a.Left + b.Left, a.Right + b.Right, a.TooShort + b.TooShort, a.TooLong + b.TooLong);

    /// <summary>None.</summary>
    public static MissCounts None { get; } = new(0, 0, 0, 0);
}

/// <summary>
/// What one log gave of one drill, in figures that are kept beside the log: enough to judge a drill over months without reading
/// a log again. The record stays in the entries.
/// </summary>
public sealed record KeptResult
{
    /// <summary>The drill by name, or the holes.</summary>
    public required string Drill { get; init; }

    /// <summary>What is laid over it, in words; empty where nothing is.</summary>
    public string Modifiers { get; init; } = "";

    /// <summary>The finer thing inside the area; empty where nobody said.</summary>
    public string Skill { get; init; } = "";

    /// <summary>What counts as a success; empty where nobody said.</summary>
    public string Criterion { get; init; } = "";

    /// <summary>Whether the shot repeated.</summary>
    public required Phase Phase { get; init; }

    /// <summary>What it was for.</summary>
    public required Intent Intent { get; init; }

    /// <summary>The group of its clubs; any where they are of several or none is named.</summary>
    public ClubGroup Clubs { get; init; } = ClubGroup.Any;

    /// <summary>Its leading figure: what it is called, its unit, which way is better.</summary>
    public required MeasureKind Leading { get; init; }

    /// <summary>The value of each measure, by name.</summary>
    public required IReadOnlyDictionary<string, double?> Values { get; init; }

    /// <summary>Where the leading figure lies with 95 % confidence; null where one result says nothing of that.</summary>
    public Interval? Doubt { get; init; }

    /// <summary>The attempts that were completed.</summary>
    public required int Attempts { get; init; }

    /// <summary>The attempts that were successes; null where an attempt is neither.</summary>
    public CountOf? Successes { get; init; }

    /// <summary>What was measured ball by ball.</summary>
    public IReadOnlyList<KeptQuantity> Quantities { get; init; } = [];

    /// <summary>What was noticed about attempts.</summary>
    public IReadOnlyList<KeptTag> Tags { get; init; } = [];

    /// <summary>
    /// Where attempts missed, as far as their answers say so; null where none does. Balls that were tagged as pulled or pushed
    /// stand in <see cref="Tags"/>, because their side depends on the hand.
    /// </summary>
    public MissCounts? Misses { get; init; }

    /// <summary>What was asked; null where nothing was, and while warming up.</summary>
    public DrillGoal? Goal { get; init; }

    /// <summary>Whether it was met; null without one, and where there were not enough attempts to say.</summary>
    public bool? GoalMet { get; init; }

    /// <summary>Whether something was asked and fewer than half of the attempts were made: neither met nor missed.</summary>
    public bool NotEnoughAttempts { get; init; }

    /// <summary>How the log was kept.</summary>
    public Recording Recording { get; init; }

    /// <summary>The value of the leading figure; null where there is none.</summary>
    [JsonIgnore]
    public double? Value => Values.GetValueOrDefault(Leading.Name);

    /// <summary>
    /// Whether it is shown and judges nothing: what came of a lesson, with the coach beside. Sessions that were ticked off
    /// have no results at all.
    /// </summary>
    [JsonIgnore]
    public bool IsHollow => Recording == Recording.Lesson;

    /// <summary>
    /// The figures of a result; null where it has none, because nothing was attempted or the inputs did not fit.
    /// </summary>
    /// <param name="segment">The segment it was done in.</param>
    /// <param name="protocol">How it was scored.</param>
    /// <param name="kept">What the log holds of it, its inputs included.</param>
    /// <param name="recording">How the log was kept.</param>
    public static KeptResult? Of(PracticeSegment segment, ScoringProtocol protocol, SegmentLog kept, Recording recording)
    {
        if (kept.Result is not { IsScored: true } result)
            return null;
        var goal = segment.Phase == Phase.WarmUp ? null : segment.Drill?.Goal;
        var isEnough = SessionCompletion.IsEnoughForGoal(segment, result.Status, result.Attempts);
        return new KeptResult
        {
            Drill = segment.DrillName ?? segment.Title,
            Modifiers = segment.Drill?.Modifiers.InWords() ?? "",
            Skill = segment.EffectiveSkill,
            Criterion = segment.EffectiveCriterion,
            Phase = segment.Phase,
            Intent = segment.Intent,
            Clubs = Golf.Clubs.GroupOf(segment.Clubs),
            Leading = protocol.MeasureKinds[0],
            Values = result.Measures.ToDictionary(m => m.Name, m => m.Value),
            Doubt = protocol.DoubtOf(result),
            Attempts = result.Attempts,
            Successes = protocol.SuccessesOf(result),
            Quantities = [.. result.Samples.Where(s => s.Value.Count > 0).Select(s => Quantity(s.Key, s.Value))],
            Tags = TagsIn(kept.Inputs),
            Misses = MissesIn(kept.Inputs, result),
            Goal = goal,
            GoalMet = goal is null || !isEnough ? null : protocol.Meets(goal, result),
            NotEnoughAttempts = goal is not null && !isEnough,
            Recording = recording,
        };
    }

    private static KeptQuantity Quantity(string name, IReadOnlyList<int> tenths)
    {
        double[] numbers = [.. tenths.Select(t => t / 10.0)];
        return new KeptQuantity(name, numbers.Length, numbers.Average(), Sample.Deviation(numbers));
    }

    private static List<KeptTag> TagsIn(IReadOnlyList<DrillInput> inputs)
    {
        var made = SuccessByAttempt(inputs);
        return
        [
            .. AttemptTags
                .ByAttempt(inputs)
                .SelectMany(a =>
                    new (TagGroup Group, Enum? Tag)[]
                    {
                        (TagGroup.Contact, a.Value.Contact),
                        (TagGroup.Line, a.Value.Line),
                        (TagGroup.Cause, a.Value.Cause),
                        (TagGroup.Routine, a.Value.Routine),
                    }
                        .Where(t => t.Tag is not null)
                        .Select(t => (t.Group, Tag: (string)Wording.Words.Of(t.Tag!), Attempt: a.Key))
                )
                .GroupBy(t => (t.Group, t.Tag))
                .OrderBy(g => g.Key.Group)
                .ThenBy(g => g.Key.Tag, StringComparer.Ordinal)
                .Select(g =>
                {
                    var known = g.Where(t => made.ContainsKey(t.Attempt)).ToList();
                    return new KeptTag(
                        g.Key.Group,
                        g.Key.Tag,
                        g.Count(),
                        known.Count == 0 ? null : new CountOf(known.Count(t => made[t.Attempt]), known.Count)
                    );
                }),
        ];
    }

    /// <summary>Attempts that were made or missed by the first thing tapped of them.</summary>
    private static Dictionary<int, bool> SuccessByAttempt(IReadOnlyList<DrillInput> inputs) =>
        inputs
            .OfType<ChoiceMade>()
            .GroupBy(i => i.Attempt)
            .Where(g => g.First().Value is "made" or "missed" or "yes" or "no" or "inside" or "short" or "past" or "wide")
            .ToDictionary(g => g.Key, g => g.First().Value is "made" or "yes" or "inside");

    /// <summary>Putts and chips that finished short or past, and shots of holes that missed on a side.</summary>
    private static MissCounts? MissesIn(IReadOnlyList<DrillInput> inputs, ProtocolResult result)
    {
        var misses = MissCounts.None;
        foreach (var choice in inputs.OfType<ChoiceMade>())
        {
            if (choice.Value is "short" or "past")
                misses += choice.Value == "short" ? new(0, 0, 1, 0) : new(0, 0, 0, 1);
        }

        foreach (var shot in result.Card?.Holes.SelectMany(h => h.Shots) ?? [])
            misses += Missed(shot.Finish);
        return misses.All == 0 ? null : misses;
    }

    private static MissCounts Missed(Finish finish) =>
        finish switch
        {
            Finish.RoughLeft or Finish.SandLeft or Finish.TreesLeft or Finish.WaterLeft or Finish.OutLeft or Finish.LeftOfGreen =>
                new(1, 0, 0, 0),
            Finish.RoughRight
            or Finish.SandRight
            or Finish.TreesRight
            or Finish.WaterRight
            or Finish.OutRight
            or Finish.RightOfGreen => new(0, 1, 0, 0),
            Finish.ShortOfGreen or Finish.LeftShort => new(0, 0, 1, 0),
            Finish.OverGreen => new(0, 0, 0, 1),
            _ => MissCounts.None,
        };
}
