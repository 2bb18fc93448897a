using System.Net;

namespace MorningRound.Server.Tests.Review;

public class TeeLineTests
{
    [Theory]
    // Of last week a session that nobody practised is missed; the week before is history.
    [InlineData("2026-W18", "2026-04-29", "missed")]
    [InlineData("2026-W17", "2026-04-22", "onTrack")]
    public async Task A_missed_session_counts_for_the_week_after_and_no_longer(string week, string day, string reason)
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var plan = await school.SavePlanAsync();
        // Something is set this week, so that its being empty is not the reason.
        await school.SetAsync(plan, day: null);
        await school.PublishAsync();
        var input = new
        {
            studentId = school.StudentId,
            planId = plan,
            week,
            day,
            requirement = "must",
        };
        await school.Coach.PutAsync($"/api/weeks/assignments/{Guid.CreateVersion7()}", input);
        var published = await school.Coach.PostAsync($"/api/weeks/{week}/students/{school.StudentId}/publish");
        Assert.Equal(HttpStatusCode.OK, published.Status);
        var rows = (await school.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();
        var row = rows.Single(r => r!["student"]!["id"]!.GetValue<Guid>() == school.StudentId)!;
        Assert.Equal(reason, row["attention"]!["reason"]!.GetValue<string>());
        Assert.Single(row["sessions"]!.AsArray());
    }

    [Fact]
    public async Task A_large_squad_is_told_of_as_far_as_was_asked_and_counted_whole()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var whole = (await school.Coach.GetAsync("/api/review/tee-line")).Body!;
        Assert.Equal((2, 2), (whole["rows"]!.AsArray().Count, whole["students"]!.GetValue<int>()));
        var first = (await school.Coach.GetAsync("/api/review/tee-line?rows=1")).Body!;
        Assert.Equal(whole["rows"]![0]!.ToJsonString(), Assert.Single(first["rows"]!.AsArray())!.ToJsonString());
        Assert.Equal(2, first["students"]!.GetValue<int>());
        foreach (var rows in new[] { 0, 501 })
        {
            var refused = await school.Coach.GetAsync($"/api/review/tee-line?rows={rows}");
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.Status);
            Assert.NotNull(refused.Body!["errors"]!["rows"]);
        }
    }
}
