using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.TestDays;

public static class TestDayEndpoints
{
    public static void MapTestDays(this IEndpointRouteBuilder api)
    {
        var tests = api.MapGroup("/test-days").WithTags("TestDays").RequireAuthorization(Policies.Coach);
        tests.MapGet("/", (Caller caller, TestDayService service, CancellationToken cancel) => service.ListAsync(caller, cancel));
        tests.MapGet(
            "/{id:guid}",
            (Guid id, Caller caller, TestDayService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        tests.MapPut(
            "/{id:guid}",
            (Guid id, TestDayInput input, RowVersion expected, Caller caller, TestDayService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, input, expected, cancel)
        );
        tests.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, TestDayService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
        tests.MapPost(
            "/{id:guid}/days",
            (Guid id, SetTestInput input, Caller caller, TestDayService service, CancellationToken cancel) =>
                service.SetAsync(caller, id, input.Day, cancel)
        );
    }
}
