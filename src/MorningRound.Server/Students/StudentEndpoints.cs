using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

public static class StudentEndpoints
{
    public static void MapStudents(this IEndpointRouteBuilder api)
    {
        var students = api.MapGroup("/students").WithTags("Students");
        students
            .MapGet("/", (Caller caller, StudentService service, CancellationToken cancel) => service.ListAsync(caller, cancel))
            .RequireAuthorization(Policies.Coach);
        students.MapGet(
            "/{id:guid}",
            (Guid id, Caller caller, StudentService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        students.MapGet(
            "/{id:guid}/file",
            (Guid id, Caller caller, StudentFileService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        students.MapPut(
            "/{id:guid}/file",
            (
                Guid id,
                StudentFile file,
                RowVersion expected,
                Caller caller,
                StudentFileService service,
                CancellationToken cancel
            ) => service.SaveAsync(caller, id, file, expected, cancel)
        );
        students
            .MapPut(
                "/{id:guid}",
                (
                    Guid id,
                    StudentInput input,
                    RowVersion expected,
                    Caller caller,
                    StudentService service,
                    CancellationToken cancel
                ) => service.SaveAsync(caller, id, input, expected, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        students
            .MapPut(
                "/{id:guid}/coach",
                (
                    Guid id,
                    HandOverInput input,
                    RowVersion expected,
                    Caller caller,
                    StudentService service,
                    CancellationToken cancel
                ) => service.HandOverAsync(caller, id, input.CoachId, expected, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        students.MapPost("/{id:guid}/invitations", InviteAsync).RequireAuthorization(Policies.Coach);
        MapSquads(api.MapGroup("/squads").WithTags("Squads").RequireAuthorization(Policies.Coach));
    }

    private static void MapSquads(RouteGroupBuilder squads)
    {
        squads.MapGet("/", (Caller caller, SquadService service, CancellationToken cancel) => service.ListAsync(caller, cancel));
        squads.MapPut(
            "/{id:guid}",
            (Guid id, SquadInput input, RowVersion expected, Caller caller, SquadService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, input, expected, cancel)
        );
        squads.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, SquadService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
    }

    private static async Task<InvitationLink> InviteAsync(
        Guid id,
        Caller caller,
        StudentService service,
        InvitationService invitations,
        CancellationToken cancel
    )
    {
        var student = await service.GetAsync(caller, id, cancel);
        if (student.HasAccount)
            throw ApiProblemException.Conflict(
                $"{student.Name} already has an account.",
                "id",
                "A second account for one student is not possible."
            );
        return await invitations.InviteAsync(caller, AcademyRole.Student, id, cancel);
    }
}
