namespace MorningRound.Server.Reminders;

/// <summary>Looks every half minute for mails to make and to hand over.</summary>
internal sealed partial class ReminderClock(IServiceScopeFactory scopes, TimeProvider time, ILogger<ReminderClock> log)
    : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(30);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, time);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await scope.ServiceProvider.GetRequiredService<ReminderMaking>().MakeAsync(stoppingToken);
                await scope.ServiceProvider.GetRequiredService<MailDelivery>().DeliverAsync(stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException || !stoppingToken.IsCancellationRequested)
            {
                // Nothing was made that is not whole, and no error in here may end the server: practice goes on.
                NotNow(e.GetType().Name);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Reminders have to wait ({Why}); they are tried again.")]
    private partial void NotNow(string why);
}
