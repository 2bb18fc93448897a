using System.Net;

namespace MorningRound.Server.Tests.Students;

/// <summary>
/// A student goes from one coach to another with weeks and notes; whose sheet, tee line and calendar they stand in changes. In
/// the school the coach looks after both students, and the owner after nobody.
/// </summary>
public sealed class HandOverTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private const string Sheet = $"/api/weeks/{TestServer.Week}/sheet";

    private School _school = null!;
    private Guid _owner;

    public async ValueTask InitializeAsync()
    {
        _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");
        _owner = (await _school.Owner.GetAsync("/api/accounts/session")).Body!["person"]!["accountId"]!.GetValue<Guid>();
    }

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private Task<Answer> HandOverAsync(object to, int version = 1) =>
        _school.Coach.PutAsync($"/api/students/{_school.StudentId}/coach", new { coachId = to }, version);

    private static async Task<IEnumerable<Guid>> OnSheetAsync(Browser coach, string query = "") =>
        (await coach.GetAsync(Sheet + query)).Body!["rows"]!.AsArray().Select(r => r!["studentId"]!.GetValue<Guid>()).Order();

    private static async Task<IEnumerable<Guid>> OnTeeLineAsync(Browser coach, string query = "") =>
        (await coach.GetAsync($"/api/review/tee-line{query}")).Body!["rows"]!
            .AsArray()
            .Select(r => r!["student"]!["id"]!.GetValue<Guid>())
            .Order();

    [Fact]
    public async Task Whoever_looks_after_nobody_sees_everybody_and_each_their_own_afterwards()
    {
        Guid[] both = [_school.StudentId, _school.OtherStudentId];
        Assert.Equal(both.Order(), await OnSheetAsync(_school.Owner));
        Assert.Equal(both.Order(), await OnTeeLineAsync(_school.Owner));
        Assert.Equal(_owner, (await HandOverAsync(_owner)).Get<Guid>("coachId"));
        foreach (var (coach, theirs) in new[] { (_school.Owner, _school.StudentId), (_school.Coach, _school.OtherStudentId) })
        {
            Assert.Equal([theirs], await OnSheetAsync(coach));
            Assert.Equal([theirs], await OnTeeLineAsync(coach));
            Assert.Equal(both.Order(), await OnSheetAsync(coach, "?everybody=true"));
            Assert.Equal(both.Order(), await OnTeeLineAsync(coach, "?everybody=true"));
            var counted = (await coach.GetAsync(Sheet)).Body!["counted"]!;
            Assert.Equal((2, 1), (counted["all"]!.GetValue<int>(), counted["mine"]!.GetValue<int>()));
        }
    }

    [Fact]
    public async Task Weeks_drafts_and_notes_go_along_and_the_file_tells_who_handed_over()
    {
        var plan = await _school.SavePlanAsync();
        var published = await _school.SetAsync(plan);
        await _school.PublishAsync();
        var draft = await _school.SetAsync(plan, "2026-05-08");
        await _school.WriteFileAsync(_school.StudentId, new { coach = new { setUpBasics = new[] { "Grip" } } });
        await HandOverAsync(_owner);
        var sheet = (await _school.Owner.GetAsync($"{Sheet}?student={_school.StudentId}")).Body!;
        Assert.Equal(
            new[] { published, draft }.Order(),
            sheet["rows"]![0]!["sessions"]!.AsArray().Select(s => s!["assignmentId"]!.GetValue<Guid>()).Order()
        );
        var file = (await _school.Owner.GetAsync($"/api/students/{_school.StudentId}/file")).Body!;
        Assert.Equal("Grip", (string)file["file"]!["coach"]!["setUpBasics"]![0]!);
        Assert.Contains(
            file["changes"]!.AsArray(),
            c => c!["fields"]!.AsArray().Select(f => (string)f!).SequenceEqual(["coach"])
        );
        // The other coach goes on with the draft; the first one still can, as a stand-in does.
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Owner.DeleteAsync($"/api/weeks/assignments/{draft}", 1)).Status);
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.GetAsync($"{Sheet}?student={_school.StudentId}")).Status);
    }

    [Fact]
    public async Task A_calendar_holds_those_whom_its_coach_looks_after()
    {
        await _school.PublishedSessionAsync();
        using var reader = _school.Server.CreateClient();
        var (coach, owner) = (await AddressAsync(_school.Coach), await AddressAsync(_school.Owner));
        Assert.Contains("Half an hour", await reader.GetStringAsync(coach), StringComparison.Ordinal);
        await HandOverAsync(_owner);
        Assert.DoesNotContain("Half an hour", await reader.GetStringAsync(coach), StringComparison.Ordinal);
        Assert.Contains("Half an hour", await reader.GetStringAsync(owner), StringComparison.Ordinal);

        static async Task<string> AddressAsync(Browser browser) => (await browser.PostAsync("/api/calendar")).Get<string>("path");
    }

    [Fact]
    public async Task Only_a_coach_of_this_academy_can_be_handed_a_student_and_the_later_of_two_sees_what_changed()
    {
        var elsewhere = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");
        foreach (var nobody in new[] { elsewhere.CoachAccount, _school.StudentAccount, Guid.CreateVersion7() })
        {
            var refused = await HandOverAsync(nobody);
            Assert.Equal((HttpStatusCode.UnprocessableEntity, "coachId"), (refused.Status, Assert.Single(refused.Fields)));
        }

        Assert.Equal(HttpStatusCode.OK, (await HandOverAsync(_owner)).Status);
        // The same once more changes nothing; another change from the old version is told of the new one.
        Assert.Equal(HttpStatusCode.OK, (await HandOverAsync(_owner)).Status);
        var late = await HandOverAsync(_school.CoachAccount);
        Assert.Equal(HttpStatusCode.PreconditionFailed, late.Status);
        Assert.Equal(_owner, late.Body!["current"]!["coachId"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task The_coaches_of_an_academy_are_listed_without_its_students()
    {
        var coaches = (await _school.Coach.GetAsync("/api/accounts/coaches")).Body!.AsArray();
        Assert.Equal(
            new[] { _owner, _school.CoachAccount }.Order(),
            coaches.Select(c => c!["accountId"]!.GetValue<Guid>()).Order()
        );
    }

    [Fact]
    public async Task One_students_sheet_tells_what_stands_beside_the_week()
    {
        var assignment = await _school.PublishedSessionAsync();
        await _school.SendAsync(
            Guid.CreateVersion7(),
            assignment,
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            School.Entry(2, "pain", 3, ("part", "lowerBack"), ("level", 3), ("sharp", false))
        );
        var one = (await _school.Coach.GetAsync($"{Sheet}?student={_school.StudentId}")).Body!;
        Assert.Equal(_school.StudentId, Assert.Single(one["rows"]!.AsArray())!["studentId"]!.GetValue<Guid>());
        Assert.Equal(_school.StudentId, one["one"]!["student"]!["id"]!.GetValue<Guid>());
        // What loads the back stands aside.
        Assert.Equal(10, one["one"]!["completion"]!["plannedMinutes"]!.GetValue<double>());
        Assert.Contains("lower back", Assert.Single(one["one"]!["openPain"]!.AsArray())!["text"]!.GetValue<string>());
        Assert.Empty(one["squads"]!.AsArray());
        Assert.Null((await _school.Coach.GetAsync(Sheet)).Body!["one"]);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync($"{Sheet}?student={Guid.CreateVersion7()}")).Status);
    }
}
