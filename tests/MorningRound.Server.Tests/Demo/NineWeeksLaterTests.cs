using System.Net;
using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Review;

namespace MorningRound.Server.Tests.Demo;

/// <summary>A server with a demo that nobody touched for nine weeks.</summary>
public sealed class OldDemo : IAsyncLifetime
{
    public TestServer Server { get; private set; } = null!;

    public Browser Coach { get; private set; } = null!;

    public IReadOnlyList<Guid> Students { get; private set; } = [];

    public async ValueTask InitializeAsync()
    {
        Server = await TestServer.NewAsync(isDemo: true);
        // The day is set by the first who asks for it; from there on the clock goes forward.
        await DemoTests.SignInAsync(Server, "coach");
        Server.RealClock.Forward(TimeSpan.FromDays(63));
        Coach = await DemoTests.SignInAsync(Server, "coach");
        var session = await NineWeeksLaterTests.ReadAsync(Coach, "/api/accounts/session");
        Assert.Equal("2026-07-08", session!["person"]!["today"]!.GetValue<string>());
        var rows = (await NineWeeksLaterTests.ReadAsync(Coach, "/api/review/tee-line"))!["rows"]!.AsArray();
        Students = [.. rows.Select(row => row!["student"]!["id"]!.GetValue<Guid>())];
    }

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}

/// <summary>
/// The demo, left alone for nine weeks. Nobody practised, and nothing was written: whatever a screen says of a day was kept
/// before and has to be read against the new one.
/// </summary>
public sealed class NineWeeksLaterTests(OldDemo demo) : IClassFixture<OldDemo>
{
    /// <summary>The week it is then, and the one before: the demo plays in the week of 4 May.</summary>
    private const string ThisWeek = "2026-W28";

    private const string LastWeek = "2026-W27";

    private readonly TestServer _server = demo.Server;
    private readonly Browser _coach = demo.Coach;
    private readonly IReadOnlyList<Guid> _students = demo.Students;

    internal static async Task<JsonNode?> ReadAsync(Browser browser, string path)
    {
        var answer = await browser.GetAsync(path);
        Assert.True(answer.Status == HttpStatusCode.OK, $"{path}: {answer.Status} {answer.Body}");
        return answer.Body;
    }

    [Fact]
    public async Task The_tee_line_says_nothing_of_what_was_recent_nine_weeks_ago()
    {
        var rows = (await ReadAsync(_coach, "/api/review/tee-line"))!["rows"]!.AsArray();
        Assert.True(rows.Count >= 8);
        // Load, missed sessions, goals met, standstills, effort, notes and what was taken out all look back nine weeks at most.
        string[] lasting = ["pain", "lightPain", "nothingSet", "unanswered"];
        foreach (var row in rows)
        {
            var reasons = row!["attention"]!["reasons"]!.AsArray().Select(r => r!["reason"]!.GetValue<string>()).ToList();
            Assert.Empty(reasons.Except(lasting));
            Assert.Contains("nothingSet", reasons);
        }
    }

    [Fact]
    public async Task What_is_kept_reads_as_what_is_worked_out_anew()
    {
        List<string> screens =
        [
            "/api/review/tee-line",
            "/api/review/goals",
            .. _students.SelectMany(id =>
                new[] { $"/api/review/students/{id}", $"/api/review/stops/{id}", $"/api/progress/{id}" }
            ),
        ];
        var before = await ReadAllAsync(screens);
        await using (var scope = _server.Services.CreateAsyncScope())
            await scope.ServiceProvider.GetRequiredService<StandingService>().RefreshAllAsync(default);
        var after = await ReadAllAsync(screens);
        foreach (var screen in screens)
            Assert.Equal(after[screen], before[screen]);
    }

    private async Task<Dictionary<string, string>> ReadAllAsync(IEnumerable<string> screens)
    {
        var read = new Dictionary<string, string>();
        foreach (var screen in screens)
            read[screen] = WithoutGoals((await ReadAsync(_coach, screen))!).ToJsonString();
        return read;
    }

    /// <summary>
    /// A goal is judged by its last results of twelve weeks: nine weeks later fewer of them are left, and it may read otherwise.
    /// </summary>
    private static JsonNode WithoutGoals(JsonNode answer)
    {
        Assert.DoesNotContain("Past due date. Past due date.", answer.ToJsonString(), StringComparison.Ordinal);
        foreach (var row in (answer as JsonObject)?["rows"] as JsonArray ?? [])
            (row as JsonObject)?.Remove("goal");
        return answer;
    }

    [Fact]
    public async Task Every_screen_of_the_coach_can_be_read()
    {
        foreach (
            var path in new[]
            {
                "/api/review/tee-line",
                "/api/review/goals",
                "/api/students",
                "/api/squads",
                "/api/plans",
                "/api/plans/templates",
                "/api/drills",
                "/api/places",
                "/api/courses",
                "/api/programmes",
                "/api/test-days",
                "/api/reminders",
                "/api/reminders/outbox",
                "/api/calendar",
                "/api/deleted",
                $"/api/weeks/{ThisWeek}/sheet",
                $"/api/weeks/{LastWeek}/sheet",
            }
        )
            await ReadAsync(_coach, path);
        foreach (var id in _students)
        {
            foreach (
                var path in new[]
                {
                    $"/api/students/{id}",
                    $"/api/students/{id}/file",
                    $"/api/students/{id}/guardians",
                    $"/api/plans/context/{id}",
                    $"/api/plans/warm-ups/{id}",
                    $"/api/rounds/{id}",
                    $"/api/weeks/{ThisWeek}/students/{id}",
                    $"/api/weeks/students/{id}/days-away",
                    $"/api/exports/students/{id}",
                }
            )
                await ReadAsync(_coach, path);
        }
    }

    [Fact]
    public async Task What_was_open_then_is_missed_now_and_nothing_is_under_way()
    {
        var read = 0;
        foreach (var id in _students)
        {
            foreach (var week in new[] { "2026-W18", "2026-W19" })
            {
                var sessions = (await ReadAsync(_coach, $"/api/weeks/{week}/students/{id}"))!["sessions"]!.AsArray();
                foreach (var session in sessions.Where(s => s!["isPublished"]!.GetValue<bool>()))
                {
                    Assert.DoesNotContain(session!["status"]!.GetValue<string>(), new[] { "open", "underWay" });
                    read++;
                }
            }
        }

        Assert.True(read > 20);
    }

    [Fact]
    public async Task A_student_and_a_guardian_read_their_week()
    {
        var student = await DemoTests.SignInAsync(_server, "student");
        var me = (await ReadAsync(student, "/api/accounts/session"))!["person"]!["studentId"]!.GetValue<Guid>();
        var week = await ReadAsync(student, $"/api/weeks/{ThisWeek}/students/{me}");
        Assert.Empty(week!["sessions"]!.AsArray());
        await ReadAsync(student, $"/api/progress/{me}");
        await ReadAsync(student, $"/api/rounds/{me}");
        await ReadAsync(student, $"/api/students/{me}/file");
        var guardian = await DemoTests.SignInAsync(_server, "guardian");
        foreach (var child in (await ReadAsync(guardian, "/api/guardian/children"))!.AsArray())
            await ReadAsync(guardian, $"/api/guardian/children/{child!["studentId"]!.GetValue<Guid>()}/weeks/{ThisWeek}");
    }
}
