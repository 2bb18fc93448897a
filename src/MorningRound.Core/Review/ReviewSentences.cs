using MorningRound.Core.Wording;

namespace MorningRound.Core.Review;

/// <summary>The few words that stand under a bay, and what is suggested for a week.</summary>
internal static class ReviewSentences
{
    public static readonly Sentence Said = new("review.said", "{0}");
    public static readonly Sentence Dizzy = new("review.dizzy", "dizzy");
    public static readonly Sentence Overheated = new("review.overheated", "overheated");
    public static readonly Sentence LoadHigh = new("review.loadHigh", "load {0:0.0} times the usual");
    public static readonly Sentence NothingSet = new("review.nothingSet", "nothing set");
    public static readonly Sentence NothingNext = new("review.nothingNext", "nothing set for next week");
    public static readonly Sentence Asked = new("review.asked", "waits for an answer since {0}");
    public static readonly Sentence Missed = new("review.missed", "missed {0}");
    public static readonly Sentence GoalMet = new("review.goalMet", "goal met");
    public static readonly Sentence GoalPerhapsMet = new("review.goalPerhapsMet", "close to goal");
    public static readonly Sentence GoalPastDue = new("review.goalPastDue", "goal past its due date");
    public static readonly Sentence Plateau = new("review.plateau", "“{0}” stands still");
    public static readonly Sentence NoResult = new("review.noResult", "works, and nothing rises");
    public static readonly Sentence Behind = new("review.behind", "{0:0} of {1} min due");
    public static readonly Sentence TakenOut = new("review.takenOut", "practised what was taken out");
    public static readonly Sentence Note = new("review.note", "note");
    public static readonly Sentence Away = new("review.away", "away");
    public static readonly Sentence OnTrack = new("review.onTrack", "on track");

    public static readonly Sentence PainEvidence = new("review.painEvidence", "{0}, since {1}; last said on {2}.");
    public static readonly Sentence DizzyEvidence = new("review.dizzyEvidence", "Felt dizzy on {0}; that ended the session.");
    public static readonly Sentence OverheatedEvidence = new(
        "review.overheatedEvidence",
        "Was overheated on {0}; that ended the session."
    );
    public static readonly Sentence LoadEvidence = new(
        "review.loadEvidence",
        "This week's load is {0:0.0} times the mean of the four weeks before; above {1:0.0} is a reason to look."
    );
    public static readonly Sentence NothingSetEvidence = new("review.nothingSetEvidence", "Nothing is published for this week.");
    public static readonly Sentence NothingNextEvidence = new(
        "review.nothingNextEvidence",
        "Nothing is published for the week from {0}."
    );
    public static readonly Sentence AskedEvidence = new("review.askedEvidence", "Wrote on {0}, and nobody has answered yet.");
    public static readonly Sentence MissedEvidence = new(
        "review.missedEvidence",
        "{0} must sessions were missed, this week and the last."
    );
    public static readonly Sentence MissedOneEvidence = new(
        "review.missedOneEvidence",
        "One must session was missed, this week or the last."
    );
    public static readonly Sentence PlateauEvidence = new("review.plateauEvidence", "“{0}”: {1}.");
    public static readonly Sentence NoResultEvidence = new(
        "review.noResultEvidence",
        "{0:0} % of four weeks was done, and none of {1} drills with enough results rises."
    );
    public static readonly Sentence BehindEvidence = new(
        "review.behindEvidence",
        "{0:0} of {1} min due by today were done; below three quarters is behind."
    );
    public static readonly Sentence TakenOutEvidence = new(
        "review.takenOutEvidence",
        "Practised a session on {0} that had been taken out of the week."
    );
    public static readonly Sentence NoteEvidence = new("review.noteEvidence", "Wrote a note with the session of {0}.");

    public static readonly Sentence RetestNothing = new(
        "suggest.retestNothing",
        "{0}: no comparable result yet. The same again, and counted."
    );
    public static readonly Sentence Retest = new(
        "suggest.retest",
        "{0}: {1} attempts in the last three comparable results, and fewer than {2} judge nothing. The same again."
    );
    public static readonly Sentence RetestFew = new(
        "suggest.retestFew",
        "{0}: fewer than {1} attempts so far ({2}), too few to judge. The same again."
    );
    public static readonly Sentence MetAndConfident = new(
        "suggest.metAndConfident",
        "{0} was met in {1} of the last {2}, with confidence {3:0.#}"
    );
    public static readonly Sentence MetWithoutRating = new(
        "suggest.metWithoutRating",
        "{0} was met in {1} of the last {2}; confidence was not rated"
    );
    public static readonly Sentence Raise = new("suggest.raise", "{0}: {1}. Next step: {2}.");
    public static readonly Sentence RaiseToOther = new(
        "suggest.raiseToOther",
        "{0}: {1}. It has no next step; the nearest that is harder is “{2}”."
    );
    public static readonly Sentence NothingHarder = new(
        "suggest.nothingHarder",
        "{0}: {1}. It has no next step, and nothing on the shelf is harder by what can be reckoned: it can rest."
    );
    public static readonly Sentence Ease = new(
        "suggest.ease",
        "{0}: {1} was met in none of the last {2}, and {3} of them were worse than the step before asks ({4}). Back to: {5}."
    );
    public static readonly Sentence NoBetter = new(
        "suggest.noBetter",
        "held for {0} weeks, and the best of the last two, {1}{2}, is no better than the best of the first two, {3}{2}"
    );
    public static readonly Sentence Swap = new("suggest.swap", "{0}: {1}. Something else for it: “{2}”.");
    public static readonly Sentence NothingToSwap = new(
        "suggest.nothingToSwap",
        "{0}: {1}. Nothing else on the shelf fits in its place."
    );
    public static readonly Sentence HoldFirstMet = new(
        "suggest.holdFirstMet",
        "{0}: {1} was met in the only result so far. The same again."
    );
    public static readonly Sentence HoldFirstNotMet = new(
        "suggest.holdFirstNotMet",
        "{0}: {1} was not met in the only result so far. The same again."
    );
    public static readonly Sentence Hold = new(
        "suggest.hold",
        "{0}: {1} was met in {2} of the last {3}: neither easy nor out of reach. The same again."
    );
    public static readonly Sentence HoldUnsure = new(
        "suggest.holdUnsure",
        "{0}: {1} was met in {2} of the last {3}, but confidence is {4:0.#}; from {5:0} on it goes a step further. "
            + "The same again."
    );
    public static readonly Sentence HoldUnrated = new(
        "suggest.holdUnrated",
        "{0}: {1} was met in {2} of the last {3}; without a word on confidence it takes all three. The same again."
    );
    public static readonly Sentence HoldNotMet = new(
        "suggest.holdNotMet",
        "{0}: {1} was met in none of the last {2}, but they are not so far off that the step before is due. The same again."
    );
    public static readonly Sentence HoldAtBottom = new(
        "suggest.holdAtBottom",
        "{0}: {1} was met in none of the last {2}, and it has no easier step. The same again, or something else."
    );
    public static readonly Sentence HoldBecauseHard = new(
        "suggest.holdBecauseHard",
        "{0}: {1} was met in {2} of the last {3}; it is kept because it is hard."
    );
    public static readonly Sentence HoldWithoutGoal = new(
        "suggest.holdWithoutGoal",
        "{0}: nothing is asked of it, so that nothing says whether it is too easy. The same again."
    );
    public static readonly Sentence RestsBefore = new(
        "suggest.restsBefore",
        "{0} works at technique, and {2} begins on {1}: it can rest; execution and putting come first."
    );
    public static readonly Sentence NotBefore = new(
        "suggest.notBefore",
        "{0}: {1}. But {3} begins on {2}, and technique is not made harder before it."
    );
    public static readonly Sentence Merge = new("suggest.merge", "{0} stands twice in “{1}”: {2} min in one piece.");
    public static readonly Sentence Trial = new(
        "suggest.trial",
        "Nothing in the week works at {0}, which the focus is about. A small dose: “{1}”, {2} min in “{3}”."
    );
    public static readonly Sentence TrialAfter = new(
        "suggest.trialAfter",
        "{0} did not hold at {1}, and nothing in the week works at it. A small dose: “{2}”, {3} min in “{4}”."
    );
    public static readonly Sentence DidNotHold = new("suggest.didNotHold", "{0} At {2}, {1} did not hold.");
    public static readonly Sentence Held = new("suggest.held", "{0} At {2}, {1} held.");
    public static readonly Sentence TrialQuestion = new("suggest.trialQuestion", "Does this bring it nearer? {0}.");
    public static readonly Sentence TrialExpect = new(
        "suggest.trialExpect",
        "it feels strange, and results go down a little at first."
    );
    public static readonly Sentence TrialOverdoing = new(
        "suggest.trialOverdoing",
        "you think of it in every other segment too. Then leave it for the day."
    );

    public static readonly Sentence ChangedStep = new("change.step", "“{0}” now on: {1}.");
    public static readonly Sentence ChangedDrill = new("change.drill", "“{0}” in place of “{1}”.");
    public static readonly Sentence ChangedRests = new("change.rests", "“{0}” rests.");
    public static readonly Sentence ChangedMerged = new("change.merged", "“{0}” in one piece.");
    public static readonly Sentence ChangedTrial = new("change.trial", "A small dose of “{0}”.");
    public static readonly Sentence ChangedRetest = new("change.retest", "“{0}” once more, with enough attempts.");
}
