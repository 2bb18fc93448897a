using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>One-time links: making them, showing what they are for, and turning one into an account.</summary>
public sealed class InvitationService(
    MorningRoundDb db,
    UserManager<Account> accounts,
    TimeProvider realClock,
    IStudentNames students,
    IEnumerable<IAcademySetUp> setUps
)
{
    private static readonly TimeSpan Lifetime = TimeSpan.FromDays(7);

    /// <summary>
    /// Makes a link for a student, a coach, or (without an academy) for the owner of the first academy. Older unused links for
    /// the same person stop working.
    /// </summary>
    public async Task<InvitationLink> InviteAsync(Guid? academyId, AcademyRole role, Guid? studentId, CancellationToken cancel)
    {
        var now = realClock.GetUtcNow();
        if (studentId is not null || academyId is null)
        {
            await db
                .Invitations.Where(i =>
                    i.AcademyId == academyId && i.StudentId == studentId && i.Role == role && i.UsedAt == null
                )
                .ExecuteDeleteAsync(cancel);
        }

        var token = SecretToken.New();
        db.Invitations.Add(
            new Invitation
            {
                TokenHash = SecretToken.Hash(token),
                AcademyId = academyId,
                Role = role,
                StudentId = studentId,
                CreatedAt = now,
                ExpiresAt = now + Lifetime,
            }
        );
        await db.SaveChangesAsync(cancel);
        return new InvitationLink($"/join/{token}", now + Lifetime);
    }

    public async Task<InvitationView> ShowAsync(string token, CancellationToken cancel)
    {
        var invitation = await UsableAsync(token, cancel);
        var academy = await db
            .Academies.Where(a => a.Id == invitation.AcademyId)
            .Select(a => a.Name)
            .SingleOrDefaultAsync(cancel);
        var name = invitation is { AcademyId: { } academyId, StudentId: { } studentId }
            ? await students.NameAsync(academyId, studentId, cancel)
            : null;
        return new InvitationView(academy, invitation.Role, name);
    }

    /// <summary>Uses the link up and makes the account, or says which field is wrong and leaves the link as it was.</summary>
    public async Task<Account> AcceptAsync(string token, Acceptance acceptance, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var invitation = await UsableAsync(token, cancel);
        Check(acceptance, invitation);

        var academyId = invitation.AcademyId ?? OpenAcademy(acceptance);
        var name = invitation.StudentId is { } studentId
            ? (await students.NameAsync(academyId, studentId, cancel))!
            : acceptance.Name!.Trim();
        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            AcademyId = academyId,
            Role = invitation.Role,
            StudentId = invitation.StudentId,
            Name = name,
            Email = acceptance.Email.Trim(),
            UserName = acceptance.Email.Trim(),
        };
        // The row is claimed first: of two people using one link at once, one finds it used.
        var claimed = await db
            .Invitations.Where(i => i.TokenHash == invitation.TokenHash && i.UsedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(i => i.UsedAt, realClock.GetUtcNow()), cancel);
        if (claimed == 0)
            throw ApiProblemException.NotFound("invitation");
        await db.SaveChangesAsync(cancel);
        var made = await accounts.CreateAsync(account, acceptance.Password);
        if (!made.Succeeded)
            throw ApiProblemException.Invalid([.. made.Errors.Select(AsFieldError).DistinctBy(e => e.Path)]);
        if (invitation.AcademyId is null)
        {
            foreach (var setUp in setUps)
                await setUp.SetUpAsync(academyId, cancel);
        }

        await transaction.CommitAsync(cancel);
        return account;
    }

    private static void Check(Acceptance acceptance, Invitation invitation)
    {
        var errors = new FieldErrors()
            .RequireText(acceptance.Email, "email", 254)
            .AllowText(acceptance.Password, "password", 200);
        if (invitation.StudentId is null)
            errors.RequireText(acceptance.Name ?? "", "name", 120);
        if (invitation.AcademyId is null)
        {
            errors
                .RequireText(acceptance.AcademyName ?? "", "academyName", 120)
                .Require(
                    TimeZoneInfo.TryFindSystemTimeZoneById(acceptance.TimeZone ?? "", out _),
                    "timeZone",
                    "This time zone is not known here."
                );
        }

        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
    }

    private Guid OpenAcademy(Acceptance acceptance)
    {
        var academy = new Academy
        {
            Id = Guid.CreateVersion7(),
            Name = acceptance.AcademyName!.Trim(),
            TimeZone = acceptance.TimeZone!,
        };
        db.Academies.Add(academy);
        return academy.Id;
    }

    private async Task<Invitation> UsableAsync(string token, CancellationToken cancel)
    {
        var hash = SecretToken.Hash(token);
        var now = realClock.GetUtcNow();
        return await db
                .Invitations.AsNoTracking()
                .SingleOrDefaultAsync(i => i.TokenHash == hash && i.UsedAt == null && i.ExpiresAt > now, cancel)
            ?? throw ApiProblemException.NotFound("invitation: it was used, has expired, or was never made. Ask for a new link");
    }

    private static FieldError AsFieldError(IdentityError error) =>
        error.Code.StartsWith("Password", StringComparison.Ordinal)
            ? new FieldError("password", "At least 10 characters, please, and not all the same.")
        : error.Code.StartsWith("Duplicate", StringComparison.Ordinal)
            ? new FieldError("email", "This address already has an account. Sign in with it, or use another.")
        : new FieldError("email", "This does not look like an e-mail address.");
}
