using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>Throws away what accounts leave behind once its time is over. Doing it twice is doing it once.</summary>
public sealed class Tidying(MorningRoundDb db, TimeProvider realClock)
{
    /// <summary>So long a sign-in that has ended, or a link that leads nowhere any more, can still be asked about.</summary>
    public static readonly TimeSpan Leftovers = TimeSpan.FromDays(30);

    /// <summary>A cookie is good for thirty days after its last use; nobody can come back to an older sign-in.</summary>
    public static readonly TimeSpan UnusedSignIn = TimeSpan.FromDays(31);

    public async Task TidyAsync(CancellationToken cancel)
    {
        var now = realClock.GetUtcNow();
        var (tries, left, unused) = (now - SignInGuard.Window, now - Leftovers, now - UnusedSignIn);
        await db.SignInTries.Where(t => t.Since < tries).ExecuteDeleteAsync(cancel);
        await db.SignIns.Where(s => s.EndedAt < left || s.SeenAt < unused).ExecuteDeleteAsync(cancel);
        await db.Invitations.Where(i => i.UsedAt < left || i.ExpiresAt < left).ExecuteDeleteAsync(cancel);
    }
}

/// <summary>Tidies every hour.</summary>
internal sealed class TidyingClock(IServiceScopeFactory scopes, TimeProvider time, ILogger<TidyingClock> log)
    : PeriodicWork("Old sign-ins", TimeSpan.FromHours(1), scopes, time, log)
{
    protected override Task DoAsync(IServiceProvider services, CancellationToken cancel) =>
        services.GetRequiredService<Tidying>().TidyAsync(cancel);
}
