using System.Net;
using System.Text.Json.Nodes;
using MorningRound.Core.Units;

namespace MorningRound.Server.Tests.Accounts;

public sealed class PeopleTests(OneServer server) : IClassFixture<OneServer>, IAsyncLifetime
{
    private const string Password = "a made-up password";

    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await server.OpenAsync();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<JsonArray> StaffAsync() => (await _school.Owner.GetAsync("/api/people")).Body!["staff"]!.AsArray();

    private static Task<Answer> SetRoleAsync(Browser by, Guid account, string role) =>
        by.SendAsync(HttpMethod.Put, $"/api/people/{account}/role", new { role });

    private static Task<Answer> SetStateAsync(Browser by, Guid account, string state, Guid? handTo = null) =>
        by.SendAsync(HttpMethod.Put, $"/api/people/{account}/state", new { state, handTo });

    private static Task<Answer> SetStudentStateAsync(Browser by, Guid student, string state) =>
        by.SendAsync(HttpMethod.Put, $"/api/students/{student}/account/state", new { state });

    private async Task<Answer> SignInAsync(string name, string password = Password) =>
        await _school
            .Server.NewBrowser()
            .PostAsync("/api/accounts/sign-in", new { email = $"{name}@{_school.Name}.example", password });

    private static async Task<HttpStatusCode> SeesAsync(Browser browser) => (await browser.GetAsync("/api/accounts/mine")).Status;

    [Fact]
    public async Task An_owner_sees_who_looks_after_the_academy_and_who_was_asked_to()
    {
        var link = (await _school.Owner.PostAsync("/api/accounts/coach-invitations")).Get<string>("path");
        var people = (await _school.Owner.GetAsync("/api/people")).Body!;
        Assert.Equal(["owner", "coach"], people["staff"]!.AsArray().Select(s => s!["role"]!.GetValue<string>()));
        var open = Assert.Single(people["invitations"]!.AsArray())!;
        Assert.Equal("coach", open["role"]!.GetValue<string>());
        Assert.DoesNotContain(link["/join/".Length..], people.ToJsonString(), StringComparison.Ordinal);

        await _school.Owner.DeleteAsync($"/api/people/invitations/{open["id"]!.GetValue<string>()}");
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.Server.NewBrowser().GetAsync($"/api/accounts/invitations/{link["/join/".Length..]}")).Status
        );
        Assert.Empty((await _school.Owner.GetAsync("/api/people")).Body!["invitations"]!.AsArray());
    }

    [Fact]
    public async Task A_second_owner_can_be_made_and_the_first_can_step_down_but_not_the_last()
    {
        var owner = await School.AccountAsync(_school.Owner);
        var refused = await SetRoleAsync(_school.Owner, owner, "coach");
        Assert.Equal((HttpStatusCode.Conflict, "role"), (refused.Status, refused.Fields.Single()));

        Assert.Equal(HttpStatusCode.NoContent, (await SetRoleAsync(_school.Owner, _school.CoachAccount, "owner")).Status);
        // What a cookie says of a role is not good any more.
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Coach));
        var second = _school.Server.NewBrowser();
        await second.PostAsync("/api/accounts/sign-in", new { email = $"coach@{_school.Name}.example", password = Password });
        Assert.Equal(HttpStatusCode.OK, (await second.GetAsync("/api/people")).Status);

        Assert.Equal(HttpStatusCode.NoContent, (await SetRoleAsync(_school.Owner, owner, "coach")).Status);
        Assert.Equal(HttpStatusCode.OK, await SeesAsync(_school.Owner));
        Assert.Equal(HttpStatusCode.Forbidden, (await _school.Owner.GetAsync("/api/people")).Status);
    }

    [Fact]
    public async Task Of_two_owners_who_step_down_at_once_one_stays()
    {
        await SetRoleAsync(_school.Owner, _school.CoachAccount, "owner");
        var second = _school.Server.NewBrowser();
        await second.PostAsync("/api/accounts/sign-in", new { email = $"coach@{_school.Name}.example", password = Password });
        var owner = await School.AccountAsync(_school.Owner);
        var both = await Task.WhenAll(
            SetRoleAsync(_school.Owner, owner, "coach"),
            SetRoleAsync(second, _school.CoachAccount, "coach")
        );
        Assert.Equal([HttpStatusCode.NoContent, HttpStatusCode.Conflict], both.Select(a => a.Status).Order());
    }

    [Fact]
    public async Task A_closed_account_is_out_at_the_next_call_and_comes_in_again_when_it_is_opened()
    {
        var feed = (await _school.Student.PostAsync("/api/calendar")).Body?["path"]?.GetValue<string>();
        Assert.Equal(HttpStatusCode.NoContent, (await SetStudentStateAsync(_school.Coach, _school.StudentId, "disabled")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Student));
        Assert.Equal(HttpStatusCode.Unauthorized, (await SignInAsync("student")).Status);
        if (feed is not null)
            Assert.Equal(HttpStatusCode.NotFound, (await _school.Server.NewBrowser().GetAsync(feed)).Status);
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await _school.Coach.PostAsync($"/api/students/{_school.StudentId}/account/password-link")).Status
        );
        Assert.Equal(HttpStatusCode.OK, await SeesAsync(_school.OtherStudent));

        await SetStudentStateAsync(_school.Coach, _school.StudentId, "active");
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync("student")).Status);
    }

    [Fact]
    public async Task A_student_whose_account_was_taken_away_keeps_the_file_and_can_be_asked_anew()
    {
        await SetStudentStateAsync(_school.Coach, _school.StudentId, "removed");
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Student));
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.GetAsync($"/api/students/{_school.StudentId}/file")).Status);
        var link = await _school.Coach.PostAsync($"/api/students/{_school.StudentId}/invitations");
        var back = await School.JoinAsync(_school.Server, link.Get<string>("path"), $"student@{_school.Name}.example");
        Assert.Equal(HttpStatusCode.OK, (await back.GetAsync($"/api/progress/{_school.StudentId}")).Status);
    }

    [Fact]
    public async Task A_coach_who_leaves_hands_their_students_on_and_stays_by_name_in_what_they_wrote()
    {
        var owner = await School.AccountAsync(_school.Owner);
        await _school.Coach.PutAsync(
            $"/api/students/{_school.StudentId}/file",
            new { own = new { routine = new[] { "Look, breathe, go" } } },
            0
        );
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await SetStateAsync(_school.Owner, _school.CoachAccount, "removed", owner)).Status
        );
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Coach));
        Assert.Equal(HttpStatusCode.Unauthorized, (await SignInAsync("coach")).Status);
        Assert.Single(await StaffAsync());
        var student = (await _school.Owner.GetAsync($"/api/students/{_school.StudentId}")).Body!;
        Assert.Equal(owner, Guid.Parse(student["coachId"]!.GetValue<string>()));
        var changes = (await _school.Owner.GetAsync($"/api/students/{_school.StudentId}/file")).Body!["changes"]!.AsArray();
        Assert.Contains(changes, c => c!["fields"]!.AsArray().Any(f => f!.GetValue<string>() == "coach"));
        // The address is free again.
        var again = (await _school.Owner.PostAsync("/api/accounts/coach-invitations")).Get<string>("path");
        await School.JoinAsync(_school.Server, again, $"coach@{_school.Name}.example");
    }

    [Fact]
    public async Task Nobody_closes_their_own_account_and_nobody_reaches_into_another_academy()
    {
        var owner = await School.AccountAsync(_school.Owner);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await SetStateAsync(_school.Owner, owner, "removed")).Status);
        var there = await server.OpenAsync();
        Assert.Equal(HttpStatusCode.NotFound, (await SetStateAsync(there.Owner, _school.CoachAccount, "removed")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await SetRoleAsync(there.Owner, _school.CoachAccount, "owner")).Status);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await there.Owner.PostAsync($"/api/people/{_school.CoachAccount}/password-link")).Status
        );
        Assert.Equal(HttpStatusCode.NotFound, (await SetStudentStateAsync(there.Coach, _school.StudentId, "removed")).Status);
        var theirs = await School.AccountAsync(there.Owner);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await SetStateAsync(_school.Owner, _school.CoachAccount, "removed", theirs)).Status
        );
        // A student's account is no coach's.
        Assert.Equal(HttpStatusCode.NotFound, (await SetRoleAsync(_school.Owner, _school.StudentAccount, "owner")).Status);
        Assert.Equal(HttpStatusCode.OK, await SeesAsync(_school.Coach));
    }

    [Fact]
    public async Task A_link_a_coach_hands_over_gives_one_new_password_and_lets_in()
    {
        var path = (await _school.Coach.PostAsync($"/api/students/{_school.StudentId}/account/password-link")).Get<string>(
            "path"
        );
        var parts = path.Split('/');
        var browser = _school.Server.NewBrowser();
        object Reset(string password) =>
            new
            {
                accountId = parts[2],
                token = parts[3],
                password,
            };
        var refused = await browser.PostAsync("/api/accounts/password-reset", Reset("short"));
        Assert.Equal("password", refused.Fields.Single());
        Assert.Equal(
            HttpStatusCode.OK,
            (await browser.PostAsync("/api/accounts/password-reset", Reset("new words of mine"))).Status
        );
        Assert.Equal(HttpStatusCode.OK, await SeesAsync(browser));
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Student));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await browser.PostAsync("/api/accounts/password-reset", Reset("more words of mine"))).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync("student", "new words of mine")).Status);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await browser.PostAsync(
                    "/api/accounts/password-reset",
                    new
                    {
                        accountId = _school.StudentAccount,
                        token = "not+base64!",
                        password = "more words of mine",
                    }
                )
            ).Status
        );
    }

    [Fact]
    public async Task An_academys_zone_decides_at_once_which_day_it_is()
    {
        var now = await _school.Student.GetAsync("/api/accounts/session");
        Assert.Equal("2026-05-06", now.Body!["person"]!["today"]!.GetValue<string>());
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await _school.Owner.SendAsync(HttpMethod.Put, "/api/academy", new { name = "Osier", timeZone = "Nowhere" })).Status
        );
        await _school.Owner.SendAsync(HttpMethod.Put, "/api/academy", new { name = "Osier", timeZone = "Pacific/Kiritimati" });
        // Nine in the morning in UTC is eleven at night there.
        var person = (await _school.Student.GetAsync("/api/accounts/session")).Body!["person"]!;
        Assert.Equal(
            ("Osier", "Pacific/Kiritimati", "2026-05-06"),
            (
                person["academyName"]!.GetValue<string>(),
                person["timeZone"]!.GetValue<string>(),
                person["today"]!.GetValue<string>()
            )
        );
        await _school.Owner.SendAsync(HttpMethod.Put, "/api/academy", new { name = "Osier", timeZone = "Pacific/Pago_Pago" });
    }

    [Fact]
    public async Task The_security_log_tells_an_owner_who_did_what_and_holds_nothing_of_others()
    {
        await SignInAsync("coach", "wrong words");
        await _school.Coach.PostAsync($"/api/students/{_school.StudentId}/account/password-link");
        await SetStateAsync(_school.Owner, _school.CoachAccount, "disabled");
        var lines = (await _school.Owner.GetAsync("/api/people/security-log")).Body!["lines"]!.AsArray();
        var kinds = lines.Select(l => l!["kind"]!.GetValue<string>()).ToList();
        Assert.Equal(["disabled", "passwordLinkMade", "signInFailed"], kinds.Take(3));
        Assert.Equal("Somebody Made-Up", lines[1]!["student"]!.GetValue<string>());
        Assert.Equal("127.0.0.1", lines[1]!["address"]!.GetValue<string>());
        Assert.Contains("joined", kinds);
        Assert.Contains("invited", kinds);
        var there = await server.OpenAsync();
        var theirs = (await there.Owner.GetAsync("/api/people/security-log")).Body!["lines"]!.AsArray();
        Assert.DoesNotContain("disabled", theirs.Select(l => l!["kind"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Whoever_holds_the_secret_founds_an_academy_while_the_server_runs()
    {
        var browser = _school.Server.NewBrowser("192.0.2.44");
        object Founding(string secret, string email = "founder") =>
            new
            {
                secret,
                academyName = "Weir Meadow",
                timeZone = "Europe/Lisbon",
                name = "Ada Founder",
                email = $"{email}@{_school.Name}.example",
                password = "words of a founder",
            };
        var wrong = await browser.PostAsync("/api/accounts/academies", Founding("guessed"));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "secret"), (wrong.Status, wrong.Fields.Single()));
        var taken = await browser.PostAsync("/api/accounts/academies", Founding(TestServer.SetupSecret, "coach"));
        Assert.Equal("email", taken.Fields.Single());

        var founded = await browser.PostAsync("/api/accounts/academies", Founding(TestServer.SetupSecret));
        Assert.Equal("Weir Meadow", founded.Body!["person"]!["academyName"]!.GetValue<string>());
        Assert.NotEmpty((await browser.GetAsync("/api/drills")).Body!.AsArray());
        Assert.Empty((await browser.GetAsync("/api/students")).Body!.AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await browser.GetAsync($"/api/students/{_school.StudentId}")).Status);

        var guesser = _school.Server.NewBrowser("192.0.2.45");
        for (var i = 0; i < 6; i++)
            await guesser.PostAsync("/api/accounts/academies", Founding($"guess {i}"));
        Assert.Equal(
            HttpStatusCode.Locked,
            (await guesser.PostAsync("/api/accounts/academies", Founding(TestServer.SetupSecret, "late"))).Status
        );
    }
}
