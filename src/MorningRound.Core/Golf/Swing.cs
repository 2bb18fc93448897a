namespace MorningRound.Core.Golf;

/// <summary>How far the club goes back.</summary>
public enum SwingSize
{
    /// <summary>A putting stroke.</summary>
    Putt,

    /// <summary>The length of a chip.</summary>
    Chip,

    /// <summary>Half a swing.</summary>
    Half,

    /// <summary>Three quarters of a swing.</summary>
    ThreeQuarter,

    /// <summary>A full swing.</summary>
    Full,
}

/// <summary>The lengths of swing that a wedge grid has numbers for: the lead arm's hour, or full.</summary>
public enum SwingLength
{
    /// <summary>The lead arm to half past seven.</summary>
    HalfPastSeven,

    /// <summary>The lead arm to nine o'clock.</summary>
    Nine,

    /// <summary>The lead arm to ten o'clock.</summary>
    Ten,

    /// <summary>A full swing.</summary>
    Full,
}

/// <summary>Lengths of swing as words.</summary>
public static class SwingLengths
{
    /// <summary>As a coach says it: "9:00".</summary>
    public static string InWords(this SwingLength swing) =>
        swing switch
        {
            SwingLength.HalfPastSeven => "7:30",
            SwingLength.Nine => "9:00",
            SwingLength.Ten => "10:00",
            _ => "full",
        };
}
