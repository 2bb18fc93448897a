using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Weeks;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Reminders;

/// <summary>
/// Makes the mails that are due. Every mail is about one thing and unique for its account, and what it carries is noted in the
/// same transaction: however many copies of the server look at once, each is made once.
/// </summary>
public sealed class ReminderMaking(MorningRoundDb db, DomainClock clock, MailSettings settings)
{
    /// <summary>So long after the last session was published: what is taken back before was never told.</summary>
    public static readonly TimeSpan WaitsAfterPublishing = TimeSpan.FromMinutes(10);

    private static readonly TimeSpan TooOld = TimeSpan.FromDays(1);

    /// <summary>When mails of a day are made, by the academy's clock.</summary>
    private static readonly (ReminderKind Kind, DayOfWeek? Weekday, TimeOnly From, TimeOnly To)[] Rounds =
    [
        (ReminderKind.Tomorrow, null, new TimeOnly(17, 0), new TimeOnly(22, 0)),
        (ReminderKind.Thursday, DayOfWeek.Thursday, new TimeOnly(17, 0), new TimeOnly(22, 0)),
        (ReminderKind.Monday, DayOfWeek.Monday, new TimeOnly(6, 30), new TimeOnly(22, 0)),
    ];

    /// <summary>Whether somebody who said nothing gets mails of a kind.</summary>
    public static bool BeginsOn(ReminderKind kind) =>
        kind is ReminderKind.WeekPublished or ReminderKind.Pain or ReminderKind.Monday;

    /// <summary>The kinds that somebody can get.</summary>
    public static IReadOnlyList<ReminderKind> KindsFor(AcademyRole role) =>
        role switch
        {
            AcademyRole.Student => [ReminderKind.WeekPublished, ReminderKind.Tomorrow, ReminderKind.Thursday],
            AcademyRole.Guardian => [],
            _ => [ReminderKind.Pain, ReminderKind.Monday],
        };

    /// <summary>Makes everything that is due now.</summary>
    public async Task MakeAsync(CancellationToken cancel)
    {
        var academies = await db
            .Academies.AsNoTracking()
            .OrderBy(a => a.Id)
            .Select(a => new { a.Id, a.TimeZone })
            .ToListAsync(cancel);
        await MakePublishedAsync(cancel);
        await MakePainAsync(cancel);
        foreach (var academy in academies)
        {
            var zone = TimeZoneInfo.FindSystemTimeZoneById(academy.TimeZone);
            var local = TimeZoneInfo.ConvertTime(clock.GetUtcNow(), zone);
            var (day, time) = (DateOnly.FromDateTime(local.DateTime), TimeOnly.FromDateTime(local.DateTime));
            foreach (var (kind, weekday, from, to) in Rounds)
            {
                if ((weekday is null || weekday == day.DayOfWeek) && time >= from && time < to)
                    await MakeRoundAsync(academy.Id, kind, day, cancel);
            }
        }
    }

    private async Task MakePublishedAsync(CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var (oldest, settled) = (now - TooOld, now - WaitsAfterPublishing);
        var waiting = await db
            .Assignments.AsNoTracking()
            .Where(a => a.PublishedAt > oldest && a.MailedAt == null && a.SentAt == null && a.Requirement != Requirement.Own)
            .Join(
                Wanting(ReminderKind.WeekPublished),
                a => new { a.AcademyId, StudentId = (Guid?)a.StudentId },
                u => new { u.AcademyId, u.StudentId },
                (a, u) =>
                    new
                    {
                        a.AcademyId,
                        a.StudentId,
                        a.Monday,
                        a.PublishedAt,
                        AccountId = u.Id,
                        u.Name,
                    }
            )
            .ToListAsync(cancel);
        foreach (
            var week in waiting
                .GroupBy(w => (w.AcademyId, w.StudentId, w.Monday, w.AccountId, w.Name))
                .Where(g => g.Max(w => w.PublishedAt) <= settled)
        )
        {
            var (academy, student, monday, account, name) = week.Key;
            await using var transaction = await db.BeginUnlessWithinAsync(cancel);
            // Whoever takes publishing back at this moment was quicker, or is told that a mail has carried it.
            var carried = await db
                .Assignments.Where(a =>
                    a.AcademyId == academy
                    && a.StudentId == student
                    && a.Monday == monday
                    && a.PublishedAt > oldest
                    && a.MailedAt == null
                    && a.SentAt == null
                    && a.Requirement != Requirement.Own
                )
                .ExecuteUpdateAsync(set => set.SetProperty(a => a.MailedAt, now), cancel);
            if (carried == 0)
                continue;
            var sessions = await db
                .Assignments.AsNoTracking()
                .Where(a => a.AcademyId == academy && a.StudentId == student && a.Monday == monday && a.MailedAt == now)
                .Listed()
                .ToListAsync(cancel);
            await AddAsync(
                academy,
                account,
                ReminderKind.WeekPublished,
                $"week {IsoWeek.Of(monday)} {now:O}",
                ReminderTexts.WeekPublished(name, InOrder(sessions), settings.Link),
                cancel
            );
            if (transaction is not null)
                await transaction.CommitAsync(cancel);
        }
    }

    private async Task MakePainAsync(CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var oldest = DateOnly.FromDateTime((now - TooOld - TooOld).UtcDateTime);
        var (mails, students) = (db.Mails, db.Students);
        var told = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.Pain != null && l.Day >= oldest)
            .Join(
                Wanting(ReminderKind.Pain),
                l => l.AcademyId,
                u => u.AcademyId,
                (l, u) =>
                    new
                    {
                        l.AcademyId,
                        l.Id,
                        l.Pain,
                        l.StudentId,
                        Account = u.Id,
                    }
            )
            // Whoever looks after the student hears of it, and whoever looks after nobody, which is everybody's coach.
            .Where(l =>
                students.Any(s => s.AcademyId == l.AcademyId && s.Id == l.StudentId && s.CoachId == l.Account)
                || !students.Any(s => s.AcademyId == l.AcademyId && s.CoachId == l.Account)
            )
            .Where(l => !mails.Any(m => m.AccountId == l.Account && m.About == "pain " + l.Id.ToString()))
            .ToListAsync(cancel);
        foreach (var log in told.Where(l => l.Pain!.Pain.Count > 0 || l.Pain.Unwell is not null))
        {
            await AddAsync(
                log.AcademyId,
                log.Account,
                ReminderKind.Pain,
                $"pain {log.Id}",
                ReminderTexts.Pain(settings.Link),
                cancel
            );
        }
    }

    /// <summary>The mails of an academy's day, all of them or none; whoever comes second finds them made.</summary>
    private async Task MakeRoundAsync(Guid academy, ReminderKind kind, DateOnly day, CancellationToken cancel)
    {
        if (await db.ReminderRounds.AnyAsync(r => r.AcademyId == academy && r.Kind == kind && r.Day == day, cancel))
            return;
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        var isFirst = await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO reminder_rounds (academy_id, kind, day) VALUES ({academy}, {kind.ToString()}, {day})
            ON CONFLICT DO NOTHING
            """,
            cancel
        );
        if (isFirst == 0)
            return;
        var wanting = await Wanting(kind).Where(u => u.AcademyId == academy).OrderBy(u => u.Id).Take(1_000).ToListAsync(cancel);
        if (wanting.Count > 0)
        {
            var week = IsoWeek.Of(day);
            var texts =
                kind == ReminderKind.Monday
                    ? await MondayAsync(academy, week, wanting, cancel)
                    : await StudentsAsync(academy, kind, day, week, wanting, cancel);
            foreach (var (account, text) in texts)
                await AddAsync(academy, account, kind, $"{kind} {day:O}", text, cancel);
        }

        if (transaction is not null)
            await transaction.CommitAsync(cancel);
    }

    private async Task<IReadOnlyList<(Guid Account, MailText Text)>> StudentsAsync(
        Guid academy,
        ReminderKind kind,
        DateOnly day,
        IsoWeek week,
        IReadOnlyList<Account> wanting,
        CancellationToken cancel
    )
    {
        var students = wanting.Select(u => u.StudentId).OfType<Guid>().ToList();
        var tomorrow = day.Plus(1);
        var monday = kind == ReminderKind.Tomorrow ? IsoWeek.Of(tomorrow).Monday : week.Monday;
        var rows = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == academy && students.Contains(a.StudentId) && a.Monday == monday && a.PublishedAt != null)
            .Listed()
            .ToListAsync(cancel);
        var byStudent = rows.ToLookup(r => r.StudentId);
        return
        [
            .. from account in wanting
            let sessions = byStudent[account.StudentId!.Value].ToList()
            // Whoever has begun anything this week needs no word of it, practice of their own included.
            where kind == ReminderKind.Tomorrow || !sessions.Exists(s => s.HasLog)
            let open = InOrder(
                sessions
                    .Where(s => s is { Excuse: null, HasLog: false, SaidNoTime: false } && s.Requirement != Requirement.Own)
                    .Where(s => kind == ReminderKind.Tomorrow ? s.Day == tomorrow : s.Requirement == Requirement.Must)
            )
            where open.Count > 0
            select (
                account.Id,
                kind == ReminderKind.Tomorrow
                    ? ReminderTexts.Tomorrow(account.Name, open, settings.Link)
                    : ReminderTexts.Thursday(account.Name, open, settings.Link)
            ),
        ];
    }

    private async Task<IReadOnlyList<(Guid Account, MailText Text)>> MondayAsync(
        Guid academy,
        IsoWeek week,
        IReadOnlyList<Account> wanting,
        CancellationToken cancel
    )
    {
        var (assignments, monday, before) = (db.Assignments, week.Monday, week.Plus(-1).Monday);
        var students = await db
            .Students.AsNoTracking()
            .Where(s => s.AcademyId == academy)
            .OrderBy(s => s.Name)
            .ThenBy(s => s.Id)
            .Select(s => new
            {
                s.Name,
                s.CoachId,
                HasWeek = assignments.Any(a =>
                    a.AcademyId == academy && a.StudentId == s.Id && a.Monday == monday && a.PublishedAt != null
                ),
                Missed = assignments.Any(a =>
                    a.AcademyId == academy
                    && a.StudentId == s.Id
                    && a.Monday == before
                    && a.PublishedAt != null
                    && a.Requirement == Requirement.Must
                    && a.Excuse == null
                    && !a.HasLog
                ),
            })
            .Take(200)
            .ToListAsync(cancel);
        return
        [
            .. from account in wanting
            let own = students.Where(s => s.CoachId == account.Id).ToList()
            // Whoever looks after nobody is everybody's coach.
            let theirs = own.Count > 0 ? own : students
            select (
                account.Id,
                ReminderTexts.Monday(
                    [.. theirs.Where(s => !s.HasWeek).Select(s => s.Name)],
                    [.. theirs.Where(s => s.Missed).Select(s => s.Name)],
                    settings.Link
                )
            ),
        ];
    }

    /// <summary>Accounts that want mails of a kind: those who said so, and those who said nothing where it begins on.</summary>
    private IQueryable<Account> Wanting(ReminderKind kind)
    {
        var (choices, beginsOn) = (db.ReminderChoices, BeginsOn(kind));
        AcademyRole[] roles = [.. Enum.GetValues<AcademyRole>().Where(role => KindsFor(role).Contains(kind))];
        return db
            .Users.AsNoTracking()
            .Where(u =>
                u.Email != null
                && u.State == AccountState.Active
                && roles.Contains(u.Role)
                && (
                    choices.Where(c => c.AccountId == u.Id && c.Kind == kind).Select(c => (bool?)c.IsOn).FirstOrDefault()
                    ?? beginsOn
                )
            );
    }

    private static IReadOnlyList<ListedAssignment> InOrder(IEnumerable<ListedAssignment> sessions) =>
        [.. sessions.OrderBy(s => s.Day is null).ThenBy(s => s.Day).ThenBy(s => s.Order ?? int.MaxValue).ThenBy(s => s.Id)];

    private Task AddAsync(Guid academy, Guid account, ReminderKind kind, string about, MailText text, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        return db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO mails (id, academy_id, account_id, kind, about, subject, body, made_at, state, claimed_until, attempts)
            VALUES ({Guid.CreateVersion7()}, {academy}, {account}, {kind.ToString()}, {about}, {text.Subject}, {text.Body}, {now},
                {nameof(MailState.Waiting)}, {now}, 0)
            ON CONFLICT (account_id, about) DO NOTHING
            """,
            cancel
        );
    }
}
