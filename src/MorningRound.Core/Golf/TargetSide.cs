namespace MorningRound.Core.Golf;

public enum TargetSide
{
    Left,
    Right,
}
