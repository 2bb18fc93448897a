using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Guardians;

public static class GuardianEndpoints
{
    public static void MapGuardians(this IEndpointRouteBuilder api)
    {
        var theirs = api.MapGroup("/guardian").WithTags("Guardians").RequireAuthorization(Policies.Guardian);
        theirs.MapGet(
            "/children",
            (Caller caller, GuardianService service, CancellationToken cancel) => service.ChildrenAsync(caller, cancel)
        );
        theirs.MapGet(
            "/children/{studentId:guid}/weeks/{week}",
            (Guid studentId, string week, Caller caller, ChildWeekService service, DomainClock clock, CancellationToken cancel) =>
                service.GetAsync(caller, studentId, WeekText.Read(week, "week", clock.Today(caller.TimeZone)), cancel)
        );
        theirs.MapPost(
            "/children/{studentId:guid}/withdrawal",
            async (Guid studentId, Caller caller, GuardianService service, CancellationToken cancel) =>
            {
                await service.WithdrawAsync(caller, studentId, cancel);
                return TypedResults.NoContent();
            }
        );
        theirs.MapPost(
            "/consents",
            async (FurtherConsent consent, Caller caller, InvitationService service, CancellationToken cancel) =>
            {
                await service.ConsentFurtherAsync(caller, consent, cancel);
                return TypedResults.NoContent();
            }
        );
        var students = api.MapGroup("/students/{studentId:guid}/guardians")
            .WithTags("Guardians")
            .RequireAuthorization(Policies.Coach);
        students.MapGet(
            "/",
            (Guid studentId, Caller caller, GuardianService service, CancellationToken cancel) =>
                service.OfStudentAsync(caller, studentId, cancel)
        );
        students.MapPost(
            "/invitations",
            (Guid studentId, Caller caller, GuardianService service, CancellationToken cancel) =>
                service.InviteAsync(caller, studentId, cancel)
        );
        students.MapDelete(
            "/{accountId:guid}",
            async (Guid studentId, Guid accountId, Caller caller, GuardianService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, studentId, accountId, cancel);
                return TypedResults.NoContent();
            }
        );
    }
}
