namespace MorningRound.Core.Golf;

/// <summary>How far the club goes back.</summary>
public enum SwingSize
{
    Putt,
    Chip,
    Half,
    ThreeQuarter,
    Full,
}

/// <summary>The lengths of swing that a wedge grid has numbers for: the lead arm's hour, or full.</summary>
public enum SwingLength
{
    HalfPastSeven,
    Nine,
    Ten,
    Full,
}
