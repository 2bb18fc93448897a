using MorningRound.Core.Golf;

namespace MorningRound.Core.Plans;

/// <summary>Stretches, counted, each with the parts it moves.</summary>
public static class Stretches
{
    /// <summary>In the order in which they matter; with how long each takes. The counts are the product's own.</summary>
    private static readonly (string Text, int Seconds, BodyPart[] Parts)[] All =
    [
        ("wrists 4 in and 4 out", 20, [BodyPart.WristOrHand]),
        ("arm circles small 4 and big 6, both ways", 35, [BodyPart.Shoulder]),
        ("turns with a club across the chest 8, the feet still", 40, [BodyPart.UpperBack, BodyPart.LowerBack]),
        ("side bends 4 a side", 30, [BodyPart.LowerBack, BodyPart.UpperBack]),
        ("hip circles 6 each way", 25, [BodyPart.Hip]),
        ("bend forward 4, for the back of the legs", 30, [BodyPart.LowerBack, BodyPart.Knee]),
        ("forearms 6 each way", 20, [BodyPart.Elbow, BodyPart.WristOrHand]),
        ("turn the head 4 each way", 20, [BodyPart.Neck]),
        ("knee lifts 8 a side", 25, [BodyPart.Knee, BodyPart.Hip]),
        ("ankle circles 6 each way", 25, [BodyPart.AnkleOrFoot]),
    ];

    /// <summary>
    /// As many as the minutes hold, those left out that move a part which hurts. Where nothing is left, an easy walk.
    /// </summary>
    public static string InWords(int minutes, IReadOnlyList<HurtPart> hurt)
    {
        var left = Math.Max(1, minutes) * 60;
        var chosen = new List<string>();
        foreach (var (text, seconds, parts) in All)
        {
            if (seconds > left || hurt.Any(h => parts.Contains(h.Part)))
                continue;
            left -= seconds;
            chosen.Add(text);
        }

        if (chosen.Count == 0)
            return "Walk easily until you are warm; leave out whatever hurts.";
        var all = string.Join("; ", chosen);
        var spared =
            hurt.Count == 0
                ? ""
                : $" Nothing for the {string.Join(" and the ", hurt.Select(h => BodyParts.InWords(h.Part, h.Side)))}.";
        return $"{char.ToUpperInvariant(all[0])}{all[1..]}.{spared}";
    }
}
