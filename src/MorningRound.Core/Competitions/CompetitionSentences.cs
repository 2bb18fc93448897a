using MorningRound.Core.Progress;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Competitions;

/// <summary>What is said of a competition and of the days around it.</summary>
internal static class CompetitionSentences
{
    public static readonly Sentence Ahead = new("competition.ahead", "{0} days to go.");
    public static readonly Sentence Tomorrow = new("competition.tomorrow", "It begins tomorrow.");
    public static readonly Sentence Today = new("competition.today", "It begins today.");
    public static readonly Sentence Under = new("competition.under", "Day {0} of {1}.");
    public static readonly Sentence OverYesterday = new("competition.overYesterday", "It was over yesterday.");
    public static readonly Sentence Over = new("competition.over", "It was over {0} days ago.");

    public static readonly Sentence Practice = new("competition.practice", "Practice as planned, technique shorter than usual.");
    public static readonly Sentence Short = new("competition.short", "{0} min at the most, and no slow repetitions any more.");
    public static readonly Sentence Arrival = new(
        "competition.arrival",
        "Getting there: {0} min at the most, the speed of the greens first. No swing is looked at."
    );
    public static readonly Sentence Play = new("competition.play", "It is played: a warm-up and nothing else.");
    public static readonly Sentence TooLong = new("competition.tooLong", "“{0}” takes {1} min: {2} is the most.");
    public static readonly Sentence OnlyWarmUp = new("competition.onlyWarmUp", "“{0}” is more than a warm-up.");
    public static readonly Sentence NothingSlow = new("competition.nothingSlow", "“{0}” asks for slow repetitions.");

    public static readonly Sentence GreensDiffer = new(
        "competition.greensDiffer",
        "Its greens roll {0:0.0} ft, those at home {1:0.0}: leave putting for pace until you are there."
    );
    public static readonly Sentence GreensAlike = new(
        "competition.greensAlike",
        "Its greens roll {0:0.0} ft, those at home {1:0.0}: pace from home is worth something there."
    );
    public static readonly Sentence GreensUnknown = new(
        "competition.greensUnknown",
        "How fast its greens are is not known: find that out first of all."
    );

    private static readonly Sentence RatingFew = new(
        "competition.ratingFew",
        "Too few ratings to set the four weeks after beside the four before."
    );
    private static readonly Sentence RatingUp = new("competition.ratingUp", "{0} after, {1} before: higher by {2} to {3}.");
    private static readonly Sentence RatingDown = new("competition.ratingDown", "{0} after, {1} before: lower by {2} to {3}.");
    private static readonly Sentence RatingSame = new(
        "competition.ratingSame",
        "{0} after, {1} before: no clear change (from {2} to {3})."
    );

    /// <summary>The words for ratings after a competition beside those before.</summary>
    public static RatingWords AroundIt { get; } = new(RatingFew, RatingUp, RatingDown, RatingSame);
}
