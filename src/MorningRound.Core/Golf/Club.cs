namespace MorningRound.Core.Golf;

/// <summary>The clubs a segment can name.</summary>
public enum Club
{
    Driver,
    Wood3,
    Wood5,
    Wood7,
    Hybrid,
    Iron3,
    Iron4,
    Iron5,
    Iron6,
    Iron7,
    Iron8,
    Iron9,
    PitchingWedge,
    GapWedge,
    SandWedge,
    LobWedge,
    Putter,
}

public static class Clubs
{
    /// <summary>A club as it is said: "7 iron", "pitching wedge".</summary>
    public static string InWords(this Club club) => club switch
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
}

/// <summary>Which clubs a drill is for.</summary>
public enum ClubGroup
{
    None,
    Putter,
    Wedges,
    ShortIrons,
    MidIrons,
    LongIronsAndHybrids,
    Woods,
    Driver,
    Any,
}
