using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Everything a draft says of itself: why each segment is there, and what kept it from being whole.</summary>
internal static class DraftSentences
{
    public static readonly Sentence BodyFirst = new("draft.bodyFirst", "The body first.");
    public static readonly Sentence HalfTheSame = new("draft.halfTheSame", "Half of it the same shot over and over.");
    public static readonly Sentence HalfThatChanges = new("draft.halfThatChanges", "Half of it a shot that changes.");
    public static readonly Sentence HolesToFinish = new("draft.holesToFinish", "And holes to finish with.");
    public static readonly Sentence ThirdTechnique = new("draft.thirdTechnique", "A third for technique.");
    public static readonly Sentence ThirdSkill = new("draft.thirdSkill", "A third for a test of skill.");
    public static readonly Sentence ThirdPlaying = new("draft.thirdPlaying", "A third for playing.");
    public static readonly Sentence ChangeSlowly = new("draft.changeSlowly", "The change, slowly, ball by ball.");
    public static readonly Sentence TechniqueSlowly = new("draft.techniqueSlowly", "Technique, slowly, ball by ball.");
    public static readonly Sentence HoleOrTwo = new("draft.holeOrTwo", "A hole or two with the swing of today.");
    public static readonly Sentence WakeUp = new("draft.wakeUp", "A shot that changes, to wake up.");
    public static readonly Sentence HolesAndCard = new("draft.holesAndCard", "Holes, one ball, a card.");
    public static readonly Sentence NumbersToTake = new("draft.numbersToTake", "Numbers to take along, checked and left.");
    public static readonly Sentence TechniqueShort = new("draft.techniqueShort", "Technique short: if it is there, leave it.");
    public static readonly Sentence StartLine = new("draft.startLine", "Start line, close to the hole.");
    public static readonly Sentence AsMuchTechnique = new("draft.asMuchTechnique", "As much technique as the season bears.");
    public static readonly Sentence SkillChanges = new("draft.skillChanges", "Skill: the shot changes every ball.");
    public static readonly Sentence ThenProof = new("draft.thenProof", "Then proof, with a card.");
    public static readonly Sentence OneThatCounts = new("draft.oneThatCounts", "One that counts, once, to finish with.");
    public static readonly Sentence InsteadOfHoles = new(
        "draft.insteadOfHoles",
        "In the place of holes, for which there is no room here."
    );
    public static readonly Sentence ChangesEachTime = new("draft.changesEachTime", "Something else to look at every time.");
    public static readonly Sentence NotInBag = new("draft.notInBag", "There is no {0} in the bag: {1} instead.");
    public static readonly Sentence WaterBeforeLong = new("draft.waterBeforeLong", "Water and shade before it gets long.");
    public static readonly Sentence PutIn = new("draft.putIn", "Put in so that nothing stands against the plan.");
    public static readonly Sentence ComesWarmedUp = new("draft.comesWarmedUp", "No warm-up: the student comes warmed up.");
    public static readonly Sentence TooShortForWarmUp = new(
        "draft.tooShortForWarmUp",
        "No warm-up of its own: under ten minutes there are no full swings, and the first ones are easy."
    );
    public static readonly Sentence NoWarmUpAtHome = new(
        "draft.noWarmUpAtHome",
        "No warm-up of its own: nothing at home is swung in full."
    );
    public static readonly Sentence Pinned = new("draft.pinned", "Pinned.");
    public static readonly Sentence AskedFor = new("draft.askedFor", "It is for {0}, as asked.");
    public static readonly Sentence FocusArea = new("draft.focusArea", "The coach's focus is {0}.");
    public static readonly Sentence FocusSkill = new("draft.focusSkill", "The coach's focus is {0}, {1}.");
    public static readonly Sentence LosesMost = new(
        "draft.losesMost",
        "Results lose most with {0}: {1} % short of what was asked, over {2} results."
    );
    public static readonly Sentence RoundsLose = new(
        "draft.roundsLose",
        "Rounds lose strokes with {0}: about {1:0.0} in 18 holes against what is usual at this level, over the last {2}."
    );
    public static readonly Sentence DidNotHold = new("draft.didNotHold", "{0} did not hold at {1}.");
    public static readonly Sentence BelievedWeak = new("draft.believedWeak", "The student believes {0} to be weak.");
    public static readonly Sentence NotLately = new("draft.notLately", "There was nothing for {0} lately.");
    public static readonly Sentence WhatThePlaceIsFor = new("draft.whatThePlaceIsFor", "It is what the place is for.");
    public static readonly Sentence ForTheSkill = new("draft.forTheSkill", "Here for {0}.");
    public static readonly Sentence ChangesWithoutHurry = new(
        "draft.changesWithoutHurry",
        "A shot that changes, without hurry and without repair."
    );
    public static readonly Sentence SameShotToTrust = new(
        "draft.sameShotToTrust",
        "The same shot until it is trusted, and no longer."
    );
    public static readonly Sentence SmallSwingsFirst = new("draft.smallSwingsFirst", "Small swings before bigger ones.");
    public static readonly Sentence NotThereAtAll = new("draft.notThereAtAll", "{0} cannot be practised {1}.");
    public static readonly Sentence TooShortForPart = new(
        "draft.tooShortForPart",
        "No {0} part: the visit is too short for one."
    );
    public static readonly Sentence IsTheFocus = new("draft.isTheFocus", "It is the coach's focus: {0}.");
    public static readonly Sentence SameSkillChanging = new(
        "draft.sameSkillChanging",
        "The same {0} as in block, now that the shot changes."
    );
    public static readonly Sentence FitsTheFault = new("draft.fitsTheFault", "It answers the fault: {0}.");
    public static readonly Sentence HolesUseTheClubs = new("draft.holesUseTheClubs", "Holes ask for the same clubs, once each.");
    public static readonly Sentence ForTheHead = new("draft.forTheHead", "The head is part of it.");
    public static readonly Sentence NextTo = new("draft.nextTo", "{0}, next to {1}.");
    public static readonly Sentence ForAChange = new("draft.forAChange", "For a change: {0}.");
    public static readonly Sentence OtherPlace = new(
        "draft.otherPlace",
        "The {0} is there too, and an hour is long in one place."
    );
    public static readonly Sentence AgainLately = new("draft.againLately", "It was there lately; nothing newer fits as well.");
    public static readonly Sentence ArrivalPace = new(
        "draft.arrivalPace",
        "How fast these greens are is the first thing to know."
    );
    public static readonly Sentence ArrivalChips = new("draft.arrivalChips", "How the ball comes out of this grass.");
    public static readonly Sentence ArrivalIsShort = new(
        "draft.arrivalIsShort",
        "It is the day of arriving at {0}: {1} minutes are enough, the rest is for walking the course and resting."
    );
    public static readonly Sentence ArrivalNeedsGreen = new(
        "draft.arrivalNeedsGreen",
        "It is the day of arriving at {0}: what helps is a putting or a chipping green, not swings."
    );
    public static readonly Sentence OnlyAWarmUp = new(
        "draft.onlyAWarmUp",
        "{0} is played that day: a warm-up, and nothing else."
    );
    public static readonly Sentence DoseSaid = new(
        "draft.doseSaid",
        "At most {0} full swings and a pause at least every {2} minutes: it is for {1}."
    );
    public static readonly Sentence WouldWork = new("draft.wouldWork", "What would work {0}: {1}.");
    public static readonly Sentence ForSeveral = new(
        "draft.forSeveral",
        "For {0} together: with the clubs and things that all of them have, and the care of whoever needs most."
    );
    public static readonly Sentence Both = new("draft.both", "{0} {1}");
    public static readonly Sentence AllThatFitsHurts = new(
        "draft.allThatFitsHurts",
        "everything that fits loads the {0}, which hurts and which nobody has cleared"
    );
    public static readonly Sentence NothingFits = new(
        "draft.nothingFits",
        "no drill on the shelf fits {0} with {1} balls and what there is at hand"
    );
    public static readonly Sentence NoPartFor = new("draft.noPartFor", "No {0} part for {1}: {2}.");
    public static readonly Sentence Because = new("draft.because", "{0}.");
    public static readonly Sentence NoRoomForWarmUp = new("draft.noRoomForWarmUp", "No warm-up part: there is no room for one.");
    public static readonly Sentence ApproachAsksForNone = new(
        "draft.approachAsksForNone",
        "No {0} part: “{1}” asks for none here."
    );
    public static readonly Sentence NoPart = new(
        "draft.noPart",
        "No {0} part: nothing on the shelf for it fits {1} in the time there is."
    );
    public static readonly Sentence Unfilled = new(
        "draft.unfilled",
        "{0} minutes could not be filled: the shelf has nothing more that fits {1}."
    );
    public static readonly Sentence UnfilledWithoutBalls = new(
        "draft.unfilledWithoutBalls",
        "{0} minutes could not be filled: the {1} range balls are used up."
    );
    public static readonly Sentence TooLittleOf = new(
        "draft.tooLittleOf",
        "{0}: too little of it fits this student and this place to fill the time, and something else would be another plan."
    );
    public static readonly Sentence NotPutRight = new("draft.notPutRight", "It could not be put right: {0}");
    public static readonly Sentence FewBalls = new(
        "draft.fewBalls",
        "{0} range balls are few for this: {1} would be the least at a useful pace."
    );
}
