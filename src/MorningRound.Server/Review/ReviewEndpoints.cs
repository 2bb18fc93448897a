using MorningRound.Server.Accounts;

namespace MorningRound.Server.Review;

public static class ReviewEndpoints
{
    public static void MapReview(this IEndpointRouteBuilder api) =>
        api.MapGroup("/review")
            .WithTags("Review")
            .RequireAuthorization(Policies.Coach)
            .MapGet(
                "/tee-line",
                (Caller caller, TeeLineService service, CancellationToken cancel, int rows = 40, bool everybody = false) =>
                    service.GetAsync(caller, rows, everybody, cancel)
            );
}
