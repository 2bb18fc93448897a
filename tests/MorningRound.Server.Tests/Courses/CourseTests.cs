using System.Net;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.Courses;

public class CourseTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Fact]
    public async Task A_course_is_kept_and_what_is_wrong_with_it_is_named()
    {
        var id = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync($"/api/courses/{id}", School.Course())).Status);
        var kept = Of(await _school.Coach.GetAsync("/api/courses"), id);
        Assert.Equal(340, kept["course"]!["holes"]![0]!["lengths"]![0]!.GetValue<double>());

        var wrong = await _school.Coach.PutAsync(
            $"/api/courses/{Guid.CreateVersion7()}",
            new
            {
                name = "",
                tees = new[] { "Ferry" },
                holes = new[] { new { par = 4, lengths = new[] { 3.0 } } },
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.Status);
        Assert.Equal(["holes[0].fairwayWidth", "holes[0].lengths[0]", "name"], wrong.Fields.Order());
    }

    [Fact]
    public async Task Two_coaches_at_one_course_do_not_overwrite_each_other()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/courses/{id}", School.Course());
        await _school.Coach.PutAsync($"/api/courses/{id}", School.Course("Redrawn"), version: 1);
        var stale = await _school.Owner.PutAsync($"/api/courses/{id}", School.Course("Drawn otherwise"), version: 1);
        Assert.Equal(HttpStatusCode.PreconditionFailed, stale.Status);
        Assert.Equal("Redrawn", NameOf(stale.Body!["current"]!));
        Assert.Equal("Redrawn", NameOf(Of(await _school.Coach.GetAsync("/api/courses"), id)));
    }

    [Fact]
    public async Task Courses_go_out_and_come_back_as_a_file_and_a_broken_one_imports_nothing()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/courses/{id}", School.Course("Out and back"));
        var file = (await _school.Coach.GetAsync("/api/courses/file")).Body!;
        var listed = file["courses"]!.AsArray().Single(c => c!["id"]!.GetValue<Guid>() == id)!;
        listed["course"]!["name"] = "Changed in the file";
        listed["course"]!["holes"]![0]!["par"] = 9;
        var broken = await _school.Coach.PostAsync("/api/courses/file", file);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, broken.Status);
        Assert.Contains($"courses[{file["courses"]!.AsArray().IndexOf(listed)}].course.holes[0].par", broken.Fields);
        Assert.Equal("Out and back", NameOf(Of(await _school.Coach.GetAsync("/api/courses"), id)));

        listed["course"]!["holes"]![0]!["par"] = 4;
        var taken = await _school.Coach.PostAsync("/api/courses/file", file);
        Assert.Equal(1, taken.Body!["changed"]!.GetValue<int>());
        Assert.Equal("Changed in the file", NameOf(Of(await _school.Coach.GetAsync("/api/courses"), id)));
    }

    [Fact]
    public async Task Holes_are_laid_out_for_a_student_and_say_what_is_missing()
    {
        var quick = new
        {
            holes = new[]
            {
                new
                {
                    kind = "quick",
                    par = 4,
                    usuallyLeft = new { value = 90.0, unit = "yards" },
                },
            },
        };
        var missing = await _school.Coach.PostAsync("/api/plans/holes", new { studentId = _school.StudentId, play = quick });
        Assert.Contains("no carry is on record", missing.Body!["missing"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Null(missing.Body!["laid"]);

        var drawn = await _school.Coach.PostAsync(
            "/api/plans/holes",
            new { studentId = _school.StudentId, play = School.Holes() }
        );
        Assert.Equal("2 holes of Osier Island", drawn.Body!["name"]!.GetValue<string>());
        Assert.Equal([340, 120], drawn.Body!["laid"]!["holes"]!.AsArray().Select(h => h!["length"]!.GetValue<int>()));
        Assert.Contains("Water", drawn.Body!["lies"]![0]!.GetValue<string>(), StringComparison.Ordinal);

        var none = await _school.Coach.PostAsync("/api/plans/holes", new { play = new { holes = Array.Empty<object>() } });
        Assert.Equal(["play.holes"], none.Fields);
    }

    [Fact]
    public async Task Holes_that_lack_a_carry_are_not_published_and_say_where()
    {
        var plan = School.Plan("Quick ones");
        var holes = JsonNode.Parse(
            """
            {"kind":"practice","id":"00000009-0000-7000-8000-000000000009","title":"Quick ones",
             "phase":"onCourse","intent":"performance","place":"range","minutes":8,"balls":6,"holes":1,"exit":{"kind":"minutes"},
             "play":{"holes":[{"kind":"quick","par":5,"usuallyLeft":{"value":80,"unit":"yards"}}]}}
            """
        )!;
        var document = System.Text.Json.JsonSerializer.SerializeToNode(plan)!;
        document["segments"]!.AsArray().Add(holes);
        var id = await _school.SetAsync(await _school.SavePlanAsync(document));
        var published = await _school.PublishAsync();
        var kept = published.Body!.ToJsonString();
        Assert.Contains(id.ToString(), kept, StringComparison.Ordinal);
        Assert.Contains("no carry is on record", kept, StringComparison.Ordinal);
    }

    private static JsonNode Of(Answer answer, Guid id) => answer.Body!.AsArray().Single(c => c!["id"]!.GetValue<Guid>() == id)!;

    private static string NameOf(JsonNode listed) => listed["course"]!["name"]!.GetValue<string>();
}
