using MorningRound.Core.Golf;

namespace MorningRound.Core.Plans;

/// <summary>What an approach divides.</summary>
public enum ShareOf
{
    /// <summary>Minutes in block.</summary>
    Block,

    /// <summary>Minutes in random and on-course.</summary>
    RandomAndOnCourse,

    /// <summary>Minutes for technique.</summary>
    Technique,

    /// <summary>Minutes for skill.</summary>
    Skill,

    /// <summary>Minutes for performance.</summary>
    Performance,
}

/// <summary>How much of the minutes after warm-up something should have, in percent, both ends included.</summary>
/// <param name="Share">What is divided.</param>
/// <param name="Least">0 to 100.</param>
/// <param name="Most">0 to 100.</param>
public sealed record ShareBand(ShareOf Share, double Least, double Most);

/// <summary>One of the schools of dividing a session.</summary>
/// <param name="Approach">Which.</param>
/// <param name="Name">What it is called.</param>
/// <param name="For">What it is for, in a sentence.</param>
/// <param name="Source">Where its numbers come from: common practice, or the product's own defaults.</param>
public sealed record School(Approach Approach, string Name, string For, string Source);

/// <summary>The schools as data, and the shares each asks for.</summary>
public static class Approaches
{
    private const string Common = "common practice, no source";
    private const string OwnNumbers = "common practice; the numbers are this product's own";

    /// <summary>All of them, one for each <see cref="Approach"/>.</summary>
    public static IReadOnlyList<School> All { get; } =
    [
        new(Approach.EvenSplit, "Even split", "Putting above all; five minutes or three hours, always half and half.", Common),
        new(Approach.ThreeParts, "Three parts", "Technique for 15 to 20 minutes, then a skills test, then play.", Common),
        new(
            Approach.StepUp,
            "Step up",
            "Picture, numbers, skill, performance; how much technique depends on the season.",
            OwnNumbers
        ),
        new(Approach.SlowBuild, "Slow build", "A swing change under way.", OwnNumbers),
        new(Approach.PlayIt, "Play it", "An hour, a card, no lesson to work on.", OwnNumbers),
        new(
            Approach.Sharpen,
            "Sharpen",
            "The days before a competition: technique short, numbers checked and left, putting start line.",
            Common
        ),
    ];

    /// <summary>
    /// The shares of the minutes after warm-up that an approach asks for; empty where it asks for none. A new golfer has ten
    /// points more technique in "step up", since more is technical at the start.
    /// </summary>
    public static IReadOnlyList<ShareBand> Bands(Approach approach, Season season, Level level) =>
        approach switch
        {
            Approach.EvenSplit => [new(ShareOf.Block, 45, 55), new(ShareOf.RandomAndOnCourse, 45, 55)],
            Approach.ThreeParts => [new(ShareOf.Technique, 25, 40), new(ShareOf.Skill, 25, 40), new(ShareOf.Performance, 25, 40)],
            Approach.StepUp =>
            [
                StepUpTechnique(season, level == Level.New ? 10 : 0),
                new(ShareOf.Skill, 25, 100),
                new(ShareOf.Performance, 15, 100),
            ],
            Approach.SlowBuild => [new(ShareOf.Technique, 70, 90), new(ShareOf.Performance, 10, 20)],
            Approach.PlayIt => [new(ShareOf.Performance, 70, 100)],
            _ => [],
        };

    /// <summary>Minutes of a segment that a share is made of.</summary>
    public static bool Counts(this ShareOf of, PracticeSegment segment) => of.Counts(segment.Phase, segment.Intent);

    /// <summary>Whether practice of a kind belongs to a share.</summary>
    public static bool Counts(this ShareOf of, Phase phase, Intent intent) =>
        of switch
        {
            ShareOf.Block => phase == Phase.Block,
            ShareOf.RandomAndOnCourse => phase is Phase.Random or Phase.OnCourse,
            ShareOf.Technique => intent == Intent.Technique,
            ShareOf.Skill => intent == Intent.Skill,
            _ => intent == Intent.Performance,
        };

    /// <summary>What a share is made of, as it is said: "random and on-course".</summary>
    public static string InWords(this ShareOf of) =>
        of switch
        {
            ShareOf.RandomAndOnCourse => "random and on-course",
            _ => of.ToString().ToLowerInvariant(),
        };

    private static ShareBand StepUpTechnique(Season season, double more)
    {
        var (least, most) = season switch
        {
            Season.OffSeason => (40, 55),
            Season.PreSeason => (30, 40),
            Season.InSeason => (10, 25),
            _ => (0, 15),
        };
        return new ShareBand(ShareOf.Technique, least + more, most + more);
    }
}
