namespace MorningRound.Core.Golf;

/// <summary>The kinds of ground on which a segment can be done.</summary>
public enum PlaceKind
{
    /// <summary>A practice range, where balls are bought.</summary>
    Range,

    /// <summary>A putting green.</summary>
    PuttingGreen,

    /// <summary>A green to chip to.</summary>
    ChippingGreen,

    /// <summary>A practice bunker.</summary>
    Bunker,

    /// <summary>A golf course.</summary>
    Course,

    /// <summary>At home.</summary>
    Home,
}

/// <summary>What a kind of place means for the count of balls.</summary>
public static class PlaceKinds
{
    /// <summary>Range balls are bought and run out; everywhere else the same balls are used again.</summary>
    public static bool BallsAreBought(this PlaceKind place) => place == PlaceKind.Range;
}
