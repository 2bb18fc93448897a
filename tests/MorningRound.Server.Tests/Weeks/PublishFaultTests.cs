using System.Net;
using Npgsql;

namespace MorningRound.Server.Tests.Weeks;

/// <summary>A squad's publishing that fails half-way.</summary>
public class PublishFaultTests
{
    [Fact]
    public async Task Each_student_is_left_whole_and_publishing_again_does_the_rest()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var plan = await school.SavePlanAsync();
        Guid[] students = [school.StudentId, school.OtherStudentId];
        foreach (var student in students)
        {
            await school.SetAsync(plan, day: "2026-05-06", studentId: student);
            await school.SetAsync(plan, day: "2026-05-08", studentId: student);
        }

        // The third session that is published finds the disk full.
        await RunAsync(
            server,
            """
            CREATE FUNCTION full_disk() RETURNS trigger AS $$
            BEGIN
                IF (SELECT count(*) FROM published_sessions) >= 3 THEN RAISE EXCEPTION USING ERRCODE = '53100'; END IF;
                RETURN NEW;
            END $$ LANGUAGE plpgsql;
            CREATE TRIGGER full_disk BEFORE INSERT ON published_sessions FOR EACH ROW EXECUTE FUNCTION full_disk();
            """
        );
        var path = $"/api/weeks/{TestServer.Week}/publish";
        Assert.Equal(HttpStatusCode.InsufficientStorage, (await school.Coach.PostAsync(path, new { students })).Status);
        var published = new List<int>();
        foreach (var student in students)
            published.Add(await PublishedAsync(school, student));
        Assert.Equal([0, 2], published.Order());

        await RunAsync(server, "DROP TRIGGER full_disk ON published_sessions");
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PostAsync(path, new { students })).Status);
        foreach (var student in students)
            Assert.Equal(2, await PublishedAsync(school, student));
    }

    private static async Task<int> PublishedAsync(School school, Guid student) =>
        (await school.Coach.GetAsync($"/api/weeks/{TestServer.Week}/students/{student}")).Body!["sessions"]!
            .AsArray()
            .Count(s => s!["isPublished"]!.GetValue<bool>());

    private static async Task RunAsync(TestServer server, string sql)
    {
        await using var connection = new NpgsqlConnection(server.Connection);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }
}
