using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;

namespace MorningRound.Core.Serialization;

/// <summary>JSON schemas of the open files, made from the types that read them.</summary>
public static class FileSchemas
{
    /// <summary>The schema of a file type, in the dialect of JSON Schema 2020-12.</summary>
    public static string Of<T>(string title)
    {
        var schema = CoreJson
            .Options.GetJsonSchemaAsNode(typeof(T), new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true })
            .AsObject();
        var titled = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = title };
        foreach (var (name, node) in schema.ToList())
        {
            schema.Remove(name);
            titled[name] = node;
        }

        return titled.ToJsonString(new JsonSerializerOptions { WriteIndented = true }) + "\n";
    }
}
