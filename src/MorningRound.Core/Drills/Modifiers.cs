using MorningRound.Core.Golf;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Drills;

/// <summary>Which hands hold the club.</summary>
public enum HandsOnClub
{
    /// <summary>Both hands.</summary>
    Both,

    /// <summary>The lead hand alone.</summary>
    LeadOnly,

    /// <summary>The trail hand alone.</summary>
    TrailOnly,
}

/// <summary>How the player stands.</summary>
public enum Stance
{
    /// <summary>As usual.</summary>
    Normal,

    /// <summary>With the feet together.</summary>
    FeetTogether,

    /// <summary>On the lead foot alone.</summary>
    LeadFootOnly,

    /// <summary>On the trail foot alone.</summary>
    TrailFootOnly,
}

/// <summary>What can be laid over any drill. A modified result is not comparable with a plain one.</summary>
public sealed record Modifiers
{
    /// <summary>Nothing laid over.</summary>
    public static readonly Modifiers None = new();

    /// <summary>The hands on the club.</summary>
    public HandsOnClub Hands { get; init; } = HandsOnClub.Both;

    /// <summary>How the player stands.</summary>
    public Stance Stance { get; init; } = Stance.Normal;

    /// <summary>None leaves the drill's own.</summary>
    public SwingSize? Swing { get; init; }

    /// <summary>In percent, 10 to 100; 100 leaves it as it is.</summary>
    public int EffortPercent { get; init; } = 100;

    /// <summary>Whether the drill's aid (stick, gate, mirror) is left away.</summary>
    public bool WithoutAid { get; init; }

    /// <summary>Whether nothing is laid over.</summary>
    public bool IsPlain => this == None;

    /// <summary>What is changed, in words; empty when nothing is.</summary>
    public string InWords()
    {
        string[] parts =
        [
            Hands switch
            {
                HandsOnClub.LeadOnly => "lead hand only",
                HandsOnClub.TrailOnly => "trail hand only",
                _ => "",
            },
            Stance switch
            {
                Stance.FeetTogether => "feet together",
                Stance.LeadFootOnly => "on the lead foot only",
                Stance.TrailFootOnly => "on the trail foot only",
                _ => "",
            },
            Swing switch
            {
                SwingSize.Putt => "putting stroke",
                SwingSize.Chip => "chip-length swing",
                SwingSize.Half => "half swing",
                SwingSize.ThreeQuarter => "three-quarter swing",
                SwingSize.Full => "full swing",
                _ => "",
            },
            EffortPercent == 100 ? "" : $"at {EffortPercent} % effort",
            WithoutAid ? "without the aid" : "",
        ];
        return string.Join(", ", parts.Where(p => p.Length > 0));
    }

    /// <summary>Everything wrong, added under the path.</summary>
    public void Check(FieldErrors errors, string path) =>
        errors.RequireIn(EffortPercent, FieldRanges.EffortPercent, $"{path}.effortPercent", "percent");
}
