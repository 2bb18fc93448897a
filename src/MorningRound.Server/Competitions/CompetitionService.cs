using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Competitions;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Places;
using MorningRound.Server.Plans;
using MorningRound.Server.Progress;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Competitions;

/// <summary>One competition of a student: the way to it, the day of arrival, and what it showed.</summary>
public sealed class CompetitionService(
    MorningRoundDb db,
    DomainClock clock,
    PlanWorkbenchService workbench,
    ResultHistory history,
    NewDrafts drafts
)
{
    /// <summary>Where a golfer who gets to a course finds something to do: its practice greens.</summary>
    private static readonly IReadOnlyList<PlaceKind> There = [PlaceKind.PuttingGreen, PlaceKind.ChippingGreen];

    /// <summary>The competition as it stands today. A student sees what is published of the days until then.</summary>
    public async Task<CompetitionView> GetAsync(Caller caller, Guid studentId, Guid competitionId, CancellationToken cancel)
    {
        var (name, competition) = await FindAsync(caller, studentId, competitionId, cancel);
        var today = clock.Today(caller.TimeZone);
        var isOver = competition.LastDay < today;
        return new CompetitionView
        {
            StudentId = studentId,
            StudentName = name,
            Competition = competition,
            Standing = CompetitionStanding.InWords(competition, today).In(),
            DaysTo = competition.FirstDay.DayNumber - today.DayNumber,
            CanBeDebriefed = competition.LastDay <= today,
            Greens = isOver ? null : CompetitionStanding.Greens(competition, await HomeGreenAsync(caller, cancel))?.In(),
            Days = isOver
                ? []
                : TaperDay.Of(competition, await SessionsAsync(caller, studentId, competition, today, cancel), today),
            Arrival = isOver ? null : await ArrivalAsync(caller, studentId, competition, cancel),
            Around = isOver ? await AroundAsync(caller, studentId, competition, cancel) : null,
        };
    }

    /// <summary>
    /// Puts the list for the day of getting there into the student's week as a draft. The same call twice changes nothing.
    /// </summary>
    public async Task<SessionCard> SetArrivalAsync(Caller caller, Guid studentId, Guid competitionId, CancellationToken cancel)
    {
        var (_, competition) = await FindAsync(caller, studentId, competitionId, cancel);
        var today = clock.Today(caller.TimeZone);
        if (competition.GetsThere < today)
            throw ApiProblemException.Invalid("arrivalDay", "This day is over.");
        if ((await DraftAsync(caller, studentId, competition, cancel)).Plan is not { } plan)
            throw ApiProblemException.Invalid("arrivalDay", "There is nothing that could be done on this day.");
        var draft = AssignmentColumns.NewAssignment(caller.AcademyId, ArrivalId(studentId, competition), studentId, plan);
        (draft.Monday, draft.Day) = (IsoWeek.Of(competition.GetsThere).Monday, competition.GetsThere);
        (draft.Requirement, draft.HasOwnText) = (Requirement.Must, true);
        draft.Notes = new SessionNotes { IsDayChosen = true };
        var set = await drafts.AddAsync(caller, [draft], cancel);
        // What was published and taken out stays out: the student was told.
        if (set[0].TakenOutAt is not null)
            throw ApiProblemException.Invalid(
                "arrivalDay",
                "It was published and taken out of this week. Put a plan on the day by hand instead."
            );
        return SessionCard.Of(set[0], today);
    }

    private async Task<(string Name, Competition Competition)> FindAsync(
        Caller caller,
        Guid studentId,
        Guid competitionId,
        CancellationToken cancel
    )
    {
        var (name, file) = await db.NamedFileAsync(caller, studentId, cancel);
        return (
            name,
            file.Own.Competitions.FirstOrDefault(c => c.Id == competitionId) ?? throw ApiProblemException.NotFound("competition")
        );
    }

    /// <summary>The speed of the putting green at home, as it was measured last; null where it never was.</summary>
    private async Task<double?> HomeGreenAsync(Caller caller, CancellationToken cancel) =>
        (
            await db
                .Places.AsNoTracking()
                .Where(p => p.AcademyId == caller.AcademyId && p.RemovedAt == null)
                .Select(p => p.Document)
                .ToListAsync(cancel)
        )
            .Where(p => p is { Kind: PlaceKind.PuttingGreen, GreenSpeedFeet: not null })
            .MaxBy(p => p.GreenSpeedOn)
            ?.GreenSpeedFeet;

    private async Task<IReadOnlyList<SessionOnDay>> SessionsAsync(
        Caller caller,
        Guid studentId,
        Competition competition,
        DateOnly today,
        CancellationToken cancel
    )
    {
        if (TaperDay.Span(competition, today) is not var (from, to))
            return [];
        var isCoach = caller.IsCoach;
        var sessions = await db
            .Assignments.AsNoTracking()
            .Where(a =>
                a.AcademyId == caller.AcademyId
                && a.StudentId == studentId
                && a.Day >= from
                && a.Day <= to
                && a.Excuse == null
                && a.Requirement != Requirement.Own
                && (isCoach || a.PublishedAt != null)
            )
            .OrderBy(a => a.Day)
            .ThenBy(a => a.Id)
            .Select(a => new
            {
                a.Id,
                Day = a.Day!.Value,
                a.Document,
            })
            .ToListAsync(cancel);
        return
        [
            .. sessions.Select(s => new SessionOnDay(
                s.Id,
                s.Day,
                s.Document.Title,
                PlanTotals.Of(s.Document).Minutes,
                s.Document.Practice().All(p => p.Phase == Phase.WarmUp),
                s.Document.Practice().Any(p => p.SlowRepetitions)
            )),
        ];
    }

    private Task<Drafted> DraftAsync(Caller caller, Guid studentId, Competition competition, CancellationToken cancel) =>
        workbench.DraftAsync(
            caller,
            new PlanDraftInput
            {
                StudentId = studentId,
                Day = competition.GetsThere,
                Request = new DraftRequest
                {
                    Minutes = SessionToPlace.LongestBefore(competition, competition.GetsThere) ?? ArrivalWithoutADay,
                    Places = There,
                },
            },
            cancel
        );

    /// <summary>Who gets there on the first day has so long before the first tee. [own default]</summary>
    private const int ArrivalWithoutADay = 40;

    private async Task<ArrivalList> ArrivalAsync(Caller caller, Guid studentId, Competition competition, CancellationToken cancel)
    {
        var drafted = await DraftAsync(caller, studentId, competition, cancel);
        var id = ArrivalId(studentId, competition);
        var isSet = await db.Assignments.AnyAsync(a => a.AcademyId == caller.AcademyId && a.Id == id, cancel);
        var why = drafted.Reasons.ToDictionary(r => r.SegmentId, r => r.Why);
        return new ArrivalList(
            competition.GetsThere,
            isSet,
            drafted.Plan?.Title ?? "",
            drafted.Plan?.Purpose ?? "",
            [
                .. (drafted.Plan?.Segments ?? []).Select(s => new ArrivalStep(
                    s.Minutes,
                    s.Title,
                    s is PracticeSegment practice
                        ? practice.Instruction.Length > 0
                            ? practice.Instruction
                            : practice.Drill?.Drill.SetUp ?? ""
                        : "",
                    why.GetValueOrDefault(s.Id) ?? ""
                )),
            ],
            drafted.Compromises
        );
    }

    private async Task<BeforeAndAfter> AroundAsync(
        Caller caller,
        Guid studentId,
        Competition competition,
        CancellationToken cancel
    )
    {
        var (from, to) = (competition.FirstDay.Plus(-BeforeAndAfter.Days), competition.LastDay.Plus(BeforeAndAfter.Days));
        var results = await history.BetweenAsync(caller.AcademyId, studentId, from, to, cancel);
        var ratings = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day >= from && l.Day <= to)
            .Where(l => l.Quality != null || l.Confidence != null)
            .OrderBy(l => l.Day)
            .ThenBy(l => l.Id)
            .Take(MostRatings)
            .Select(l => new RatedDay(l.Day, l.Quality, l.Confidence))
            .ToListAsync(cancel);
        return BeforeAndAfter.Of(competition, results, ratings);
    }

    /// <summary>More than three sessions a day for all the days looked at.</summary>
    private const int MostRatings = 300;

    private static Guid ArrivalId(Guid studentId, Competition competition) =>
        DerivedId.Of($"arrival {studentId} {competition.Id} {competition.GetsThere:O}");
}
