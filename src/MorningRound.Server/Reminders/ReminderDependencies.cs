using MorningRound.Server.Accounts;

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
        // Off where somebody else looks after them, as the tests do.
        if (configuration["MORNING_ROUND_REMINDERS"] != "off")
            services.AddHostedService<ReminderClock>();
        return services;
    }
}
