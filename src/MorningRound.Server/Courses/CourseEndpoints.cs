using MorningRound.Core.Courses;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Courses;

public static class CourseEndpoints
{
    public static void MapCourses(this IEndpointRouteBuilder api)
    {
        var courses = api.MapGroup("/courses").WithTags("Courses").RequireAuthorization(Policies.Coach);
        courses.MapGet(
            "/",
            (Caller caller, CourseService service, CancellationToken cancel) => service.ListAsync(caller, cancel)
        );
        courses.MapPut(
            "/{id:guid}",
            (Guid id, Course course, RowVersion expected, Caller caller, CourseService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, course, expected, cancel)
        );
        courses.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, CourseService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
        courses.MapGet(
            "/file",
            (Caller caller, CourseService service, CancellationToken cancel) => service.ExportAsync(caller, cancel)
        );
        courses
            .MapPost(
                "/file",
                (CourseFile file, Caller caller, CourseService service, CancellationToken cancel) =>
                    service.ImportAsync(caller, file, cancel)
            )
            .Costs(Costly.Import);
    }
}
