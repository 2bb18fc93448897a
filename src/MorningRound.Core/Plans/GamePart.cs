using MorningRound.Core.Golf;

namespace MorningRound.Core.Plans;

/// <summary>The parts of the game between which a session climbs separately.</summary>
internal enum GamePart
{
    Putting,
    ShortGame,
    LongGame,
}

/// <summary>Finds the part of the game that a segment works on.</summary>
internal static class GameParts
{
    /// <summary>
    /// The part, from the segment's own area or its drill's; null for body and mind and where no area is named.
    /// </summary>
    public static GamePart? Part(this PracticeSegment segment) =>
        segment.EffectiveArea switch
        {
            Area.Putting => GamePart.Putting,
            Area.Chip or Area.Pitch or Area.Bunker or Area.Wedge => GamePart.ShortGame,
            Area.Iron or Area.Wood or Area.Driver => GamePart.LongGame,
            _ => null,
        };
}
