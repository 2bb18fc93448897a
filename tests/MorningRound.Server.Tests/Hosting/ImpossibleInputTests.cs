using System.Net;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>What nobody can mean is refused by name: days, weeks, lists without end, calls of the wrong kind.</summary>
public sealed class ImpossibleInputTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Theory]
    [InlineData("0001-01-01")]
    [InlineData("9999-12-31")]
    [InlineData("2005-05-05")]
    [InlineData("2047-01-01")]
    public async Task A_day_that_nobody_can_mean_is_refused_where_it_comes_in_and_breaks_nothing(string day)
    {
        var file = $"/api/students/{_school.StudentId}/file";
        var competition = new
        {
            id = Guid.CreateVersion7(),
            name = "Medal",
            firstDay = day,
            lastDay = day,
        };
        var refused = await _school.Student.PutAsync(file, new { own = new { competitions = new[] { competition } } }, 0);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.Status);
        Assert.Contains("own.competitions[0].firstDay", refused.Fields);
        foreach (var squad in new[] { false, true })
        {
            var check = await _school.Coach.PostAsync(
                "/api/plans/check",
                new
                {
                    plan = School.Plan(),
                    studentId = _school.StudentId,
                    squad,
                    day,
                }
            );
            Assert.Equal((HttpStatusCode.UnprocessableEntity, "day"), (check.Status, Assert.Single(check.Fields)));
        }

        var own = await _school.Student.PutAsync(
            $"/api/sessions/own/{Guid.CreateVersion7()}",
            new
            {
                studentId = _school.StudentId,
                day,
                plan = School.Plan(),
            }
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "day"), (own.Status, Assert.Single(own.Fields)));
        Assert.Equal(
            HttpStatusCode.OK,
            (await _school.Coach.PostAsync("/api/plans/check", new { plan = School.Plan(), isForSquad = true })).Status
        );
    }

    [Theory]
    [InlineData("1900-W01", 422)]
    [InlineData("9998-W52", 422)]
    [InlineData("0001-W01", 400)]
    [InlineData("9999-W52", 400)]
    public async Task A_week_that_nobody_can_mean_is_refused(string week, int status)
    {
        var answer = await _school.Coach.GetAsync($"/api/weeks/{week}/students/{_school.StudentId}");
        Assert.Equal((status, "week"), ((int)answer.Status, Assert.Single(answer.Fields)));
        Assert.Equal(
            status,
            (int)
                (
                    await _school.Coach.PostAsync($"/api/weeks/{week}/publish", new { students = new[] { _school.StudentId } })
                ).Status
        );
    }

    [Theory]
    [InlineData("1900-W01", 422)]
    [InlineData("0001-W01", 400)]
    [InlineData("9999-W52", 400)]
    public async Task So_is_it_wherever_the_week_sheet_asks(string week, int status)
    {
        var students = new { students = new[] { _school.StudentId } };
        foreach (var call in new[] { "check", "copy", "place", "publish", "programmes", "paper" })
            await RefusedAsync(call, _school.Coach.PostAsync($"/api/weeks/{week}/{call}", students));
        var session = new { id = Guid.CreateVersion7(), studentId = _school.StudentId };
        var set = new { planId = Guid.CreateVersion7(), sessions = new[] { session } };
        await RefusedAsync("set", _school.Coach.PostAsync($"/api/weeks/{week}/set", set));
        await RefusedAsync("sheet", _school.Coach.GetAsync($"/api/weeks/{week}/sheet"));
        await RefusedAsync("looked", _school.Student.PutAsync($"/api/weeks/{week}/looked", new { }));

        async Task RefusedAsync(string what, Task<Answer> asked)
        {
            var answer = await asked;
            Assert.Equal((what, status, "week"), (what, (int)answer.Status, Assert.Single(answer.Fields)));
        }
    }

    [Theory]
    [InlineData("0001-01-01")]
    [InlineData("9999-12-31")]
    [InlineData("2026-05-20")]
    public async Task A_day_outside_its_week_is_refused_on_the_sheet_and_on_the_phone(string day)
    {
        var session = await _school.PublishedSessionAsync("2026-05-08");
        var set = await _school.Coach.PostAsync(
            $"/api/weeks/{TestServer.Week}/set",
            new
            {
                planId = await _school.SavePlanAsync(),
                day,
                sessions = new[] { new { id = Guid.CreateVersion7(), studentId = _school.StudentId } },
            }
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "day"), (set.Status, Assert.Single(set.Fields)));
        var change = new
        {
            kind = "move",
            id = session,
            version = 2,
            day,
        };
        var changed = await _school.Coach.PostAsync("/api/weeks/changes", new { changes = new[] { change } });
        Assert.NotNull(Assert.Single(changed.Body!.AsArray())!["refused"]);
        var moved = await _school.Student.PutAsync($"/api/weeks/assignments/{session}/day", new { day }, 2);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "day"), (moved.Status, Assert.Single(moved.Fields)));
    }

    [Fact]
    public async Task A_list_without_end_is_refused_at_once_and_by_name()
    {
        var places = Enumerable
            .Range(0, 1200)
            .Select(_ => new { id = Guid.CreateVersion7(), place = new { name = "R", kind = "range" } });
        var refused = await _school.Coach.PostAsync(
            "/api/places/file",
            new
            {
                format = "morning-round-places",
                version = 1,
                places,
            }
        );
        Assert.Equal((HttpStatusCode.BadRequest, "places"), (refused.Status, Assert.Single(refused.Fields)));
        var some = Enumerable
            .Range(0, 101)
            .Select(_ => new { id = Guid.CreateVersion7(), place = new { name = "", kind = "range" } });
        Assert.Equal(
            ["places"],
            (
                await _school.Coach.PostAsync(
                    "/api/places/file",
                    new
                    {
                        format = "morning-round-places",
                        version = 1,
                        places = some,
                    }
                )
            ).Fields
        );
        var clubs = await _school.Coach.PutAsync(
            $"/api/plans/{Guid.CreateVersion7()}",
            new
            {
                title = "T",
                segments = Enumerable.Repeat(
                    new
                    {
                        kind = "pause",
                        id = Guid.Empty,
                        title = "W",
                        minutes = 1,
                    },
                    1001
                ),
            }
        );
        Assert.Equal((HttpStatusCode.BadRequest, "segments"), (clubs.Status, Assert.Single(clubs.Fields)));
    }

    [Fact]
    public async Task A_wrong_method_is_405_and_a_wrong_type_415()
    {
        var method = await _school.Coach.SendAsync(HttpMethod.Patch, "/api/plans");
        Assert.Equal(
            (HttpStatusCode.MethodNotAllowed, "GET"),
            (method.Status, method.Body!["title"]!.GetValue<string>()[^4..^1])
        );
        using var client = _school.Server.CreateClient();
        using var text = new StringContent("hello");
        using var signIn = await client.PostAsync(new Uri("/api/accounts/sign-in", UriKind.Relative), text);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, signIn.StatusCode);
        // A word where an id belongs is no address at all.
        foreach (
            var nowhere in new[] { "/api/plans/undefined", "/api/weeks/2026-W19/students/undefined", "/api/sessions/undefined" }
        )
            Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync(nowhere)).Status);
    }
}
