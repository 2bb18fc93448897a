using MorningRound.Core.Golf;

namespace MorningRound.Core.Students;

/// <summary>Works out a student's season.</summary>
public static class Seasons
{
    private const int CompetitionWeekDays = 6;
    private const int InSeasonDays = 28;
    private const int PreSeasonDays = 84;

    /// <summary>
    /// The season on a day: the coach's own word where there is one, otherwise from the nearest competition not yet over. The
    /// six days before a competition to its last day are competition week, within 28 days is in season, 29 to 84 days before
    /// is pre-season. The days are the product's own defaults.
    /// </summary>
    public static Season On(DateOnly day, StudentFile file)
    {
        if (file.Coach.Season is { } said)
            return said;
        var ahead = file.Own.Competitions.Where(c => c.LastDay >= day).Select(c => c.FirstDay.DayNumber - day.DayNumber).ToList();
        if (ahead.Count == 0)
            return Season.OffSeason;
        return ahead.Min() switch
        {
            <= CompetitionWeekDays => Season.CompetitionWeek,
            <= InSeasonDays => Season.InSeason,
            <= PreSeasonDays => Season.PreSeason,
            _ => Season.OffSeason,
        };
    }
}
