using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Demo;

/// <summary>The demo as the sign-in page knows it.</summary>
internal sealed class DemoAcademy(MorningRoundDb db, DomainClock clock) : IDemo
{
    private const int StaleAfterDays = 14;

    public async Task<DemoView?> ViewAsync(CancellationToken cancel)
    {
        var academy = await db
            .Academies.AsNoTracking()
            .Where(a => a.DemoDay != null)
            .Select(a => new { a.DemoDay, a.TimeZone })
            .SingleOrDefaultAsync(cancel);
        return academy is null
            ? null
            : new DemoView(
                academy.DemoDay!.Value,
                clock.Today(academy.TimeZone) >= academy.DemoDay.Value.AddDays(StaleAfterDays)
            );
    }

    /// <summary>The account behind a demo button; null where there is no demo.</summary>
    public async Task<Account?> AccountAsync(DemoPerson person, CancellationToken cancel)
    {
        var name = person switch
        {
            DemoPerson.Coach => DemoSquad.Coach,
            DemoPerson.Guardian => DemoSquad.Guardian,
            _ => DemoSquad.SignedInStudent,
        };
        return await db.Users.SingleOrDefaultAsync(
            u => u.Name == name && db.Academies.Any(a => a.Id == u.AcademyId && a.DemoDay != null),
            cancel
        );
    }

    public Task LayOutAsync(CancellationToken cancel) => new DemoHistory(db, clock).LayOutAsync(cancel);
}

/// <summary>Adds the demo to the server.</summary>
public static class DemoRegistration
{
    public static IServiceCollection AddDemo(this IServiceCollection services) => services.AddScoped<IDemo, DemoAcademy>();
}
