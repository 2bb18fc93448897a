using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks;

/// <summary>What is said of a week: why a session is on its day, and what a coach would want to know of all of it.</summary>
internal static class WeekSentences
{
    public static readonly Sentence WeekIsOver = new("week.isOver", "The week is over.");
    public static readonly Sentence FirstDay = new("week.firstDay", "{0}: the first day that is left.");
    public static readonly Sentence NotEarlier = new("week.notEarlier", "{0}. Not {1}: {2}.");
    public static readonly Sentence NoDay = new("week.noDay", "Stays on any day. Not {0}: {1}.");
    public static readonly Sentence OtherFirst = new("week.otherFirst", "another session comes first there");
    public static readonly Sentence KeptByAbsence = new("week.keptByAbsence", "away that day");
    public static readonly Sentence KeptByTimes = new("week.keptByTimes", "no time of {0} min at the right ground");
    public static readonly Sentence KeptByTimeTaken = new("week.keptByTimeTaken", "another session has the time");
    public static readonly Sentence KeptByCompetition = new("week.keptByCompetition", "{0} is played");
    public static readonly Sentence KeptByOrder = new("week.keptByOrder", "the stated order");
    public static readonly Sentence KeptByUsualDay = new("week.keptByUsualDay", "usually practises 1 day a week");
    public static readonly Sentence KeptByUsualDays = new("week.keptByUsualDays", "usually practises {0} days a week");
    public static readonly Sentence KeptByMust = new("week.keptByMust", "what must be done goes first");
    public static readonly Sentence KeptByRest = new("week.keptByRest", "a day of rest stays free");
    public static readonly Sentence KeptByHeavy = new("week.keptByHeavy", "two heavy days would stand side by side");
    public static readonly Sentence KeptByDrill = new("week.keptByDrill", "a drill would come again too soon");
    public static readonly Sentence KeptByTaper = new("week.keptByTaper", "short before a competition");

    public static readonly Sentence TooMuchLoad = new(
        "week.tooMuchLoad",
        "With all of it the week's load comes to {0:0.0#} times the mean of the four weeks before; above {1:0.0} is a "
            + "reason to look."
    );
    public static readonly Sentence BusyWeek = new("week.busy", "A busy week: {0:0.0#} times the load of the four weeks before.");
    public static readonly Sentence DrillTwiceADay = new("week.drillTwiceADay", "“{0}” comes twice on {1}.");
    public static readonly Sentence DrillNextDay = new("week.drillNextDay", "“{0}” comes on {1} and again on {2}.");
    public static readonly Sentence LossForgotten = new(
        "week.lossForgotten",
        "Nothing for {0}, where results fall shortest: {1:0} % is missing to the goals."
    );
    public static readonly Sentence RoundsForgotten = new(
        "week.roundsForgotten",
        "Nothing for {0}, where rounds lose most: about {1:0.0} strokes in 18 holes."
    );
    public static readonly Sentence BeliefForgotten = new(
        "week.beliefForgotten",
        "Nothing for {0}, which the student believes is weak."
    );
    public static readonly Sentence SwingWork = new(
        "week.swingWork",
        "“{0}” changes the swing on {1}, and {2} is near: leave it as it is."
    );
    public static readonly Sentence NoTimeOnDay = new(
        "week.noTimeOnDay",
        "“{0}” takes {1} min, and no time on {2} holds that at the right ground."
    );
    public static readonly Sentence MoreThanTimes = new(
        "week.moreThanTimes",
        "{0} min are set, and the times that are left hold {1}."
    );
    public static readonly Sentence OnAbsence = new("week.onAbsence", "“{0}” is on {1}, a day on which the student cannot.");
    public static readonly Sentence NoRestDay = new("week.noRestDay", "No day of rest.");
    public static readonly Sentence HeavyTogether = new("week.heavyTogether", "Two heavy days side by side: {0} and {1}.");
    public static readonly Sentence TooLongBefore = new(
        "week.tooLongBefore",
        "“{0}” takes {1} min on {2}, close before {3}: at most {4} there."
    );
    public static readonly Sentence OutOfOrder = new("week.outOfOrder", "“{0}” comes before “{1}”, which stands first.");

    public static readonly Sentence InTheirUnit = new("week.inTheirUnit", "Its numbers come in {0}.");
    public static readonly Sentence Exchanged = new("week.exchanged", "“{0}” gave way to “{1}”: {2}.");
    public static readonly Sentence NothingInstead = new(
        "week.nothingInstead",
        "“{0}” stays and holds the session back: {1}, and nothing on the shelf does instead."
    );
    public static readonly Sentence LoadsHurt = new("week.loadsHurt", "it loads the {0}, which hurts");
    public static readonly Sentence Lacks = new("week.lacks", "it needs {0}, and there is none");
    public static readonly Sentence Misses = new("week.misses", "{0}");
    public static readonly Sentence RungOfLevel = new(
        "week.rungOfLevel",
        "“{0}” begins at “{1}”, as is usual at the level: {2}."
    );
    public static readonly Sentence RungRaised = new(
        "week.rungRaised",
        "“{0}” goes on to “{1}”: the goal was met {2} times running."
    );
    public static readonly Sentence RungOfLast = new("week.rungOfLast", "“{0}” stays at “{1}”, where the last result was.");
    public static readonly Sentence ClubInstead = new("week.clubInstead", "“{0}”: the {1} for the {2}, which is not in the bag.");
    public static readonly Sentence ClubLeftOut = new("week.clubLeftOut", "“{0}”: without the {1}, which is not in the bag.");

    public static readonly Sentence NextStep = new(
        "week.nextStep",
        "“{0}” could go on to “{1}”: the goal was met {2} times running."
    );
}
