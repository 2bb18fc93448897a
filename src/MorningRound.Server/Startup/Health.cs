using Microsoft.AspNetCore.Diagnostics.HealthChecks;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Startup;

internal static class Health
{
    public static IHealthChecksBuilder AddDbContextCheck(this IHealthChecksBuilder checks) =>
        checks.AddCheck<DatabaseCheck>("database");

    /// <summary><c>/health/live</c>: the process answers. <c>/health/ready</c>: the database does too.</summary>
    public static void MapHealth(this WebApplication app)
    {
        app.MapHealthChecks("/health/live", new HealthCheckOptions { Predicate = _ => false }).AllowAnonymous();
        app.MapHealthChecks("/health/ready").AllowAnonymous();
    }

    private sealed class DatabaseCheck(MorningRoundDb db) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(
            HealthCheckContext context,
            CancellationToken cancellationToken = default
        ) => await db.Database.CanConnectAsync(cancellationToken) ? HealthCheckResult.Healthy() : HealthCheckResult.Unhealthy();
    }
}
