using System.Net;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Accounts;
using MorningRound.Server.DataRights;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Accounts;

/// <summary>
/// What holds up whoever guesses passwords. That a device which signed in before is counted by itself follows OWASP's
/// "Slow Down Online Guessing Attacks with Device Cookies"; the numbers are our own.
/// </summary>
public sealed class SignInGuardTests : IAsyncLifetime
{
    private TestServer _server = null!;

    public async ValueTask InitializeAsync()
    {
        _server = await TestServer.NewAsync();
        await School.OpenAsync(_server);
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private static object With(string password, string name = "coach") => new { email = $"{name}@first.example", password };

    private static Task<Answer> TryAsync(Browser browser, string password = "wrong", string name = "coach") =>
        browser.PostAsync("/api/accounts/sign-in", With(password, name));

    private static readonly string Right = "a made-up password";

    [Theory]
    [InlineData("coach")]
    [InlineData("nobody")]
    public async Task Of_forty_tries_at_once_exactly_six_are_made(string name)
    {
        var tries = await Task.WhenAll(
            Enumerable.Range(0, 40).Select(_ => TryAsync(_server.NewBrowser("192.0.2.1"), "wrong", name))
        );
        Assert.Equal(6, tries.Count(t => t.Status == HttpStatusCode.Unauthorized));
        Assert.Equal(34, tries.Count(t => t.Status == HttpStatusCode.Locked));
        Assert.All(
            tries.Where(t => t.Status == HttpStatusCode.Locked),
            t => Assert.InRange(t.Headers.RetryAfter!.Delta!.Value.TotalSeconds, 1, 900)
        );
    }

    [Fact]
    public async Task After_six_wrong_passwords_even_the_right_one_waits_a_quarter_of_an_hour()
    {
        var browser = _server.NewBrowser("192.0.2.1");
        for (var i = 0; i < 6; i++)
            Assert.Equal(HttpStatusCode.Unauthorized, (await TryAsync(browser)).Status);
        Assert.Equal(HttpStatusCode.Locked, (await TryAsync(browser, Right)).Status);
        _server.RealClock.Forward(TimeSpan.FromMinutes(14.9));
        Assert.Equal(HttpStatusCode.Locked, (await TryAsync(browser, Right)).Status);
        _server.RealClock.Forward(TimeSpan.FromMinutes(0.2));
        Assert.Equal(HttpStatusCode.OK, (await TryAsync(browser, Right)).Status);
    }

    [Fact]
    public async Task Whoever_guesses_elsewhere_locks_the_door_of_their_own_place_only()
    {
        for (var i = 0; i < 7; i++)
            await TryAsync(_server.NewBrowser("192.0.2.1"));
        Assert.Equal(HttpStatusCode.Locked, (await TryAsync(_server.NewBrowser("192.0.2.1"), Right)).Status);
        Assert.Equal(HttpStatusCode.OK, (await TryAsync(_server.NewBrowser("192.0.2.2"), Right)).Status);
    }

    [Fact]
    public async Task Guesses_from_many_places_hold_strangers_up_and_not_the_device_that_signed_in_before()
    {
        var own = _server.NewBrowser("198.51.100.7");
        Assert.Equal(HttpStatusCode.OK, (await TryAsync(own, Right)).Status);
        await own.PostAsync("/api/accounts/sign-out");
        for (var i = 0; i <= SignInGuard.MostFromStrangers; i++)
            await TryAsync(_server.NewBrowser($"203.0.113.{i}"));

        Assert.Equal(HttpStatusCode.Locked, (await TryAsync(_server.NewBrowser("192.0.2.9"), Right)).Status);
        Assert.Equal(HttpStatusCode.OK, (await TryAsync(own, Right)).Status);
        // For somebody else it is as strange a device as any.
        Assert.Equal(HttpStatusCode.OK, (await TryAsync(own, Right, "owner")).Status);
    }

    [Fact]
    public async Task One_address_may_not_go_through_the_names()
    {
        for (var i = 0; i < SignInGuard.MostFromOneAddress; i++)
            Assert.Equal(HttpStatusCode.Unauthorized, (await TryAsync(_server.NewBrowser("192.0.2.1"), name: $"name{i}")).Status);
        Assert.Equal(HttpStatusCode.Locked, (await TryAsync(_server.NewBrowser("192.0.2.1"), name: "another")).Status);
        // The half of an IPv6 address that a household chooses itself makes no other place of it.
        for (var i = 0; i < 6; i++)
            await TryAsync(_server.NewBrowser($"2001:db8:1:2::{i + 1}"));
        Assert.Equal(HttpStatusCode.Locked, (await TryAsync(_server.NewBrowser("2001:db8:1:2:a::9"), Right)).Status);
        Assert.Equal(HttpStatusCode.OK, (await TryAsync(_server.NewBrowser("2001:db8:1:3::1"), Right)).Status);
    }

    [Fact]
    public async Task A_clubhouse_whose_people_know_their_passwords_never_waits()
    {
        for (var i = 0; i < SignInGuard.MostFromOneAddress + 5; i++)
            Assert.Equal(HttpStatusCode.OK, (await TryAsync(_server.NewBrowser("192.0.2.1"), Right)).Status);
    }

    [Fact]
    public async Task A_known_address_and_an_unknown_one_cost_the_same_work_and_get_the_same_answer()
    {
        var hashing = new CountedHashing();
        await using var server = _server.WithWebHostBuilder(builder =>
            builder.ConfigureTestServices(services => services.AddSingleton<IPasswordHasher<Account>>(hashing))
        );
        async Task<(HttpStatusCode, string, int, int)> WorkOfAsync(string email)
        {
            using var client = server.CreateClient();
            _server.Statements.Take();
            hashing.Verified = 0;
            var answer = await new Browser(client).PostAsync("/api/accounts/sign-in", new { email, password = "wrong" });
            return (answer.Status, answer.Get<string>("title"), _server.Statements.Take().Count, hashing.Verified);
        }

        var known = await WorkOfAsync("coach@first.example");
        Assert.Equal(known, await WorkOfAsync("nobody@first.example"));
        Assert.Equal((HttpStatusCode.Unauthorized, 1), (known.Item1, known.Item4));
    }

    /// <summary>How often a password was worked through, which is what takes the time.</summary>
    private sealed class CountedHashing : PasswordHasher<Account>
    {
        public int Verified { get; set; }

        public override PasswordVerificationResult VerifyHashedPassword(
            Account user,
            string hashedPassword,
            string providedPassword
        )
        {
            Verified++;
            return base.VerifyHashedPassword(user, hashedPassword, providedPassword);
        }
    }

    [Fact]
    public async Task What_is_over_is_thrown_away_and_what_is_not_stays()
    {
        await TryAsync(_server.NewBrowser("192.0.2.1"));
        var (old, used) = (_server.NewBrowser("192.0.2.2"), _server.NewBrowser("192.0.2.3"));
        await TryAsync(old, Right);
        await TryAsync(used, Right);
        _server.RealClock.Forward(TimeSpan.FromDays(20));
        Assert.Equal(HttpStatusCode.OK, (await used.GetAsync("/api/accounts/mine")).Status);
        _server.RealClock.Forward(TimeSpan.FromDays(20));
        await TidyAsync();

        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        Assert.False(await db.Set<SignInTry>().AnyAsync());
        // Whoever was here twenty days ago still is.
        Assert.Equal(HttpStatusCode.OK, (await used.GetAsync("/api/accounts/mine")).Status);
        Assert.Equal("192.0.2.3", (await db.Set<SignIn>().SingleAsync()).Address);
        Assert.True(await db.Set<SecurityEvent>().AnyAsync());
        _server.RealClock.Forward(TimeSpan.FromDays(366));
        await TidyAsync();
        Assert.False(await db.Set<SecurityEvent>().AnyAsync());

        async Task TidyAsync()
        {
            await using var work = _server.Services.CreateAsyncScope();
            await work.ServiceProvider.GetRequiredService<Tidying>().TidyAsync(default);
            await work.ServiceProvider.GetRequiredService<RetentionService>().DeleteOldAsync(default);
        }
    }
}
