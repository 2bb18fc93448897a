using Microsoft.AspNetCore.Http.HttpResults;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

public static class AccountEndpoints
{
    public static void MapAccounts(this IEndpointRouteBuilder api)
    {
        var accounts = api.MapGroup("/accounts").WithTags("Accounts");
        accounts.MapTheDoor();
        accounts.MapJoining();
        accounts.MapMyAccount();
        api.MapPeople();
    }

    /// <summary>Coming in and going out.</summary>
    private static void MapTheDoor(this IEndpointRouteBuilder accounts)
    {
        accounts
            .MapGet("/session", (SignInService service, CancellationToken cancel) => service.CurrentAsync(cancel))
            .AllowAnonymous();
        accounts
            .MapPost(
                "/sign-in",
                (Credentials credentials, SignInService service, CancellationToken cancel) =>
                    service.WithPasswordAsync(credentials, cancel)
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
        accounts
            .MapPost(
                "/second-step",
                (SecondStep step, SignInService service, CancellationToken cancel) => service.SecondStepAsync(step, cancel)
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
        accounts.MapPost("/passkey-options", (SignInService service) => service.PasskeyOptionsAsync()).AllowAnonymous();
        accounts
            .MapPost(
                "/passkey-sign-in",
                (PasskeyAnswer passkey, SignInService service, CancellationToken cancel) =>
                    service.WithPasskeyAsync(passkey, cancel)
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
        accounts
            .MapPost("/sign-out", (SignInService service) => Done(service.SignOutAsync()))
            .RequireAuthorization(Policies.Anybody);
        accounts
            .MapPost(
                "/demo-sign-in",
                (DemoSignIn request, SignInService service, CancellationToken cancel) => service.AsDemoAsync(request.As, cancel)
            )
            .AllowAnonymous();
        accounts
            .MapPost(
                "/forgotten-password",
                (ForgottenPassword forgotten, SignInService service, CancellationToken cancel) =>
                    Done(service.ForgottenAsync(forgotten, cancel))
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
        accounts
            .MapPost(
                "/password-reset",
                (PasswordReset reset, SignInService service, CancellationToken cancel) => service.WithLinkAsync(reset, cancel)
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
        accounts
            .MapPost(
                "/email-confirmation",
                (EmailConfirmation confirmation, SignInService service, CancellationToken cancel) =>
                    Done(service.ConfirmEmailAsync(confirmation, cancel))
            )
            .AllowAnonymous();
    }

    /// <summary>Links that make accounts, and academies.</summary>
    private static void MapJoining(this IEndpointRouteBuilder accounts)
    {
        accounts
            .MapPost(
                "/coach-invitations",
                (Caller caller, InvitationService service, CancellationToken cancel) =>
                    service.InviteAsync(caller, AcademyRole.Coach, null, cancel)
            )
            .RequireAuthorization(Policies.Owner);
        accounts
            .MapGet(
                "/invitations/{token}",
                (string token, InvitationService service, CancellationToken cancel) => service.ShowAsync(token, cancel)
            )
            .AllowAnonymous();
        accounts
            .MapPost(
                "/invitations/{token}/accept",
                async (
                    string token,
                    Acceptance acceptance,
                    InvitationService service,
                    SignInService signIns,
                    CancellationToken cancel
                ) => await signIns.NewAsync(await service.AcceptAsync(token, acceptance, cancel), cancel)
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
        accounts
            .MapPost(
                "/academies",
                async (Founding founding, FoundingService service, SignInService signIns, CancellationToken cancel) =>
                    await signIns.NewAsync(await service.FoundAsync(founding, cancel), cancel)
            )
            .Costs(Costly.Door)
            .AllowAnonymous();
    }

    /// <summary>Somebody's own account.</summary>
    private static void MapMyAccount(this IEndpointRouteBuilder accounts)
    {
        var mine = accounts.MapGroup("/mine").RequireAuthorization(Policies.Anybody);
        mine.MapGet("/", (Caller caller, MyAccountService service, CancellationToken cancel) => service.GetAsync(caller, cancel));
        mine.MapPost(
            "/password",
            (PasswordChange change, Caller caller, MyAccountService service, CancellationToken cancel) =>
                Done(service.ChangePasswordAsync(caller, change, cancel))
        );
        mine.MapPost(
            "/email-confirmation",
            (Caller caller, MyAccountService service) => Done(service.SendConfirmationAsync(caller))
        );
        mine.MapDelete(
            "/sign-ins/{id:guid}",
            (Guid id, Caller caller, MyAccountService service, CancellationToken cancel) =>
                Done(service.EndSignInAsync(caller, id, cancel))
        );
        mine.MapPost(
            "/sign-out-everywhere",
            (Caller caller, MyAccountService service, CancellationToken cancel) =>
                Done(service.SignOutEverywhereAsync(caller, cancel))
        );
        mine.MapPost(
            "/second-step/begin",
            (PasswordAgain again, Caller caller, MyAccountService service, CancellationToken cancel) =>
                service.BeginSecondStepAsync(caller, again, cancel)
        );
        mine.MapPost(
            "/second-step/finish",
            (SecondStep step, Caller caller, MyAccountService service, CancellationToken cancel) =>
                service.FinishSecondStepAsync(caller, step, cancel)
        );
        mine.MapPost(
            "/second-step/end",
            (PasswordAgain again, Caller caller, MyAccountService service, CancellationToken cancel) =>
                Done(service.EndSecondStepAsync(caller, again, cancel))
        );
        mine.MapPost(
            "/second-step/recovery-codes",
            (PasswordAgain again, Caller caller, MyAccountService service, CancellationToken cancel) =>
                service.NewRecoveryCodesAsync(caller, again, cancel)
        );
        mine.MapPost(
            "/passkeys/options",
            (PasswordAgain again, Caller caller, MyAccountService service, CancellationToken cancel) =>
                service.PasskeyOptionsAsync(caller, again, cancel)
        );
        mine.MapPost(
            "/passkeys",
            (NewPasskey passkey, Caller caller, MyAccountService service, CancellationToken cancel) =>
                Done(service.AddPasskeyAsync(caller, passkey, cancel))
        );
        mine.MapDelete(
            "/passkeys/{id}",
            (string id, Caller caller, MyAccountService service, CancellationToken cancel) =>
                Done(service.RemovePasskeyAsync(caller, id, cancel))
        );
    }

    /// <summary>Those who look after an academy, its students' accounts, and the academy itself.</summary>
    private static void MapPeople(this IEndpointRouteBuilder api)
    {
        api.MapGroup("/accounts")
            .WithTags("People")
            .MapGet(
                "/coaches",
                (Caller caller, PeopleService service, CancellationToken cancel) => service.CoachesAsync(caller, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        var people = api.MapGroup("/people").WithTags("People").RequireAuthorization(Policies.Owner);
        people.MapGet("/", (Caller caller, PeopleService service, CancellationToken cancel) => service.GetAsync(caller, cancel));
        people.MapDelete(
            "/invitations/{id:guid}",
            (Guid id, Caller caller, PeopleService service, CancellationToken cancel) =>
                Done(service.RevokeAsync(caller, id, cancel))
        );
        people.MapPut(
            "/{id:guid}/role",
            (Guid id, RoleChange change, Caller caller, PeopleService service, CancellationToken cancel) =>
                Done(service.ChangeRoleAsync(caller, id, change.Role, cancel))
        );
        people.MapPut(
            "/{id:guid}/state",
            (Guid id, StateChange change, Caller caller, PeopleService service, CancellationToken cancel) =>
                Done(service.ChangeStaffStateAsync(caller, id, change.State, change.HandTo, cancel))
        );
        people.MapPost(
            "/{id:guid}/password-link",
            (Guid id, Caller caller, PeopleService service, CancellationToken cancel) =>
                service.StaffPasswordLinkAsync(caller, id, cancel)
        );
        people.MapDelete(
            "/{id:guid}/second-step",
            (Guid id, Caller caller, PeopleService service, CancellationToken cancel) =>
                Done(service.EndSecondStepAsync(caller, id, cancel))
        );
        people.MapGet(
            "/security-log",
            (Guid? older, Caller caller, SecurityLog log, CancellationToken cancel) => log.PageAsync(caller, older, cancel)
        );
        api.MapGroup("/academy")
            .WithTags("People")
            .RequireAuthorization(Policies.Owner)
            .MapPut(
                "/",
                (AcademyInput input, Caller caller, PeopleService service, CancellationToken cancel) =>
                    Done(service.ChangeAcademyAsync(caller, input, cancel))
            );
        var student = api.MapGroup("/students/{studentId:guid}/account").WithTags("People").RequireAuthorization(Policies.Coach);
        student.MapGet(
            "/",
            async (Guid studentId, Caller caller, PeopleService service, CancellationToken cancel) =>
                await service.StudentAccountAsync(caller, studentId, cancel)
                ?? throw ApiProblemException.NotFound("account of this student")
        );
        student.MapPut(
            "/state",
            (Guid studentId, StateChange change, Caller caller, PeopleService service, CancellationToken cancel) =>
                Done(service.ChangeStudentStateAsync(caller, studentId, change.State, cancel))
        );
        student.MapPost(
            "/password-link",
            (Guid studentId, Caller caller, PeopleService service, CancellationToken cancel) =>
                service.StudentPasswordLinkAsync(caller, studentId, cancel)
        );
    }

    private static async Task<NoContent> Done(Task work)
    {
        await work;
        return TypedResults.NoContent();
    }
}
