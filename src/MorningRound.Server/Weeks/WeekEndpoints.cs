using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Weeks;

public static class WeekEndpoints
{
    public static void MapWeeks(this IEndpointRouteBuilder api)
    {
        var weeks = api.MapGroup("/weeks").WithTags("Weeks");
        weeks.MapGet("/{week}/students/{studentId:guid}", (
                string week, Guid studentId, Caller caller, WeekBook book, DomainClock clock, CancellationToken cancel) =>
            book.GetAsync(caller, studentId, WeekText.Read(week, "week", clock.Today(caller.TimeZone)), cancel));
        weeks.MapPost("/{week}/students/{studentId:guid}/publish", (
                string week, Guid studentId, Caller caller, WeekBook book, DomainClock clock, CancellationToken cancel) =>
            book.PublishAsync(caller, studentId, WeekText.Read(week, "week", clock.Today(caller.TimeZone)), cancel)).RequireAuthorization(Policies.Coach);
        weeks.MapGet("/{week}/students/{studentId:guid}/findings", (
                string week, Guid studentId, Guid planId, DateOnly? day, Caller caller, WeekBook book, DomainClock clock, CancellationToken cancel) =>
            book.FindingsAsync(caller, studentId, WeekText.Read(week, "week", clock.Today(caller.TimeZone)), planId, day, cancel)).RequireAuthorization(Policies.Coach);

        var assignments = weeks.MapGroup("/assignments").RequireAuthorization(Policies.Coach);
        assignments.MapPut("/{id:guid}", async (
                Guid id, AssignmentInput input, RowVersion expected, Caller caller, WeekBook book, HttpResponse response,
                CancellationToken cancel) =>
            Tagged(await book.SaveAsync(caller, id, input, expected, cancel), response));
        assignments.MapPut("/{id:guid}/excuse", async (
                Guid id, ExcuseInput input, RowVersion expected, Caller caller, WeekBook book, HttpResponse response,
                CancellationToken cancel) =>
            Tagged(await book.ExcuseAsync(caller, id, input.Excuse, expected, cancel), response));
        assignments.MapDelete("/{id:guid}", async (Guid id, Caller caller, WeekBook book, CancellationToken cancel) =>
        {
            await book.RemoveAsync(caller, id, cancel);
            return TypedResults.NoContent();
        });
    }

    private static SessionCard Tagged(SessionCard card, HttpResponse response)
    {
        response.Headers.ETag = RowVersion.ETag(card.Version);
        return card;
    }
}
