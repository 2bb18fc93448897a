using System.Collections.Concurrent;
using System.Net;
using System.Text;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using OpenTelemetry.Metrics;
using OpenTelemetry.Trace;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>
/// Traces and metrics go where they are wanted (OpenTelemetry Protocol 1.x over HTTP: POST /v1/traces and /v1/metrics), to a
/// collector of this test, and nowhere else.
/// </summary>
public sealed class TelemetryTests
{
    [Fact]
    public async Task What_was_asked_goes_to_the_named_endpoint_without_who_and_without_secrets()
    {
        var got = new ConcurrentDictionary<string, string>();
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        await using var collector = builder.Build();
        collector.MapPost(
            "/v1/{signal}",
            async (string signal, HttpRequest request) =>
            {
                using var body = new MemoryStream();
                await request.Body.CopyToAsync(body);
                // Texts stand in the message as they are, whatever its numbers mean.
                got.AddOrUpdate(signal, _ => Text(body), (_, before) => before + Text(body));
            }
        );
        await collector.StartAsync();

        await using var plain = await TestServer.NewAsync();
        await using var server = plain.WithWebHostBuilder(host =>
        {
            host.UseSetting("OTEL_EXPORTER_OTLP_ENDPOINT", collector.Urls.Single());
            host.UseSetting("OTEL_EXPORTER_OTLP_PROTOCOL", "http/protobuf");
        });
        var browser = new Browser(server.CreateClient());
        const string Secret = "a-token-nobody-may-see";
        Assert.Equal(HttpStatusCode.NotFound, (await browser.GetAsync($"/api/accounts/invitations/{Secret}")).Status);
        await browser.PostAsync("/api/accounts/sign-in", new { email = "wanda@reeds.example", password = "not her password" });
        server.Services.GetRequiredService<TracerProvider>().ForceFlush();
        server.Services.GetRequiredService<MeterProvider>().ForceFlush();

        Assert.Contains("/api/accounts/invitations/{token}", got["traces"], StringComparison.Ordinal);
        Assert.Contains("SELECT", got["traces"], StringComparison.Ordinal);
        Assert.Contains("morning-round", got["traces"], StringComparison.Ordinal);
        Assert.Contains("http.server.request.duration", got["metrics"], StringComparison.Ordinal);
        foreach (var secret in new[] { Secret, "wanda", "WANDA", "not her password" })
            Assert.DoesNotContain(secret, string.Concat(got.Values), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Without_an_endpoint_nothing_is_gathered()
    {
        await using var server = await TestServer.NewAsync();
        Assert.Null(server.Services.GetService<TracerProvider>());
        Assert.Null(server.Services.GetService<MeterProvider>());
    }

    private static string Text(MemoryStream body) => Encoding.Latin1.GetString(body.ToArray());
}
