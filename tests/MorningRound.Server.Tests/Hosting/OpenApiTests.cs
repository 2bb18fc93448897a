using System.Text.Json.Nodes;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Hosting;

public class OpenApiTests
{
    [Fact]
    public async Task The_description_the_client_was_made_from_is_the_one_the_server_gives()
    {
        await using var server = await TestServer.NewAsync();
        var served = (await server.NewBrowser().GetAsync("/openapi/v1.json")).Body;
        var kept = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(Repository.Root, "web/src/api/openapi.json")));
        Assert.True(
            JsonNode.DeepEquals(served, kept),
            "The API has changed. Run scripts/generate-client and commit what it writes."
        );
    }

    [Fact]
    public async Task Numbers_are_numbers_and_the_kinds_of_a_segment_can_be_told_apart()
    {
        await using var server = await TestServer.NewAsync();
        var schemas = (await server.NewBrowser().GetAsync("/openapi/v1.json")).Body!["components"]!["schemas"]!;
        Assert.Equal("integer", schemas["SegmentPause"]!["properties"]!["minutes"]!["type"]!.GetValue<string>());
        Assert.Equal("kind", schemas["Segment"]!["discriminator"]!["propertyName"]!.GetValue<string>());
        Assert.Contains("kind", schemas["SegmentPracticeSegment"]!["required"]!.AsArray().Select(r => r!.GetValue<string>()));
        Assert.Contains("kind", schemas["SessionEntryClockStopped"]!["required"]!.AsArray().Select(r => r!.GetValue<string>()));
    }
}
