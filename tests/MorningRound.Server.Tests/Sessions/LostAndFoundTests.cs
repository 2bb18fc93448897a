using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Core.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Sessions;

/// <summary>
/// What a phone sends is kept, whatever became of the session, the phone's clock or a second phone in the meantime.
/// </summary>
public class LostAndFoundTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static Dictionary<string, object?> At(
        int sequence,
        string kind,
        DateTimeOffset at,
        params (string Name, object? Value)[] more
    )
    {
        var entry = School.Entry(sequence, kind, 0, more);
        entry["at"] = at;
        return entry;
    }

    private Task<Answer> AppendAsync(
        Guid logId,
        Guid assignmentId,
        Dictionary<string, object?>[] entries,
        object? continues = null,
        DateTimeOffset? sentAt = null
    ) =>
        _school.Student.PostAsync(
            $"/api/sessions/logs/{logId}/entries",
            new
            {
                assignmentId,
                accountId = _school.StudentAccount,
                entries,
                continues,
                sentAt,
            }
        );

    private async Task<T> InDbAsync<T>(Func<MorningRoundDb, Task<T>> look)
    {
        await using var scope = _school.Server.Services.CreateAsyncScope();
        return await look(scope.ServiceProvider.GetRequiredService<MorningRoundDb>());
    }

    [Fact]
    public async Task What_is_practised_of_a_session_that_was_taken_out_is_kept_as_own_practice_and_both_are_told()
    {
        var id = await _school.PublishedSessionAsync();
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/weeks/assignments/{id}", 2)).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Student.GetAsync($"/api/sessions/{id}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.DeleteAsync($"/api/weeks/assignments/{id}", 2)).Status);

        var sent = await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "settled", 10, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(2, "finished", 11)
        );
        Assert.Equal((HttpStatusCode.OK, true), (sent.Status, sent.Get<bool>("keptAfterTakenOut")));
        foreach (var browser in new[] { _school.Student, _school.Coach })
        {
            var card = (await browser.GetAsync($"/api/weeks/{TestServer.Week}/students/{_school.StudentId}")).Body!["sessions"]!
                .AsArray()
                .Single(c => c!["assignmentId"]!.GetValue<Guid>() == id)!;
            Assert.Equal(("own", true), (card["requirement"]!.GetValue<string>(), card["keptAfterTakenOut"]!.GetValue<bool>()));
        }

        // Begun by now, it is not taken out a second time.
        Assert.Equal(HttpStatusCode.Conflict, (await _school.Coach.DeleteAsync($"/api/weeks/assignments/{id}", 2)).Status);
    }

    [Fact]
    public async Task Taking_out_while_it_is_begun_loses_no_log_that_was_acknowledged()
    {
        var plan = await _school.SavePlanAsync();
        for (var round = 0; round < Rounds.Of(80); round++)
        {
            var id = await _school.SetAsync(plan);
            await _school.PublishAsync();
            var log = Guid.CreateVersion7();
            var sending = _school.SendAsync(log, id, School.Entry(1, "entered", 0, ("segmentId", School.First)));
            var removing = _school.Coach.DeleteAsync($"/api/weeks/assignments/{id}", 2);
            var (sent, removed) = (await sending, await removing);
            Assert.Equal(HttpStatusCode.OK, sent.Status);
            Assert.Contains(removed.Status, new[] { HttpStatusCode.NoContent, HttpStatusCode.Conflict });
            Assert.Equal(1, await InDbAsync(db => db.SessionEntries.CountAsync(e => e.LogId == log)));
            Assert.Equal(HttpStatusCode.OK, (await _school.Student.GetAsync($"/api/sessions/{id}")).Status);
        }
    }

    [Fact]
    public async Task A_log_keeps_the_plan_it_was_begun_with_when_the_plan_is_published_anew()
    {
        var plan = await _school.SavePlanAsync();
        var id = await _school.SetAsync(plan);
        await _school.PublishAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, id, School.Entry(1, "entered", 0, ("segmentId", School.First)));
        var changed = School.PlanWithDrill();
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync($"/api/plans/{plan}", changed, 1)).Status);
        await _school.SetAsync(plan);
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await _school.SendAsync(log, id, School.Entry(2, "settled", 5, ("segmentId", School.Second), ("outcome", "done")))
            ).Status
        );
        var seen = (await _school.Student.GetAsync($"/api/sessions/{id}")).Body!;
        Assert.Equal("Half an hour", seen["plan"]!["title"]!.GetValue<string>());
        Assert.Equal(10, seen["card"]!["completion"]!["doneMinutes"]!.GetValue<double>());
    }

    [Fact]
    public async Task A_second_device_goes_on_from_where_the_first_was_and_the_coach_sees_one_result()
    {
        var id = await _school.PublishedSessionAsync();
        var (first, second) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await AppendAsync(
            first,
            id,
            [
                School.Entry(1, "entered", 0, ("segmentId", School.First)),
                School.Entry(2, "counted", 5, ("segmentId", School.First), ("balls", 10)),
            ]
        );
        Assert.Equal(2, (await _school.Student.GetAsync($"/api/sessions/logs/{first}/entries")).Body!.AsArray().Count);
        var gone = await AppendAsync(
            second,
            id,
            [School.Entry(3, "counted", 8, ("segmentId", School.First), ("balls", 20))],
            new { logId = first, sequence = 2 }
        );
        Assert.Equal(
            (HttpStatusCode.OK, 3, true),
            (gone.Status, gone.Get<int>("lastSequence"), gone.Get<bool>("fromTwoDevices"))
        );
        var told = await AppendAsync(first, id, [School.Entry(3, "counted", 9, ("segmentId", School.First), ("balls", 1))]);
        Assert.Equal((HttpStatusCode.OK, true), (told.Status, told.Get<bool>("fromTwoDevices")));
        await AppendAsync(
            second,
            id,
            [
                School.Entry(4, "settled", 12, ("segmentId", School.First), ("outcome", "partDone")),
                School.Entry(5, "finished", 13),
            ],
            new { logId = first, sequence = 2 }
        );

        // By hand: the second device has 10 shared and 20 of its own, the first 11; the fuller counts, and the shared ten once.
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        var one = Assert.Single(seen["logs"]!.AsArray())!;
        Assert.Equal((2, 30), (one["devices"]!.GetValue<int>(), one["strokes"]!["counted"]!.GetValue<int>()));
        Assert.Equal(20, seen["card"]!["completion"]!["doneMinutes"]!.GetValue<double>());
        Assert.True(seen["card"]!["fromTwoDevices"]!.GetValue<bool>());
        Assert.Equal(5, (await _school.Student.GetAsync($"/api/sessions/logs/{second}/entries")).Body!.AsArray().Count);
        Assert.Equal(3, (await _school.Student.GetAsync($"/api/sessions/logs/{first}/entries")).Body!.AsArray().Count);
    }

    [Fact]
    public async Task A_branch_needs_a_log_of_ones_own_and_names_a_place_in_it()
    {
        var id = await _school.PublishedSessionAsync();
        var first = Guid.CreateVersion7();
        await AppendAsync(first, id, [School.Entry(1, "entered", 0, ("segmentId", School.First))]);
        var entry = School.Entry(3, "stopped", 1);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await AppendAsync(Guid.CreateVersion7(), id, [entry], new { logId = Guid.CreateVersion7(), sequence = 1 })).Status
        );
        var beyond = await AppendAsync(Guid.CreateVersion7(), id, [entry], new { logId = first, sequence = 2 });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "continues.sequence"), (beyond.Status, Assert.Single(beyond.Fields)));
        var coachs = await _school.Coach.PostAsync(
            $"/api/sessions/logs/{Guid.CreateVersion7()}/entries",
            new
            {
                assignmentId = id,
                accountId = _school.CoachAccount,
                entries = new[] { School.Entry(2, "stopped", 1) },
                continues = new { logId = first, sequence = 1 },
            }
        );
        Assert.Equal(HttpStatusCode.NotFound, coachs.Status);
    }

    [Fact]
    public async Task A_refusal_says_how_far_the_log_agrees()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await AppendAsync(log, id, [School.Entry(1, "entered", 0, ("segmentId", School.First)), School.Entry(2, "stopped", 1)]);
        var differs = await AppendAsync(
            log,
            id,
            [
                School.Entry(1, "entered", 0, ("segmentId", School.First)),
                School.Entry(2, "stopped", 2),
                School.Entry(3, "stopped", 3),
            ]
        );
        Assert.Equal(
            (2, 1),
            (differs.Body!["current"]!["lastSequence"]!.GetValue<int>(), differs.Body["current"]!["agreesUpTo"]!.GetValue<int>())
        );
        var gap = await AppendAsync(log, id, [School.Entry(4, "stopped", 4)]);
        Assert.Equal(2, gap.Body!["current"]!["agreesUpTo"]!.GetValue<int>());
    }

    [Theory]
    [InlineData(5)]
    [InlineData(-9)]
    [InlineData(24 * 365 * 30)]
    [InlineData(-24 * 365 * 55)]
    public async Task A_phone_whose_clock_is_off_can_still_send_and_its_day_is_put_right(int hoursAhead)
    {
        var id = await _school.PublishedSessionAsync();
        // The domain clock of these tests stands a little after nine.
        var phone = new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero).AddHours(hoursAhead);
        var sent = await AppendAsync(
            Guid.CreateVersion7(),
            id,
            [
                At(1, "entered", phone.AddMinutes(-40), ("segmentId", School.First)),
                At(2, "settled", phone.AddMinutes(-20), ("segmentId", School.First), ("outcome", "done")),
                At(3, "finished", phone.AddMinutes(-19)),
            ],
            sentAt: phone
        );
        Assert.Equal(HttpStatusCode.OK, sent.Status);
        var log = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!["logs"]![0]!;
        Assert.Equal(
            ("2026-05-06", 20.0, true),
            (log["day"]!.GetValue<string>(), Math.Round(log["minutes"]!.GetValue<double>()), log["clockWasOff"]!.GetValue<bool>())
        );
    }

    [Fact]
    public async Task Dates_at_the_ends_of_the_calendar_are_kept_in_their_order()
    {
        var id = await _school.PublishedSessionAsync();
        var sent = await AppendAsync(
            Guid.CreateVersion7(),
            id,
            [
                At(1, "entered", DateTimeOffset.MinValue, ("segmentId", School.First)),
                At(2, "stopped", new DateTimeOffset(9999, 12, 31, 23, 59, 59, TimeSpan.Zero)),
            ],
            sentAt: DateTimeOffset.MinValue
        );
        Assert.Equal(HttpStatusCode.OK, sent.Status);
        Assert.StartsWith("2026-05-0", sent.Body!["log"]!["day"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Rating_tags_and_pain_can_be_mended_for_a_week_and_the_coach_sees_both()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await AppendAsync(
            log,
            id,
            [
                School.Entry(1, "entered", 0, ("segmentId", School.First)),
                School.Entry(2, "pain", 5, ("part", "neck"), ("level", 8), ("sharp", false)),
                School.Entry(3, "rated", 6, ("focus", 2), ("note", "")),
                School.Entry(4, "finished", 6),
            ]
        );
        var mended = await AppendAsync(
            log,
            id,
            [
                School.Entry(5, "painMended", 20, ("mends", 2), ("level", 2), ("sharp", false)),
                School.Entry(6, "rated", 21, ("focus", 7), ("note", "It was a slip of the thumb")),
            ]
        );
        Assert.Equal(HttpStatusCode.OK, mended.Status);
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!["logs"]![0]!;
        Assert.Equal(
            (2, 8),
            (seen["pain"]![0]!["level"]!.GetValue<int>(), seen["mendedPain"]![0]!["first"]!["level"]!.GetValue<int>())
        );
        Assert.Equal((7, true), (seen["rating"]!["focus"]!.GetValue<int>(), seen["ratedAfterwards"]!.GetValue<bool>()));
        var slip = await AppendAsync(log, id, [School.Entry(7, "painMended", 22, ("mends", 2), ("level", 0), ("sharp", false))]);
        Assert.Equal(HttpStatusCode.OK, slip.Status);
    }

    [Fact]
    public async Task After_a_week_nothing_is_mended_any_more()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server, "Later");
        var id = await school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await school.SendAsync(log, id, School.Entry(1, "finished", 0));
        server.RealClock.Forward(TimeSpan.FromDays(9));
        var late = await school.SendAsync(log, id, School.Entry(2, "rated", 8 * 24 * 60, ("focus", 7)));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "entries[0]"), (late.Status, Assert.Single(late.Fields)));
        Assert.Equal(
            HttpStatusCode.OK,
            (await school.SendAsync(log, id, School.Entry(2, "rated", 6 * 24 * 60, ("focus", 7)))).Status
        );
    }

    [Fact]
    public async Task The_next_session_asks_about_pain_until_it_is_gone()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server, "Sore");
        var first = await school.PublishedSessionAsync("2026-05-05");
        await school.SendAsync(
            Guid.CreateVersion7(),
            first,
            School.Entry(1, "pain", 5, ("part", "lowerBack"), ("level", 2), ("sharp", false)),
            School.Entry(2, "finished", 6)
        );
        var next = await school.PublishedSessionAsync("2026-05-07");
        var asked = (await school.Student.GetAsync($"/api/sessions/{next}")).Body!["openPain"]![0]!;
        Assert.Equal(
            ("lower back, 2 of 10", false),
            (asked["text"]!.GetValue<string>(), asked["needsClearing"]!.GetValue<bool>())
        );
        Assert.Equal([School.First], asked["segmentIds"]!.AsArray().Select(i => i!.GetValue<Guid>()));
        var bay = (await school.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!
            .AsArray()
            .First(b => b!["student"]!["id"]!.GetValue<Guid>() == school.StudentId)!;
        Assert.Equal("lightPain", bay["attention"]!["reason"]!.GetValue<string>());
        var week = (await school.Coach.GetAsync($"/api/weeks/{TestServer.Week}/students/{school.StudentId}")).Body!;
        Assert.Equal("2026-05-06", week["openPain"]![0]!["lastOn"]!.GetValue<string>());

        await school.SendAsync(
            Guid.CreateVersion7(),
            next,
            School.Entry(1, "painFollowedUp", 8, ("part", "lowerBack"), ("level", 0), ("needsClearing", false)),
            School.Entry(2, "entered", 9, ("segmentId", School.First))
        );
        week = (await school.Coach.GetAsync($"/api/weeks/{TestServer.Week}/students/{school.StudentId}")).Body!;
        Assert.Empty(week["openPain"]!.AsArray());
    }
}
