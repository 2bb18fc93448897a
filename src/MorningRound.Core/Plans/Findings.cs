using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans;

/// <summary>Everything a plan can be found to be.</summary>
public enum FindingId
{
    /// <summary>No purpose.</summary>
    NoPurpose,

    /// <summary>Technique without saying on what.</summary>
    NoFocus,

    /// <summary>A purpose without anything that tells whether it was met.</summary>
    NoSuccessTest,

    /// <summary>More minutes than there are.</summary>
    OverTime,

    /// <summary>More range balls than there are.</summary>
    OverBalls,

    /// <summary>Minutes that are not planned.</summary>
    UnderTime,

    /// <summary>Full swings before any warm-up.</summary>
    NoWarmUp,

    /// <summary>A count in the warm-up.</summary>
    WarmUpScored,

    /// <summary>Technique in the warm-up.</summary>
    WarmUpTechnical,

    /// <summary>Block after random in the same part of the game.</summary>
    PhaseOrder,

    /// <summary>A share outside what the approach asks for.</summary>
    Balance,

    /// <summary>Technique without an answer to every ball.</summary>
    NoFeedback,

    /// <summary>A second focus for the same clubs.</summary>
    ManyFocuses,

    /// <summary>Faster than usual.</summary>
    PaceFast,

    /// <summary>Slower than usual.</summary>
    PaceSlow,

    /// <summary>Many balls in a row with one club, outside block.</summary>
    SameClubRun,

    /// <summary>The same call several times running, undeclared.</summary>
    RepeatedCall,

    /// <summary>Nothing that proves it when the shot changes.</summary>
    NoTransfer,

    /// <summary>A skill that is counted differently in block and after it.</summary>
    SameCriterion,

    /// <summary>A simulated fairway that is too wide.</summary>
    SimTooWide,

    /// <summary>Sticks or gates left out while holes are played.</summary>
    AidsOut,

    /// <summary>Other balls than the holes that are played usually take.</summary>
    HoleBalls,

    /// <summary>Too long without a pause.</summary>
    NoBreak,

    /// <summary>A drill or club that the place does not allow.</summary>
    Place,

    /// <summary>A thing that is not at hand.</summary>
    Equipment,

    /// <summary>Pace on a green of another speed than the competition's.</summary>
    WrongGreen,

    /// <summary>Wind that pulls the swing.</summary>
    Wind,

    /// <summary>Slow repetitions close to a competition.</summary>
    CompetitionNear,

    /// <summary>Fast swings too early, or a heavy week.</summary>
    Fatigue,

    /// <summary>A load on what hurts.</summary>
    Hurt,

    /// <summary>A minor without a guardian's consent.</summary>
    Minor,

    /// <summary>A long club before anything short.</summary>
    LongFirst,

    /// <summary>More full swings, or fewer pauses, than this student should have.</summary>
    Dose,

    /// <summary>Random without anything to aim at or to count by.</summary>
    NoTarget,

    /// <summary>A club, an instrument or a target that is not there.</summary>
    NotThere,

    /// <summary>Clubs that the area is not played with.</summary>
    ClubsAndArea,

    /// <summary>More than a warm-up on the day of a competition.</summary>
    CompetitionDay,
}

/// <summary>Everything the check of a plan says, and what its fixes are called.</summary>
internal static class CheckSentences
{
    public static readonly Sentence OverTime = new("check.overTime", "It takes {0} minutes; there are {1}.");
    public static readonly Sentence OverTimeWithWalks = new(
        "check.overTimeWithWalks",
        "It takes {0} minutes, {1} of them walking; there are {2}."
    );
    public static readonly Sentence ShortenAll = new("check.shortenAll", "Shorten every segment in proportion");
    public static readonly Sentence OverBalls = new("check.overBalls", "It takes {0} range balls; there are {1}.");
    public static readonly Sentence FewerBalls = new("check.fewerBalls", "Fewer balls everywhere, in proportion");
    public static readonly Sentence UnderTime = new("check.underTime", "{0} of {1} minutes are not planned.");
    public static readonly Sentence LengthenAll = new("check.lengthenAll", "Lengthen every segment in proportion");
    public static readonly Sentence PaceFast = new(
        "check.paceFast",
        "{0:0.0#} balls a minute is fast for {1}; usual is {2:0.0#} to {3:0.0#}."
    );
    public static readonly Sentence PaceFastUpTo = new(
        "check.paceFastUpTo",
        "{0:0.0#} balls a minute is fast for {1}; usual is up to {2:0.0#}."
    );
    public static readonly Sentence PaceSlow = new(
        "check.paceSlow",
        "{0:0.0#} balls a minute is slow for {1}; usual is {2:0.0#} to {3:0.0#}."
    );
    public static readonly Sentence Balls = new("check.balls", "{0} balls");
    public static readonly Sentence SessionFast = new(
        "check.sessionFast",
        "{0} range balls in {1} minutes is hurried. {2} leave time for each."
    );
    public static readonly Sentence BallsInAll = new("check.ballsInAll", "{0} balls in all");
    public static readonly Sentence HolesFast = new(
        "check.holesFast",
        "{0:0.0} minutes a hole is hurried; two to five are usual."
    );
    public static readonly Sentence HolesSlow = new("check.holesSlow", "{0:0.0} minutes a hole is slow; two to five are usual.");
    public static readonly Sentence PhaseOrder = new(
        "check.phaseOrder",
        "Block comes after random here; the same shot over and over belongs before the one that changes."
    );
    public static readonly Sentence MoveBefore = new("check.moveBefore", "Move it before “{0}”");
    public static readonly Sentence ShareTooMany = new(
        "check.shareTooMany",
        "{0} has {1:0} % of the minutes after warm-up; “{2}” asks for {3} %: {4} min too many."
    );
    public static readonly Sentence ShareTooFew = new(
        "check.shareTooFew",
        "{0} has {1:0} % of the minutes after warm-up; “{2}” asks for {3} %: {4} min too few."
    );
    public static readonly Sentence AtLeast = new("check.atLeast", "at least {0:0}");
    public static readonly Sentence AtMost = new("check.atMost", "at most {0:0}");
    public static readonly Sentence FromTo = new("check.fromTo", "{0:0} to {1:0}");
    public static readonly Sentence DivideByApproach = new("check.divideByApproach", "Divide the minutes by the approach");
    public static readonly Sentence NoTransfer = new(
        "check.noTransfer",
        "Nothing in it proves that it holds when the shot changes: no random and no on-course part."
    );
    public static readonly Sentence MakeRandom = new("check.makeRandom", "Make “{0}” random");
    public static readonly Sentence SameCriterion = new(
        "check.sameCriterion",
        "{0} is counted differently here than in block, so it cannot be told what carries over."
    );
    public static readonly Sentence CountAsInBlock = new("check.countAsInBlock", "Count it as in block");
    public static readonly Sentence NoBreak = new("check.noBreak", "More than {0} minutes without a pause: water, shade, rest.");
    public static readonly Sentence NoBreakWhenHot = new(
        "check.noBreakWhenHot",
        "More than {0} minutes without a pause on a hot day: water, shade, rest."
    );
    public static readonly Sentence PutPauseIn = new("check.putPauseIn", "Put a pause in");
    public static readonly Sentence FatigueDriver = new(
        "check.fatigueDriver",
        "Driver in the first {0} minutes of a session over {1}: keep the fast swings for later."
    );
    public static readonly Sentence LeaveDriverOut = new("check.leaveDriverOut", "Leave the driver out here");
    public static readonly Sentence FatigueLoad = new(
        "check.fatigueLoad",
        "With it the week's load comes to {0:0.0} times the mean of the four weeks before; above {1:0.0} is a reason to look."
    );
    public static readonly Sentence Hurt = new(
        "check.hurt",
        "It loads the {0}, which hurts and which no doctor or physiotherapist has cleared."
    );
    public static readonly Sentence HurtALittle = new(
        "check.hurtALittle",
        "It asks a little of the {0}, which hurts and which no doctor or physiotherapist has cleared."
    );
    public static readonly Sentence Minor = new("check.minor", "The student is a minor, and no guardian's consent is on record.");
    public static readonly Sentence WrongPlace = new("check.wrongPlace", "“{0}” cannot be done there.");
    public static readonly Sentence WrongGround = new("check.wrongGround", "A {0} shot can't be practised on the {1}.");
    public static readonly Sentence ClubsAndArea = new("check.clubsAndArea", "It is about {0}, but is played with the {1}.");
    public static readonly Sentence DoItOn = new("check.doItOn", "Do it on the {0}");
    public static readonly Sentence NeedsGround = new(
        "check.needsGround",
        "“{0}” needs a stick in the ground, and there are only mats."
    );
    public static readonly Sentence Forbidden = new("check.forbidden", "The {0} may not be hit there.");
    public static readonly Sentence LeaveOut = new("check.leaveOut", "Leave it out");
    public static readonly Sentence MissingEquipment = new(
        "check.missingEquipment",
        "“{0}” needs {1}, which neither the student nor the place has, and nothing does instead."
    );
    public static readonly Sentence WrongGreen = new(
        "check.wrongGreen",
        "Pace on a green of {0:0.#} ft, and {1} putts at {2:0.#}: leave pace for the course and do start line, or keep it as "
            + "routine."
    );
    public static readonly Sentence NoPurpose = new(
        "check.noPurpose",
        "The session has no purpose; time and balls alone mean little."
    );
    public static readonly Sentence TakeFocus = new("check.takeFocus", "Take the student's focus: {0}");
    public static readonly Sentence NoSuccessTest = new(
        "check.noSuccessTest",
        "There is a purpose, but nothing that would tell whether it was met."
    );
    public static readonly Sentence TakeGoal = new("check.takeGoal", "Take the goal of “{0}”");
    public static readonly Sentence SameClubRun = new("check.sameClubRun", "{0} balls in a row with one club are not random.");
    public static readonly Sentence AddClub = new("check.addClub", "Add the {0}");
    public static readonly Sentence RepeatedCall = new(
        "check.repeatedCall",
        "The same call comes {0} times running; in random the shot changes every ball unless a short run is declared."
    );
    public static readonly Sentence DeclareRun = new("check.declareRun", "Declare a run of {0}");
    public static readonly Sentence SimTooWide = new(
        "check.simTooWide",
        "The fairway is {0:0.#} yards wide here and {1:0.#} on the course; practise into a narrower one."
    );
    public static readonly Sentence Yards = new("check.yards", "{0:0.#} yards");
    public static readonly Sentence HolesTooWide = new(
        "check.holesTooWide",
        "Fairways are laid {0:0} % as wide as they are; practise into narrower ones."
    );
    public static readonly Sentence Narrower = new("check.narrower", "{0:0} % of the real width");
    public static readonly Sentence HoleBalls = new(
        "check.holeBalls",
        "These holes usually take about {0} balls; {1} are planned."
    );
    public static readonly Sentence AidsOut = new("check.aidsOut", "Sticks or gates still lie there while holes are played.");
    public static readonly Sentence PutAway = new("check.putAway", "Put them away");
    public static readonly Sentence NoFocus = new("check.noFocus", "It works on technique and does not say on what.");
    public static readonly Sentence SetFocus = new("check.setFocus", "Set the focus: {0}");
    public static readonly Sentence NoFeedback = new(
        "check.noFeedback",
        "Nothing tells the student after each ball whether it was there."
    );
    public static readonly Sentence NameOwnFeel = new("check.nameOwnFeel", "Name the student's own feel");
    public static readonly Sentence ManyFocuses = new(
        "check.manyFocuses",
        "A second focus for the same clubs in one session; “{0}” already has one."
    );
    public static readonly Sentence KeepTo = new("check.keepTo", "Keep to: {0}");
    public static readonly Sentence WindFromBehind = new(
        "check.windFromBehind",
        "The wind blows from behind the shot and pulls the swing along. Technique is better into "
            + "the face of the shot or with the "
            + "wind on the chest; or leave it as it is and say why."
    );
    public static readonly Sentence WindOnBack = new(
        "check.windOnBack",
        "The wind blows onto the player's back and pushes the swing. Technique is better with the wind on the chest or into the "
            + "face of the shot; or leave it as it is and say why."
    );
    public static readonly Sentence CompetitionNear = new(
        "check.competitionNear",
        "Slow repetitions this close to {0}: take the swing of the day there instead."
    );
    public static readonly Sentence UsualPace = new("check.usualPace", "Check it at the usual pace instead");
    public static readonly Sentence NoWarmUp = new("check.noWarmUp", "Full swings come before any stretching or short swings.");
    public static readonly Sentence PutStretchingIn = new("check.putStretchingIn", "Put {0} minutes of stretching in front");
    public static readonly Sentence WarmUpScored = new(
        "check.warmUpScored",
        "A warm-up keeps no score; bad shots in it mean nothing."
    );
    public static readonly Sentence LeaveCountOut = new("check.leaveCountOut", "Leave the drill's count out");
    public static readonly Sentence WarmUpTechnical = new(
        "check.warmUpTechnical",
        "In a warm-up ball flight is noticed, not repaired; only its bridge works on the focus."
    );
    public static readonly Sentence MakeBridge = new("check.makeBridge", "Make it the bridge to the day's focus");
    public static readonly Sentence TakeTechniqueOut = new("check.takeTechniqueOut", "Take the technique out of it");
    public static readonly Sentence LongFirst = new(
        "check.longFirst",
        "The {0} comes before any ball with a wedge and before any shorter swing."
    );
    public static readonly Sentence ShortClubsFirst = new("check.shortClubsFirst", "The shorter clubs first");
    public static readonly Sentence DoseInHour = new(
        "check.doseInHour",
        "{0} full swings within an hour are many for {1}; {2} are enough."
    );
    public static readonly Sentence DoseInSession = new(
        "check.doseInSession",
        "{0} full swings in one session are many for {1}; {2} are enough."
    );
    public static readonly Sentence DoseDriver = new(
        "check.doseDriver",
        "{0} drivers in a row are many for {1}; after {2} something else."
    );
    public static readonly Sentence DosePause = new("check.dosePause", "{0} minutes without a pause are long for {1}.");
    public static readonly Sentence FewerFullSwings = new("check.fewerFullSwings", "{0} full swings in all");
    public static readonly Sentence WhoUnderTwelve = new("check.whoUnderTwelve", "somebody under twelve");
    public static readonly Sentence WhoOverSixty = new("check.whoOverSixty", "somebody over sixty");
    public static readonly Sentence WhoNew = new("check.whoNew", "somebody new to the game");
    public static readonly Sentence WhoComesBack = new("check.whoComesBack", "somebody who is coming back");
    public static readonly Sentence NoTarget = new(
        "check.noTarget",
        "The shot changes, but nothing says what it is aimed at or what counts."
    );
    public static readonly Sentence ClubNotThere = new("check.clubNotThere", "The {0} is not in the bag.");
    public static readonly Sentence ThingNotThere = new("check.thingNotThere", "Neither the student nor the place has a {0}.");
    public static readonly Sentence TargetNotThere = new("check.targetNotThere", "There is no “{0}” there.");
    public static readonly Sentence WatchTheBall = new("check.watchTheBall", "Watch the ball instead");
    public static readonly Sentence CompetitionDay = new("check.competitionDay", "{0} is played that day: a warm-up is enough.");
    public static readonly Sentence SomeOfSquad = new("check.someOfSquad", "{0}: {1}");
}
