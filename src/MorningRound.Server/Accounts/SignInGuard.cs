using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>What is guessed at.</summary>
public enum GuardedSecret
{
    Password,
    SecondStep,
    SetUp,

    /// <summary>Nothing: mails that carry a link are counted as guesses are.</summary>
    Link,
}

/// <summary>
/// Holds up whoever guesses. A try is counted before it is made, so that of forty at once as few are made as of forty in a row;
/// the counts are in the database, so that copies of the server count together. From one place a few tries are free. Whoever
/// guesses at one account from many places is held up too, and with them everybody at a place where that account never signed
/// in; on a device where it did, tries are counted by themselves, so that nobody is shut out by somebody else's guesses.
/// </summary>
public sealed class SignInGuard(MorningRoundDb db, TimeProvider realClock, KnownDevices devices)
{
    /// <summary>How long tries are counted together, from the first one on.</summary>
    public static readonly TimeSpan Window = TimeSpan.FromMinutes(15);

    /// <summary>So often one place may try at one account.</summary>
    public const int MostAtOneAccount = 6;

    /// <summary>So often one place may try in all: a clubhouse shares one address.</summary>
    public const int MostFromOneAddress = 60;

    /// <summary>So often an account may be tried at from all places where it never signed in.</summary>
    public const int MostFromStrangers = 60;

    /// <summary>Counts a try, before it is made.</summary>
    /// <param name="secret">What is guessed at.</param>
    /// <param name="name">Whose: an address as it was typed, which need not exist.</param>
    /// <param name="accountId">The account of that name; null where there is none.</param>
    /// <param name="context">The call.</param>
    /// <param name="cancel">Stops the call.</param>
    /// <exception cref="ApiProblemException">423 when there were too many, with the seconds to wait.</exception>
    public async Task<CountedTry> CountAsync(
        GuardedSecret secret,
        string name,
        Guid? accountId,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var address = ClientAddress.Of(context);
        var known = accountId is { } id ? devices.DeviceOf(context, id) : null;
        var what = $"{secret} {name.Trim().ToUpperInvariant()}";
        var own = Hash($"{what} from {known?.ToString() ?? address}");
        var shared = known is null ? [Hash($"{secret} from {address}"), Hash(what)] : Array.Empty<string>();
        string[] keys = [.. shared.Append(own).Order(StringComparer.Ordinal)];
        var now = realClock.GetUtcNow();
        var tries = await CountAsync(keys, now, cancel);
        var over = tries.Where(t => t.Count > (t.Key == own ? MostAtOneAccount : MostFromOneAddress)).ToList();
        if (over.Count == 0)
            return new CountedTry(own, shared);
        // A call that read the clock a moment before the one that was counted first would wait that moment longer.
        var since = over.Max(t => t.Since < now ? t.Since : now);
        var wait = since + Window - now;
        throw ApiProblemException.Locked(
            context,
            $"Too many tries. Please wait {Minutes(wait)}, then try again; a link from your coach lets you in at once.",
            wait
        );
    }

    /// <summary>Counts something that may be done a few times in a quarter of an hour, and says whether it still may.</summary>
    public async Task<bool> TakeAsync(string what, int most, CancellationToken cancel) =>
        (await CountAsync([Hash(what.ToUpperInvariant())], realClock.GetUtcNow(), cancel)).TrueForAll(t => t.Count <= most);

    /// <summary>One statement, and keys in one order, so that calls at once wait for each other and never in a circle.</summary>
    private Task<List<SignInTry>> CountAsync(string[] keys, DateTimeOffset now, CancellationToken cancel)
    {
        var old = now - Window;
        return db
            .SignInTries.FromSql(
                $"""
                INSERT INTO sign_in_tries AS tries (key, count, since)
                SELECT key, 1, {now} FROM unnest({keys}) AS key
                ON CONFLICT (key) DO UPDATE SET
                    count = CASE WHEN tries.since <= {old} THEN 1 ELSE tries.count + 1 END,
                    since = CASE WHEN tries.since <= {old} THEN {now} ELSE tries.since END
                RETURNING *
                """
            )
            .AsNoTracking()
            .ToListAsync(cancel);
    }

    /// <summary>Takes a counted try back, which was none: it was right.</summary>
    public async Task WasRightAsync(CountedTry counted, CancellationToken cancel)
    {
        await db.SignInTries.Where(t => t.Key == counted.Own).ExecuteDeleteAsync(cancel);
        if (counted.Shared.Length > 0)
        {
            await db
                .SignInTries.Where(t => counted.Shared.Contains(t.Key) && t.Count > 0)
                .ExecuteUpdateAsync(set => set.SetProperty(t => t.Count, t => t.Count - 1), cancel);
        }
    }

    private static string Minutes(TimeSpan wait) =>
        Math.Ceiling(wait.TotalMinutes) is var minutes && minutes <= 1 ? "a minute" : $"{minutes:0} minutes";

    private static string Hash(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
}

/// <summary>A try that was counted.</summary>
/// <param name="Own">Under which key for this account from this place.</param>
/// <param name="Shared">Under which others.</param>
public sealed record CountedTry(string Own, string[] Shared);
