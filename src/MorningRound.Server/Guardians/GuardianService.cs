using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Guardians;

/// <summary>
/// Who answers for a minor: consent, and taking it back. One who takes it back closes the child's account, even where another
/// guardian consented: it takes both to let a child in.
/// </summary>
public sealed class GuardianService(
    MorningRoundDb db,
    DomainClock clock,
    TimeProvider realClock,
    StudentService students,
    StudentFileService files,
    InvitationService invitations,
    PeopleService people,
    SecurityLog log
)
{
    /// <summary>Who may consent for one child.</summary>
    private const int MostGuardians = 4;

    /// <summary>The children of one guardian in one academy.</summary>
    private const int MostChildren = 12;

    /// <summary>The guardians of a student, for a coach.</summary>
    public async Task<IReadOnlyList<GuardianView>> OfStudentAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        await students.EnsureExistsAsync(caller, studentId, cancel);
        var signedIn = db.SignIns;
        return await (
            from guardianship in Of(caller, studentId).AsNoTracking()
            join account in db.Users on guardianship.AccountId equals account.Id
            orderby guardianship.ConsentedAt
            select new GuardianView(
                account.Id,
                account.Name,
                account.Email!,
                guardianship.ConsentedAt,
                guardianship.WithdrawnAt,
                signedIn.Where(s => s.AccountId == account.Id).Max(s => (DateTimeOffset?)s.SeenAt)
            )
        )
            .Take(MostGuardians)
            .ToListAsync(cancel);
    }

    /// <summary>Makes a link by which a guardian consents.</summary>
    public async Task<InvitationLink> InviteAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var (name, file) = await db.NamedFileAsync(caller, studentId, cancel);
        if (!file.IsMinor)
            throw ApiProblemException.Conflict(
                $"{name} is of age.",
                "studentId",
                "A guardian consents for somebody under eighteen; the age stands in the file."
            );
        if (await Of(caller, studentId).CountAsync(g => g.WithdrawnAt == null, cancel) >= MostGuardians)
            throw ApiProblemException.Conflict(
                $"{name} has {MostGuardians} guardians here.",
                "studentId",
                "Take one away first."
            );
        return await invitations.InviteAsync(caller, AcademyRole.Guardian, studentId, cancel);
    }

    /// <summary>A guardian sees nothing of a child any more, though consent stays as it is noted in the file.</summary>
    public async Task RemoveAsync(Caller caller, Guid studentId, Guid accountId, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (await Of(caller, studentId).Where(g => g.AccountId == accountId).ExecuteDeleteAsync(cancel) == 0)
            throw ApiProblemException.NotFound("guardian");
        await log.AddAsync(caller, SecurityEventKind.GuardianRemoved, cancel, accountId, studentId);
        if (!await db.Guardianships.AnyAsync(g => g.AccountId == accountId, cancel))
            await people.RemoveGuardianAsync(caller, accountId, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The children of the guardian who asks.</summary>
    public async Task<IReadOnlyList<ChildView>> ChildrenAsync(Caller caller, CancellationToken cancel)
    {
        var found = await (
            from guardianship in db.Guardianships.AsNoTracking()
            where guardianship.AcademyId == caller.AcademyId && guardianship.AccountId == caller.AccountId
            join student in db.Students
                on new { guardianship.AcademyId, guardianship.StudentId } equals new { student.AcademyId, StudentId = student.Id }
            join file in db.StudentFiles
                on new { guardianship.AcademyId, guardianship.StudentId } equals new { file.AcademyId, file.StudentId }
            orderby student.Name
            select new
            {
                Guardianship = guardianship,
                student.Name,
                File = file.Document,
            }
        )
            .Take(MostChildren)
            .ToListAsync(cancel);
        return
        [
            .. found.Select(f => new ChildView(
                f.Guardianship.StudentId,
                f.Guardianship.WithdrawnAt is null ? f.Name : "",
                f.Guardianship.ConsentedAt,
                f.Guardianship.WithdrawnAt,
                !f.File.IsMinor
            )),
        ];
    }

    /// <summary>The name of a child whom the guardian who asks may see: consent holds, and the child is a minor.</summary>
    public async Task<string> EnsureSeesAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        if (!await Held(caller, studentId).AnyAsync(cancel))
            throw ApiProblemException.NotFound("child of yours here");
        var (name, file) = await db.NamedFileAsync(AsStudent(caller, studentId), studentId, cancel);
        return file.IsMinor && !file.IsConsentWithdrawn ? name : throw ApiProblemException.NotFound("child of yours here");
    }

    /// <summary>What is asked for on a guardian's behalf is asked for as the child would.</summary>
    public static Caller AsStudent(Caller guardian, Guid studentId) =>
        guardian with
        {
            Role = AcademyRole.Student,
            StudentId = studentId,
        };

    /// <summary>A guardian takes consent back: the child's account is closed, and the guardian sees nothing further.</summary>
    public async Task WithdrawAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var now = realClock.GetUtcNow();
        if (await Held(caller, studentId).ExecuteUpdateAsync(set => set.SetProperty(g => g.WithdrawnAt, now), cancel) == 0)
            throw ApiProblemException.NotFound("child of yours here");
        var today = clock.Today(caller.TimeZone);
        await files.ChangeGuardianAsync(
            caller,
            studentId,
            guardian => guardian is null ? null : guardian with { ConsentedOn = null, WithdrewOn = today },
            cancel
        );
        await log.AddAsync(caller, SecurityEventKind.ConsentWithdrawn, cancel, caller.AccountId, studentId);
        await people.FollowConsentAsync(caller, studentId, AccountState.Disabled, cancel);
        await transaction.CommitAsync(cancel);
    }

    private IQueryable<GuardianshipRow> Of(Caller caller, Guid studentId) =>
        db.Guardianships.Where(g => g.AcademyId == caller.AcademyId && g.StudentId == studentId);

    private IQueryable<GuardianshipRow> Held(Caller caller, Guid studentId) =>
        Of(caller, studentId).Where(g => g.AccountId == caller.AccountId && g.WithdrawnAt == null);
}
