using System.Text.Json;
using System.Text.Json.Serialization;
using MorningRound.Core.Units;

namespace MorningRound.Core.Canonical;

/// <summary>
/// One text for each value, to compare values by, to make keys from and to measure them. It is not a format of storage or of the
/// wire, and does not change when those do: kept keys would lose their meaning.
/// </summary>
internal static class CanonicalText
{
    private static readonly JsonSerializerOptions Options = new()
    {
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        // What a protocol works out from its parameters (its title, its measures) is no part of it.
        IgnoreReadOnlyProperties = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
    };

    /// <summary>The text of a value; equal for equal values.</summary>
    public static string Of<T>(T value) => JsonSerializer.Serialize(value, Options);

    /// <summary>The length of a value's text in bytes of UTF-8.</summary>
    public static int LengthOf<T>(T value) => JsonSerializer.SerializeToUtf8Bytes(value, Options).Length;
}
