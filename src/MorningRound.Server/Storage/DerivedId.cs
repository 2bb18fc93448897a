using System.Security.Cryptography;
using System.Text;

namespace MorningRound.Server.Storage;

/// <summary>
/// Ids of rows that the server makes: each follows from what the row is for, so that a call that is repeated finds its own work
/// done instead of doing it again.
/// </summary>
internal static class DerivedId
{
    /// <summary>The id of what a text names, which begins with the kind of thing. The same text gives the same id.</summary>
    public static Guid Of(string text) => new(SHA256.HashData(Encoding.UTF8.GetBytes(text)).AsSpan(0, 16));
}
