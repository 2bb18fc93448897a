using System.Net;
using System.Text.Json.Nodes;
using MorningRound.Core.Units;

namespace MorningRound.Server.Tests.Guardians;

/// <summary>
/// What a minor's guardian may, and no more. That a child's consent is a guardian's to give and to take back at any time, as
/// easily as it was given, is the General Data Protection Regulation's articles 7 and 8.
/// </summary>
public sealed class GuardianTests(OneServer server) : IClassFixture<OneServer>, IAsyncLifetime
{
    private const string Password = "a made-up password";

    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await server.OpenAsync();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static Task<Answer> WeekAsync(Browser guardian, Guid child) =>
        guardian.GetAsync($"/api/guardian/children/{child}/weeks/{TestServer.Week}");

    private static async Task<JsonArray> ChildrenAsync(Browser guardian) =>
        (await guardian.GetAsync("/api/guardian/children")).Body!.AsArray();

    private async Task<JsonNode> FileAsync() =>
        (await _school.Coach.GetAsync($"/api/students/{_school.StudentId}/file")).Body!["file"]!["coach"]!["guardian"]!;

    private static async Task<HttpStatusCode> SeesAsync(Browser browser) => (await browser.GetAsync("/api/accounts/mine")).Status;

    private Task<Answer> AcceptAsync(string link, string email, bool consents) =>
        _school
            .Server.NewBrowser()
            .PostAsync(
                $"/api/accounts/invitations/{link["/join/".Length..]}/accept",
                new
                {
                    email = $"{email}@{_school.Name}.example",
                    password = Password,
                    name = "Runa Halvorsdotter",
                    consents,
                }
            );

    [Fact]
    public async Task Consent_by_a_link_is_noted_in_the_file_and_lets_sessions_be_published()
    {
        await _school.MakeMinorAsync(_school.StudentId);
        await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await _school.PublishAsync()).Status);

        var link = await _school.GuardiansLinkAsync(_school.StudentId);
        var refused = await AcceptAsync(link, "runa", consents: false);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "consents"), (refused.Status, refused.Fields.Single()));
        Assert.Equal(HttpStatusCode.OK, (await AcceptAsync(link, "runa", consents: true)).Status);

        var noted = await FileAsync();
        Assert.Equal("Runa Halvorsdotter", noted["name"]!.GetValue<string>());
        Assert.Equal("2026-05-06", noted["consentedOn"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
        // Once.
        Assert.Equal(HttpStatusCode.NotFound, (await AcceptAsync(link, "another", consents: true)).Status);
    }

    [Fact]
    public async Task Nobody_consents_for_somebody_of_age()
    {
        var refused = await _school.Coach.PostAsync($"/api/students/{_school.StudentId}/guardians/invitations");
        Assert.Equal(HttpStatusCode.Conflict, refused.Status);
        Assert.Contains("is of age", refused.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_guardian_sees_week_completion_pain_and_the_word_of_their_child_and_of_no_other()
    {
        var guardian = await _school.GuardianAsync(_school.StudentId);
        await _school.MakeMinorAsync(_school.OtherStudentId);
        var session = await _school.PublishedSessionAsync();
        await _school.SendAsync(
            Guid.CreateVersion7(),
            session,
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            School.Entry(2, "pain", 1, ("part", "lowerBack"), ("level", 5), ("sharp", true))
        );
        var draft = await _school.SetAsync(await _school.SavePlanAsync(), "2026-05-08");
        await _school.Student.PutAsync($"/api/weeks/{TestServer.Week}/question", new { text = "Between us two only" });
        await _school.Coach.PutAsync(
            $"/api/weeks/{TestServer.Week}/students/{_school.StudentId}/word",
            new { text = "Slower, and one club more." },
            1
        );

        var child = Assert.Single(await ChildrenAsync(guardian))!;
        Assert.Equal(_school.StudentId, child["studentId"]!.GetValue<Guid>());
        var week = await WeekAsync(guardian, _school.StudentId);
        Assert.Equal(HttpStatusCode.OK, week.Status);
        // What is not published is not theirs to see.
        var shown = Assert.Single(week.Body!["sessions"]!.AsArray())!;
        Assert.Equal("2026-05-06", shown["day"]!.GetValue<string>());
        Assert.Equal("stopped", shown["status"]!.GetValue<string>());
        Assert.Equal(4, week.Body!["before"]!.AsArray().Count);
        Assert.Contains("lower back", Assert.Single(week.Body!["pain"]!.AsArray())!["text"]!.GetValue<string>());
        Assert.Equal("Slower, and one club more.", week.Get<string>("word"));
        Assert.DoesNotContain("Between us two", week.Text, StringComparison.Ordinal);
        Assert.DoesNotContain($"{draft}", week.Text, StringComparison.Ordinal);
        Assert.DoesNotContain($"{session}", week.Text, StringComparison.Ordinal);

        Assert.Equal(HttpStatusCode.NotFound, (await WeekAsync(guardian, _school.OtherStudentId)).Status);
        foreach (var path in new[] { "/api/students", "/api/plans", "/api/drills", $"/api/students/{_school.StudentId}/file" })
            Assert.Equal(HttpStatusCode.Forbidden, (await guardian.GetAsync(path)).Status);
    }

    [Fact]
    public async Task Consent_taken_back_closes_the_childs_account_and_shows_nothing_further_until_it_is_given_again()
    {
        var guardian = await _school.GuardianAsync(_school.StudentId);
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await guardian.PostAsync($"/api/guardian/children/{_school.StudentId}/withdrawal")).Status
        );
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Student));
        Assert.Equal(HttpStatusCode.NotFound, (await WeekAsync(guardian, _school.StudentId)).Status);
        var child = Assert.Single(await ChildrenAsync(guardian))!;
        Assert.Equal("", child["name"]!.GetValue<string>());
        Assert.NotNull(child["withdrawnAt"]);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await guardian.PostAsync($"/api/guardian/children/{_school.StudentId}/withdrawal")).Status
        );

        // A coach can publish nothing, and cannot let the child in over the guardian's head.
        Assert.Null((await FileAsync())["consentedOn"]);
        await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await _school.PublishAsync()).Status);
        var opening = await _school.Coach.SendAsync(
            HttpMethod.Put,
            $"/api/students/{_school.StudentId}/account/state",
            new { state = "active" }
        );
        Assert.Equal((HttpStatusCode.Conflict, "state"), (opening.Status, opening.Fields.Single()));

        var link = await _school.GuardiansLinkAsync(_school.StudentId);
        var again = new { token = link["/join/".Length..], consents = true };
        Assert.Equal(HttpStatusCode.NoContent, (await guardian.PostAsync("/api/guardian/consents", again)).Status);
        Assert.Equal(HttpStatusCode.OK, (await WeekAsync(guardian, _school.StudentId)).Status);
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await _school.Student.PostAsync(
                    "/api/accounts/sign-in",
                    new { email = $"student@{_school.Name}.example", password = Password }
                )
            ).Status
        );
    }

    [Fact]
    public async Task Nobody_comes_in_as_the_child_by_a_new_link_either_once_consent_was_taken_back()
    {
        await _school.MakeMinorAsync(_school.StudentId);
        await RemoveAsync();
        var path = $"/api/students/{_school.StudentId}/invitations";
        var before = (await _school.Coach.PostAsync(path)).Get<string>("path");
        var guardian = await _school.GuardianAsync(_school.StudentId);
        await guardian.PostAsync($"/api/guardian/children/{_school.StudentId}/withdrawal");
        Assert.Equal(HttpStatusCode.Conflict, (await AcceptAsync(before, "child", consents: true)).Status);
        Assert.Equal(HttpStatusCode.Conflict, (await _school.Coach.PostAsync(path)).Status);
        // A date nobody means, on the way.
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await guardian.GetAsync($"/api/guardian/children/{_school.StudentId}/weeks/0001-W01")).Status
        );

        Task<Answer> RemoveAsync() =>
            _school.Coach.SendAsync(
                HttpMethod.Put,
                $"/api/students/{_school.StudentId}/account/state",
                new { state = "removed" }
            );
    }

    [Fact]
    public async Task Of_two_guardians_one_who_takes_consent_back_ends_it_for_both()
    {
        var first = await _school.GuardianAsync(_school.StudentId);
        var second = await _school.GuardianAsync(_school.StudentId, "second");
        await first.PostAsync($"/api/guardian/children/{_school.StudentId}/withdrawal");
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(_school.Student));
        Assert.Equal(HttpStatusCode.NotFound, (await WeekAsync(second, _school.StudentId)).Status);
    }

    [Fact]
    public async Task A_guardian_of_two_children_needs_one_account_and_a_link_is_for_one_academy_only()
    {
        var guardian = await _school.GuardianAsync(_school.StudentId);
        await _school.MakeMinorAsync(_school.OtherStudentId);
        var second = new
        {
            token = (await _school.GuardiansLinkAsync(_school.OtherStudentId))["/join/".Length..],
            consents = true,
        };
        var elsewhere = await server.OpenAsync();
        var stranger = await elsewhere.GuardianAsync(elsewhere.StudentId);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.PostAsync("/api/guardian/consents", second)).Status);
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await guardian.PostAsync("/api/guardian/consents", second with { consents = false })).Status
        );
        Assert.Equal(HttpStatusCode.NoContent, (await guardian.PostAsync("/api/guardian/consents", second)).Status);
        Assert.Equal(2, (await ChildrenAsync(guardian)).Count);
        Assert.Equal(HttpStatusCode.OK, (await WeekAsync(guardian, _school.OtherStudentId)).Status);

        // A coach takes one away: the other stays; with the last one goes the account.
        var listed = (await _school.Coach.GetAsync($"/api/students/{_school.StudentId}/guardians")).Body!.AsArray();
        var account = Assert.Single(listed)!["accountId"]!.GetValue<Guid>();
        await _school.Coach.DeleteAsync($"/api/students/{_school.StudentId}/guardians/{account}");
        Assert.Equal(HttpStatusCode.NotFound, (await WeekAsync(guardian, _school.StudentId)).Status);
        Assert.Equal(HttpStatusCode.OK, (await WeekAsync(guardian, _school.OtherStudentId)).Status);
        await _school.Coach.DeleteAsync($"/api/students/{_school.OtherStudentId}/guardians/{account}");
        Assert.Equal(HttpStatusCode.Unauthorized, await SeesAsync(guardian));
    }

    [Fact]
    public async Task Whoever_came_of_age_is_nobodys_child()
    {
        var guardian = await _school.GuardianAsync(_school.StudentId);
        await _school.WriteFileAsync(_school.StudentId, new { coach = new { age = "adult" } });
        Assert.Equal(HttpStatusCode.NotFound, (await WeekAsync(guardian, _school.StudentId)).Status);
        Assert.True(Assert.Single(await ChildrenAsync(guardian))!["isGrownUp"]!.GetValue<bool>());
    }

    [Fact]
    public async Task Who_read_a_minors_care_notes_is_noted_once_a_day()
    {
        await _school.MakeMinorAsync(_school.StudentId);
        var path = $"/api/students/{_school.StudentId}/file";
        var care = new { age = "twelveToSeventeen", painfulParts = new[] { new { part = "lowerBack", since = "2026-05-01" } } };
        Assert.Equal(HttpStatusCode.OK, (await _school.Owner.PutAsync(path, new { coach = care }, 1)).Status);
        await _school.Coach.GetAsync(path);
        await _school.Coach.GetAsync(path);
        await _school.Student.GetAsync(path);
        var lines = (await _school.Owner.GetAsync("/api/people/security-log")).Body!["lines"]!.AsArray();
        // The owner, who wrote them, and the coach; not the student, whose own they are.
        Assert.Equal(2, lines.Count(l => l!["kind"]!.GetValue<string>() == "careNotesSeen"));
    }
}
