using MorningRound.Core.Validation;

namespace MorningRound.Core.Golf;

/// <summary>Where it can hurt.</summary>
public enum BodyPart
{
    /// <summary>The neck.</summary>
    Neck,

    /// <summary>A shoulder.</summary>
    Shoulder,

    /// <summary>An elbow.</summary>
    Elbow,

    /// <summary>A wrist or hand.</summary>
    WristOrHand,

    /// <summary>The upper back.</summary>
    UpperBack,

    /// <summary>The lower back.</summary>
    LowerBack,

    /// <summary>A hip.</summary>
    Hip,

    /// <summary>A knee.</summary>
    Knee,

    /// <summary>An ankle or foot.</summary>
    AnkleOrFoot,

    /// <summary>None of those; the student says where.</summary>
    AnotherPart,
}

/// <summary>The lead side is the one nearer the target: the left of a right-handed player.</summary>
public enum BodySide
{
    /// <summary>The side nearer the target.</summary>
    Lead,

    /// <summary>The side away from the target.</summary>
    Trail,
}

/// <summary>How much a movement asks of a part of the body.</summary>
public enum LoadWeight
{
    /// <summary>So much that a part that is only a little sore is spared.</summary>
    Heavy,

    /// <summary>Little: spared only where the part really hurts.</summary>
    Light,
}

/// <summary>What is known of the parts of the body.</summary>
public static class BodyParts
{
    /// <summary>Whether there is one on the lead and one on the trail side.</summary>
    public static bool IsPaired(this BodyPart part) =>
        part is not (BodyPart.Neck or BodyPart.UpperBack or BodyPart.LowerBack or BodyPart.AnotherPart);

    /// <summary>Paired parts need a side, the others have none.</summary>
    public static FieldErrors RequireSide(this FieldErrors errors, BodyPart part, BodySide? side, string path) =>
        errors.Require(
            part.IsPaired() == side.HasValue,
            path,
            part.IsPaired() ? "Say whether it is the lead or the trail side." : "This part has no lead or trail side."
        );

    /// <summary>A part as it is said: "trail wrist or hand".</summary>
    public static string InWords(BodyPart part, BodySide? side)
    {
        var name = part switch
        {
            BodyPart.WristOrHand => "wrist or hand",
            BodyPart.UpperBack => "upper back",
            BodyPart.LowerBack => "lower back",
            BodyPart.AnkleOrFoot => "ankle or foot",
            BodyPart.AnotherPart => "another part",
            _ => part.ToString().ToLowerInvariant(),
        };
        return side switch
        {
            BodySide.Lead => $"lead {name}",
            BodySide.Trail => $"trail {name}",
            _ => name,
        };
    }
}

/// <summary>A part of the body that hurts and that nobody has cleared.</summary>
/// <param name="Part">The part.</param>
/// <param name="Side">Its side; null for a part without sides.</param>
/// <param name="Mild">Below 4 of 10 and never sharp: only what loads it heavily is left out.</param>
public sealed record HurtPart(BodyPart Part, BodySide? Side, bool Mild = false)
{
    /// <summary>Whether a load of this weight on the part is too much.</summary>
    public bool Forbids(LoadWeight weight) => !Mild || weight == LoadWeight.Heavy;
}
