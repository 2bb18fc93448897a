namespace MorningRound.Demo;

/// <summary>
/// Ids that are the same whenever the demo is laid out: what a session calls, and so what is answered, follows from its id.
/// Accounts and the academy have others each time, so that no phone takes a new demo for the one it knew.
/// </summary>
internal sealed class DemoIds
{
    private int _made;

    /// <summary>The next id, in order after all before it.</summary>
    public Guid Next() => new(++_made, 0, 0x7000, [0x80, 0, 0, 0, 0, 0, 0, 0]);
}
