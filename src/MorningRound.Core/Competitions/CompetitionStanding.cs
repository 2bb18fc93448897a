using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Competitions;

/// <summary>How far off a competition is, and what its greens mean for practice until then.</summary>
public static class CompetitionStanding
{
    /// <summary>How far off it is, in a few words.</summary>
    public static Message InWords(Competition competition, DateOnly today) =>
        (competition.FirstDay.DayNumber - today.DayNumber, today.DayNumber - competition.LastDay.DayNumber) switch
        {
            (> 1 and var days, _) => CompetitionSentences.Ahead.Of(days),
            (1, _) => CompetitionSentences.Tomorrow.Of(),
            (0, _) when competition.FirstDay == competition.LastDay => CompetitionSentences.Today.Of(),
            (_, 1) => CompetitionSentences.OverYesterday.Of(),
            (_, > 1 and var ago) => CompetitionSentences.Over.Of(ago),
            var (begins, _) => CompetitionSentences.Under.Of(
                1 - begins,
                competition.LastDay.DayNumber - competition.FirstDay.DayNumber + 1
            ),
        };

    /// <summary>What the speed of its greens says about putting for pace at home; null where home was not measured.</summary>
    /// <param name="competition">The competition.</param>
    /// <param name="homeFeet">The speed of the putting green at home, in feet; null where nobody measured it.</param>
    public static Message? Greens(Competition competition, double? homeFeet) =>
        competition.GreenSpeedFeet is not { } there ? CompetitionSentences.GreensUnknown.Of()
        : homeFeet is not { } home ? null
        : (
            Math.Abs(there - home) > GroundRules.GreenFeet ? CompetitionSentences.GreensDiffer : CompetitionSentences.GreensAlike
        ).Of(there, home);
}
