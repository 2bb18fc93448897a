using MorningRound.Server.Accounts;

namespace MorningRound.Server.Progress;

public static class ProgressEndpoints
{
    public static void MapProgress(this IEndpointRouteBuilder api) =>
        api.MapGroup("/progress")
            .WithTags("Progress")
            .MapGet(
                "/{studentId:guid}",
                (Guid studentId, Caller caller, ProgressService service, CancellationToken cancel, int weeks = 12) =>
                    service.GetAsync(caller, studentId, weeks, cancel)
            );
}
