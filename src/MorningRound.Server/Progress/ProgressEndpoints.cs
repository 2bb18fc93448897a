using MorningRound.Core.Drills;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Progress;

public static class ProgressEndpoints
{
    public static void MapProgress(this IEndpointRouteBuilder api)
    {
        var progress = api.MapGroup("/progress").WithTags("Progress");
        progress.MapGet(
            "/{studentId:guid}",
            (Guid studentId, Caller caller, ProgressService service, CancellationToken cancel, int weeks = 12) =>
                service.GetAsync(caller, studentId, weeks, cancel)
        );
        progress.MapPost(
            "/{studentId:guid}/start",
            async (Guid studentId, FocusQuantity goal, Caller caller, ProgressService service, CancellationToken cancel) =>
                new GoalStartView(await service.StartAsync(caller, studentId, goal, cancel))
        );
        progress.MapGet(
            "/{studentId:guid}/drills/{drillId:guid}",
            (
                Guid studentId,
                Guid drillId,
                Caller caller,
                ProgressService service,
                CancellationToken cancel,
                string? group = null
            ) =>
                service.CurveAsync(
                    caller,
                    studentId,
                    drillId,
                    QueryValues.Named<PhaseGroup>(group, "group") ?? PhaseGroup.Block,
                    cancel
                )
        );
    }
}
