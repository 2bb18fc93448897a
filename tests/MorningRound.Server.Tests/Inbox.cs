using System.Buffers;
using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using MailKit.Security;
using MimeKit;
using MorningRound.Server.Hosting;
using SmtpServer;
using SmtpServer.ComponentModel;
using SmtpServer.Protocol;
using SmtpServer.Storage;

namespace MorningRound.Server.Tests;

/// <summary>A mail server that keeps what it is handed.</summary>
internal sealed class Inbox : MessageStore, IMailboxFilter, IAsyncDisposable
{
    private readonly CancellationTokenSource _stop = new();
    private readonly Task _running;

    public Inbox()
    {
        var port = FreePort();
        Server = new MailServer("127.0.0.1", port, SecureSocketOptions.None, "", "", "golf@school.example");
        var services = new SmtpServer.ComponentModel.ServiceProvider();
        services.Add((IMessageStore)this);
        services.Add((IMailboxFilter)this);
        var options = new SmtpServerOptionsBuilder().ServerName("localhost").Port(port).Build();
        _running = new SmtpServer.SmtpServer(options, services).StartAsync(_stop.Token);
    }

    public MailServer Server { get; }

    public string Refuses { get; set; } = "";

    public ConcurrentQueue<MimeMessage> Messages { get; } = new();

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    public override async Task<SmtpResponse> SaveAsync(
        ISessionContext context,
        IMessageTransaction transaction,
        ReadOnlySequence<byte> buffer,
        CancellationToken cancellationToken
    )
    {
        using var stream = new MemoryStream(buffer.ToArray());
        Messages.Enqueue(await MimeMessage.LoadAsync(stream, cancellationToken));
        return SmtpResponse.Ok;
    }

    public Task<bool> CanAcceptFromAsync(
        ISessionContext context,
        SmtpServer.Mail.IMailbox from,
        int size,
        CancellationToken cancel
    ) => Task.FromResult(true);

    public Task<bool> CanDeliverToAsync(
        ISessionContext context,
        SmtpServer.Mail.IMailbox to,
        SmtpServer.Mail.IMailbox from,
        CancellationToken cancel
    ) => Task.FromResult($"{to.User}@{to.Host}" != Refuses);

    public async ValueTask DisposeAsync()
    {
        await _stop.CancelAsync();
        await Task.WhenAny(_running);
        _stop.Dispose();
    }
}
