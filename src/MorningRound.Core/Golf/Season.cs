namespace MorningRound.Core.Golf;

/// <summary>Where in the year a student stands, which decides how much technique a session bears.</summary>
public enum Season
{
    OffSeason,
    PreSeason,
    InSeason,
    CompetitionWeek,
}
