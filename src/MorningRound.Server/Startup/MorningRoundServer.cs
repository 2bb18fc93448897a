using MorningRound.Server.Accounts;
using MorningRound.Server.Calendars;
using MorningRound.Server.Competitions;
using MorningRound.Server.Courses;
using MorningRound.Server.DataRights;
using MorningRound.Server.Drills;
using MorningRound.Server.Exports;
using MorningRound.Server.Guardians;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Places;
using MorningRound.Server.Plans;
using MorningRound.Server.Programmes;
using MorningRound.Server.Progress;
using MorningRound.Server.Reminders;
using MorningRound.Server.Review;
using MorningRound.Server.Sessions;
using MorningRound.Server.Students;
using MorningRound.Server.TestDays;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Startup;

/// <summary>The server, capability by capability.</summary>
public static class MorningRoundServer
{
    /// <summary>Runs the server until it is stopped.</summary>
    /// <param name="args">What the command line says.</param>
    /// <param name="addServices">What a program around it adds, such as a demo.</param>
    public static async Task RunAsync(string[] args, Action<IServiceCollection>? addServices = null)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.AddMorningRound();
        addServices?.Invoke(builder.Services);

        var app = builder.Build();
        app.UseMorningRound();

        var api = app.MapGroup("/api").WithETags();
        api.MapAccounts();
        api.MapStudents();
        api.MapPlaces();
        api.MapCourses();
        api.MapRounds();
        api.MapDrills();
        api.MapPlans();
        api.MapProgrammes();
        api.MapWeeks();
        api.MapSessions();
        api.MapGuardians();
        api.MapCalendars();
        api.MapReminders();
        api.MapProgress();
        api.MapCompetitions();
        api.MapTestDays();
        api.MapReview();
        api.MapExports();
        api.MapDataRights();
        api.MapDeleted();
        app.MapCalendarFeed();
        app.MapHealth();
        app.MapOpenApi().AllowAnonymous();
        app.MapWebApplication();

        // What the calls need is made ready beside the database: each takes about as long as the other.
        var calls = Task.Run(() => ((IEndpointRouteBuilder)app).DataSources.Sum(source => source.Endpoints.Count));
        await app.Services.PrepareDatabaseAsync(app.Lifetime.ApplicationStopping);
        await calls;
        await app.RunAsync();
    }
}
