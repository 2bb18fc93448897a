using System.Net;
using System.Text.RegularExpressions;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Tests.Accounts;

/// <summary>Mails that carry a link into an account, to a mail server of the SmtpServer package.</summary>
public sealed class AccountMailTests(OneServer server) : IClassFixture<OneServer>, IAsyncLifetime
{
    private readonly Inbox _inbox = new();
    private School _school = null!;
    private AccountMails _mails = null!;

    public async ValueTask InitializeAsync()
    {
        _school = await server.OpenAsync();
        _mails = new AccountMails(
            _school.Server.Services.GetRequiredService<IServiceScopeFactory>(),
            new MailSettings(_inbox.Server, "https://golf.example"),
            _school.Server.RealClock,
            NullLogger<AccountMails>.Instance
        );
    }

    public async ValueTask DisposeAsync()
    {
        _mails.Dispose();
        await _inbox.DisposeAsync();
    }

    private string Email => $"coach@{_school.Name}.example";

    private async Task AskAsync(AccountMailKind kind, string email)
    {
        _mails.Ask(new AccountMail(kind, email));
        await _mails.DeliverAsync(default);
    }

    /// <summary>Account and token of the link in the newest mail.</summary>
    private (string AccountId, string Token) Link(string page)
    {
        var found = Regex.Match(_inbox.Messages.Last().TextBody!, $"/{page}/([^/]+)/([A-Za-z0-9_-]+)");
        Assert.True(found.Success);
        return (found.Groups[1].Value, found.Groups[2].Value);
    }

    [Fact]
    public async Task A_forgotten_password_is_mended_by_mail_once_the_address_was_confirmed_and_not_before()
    {
        await AskAsync(AccountMailKind.Password, Email);
        await AskAsync(AccountMailKind.Password, $"nobody@{_school.Name}.example");
        Assert.Empty(_inbox.Messages);

        await AskAsync(AccountMailKind.Confirmation, Email);
        Assert.Equal(Email, Assert.Single(_inbox.Messages).To.Mailboxes.Single().Address);
        var (accountId, token) = Link("confirm");
        var anybody = _school.Server.NewBrowser();
        var confirmed = await anybody.PostAsync("/api/accounts/email-confirmation", new { accountId, token });
        Assert.Equal(HttpStatusCode.NoContent, confirmed.Status);
        Assert.True((await _school.Coach.GetAsync("/api/accounts/mine")).Get<bool>("emailIsConfirmed"));

        await AskAsync(AccountMailKind.Password, Email);
        (accountId, token) = Link("reset");
        var reset = new
        {
            accountId,
            token,
            password = "heron on the third",
        };
        Assert.Equal(HttpStatusCode.OK, (await anybody.PostAsync("/api/accounts/password-reset", reset)).Status);
        // It was good once, and it ended where the coach was signed in.
        Assert.Equal(HttpStatusCode.NotFound, (await anybody.PostAsync("/api/accounts/password-reset", reset)).Status);
        Assert.Equal(HttpStatusCode.Unauthorized, (await _school.Coach.GetAsync("/api/accounts/mine")).Status);
    }

    [Fact]
    public async Task Nobodys_inbox_is_flooded()
    {
        for (var i = 0; i < 5; i++)
            await AskAsync(AccountMailKind.Confirmation, Email);
        Assert.Equal(3, _inbox.Messages.Count);
    }
}
