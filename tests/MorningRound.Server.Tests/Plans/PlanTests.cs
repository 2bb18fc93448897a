using System.Net;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Plans;

public class PlanTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Fact]
    public async Task A_plan_comes_back_as_it_was_written_with_what_it_adds_up_to()
    {
        var id = await _school.SavePlanAsync();
        var plan = await _school.Coach.GetAsync($"/api/plans/{id}");
        Assert.Equal("\"1\"", plan.Headers.ETag!.Tag);
        Assert.Equal("Half an hour", plan.Body!["plan"]!["title"]!.GetValue<string>());
        Assert.Equal(
            ["practice", "pause", "practice"],
            plan.Body["plan"]!["segments"]!.AsArray().Select(s => s!["kind"]!.GetValue<string>())
        );
        // By hand: 20 + 3 + 10 minutes; 30 balls, all on the range; 30 in 30 minutes of practice.
        var totals = plan.Body["analysis"]!["totals"]!;
        Assert.Equal(33, totals["minutes"]!.GetValue<int>());
        Assert.Equal(30, totals["practiceMinutes"]!.GetValue<int>());
        Assert.Equal(30, totals["ballsBought"]!.GetValue<int>());
        Assert.Equal(1.0, totals["ballsPerMinute"]!.GetValue<double>());
    }

    [Fact]
    public async Task Of_two_coaches_saving_one_plan_one_is_told_and_gets_the_newer_text()
    {
        var id = await _school.SavePlanAsync();
        var path = $"/api/plans/{id}";
        var both = await Task.WhenAll(
            _school.Coach.PutAsync(path, School.Plan("By the coach"), 1),
            _school.Owner.PutAsync(path, School.Plan("By the owner"), 1)
        );

        var won = Assert.Single(both, a => a.Status == HttpStatusCode.OK);
        var lost = Assert.Single(both, a => a.Status == HttpStatusCode.PreconditionFailed);
        var kept = won.Body!["plan"]!["title"]!.GetValue<string>();
        Assert.Equal(kept, lost.Body!["current"]!["plan"]!["title"]!.GetValue<string>());
        Assert.Equal(2, lost.Body["current"]!["version"]!.GetValue<int>());
        Assert.Equal(kept, (await _school.Coach.GetAsync(path)).Body!["plan"]!["title"]!.GetValue<string>());
    }

    [Fact]
    public async Task Saving_the_same_text_twice_changes_nothing()
    {
        var path = $"/api/plans/{Guid.CreateVersion7()}";
        var plan = School.Plan();
        Assert.Equal(1, (await _school.Coach.PutAsync(path, plan)).Get<int>("version"));
        Assert.Equal(1, (await _school.Coach.PutAsync(path, plan)).Get<int>("version"));
        var edited = School.Plan("Edited");
        Assert.Equal(2, (await _school.Coach.PutAsync(path, edited, 1)).Get<int>("version"));
        Assert.Equal(2, (await _school.Coach.PutAsync(path, edited, 1)).Get<int>("version"));
    }

    [Fact]
    public async Task Two_first_saves_at_once_make_one_plan()
    {
        var path = $"/api/plans/{Guid.CreateVersion7()}";
        var both = await Task.WhenAll(
            _school.Coach.PutAsync(path, School.Plan("One")),
            _school.Owner.PutAsync(path, School.Plan("Other"))
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.PreconditionFailed], both.Select(a => a.Status).Order());
    }

    [Fact]
    public async Task A_write_that_does_not_say_its_version_is_refused()
    {
        var id = await _school.SavePlanAsync();
        var answer = await _school.Coach.SendAsync(HttpMethod.Put, $"/api/plans/{id}", School.Plan());
        Assert.Equal(HttpStatusCode.PreconditionRequired, answer.Status);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await _school.Coach.SendAsync(HttpMethod.Put, $"/api/plans/{id}", School.Plan(), ("If-Match", "\"soon\""))).Status
        );
    }

    [Fact]
    public async Task A_plan_taken_off_the_list_is_gone_and_what_was_set_from_it_stays()
    {
        var planId = await _school.SavePlanAsync(School.Plan("Short-lived"));
        var session = await _school.SetAsync(planId, day: null);
        await _school.PublishAsync();
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/plans/{planId}")).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/plans/{planId}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync($"/api/plans/{planId}")).Status);
        Assert.DoesNotContain(
            (await _school.Coach.GetAsync("/api/plans")).Body!["plans"]!.AsArray(),
            p => p!["id"]!.GetValue<Guid>() == planId
        );
        Assert.Equal(
            "Short-lived",
            (await _school.Student.GetAsync($"/api/sessions/{session}")).Body!["plan"]!["title"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task The_bench_is_told_what_is_missing_while_the_plan_is_written()
    {
        var reading = await _school.Coach.PostAsync(
            "/api/plans/check",
            new { plan = new { title = "", segments = Array.Empty<object>() } }
        );
        Assert.Equal(["title"], reading.Body!["analysis"]!["toKeep"]!.AsArray().Select(e => e!["path"]!.GetValue<string>()));
        Assert.Equal(
            ["title", "purpose", "segments"],
            reading.Body["analysis"]!["toPublish"]!.AsArray().Select(e => e!["path"]!.GetValue<string>())
        );
    }
}
