using System.Net;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.TestDays;

public class TestDayTests(OneServer fixture) : IClassFixture<OneServer>
{
    private static async Task<string> MadeAsync(School school)
    {
        var plan = await school.SavePlanAsync(School.PlanWithDrill(protocol: Rate));
        var path = $"/api/test-days/{Guid.CreateVersion7()}";
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync(path, School.TestDay(plan, school.StudentId))).Status);
        return path;
    }

    private static object Rate { get; } = new
    {
        kind = "makeRate",
        attempts = 10,
        make = "through the gate",
    };

    private static async Task ScoreAsync(School school, Guid session, int made, int daysOn)
    {
        var flow = (await school.Coach.GetAsync($"/api/sessions/{session}")).Body!["drills"]![0]!["flow"]!["version"]!;
        var at = daysOn * 24 * 60.0;
        var entries = new List<Dictionary<string, object?>>
        {
            School.Entry(1, "opened", at, ("recording", "test")),
            School.Entry(2, "entered", at, ("segmentId", School.First)),
        };
        for (var attempt = 1; attempt <= 10; attempt++)
        {
            entries.Add(
                School.Entry(
                    attempt + 2,
                    "answered",
                    at + (attempt / 10.0),
                    ("segmentId", School.First),
                    ("flowVersion", flow.GetValue<int>()),
                    (
                        "input",
                        new
                        {
                            kind = "choice",
                            attempt,
                            value = attempt <= made ? "made" : "missed",
                        }
                    )
                )
            );
        }

        entries.Add(School.Entry(13, "finished", at + 2));
        Assert.Equal(HttpStatusCode.OK, (await school.SendAsCoachAsync(Guid.CreateVersion7(), session, [.. entries])).Status);
    }

    private static async Task<JsonNode> StudentAsync(School school, string path) =>
        (await school.Coach.GetAsync(path)).Body!["students"]![0]!;

    [Fact]
    public async Task Two_days_scored_by_the_coach_are_set_beside_each_other_with_the_doubt()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var path = await MadeAsync(school);
        foreach (var (day, made, daysOn) in new[] { ("2026-05-06", 3, 0), ("2026-06-03", 9, 28) })
        {
            server.RealClock.Forward(TimeSpan.FromDays(daysOn));
            var set = await school.Coach.PostAsync($"{path}/days", new { day });
            Assert.Equal((HttpStatusCode.OK, 1), (set.Status, set.Get<int>("set")));
            var session = (await StudentAsync(school, path))["sessions"]![0]!["assignmentId"]!.GetValue<Guid>();
            await ScoreAsync(school, session, made, daysOn);
        }

        var student = await StudentAsync(school, path);
        var line = student["lines"]![0]!;
        // Newcombe's method 10 of 9/10 less 3/10, reckoned by hand from the two Wilson intervals: 0.1705 to 0.8090.
        Assert.Equal(
            "From 30 % to 90 %: better, by somewhere from 17 to 81 points.",
            line["sinceFirst"]!["text"]!.GetValue<string>()
        );
        Assert.Equal(2, line["results"]!.AsArray().Count);
        Assert.Null(line["sinceLast"]);
    }

    [Fact]
    public async Task Setting_a_day_twice_sets_it_once_and_the_student_has_it_published()
    {
        var school = await fixture.OpenAsync();
        var path = await MadeAsync(school);
        await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        var week = (await school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{school.StudentId}")).Body!;
        Assert.Equal("Putts that count", Assert.Single(week["sessions"]!.AsArray())!["title"]!.GetValue<string>());
        var listed = (await school.Coach.GetAsync("/api/test-days")).Body![0]!;
        Assert.Equal(("2026-05-07", "2026-06-04"), (listed["lastSet"]!.GetValue<string>(), listed["next"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Who_was_taken_out_of_a_day_is_named_when_it_is_set_again()
    {
        var school = await fixture.OpenAsync();
        var path = await MadeAsync(school);
        await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        var session = (await StudentAsync(school, path))["sessions"]![0]!["assignmentId"]!.GetValue<Guid>();
        var version = (await school.Coach.GetAsync($"/api/sessions/{session}")).Body!["card"]!["version"]!.GetValue<int>();
        var taken = await school.Coach.DeleteAsync($"/api/weeks/assignments/{session}", version);
        Assert.Equal(HttpStatusCode.NoContent, taken.Status);
        var again = await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        Assert.Equal((HttpStatusCode.OK, 0), (again.Status, again.Get<int>("set")));
        Assert.True(again.Body!["notPublished"]![0]!["isOut"]!.GetValue<bool>());
    }

    [Fact]
    public async Task Other_drafts_of_the_week_are_not_published_along()
    {
        var school = await fixture.OpenAsync();
        var path = await MadeAsync(school);
        await school.SetAsync(await school.SavePlanAsync(), "2026-05-08");
        await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        var week = (await school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{school.StudentId}")).Body!;
        Assert.Single(week["sessions"]!.AsArray());
    }

    [Fact]
    public async Task A_child_without_a_guardians_consent_is_named_and_keeps_a_draft()
    {
        var school = await fixture.OpenAsync();
        var path = await MadeAsync(school);
        await school.WriteFileAsync(school.StudentId, new { coach = new { age = "underTwelve" } });
        var set = await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        Assert.Equal((HttpStatusCode.OK, 0), (set.Status, set.Get<int>("set")));
        Assert.Contains(
            "guardian",
            Assert.Single(set.Body!["notPublished"]![0]!["why"]!.AsArray())!.GetValue<string>(),
            StringComparison.OrdinalIgnoreCase
        );
    }

    [Fact]
    public async Task What_is_done_on_it_stays_as_it_is()
    {
        var school = await fixture.OpenAsync();
        var path = await MadeAsync(school);
        var id = path[^36..];
        var refused = await school.Coach.PutAsync($"/api/plans/{id}", School.Plan(), 1);
        Assert.Equal(HttpStatusCode.Conflict, refused.Status);
        Assert.DoesNotContain(
            id,
            (await school.Coach.GetAsync("/api/plans")).Body!["plans"]!.AsArray().Select(p => p!["id"]!.GetValue<string>())
        );
        // Its name may change, and the next sessions bear it.
        var version = (await school.Coach.GetAsync(path)).Get<int>("version");
        await school.Coach.PutAsync(path, School.TestDay(Guid.Empty, school.StudentId, "Another name"), version);
        await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-07" });
        var week = (await school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{school.StudentId}")).Body!;
        Assert.Equal("Another name", week["sessions"]![0]!["title"]!.GetValue<string>());
    }

    [Fact]
    public async Task Bad_input_names_its_field()
    {
        var school = await fixture.OpenAsync();
        var path = $"/api/test-days/{Guid.CreateVersion7()}";
        var unscored = await school.SavePlanAsync();
        Assert.Equal(["planId"], (await school.Coach.PutAsync(path, School.TestDay(unscored, school.StudentId))).Fields);
        Assert.Equal(
            ["planId"],
            (await school.Coach.PutAsync(path, School.TestDay(Guid.CreateVersion7(), school.StudentId))).Fields
        );
        var bad = new
        {
            name = " ",
            everyWeeks = 53,
            firstDay = "0001-01-01",
            students = Array.Empty<Guid>(),
            planId = unscored,
        };
        Assert.Equal(
            ["everyWeeks", "firstDay", "name", "students"],
            (await school.Coach.PutAsync(path, bad)).Fields.Order(StringComparer.Ordinal)
        );
        var made = await MadeAsync(school);
        foreach (var day in new[] { "0001-01-01", "2026-05-05", "9999-12-31" })
            Assert.Equal(["day"], (await school.Coach.PostAsync($"{made}/days", new { day })).Fields);
    }

    [Fact]
    public async Task A_student_keeps_no_log_of_a_test_day_as_the_coach()
    {
        var school = await fixture.OpenAsync();
        var path = await MadeAsync(school);
        await school.Coach.PostAsync($"{path}/days", new { day = "2026-05-06" });
        var session = (await StudentAsync(school, path))["sessions"]![0]!["assignmentId"]!.GetValue<Guid>();
        var refused = await school.SendAsync(Guid.CreateVersion7(), session, School.Entry(1, "opened", 0, ("recording", "test")));
        Assert.Equal(HttpStatusCode.Forbidden, refused.Status);
    }
}
