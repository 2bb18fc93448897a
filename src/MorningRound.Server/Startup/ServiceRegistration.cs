using System.Globalization;
using System.IO.Compression;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using MorningRound.Core.Serialization;
using MorningRound.Core.Units;
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
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.TestDays;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Startup;

/// <summary>How the server is put together.</summary>
internal static class ServiceRegistration
{
    public static void AddMorningRound(this WebApplicationBuilder builder)
    {
        var configuration = builder.Configuration;
        var services = builder.Services;
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = RequestLimits.LargestBody);
        builder.Logging.ClearProviders().AddJsonConsole(console => console.IncludeScopes = false);
        builder.Logging.AddFilter("Microsoft", LogLevel.Warning).AddFilter("System", LogLevel.Warning);

        services.AddSingleton(TimeProvider.System);
        services.AddSingleton(provider => ClockFrom(configuration, provider.GetRequiredService<TimeProvider>()));
        services.AddDbContextPool<MorningRoundDb>(options =>
        {
            MorningRoundDb.Configure(
                options,
                DatabaseConnection.From(
                    configuration["MORNING_ROUND_DB"] ?? throw new StartRefusedException("MORNING_ROUND_DB names no database.")
                )
            );
            // That somebody else was quicker is an ordinary answer (412), not an error of the server.
            options.ConfigureWarnings(warnings =>
                warnings.Log(
                    (RelationalEventId.CommandError, LogLevel.Debug),
                    (CoreEventId.SaveChangesFailed, LogLevel.Debug),
                    (CoreEventId.OptimisticConcurrencyException, LogLevel.Debug)
                )
            );
        });
        services.AddTelemetry(configuration);
        services.AddOverloadProtection();
        services.AddRequestTimeouts(options => options.DefaultPolicy = RequestLimits.LongestCall);
        services.AddSingleton(MailSettings.From(configuration));
        services.AddAccounts(configuration);
        services
            .AddScoped<StudentService>()
            .AddScoped<IAccountEnding>(provider => provider.GetRequiredService<StudentService>())
            .AddScoped<StudentFileService>()
            .AddScoped<SquadService>()
            .AddScoped<IStudentNames>(provider => provider.GetRequiredService<StudentService>());
        services.AddScoped<PlaceService>();
        services.AddScoped<CourseService>();
        services.AddScoped<RoundService>().AddScoped<ILostStrokes>(provider => provider.GetRequiredService<RoundService>());
        services.AddScoped<DrillService>().AddScoped<IAcademySetUp>(provider => provider.GetRequiredService<DrillService>());
        services
            .AddScoped<PlanService>()
            .AddScoped<PlanContextService>()
            .AddScoped<PlanWorkbenchService>()
            .AddScoped<WarmUpService>();
        services
            .AddScoped<SessionService>()
            .AddScoped<SessionLogService>()
            .AddScoped<SessionLogReader>()
            .AddScoped<DrillResultKeeper>()
            .AddScoped<PainService>()
            .AddScoped<HomeworkService>()
            .AddScoped<OwnPracticeService>()
            .AddScoped<LadderStandings>()
            .AddScoped<SquadLoads>()
            .AddScoped<PracticeHistoryService>()
            .AddScoped<IPracticeHistory>(provider => provider.GetRequiredService<PracticeHistoryService>());
        services.AddScoped<ProgrammeService>().AddScoped<ProgrammeRunService>();
        services
            .AddScoped<DraftTexts>()
            .AddScoped<WeekService>()
            .AddScoped<PublishingService>()
            .AddScoped<WeekChangesService>()
            .AddScoped<WeekSettingService>()
            .AddScoped<WeekPlacingService>()
            .AddScoped<WeekSheetService>()
            .AddScoped<OwnTextService>()
            .AddScoped<PaperService>()
            .AddScoped<NewDrafts>()
            .AddScoped<ProgrammeWeeks>()
            .AddScoped<StudentWeekService>()
            .AddScoped<WordService>();
        services
            .AddScoped<GuardianService>()
            .AddScoped<ChildWeekService>()
            .AddScoped<ConsentService>()
            .AddScoped<IConsents>(provider => provider.GetRequiredService<ConsentService>())
            .AddScoped<IAccountEnding>(provider => provider.GetRequiredService<ConsentService>());
        services
            .AddScoped<CalendarService>()
            .AddScoped<IAccountEnding>(provider => provider.GetRequiredService<CalendarService>());
        services.AddReminders(configuration);
        services.AddScoped<ProgressService>().AddScoped<ResultHistory>();
        services.AddScoped<CompetitionService>();
        services.AddScoped<TestDayService>();
        services
            .AddScoped<TeeLineService>()
            .AddScoped<WalkService>()
            .AddScoped<StopService>()
            .AddScoped<SquadGoalsService>()
            .AddScoped<StandingService>()
            .AddScoped<IStandings>(provider => provider.GetRequiredService<StandingService>());
        services.AddScoped<ExportService>();
        services
            .AddScoped<ForgettingService>()
            .AddScoped<PersonArchiveService>()
            .AddScoped<AcademyArchiveService>()
            .AddScoped<AcademyArrival>()
            .AddScoped<RetentionService>()
            .AddScoped<DeletedService>()
            .AddPeriodicWork<RetentionClock>(configuration);

        services.Configure<JsonOptions>(options => CoreJson.ApplyToOutside(options.SerializerOptions));
        services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
        services.AddProblemDetails(options => options.CustomizeProblemDetails = ProblemExceptionHandler.Complete);
        services.AddExceptionHandler<ProblemExceptionHandler>();
        services.AddOpenApi(OpenApiShapes.Describe);
        services.AddHealthChecks().AddDbContextCheck();
        // The fastest level of Brotli leaves a week sheet three times as large as gzip does.
        services.Configure<BrotliCompressionProviderOptions>(options => options.Level = CompressionLevel.Optimal);
        services.AddResponseCompression(options =>
        {
            options.EnableForHttps = true;
            options.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "application/problem+json", "image/svg+xml"];
        });
        services.Configure<ForwardedHeadersOptions>(options =>
        {
            // Only a proxy on this machine is believed, which is the framework's default; see docs/https.md.
            options.ForwardedHeaders =
                ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost;
            // Where the names are known that lead here, no other is taken from the proxy either.
            if (configuration["AllowedHosts"] is { Length: > 0 } hosts && hosts != "*")
                options.AllowedHosts = [.. hosts.Split(';', StringSplitOptions.RemoveEmptyEntries)];
        });
    }

    public static void UseMorningRound(this WebApplication app)
    {
        app.UseForwardedHeaders();
        app.UseRequestLog();
        app.UseSecurityHeaders();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseRequestTimeouts();
        app.UseResponseCompression();
        app.UseWebFiles();
        app.UseSameSiteWritesOnly();
        app.UseCallLimits();
        app.UseRateLimiter();
        app.UseAuthentication();
        app.UseAuthorization();
    }

    private static DomainClock ClockFrom(IConfiguration configuration, TimeProvider real) =>
        configuration["MORNING_ROUND_TODAY"] is not { Length: > 0 } text ? new DomainClock(real, TimeSpan.Zero)
        : DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? DomainClock.StartingOn(day, real)
        : throw new StartRefusedException($"MORNING_ROUND_TODAY is not a day such as 2026-05-04: {text}");
}
