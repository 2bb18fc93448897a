using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Plans;

public static class PlanEndpoints
{
    public static void MapPlans(this IEndpointRouteBuilder api)
    {
        var plans = api.MapGroup("/plans").WithTags("Plans").RequireAuthorization(Policies.Coach);
        plans.MapGet(
            "/",
            (
                Caller caller,
                PlanService service,
                CancellationToken cancel,
                string text = "",
                string? area = null,
                string? order = null,
                int page = 0
            ) =>
                service.ListAsync(
                    caller,
                    new PlanSearch(
                        text,
                        QueryValues.Named<Area>(area, "area"),
                        QueryValues.Named<PlanOrder>(order, "order") ?? PlanOrder.Changed,
                        page
                    ),
                    cancel
                )
        );
        plans
            .MapPost(
                "/check",
                (PlanCheckInput input, Caller caller, PlanWorkbenchService workbench, CancellationToken cancel) =>
                    workbench.CheckAsync(caller, input, cancel)
            )
            .Costs(Costly.Check);
        plans
            .MapPost(
                "/fix",
                (PlanFixInput input, Caller caller, PlanWorkbenchService workbench, CancellationToken cancel) =>
                    workbench.FixAsync(caller, input, cancel)
            )
            .Costs(Costly.Check);
        plans
            .MapPost(
                "/draft",
                (PlanDraftInput input, Caller caller, PlanWorkbenchService workbench, CancellationToken cancel) =>
                    workbench.DraftAsync(caller, input, cancel)
            )
            .Costs(Costly.Draft);
        plans
            .MapPost(
                "/holes",
                (HolesInput input, Caller caller, PlanWorkbenchService workbench, CancellationToken cancel) =>
                    workbench.HolesAsync(caller, input, cancel)
            )
            .Costs(Costly.Check);
        plans.MapPost("/calls", (ShotCallsInput input) => PlanWorkbenchService.Calls(input));
        plans.MapGet("/templates", (Caller caller, PlanWorkbenchService workbench) => workbench.Templates(caller));
        plans.MapGet(
            "/context/{studentId:guid}",
            (Guid studentId, Caller caller, PlanWorkbenchService workbench, CancellationToken cancel) =>
                workbench.ContextAsync(caller, studentId, cancel)
        );
        // A student's own warm-ups are the student's too.
        api.MapGet(
                "/plans/warm-ups/{studentId:guid}",
                (Guid studentId, Caller caller, WarmUpService service, CancellationToken cancel) =>
                    service.OfAsync(caller, studentId, cancel)
            )
            .WithTags("Plans");
        plans.MapGet(
            "/{id:guid}",
            (Guid id, Caller caller, PlanService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        plans.MapPut(
            "/{id:guid}",
            (Guid id, SessionPlan plan, RowVersion expected, Caller caller, PlanService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, plan, expected, cancel)
        );
        plans.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, PlanService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
    }
}
