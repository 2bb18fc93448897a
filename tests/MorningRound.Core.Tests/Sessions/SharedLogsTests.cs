using System.Text.Json;
using MorningRound.Core.Serialization;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>
/// Logs of every sort with what they add up to, worked out independently from the definitions. The phone's walker reads the
/// same file in its own tests, so the two cannot drift apart.
/// </summary>
public class SharedLogsTests
{
    private sealed record Expected(int? Balls, SegmentOutcome? Outcome, int Seconds);

    private sealed record SharedLog(IReadOnlyList<SessionEntry> Entries, Dictionary<Guid, Expected> Segments);

    private static List<SharedLog> Read() =>
        JsonSerializer.Deserialize<List<SharedLog>>(
            File.ReadAllText(Repository.File("tests/fixtures/session-logs.json")),
            CoreJson.Options
        )!;

    [Fact]
    public void Every_shared_log_adds_up_as_worked_out()
    {
        var logs = Read();
        Assert.Equal(40, logs.Count);
        foreach (var (entries, segments) in logs)
        {
            var read = SessionLog
                .From(entries)
                .Segments.ToDictionary(s => s.SegmentId, s => new Expected(s.Balls, s.Outcome, (int)s.Spent.TotalSeconds));
            Assert.Equal(segments.OrderBy(s => s.Key), read.OrderBy(s => s.Key));
        }
    }
}
