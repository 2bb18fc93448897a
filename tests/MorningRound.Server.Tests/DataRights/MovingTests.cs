using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.DataRights;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.DataRights;

/// <summary>
/// A whole academy goes out as one archive and comes into an empty database, where everything answers as before.
/// </summary>
public sealed class MovingTests : IAsyncLifetime
{
    private const string Archive = "/api/data-rights/academy/everything.zip";

    private readonly string _file = Path.GetTempFileName();
    private TestServer _server = null!;

    public async ValueTask InitializeAsync() => _server = await TestServer.NewAsync(isDemo: true);

    public async ValueTask DisposeAsync()
    {
        await _server.DisposeAsync();
        File.Delete(_file);
    }

    private static async Task<Browser> ComeInAsync(TestServer server, string who)
    {
        var browser = server.NewBrowser();
        Assert.Equal(HttpStatusCode.OK, (await browser.PostAsync("/api/accounts/demo-sign-in", new { @as = who })).Status);
        return browser;
    }

    private async Task TakeOutAsync(Browser owner) => await File.WriteAllBytesAsync(_file, await owner.DownloadAsync(Archive));

    private async Task<TestServer> MovedAsync() => new(await TestDatabase.WithSchemaAsync(), isDemo: true, academyFile: _file);

    private static IEnumerable<Guid> Ids(Answer list) =>
        (list.Body as JsonArray ?? list.Body!.AsObject().Select(p => p.Value).OfType<JsonArray>().First())
            .OfType<JsonObject>()
            .Select(i => i["id"]?.GetValue<Guid>())
            .OfType<Guid>();

    /// <summary>
    /// Every call that shows something of an academy, for everything there is in it; signing in, links and what is kept of
    /// devices stay behind.
    /// </summary>
    private async Task<List<string>> ScreensAsync(Browser coach)
    {
        string[] weeks = ["2026-W18", "2026-W19"];
        var students = Ids(await coach.GetAsync("/api/students")).ToArray();
        var paths = new List<string>();
        foreach (
            var route in _server
                .Services.GetRequiredService<EndpointDataSource>()
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods.Contains("GET") == true)
                .Select(e => "/" + e.RoutePattern.RawText!.Trim('/'))
                .Where(r => r.StartsWith("/api/", StringComparison.Ordinal) && !r.Contains(".zip", StringComparison.Ordinal))
                .Where(r => !r.Contains("{token}", StringComparison.Ordinal) && !r.Contains("{**", StringComparison.Ordinal))
                .Except(["/api/accounts/session", "/api/accounts/mine", "/api/people", "/api/people/security-log"])
        )
        {
            IEnumerable<string> filled = [route.Replace("{table}", "sessions", StringComparison.Ordinal)];
            if (route.Contains("{week}", StringComparison.Ordinal))
                filled = filled.SelectMany(f => weeks.Select(w => f.Replace("{week}", w, StringComparison.Ordinal)));
            if (
                route.Contains("{studentId:guid}", StringComparison.Ordinal)
                || route.StartsWith("/api/students/{", StringComparison.Ordinal)
            )
                filled = filled.SelectMany(f =>
                    students.Select(s =>
                        f.Replace("{studentId:guid}", $"{s}", StringComparison.Ordinal)
                            .Replace("/api/students/{id:guid}", $"/api/students/{s}", StringComparison.Ordinal)
                    )
                );
            if (
                route.EndsWith("/{id:guid}", StringComparison.Ordinal)
                && !route.StartsWith("/api/students", StringComparison.Ordinal)
            )
            {
                var ids = Ids(await coach.GetAsync(route.Replace("/{id:guid}", "", StringComparison.Ordinal)));
                filled = ids.Select(id => route.Replace("{id:guid}", $"{id}", StringComparison.Ordinal));
            }

            paths.AddRange(filled.Where(f => !f.Contains('{', StringComparison.Ordinal)));
        }

        return paths;
    }

    /// <summary>What was added up in another order differs in the sixteenth digit.</summary>
    private static string Rounded(string text) =>
        Regex.Replace(
            text,
            @"\d+\.\d{10,}",
            number => double.Parse(number.Value, CultureInfo.InvariantCulture).ToString("G12", CultureInfo.InvariantCulture)
        );

    [Fact]
    public async Task An_academy_in_an_empty_database_answers_everything_as_it_did_before()
    {
        var coach = await ComeInAsync(_server, "coach");
        var paths = await ScreensAsync(coach);
        await TakeOutAsync(coach);
        await using var elsewhere = await MovedAsync();
        var moved = await ComeInAsync(elsewhere, "coach");
        var shown = 0;
        foreach (var path in paths)
        {
            var (before, after) = (await coach.GetAsync(path), await moved.GetAsync(path));
            Assert.Equal((path, before.Status), (path, after.Status));
            // A refusal names its own call.
            if (before.Status != HttpStatusCode.OK)
                continue;
            Assert.Equal(path + Rounded(before.Text), path + Rounded(after.Text));
            shown++;
        }

        // By hand, the least there can be: a dozen lists, two sheets, and ten things of each of eight students.
        Assert.True(shown > 100, $"{shown} of {paths.Count}");

        var (student, there) = (await ComeInAsync(_server, "student"), await ComeInAsync(elsewhere, "student"));
        var me = (await student.GetAsync("/api/accounts/session")).Body!["person"]!["studentId"]!.GetValue<Guid>();
        var week = $"/api/weeks/2026-W19/students/{me}";
        Assert.Equal((await student.GetAsync(week)).Text, (await there.GetAsync(week)).Text);
        var session = (await there.GetAsync(week)).Body!["sessions"]![0]!["assignmentId"]!.GetValue<Guid>();
        Assert.Equal(
            (await student.GetAsync($"/api/sessions/{session}")).Text,
            (await there.GetAsync($"/api/sessions/{session}")).Text
        );
    }

    [Fact]
    public async Task Nobody_comes_in_by_the_archive_and_the_owner_chooses_a_password_by_a_link()
    {
        await TakeOutAsync(await ComeInAsync(_server, "coach"));
        await using (var zip = await ZipFile.OpenReadAsync(_file))
        {
            foreach (var entry in zip.Entries)
            {
                using var text = new StreamReader(await entry.OpenAsync());
                var rows = await text.ReadToEndAsync();
                Assert.All(OwnRows.Secrets, s => Assert.DoesNotContain($"\"{s}\"", rows, StringComparison.Ordinal));
            }
        }

        await using var elsewhere = await MovedAsync();
        var owner = elsewhere.NewBrowser();
        await owner.GetAsync("/health/ready");
        var parts = elsewhere.SetupLink().Split('/');
        Assert.Equal("reset", parts[1]);
        const string Password = "reeds bend, dykes hold";
        var chosen = new
        {
            accountId = parts[2],
            token = parts[3],
            password = Password,
        };
        var came = await owner.PostAsync("/api/accounts/password-reset", chosen);
        Assert.Equal(HttpStatusCode.OK, came.Status);
        Assert.Equal("owner", came.Body!["person"]!["role"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.OK, (await owner.GetAsync("/api/people")).Status);
    }

    [Fact]
    public async Task Every_table_goes_along_or_is_left_behind_on_purpose()
    {
        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var known = OwnRows.OfAcademy(db).Select(t => t.Name).ToHashSet();
        var tables = await db
            .Database.SqlQuery<string>(
                $"SELECT table_name AS \"Value\" FROM information_schema.tables WHERE table_schema = current_schema()"
            )
            .ToListAsync();
        var left = OwnRows.LeftBehind.Select(t => db.Model.FindEntityType(t)!.GetTableName()!);
        Assert.Equal(tables.Where(t => t != "__EFMigrationsHistory").Order(), known.Concat(left).Order());
    }

    private const string Another = """
        {"format":"another","schema":"","academyId":"00000000-0000-0000-0000-000000000001","name":"",
        "madeAt":"2026-05-06T00:00:00Z","rows":{}}
        """;

    [Theory]
    [InlineData("nothing of ours", null, null, "damaged or none of Morning Round's")]
    [InlineData(null, "academy.json", Another, "another kind of file")]
    [InlineData(null, "academy.json", "{}", "damaged")]
    [InlineData(null, "rows/students.jsonl", "", "Rows of students are missing")]
    [InlineData(null, "rows/students.jsonl", "{\"name\":", "damaged")]
    public async Task What_is_damaged_or_none_of_ours_is_refused_and_nothing_comes_in(
        string? whole,
        string? entry,
        string? content,
        string said
    )
    {
        if (whole is not null)
            await File.WriteAllTextAsync(_file, whole);
        else
        {
            await TakeOutAsync(await ComeInAsync(_server, "coach"));
            await RewriteAsync(entry!, _ => content!);
        }

        await NothingComesInAsync(said);
    }

    [Fact]
    public async Task An_academy_without_an_owner_is_refused_because_nobody_could_come_in()
    {
        await TakeOutAsync(await ComeInAsync(_server, "coach"));
        await RewriteAsync("rows/accounts.jsonl", rows => rows.Replace("\"Owner\"", "\"Coach\"", StringComparison.Ordinal));
        await NothingComesInAsync("no owner who could come in");
    }

    /// <summary>Puts another text in the place of one of the archive's.</summary>
    private async Task RewriteAsync(string entry, Func<string, string> change)
    {
        await using var zip = await ZipFile.OpenAsync(_file, ZipArchiveMode.Update);
        var old = zip.GetEntry(entry)!;
        string was;
        using (var reader = new StreamReader(await old.OpenAsync()))
            was = await reader.ReadToEndAsync();
        old.Delete();
        await using var text = new StreamWriter(await zip.CreateEntry(entry).OpenAsync());
        await text.WriteAsync(change(was));
    }

    private async Task NothingComesInAsync(string said)
    {
        await using var empty = await TestServer.NewAsync();
        await using var scope = empty.Services.CreateAsyncScope();
        var arrival = scope.ServiceProvider.GetRequiredService<AcademyArrival>();
        var refused = await Assert.ThrowsAsync<Server.Hosting.StartRefusedException>(() => arrival.BringInAsync(_file, default));
        Assert.Contains(said, refused.Message, StringComparison.Ordinal);
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        Assert.False(await db.Academies.AnyAsync());
        Assert.False(await db.Users.AnyAsync());
    }
}
