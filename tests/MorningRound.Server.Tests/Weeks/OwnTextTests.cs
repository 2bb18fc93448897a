using System.Net;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.Weeks;

/// <summary>A session that is changed for its student only.</summary>
public sealed class OwnTextTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static string TextOf(Guid id) => $"/api/weeks/assignments/{id}/text";

    private async Task<JsonNode> OpenAsync(Guid id) => (await _school.Coach.GetAsync(TextOf(id))).Body!;

    private Task<Answer> SaveAsync(Guid id, JsonNode plan, int version, int? planVersion = null) =>
        _school.Coach.PutAsync(TextOf(id), new { plan, planVersion }, version);

    private static JsonNode Titled(JsonNode view, string title)
    {
        var plan = view["plan"]!.DeepClone();
        plan["title"] = title;
        return plan;
    }

    private async Task<JsonArray> WeekAsync(Browser browser) =>
        (await browser.GetAsync($"/api/weeks/{TestServer.Week}/students/{_school.StudentId}")).Body!["sessions"]!.AsArray();

    [Fact]
    public async Task A_draft_is_changed_where_it_stands_and_published_with_its_own_text()
    {
        var id = await _school.SetAsync(await _school.SavePlanAsync());
        var saved = await SaveAsync(id, Titled(await OpenAsync(id), "For one only"), 1);
        Assert.Equal(
            (HttpStatusCode.OK, id, true),
            (saved.Status, saved.Get<Guid>("assignmentId"), saved.Get<bool>("hasOwnText"))
        );
        // The same call again has done its work already.
        Assert.Equal(2, (await SaveAsync(id, Titled(await OpenAsync(id), "For one only"), 1)).Get<int>("version"));
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await SaveAsync(id, Titled(saved.Body!, "Too late"), 1)).Status);
        await _school.PublishAsync();
        Assert.Equal("For one only", (await _school.Student.GetAsync($"/api/sessions/{id}")).Body!["plan"]!["title"]!.ToString());
    }

    [Fact]
    public async Task What_its_plan_changed_later_is_offered_and_taken()
    {
        var plan = await _school.SavePlanAsync();
        var id = await _school.SetAsync(plan);
        await SaveAsync(id, Titled(await OpenAsync(id), "For one only"), 1);
        Assert.False((await OpenAsync(id))["isPlanChanged"]!.GetValue<bool>());
        await _school.Coach.PutAsync($"/api/plans/{plan}", School.Plan("Better", "Start it on line"), 1);
        Assert.True((await OpenAsync(id))["isPlanChanged"]!.GetValue<bool>());

        var latest = (await _school.Coach.GetAsync($"{TextOf(id)}/latest")).Body!;
        Assert.Equal(("Better", 2), (latest["plan"]!["title"]!.ToString(), latest["planVersion"]!.GetValue<int>()));
        Assert.Equal(["planVersion"], (await SaveAsync(id, latest["plan"]!.DeepClone(), 2, planVersion: 7)).Fields);
        var taken = await SaveAsync(id, latest["plan"]!.DeepClone(), 2, planVersion: 2);
        // With the plan's very text it follows its plan again.
        Assert.Equal((HttpStatusCode.OK, false), (taken.Status, taken.Get<bool>("hasOwnText")));
        await _school.Coach.PutAsync($"/api/plans/{plan}", School.Plan("Best", "Start it on line"), 2);
        Assert.Equal("Best", (await OpenAsync(id))["plan"]!["title"]!.ToString());
    }

    [Fact]
    public async Task After_publishing_another_session_takes_its_place_and_the_student_is_told()
    {
        var id = await _school.PublishedSessionAsync();
        Assert.Single(await WeekAsync(_school.Student));
        var changed = Titled(await OpenAsync(id), "Shorter");
        var saved = await SaveAsync(id, changed, 2);
        var next = saved.Get<Guid>("assignmentId");
        Assert.NotEqual(id, next);
        // The same call again finds its own work done, and whoever opens the old one gets the new one.
        Assert.Equal(next, (await SaveAsync(id, changed, 2)).Get<Guid>("assignmentId"));
        Assert.Equal(next, (await OpenAsync(id))["assignmentId"]!.GetValue<Guid>());

        var card = Assert.Single(await WeekAsync(_school.Student))!;
        Assert.Equal((next, "Shorter"), (card["assignmentId"]!.GetValue<Guid>(), card["title"]!.ToString()));
        Assert.Equal("text", Assert.Single(card["unseen"]!.AsArray())!["kind"]!.ToString());

        // A text of the old one is known to be older, and written over the newer one by whoever wants that.
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await SaveAsync(id, Titled(saved.Body!, "Older"), 2)).Status);
        Assert.Equal(HttpStatusCode.OK, (await SaveAsync(id, Titled(saved.Body!, "Newer"), 3)).Status);

        // The old one cannot be put back beside it.
        var restored = await _school.Coach.PostAsync(
            "/api/weeks/changes",
            new
            {
                changes = new[]
                {
                    new
                    {
                        kind = "restore",
                        id,
                        version = 3,
                    },
                },
            }
        );
        Assert.NotNull(restored.Body![0]!["refused"]);
    }

    [Fact]
    public async Task What_a_phone_practised_of_the_old_text_counts_in_the_place_of_the_changed_one_and_the_student_is_told()
    {
        var id = await _school.PublishedSessionAsync();
        await SaveAsync(id, Titled(await OpenAsync(id), "Another"), 2);
        var sent = await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "settled", 10, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(2, "finished", 11)
        );
        Assert.Equal((HttpStatusCode.OK, false), (sent.Status, sent.Get<bool>("keptAfterTakenOut")));
        Assert.Equal(["It is called “Another” now."], sent.Body!["changedMeanwhile"]!.AsArray().Select(c => c!.ToString()));
        var card = Assert.Single(await WeekAsync(_school.Student))!;
        Assert.Equal(("Half an hour", "must"), (card["title"]!.ToString(), card["requirement"]!.ToString()));
        Assert.Equal("It is called “Another” now.", Assert.Single(card["changedMeanwhile"]!.AsArray())!.ToString());
        // Whoever opens the changed one gets the one that was practised.
        Assert.Equal(id, (await OpenAsync(id))["assignmentId"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task What_was_begun_stays_and_what_could_not_be_published_is_refused_by_name()
    {
        var id = await _school.PublishedSessionAsync();
        var empty = (await OpenAsync(id))["plan"]!.DeepClone();
        empty["purpose"] = "";
        Assert.Equal(["purpose"], (await SaveAsync(id, empty, 2)).Fields);
        Assert.Equal(id, (await OpenAsync(id))["assignmentId"]!.GetValue<Guid>());
        await _school.SendAsync(Guid.CreateVersion7(), id, School.Entry(1, "entered", 0, ("segmentId", School.First)));
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await SaveAsync(id, Titled(await OpenAsync(id), "Too late"), (await OpenAsync(id))["version"]!.GetValue<int>())
            ).Status
        );
    }

    [Fact]
    public async Task What_stands_on_days_away_is_offered_and_excused_once()
    {
        var id = await _school.PublishedSessionAsync();
        var path = $"/api/weeks/students/{_school.StudentId}/days-away";
        Assert.Empty((await _school.Student.GetAsync(path)).Body!.AsArray());
        var day = Assert.Single(await WeekAsync(_school.Student))!["day"]!.GetValue<string>();
        await _school.WriteFileAsync(
            _school.StudentId,
            new { own = new { absences = new[] { new { firstDay = day, lastDay = day } } } }
        );
        var found = (await _school.Student.GetAsync(path)).Body!.AsArray();
        Assert.Equal(id, Assert.Single(found)!["assignmentId"]!.GetValue<Guid>());
        Assert.Equal(1, (await _school.Student.PostAsync($"{path}/excuse")).Get<int>("sessions"));
        Assert.Equal("away", Assert.Single(await WeekAsync(_school.Student))!["excuse"]!.GetValue<string>());
        Assert.Equal(0, (await _school.Coach.PostAsync($"{path}/excuse")).Get<int>("sessions"));
    }

    [Fact]
    public async Task Two_coaches_at_once_make_one_session_of_it()
    {
        var id = await _school.PublishedSessionAsync();
        var view = await OpenAsync(id);
        var answers = await Task.WhenAll(
            SaveAsync(id, Titled(view, "One"), 2),
            _school.Owner.PutAsync(TextOf(id), new { plan = Titled(view, "Two") }, 2)
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.PreconditionFailed], answers.Select(a => a.Status).Order());
        Assert.Single(await WeekAsync(_school.Student));
    }
}
