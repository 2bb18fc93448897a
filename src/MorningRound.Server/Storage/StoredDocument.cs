using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using Microsoft.Extensions.Caching.Memory;
using MorningRound.Core.Serialization;
using MorningRound.Core.Units;

namespace MorningRound.Server.Storage;

/// <summary>A step that lifts the content of a document from one version of its format to the next.</summary>
/// <param name="content">The content as it was written, as JSON. May be changed in place.</param>
/// <returns>The content in the next version.</returns>
public delegate JsonNode UpgradeStep(JsonNode content);

/// <summary>
/// A kind of document, and the version of its format. In the database a document lies in an envelope that names the version; an
/// older one is lifted step by step while it is read, a newer one is an error and not a guess. A new optional field needs no new
/// version; a field with another name or meaning does, and a step.
/// </summary>
/// <param name="kind">Its name, which is also that of its file in the corpus of documents.</param>
/// <param name="upgrades">The steps from version 1 on, in order. The version written today is one more than their number.</param>
public sealed class DocumentFormat<T>(string kind, params UpgradeStep[] upgrades)
    where T : class
{
    /// <summary>The name of the kind.</summary>
    public string Kind { get; } = kind;

    /// <summary>The version that is written today.</summary>
    public int Version { get; } = upgrades.Length + 1;

    /// <summary>The document as it is stored.</summary>
    public string Write(T content) => JsonSerializer.Serialize(new Envelope<T>(Version, content), CoreJson.Options);

    /// <summary>
    /// Whether the same text is read again and again: a drill at every look at the shelf, a session at every tap in it. Documents
    /// are immutable, so what was read of such a text lately is given out again, which costs a hundredth of reading it.
    /// </summary>
    public bool IsReadAgain { get; init; }

    /// <summary>Reads a stored document of this or any earlier version.</summary>
    /// <exception cref="NotSupportedException">It was written by a later release.</exception>
    public T Read(string json) => IsReadAgain ? LatelyRead.Get((Kind, json), json.Length, () => ReadAnew(json)) : ReadAnew(json);

    private T ReadAnew(string json)
    {
        // Nearly every document is of today's version, and is read in one go.
        if (VersionOf(json) == Version)
            return JsonSerializer.Deserialize<Envelope<T>>(json, CoreJson.Options)!.Content;
        var stored = JsonSerializer.Deserialize<Envelope<JsonNode>>(json, CoreJson.Options)!;
        if (stored.Version < 1 || stored.Version > Version)
            throw new NotSupportedException($"A stored {Kind} has format {stored.Version}; this release reads up to {Version}.");
        var content = upgrades.Skip(stored.Version - 1).Aggregate(stored.Content, (older, upgrade) => upgrade(older));
        return content.Deserialize<T>(CoreJson.Options)!;
    }

    private static int VersionOf(string json)
    {
        var reader = new Utf8JsonReader(System.Text.Encoding.UTF8.GetBytes(json));
        while (reader.Read())
        {
            if (reader.TokenType != JsonTokenType.PropertyName || reader.CurrentDepth != 1)
                continue;
            var isVersion = reader.ValueTextEquals("version"u8);
            reader.Read();
            if (isVersion)
                return reader.GetInt32();
            reader.Skip();
        }

        throw new JsonException("A stored document names no version.");
    }

    private sealed record Envelope<TContent>(int Version, TContent Content);
}

/// <summary>
/// What was read lately, by its text. Bounded, nothing that another copy of the server would need, and gone a few minutes after
/// the last look at it: what somebody has deleted is not kept here.
/// </summary>
internal static class LatelyRead
{
    /// <summary>So many characters of text; what is made of them takes about four times as many bytes.</summary>
    private const int MostCharacters = 8_000_000;

    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    private static readonly MemoryCache Documents = new(new MemoryCacheOptions { SizeLimit = MostCharacters });

    public static T Get<T>((string Kind, string Text) key, int size, Func<T> read)
        where T : class
    {
        if (Documents.TryGetValue(key, out T? known))
            return known!;
        var anew = read();
        Documents.Set(key, anew, new MemoryCacheEntryOptions { Size = size, SlidingExpiration = Kept });
        return anew;
    }
}

/// <summary>What rows with documents need of the mapping.</summary>
public static class StoredDocuments
{
    /// <summary>Whether two documents say the same, to the letter.</summary>
    public static bool Same<T>(T a, T b) =>
        JsonSerializer.Serialize(a, CoreJson.Options) == JsonSerializer.Serialize(b, CoreJson.Options);

    /// <summary>Maps an immutable document to a <c>jsonb</c> column.</summary>
    public static PropertyBuilder<T> IsDocument<T>(this PropertyBuilder<T> property, DocumentFormat<T> format)
        where T : class
    {
        property.HasColumnType("jsonb");
        property.HasConversion(
            new ValueConverter<T, string>(content => format.Write(content), json => format.Read(json)),
            // Documents are replaced, never changed in place, so the reference tells whether one is new.
            new ValueComparer<T>((a, b) => ReferenceEquals(a, b), d => d.GetHashCode(), d => d)
        );
        return property;
    }
}
