using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.Places;
using MorningRound.Server.Plans;
using MorningRound.Server.Progress;
using MorningRound.Server.Review;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

var builder = WebApplication.CreateBuilder(args);
builder.AddMorningRound();

var app = builder.Build();
app.UseMorningRound();

var api = app.MapGroup("/api");
api.MapAccounts();
api.MapStudents();
api.MapPlaces();
api.MapDrills();
api.MapPlans();
api.MapWeeks();
api.MapSessions();
api.MapProgress();
api.MapReview();
app.MapHealth();
app.MapOpenApi().AllowAnonymous();
app.MapWebApplication();

await app.Services.PrepareAsync(app.Lifetime.ApplicationStopping);
await app.RunAsync();
