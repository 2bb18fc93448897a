using System.Text.Json;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Serialization;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Tests;

public class CoreJsonTests
{
    private const string Pause = """{"minutes":5,"title":"Water","id":"00000001-0000-0000-0000-000000000000","kind":"pause"}""";

    private static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, CoreJson.Options)!;

    [Fact]
    public void A_segment_is_read_even_when_its_kind_comes_last() =>
        Assert.Equal(5, Assert.IsType<Pause>(Read<Segment>(Pause)).Minutes);

    [Theory]
    [InlineData("""{"id":"00000001-0000-0000-0000-000000000000","title":"Water"}""")] // minutes missing
    [InlineData("""{"kind":"nap","id":"00000001-0000-0000-0000-000000000000","title":"Water","minutes":5}""")]
    [InlineData("""{"kind":"pause","id":"00000001-0000-0000-0000-000000000000","title":"Wa\u0000ter","minutes":5}""")]
    [InlineData("""{"kind":"pause","id":"00000001-0000-0000-0000-000000000000","title":null,"minutes":5}""")]
    [InlineData("""{"kind":"pause","id":"00000001-0000-0000-0000-000000000000","title":"Water","minutes":"5"}""")]
    [InlineData("""{"kind":"pause","id":"00000001-0000-0000-0000-000000000000","title":"Water","minutes":5.5}""")]
    public void Broken_segments_are_refused(string json) =>
        Assert.True(Record.Exception(() => Read<Segment>(json)) is JsonException or NotSupportedException);

    [Fact]
    public void Names_of_phases_are_written_out_and_numbers_are_not_taken_for_them()
    {
        Assert.Equal("\"onCourse\"", JsonSerializer.Serialize(Phase.OnCourse, CoreJson.Options));
        Assert.Throws<JsonException>(() => Read<Phase>("2"));
    }

    [Fact]
    public void An_instant_is_kept_in_utc_to_the_microsecond()
    {
        var entry = Read<SessionEntry>("""{"kind":"stopped","sequence":1,"at":"2026-05-05T11:00:00.1234567+02:00"}""");
        Assert.Equal(TimeSpan.Zero, entry.At.Offset);
        Assert.Equal(new DateTimeOffset(2026, 5, 5, 9, 0, 0, TimeSpan.Zero).AddMicroseconds(123456), entry.At);
        Assert.Throws<JsonException>(() => Read<SessionEntry>("""{"kind":"stopped","sequence":1,"at":"2026-02-31T11:00:00Z"}"""));
    }
}
