using System.Net;
using System.Text.Json.Nodes;
using MorningRound.Server.Tests.Review;

namespace MorningRound.Server.Tests.Competitions;

public class CompetitionTests(OneServer fixture) : IClassFixture<OneServer>
{
    private static async Task<JsonNode> GetAsync(Browser browser, School school, Guid id) =>
        (await browser.GetAsync($"/api/competitions/{school.StudentId}/{id}")).Body!;

    private static Task WriteAsync(School school, object competition, object? coach = null) =>
        school.WriteFileAsync(
            school.StudentId,
            new { own = new { competitions = new[] { competition } }, coach = coach ?? new { } }
        );

    [Fact]
    public async Task The_days_until_then_show_what_is_too_much_and_the_student_sees_what_is_published()
    {
        var school = await fixture.OpenAsync();
        var id = Guid.CreateVersion7();
        await WriteAsync(school, School.Competition(id, "2026-05-09", "2026-05-10"));
        var plan = await school.SavePlanAsync();
        await school.SetAsync(plan, "2026-05-07");
        await school.PublishAsync();
        await school.SetAsync(plan, "2026-05-09");

        var view = await GetAsync(school.Coach, school, id);
        Assert.Equal("3 days to go.", view["standing"]!.GetValue<string>());
        var days = view["days"]!.AsArray();
        Assert.Equal(
            ["2026-05-06", "2026-05-07", "2026-05-08", "2026-05-09", "2026-05-10"],
            days.Select(d => d!["day"]!.GetValue<string>())
        );
        Assert.Equal(["practice", "light", "light", "play", "play"], days.Select(d => d!["kind"]!.GetValue<string>()));
        Assert.Equal(
            "“Half an hour” is more than a warm-up.",
            Assert.Single(days[3]!["tooMuchText"]!.AsArray())!.GetValue<string>()
        );
        var own = await GetAsync(school.Student, school, id);
        Assert.Single(own["days"]![1]!["sessions"]!.AsArray());
        Assert.Empty(own["days"]![3]!["sessions"]!.AsArray());
    }

    [Fact]
    public async Task The_list_for_the_arrival_begins_with_pace_and_goes_into_the_week_once()
    {
        var school = await fixture.OpenAsync();
        var id = Guid.CreateVersion7();
        var competition = (JsonObject)System.Text.Json.JsonSerializer.SerializeToNode(School.Competition(id))!;
        competition["arrivalDay"] = "2026-05-15";
        await WriteAsync(school, competition);
        var arrival = (await GetAsync(school.Coach, school, id))["arrival"]!;
        var steps = arrival["steps"]!.AsArray();
        // Common practice, no source: the speed of the greens before anything else with a club.
        Assert.Contains("How fast these greens are", steps[1]!["why"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.InRange(steps.Sum(s => s!["minutes"]!.GetValue<int>()), 20, 30);
        Assert.False(arrival["isSet"]!.GetValue<bool>());

        var path = $"/api/competitions/{school.StudentId}/{id}/arrival";
        var first = await school.Coach.PostAsync(path, new { });
        Assert.Equal(HttpStatusCode.OK, first.Status);
        Assert.Equal(first.Get<Guid>("assignmentId"), (await school.Coach.PostAsync(path, new { })).Get<Guid>("assignmentId"));
        Assert.True((await GetAsync(school.Coach, school, id))["arrival"]!["isSet"]!.GetValue<bool>());
        var published = await school.Coach.PostAsync(
            $"/api/weeks/2026-W20/publish",
            new { students = new[] { school.StudentId } }
        );
        Assert.Equal(HttpStatusCode.OK, published.Status);
        var week = (await school.Student.GetAsync($"/api/weeks/2026-W20/students/{school.StudentId}")).Body!["sessions"]!;
        Assert.Equal("Arriving at Reed Cup", Assert.Single(week.AsArray())!["title"]!.GetValue<string>());
        // What the student was told is out does not come back unseen.
        var session = first.Get<Guid>("assignmentId");
        var version = (await school.Coach.GetAsync($"/api/sessions/{session}")).Body!["card"]!["version"]!.GetValue<int>();
        await school.Coach.DeleteAsync($"/api/weeks/assignments/{session}", version);
        Assert.Equal(["arrivalDay"], (await school.Coach.PostAsync(path, new { })).Fields);
    }

    [Fact]
    public async Task What_did_not_hold_stands_with_the_next_suggestion()
    {
        var (school, _) = await WalkTests.PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        var id = Guid.CreateVersion7();
        var competition = (JsonObject)
            System.Text.Json.JsonSerializer.SerializeToNode(School.Competition(id, "2026-05-02", "2026-05-03"))!;
        competition["didNotHold"] = new JsonArray("putting");
        // The student says so; the coach's part of the file is nothing of theirs.
        var path = $"/api/students/{school.StudentId}/file";
        var version = (await school.Student.GetAsync(path)).Get<int>("version");
        var saved = await school.Student.PutAsync(path, new { own = new { competitions = new[] { competition } } }, version);
        Assert.Equal(HttpStatusCode.OK, saved.Status);
        var stop = (await school.Coach.GetAsync($"/api/review/stops/{school.StudentId}")).Body!;
        Assert.EndsWith(
            "At Reed Cup, putting did not hold.",
            stop["suggestions"]![0]!["suggestion"]!["why"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var view = await GetAsync(school.Student, school, id);
        Assert.Equal("It was over 3 days ago.", view["standing"]!.GetValue<string>());
        Assert.Null(view["arrival"]);
        Assert.Equal(1, view["around"]!["onOneSide"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_is_not_there_is_not_found_and_contradictions_name_their_field()
    {
        var school = await fixture.OpenAsync();
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await school.Coach.GetAsync($"/api/competitions/{school.StudentId}/{Guid.CreateVersion7()}")).Status
        );
        var competition = (JsonObject)
            System.Text.Json.JsonSerializer.SerializeToNode(
                School.Competition(Guid.CreateVersion7(), "2026-05-02", "2026-05-03")
            )!;
        competition["held"] = new JsonArray("putting");
        competition["didNotHold"] = new JsonArray("putting");
        var refused = await school.Coach.PutAsync(
            $"/api/students/{school.StudentId}/file",
            new { own = new { competitions = new[] { competition } } },
            0
        );
        Assert.Equal(["own.competitions[0].didNotHold"], refused.Fields);
    }
}
