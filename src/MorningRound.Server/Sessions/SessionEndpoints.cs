using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

public static class SessionEndpoints
{
    public static void MapSessions(this IEndpointRouteBuilder api)
    {
        var sessions = api.MapGroup("/sessions").WithTags("Sessions");
        sessions
            .MapGet(
                "/{assignmentId:guid}",
                (Guid assignmentId, Caller caller, SessionService service, CancellationToken cancel) =>
                    service.GetAsync(caller, assignmentId, cancel)
            )
            .Costs(Costly.Session);
        sessions.MapGet(
            "/logs/{logId:guid}/entries",
            (Guid logId, Caller caller, SessionService service, CancellationToken cancel) =>
                service.EntriesAsync(caller, logId, cancel)
        );
        sessions
            .MapPost(
                "/logs/{logId:guid}/entries",
                (Guid logId, AppendInput input, Caller caller, SessionLogService service, CancellationToken cancel) =>
                    service.AppendAsync(caller, logId, input, cancel)
            )
            .Costs(Costly.Append);
        sessions.MapPut(
            "/own/{assignmentId:guid}",
            (Guid assignmentId, OwnPracticeInput input, Caller caller, OwnPracticeService service, CancellationToken cancel) =>
                service.SaveAsync(caller, assignmentId, input, cancel)
        );
    }
}
