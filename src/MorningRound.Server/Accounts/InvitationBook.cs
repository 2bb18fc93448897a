using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>One-time links: making them, showing what they are for, and turning one into an account.</summary>
public sealed class InvitationBook(MorningRoundDb db, UserManager<Account> accounts, TimeProvider realClock, DrillBook drills)
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
            await db.Invitations
                .Where(i => i.AcademyId == academyId && i.StudentId == studentId && i.Role == role && i.UsedAt == null)
                .ExecuteDeleteAsync(cancel);
        }

        var token = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(24));
        db.Invitations.Add(new Invitation
        {
            TokenHash = Hash(token),
            AcademyId = academyId,
            Role = role,
            StudentId = studentId,
            CreatedAt = now,
            ExpiresAt = now + Lifetime,
        });
        await db.SaveChangesAsync(cancel);
        return new InvitationLink($"/join/{token}", now + Lifetime);
    }

    public async Task<InvitationView> ShowAsync(string token, CancellationToken cancel)
    {
        var invitation = await UsableAsync(token, cancel);
        var academy = await db.Academies.Where(a => a.Id == invitation.AcademyId).Select(a => a.Name).SingleOrDefaultAsync(cancel);
        var name = await db.Students
            .Where(s => s.AcademyId == invitation.AcademyId && s.Id == invitation.StudentId)
            .Select(s => s.Name)
            .SingleOrDefaultAsync(cancel);
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
            ? await db.Students.Where(s => s.AcademyId == academyId && s.Id == studentId).Select(s => s.Name).SingleAsync(cancel)
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
        var claimed = await db.Invitations
            .Where(i => i.TokenHash == invitation.TokenHash && i.UsedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(i => i.UsedAt, realClock.GetUtcNow()), cancel);
        if (claimed == 0) throw Refusal.NotFound("invitation");
        await db.SaveChangesAsync(cancel);
        var made = await accounts.CreateAsync(account, acceptance.Password);
        if (!made.Succeeded) throw Refusal.Invalid([.. made.Errors.Select(AsFieldError).DistinctBy(e => e.Path)]);
        if (invitation.AcademyId is null) await drills.StockAsync(academyId, cancel);
        await transaction.CommitAsync(cancel);
        return account;
    }

    private static void Check(Acceptance acceptance, Invitation invitation)
    {
        var errors = new FieldErrors().RequireText(acceptance.Email, "email", 254).AllowText(acceptance.Password, "password", 200);
        if (invitation.StudentId is null) errors.RequireText(acceptance.Name ?? "", "name", 120);
        if (invitation.AcademyId is null)
        {
            errors.RequireText(acceptance.AcademyName ?? "", "academyName", 120)
                .Require(TimeZoneInfo.TryFindSystemTimeZoneById(acceptance.TimeZone ?? "", out _), "timeZone", "This time zone is not known here.");
        }

        if (errors.Found.Count > 0) throw Refusal.Invalid(errors.Found);
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
        var hash = Hash(token);
        var now = realClock.GetUtcNow();
        return await db.Invitations.AsNoTracking()
                .SingleOrDefaultAsync(i => i.TokenHash == hash && i.UsedAt == null && i.ExpiresAt > now, cancel)
            ?? throw Refusal.NotFound("invitation: it was used, has expired, or was never made. Ask for a new link");
    }

    private static FieldError AsFieldError(IdentityError error) =>
        error.Code.StartsWith("Password", StringComparison.Ordinal)
            ? new FieldError("password", "At least 10 characters, please, and not all the same.")
            : error.Code.StartsWith("Duplicate", StringComparison.Ordinal)
                ? new FieldError("email", "This address already has an account. Sign in with it, or use another.")
                : new FieldError("email", "This does not look like an e-mail address.");

    private static string Hash(string token) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}

/// <summary>A link to hand on.</summary>
/// <param name="Path">The path on this server.</param>
/// <param name="ExpiresAt">When it stops working.</param>
public sealed record InvitationLink(string Path, DateTimeOffset ExpiresAt);

/// <summary>What a link is for. No academy means: the first one is to be set up.</summary>
public sealed record InvitationView(string? AcademyName, AcademyRole Role, string? StudentName);

/// <summary>What somebody fills in to accept. A student's name is known; an owner also names the academy.</summary>
public sealed record Acceptance
{
    public required string Email { get; init; }

    public required string Password { get; init; }

    public string? Name { get; init; }

    public string? AcademyName { get; init; }

    /// <summary>An IANA name such as Europe/Lisbon; only for a new academy.</summary>
    public string? TimeZone { get; init; }
}
