using System.Net;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.Accounts;

public sealed class AccountTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private readonly string _name = $"{Guid.NewGuid():N}";
    private School _school = null!;

    /// <summary>An academy of its own for every test, on one server.</summary>
    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, _name);

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static object Acceptance(string email) =>
        new
        {
            email,
            password = "a made-up password",
            name = "Somebody Made-Up",
        };

    private async Task<string> CoachTokenAsync() =>
        (await _school.Owner.PostAsync("/api/accounts/coach-invitations")).Get<string>("path")["/join/".Length..];

    [Fact]
    public async Task Signing_in_gives_a_cookie_scripts_cannot_read_and_signing_out_takes_it_back()
    {
        var browser = _school.Server.NewBrowser();
        var signedIn = await browser.PostAsync(
            "/api/accounts/sign-in",
            new { email = $"Coach@{_name}.example", password = "a made-up password" }
        );
        Assert.Equal("coach", signedIn.Body!["person"]!["role"]!.GetValue<string>());
        Assert.Equal("2026-05-06", signedIn.Body["person"]!["today"]!.GetValue<string>());
        var cookies = signedIn.Headers.GetValues("Set-Cookie").ToList();
        Assert.Equal(["morning-round", "morning-round-device"], cookies.Select(c => c.Split('=')[0]).Order());
        Assert.All(cookies, c => Assert.Contains("httponly", c, StringComparison.OrdinalIgnoreCase));
        Assert.All(cookies, c => Assert.Contains("samesite=lax", c, StringComparison.OrdinalIgnoreCase));
        Assert.Equal(HttpStatusCode.OK, (await browser.GetAsync("/api/plans")).Status);

        Assert.Equal(HttpStatusCode.NoContent, (await browser.PostAsync("/api/accounts/sign-out")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await browser.GetAsync("/api/plans")).Status);
        Assert.Null((await browser.GetAsync("/api/accounts/session")).Body!["person"]);
    }

    [Fact]
    public async Task An_invitation_works_once()
    {
        var token = await CoachTokenAsync();
        var link = $"/api/accounts/invitations/{token}";
        Assert.Equal($"{_name} Academy", (await _school.Server.NewBrowser().GetAsync(link)).Get<string>("academyName"));
        Assert.Equal(
            HttpStatusCode.OK,
            (await _school.Server.NewBrowser().PostAsync($"{link}/accept", Acceptance($"new@{_name}.example"))).Status
        );
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Server.NewBrowser().GetAsync(link)).Status);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.Server.NewBrowser().PostAsync($"{link}/accept", Acceptance($"more@{_name}.example"))).Status
        );
    }

    [Fact]
    public async Task Of_two_people_using_one_link_at_once_one_comes_in()
    {
        var path = $"/api/accounts/invitations/{await CoachTokenAsync()}/accept";
        var both = await Task.WhenAll(
            _school.Server.NewBrowser().PostAsync(path, Acceptance($"one@{_name}.example")),
            _school.Server.NewBrowser().PostAsync(path, Acceptance($"two@{_name}.example"))
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.NotFound], both.Select(a => a.Status).Order());
    }

    [Fact]
    public async Task An_invitation_expires_after_a_week()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var token = (await school.Owner.PostAsync("/api/accounts/coach-invitations")).Get<string>("path")["/join/".Length..];
        server.RealClock.Forward(TimeSpan.FromDays(6.9));
        Assert.Equal(HttpStatusCode.OK, (await server.NewBrowser().GetAsync($"/api/accounts/invitations/{token}")).Status);
        server.RealClock.Forward(TimeSpan.FromDays(0.2));
        Assert.Equal(HttpStatusCode.NotFound, (await server.NewBrowser().GetAsync($"/api/accounts/invitations/{token}")).Status);
    }

    [Fact]
    public async Task A_new_link_for_a_student_ends_the_old_one()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/students/{id}", School.StudentInput("Third Made-Up"));
        var old = (await _school.Coach.PostAsync($"/api/students/{id}/invitations")).Get<string>("path");
        var fresh = (await _school.Coach.PostAsync($"/api/students/{id}/invitations")).Get<string>("path");
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.Server.NewBrowser().GetAsync($"/api/accounts/invitations/{old[6..]}")).Status
        );
        Assert.Equal(
            "Third Made-Up",
            (await _school.Server.NewBrowser().GetAsync($"/api/accounts/invitations/{fresh[6..]}")).Get<string>("studentName")
        );
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await _school.Coach.PostAsync($"/api/students/{_school.StudentId}/invitations")).Status
        );
    }

    [Theory]
    [InlineData("not an address", "a made-up password", "email")]
    [InlineData("owner@{academy}.example", "a made-up password", "email")]
    [InlineData("fine@{academy}.example", "short", "password")]
    public async Task A_wrong_acceptance_names_its_field_and_leaves_the_link_usable(string email, string password, string field)
    {
        var path = $"/api/accounts/invitations/{await CoachTokenAsync()}";
        var refused = await _school
            .Server.NewBrowser()
            .PostAsync(
                $"{path}/accept",
                new
                {
                    email = email.Replace("{academy}", _name, StringComparison.Ordinal),
                    password,
                    name = "N",
                }
            );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field), (refused.Status, refused.Fields.Single()));
        Assert.Equal(
            HttpStatusCode.OK,
            (await _school.Server.NewBrowser().PostAsync($"{path}/accept", Acceptance($"fine@{_name}.example"))).Status
        );
    }

    [Fact]
    public async Task There_is_no_demo_where_nobody_asked_for_one()
    {
        var browser = _school.Server.NewBrowser();
        Assert.Null((await browser.GetAsync("/api/accounts/session")).Body!["demo"]);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await browser.PostAsync("/api/accounts/demo-sign-in", new { @as = "coach" })).Status
        );
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await browser.PostAsync("/api/accounts/demo-sign-in", new { @as = "greenkeeper" })).Status
        );
    }

    [Fact]
    public async Task Another_academys_rows_do_not_exist_even_under_the_same_id()
    {
        var there = await School.OpenAsync(_school.Server, "Second");
        var id = await _school.SavePlanAsync(School.Plan("Ours"));
        Assert.Equal(HttpStatusCode.NotFound, (await there.Coach.GetAsync($"/api/plans/{id}")).Status);
        Assert.Equal(HttpStatusCode.OK, (await there.Coach.PutAsync($"/api/plans/{id}", School.Plan("Theirs"))).Status);
        Assert.Equal("Ours", (await _school.Coach.GetAsync($"/api/plans/{id}")).Body!["plan"]!["title"]!.GetValue<string>());
    }
}
