using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>What happened that somebody who looks after an academy may have to explain later.</summary>
public enum SecurityEventKind
{
    SignedIn,
    SignInFailed,
    SignInHeldUp,
    SecondStepFailed,
    SignInsEnded,
    Joined,
    Invited,
    GuardianInvited,
    InvitationRevoked,
    PasswordChanged,
    PasswordLinkMade,
    PasswordReset,
    EmailConfirmed,
    SecondStepOn,
    SecondStepOff,
    RecoveryCodesMade,
    PasskeyAdded,
    PasskeyRemoved,
    RoleChanged,
    Disabled,
    LetInAgain,
    Removed,
    AcademyChanged,
    AcademyFounded,
    CareNotesSeen,
    ConsentGiven,
    ConsentWithdrawn,
    GuardianRemoved,
    StudentForgotten,
    TakenOut,
    AcademyTakenOut,
    RetentionChanged,
    AgedOut,
}

/// <summary>
/// One line of the security log: who did what to whom, by ids. It never holds what anybody wrote, and it stays when a person is
/// deleted, whose id then leads nowhere.
/// </summary>
public sealed class SecurityEvent
{
    public Guid Id { get; init; }

    /// <summary>None where nobody is known by the address that was tried.</summary>
    public Guid? AcademyId { get; init; }

    public DateTimeOffset At { get; init; }

    public SecurityEventKind Kind { get; init; }

    /// <summary>Who did it; null where it was nobody who was signed in.</summary>
    public Guid? ActorId { get; init; }

    /// <summary>The account it was done to.</summary>
    public Guid? AccountId { get; init; }

    /// <summary>The student it is about.</summary>
    public Guid? StudentId { get; init; }

    /// <summary>The network address it came from; empty where it came from none.</summary>
    public string Address { get; init; } = "";
}

internal sealed class SecurityEventMapping : IEntityTypeConfiguration<SecurityEvent>
{
    public void Configure(EntityTypeBuilder<SecurityEvent> builder)
    {
        builder.ToTable("security_events");
        builder.Property(e => e.Address).HasMaxLength(64);
        builder.HasIndex(e => new { e.AcademyId, e.Id });
        builder.HasIndex(e => e.At);
        builder.HasIndex(e => new
        {
            e.AcademyId,
            e.StudentId,
            e.At,
        });
    }
}

/// <summary>Writes the security log.</summary>
/// <remarks>A line goes with the transaction of what it tells of, where there is one.</remarks>
public sealed class SecurityLog(MorningRoundDb db, TimeProvider realClock, IHttpContextAccessor calls, IStudentNames students)
{
    private const int LinesOfAPage = 50;

    /// <summary>Notes what somebody did who is signed in.</summary>
    public Task AddAsync(
        Caller by,
        SecurityEventKind kind,
        CancellationToken cancel,
        Guid? accountId = null,
        Guid? studentId = null
    ) => AddAsync(by.AcademyId, kind, cancel, by.AccountId, accountId, studentId);

    /// <summary>Notes what happened to an account, or at the door.</summary>
    public Task AddAsync(
        Guid? academyId,
        SecurityEventKind kind,
        CancellationToken cancel,
        Guid? actorId = null,
        Guid? accountId = null,
        Guid? studentId = null
    )
    {
        var now = realClock.GetUtcNow();
        return db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO security_events (id, academy_id, at, kind, actor_id, account_id, student_id, address)
            VALUES ({Guid.CreateVersion7(now)}, {academyId}, {now}, {kind.ToString()}, {actorId}, {accountId}, {studentId},
                {ClientAddress.Of(calls.HttpContext)})
            """,
            cancel
        );
    }

    /// <summary>Notes what somebody does again and again once in twenty-four hours. Two at once may note it twice.</summary>
    public async Task AddOnceADayAsync(Caller by, SecurityEventKind kind, Guid studentId, CancellationToken cancel)
    {
        var yesterday = realClock.GetUtcNow() - TimeSpan.FromDays(1);
        if (
            !await db.SecurityEvents.AnyAsync(
                e =>
                    e.AcademyId == by.AcademyId
                    && e.StudentId == studentId
                    && e.ActorId == by.AccountId
                    && e.Kind == kind
                    && e.At > yesterday,
                cancel
            )
        )
            await AddAsync(by, kind, cancel, studentId: studentId);
    }

    /// <summary>A page of an academy's log, the latest first.</summary>
    /// <param name="caller">An owner.</param>
    /// <param name="older">The last line of the page before; null for the first page.</param>
    /// <param name="cancel">Stops the call.</param>
    public async Task<SecurityPage> PageAsync(Caller caller, Guid? older, CancellationToken cancel)
    {
        var lines = await db
            .SecurityEvents.AsNoTracking()
            .Where(e => e.AcademyId == caller.AcademyId && (older == null || e.Id < older))
            .OrderByDescending(e => e.Id)
            .Take(LinesOfAPage + 1)
            .ToListAsync(cancel);
        var shown = lines.Take(LinesOfAPage).ToList();
        var accountIds = shown.SelectMany(e => new[] { e.ActorId, e.AccountId }).OfType<Guid>().Distinct().ToList();
        var names = await db
            .Users.Where(u => u.AcademyId == caller.AcademyId && accountIds.Contains(u.Id))
            .ToDictionaryAsync(u => u.Id, u => u.Name, cancel);
        var studentNames = await students.NamesAsync(
            caller.AcademyId,
            [.. shown.Select(e => e.StudentId).OfType<Guid>().Distinct()],
            cancel
        );
        return new SecurityPage(
            [
                .. shown.Select(e => new SecurityLine(
                    e.Id,
                    e.At,
                    e.Kind,
                    Name(names, e.ActorId),
                    Name(names, e.AccountId),
                    Name(studentNames, e.StudentId),
                    e.Address
                )),
            ],
            await db.Academies.Where(a => a.Id == caller.AcademyId).Select(a => a.SecurityLogDays).SingleAsync(cancel),
            lines.Count > LinesOfAPage ? shown[^1].Id : null
        );
    }

    private static string? Name(IReadOnlyDictionary<Guid, string> names, Guid? id) =>
        id is { } known ? names.GetValueOrDefault(known) : null;
}
