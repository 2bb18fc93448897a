using MorningRound.Core.Wording;

namespace MorningRound.Core.OnCourse;

/// <summary>Everything that is said of holes: how they lie, what is offered, what they gave.</summary>
internal static class OnCourseSentences
{
    // How a hole lies on a range.
    public static readonly Sentence Lies = new("hole.lies", "{0}");
    public static readonly Sentence Between = new("hole.between", "Between {0} and {1}: {2:0} {3} wide.");
    public static readonly Sentence StraightAt = new(
        "hole.straightAt",
        "Straight at {0}. The fairway is {1:0} {2} wide, {3:0} to either side of it."
    );
    public static readonly Sentence NothingToAimAt = new(
        "hole.nothingToAimAt",
        "No target is on record: pick one far out in the middle. The fairway is {0:0} {1} wide, {2:0} to either side of it."
    );
    public static readonly Sentence BayShows = new("hole.bayShows", "The bay shows the hole. The fairway is {0:0} {1} wide.");
    public static readonly Sentence Halfway = new("hole.halfway", "halfway from {0} to {1}");
    public static readonly Sentence TroubleBeyond = new("hole.troubleBeyond", "{0} {1} of {2}.");
    public static readonly Sentence TroubleAlong = new("hole.troubleAlong", "{0} along the {1}.");
    public static readonly Sentence CrossesAt = new("hole.crossesAt", "{0} across from {1} to {2} {3}.");
    public static readonly Sentence SafeSide = new("hole.safeSide", "The safe side is the {0}.");
    public static readonly Sentence Bends = new("hole.bends", "It turns to the {0}.");

    // Offers: the numbers, then the rule that decided.
    public static readonly Sentence Offer = new("offer", "{0} {1}");
    public static readonly Sentence AimAtSide = new("offer.aimAtSide", "Aim at its {0} side.");
    public static readonly Sentence Leaves = new("offer.leaves", "Carries {0}, leaves {1} {2}.");
    public static readonly Sentence LeavesOnFairway = new(
        "offer.leavesOnFairway",
        "Carries {0}, leaves {1} {2}, about {3} of 10 on the fairway."
    );
    public static readonly Sentence MeasuredElsewhere = new("offer.measuredElsewhere", "about {0} (measured elsewhere)");
    public static readonly Sentence FromRough = new("offer.fromRough", "about {0} from rough");
    public static readonly Sentence ToTheHole = new("offer.toTheHole", "Carries {0}, {1} {2} {3} the hole.");
    public static readonly Sentence Nearest = new("offer.nearest", "Your nearest number.");
    public static readonly Sentence NextNearest = new("offer.nextNearest", "The next number.");
    public static readonly Sentence OverTheFront = new("offer.overTheFront", "Over the {0} in front with 5 % to spare.");
    public static readonly Sentence ShortOfBack = new("offer.shortOfBack", "Stays short of the {0} behind.");
    public static readonly Sentence CarriesAcross = new("offer.carriesAcross", "Carries the {0} across with 5 % to spare.");
    public static readonly Sentence StaysShort = new("offer.staysShort", "Stays short of the {0} across.");
    public static readonly Sentence LeavesGoodNumber = new("offer.leavesGoodNumber", "Your wedges have a number for that.");
    public static readonly Sentence LeavesLess = new("offer.leavesLess", "The less is left, the fewer strokes.");
    public static readonly Sentence LeavesNoNumber = new("offer.leavesNoNumber", "No number of your wedges covers that.");
    public static readonly Sentence NotWorthGoing = new("offer.notWorthGoing", "Going for the green costs more than it gains.");
    public static readonly Sentence CostsMore = new("offer.costsMore", "Costs more than laying up.");
    public static readonly Sentence LengthIsWorth = new("offer.lengthIsWorth", "The length gains more than its misses cost.");
    public static readonly Sentence TroubleCosts = new(
        "offer.troubleCosts",
        "Shorter: the {0} on the {1} would cost more than the length gains."
    );
    public static readonly Sentence NarrowCosts = new("offer.narrowCosts", "Shorter: the fairway is narrow.");
    public static readonly Sentence Also = new("offer.also", "Costs a little more.");
    public static readonly Sentence LandsSoft = new("offer.landsSoft", "Lands soft: choose the spot it is to land on.");
    public static readonly Sentence RunsUp = new("offer.runsUp", "Low and running: first choice with nothing in between.");
    public static readonly Sentence Splash = new("offer.splash", "Out of the sand first, close second.");
    public static readonly Sentence Punch = new("offer.punch", "Punch it low at the widest opening: half its usual carry.");
    public static readonly Sentence Putt = new("offer.putt", "Nothing in between: a putt is the simplest shot.");
    public static readonly Sentence NoFairwayThere = new(
        "offer.noFairwayThere",
        "No fairway there: {0} lies from {1} to {2} {3}. Where did it go?"
    );

    // Where to aim at a green.
    public static readonly Sentence AimPinInMiddle = new("aim.pinInMiddle", "Aim at the hole.");
    public static readonly Sentence AimNothingThere = new(
        "aim.nothingThere",
        "The hole is cut {0}, nothing beside it: aim at it."
    );
    public static readonly Sentence AimAtMiddle = new(
        "aim.atMiddle",
        "Aim at the middle of the green: the hole, {0} and your usual miss are all {1}."
    );
    public static readonly Sentence AimOtherMiss = new(
        "aim.otherMiss",
        "The hole and {0} are {1}, you mostly miss {2}: aim at it."
    );
    public static readonly Sentence AimMissUnknown = new(
        "aim.missUnknown",
        "The hole and {0} are both {1}. Which way you mostly miss is not on record: the middle is never wrong."
    );

    // What holes gave.
    public static readonly Sentence HolesLevel = new("holes.level", "Level par over {0}.");
    public static readonly Sentence HolesUnder = new("holes.under", "{0} under par over {1}.");
    public static readonly Sentence HolesOver = new("holes.over", "{0} over par over {1}.");
    public static readonly Sentence HolesExpected = new(
        "holes.expected",
        "≈ {0:0.0} strokes over {1}, par {2}: putts as usual from there."
    );
    public static readonly Sentence NoHoleOver = new("holes.noneOver", "No hole is played out.");
    public static readonly Sentence FairwaysFound = new("holes.fairwaysFound", "{0}. Missed left {1}, right {2}.");
    public static readonly Sentence OneHole = new("holes.one", "1 hole");
    public static readonly Sentence ManyHoles = new("holes.many", "{0} holes");

    // What real rounds say.
    public static readonly Sentence TooFewRounds = new("rounds.tooFew", "Not enough rounds to say: {0} noted, {1} are needed.");
    public static readonly Sentence RoundsSayTooLittle = new(
        "rounds.tooLittle",
        "Greens, putts and penalties are noted in too few rounds to say where strokes are lost."
    );
    public static readonly Sentence NothingStandsOut = new(
        "rounds.nothingStandsOut",
        "Over the last {0} rounds nothing costs half a stroke more than is usual at this level (from memory)."
    );
    public static readonly Sentence LostMost = new(
        "rounds.lostMost",
        "Most is lost by {0}: about {1:0.0} strokes in 18 holes over the last {2} rounds, {3} (from memory)."
    );
    public static readonly Sentence LostOnGreens = new("rounds.greens", "greens missed");
    public static readonly Sentence LostOnSaves = new("rounds.saves", "missed greens that are not saved");
    public static readonly Sentence LostOnPutts = new("rounds.putts", "putts on greens that were hit");
    public static readonly Sentence LostOnPenalties = new("rounds.penalties", "penalty strokes");
    public static readonly Sentence GreensNow = new(
        "rounds.greensNow",
        "{0} of {1} greens hit where {2:0} of 18 are usual at this level"
    );
    public static readonly Sentence SavesNow = new("rounds.savesNow", "{0} of {1} saved where {2:0} % are usual at this level");
    public static readonly Sentence PuttsNow = new(
        "rounds.puttsNow",
        "{0} on {1} greens where {2:0.00} a green are usual at this level"
    );
    public static readonly Sentence PenaltiesNow = new(
        "rounds.penaltiesNow",
        "{0} in {1} holes where {2:0.0} in 18 are usual at this level"
    );
}
