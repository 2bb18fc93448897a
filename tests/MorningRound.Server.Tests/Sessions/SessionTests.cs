using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Core.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Sessions;

public class SessionTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static Dictionary<string, object?>[] Session() =>
        [
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            School.Entry(2, "counted", 5, ("segmentId", School.First), ("balls", 20)),
            School.Entry(3, "settled", 12, ("segmentId", School.First), ("outcome", "partDone")),
            School.Entry(4, "entered", 13, ("segmentId", School.Second)),
            School.Entry(5, "settled", 20, ("segmentId", School.Second), ("outcome", "done")),
            School.Entry(
                6,
                "rated",
                21,
                ("focus", 7),
                ("quality", 6),
                ("confidence", 8),
                ("enjoyment", 9),
                ("effort", 0),
                ("purposeMet", true),
                ("note", "Windy")
            ),
            School.Entry(7, "finished", 21),
        ];

    private async Task<int> CountAsync(Func<MorningRoundDb, Task<int>> count)
    {
        await using var scope = _school.Server.Services.CreateAsyncScope();
        return await count(scope.ServiceProvider.GetRequiredService<MorningRoundDb>());
    }

    [Fact]
    public async Task The_coach_sees_what_the_student_did_as_worked_by_hand()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        Assert.Equal(7, (await _school.SendAsync(log, id, Session())).Get<int>("lastSequence"));

        // By hand: 20 of 30 balls of a 20-minute segment are 13⅓ minutes, and of a 10-minute segment the clock ran 7:
        // 20⅓ of 30. Clock: 12 + 7 minutes.
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        Assert.Equal((20.0 * 20 / 30) + 7, seen["card"]!["completion"]!["doneMinutes"]!.GetValue<double>(), 9);
        Assert.Equal("partDone", seen["card"]!["status"]!.GetValue<string>());
        Assert.Equal("2026-05-06", seen["card"]!["practisedOn"]!.GetValue<string>());
        var kept = seen["logs"]![0]!;
        Assert.Equal(19, kept["minutes"]!.GetValue<double>(), 9);
        Assert.Equal(
            (20, 7, 0, "Windy"),
            (
                kept["strokes"]!["counted"]!.GetValue<int>(),
                kept["rating"]!["focus"]!.GetValue<int>(),
                kept["rating"]!["effort"]!.GetValue<int>(),
                kept["rating"]!["note"]!.GetValue<string>()
            )
        );
        Assert.Equal("after 30 balls", seen["exitRules"]![0]!["text"]!.GetValue<string>());
    }

    [Fact]
    public async Task Sending_one_log_twice_or_in_pieces_that_overlap_changes_nothing()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, id, Session()[..4]);
        await _school.SendAsync(log, id, Session());
        var again = await _school.SendAsync(log, id, Session());
        Assert.Equal((HttpStatusCode.OK, 7), (again.Status, again.Get<int>("lastSequence")));
        Assert.Equal(7, await CountAsync(db => db.SessionEntries.CountAsync(e => e.LogId == log)));
        var entries = (await _school.Student.GetAsync($"/api/sessions/logs/{log}/entries")).Body!.AsArray();
        Assert.Equal(
            ["entered", "counted", "settled", "entered", "settled", "rated", "finished"],
            entries.Select(e => e!["kind"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task What_a_release_before_worked_out_is_worked_out_anew_once()
    {
        var id = await _school.PublishedSessionAsync();
        await _school.SendAsync(Guid.CreateVersion7(), id, Session());
        await using var scope = _school.Server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        // As the release before left it: done is whole, and nothing is reported.
        await db
            .Assignments.Where(a => a.Id == id)
            .ExecuteUpdateAsync(a => a.SetProperty(r => r.CompletionRules, 0).SetProperty(r => r.DoneMinutes, 30));
        Assert.Equal(1, await CompletionRecount.RecountAsync(db, TestContext.Current.CancellationToken));
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        // 20 of 30 balls of 20 minutes, and 7 of 10 minutes by the clock.
        Assert.Equal((20.0 * 20 / 30) + 7, seen["card"]!["completion"]!["doneMinutes"]!.GetValue<double>(), 9);
        Assert.Equal(0, await CompletionRecount.RecountAsync(db, TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task The_same_log_sent_at_once_from_two_tabs_is_kept_once()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => _school.SendAsync(log, id, Session())));
        Assert.All(answers, a => Assert.Equal((HttpStatusCode.OK, 7), (a.Status, a.Get<int>("lastSequence"))));
        Assert.Equal(7, await CountAsync(db => db.SessionEntries.CountAsync(e => e.LogId == log)));
    }

    [Fact]
    public async Task Another_entry_under_a_taken_number_is_refused_and_kept_aside_once()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, id, Session()[..3]);
        var other = School.Entry(3, "counted", 6, ("segmentId", School.First), ("balls", 9));
        for (var twice = 0; twice < 2; twice++)
        {
            var refused = await _school.SendAsync(log, id, other);
            Assert.Equal((HttpStatusCode.Conflict, "entries[0].sequence"), (refused.Status, refused.Fields.Single()));
        }

        Assert.Equal(1, await CountAsync(db => db.EntryConflicts.CountAsync(c => c.LogId == log)));
        Assert.Equal(3, await CountAsync(db => db.SessionEntries.CountAsync(e => e.LogId == log)));
    }

    [Fact]
    public async Task A_gap_is_refused_and_says_where_the_log_ends()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, id, Session()[..2]);
        var refused = await _school.SendAsync(log, id, Session()[3..]);
        Assert.Equal((HttpStatusCode.Conflict, "entries"), (refused.Status, refused.Fields.Single()));
        var early = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.Conflict, (await _school.SendAsync(early, id, Session()[1..])).Status);
        Assert.Equal(0, await CountAsync(db => db.SessionLogs.CountAsync(l => l.Id == early)));
    }

    [Fact]
    public async Task Two_devices_with_one_session_lose_nothing()
    {
        var id = await _school.PublishedSessionAsync();
        await _school.SendAsync(Guid.CreateVersion7(), id, Session()[..3]);
        await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "settled", 30, ("segmentId", School.Second), ("outcome", "done")),
            School.Entry(2, "finished", 31)
        );
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        Assert.Equal(2, seen["logs"]!.AsArray().Count);
        Assert.Equal((20.0 * 20 / 30) + 10, seen["card"]!["completion"]!["doneMinutes"]!.GetValue<double>(), 9);
    }

    [Fact]
    public async Task Thunder_ends_a_session_without_a_percentage_and_without_a_word_of_pain()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(
            log,
            id,
            School.Entry(1, "settled", 10, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(2, "weather", 12, ("weather", "thunder")),
            School.Entry(3, "finished", 13)
        );
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        var card = seen["card"]!;
        Assert.Equal("thunder", seen["logs"]![0]!["weather"]!.GetValue<string>());
        Assert.False(seen["logs"]![0]!["endedByPain"]!.GetValue<bool>());
        Assert.Equal("stopped", card["status"]!.GetValue<string>());
        Assert.Null(card["completion"]!["fraction"]);
        // All 20 minutes of the first segment are reported, and of 30 minutes nothing else was begun.
        Assert.Equal("Stopped for thunder after 20 of 30 min", card["completion"]!["text"]!.GetValue<string>());
        Assert.Empty(card["pain"]!.AsArray());
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await _school.SendAsync(log, id, School.Entry(4, "weather", 14, ("weather", "frogs")))).Status
        );
    }

    [Fact]
    public async Task Pain_that_ends_a_session_drops_the_rest_and_reaches_the_coach()
    {
        var id = await _school.PublishedSessionAsync();
        await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "settled", 10, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(2, "pain", 12, ("part", "wristOrHand"), ("side", "trail"), ("level", 5), ("sharp", false)),
            School.Entry(3, "finished", 13)
        );
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        Assert.True(seen["logs"]![0]!["endedByPain"]!.GetValue<bool>());
        Assert.Equal(20, seen["card"]!["completion"]!["plannedMinutes"]!.GetValue<int>());
        Assert.Equal("stopped", seen["card"]!["status"]!.GetValue<string>());
        Assert.Equal("trail wrist or hand, 5 of 10", seen["card"]!["pain"]![0]!.GetValue<string>());
        var bays = (await _school.Coach.GetAsync("/api/review/tee-line")).Body!["rows"]!.AsArray();
        Assert.Equal("trail wrist or hand, 5 of 10", bays[0]!["attention"]!["text"]!.GetValue<string>());

        // It counts on: nothing that loads the part can be published until the file says who cleared it.
        await _school.SetAsync(await _school.SavePlanAsync());
        var refused = await _school.PublishAsync();
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.Status);
        Assert.Contains("wrist", refused.Body!["errors"]!.ToJsonString(), StringComparison.Ordinal);
        await _school.ClearAsync("wristOrHand", "trail");
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
    }

    public static TheoryData<string, Dictionary<string, object?>> WrongEntries =>
        new()
        {
            { "entries[0].segmentId", School.Entry(1, "entered", 0, ("segmentId", Guid.NewGuid())) },
            { "entries[0].level", School.Entry(1, "pain", 0, ("part", "neck"), ("level", 11), ("sharp", false)) },
            { "entries[0].effort", School.Entry(1, "rated", 0, ("effort", 11)) },
            { "entries[0]", School.Entry(1, "daydreamed", 0) },
            { "entries[0].segmentId", School.Entry(1, "entered", 0) },
        };

    [Theory]
    [MemberData(nameof(WrongEntries))]
    public async Task A_wrong_entry_is_refused_and_named(string field, Dictionary<string, object?> entry)
    {
        var id = await _school.PublishedSessionAsync();
        var answer = await _school.SendAsync(Guid.CreateVersion7(), id, entry);
        Assert.True(answer.Status is HttpStatusCode.BadRequest or HttpStatusCode.UnprocessableEntity);
        Assert.Equal([field], answer.Fields);
    }

    [Fact]
    public async Task Nobody_logs_somebody_elses_session_or_one_that_is_not_published()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        var body = new
        {
            assignmentId = id,
            accountId = _school.StudentAccount,
            entries = Session(),
        };
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.OtherStudent.PostAsync($"/api/sessions/logs/{log}/entries", body)).Status
        );
        Assert.Equal(HttpStatusCode.Forbidden, (await _school.Coach.PostAsync($"/api/sessions/logs/{log}/entries", body)).Status);
        var draft = await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await _school.SendAsync(log, draft, Session())).Status);
        Assert.Equal(0, await CountAsync(db => db.SessionLogs.CountAsync(l => l.Id == log)));
    }

    [Fact]
    public async Task A_log_id_of_another_session_is_refused()
    {
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, await _school.PublishedSessionAsync(), Session());
        var refused = await _school.SendAsync(log, await _school.PublishedSessionAsync(), Session());
        Assert.Equal(HttpStatusCode.NotFound, refused.Status);
    }
}
