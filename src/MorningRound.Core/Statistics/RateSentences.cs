using MorningRound.Core.Wording;

namespace MorningRound.Core.Statistics;

/// <summary>How a rate and its doubt are said.</summary>
internal static class RateSentences
{
    public static readonly Sentence Nothing = new("rate.nothing", "nothing attempted");
    public static readonly Sentence Share = new("rate.share", "{0} of {1}: somewhere from {2:0} to {3:0} %");
}
