using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.DataRights;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.DataRights;

/// <summary>What is deleted can be had back for thirty days, by an owner and by whoever wrote or deleted it.</summary>
public sealed class DeletedTests : IAsyncLifetime
{
    private TestServer _server = null!;
    private School _school = null!;

    public async ValueTask InitializeAsync()
    {
        _server = await TestServer.NewAsync();
        _school = await School.OpenAsync(_server);
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private async Task<Guid> DeletedAsync(string what, object body)
    {
        var id = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync($"/api/{what}/{id}", body)).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/{what}/{id}", version: 1)).Status);
        return id;
    }

    private static async Task<JsonNode?> InListAsync(Browser browser, Guid id) =>
        (await browser.GetAsync("/api/deleted")).Body!.AsArray().SingleOrDefault(d => d!["id"]!.GetValue<Guid>() == id);

    private async Task AgeAsync(string table, Guid id, int days)
    {
        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var sql = $"UPDATE {table} SET removed_at = removed_at - interval '1 day' * {{0}} WHERE id = {{1}}";
        await db.Database.ExecuteSqlRawAsync(sql, days, id);
    }

    [Fact]
    public async Task Every_kind_comes_back_as_it_was()
    {
        var planId = await _school.SavePlanAsync();
        (string What, string Kind, object Body)[] things =
        [
            ("plans", "plan", School.Plan()),
            ("programmes", "programme", School.Programme(planId)),
            ("drills", "drill", School.Drill()),
            ("places", "place", School.Place()),
            ("courses", "course", School.Course()),
            ("squads", "squad", new { name = "Back again", members = new[] { _school.StudentId } }),
            ($"rounds/{_school.StudentId}", "round", School.Round()),
        ];
        foreach (var (what, kind, body) in things)
        {
            var id = await DeletedAsync(what, body);
            var listed = (await InListAsync(_school.Coach, id))!;
            Assert.Equal(kind, listed["kind"]!.GetValue<string>());
            Assert.NotEqual("", listed["name"]!.GetValue<string>());
            Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.PostAsync($"/api/deleted/{kind}/{id}/restore")).Status);
            // Once more is the same.
            Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.PostAsync($"/api/deleted/{kind}/{id}/restore")).Status);
            Assert.Null(await InListAsync(_school.Coach, id));
            var all = (await _school.Coach.GetAsync($"/api/{what}")).Body!.ToJsonString();
            Assert.Contains($"{id}", all, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task An_owner_restores_everything_a_coach_what_that_coach_wrote_or_deleted()
    {
        var id = await DeletedAsync("courses", School.Course());
        var invited = await _school.Owner.PostAsync("/api/accounts/coach-invitations");
        var another = await School.JoinAsync(_server, invited.Get<string>("path"), "another@first.example");
        Assert.Null(await InListAsync(another, id));
        Assert.Equal(HttpStatusCode.NotFound, (await another.PostAsync($"/api/deleted/course/{id}/restore")).Status);
        Assert.NotNull(await InListAsync(_school.Owner, id));
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Owner.PostAsync($"/api/deleted/course/{id}/restore")).Status);
        // Whoever deletes what somebody else wrote can take that back too.
        await another.DeleteAsync($"/api/courses/{id}", version: 3);
        Assert.NotNull(await InListAsync(another, id));
        Assert.Equal(HttpStatusCode.NoContent, (await another.PostAsync($"/api/deleted/course/{id}/restore")).Status);
    }

    [Fact]
    public async Task After_thirty_days_it_is_gone_for_good()
    {
        var kept = await DeletedAsync("courses", School.Course("Kept"));
        var gone = await DeletedAsync("courses", School.Course("Gone"));
        await AgeAsync("courses", kept, 29);
        await AgeAsync("courses", gone, 31);
        Assert.NotNull(await InListAsync(_school.Owner, kept));
        Assert.Null(await InListAsync(_school.Owner, gone));
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Owner.PostAsync($"/api/deleted/course/{gone}/restore")).Status);
        await DeleteOldAsync();
        Assert.Equal(1, await CountAsync("courses"));
    }

    [Fact]
    public async Task A_deleted_round_is_read_nowhere_and_its_student_may_take_that_back_too()
    {
        var path = $"/api/rounds/{_school.StudentId}";
        var id = await DeletedAsync($"rounds/{_school.StudentId}", School.Round(91));
        var view = (await _school.Coach.GetAsync(path)).Body!;
        Assert.Equal(0, view["count"]!.GetValue<int>());
        Assert.Empty(view["rounds"]!.AsArray());
        Assert.Empty((await _school.Coach.GetAsync($"{path}/file")).Body!["rounds"]!.AsArray());
        Assert.Equal(
            "Somebody Made-Up, 1 May 2026, Osier Island",
            (await InListAsync(_school.Owner, id))!["name"]!.GetValue<string>()
        );
        // The list is for coaches: a student's own Undo makes the round once more, under its id.
        Assert.Equal(HttpStatusCode.Forbidden, (await _school.Student.GetAsync("/api/deleted")).Status);
        Assert.Equal(HttpStatusCode.OK, (await _school.Student.PutAsync($"{path}/{id}", School.Round(91))).Status);
        Assert.Null(await InListAsync(_school.Owner, id));
        Assert.Equal(1, (await _school.Student.GetAsync(path)).Body!["count"]!.GetValue<int>());
        // Whoever changes a round that is deleted meanwhile is told so, and brings nothing back.
        await _school.Student.DeleteAsync($"{path}/{id}", version: 3);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Student.PutAsync($"{path}/{id}", School.Round(92), 4)).Status);
    }

    [Fact]
    public async Task Where_no_more_squads_fit_none_is_restored_and_restoring_the_last_twice_is_restoring_it_once()
    {
        var id = await DeletedAsync("squads", new { name = "Late" });
        var paths = Enumerable.Range(0, SquadService.MostSquads).Select(_ => $"/api/squads/{Guid.CreateVersion7()}").ToList();
        foreach (var path in paths)
            Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync(path, new { name = "One of many" })).Status);
        var refused = await _school.Coach.PostAsync($"/api/deleted/squad/{id}/restore");
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "id"), (refused.Status, refused.Fields.Single()));
        await _school.Coach.DeleteAsync(paths[0], version: 1);
        for (var time = 0; time < 2; time++)
            Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.PostAsync($"/api/deleted/squad/{id}/restore")).Status);
    }

    [Fact]
    public async Task After_thirty_days_a_squad_goes_with_its_programmes_and_a_test_day_loses_its_name()
    {
        var squad = await DeletedAsync("squads", new { name = "Over", members = new[] { _school.StudentId } });
        var round = await DeletedAsync($"rounds/{_school.StudentId}", School.Round());
        var plan = await _school.SavePlanAsync(School.PlanWithDrill());
        var testDay = await DeletedAsync("test-days", School.TestDay(plan, _school.StudentId));
        await AgeAsync("squads", squad, 31);
        await AgeAsync("test_days", testDay, 31);
        await AgeAsync("rounds", round, 31);
        await DeleteOldAsync();
        Assert.Equal(0, await CountAsync("squads"));
        Assert.Equal(0, await CountAsync("squad_members"));
        Assert.Equal(1, await CountAsync("test_days WHERE name = ''"));
        Assert.Equal(0, await CountAsync("rounds"));
    }

    [Fact]
    public async Task A_plan_that_sessions_point_at_loses_its_text_after_thirty_days_and_they_keep_theirs()
    {
        var plan = await _school.SavePlanAsync();
        var session = await _school.SetAsync(plan);
        await _school.PublishAsync();
        await _school.Coach.DeleteAsync($"/api/plans/{plan}", version: 1);
        await AgeAsync("plans", plan, 31);
        var before = (await _school.Coach.GetAsync($"/api/sessions/{session}")).Body!["card"]!["title"]!.GetValue<string>();
        await DeleteOldAsync();
        var after = (await _school.Coach.GetAsync($"/api/sessions/{session}")).Body!["card"]!["title"]!.GetValue<string>();
        Assert.Equal(before, after);
        Assert.Equal(1, await CountAsync("plans"));
    }

    [Fact]
    public async Task A_place_comes_back_with_the_walks_to_it()
    {
        var range = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/places/{range}", School.Place());
        var green = Guid.CreateVersion7();
        var near = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(School.Place()))!;
        near["walks"] = new JsonArray(new JsonObject { ["place"] = $"{range}", ["minutes"] = 4 });
        await _school.Coach.PutAsync($"/api/places/{green}", near);
        await _school.Coach.DeleteAsync($"/api/places/{range}", version: 1);
        await _school.Coach.PostAsync($"/api/deleted/place/{range}/restore");
        var back = (await _school.Coach.GetAsync($"/api/places/{range}")).Body!;
        Assert.Equal(green, back["place"]!["walks"]![0]!["place"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task Deleting_a_person_reaches_what_was_deleted_and_names_them()
    {
        var named = await DeletedAsync("courses", School.Course("A course for Somebody"));
        var other = await DeletedAsync("courses", School.Course("A course for all"));
        var squad = await DeletedAsync("squads", new { name = "Around Somebody", members = new[] { _school.OtherStudentId } });
        await DeletedAsync($"rounds/{_school.StudentId}", School.Round());
        var forgotten = await _school.Owner.PostAsync(
            $"/api/data-rights/students/{_school.StudentId}/forgetting",
            new { name = "Somebody Made-Up" }
        );
        Assert.Equal(HttpStatusCode.NoContent, forgotten.Status);
        Assert.Null(await InListAsync(_school.Owner, named));
        Assert.Null(await InListAsync(_school.Owner, squad));
        Assert.NotNull(await InListAsync(_school.Owner, other));
        Assert.Equal(1, await CountAsync("courses"));
        Assert.Equal(0, await CountAsync("squads"));
        Assert.Equal(0, await CountAsync("rounds"));
        // A person never comes to this list.
        Assert.All(
            (await _school.Owner.GetAsync("/api/deleted")).Body!.AsArray(),
            d => Assert.Equal("course", d!["kind"]!.GetValue<string>())
        );
    }

    private async Task DeleteOldAsync()
    {
        await using var scope = _server.Services.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<DeletedService>().DeleteOldAsync(TestContext.Current.CancellationToken);
    }

    private async Task<int> CountAsync(string table)
    {
        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var sql = $"SELECT count(*)::int AS \"Value\" FROM {table}";
        return await db.Database.SqlQueryRaw<int>(sql).SingleAsync();
    }
}
