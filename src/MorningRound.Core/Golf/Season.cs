namespace MorningRound.Core.Golf;

/// <summary>Where in the year a student stands, which decides how much technique a session bears.</summary>
public enum Season
{
    /// <summary>No competition near.</summary>
    OffSeason,

    /// <summary>A competition in the coming months.</summary>
    PreSeason,

    /// <summary>A competition in the coming weeks.</summary>
    InSeason,

    /// <summary>The days before and of a competition.</summary>
    CompetitionWeek,
}
