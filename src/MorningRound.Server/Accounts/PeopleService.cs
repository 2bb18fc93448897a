using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>Who belongs to an academy: those who look after it, for an owner; a student's account, for a coach.</summary>
public sealed class PeopleService(
    MorningRoundDb db,
    UserManager<Account> accounts,
    SignInService signIns,
    AccountLinks links,
    SecurityLog log,
    TimeProvider realClock,
    IStudentNames students,
    IConsents consents,
    IEnumerable<IAccountEnding> endings
)
{
    /// <summary>More coaches than any academy has.</summary>
    public const int MostCoaches = 200;

    private const int MostInvitations = 500;

    public async Task<IReadOnlyList<CoachView>> CoachesAsync(Caller caller, CancellationToken cancel) =>
        await db
            .Users.Staff()
            .Where(u => u.AcademyId == caller.AcademyId && u.State == AccountState.Active)
            .OrderBy(u => u.Name)
            .ThenBy(u => u.Id)
            .Select(u => new CoachView(u.Id, u.Name))
            .Take(MostCoaches)
            .ToListAsync(cancel);

    public async Task<PeopleView> GetAsync(Caller caller, CancellationToken cancel)
    {
        var (signedIn, now) = (db.SignIns, realClock.GetUtcNow());
        var staff = await db
            .Users.AsNoTracking()
            .Staff()
            .Where(u => u.AcademyId == caller.AcademyId && u.State != AccountState.Removed)
            .OrderBy(u => u.Role == AcademyRole.Owner ? 0 : 1)
            .ThenBy(u => u.Name)
            .ThenBy(u => u.Id)
            .Take(MostCoaches)
            .Select(u => new StaffView(
                u.Id,
                u.Name,
                u.Email!,
                u.Role,
                u.State,
                u.TwoFactorEnabled,
                signedIn.Where(s => s.AccountId == u.Id).Max(s => (DateTimeOffset?)s.SeenAt)
            ))
            .ToListAsync(cancel);
        var invitations = await db
            .Invitations.AsNoTracking()
            .Where(i => i.AcademyId == caller.AcademyId && i.UsedAt == null && i.ExpiresAt > now)
            .OrderByDescending(i => i.CreatedAt)
            .ThenBy(i => i.Id)
            .Take(MostInvitations)
            .ToListAsync(cancel);
        var names = await students.NamesAsync(caller.AcademyId, [.. invitations.Select(i => i.StudentId).OfType<Guid>()], cancel);
        return new PeopleView(
            staff,
            [
                .. invitations.Select(i => new OpenInvitation(
                    i.Id,
                    i.Role,
                    i.StudentId is { } student ? names.GetValueOrDefault(student) : null,
                    i.CreatedAt,
                    i.ExpiresAt
                )),
            ]
        );
    }

    /// <summary>The link leads nowhere any more. Doing it twice is doing it once.</summary>
    public async Task RevokeAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var revoked = await db
            .Invitations.Where(i => i.AcademyId == caller.AcademyId && i.Id == id && i.UsedAt == null)
            .ExecuteDeleteAsync(cancel);
        if (revoked > 0)
            await log.AddAsync(caller, SecurityEventKind.InvitationRevoked, cancel);
    }

    /// <summary>Makes a coach an owner, or an owner a coach. An academy keeps an owner.</summary>
    public async Task ChangeRoleAsync(Caller caller, Guid accountId, AcademyRole role, CancellationToken cancel)
    {
        if (role is not (AcademyRole.Owner or AcademyRole.Coach))
            throw ApiProblemException.Invalid("role", "A coach can be made an owner, and an owner a coach.");
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await LockAsync(caller, cancel);
        var account = await StaffAsync(caller, accountId, cancel);
        if (account.Role == role)
            return;
        account.Role = role;
        await SaveAsync(caller, account, SecurityEventKind.RoleChanged, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Closes the account of an owner or coach, opens it again, or takes it away for good.</summary>
    /// <param name="caller">An owner, who cannot close their own.</param>
    /// <param name="accountId">Whose.</param>
    /// <param name="state">What becomes of it.</param>
    /// <param name="handTo">Who looks after their students from now on when they are taken away; null for the caller.</param>
    /// <param name="cancel">Stops the call.</param>
    public async Task ChangeStaffStateAsync(
        Caller caller,
        Guid accountId,
        AccountState state,
        Guid? handTo,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await LockAsync(caller, cancel);
        var account = await StaffAsync(caller, accountId, cancel);
        var heir = await StaffAsync(caller, handTo ?? caller.AccountId, cancel);
        if (heir.State != AccountState.Active || heir.Id == account.Id)
            throw ApiProblemException.Invalid("handTo", "Somebody whose account is open, and somebody else.");
        if (state == AccountState.Removed)
        {
            foreach (var ending in endings)
                await ending.HandOverAsync(caller, accountId, heir.Id, cancel);
        }

        await ChangeStateAsync(caller, account, state, cancel);
        await transaction.CommitAsync(cancel);
    }

    public async Task<StudentAccountView?> StudentAccountAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var signedIn = db.SignIns;
        return await db
            .Users.AsNoTracking()
            .Where(u => u.AcademyId == caller.AcademyId && u.StudentId == studentId)
            .Select(u => new StudentAccountView(
                u.Id,
                u.Email!,
                u.State,
                signedIn.Where(s => s.AccountId == u.Id).Max(s => (DateTimeOffset?)s.SeenAt)
            ))
            .SingleOrDefaultAsync(cancel);
    }

    /// <summary>Closes a student's account, opens it again, or takes it away; the student's file and practice stay.</summary>
    public async Task ChangeStudentStateAsync(Caller caller, Guid studentId, AccountState state, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await LockAsync(caller, cancel);
        if (state == AccountState.Active && await consents.IsWithdrawnAsync(caller.AcademyId, studentId, cancel))
            throw ApiProblemException.Conflict(
                "The guardian has taken back consent.",
                "state",
                "Make a link for the guardian; once they consent again, the account is open."
            );
        await ChangeStateAsync(caller, await StudentsAsync(caller, studentId, cancel), state, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Closes or opens a student's account, where there is one, as part of the caller's transaction.</summary>
    public async Task FollowConsentAsync(Caller caller, Guid studentId, AccountState state, CancellationToken cancel)
    {
        await LockAsync(caller, cancel);
        var account = await db.Users.SingleOrDefaultAsync(
            u => u.AcademyId == caller.AcademyId && u.StudentId == studentId,
            cancel
        );
        if (account is not null)
            await ChangeStateAsync(caller, account, state, cancel);
    }

    /// <summary>Takes away the account of a guardian without a child here, as part of the caller's transaction.</summary>
    public async Task RemoveGuardianAsync(Caller caller, Guid accountId, CancellationToken cancel)
    {
        await LockAsync(caller, cancel);
        var account = await db.Users.SingleAsync(
            u => u.AcademyId == caller.AcademyId && u.Id == accountId && u.Role == AcademyRole.Guardian,
            cancel
        );
        await ChangeStateAsync(caller, account, AccountState.Removed, cancel);
    }

    /// <summary>A link by which a student chooses a new password, to hand over.</summary>
    public async Task<InvitationLink> StudentPasswordLinkAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        await PasswordLinkAsync(caller, await StudentsAsync(caller, studentId, cancel), cancel);

    /// <summary>A link by which an owner or coach chooses a new password, to hand over.</summary>
    public async Task<InvitationLink> StaffPasswordLinkAsync(Caller caller, Guid accountId, CancellationToken cancel) =>
        await PasswordLinkAsync(caller, await StaffAsync(caller, accountId, cancel), cancel);

    /// <summary>Switches off the second step of somebody whose phone and codes are gone.</summary>
    public async Task EndSecondStepAsync(Caller caller, Guid accountId, CancellationToken cancel)
    {
        var account = await StaffAsync(caller, accountId, cancel);
        await accounts.SetTwoFactorEnabledAsync(account, false);
        await log.AddAsync(caller, SecurityEventKind.SecondStepOff, cancel, accountId);
    }

    /// <summary>An academy's name and zone.</summary>
    public async Task ChangeAcademyAsync(Caller caller, AcademyInput input, CancellationToken cancel)
    {
        var errors = new FieldErrors();
        AcademyOpening.CheckAcademy(errors, input.Name, input.TimeZone, "name");
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        await db
            .Academies.Where(a => a.Id == caller.AcademyId)
            .ExecuteUpdateAsync(
                set => set.SetProperty(a => a.Name, input.Name.Trim()).SetProperty(a => a.TimeZone, input.TimeZone),
                cancel
            );
        await log.AddAsync(caller, SecurityEventKind.AcademyChanged, cancel);
    }

    private async Task<InvitationLink> PasswordLinkAsync(Caller caller, Account account, CancellationToken cancel)
    {
        if (account.State != AccountState.Active)
            throw ApiProblemException.Conflict("This account is closed.", "state", "Let them in again first.");
        var link = await links.PasswordLinkAsync(account);
        await log.AddAsync(caller, SecurityEventKind.PasswordLinkMade, cancel, account.Id, account.StudentId);
        return link;
    }

    private async Task ChangeStateAsync(Caller caller, Account account, AccountState state, CancellationToken cancel)
    {
        if (account.Id == caller.AccountId)
            throw ApiProblemException.Invalid("state", "Nobody closes their own account here; another owner can.");
        if (account.State == state)
            return;
        account.State = state;
        var studentId = account.StudentId;
        if (state == AccountState.Removed)
            await ForgetAsync(account, cancel);
        await SaveAsync(
            caller,
            account,
            state switch
            {
                AccountState.Active => SecurityEventKind.LetInAgain,
                AccountState.Disabled => SecurityEventKind.Disabled,
                _ => SecurityEventKind.Removed,
            },
            cancel,
            studentId
        );
    }

    /// <summary>What is left of an account is the name of whoever wrote something.</summary>
    private async Task ForgetAsync(Account account, CancellationToken cancel)
    {
        foreach (var ending in endings)
            await ending.EndAsync(account.Id, cancel);
        (account.Email, account.EmailConfirmed, account.PasswordHash) = (null, false, null);
        (account.UserName, account.TwoFactorEnabled, account.StudentId) = ($"removed-{account.Id}", false, null);
        await db.UserTokens.Where(t => t.UserId == account.Id).ExecuteDeleteAsync(cancel);
        await db.UserPasskeys.Where(p => p.UserId == account.Id).ExecuteDeleteAsync(cancel);
        await db.SignIns.Where(s => s.AccountId == account.Id).ExecuteDeleteAsync(cancel);
    }

    /// <summary>Writes a changed account with another stamp, which ends its sign-ins at their next call.</summary>
    private async Task SaveAsync(
        Caller caller,
        Account account,
        SecurityEventKind kind,
        CancellationToken cancel,
        Guid? studentId = null
    )
    {
        account.SecurityStamp = SecretToken.New();
        account.NormalizedEmail = accounts.NormalizeEmail(account.Email);
        account.NormalizedUserName = accounts.NormalizeName(account.UserName);
        await db.SaveChangesAsync(cancel);
        if (
            !await db.Users.AnyAsync(
                u => u.AcademyId == caller.AcademyId && u.Role == AcademyRole.Owner && u.State == AccountState.Active,
                cancel
            )
        )
            throw ApiProblemException.Conflict(
                "An academy needs an owner.",
                "role",
                "Make somebody else an owner first; then you can step down."
            );
        await log.AddAsync(caller, kind, cancel, account.Id, studentId);
        // Whoever changes their own role goes on with it on this device.
        if (account.Id == caller.AccountId)
            await signIns.RenewAsync(account, cancel);
    }

    /// <summary>Of two owners who step down at once, one waits for the other, and is then the last.</summary>
    private Task LockAsync(Caller caller, CancellationToken cancel) =>
        db.Database.ExecuteSqlAsync($"SELECT FROM academies WHERE id = {caller.AcademyId} FOR UPDATE", cancel);

    private async Task<Account> StaffAsync(Caller caller, Guid accountId, CancellationToken cancel) =>
        await db
            .Users.Staff()
            .SingleOrDefaultAsync(
                u => u.AcademyId == caller.AcademyId && u.Id == accountId && u.State != AccountState.Removed,
                cancel
            )
        ?? throw ApiProblemException.NotFound("coach");

    private async Task<Account> StudentsAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        await db.Users.SingleOrDefaultAsync(u => u.AcademyId == caller.AcademyId && u.StudentId == studentId, cancel)
        ?? throw ApiProblemException.NotFound("account of this student");
}
