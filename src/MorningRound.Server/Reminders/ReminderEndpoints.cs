using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Reminders;

public static class ReminderEndpoints
{
    public static void MapReminders(this IEndpointRouteBuilder api)
    {
        var reminders = api.MapGroup("/reminders").WithTags("Reminders");
        reminders.MapGet(
            "/",
            (Caller caller, ReminderService service, CancellationToken cancel) => service.GetAsync(caller, cancel)
        );
        reminders.MapPut(
            "/{kind}",
            (string kind, ReminderInput input, Caller caller, ReminderService service, CancellationToken cancel) =>
                service.ChooseAsync(caller, QueryValues.Named<ReminderKind>(kind, "kind")!.Value, input.IsOn, cancel)
        );
        reminders
            .MapGet(
                "/outbox",
                (Caller caller, ReminderService service, CancellationToken cancel) => service.OutboxAsync(caller, cancel)
            )
            .RequireAuthorization(Policies.Coach);
    }
}
