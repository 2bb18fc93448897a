namespace MorningRound.Server.Hosting;

/// <summary>
/// Work that is looked for again and again while the server runs. What it does is whole or was not done, so that a copy that
/// stops in the middle leaves it to the next look, of whichever copy.
/// </summary>
/// <param name="what">What it is, for the log.</param>
/// <param name="every">How often it is looked for.</param>
/// <param name="scopes">Each look has services of its own.</param>
/// <param name="time">The clock.</param>
/// <param name="log">Told when a look has failed.</param>
internal abstract partial class PeriodicWork(
    string what,
    TimeSpan every,
    IServiceScopeFactory scopes,
    TimeProvider time,
    ILogger log
) : BackgroundService
{
    /// <summary>Does what there is to do now.</summary>
    protected abstract Task DoAsync(IServiceProvider services, CancellationToken cancel);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(every, time);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await DoAsync(scope.ServiceProvider, stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException || !stoppingToken.IsCancellationRequested)
            {
                // No error in here may end the server: practice goes on.
                NotNow(what, e.GetType().Name);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "{What} have to wait ({Why}); they are tried again.")]
    private partial void NotNow(string what, string why);
}

internal static class PeriodicWorkRegistration
{
    /// <summary>Has the work done while the server runs, unless somebody else looks after it, as the tests do.</summary>
    public static void AddPeriodicWork<T>(this IServiceCollection services, IConfiguration configuration)
        where T : PeriodicWork
    {
        if (configuration["MORNING_ROUND_JOBS"] != "off")
            services.AddHostedService<T>();
    }
}
