using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>What is said of where a student goes. No sentence without its doubt.</summary>
internal static class ProgressSentences
{
    public static readonly Sentence OneResult = new(
        "progress.oneResult",
        "One comparable result so far: too few to say where it goes."
    );
    public static readonly Sentence NoResult = new(
        "progress.noResult",
        "Only from lessons so far, with the coach beside: nothing to judge by."
    );
    public static readonly Sentence TooFewResults = new(
        "progress.tooFewResults",
        "{0} comparable results so far: too few to say where it goes."
    );
    public static readonly Sentence NotClear = new(
        "progress.notClear",
        "No clear change yet, by {0} comparable results: about {1} more would show it, if it goes on like this."
    );
    public static readonly Sentence NotClearOneMore = new(
        "progress.notClearOneMore",
        "No clear change yet, by {0} comparable results: about one more would show it, if it goes on like this."
    );
    public static readonly Sentence NotClearSoon = new(
        "progress.notClearSoon",
        "No clear change yet, by {0} comparable results, and none to be seen soon."
    );
    public static readonly Sentence Rising = new(
        "progress.rising",
        "Rising{0}: about {1}{2} a week, somewhere from {3} to {4}, by {5} comparable results."
    );
    public static readonly Sentence Falling = new(
        "progress.falling",
        "Falling{0}: about {1}{2} a week, somewhere from {3} to {4}, by {5} comparable results."
    );
    public static readonly Sentence WhichIsBetter = new("progress.whichIsBetter", ", which is better");
    public static readonly Sentence WhichIsWorse = new("progress.whichIsWorse", ", which is worse");
    public static readonly Sentence NeitherWay = new("progress.neitherWay", "");
    public static readonly Sentence Best = new(
        "progress.best",
        "Best: {0}{1} from {2} attempts, the best of {3} comparable results."
    );

    public static readonly Sentence BesideOneSide = new("progress.besideOneSide", "Nothing to set beside it.");
    public static readonly Sentence BesideChanged = new(
        "progress.besideChanged",
        "What was done changed in between: the two cannot be set beside each other."
    );
    public static readonly Sentence BesideNoDoubt = new(
        "progress.besideNoDoubt",
        "From {0} to {1}. How sure that is, two single figures cannot tell."
    );
    public static readonly Sentence BesideNotClear = new(
        "progress.besideNotClear",
        "From {0} to {1}: no clear change. It may be {2} down, or {3} up."
    );
    public static readonly Sentence BesideBetter = new(
        "progress.besideBetter",
        "From {0} to {1}: better, by somewhere from {2} to {3}."
    );
    public static readonly Sentence BesideWorse = new(
        "progress.besideWorse",
        "From {0} to {1}: worse, by somewhere from {2} to {3}."
    );
    public static readonly Sentence BesideDifferent = new(
        "progress.besideDifferent",
        "From {0} to {1}: it changed, by somewhere from {2} to {3}."
    );

    public static readonly Sentence GoalNotMeasured = new(
        "progress.goalNotMeasured",
        "Nothing has been measured for this goal yet."
    );
    public static readonly Sentence GoalFew = new("progress.goalFew", "Now {0}: only {1} in all, too few to judge it by.");
    public static readonly Sentence GoalMetSurely = new(
        "progress.goalMetSurely",
        "Now {0}, and all of that lies in the band: the goal is met."
    );
    public static readonly Sentence GoalMet = new("progress.goalMet", "Now {0}: in the band, though it may still lie outside.");
    public static readonly Sentence GoalNear = new(
        "progress.goalNear",
        "Now {0}: {1} from the band, though it may be there already."
    );
    public static readonly Sentence GoalAway = new("progress.goalAway", "Now {0}: {1} from the band.");
    public static readonly Sentence GoalOverdue = new("progress.goalOverdue", "{0} Past due date.");
    public static readonly Sentence ForecastIn = new(
        "progress.forecastIn",
        "As it goes, the band is reached in about {0} weeks, somewhere from {1} to {2}."
    );
    public static readonly Sentence ForecastFrom = new(
        "progress.forecastFrom",
        "As it goes, the band is reached in about {0} weeks, and not before {1}."
    );
    public static readonly Sentence ForecastAway = new("progress.forecastAway", "As it goes, it moves away from the band.");
    public static readonly Sentence ChangedTowards = new(
        "progress.changedTowards",
        "Clear change towards the goal since the start: {0}{1} (likely {2} to {3})."
    );
    public static readonly Sentence ChangedAway = new(
        "progress.changedAway",
        "Clear change away from the goal since the start: {0}{1} (likely {2} to {3})."
    );
    public static readonly Sentence Changed = new(
        "progress.changed",
        "Clear change since the start: {0}{1} (likely {2} to {3})."
    );
    public static readonly Sentence NotChanged = new(
        "progress.notChanged",
        "No clear change since the start yet ({0} to {1}{2})."
    );
    public static readonly Sentence ForecastUnsteady = new(
        "progress.forecastUnsteady",
        "No forecast yet: the results are too uneven."
    );
    public static readonly Sentence ForecastNone = new("progress.forecastNone", "When it is there cannot be said: {0}");
    public static readonly Sentence InTime = new("progress.inTime", "{0} That is in time for the day that was set.");
    public static readonly Sentence TooLate = new("progress.tooLate", "{0} That is after the day that was set.");
    public static readonly Sentence PerhapsInTime = new("progress.perhapsInTime", "{0} The day that was set lies within that.");
    public static readonly Sentence ValueAndDoubt = new("progress.valueAndDoubt", "{0}{1}, somewhere from {2} to {3}");
    public static readonly Sentence ValueAlone = new("progress.valueAlone", "{0}{1}, how surely is not known");
    public static readonly Sentence Attempts = new("progress.attempts", "{0} attempts");
    public static readonly Sentence OneAttempt = new("progress.oneAttempt", "one attempt");

    public static readonly Sentence RepetitionsNone = new(
        "progress.repetitionsNone",
        "None of the {0} repetitions asked are counted yet."
    );
    public static readonly Sentence RepetitionsDone = new(
        "progress.repetitionsDone",
        "{0} repetitions with a ball are counted, {1} slow and {2} ordinary: the {3} asked are done."
    );
    public static readonly Sentence RepetitionsLeft = new(
        "progress.repetitionsLeft",
        "{0} of {1} repetitions with a ball, {2} slow and {3} ordinary. {4}"
    );
    public static readonly Sentence RepetitionsWeeks = new(
        "progress.repetitionsWeeks",
        "At about {0} a week the rest takes some {1} weeks, somewhere from {2} to {3}."
    );
    public static readonly Sentence RepetitionsWeeksAtLeast = new(
        "progress.repetitionsWeeksAtLeast",
        "At about {0} a week the rest takes some {1} weeks; the weeks differ so much that it may be {2} or many more."
    );
    public static readonly Sentence RepetitionsTooEarly = new(
        "progress.repetitionsTooEarly",
        "How long the rest takes can be said after {0} weeks."
    );
    public static readonly Sentence RepetitionsStopped = new(
        "progress.repetitionsStopped",
        "None in the last {0} weeks, so that no end can be foreseen."
    );

    public static readonly Sentence CarriesOver = new(
        "progress.carriesOver",
        "{0} of {1} in block, {2} of {3} {4}: it carries over, as far as can be told "
            + "(the difference lies from {5} to {6} points)."
    );
    public static readonly Sentence LosesOnTheWay = new(
        "progress.losesOnTheWay",
        "{0} of {1} in block, only {2} of {3} {4}: {5} to {6} points are lost on the way."
    );
    public static readonly Sentence BetterWhenItCounts = new(
        "progress.betterWhenItCounts",
        "{0} of {1} in block and {2} of {3} {4}: {5} to {6} points better where the shot changes."
    );
    public static readonly Sentence CarryOverOpen = new(
        "progress.carryOverOpen",
        "{0} of {1} in block, {2} of {3} {4}: too few to tell (the difference lies from {5} to {6} points)."
    );
    public static readonly Sentence InRandom = new("progress.inRandom", "in random");
    public static readonly Sentence OnHoles = new("progress.onHoles", "on holes");

    public static readonly Sentence HonestyFew = new(
        "progress.honestyFew",
        "{0} sessions with a rating and a result so far; from {1} on it can be said how well they go together."
    );
    public static readonly Sentence HonestyFlat = new(
        "progress.honestyFlat",
        "All {0} sessions were rated alike, so that rating and result cannot be compared."
    );
    public static readonly Sentence HonestyTogether = new(
        "progress.honestyTogether",
        "Sessions that are rated better have better results, by {0} sessions (rank correlation {1}, somewhere from {2} to {3})."
    );
    public static readonly Sentence HonestyAgainst = new(
        "progress.honestyAgainst",
        "Sessions that are rated better have worse results, by {0} sessions (rank correlation {1}, somewhere from {2} to {3}): "
            + "worth talking about."
    );
    public static readonly Sentence HonestyOpen = new(
        "progress.honestyOpen",
        "Ratings and results do not clearly go together, by {0} sessions (rank correlation {1}, somewhere from {2} to {3})."
    );

    public static readonly Sentence RatingFew = new(
        "progress.ratingFew",
        "Too few ratings to set these four weeks beside the eight before."
    );
    public static readonly Sentence RatingUp = new(
        "progress.ratingUp",
        "{0} in these four weeks, {1} in the eight before: higher by {2} to {3}."
    );
    public static readonly Sentence RatingDown = new(
        "progress.ratingDown",
        "{0} in these four weeks, {1} in the eight before: lower by {2} to {3}."
    );
    public static readonly Sentence RatingSame = new(
        "progress.ratingSame",
        "{0} in these four weeks, {1} in the eight before: no clear change (from {2} to {3})."
    );

    public static readonly Sentence BelievedAndMeasured = new(
        "progress.believedAndMeasured",
        "{0} is believed weak, and {1} says so too."
    );
    public static readonly Sentence BelievedNotMeasured = new(
        "progress.believedNotMeasured",
        "{0} is believed weak; {1} points to {2} instead."
    );
    public static readonly Sentence BelievedAlone = new(
        "progress.believedAlone",
        "{0} is believed weak; nothing measured speaks for or against it yet."
    );
    public static readonly Sentence MeasuredAlone = new(
        "progress.measuredAlone",
        "{0} is not believed weak, but {1} points to it."
    );
    public static readonly Sentence ShareBelow = new(
        "progress.shareBelow",
        "{0}: {1:0} % of the minutes after warm-ups, {2:0} to {3:0} asked, less than that."
    );
    public static readonly Sentence ShareAbove = new(
        "progress.shareAbove",
        "{0}: {1:0} % of the minutes after warm-ups, {2:0} to {3:0} asked, more than that."
    );
    public static readonly Sentence ShareWithin = new(
        "progress.shareWithin",
        "{0}: {1:0} % of the minutes after warm-ups, {2:0} to {3:0} asked, as it should be."
    );
    public static readonly Sentence LostBesideMinutes = new(
        "progress.lostBesideMinutes",
        "{0}: about {1:0.0} strokes lost in 18 holes, by {2} rounds; {3:0} % of the minutes after warm-ups went into {4}."
    );
    public static readonly Sentence ByCompetition = new("progress.byCompetition", "what did not hold at {0}");
    public static readonly Sentence ByResults = new(
        "progress.byResults",
        "what drills gave ({0:0} % missing to the goals, {1} results)"
    );
    public static readonly Sentence ByRounds = new(
        "progress.byRounds",
        "what rounds lose (about {0:0.0} strokes in 18 holes, {1} rounds)"
    );

    public static readonly Sentence MissFew = new("progress.missFew", "{0} misses noted so far: too few for a pattern.");
    public static readonly Sentence MissOneSide = new("progress.missOneSide", "{0} of {1} misses are {2}: {3} to {4} % of them.");
    public static readonly Sentence MissNoSide = new(
        "progress.missNoSide",
        "{0} of {1} misses are {2}, which may well be chance ({3} to {4} %)."
    );
    public static readonly Sentence MissWidth = new(
        "progress.missWidth",
        "{0} spreads by about {1:0.0}{2} either way, by {3} balls."
    );
    public static readonly Sentence RoutineHelps = new(
        "progress.routineHelps",
        "With the routine {0} of {1}, without {2} of {3}: {4} to {5} points more with it."
    );
    public static readonly Sentence RoutineHurts = new(
        "progress.routineHurts",
        "With the routine {0} of {1}, without {2} of {3}: {4} to {5} points fewer with it."
    );
    public static readonly Sentence RoutineOpen = new(
        "progress.routineOpen",
        "With the routine {0} of {1}, without {2} of {3}: no clear difference (from {4} to {5} points)."
    );
}
