using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Guardians;

/// <summary>Consent for minors, as those ask for it who make and open accounts.</summary>
public sealed class ConsentService(
    MorningRoundDb db,
    DomainClock clock,
    TimeProvider realClock,
    StudentFileService files,
    SecurityLog log
) : IConsents, IAccountEnding
{
    /// <inheritdoc />
    public async Task<bool> GiveAsync(Account guardian, Guid studentId, CancellationToken cancel)
    {
        var academy = await db.Academies.AsNoTracking().SingleAsync(a => a.Id == guardian.AcademyId, cancel);
        var caller = new Caller(guardian.AcademyId, AcademyRole.Guardian, null, academy.TimeZone, guardian.Id);
        var wasWithdrawn = await IsWithdrawnAsync(guardian.AcademyId, studentId, cancel);
        var now = realClock.GetUtcNow();
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO guardianships (academy_id, student_id, account_id, consented_at)
            VALUES ({guardian.AcademyId}, {studentId}, {guardian.Id}, {now})
            ON CONFLICT (academy_id, student_id, account_id) DO UPDATE SET consented_at = {now}, withdrawn_at = NULL
            """,
            cancel
        );
        await files.ChangeGuardianAsync(
            caller,
            studentId,
            noted => new Guardian
            {
                Name = guardian.Name,
                Contact = noted is { Contact.Length: > 0 } ? noted.Contact : guardian.Email!,
                ConsentedOn = clock.Today(academy.TimeZone),
            },
            cancel
        );
        await log.AddAsync(caller, SecurityEventKind.ConsentGiven, cancel, guardian.Id, studentId);
        return wasWithdrawn;
    }

    /// <inheritdoc />
    public async Task<bool> IsWithdrawnAsync(Guid academyId, Guid studentId, CancellationToken cancel) =>
        await db
            .StudentFiles.Where(f => f.AcademyId == academyId && f.StudentId == studentId)
            .Select(f => f.Document)
            .SingleOrDefaultAsync(cancel)
            is { IsConsentWithdrawn: true };

    /// <inheritdoc />
    public Task EndAsync(Guid accountId, CancellationToken cancel) =>
        db.Guardianships.Where(g => g.AccountId == accountId).ExecuteDeleteAsync(cancel);
}
