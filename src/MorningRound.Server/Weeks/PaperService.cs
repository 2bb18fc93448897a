using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Programmes;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>A student's published week as it is printed.</summary>
public sealed record PaperWeek
{
    public required Guid StudentId { get; init; }

    public required string Name { get; init; }

    /// <summary>Which hand, so that lead and trail can be shown as left and right.</summary>
    public required Hand Hand { get; init; }

    /// <summary>The first day of the week.</summary>
    public required DateOnly Monday { get; init; }

    /// <summary>Its sessions in order; empty where nothing is published.</summary>
    public required IReadOnlyList<PaperSession> Sessions { get; init; }

    /// <summary>The programmes that run for the student, and where they stand.</summary>
    public required IReadOnlyList<ProgrammeStanding> Programmes { get; init; }
}

/// <summary>A session as it is printed.</summary>
public sealed record PaperSession
{
    public required SessionCard Card { get; init; }

    public required SessionPlan Plan { get; init; }

    /// <summary>When each segment of practice is over, in words.</summary>
    public required IReadOnlyList<ExitRuleText> ExitRules { get; init; }

    /// <summary>What is not to be looked at in each segment that hides something.</summary>
    public required IReadOnlyList<SegmentHiding> Hiding { get; init; }

    public required IReadOnlyList<SessionDrill> Drills { get; init; }

    /// <summary>The boxes for attempts, by segment of practice.</summary>
    public required IReadOnlyList<SegmentBoxes> Boxes { get; init; }
}

/// <summary>How many boxes a segment has.</summary>
public sealed record SegmentBoxes(Guid SegmentId, int Boxes);

/// <summary>Weeks and sessions for paper: of one student, or of a squad in one go.</summary>
public sealed class PaperService(MorningRoundDb db, DomainClock clock, ProgrammeRunService programmes)
{
    /// <summary>The most students in one go.</summary>
    public const int MostStudents = 50;

    /// <summary>What is published of students' weeks, ready to be printed: the same number of statements however many.</summary>
    public async Task<IReadOnlyList<PaperWeek>> OfAsync(
        Caller caller,
        IsoWeek week,
        IReadOnlyCollection<Guid> students,
        CancellationToken cancel
    )
    {
        if (students.Count > MostStudents)
            throw ApiProblemException.Invalid("students", $"At most {MostStudents} students in one go, please.");
        foreach (var student in students)
            caller.EnsureCanAccess(student, "student");
        var people = await db
            .Students.AsNoTracking()
            .Where(s => s.AcademyId == caller.AcademyId && students.Contains(s.Id))
            .OrderBy(s => s.Name)
            .ThenBy(s => s.Id)
            .Select(s => new
            {
                s.Id,
                s.Name,
                s.Hand,
            })
            .ToListAsync(cancel);
        if (people.Count < students.Count)
            throw ApiProblemException.NotFound("student");
        if (!caller.IsCoach)
            await db.NoteSentAsync(
                caller,
                a => a.StudentId == caller.StudentId && a.Monday == week.Monday,
                clock.GetUtcNow(),
                cancel
            );
        var published = db.PublishedSessions.AsNoTracking();
        var rows = await db
            .Assignments.AsNoTracking()
            .Where(a =>
                a.AcademyId == caller.AcademyId
                && students.Contains(a.StudentId)
                && a.Monday == week.Monday
                && a.PublishedAt != null
                && a.Requirement != Requirement.Own
            )
            .Select(a => new
            {
                Row = a,
                Drills = published
                    .Where(p => p.AcademyId == a.AcademyId && p.AssignmentId == a.Id)
                    .Select(p => p.Drills)
                    .FirstOrDefault(),
            })
            .ToListAsync(cancel);
        var standings = await programmes.StandingsAsync(caller, students, week, cancel);
        var today = clock.Today(caller.TimeZone);
        return
        [
            .. people.Select(person => new PaperWeek
            {
                StudentId = person.Id,
                Name = person.Name,
                Hand = person.Hand,
                Monday = week.Monday,
                Sessions =
                [
                    .. rows.Where(r => r.Row.StudentId == person.Id)
                        .OrderBy(r => r.Row.Day is null)
                        .ThenBy(r => r.Row.Day)
                        .ThenBy(r => r.Row.Order ?? int.MaxValue)
                        .ThenBy(r => r.Row.Id)
                        .Select(r => SessionOf(SessionCard.Of(r.Row, today), r.Row.Document, r.Drills ?? [])),
                ],
                Programmes = [.. standings[person.Id]],
            }),
        ];
    }

    private static PaperSession SessionOf(SessionCard card, SessionPlan plan, IReadOnlyList<PublishedDrill> drills)
    {
        var shown = drills.Select(d => SessionDrill.Of(d, plan)).ToDictionary(d => d.SegmentId);
        return new PaperSession
        {
            Card = card,
            Plan = plan,
            ExitRules = ExitRuleText.Of(plan),
            Hiding = SegmentHiding.Of(plan),
            Drills = [.. shown.Values],
            Boxes =
            [
                .. plan.Practice()
                    .Select(s =>
                    {
                        var drill = shown.GetValueOrDefault(s.Id);
                        var calls = drill?.Calls.Count > 0 ? drill.Calls.Count : s.Calls.Count;
                        return new SegmentBoxes(s.Id, PaperBoxes.Of(s, drills.FirstOrDefault(d => d.SegmentId == s.Id), calls));
                    }),
            ],
        };
    }
}
