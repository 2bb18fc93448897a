using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Trimming;

/// <summary>Why a shortened session is what it is.</summary>
internal static class TrimSentences
{
    public static readonly Sentence FallsOut = new("trim.fallsOut", "“{0}” falls out: {1}.");
    public static readonly Sentence NoPauseNeeded = new("trim.noPauseNeeded", "a short session needs no pause");
    public static readonly Sentence WarmUpIsEnough = new(
        "trim.warmUpIsEnough",
        "the warm-up before it is enough for a shorter session"
    );
    public static readonly Sentence LeastPriority = new(
        "trim.leastPriority",
        "it has the least priority, and the rest still divides as it should"
    );
    public static readonly Sentence EverythingShorter = new(
        "trim.everythingShorter",
        "Everything is shortened in proportion, to {0} minutes."
    );
    public static readonly Sentence RestShorter = new("trim.restShorter", "The rest is shortened in proportion, to {0} minutes.");
    public static readonly Sentence NoTime = new("trim.noTime", "there is no time for it");
    public static readonly Sentence NoBalls = new("trim.noBalls", "Segments with range balls are left out.");
    public static readonly Sentence FewerBalls = new("trim.fewerBalls", "Fewer balls everywhere, {0} in all.");
}
