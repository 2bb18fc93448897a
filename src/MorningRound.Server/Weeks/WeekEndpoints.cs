using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Weeks;

public static class WeekEndpoints
{
    public static void MapWeeks(this IEndpointRouteBuilder api)
    {
        var weeks = api.MapGroup("/weeks").WithTags("Weeks");
        weeks.MapGet(
            "/{week}/students/{studentId:guid}",
            (string week, Guid studentId, Caller caller, WeekService service, DomainClock clock, CancellationToken cancel) =>
                service.GetAsync(caller, studentId, WeekText.Read(week, "week", clock.Today(caller.TimeZone)), cancel)
        );
        weeks
            .MapPost(
                "/{week}/students/{studentId:guid}/publish",
                (string week, Guid studentId, Caller caller, WeekService service, DomainClock clock, CancellationToken cancel) =>
                    service.PublishAsync(caller, studentId, WeekText.Read(week, "week", clock.Today(caller.TimeZone)), cancel)
            )
            .RequireAuthorization(Policies.Coach);
        weeks
            .MapGet(
                "/{week}/students/{studentId:guid}/findings",
                (
                    string week,
                    Guid studentId,
                    Guid planId,
                    DateOnly? day,
                    Caller caller,
                    WeekService service,
                    DomainClock clock,
                    CancellationToken cancel
                ) =>
                    service.FindingsAsync(
                        caller,
                        studentId,
                        WeekText.Read(week, "week", clock.Today(caller.TimeZone)),
                        planId,
                        day,
                        cancel
                    )
            )
            .RequireAuthorization(Policies.Coach);

        var assignments = weeks.MapGroup("/assignments").RequireAuthorization(Policies.Coach);
        assignments.MapPut(
            "/{id:guid}",
            (Guid id, AssignmentInput input, RowVersion expected, Caller caller, WeekService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, input, expected, cancel)
        );
        assignments.MapPut(
            "/{id:guid}/excuse",
            (Guid id, ExcuseInput input, RowVersion expected, Caller caller, WeekService service, CancellationToken cancel) =>
                service.ExcuseAsync(caller, id, input.Excuse, expected, cancel)
        );
        assignments.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, WeekService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
    }
}
