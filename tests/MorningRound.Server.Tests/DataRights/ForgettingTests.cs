using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Core.Units;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.DataRights;

/// <summary>
/// The right to be forgotten (General Data Protection Regulation, article 17): afterwards the whole database is searched for what
/// was known of the person.
/// </summary>
public sealed class ForgettingTests : IAsyncLifetime
{
    private TestServer _server = null!;

    public async ValueTask InitializeAsync() => _server = await TestServer.NewAsync(isDemo: true);

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private async Task<(Browser Coach, Dictionary<string, Guid> Students)> ComeInAsync()
    {
        var coach = _server.NewBrowser();
        await coach.PostAsync("/api/accounts/demo-sign-in", new { @as = "coach" });
        var students = (await coach.GetAsync("/api/students")).Body!.AsArray();
        return (coach, students.ToDictionary(s => s!["name"]!.GetValue<string>(), s => s!["id"]!.GetValue<Guid>()));
    }

    /// <summary>Every row of every table in which something stands, the security log apart.</summary>
    private async Task<List<string>> RowsWithAsync(string text)
    {
        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var tables = await db
            .Database.SqlQuery<string>(
                $"SELECT table_name AS \"Value\" FROM information_schema.tables WHERE table_schema = current_schema()"
            )
            .ToListAsync();
        var found = new List<string>();
        foreach (var table in tables.Where(t => t != "security_events"))
        {
            var search = $"SELECT left(t::text, 200) AS \"Value\" FROM \"{table}\" t WHERE t::text ILIKE '%' || {{0}} || '%'";
            found.AddRange((await db.Database.SqlQueryRaw<string>(search, text).ToListAsync()).Select(row => $"{table}: {row}"));
        }

        return found;
    }

    [Theory]
    // Twelve weeks of history, own texts and words; a junior with a guardian; somebody on test days and in squads.
    [InlineData("Otto Lanevik", "otto.lanevik")]
    [InlineData("Jonne Weilander", "sanna.weilander")]
    [InlineData("Tilda Brockhus", "tilda.brockhus")]
    public async Task Nothing_of_a_student_is_found_afterwards_and_everybody_else_is_as_before(string name, string address)
    {
        var (coach, students) = await ComeInAsync();
        var id = students[name];
        if (name == "Otto Lanevik")
            await AskAsync("Between the reeds, only there?");
        var others = await SummaryAsync(coach, students.Where(s => s.Value != id).Select(s => s.Value));
        Assert.NotEmpty(await RowsWithAsync($"{id}"));
        var own = OwnTexts((await coach.GetAsync($"/api/exports/students/{id}")).Body!);

        var path = $"/api/data-rights/students/{id}";
        var traces = (await coach.GetAsync(path)).Body!;
        Assert.Contains(traces["rows"]!.AsArray(), r => r!["kind"]!.GetValue<string>() == "entries");
        var refused = await coach.PostAsync($"{path}/forgetting", new { name = name.ToUpperInvariant() });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "name"), (refused.Status, refused.Fields.Single()));
        Assert.Equal(HttpStatusCode.NoContent, (await coach.PostAsync($"{path}/forgetting", new { name })).Status);

        Assert.Empty(await RowsWithAsync($"{id}"));
        Assert.Empty(await RowsWithAsync(name));
        Assert.Empty(await RowsWithAsync(address));
        // The demo's people say some things in the same words.
        var said = others.SelectMany(OwnTexts).ToHashSet();
        foreach (var text in own.Where(t => t.Length > 0 && !said.Contains(t)).Distinct())
            Assert.Empty(await RowsWithAsync(text));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync($"/api/students/{id}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync(path)).Status);
        // The log keeps the id, and who did it.
        var line = (await coach.GetAsync("/api/people/security-log")).Body!["lines"]![0]!;
        Assert.Equal("studentForgotten", line["kind"]!.GetValue<string>());
        Assert.Null(line["student"]);

        Assert.Equal(
            others.Select(o => o.ToJsonString()),
            (await SummaryAsync(coach, students.Where(s => s.Value != id).Select(s => s.Value))).Select(o => o.ToJsonString())
        );
        foreach (var screen in new[] { "/api/review/tee-line", "/api/review/goals", "/api/test-days", "/api/squads" })
            Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync(screen)).Status);
    }

    /// <summary>What the student wrote: notes of sessions, questions and answers.</summary>
    private static List<string> OwnTexts(JsonNode everything) =>
        [
            .. everything["entries"]!.AsArray().Select(e => e!["entry"]!["note"]?.GetValue<string>()).OfType<string>(),
            .. everything["words"]!
                .AsArray()
                .SelectMany(w => new[] { w!["question"]!.GetValue<string>(), w["answer"]!.GetValue<string>() }),
        ];

    private async Task AskAsync(string text)
    {
        var student = _server.NewBrowser();
        await student.PostAsync("/api/accounts/demo-sign-in", new { @as = "student" });
        var asked = await student.PutAsync("/api/weeks/2026-W24/question", new { text });
        Assert.Equal(HttpStatusCode.OK, asked.Status);
        Assert.NotEmpty(await RowsWithAsync(text));
    }

    private static async Task<List<JsonNode>> SummaryAsync(Browser coach, IEnumerable<Guid> students)
    {
        var found = new List<JsonNode>();
        foreach (var student in students.Order())
            found.Add((await coach.GetAsync($"/api/exports/students/{student}")).Body!);
        return found;
    }

    [Fact]
    public async Task What_others_wrote_of_a_student_stays_and_is_listed_for_the_owner()
    {
        var (coach, students) = await ComeInAsync();
        var (id, other) = (students["Otto Lanevik"], students["Tilda Brockhus"]);
        await coach.PutAsync($"/api/plans/{Guid.CreateVersion7()}", School.Plan("Otto’s wedges"));
        var tilda = (await coach.GetAsync($"/api/students/{other}")).Body!;
        tilda["coachNote"] = "Practises with otto on Sundays";
        await coach.PutAsync($"/api/students/{other}", tilda, tilda["version"]!.GetValue<int>());
        // A name within another word is none.
        await coach.PutAsync($"/api/plans/{Guid.CreateVersion7()}", School.Plan("Ottoman steps"));

        var traces = await coach.GetAsync($"/api/data-rights/students/{id}");
        Assert.Equal(HttpStatusCode.OK, traces.Status);
        var mentions = traces.Body!["mentions"]!.AsArray();
        Assert.Contains(mentions, m => m!["title"]!.GetValue<string>() == "Otto’s wedges");
        Assert.Contains(mentions, m => m!["path"]!.GetValue<string>() == $"/students/{other}/file");
        Assert.DoesNotContain(mentions, m => m!["title"]!.GetValue<string>() == "Ottoman steps");
    }
}
