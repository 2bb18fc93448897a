using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Everything a drill says of its result, and of the results before it.</summary>
internal static class DrillSentences
{
    public static readonly Sentence NothingAttempted = new("result.nothing", "Nothing attempted.");
    public static readonly Sentence DoesNotFit = new(
        "result.doesNotFit",
        "What was recorded does not fit this drill. It is kept as it is."
    );

    public static readonly Sentence Rate = new("result.rate", "{0}.");
    public static readonly Sentence MeanRating = new("result.meanRating", "Mean {0:0.00} of {1}, lowest {2}.");
    public static readonly Sentence MeanRatingAndCauses = new(
        "result.meanRatingAndCauses",
        "Mean {0:0.00} of {1}, lowest {2}. What helped: {3}."
    );
    public static readonly Sentence CauseTimes = new("result.causeTimes", "{0} {1}×");
    public static readonly Sentence TargetAndShape = new("result.targetAndShape", "Target {0}. Shape {1}.");
    public static readonly Sentence Cells = new("result.cells", "{0} of {1} cells hit with {2}.");
    public static readonly Sentence CellsAltered = new(
        "result.cellsAltered",
        "{0} of {1} cells hit with {2}, {3} of them altered to fit."
    );
    public static readonly Sentence RateByDistance = new("result.rateByDistance", "{0}. {1}.");
    public static readonly Sentence HoledFrom = new("result.holedFrom", "{0} {1}: {2}");
    public static readonly Sentence NoGuess = new("result.noGuess", "No guess has been checked yet.");
    public static readonly Sentence Guesses = new("result.guesses", "{0}");
    public static readonly Sentence NoBias = new("result.noBias", "No clear bias in {0}: {1} of {2} within tolerance.");
    public static readonly Sentence Bias = new("result.bias", "{0} by {1:0.0} {2}: {3} of {4} within tolerance.");
    public static readonly Sentence AndWrongSide = new("result.andWrongSide", "{0} On the wrong side {1}×.");
    public static readonly Sentence TooFewToAim = new("result.tooFewToAim", "Too few balls to say where it goes today.");
    public static readonly Sentence MeanInBand = new("result.meanInBand", "Mean {0:0.0;−0.0}{1}; in the band {2}.");
    public static readonly Sentence MeanFromStart = new(
        "result.meanFromStart",
        "Mean {0:0.0;−0.0}{1}, from {2:0.0;−0.0} at the start; in the band {3}."
    );
    public static readonly Sentence LevelPar = new("result.levelPar", "Level par after {0}.");
    public static readonly Sentence UnderPar = new("result.underPar", "{0} under par after {1}.");
    public static readonly Sentence OverPar = new("result.overPar", "{0} over par after {1}.");
    public static readonly Sentence SavedLevel = new("result.savedLevel", "{0} of {1} saved, level par.");
    public static readonly Sentence SavedUnder = new("result.savedUnder", "{0} of {1} saved, {2} under par.");
    public static readonly Sentence SavedOver = new("result.savedOver", "{0} of {1} saved, {2} over par.");
    public static readonly Sentence Levels = new(
        "result.levels",
        "{0} of {1} levels passed; {2:0.0} ft from the hole on average."
    );
    public static readonly Sentence Behaved = new(
        "result.behaved",
        "{0} of {1} holed; behaved as intended {2:0.0} of 10 on average."
    );
    public static readonly Sentence NoStep = new("result.noStep", "No step passed, in {0}.");
    public static readonly Sentence NoStepLeft = new(
        "result.noStepLeft",
        "No step passed, in {0}; {1:0.0} {2} left for the second putt on average."
    );
    public static readonly Sentence Furthest = new("result.furthest", "Furthest step passed {0} {1}, in {2}.");
    public static readonly Sentence FurthestLeft = new(
        "result.furthestLeft",
        "Furthest step passed {0} {1}, in {2}; {3:0.0} {1} left for the second putt on average."
    );
    public static readonly Sentence StreakDone = new("result.streakDone", "{0} in a row, after {1}.");
    public static readonly Sentence BestRun = new("result.bestRun", "Best run {0} of {1} asked, in {2}.");
    public static readonly Sentence Steps = new("result.steps", "{0} of {1} steps.");
    public static readonly Sentence RateAndMisses = new("result.rateAndMisses", "{0}. Most often out: {1}.");
    public static readonly Sentence TooLow = new("result.tooLow", "{0}: {1} too low {2}×");
    public static readonly Sentence TooHigh = new("result.tooHigh", "{0}: {1} too high {2}×");
    public static readonly Sentence TooFarLeft = new("result.tooFarLeft", "{0}: {1} too far left {2}×");
    public static readonly Sentence TooFarRight = new("result.tooFarRight", "{0}: {1} too far right {2}×");
    public static readonly Sentence TooShort = new("result.tooShort", "{0}: {1} too short {2}×");
    public static readonly Sentence TooLong = new("result.tooLong", "{0}: {1} too long {2}×");
    public static readonly Sentence SetsCleared = new("result.setsCleared", "{0} cleared of {1} used; {2} inside.");

    public static readonly Sentence NothingSteady = new(
        "aim.nothingSteady",
        "Nothing steady to correct. Aim where you always aim."
    );
    public static readonly Sentence AimGoes = new(
        "aim.goes",
        "Today it goes {0} {1} {2} at {3}: aim {4}. Five more, only to verify."
    );
    public static readonly Sentence AimHolds = new("aim.holds", "It holds. Today’s aim at {1}: {0}.");
    public static readonly Sentence AimMore = new("aim.more", "With that it goes {0} {1} {2}. Today’s aim at {4}: {3}.");
    public static readonly Sentence AimTakenBack = new(
        "aim.takenBack",
        "With that it goes {0} {1} {2}, and the two take each other back. Aim where you always aim."
    );
    public static readonly Sentence AimScattered = new(
        "aim.scattered",
        "The second five are too far apart to say. Aim where you always aim."
    );
    public static readonly Sentence AimTooFar = new(
        "aim.tooFar",
        "That is more than the aim. Leave it for today, and show your coach."
    );
    public static readonly Sentence AimBy = new("aim.by", "{0} {1} {2} ({3})");
    public static readonly Sentence AimWith = new("aim.with", "{0} {1} with the {2}");
    public static readonly Sentence AimDegrees = new("aim.degrees", "{0:0.0}°");

    public static readonly Sentence FirstTime = new(
        "before.firstTime",
        "The first time with these numbers: nothing to compare it with yet."
    );
    public static readonly Sentence LastTime = new("before.lastTime", "{0} last time: {1}{2}.");
    public static readonly Sentence LastTimes = new("before.lastTimes", "{0} the last {1} times, newest first: {2}{3}.");
    public static readonly Sentence BetterThanThat = new("before.betterThanThat", "Better than that this time.");
    public static readonly Sentence BetterThanEach = new("before.betterThanEach", "Better than each of them this time.");
    public static readonly Sentence WorseThanThat = new("before.worseThanThat", "Not as good as that this time.");
    public static readonly Sentence WorseThanEach = new("before.worseThanEach", "Not as good as each of them this time.");
    public static readonly Sentence Same = new("before.same", "The same again.");
    public static readonly Sentence InRange = new("before.inRange", "In the range of the times before.");
    public static readonly Sentence MoreThanChance = new(
        "before.moreThanChance",
        "More than {0} of {1} before, by more than chance would."
    );
    public static readonly Sentence FewerThanChance = new(
        "before.fewerThanChance",
        "Fewer than {0} of {1} before, by more than chance would."
    );
    public static readonly Sentence NoClearDifference = new(
        "before.noClearDifference",
        "No clear difference from {0} of {1} before: so few balls go up and down by themselves."
    );
    public static readonly Sentence ThenVerdict = new("before.thenVerdict", "{0} {1}");

    // Approach shots.
    public static readonly Sentence ApproachesGained = new(
        "approaches.gained",
        "{0} {1:0.00} strokes a shot over {2}: {3} on the green, {4:0.0} {5} from the target on average."
    );
    public static readonly Sentence Gained = new("approaches.gains", "Gained");
    public static readonly Sentence Lost = new("approaches.loses", "Lost");
    public static readonly Sentence NoShot = new("approaches.none", "No shot was measured.");

    public static readonly Counted Balls = new(new("count.ball", "{0} ball"), new("count.balls", "{0} balls"));
    public static readonly Counted Putts = new(new("count.putt", "{0} putt"), new("count.putts", "{0} putts"));
    public static readonly Counted Climbs = new(new("count.climb", "{0} climb"), new("count.climbs", "{0} climbs"));
    public static readonly Counted Attempts = new(new("count.attempt", "{0} attempt"), new("count.attempts", "{0} attempts"));
    public static readonly Counted Sets = new(new("count.set", "{0} set"), new("count.sets", "{0} sets"));
    public static readonly Counted Repetitions = new(
        new("count.repetition", "{0} repetition"),
        new("count.repetitions", "{0} repetitions")
    );
}

/// <summary>Something counted in the line of a result: "1 ball", "20 balls".</summary>
internal sealed record Counted(Sentence One, Sentence Many)
{
    public Message Of(int n) => (n == 1 ? One : Many).Of(n);
}
