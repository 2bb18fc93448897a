using MorningRound.Core.Programmes;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Programmes;

public static class ProgrammeEndpoints
{
    public static void MapProgrammes(this IEndpointRouteBuilder api)
    {
        var programmes = api.MapGroup("/programmes").WithTags("Programmes").RequireAuthorization(Policies.Coach);
        programmes.MapGet(
            "/",
            (Caller caller, ProgrammeService service, CancellationToken cancel) => service.ListAsync(caller, cancel)
        );
        programmes
            .MapPost(
                "/draw",
                (Programme programme, Caller caller, ProgrammeService service, CancellationToken cancel) =>
                    service.DrawAsync(caller, programme, cancel)
            )
            .Costs(Costly.Check);
        programmes.MapGet(
            "/{id:guid}",
            (Guid id, Caller caller, ProgrammeService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        programmes.MapPut(
            "/{id:guid}",
            (
                Guid id,
                Programme programme,
                RowVersion expected,
                Caller caller,
                ProgrammeService service,
                CancellationToken cancel
            ) => service.SaveAsync(caller, id, programme, expected, cancel)
        );
        programmes.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, ProgrammeService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
        var runs = programmes.MapGroup("/runs");
        runs.MapPut(
            "/{id:guid}",
            (
                Guid id,
                ProgrammeRunInput input,
                RowVersion expected,
                Caller caller,
                ProgrammeRunService service,
                CancellationToken cancel
            ) => service.SaveAsync(caller, id, input, expected, cancel)
        );
        runs.MapPut(
            "/{id:guid}/waits",
            async (Guid id, ProgrammeWaitInput input, Caller caller, ProgrammeRunService service, CancellationToken cancel) =>
            {
                await service.WaitAsync(caller, id, input, cancel);
                return TypedResults.NoContent();
            }
        );
    }
}
