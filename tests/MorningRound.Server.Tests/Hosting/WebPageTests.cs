using System.Net;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Hosting;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>
/// The page and the header above it (Content Security Policy Level 3, nonces): one value, new for every answer.
/// </summary>
public sealed class WebPageTests : IDisposable
{
    private readonly DirectoryInfo _root = Directory.CreateTempSubdirectory();

    public void Dispose() => _root.Delete(recursive: true);

    private static (string? InHeader, string? InPage) Nonces(Answer answer) =>
        (
            Regex.Match(answer.Headers.GetValues("Content-Security-Policy").Single(), "style-src 'self' 'nonce-([^']+)'")
                is { Success: true } header
                ? header.Groups[1].Value
                : null,
            Regex.Match(answer.Text, "nonce=\"([^\"]+)\"") is { Success: true } page ? page.Groups[1].Value : null
        );

    [Fact]
    public async Task Every_answer_of_the_page_has_a_nonce_of_its_own_and_nothing_else_has_one()
    {
        var file = Path.Combine(_root.FullName, "index.html");
        await File.WriteAllTextAsync(file, "<meta property=\"csp-nonce\" nonce=\"__nonce__\">");
        await using var server = await TestServer.NewAsync();
        await using var withPage = server.WithWebHostBuilder(builder => builder.UseWebRoot(_root.FullName));
        var browser = new Browser(withPage.CreateClient());
        var seen = new HashSet<string>();
        foreach (var path in new[] { "/", "/index.html", "/week/2026-W19", "/" })
        {
            var answer = await browser.GetAsync(path);
            Assert.Equal(HttpStatusCode.OK, answer.Status);
            var (inHeader, inPage) = Nonces(answer);
            Assert.Equal(inPage, inHeader);
            Assert.Equal(16, Convert.FromBase64String(inPage!).Length);
            Assert.True(seen.Add(inPage!));
            Assert.True(answer.Headers.CacheControl!.NoCache);
        }

        foreach (var path in new[] { "/api/plans", "/health/live", "/assets/none.js" })
        {
            var policy = (await browser.GetAsync(path)).Headers.GetValues("Content-Security-Policy").Single();
            Assert.Contains("style-src 'self';", policy, StringComparison.Ordinal);
        }

        // A new build is there for the next who asks.
        await File.WriteAllTextAsync(file, "another <meta nonce=\"__nonce__\">");
        File.SetLastWriteTimeUtc(file, new DateTime(2026, 5, 7, 0, 0, 0, DateTimeKind.Utc));
        Assert.StartsWith("another", (await browser.GetAsync("/")).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_server_without_the_web_application_says_not_found()
    {
        await using var server = await TestServer.NewAsync();
        await using var withoutPage = server.WithWebHostBuilder(builder => builder.UseWebRoot(_root.FullName));
        Assert.Equal(HttpStatusCode.NotFound, (await new Browser(withoutPage.CreateClient()).GetAsync("/")).Status);
    }
}
