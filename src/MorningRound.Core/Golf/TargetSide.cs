namespace MorningRound.Core.Golf;

/// <summary>A side of the target, as the player sees it.</summary>
public enum TargetSide
{
    /// <summary>Left.</summary>
    Left,

    /// <summary>Right.</summary>
    Right,
}
