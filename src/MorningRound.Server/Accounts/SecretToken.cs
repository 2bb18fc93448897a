using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace MorningRound.Server.Accounts;

/// <summary>A secret that stands in an address. Only a hash of it is kept.</summary>
internal static class SecretToken
{
    /// <summary>A new one: 192 random bits, as they can stand in an address.</summary>
    public static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(24));

    /// <summary>What is kept of it.</summary>
    public static string Hash(string token) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}
