using System.Data.Common;
using System.Net;
using System.Net.Http.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using Npgsql;

namespace MorningRound.Server.Tests.Hosting;

public class ServerTests
{
    [Fact]
    public async Task Tables_of_another_release_are_refused_with_a_way_on_and_left_as_they_are()
    {
        var connection = await TestDatabase.NewAsync();
        await using var other = new NpgsqlConnection(connection);
        await other.OpenAsync();
        // The history and one table, as the first releases made them.
        await using (
            var older = new NpgsqlCommand(
                """
                CREATE TABLE "__EFMigrationsHistory" ("MigrationId" varchar(150) PRIMARY KEY, "ProductVersion" varchar(32));
                INSERT INTO "__EFMigrationsHistory" VALUES ('20250101000000_First', '10.0.0');
                CREATE TABLE "Plans" ("Id" uuid PRIMARY KEY);
                INSERT INTO "Plans" VALUES ('01890000-0000-7000-8000-000000000001');
                """,
                other
            )
        )
            await older.ExecuteNonQueryAsync();

        await using var server = new TestServer(connection);
        var refusal = await Assert.ThrowsAsync<StartRefusedException>(() =>
            Task.Run(() => server.NewBrowser().GetAsync("/health/ready"))
        );
        Assert.Contains("another --data folder", refusal.Message, StringComparison.Ordinal);

        await using var left = new NpgsqlCommand(
            """SELECT (SELECT count(*) FROM "Plans"), (SELECT count(*) FROM information_schema.tables WHERE table_schema = 'public')""",
            other
        );
        await using var row = await left.ExecuteReaderAsync();
        Assert.True(await row.ReadAsync());
        Assert.Equal((1L, 2L), (row.GetInt64(0), row.GetInt64(1)));
    }

    [Fact]
    public async Task A_cookie_of_one_copy_of_the_server_is_good_at_another()
    {
        var connection = await TestDatabase.WithDemoAsync();
        await using var one = new TestServer(connection, isDemo: true);
        await using var other = new TestServer(connection, isDemo: true);
        var signedIn = await one.NewBrowser().PostAsync("/api/accounts/demo-sign-in", new { @as = "coach" });
        var cookie = signedIn
            .Headers.GetValues("Set-Cookie")
            .Single(c => c.StartsWith("morning-round=", StringComparison.Ordinal))
            .Split(';')[0];
        var answer = await other.NewBrowser().SendAsync(HttpMethod.Get, "/api/plans", null, ("Cookie", cookie));
        Assert.Equal(HttpStatusCode.OK, answer.Status);
    }

    [Fact]
    public async Task A_database_somebody_named_never_shows_a_demo_even_if_one_lies_in_it()
    {
        await using var named = new TestServer(await TestDatabase.WithDemoAsync());
        var browser = named.NewBrowser();
        Assert.Null((await browser.GetAsync("/api/accounts/session")).Body!["demo"]);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await browser.PostAsync("/api/accounts/demo-sign-in", new { @as = "coach" })).Status
        );
    }

    [Fact]
    public async Task No_screen_asks_the_database_once_for_every_row()
    {
        var counter = new CommandCounter();
        await using var plain = await TestServer.NewAsync(isDemo: true);
        await using var server = plain.WithWebHostBuilder(builder =>
            builder.ConfigureTestServices(services =>
                services.AddSingleton<IDbContextOptionsConfiguration<MorningRoundDb>>(new Counting(counter))
            )
        );
        var browser = new Browser(server.CreateClient());
        await browser.PostAsync("/api/accounts/demo-sign-in", new { @as = "coach" });
        var student = (await browser.GetAsync("/api/students")).Body![0]!["id"]!.GetValue<Guid>();
        foreach (
            var path in new[]
            {
                "/api/review/tee-line",
                "/api/plans",
                "/api/drills",
                "/api/places",
                $"/api/students/{student}/file",
                "/api/students",
                $"/api/progress/{student}",
                $"/api/weeks/2026-W18/students/{student}",
                "/api/accounts/session",
            }
        )
        {
            counter.Commands = 0;
            Assert.Equal(HttpStatusCode.OK, (await browser.GetAsync(path)).Status);
            // One of them asks whether the sign-in still holds.
            Assert.True(counter.Commands is > 0 and <= 8, $"{path} took {counter.Commands} commands.");
        }
    }

    private sealed class Counting(CommandCounter counter) : IDbContextOptionsConfiguration<MorningRoundDb>
    {
        public void Configure(IServiceProvider serviceProvider, DbContextOptionsBuilder optionsBuilder) =>
            optionsBuilder.AddInterceptors(counter);
    }

    private sealed class CommandCounter : DbCommandInterceptor
    {
        public int Commands { get; set; }

        public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
            DbCommand command,
            CommandEventData eventData,
            InterceptionResult<DbDataReader> result,
            CancellationToken cancellationToken = default
        )
        {
            Commands++;
            return new(result);
        }
    }

    [Fact]
    public async Task Only_names_that_were_said_to_lead_here_are_answered_and_over_https_cookies_and_headers_insist_on_it()
    {
        await using var plain = await TestServer.NewAsync();
        await using var server = plain.WithWebHostBuilder(builder => builder.UseSetting("AllowedHosts", "practice.example"));
        using var client = server.CreateClient();
        Assert.Equal(HttpStatusCode.OK, (await AskAsync("practice.example")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await AskAsync("elsewhere.example")).StatusCode);

        var school = await School.OpenAsync(plain);
        using var signIn = new HttpRequestMessage(HttpMethod.Post, "https://practice.example/api/accounts/sign-in");
        signIn.Content = JsonContent.Create(new { email = $"coach@{school.Name}.example", password = "a made-up password" });
        using var overHttps = await client.SendAsync(signIn);
        Assert.Equal(HttpStatusCode.OK, overHttps.StatusCode);
        Assert.Equal("max-age=31536000", overHttps.Headers.GetValues("Strict-Transport-Security").Single());
        // RFC 6265bis, section 4.1.3.2: such a name is taken with Secure, Path=/ and no Domain only.
        Assert.All(
            overHttps.Headers.GetValues("Set-Cookie"),
            cookie =>
            {
                Assert.StartsWith("__Host-", cookie, StringComparison.Ordinal);
                Assert.Contains("; secure", cookie, StringComparison.OrdinalIgnoreCase);
                Assert.Contains("; path=/", cookie, StringComparison.OrdinalIgnoreCase);
                Assert.DoesNotContain("domain=", cookie, StringComparison.OrdinalIgnoreCase);
            }
        );

        async Task<HttpResponseMessage> AskAsync(string host)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, $"http://{host}/health/live");
            return await client.SendAsync(request);
        }
    }
}
