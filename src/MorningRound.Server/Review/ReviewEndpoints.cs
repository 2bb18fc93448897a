using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Review;

/// <summary>The week that is published.</summary>
/// <param name="Week">Such as 2026-W31.</param>
public sealed record PublishNextInput(string Week);

/// <summary>With which score a student was seen.</summary>
/// <param name="Score">The score as it was read.</param>
public sealed record SeenInput(int Score);

public static class ReviewEndpoints
{
    public static void MapReview(this IEndpointRouteBuilder api)
    {
        var review = api.MapGroup("/review").WithTags("Review").RequireAuthorization(Policies.Coach);
        review.MapGet(
            "/tee-line",
            (Caller caller, TeeLineService service, CancellationToken cancel, int rows = 40, bool everybody = false) =>
                service.GetAsync(caller, rows, everybody, cancel)
        );
        review.MapGet(
            "/goals",
            (Guid? squad, Caller caller, SquadGoalsService service, CancellationToken cancel, bool everybody = false) =>
                service.GetAsync(caller, squad, everybody, cancel)
        );
        review.MapGet(
            "/students/{studentId:guid}",
            (Guid studentId, Caller caller, TeeLineService service, CancellationToken cancel) =>
                service.OneAsync(caller, studentId, cancel)
        );
        var stop = review.MapGroup("/stops/{studentId:guid}");
        review.MapGet(
            "/stops/{studentId:guid}",
            (Guid studentId, Caller caller, StopService service, CancellationToken cancel) =>
                service.GetAsync(caller, studentId, cancel)
        );
        stop.MapPut(
            "/held",
            async (Guid studentId, Caller caller, WalkService service, CancellationToken cancel) =>
            {
                await service.StopAsync(caller, studentId, cancel);
                return TypedResults.NoContent();
            }
        );
        stop.MapDelete(
            "/held",
            async (Guid studentId, Caller caller, WalkService service, CancellationToken cancel) =>
            {
                await service.ReleaseAsync(caller, studentId, cancel);
                return TypedResults.NoContent();
            }
        );
        stop.MapPut(
            "/seen",
            async (Guid studentId, SeenInput input, Caller caller, WalkService service, CancellationToken cancel) =>
            {
                await service.SeenAsync(caller, studentId, input.Score, cancel);
                return TypedResults.NoContent();
            }
        );
        stop.MapPut(
            "/decision",
            async (
                Guid studentId,
                DecisionInput input,
                Caller caller,
                WalkService walk,
                StopService service,
                DomainClock clock,
                CancellationToken cancel
            ) =>
            {
                var week = WeekText.Read(input.Week, "week", clock.Today(caller.TimeZone));
                await walk.DecideAsync(caller, studentId, week, input, cancel);
                return await service.GetAsync(caller, studentId, cancel);
            }
        );
        stop.MapPost(
            "/publish",
            (
                Guid studentId,
                PublishNextInput input,
                Caller caller,
                StopService service,
                DomainClock clock,
                CancellationToken cancel
            ) => service.PublishAsync(caller, studentId, WeekText.Read(input.Week, "week", clock.Today(caller.TimeZone)), cancel)
        );
    }
}
