using System.Net;

namespace MorningRound.Server.Tests.Weeks;

/// <summary>Weeks and sessions for paper.</summary>
public sealed class PaperTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private const string Paper = $"/api/weeks/{TestServer.Week}/paper";

    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task What_is_published_is_printed_in_the_weeks_order_with_boxes_and_drafts_are_not()
    {
        var later = await _school.SetAsync(await _school.SavePlanAsync(School.PlanWithDrill()), day: "2026-05-09");
        var first = await _school.SetAsync(await _school.SavePlanAsync());
        await _school.PublishAsync();
        await _school.SetAsync(await _school.SavePlanAsync(School.Plan("A draft")), day: "2026-05-05");
        var week = (await _school.Coach.PostAsync(Paper, new { students = new[] { _school.StudentId } })).Body![0]!;
        var sessions = week["sessions"]!.AsArray();
        Assert.Equal([first, later], sessions.Select(s => s!["card"]!["assignmentId"]!.GetValue<Guid>()));
        // A streak of three has no number of its own: a box for each of the twenty balls.
        Assert.Equal([20], sessions[1]!["boxes"]!.AsArray().Select(b => b!["boxes"]!.GetValue<int>()));
        Assert.Equal([0, 0], sessions[0]!["boxes"]!.AsArray().Select(b => b!["boxes"]!.GetValue<int>()));
    }

    [Fact]
    public async Task A_student_prints_their_own_and_has_then_been_sent_it()
    {
        var id = await _school.PublishedSessionAsync();
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.OtherStudent.PostAsync(Paper, new { students = new[] { _school.StudentId } })).Status
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (await _school.Student.PostAsync(Paper, new { students = new[] { _school.StudentId } })).Status
        );
        var withdrawn = await _school.Coach.PostAsync(
            "/api/weeks/changes",
            new
            {
                changes = new[]
                {
                    new
                    {
                        kind = "withdraw",
                        id,
                        version = 2,
                    },
                },
            }
        );
        Assert.NotNull(withdrawn.Body![0]!["refused"]);
    }

    [Fact]
    public async Task It_asks_the_same_however_many_students_and_bounds_them()
    {
        async Task<int> StatementsAsync(params Guid[] students)
        {
            _school.Server.Statements.Take();
            Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PostAsync(Paper, new { students })).Status);
            return _school.Server.Statements.Take().Count;
        }

        await _school.PublishedSessionAsync();
        Assert.Equal(await StatementsAsync(_school.StudentId), await StatementsAsync(_school.StudentId, _school.OtherStudentId));
        var many = Enumerable.Range(0, 51).Select(_ => Guid.CreateVersion7()).ToArray();
        Assert.Equal(["students"], (await _school.Coach.PostAsync(Paper, new { students = many })).Fields);
        Assert.Equal(["students"], (await _school.Coach.PostAsync(Paper, new { students = Array.Empty<Guid>() })).Fields);
    }
}
