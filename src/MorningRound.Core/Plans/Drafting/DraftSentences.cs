using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Everything a draft says of itself: why each segment is there, and what kept it from being whole.</summary>
internal static class DraftSentences
{
    public static readonly Sentence BodyFirst = new("draft.bodyFirst", "The body first.");
    public static readonly Sentence SmallSwingsFirst = new(
        "draft.smallSwingsFirst",
        "Small swings before bigger ones; nothing is counted."
    );
    public static readonly Sentence HalfTheSame = new("draft.halfTheSame", "Half of it the same shot over and over.");
    public static readonly Sentence HalfThatChanges = new("draft.halfThatChanges", "Half of it a shot that changes.");
    public static readonly Sentence HolesToFinish = new("draft.holesToFinish", "And holes to finish with.");
    public static readonly Sentence ThirdTechnique = new("draft.thirdTechnique", "A third for technique.");
    public static readonly Sentence ThirdSkill = new("draft.thirdSkill", "A third for a test of skill.");
    public static readonly Sentence ThirdPlaying = new("draft.thirdPlaying", "A third for playing.");
    public static readonly Sentence ChangeSlowly = new("draft.changeSlowly", "The change, slowly, ball by ball.");
    public static readonly Sentence HoleOrTwo = new("draft.holeOrTwo", "A hole or two with the swing of today.");
    public static readonly Sentence WakeUp = new("draft.wakeUp", "A shot that changes, to wake up.");
    public static readonly Sentence HolesAndCard = new("draft.holesAndCard", "Holes, one ball, a card.");
    public static readonly Sentence NumbersToTake = new("draft.numbersToTake", "Numbers to take along, checked and left.");
    public static readonly Sentence TechniqueShort = new("draft.techniqueShort", "Technique short: if it is there, leave it.");
    public static readonly Sentence StartLine = new("draft.startLine", "Start line, close to the hole.");
    public static readonly Sentence AsMuchTechnique = new("draft.asMuchTechnique", "As much technique as the season bears.");
    public static readonly Sentence SkillChanges = new("draft.skillChanges", "Skill: the shot changes every ball.");
    public static readonly Sentence ThenProof = new("draft.thenProof", "Then proof, with a card.");
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
    public static readonly Sentence ItsArea = new("draft.itsArea", "It is {0}, and not from the last two sessions.");
    public static readonly Sentence ItsAreaAgain = new("draft.itsAreaAgain", "It is {0}, though it was there lately.");
    public static readonly Sentence FitsThePlace = new("draft.fitsThePlace", "It fits the place.");
    public static readonly Sentence NearestThing = new("draft.nearestThing", "The nearest thing there is.");
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
    public static readonly Sentence NoPartForButElsewhere = new(
        "draft.noPartForButElsewhere",
        "No {0} part for {1}: {2}. There would be something for {3}."
    );
    public static readonly Sentence NoRoomForWarmUp = new("draft.noRoomForWarmUp", "No warm-up part: there is no room for one.");
    public static readonly Sentence ApproachAsksForNone = new(
        "draft.approachAsksForNone",
        "No {0} part: “{1}” asks for none here."
    );
    public static readonly Sentence NoPart = new("draft.noPart", "No {0} part: no drill on the shelf fits {1}.");
    public static readonly Sentence Unfilled = new(
        "draft.unfilled",
        "{0} minutes could not be filled: the shelf has nothing more that fits {1}."
    );
    public static readonly Sentence NotPutRight = new("draft.notPutRight", "It could not be put right: {0}");
    public static readonly Sentence FewBalls = new(
        "draft.fewBalls",
        "{0} range balls are few for this: {1} would be the least at a useful pace."
    );
}
