using MorningRound.Core.Plans;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Plans;

public static class PlanEndpoints
{
    public static void MapPlans(this IEndpointRouteBuilder api)
    {
        var plans = api.MapGroup("/plans").WithTags("Plans").RequireAuthorization(Policies.Coach);
        plans.MapGet("/", (Caller caller, PlanBook book, CancellationToken cancel) => book.ListAsync(caller, cancel));
        plans.MapPost("/check", (PlanCheckInput input, Caller caller, PlanDesk desk, CancellationToken cancel) => desk.CheckAsync(caller, input, cancel));
        plans.MapPost("/fix", (PlanFixInput input, Caller caller, PlanDesk desk, CancellationToken cancel) => desk.FixAsync(caller, input, cancel));
        plans.MapPost("/draft", (PlanDraftInput input, Caller caller, PlanDesk desk, CancellationToken cancel) => desk.DraftAsync(caller, input, cancel));
        plans.MapPost("/calls", (ShotCallsInput input) => PlanDesk.Calls(input));
        plans.MapGet("/templates", (Caller caller, PlanDesk desk) => desk.Templates(caller));
        plans.MapGet("/context/{studentId:guid}", (Guid studentId, Caller caller, PlanDesk desk, CancellationToken cancel) => desk.ContextAsync(caller, studentId, cancel));
        plans.MapGet("/{id:guid}", async (Guid id, Caller caller, PlanBook book, HttpResponse response, CancellationToken cancel) =>
            Tagged(await book.GetAsync(caller, id, cancel), response));
        plans.MapPut("/{id:guid}", async (
                Guid id, SessionPlan plan, RowVersion expected, Caller caller, PlanBook book, HttpResponse response, CancellationToken cancel) =>
            Tagged(await book.SaveAsync(caller, id, plan, expected, cancel), response));
        plans.MapDelete("/{id:guid}", async (Guid id, Caller caller, PlanBook book, CancellationToken cancel) =>
        {
            await book.RemoveAsync(caller, id, cancel);
            return TypedResults.NoContent();
        });
    }

    private static PlanView Tagged(PlanView plan, HttpResponse response)
    {
        response.Headers.ETag = RowVersion.ETag(plan.Version);
        return plan;
    }
}
