namespace MorningRound.Server.Hosting;

/// <summary>The version of what the server says to its clients.</summary>
internal static class ApiVersion
{
    /// <summary>
    /// One more whenever an answer changes so that a client of the release before would misread one that it kept: a field with
    /// another name or meaning, not a new one. Clients drop what they kept in another version.
    /// </summary>
    public const int Current = 4;
}
