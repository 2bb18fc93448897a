using System.Text.Json.Nodes;
using MorningRound.Core.Plans;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Storage;

public class StoredDocumentTests
{
    private static readonly DocumentFormat<SessionPlan> Format = new("plan");
    private static readonly SessionPlan Plan = new()
    {
        Title = "Kept",
        Segments =
        [
            new Pause
            {
                Id = Guid.CreateVersion7(),
                Title = "Water",
                Minutes = 3,
            },
        ],
    };

    [Fact]
    public void A_document_says_its_format_and_comes_back()
    {
        var text = Format.Write(Plan);
        Assert.Contains("\"version\":1", text, StringComparison.Ordinal);
        Assert.Equal(3, Assert.IsType<Pause>(Format.Read(text).Segments[0]).Minutes);
    }

    [Fact]
    public void What_is_read_again_is_the_same_document_and_another_text_is_another()
    {
        var again = new DocumentFormat<SessionPlan>("plan") { IsReadAgain = true };
        var (text, other) = (again.Write(Plan), again.Write(Plan with { Title = "Another" }));
        Assert.Same(again.Read(text), again.Read(new string(text)));
        Assert.Equal(("Kept", "Another"), (again.Read(text).Title, again.Read(other).Title));
        Assert.NotSame(Format.Read(text), Format.Read(text));
    }

    [Fact]
    public void A_document_of_a_later_release_is_refused_instead_of_guessed_at()
    {
        var later = Format.Write(Plan).Replace("\"version\":1", "\"version\":2", StringComparison.Ordinal);
        Assert.Throws<NotSupportedException>(() => Format.Read(later));
    }

    [Fact]
    public void A_document_of_an_earlier_release_is_lifted_step_by_step()
    {
        // A made-up history: first the title was called "name", then it gained a full stop.
        var later = new DocumentFormat<SessionPlan>("plan", Renamed, WithFullStop);
        Assert.Equal(3, later.Version);
        var first = Format.Write(Plan).Replace("\"title\":\"Kept\"", "\"name\":\"Kept\"", StringComparison.Ordinal);
        Assert.Equal("Kept.", later.Read(first).Title);
        var second = Format.Write(Plan).Replace("\"version\":1", "\"version\":2", StringComparison.Ordinal);
        Assert.Equal("Kept.", later.Read(second).Title);
        Assert.Equal("Kept", later.Read(later.Write(Plan)).Title);

        static JsonNode Renamed(JsonNode content)
        {
            content["title"] = content["name"]!.DeepClone();
            content.AsObject().Remove("name");
            return content;
        }

        static JsonNode WithFullStop(JsonNode content)
        {
            content["title"] = content["title"]!.GetValue<string>() + ".";
            return content;
        }
    }

    [Fact]
    public void A_document_is_read_though_the_database_reordered_its_keys() =>
        Assert.Equal("Kept", Format.Read("""{"content":{"segments":[],"title":"Kept"},"version":1}""").Title);
}
