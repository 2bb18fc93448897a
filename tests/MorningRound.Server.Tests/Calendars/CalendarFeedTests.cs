using System.Net;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Calendars;

namespace MorningRound.Server.Tests.Calendars;

/// <summary>Secret calendar addresses, and what they carry.</summary>
public sealed class CalendarFeedTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static async Task<string> AddressAsync(Browser browser) =>
        (await browser.PostAsync("/api/calendar")).Get<string>("path");

    private async Task<IReadOnlyList<(string Uid, string Status, int Sequence, string Start)>> EventsAsync(string address)
    {
        using var client = _school.Server.CreateClient();
        var text = await client.GetStringAsync(address);
        return
        [
            .. Ical
                .Net.Calendar.Load(text)!
                .Events.Select(e => (e.Uid!, e.Status!, e.Sequence, e.Start!.Date.ToString("O")))
                .OrderBy(e => e.Item4),
        ];
    }

    [Fact]
    public async Task A_session_keeps_its_uid_when_it_is_moved_changed_and_taken_out()
    {
        var address = await AddressAsync(_school.Student);
        var id = await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Empty(await EventsAsync(address));
        await _school.PublishAsync();
        var published = Assert.Single(await EventsAsync(address));
        Assert.Equal(($"{id}@morning-round", "CONFIRMED", "2026-05-06"), (published.Uid, published.Status, published.Start));

        await ChangeAsync(
            new
            {
                kind = "move",
                id,
                version = 2,
                day = "2026-05-08",
            }
        );
        var moved = Assert.Single(await EventsAsync(address));
        Assert.Equal((published.Uid, "2026-05-08"), (moved.Uid, moved.Start));

        var text = $"/api/weeks/assignments/{id}/text";
        var plan = (await _school.Coach.GetAsync(text)).Body!["plan"]!.DeepClone();
        plan["title"] = "Another";
        var changed = await _school.Coach.PutAsync(text, new { plan }, 3);
        var replaced = Assert.Single(await EventsAsync(address));
        Assert.Equal(published.Uid, replaced.Uid);

        await ChangeAsync(
            new
            {
                kind = "takeOut",
                id = changed.Get<Guid>("assignmentId"),
                version = changed.Get<int>("version"),
            }
        );
        var gone = Assert.Single(await EventsAsync(address));
        Assert.Equal((published.Uid, "CANCELLED"), (gone.Uid, gone.Status));
        int[] sequences = [published.Sequence, moved.Sequence, replaced.Sequence, gone.Sequence];
        Assert.Equal(sequences.Order().Distinct(), sequences);
    }

    [Fact]
    public async Task What_a_calendar_carried_cannot_be_taken_back_as_if_nobody_had_seen_it()
    {
        var id = await _school.PublishedSessionAsync();
        await EventsAsync(await AddressAsync(_school.Student));
        var answer = await ChangeAsync(
            new
            {
                kind = "withdraw",
                id,
                version = 2,
            }
        );
        Assert.Contains("calendar", answer.Body![0]!["refused"]!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_coach_sees_everybodys_a_student_only_their_own()
    {
        await _school.PublishedSessionAsync();
        await _school.SetAsync(await _school.SavePlanAsync(), studentId: _school.OtherStudentId);
        await _school.PublishAsync(_school.OtherStudentId);
        Assert.Equal(2, (await EventsAsync(await AddressAsync(_school.Coach))).Count);
        Assert.Single(await EventsAsync(await AddressAsync(_school.Student)));
    }

    [Fact]
    public async Task A_new_address_ends_the_old_one_and_revoking_ends_both()
    {
        var first = await AddressAsync(_school.Student);
        var second = await AddressAsync(_school.Student);
        Assert.NotEqual(first, second);
        Assert.NotNull((await _school.Student.GetAsync("/api/calendar")).Body!["createdAt"]);
        using var client = _school.Server.CreateClient();
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(first)).StatusCode);
        var read = await client.GetAsync(second);
        Assert.Equal(
            ("text/calendar", "no-store"),
            (read.Content.Headers.ContentType!.MediaType, read.Headers.CacheControl!.NoStore ? "no-store" : "")
        );
        for (var i = 0; i < 2; i++)
            Assert.Equal(HttpStatusCode.NoContent, (await _school.Student.DeleteAsync("/api/calendar")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(second)).StatusCode);
        Assert.Null((await _school.Student.GetAsync("/api/calendar")).Body!["createdAt"]);
    }

    private Task<Answer> ChangeAsync(object change) =>
        _school.Coach.PostAsync("/api/weeks/changes", new { changes = new[] { change } });
}
