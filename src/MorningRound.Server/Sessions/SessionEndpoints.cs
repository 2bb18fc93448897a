using MorningRound.Server.Accounts;

namespace MorningRound.Server.Sessions;

public static class SessionEndpoints
{
    public static void MapSessions(this IEndpointRouteBuilder api)
    {
        var sessions = api.MapGroup("/sessions").WithTags("Sessions");
        sessions.MapGet("/{assignmentId:guid}", (Guid assignmentId, Caller caller, SessionBook book, CancellationToken cancel) =>
            book.GetAsync(caller, assignmentId, cancel));
        sessions.MapGet("/logs/{logId:guid}/entries", (Guid logId, Caller caller, SessionBook book, CancellationToken cancel) =>
            book.EntriesAsync(caller, logId, cancel));
        sessions.MapPost("/logs/{logId:guid}/entries", (
                Guid logId, AppendInput input, Caller caller, SessionLogBook book, CancellationToken cancel) =>
            book.AppendAsync(caller, logId, input, cancel));
        sessions.MapPut("/own/{assignmentId:guid}", (
                Guid assignmentId, OwnPracticeInput input, Caller caller, OwnPracticeBook book, CancellationToken cancel) =>
            book.SaveAsync(caller, assignmentId, input, cancel));
    }
}
