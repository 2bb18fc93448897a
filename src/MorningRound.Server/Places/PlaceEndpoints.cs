using MorningRound.Core.Places;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Places;

public static class PlaceEndpoints
{
    public static void MapPlaces(this IEndpointRouteBuilder api)
    {
        var places = api.MapGroup("/places").WithTags("Places");
        places.MapGet("/", (Caller caller, PlaceService service, CancellationToken cancel) => service.ListAsync(caller, cancel));
        places.MapGet(
            "/{id:guid}",
            (Guid id, Caller caller, PlaceService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        places
            .MapPut(
                "/{id:guid}",
                (Guid id, Place place, RowVersion expected, Caller caller, PlaceService service, CancellationToken cancel) =>
                    service.SaveAsync(caller, id, place, expected, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        places
            .MapDelete(
                "/{id:guid}",
                async (Guid id, RowVersion expected, Caller caller, PlaceService service, CancellationToken cancel) =>
                {
                    await service.RemoveAsync(caller, id, expected, cancel);
                    return TypedResults.NoContent();
                }
            )
            .RequireAuthorization(Policies.Coach);
        places
            .MapGet(
                "/file",
                (Caller caller, PlaceService service, CancellationToken cancel) => service.ExportAsync(caller, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        places
            .MapPost(
                "/file",
                (PlaceFile file, Caller caller, PlaceService service, CancellationToken cancel) =>
                    service.ImportAsync(caller, file, cancel)
            )
            .Costs(Costly.Import)
            .RequireAuthorization(Policies.Coach);
    }
}
