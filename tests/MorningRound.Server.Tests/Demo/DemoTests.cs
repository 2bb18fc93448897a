using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Serialization;
using MorningRound.Core.Tests.Drills;
using MorningRound.Server.Drills;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.Demo;

/// <summary>A server with the demo in it, which the tests of this class only look at.</summary>
public sealed class OneDemo : IAsyncLifetime
{
    public TestServer Server { get; private set; } = null!;

    public Browser Coach { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        Server = await TestServer.NewAsync(isDemo: true);
        Coach = await DemoTests.SignInAsync(Server, "coach");
    }

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}

public class DemoTests(OneDemo demo) : IClassFixture<OneDemo>
{
    private readonly TestServer _server = demo.Server;
    private readonly Browser _coach = demo.Coach;

    internal static async Task<Browser> SignInAsync(TestServer server, string person)
    {
        var browser = server.NewBrowser();
        Assert.Equal(HttpStatusCode.OK, (await browser.PostAsync("/api/accounts/demo-sign-in", new { @as = person })).Status);
        return browser;
    }

    private static async Task<JsonArray> BaysAsync(Browser coach) =>
        (await coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();

    [Fact]
    public async Task The_squad_is_mixed_and_whoever_hurts_comes_first()
    {
        var bays = await BaysAsync(_coach);
        Assert.True(bays.Count >= 8);
        Assert.Equal("pain", bays[0]!["attention"]!["reason"]!.GetValue<string>());
        Assert.Contains(bays, b => b!["student"]!["hand"]!.GetValue<string>() == "left");
        Assert.Contains(bays, b => b!["student"]!["level"]!.GetValue<string>() == "new");
        Assert.Contains(bays, b => b!["student"]!["level"]!.GetValue<string>() == "elite");
        Assert.Contains(bays, b => b!["attention"]!["reason"]!.GetValue<string>() == "nothingSet");
    }

    [Fact]
    public async Task Twelve_weeks_of_history_differ_from_student_to_student()
    {
        var means = new List<double>();
        foreach (var bay in await BaysAsync(_coach))
        {
            var weeks = (await _coach.GetAsync($"/api/progress/{bay!["student"]!["id"]}")).Body!["weeks"]!.AsArray();
            Assert.Equal(12, weeks.Count);
            var figures = weeks.Take(11).Select(w => w!["completion"]!["fraction"]?.GetValue<double>()).OfType<double>().ToList();
            if (figures.Count > 8)
                means.Add(figures.Average());
        }

        Assert.True(means.Count >= 6);
        Assert.InRange(means.Min(), 0.1, 0.6);
        Assert.InRange(means.Max(), 0.8, 1);
    }

    [Fact]
    public async Task Nothing_in_the_demo_is_borrowed()
    {
        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var stop = TestContext.Current.CancellationToken;
        var plans = (await db.Plans.AsNoTracking().ToListAsync(stop)).Select(p => p.Document);
        var sessions = (await db.Assignments.AsNoTracking().ToListAsync(stop)).Select(a => a.Document);
        var all = plans.Concat(sessions).ToList();
        Assert.True(all.Count > 100);
        foreach (var plan in all)
        {
            Assert.False(Borrowed.Is(plan), plan.Title);
            Assert.All(
                plan.Practice().Select(s => s.Protocol()).OfType<ScoringProtocol>(),
                protocol => Assert.False(Borrowed.Is(protocol), $"{plan.Title}: {protocol.Title}")
            );
        }

        var drills = (await db.Drills.AsNoTracking().ToListAsync(stop)).Select(d => d.Document);
        var files = (await db.StudentFiles.AsNoTracking().ToListAsync(stop)).Select(f => f.Document).ToList();
        Assert.Null(
            Borrowed.In(
                JsonSerializer.Serialize(
                    new
                    {
                        all,
                        drills,
                        files,
                    },
                    CoreJson.Options
                )
            )
        );
        Assert.All(
            files.SelectMany(f => f.Coach.WedgeGrid.GroupBy(n => n.Club)),
            wedge => Assert.False(Borrowed.AreOfAWedge([.. wedge.Select(n => n.Carry.Value)]))
        );
    }

    [Fact]
    public async Task Every_plan_of_the_demo_can_be_published_and_raises_nothing_above_a_note()
    {
        var plans = (await _coach.GetAsync("/api/plans")).Body!["plans"]!.AsArray();
        Assert.All(plans, p => Assert.True(p!["canPublish"]!.GetValue<bool>()));
        var raised = new List<string>();
        foreach (var listed in plans)
        {
            var plan = (await _coach.GetAsync($"/api/plans/{listed!["id"]}")).Body!["plan"]!;
            var found = (await _coach.PostAsync("/api/plans/check", new { plan })).Body!["findings"]!.AsArray();
            raised.AddRange(Raised(found).Select(f => $"{plan["title"]}: {f}"));
        }

        Assert.True(raised.Count == 0, string.Join("\n", raised));
    }

    [Fact]
    public async Task Every_week_of_everyone_passes_the_applications_own_check()
    {
        var person = (await _coach.GetAsync("/api/accounts/session")).Body!["person"]!;
        var raised = new List<string>();
        foreach (var bay in await BaysAsync(_coach))
        {
            var student = bay!["student"]!;
            var week = person["week"]!.GetValue<string>();
            for (var back = 0; back < 12; back++)
            {
                var view = (await _coach.GetAsync($"/api/weeks/{week}/students/{student["id"]}")).Body!;
                foreach (var session in view["sessions"]!.AsArray().Where(IsSet))
                {
                    var day = session!["day"] is { } on ? $"&day={on}" : "";
                    var found = await _coach.GetAsync(
                        $"/api/weeks/{week}/students/{student["id"]}/findings?planId={session["planId"]}{day}"
                    );
                    // How heavy a week became is known only once it was practised, and what hurt since was not known then.
                    string[] later =
                    [
                        "fatigue",
                        .. Hurt.Contains(student["name"]!.GetValue<string>()) ? ["hurt", "dose"] : Array.Empty<string>(),
                    ];
                    raised.AddRange(
                        Raised(found.Body!.AsArray())
                            .Where(f => back == 0 || !later.Any(id => f.StartsWith(id, StringComparison.Ordinal)))
                            .Select(f => $"{student["name"]}, {session["title"]}, {week} {session["day"]}: {f}")
                    );
                }

                week = view["previous"]!.GetValue<string>();
            }
        }

        Assert.True(raised.Count == 0, string.Join("\n", raised));
    }

    /// <summary>Those of the stories in which something began to hurt.</summary>
    private static readonly string[] Hurt = ["Henrik Solmar", "Nadia Ferrolin"];

    /// <summary>Homework stands in the week as a draft until a coach makes something of it.</summary>
    private static bool IsSet(JsonNode? session) =>
        session!["planId"] is not null && session["excuse"] is null && session["isPublished"]!.GetValue<bool>();

    private static IEnumerable<string> Raised(JsonArray findings) =>
        findings
            .Where(f => f!["level"]!.GetValue<string>() != "note" && f["overruledBecause"] is null)
            .Select(f => $"{f!["id"]} {f["message"]!.ToJsonString()}");

    /// <summary>A Monday, and a Saturday of a week 53 that the year ends in.</summary>
    public static TheoryData<string> Days => Rounds.AreAll ? ["2026-05-04", "2027-01-02"] : ["2027-01-02"];

    [Theory]
    [MemberData(nameof(Days))]
    public async Task The_demo_student_has_something_to_practise_on_any_day(string today)
    {
        await using var server = new TestServer(await TestDatabase.NewAsync(), isDemo: true, today);
        var student = await SignInAsync(server, "student");
        var person = (await student.GetAsync("/api/accounts/session")).Body!["person"]!;
        var week = await student.GetAsync($"/api/weeks/{person["week"]}/students/{person["studentId"]}");
        var session = week.Body!["sessions"]!.AsArray().First(s => s!["day"]?.GetValue<string>() == today);
        Assert.Equal("open", session!["status"]!.GetValue<string>());
    }

    [Fact]
    public async Task Two_servers_starting_at_once_make_one_demo_and_the_same_day_gives_the_same()
    {
        var connection = await TestDatabase.NewAsync();
        await using var one = new TestServer(connection, isDemo: true);
        await using var other = new TestServer(connection, isDemo: true);
        await Task.WhenAll(
            Task.Run(() => one.NewBrowser().GetAsync("/health/ready")),
            Task.Run(() => other.NewBrowser().GetAsync("/health/ready"))
        );
        await using var scope = one.Services.CreateAsyncScope();
        Assert.Equal(1, await scope.ServiceProvider.GetRequiredService<MorningRoundDb>().Academies.CountAsync());
        Assert.Equal(
            (await BaysAsync(_coach)).Select(Figure),
            (await BaysAsync(await SignInAsync(other, "coach"))).Select(Figure)
        );

        Assert.Equal(await ResultsAsync(_server), await ResultsAsync(other));

        static string Figure(JsonNode? bay) =>
            $"{bay!["student"]!["name"]} {bay["attention"]} {bay["thisWeek"]} {bay["last"]?["practisedOn"]}";
    }

    /// <summary>Every result of every drill, with the session and the segment it came from.</summary>
    private static async Task<IReadOnlyList<string>> ResultsAsync(TestServer server)
    {
        await using var scope = server.Services.CreateAsyncScope();
        var results = await scope.ServiceProvider.GetRequiredService<MorningRoundDb>().Set<DrillResultRow>().ToListAsync();
        Assert.True(results.Count > 900);
        return
        [
            .. results
                .Select(r =>
                    $"{r.AssignmentId} {r.SegmentId} {r.Day:O} {System.Text.Json.JsonSerializer.Serialize(r.Document.Values)}"
                )
                .Order(StringComparer.Ordinal),
        ];
    }

    /// <summary>
    /// Every session of a student with this name, from fifteen weeks ago to this week. Asked by a sign-in of its own: how many
    /// sessions one sign-in can open in a row is limited, and a fast machine would reach that limit.
    /// </summary>
    private async Task<IReadOnlyList<JsonNode>> SessionsAsync(string name)
    {
        var coach = await SignInAsync(_server, "coach");
        var student = (await BaysAsync(coach)).Select(b => b!["student"]!).Single(s => s["name"]!.GetValue<string>() == name);
        var week = (await coach.GetAsync("/api/accounts/session")).Body!["person"]!["week"]!.GetValue<string>();
        var sessions = new List<JsonNode>();
        for (var back = 0; back < 15; back++)
        {
            var view = (await coach.GetAsync($"/api/weeks/{week}/students/{student["id"]}")).Body!;
            foreach (var card in view["sessions"]!.AsArray().Where(c => c!["isPublished"]!.GetValue<bool>()))
            {
                var answer = await coach.GetAsync($"/api/sessions/{card!["assignmentId"]}");
                Assert.Equal(HttpStatusCode.OK, answer.Status);
                sessions.Add(answer.Body!);
            }

            week = view["previous"]!.GetValue<string>();
        }

        return sessions;
    }

    [Fact]
    public async Task The_swing_change_stands_at_1340_of_4000()
    {
        var made = 0;
        foreach (var session in await SessionsAsync("Bram Keelstra"))
        {
            var ofTheChange = session["plan"]!["segments"]!
                .AsArray()
                .Where(s => s!["drill"]?["drill"]?["countsTowardsSwingChange"]?.GetValue<bool>() == true)
                .Select(s => s!["id"]!.GetValue<string>())
                .ToHashSet();
            made += session["results"]!
                .AsArray()
                .Where(r => ofTheChange.Contains(r!["segmentId"]!.GetValue<string>()))
                .Sum(r => r!["attempts"]!.GetValue<int>());
        }

        Assert.Equal(1340, made);
    }

    [Fact]
    public async Task The_stories_hold_a_lesson_homework_own_practice_a_trim_paper_and_a_cleared_return()
    {
        var requirements = new HashSet<string>();
        var recordings = new HashSet<string>();
        foreach (var name in new[] { "Otto Lanevik", "Nadia Ferrolin", "Ines Holtmark", "Henrik Solmar" })
        foreach (var session in await SessionsAsync(name))
        {
            requirements.Add(session["card"]!["requirement"]!.GetValue<string>());
            recordings.Add(session["card"]!["status"]!.GetValue<string>());
            foreach (var log in session["logs"]!.AsArray())
                recordings.Add(log!["recording"]!.GetValue<string>());
        }

        Assert.Contains("own", requirements);
        Assert.Superset(new HashSet<string> { "trimmed", "paper", "lesson" }, recordings);
        var henrik = (await BaysAsync(_coach))
            .Select(b => b!["student"]!)
            .Single(s => s["name"]!.GetValue<string>() == "Henrik Solmar");
        var part = (await _coach.GetAsync($"/api/students/{henrik["id"]}/file")).Body!["file"]!["coach"]!["painfulParts"]![0]!;
        Assert.NotNull(part["clearedOn"]);
    }

    [Fact]
    public async Task A_fortnight_later_the_demo_says_that_it_has_grown_old()
    {
        Assert.False(await IsStaleAsync("2026-05-19"));
        Assert.True(await IsStaleAsync("2026-05-20"));

        static async Task<bool> IsStaleAsync(string looked)
        {
            await using var server = new TestServer(await TestDatabase.WithDemoAsync(), isDemo: true, looked);
            return (await server.NewBrowser().GetAsync("/api/accounts/session")).Body!["demo"]!["isStale"]!.GetValue<bool>();
        }
    }

    [Fact]
    public async Task Nobody_signs_in_to_the_demo_by_password()
    {
        var answer = await _server
            .NewBrowser()
            .PostAsync("/api/accounts/sign-in", new { email = "maren.tolve@osier-island.example", password = "" });
        Assert.Equal(HttpStatusCode.Unauthorized, answer.Status);
    }
}
