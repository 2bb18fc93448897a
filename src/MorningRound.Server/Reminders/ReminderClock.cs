using MorningRound.Server.Hosting;

namespace MorningRound.Server.Reminders;

/// <summary>Looks every half minute for mails to make and to hand over.</summary>
internal sealed class ReminderClock(IServiceScopeFactory scopes, TimeProvider time, ILogger<ReminderClock> log)
    : PeriodicWork("Reminders", TimeSpan.FromSeconds(30), scopes, time, log)
{
    protected override async Task DoAsync(IServiceProvider services, CancellationToken cancel)
    {
        await services.GetRequiredService<ReminderMaking>().MakeAsync(cancel);
        await services.GetRequiredService<MailDelivery>().DeliverAsync(cancel);
    }
}
