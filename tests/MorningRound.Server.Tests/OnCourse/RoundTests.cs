using System.Net;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.OnCourse;

public class RoundTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Fact]
    public async Task A_student_keeps_a_round_a_coach_reads_it_and_what_is_wrong_is_named()
    {
        var student = (await StudentAsync()).Id;
        var id = Guid.CreateVersion7();
        var kept = await _school.Coach.PutAsync($"/api/rounds/{student}/{id}", School.Round(91));
        Assert.Equal(HttpStatusCode.OK, kept.Status);
        var listed = await _school.Coach.GetAsync($"/api/rounds/{student}");
        Assert.Equal(91, listed.Body!["rounds"]![0]!["totals"]!["score"]!.GetValue<int>());
        Assert.Equal("Osier Island", listed.Body!["courses"]![0]!["name"]!.GetValue<string>());

        var wrong = await _school.Coach.PutAsync(
            $"/api/rounds/{student}/{Guid.CreateVersion7()}",
            School.Round(3, day: "0001-01-01")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.Status);
        Assert.Equal(["day", "noted.score"], wrong.Fields.Order());
        var later = await _school.Coach.PutAsync(
            $"/api/rounds/{student}/{Guid.CreateVersion7()}",
            School.Round(90, day: "2026-12-31")
        );
        Assert.Equal(["day"], later.Fields);
    }

    [Fact]
    public async Task Student_and_coach_at_one_round_do_not_overwrite_each_other_and_twice_is_once()
    {
        var (student, browser) = await StudentAsync();
        var path = $"/api/rounds/{student}/{Guid.CreateVersion7()}";
        await browser.PutAsync(path, School.Round(91));
        Assert.Equal(HttpStatusCode.OK, (await browser.PutAsync(path, School.Round(91))).Status);
        Assert.Equal(HttpStatusCode.OK, (await browser.PutAsync(path, School.Round(90), version: 1)).Status);
        var stale = await _school.Coach.PutAsync(path, School.Round(89), version: 1);
        Assert.Equal(HttpStatusCode.PreconditionFailed, stale.Status);
        Assert.Equal(90, stale.Body!["current"]!["totals"]!["score"]!.GetValue<int>());
        Assert.Single((await browser.GetAsync($"/api/rounds/{student}")).Body!["rounds"]!.AsArray());
        Assert.Equal(HttpStatusCode.NoContent, (await browser.DeleteAsync(path, version: 2)).Status);
        Assert.Empty((await browser.GetAsync($"/api/rounds/{student}")).Body!["rounds"]!.AsArray());
    }

    [Fact]
    public async Task Three_rounds_say_where_strokes_are_lost_in_the_file_and_decide_what_a_draft_is_about()
    {
        var student = (await StudentAsync()).Id;
        Assert.StartsWith("Not enough rounds", await SaidInFileAsync(student), StringComparison.Ordinal);
        for (var i = 1; i <= 3; i++)
            await _school.Coach.PutAsync(
                $"/api/rounds/{student}/{Guid.CreateVersion7()}",
                School.Round(92, penalties: 5, day: $"2026-04-0{i}")
            );
        Assert.StartsWith(
            "Most is lost by penalty strokes: about 2.5 strokes",
            await SaidInFileAsync(student),
            StringComparison.Ordinal
        );
        var draft = await _school.Coach.PostAsync(
            "/api/plans/draft",
            new
            {
                studentId = student,
                request = new
                {
                    minutes = 60,
                    balls = 80,
                    places = new[] { "range" },
                },
            }
        );
        Assert.Equal(HttpStatusCode.OK, draft.Status);
        Assert.Contains("Rounds lose strokes with the driver", draft.Body!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Rounds_go_out_and_come_back_as_a_file_and_as_a_table()
    {
        var (student, browser) = await StudentAsync();
        const string Table = """
            Day;Course;Hole;Par;Score;Fairway;Putts;Penalties
            2026-05-01;Osier Island;2;3;4;;2;
            2026-05-01;Osier Island;1;4;5;yes;2;
            2026-05-01;Osier Island;3;5;7;no;2;1
            2026-05-01;Osier Island;4;4;4;yes;2;
            2026-05-01;Osier Island;5;4;4;yes;2;
            2026-05-01;Osier Island;6;3;3;;1;
            2026-05-01;Osier Island;7;4;6;left;3;
            2026-05-01;Osier Island;8;5;5;yes;2;
            2026-05-01;Osier Island;9;4;4;yes;1;
            2026-05-03;Veldermoor;;72;88;6/14;33;2
            """;
        var taken = await browser.PostAsync($"/api/rounds/{student}/csv", new { text = Table });
        Assert.Equal(2, taken.Get<int>("added"));
        Assert.Equal(2, (await browser.PostAsync($"/api/rounds/{student}/csv", new { text = Table })).Get<int>("unchanged"));
        var rounds = (await browser.GetAsync($"/api/rounds/{student}")).Body!["rounds"]!.AsArray();
        Assert.Equal([88, 42], rounds.Select(r => r!["totals"]!["score"]!.GetValue<int>()));
        Assert.Equal(["4", "3", "5"], rounds[1]!["round"]!["holes"]!.AsArray().Take(3).Select(h => h!["par"]!.ToJsonString()));
        // 5 on a par 4 with two putts took three strokes to the green; 4 with two took two.
        Assert.Equal(3, rounds[1]!["totals"]!["greens"]!.GetValue<int>());

        var file = (await browser.GetAsync($"/api/rounds/{student}/file")).Body!;
        Assert.Equal(2, (await browser.PostAsync($"/api/rounds/{student}/file", file)).Get<int>("unchanged"));
        var table = (await browser.GetAsync($"/api/rounds/{student}/csv")).Text;
        Assert.Equal(2, (await browser.PostAsync($"/api/rounds/{student}/csv", new { text = table })).Get<int>("unchanged"));
    }

    [Theory]
    [InlineData("", "lines")]
    [InlineData("day,course,par\n2026-05-01,X,72\n", "score")]
    [InlineData("day,course,par,score\n1 May,X,72,88\n", "lines[2].day")]
    [InlineData("day,course,par,score\n2026-05-01,X,72,many\n", "lines[2].score")]
    [InlineData("day,course,par,score,fairway\n2026-05-01,X,72,88,7 of 14\n", "lines[2].fairway")]
    [InlineData("day,course,hole,par,score\n2026-05-01,X,1,4,5\n2026-05-01,X,1,4,5\n", "lines[3].hole")]
    [InlineData("day,course,hole,par,score\n2026-05-01,X,1,4,5\n2026-05-01,X,2,4,5\n", "rounds[0].round.holesPlayed")]
    [InlineData("day,course,par,score\n2026-05-01,X,72,88\n2026-05-01,X,72,90\n", "lines[3].round")]
    [InlineData("day,course,hole,par,score\n2026-05-01,X,1,4,5\n2026-05-01,X,,36,44\n", "lines[3].hole")]
    public async Task A_table_that_cannot_be_read_says_where_and_imports_nothing(string text, string path)
    {
        var student = (await StudentAsync()).Id;
        var answer = await _school.Coach.PostAsync($"/api/rounds/{student}/csv", new { text });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.Status);
        Assert.Contains(path, answer.Fields);
        Assert.Equal(0, (await _school.Coach.GetAsync($"/api/rounds/{student}")).Get<int>("count"));
    }

    private Task<(Browser Browser, Guid Id)> NewAsync() =>
        School.AddStudentAsync(_school.Server, _school.Coach, $"{Guid.NewGuid():N}@rounds.example");

    private async Task<(Guid Id, Browser Browser)> StudentAsync()
    {
        var (browser, id) = await NewAsync();
        return (id, browser);
    }

    private async Task<string> SaidInFileAsync(Guid student) =>
        (await _school.Coach.GetAsync($"/api/students/{student}/file")).Get<string>("lostStrokes");
}
