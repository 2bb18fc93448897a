using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Hosting;

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
        await PublishInAsync(school, plan, week, day);
        var row = await RowAsync(school);
        Assert.Equal(reason, row["attention"]!["reason"]!.GetValue<string>());
        Assert.Single(row["sessions"]!.AsArray());
    }

    [Fact]
    public async Task The_session_practised_last_is_found_as_far_back_as_three_weeks()
    {
        await using var server = new TestServer(await TestDatabase.WithSchemaAsync(), today: "2026-04-14");
        var school = await School.OpenAsync(server);
        var plan = await school.SavePlanAsync();
        var oldest = await PublishInAsync(school, plan, "2026-W16", "2026-04-15");
        var late = await PublishInAsync(school, plan, "2026-W17", "2026-04-21");
        var early = await PublishInAsync(school, plan, "2026-W18", "2026-04-28");
        Assert.Null((await RowAsync(school))["last"]);
        await PractiseAsync(school, oldest, "2026-04-16");
        Assert.Equal((oldest, "2026-04-16"), await LastAsync(school));
        // Set for the week after it, and practised on the Sunday before it.
        await PractiseAsync(school, early, "2026-04-26");
        Assert.Equal((early, "2026-04-26"), await LastAsync(school));
        // Two weeks later nothing came after it.
        GoTo(server, "2026-05-10");
        Assert.Equal((early, "2026-04-26"), await LastAsync(school));
        // A session of an older week that was made up for comes last all the same.
        await PractiseAsync(school, late, "2026-05-10");
        Assert.Equal((late, "2026-05-10"), await LastAsync(school));
    }

    [Fact]
    public async Task What_was_practised_since_pain_began_is_counted_beside_it()
    {
        await using var server = new TestServer(await TestDatabase.WithSchemaAsync(), today: "2026-04-27");
        var school = await School.OpenAsync(server);
        var plan = await school.SavePlanAsync();
        var hurt = await PublishInAsync(school, plan, "2026-W18", "2026-04-28");
        var since = await PublishInAsync(school, plan, "2026-W18", "2026-04-29");
        await PractiseAsync(school, hurt, "2026-04-28", ("part", "knee"), ("side", "lead"), ("level", 3), ("sharp", false));
        Assert.Equal("lightPain", (await RowAsync(school))["attention"]!["reason"]!.GetValue<string>());
        await PractiseAsync(school, since, "2026-04-29");
        var open = Assert.Single((await RowAsync(school))["openPain"]!.AsArray())!;
        Assert.Equal((1, 20.0), (open["sessionsSince"]!.GetValue<int>(), open["minutesSince"]!.GetValue<double>()));
    }

    private static async Task<Guid> PublishInAsync(School school, Guid plan, string week, string day)
    {
        var id = Guid.CreateVersion7();
        var input = new
        {
            studentId = school.StudentId,
            planId = plan,
            week,
            day,
            requirement = "must",
        };
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/weeks/assignments/{id}", input)).Status);
        var published = await school.Coach.PostAsync($"/api/weeks/{week}/publish", new { students = new[] { school.StudentId } });
        Assert.Equal(HttpStatusCode.OK, published.Status);
        return id;
    }

    /// <summary>The first segment for twenty minutes on a morning, sent the day after; with pain where some is given.</summary>
    private static async Task PractiseAsync(School school, Guid session, string day, params (string Name, object? Value)[] pain)
    {
        var start = (DateOnly.Parse(day, CultureInfo.InvariantCulture).DayNumber - new DateOnly(2026, 5, 6).DayNumber) * 1440;
        var entries = new List<Dictionary<string, object?>> { School.Entry(1, "entered", start, ("segmentId", School.First)) };
        if (pain.Length > 0)
            entries.Add(School.Entry(2, "pain", start + 5, pain));
        entries.Add(School.Entry(entries.Count + 1, "settled", start + 20, ("segmentId", School.First), ("outcome", "done")));
        GoTo(school.Server, day);
        school.Server.RealClock.Forward(TimeSpan.FromDays(1));
        Assert.Equal(HttpStatusCode.OK, (await school.SendAsync(Guid.CreateVersion7(), session, [.. entries])).Status);
    }

    /// <summary>Sets the clock forward to some time of a day.</summary>
    internal static void GoTo(TestServer server, string day)
    {
        var today = server.Services.GetRequiredService<DomainClock>().Today("UTC");
        var days = DateOnly.Parse(day, CultureInfo.InvariantCulture).DayNumber - today.DayNumber;
        server.RealClock.Forward(TimeSpan.FromDays(days));
    }

    private static async Task<JsonNode> RowAsync(School school) =>
        (await school.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!
            .AsArray()
            .Single(r => r!["student"]!["id"]!.GetValue<Guid>() == school.StudentId)!;

    private static async Task<(Guid Session, string Day)> LastAsync(School school)
    {
        var last = (await RowAsync(school))["last"]!;
        return (last["assignmentId"]!.GetValue<Guid>(), last["practisedOn"]!.GetValue<string>());
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
