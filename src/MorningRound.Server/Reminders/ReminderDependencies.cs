using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Reminders;

internal static class ReminderDependencies
{
    public static IServiceCollection AddReminders(this IServiceCollection services, IConfiguration configuration)
    {
        services
            .AddScoped<ReminderMaking>()
            .AddScoped<MailDelivery>()
            .AddScoped<ReminderService>()
            .AddScoped<IAccountEnding>(provider => provider.GetRequiredService<ReminderService>());
        services.AddPeriodicWork<ReminderClock>(configuration);
        return services;
    }
}
