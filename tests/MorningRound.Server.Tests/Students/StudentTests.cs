using System.Net;
using MorningRound.Core.Plans;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.Students;

public class StudentTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Fact]
    public async Task What_the_coach_notes_is_for_coaches()
    {
        var path = $"/api/students/{_school.StudentId}";
        var version = (await _school.Coach.GetAsync(path)).Get<int>("version");
        await _school.Coach.PutAsync(path, School.StudentInput(note: "Hurries under pressure"), version);
        Assert.Equal("Hurries under pressure", (await _school.Owner.GetAsync(path)).Get<string>("coachNote"));
        Assert.Equal("", (await _school.Student.GetAsync(path)).Get<string>("coachNote"));
    }

    [Fact]
    public async Task A_stale_edit_is_refused_with_the_newer_text()
    {
        var path = $"/api/students/{Guid.CreateVersion7()}";
        await _school.Coach.PutAsync(path, School.StudentInput("First"));
        await _school.Coach.PutAsync(path, School.StudentInput("Second"), 1);
        var stale = await _school.Owner.PutAsync(path, School.StudentInput("Third"), 1);
        Assert.Equal(HttpStatusCode.PreconditionFailed, stale.Status);
        Assert.Equal("Second", stale.Body!["current"]!["name"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.OK, (await _school.Owner.PutAsync(path, School.StudentInput("Second"), 1)).Status);
    }
}
