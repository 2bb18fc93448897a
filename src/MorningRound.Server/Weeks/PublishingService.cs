using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Weeks;

/// <summary>
/// Publishes weeks: for one student or for many. Everything that can be is published, and what keeps the rest is said, session by
/// session. Each student's week is written as a whole or not at all.
/// </summary>
public sealed class PublishingService(MorningRoundDb db, DomainClock clock, PlanContextService contexts, DraftTexts texts)
{
    /// <summary>
    /// Publishes the drafts of students' weeks that can be, and says of the others what keeps each, once. The text that counts
    /// from then on is the plan's text of this moment, or the session's own where it has one. When nothing at all can be
    /// published, that is a refusal.
    /// </summary>
    public async Task<IReadOnlyList<PublishedWeek>> PublishAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        CancellationToken cancel
    )
    {
        var weeks = await PublishOnlyAsync(caller, week, students, only: null, cancel);
        var kept = weeks.SelectMany(w => w.NotPublished).ToList();
        // With nothing published at all, that is a refusal which names the fields.
        if (kept.Count > 0 && weeks.All(w => w.Published.Count == 0))
            throw ApiProblemException.Invalid([
                .. kept.Select(k => new FieldError($"sessions[{k.AssignmentId}].{k.Path}", k.InWords())),
            ]);
        return weeks;
    }

    /// <summary>
    /// The same for some of the drafts, or all where none are named; whatever keeps them is no refusal.
    /// </summary>
    public async Task<IReadOnlyList<PublishedWeek>> PublishOnlyAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        IReadOnlyCollection<Guid>? only,
        CancellationToken cancel
    )
    {
        var weeks = new List<PublishedWeek>();
        var left = students.ToHashSet();
        while (left.Count > 0)
        {
            foreach (var one in await ReadAsync(caller, week, left, only, cancel))
            {
                // Somebody else was quicker: what was read of this one and of those after is read again.
                if (!await WriteAsync(caller, one, cancel))
                    break;
                weeks.Add(one.ToView());
                left.Remove(one.StudentId);
            }
        }

        return weeks;
    }

    /// <summary>What publishing would publish and keep back, with nothing changed.</summary>
    public async Task<IReadOnlyList<PublishedWeek>> PreviewAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        CancellationToken cancel
    ) => [.. (await ReadAsync(caller, week, students, only: null, cancel)).Select(one => one.ToView())];

    /// <summary>
    /// Takes publishing back, so that the session is a draft again: only while the student was not sent it, and nothing was
    /// practised of it.
    /// </summary>
    public async Task<SessionCard> WithdrawAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel)
    {
        await using var transaction = await db.BeginUnlessWithinAsync(cancel);
        // Whoever is sent it at this moment waits, or has been.
        var row = await db.LockAssignmentAsync(caller.AcademyId, id, cancel);
        if (row is null or { TakenOutAt: not null })
            throw ApiProblemException.NotFound("session");
        var today = clock.Today(caller.TimeZone);
        if (row.PublishedAt is null)
            return SessionCard.Of(row, today);
        if (row.Version != expected.Number)
            throw ApiProblemException.Stale(SessionCard.Of(row, today));
        if (row.SentAt is not null || row.CarriedAt is not null || row.MailedAt is not null || row.HasLog)
            throw ApiProblemException.Conflict(
                row.SentAt is null && !row.HasLog
                    ? "A calendar or a mail has already carried this session."
                    : "The student has already seen this session.",
                "id",
                "It stays published. Move it, change it or take it out; that is marked for the student."
            );
        row.PublishedAt = null;
        row.ChangedAt = null;
        row.Notes = row.Notes with { Changes = [] };
        row.Version++;
        await db.SaveChangesAsync(cancel);
        await db.PublishedSessions.Where(p => p.AcademyId == caller.AcademyId && p.AssignmentId == id).ExecuteDeleteAsync(cancel);
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
        return SessionCard.Of(row, today);
    }

    /// <summary>The drafts of students' weeks with what keeps each: seven queries, however many students.</summary>
    private async Task<IReadOnlyList<WeekToPublish>> ReadAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        IReadOnlyCollection<Guid>? only,
        CancellationToken cancel
    )
    {
        var squad = await contexts.SquadAsync(caller, week.Monday, students, cancel);
        var drafts = (
            await db
                .Assignments.Where(a =>
                    a.AcademyId == caller.AcademyId
                    && students.Contains(a.StudentId)
                    && a.Monday == week.Monday
                    && a.PublishedAt == null
                    && (only == null || only.Contains(a.Id))
                )
                .ToListAsync(cancel)
        ).ToLookup(a => a.StudentId);
        var read = await texts.OfAsync(caller, [.. drafts.SelectMany(d => d)], cancel);
        return
        [
            .. squad.Select(one => new WeekToPublish(
                one.Id,
                one.Name,
                [
                    .. drafts[one.Id]
                        .OrderBy(d => d.Day is null)
                        .ThenBy(d => d.Day)
                        .ThenBy(d => d.Id)
                        .Select(draft => SessionToPublish.Of(draft, read[draft.Id], one.Context, week)),
                ]
            )),
        ];
    }

    /// <summary>Writes a student's week. False when somebody else was quicker: then nothing of it was written.</summary>
    private async Task<bool> WriteAsync(Caller caller, WeekToPublish week, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        foreach (var session in week.Sessions.Where(s => s.Kept.Count == 0))
        {
            session.Publish(now);
            db.PublishedSessions.Add(session.ToRow(caller.AcademyId));
        }

        return await db.SavedAsync(cancel);
    }

    /// <summary>A student's drafts of a week.</summary>
    private sealed record WeekToPublish(Guid StudentId, string Name, IReadOnlyList<SessionToPublish> Sessions)
    {
        public PublishedWeek ToView() =>
            new(
                StudentId,
                Name,
                [
                    .. Sessions
                        .Where(s => s.Kept.Count == 0)
                        .Select(s => new PublishedOne(
                            s.Draft.Id,
                            s.Document.Title,
                            s.Draft.Day,
                            s.Draft.Requirement,
                            s.Draft.Listing.Minutes
                        )),
                ],
                [.. Sessions.SelectMany(s => s.Kept)]
            );
    }
}
