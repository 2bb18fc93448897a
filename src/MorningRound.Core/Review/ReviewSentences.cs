using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>The few words that stand under a bay.</summary>
internal static class ReviewSentences
{
    public static readonly Sentence Said = new("review.said", "{0}");
    public static readonly Sentence Dizzy = new("review.dizzy", "dizzy");
    public static readonly Sentence Overheated = new("review.overheated", "overheated");
    public static readonly Sentence NothingSet = new("review.nothingSet", "nothing set");
    public static readonly Sentence Missed = new("review.missed", "missed {0}");
    public static readonly Sentence Behind = new("review.behind", "{0:0} of {1} min due");
    public static readonly Sentence TakenOut = new("review.takenOut", "practised what was taken out");
    public static readonly Sentence Note = new("review.note", "note");
    public static readonly Sentence Away = new("review.away", "away");
    public static readonly Sentence OnTrack = new("review.onTrack", "on track");
}
