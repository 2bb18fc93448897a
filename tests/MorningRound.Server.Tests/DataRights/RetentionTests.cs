using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Accounts;
using MorningRound.Server.DataRights;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Tests.Review;

namespace MorningRound.Server.Tests.DataRights;

public sealed class RetentionTests(OneServer fixture) : IClassFixture<OneServer>
{
    private const string Path = "/api/data-rights/academy/retention";

    private static async Task TidyAsync(TestServer server)
    {
        await using var scope = server.Services.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<RetentionService>().DeleteOldAsync(default);
    }

    /// <summary>Makes what a school's student practised as old as it would be after some weeks.</summary>
    private static async Task AgeAsync(School school, int weeks)
    {
        await using var scope = school.Server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var days = weeks * 7;
        foreach (var (table, column) in new[] { ("assignments", "monday"), ("rounds", "day"), ("week_words", "monday") })
        {
            var sql = $"UPDATE {table} SET {column} = {column} - {{0}} WHERE student_id = {{1}}";
            await db.Database.ExecuteSqlRawAsync(sql, days, school.StudentId);
        }
    }

    private static async Task<(int Sessions, int Logs, int Entries, int Results, int Rounds)> KeptAsync(School school)
    {
        await using var scope = school.Server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var of = school.StudentId;
        return (
            await db.Assignments.CountAsync(a => a.StudentId == of),
            await db.SessionLogs.CountAsync(l => l.StudentId == of),
            await db.Set<SessionEntryRow>()
                .CountAsync(e => db.Set<SessionLogRow>().Any(l => l.Id == e.LogId && l.StudentId == of)),
            await db.Set<DrillResultRow>().CountAsync(r => r.StudentId == of),
            await db.Set<Server.OnCourse.RoundRow>().CountAsync(r => r.StudentId == of)
        );
    }

    private static async Task<School> PractisedAsync(OneServer fixture)
    {
        var (school, _) = await WalkTests.PractisedAsync(await fixture.OpenAsync(), 13, 14);
        await school.Coach.PutAsync($"/api/rounds/{school.StudentId}/{Guid.CreateVersion7()}", School.Round());
        return school;
    }

    [Fact]
    public async Task What_is_older_than_the_owner_wants_goes_whole_and_nothing_else_does()
    {
        var (old, other) = (await PractisedAsync(fixture), await PractisedAsync(fixture));
        // Fifty-three weeks back: the Monday of 28 April 2025 is more than a year before 6 May 2026.
        await AgeAsync(old, 53);
        await AgeAsync(other, 53);
        var before = await KeptAsync(old);
        Assert.True(before is { Sessions: 2, Logs: 2, Entries: > 4, Results: 2, Rounds: 1 }, $"{before}");
        var shown = (await old.Owner.GetAsync(Path)).Body!;
        Assert.Null(shown["kept"]!["practiceYears"]);
        var first = shown["choices"]![0]!;
        Assert.Equal(
            (1, "2025-05-05", 2, 1),
            (
                first["years"]!.GetValue<int>(),
                first["before"]!.GetValue<string>(),
                first["sessions"]!.GetValue<int>(),
                first["rounds"]!.GetValue<int>()
            )
        );
        Assert.Equal(0, shown["choices"]![1]!["sessions"]!.GetValue<int>());

        await TidyAsync(old.Server);
        Assert.Equal(before, await KeptAsync(old));
        await old.Owner.PutAsync(Path, new { practiceYears = 2, securityLogDays = 365 });
        await TidyAsync(old.Server);
        Assert.Equal(before, await KeptAsync(old));
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await old.Owner.PutAsync(Path, new { practiceYears = 1, securityLogDays = 365 })).Status
        );
        await Task.WhenAll(TidyAsync(old.Server), TidyAsync(old.Server));
        Assert.Equal((0, 0, 0, 0, 0), await KeptAsync(old));
        Assert.Equal(before, await KeptAsync(other));
        Assert.Equal(HttpStatusCode.OK, (await old.Coach.GetAsync($"/api/progress/{old.StudentId}")).Status);
        var log = (await old.Owner.GetAsync("/api/people/security-log")).Body!["lines"]!.AsArray();
        Assert.Contains(log, l => l!["kind"]!.GetValue<string>() == "agedOut");
    }

    [Fact]
    public async Task A_session_of_the_week_in_which_the_year_begins_is_kept()
    {
        var school = await PractisedAsync(fixture);
        // Fifty-two weeks back is the week of Monday 5 May 2025, in which 6 May 2025 lies.
        await AgeAsync(school, 52);
        await school.Owner.PutAsync(Path, new { practiceYears = 1, securityLogDays = 365 });
        await TidyAsync(school.Server);
        Assert.Equal(2, (await KeptAsync(school)).Sessions);
    }

    [Fact]
    public async Task The_security_log_is_kept_as_long_as_the_owner_says()
    {
        await using var server = await TestServer.NewAsync();
        var (shortly, usual) = (await School.OpenAsync(server, "Shortly"), await School.OpenAsync(server, "Usual"));
        await shortly.Owner.PutAsync(Path, new { practiceYears = (int?)null, securityLogDays = 30 });
        Assert.Equal(30, (await shortly.Owner.GetAsync("/api/people/security-log")).Body!["keptDays"]!.GetValue<int>());
        server.RealClock.Forward(TimeSpan.FromDays(31));
        await TidyAsync(server);
        await using var scope = server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        var left = await db.SecurityEvents.Select(e => e.AcademyId).Distinct().ToListAsync();
        var academies = await db.Academies.ToDictionaryAsync(a => a.Name, a => a.Id);
        Assert.DoesNotContain(
            left,
            id => id == academies.First(a => a.Key.StartsWith("Shortly", StringComparison.Ordinal)).Value
        );
        Assert.Contains(left, id => id == academies.First(a => a.Key.StartsWith("Usual", StringComparison.Ordinal)).Value);
    }

    [Fact]
    public async Task In_the_first_year_there_is_nothing_too_old()
    {
        await using var server = new TestServer(await TestDatabase.WithSchemaAsync(), today: "0001-01-03");
        var school = await School.OpenAsync(server, "Early");
        var shown = (await school.Owner.GetAsync(Path)).Body!["choices"]!.AsArray();
        Assert.All(shown, c => Assert.Equal("0001-01-01", c!["before"]!.GetValue<string>()));
        await school.Owner.PutAsync(Path, new { practiceYears = 10, securityLogDays = 365 });
        await TidyAsync(server);
        Assert.Equal(HttpStatusCode.OK, (await school.Owner.GetAsync(Path)).Status);
    }

    [Theory]
    [InlineData(4, 365, "practiceYears")]
    [InlineData(0, 365, "practiceYears")]
    [InlineData(1, 29, "securityLogDays")]
    [InlineData(null, 731, "securityLogDays")]
    public async Task What_cannot_be_chosen_names_its_field(int? practiceYears, int securityLogDays, string field)
    {
        var school = await fixture.OpenAsync();
        var refused = await school.Owner.PutAsync(Path, new { practiceYears, securityLogDays });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field), (refused.Status, refused.Fields.Single()));
    }
}
