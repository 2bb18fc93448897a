using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>Practice that nobody set: what a student did on their own, and a lesson that was held without a plan.</summary>
public sealed class OwnPracticeService(MorningRoundDb db, DomainClock clock, PlanContextService contexts)
{
    /// <summary>How far back practice can still be noted.</summary>
    private const int OldestDays = 366;

    /// <summary>
    /// Puts it into the student's week, published at once, so that a log can be kept of it. The same text sent twice changes
    /// nothing; another text under the same id is refused.
    /// </summary>
    public async Task<SessionCard> SaveAsync(Caller caller, Guid assignmentId, OwnPracticeInput input, CancellationToken cancel)
    {
        caller.EnsureCanAccess(input.StudentId, "student");
        var today = clock.Today(caller.TimeZone);
        var context = await contexts.GroundsAsync(caller, input.StudentId, today, cancel);
        var document = input.Plan.ForPublishing();
        FieldError[] errors =
        [
            .. new FieldErrors()
                .Require(assignmentId != Guid.Empty, "assignmentId", "An id is needed.")
                .Require(
                    input.Day <= today.Plus(1) && input.Day >= today.Plus(-OldestDays),
                    "day",
                    "Practice is noted for today or a day of the last year."
                )
                .Found,
            .. PlanRules.ToPublish(input.Plan).Select(e => e with { Path = $"plan.{e.Path}" }),
        ];
        if (errors.Length > 0)
            throw ApiProblemException.Invalid(errors);

        if (!context.Student!.MayBePublishedTo)
            throw ApiProblemException.Invalid(
                "studentId",
                "Nothing can be kept for a minor before a guardian has consented. Note it in the student's file."
            );
        var (drills, missing) = PublishedDrill.Of(input.Plan, context.PlayerIn, assignmentId);
        if (missing.Count > 0)
            throw ApiProblemException.Invalid([.. missing.Select(e => e with { Path = $"plan.{e.Path}" })]);
        var trim = PlanTrim.Of(document, context);
        return SessionCard.Of(
            await db.SaveAsync(
                RowVersion.New,
                new GuardedRow<AssignmentRow>
                {
                    What = "session",
                    Find = () =>
                        db.Assignments.SingleOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == assignmentId, cancel),
                    // Whether the id is somebody else's is not told.
                    View = _ =>
                        throw ApiProblemException.Conflict(
                            "This was already noted, with other words.",
                            "assignmentId",
                            "Note it again under a new id."
                        ),
                    IsSame = row =>
                        row.StudentId == input.StudentId
                        && row.Requirement == Requirement.Own
                        && StoredDocuments.Same(row.Document, document),
                    Create = () =>
                    {
                        db.PublishedSessions.Add(
                            new PublishedSessionRow
                            {
                                AcademyId = caller.AcademyId,
                                AssignmentId = assignmentId,
                                Drills = drills,
                                Trim = trim,
                            }
                        );
                        return Task.FromResult(
                            AssignmentColumns.NewAssignment(caller.AcademyId, assignmentId, input.StudentId, document)
                        );
                    },
                    Change = row =>
                    {
                        row.Monday = IsoWeek.Of(input.Day).Monday;
                        row.Day = input.Day;
                        row.Requirement = Requirement.Own;
                        row.PublishedAt = clock.GetUtcNow();
                    },
                },
                cancel
            ),
            today
        );
    }
}
