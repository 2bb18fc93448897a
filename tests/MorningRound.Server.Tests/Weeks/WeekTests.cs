using System.Net;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Weeks;

public sealed class WeekTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private School _school = null!;

    /// <summary>An academy of its own for every test, on one server.</summary>
    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private string WeekPath => $"/api/weeks/{TestServer.Week}/students/{_school.StudentId}";

    private object Input(Guid planId, string? day, string week = TestServer.Week) =>
        new
        {
            studentId = _school.StudentId,
            planId,
            week,
            day,
            requirement = "must",
        };

    [Fact]
    public async Task A_draft_is_the_coachs_until_it_is_published()
    {
        await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Single((await _school.Coach.GetAsync(WeekPath)).Body!["sessions"]!.AsArray());
        Assert.Empty((await _school.Student.GetAsync(WeekPath)).Body!["sessions"]!.AsArray());

        await _school.PublishAsync();
        var session = Assert.Single((await _school.Student.GetAsync(WeekPath)).Body!["sessions"]!.AsArray())!;
        Assert.Equal("open", session["status"]!.GetValue<string>());
        Assert.Equal(33, session["minutes"]!.GetValue<int>());
    }

    [Fact]
    public async Task Editing_a_plan_never_rewrites_what_was_published()
    {
        var planId = await _school.SavePlanAsync(School.Plan("As drafted"));
        var session = await _school.SetAsync(planId);
        await _school.Coach.PutAsync($"/api/plans/{planId}", School.Plan("As published"), 1);
        await _school.PublishAsync();
        await _school.Coach.PutAsync($"/api/plans/{planId}", School.Plan("Edited later"), 2);

        var published = await _school.Student.GetAsync($"/api/sessions/{session}");
        Assert.Equal("As published", published.Body!["plan"]!["title"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_can_be_published_is_and_the_rest_says_which_segment_of_which_session()
    {
        var sound = await _school.SetAsync(await _school.SavePlanAsync(), day: "2026-05-08");
        var bare = await _school.SetAsync(await _school.SavePlanAsync(School.Plan("Bare", purpose: "")), day: "2026-05-09");
        var answer = await _school.PublishAsync();
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        var kept = Assert.Single(answer.Body!.AsArray()[0]!["notPublished"]!.AsArray())!;
        Assert.Equal(
            (bare, "Bare", "2026-05-09", "purpose"),
            (
                kept["assignmentId"]!.GetValue<Guid>(),
                kept["title"]!.GetValue<string>(),
                kept["day"]!.GetValue<string>(),
                kept["path"]!.GetValue<string>()
            )
        );
        var seen = (await _school.Student.GetAsync(WeekPath)).Body!["sessions"]!
            .AsArray()
            .Select(c => c!["assignmentId"]!.GetValue<Guid>())
            .ToList();
        Assert.Contains(sound, seen);
        Assert.DoesNotContain(bare, seen);

        // With nothing left that can be, it is a refusal that names the field.
        var refused = await _school.PublishAsync();
        Assert.Equal(
            (HttpStatusCode.UnprocessableEntity, $"sessions[{bare}].purpose"),
            (refused.Status, Assert.Single(refused.Fields))
        );
        await _school.Coach.DeleteAsync($"/api/weeks/assignments/{bare}");
        await _school.Coach.DeleteAsync($"/api/weeks/assignments/{sound}");
    }

    [Fact]
    public async Task What_is_to_be_said_of_a_plan_on_a_day_is_said_before_it_is_put_there()
    {
        var plan = await _school.SavePlanAsync();
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server, "Medal");
        var planId = await school.SavePlanAsync();
        await school.Student.PutAsync(
            $"/api/students/{school.StudentId}/file",
            new
            {
                own = new
                {
                    competitions = new[]
                    {
                        new
                        {
                            id = Guid.CreateVersion7(),
                            name = "Medal",
                            firstDay = "2026-05-08",
                            lastDay = "2026-05-09",
                        },
                    },
                },
            },
            0
        );
        async Task<List<string>> OnAsync(string? day) =>
            [
                .. (
                    await school.Coach.GetAsync(
                        $"/api/weeks/{TestServer.Week}/students/{school.StudentId}/findings?planId={planId}"
                            + (day is null ? "" : $"&day={day}")
                    )
                )
                    .Body!.AsArray()
                    .Select(f => f!["level"]!.GetValue<string>()),
            ];
        Assert.DoesNotContain("note", await OnAsync("2026-05-07"));
        // "Any day" is judged by its mildest day.
        Assert.True((await OnAsync(null)).Count <= (await OnAsync("2026-05-08")).Count);
        var elsewhere = await _school.Coach.GetAsync(
            $"/api/weeks/{TestServer.Week}/students/{_school.StudentId}/findings?planId={plan}&day=2026-06-01"
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "day"), (elsewhere.Status, Assert.Single(elsewhere.Fields)));
    }

    [Fact]
    public async Task Moving_a_published_session_is_marked_and_stays_one_session()
    {
        var planId = await _school.SavePlanAsync();
        var id = await _school.SetAsync(planId);
        await _school.PublishAsync();
        var moved = await _school.Coach.PutAsync($"/api/weeks/assignments/{id}", Input(planId, "2026-05-08"), 2);
        Assert.True(moved.Get<bool>("changedAfterPublishing"));
        var session = Assert.Single((await _school.Student.GetAsync(WeekPath)).Body!["sessions"]!.AsArray())!;
        Assert.Equal("2026-05-08", session["day"]!.GetValue<string>());

        Assert.Equal(
            HttpStatusCode.OK,
            (await _school.Coach.PutAsync($"/api/weeks/assignments/{id}", Input(planId, null, "2026-W20"), 3)).Status
        );
        Assert.Empty((await _school.Student.GetAsync(WeekPath)).Body!["sessions"]!.AsArray());
    }

    [Fact]
    public async Task A_stale_move_is_refused_with_where_it_stands_now()
    {
        var planId = await _school.SavePlanAsync();
        var id = await _school.SetAsync(planId);
        await _school.Coach.PutAsync($"/api/weeks/assignments/{id}", Input(planId, "2026-05-07"), 1);
        var stale = await _school.Coach.PutAsync($"/api/weeks/assignments/{id}", Input(planId, "2026-05-09"), 1);
        Assert.Equal(HttpStatusCode.PreconditionFailed, stale.Status);
        Assert.Equal("2026-05-07", stale.Body!["current"]!["day"]!.GetValue<string>());
        var repeated = await _school.Coach.PutAsync($"/api/weeks/assignments/{id}", Input(planId, "2026-05-07"), 1);
        Assert.Equal((HttpStatusCode.OK, 2), (repeated.Status, repeated.Get<int>("version")));
    }

    [Fact]
    public async Task A_session_keeps_its_student_and_its_plan()
    {
        var id = await _school.SetAsync(await _school.SavePlanAsync());
        var answer = await _school.Coach.PutAsync($"/api/weeks/assignments/{id}", Input(await _school.SavePlanAsync(), null), 1);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "planId"), (answer.Status, answer.Fields.Single()));
    }

    [Fact]
    public async Task An_excused_session_counts_for_nothing_until_the_excuse_is_taken_back()
    {
        var id = await _school.PublishedSessionAsync("2026-05-04");
        Assert.Equal("missed", await StandingAsync());
        var excused = await _school.Coach.PutAsync($"/api/weeks/assignments/{id}/excuse", new { excuse = "ill" }, 2);
        Assert.Equal("excused", excused.Get<string>("status"));
        Assert.Null((await _school.Student.GetAsync(WeekPath)).Body!["completion"]!["fraction"]);
        await _school.Coach.PutAsync($"/api/weeks/assignments/{id}/excuse", new { excuse = (string?)null }, 3);
        Assert.Equal("missed", await StandingAsync());

        async Task<string> StandingAsync() =>
            (await _school.Student.GetAsync(WeekPath)).Body!["sessions"]![0]!["status"]!.GetValue<string>();
    }

    [Fact]
    public async Task A_session_that_was_begun_cannot_be_taken_out()
    {
        var id = await _school.PublishedSessionAsync();
        await _school.SendAsync(Guid.CreateVersion7(), id, School.Entry(1, "entered", 0, ("segmentId", School.First)));
        Assert.Equal(HttpStatusCode.Conflict, (await _school.Coach.DeleteAsync($"/api/weeks/assignments/{id}")).Status);
        var untouched = await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/weeks/assignments/{untouched}")).Status);
        Assert.Single((await _school.Coach.GetAsync(WeekPath)).Body!["sessions"]!.AsArray());
    }

    [Fact]
    public async Task The_weeks_figure_is_the_one_worked_by_hand()
    {
        // Two must sessions of 30 counted minutes and an extra. One done whole; of the other the gate with 15 of 30 balls:
        // 10 of its 20 minutes. (30 + 10) ÷ 60 = two thirds, whatever becomes of the extra.
        var planId = await _school.SavePlanAsync();
        var whole = await _school.SetAsync(planId, "2026-05-04");
        var half = await _school.SetAsync(planId, "2026-05-05");
        await _school.SetAsync(planId, day: null, requirement: "extra");
        await _school.PublishAsync();
        await _school.SendAsync(
            Guid.CreateVersion7(),
            whole,
            School.Entry(1, "settled", 0, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(2, "settled", 9, ("segmentId", School.Second), ("outcome", "done")),
            School.Entry(3, "finished", 10)
        );
        await _school.SendAsync(
            Guid.CreateVersion7(),
            half,
            School.Entry(1, "counted", 0, ("segmentId", School.First), ("balls", 15)),
            School.Entry(2, "settled", 9, ("segmentId", School.Second), ("outcome", "skipped")),
            School.Entry(3, "finished", 10)
        );

        var week = (await _school.Coach.GetAsync(WeekPath)).Body!;
        Assert.Equal(60, week["completion"]!["plannedMinutes"]!.GetValue<int>());
        Assert.Equal(40.0 / 60, week["completion"]!["fraction"]!.GetValue<double>(), 10);
        Assert.Equal(["done", "partDone", "open"], week["sessions"]!.AsArray().Select(s => s!["status"]!.GetValue<string>()));
    }
}
