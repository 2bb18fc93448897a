using MorningRound.Server.Accounts;

namespace MorningRound.Server.DataRights;

public static class DataRightsEndpoints
{
    public static void MapDataRights(this IEndpointRouteBuilder api)
    {
        var students = api.MapGroup("/data-rights/students/{studentId:guid}")
            .WithTags("Data rights")
            .RequireAuthorization(Policies.Owner);
        students.MapGet(
            "/",
            (Guid studentId, Caller caller, ForgettingService service, CancellationToken cancel) =>
                service.TracesAsync(caller, studentId, cancel)
        );
        students.MapPost(
            "/forgetting",
            async (Guid studentId, Forgetting forgetting, Caller caller, ForgettingService service, CancellationToken cancel) =>
            {
                await service.ForgetAsync(caller, studentId, forgetting.Name, cancel);
                return TypedResults.NoContent();
            }
        );
    }
}
