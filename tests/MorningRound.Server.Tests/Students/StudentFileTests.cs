using System.Net;
using MorningRound.Core.Plans;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.Students;

public class StudentFileTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static object File(string[]? routine = null, object? coach = null) =>
        new { own = new { routine = routine ?? [], units = "yards" }, coach = coach ?? new { } };

    private async Task<Guid> NewStudentAsync()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/students/{id}", School.StudentInput());
        return id;
    }

    private async Task<int> VersionAsync() =>
        (await _school.Student.GetAsync($"/api/students/{_school.StudentId}/file")).Get<int>("version");

    [Fact]
    public async Task Students_change_what_is_theirs_coaches_the_rest_and_both_see_who_did()
    {
        var path = $"/api/students/{_school.StudentId}/file";
        var own = await _school.Student.PutAsync(path, File(["Look", "Go"]), await VersionAsync());
        Assert.Equal(HttpStatusCode.OK, own.Status);
        var coached = await _school.Coach.PutAsync(
            path,
            File(["Look", "Go"], new { approach = "threeParts" }),
            own.Get<int>("version")
        );
        Assert.Equal(HttpStatusCode.OK, coached.Status);

        var refused = await _school.Student.PutAsync(
            path,
            File(["Look", "Go"], new { approach = "playIt" }),
            coached.Get<int>("version")
        );
        Assert.Equal((HttpStatusCode.Forbidden, "coach.approach"), (refused.Status, Assert.Single(refused.Fields)));
        var changes = (await _school.Student.GetAsync(path)).Body!["changes"]!.AsArray();
        Assert.Equal(["coach", "student"], changes.Select(c => c!["role"]!.GetValue<string>()));
        Assert.Equal(["coach.approach"], changes[0]!["fields"]!.AsArray().Select(f => f!.GetValue<string>()));
        Assert.Equal(["own.routine"], changes[1]!["fields"]!.AsArray().Select(f => f!.GetValue<string>()));
    }

    [Fact]
    public async Task An_older_text_does_not_overwrite_a_newer_one()
    {
        var path = $"/api/students/{await NewStudentAsync()}/file";
        await _school.Coach.PutAsync(path, File(["One"]), 0);
        var stale = await _school.Owner.PutAsync(path, File(["Two"]), 0);
        Assert.Equal(HttpStatusCode.PreconditionFailed, stale.Status);
        Assert.Equal("One", stale.Body!["current"]!["file"]!["own"]!["routine"]![0]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.OK, (await _school.Owner.PutAsync(path, File(["One"]), 0)).Status);
    }

    [Fact]
    public async Task Wrong_fields_are_named_and_nothing_is_kept()
    {
        var path = $"/api/students/{await NewStudentAsync()}/file";
        var wrong = await _school.Coach.PutAsync(
            path,
            File([""], new { painfulParts = new[] { new { part = "knee", since = "2026-05-01" } } }),
            0
        );
        Assert.Equal(
            (HttpStatusCode.UnprocessableEntity, "coach.painfulParts[0].side,own.routine[0]"),
            (wrong.Status, string.Join(',', wrong.Fields.Order()))
        );
        Assert.Equal(0, (await _school.Coach.GetAsync(path)).Get<int>("version"));
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (
                await _school.Coach.PutAsync(
                    path,
                    File(coach: new { painfulParts = new[] { new { part = "neck", since = "2026-02-31" } } }),
                    0
                )
            ).Status
        );
    }

    [Fact]
    public async Task The_season_follows_the_competitions()
    {
        var path = $"/api/students/{await NewStudentAsync()}/file";
        Assert.Equal("offSeason", (await _school.Coach.GetAsync(path)).Get<string>("season"));
        var competition = new
        {
            id = Guid.CreateVersion7(),
            name = "Medal",
            firstDay = "2026-05-20",
            lastDay = "2026-05-21",
        };
        Assert.Equal(
            "inSeason",
            (await _school.Coach.PutAsync(path, new { own = new { competitions = new[] { competition } } }, 0)).Get<string>(
                "season"
            )
        );
    }

    [Fact]
    public async Task Nothing_is_published_to_a_minor_without_a_guardians_consent()
    {
        var student = await NewStudentAsync();
        var path = $"/api/students/{student}/file";
        await _school.Coach.PutAsync(
            path,
            File(coach: new { age = "twelveToSeventeen", guardian = new { name = "Somebody" } }),
            0
        );
        var session = await _school.SetAsync(await _school.SavePlanAsync(), studentId: student);
        var refused = await _school.PublishAsync(student);
        Assert.Equal(
            (HttpStatusCode.UnprocessableEntity, $"sessions[{session}].studentId"),
            (refused.Status, Assert.Single(refused.Fields))
        );
        await _school.Coach.PutAsync(
            path,
            File(coach: new { age = "twelveToSeventeen", guardian = new { name = "Somebody", consentedOn = "2026-05-01" } }),
            1
        );
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync(student)).Status);
    }

    [Fact]
    public async Task A_coach_and_a_student_saving_at_once_lose_nothing_of_each_other()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server, "Race");
        var path = $"/api/students/{school.StudentId}/file";
        for (var round = 0; round < Rounds.Of(150); round++)
        {
            var before = await school.Coach.GetAsync(path);
            var (version, own, coach) = (
                before.Get<int>("version"),
                before.Body!["file"]!["own"]!,
                before.Body["file"]!["coach"]!
            );
            var theirs = own.DeepClone();
            theirs["routine"] = new System.Text.Json.Nodes.JsonArray($"Student {round}");
            var coachs = coach.DeepClone();
            coachs["setUpBasics"] = new System.Text.Json.Nodes.JsonArray($"Coach {round}");
            var answers = await Task.WhenAll(
                school.Student.PutAsync(path, new { own = theirs, coach }, version),
                school.Coach.PutAsync(path, new { own, coach = coachs }, version)
            );
            var after = (await school.Coach.GetAsync(path)).Body!["file"]!;
            // Whoever was told "saved" finds it there; of two on one version, one was told to look again.
            Assert.Equal(1, answers.Count(a => a.Status == HttpStatusCode.OK));
            Assert.Equal(1, answers.Count(a => a.Status == HttpStatusCode.PreconditionFailed));
            var isStudents = answers[0].Status == HttpStatusCode.OK;
            Assert.Equal(
                isStudents ? $"Student {round}" : own["routine"]!.AsArray().FirstOrDefault()?.GetValue<string>(),
                after["own"]!["routine"]!.AsArray().FirstOrDefault()?.GetValue<string>()
            );
            Assert.Equal(
                isStudents ? coach["setUpBasics"]!.AsArray().FirstOrDefault()?.GetValue<string>() : $"Coach {round}",
                after["coach"]!["setUpBasics"]!.AsArray().FirstOrDefault()?.GetValue<string>()
            );
        }
    }
}
