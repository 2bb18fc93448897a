namespace MorningRound.Core.Students;

/// <summary>A player's own numbers, as far as a drill can leave them to the player.</summary>
/// <param name="WedgeGrid">The carries of the wedges; empty where none were measured.</param>
public sealed record PlayerNumbers(IReadOnlyList<WedgeNumber> WedgeGrid);
