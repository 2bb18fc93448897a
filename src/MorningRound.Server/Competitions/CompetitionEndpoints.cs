using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Competitions;

public static class CompetitionEndpoints
{
    public static void MapCompetitions(this IEndpointRouteBuilder api)
    {
        var competitions = api.MapGroup("/competitions/{studentId:guid}/{competitionId:guid}").WithTags("Competitions");
        competitions.MapGet(
            "/",
            (Guid studentId, Guid competitionId, Caller caller, CompetitionService service, CancellationToken cancel) =>
                service.GetAsync(caller, studentId, competitionId, cancel)
        );
        competitions
            .MapPost(
                "/arrival",
                (Guid studentId, Guid competitionId, Caller caller, CompetitionService service, CancellationToken cancel) =>
                    service.SetArrivalAsync(caller, studentId, competitionId, cancel)
            )
            .RequireAuthorization(Policies.Coach);
    }
}
