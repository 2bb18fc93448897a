using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>One-time links: making them, showing what they are for, and turning one into an account.</summary>
public sealed class InvitationService(
    MorningRoundDb db,
    AcademyOpening opening,
    AccountLinks links,
    SecurityLog log,
    TimeProvider realClock,
    IStudentNames students,
    IConsents consents,
    PeopleService people
)
{
    private static readonly TimeSpan Lifetime = TimeSpan.FromDays(7);

    /// <summary>
    /// Makes a link for a student, a student's guardian, or a coach. Older ones of a student for the same role stop working.
    /// </summary>
    public async Task<InvitationLink> InviteAsync(Caller caller, AcademyRole role, Guid? studentId, CancellationToken cancel)
    {
        if (studentId is { } whose)
        {
            if (role == AcademyRole.Student && await consents.IsWithdrawnAsync(caller.AcademyId, whose, cancel))
                throw ConsentWithdrawn();
            await db
                .Invitations.Where(i =>
                    i.AcademyId == caller.AcademyId && i.StudentId == studentId && i.Role == role && i.UsedAt == null
                )
                .ExecuteDeleteAsync(cancel);
        }

        var link = await AddAsync(caller.AcademyId, role, studentId, caller.AccountId, cancel);
        var kind = role == AcademyRole.Guardian ? SecurityEventKind.GuardianInvited : SecurityEventKind.Invited;
        await log.AddAsync(caller, kind, cancel, studentId: studentId);
        return link;
    }

    /// <summary>Makes the link that sets up the first academy of an empty database. Older ones stop working.</summary>
    public async Task<InvitationLink> InviteFirstAsync(CancellationToken cancel)
    {
        await db.Invitations.Where(i => i.AcademyId == null && i.UsedAt == null).ExecuteDeleteAsync(cancel);
        return await AddAsync(null, AcademyRole.Owner, null, null, cancel);
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
        // A link that was made before consent was taken back leads nowhere until it is given again.
        if (
            invitation is { Role: AcademyRole.Student, AcademyId: { } here, StudentId: { } minor }
            && await consents.IsWithdrawnAsync(here, minor, cancel)
        )
            throw ConsentWithdrawn();

        await ClaimAsync(invitation, cancel);
        var academyId = invitation.AcademyId ?? await opening.OpenAsync(acceptance.AcademyName!, acceptance.TimeZone!, cancel);
        var isStudent = invitation.Role == AcademyRole.Student;
        var name = isStudent ? (await students.NameAsync(academyId, invitation.StudentId!.Value, cancel))! : acceptance.Name!;
        var account = await opening.AddAsync(
            academyId,
            invitation.Role,
            isStudent ? invitation.StudentId : null,
            name,
            acceptance.Email,
            acceptance.Password
        );
        if (invitation is { Role: AcademyRole.Guardian, StudentId: { } child })
            await ConsentAsync(account, child, cancel);
        if (invitation.AcademyId is null)
            await opening.SetUpAsync(academyId, cancel);
        await log.AddAsync(academyId, SecurityEventKind.Joined, cancel, account.Id, account.Id, invitation.StudentId);
        await transaction.CommitAsync(cancel);
        links.SendConfirmation(account.Email!);
        return account;
    }

    /// <summary>Uses a guardian's link up for a guardian who has an account: one more child, or consent given anew.</summary>
    public async Task ConsentFurtherAsync(Caller caller, FurtherConsent consent, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var invitation = await UsableAsync(consent.Token, cancel);
        if (invitation is not { Role: AcademyRole.Guardian, StudentId: { } child } || invitation.AcademyId != caller.AcademyId)
            throw NoSuchInvitation();
        if (!consent.Consents)
            throw NotConsented();
        await ClaimAsync(invitation, cancel);
        var account = await db.Users.SingleAsync(u => u.Id == caller.AccountId, cancel);
        await ConsentAsync(account, child, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>A child's account that was closed because consent was taken back is open again.</summary>
    private async Task ConsentAsync(Account guardian, Guid child, CancellationToken cancel)
    {
        if (!await consents.GiveAsync(guardian, child, cancel))
            return;
        var timeZone = await db.Academies.Where(a => a.Id == guardian.AcademyId).Select(a => a.TimeZone).SingleAsync(cancel);
        var caller = new Caller(guardian.AcademyId, AcademyRole.Guardian, null, timeZone, guardian.Id);
        await people.FollowConsentAsync(caller, child, AccountState.Active, cancel);
    }

    /// <summary>The row is claimed first: of two people using one link at once, one finds it used.</summary>
    private async Task ClaimAsync(Invitation invitation, CancellationToken cancel)
    {
        var claimed = await db
            .Invitations.Where(i => i.TokenHash == invitation.TokenHash && i.UsedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(i => i.UsedAt, realClock.GetUtcNow()), cancel);
        if (claimed == 0)
            throw NoSuchInvitation();
    }

    private static ApiProblemException ConsentWithdrawn() =>
        ApiProblemException.Conflict(
            "The guardian has taken back consent.",
            "id",
            "A link for the guardian comes first; once they consent again, the student can come in."
        );

    private static ApiProblemException NotConsented() =>
        ApiProblemException.Invalid("consents", "Without a guardian's consent nothing is set up for a child.");

    private static ApiProblemException NoSuchInvitation() =>
        ApiProblemException.NotFound("invitation: it was used, has expired, or was never made. Ask for a new link");

    private async Task<InvitationLink> AddAsync(
        Guid? academyId,
        AcademyRole role,
        Guid? studentId,
        Guid? madeBy,
        CancellationToken cancel
    )
    {
        var (token, now) = (SecretToken.New(), realClock.GetUtcNow());
        db.Invitations.Add(
            new Invitation
            {
                TokenHash = SecretToken.Hash(token),
                Id = Guid.CreateVersion7(),
                AcademyId = academyId,
                Role = role,
                StudentId = studentId,
                MadeBy = madeBy,
                CreatedAt = now,
                ExpiresAt = now + Lifetime,
            }
        );
        await db.SaveChangesAsync(cancel);
        return new InvitationLink($"/join/{token}", now + Lifetime);
    }

    private static void Check(Acceptance acceptance, Invitation invitation)
    {
        var errors = new FieldErrors();
        AcademyOpening.Check(
            errors,
            invitation.Role == AcademyRole.Student ? null : acceptance.Name ?? "",
            acceptance.Email,
            acceptance.Password
        );
        if (invitation.AcademyId is null)
            AcademyOpening.CheckAcademy(errors, acceptance.AcademyName ?? "", acceptance.TimeZone ?? "", "academyName");
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        if (invitation.Role == AcademyRole.Guardian && !acceptance.Consents)
            throw NotConsented();
    }

    private async Task<Invitation> UsableAsync(string token, CancellationToken cancel)
    {
        var hash = SecretToken.Hash(token);
        var now = realClock.GetUtcNow();
        return await db
                .Invitations.AsNoTracking()
                .SingleOrDefaultAsync(i => i.TokenHash == hash && i.UsedAt == null && i.ExpiresAt > now, cancel)
            ?? throw NoSuchInvitation();
    }
}
