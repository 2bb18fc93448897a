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
    /// Adds homework as segments to next week's homework plan of the student, making plan and draft with the first. Ids follow
    /// from student and week, so the same homework arrives once; once such a draft is published or full, the next one begins.
    /// Saving is left to the caller.
    /// </summary>
    /// <param name="caller">Who noted it.</param>
    /// <param name="studentId">Whose it is.</param>
    /// <param name="lesson">The day of the lesson.</param>
    /// <param name="noted">What was noted with homework, in order. Asks nothing of the database where that is empty.</param>
    /// <param name="cancel">Ends the asking.</param>
    public async Task AddAsync(
        Caller caller,
        Guid studentId,
        DateOnly lesson,
        IReadOnlyList<LessonNoted> noted,
        CancellationToken cancel
    )
    {
        if (noted.Count == 0)
            return;
        var week = IsoWeek.Of(lesson).Plus(1);
        var ids = Enumerable.Range(0, MostPlans).Select(n => IdOf(studentId, week, n)).ToList();
        var drafts = await db
            .Assignments.Where(a => a.AcademyId == caller.AcademyId && ids.Contains(a.Id))
            .ToDictionaryAsync(a => a.Id, cancel);
        var plans = await db
            .Plans.Where(p => p.AcademyId == caller.AcademyId && ids.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, cancel);
        foreach (var note in noted)
            Add(note, note.Homework!.ToSegment());

        void Add(LessonNoted note, PracticeSegment segment)
        {
            foreach (var id in ids)
            {
                var (draft, plan) = (drafts.GetValueOrDefault(id), plans.GetValueOrDefault(id));
                if (Has(draft?.Document, segment) || Has(plan?.Document, segment))
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
                    (plans[id], drafts[id]) = Make(caller, id, studentId, week, note, segment);
                    return;
                }

                plan.Write(plan.Document with { Segments = [.. plan.Document.Segments, segment] }, clock.GetUtcNow());
                plan.Version++;
                draft!.Document = plan.Document;
                draft.Summarize([]);
                draft.Version++;
                return;
            }
        }
    }

    private static bool Has(SessionPlan? plan, PracticeSegment segment) => plan?.Segments.Any(s => s.Id == segment.Id) == true;

    private (PlanRow Plan, AssignmentRow Draft) Make(
        Caller caller,
        Guid id,
        Guid studentId,
        IsoWeek week,
        LessonNoted noted,
        PracticeSegment segment
    )
    {
        var document = new SessionPlan
        {
            Title = $"Homework, {week}",
            Purpose = string.IsNullOrWhiteSpace(noted.Checkpoint) ? "Keep what was agreed in the lesson." : noted.Checkpoint,
            Segments = [segment],
        };
        var plan = PlanRow.New(caller.AcademyId, id, document, clock.GetUtcNow(), PlanKind.Homework);
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
        return (plan, draft);
    }

    private static Guid IdOf(Guid studentId, IsoWeek week, int n) => DerivedId.Of($"homework {studentId} {week} {n}");
}
