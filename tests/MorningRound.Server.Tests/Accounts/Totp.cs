using System.Buffers.Binary;
using System.Security.Cryptography;

namespace MorningRound.Server.Tests.Accounts;

/// <summary>
/// Codes as an authenticator app shows them: RFC 6238 (TOTP, HMAC-SHA-1, steps of 30 seconds) on RFC 4226, with the key as
/// RFC 4648 base 32.
/// </summary>
internal static class Totp
{
    public static string Code(string base32Key, DateTimeOffset at, int digits = 6) => Code(FromBase32(base32Key), at, digits);

    public static string Code(byte[] key, DateTimeOffset at, int digits)
    {
        var counter = new byte[8];
        BinaryPrimitives.WriteInt64BigEndian(counter, at.ToUnixTimeSeconds() / 30);
#pragma warning disable CA5350 // SHA-1 is what the standard's default is and what every app computes; keyed, it is not broken.
        var hash = HMACSHA1.HashData(key, counter);
#pragma warning restore CA5350
        var number = BinaryPrimitives.ReadInt32BigEndian(hash.AsSpan(hash[^1] & 0xF)) & int.MaxValue;
        return (number % (long)Math.Pow(10, digits)).ToString($"D{digits}", System.Globalization.CultureInfo.InvariantCulture);
    }

    private static byte[] FromBase32(string text)
    {
        var (bits, count, bytes) = (0, 0, new List<byte>());
        foreach (var letter in text.Replace(" ", "", StringComparison.Ordinal).TrimEnd('='))
        {
            bits = (bits << 5) | "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567".IndexOf(letter, StringComparison.Ordinal);
            count += 5;
            if (count < 8)
                continue;
            bytes.Add((byte)(bits >> (count - 8)));
            count -= 8;
            bits &= (1 << count) - 1;
        }

        return [.. bytes];
    }
}
