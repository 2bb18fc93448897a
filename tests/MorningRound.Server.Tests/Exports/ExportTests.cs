using System.Globalization;
using System.Net;
using CsvHelper;
using MorningRound.Server.Tests.Review;

namespace MorningRound.Server.Tests.Exports;

public class ExportTests(OneServer fixture) : IClassFixture<OneServer>
{
    /// <summary>The lines of a table, read back with the library that other programs would use as well.</summary>
    private static async Task<List<IDictionary<string, object>>> LinesAsync(Browser browser, string path)
    {
        var answer = await browser.GetAsync(path);
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        using var csv = new CsvReader(new StringReader(answer.Text), CultureInfo.InvariantCulture);
        return [.. csv.GetRecords<dynamic>().Select(r => (IDictionary<string, object>)r)];
    }

    [Fact]
    public async Task What_was_practised_goes_out_as_tables_that_fit_together()
    {
        var (school, sessions) = await WalkTests.PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        await school.Coach.PutAsync($"/api/rounds/{school.StudentId}/{Guid.CreateVersion7()}", School.Round());
        Assert.Equal(2, (await LinesAsync(school.Coach, "/api/exports/students.csv")).Count);
        var table = await LinesAsync(school.Coach, "/api/exports/sessions.csv");
        Assert.Equal(sessions.Order(), table.Select(l => Guid.Parse((string)l["SessionId"])).Order());
        Assert.All(table, l => Assert.Equal(("2026-W19", "20"), (l["Week"], l["PlannedMinutes"])));
        Assert.Equal(3, (await LinesAsync(school.Coach, "/api/exports/segments.csv")).Count);
        var results = await LinesAsync(school.Coach, $"/api/exports/results.csv?student={school.StudentId}");
        // By hand: 13, 14 and 15 of 20; each with its share and its count.
        Assert.Equal(
            ["65", "70", "75"],
            results.Where(l => (string)l["IsLeading"] == "True").Select(l => (string)l["Value"]).Order()
        );
        Assert.Equal(6, results.Count);
        var ratings = await LinesAsync(school.Coach, "/api/exports/ratings.csv");
        Assert.All(ratings, l => Assert.Equal(("7", "The gate felt wide."), (l["Confidence"], l["Note"])));
        Assert.Equal("2026-05-01", Assert.Single(await LinesAsync(school.Coach, "/api/exports/rounds.csv"))["Day"]);
    }

    [Fact]
    public async Task Another_academy_gets_nothing_and_text_is_no_formula()
    {
        var here = await fixture.OpenAsync();
        var elsewhere = await fixture.OpenAsync();
        Assert.Empty(await LinesAsync(elsewhere.Coach, $"/api/exports/students.csv?student={here.StudentId}"));
        var id = Guid.CreateVersion7();
        await here.Coach.PutAsync($"/api/students/{id}", School.StudentInput("=1+1"));
        Assert.Contains(await LinesAsync(here.Coach, "/api/exports/students.csv"), l => (string)l["Name"] == "'=1+1");
    }

    [Fact]
    public async Task Bad_spans_and_tables_name_their_field()
    {
        var coach = (await fixture.OpenAsync()).Coach;
        Assert.Equal(["from"], (await coach.GetAsync("/api/exports/sessions.csv?from=2026-05-02&to=2026-05-01")).Fields);
        Assert.Equal(["from"], (await coach.GetAsync("/api/exports/sessions.csv?from=0001-01-01&to=2026-05-01")).Fields);
        Assert.Equal(["table"], (await coach.GetAsync("/api/exports/secrets.csv")).Fields);
    }

    [Fact]
    public async Task Everything_of_one_student_is_one_document_without_what_coaches_keep_for_themselves()
    {
        var (school, sessions) = await WalkTests.PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        var path = $"/api/exports/students/{school.StudentId}";
        var own = (await school.Student.GetAsync(path)).Body!;
        Assert.Equal(sessions.Length, own["sessions"]!.AsArray().Count);
        Assert.Equal(3 * 23, own["entries"]!.AsArray().Count);
        Assert.Equal(3, own["results"]!.AsArray().Count);
        Assert.Null(own["coachNote"]);
        Assert.NotNull((await school.Coach.GetAsync(path)).Body!["coachNote"]);
    }
}
