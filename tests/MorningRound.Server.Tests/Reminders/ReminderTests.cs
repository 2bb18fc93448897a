using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using MorningRound.Server.Hosting;
using MorningRound.Server.Reminders;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Reminders;

/// <summary>
/// Mails: made once, handed over once, to a mail server of the SmtpServer package. The server's day is Wednesday 6 May 2026, nine
/// in the morning.
/// </summary>
public sealed class ReminderTests : IAsyncLifetime
{
    private School _school = null!;
    private readonly Inbox _inbox = new();

    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(await TestServer.NewAsync());

    public async ValueTask DisposeAsync()
    {
        await _inbox.DisposeAsync();
        await _school.Server.DisposeAsync();
    }

    private void Later(TimeSpan by) => _school.Server.RealClock.Forward(by);

    /// <summary>One look of one copy of the server.</summary>
    private async Task LookAsync(MailServer? server)
    {
        await using var scope = _school.Server.Services.CreateAsyncScope();
        var (db, clock) = (
            scope.ServiceProvider.GetRequiredService<MorningRoundDb>(),
            scope.ServiceProvider.GetRequiredService<DomainClock>()
        );
        var settings = new MailSettings(server, "https://golf.example");
        await new ReminderMaking(db, clock, settings).MakeAsync(default);
        await new MailDelivery(db, clock, settings, NullLogger<MailDelivery>.Instance).DeliverAsync(default);
    }

    private async Task<IReadOnlyList<string>> OutboxAsync() =>
        [
            .. (await _school.Coach.GetAsync("/api/reminders/outbox"))
                .Body!.AsArray()
                .Select(m => $"{m!["kind"]} {m["state"]}")
                .Order(),
        ];

    [Fact]
    public async Task A_published_week_is_mailed_once_after_ten_minutes_however_many_copies_look()
    {
        await _school.PublishedSessionAsync();
        await LookAsync(_inbox.Server);
        Assert.Empty(_inbox.Messages);
        // That a calendar was read meanwhile keeps nobody's mail from going.
        using (var calendar = _school.Server.CreateClient())
            await calendar.GetStringAsync((await _school.Coach.PostAsync("/api/calendar")).Get<string>("path"));
        Later(TimeSpan.FromMinutes(11));
        await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => LookAsync(_inbox.Server)));
        await LookAsync(_inbox.Server);
        var mail = Assert.Single(_inbox.Messages);
        Assert.Equal(("Your week is set", "student@First.example"), (mail.Subject, mail.To.Mailboxes.Single().Address));
        Assert.Contains("Wed 6 May: Half an hour, ", mail.TextBody, StringComparison.Ordinal);
        Assert.Contains("https://golf.example/my-week", mail.TextBody, StringComparison.Ordinal);
        Assert.EndsWith("@morning-round", mail.MessageId, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_taken_back_within_ten_minutes_was_never_told_and_afterwards_it_cannot_be()
    {
        var id = await _school.PublishedSessionAsync();
        Assert.Null((await WithdrawAsync(id, 2)).Body![0]!["refused"]);
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(_inbox.Server);
        Assert.Empty(_inbox.Messages);
        await _school.PublishAsync();
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(_inbox.Server);
        Assert.Single(_inbox.Messages);
        Assert.Contains("mail", (await WithdrawAsync(id, 4)).Body![0]!["refused"]!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_has_seen_the_week_already_gets_no_mail_of_it()
    {
        await _school.PublishedSessionAsync();
        await _school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{_school.StudentId}");
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(_inbox.Server);
        Assert.Empty(_inbox.Messages);
    }

    [Fact]
    public async Task Pain_is_told_to_coaches_at_once_and_the_mail_says_nothing_else()
    {
        var id = await _school.PublishedSessionAsync();
        await _school.Student.GetAsync($"/api/sessions/{id}");
        await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            School.Entry(2, "pain", 1, ("part", "lowerBack"), ("level", 5), ("sharp", true))
        );
        await LookAsync(_inbox.Server);
        await LookAsync(_inbox.Server);
        Assert.Equal(
            ["coach@First.example", "owner@First.example"],
            _inbox.Messages.Select(m => m.To.Mailboxes.Single().Address).Order()
        );
        Assert.All(
            _inbox.Messages,
            m =>
            {
                Assert.Contains("https://golf.example/tee-line", m.TextBody, StringComparison.Ordinal);
                Assert.DoesNotContain("back", m.TextBody, StringComparison.OrdinalIgnoreCase);
                Assert.DoesNotContain("sharp", m.ToString(), StringComparison.Ordinal);
                Assert.DoesNotContain("Made-Up", m.TextBody, StringComparison.Ordinal);
            }
        );
    }

    [Fact]
    public async Task Pain_and_Mondays_list_go_to_the_coach_who_looks_after_the_student()
    {
        var owner = (await _school.Owner.GetAsync("/api/accounts/session")).Body!["person"]!["accountId"]!.GetValue<Guid>();
        await _school.Coach.PutAsync($"/api/students/{_school.StudentId}", School.StudentInput("Handed Over"), 1);
        var path = $"/api/students/{_school.StudentId}/coach";
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync(path, new { coachId = owner }, 2)).Status);
        await _school.SendAsync(
            Guid.CreateVersion7(),
            await _school.PublishedSessionAsync(),
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            School.Entry(2, "pain", 1, ("part", "lowerBack"), ("level", 5), ("sharp", true))
        );
        await LookAsync(_inbox.Server);
        Assert.Equal(["owner@First.example"], _inbox.Messages.Select(m => m.To.Mailboxes.Single().Address));
        Later(TimeSpan.FromDays(5));
        await LookAsync(_inbox.Server);
        var lists = _inbox
            .Messages.Where(m => m.Subject == "Monday’s list")
            .ToDictionary(m => m.To.Mailboxes.Single().Address, m => m.TextBody);
        Assert.Contains("Handed", lists["owner@First.example"], StringComparison.Ordinal);
        Assert.DoesNotContain("Handed", lists["coach@First.example"], StringComparison.Ordinal);
        Assert.Contains("Somebody", lists["coach@First.example"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Each_one_chooses_and_a_days_mails_are_made_once()
    {
        await _school.PublishedSessionAsync(day: "2026-05-07");
        await _school.PublishedSessionAsync(day: "2026-05-09");
        await _school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{_school.StudentId}");
        Assert.Equal(["kind"], (await _school.Student.PutAsync("/api/reminders/pain", new { isOn = true })).Fields);
        foreach (var kind in new[] { "tomorrow", "thursday" })
        {
            var chosen = await _school.Student.PutAsync($"/api/reminders/{kind}", new { isOn = true });
            Assert.Contains(
                chosen.Body!["choices"]!.AsArray(),
                c => c!["kind"]!.ToString() == kind && c["isOn"]!.GetValue<bool>()
            );
        }

        // Wednesday at ten, at six in the evening, and on Thursday at six.
        foreach (var hours in new[] { 1, 8, 24 })
        {
            Later(TimeSpan.FromHours(hours));
            await Task.WhenAll(LookAsync(_inbox.Server), LookAsync(_inbox.Server));
        }

        Assert.Equal(["Room for practice this week", "Tomorrow: Half an hour"], _inbox.Messages.Select(m => m.Subject).Order());
        Later(TimeSpan.FromDays(4) - TimeSpan.FromHours(8));
        await LookAsync(_inbox.Server);
        var list = _inbox.Messages.Where(m => m.Subject == "Monday’s list").ToList();
        Assert.Equal(2, list.Count);
        Assert.Contains("Last week something was missed by Somebody.", list[0].TextBody, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_mail_server_that_is_down_delays_and_loses_nothing()
    {
        await _school.PublishedSessionAsync();
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(_inbox.Server with { Port = Inbox.FreePort() });
        Assert.Equal(["weekPublished waiting"], await OutboxAsync());
        // Not at once again, and then it goes.
        await LookAsync(_inbox.Server);
        Assert.Empty(_inbox.Messages);
        Later(TimeSpan.FromMinutes(6));
        await LookAsync(_inbox.Server);
        Assert.Single(_inbox.Messages);
        Assert.Equal(["weekPublished sent"], await OutboxAsync());
    }

    [Fact]
    public async Task A_crash_between_handing_over_and_noting_repeats_the_mail_under_its_message_id()
    {
        await _school.PublishedSessionAsync();
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(_inbox.Server);
        await using (var scope = _school.Server.Services.CreateAsyncScope())
        {
            var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
            await db.Mails.ExecuteUpdateAsync(set => set.SetProperty(m => m.State, MailState.Waiting));
        }

        Later(TimeSpan.FromMinutes(6));
        await LookAsync(_inbox.Server);
        Assert.Equal(2, _inbox.Messages.Count);
        Assert.Single(_inbox.Messages.Select(m => m.MessageId).Distinct());
    }

    [Fact]
    public async Task One_address_that_is_refused_holds_nobody_up()
    {
        await _school.PublishedSessionAsync();
        await _school.SetAsync(await _school.SavePlanAsync(), studentId: _school.OtherStudentId);
        await _school.PublishAsync(_school.OtherStudentId);
        _inbox.Refuses = "student@First.example";
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(_inbox.Server);
        Assert.Equal("other@First.example", Assert.Single(_inbox.Messages).To.Mailboxes.Single().Address);
        Assert.Equal(["weekPublished sent", "weekPublished waiting"], await OutboxAsync());
    }

    [Fact]
    public async Task Without_a_mail_server_the_outbox_shows_what_would_go()
    {
        await _school.PublishedSessionAsync();
        Later(TimeSpan.FromMinutes(11));
        await LookAsync(null);
        Assert.Equal(["weekPublished shown"], await OutboxAsync());
        var view = (await _school.Student.GetAsync("/api/reminders")).Body!;
        Assert.Equal((false, "student@First.example"), (view["hasMailServer"]!.GetValue<bool>(), view["email"]!.ToString()));
        Assert.Equal(HttpStatusCode.Forbidden, (await _school.Student.GetAsync("/api/reminders/outbox")).Status);
    }

    private Task<Answer> WithdrawAsync(Guid id, int version) =>
        _school.Coach.PostAsync(
            "/api/weeks/changes",
            new
            {
                changes = new[]
                {
                    new
                    {
                        kind = "withdraw",
                        id,
                        version,
                    },
                },
            }
        );
}
