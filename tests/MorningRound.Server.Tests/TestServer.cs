using System.Net;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using MorningRound.Demo;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests;

/// <summary>The whole server on a database of its own, on Wednesday 6 May 2026, whatever day it is outside.</summary>
public sealed class TestServer(string connection, bool isDemo = false, string today = "2026-05-06", string? academyFile = null)
    : WebApplicationFactory<Program>
{
    public const string Week = "2026-W19";

    public SettableClock RealClock { get; } = new();

    /// <summary>What the server asked of its database.</summary>
    public StatementCounter Statements { get; } = new();

    public string Connection => connection;

    public static async Task<TestServer> NewAsync(bool isDemo = false) =>
        new(isDemo ? await TestDatabase.WithDemoAsync() : await TestDatabase.WithSchemaAsync(), isDemo);

    /// <summary>Somebody's browser: keeps cookies, and is nobody until signed in.</summary>
    /// <param name="address">The network address it comes from; null for one that nobody minds.</param>
    public Browser NewBrowser(string? address = null)
    {
        var client = CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false });
        if (address is not null)
            client.DefaultRequestHeaders.Add(SaidAddress.Header, address);
        return new(client);
    }

    private readonly string _setupFile = Path.GetTempFileName();

    private readonly string _secretFile = Path.GetTempFileName();

    /// <summary>What whoever runs the server is told, to found academies with.</summary>
    public const string SetupSecret = "a made-up secret of this test";

    /// <summary>The link that this copy handed to whoever started it; empty where it made none.</summary>
    public string SetupLink() => File.ReadAllText(_setupFile);

    /// <summary>A link that opens an academy, as the start command prints it.</summary>
    public async Task<string> SetupLinkAsync()
    {
        await using var scope = Services.CreateAsyncScope();
        var link = await scope.ServiceProvider.GetRequiredService<InvitationService>().InviteFirstAsync(default);
        return link.Path;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("MORNING_ROUND_DB", connection);
        builder.UseSetting("MORNING_ROUND_TODAY", today);
        builder.UseSetting("MORNING_ROUND_SETUP_FILE", _setupFile);
        File.WriteAllText(_secretFile, $"{SetupSecret}\n");
        builder.UseSetting("MORNING_ROUND_SETUP_SECRET_FILE", _secretFile);
        builder.UseSetting("MORNING_ROUND_JOBS", "off");
        builder.UseSetting("MORNING_ROUND_ACADEMY_FILE", academyFile);
        builder.ConfigureLogging(logging => logging.ClearProviders());
        builder.ConfigureTestServices(services =>
        {
            services.AddSingleton<TimeProvider>(RealClock);
            services.AddSingleton<IStartupFilter, SaidAddress>();
            // Every school has four passwords, and nobody tries to guess them.
            services.Configure<PasswordHasherOptions>(options => options.IterationCount = 1_000);
            services.ConfigureDbContext<MorningRoundDb>(options => options.AddInterceptors(Statements));
            if (isDemo)
                services.AddDemo();
        });
    }
}

/// <summary>Nothing comes over a network here: a test says from which address a call comes.</summary>
internal sealed class SaidAddress : IStartupFilter
{
    public const string Header = "X-Test-Address";

    public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) =>
        app =>
        {
            app.Use(
                (context, then) =>
                {
                    var said = context.Request.Headers[Header].ToString();
                    context.Connection.RemoteIpAddress = said.Length > 0 ? IPAddress.Parse(said) : IPAddress.Loopback;
                    return then(context);
                }
            );
            next(app);
        };
}

/// <summary>The real clock, which a test can set forward.</summary>
public sealed class SettableClock : TimeProvider
{
    private TimeSpan _ahead;

    public override DateTimeOffset GetUtcNow() => System.GetUtcNow() + _ahead;

    public void Forward(TimeSpan by) => _ahead += by;
}
