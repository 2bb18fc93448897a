namespace MorningRound.Core.Golf;

/// <summary>Things a drill may need. Balls and clubs go without saying.</summary>
public enum Equipment
{
    /// <summary>Alignment sticks.</summary>
    AlignmentSticks,

    /// <summary>Tees.</summary>
    Tees,

    /// <summary>A mirror.</summary>
    Mirror,

    /// <summary>A putting gate.</summary>
    PuttingGate,

    /// <summary>A string stretched along the line of a putt.</summary>
    StringLine,

    /// <summary>Chalk, for lines on the green where that is allowed.</summary>
    Chalk,

    /// <summary>Coins or ball markers.</summary>
    Coins,

    /// <summary>A towel.</summary>
    Towel,

    /// <summary>A head cover.</summary>
    Headcover,

    /// <summary>Foot spray, which shows where a face met the ball.</summary>
    FootSpray,

    /// <summary>A tape measure.</summary>
    TapeMeasure,

    /// <summary>A phone that films.</summary>
    Phone,

    /// <summary>A launch monitor.</summary>
    LaunchMonitor,

    /// <summary>A metronome, or a phone that ticks.</summary>
    Metronome,

    /// <summary>An umbrella, as a target for chips.</summary>
    Umbrella,
}

/// <summary>Things in words.</summary>
public static class EquipmentWords
{
    /// <summary>As it stands in a sentence: "alignment sticks".</summary>
    public static string InWords(this Equipment item) =>
        item == Equipment.StringLine
            ? "string"
            : string.Concat(item.ToString().Select((c, i) => i > 0 && char.IsUpper(c) ? $" {c}" : $"{c}")).ToLowerInvariant();
}
