namespace MorningRound.Core.Golf;

/// <summary>Things a drill may need. Balls and clubs go without saying.</summary>
public enum Equipment
{
    AlignmentSticks,
    Tees,
    Mirror,
    PuttingGate,
    StringLine,
    Chalk,
    Coins,
    Towel,
    Headcover,
    FootSpray,
    TapeMeasure,
    Phone,
    LaunchMonitor,
    Metronome,
    Umbrella,
}
