using Microsoft.AspNetCore.Identity;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>Makes accounts, and academies for them. It is part of the caller's transaction.</summary>
public sealed class AcademyOpening(MorningRoundDb db, UserManager<Account> accounts, IEnumerable<IAcademySetUp> setUps)
{
    private const int LongestName = 120;
    private const int LongestEmail = 254;

    /// <summary>An academy without anybody in it yet; what every academy has is put in once it has an owner.</summary>
    public async Task<Guid> OpenAsync(string name, string timeZone, CancellationToken cancel)
    {
        var academy = new Academy
        {
            Id = Guid.CreateVersion7(),
            Name = name.Trim(),
            TimeZone = timeZone,
        };
        db.Academies.Add(academy);
        await db.SaveChangesAsync(cancel);
        return academy.Id;
    }

    /// <summary>An account, with a password that will do.</summary>
    /// <exception cref="ApiProblemException">422 naming the field that will not.</exception>
    public async Task<Account> AddAsync(
        Guid academyId,
        AcademyRole role,
        Guid? studentId,
        string name,
        string email,
        string password
    )
    {
        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            AcademyId = academyId,
            Role = role,
            StudentId = studentId,
            Name = name.Trim(),
            Email = email.Trim(),
            UserName = email.Trim(),
        };
        var made = await accounts.CreateAsync(account, password);
        if (!made.Succeeded)
            throw ApiProblemException.Invalid([.. made.Errors.Select(AsFieldError).DistinctBy(e => e.Path)]);
        return account;
    }

    /// <summary>Puts into a new academy what every one has from the first day.</summary>
    public async Task SetUpAsync(Guid academyId, CancellationToken cancel)
    {
        foreach (var setUp in setUps)
            await setUp.SetUpAsync(academyId, cancel);
    }

    /// <summary>What can be seen of an account's fields without asking the database.</summary>
    public static void Check(FieldErrors errors, string? name, string email, string password)
    {
        errors.RequireText(email, "email", LongestEmail);
        PasswordRules.CheckLength(password);
        if (name is not null)
            errors.RequireText(name, "name", LongestName);
    }

    /// <summary>What can be seen of an academy's fields.</summary>
    /// <param name="errors">Where what is wrong is collected.</param>
    /// <param name="name">The academy's name.</param>
    /// <param name="timeZone">The name of its zone.</param>
    /// <param name="namePath">What the caller calls the name.</param>
    public static void CheckAcademy(FieldErrors errors, string name, string timeZone, string namePath) =>
        errors
            .RequireText(name, namePath, LongestName)
            .Require(TimeZoneInfo.TryFindSystemTimeZoneById(timeZone, out _), "timeZone", "This time zone is not known here.");

    private static FieldError AsFieldError(IdentityError error) =>
        error.Code.StartsWith("Password", StringComparison.Ordinal) ? new FieldError("password", PasswordRules.Words(error))
        : error.Code.StartsWith("Duplicate", StringComparison.Ordinal)
            ? new FieldError("email", "This address already has an account. Sign in with it, or use another.")
        : new FieldError("email", "This does not look like an e-mail address.");
}
