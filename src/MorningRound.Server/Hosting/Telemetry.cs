using Npgsql;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace MorningRound.Server.Hosting;

/// <summary>
/// Traces and metrics for whoever runs the server, by OpenTelemetry's own protocol and its own settings. Off unless an endpoint
/// is named. They say which route was asked and which statement was run, never who asked, never a link's secret, and no value.
/// </summary>
internal static class Telemetry
{
    private const string Endpoint = "OTEL_EXPORTER_OTLP_ENDPOINT";

    private static readonly string[] Personal = ["url.query", "user_agent.original", "client.address"];

    public static void AddTelemetry(this IServiceCollection services, IConfiguration configuration)
    {
        if (configuration[Endpoint] is not { Length: > 0 })
            return;
        services
            .AddOpenTelemetry()
            .ConfigureResource(resource => resource.AddService("morning-round"))
            .WithTracing(traces =>
                traces
                    .AddAspNetCoreInstrumentation(web =>
                    {
                        web.EnrichWithHttpResponse = (span, response) =>
                        {
                            var route = (response.HttpContext.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText ?? "-";
                            span.SetTag("url.path", route);
                            foreach (var tag in Personal)
                                span.SetTag(tag, null);
                        };
                    })
                    .AddNpgsql()
                    .AddOtlpExporter()
            )
            .WithMetrics(metrics =>
                metrics
                    .AddAspNetCoreInstrumentation()
                    .AddMeter(
                        "System.Runtime",
                        "Npgsql",
                        "Microsoft.AspNetCore.Server.Kestrel",
                        "Microsoft.AspNetCore.RateLimiting"
                    )
                    .AddOtlpExporter()
            );
    }
}
