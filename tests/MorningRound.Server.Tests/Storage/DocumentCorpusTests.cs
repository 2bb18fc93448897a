using System.Reflection;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using MorningRound.Server.Storage;
using MorningRound.Server.Tests.Demo;
using Npgsql;

namespace MorningRound.Server.Tests.Storage;

/// <summary>
/// Documents as every release stored them, in <c>tests/fixtures/documents/v*/</c>: whatever changes, they can be read. Files of
/// an older version are never changed; with UPDATE_FIXTURES=1 a kind that has none of today's version gets one from the demo.
/// </summary>
public class DocumentCorpusTests(OneDemo demo) : IClassFixture<OneDemo>
{
    /// <summary>A kind of document, today's version, and how one of it is read and written again.</summary>
    private sealed record StoredKind(string Kind, int Version, Func<string, string> ReadAndWrite);

    private static readonly IReadOnlyList<StoredKind> Kinds = FindKinds();

    public static TheoryData<string, int> Versions()
    {
        var data = new TheoryData<string, int>();
        foreach (var kind in Kinds)
        {
            for (var version = 1; version <= kind.Version; version++)
                data.Add(kind.Kind, version);
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Versions))]
    public async Task Every_version_of_every_kind_can_be_read(string kind, int version)
    {
        var format = Kinds.Single(k => k.Kind == kind);
        var path = Path.Combine(Repository.Root, "tests", "fixtures", "documents", $"v{version}", $"{kind}.json");
        if (!File.Exists(path) && version == format.Version && Environment.GetEnvironmentVariable("UPDATE_FIXTURES") == "1")
            await WriteFromDemoAsync(kind, path);
        Assert.True(File.Exists(path), $"No documents of {kind} in version {version}; UPDATE_FIXTURES=1 takes some of today's.");

        var documents = JsonNode.Parse(await File.ReadAllTextAsync(path, TestContext.Current.CancellationToken))!.AsArray();
        Assert.NotEmpty(documents);
        foreach (var document in documents)
        {
            var written = JsonNode.Parse(format.ReadAndWrite(document!.ToJsonString()))!;
            Assert.Equal(format.Version, written["version"]!.GetValue<int>());
            // A document of today's version says afterwards at least what it said before.
            if (version == format.Version)
                AssertKept(document, written, kind);
        }
    }

    [Fact]
    public void The_corpus_names_no_kind_that_nobody_stores() =>
        Assert.All(
            Directory.EnumerateFiles(
                Path.Combine(Repository.Root, "tests", "fixtures", "documents"),
                "*.json",
                SearchOption.AllDirectories
            ),
            file => Assert.Contains(Kinds, k => k.Kind == Path.GetFileNameWithoutExtension(file))
        );

    private static void AssertKept(JsonNode before, JsonNode? after, string path)
    {
        switch (before)
        {
            case JsonObject members:
                foreach (var (name, value) in members.Where(m => m.Value is not null))
                    AssertKept(value!, (after as JsonObject)?[name], $"{path}.{name}");
                break;
            case JsonArray elements:
                Assert.True(after is JsonArray same && same.Count == elements.Count, $"{path} has other elements.");
                for (var i = 0; i < elements.Count; i++)
                    AssertKept(elements[i]!, after![i], $"{path}[{i}]");
                break;
            default:
                Assert.True(
                    JsonNode.DeepEquals(before, after),
                    $"{path} was {before}, and is {after?.ToJsonString() ?? "gone"}."
                );
                break;
        }
    }

    /// <summary>Of the demo's documents of a kind, from the shortest on, each that has a sort of part not seen before.</summary>
    private async Task WriteFromDemoAsync(string kind, string path)
    {
        var sources = new Dictionary<string, string>
        {
            ["place"] = "SELECT document FROM places",
            ["course"] = "SELECT document FROM courses",
            ["round"] = "SELECT document FROM rounds",
            ["plan"] = "SELECT document FROM plans",
            ["programme"] = "SELECT document FROM programmes",
            ["plan-listing"] = "SELECT listing FROM plans",
            ["student-file"] = "SELECT document FROM student_files",
            ["session-listing"] = "SELECT listing FROM assignments",
            ["session-notes"] = "SELECT notes FROM assignments",
            ["session-figures"] = "SELECT figures FROM assignments WHERE figures IS NOT NULL",
            ["published-drills"] = "SELECT drills FROM published_sessions",
            ["plan-trim"] = "SELECT trim FROM published_sessions",
            ["session-log"] = "SELECT log FROM session_logs",
            ["pain-notes"] = "SELECT pain FROM session_logs WHERE pain IS NOT NULL",
            ["session-entry"] = "SELECT document FROM session_entries",
            ["drill"] = "SELECT document FROM drills",
            ["kept-result"] = "SELECT document FROM drill_results",
            ["standing"] = "SELECT document FROM student_standings",
            ["week-change"] = "SELECT change FROM suggestion_decisions WHERE change IS NOT NULL",
        };
        await using var connection = new NpgsqlConnection(demo.Server.Connection);
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
#pragma warning disable CA2100 // The statements stand above.
        command.CommandText = $"SELECT d::text FROM ({sources[kind]}) AS all_of_them(d) ORDER BY length(d::text), d::text";
#pragma warning restore CA2100
        var seen = new HashSet<string>();
        var chosen = new JsonArray();
        await using (var reader = await command.ExecuteReaderAsync())
        {
            while (await reader.ReadAsync())
            {
                // Times are kept to the microsecond, as the database keeps them.
                var document = JsonNode.Parse(Regex.Replace(reader.GetString(0), @"(\.\d{6})\dZ", "$1Z"))!;
                if (PartsOf(document).Except(seen).ToList() is { Count: > 0 } news)
                {
                    seen.UnionWith(news);
                    chosen.Add(document);
                }
            }
        }

        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        await File.WriteAllTextAsync(path, chosen.ToJsonString() + "\n");
    }

    /// <summary>What parts a document has: the names of its members, and what stands under <c>kind</c> anywhere.</summary>
    private static IEnumerable<string> PartsOf(JsonNode? node) =>
        node switch
        {
            JsonObject members => members.SelectMany(m =>
                PartsOf(m.Value)
                    .Append(m.Value is null ? "" : m.Key)
                    .Append(m is { Key: "kind", Value: JsonValue value } ? $"kind {value}" : "")
            ),
            JsonArray elements => elements.SelectMany(PartsOf),
            _ => [],
        };

    private static List<StoredKind> FindKinds() =>
        [
            .. typeof(DocumentFormat<>)
                .Assembly.GetTypes()
                .SelectMany(t => t.GetProperties(BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic))
                .Where(p =>
                    p.PropertyType is { IsGenericType: true } t && t.GetGenericTypeDefinition() == typeof(DocumentFormat<>)
                )
                .Select(p => KindOf((dynamic)p.GetValue(null)!))
                .Cast<StoredKind>()
                .OrderBy(k => k.Kind, StringComparer.Ordinal),
        ];

    private static StoredKind KindOf<T>(DocumentFormat<T> format)
        where T : class => new(format.Kind, format.Version, json => format.Write(format.Read(json)));
}
