using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using MorningRound.Core;

namespace MorningRound.Server.Storage;

/// <summary>
/// A document as it lies in the database: the core's own JSON in an envelope that says which version of the format it is, so
/// that a later release can read what an earlier one wrote.
/// </summary>
public sealed record StoredDocument<T>(int Version, T Content);

/// <summary>The version that is written today. Reading a newer one is an error, not a guess.</summary>
public static class StoredDocuments
{
    public const int CurrentVersion = 1;

    public static string Write<T>(T content) =>
        JsonSerializer.Serialize(new StoredDocument<T>(CurrentVersion, content), CoreJson.Options);

    public static T Read<T>(string json)
    {
        var document = JsonSerializer.Deserialize<StoredDocument<T>>(json, CoreJson.Options)!;
        return document.Version == CurrentVersion
            ? document.Content
            : throw new NotSupportedException($"A stored {typeof(T).Name} has format {document.Version}; this release reads {CurrentVersion}.");
    }

    /// <summary>Whether two documents say the same, to the letter.</summary>
    public static bool Same<T>(T a, T b) => JsonSerializer.Serialize(a, CoreJson.Options) == JsonSerializer.Serialize(b, CoreJson.Options);

    /// <summary>Maps an immutable document to a <c>jsonb</c> column.</summary>
    public static PropertyBuilder<T> IsDocument<T>(this PropertyBuilder<T> property)
        where T : class
    {
        property.HasColumnType("jsonb");
        property.HasConversion(
            new ValueConverter<T, string>(content => Write(content), json => Read<T>(json)),
            // Documents are replaced, never changed in place, so the reference tells whether one is new.
            new ValueComparer<T>((a, b) => ReferenceEquals(a, b), d => d.GetHashCode(), d => d));
        return property;
    }
}
