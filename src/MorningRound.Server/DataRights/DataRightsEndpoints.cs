using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.DataRights;

public static class DataRightsEndpoints
{
    public static void MapDataRights(this IEndpointRouteBuilder api)
    {
        var rights = api.MapGroup("/data-rights").WithTags("Data rights");
        rights
            .MapGet(
                "/mine/everything.zip",
                async (Caller caller, PersonArchiveService service, CancellationToken cancel) =>
                    Sent(await service.MineAsync(caller, cancel))
            )
            .RequireAuthorization(Policies.Anybody)
            .TakesLong();
        rights.MapStudents();
        rights
            .MapGet(
                "/accounts/{accountId:guid}/everything.zip",
                async (Guid accountId, Caller caller, PersonArchiveService service, CancellationToken cancel) =>
                    Sent(await service.AccountsAsync(caller, accountId, cancel))
            )
            .RequireAuthorization(Policies.Owner)
            .TakesLong();
        var academy = rights.MapGroup("/academy").RequireAuthorization(Policies.Owner);
        academy
            .MapGet(
                "/everything.zip",
                async (Caller caller, AcademyArchiveService service, CancellationToken cancel) =>
                    Sent(await service.MakeAsync(caller, cancel))
            )
            .TakesLong();
        academy.MapGet(
            "/retention",
            (Caller caller, RetentionService service, CancellationToken cancel) => service.GetAsync(caller, cancel)
        );
        academy.MapPut(
            "/retention",
            async (Retention retention, Caller caller, RetentionService service, CancellationToken cancel) =>
            {
                await service.SetAsync(caller, retention, cancel);
                return TypedResults.NoContent();
            }
        );
    }

    /// <summary>What was deleted lately, and can be had back.</summary>
    public static void MapDeleted(this IEndpointRouteBuilder api)
    {
        var deleted = api.MapGroup("/deleted").RequireAuthorization(Policies.Coach).WithTags("Recently deleted");
        deleted.MapGet(
            "/",
            (Caller caller, DeletedService service, CancellationToken cancel) => service.ListAsync(caller, cancel)
        );
        deleted.MapPost(
            "/{kind}/{id:guid}/restore",
            async (string kind, Guid id, Caller caller, DeletedService service, CancellationToken cancel) =>
            {
                await service.RestoreAsync(caller, QueryValues.Named<DeletedKind>(kind, "kind")!.Value, id, cancel);
                return TypedResults.NoContent();
            }
        );
    }

    private static void MapStudents(this IEndpointRouteBuilder rights)
    {
        var students = rights.MapGroup("/students/{studentId:guid}").RequireAuthorization(Policies.Owner);
        students.MapGet(
            "/",
            (Guid studentId, Caller caller, ForgettingService service, CancellationToken cancel) =>
                service.TracesAsync(caller, studentId, cancel)
        );
        students
            .MapGet(
                "/everything.zip",
                async (Guid studentId, Caller caller, PersonArchiveService service, CancellationToken cancel) =>
                    Sent(await service.StudentsAsync(caller, studentId, cancel))
            )
            .TakesLong();
        students.MapPost(
            "/forgetting",
            async (Guid studentId, Forgetting forgetting, Caller caller, ForgettingService service, CancellationToken cancel) =>
            {
                await service.ForgetAsync(caller, studentId, forgetting.Name, cancel);
                return TypedResults.NoContent();
            }
        );
    }

    /// <summary>One archive of a sign-in at a time, and as long as a slow line takes for a large one.</summary>
    private static void TakesLong(this RouteHandlerBuilder endpoint) =>
        endpoint.Costs(Costly.Archive).WithRequestTimeout(RequestLimits.LongestDownload);

    private static IResult Sent(Archive archive) => TypedResults.Stream(archive.Content, "application/zip", archive.FileName);
}
