using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>What was agreed in a lesson, as a draft in the student's next week.</summary>
public sealed class HomeworkService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>More weeks of homework than anybody publishes before the next lesson.</summary>
    private const int MostPlans = 20;

    /// <summary>
    /// Adds the homework as a segment to next week's homework plan of the student, making plan and draft with the first. Ids
    /// follow from student and week, so the same homework arrives once; once such a draft is published or full, the next one
    /// begins.
    /// Saving is left to the caller.
    /// </summary>
    public async Task AddAsync(Caller caller, Guid studentId, DateOnly lesson, LessonNoted noted, CancellationToken cancel)
    {
        var week = IsoWeek.Of(lesson).Plus(1);
        var segment = noted.Homework!.ToSegment();
        for (var n = 0; n < MostPlans; n++)
        {
            var id = IdOf(studentId, week, n);
            // What the same call added before is tracked and not saved yet.
            var draft =
                db.Assignments.Local.FirstOrDefault(a => a.Id == id)
                ?? await db.Assignments.FirstOrDefaultAsync(a => a.AcademyId == caller.AcademyId && a.Id == id, cancel);
            var plan =
                db.Plans.Local.FirstOrDefault(p => p.Id == id)
                ?? await db.Plans.FirstOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel);
            if (
                draft?.Document.Segments.Any(s => s.Id == segment.Id) == true
                || plan?.Document.Segments.Any(s => s.Id == segment.Id) == true
            )
                return;
            if (
                draft?.PublishedAt is not null
                || plan?.RemovedAt is not null
                || (plan is not null && draft is null)
                || plan?.Document.Segments.Count >= PlanRules.MostSegments
            )
                continue;
            if (plan is null)
            {
                Make(caller, id, studentId, week, noted, segment);
            }
            else
            {
                plan.Write(plan.Document with { Segments = [.. plan.Document.Segments, segment] }, clock.GetUtcNow());
                plan.Version++;
                draft!.Document = plan.Document;
                draft.Summarize([]);
                draft.Version++;
            }

            return;
        }
    }

    private void Make(Caller caller, Guid id, Guid studentId, IsoWeek week, LessonNoted noted, PracticeSegment segment)
    {
        var document = new SessionPlan
        {
            Title = $"Homework, {week}",
            Purpose = string.IsNullOrWhiteSpace(noted.Checkpoint) ? "Keep what was agreed in the lesson." : noted.Checkpoint,
            Segments = [segment],
        };
        var plan = PlanRow.New(caller.AcademyId, id, document, clock.GetUtcNow(), isHomework: true);
        plan.Version = 1;
        db.Plans.Add(plan);
        var draft = AssignmentColumns.NewAssignment(caller.AcademyId, id, studentId, document);
        (draft.PlanId, draft.Monday, draft.Requirement, draft.Version) = (id, week.Monday, Requirement.Must, 1);
        db.Assignments.Add(draft);
        db.PlanUses.Add(
            new PlanUseRow
            {
                AcademyId = caller.AcademyId,
                PlanId = id,
                StudentId = studentId,
                LastOn = week.Monday,
            }
        );
    }

    private static Guid IdOf(Guid studentId, IsoWeek week, int n) =>
        new(SHA256.HashData(Encoding.UTF8.GetBytes($"homework {studentId} {week} {n}")).AsSpan(0, 16));
}
