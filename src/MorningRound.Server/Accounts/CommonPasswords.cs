using Microsoft.AspNetCore.Identity;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// Refuses passwords that everybody tries first: those of a list, with figures or signs behind them too, and the person's own
/// name or address. The list is that of a widely used estimator of password strength; docs/licences.md names it.
/// </summary>
internal sealed class CommonPasswords : IPasswordValidator<Account>
{
    /// <summary>The code of the error for one that is refused.</summary>
    public const string Code = "PasswordIsCommon";

    private static readonly Lazy<HashSet<string>> List = new(Read);

    /// <summary>Whether somebody who guesses would try this one soon.</summary>
    public static bool Contains(string password)
    {
        var plain = password.Trim().ToLowerInvariant();
        return List.Value.Contains(plain) || List.Value.Contains(plain.TrimEnd(Behind));
    }

    public Task<IdentityResult> ValidateAsync(UserManager<Account> manager, Account user, string? password)
    {
        var plain = (password ?? "").Trim();
        return Task.FromResult(
            Contains(plain) || IsTheirOwn(plain, user)
                ? IdentityResult.Failed(new IdentityError { Code = Code })
                : IdentityResult.Success
        );
    }

    private static bool IsTheirOwn(string plain, Account user)
    {
        string[] own = [user.Name, user.Email ?? "", (user.Email ?? "").Split('@')[0]];
        return own.Any(o => o.Length > 0 && plain.TrimEnd(Behind).Equals(o.TrimEnd(Behind), StringComparison.OrdinalIgnoreCase));
    }

    private static char[] Behind => [.. "0123456789!?.-_*#$ "];

    private static HashSet<string> Read()
    {
        using var stream = typeof(CommonPasswords).Assembly.GetManifestResourceStream("common-passwords.txt")!;
        using var reader = new StreamReader(stream);
        return [.. reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries)];
    }
}
