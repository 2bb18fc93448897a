using System.Net;
using System.Text;
using MorningRound.Core.Units;

namespace MorningRound.Server.Tests.Accounts;

public sealed class MyAccountTests(OneServer server) : IClassFixture<OneServer>, IAsyncLifetime
{
    private const string Password = "a made-up password";

    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await server.OpenAsync();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static async Task<string> EmailAsync(Browser browser) =>
        (await browser.GetAsync("/api/accounts/mine")).Get<string>("email");

    private async Task<(Browser Browser, Answer Answer)> SignInAsync(string email, string password)
    {
        var browser = _school.Server.NewBrowser();
        return (browser, await browser.PostAsync("/api/accounts/sign-in", new { email, password }));
    }

    [Fact]
    public async Task A_new_password_ends_every_other_sign_in_and_keeps_this_one()
    {
        var email = await EmailAsync(_school.Student);
        var (elsewhere, _) = await SignInAsync(email, Password);
        var change = new { current = Password, password = "other words of mine" };
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Student.PostAsync("/api/accounts/mine/password", change)).Status);
        Assert.Equal(HttpStatusCode.OK, (await _school.Student.GetAsync("/api/accounts/mine")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await elsewhere.GetAsync("/api/accounts/mine")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await SignInAsync(email, Password)).Answer.Status);
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(email, "other words of mine")).Answer.Status);
    }

    [Theory]
    [InlineData("not mine at all", "other words of mine", "current")]
    [InlineData(Password, "short", "password")]
    [InlineData(Password, "aaaaaaaaaaaa", "password")]
    // The first two stand in published lists of leaked passwords; the others are one of them with a year behind it, and the name.
    [InlineData(Password, "Basketball", "password")]
    [InlineData(Password, "qwertyuiop", "password")]
    [InlineData(Password, "Sunshine2026!", "password")]
    [InlineData(Password, "somebody made-up", "password")]
    public async Task A_change_that_will_not_do_names_its_field_and_changes_nothing(string current, string password, string field)
    {
        var refused = await _school.Student.PostAsync("/api/accounts/mine/password", new { current, password });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field), (refused.Status, refused.Fields.Single()));
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(await EmailAsync(_school.Student), Password)).Answer.Status);
    }

    [Fact]
    public async Task Where_somebody_is_signed_in_is_listed_and_each_can_be_ended()
    {
        var email = await EmailAsync(_school.Student);
        var phone = _school.Server.NewBrowser("192.0.2.17");
        await phone.SendAsync(
            HttpMethod.Post,
            "/api/accounts/sign-in",
            new { email, password = Password },
            ("User-Agent", "Mozilla/5.0 (Android 15; Mobile; rv:140.0) Gecko/140.0 Firefox/140.0")
        );
        var places = (await _school.Student.GetAsync("/api/accounts/mine")).Body!["signIns"]!.AsArray();
        Assert.Equal(2, places.Count);
        Assert.True(places[0]!["isThis"]!.GetValue<bool>());
        Assert.Equal(
            ("Firefox on Android", "192.0.2.17", false),
            (
                places[1]!["device"]!.GetValue<string>(),
                places[1]!["address"]!.GetValue<string>(),
                places[1]!["isThis"]!.GetValue<bool>()
            )
        );

        var id = places[1]!["id"]!.GetValue<string>();
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await _school.OtherStudent.DeleteAsync($"/api/accounts/mine/sign-ins/{id}")).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await phone.GetAsync("/api/accounts/mine")).Status);
        await _school.Student.DeleteAsync($"/api/accounts/mine/sign-ins/{id}");
        Assert.Equal(HttpStatusCode.Unauthorized, (await phone.GetAsync("/api/accounts/mine")).Status);
    }

    [Fact]
    public async Task Signing_out_everywhere_ends_this_one_too()
    {
        var (elsewhere, _) = await SignInAsync(await EmailAsync(_school.Student), Password);
        await _school.Student.PostAsync("/api/accounts/mine/sign-out-everywhere");
        Assert.Equal(HttpStatusCode.Unauthorized, (await elsewhere.GetAsync("/api/accounts/mine")).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await _school.Student.GetAsync("/api/accounts/mine")).Status);
        Assert.Equal(HttpStatusCode.OK, (await _school.OtherStudent.GetAsync("/api/accounts/mine")).Status);
    }

    /// <summary>RFC 6238, appendix B: the values for SHA-1.</summary>
    [Theory]
    [InlineData(59, "94287082")]
    [InlineData(1111111109, "07081804")]
    [InlineData(1111111111, "14050471")]
    [InlineData(1234567890, "89005924")]
    [InlineData(2000000000, "69279037")]
    public void The_codes_of_these_tests_are_those_of_the_standard(long seconds, string code) =>
        Assert.Equal(
            code,
            Totp.Code(Encoding.ASCII.GetBytes("12345678901234567890"), DateTimeOffset.FromUnixTimeSeconds(seconds), 8)
        );

    private async Task<(string Key, IReadOnlyList<string> Codes)> SwitchOnAsync()
    {
        var begun = await _school.Coach.PostAsync("/api/accounts/mine/second-step/begin", new { current = Password });
        var key = begun.Get<string>("key");
        Assert.StartsWith("<svg", begun.Get<string>("svg"), StringComparison.Ordinal);
        // Nothing is asked for before a code was right.
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(await EmailAsync(_school.Coach), Password)).Answer.Status);
        var finished = await _school.Coach.PostAsync(
            "/api/accounts/mine/second-step/finish",
            new { code = Totp.Code(key, DateTimeOffset.UtcNow) }
        );
        return (key, [.. finished.Body!["codes"]!.AsArray().Select(c => c!.GetValue<string>())]);
    }

    [Fact]
    public async Task With_a_second_step_the_password_alone_signs_nobody_in()
    {
        var email = await EmailAsync(_school.Coach);
        var (before, _) = await SignInAsync(email, Password);
        var (key, _) = await SwitchOnAsync();
        Assert.Equal(HttpStatusCode.Unauthorized, (await before.GetAsync("/api/accounts/mine")).Status);

        var (browser, answer) = await SignInAsync(email, Password);
        Assert.True(answer.Get<bool>("needsSecondStep"));
        Assert.Null(answer.Body!["person"]);
        Assert.Equal(HttpStatusCode.Unauthorized, (await browser.GetAsync("/api/accounts/mine")).Status);
        var wrong = await browser.PostAsync("/api/accounts/second-step", new { code = "12345" });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "code"), (wrong.Status, wrong.Fields.Single()));
        var right = await browser.PostAsync(
            "/api/accounts/second-step",
            new { code = Totp.Code(key, DateTimeOffset.UtcNow).Insert(3, " ") }
        );
        Assert.Equal("coach", right.Body!["person"]!["role"]!.GetValue<string>());
        Assert.True((await browser.GetAsync("/api/accounts/mine")).Get<bool>("hasSecondStep"));
    }

    [Fact]
    public async Task A_recovery_code_is_good_once_and_codes_are_guessed_at_six_times()
    {
        var email = await EmailAsync(_school.Coach);
        var (_, codes) = await SwitchOnAsync();
        Assert.Equal(10, codes.Distinct().Count());
        var (browser, _) = await SignInAsync(email, Password);
        var typed = codes[0].Replace("-", "", StringComparison.Ordinal).ToLowerInvariant();
        Assert.Equal(HttpStatusCode.OK, (await browser.PostAsync("/api/accounts/second-step", new { code = typed })).Status);
        Assert.Equal(9, (await browser.GetAsync("/api/accounts/mine")).Get<int>("recoveryCodesLeft"));

        var (again, _) = await SignInAsync(email, Password);
        for (var i = 0; i < 6; i++)
            Assert.Equal(
                HttpStatusCode.UnprocessableEntity,
                (await again.PostAsync("/api/accounts/second-step", new { code = codes[0] })).Status
            );
        Assert.Equal(HttpStatusCode.Locked, (await again.PostAsync("/api/accounts/second-step", new { code = codes[1] })).Status);
    }

    [Fact]
    public async Task The_second_step_is_switched_off_by_its_owner_with_the_password_or_by_the_academys_owner()
    {
        await SwitchOnAsync();
        var wrong = await _school.Coach.PostAsync("/api/accounts/mine/second-step/end", new { current = "guessed words" });
        Assert.Equal("current", wrong.Fields.Single());
        await _school.Coach.PostAsync("/api/accounts/mine/second-step/end", new { current = Password });
        Assert.False((await _school.Coach.GetAsync("/api/accounts/mine")).Get<bool>("hasSecondStep"));

        await SwitchOnAsync();
        await _school.Owner.DeleteAsync($"/api/people/{_school.CoachAccount}/second-step");
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync($"coach@{_school.Name}.example", Password)).Answer.Status);
    }

    [Fact]
    public async Task A_student_has_no_second_step_to_lock_themselves_out_with() =>
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await _school.Student.PostAsync("/api/accounts/mine/second-step/begin", new { current = Password })).Status
        );
}
