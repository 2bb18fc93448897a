using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Core.Drills;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using Npgsql;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>
/// What happens when something is wrong with the database, what is stored in it, or the number of callers at once.
/// </summary>
public sealed class FaultTests : IAsyncLifetime
{
    private string _connection = "";
    private School _school = null!;

    public async ValueTask InitializeAsync()
    {
        _connection = await TestDatabase.WithSchemaAsync();
        _school = await School.OpenAsync(new TestServer(_connection));
    }

    public ValueTask DisposeAsync() => _school.Server.DisposeAsync();

    private async Task SqlAsync(string sql)
    {
        await using var connection = new NpgsqlConnection(_connection);
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
#pragma warning disable CA2100 // Written here, in the tests.
        command.CommandText = sql;
#pragma warning restore CA2100
        await command.ExecuteNonQueryAsync();
    }

    [Fact]
    public async Task A_stored_day_at_the_end_of_the_calendar_breaks_no_check_draft_or_publishing()
    {
        await _school.Student.PutAsync(
            $"/api/students/{_school.StudentId}/file",
            new
            {
                own = new
                {
                    competitions = new[]
                    {
                        new
                        {
                            id = Guid.CreateVersion7(),
                            name = "Medal",
                            firstDay = "2026-05-20",
                            lastDay = "2026-05-21",
                            greenSpeedFeet = 9,
                        },
                    },
                },
            },
            0
        );
        // As an earlier release let it in.
        await SqlAsync(
            """UPDATE student_files SET document = replace(replace(document::text, '2026-05-20', '0001-01-01'), '2026-05-21', '9999-12-31')::jsonb"""
        );
        foreach (var squad in new[] { false, true })
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await _school.Coach.PostAsync(
                        "/api/plans/check",
                        new
                        {
                            plan = School.Plan(),
                            studentId = _school.StudentId,
                            squad,
                        }
                    )
                ).Status
            );
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await _school.Coach.PostAsync(
                    "/api/plans/draft",
                    new { request = new { minutes = 30, places = new[] { "puttingGreen" } }, studentId = _school.StudentId }
                )
            ).Status
        );
        await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
    }

    [Fact]
    public async Task An_academy_has_room_for_a_hundred_places_however_they_come()
    {
        object File() =>
            new
            {
                format = "morning-round-places",
                version = 1,
                places = Enumerable
                    .Range(0, 60)
                    .Select(n => new { id = Guid.CreateVersion7(), place = new { name = $"Range {n}", kind = "range" } }),
            };
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PostAsync("/api/places/file", File())).Status);
        Assert.Equal(["places"], (await _school.Coach.PostAsync("/api/places/file", File())).Fields);
    }

    [Fact]
    public async Task Notes_without_end_and_entries_under_taken_numbers_are_bounded()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        Dictionary<string, object?>[] Notes(string word) =>
            [.. Enumerable.Range(1, 40).Select(n => School.Entry(n, "rated", n, ("note", word + new string('x', 1600))))];
        var full = await _school.SendAsync(log, id, Notes("a"));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "entries"), (full.Status, Assert.Single(full.Fields)));
        Assert.Equal(HttpStatusCode.OK, (await _school.SendAsync(log, id, Notes("a")[..30])).Status);

        Dictionary<string, object?>[] Many(int from, int balls) =>
            [
                .. Enumerable
                    .Range(from, 500)
                    .Select(n => School.Entry(n, "counted", 0, ("segmentId", School.First), ("balls", balls))),
            ];
        var second = Guid.CreateVersion7();
        await _school.SendAsync(second, id, Many(1, 0));
        await _school.SendAsync(second, id, Many(501, 0));
        for (var round = 1; round <= 4; round++)
            Assert.Equal(
                HttpStatusCode.Conflict,
                (await _school.SendAsync(second, id, Many(1 + (round % 2 * 500), round))).Status
            );
        await using var scope = _school.Server.Services.CreateAsyncScope();
        Assert.InRange(
            await scope
                .ServiceProvider.GetRequiredService<MorningRoundDb>()
                .Set<EntryConflictRow>()
                .CountAsync(c => c.LogId == second),
            1,
            500
        );
    }

    [Fact]
    public async Task A_full_disk_answers_507_and_a_database_that_is_gone_503()
    {
        await SqlAsync(
            """
            CREATE FUNCTION full_disk() RETURNS trigger AS $$
              BEGIN RAISE EXCEPTION 'could not extend file' USING ERRCODE = '53100'; END
            $$ LANGUAGE plpgsql;
            CREATE TRIGGER full_disk BEFORE INSERT ON plans FOR EACH ROW EXECUTE FUNCTION full_disk();
            CREATE FUNCTION too_many() RETURNS trigger AS $$
              BEGIN RAISE EXCEPTION 'too many' USING ERRCODE = '53300'; END
            $$ LANGUAGE plpgsql;
            CREATE TRIGGER too_many BEFORE INSERT ON places FOR EACH ROW EXECUTE FUNCTION too_many();
            """
        );
        var full = await _school.Coach.PutAsync($"/api/plans/{Guid.CreateVersion7()}", School.Plan());
        Assert.Equal(HttpStatusCode.InsufficientStorage, full.Status);
        var down = await _school.Coach.PutAsync($"/api/places/{Guid.CreateVersion7()}", School.Place());
        Assert.Equal((HttpStatusCode.ServiceUnavailable, "5"), (down.Status, down.Headers.GetValues("Retry-After").Single()));
    }

    [Fact]
    public async Task Errors_keep_their_security_headers_and_say_the_number_under_which_they_are_in_the_log()
    {
        await SqlAsync(
            """
            CREATE FUNCTION broken() RETURNS trigger AS $$
              BEGIN RAISE EXCEPTION 'broken' USING ERRCODE = 'XX000'; END
            $$ LANGUAGE plpgsql;
            CREATE TRIGGER broken BEFORE INSERT ON plans FOR EACH ROW EXECUTE FUNCTION broken();
            """
        );
        foreach (
            var answer in new[]
            {
                await _school.Coach.PutAsync($"/api/plans/{Guid.CreateVersion7()}", School.Plan()),
                await _school.Coach.GetAsync("/api/nowhere"),
                await _school.Server.NewBrowser().GetAsync("/api/plans"),
                await _school.Coach.PutAsync($"/api/plans/{Guid.CreateVersion7()}", "{"),
            }
        )
        {
            Assert.True((int)answer.Status >= 400);
            Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
            Assert.Contains(
                "frame-ancestors 'none'",
                answer.Headers.GetValues("Content-Security-Policy").Single(),
                StringComparison.Ordinal
            );
            Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Opener-Policy").Single());
            Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Resource-Policy").Single());
            Assert.Contains("camera=()", answer.Headers.GetValues("Permissions-Policy").Single(), StringComparison.Ordinal);
            Assert.True(answer.Headers.CacheControl!.NoStore);
            // On loopback there is no HTTPS to insist on.
            Assert.False(answer.Headers.Contains("Strict-Transport-Security"));
            Assert.Equal(answer.Headers.GetValues("X-Request-Id").Single(), answer.Get<string>("requestId"));
        }
    }

    [Fact]
    public async Task Identical_creates_sent_at_once_are_all_answered_as_one()
    {
        for (var round = 0; round < Rounds.Of(50); round++)
        {
            var id = Guid.CreateVersion7();
            foreach (
                var (path, body) in new (string, object)[]
                {
                    ($"/api/plans/{id}", School.Plan()),
                    ($"/api/students/{id}", School.StudentInput()),
                    ($"/api/places/{id}", School.Place()),
                    ($"/api/drills/{id}", School.Drill()),
                }
            )
            {
                var answers = await Task.WhenAll(Enumerable.Range(0, 5).Select(_ => _school.Coach.PutAsync(path, body)));
                Assert.All(answers, a => Assert.Equal(HttpStatusCode.OK, a.Status));
            }
            Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/places/{id}")).Status);
        }
    }

    [Fact]
    public async Task A_hundred_and_sixty_calls_at_once_fail_none_with_500()
    {
        for (var round = 0; round < Rounds.Of(10); round++)
        {
            var answers = await Task.WhenAll(
                Enumerable.Range(0, 160).Select(_ => _school.Coach.GetAsync("/api/review/tee-line"))
            );
            Assert.All(answers, a => Assert.Contains(a.Status, new[] { HttpStatusCode.OK, HttpStatusCode.ServiceUnavailable }));
        }
    }

    [Fact]
    public void The_pool_is_small_unless_whoever_named_the_database_says_otherwise()
    {
        var shipped = new NpgsqlConnectionStringBuilder(DatabaseConnection.From("Host=db.example;Database=golf"));
        Assert.Equal((20, true, 60), (shipped.MaxPoolSize, shipped.NoResetOnClose, shipped.MaxAutoPrepare));
        var said = new NpgsqlConnectionStringBuilder(
            DatabaseConnection.From(
                "Host=db.example;Database=golf;Maximum Pool Size=7;No Reset On Close=false;Max Auto Prepare=0"
            )
        );
        Assert.Equal((7, false, 0), (said.MaxPoolSize, said.NoResetOnClose, said.MaxAutoPrepare));
    }

    [Fact]
    public async Task Two_copies_first_started_at_once_leave_one_owner_link_that_works()
    {
        var connection = await TestDatabase.NewAsync();
        await using var one = new TestServer(connection);
        await using var other = new TestServer(connection);
        await Task.WhenAll(
            Task.Run(() => one.NewBrowser().GetAsync("/health/ready")),
            Task.Run(() => other.NewBrowser().GetAsync("/health/ready"))
        );
        var links = new[] { one.SetupLink(), other.SetupLink() }.Where(l => l.Length > 0).ToList();
        Assert.Single(links);
        Assert.Equal(
            HttpStatusCode.OK,
            (await other.NewBrowser().GetAsync($"/api/accounts/invitations/{links[0]["/join/".Length..]}")).Status
        );
    }

    [Fact]
    public async Task A_copy_waits_for_another_that_is_still_laying_out()
    {
        var connection = await TestDatabase.NewAsync();
        await using var busy = new NpgsqlConnection(connection);
        await busy.OpenAsync();
        await using (var hold = new NpgsqlCommand($"SELECT pg_advisory_lock({0x4D6F726E})", busy))
            await hold.ExecuteNonQueryAsync();
        // Commands that take longer than a second fail here, if they have any limit of their own.
        await using var server = new TestServer(connection + ";Command Timeout=1");
        var starting = Task.Run(() => server.NewBrowser().GetAsync("/health/ready"));
        await using (
            var waiting = new NpgsqlCommand(
                "SELECT count(*) FROM pg_stat_activity WHERE wait_event = 'advisory' AND datname = current_database() AND "
                    + "now() - query_start > interval '1500 milliseconds'",
                busy
            )
        )
        {
            while ((long)(await waiting.ExecuteScalarAsync())! == 0 && !starting.IsCompleted)
                await Task.Yield();
        }

        await using (var release = new NpgsqlCommand($"SELECT pg_advisory_unlock({0x4D6F726E})", busy))
            await release.ExecuteNonQueryAsync();
        Assert.Equal(HttpStatusCode.OK, (await starting).Status);
    }

    [Fact]
    public async Task Signing_out_ends_a_copied_cookie_too_and_no_other_sign_in()
    {
        var credentials = new { email = "student@first.example", password = "a made-up password" };
        var (here, there) = (_school.Server.NewBrowser(), _school.Server.NewBrowser());
        var cookie = (await here.PostAsync("/api/accounts/sign-in", credentials))
            .Headers.GetValues("Set-Cookie")
            .Single(c => c.StartsWith("morning-round=", StringComparison.Ordinal))
            .Split(';')[0];
        await there.PostAsync("/api/accounts/sign-in", credentials);
        Task<Answer> CopyAsync() =>
            _school.Server.NewBrowser().SendAsync(HttpMethod.Get, $"/api/progress/{_school.StudentId}", null, ("Cookie", cookie));
        Assert.Equal(HttpStatusCode.OK, (await CopyAsync()).Status);
        await here.PostAsync("/api/accounts/sign-out");
        Assert.Equal(HttpStatusCode.Unauthorized, (await CopyAsync()).Status);
        Assert.Equal(HttpStatusCode.OK, (await there.GetAsync($"/api/progress/{_school.StudentId}")).Status);
    }

    [Theory]
    [InlineData("""UPDATE accounts SET security_stamp = 'another'""")]
    [InlineData("""UPDATE accounts SET state = 'Disabled'""")]
    [InlineData("""DELETE FROM accounts""")]
    public async Task A_new_password_a_closed_account_or_its_end_ends_its_sign_ins_at_the_next_call(string sql)
    {
        Assert.Equal(HttpStatusCode.OK, (await _school.OtherStudent.GetAsync($"/api/progress/{_school.OtherStudentId}")).Status);
        await SqlAsync($"""{sql} WHERE email = 'other@First.example'""");
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await _school.OtherStudent.GetAsync($"/api/progress/{_school.OtherStudentId}")).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await _school.Student.GetAsync($"/api/progress/{_school.StudentId}")).Status);
    }

    [Fact]
    public async Task Six_wrong_passwords_lock_the_door_but_throw_nobody_out()
    {
        for (var wrong = 0; wrong < 7; wrong++)
            await _school
                .Server.NewBrowser()
                .PostAsync("/api/accounts/sign-in", new { email = "student@first.example", password = "not the password" });
        Assert.Equal(
            (HttpStatusCode)423,
            (
                await _school
                    .Server.NewBrowser()
                    .PostAsync("/api/accounts/sign-in", new { email = "student@first.example", password = "a made-up password" })
            ).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await _school.Student.GetAsync($"/api/progress/{_school.StudentId}")).Status);
    }
}
