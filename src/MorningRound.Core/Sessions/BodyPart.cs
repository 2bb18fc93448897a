namespace MorningRound.Core.Sessions;

/// <summary>Where it can hurt.</summary>
public enum BodyPart
{
    Neck,
    Shoulder,
    Elbow,
    WristOrHand,
    UpperBack,
    LowerBack,
    Hip,
    Knee,
    AnkleOrFoot,
}

/// <summary>The lead side is the one nearer the target: the left of a right-handed player.</summary>
public enum BodySide
{
    Lead,
    Trail,
}

public static class BodyParts
{
    /// <summary>Whether there is one on the lead and one on the trail side.</summary>
    public static bool IsPaired(this BodyPart part) =>
        part is not (BodyPart.Neck or BodyPart.UpperBack or BodyPart.LowerBack);
}
