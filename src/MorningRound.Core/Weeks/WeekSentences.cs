using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks;

/// <summary>What is said of a week: why a session is on its day, and what a coach would want to know of all of it.</summary>
internal static class WeekSentences
{
    public static readonly Sentence WeekIsOver = new("week.isOver", "The week is over.");
    public static readonly Sentence FirstDay = new("week.firstDay", "{0}: the first day that is left.");
    public static readonly Sentence NotEarlier = new("week.notEarlier", "{0}. Not {1}: {2}.");
    public static readonly Sentence NoDay = new("week.noDay", "Stays on any day. Not {0}: {1}.");
    public static readonly Sentence OtherFirst = new("week.otherFirst", "as good there, but another one stands before it");
    public static readonly Sentence KeptByAbsence = new("week.keptByAbsence", "away that day");
    public static readonly Sentence KeptByTimes = new("week.keptByTimes", "no time of {0} min at the right ground");
    public static readonly Sentence KeptByTimeTaken = new("week.keptByTimeTaken", "another session has the time");
    public static readonly Sentence KeptByCompetition = new("week.keptByCompetition", "{0} is played");
    public static readonly Sentence KeptByOrder = new("week.keptByOrder", "the stated order");
    public static readonly Sentence KeptByMust = new("week.keptByMust", "what must be done goes first");
    public static readonly Sentence KeptByRest = new("week.keptByRest", "a day of rest stays free");
    public static readonly Sentence KeptByHeavy = new("week.keptByHeavy", "two heavy days would stand side by side");
    public static readonly Sentence KeptByDrill = new("week.keptByDrill", "a drill would come again too soon");
    public static readonly Sentence KeptByTaper = new("week.keptByTaper", "short before a competition");
}
