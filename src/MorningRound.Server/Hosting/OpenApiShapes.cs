using System.Globalization;
using System.Text.Json;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Serialization;

namespace MorningRound.Server.Hosting;

/// <summary>What the framework's description of the API needs to be told.</summary>
internal static class OpenApiShapes
{
    public static void Describe(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Morning Round";
                document.Info.Version = ApiVersion.Current.ToString(CultureInfo.InvariantCulture);
                // The address of this server differs from run to run and says nothing about the API.
                document.Servers?.Clear();
                document.AddExtension(
                    "x-beginnings",
                    new JsonNodeExtension(JsonSerializer.SerializeToNode(new ApiBeginnings(), CoreJson.Options)!)
                );
                return Task.CompletedTask;
            }
        );
        options.AddSchemaTransformer(
            (schema, context, _) =>
            {
                Complete(schema, context.JsonTypeInfo.Type, context.JsonPropertyInfo?.IsGetNullable == true);
                return Task.CompletedTask;
            }
        );
    }

    /// <summary>
    /// Types with a converter of our own are described by hand, the kind of a union's member is always there, and whether a
    /// name may be missing is said where it is used, not in the list of names.
    /// </summary>
    private static void Complete(OpenApiSchema schema, Type type, bool isNullableProperty)
    {
        var plain = Nullable.GetUnderlyingType(type) ?? type;
        var canBeNull = plain != type || isNullableProperty;
        if (plain == typeof(string))
            schema.Type = canBeNull ? JsonSchemaType.String | JsonSchemaType.Null : JsonSchemaType.String;
        if (typeof(IEnumerable<string>).IsAssignableFrom(plain))
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.String };
        if (plain == typeof(DateTimeOffset))
        {
            schema.Type = canBeNull ? JsonSchemaType.String | JsonSchemaType.Null : JsonSchemaType.String;
            schema.Format = "date-time";
        }

        if (plain.IsEnum)
        {
            schema.Type = JsonSchemaType.String;
            schema.Enum = [.. schema.Enum?.Where(name => name is not null) ?? []];
        }

        // Parameters of a protocol are always sent whole, and so is a protocol that somebody writes: it begins as one that is.
        if (typeof(ScoringProtocol).IsAssignableFrom(type) && schema.Properties is { } parameters)
            schema.Required = parameters.Keys.ToHashSet();
        if (schema.Properties?.ContainsKey("kind") == true)
            (schema.Required ??= new HashSet<string>()).Add("kind");
    }
}
