using MorningRound.Core.Calendar;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

public static class WeekEndpoints
{
    public static void MapWeeks(this IEndpointRouteBuilder api)
    {
        var weeks = api.MapGroup("/weeks").WithTags("Weeks");
        weeks.MapGet(
            "/{week}/students/{studentId:guid}",
            (string week, Guid studentId, Caller caller, WeekService service, DomainClock clock, CancellationToken cancel) =>
                service.GetAsync(caller, studentId, Read(week, caller, clock), cancel)
        );
        // A student prints their own week, a coach anybody's.
        weeks.MapPost(
            "/{week}/paper",
            (string week, SheetInput input, Caller caller, PaperService service, DomainClock clock, CancellationToken cancel) =>
                service.OfAsync(caller, Read(week, caller, clock), SheetStudents.Of(input.Students), cancel)
        );
        MapSheet(weeks.MapGroup("/{week}").RequireAuthorization(Policies.Coach));
        MapWords(weeks);
        weeks
            .MapPut(
                "/{week}/looked",
                async (string week, Caller caller, StudentWeekService service, DomainClock clock, CancellationToken cancel) =>
                {
                    await service.LookedAsync(caller, Read(week, caller, clock), cancel);
                    return TypedResults.NoContent();
                }
            )
            .RequireAuthorization(Policies.Student);
        weeks
            .MapGet(
                "/{week}/students/{studentId:guid}/findings",
                (
                    string week,
                    Guid studentId,
                    Guid planId,
                    DateOnly? day,
                    Caller caller,
                    WeekService service,
                    DomainClock clock,
                    CancellationToken cancel
                ) => service.FindingsAsync(caller, studentId, Read(week, caller, clock), planId, day, cancel)
            )
            .RequireAuthorization(Policies.Coach);

        weeks
            .MapPost(
                "/changes",
                (WeekChangesInput input, Caller caller, WeekChangesService service, CancellationToken cancel) =>
                    service.ApplyAsync(caller, input.Changes, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        var own = weeks.MapGroup("/assignments").RequireAuthorization(Policies.Student);
        own.MapPut(
            "/{id:guid}/day",
            (
                Guid id,
                MoveInput input,
                RowVersion expected,
                Caller caller,
                StudentWeekService service,
                CancellationToken cancel
            ) => service.MoveAsync(caller, id, input.Day, expected, cancel)
        );
        own.MapPut(
            "/{id:guid}/cannot",
            (
                Guid id,
                CannotInput input,
                RowVersion expected,
                Caller caller,
                StudentWeekService service,
                CancellationToken cancel
            ) => service.CannotAsync(caller, id, input.Reason, expected, cancel)
        );

        var away = weeks.MapGroup("/students/{studentId:guid}/days-away");
        away.MapGet(
            "/",
            (Guid studentId, Caller caller, StudentWeekService service, CancellationToken cancel) =>
                service.OnDaysAwayAsync(caller, studentId, cancel)
        );
        away.MapPost(
            "/excuse",
            async (
                Guid studentId,
                Caller caller,
                StudentWeekService service,
                IStandings standings,
                DomainClock clock,
                CancellationToken cancel
            ) =>
            {
                var excused = await service.ExcuseDaysAwayAsync(caller, studentId, cancel);
                if (excused > 0)
                    await standings.RefreshAsync(caller.AcademyId, studentId, clock.Today(caller.TimeZone), cancel);
                return new ExcusedView(excused);
            }
        );

        var assignments = weeks.MapGroup("/assignments").RequireAuthorization(Policies.Coach);
        assignments.MapPut(
            "/{id:guid}",
            (Guid id, AssignmentInput input, RowVersion expected, Caller caller, WeekService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, input, expected, cancel)
        );
        assignments.MapPut(
            "/{id:guid}/excuse",
            async (
                Guid id,
                ExcuseInput input,
                RowVersion expected,
                Caller caller,
                WeekService service,
                WeekChangesService changes,
                CancellationToken cancel
            ) =>
            {
                var card = await service.ExcuseAsync(caller, id, input.Excuse, expected, cancel);
                await changes.RefreshStandingsAsync(caller, [id], cancel);
                return card;
            }
        );
        assignments.MapPut(
            "/{id:guid}/steps",
            (
                Guid id,
                StepsInput input,
                RowVersion expected,
                Caller caller,
                WeekSettingService service,
                CancellationToken cancel
            ) => service.StepAsync(caller, id, input, expected, cancel)
        );
        assignments.MapGet(
            "/{id:guid}/text",
            (Guid id, Caller caller, OwnTextService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        assignments.MapGet(
            "/{id:guid}/text/latest",
            (Guid id, Caller caller, OwnTextService service, CancellationToken cancel) => service.LatestAsync(caller, id, cancel)
        );
        assignments.MapPut(
            "/{id:guid}/text",
            (Guid id, OwnTextInput input, RowVersion expected, Caller caller, OwnTextService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, input, expected, cancel)
        );
        assignments.MapDelete(
            "/{id:guid}",
            async (
                Guid id,
                RowVersion expected,
                Caller caller,
                WeekService service,
                WeekChangesService changes,
                CancellationToken cancel
            ) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                await changes.RefreshStandingsAsync(caller, [id], cancel);
                return TypedResults.NoContent();
            }
        );
    }

    /// <summary>What coach and student say about a week.</summary>
    private static void MapWords(RouteGroupBuilder weeks)
    {
        weeks.MapGet(
            "/{week}/students/{studentId:guid}/word",
            (string week, Guid studentId, Caller caller, WordService service, DomainClock clock, CancellationToken cancel) =>
                service.GetAsync(caller, studentId, Read(week, caller, clock), cancel)
        );
        weeks
            .MapPut(
                "/{week}/students/{studentId:guid}/word",
                (
                    string week,
                    Guid studentId,
                    WordInput input,
                    RowVersion expected,
                    Caller caller,
                    WordService service,
                    DomainClock clock,
                    CancellationToken cancel
                ) => service.SayAsync(caller, studentId, Read(week, caller, clock), input.Text, expected, cancel)
            )
            .RequireAuthorization(Policies.Coach);
        var own = weeks.MapGroup("/{week}").RequireAuthorization(Policies.Student);
        own.MapPut(
            "/question",
            (
                string week,
                WordInput input,
                RowVersion expected,
                Caller caller,
                WordService service,
                DomainClock clock,
                CancellationToken cancel
            ) => service.AskAsync(caller, Read(week, caller, clock), input.Text, expected, cancel)
        );
        own.MapPut(
            "/answer",
            (
                string week,
                WordInput input,
                RowVersion expected,
                Caller caller,
                WordService service,
                DomainClock clock,
                CancellationToken cancel
            ) => service.AnswerAsync(caller, Read(week, caller, clock), input.Text, expected, cancel)
        );
    }

    /// <summary>What a coach does to the weeks of many students.</summary>
    private static void MapSheet(RouteGroupBuilder sheet)
    {
        sheet.MapGet(
            "/sheet",
            (
                string week,
                Guid? squad,
                Guid? student,
                Caller caller,
                WeekSheetService service,
                DomainClock clock,
                CancellationToken cancel,
                bool everybody = false
            ) => service.GetAsync(caller, Read(week, caller, clock), new WhoseWeeks(squad, student, everybody), cancel)
        );
        sheet
            .MapPost(
                "/check",
                (
                    string week,
                    SheetInput input,
                    Caller caller,
                    WeekSheetService service,
                    DomainClock clock,
                    CancellationToken cancel
                ) => service.CheckAsync(caller, Read(week, caller, clock), SheetStudents.Of(input.Students), cancel)
            )
            .Costs(Costly.Check);
        sheet
            .MapPost(
                "/set",
                (
                    string week,
                    SetInput input,
                    Caller caller,
                    WeekSettingService service,
                    DomainClock clock,
                    CancellationToken cancel
                ) => service.SetAsync(caller, Read(week, caller, clock), input, cancel)
            )
            .Costs(Costly.Draft);
        sheet.MapPost(
            "/copy",
            (
                string week,
                CopyInput input,
                Caller caller,
                WeekSettingService service,
                DomainClock clock,
                CancellationToken cancel
            ) =>
            {
                var to = Read(week, caller, clock);
                var from = input.From is { } given ? WeekText.Read(given, "from", clock.Today(caller.TimeZone)) : to.Plus(-1);
                return service.CopyAsync(caller, to, from, SheetStudents.Of(input.Students), input.OnlyEmpty, cancel);
            }
        );
        sheet.MapPost(
            "/programmes",
            (string week, SheetInput input, Caller caller, ProgrammeWeeks service, DomainClock clock, CancellationToken cancel) =>
                service.FillAsync(caller, Read(week, caller, clock), SheetStudents.Of(input.Students), cancel)
        );
        sheet
            .MapPost(
                "/place",
                (
                    string week,
                    SheetInput input,
                    Caller caller,
                    WeekPlacingService service,
                    DomainClock clock,
                    CancellationToken cancel
                ) => service.PlaceAsync(caller, Read(week, caller, clock), SheetStudents.Of(input.Students), cancel)
            )
            .Costs(Costly.Draft);
        sheet.MapPost(
            "/publish",
            (
                string week,
                PublishInput input,
                Caller caller,
                PublishingService service,
                DomainClock clock,
                CancellationToken cancel
            ) =>
            {
                var (read, students) = (Read(week, caller, clock), SheetStudents.Of(input.Students));
                return input.IsPreview
                    ? service.PreviewAsync(caller, read, students, cancel)
                    : service.PublishAsync(caller, read, students, cancel);
            }
        );
    }

    private static IsoWeek Read(string week, Caller caller, DomainClock clock) =>
        WeekText.Read(week, "week", clock.Today(caller.TimeZone));
}
