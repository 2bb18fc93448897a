using Microsoft.AspNetCore.Identity;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Accounts;

/// <summary>What a new password has to be, in words for whoever chooses it.</summary>
internal static class PasswordRules
{
    /// <summary>Length is what makes a password hard to guess; rules about signs only make it hard to type.</summary>
    public static readonly PasswordOptions Options = new()
    {
        RequiredLength = 10,
        RequireDigit = false,
        RequireLowercase = false,
        RequireUppercase = false,
        RequireNonAlphanumeric = false,
        RequiredUniqueChars = 4,
    };

    private const int Longest = 200;

    /// <summary>Refuses one so long that working it through would be work for nothing.</summary>
    public static void CheckLength(string password)
    {
        if (password.Length > Longest)
            throw ApiProblemException.Invalid("password", $"At most {Longest} characters fit here.");
    }

    /// <summary>Turns a refusal of the framework into one that names its field.</summary>
    /// <exception cref="ApiProblemException">422 where the password will not do, 404 where a link is no longer good.</exception>
    public static void Check(IdentityResult result)
    {
        if (result.Succeeded)
            return;
        if (result.Errors.Any(e => e.Code == nameof(IdentityErrorDescriber.InvalidToken)))
            throw AccountLinks.NoSuchLink();
        throw ApiProblemException.Invalid("password", Words(result.Errors.First()));
    }

    public static string Words(IdentityError error) =>
        error.Code == CommonPasswords.Code
            ? "This is one of the first that anybody would try. A few words that are your own are better."
            : $"At least {Options.RequiredLength} characters, please, and not all the same.";
}
