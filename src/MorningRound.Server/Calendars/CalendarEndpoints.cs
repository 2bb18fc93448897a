using MorningRound.Server.Accounts;

namespace MorningRound.Server.Calendars;

public static class CalendarEndpoints
{
    public static void MapCalendars(this IEndpointRouteBuilder api)
    {
        var calendar = api.MapGroup("/calendar").WithTags("Calendar");
        calendar.MapGet(
            "/",
            (Caller caller, CalendarService service, CancellationToken cancel) => service.GetAsync(caller, cancel)
        );
        calendar.MapPost(
            "/",
            (Caller caller, CalendarService service, CancellationToken cancel) => service.MakeAsync(caller, cancel)
        );
        calendar.MapDelete(
            "/",
            async (Caller caller, CalendarService service, CancellationToken cancel) =>
            {
                await service.RevokeAsync(caller, cancel);
                return TypedResults.NoContent();
            }
        );
    }

    /// <summary>
    /// The calendar itself, outside the API: whoever has the address reads it, and no program that fetches calendars signs in.
    /// </summary>
    public static void MapCalendarFeed(this IEndpointRouteBuilder app) =>
        app.MapGet(
                "/calendar/{token}.ics",
                async (string token, HttpContext context, CalendarService service, CancellationToken cancel) =>
                {
                    context.Response.Headers.CacheControl = "private, no-store";
                    var link = $"{context.Request.Scheme}://{context.Request.Host}";
                    return TypedResults.Text(await service.TextAsync(token, link, cancel), "text/calendar; charset=utf-8");
                }
            )
            .AllowAnonymous()
            .ExcludeFromDescription();
}
