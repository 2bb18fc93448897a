using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Demo;

/// <summary>Whether this server may hold a demo at all.</summary>
/// <param name="IsAllowed">Only on a database of the demo's own, never on one that somebody named.</param>
public sealed record DemoSettings(bool IsAllowed);

/// <summary>The demo as the sign-in page knows it. Where it is not allowed, it is not there, whatever the database holds.</summary>
public sealed class DemoAcademy(MorningRoundDb db, DemoSettings settings, DomainClock clock)
{
    private const int StaleAfterDays = 14;

    public async Task<DemoView?> ViewAsync(CancellationToken cancel)
    {
        if (!settings.IsAllowed) return null;
        var academy = await db.Academies.AsNoTracking().Where(a => a.DemoDay != null)
            .Select(a => new { a.DemoDay, a.TimeZone })
            .SingleOrDefaultAsync(cancel);
        return academy is null
            ? null
            : new DemoView(academy.DemoDay!.Value, clock.Today(academy.TimeZone) >= academy.DemoDay.Value.AddDays(StaleAfterDays));
    }

    /// <summary>The account behind a demo button; none where there is no demo.</summary>
    public async Task<Account?> AccountAsync(DemoPerson person, CancellationToken cancel)
    {
        if (!settings.IsAllowed) return null;
        var name = person == DemoPerson.Coach ? DemoSquad.Coach : DemoSquad.SignedInStudent;
        return await db.Users.SingleOrDefaultAsync(
            u => u.Name == name && db.Academies.Any(a => a.Id == u.AcademyId && a.DemoDay != null), cancel);
    }
}
