using System.Collections;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Units;

namespace MorningRound.Core.Serialization;

/// <summary>How the core's types are written as JSON, on the wire and in storage alike.</summary>
public static class CoreJson
{
    /// <summary>
    /// The deepest nesting that is read or written. A plan with drills needs a dozen levels, the API's description of one about
    /// thirty.
    /// </summary>
    public const int MaxDepth = 48;

    /// <summary>Ready-made options for storage and tests. Immutable.</summary>
    public static JsonSerializerOptions Options { get; } = Made();

    /// <summary>
    /// The longest list that is read from outside. No honest one comes near it; what a list may hold in earnest is its own rule.
    /// </summary>
    public const int LongestListFromOutside = 1000;

    /// <summary>
    /// The same shape for what comes from outside: lists have an end, so that no call costs more than it is worth.
    /// </summary>
    public static void ApplyToOutside(JsonSerializerOptions options)
    {
        Apply(options);
        options.TypeInfoResolver = options.TypeInfoResolver!.WithAddedModifier(RefuseLongLists);
    }

    /// <summary>Sets the options of another serializer, such as the web framework's, to the same shape.</summary>
    public static void Apply(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.PropertyNameCaseInsensitive = false;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.MaxDepth = MaxDepth;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        // The database reorders the keys of a stored document, so a type's name is not first when it is read back.
        options.AllowOutOfOrderMetadataProperties = true;
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver()
            .WithAddedModifier(LeaveOutWhatIsWorkedOut)
            .WithAddedModifier(RefuseGaps);
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        options.Converters.Add(new CleanTextConverter());
        options.Converters.Add(new UtcInstantConverter());
    }

    /// <summary>
    /// A protocol is written as its parameters and nothing else. What it works out from them (its title, its measures) is said
    /// by virtual members, on which the serializer's own attribute for that is not inherited.
    /// </summary>
    private static void LeaveOutWhatIsWorkedOut(JsonTypeInfo type)
    {
        if (!typeof(ScoringProtocol).IsAssignableFrom(type.Type))
            return;
        foreach (var workedOut in type.Properties.Where(p => p.Set is null).ToList())
            type.Properties.Remove(workedOut);
    }

    /// <summary>
    /// The serializer checks properties for null, but not what stands inside lists, and it takes a number too large to be held
    /// for infinity.
    /// </summary>
    private static void RefuseGaps(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        // Numbers and names of states cannot be missing, so only lists of objects and texts are looked through.
        var lists = type
            .Properties.Where(p =>
                p.Get is not null && p.PropertyType.IsGenericType && typeof(IEnumerable).IsAssignableFrom(p.PropertyType)
            )
            .Where(p => p.PropertyType.GetGenericArguments() is [{ IsValueType: false }])
            .Select(p => (p.Name, Get: p.Get!))
            .ToArray();
        var numbers = type
            .Properties.Where(p =>
                p.Get is not null && (Nullable.GetUnderlyingType(p.PropertyType) ?? p.PropertyType) == typeof(double)
            )
            .Select(p => (p.Name, Get: p.Get!))
            .ToArray();
        if (lists.Length + numbers.Length == 0)
            return;
        type.OnDeserialized = read =>
        {
            foreach (var (name, get) in numbers)
            {
                if (get(read) is double number && !double.IsFinite(number))
                    throw new JsonException($"The number '{name}' is too large.");
            }

            foreach (var (name, get) in lists)
            {
                if (get(read) is not IList items)
                    continue;
                for (var i = 0; i < items.Count; i++)
                {
                    if (items[i] is null)
                        throw new JsonException($"The list '{name}' has a gap.");
                }
            }
        };
    }

    private static void RefuseLongLists(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        var lists = type
            .Properties.Where(p =>
                p.Get is not null && p.PropertyType != typeof(string) && typeof(IEnumerable).IsAssignableFrom(p.PropertyType)
            )
            .Select(p => (p.Name, Get: p.Get!))
            .ToArray();
        if (lists.Length == 0)
            return;
        var before = type.OnDeserialized;
        type.OnDeserialized = read =>
        {
            before?.Invoke(read);
            foreach (var (name, get) in lists)
            {
                if (get(read) is ICollection { Count: > LongestListFromOutside })
                    throw new JsonException($"The list '{name}' is too long.");
            }
        };
    }

    private static JsonSerializerOptions Made()
    {
        var options = new JsonSerializerOptions();
        Apply(options);
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }

    /// <summary>Text without NUL characters, which no database column for text can hold.</summary>
    private sealed class CleanTextConverter : JsonConverter<string>
    {
        public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            if (reader.TokenType != JsonTokenType.String)
                throw new JsonException("Expected text.");
            var text = reader.GetString();
            return text is not null && text.Contains('\0') ? throw new JsonException("The text holds a NUL character.") : text;
        }

        public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value);

        public override string ReadAsPropertyName(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.GetString()!;

        public override void WriteAsPropertyName(Utf8JsonWriter writer, string value, JsonSerializerOptions options) =>
            writer.WritePropertyName(value);
    }

    /// <summary>
    /// Instants are taken with any offset and kept in UTC, to the microsecond, which is what the database keeps.
    /// </summary>
    private sealed class UtcInstantConverter : JsonConverter<DateTimeOffset>
    {
        public override DateTimeOffset Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            if (reader.TokenType != JsonTokenType.String || !reader.TryGetDateTimeOffset(out var at))
                throw new JsonException("Expected a date and time such as 2026-05-04T09:30:00Z.");
            var ticks = at.UtcTicks;
            return new DateTimeOffset(ticks - (ticks % TimeSpan.TicksPerMicrosecond), TimeSpan.Zero);
        }

        public override void Write(Utf8JsonWriter writer, DateTimeOffset value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value.UtcDateTime);
    }
}
