using System.Net;
using MorningRound.Server.Tests.Demo;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>
/// What a screen may ask of the database, and how much may come of it. Statements and bytes only: times are measured elsewhere.
/// The statement that looks the sign-in up is counted with the rest.
/// </summary>
public sealed class BudgetTests(OneDemo demo, OneSchool one) : IClassFixture<OneDemo>, IClassFixture<OneSchool>
{
    private const string Student = "{student}";

    [Theory]
    [InlineData("/api/accounts/session", 4, 0.5)]
    [InlineData("/api/review/tee-line", 5, 8)]
    [InlineData("/api/plans", 3, 6)]
    [InlineData("/api/plans?text=putting&order=used", 3, 6)]
    [InlineData("/api/drills", 2, 10)]
    [InlineData("/api/test-days", 3, 1)]
    [InlineData("/api/places", 2, 2)]
    [InlineData("/api/students/{student}", 2, 1)]
    [InlineData("/api/students/{student}/file", 4, 3)]
    [InlineData("/api/weeks/2026-W19/students/{student}", 7, 4)]
    [InlineData("/api/weeks/2026-W19/sheet", 6, 12)]
    [InlineData("/api/weeks/2026-W19/sheet?student={student}", 7, 4)]
    [InlineData("/api/progress/{student}", 5, 10)]
    [InlineData("/api/progress/{student}?weeks=104", 5, 12)]
    [InlineData("/api/plans/context/{student}", 8, 2)]
    public async Task A_screen_asks_little_and_gets_little(string path, int statements, double kilobytes)
    {
        var rows = (await demo.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();
        var student = rows[0]!["student"]!["id"]!.GetValue<string>();
        await AssertWithinAsync(path.Replace(Student, student, StringComparison.Ordinal), statements, kilobytes);
    }

    [Fact]
    public async Task The_week_of_somebody_whom_nothing_hurts_asks_less()
    {
        var rows = (await demo.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();
        var well = rows.Last(r => r!["last"] is not null)!["student"]!["id"];
        await AssertWithinAsync($"/api/weeks/2026-W19/students/{well}", 5, 4);
        await AssertWithinAsync($"/api/weeks/2026-W19/sheet?student={well}", 6, 4);
    }

    [Fact]
    public async Task A_session_asks_little_and_gets_little()
    {
        var rows = (await demo.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();
        foreach (var row in rows.Take(4))
        {
            var week = await demo.Coach.GetAsync($"/api/weeks/2026-W18/students/{row!["student"]!["id"]}");
            foreach (var session in week.Body!["sessions"]!.AsArray())
            {
                var path = $"/api/sessions/{session!["assignmentId"]}";
                // Holes bring their choices along, for every distance, so that they are played without a signal.
                var hasHoles = (await demo.Coach.GetAsync(path)).Body!["drills"]!
                    .AsArray()
                    .Any(d => d!["protocol"]!["kind"]!.GetValue<string>() == "playedHoles");
                // A card stands beside real rounds, which are one question more.
                await AssertWithinAsync(path, hasHoles ? 8 : 7, hasHoles ? 36 : 12);
            }
        }
    }

    [Fact]
    public async Task An_attempt_costs_the_same_however_long_the_log_is()
    {
        var school = one.School;
        var assignment = await school.SetAsync(await school.SavePlanAsync(School.PlanWithDrill(School.Streak(50))));
        Assert.Equal(HttpStatusCode.OK, (await school.PublishAsync()).Status);
        var log = Guid.CreateVersion7();
        await school.SendAsync(log, assignment, School.Entry(1, "entered", 0, ("segmentId", School.First)));
        var costs = new List<int>();
        for (var sequence = 2; sequence < 42; sequence++)
        {
            school.Server.Statements.Take();
            var sent = await school.SendAsync(
                log,
                assignment,
                School.Entry(
                    sequence,
                    "answered",
                    sequence / 10.0,
                    ("segmentId", School.First),
                    ("flowVersion", 1),
                    (
                        "input",
                        new
                        {
                            kind = "choice",
                            attempt = sequence - 1,
                            value = "made",
                        }
                    )
                )
            );
            Assert.Equal(HttpStatusCode.OK, sent.Status);
            costs.Add(school.Server.Statements.Take().Count);
        }

        Assert.InRange(costs.Max(), 1, 8);
        Assert.Equal(costs[1], costs[^1]);
    }

    [Fact]
    public async Task Three_sessions_are_published_in_a_few_statements()
    {
        var school = one.School;
        var plan = await school.SavePlanAsync();
        foreach (var day in new[] { "2026-05-07", "2026-05-08", "2026-05-09" })
            await school.SetAsync(plan, day, studentId: school.OtherStudentId);
        school.Server.Statements.Take();
        var published = await school.PublishAsync(school.OtherStudentId);
        Assert.Equal(HttpStatusCode.OK, published.Status);
        Assert.InRange(school.Server.Statements.Take().Count, 1, 16);
    }

    [Fact]
    public async Task Test_days_and_competitions_ask_little_and_get_little()
    {
        var test = (await demo.Coach.GetAsync("/api/test-days")).Body![0]!["id"];
        await AssertWithinAsync($"/api/test-days/{test}", 7, 6);
        var rows = (await demo.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();
        var carla = rows.Single(r => r!["student"]!["name"]!.GetValue<string>() == "Carla Vintholm")!["student"]!["id"];
        var played = (await demo.Coach.GetAsync($"/api/progress/{carla}")).Body!["competitions"]!.AsArray();
        foreach (var competition in played)
            await AssertWithinAsync($"/api/competitions/{carla}/{competition!["id"]}", 16, 4);
    }

    private async Task AssertWithinAsync(string path, int statements, double kilobytes)
    {
        demo.Server.Statements.Take();
        var bytes = await demo.Coach.CompressedBytesAsync(path);
        var asked = demo.Server.Statements.Take();
        Assert.True(asked.Count <= statements, $"{path}: {asked.Count} statements\n{string.Join("\n---\n", asked)}");
        Assert.True(bytes <= kilobytes * 1000, $"{path}: {bytes} bytes");
    }
}
