using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;
using CsvHelper;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.DataRights;
using MorningRound.Server.Storage;
using MorningRound.Server.Tests.Review;

namespace MorningRound.Server.Tests.DataRights;

/// <summary>
/// The rights of access and of taking one's data elsewhere in a structured, commonly used and machine-readable format (General
/// Data Protection Regulation, articles 15 and 20).
/// </summary>
public sealed class PersonArchiveTests(OneServer fixture) : IClassFixture<OneServer>
{
    private const string Mine = "/api/data-rights/mine/everything.zip";

    private static string OfStudent(Guid id) => $"/api/data-rights/students/{id}/everything.zip";

    internal static async Task<Dictionary<string, string>> FilesAsync(Browser browser, string path)
    {
        await using var zip = new ZipArchive(new MemoryStream(await browser.DownloadAsync(path)));
        var files = new Dictionary<string, string>();
        foreach (var entry in zip.Entries)
        {
            using var text = new StreamReader(await entry.OpenAsync());
            files.Add(entry.FullName, await text.ReadToEndAsync());
        }

        return files;
    }

    [Fact]
    public async Task A_student_takes_away_what_was_practised_and_the_account_and_nothing_that_opens_a_door()
    {
        var (school, sessions) = await WalkTests.PractisedAsync(await fixture.OpenAsync(), 13, 14);
        var student = (await school.Coach.GetAsync($"/api/students/{school.StudentId}")).Body!;
        student["coachNote"] = "Rushes when watched";
        await school.Coach.PutAsync($"/api/students/{school.StudentId}", student, student["version"]!.GetValue<int>());
        var link = await school.Coach.PostAsync($"/api/students/{school.StudentId}/account/password-link");
        Assert.Equal(HttpStatusCode.OK, link.Status);

        var files = await FilesAsync(school.Student, Mine);
        var everything = JsonNode.Parse(files["everything.json"])!;
        Assert.Equal(2, everything["sessions"]!.AsArray().Count);
        Assert.Equal(2, everything["results"]!.AsArray().Count);
        using var csv = new CsvReader(new StringReader(files["tables/sessions.csv"]), CultureInfo.InvariantCulture);
        Assert.Equal(sessions.Order(), csv.GetRecords<dynamic>().Select(l => Guid.Parse((string)l.SessionId)).Order());
        var account = JsonNode.Parse(files["account/accounts.json"])![0]!;
        Assert.Equal(school.StudentAccount, account["id"]!.GetValue<Guid>());
        Assert.NotEmpty(JsonNode.Parse(files["account/sign_ins.json"])!.AsArray());
        Assert.All(
            OwnRows.Secrets,
            s => Assert.DoesNotContain($"\"{s}\"", string.Concat(files.Values), StringComparison.Ordinal)
        );
        // A line for coaches' own eyes goes out to the owner alone, who hands over everything.
        Assert.DoesNotContain("Rushes when watched", string.Concat(files.Values), StringComparison.Ordinal);
        Assert.DoesNotContain(files.Keys, f => f.StartsWith("rows/", StringComparison.Ordinal));
        var handed = await FilesAsync(school.Owner, OfStudent(school.StudentId));
        Assert.Contains("Rushes when watched", handed["rows/students.json"], StringComparison.Ordinal);
        Assert.Contains(school.StudentAccount.ToString(), handed["account/accounts.json"], StringComparison.Ordinal);
        // From where somebody else acted on the account is not the student's to know.
        Assert.Contains("PasswordLinkMade", handed["account/security_events.json"], StringComparison.Ordinal);
        Assert.DoesNotContain("PasswordLinkMade", files["account/security_events.json"], StringComparison.Ordinal);
        // Nothing of the other student is in either.
        var other = school.OtherStudentId.ToString();
        Assert.DoesNotContain(other, string.Concat(files.Values.Concat(handed.Values)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_row_that_deleting_a_student_would_take_is_in_the_owners_archive()
    {
        await using var server = await TestServer.NewAsync(isDemo: true);
        var owner = server.NewBrowser();
        await owner.PostAsync("/api/accounts/demo-sign-in", new { @as = "coach" });
        var students = (await owner.GetAsync("/api/students")).Body!.AsArray();
        var otto = students.Single(s => s!["name"]!.GetValue<string>() == "Otto Lanevik")!["id"]!.GetValue<Guid>();
        var files = await FilesAsync(owner, OfStudent(otto));
        await using var scope = server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var academy = (await db.Academies.SingleAsync()).Id;
        foreach (
            var table in HangingRows.OfStudents(db).Where(t => !t.Type.Name.StartsWith("Identity", StringComparison.Ordinal))
        )
        {
            var count = $"SELECT count(*)::int AS \"Value\" FROM {table.Name} WHERE {table.Where}";
            var kept = await db.Database.SqlQueryRaw<int>(count, academy, new[] { otto }).SingleAsync();
            Assert.Equal((table.Name, kept), (table.Name, JsonNode.Parse(files[$"rows/{table.Name}.json"])!.AsArray().Count));
        }
    }

    [Fact]
    public async Task An_owner_hands_a_coach_what_is_kept_of_them_and_it_is_logged()
    {
        var school = await fixture.OpenAsync();
        var files = await FilesAsync(school.Owner, $"/api/data-rights/accounts/{school.CoachAccount}/everything.zip");
        Assert.Contains("account/accounts.json", files.Keys);
        Assert.DoesNotContain("everything.json", files.Keys);
        Assert.DoesNotContain(school.StudentAccount.ToString(), string.Concat(files.Values), StringComparison.Ordinal);
        var line = (await school.Owner.GetAsync("/api/people/security-log")).Body!["lines"]![0]!;
        Assert.Equal("takenOut", line["kind"]!.GetValue<string>());
        // A student's is asked for by the student, whose account alone would be half of it.
        var half = $"/api/data-rights/accounts/{school.StudentAccount}/everything.zip";
        Assert.Equal(HttpStatusCode.NotFound, (await school.Owner.GetAsync(half)).Status);
    }
}
