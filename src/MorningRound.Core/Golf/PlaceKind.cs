namespace MorningRound.Core.Golf;

/// <summary>The kinds of ground on which a segment can be done.</summary>
public enum PlaceKind
{
    Range,
    PuttingGreen,
    ChippingGreen,
    Bunker,
    Course,
    Home,
}

/// <summary>What a kind of place means for the count of balls.</summary>
public static class PlaceKinds
{
    /// <summary>Range balls are bought and run out; everywhere else the same balls are used again.</summary>
    public static bool BallsAreBought(this PlaceKind place) => place == PlaceKind.Range;
}
