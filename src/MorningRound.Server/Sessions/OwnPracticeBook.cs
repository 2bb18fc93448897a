using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core;
using MorningRound.Core.Plans;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Sessions;

/// <summary>Practice that nobody set: what a student did on their own, and a lesson that was held without a plan.</summary>
public sealed class OwnPracticeBook(MorningRoundDb db, DomainClock clock, StudentBook students, StudentFileBook files)
{
    /// <summary>How far back practice can still be noted.</summary>
    private const int OldestDays = 366;

    /// <summary>
    /// Puts it into the student's week, published at once, so that a log can be kept of it. The same text sent twice changes
    /// nothing; another text under the same id is refused.
    /// </summary>
    public async Task<SessionCard> SaveAsync(Caller caller, Guid assignmentId, OwnPracticeInput input, CancellationToken cancel)
    {
        caller.MustReach(input.StudentId, "student");
        await students.MustExistAsync(caller, input.StudentId, cancel);
        var today = clock.Today(caller.TimeZone);
        var document = input.Plan.AsSet();
        FieldError[] errors =
        [
            .. new FieldErrors()
                .Require(assignmentId != Guid.Empty, "assignmentId", "An id is needed.")
                .Require(input.Day <= today.Plus(1) && input.Day >= today.Plus(-OldestDays), "day", "Practice is noted for today or a day of the last year.")
                .Found,
            .. PlanRules.ToPublish(input.Plan).Select(e => e with { Path = $"plan.{e.Path}" }),
        ];
        if (errors.Length > 0) throw Refusal.Invalid(errors);

        var row = await db.Assignments.Include(a => a.Logs).SingleOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == assignmentId, cancel);
        if (row is not null)
        {
            // Whether the id is somebody else's is not told.
            if (row.StudentId != input.StudentId || row.Requirement != Requirement.Own || !StoredDocuments.Same(row.Document, document))
                throw Refusal.Conflict("This was already noted, with other words.", "assignmentId", "Note it again under a new id.");
            return SessionCard.Of(row, today);
        }

        var file = await files.FileAsync(caller, input.StudentId, cancel);
        if (!file.MayBePublishedTo)
            throw Refusal.Invalid("studentId", "Nothing can be kept for a minor before a guardian has consented. Note it in the student's file.");
        var (drills, missing) = SetDrill.Of(input.Plan, file, assignmentId);
        if (missing.Count > 0) throw Refusal.Invalid([.. missing.Select(e => e with { Path = $"plan.{e.Path}" })]);
        row = new AssignmentRow
        {
            AcademyId = caller.AcademyId,
            Id = assignmentId,
            StudentId = input.StudentId,
            PlanId = Guid.Empty,
            Monday = IsoWeek.Of(input.Day).Monday,
            Day = input.Day,
            Requirement = Requirement.Own,
            Document = document,
            PublishedAt = clock.GetUtcNow(),
            Version = 1,
        };
        db.Assignments.Add(row);
        if (drills.Count > 0) db.SetDrills.Add(new SetDrillsRow { AcademyId = caller.AcademyId, AssignmentId = assignmentId, Document = drills });
        return await db.SavedAsync(cancel) ? SessionCard.Of(row, today) : await SaveAsync(caller, assignmentId, input, cancel);
    }
}
