using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Students;

public static class StudentEndpoints
{
    public static void MapStudents(this IEndpointRouteBuilder api)
    {
        var students = api.MapGroup("/students").WithTags("Students");
        students.MapGet("/", (Caller caller, StudentBook book, CancellationToken cancel) => book.ListAsync(caller, cancel))
            .RequireAuthorization(Policies.Coach);
        students.MapGet("/{id:guid}", (Guid id, Caller caller, StudentBook book, CancellationToken cancel) => book.GetAsync(caller, id, cancel));
        students.MapGet("/{id:guid}/file", async (Guid id, Caller caller, StudentFileBook book, HttpResponse response, CancellationToken cancel) =>
            Tagged(await book.GetAsync(caller, id, cancel), response));
        students.MapPut("/{id:guid}/file", async (
                Guid id, StudentFile file, RowVersion expected, Caller caller, StudentFileBook book, HttpResponse response, CancellationToken cancel) =>
            Tagged(await book.SaveAsync(caller, id, file, expected, cancel), response));
        students.MapPut("/{id:guid}", SaveAsync).RequireAuthorization(Policies.Coach);
        students.MapPost("/{id:guid}/invitations", InviteAsync).RequireAuthorization(Policies.Coach);
    }

    private static StudentFileView Tagged(StudentFileView file, HttpResponse response)
    {
        response.Headers.ETag = RowVersion.ETag(file.Version);
        return file;
    }

    private static async Task<StudentView> SaveAsync(
        Guid id, StudentInput input, RowVersion expected, Caller caller, StudentBook book, HttpResponse response, CancellationToken cancel)
    {
        var student = await book.SaveAsync(caller, id, input, expected, cancel);
        response.Headers.ETag = RowVersion.ETag(student.Version);
        return student;
    }

    private static async Task<InvitationLink> InviteAsync(
        Guid id, Caller caller, StudentBook book, InvitationBook invitations, CancellationToken cancel)
    {
        var student = await book.GetAsync(caller, id, cancel);
        if (student.HasAccount)
            throw Refusal.Conflict($"{student.Name} already has an account.", "id", "A second account for one student is not possible.");
        return await invitations.InviteAsync(caller.AcademyId, AcademyRole.Student, id, cancel);
    }
}
