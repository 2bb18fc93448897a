namespace MorningRound.Core.Golf;

/// <summary>The clubs a segment can name.</summary>
public enum Club
{
    /// <summary>The driver.</summary>
    Driver,

    /// <summary>The 3 wood.</summary>
    Wood3,

    /// <summary>The 5 wood.</summary>
    Wood5,

    /// <summary>The 7 wood.</summary>
    Wood7,

    /// <summary>A hybrid.</summary>
    Hybrid,

    /// <summary>The 3 iron.</summary>
    Iron3,

    /// <summary>The 4 iron.</summary>
    Iron4,

    /// <summary>The 5 iron.</summary>
    Iron5,

    /// <summary>The 6 iron.</summary>
    Iron6,

    /// <summary>The 7 iron.</summary>
    Iron7,

    /// <summary>The 8 iron.</summary>
    Iron8,

    /// <summary>The 9 iron.</summary>
    Iron9,

    /// <summary>The pitching wedge.</summary>
    PitchingWedge,

    /// <summary>The gap wedge.</summary>
    GapWedge,

    /// <summary>The sand wedge.</summary>
    SandWedge,

    /// <summary>The lob wedge.</summary>
    LobWedge,

    /// <summary>The putter.</summary>
    Putter,
}

/// <summary>Clubs as words.</summary>
public static class Clubs
{
    /// <summary>A club as it is said: "7 iron", "pitching wedge".</summary>
    public static string InWords(this Club club) =>
        club switch
        {
            Club.Driver => "driver",
            Club.Hybrid => "hybrid",
            Club.PitchingWedge => "pitching wedge",
            Club.GapWedge => "gap wedge",
            Club.SandWedge => "sand wedge",
            Club.LobWedge => "lob wedge",
            Club.Putter => "putter",
            <= Club.Wood7 => $"{club.ToString()[^1]} wood",
            _ => $"{club.ToString()[^1]} iron",
        };

    /// <summary>The group that all of the clubs are of; any where they are of several, or where none is named.</summary>
    public static ClubGroup GroupOf(IReadOnlyCollection<Club> clubs)
    {
        var groups = clubs.Select(GroupOf).Distinct().Take(2).ToList();
        return groups.Count == 1 ? groups[0] : ClubGroup.Any;
    }

    private static ClubGroup GroupOf(Club club) =>
        club switch
        {
            Club.Putter => ClubGroup.Putter,
            Club.Driver => ClubGroup.Driver,
            Club.PitchingWedge or Club.GapWedge or Club.SandWedge or Club.LobWedge => ClubGroup.Wedges,
            Club.Iron9 or Club.Iron8 => ClubGroup.ShortIrons,
            Club.Iron7 or Club.Iron6 or Club.Iron5 => ClubGroup.MidIrons,
            Club.Hybrid or Club.Iron4 or Club.Iron3 => ClubGroup.LongIronsAndHybrids,
            _ => ClubGroup.Woods,
        };
}

/// <summary>Which clubs a drill is for.</summary>
public enum ClubGroup
{
    /// <summary>No club at all.</summary>
    None,

    /// <summary>The putter.</summary>
    Putter,

    /// <summary>Pitching to lob wedge.</summary>
    Wedges,

    /// <summary>8 and 9 iron.</summary>
    ShortIrons,

    /// <summary>5 to 7 iron.</summary>
    MidIrons,

    /// <summary>3 and 4 iron, and hybrids.</summary>
    LongIronsAndHybrids,

    /// <summary>Fairway woods.</summary>
    Woods,

    /// <summary>Fairway woods and hybrids.</summary>
    WoodsAndHybrids,

    /// <summary>The driver.</summary>
    Driver,

    /// <summary>Any club.</summary>
    Any,
}
