using MorningRound.Core.OnCourse;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.OnCourse;

public static class RoundEndpoints
{
    /// <summary>A student's own rounds, for the student and for the coaches of the academy alike.</summary>
    public static void MapRounds(this IEndpointRouteBuilder api)
    {
        var rounds = api.MapGroup("/rounds/{studentId:guid}").WithTags("Rounds");
        rounds.MapGet(
            "/",
            (Guid studentId, Caller caller, RoundService service, CancellationToken cancel, int rows = 20) =>
                service.ListAsync(caller, studentId, rows, cancel)
        );
        rounds.MapPut(
            "/{id:guid}",
            (
                Guid studentId,
                Guid id,
                Round round,
                RowVersion expected,
                Caller caller,
                RoundService service,
                CancellationToken cancel
            ) => service.SaveAsync(caller, studentId, id, round, expected, cancel)
        );
        rounds.MapDelete(
            "/{id:guid}",
            async (Guid studentId, Guid id, RowVersion expected, Caller caller, RoundService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, studentId, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
        rounds.MapGet(
            "/file",
            (Guid studentId, Caller caller, RoundService service, CancellationToken cancel) =>
                service.ExportAsync(caller, studentId, cancel)
        );
        rounds
            .MapPost(
                "/file",
                (Guid studentId, RoundFile file, Caller caller, RoundService service, CancellationToken cancel) =>
                    service.ImportAsync(caller, studentId, file, cancel)
            )
            .Costs(Costly.Import);
        rounds.MapGet(
            "/csv",
            async (Guid studentId, Caller caller, RoundService service, CancellationToken cancel) =>
                TypedResults.Text(
                    RoundCsv.Write((await service.ExportAsync(caller, studentId, cancel)).Rounds),
                    "text/csv; charset=utf-8"
                )
        );
        rounds
            .MapPost(
                "/csv",
                (Guid studentId, RoundCsvInput input, Caller caller, RoundService service, CancellationToken cancel) =>
                    service.ImportAsync(caller, studentId, RoundCsv.Read(input.Text, studentId), cancel)
            )
            .Costs(Costly.Import);
    }
}
