using System.Net;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>What one person can ask for at once, so that nobody else waits for it. Our own numbers.</summary>
public sealed class CallLimitsTests(OneServer server) : IClassFixture<OneServer>, IAsyncLifetime
{
    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await server.OpenAsync();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static Task<Answer> CheckAsync(Browser browser) =>
        browser.PostAsync("/api/drills/check", new { drill = School.Drill() });

    [Fact]
    public async Task Of_very_many_costly_calls_at_once_some_are_told_when_to_come_back_and_nobody_elses_are()
    {
        var (most, _) = CallLimits.Of(Costly.Check);
        var flood = Enumerable.Range(0, most * 3).Select(_ => CheckAsync(_school.Coach)).ToList();
        var meanwhile = await CheckAsync(_school.Owner);
        var answers = await Task.WhenAll(flood);

        Assert.Equal(HttpStatusCode.OK, meanwhile.Status);
        Assert.Contains(answers, a => a.Status == HttpStatusCode.OK);
        var refused = answers.Where(a => a.Status != HttpStatusCode.OK).ToList();
        Assert.NotEmpty(refused);
        Assert.All(
            refused,
            a =>
            {
                Assert.Equal(HttpStatusCode.TooManyRequests, a.Status);
                Assert.InRange(a.Headers.RetryAfter!.Delta!.Value.TotalSeconds, 1, 60);
                Assert.Equal(429, a.Get<int>("status"));
            }
        );
    }

    [Fact]
    public async Task A_hundred_ordinary_calls_at_once_wait_for_each_other_and_are_all_answered()
    {
        var answers = await Task.WhenAll(Enumerable.Range(0, 100).Select(_ => _school.Student.GetAsync("/api/accounts/mine")));
        Assert.All(answers, a => Assert.Equal(HttpStatusCode.OK, a.Status));
    }

    [Fact]
    public async Task What_waits_for_its_own_turn_takes_nobody_elses_place()
    {
        // Far more than are worked on at once for everybody together.
        var flood = Enumerable.Range(0, 300).Select(_ => _school.Coach.GetAsync("/api/students")).ToList();
        var meanwhile = await _school.Owner.GetAsync("/api/accounts/mine");
        Assert.Equal(HttpStatusCode.OK, meanwhile.Status);
        Assert.Contains(flood, call => !call.IsCompleted);
        Assert.All(await Task.WhenAll(flood), a => Assert.Equal(HttpStatusCode.OK, a.Status));
    }

    [Fact]
    public async Task The_door_is_held_for_one_address_and_open_for_another()
    {
        var (most, _) = CallLimits.Of(Costly.Door);
        var credentials = new { email = $"nobody@{_school.Name}.example", password = "guessed" };
        var flood = await Task.WhenAll(
            Enumerable
                .Range(0, most + 40)
                .Select(_ => _school.Server.NewBrowser("198.51.100.77").PostAsync("/api/accounts/sign-in", credentials))
        );
        Assert.Contains(flood, a => a.Status == HttpStatusCode.TooManyRequests);
        // Guesses at one account are counted for all places together, elsewhere: this is another.
        var other = credentials with
        {
            email = $"somebody-else@{_school.Name}.example",
        };
        var elsewhere = await _school.Server.NewBrowser("198.51.100.78").PostAsync("/api/accounts/sign-in", other);
        Assert.Equal(HttpStatusCode.Unauthorized, elsewhere.Status);
    }

    [Theory]
    [InlineData("POST /api/plans/check", Costly.Check)]
    [InlineData("POST /api/weeks/{week}/check", Costly.Check)]
    [InlineData("POST /api/plans/draft", Costly.Draft)]
    [InlineData("POST /api/places/file", Costly.Import)]
    [InlineData("POST /api/drills/file", Costly.Import)]
    [InlineData("POST /api/courses/file", Costly.Import)]
    [InlineData("POST /api/rounds/{studentId:guid}/csv", Costly.Import)]
    [InlineData("POST /api/sessions/logs/{logId:guid}/entries", Costly.Append)]
    [InlineData("GET /api/sessions/{assignmentId:guid}", Costly.Session)]
    [InlineData("POST /api/accounts/sign-in", Costly.Door)]
    [InlineData("POST /api/accounts/password-reset", Costly.Door)]
    public void What_takes_work_is_limited(string call, Costly what) =>
        Assert.Equal(what, CallLimits.CostOf(EndpointsOf(_school.Server)[call]));

    private static Dictionary<string, Endpoint> EndpointsOf(TestServer server) =>
        server
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>() is not null)
            .ToDictionary(
                e => $"{e.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods[0]} /{e.RoutePattern.RawText!.TrimStart('/')}",
                e => (Endpoint)e
            );
}
